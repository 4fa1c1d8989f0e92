package wildflourish.core.hand;

import java.util.Optional;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Gracing;
import wildflourish.core.instrument.Hole;
import wildflourish.core.instrument.RollSpeech;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Part;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Target;

/** Why fingers on holes cannot make a figure: one question for each refusal that only the hand can answer. */
final class HoleHitches {
    private final HoleSpot spot;

    HoleHitches(HoleSpot spot) {
        this.spot = spot;
    }

    boolean holds(Refusal refusal) {
        return switch (refusal) {
            case NOTHING_LEFT_TO_LIFT -> usesLift() && cutIs(Gracing.NoCut.ALL_OPEN) && !rollIs(RollSpeech.NONE_OPEN);
            case NOTHING_LEFT_TO_TAP -> tapsOrFalls() && spot.isAllClosed() && !rollIs(RollSpeech.NONE_CLOSED);
            case NO_CLEAN_TAP -> hasNoCleanTap();
            case NO_USAGE_KNOWN -> isUnknown();
            case ROLL_ALL_CLOSED -> rollIs(RollSpeech.NONE_CLOSED);
            case ROLL_ALL_OPEN -> rollIs(RollSpeech.NONE_OPEN);
            case ROLL_CROSS_FINGERED -> rollIs(RollSpeech.NONE_CROSS);
            case ROLL_HALF_HOLED -> rollIs(RollSpeech.NONE_HALF);
            case TAP_IS_SILENCE -> isSilentTap();
            case TWO_HOLES_OPEN -> isCSharp() && openHoles() > 1;
            case TAP_SOUNDS -> !isCSharp() && openHoles() > 1;
            case REGISTER_JUMP -> usesLift() && cutIs(Gracing.NoCut.JUMPS);
            case THUMB_PINCHED -> usesLift() && cutIs(Gracing.NoCut.PINCHED);
            case ONE_FINGER_DOWN -> usesTwoFingers() && spot.lift().isPresent() && closedHoles() < 2;
            case TOP_TWO_NOT_DOWN ->
                spot.held.fingering().at(1) != Hole.CLOSED
                        || spot.held.fingering().at(2) != Hole.CLOSED;
            case NOTHING_LANDS -> !lands();
            case NOTHING_OPENS -> !isByLip() && spot.isAllClosed();
            case CROSSING_FINGERS -> crosses();
            case CRAN_NEEDS_ALL_CLOSED ->
                spot.gracing.isEmpty() || !spot.gracing.get().crans().areKnown();
            case NO_OCTAVE -> hasNoOctave();
            case THUMB_ONLY -> spot.family == Family.RECORDER && octaveOf().isPresent() && !isThumbOctave();
            case OFF_THE_KNEE -> isOffKnee();
            case KNEE_RANGE -> !isOnKneeRange();
            case LOW_D_ONLY -> !spot.held.fingering().offKnee();
            case TWO_OPEN_HOLES -> openHoles() < 2 || spot.tapHole().isEmpty();
            case NOT_ABOVE_BOTH, NOT_BELOW_BOTH, NOTHING_BELOW, SAME_SOUND_TWICE, BELONGS_TO ->
                chanter().equals(Optional.of(refusal));
            default -> false;
        };
    }

    private boolean uses(Target.Kind kind) {
        return spot.figure.uses(kind);
    }

    private boolean usesLift() {
        return uses(Target.Kind.LIFT) || uses(Target.Kind.LIFT_LOW) || uses(Target.Kind.LIFT_HIGH);
    }

    private boolean usesTwoFingers() {
        boolean isCran = rollIsCran();
        return !isCran
                && (uses(Target.Kind.LIFT_LOW)
                        || spot.figure.parts().stream()
                                .flatMap(part -> part.graces().stream())
                                .anyMatch(grace -> grace.equals(Target.of(Target.Kind.LIFT, 2))));
    }

    private boolean rollIsCran() {
        return spot.occasion.stack().main().ornament().kind() == Ornament.Kind.CRAN;
    }

    private boolean rollIs(RollSpeech speech) {
        boolean isRoll = spot.occasion.stack().choices().stream()
                .map(Choice::ornament)
                .anyMatch(each -> each.speech().refusals().contains(Refusal.ROLL_ALL_CLOSED));
        return isRoll
                && spot.gracing.filter(each -> each.speech().roll() == speech).isPresent();
    }

    private boolean rollsNot() {
        return rollIs(RollSpeech.NONE_CLOSED)
                || rollIs(RollSpeech.NONE_OPEN)
                || rollIs(RollSpeech.NONE_CROSS)
                || rollIs(RollSpeech.NONE_HALF);
    }

    private boolean cutIs(Gracing.NoCut why) {
        return spot.schoolHole().isEmpty()
                && spot.gracing.filter(each -> each.noCut() == why).isPresent();
    }

    private boolean tapsOrFalls() {
        return uses(Target.Kind.TAP) || stepsDown() || spot.isStoppedTap();
    }

    private boolean stepsDown() {
        return spot.figure.parts().stream()
                .anyMatch(part -> part.landing().kind() == Target.Kind.STEP
                        && part.landing().number() < 0);
    }

    private boolean slides() {
        return spot.figure.parts().stream().anyMatch(part -> !part.bend().isLevel());
    }

    private boolean hasNoCleanTap() {
        if (rollsNot() || spot.isAllClosed() || (isByLip() && !uses(Target.Kind.TAP))) {
            return false;
        }
        if (uses(Target.Kind.TAP)) {
            return spot.tapHole().isEmpty() && spot.gracing.isPresent() && !isUnknown();
        }
        return slides() && (isForked() || isUncleanHalf() || openHoles() == 0);
    }

    private boolean isForked() {
        return spot.family.hasPlainScale() && spot.held.fingering().isCrossed();
    }

    /** Half-holed, but for the one finger of C natural, which rolls on. */
    private boolean isUncleanHalf() {
        Fingering fingering = spot.held.fingering();
        return fingering.has(Hole.HALF) && !fingering.with(1, Hole.OPEN).isAll(Hole.OPEN);
    }

    private boolean isUnknown() {
        boolean hasNoRow = spot.gracing.isEmpty();
        boolean noCut = usesLift()
                && !rollIsCran()
                && spot.schoolHole().isEmpty()
                && (hasNoRow || cutIs(Gracing.NoCut.UNKNOWN));
        boolean noTap = uses(Target.Kind.TAP)
                && !spot.isAllClosed()
                && (hasNoRow || spot.gracing.get().noCut() == Gracing.NoCut.UNKNOWN);
        boolean noRoll = rollIs(RollSpeech.NONE_KNOWN);
        boolean noCran = rollIsCran() && hasNoRow;
        return noCut || noTap || noRoll || noCran;
    }

    private boolean isSilentTap() {
        return spot.family == Family.UNION_PIPES
                && uses(Target.Kind.TAP)
                && !rollsNot()
                && spot.tapHole().isPresent()
                && !spot.tapSounds(spot.held.fingering(), spot.held.breath());
    }

    private boolean isCSharp() {
        return Math.floorMod(spot.pitch().midi(), 12) == 1;
    }

    private long openHoles() {
        return spot.held.fingering().holes().stream()
                .filter(each -> each == Hole.OPEN)
                .count();
    }

    private long closedHoles() {
        return spot.held.fingering().holes().stream()
                .filter(each -> each == Hole.CLOSED)
                .count();
    }

    private boolean lands() {
        if (spot.before.isEmpty()) {
            return false;
        }
        boolean isLower = spot.occasion.before().orElseThrow().melody().midi()
                > spot.occasion.first().melody().midi();
        boolean isOtherRegister = spot.before.get().breath() != spot.held.breath();
        boolean closes = false;
        for (int hole = 1; hole <= spot.held.fingering().holes().size(); hole++) {
            closes |= spot.before.get().fingering().at(hole) != Hole.CLOSED
                    && spot.held.fingering().at(hole) == Hole.CLOSED;
        }
        return closes && (isLower || isOtherRegister);
    }

    private boolean isByLip() {
        return spot.occasion.isIn("lip");
    }

    // Changes of fingers

    private boolean crosses() {
        if (uses(Target.Kind.NEXT)) {
            return spot.after.isEmpty() || !slidesTo(spot.after.get());
        }
        if (uses(Target.Kind.MIDDLE)) {
            return spot.before.isEmpty() || !passes(spot.before.get().fingering(), spot.held.fingering());
        }
        for (Part part : spot.figure.parts()) {
            boolean isClumsy =
                    isClumsy(part.landing()) || part.graces().stream().anyMatch(this::isClumsy);
            if (isClumsy) {
                return true;
            }
        }
        return false;
    }

    private boolean isClumsy(Target target) {
        if (target.kind() != Target.Kind.STEP) {
            return false;
        }
        WrittenPitch step = spot.step(spot.occasion.first().melody(), target.number());
        return spot.usual(step)
                .map(other -> !HoleSpot.isSmallChange(spot.held.fingering(), other.fingering(), 2))
                .orElse(true);
    }

    /** One finger peels or presses; on the bamboo flute up to three, all one way. */
    private boolean slidesTo(Held next) {
        int most = spot.family == Family.BAMBOO_FLUTE ? 3 : 1;
        return HoleSpot.isSmallChange(spot.held.fingering(), next.fingering(), most)
                && next.breath() == spot.held.breath();
    }

    /** Exactly two neighbouring holes move, one way. */
    private static boolean passes(Fingering from, Fingering to) {
        int first = 0;
        int count = 0;
        for (int hole = 1; hole <= from.holes().size(); hole++) {
            if (from.at(hole) != to.at(hole)) {
                first = first == 0 ? hole : first;
                count++;
            }
        }
        return count == 2
                && first < from.holes().size()
                && from.at(first + 1) != to.at(first + 1)
                && HoleSpot.isSmallChange(from, to, 2);
    }

    // Octaves and the knee

    private Optional<FingeredPitch> octaveOf() {
        return spot.figure.parts().stream()
                .filter(part -> part.landing().kind() == Target.Kind.OCTAVE)
                .findFirst()
                .map(part -> new FingeredPitch(
                        spot.pitch().midi() + 12 * part.landing().number()))
                .filter(pitch -> spot.instrument.rowOf(pitch).isPresent());
    }

    private boolean hasNoOctave() {
        Optional<FingeredPitch> octave = octaveOf();
        if (octave.isEmpty() || spot.family == Family.RECORDER) {
            return octave.isEmpty();
        }
        boolean isInRange = spot.family != Family.UNION_PIPES || isOnKneeRange();
        return !isInRange || !spot.instrument.rowOf(octave.get()).orElseThrow().isSure(spot.held.fingering());
    }

    private boolean isThumbOctave() {
        Fingering other =
                spot.instrument.rowOf(octaveOf().orElseThrow()).orElseThrow().usual();
        return other.with(1, spot.held.fingering().at(1)).equals(spot.held.fingering());
    }

    private boolean isOffKnee() {
        return spot.occasion.tones().stream()
                .flatMap(tone -> spot.occasion.ways().of(tone.note()).stream())
                .anyMatch(each -> each.fingering().offKnee());
    }

    /** E to B of either octave. */
    private boolean isOnKneeRange() {
        int above = Math.floorMod(spot.pitch().midi() - 64, 12);
        return above <= 7 && !spot.held.fingering().offKnee();
    }

    // The chanter

    private Optional<Refusal> chanter() {
        Optional<FingeredPitch> before =
                spot.occasion.before().map(tone -> spot.instrument.reading().fingered(tone.melody()));
        if (uses(Target.Kind.FORM)) {
            Ornament movement = spot.occasion.stack().choices().stream()
                    .map(Choice::ornament)
                    .filter(each -> each.figures().get(0).figure().uses(Target.Kind.FORM))
                    .findFirst()
                    .orElse(spot.occasion.stack().main().ornament());
            return ChanterForms.of(movement.id(), spot.occasion.school(movement), spot.pitch(), before)
                    .refusal();
        }
        boolean isAbove = spot.figure.parts().stream()
                .flatMap(part -> part.graces().stream())
                .filter(grace -> grace.kind() == Target.Kind.NAMED)
                .allMatch(grace ->
                        ChanterForms.pitch(grace.name()).midi() > spot.pitch().midi());
        boolean isFirstAbove = spot.figure.parts().stream()
                .flatMap(part -> part.graces().stream())
                .findFirst()
                .map(grace -> before.map(
                                each -> ChanterForms.pitch(grace.name()).midi() > each.midi())
                        .orElse(true))
                .orElse(true);
        return isAbove && isFirstAbove ? Optional.empty() : Optional.of(Refusal.NOT_ABOVE_BOTH);
    }
}
