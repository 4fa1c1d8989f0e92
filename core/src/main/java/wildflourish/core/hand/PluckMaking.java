package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.PickingHand;
import wildflourish.core.instrument.Strings;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Bend;
import wildflourish.core.ornament.Part;
import wildflourish.core.ornament.Second;
import wildflourish.core.ornament.Target;
import wildflourish.core.ornament.Times;

/** Makes a figure on plucked strings: the sound of every part and how long its movements take. */
final class PluckMaking {
    /** The number of strings that a brush falls over, the high ones. */
    private static final int BRUSHED = 3;

    private final PluckSpot spot;
    private final List<Strings.Place> grasp;
    private final PluckBeside beside;
    private final Times times;
    private final List<Part> flat;

    PluckMaking(PluckSpot spot, List<Strings.Place> grasp) {
        this.spot = spot;
        this.grasp = grasp;
        this.beside = new PluckBeside(spot);
        this.times = spot.occasion.times();
        this.flat = spot.figure.parts();
    }

    /** Empty where some sound of it is not to be had. */
    Optional<Made> make() {
        return Made.of(spot.figure, (slot, part, at) -> part(part, at));
    }

    private Optional<Made.Part> part(Part part, int at) {
        Optional<Sound> landing = landing(part);
        if (landing.isEmpty()) {
            return Optional.empty();
        }
        List<Made.Small> smalls = new ArrayList<>();
        for (Target grace : part.graces()) {
            Optional<Made.Small> small = small(grace);
            if (small.isEmpty()) {
                return Optional.empty();
            }
            smalls.add(small.get());
        }
        Sound sound = landing.get();
        if (part.begin() == Begin.BRUSH) {
            smalls.addAll(spread(sound, part));
            sound = rung(sound);
        }
        return Optional.of(new Made.Part(
                part.share(),
                Fraction.ZERO,
                smalls,
                sound,
                part.bend().from().map(this::slide),
                need(part, at),
                Optional.empty()));
    }

    // Places

    /** Where the melody of a part is stopped; empty for a silence and for what the hand has not got. */
    Optional<Strings.Place> place(Part part) {
        Target target = part.landing();
        Strings.Place first = grasp.get(0);
        return switch (target.kind()) {
            case MELODY ->
                target.number() > grasp.size() ? Optional.empty() : Optional.of(grasp.get(target.number() - 1));
            case OPEN_STRING ->
                Optional.of(new Strings.Place(spot.string(target.number()), 0, Strings.Stop.OPEN, first.position()));
            case BRUSH -> brushed().stream().reduce((one, other) -> other);
            case SEMITONE -> isBent(part) ? Optional.of(first) : near(part, first);
            case STEP -> near(part, first);
            case SILENCE -> Optional.empty();
            default -> written(part).flatMap(written -> spot.near(first, written));
        };
    }

    /** What the left hand slurs stays on the string; what is picked lies where it is nearest. */
    private Optional<Strings.Place> near(Part part, Strings.Place first) {
        boolean isSlurred = part.begin() == Begin.HAMMER || part.begin() == Begin.PULL;
        boolean isFromNote = flat.indexOf(part) > 0 && !isAfterOther(part);
        Optional<WrittenPitch> written = written(part);
        return isSlurred && isFromNote
                ? written.flatMap(pitch -> spot.on(first.string(), pitch, first.position()))
                : written.flatMap(pitch -> spot.near(first, pitch));
    }

    /** Whether the part before comes to another pitch than the note. */
    private boolean isAfterOther(Part part) {
        int at = flat.indexOf(part);
        return at > 0 && flat.get(at - 1).landing().kind() == Target.Kind.STEP;
    }

    private static boolean isBent(Part part) {
        return part.bend().from().filter(from -> from.time().equals("bend")).isPresent();
    }

    /** What a part sounds, as it is written; empty for a silence. */
    private Optional<WrittenPitch> written(Part part) {
        Target target = part.landing();
        return switch (target.kind()) {
            case MELODY ->
                target.number() > spot.occasion.tones().size()
                        ? Optional.empty()
                        : Optional.of(
                                spot.occasion.tones().get(target.number() - 1).melody());
            case STEP -> Optional.of(spot.step(target.number()));
            case SEMITONE -> Optional.of(flattened(target.number()));
            case MIDDLE -> Optional.of(middle());
            case LINK -> Optional.of(spot.step(link(target.number())));
            case ROUND -> Optional.of(spot.step(round(target.number())));
            case OPEN_STRING, BRUSH -> place(part).map(spot::writtenOf);
            default -> Optional.empty();
        };
    }

    /** A blue note is written as a flat one. */
    private WrittenPitch flattened(int semitones) {
        int midi = spot.written().midi() + semitones;
        WrittenPitch usual = WrittenPitch.ofMidi(midi);
        return usual.alter() > 0
                ? WrittenPitch.ofStaffStep(usual.staffStep() + 1).withAlter(-1)
                : usual;
    }

    private WrittenPitch middle() {
        int steps = spot.occasion.tones().get(1).melody().staffStep()
                - spot.written().staffStep();
        return spot.step(steps == 0 ? 1 : steps / 2);
    }

    private int stepsToNext() {
        return spot.occasion
                .after()
                .map(next -> next.melody().staffStep() - spot.written().staffStep())
                .orElse(0);
    }

    /** Towards the next note; above an equal one, or below it by the other school. Of three notes the second stays where the third is enough. */
    private int link(int number) {
        int steps = stepsToNext();
        boolean hasThree = spot.figure.parts().size() == 3;
        int direction = steps == 0 ? spot.occasion.isIn("lower-neighbour") ? -1 : 1 : Integer.signum(steps);
        if (!hasThree) {
            return direction;
        }
        return Math.abs(steps) == 3 ? direction * number : direction * (number - 1);
    }

    private int round(int number) {
        int steps = stepsToNext();
        boolean isFourth = Math.abs(steps) == 3;
        int direction = steps < 0 && isFourth ? -1 : 1;
        return number == 1 ? direction : isFourth ? 2 * direction : 0;
    }

    // Sounds

    private Optional<Sound> landing(Part part) {
        if (part.landing().isSilence()) {
            return Optional.of(new Sound(List.of(), Optional.empty(), Begin.STOP));
        }
        Optional<Strings.Place> place = place(part);
        Optional<WrittenPitch> written = written(part);
        if (place.isEmpty() || written.isEmpty()) {
            return Optional.empty();
        }
        List<Voice> voices =
                new ArrayList<>(List.of(voice(written.get(), place.get().string())));
        if (part.landing().kind() == Target.Kind.BRUSH) {
            List<Strings.Place> under = brushed();
            under.subList(0, Math.max(0, under.size() - 1))
                    .forEach(each -> voices.add(voice(spot.writtenOf(each), each.string())));
        }
        for (Second second : part.seconds()) {
            beside.of(place.get(), written.get(), second)
                    .places()
                    .forEach(each -> voices.add(voice(spot.writtenOf(each), each.string())));
        }
        return Optional.of(new Sound(voices, Optional.empty(), part.begin(), fingers(part, place.get())));
    }

    /** The fingers of a banjo hand, by their letters; none for a pick and for the left hand. */
    private String fingers(Part part, Strings.Place place) {
        if (!spot.isBanjoHand() || !part.begin().isNewBow()) {
            return "";
        }
        if (!part.by().isEmpty()) {
            return spot.fingers(part.by()).stream()
                    .map(PickingHand::letter)
                    .reduce((one, other) -> one + "+" + other)
                    .orElse("");
        }
        int number = spot.number(place.string());
        int struck = (int) flat.subList(0, Math.max(0, flat.indexOf(part))).stream()
                .filter(each -> each.begin().isNewBow())
                .count();
        List<Integer> able = new ArrayList<>();
        for (int finger = 1; finger <= PickingHand.FINGERS; finger++) {
            if (spot.hand.reaches(finger, number)) {
                able.add(finger);
            }
        }
        return able.isEmpty() ? "" : PickingHand.letter(able.get(struck % able.size()));
    }

    /** The strings of the chord that a brush falls over, the highest last. */
    private List<Strings.Place> brushed() {
        List<Strings.Place> places = new ArrayList<>();
        for (int number = BRUSHED; number >= 1; number--) {
            int string = spot.string(number);
            beside.onChord(string, grasp.get(0)).ifPresent(places::add);
        }
        return places;
    }

    private Voice voice(WrittenPitch written, int string) {
        return new Voice(
                spot.strings.stringName(string),
                spot.instrument.sounding(written),
                Optional.of(written),
                true,
                Glide.LEVEL);
    }

    /** The lower strings of a stroke that falls through several, one after the other; the melody comes last. */
    private List<Made.Small> spread(Sound sound, Part part) {
        boolean isBrush = part.landing().kind() == Target.Kind.BRUSH;
        Fraction each = times.of(isBrush ? "brush string" : "chord string");
        List<Voice> lower = sound.voices().subList(1, sound.voices().size());
        List<Made.Small> smalls = new ArrayList<>();
        for (int i = 0; i < lower.size(); i++) {
            List<Voice> voices = new ArrayList<>(List.of(lower.get(i)));
            lower.subList(0, i).forEach(voice -> voices.add(voice.goingOn()));
            smalls.add(new Made.Small(
                    Made.Role.SPREAD, new Sound(voices, Optional.empty(), Begin.BRUSH, sound.by()), each));
        }
        return smalls;
    }

    /** The melody anew, what lies under it going on. */
    private static Sound rung(Sound sound) {
        List<Voice> voices = new ArrayList<>(List.of(sound.voices().get(0)));
        sound.voices().stream().skip(1).map(Voice::goingOn).forEach(voices::add);
        return new Sound(voices, sound.held(), sound.begin(), sound.by());
    }

    private Optional<Made.Small> small(Target grace) {
        int string = grasp.get(0).string();
        if (grace.kind() == Target.Kind.SEMITONE) {
            int frets = frets(grace);
            Sound sound = new Sound(List.of(voice(spot.written(), string)), Optional.empty(), Begin.STROKE)
                    .with(Glide.of(-100 * frets, 0));
            return Optional.of(new Made.Small(Made.Role.GRACE, sound, times.of("slide of " + frets)));
        }
        Sound sound = new Sound(List.of(voice(spot.step(grace.number()), string)), Optional.empty(), Begin.STROKE);
        return Optional.of(new Made.Small(Made.Role.GRACE, sound, times.of("hammer")));
    }

    /** Frets of a slide from below: a tone from the third fret on, below that a semitone. */
    private int frets(Target from) {
        int wanted = -from.number();
        return Math.max(1, Math.min(wanted, grasp.get(0).semitones() - 1));
    }

    private Made.Slide slide(Bend.Slide from) {
        if (from.time().equals("bend")) {
            return new Made.Slide(100 * from.target().number(), times.of("bend"), Optional.empty(), 0);
        }
        int frets = frets(from.target());
        return new Made.Slide(-100 * frets, times.of("slide of " + frets), Optional.empty(), 0);
    }

    // Time

    private Fraction need(Part part, int at) {
        Fraction floor = times.floor();
        if (part.landing().isSilence()) {
            return Fraction.ZERO;
        }
        if (spot.occasion.setting().isInRoll() && flat.size() == 1) {
            return part.bend().from().map(from -> slide(from).millis()).orElse(floor);
        }
        if (part.bend().from().isPresent()) {
            return slide(part.bend().from().get()).millis().plus(floor).max(stroke(part, at));
        }
        return switch (part.begin()) {
            case SLIDE -> times.of("slide of " + slideFrets(part)).plus(floor);
            case HAMMER, PULL -> {
                boolean isGrace = !part.graces().isEmpty();
                yield isGrace
                        ? floor
                        : times.of(tapsBoth() ? "tap and lift" : "hammer").max(floor);
            }
            case BRUSH -> floor;
            default -> part.begin().isNewBow() ? stroke(part, at) : floor;
        };
    }

    private boolean tapsBoth() {
        return flat.stream().anyMatch(part -> part.begin() == Begin.HAMMER)
                && flat.stream().anyMatch(part -> part.begin() == Begin.PULL);
    }

    private int slideFrets(Part part) {
        int to = place(part).map(Strings.Place::semitones).orElse(0);
        return Math.max(1, Math.min(4, Math.abs(to - grasp.get(0).semitones())));
    }

    private Fraction stroke(Part part, int at) {
        boolean isTremolo = !spot.figure.shake().isNone() || isInTremolo();
        if (isTremolo) {
            return times.of("tremolo stroke").max(times.of("pick stroke"));
        }
        boolean isInBurst =
                flat.stream().filter(each -> each.begin().isNewBow()).count() > 1;
        if (!isInBurst) {
            return times.floor();
        }
        if (!part.seconds().isEmpty()) {
            return times.of("strings at once").max(times.floor());
        }
        Fraction own = times.of(changesString(at) ? "neighbour string" : "pick stroke");
        return own.max(times.floor());
    }

    private boolean isInTremolo() {
        return spot.occasion.stack().choices().stream()
                .anyMatch(choice -> choice.ornament().figures().stream()
                        .anyMatch(sized -> !sized.figure().shake().isNone()));
    }

    /** Whether a stroke of a burst goes to another string than the one before or after it; a banjo hand has a finger for each. */
    private boolean changesString(int at) {
        if (spot.isBanjoHand() || flat.size() < 2) {
            return false;
        }
        Optional<Strings.Place> here = place(flat.get(at));
        return List.of(at - 1, at + 1).stream()
                .filter(other -> other >= 0 && other < flat.size())
                .flatMap(other -> place(flat.get(other)).stream())
                .anyMatch(other ->
                        here.filter(each -> each.string() != other.string()).isPresent());
    }
}
