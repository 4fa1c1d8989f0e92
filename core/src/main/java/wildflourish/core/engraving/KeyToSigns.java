package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.performance.Realiser;
import wildflourish.core.tune.Note;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;

/** The key to the signs of a version: each ornament used, and for each note it stands on what the fingers do, from the realisation. */
public final class KeyToSigns {
    private static final double LINE = 2.3;

    private KeyToSigns() {}

    /**
     * A stack of ornaments that a version uses.
     *
     * @param how for the student, a sentence for each ornament
     * @param gestures for each note it stands on, the note's letter and the words for its movements
     */
    public record Entry(String name, List<Sign> signs, List<String> how, List<String> gestures) {
        private Entry with(Entry more) {
            Set<String> all = new LinkedHashSet<>(gestures);
            all.addAll(more.gestures);
            return new Entry(name, signs, how, List.copyOf(all));
        }
    }

    public static List<Entry> of(Scene scene) {
        Map<String, Entry> entries = new LinkedHashMap<>();
        add(scene, scene.tune().notes(), entries);
        return List.copyOf(entries.values());
    }

    /** Of several versions together, for some of their notes. */
    private static List<Entry> of(List<Scene> scenes, List<Note> notes) {
        Map<String, Entry> entries = new LinkedHashMap<>();
        scenes.forEach(scene -> add(scene, notes, entries));
        return List.copyOf(entries.values());
    }

    private static void add(Scene scene, List<Note> notes, Map<String, Entry> entries) {
        Version version = scene.version();
        for (Note note : notes) {
            for (Placement option : version.at(note.id()).map(Spot::options).orElse(List.of())) {
                Optional<Attempt> attempt = scene.attempt(option);
                if (attempt.isEmpty() || attempt.get().figure().isEmpty()) {
                    continue;
                }
                List<Sign> signs = Sign.of(
                        option.stack(), attempt.get().figure(), attempt.get().made());
                List<String> how = option.stack().choices().stream()
                        .map(choice -> choice.ornament().look().how())
                        .toList();
                String name = Words.name(option.stack());
                List<String> words = gestureWords(scene, option, note).stream().toList();
                String key = name + signs.stream().map(Sign::elements).toList();
                entries.merge(key, new Entry(name, signs, how, words), Entry::with);
            }
        }
    }

    /** The letter of the note and its movements in order; empty where the ornament cannot be played. */
    private static Optional<String> gestureWords(Scene scene, Placement placement, Note note) {
        List<String> words = new ArrayList<>();
        for (GesturePicture.Step step : GesturePicture.stepsOf(Realiser.alone(scene, placement))) {
            words.add(Words.gesture(step.role(), step.finger()));
        }
        return words.isEmpty() ? Optional.empty() : Optional.of(Words.letter(note) + ": " + String.join(", ", words));
    }

    /** The key as a block of a page: signs, names, and the words wrapped to the width. */
    static Sketch block(Scene scene, double width) {
        return block(of(scene), scene.version().playing().instrument(), width);
    }

    /** The same for some notes of several versions. */
    static Sketch block(List<Scene> scenes, List<Note> notes, double width) {
        return block(of(scenes, notes), scenes.get(0).version().playing().instrument(), width);
    }

    private static Sketch block(List<Entry> entries, Instrument instrument, double width) {
        Sketch sketch = new Sketch();
        if (entries.isEmpty()) {
            return sketch;
        }
        sketch.words("Key to signs", 0, 1.6, Face.TITLE, 2.0);
        double y = 5.2;
        for (Entry entry : entries) {
            Signs.picture(entry.signs(), 0.3, y + 0.2)
                    .forEach(each -> sketch.add(each.mark(), each.ink(), Drawn.Kind.SIGN));
            double left = Math.max(4.2, Signs.width(entry.signs()) + 0.9);
            sketch.words(entry.name(), left, y, Face.BOLD, 1.75);
            double column = Math.max(17, left + Face.BOLD.width(entry.name(), 1.75) + 1);
            List<String> lines = Face.BODY.wrapped(String.join(" ", entry.how()), 1.75, width - column);
            lines = new ArrayList<>(lines);
            lines.addAll(Face.BODY.wrapped(unbroken(entry.gestures()), 1.75, width - column));
            for (String line : lines) {
                sketch.words(line, column, y, Face.BODY, 1.75);
                y += LINE;
            }
            y += 0.6;
        }
        if (instrument.holes() == 0) {
            return sketch;
        }
        String holes =
                "Holes are numbered from the mouth down. A filled ring is a covered hole, a cross below means firm breath.";
        for (String line : Face.BODY.wrapped(holes, 1.75, width)) {
            sketch.add(new Mark.Words(line, 0, y, Face.ITALIC, 1.6), Ink.QUIET, Drawn.Kind.WORDS);
            y += LINE;
        }
        return sketch;
    }

    /** The gestures of each note stay on one line. */
    private static String unbroken(List<String> gestures) {
        return String.join(
                " · ",
                gestures.stream().map(words -> words.replace(' ', '\u00a0')).toList());
    }
}
