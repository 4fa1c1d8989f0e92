package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Shape;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.tune.Note;
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
        Realisation realisation = Realiser.realise(tune, version, Profile.usual());
        Map<String, Entry> entries = new LinkedHashMap<>();
        for (Spot spot : version.spots().values()) {
            for (Placement option : spot.options()) {
                Optional<Shape> shape = option.ornament().shapeFor(option.span().length(tune));
                if (shape.isEmpty()) {
                    continue;
                }
                String key = option.ornament().id() + shape.get().parts();
                Optional<String> words = spot.first().equals(Optional.of(option))
                        ? gestureWords(tune, realisation, option)
                        : Optional.empty();
                Entry fresh =
                        new Entry(option.ornament(), shape.get(), words.stream().toList());
                entries.merge(key, fresh, Entry::with);
            }
        }
        return List.copyOf(entries.values());
    }

    private static Optional<String> gestureWords(Tune tune, Realisation realisation, Placement placement) {
        Note note = tune.note(placement.span().first());
        Optional<Integer> playing = playingOf(tune, realisation, placement);
        if (playing.isEmpty()) {
            return Optional.empty();
        }
        Set<?> ids = Set.copyOf(
                tune.between(placement.span().first(), placement.span().last()).stream()
                        .map(Note::id)
                        .toList());
        List<Moment> moments = realisation.moments().stream()
                .filter(each -> each.cue().playedBar() == playing.get()
                        && ids.contains(each.cue().note()))
                .toList();
        List<String> words = new ArrayList<>();
        for (int i = 0; i < moments.size(); i++) {
            Moment moment = moments.get(i);
            if (moment.isGesture() && i + 1 < moments.size()) {
                words.add(Words.gesture(gestureOf(moment), movedHole(moment, moments.get(i + 1))));
            } else if (i == 0) {
                words.add(Words.gesture(Gesture.PLAIN, Optional.empty()));
            }
        }
        return words.isEmpty() || moments.stream().noneMatch(Moment::isGesture)
                ? Optional.empty()
                : Optional.of(Words.letter(note) + ": " + String.join(", ", words));
    }

    private static Optional<Integer> playingOf(Tune tune, Realisation realisation, Placement placement) {
        int bar = tune.placeOf(placement.span().first()).bar();
        for (int i = 0; i < realisation.bars().size(); i++) {
            var played = realisation.bars().get(i).played();
            if (played.bar() == bar && placement.passes().has(played.pass())) {
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    private static Gesture gestureOf(Moment moment) {
        return switch (moment.cue().role()) {
            case CUT -> Gesture.CUT;
            case TAP -> Gesture.TAP;
            case CRAN -> Gesture.CRAN;
            case MELODY, SMALL_NOTE, REST -> Gesture.PLAIN;
        };
    }

    private static Optional<Integer> movedHole(Moment gesture, Moment melody) {
        Optional<Fingering> made = fingering(gesture);
        Optional<Fingering> held = fingering(melody);
        if (made.isEmpty() || held.isEmpty()) {
            return Optional.empty();
        }
        for (int hole = 1; hole <= made.get().holes().size(); hole++) {
            if (made.get().at(hole) != held.get().at(hole)) {
                return Optional.of(hole);
            }
        }
        return Optional.empty();
    }

    private static Optional<Fingering> fingering(Moment moment) {
        return moment.sounding().flatMap(Moment.Sounding::held).map(Moment.Held::fingering);
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
