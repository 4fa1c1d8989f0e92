package wildflourish.core.words;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import wildflourish.core.hand.Scene;
import wildflourish.core.line.Tone;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Layer;

/** What layers make of a written note, in words. */
public final class LayerWords {
    private LayerWords() {}

    /**
     * What a layer plays in place of a note, or that it passes over one on which something is placed; empty where the note is played as it is written.
     */
    public static Optional<String> at(Scene scene, NoteId id) {
        Note note = scene.tune().note(id);
        Optional<Integer> first = scene.line().indexOf(id);
        boolean isOfFigure = scene.version().layers().stream()
                .anyMatch(layer -> layer.rule().work() == Layer.Work.FIGURE && layer.covers(scene.tune(), id));
        if (isOfFigure) {
            return Optional.of("A figure stands here in place of the tune's notes.");
        }
        List<String> layers = scene.version().layers().stream()
                .filter(layer -> layer.rule().work().changesTones() && layer.covers(scene.tune(), id))
                .map(LayerWords::name)
                .toList();
        if (note.isRest() || layers.isEmpty()) {
            return Optional.empty();
        }
        String names = String.join(" + ", layers);
        if (scene.version().covering(scene.tune(), id).isPresent()) {
            return Optional.of("What is placed here is played; " + names + " passes over it.");
        }
        if (first.isEmpty()) {
            return Optional.of("Under " + names + " this note is left out.");
        }
        List<Tone> tones = tonesOf(scene, id, first.get());
        return isAsWritten(note, tones)
                ? Optional.empty()
                : Optional.of("Under " + names + " this note becomes "
                        + tones.stream().map(LayerWords::name).collect(Collectors.joining(" ")) + ".");
    }

    /** As they are first played. */
    private static List<Tone> tonesOf(Scene scene, NoteId id, int first) {
        int bar = scene.line().tones().get(first).place().playedBar();
        return scene.line().tones().stream()
                .filter(tone -> tone.note().id().equals(id) && tone.place().playedBar() == bar)
                .toList();
    }

    private static boolean isAsWritten(Note note, List<Tone> tones) {
        return tones.size() == 1
                && tones.get(0).placed().isEmpty()
                && tones.get(0).pitches().equals(note.pitches())
                && tones.get(0).length().equals(note.played());
    }

    private static String name(Layer layer) {
        return layer.rule().name() + (layer.way().isEmpty() ? "" : " (" + Words.way(layer.way()) + ")");
    }

    private static String name(Tone tone) {
        if (tone.placed().isPresent()) {
            return Words.article(tone.placed().get().stack());
        }
        return tone.isRest()
                ? "a rest"
                : tone.pitches().stream()
                        .map(pitch -> pitch.letter() + pitch.octave())
                        .collect(Collectors.joining("+"));
    }
}
