package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Shape;
import wildflourish.core.performance.Realiser;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;

/** The key to the signs of a version: each ornament used, and for each note it stands on what the fingers do, from the realisation. */
public final class KeyToSigns {
    private static final double LINE = 2.3;

    private KeyToSigns() {}

    /**
     * An ornament that a version uses.
     *
     * @param gestures for each note it stands on, the note's letter and the words for its gestures
     */
    public record Entry(Ornament ornament, Shape shape, List<String> gestures) {
        private Entry with(Entry more) {
            Set<String> all = new LinkedHashSet<>(gestures);
            all.addAll(more.gestures);
            return new Entry(ornament, shape, List.copyOf(all));
        }
    }

    public static List<Entry> of(Tune tune, Version version) {
        Map<String, Entry> entries = new LinkedHashMap<>();
        for (Spot spot : version.spots().values()) {
            for (Placement option : spot.options()) {
                Optional<Shape> shape = option.ornament().shapeFor(option.span().length(tune));
                if (shape.isEmpty()) {
                    continue;
                }
                String key = option.ornament().id() + shape.get().parts();
                List<String> words =
                        gestureWords(tune, version, option).stream().toList();
                entries.merge(key, new Entry(option.ornament(), shape.get(), words), Entry::with);
            }
        }
        return List.copyOf(entries.values());
    }

    /** The letter of the note and its gestures in order; empty where the ornament cannot be played. */
    private static Optional<String> gestureWords(Tune tune, Version version, Placement placement) {
        List<String> words = new ArrayList<>();
        for (GesturePicture.Step step :
                GesturePicture.stepsOf(Realiser.alone(tune, version, placement, Profile.usual()))) {
            words.add(Words.gesture(step.gesture(), step.hole()));
        }
        String letter = Words.letter(tune.note(placement.span().first()));
        return words.isEmpty() ? Optional.empty() : Optional.of(letter + ": " + String.join(", ", words));
    }

    /** The key as a block of a page: signs, names, and the words wrapped to the width. */
    static Sketch block(Tune tune, Version version, double width) {
        Sketch sketch = new Sketch();
        List<Entry> entries = of(tune, version);
        if (entries.isEmpty()) {
            return sketch;
        }
        sketch.words("Key to signs", 0, 1.6, Face.TITLE, 2.0);
        double y = 5.2;
        for (Entry entry : entries) {
            Signs.picture(entry.ornament(), entry.shape(), 0.3, y + 0.2)
                    .forEach(each -> sketch.add(each.mark(), each.ink(), Drawn.Kind.SIGN));
            sketch.words(entry.ornament().name(), 4.2, y, Face.BOLD, 1.75);
            for (String line : wrapped(unbroken(entry.gestures()), width - 15)) {
                sketch.words(line, 15, y, Face.BODY, 1.75);
                y += LINE;
            }
            y += entry.gestures().isEmpty() ? LINE + 0.6 : 0.6;
        }
        String holes =
                "Holes are numbered from the mouth down. A filled ring is a covered hole, a cross below means firm breath.";
        for (String line : wrapped(holes, width)) {
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

    static List<String> wrapped(String words, double width) {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : words.split(" ", -1)) {
            if (!line.isEmpty() && Face.BODY.width(line + " " + word, 1.75) > width) {
                lines.add(line.toString().strip());
                line.setLength(0);
            }
            line.append(line.isEmpty() ? "" : " ").append(word);
        }
        if (!line.toString().isBlank()) {
            lines.add(line.toString().strip());
        }
        return lines;
    }
}
