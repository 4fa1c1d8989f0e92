package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import wildflourish.core.fingering.HandLines;

/**
 * Strings or rows of buttons under a line of music: a lane each, a finger, a fret or a button on it for each note, strokes of bow or pick above them. A
 * box round a button means that the bellows are pressed, a line below one that the teacher keeps to it, a bracket below a finger that it stays down.
 */
final class LaneStrip {
    private static final double PITCH = 1.7;
    private static final double SIZE = 1.5;
    private static final double STROKES = 1.9;
    private static final double BASELINE = 0.53;
    private static final double CLEAR = 0.22;
    private static final double THIN = 0.1;
    /** How far below the middle of a lane the line of a finger lies that stays down. */
    private static final double KEPT = 0.74;
    /** Of a finger of the banjo hand. */
    private static final double LETTER = 1.35;

    private LaneStrip() {}

    private static boolean hasStrokes(HandLines lines) {
        return lines.touches().values().stream()
                .anyMatch(touch -> touch.stroke().isAboveLanes());
    }

    static double height(HandLines lines) {
        return (hasStrokes(lines) ? STROKES : 0) + lines.lanes().size() * PITCH + 0.4;
    }

    private static double middle(HandLines lines, int lane, double top) {
        return top + (hasStrokes(lines) ? STROKES : 0) + (lane + 0.5) * PITCH;
    }

    /** Draws the lanes below an edge for the columns that wear a fingering. */
    static void draw(MusicLine line, Setting.Hand hand, HandLines lines, List<Column> columns, double top) {
        for (int lane = 0; lane < lines.lanes().size(); lane++) {
            double y = middle(lines, lane, top);
            String name = lines.lanes().get(lane);
            double x = MusicLine.LEFT - 0.5 - Face.BODY.width(name, 1.3);
            line.sketch.add(new Mark.Words(name, x, y + 0.46, Face.BODY, 1.3), Ink.QUIET, Drawn.Kind.WORDS);
            if (lines.hasStrings()) {
                string(line, lines, columns, lane, y);
            }
        }
        for (HandLines.Kept kept : lines.kept()) {
            kept(line, kept, columns, middle(lines, kept.lane(), top));
        }
        for (Column column : columns) {
            HandLines.Touch touch = lines.touches().get(column.note.id());
            if (touch == null) {
                continue;
            }
            for (HandLines.Label label : touch.labels()) {
                label(line, label, column, middle(lines, label.lane(), top));
            }
            if (touch.isBegun()) {
                stroke(line, touch.stroke(), column, top);
            }
            if (hand.hasPin(column.note.id())) {
                double y = middle(lines, touch.labels().get(0).lane(), top) + 0.74;
                add(line, new Mark.Line(column.centre() - 0.55, y, column.centre() + 0.55, y, 0.16), column);
            }
        }
    }

    /** From a finger that stays down to where it is played again; on the next line of music it goes on from the margin. */
    private static void kept(MusicLine line, HandLines.Kept kept, List<Column> columns, double middle) {
        List<Column> its =
                columns.stream().filter(column -> kept.covers(column.note.id())).toList();
        if (its.size() > 1) {
            double y = middle + KEPT;
            double from = its.get(0).centre() + 0.3;
            double to = its.get(its.size() - 1).centre() - 0.3;
            line.sketch.add(new Mark.Line(from, y, to, y, 0.13), Ink.FINGERING, Drawn.Kind.FINGERING);
            line.sketch.add(new Mark.Line(to, y, to, y - 0.28, 0.13), Ink.FINGERING, Drawn.Kind.FINGERING);
            line.sketch.add(new Mark.Line(from, y, from, y - 0.28, 0.13), Ink.FINGERING, Drawn.Kind.FINGERING);
        }
    }

    /** A line for a string, broken where a finger stands on it. */
    private static void string(MusicLine line, HandLines lines, List<Column> columns, int lane, double y) {
        List<double[]> gaps = new ArrayList<>();
        for (Column column : columns) {
            HandLines.Touch touch = lines.touches().get(column.note.id());
            if (touch == null) {
                continue;
            }
            for (HandLines.Label label : touch.labels()) {
                if (label.lane() == lane) {
                    double half = Face.BOLD.width(label.text(), SIZE) / 2 + CLEAR;
                    gaps.add(new double[] {column.centre() - half, column.centre() + half});
                }
            }
        }
        gaps.sort(Comparator.comparingDouble(gap -> gap[0]));
        double from = MusicLine.LEFT;
        for (double[] gap : gaps) {
            if (gap[0] > from) {
                line.sketch.add(new Mark.Line(from, y, gap[0], y, THIN), Ink.STAFF, Drawn.Kind.FINGERING);
            }
            from = Math.max(from, gap[1]);
        }
        if (line.staffEnd > from) {
            line.sketch.add(new Mark.Line(from, y, line.staffEnd, y, THIN), Ink.STAFF, Drawn.Kind.FINGERING);
        }
    }

    private static void label(MusicLine line, HandLines.Label label, Column column, double y) {
        double width = Face.BOLD.width(label.text(), SIZE);
        double left = column.centre() - width / 2;
        line.sketch.add(
                new Mark.Words(label.text(), left, y + BASELINE, Face.BOLD, SIZE),
                Ink.FINGERING,
                Drawn.Kind.FINGERING,
                column.note.id());
        if (label.isBoxed()) {
            double[] xs = {left - 0.28, left + width + 0.28};
            double[] ys = {y - 0.78, y + 0.78};
            for (double each : ys) {
                add(line, new Mark.Line(xs[0], each, xs[1], each, 0.13), column);
            }
            for (double each : xs) {
                add(line, new Mark.Line(each, ys[0], each, ys[1], 0.13), column);
            }
        }
    }

    /** A down stroke as an open square, an up stroke as a wedge, as on every score for bows. */
    private static void stroke(MusicLine line, HandLines.Stroke stroke, Column column, double top) {
        double x = column.centre();
        double y = top + 0.4;
        switch (stroke) {
            case DOWN -> {
                add(line, new Mark.Line(x - 0.5, y, x + 0.5, y, 0.34), column);
                add(line, new Mark.Line(x - 0.46, y, x - 0.46, y + 1.0, 0.13), column);
                add(line, new Mark.Line(x + 0.46, y, x + 0.46, y + 1.0, 0.13), column);
            }
            case UP -> {
                add(line, new Mark.Line(x - 0.42, y - 0.1, x, y + 1.0, 0.14), column);
                add(line, new Mark.Line(x + 0.42, y - 0.1, x, y + 1.0, 0.14), column);
            }
            case THUMB, INDEX, MIDDLE, NAIL -> {
                String letter = stroke.name().substring(0, 1);
                double left = x - Face.BODY.width(letter, LETTER) / 2;
                add(line, new Mark.Words(letter, left, y + 1.05, Face.BODY, LETTER), column);
            }
            case PRESS, DRAW, EITHER -> {
                // Told by a box.
            }
        }
    }

    private static void add(MusicLine line, Mark mark, Column column) {
        line.sketch.add(mark, Ink.FINGERING, Drawn.Kind.FINGERING, column.note.id());
    }
}
