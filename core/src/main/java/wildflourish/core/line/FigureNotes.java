package wildflourish.core.line;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Span;
import wildflourish.core.version.Version;

/** The tune with the notes of figures that a version has in place of its own: each keeps its identity, its length and its marks. */
public final class FigureNotes {
    private FigureNotes() {}

    /**
     * A note that a figure begins.
     *
     * @param note the first that it takes of the tune, with the figure's pitches
     * @param count how many notes of the tune it is held through, itself among them
     */
    public record Begun(Note note, int count) {}

    /** The tune itself where no figure stands; one that has lost notes, so that there are more or fewer than it has, is passed over. */
    public static Tune of(Tune tune, Version version) {
        Map<NoteId, List<WrittenPitch>> others = new HashMap<>();
        for (Layer layer : version.layers()) {
            if (layer.rule().work() == Layer.Work.FIGURE) {
                others.putAll(pitches(tune, layer));
            }
        }
        if (others.isEmpty()) {
            return tune;
        }
        List<Bar> bars = tune.bars().stream()
                .map(bar -> new Bar(
                        bar.notes().stream()
                                .map(note -> others.containsKey(note.id())
                                        ? note.withPitches(others.getOrDefault(note.id(), List.of()))
                                        : note)
                                .toList(),
                        bar.sides(),
                        bar.ending(),
                        bar.change()))
                .toList();
        return new Tune(tune.header(), bars, tune.tuplets(), tune.manuscript());
    }

    /** For each note of a layer's passage the pitches that the figure has there, begun or held; none where it does not fit any more. */
    private static Map<NoteId, List<WrittenPitch>> pitches(Tune tune, Layer layer) {
        Map<NoteId, List<WrittenPitch>> pitches = new HashMap<>();
        List<Note> sounding = sounding(layer.span().notes(tune));
        List<Tones> tones = tones(layer.option());
        if (tones.stream().mapToInt(Tones::count).sum() == sounding.size()) {
            int at = 0;
            for (Tones each : tones) {
                for (int i = 0; i < each.count(); i++) {
                    pitches.put(sounding.get(at++).id(), each.pitches());
                }
            }
        }
        return pitches;
    }

    /** The notes of a layer's passage that the figure does not begin, but holds another through. */
    static Set<NoteId> held(Tune tune, Layer layer) {
        Set<NoteId> held = new HashSet<>();
        List<Note> sounding = sounding(layer.span().notes(tune));
        List<Tones> tones = tones(layer.option());
        if (tones.stream().mapToInt(Tones::count).sum() == sounding.size()) {
            int at = 0;
            for (Tones each : tones) {
                sounding.subList(at + 1, at + each.count()).forEach(note -> held.add(note.id()));
                at += each.count();
            }
        }
        return held;
    }

    /** The notes of a passage as a version has them: those that figures hold through others have become one. */
    public static List<Begun> begun(Tune tune, Version version, Span span) {
        Set<NoteId> held = new HashSet<>();
        version.layers().stream()
                .filter(layer -> layer.rule().work() == Layer.Work.FIGURE)
                .forEach(layer -> held.addAll(held(tune, layer)));
        List<Begun> begun = new ArrayList<>();
        for (Note note : span.notes(of(tune, version))) {
            if (held.contains(note.id()) && !begun.isEmpty()) {
                Begun last = begun.remove(begun.size() - 1);
                begun.add(new Begun(last.note(), last.count() + 1));
            } else {
                begun.add(new Begun(note, 1));
            }
        }
        return begun;
    }

    private static List<Note> sounding(List<Note> notes) {
        return notes.stream().filter(note -> !note.isRest()).toList();
    }

    /** The way of a layer that puts notes in place of others; rests stay. */
    public static String option(List<Begun> notes) {
        return notes.stream()
                .filter(each -> !each.note().isRest())
                .map(each -> each.note().pitches().stream()
                                .map(WrittenPitch::toString)
                                .collect(Collectors.joining("+"))
                        + (each.count() > 1 ? "*" + each.count() : ""))
                .collect(Collectors.joining("."));
    }

    /** Pitches of a note of a figure, the melody last, and through how many notes of the tune it is held. */
    private record Tones(List<WrittenPitch> pitches, int count) {
        static Tones parse(String text) {
            String[] halves = text.split("[*]", 2);
            return new Tones(
                    Arrays.stream(halves[0].split("[+]", -1))
                            .map(WrittenPitch::parse)
                            .toList(),
                    halves.length > 1 ? Integer.parseInt(halves[1]) : 1);
        }
    }

    private static List<Tones> tones(String option) {
        return Arrays.stream(option.split("[.]", -1))
                .filter(each -> !each.isEmpty())
                .map(Tones::parse)
                .toList();
    }
}
