package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Note;

/** The curves of a line that join notes. */
final class TiesAndSlurs {
    /** How much higher one end of a slur may stand than the other. */
    private static final double STEEPEST = 1.5;

    /** The mark of a note under which something sounds on with the next. */
    static final String HELD_ON = "held-on";

    private final MusicLine line;

    TiesAndSlurs(MusicLine line) {
        this.line = line;
    }

    void draw() {
        ties();
        slurs();
    }

    private void ties() {
        for (Column column : line.columns.values()) {
            Optional<Note> next = line.tune.neighbour(column.note.id(), 1);
            if (column.note.marks().joins().tied()) {
                tie(column, next.map(note -> line.columns.get(note.id())));
            }
            List<WrittenPitch> lower = column.note.marks().joins().held();
            if (!lower.isEmpty()) {
                double end = endOf(next.map(note -> line.columns.get(note.id())));
                lower.forEach(pitch -> tie(column.x + Column.HEAD_WIDTH + 0.1, end, column, pitch, 1));
            }
            if (column.note.marks().decorations().contains(HELD_ON)) {
                next.ifPresent(note -> held(column, note));
            }
            Optional<Note> before = line.tune.neighbour(column.note.id(), -1);
            boolean comesFromBefore = before.map(
                            note -> note.marks().joins().tied() && !line.columns.containsKey(note.id()))
                    .orElse(false);
            if (comesFromBefore) {
                tie(column.x - 2, column.x - 0.1, column);
            }
        }
    }

    private void tie(Column from, Optional<Column> to) {
        tie(from.x + Column.HEAD_WIDTH + 0.1, endOf(to), from);
    }

    private double endOf(Optional<Column> to) {
        return to.map(column -> column.x - column.accidentalInk() - 0.1).orElse(line.staffEnd);
    }

    private void tie(double x1, double x2, Column column) {
        double sign = column.isStemUp ? 1 : -1;
        column.note.pitches().forEach(pitch -> tie(x1, x2, column, pitch, sign));
    }

    private void tie(double x1, double x2, Column column, WrittenPitch pitch, double sign) {
        double y = Column.yOf(pitch) + sign * 0.45;
        line.sketch.add(
                Curves.between(x1, y, x2, y, sign * Curves.bulge(x2 - x1)),
                Ink.NOTES,
                Drawn.Kind.CURVE,
                column.note.id());
    }

    /** What sounds under a note and under the next, below them. */
    private void held(Column from, Note next) {
        double end = endOf(Optional.ofNullable(line.columns.get(next.id())));
        List<WrittenPitch> pitches = from.note.pitches();
        for (WrittenPitch pitch : pitches.subList(0, Math.max(0, pitches.size() - 1))) {
            if (next.pitches().contains(pitch)) {
                tie(from.x + Column.HEAD_WIDTH + 0.1, end, from, pitch, 1);
            }
        }
    }

    /** Slurs whose beginning or end lies in this system; what goes on in another runs to the edge. */
    private void slurs() {
        List<Note> open = new ArrayList<>();
        for (Note note : line.tune.notes()) {
            for (int i = 0; i < note.marks().joins().slursOpen(); i++) {
                open.add(note);
            }
            for (int i = 0; i < note.marks().joins().slursClose() && !open.isEmpty(); i++) {
                slur(open.remove(open.size() - 1), note);
            }
        }
    }

    private void slur(Note first, Note last) {
        Column from = line.columns.get(first.id());
        Column to = line.columns.get(last.id());
        if (from == null && to == null) {
            return;
        }
        List<Column> covered = line.between(first.id(), last.id());
        boolean isBelow = covered.stream().allMatch(column -> column.isStemUp);
        double sign = isBelow ? 1 : -1;
        double x1 = from == null ? covered.get(0).x - 2 : from.centre();
        double x2 = to == null ? line.staffEnd : to.centre();
        double edge = covered.stream()
                .mapToDouble(column -> isBelow ? column.lowest() : -line.topOf(column))
                .max()
                .orElse(0);
        double y1 = from == null ? sign * (edge + 0.8) : slurEnd(from, isBelow);
        double y2 = to == null ? sign * (edge + 0.8) : slurTarget(to, isBelow);
        double reach = Math.max(sign * y1, sign * y2);
        y1 = sign * Math.max(sign * y1, reach - STEEPEST);
        y2 = sign * Math.max(sign * y2, reach - STEEPEST);
        double bulge = Math.max(Curves.bulge(x2 - x1), (edge + 0.9 - reach) * 1.4);
        Mark curve = Curves.between(x1, y1, x2, y2, sign * bulge);
        line.sketch.add(curve, Ink.NOTES, Drawn.Kind.CURVE, first.id());
        if (!isBelow) {
            double top = curve.box().top();
            covered.forEach(column -> line.tops.merge(column.note.id(), top, Math::min));
        }
    }

    /** Where a slur comes down on a note: clear of the small notes and the accidental before it. */
    private double slurTarget(Column column, boolean isBelow) {
        double end = slurEnd(column, isBelow);
        return isBelow ? Math.max(end, column.lowest() + 0.3) : Math.min(end, line.topOf(column) - 0.3);
    }

    private static double slurEnd(Column column, boolean isBelow) {
        return isBelow ? column.bottom() + 0.75 : column.inkTop() - 0.3;
    }
}
