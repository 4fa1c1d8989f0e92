package wildflourish.core.engraving;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/** One line of music being set: its bars and columns, what is drawn so far, and how high the ink over each note reaches. The top staff line is y = 0. */
final class MusicLine {
    /** Where the staff begins; the margin before it is for the name of a phrase. */
    static final double LEFT = 3.6;

    final Score score;
    final Setting setting;
    final Tune tune;
    final List<BarSetting> bars;
    final Sketch sketch = new Sketch();
    /** In the order of the tune. */
    final Map<NoteId, Column> columns = new TreeMap<>();

    final Map<NoteId, Double> tops = new TreeMap<>();
    double staffEnd;

    MusicLine(Setting setting, List<BarSetting> bars) {
        this.setting = setting;
        this.score = setting.score();
        this.tune = score.tune();
        this.bars = bars;
        bars.forEach(bar -> bar.columns.forEach(column -> columns.put(column.note.id(), column)));
    }

    /** The highest ink over a column drawn so far. */
    double topOf(Column column) {
        return tops.getOrDefault(column.note.id(), 0.0);
    }

    /** The columns of this line from one note of the tune to another. */
    List<Column> between(NoteId first, NoteId last) {
        return tune.between(first, last).stream()
                .map(note -> Optional.ofNullable(columns.get(note.id())))
                .flatMap(Optional::stream)
                .toList();
    }
}
