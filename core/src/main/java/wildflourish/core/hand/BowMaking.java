package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Strings;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Bend;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Part;
import wildflourish.core.ornament.Second;
import wildflourish.core.ornament.Target;
import wildflourish.core.ornament.Times;

/** Makes a figure with fingers on a string and the bow: the sound of every part and how long its movements take. */
final class BowMaking {
    private final BowSpot spot;
    private final Grasp grasp;
    private final Times times;
    private final List<Part> flat;

    BowMaking(BowSpot spot, Grasp grasp) {
        this.spot = spot;
        this.grasp = grasp;
        this.times = spot.occasion.times();
        this.flat = spot.figure.parts();
    }

    /** Empty where some sound of it does not lie under the hand. */
    Optional<Made> make() {
        return Made.of(spot.figure, (slot, part, at) -> part(part, at, slot));
    }

    private Optional<Made.Part> part(Part part, int at, Figure.Slot slot) {
        Optional<Sound> landing = landing(part);
        List<Made.Small> smalls = new ArrayList<>();
        for (Target grace : part.graces()) {
            Optional<Made.Small> small = small(grace, part);
            if (small.isEmpty()) {
                return Optional.empty();
            }
            smalls.add(small.get());
        }
        if (landing.isEmpty()) {
            return Optional.empty();
        }
        String fixed = slot.share().time();
        Optional<Fraction> fixedMillis = fixed.isEmpty() ? Optional.empty() : Optional.of(times.of(fixed));
        Sound sound = bent(landing.get(), part);
        Made.Part made = new Made.Part(
                part.share(),
                Fraction.ZERO,
                smalls.stream().map(small -> above(small, sound)).toList(),
                sound,
                slide(part, sound),
                need(part, at),
                fixedMillis);
        return Optional.of(fixedMillis.isPresent() ? within(made) : made);
    }

    /** A part whose whole length is a time needs no more than that for what it lands on. */
    private static Made.Part within(Made.Part made) {
        Fraction left =
                made.fixedMillis().orElseThrow().minus(made.smallMillis()).max(Fraction.ZERO);
        return new Made.Part(
                made.share(),
                made.waitMillis(),
                made.smalls(),
                made.landing(),
                made.slide(),
                made.needMillis().min(left),
                made.fixedMillis());
    }

    /** The glide of the note, or of the finger that a second string is to agree with. */
    private Optional<Made.Slide> slide(Part part, Sound sound) {
        Optional<Made.Slide> own = part.bend().from().map(from -> slide(from, 0));
        return own.or(() -> part.seconds().stream()
                .flatMap(second -> second.bend().from().stream())
                .findFirst()
                .map(from -> slide(from, grasp.first().isOpen() ? sound.voices().size() - 1 : 0)));
    }

    private Made.Slide slide(Bend.Slide from, int voice) {
        return new Made.Slide(100 * from.target().number(), times.of(from.time()), Optional.empty(), voice);
    }

    // Sounds

    private Optional<Sound> landing(Part part) {
        Target target = part.landing();
        return switch (target.kind()) {
            case SILENCE -> Optional.of(new Sound(List.of(), Optional.empty(), Begin.STOP));
            case MELODY -> melody(target.number(), part);
            case STEP -> under(spot.step(target.number()), part);
            case TOWARDS -> under(spot.step(towards() * target.number()), part);
            case MIDDLE -> under(middle(), part);
            case WALK -> under(spot.step(walk().get(target.number() - 1)), part);
            default -> Optional.empty();
        };
    }

    private Optional<Sound> melody(int number, Part part) {
        if (number > spot.occasion.tones().size()) {
            return Optional.empty();
        }
        Tone tone = spot.occasion.tones().get(number - 1);
        return Optional.of(sound(tone.melody(), grasp.notes().get(number - 1), part));
    }

    private Optional<Sound> under(WrittenPitch written, Part part) {
        return spot.near(grasp, written).map(place -> sound(written, place, part));
    }

    /** A note with the second strings that the hand can hold with it. */
    private Sound sound(WrittenPitch written, Strings.Place place, Part part) {
        Sound melody = sound(written, place.string(), part.begin());
        List<Voice> voices = new ArrayList<>(melody.voices());
        for (Second second : part.seconds()) {
            spot.beside
                    .of(place, written, second)
                    .ifPresent(beside -> voices.add(voice(spot.beside.written(beside), beside.string())));
        }
        return new Sound(voices, Optional.empty(), part.begin());
    }

    /** A small note above the second strings of what it leads to, where its own string is another one. */
    private static Made.Small above(Made.Small small, Sound landing) {
        if (landing.voices().size() < 2) {
            return small;
        }
        List<Voice> voices = new ArrayList<>(small.sound().voices());
        String own = voices.get(0).lane();
        landing.voices().stream()
                .skip(1)
                .filter(voice -> !voice.lane().equals(own))
                .forEach(voices::add);
        Sound sound = new Sound(voices, small.sound().held(), small.sound().begin());
        return new Made.Small(small.role(), sound, small.millis());
    }

    private Sound sound(WrittenPitch written, int string, Begin begin) {
        return new Sound(List.of(voice(written, string)), Optional.empty(), begin);
    }

    private Voice voice(WrittenPitch written, int string) {
        return new Voice(
                spot.strings.stringName(string),
                spot.instrument.sounding(written),
                Optional.of(written),
                true,
                Glide.LEVEL);
    }

    /** Up or down to the note that comes next. */
    private int towards() {
        return spot.occasion
                .after()
                .map(next -> Integer.signum(
                        next.melody().staffStep() - spot.written().staffStep()))
                .orElse(1);
    }

    /** Steps of a walk round the note, the last a step away from the next one. */
    private List<Integer> walk() {
        int steps = spot.occasion
                .after()
                .map(next -> next.melody().staffStep() - spot.written().staffStep())
                .orElse(0);
        return switch (steps) {
            case 0, -2 -> List.of(0, 1, 0, -1);
            case 2 -> List.of(0, -1, 0, 1);
            default -> List.of(0, 2, 1, 0);
        };
    }

    /** Between the two notes of the span; above them where they are equal. */
    private WrittenPitch middle() {
        int steps = spot.occasion.tones().get(1).melody().staffStep()
                - spot.written().staffStep();
        return spot.step(steps == 0 ? 1 : steps / 2);
    }

    private Optional<Made.Small> small(Target grace, Part part) {
        String time = timeOf(grace, part);
        return switch (grace.kind()) {
            case LIFT -> {
                int finger = grace.number() == 2 ? BowSpot.second(grasp) : spot.flick(grasp);
                yield finger == 0
                        ? Optional.empty()
                        : Optional.of(small(Made.Role.CUT, spot.step(finger - grasp.finger()), time));
            }
            case TAP -> Optional.of(small(Made.Role.TAP, spot.step(-1), time));
            case STEP -> Optional.of(small(Made.Role.GRACE, spot.step(grace.number()), time));
            case MELODY -> Optional.of(small(Made.Role.GRACE, spot.written(), time));
            case BEFORE -> spot.occasion.before().map(tone -> small(Made.Role.GRACE, tone.melody(), time));
            case OPEN_STRING ->
                Optional.of(small(
                        Made.Role.GRACE,
                        WrittenPitch.ofMidi(spot.instrument
                                .reading()
                                .writtenMidi(spot.strings.open().get(grasp.string()))),
                        time));
            case SEMITONE -> {
                Made.Small slid = small(Made.Role.GRACE, spot.written(), time);
                Sound sound = slid.sound().with(Glide.of(100 * grace.number(), 0));
                yield Optional.of(new Made.Small(slid.role(), sound, slid.millis()));
            }
            default -> Optional.empty();
        };
    }

    private Made.Small small(Made.Role role, WrittenPitch written, String time) {
        return new Made.Small(role, sound(written, grasp.string(), Begin.FINGERS), times.of(time));
    }

    private static String timeOf(Target grace, Part part) {
        boolean isFall = part.graces().size() > 1
                && part.graces().stream().allMatch(each -> each.kind() == Target.Kind.STEP && each.number() > 0);
        if (grace.kind() == Target.Kind.BEFORE || isFall) {
            return "falling note";
        }
        if (grace.kind() == Target.Kind.SEMITONE) {
            return "string slide";
        }
        return part.begin() == Begin.HAMMER ? "hammer" : grace.kind() == Target.Kind.TAP ? "tap" : "cut";
    }

    private Sound bent(Sound landing, Part part) {
        Optional<Bend.Wave> wave = part.bend().wave();
        if (wave.isPresent()) {
            return landing.with(new Glide(
                    0,
                    0,
                    wave.get().cents(),
                    wave.get().periodMillis(),
                    wave.get().isBelow()));
        }
        return part.bend()
                .to()
                .map(to -> landing.with(Glide.of(0, centsTo(to.target()))))
                .orElse(landing);
    }

    private int centsTo(Target target) {
        return target.kind() == Target.Kind.NEXT
                ? spot.occasion
                        .after()
                        .map(next ->
                                100 * (next.melody().midi() - spot.written().midi()))
                        .orElse(0)
                : 100 * target.number();
    }

    // Time

    /** What a landing needs: what the ear wants and what its own movement takes, and with its small notes no less than the way to what comes next. */
    private Fraction need(Part part, int at) {
        Fraction own = own(part);
        Fraction smalls = Fraction.ZERO;
        for (Target grace : part.graces()) {
            smalls = smalls.plus(times.of(timeOf(grace, part)));
        }
        Fraction way = wayToNext(part, at).minus(smalls);
        return own.max(way);
    }

    private Fraction own(Part part) {
        if (part.landing().isSilence()) {
            return times.of("bow stop");
        }
        if (part.bend().wave().isPresent() || part.begin() == Begin.SWELL) {
            return times.of("string wave");
        }
        boolean isPulse = flat.stream()
                .anyMatch(each -> each.begin() == Begin.NUDGE && each.landing().isNote());
        if (isPulse) {
            return times.of("string wave").dividedBy(flat.size());
        }
        if (part.bend().to().isPresent()) {
            return times.floor().max(times.of(part.bend().to().get().time()));
        }
        Optional<Bend.Slide> from = part.bend()
                .from()
                .or(() -> part.seconds().stream()
                        .flatMap(second -> second.bend().from().stream())
                        .findFirst());
        boolean isSet = part.seconds().stream().anyMatch(second -> second.kind() == Second.Kind.STEP);
        Fraction stop = isSet ? times.of("double stop") : Fraction.ZERO;
        return from.map(each -> times.of(each.time()).plus(times.floor()))
                .orElse(times.floor())
                .plus(stop);
    }

    /** From the beginning of a part to that of what comes next; a stroke follows strokes. */
    private Fraction wayToNext(Part part, int at) {
        if (part.landing().isSilence()) {
            return Fraction.ZERO;
        }
        if (at + 1 >= flat.size()) {
            long strokes = flat.stream().filter(each -> each.begin().isNewBow()).count();
            return part.begin().isNewBow() && strokes > 1 ? times.of("bow stroke") : Fraction.ZERO;
        }
        Part next = flat.get(at + 1);
        if (next.landing().isSilence()) {
            return times.of("bow stop");
        }
        return switch (next.begin()) {
            case STROKE, BITE, LIGHT, SWELL -> times.of(isOtherString(at) ? "other string" : "bow stroke");
            case NUDGE -> times.of("nudge");
            case HAMMER, PULL, SAME_BOW -> times.of("hammer");
            case FINGERS -> isOtherFlick(part, next) ? times.of("other finger next") : Fraction.ZERO;
            default -> Fraction.ZERO;
        };
    }

    private static boolean isOtherFlick(Part part, Part next) {
        return !part.graces().isEmpty()
                && !next.graces().isEmpty()
                && part.graces().get(0).isLift()
                && next.graces().get(0).isLift();
    }

    private boolean isOtherString(int at) {
        return stringOf(flat.get(at))
                .filter(string -> !Optional.of(string).equals(stringOf(flat.get(at + 1))))
                .isPresent();
    }

    private Optional<Integer> stringOf(Part part) {
        boolean isMelody = part.landing().kind() == Target.Kind.MELODY
                && part.landing().number() <= grasp.notes().size();
        return isMelody
                ? Optional.of(grasp.notes().get(part.landing().number() - 1)).map(Strings.Place::string)
                : Optional.of(grasp.string());
    }
}
