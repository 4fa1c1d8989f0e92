package wildflourish.core.line;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Version;

/** The tune with the notes of figures that a version has in place of its own: each keeps its identity, its length and its marks. */
public final class FigureNotes {
    private FigureNotes() {}

    /** The tune itself where no figure stands; one that has lost notes, so that there are more or fewer than it has, is passed over. */
    public static Tune of(Tune tune, Version version) {
        Map<NoteId, List<WrittenPitch>> others = new HashMap<>();
        for (Layer layer : version.layers()) {
            if (layer.rule().work() == Layer.Work.FIGURE) {
                List<Note> sounding = sounding(layer.span().notes(tune));
                List<List<WrittenPitch>> pitches = pitches(layer.option());
                for (int i = 0; i < sounding.size() && sounding.size() == pitches.size(); i++) {
                    others.put(sounding.get(i).id(), pitches.get(i));
                }
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

    private static List<Note> sounding(List<Note> notes) {
        return notes.stream().filter(note -> !note.isRest()).toList();
    }

    /** The way of a layer that puts notes in place of others; rests stay. */
    public static String option(List<Note> notes) {
        return sounding(notes).stream()
                .map(note -> note.pitches().stream().map(WrittenPitch::toString).collect(Collectors.joining("+")))
                .collect(Collectors.joining("."));
    }

    private static List<List<WrittenPitch>> pitches(String option) {
        return Arrays.stream(option.split("[.]", -1))
                .filter(chord -> !chord.isEmpty())
                .map(chord -> Arrays.stream(chord.split("[+]", -1))
                        .map(WrittenPitch::parse)
                        .toList())
                .toList();
    }
}
