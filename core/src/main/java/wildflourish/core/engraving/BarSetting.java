package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;

/** A bar being set: its columns with the accidentals they need, and its beams. */
final class BarSetting {
    final int number;
    final Bar bar;
    final List<Column> columns = new ArrayList<>();
    final List<BeamGroup> beams;
    /** Whether the bar has begun on the line before. */
    final boolean isContinued;
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
        isContinued = false;
        beams = BeamGroup.of(tune, number, columns);
        beams.forEach(BeamGroup::settleDirections);
        columns.forEach(column -> column.stemEnd = column.plainStemEnd());
    }

    /** Some of the notes of a bar that is wider than a line, from an index up to, not including, another. */
    private BarSetting(Tune tune, BarSetting whole, int from, int to) {
        this.number = whole.number;
        boolean isFirst = from == 0;
        boolean isLast = to == whole.columns.size();
        this.bar = new Bar(
                whole.bar.notes().subList(from, to),
                new Bar.Sides(
                        isFirst ? whole.bar.sides().left() : BarLine.NONE,
                        isLast ? whole.bar.sides().right() : BarLine.NONE),
                isFirst ? whole.bar.ending() : List.of(),
                isFirst ? whole.bar.change() : Bar.Change.NONE);
        for (Column each : whole.columns.subList(from, to)) {
            Column column = new Column(each.note, false);
            column.accidentals.addAll(each.accidentals);
            columns.add(column);
        }
        isContinued = whole.isContinued || !isFirst;
        beams = BeamGroup.of(tune, number, columns);
        beams.forEach(BeamGroup::settleDirections);
        columns.forEach(column -> column.stemEnd = column.plainStemEnd());
    }

    /** The bar in two, each to stand on a line of its own: after the beat nearest to its middle that no group under a number goes over. */
    List<BarSetting> halves(Tune tune) {
        int cut = cut(tune);
        return List.of(new BarSetting(tune, this, 0, cut), new BarSetting(tune, this, cut, columns.size()));
    }

    private int cut(Tune tune) {
        int middle = columns.size() / 2;
        for (int away = 0; away < middle; away++) {
            for (int at : List.of(middle - away, middle + away)) {
                if (at > 0 && at < columns.size() && isOnBeat(tune, columns.get(at).note)) {
                    return at;
                }
            }
        }
        return middle;
    }

    private boolean isOnBeat(Tune tune, Note note) {
        Fraction offset = tune.placeOf(note.id()).offset();
        boolean isWithinGroup = tune.tupletAt(note.id())
                .filter(group -> !group.first().equals(note.id()))
                .isPresent();
        return !isWithinGroup
                && offset.modulo(tune.metreAt(number).countLength()).isZero();
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
                int inForce = state.getOrDefault(pitch.staffStep(), 100 * shownAlter(key, pitch));
                int cents = column.centsOf(pitch);
                if (isTied && column == columns.get(0)) {
                    continue;
                }
                if (inForce != cents) {
                    column.accidentals.add(pitch);
                }
                state.put(pitch.staffStep(), cents);
            }
        }
    }

    /** What the signature on the page says; accidentals that hold without being shown count as said. */
    private static int shownAlter(Key key, WrittenPitch pitch) {
        return key.alterOf(pitch.step());
    }
}
