package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.instrument.Strings;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Bend;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Part;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Second;
import wildflourish.core.ornament.Target;
import wildflourish.core.tune.Tune;

/** The hand on bowed strings. It never moves for an ornament: any way of holding the notes where it lies will do. */
final class BowGrip implements Hand.Grip {
    private static final Fraction CROTCHET = Fraction.of(1, 4);

    private final BowSpot spot;

    BowGrip(Occasion occasion, Figure figure) {
        this.spot = new BowSpot(occasion, figure);
    }

    @Override
    public List<Refusal> hitches(List<Refusal> asked) {
        Set<Refusal> told = EnumSet.noneOf(Refusal.class);
        for (Grasp grasp : spot.grasps) {
            List<Refusal> own =
                    asked.stream().filter(refusal -> holds(refusal, grasp)).toList();
            if (own.isEmpty()) {
                return List.of();
            }
            told.addAll(own);
        }
        return asked.stream().filter(told::contains).toList();
    }

    /** The ways of holding the notes that meet with nothing. */
    private List<Grasp> clean() {
        List<Refusal> all = spot.occasion.stack().choices().stream()
                .flatMap(choice -> choice.ornament().speech().refusals().stream())
                .toList();
        return spot.grasps.stream()
                .filter(grasp -> all.stream().noneMatch(refusal -> holds(refusal, grasp)))
                .toList();
    }

    /** The first way that meets with nothing; the first of all where none does. */
    private Optional<Grasp> best() {
        return clean().stream().findFirst().or(() -> spot.grasps.stream().findFirst());
    }

    /** The ways of holding the first note with which it can be made, as they are pinned. */
    Set<String> able() {
        Set<String> names = new LinkedHashSet<>();
        clean().forEach(grasp -> names.add(spot.name(grasp.first())));
        return names;
    }

    /** For the clean ways of holding one of the notes, as they are pinned, what is held beside it. */
    Map<String, Strings.Place> seconds(int note) {
        List<Second> seconds = spot.figure.parts().get(0).seconds();
        Map<String, Strings.Place> places = new HashMap<>();
        if (seconds.isEmpty()) {
            return places;
        }
        for (Grasp grasp : clean()) {
            Strings.Place place = grasp.notes().get(note);
            spot.beside
                    .of(place, spot.occasion.tones().get(note).melody(), seconds.get(0))
                    .ifPresent(beside -> places.put(spot.name(place), beside));
        }
        return places;
    }

    @Override
    public Optional<Made> make() {
        return best().flatMap(grasp -> new BowMaking(spot, grasp).make());
    }

    @Override
    public Optional<String> hold() {
        return best().map(grasp -> spot.name(grasp.first()));
    }

    @Override
    public Optional<Refusal> waits() {
        return Optional.empty();
    }

    @Override
    public Set<Trait> traits() {
        Set<Trait> traits = EnumSet.noneOf(Trait.class);
        best().ifPresent(grasp -> {
            List<Strings.Place> seconds = seconds(grasp);
            boolean isLittle = grasp.finger() == 4
                    || (uses(Target.Kind.LIFT) && spot.flick(grasp) == 4)
                    || seconds.stream().anyMatch(place -> place.stop().finger() == 4);
            boolean hasOpen = seconds.stream().anyMatch(Strings.Place::isOpen);
            Trait.add(traits, Trait.OPEN_STRING, grasp.finger() == 0 || usesOpen() || hasOpen);
            Trait.add(traits, Trait.LITTLE_FINGER, isLittle);
            Trait.add(traits, Trait.SOUNDS_CHORD, seconds.stream().anyMatch(spot.beside::isInChord));
            Trait.add(traits, Trait.HOLDS_NEXT, seconds.stream().anyMatch(this::holdsNext));
            Trait.add(
                    traits, Trait.GRATES, seconds.stream().anyMatch(place -> spot.beside.grates(grasp.first(), place)));
            Trait.add(
                    traits,
                    Trait.SECOND_ON_TOP,
                    seconds.stream().anyMatch(place -> spot.beside.midi(place) > spot.beside.midi(grasp.first())));
            Trait.add(traits, Trait.ONE_STRING, grasp.isOnOneString());
            Trait.add(traits, Trait.BESIDE_LEAP, grasp.isBesideLeap());
        });
        Trait.add(traits, Trait.TURNS_BOW, (strokes() - spot.occasion.tones().size()) % 2 != 0);
        return traits;
    }

    /** What sounds beside the first note. */
    private List<Strings.Place> seconds(Grasp grasp) {
        return spot.figure.parts().get(0).seconds().stream()
                .flatMap(second -> spot.beside.of(grasp.first(), spot.written(), second).stream())
                .toList();
    }

    /** Whether the finger on a second string lies where the next note is played. */
    private boolean holdsNext(Strings.Place place) {
        return !place.isOpen()
                && spot.occasion.after().stream()
                        .flatMap(tone ->
                                spot.strings.placesOf(spot.instrument.reading().fingered(tone.melody())).stream())
                        .anyMatch(next -> next.string() == place.string() && next.semitones() == place.semitones());
    }

    private boolean usesOpen() {
        return uses(Target.Kind.OPEN_STRING);
    }

    private boolean uses(Target.Kind kind) {
        return spot.figure.uses(kind);
    }

    /** The new bows of the span. */
    private int strokes() {
        int strokes = 0;
        List<Part> parts = spot.figure.parts();
        for (int i = 0; i < parts.size(); i++) {
            Begin begin = parts.get(i).begin();
            strokes += begin.isNewBow() || i == 0 ? 1 : 0;
        }
        return strokes;
    }

    // Hitches

    private boolean holds(Refusal refusal, Grasp grasp) {
        return switch (refusal) {
            case NOTHING_BELOW_ON_STRING -> lacksBelow(grasp);
            case NO_FINGER_ABOVE -> lacksAbove(grasp);
            case FINGER_JUST_PLAYED -> uses(Target.Kind.LIFT) && spot.hasFlick(grasp) && spot.flick(grasp) == 0;
            case TWO_STRINGS -> crosses(grasp);
            case TOO_WIDE -> uses(Target.Kind.NEXT) && isTooWide();
            case EQUAL_UNDER_SLUR -> hasEqualUnderSlur();
            case SLUR_SKIPS_STRING -> skipsString(grasp);
            case NEEDS_NEW_BOW -> spot.occasion.first().touch() == Tone.Touch.SLURRED;
            case OPEN_STRING_FIXED -> grasp.finger() == 0;
            case NUT_IN_THE_WAY -> grasp.finger() > 0 && meetsNut(grasp);
            case NO_FINGER_DOWN -> grasp.finger() == 0;
            case NO_STRING_THERE, FINGERS_CANNOT_STAND, NEEDS_OPEN_STRING, NO_CHORD_GIVEN, OFF_THE_SCALE, GRATES ->
                anyBeside(refusal, grasp);
            default -> false;
        };
    }

    /** Whether a second string meets with it under any of the written notes. */
    private boolean anyBeside(Refusal refusal, Grasp grasp) {
        for (Part part : spot.figure.parts()) {
            boolean isMelody = part.landing().kind() == Target.Kind.MELODY
                    && part.landing().number() <= grasp.notes().size();
            for (Second second : isMelody ? part.seconds() : List.<Second>of()) {
                int note = part.landing().number() - 1;
                if (isBeside(
                        refusal, spot.occasion.tones().get(note), grasp.notes().get(note), second)) {
                    return true;
                }
            }
        }
        return false;
    }

    private boolean isBeside(Refusal refusal, Tone tone, Strings.Place place, Second second) {
        Optional<Strings.Place> beside = spot.beside.of(place, tone.melody(), second);
        boolean hasString = spot.beside.hasString(place, second);
        boolean isChosen = second.kind() == Second.Kind.CHORD && !second.isHome();
        boolean hasChord = !isChosen || spot.beside.hasChord();
        boolean hasOpen = second.kind() != Second.Kind.UNISON || spot.isOpenPitch(tone);
        boolean isDown = second.kind() != Second.Kind.SAME || !place.isOpen();
        return switch (refusal) {
            case NO_STRING_THERE -> !hasString && hasOpen;
            case NEEDS_OPEN_STRING -> !hasOpen;
            case NO_CHORD_GIVEN -> !hasChord;
            case FINGERS_CANNOT_STAND ->
                tone.pitches().size() > 1 || (hasString && hasChord && hasOpen && isDown && beside.isEmpty());
            case OFF_THE_SCALE ->
                isDown && beside.filter(each -> !spot.beside.isInScale(each)).isPresent();
            case GRATES ->
                !spot.occasion.isIn("old-time")
                        && isHeard(tone)
                        && beside.filter(each -> spot.beside.grates(place, each))
                                .isPresent();
            default -> false;
        };
    }

    /** Whether a note is on a beat of its kind of tune, or lasts a crotchet. */
    private boolean isHeard(Tone tone) {
        Tune tune = spot.occasion.setting().tune();
        boolean isOnBeat = tune.placeOf(tone.note().id())
                .offset()
                .modulo(tune.header().type().beatLength())
                .isZero();
        return isOnBeat || !tone.length().isLessThan(CROTCHET);
    }

    private List<Target> targets() {
        List<Target> targets = new ArrayList<>();
        for (Part part : spot.figure.parts()) {
            targets.addAll(part.graces());
            targets.add(part.landing());
        }
        return targets;
    }

    private boolean lacksBelow(Grasp grasp) {
        return targets().stream().anyMatch(target -> switch (target.kind()) {
            case TAP -> !spot.hasBelow(grasp, spot.step(-1));
            case STEP -> target.number() < 0 && !spot.hasBelow(grasp, spot.step(target.number()));
            case OPEN_STRING -> grasp.finger() == 0 || grasp.position() > 0;
            default -> false;
        });
    }

    private boolean lacksAbove(Grasp grasp) {
        return targets().stream().anyMatch(target -> switch (target.kind()) {
            case LIFT -> !spot.hasFlick(grasp);
            case STEP -> target.number() > 0 && grasp.finger() + target.number() > 4;
            default -> false;
        });
    }

    private boolean crosses(Grasp grasp) {
        if (uses(Target.Kind.BEFORE)) {
            return grasp.before()
                    .filter(place -> place.string() == grasp.string())
                    .isEmpty();
        }
        if (uses(Target.Kind.NEXT)) {
            return grasp.after()
                    .filter(place -> place.string() == grasp.string())
                    .isEmpty();
        }
        return !grasp.isOnOneString() && spot.occasion.tones().size() > 1;
    }

    private boolean isTooWide() {
        return spot.occasion
                .after()
                .filter(next -> Math.abs(next.melody().midi() - spot.written().midi()) > 2)
                .isPresent();
    }

    private boolean hasEqualUnderSlur() {
        Optional<WrittenPitch> last = Optional.empty();
        for (Part part : spot.figure.parts()) {
            Optional<WrittenPitch> pitch = melody(part);
            boolean isJoined = part.begin() == Begin.SAME_BOW && part.graces().isEmpty();
            if (isJoined && pitch.isPresent() && pitch.equals(last)) {
                return true;
            }
            last = pitch;
        }
        return false;
    }

    private Optional<WrittenPitch> melody(Part part) {
        boolean isMelody = part.landing().kind() == Target.Kind.MELODY
                && part.landing().number() <= spot.occasion.tones().size();
        return isMelody
                ? Optional.of(spot.occasion
                        .tones()
                        .get(part.landing().number() - 1)
                        .note()
                        .melody())
                : Optional.empty();
    }

    private boolean skipsString(Grasp grasp) {
        Optional<Strings.Place> last = Optional.empty();
        for (Part part : spot.figure.parts()) {
            if (melody(part).isEmpty()) {
                continue;
            }
            Strings.Place place = grasp.notes().get(part.landing().number() - 1);
            boolean isJoined = part.begin() == Begin.SAME_BOW || part.begin() == Begin.NUDGE;
            if (isJoined
                    && last.filter(each -> Math.abs(each.string() - place.string()) > 1)
                            .isPresent()) {
                return true;
            }
            last = Optional.of(place);
        }
        return false;
    }

    /** A slide begins, or falls away to, less than a semitone above the nut. */
    private boolean meetsNut(Grasp grasp) {
        int semitones = grasp.first().semitones();
        for (Part part : spot.figure.parts()) {
            Optional<Target> from = part.bend()
                    .from()
                    .map(Bend.Slide::target)
                    .or(() -> part.graces().stream()
                            .filter(grace -> grace.kind() == Target.Kind.SEMITONE)
                            .findFirst());
            Optional<Target> to = part.bend().to().map(Bend.Slide::target);
            int down = from.filter(each -> each.kind() == Target.Kind.SEMITONE)
                    .or(() -> to.filter(each -> each.kind() == Target.Kind.SEMITONE))
                    .map(each -> -each.number())
                    .orElse(0);
            if (down > 0 && semitones - down < 1) {
                return true;
            }
        }
        return false;
    }
}
