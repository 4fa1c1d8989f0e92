package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.Tempo;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Stack;
import wildflourish.core.tune.OneNote;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;

/**
 * Whether a note bears an ornament, by itself and at leisure.
 *
 * @param choice the ornament, in the first of its own schools in which it is borne
 * @param refusal why it does not; empty where it does
 * @param used the buttons that it takes with the fingers on them, each once in the order in which they sound; none on other instruments
 * @param together what sounds with the note on other strings; nothing where it sounds alone
 */
public record Bearing(Choice choice, Optional<Refusal> refusal, List<Used> used, Set<WrittenPitch> together) {
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

    public Bearing {
        used = List.copyOf(used);
        together = Set.copyOf(together);
    }

    /** An instrument in its first schools, at leisure. */
    public static Playing playing(Instrument instrument) {
        return new Playing(instrument, instrument.schools().get(0), AT_LEISURE);
    }

    /** What a note bears in a key, ornament by ornament in teaching order; those alone that stand for one note. */
    public static List<Bearing> of(Playing playing, Key key, WrittenPitch note) {
        return of(playing, key, note, EnumSet.complementOf(EnumSet.of(Ornament.Kind.ARTICULATION, Ornament.Kind.REST)));
    }

    /** The same of some kinds alone. */
    public static List<Bearing> of(Playing playing, Key key, WrittenPitch note, Set<Ornament.Kind> kinds) {
        Version slow = Version.plain("by itself", playing.withTempo(AT_LEISURE));
        List<Scene> scenes = LENGTHS.stream()
                .map(length -> Scene.of(OneNote.tune(key, note, length), slow, Profile.usual()))
                .toList();
        List<Bearing> all = new ArrayList<>();
        for (Ornament ornament : Ornament.of(playing.instrument().family())) {
            boolean isOfNote =
                    ornament.form().standsFor().contains(Ornament.StandsFor.NOTE) && kinds.contains(ornament.kind());
            if (isOfNote) {
                of(scenes, ornament).ifPresent(all::add);
            }
        }
        return all;
    }

    public Ornament ornament() {
        return choice.ornament();
    }

    /** In the first school in which it is borne, or else refused in the first; empty where it wants a chord, or only shapes the sound of its button. */
    private static Optional<Bearing> of(List<Scene> scenes, Ornament ornament) {
        Instrument instrument = scenes.get(0).playing().instrument();
        List<String> schools = ornament.schools(instrument.family());
        List<Bearing> all = (schools.isEmpty() ? List.of("") : schools)
                .stream()
                        .flatMap(school -> of(scenes, new Choice(ornament, school)).stream())
                        .filter(bearing -> !bearing.refusal.equals(Optional.of(Refusal.NO_CHORD)))
                        .toList();
        return all.stream()
                .filter(bearing -> bearing.refusal.isEmpty())
                .findFirst()
                .or(() -> all.stream().findFirst())
                .filter(bearing -> bearing.refusal.isPresent()
                        || instrument.buttons().isEmpty()
                        || bearing.used.size() > 1
                        || isAgain(bearing));
    }

    /** Empty where it has a figure for none of the usual lengths. */
    private static Optional<Bearing> of(List<Scene> scenes, Choice choice) {
        return scenes.stream()
                .flatMap(scene -> scene.attempt(0, 1, new Stack(List.of(choice))).stream())
                .filter(attempt -> attempt.figure().isPresent())
                .findFirst()
                .map(attempt -> of(choice, attempt));
    }

    private static boolean isAgain(Bearing bearing) {
        return bearing.ornament().speech().refusals().contains(Refusal.NO_SECOND_FINGER);
    }

    private static Bearing of(Choice choice, Attempt attempt) {
        Optional<Refusal> refusal = attempt.hitches().stream().findFirst();
        List<Used> used = new ArrayList<>();
        Set<WrittenPitch> together = new TreeSet<>(Comparator.comparingInt(WrittenPitch::midi));
        boolean hasButtons = attempt.occasion().playing().instrument().buttons().isPresent();
        if (refusal.isEmpty() && attempt.made().isPresent()) {
            for (Made.Part part : attempt.made().get().parts()) {
                if (hasButtons) {
                    part.smalls().forEach(small -> add(used, small.sound(), attempt));
                    add(used, part.landing(), attempt);
                } else if (part.landing().voices().size() > 1) {
                    part.landing().voices().forEach(voice -> voice.written().ifPresent(together::add));
                }
            }
        }
        together.removeIf(
                pitch -> pitch.midi() == attempt.occasion().first().melody().midi());
        return new Bearing(choice, refusal, used, together);
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
}
