package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Tempo;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Stack;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Duration;
import wildflourish.core.tune.Manuscript;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneHeader;
import wildflourish.core.tune.TuneType;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;

/**
 * Whether a note of a box or a concertina bears an ornament, by itself and at leisure, and with which buttons and fingers.
 *
 * @param choice the ornament, in the first of its own schools in which it is borne
 * @param refusal why it does not; empty where it does
 * @param used the buttons that it takes with the fingers on them, each once in the order in which they sound; none where it does not
 */
public record ButtonBearing(Choice choice, Optional<Refusal> refusal, List<Used> used) {
    private static final Tempo AT_LEISURE = new Tempo(Fraction.of(30), Fraction.of(1, 4));
    private static final List<Fraction> LENGTHS =
            List.of(Fraction.of(3, 8), Fraction.of(1, 4), Fraction.of(1, 2), Fraction.of(1, 8));

    /**
     * A button that is taken.
     *
     * @param key its name with the way of the bellows: {@code i5d}
     * @param isNote whether it sounds the note itself
     */
    public record Used(String key, int finger, WrittenPitch pitch, boolean isNote) {}

    public ButtonBearing {
        used = List.copyOf(used);
    }

    /** What a note bears in a key, ornament by ornament in teaching order; those alone that stand for one note. */
    public static List<ButtonBearing> of(Playing playing, Key key, WrittenPitch note) {
        Playing slow = playing.withTempo(AT_LEISURE);
        List<ButtonBearing> all = new ArrayList<>();
        for (Ornament ornament : Ornament.of(playing.instrument().family())) {
            boolean isOfNote = ornament.form().standsFor().contains(Ornament.StandsFor.NOTE)
                    && ornament.kind() != Ornament.Kind.ARTICULATION;
            if (isOfNote) {
                of(slow, key, note, ornament).ifPresent(all::add);
            }
        }
        return all;
    }

    public Ornament ornament() {
        return choice.ornament();
    }

    /** In the first school in which it is borne, or else refused in the first; empty where it wants a chord, or only shapes the sound of its button. */
    private static Optional<ButtonBearing> of(Playing playing, Key key, WrittenPitch note, Ornament ornament) {
        List<String> schools = ornament.schools(playing.instrument().family());
        List<ButtonBearing> all = (schools.isEmpty() ? List.of("") : schools)
                .stream()
                        .flatMap(school -> of(playing, key, note, new Choice(ornament, school)).stream())
                        .filter(bearing -> !bearing.refusal.equals(Optional.of(Refusal.NO_CHORD)))
                        .toList();
        return all.stream()
                .filter(bearing -> bearing.refusal.isEmpty())
                .findFirst()
                .or(() -> all.stream().findFirst())
                .filter(bearing -> bearing.refusal.isPresent() || bearing.used.size() > 1 || isAgain(bearing));
    }

    /** Empty where it has a figure for none of the usual lengths. */
    private static Optional<ButtonBearing> of(Playing playing, Key key, WrittenPitch note, Choice choice) {
        for (Fraction length : LENGTHS) {
            Tune tune = tune(key, note, length);
            Version version = Version.plain("chart", playing);
            Optional<Attempt> attempt =
                    Scene.of(tune, version, Profile.usual()).attempt(0, 1, new Stack(List.of(choice)));
            boolean hasFigure = attempt.flatMap(Attempt::figure).isPresent();
            if (hasFigure) {
                return attempt.map(each -> of(choice, each));
            }
        }
        return Optional.empty();
    }

    private static boolean isAgain(ButtonBearing bearing) {
        return bearing.ornament().speech().refusals().contains(Refusal.NO_SECOND_FINGER);
    }

    private static ButtonBearing of(Choice choice, Attempt attempt) {
        Optional<Refusal> refusal = attempt.hitches().stream().findFirst();
        List<Used> used = new ArrayList<>();
        if (refusal.isEmpty() && attempt.made().isPresent()) {
            for (Made.Part part : attempt.made().get().parts()) {
                part.smalls().forEach(small -> add(used, small.sound(), attempt));
                add(used, part.landing(), attempt);
            }
        }
        return new ButtonBearing(choice, refusal, used);
    }

    private static void add(List<Used> used, Sound sound, Attempt attempt) {
        int own = attempt.occasion().first().melody().midi();
        for (Voice voice : sound.voices()) {
            String[] halves = voice.lane().split("/", 2);
            boolean isKnown = halves.length < 2
                    || voice.written().isEmpty()
                    || used.stream()
                            .anyMatch(each -> each.key.equals(halves[0]) && each.finger == Integer.parseInt(halves[1]));
            if (!isKnown) {
                WrittenPitch pitch = voice.written().orElseThrow();
                used.add(new Used(halves[0], Integer.parseInt(halves[1]), pitch, pitch.midi() == own));
            }
        }
    }

    /** A note and a rest. */
    private static Tune tune(Key key, WrittenPitch note, Fraction length) {
        Metre metre = Metre.of(4, 4);
        TuneHeader header = new TuneHeader(
                1,
                List.of("Chart"),
                new TuneHeader.Credits(Optional.empty(), Optional.empty()),
                TuneType.of(Optional.of("slow air"), metre),
                new TuneHeader.Time(metre, Fraction.of(1, 8)),
                key,
                Optional.empty(),
                List.of());
        List<Note> notes = List.of(
                new Note(new NoteId(0), List.of(note), Duration.of(length), Marks.NONE),
                new Note(new NoteId(1), List.of(), Duration.of(Fraction.ONE.minus(length)), Marks.NONE));
        Bar bar = new Bar(notes, new Bar.Sides(BarLine.NONE, BarLine.THIN_THICK), List.of(), Bar.Change.NONE);
        return new Tune(header, List.of(bar), List.of(), new Manuscript("", 0, Map.of()));
    }
}
