package wildflourish.core.engraving;

import java.util.List;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.NoteId;

/** Draws one column once its place and stem are settled: heads, ledger lines, accidentals, dots, stem, flag, rest, small notes. */
final class NotePainter {
    private static final double STEM = 0.12;
    private static final double LEDGER = 0.16;
    private final Sketch sketch;
    private final Column column;
    private final NoteId id;
    /** Of small notes: those of an ornament have its colour. */
    private final Ink small;

    private NotePainter(Sketch sketch, Column column, Ink small) {
        this.small = small;
        this.sketch = sketch;
        this.column = column;
        this.id = column.note.id();
    }

    /** Draws the column; returns the height of its highest ink. */
    static double draw(Sketch sketch, Column column, Ink small) {
        NotePainter painter = new NotePainter(sketch, column, small);
        if (column.note.isRest()) {
            painter.rest();
            return 1;
        }
        painter.accidentals();
        painter.heads();
        painter.stem();
        painter.smallNotes();
        return column.highest();
    }

    private void rest() {
        String glyph = column.fillsBar ? "restWhole" : column.value.rest();
        double y = glyph.equals("restWhole") ? 1 : 2;
        sketch.glyph(glyph, column.x, y, Drawn.Kind.REST, id);
        if (!column.fillsBar) {
            dots(1.5);
        }
    }

    private void heads() {
        List<WrittenPitch> pitches = column.note.pitches();
        for (int i = 0; i < pitches.size(); i++) {
            double push = column.isPushed(i) ? (column.isStemUp ? 1 : -1) * (Column.HEAD_WIDTH - STEM) : 0;
            double y = Column.yOf(pitches.get(i));
            ledgers(column.x + push, y);
            sketch.glyph(column.value.head(), column.x + push, y, Drawn.Kind.HEAD, id);
            boolean isOnLine = y == Math.rint(y);
            dots(isOnLine ? y - 0.5 : y);
        }
    }

    private void ledgers(double x, double y) {
        for (double line = 5; line <= y; line++) {
            ledger(x, line);
        }
        for (double line = -1; line >= y; line--) {
            ledger(x, line);
        }
    }

    private void ledger(double x, double y) {
        double width = GlyphFont.of(column.value.head()).advance();
        sketch.add(
                new Mark.Line(x - Column.LEDGER_REACH, y, x + width + Column.LEDGER_REACH, y, LEDGER),
                Ink.NOTES,
                Drawn.Kind.LEDGER,
                id);
    }

    private void dots(double y) {
        for (int dot = 0; dot < column.value.dots(); dot++) {
            double push = column.hasPushedHead() && column.isStemUp ? Column.HEAD_WIDTH : 0;
            sketch.glyph(
                    "augmentationDot", column.x + Column.HEAD_WIDTH + push + 0.35 + dot * 0.6, y, Drawn.Kind.DOT, id);
        }
    }

    private void accidentals() {
        double x = column.x - (column.hasPushedHead() && !column.isStemUp ? Column.HEAD_WIDTH : 0);
        for (WrittenPitch pitch : column.accidentals) {
            String glyph = column.accidentalGlyph(pitch);
            x -= GlyphFont.of(glyph).advance() + 0.22;
            sketch.glyph(glyph, x, Column.yOf(pitch), Drawn.Kind.ACCIDENTAL, id);
        }
    }

    private void stem() {
        if (!column.hasStem()) {
            return;
        }
        double anchor = column.isStemUp ? -0.168 : 0.168;
        double start = (column.isStemUp ? column.bottom() : column.top()) + anchor;
        sketch.add(
                new Mark.Line(column.stemX(), start, column.stemX(), column.stemEnd, STEM),
                Ink.NOTES,
                Drawn.Kind.STEM,
                id);
        if (column.hasFlag()) {
            String size = switch (column.value.flags()) {
                case 1 -> "8th";
                case 2 -> "16th";
                default -> "32nd";
            };
            String flag = "flag" + size + (column.isStemUp ? "Up" : "Down");
            sketch.glyph(flag, column.stemX() - STEM / 2, column.stemEnd, Drawn.Kind.FLAG, id);
        }
    }

    /** Small notes the tune itself writes: stems up, one with a flag, several under two beams, a curve to the note. */
    private void smallNotes() {
        List<WrittenPitch> pitches = column.note.marks().graces().pitches();
        if (pitches.isEmpty()) {
            return;
        }
        double end = column.smallTop();
        for (int i = 0; i < pitches.size(); i++) {
            double x = column.smallNoteX(i);
            double y = Column.yOf(pitches.get(i));
            smallGlyph("noteheadBlack", x, y);
            for (double line = -1; line >= y; line--) {
                sketch.add(new Mark.Line(x - 0.2, line, x + 0.9, line, LEDGER * 0.8), Ink.NOTES, Drawn.Kind.LEDGER, id);
            }
            double stemX = smallStemX(i);
            sketch.add(new Mark.Line(stemX, y - 0.1, stemX, end, 0.1), small, Drawn.Kind.SMALL_NOTE, id);
        }
        if (pitches.size() == 1) {
            smallGlyph("flag8thUp", smallStemX(0) - 0.05, end);
        } else {
            smallBeam(end, pitches.size());
            smallBeam(end + 0.45, pitches.size());
        }
        if (column.note.marks().graces().slashed()) {
            double x = smallStemX(0);
            sketch.add(new Mark.Line(x - 0.5, end + 1.3, x + 0.7, end + 0.4, 0.1), small, Drawn.Kind.SMALL_NOTE, id);
        }
        double from = column.smallNoteX(0) + 0.35;
        double y = Math.max(Column.yOf(pitches.get(0)), column.bottom()) + Column.SMALL_CURVE;
        sketch.add(Curves.between(from, y, column.x + 0.3, y, 0.55), small, Drawn.Kind.CURVE, id);
    }

    private void smallBeam(double y, int count) {
        double left = smallStemX(0) - 0.05;
        double right = smallStemX(count - 1) + 0.05;
        sketch.add(
                new Mark.Shape(Outline.polygon(left, y, right, y, right, y + 0.3, left, y + 0.3), 0),
                small,
                Drawn.Kind.SMALL_NOTE,
                id);
    }

    private double smallStemX(int index) {
        return column.smallNoteX(index) + Column.HEAD_WIDTH * Column.SMALL - 0.05;
    }

    private void smallGlyph(String name, double x, double y) {
        sketch.add(new Mark.Glyph(GlyphFont.of(name), x, y, Column.SMALL), small, Drawn.Kind.SMALL_NOTE, id);
    }
}
