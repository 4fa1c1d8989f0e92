package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import wildflourish.core.form.Harmony;
import wildflourish.core.instrument.PickingHand;
import wildflourish.core.instrument.Strings;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Part;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Second;
import wildflourish.core.ornament.Target;
import wildflourish.core.tune.Note;

/** Why a figure cannot be made on plucked strings, its notes being stopped in one way. */
final class PluckHitches {
    private static final int OCTAVE = 12;
    private static final int STIFF_BELOW = 3;
    private static final int STIFF_STRING = 4;
    private static final int MOST_SLIDE = 4;
    private static final int THUMB = 1;
    private static final Fraction CROTCHET = Fraction.of(1, 4);
    private static final Fraction MINIM = Fraction.of(1, 2);
    /** Semitones above the tonic of the notes that may be bent into though the scale lacks them. */
    private static final Set<Integer> BLUE = Set.of(3, 6, 10);

    final PluckBeside beside;
    private final PluckSpot spot;

    PluckHitches(PluckSpot spot) {
        this.spot = spot;
        this.beside = new PluckBeside(spot);
    }

    boolean holds(Refusal refusal, List<Strings.Place> grasp) {
        return switch (refusal) {
            case NOT_EQUAL -> !areEqual();
            case SAME_PITCH -> pitch(0) == pitch(last());
            case WRONG_WAY -> isWrongWay();
            case NO_GAP -> hasNoGap();
            case HIDES_BEAT -> hidesBeat();
            case TIED_ON -> lastNote().marks().joins().tied();
            case TWO_STRINGS -> !isOnOneString(grasp);
            case SAME_STRING -> isOnOneString(grasp);
            case MUST_BE_OPEN -> !grasp.get(last()).isOpen();
            case STRING_SKIP -> skips(landings(grasp));
            case OPEN_STRING_CANNOT -> isOpenHeld(grasp);
            case AT_THE_NUT -> isAtNut(grasp.get(0));
            case TOO_STIFF -> isStiff(grasp.get(0));
            case BENT_OUT_OF_KEY -> isBentOut();
            case NOTHING_BELOW_ON_STRING -> lacksBelow(grasp);
            case NO_NEIGHBOUR, NO_PARTNER, NO_CHORD -> isBeside(refusal, grasp);
            case NOT_IN_CHORD, GRATES -> fights(refusal, grasp);
            case OUT_OF_REACH -> isOutOfReach(grasp);
            case NOT_THE_HOME_NOTE -> !isHome();
            case SCALE_HAS_IT -> isBlueInScale();
            case NOT_THE_END -> !isVeryLast();
            case DRONE_CLASHES -> usesShort(grasp) && clashes();
            case FINGER_CANNOT -> isBeyondFinger(grasp);
            case FINGER_TWICE -> comesTwice(grasp);
            case THUMB_ON_BEAT -> isThumbOnBeat();
            case ONE_STRING_ONLY -> !spot.occasion.isIn("single-string") && !canRun(grasp);
            default -> false;
        };
    }

    private int last() {
        return spot.occasion.tones().size() - 1;
    }

    private Note lastNote() {
        return spot.occasion.tones().get(last()).note();
    }

    private int pitch(int note) {
        return spot.occasion.tones().get(note).melody().midi();
    }

    private boolean areEqual() {
        List<Note> notes = spot.occasion.tones().stream().map(Tone::note).toList();
        return Forms.areEqual(notes) || Forms.isTurn(notes);
    }

    private boolean isWrongWay() {
        boolean rises = spot.figure.parts().stream().anyMatch(part -> part.begin() == Begin.HAMMER);
        int interval = pitch(last()) - pitch(0);
        return rises ? interval < 0 : interval > 0;
    }

    /** Two notes neither equal nor a third apart; a note whose next one is not equal, a third or, from a dotted one, a fourth off. */
    private boolean hasNoGap() {
        if (last() > 0) {
            int steps =
                    steps(spot.occasion.tones().get(0), spot.occasion.tones().get(1));
            return steps != 0 && steps != 2;
        }
        if (!spot.figure.uses(Target.Kind.LINK)) {
            return false;
        }
        boolean isDotted = spot.occasion.lengthWholeNotes().equals(Fraction.of(3, 8));
        int steps = spot.occasion
                .after()
                .map(next -> steps(spot.occasion.first(), next))
                .orElse(1);
        return steps != 0 && steps != 2 && !(isDotted && steps == 3);
    }

    private static int steps(Tone one, Tone other) {
        return Math.abs(other.melody().staffStep() - one.melody().staffStep());
    }

    /** Whether a later written note begins on a crotchet; in compound metre, and among three notes, on a beat; in a syncopation on a minim beat. */
    private boolean hidesBeat() {
        boolean isSync = spot.figure.parts().size() == 3
                && last() == 1
                && spot.occasion.lengthWholeNotes().equals(MINIM);
        Metre metre = spot.tune().metreAt(spot.bar());
        Fraction beat = spot.tune().header().type().beatLength();
        Fraction count = metre.isCompound() ? metre.countLength() : last() > 1 ? beat : isSync ? MINIM : CROTCHET;
        return spot.occasion.tones().stream()
                .skip(1)
                .anyMatch(tone -> offset(tone).modulo(count).isZero());
    }

    private Fraction offset(Tone tone) {
        return spot.tune().placeOf(tone.note().id()).offset();
    }

    private static boolean isOnOneString(List<Strings.Place> grasp) {
        return grasp.stream().allMatch(place -> place.string() == grasp.get(0).string());
    }

    /** Where each part comes to; those that come to no place of the hand are left out. */
    private List<Strings.Place> landings(List<Strings.Place> grasp) {
        List<Strings.Place> places = new ArrayList<>();
        PluckMaking making = new PluckMaking(spot, grasp);
        spot.figure.parts().forEach(part -> making.place(part).ifPresent(places::add));
        return places;
    }

    private static boolean skips(List<Strings.Place> places) {
        int changes = 0;
        boolean skips = false;
        for (int i = 1; i < places.size(); i++) {
            int strings = Math.abs(places.get(i).string() - places.get(i - 1).string());
            changes += strings > 0 ? 1 : 0;
            skips |= strings > 1;
        }
        return skips || changes > 1;
    }

    private boolean isOpenHeld(List<Strings.Place> grasp) {
        boolean isPulled = spot.figure.parts().get(0).begin() == Begin.PULL;
        return isPulled
                ? spot.strings.isShort(grasp.get(0).string())
                : grasp.stream().anyMatch(Strings.Place::isOpen);
    }

    private boolean isAtNut(Strings.Place place) {
        return place.semitones() == 1;
    }

    private boolean isStiff(Strings.Place place) {
        boolean isThick = spot.isBanjoHand() && spot.number(place.string()) >= STIFF_STRING;
        return !place.isOpen() && (place.semitones() < STIFF_BELOW || isThick);
    }

    private boolean isBentOut() {
        int bent = spot.written().midi() + 1;
        int tonic = Harmony.tonic(spot.key()).orElse(0);
        return !isInScale(bent) && !BLUE.contains(Math.floorMod(bent - tonic, OCTAVE));
    }

    private boolean isInScale(int midi) {
        WrittenPitch written = spot.key().spelled(midi);
        return written.alter() == spot.key().alterOf(written.step());
    }

    /** A lower note that is to be hammered from, or pulled to, is not on the string. */
    private boolean lacksBelow(List<Strings.Place> grasp) {
        Strings.Place place = grasp.get(0);
        return spot.figure.parts().stream()
                .flatMap(part -> Stream.concat(part.graces().stream(), Stream.of(part.landing())))
                .filter(target -> target.kind() == Target.Kind.STEP && target.number() < 0)
                .anyMatch(target -> spot.on(place.string(), spot.step(target.number()), place.position())
                        .isEmpty());
    }

    // Two strings

    private List<PluckBeside.Found> found(List<Strings.Place> grasp) {
        List<PluckBeside.Found> found = new ArrayList<>();
        for (Part part : spot.figure.parts()) {
            boolean isMelody = part.landing().kind() == Target.Kind.MELODY;
            for (Second second : isMelody ? part.seconds() : List.<Second>of()) {
                int note = part.landing().number() - 1;
                found.add(beside.of(
                        grasp.get(note), spot.occasion.tones().get(note).melody(), second));
            }
        }
        return found;
    }

    private boolean isBeside(Refusal refusal, List<Strings.Place> grasp) {
        boolean hasBrush = spot.figure.uses(Target.Kind.BRUSH);
        return (refusal == Refusal.NO_CHORD && hasBrush && beside.chord().isEmpty())
                || found(grasp).stream().anyMatch(each -> each.why().equals(Optional.of(refusal)));
    }

    /** Whether an added note, heard on its own, is outside the chord; the note itself in a full chord. */
    private boolean fights(Refusal refusal, List<Strings.Place> grasp) {
        boolean isGiven = beside.chord().isPresent();
        boolean tellsGrating = spot.occasion.stack().choices().stream()
                .anyMatch(choice -> choice.ornament().speech().refusals().contains(Refusal.GRATES));
        boolean isAsked = !tellsGrating || isGiven == (refusal == Refusal.NOT_IN_CHORD);
        if (!isAsked) {
            return false;
        }
        if (spot.figure.uses(Second.Kind.ALL)) {
            int own = Math.floorMod(spot.written().midi(), OCTAVE);
            return beside.chord().filter(chord -> !chord.contains(own)).isPresent();
        }
        Tone tone = spot.occasion.first();
        return (beside.isHeard(tone) || last() > 0)
                && found(grasp).stream()
                        .flatMap(each -> each.places().stream())
                        .anyMatch(place -> !beside.isInChord(grasp.get(0), place));
    }

    /** Everything that the left hand has to hold or reach for a part on the string of its first note. */
    List<Strings.Place> along(List<Strings.Place> grasp, Part part) {
        List<Strings.Place> places = new ArrayList<>();
        for (Target grace : part.graces()) {
            if (grace.kind() == Target.Kind.STEP) {
                spot.on(
                                grasp.get(0).string(),
                                spot.step(grace.number()),
                                grasp.get(0).position())
                        .ifPresent(places::add);
            }
        }
        new PluckMaking(spot, grasp).place(part).ifPresent(places::add);
        return places;
    }

    private boolean isOutOfReach(List<Strings.Place> grasp) {
        if (found(grasp).stream().anyMatch(each -> each.why().equals(Optional.of(Refusal.OUT_OF_REACH)))) {
            return true;
        }
        boolean slides = spot.figure.parts().stream().anyMatch(part -> part.begin() == Begin.SLIDE);
        if (slides) {
            return isOnOneString(grasp)
                    && Math.abs(grasp.get(last()).semitones() - grasp.get(0).semitones()) > MOST_SLIDE;
        }
        if (isSlurred()) {
            return isOnOneString(grasp) && isBeyondSlur(grasp);
        }
        boolean isHeldAtOnce = spot.figure.uses(Target.Kind.MIDDLE)
                || spot.figure.uses(Target.Kind.ROUND)
                || spot.figure.parts().stream().anyMatch(part -> isLeftHand(part.begin()));
        if (!isHeldAtOnce) {
            return false;
        }
        List<Strings.Place> held = new ArrayList<>(grasp);
        spot.figure.parts().forEach(part -> held.addAll(along(grasp, part)));
        return held.stream().anyMatch(one -> held.stream().anyMatch(other -> !spot.isWithinReach(one, other)));
    }

    private static boolean isLeftHand(Begin begin) {
        return begin == Begin.HAMMER || begin == Begin.PULL;
    }

    /** Whether one written note is hammered or pulled to from another on its string. */
    private boolean isSlurred() {
        return last() > 0 && spot.figure.parts().stream().skip(1).anyMatch(part -> isLeftHand(part.begin()));
    }

    /** From a stopped fret as far as the hand reaches, from the open string so many frets. */
    private boolean isBeyondSlur(List<Strings.Place> grasp) {
        Strings.Place from = grasp.get(0);
        Strings.Place to = grasp.get(last());
        int most = spot.strings.hand().stream().anyMatch(stop -> stop.semitones() > 5) ? 5 : 4;
        return (from.isOpen() || to.isOpen())
                ? Math.max(from.semitones(), to.semitones()) > most
                : !spot.isWithinReach(from, to);
    }

    // The key and the form

    private boolean isHome() {
        return Harmony.tonic(spot.key())
                .filter(tonic -> tonic == Math.floorMod(spot.written().midi(), OCTAVE))
                .isPresent();
    }

    private boolean isBlueInScale() {
        return spot.figure.parts().stream()
                .map(Part::landing)
                .filter(target -> target.kind() == Target.Kind.SEMITONE)
                .anyMatch(target -> isInScale(spot.written().midi() + target.number()));
    }

    private boolean isVeryLast() {
        return spot.tune().notes().stream()
                .filter(note -> !note.isRest())
                .reduce((one, other) -> other)
                .filter(lastNote()::equals)
                .isPresent();
    }

    // The picking hand

    private boolean usesShort(List<Strings.Place> grasp) {
        boolean isTarget = spot.figure.parts().stream()
                .map(Part::landing)
                .anyMatch(target -> target.kind() == Target.Kind.OPEN_STRING && target.number() > 4);
        return isTarget
                || found(grasp).stream()
                        .flatMap(each -> each.places().stream())
                        .anyMatch(place -> spot.strings.isShort(place.string()));
    }

    /** Whether the short string is no note of the key. */
    private boolean clashes() {
        int shortOne = spot.strings.open().size() - 1;
        return !isInScale(spot.midi(new Strings.Place(shortOne, 0, Strings.Stop.OPEN, 0)));
    }

    /** Whether a finger that is wished has not got the string. */
    private boolean isBeyondFinger(List<Strings.Place> grasp) {
        PluckMaking making = new PluckMaking(spot, grasp);
        return spot.figure.parts().stream()
                .filter(part -> !part.by().isEmpty() && !part.by().contains("+"))
                .anyMatch(part -> making.place(part)
                        .filter(place ->
                                !spot.hand.reaches(spot.fingers(part.by()).get(0), spot.number(place.string())))
                        .isPresent());
    }

    /** Whether one picking finger would be due again too soon: within the figure, or for the next note. */
    private boolean comesTwice(List<Strings.Place> grasp) {
        if (!spot.isBanjoHand()) {
            return false;
        }
        Fraction again = spot.occasion.times().of("banjo same finger");
        List<Part> parts = spot.figure.parts();
        boolean isPinch = parts.size() == 1 && parts.get(0).by().contains("+");
        if (isPinch) {
            return spot.occasion.spanMillis().isLessThan(again)
                    && nextNeeds(spot.fingers(parts.get(0).by()));
        }
        Fraction part = spot.occasion.spanMillis().dividedBy(parts.size());
        int number = spot.number(grasp.get(0).string());
        long able = IntStream.rangeClosed(1, PickingHand.FINGERS)
                .filter(finger -> spot.hand.reaches(finger, number))
                .count();
        return able < 2 && part.isLessThan(again);
    }

    /** Whether the next note can only be had with one of the fingers. */
    private boolean nextNeeds(List<Integer> fingers) {
        return spot.occasion
                .after()
                .filter(next -> spot.placesOf(next.melody(), 0).stream()
                        .noneMatch(place -> IntStream.rangeClosed(1, PickingHand.FINGERS)
                                .anyMatch(finger -> !fingers.contains(finger)
                                        && spot.hand.reaches(finger, spot.number(place.string())))))
                .isPresent();
    }

    /** Whether the thumb of a hand that keeps it off the beat would fall on a crotchet, in compound metre on a beat. */
    private boolean isThumbOnBeat() {
        Metre metre = spot.tune().metreAt(spot.bar());
        Fraction count = metre.isCompound() ? metre.countLength() : CROTCHET;
        Fraction at = offset(spot.occasion.first());
        for (wildflourish.core.ornament.Figure.Slot slot : spot.figure.slots()) {
            Part part = slot.parts().get(0);
            boolean isThumb = !part.by().isEmpty() && spot.fingers(part.by()).contains(THUMB);
            if (isThumb && at.modulo(count).isZero()) {
                return true;
            }
            at = at.plus(spot.occasion.lengthWholeNotes().times(slot.share().part()));
        }
        boolean leads = PickingHand.isNail(spot.hand.lead()) || spot.hand.lead() == 2;
        return leads && !offset(spot.occasion.first()).modulo(count).isZero();
    }

    /** Whether each note is on another string than the last, and taken by another finger. */
    private boolean canRun(List<Strings.Place> grasp) {
        Set<Integer> last = Set.of();
        for (int i = 0; i < grasp.size(); i++) {
            int number = spot.number(grasp.get(i).string());
            if (i > 0 && grasp.get(i).string() == grasp.get(i - 1).string()) {
                return false;
            }
            Set<Integer> before = last;
            Set<Integer> able = new HashSet<>();
            for (int finger = 1; finger <= PickingHand.FINGERS; finger++) {
                boolean follows = i == 0 || before.size() > 1 || !before.contains(finger);
                if (follows && spot.hand.reaches(finger, number)) {
                    able.add(finger);
                }
            }
            if (able.isEmpty()) {
                return false;
            }
            last = able;
        }
        return true;
    }
}
