package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.music.Key;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;

/** A bar being set: its columns with the accidentals they need, and its beams. */
final class BarSetting {
    final int number;
    final Bar bar;
    final List<Column> columns = new ArrayList<>();
    final List<BeamGroup> beams;
    /** Where the bar begins and where the line at its end stands; settled by the spacing. */
    double start;

    double end;

    BarSetting(Tune tune, int number) {
        this.number = number;
        this.bar = tune.bars().get(number);
        for (Note note : bar.notes()) {
            boolean fillsBar = note.isRest() && bar.notes().size() == 1;
            columns.add(new Column(note, fillsBar));
        }
        giveAccidentals(tune.keyAt(number), tune);
        beams = BeamGroup.of(tune, number, columns);
        beams.forEach(BeamGroup::settleDirections);
        columns.forEach(column -> column.stemEnd = column.plainStemEnd());
    }

    /**
     * An accidental stands where a note differs from the key or from what the bar has last said at its height. A note tied over from the
     * bar before needs none, and says nothing for the notes after it.
     */
    private void giveAccidentals(Key key, Tune tune) {
        Map<Integer, Integer> state = new HashMap<>();
        for (Column column : columns) {
            boolean isTied = tune.neighbour(column.note.id(), -1)
                    .map(before -> before.marks().joins().tied())
                    .orElse(false);
            for (WrittenPitch pitch : column.note.pitches()) {
                int inForce = state.getOrDefault(pitch.staffStep(), shownAlter(key, pitch));
                if (isTied && column == columns.get(0)) {
                    continue;
                }
                if (inForce != pitch.alter()) {
                    column.accidentals.add(pitch);
                }
                state.put(pitch.staffStep(), pitch.alter());
            }
        }
    }

    /** What the signature on the page says; accidentals that hold without being shown count as said. */
    private static int shownAlter(Key key, WrittenPitch pitch) {
        return key.alterOf(pitch.step());
    }
}
