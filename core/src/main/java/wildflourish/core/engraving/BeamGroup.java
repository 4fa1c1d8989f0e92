package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.music.Fraction;
import wildflourish.core.tune.Tune;

/** Notes under one beam: settles their stems and draws the beams. */
final class BeamGroup {
    private static final double THICKNESS = 0.5;
    private static final double STEP = 0.75;
    private static final double SHORTEST_STEM = 3.0;
    private static final double USUAL_STEM = 3.5;
    private static final double STEEPEST = 1.0;
    private static final double MIDDLE_LINE = 2;

    private final List<Column> columns;

    private BeamGroup(List<Column> columns) {
        this.columns = columns;
    }

    /** The groups of a bar: neighbours that the tune's text keeps together, within the metre's beam lengths. */
    static List<BeamGroup> of(Tune tune, int bar, List<Column> columns) {
        Fraction window = tune.metreAt(bar).beamLength();
        List<BeamGroup> groups = new ArrayList<>();
        List<Column> group = new ArrayList<>();
        Fraction last = Fraction.ZERO;
        for (Column column : columns) {
            Fraction offset = tune.placeOf(column.note.id()).offset();
            boolean joins = !group.isEmpty()
                    && group.get(group.size() - 1).note.marks().joins().beamed()
                    && index(offset, window) == index(last, window);
            boolean isShort = column.hasStem() && column.value.flags() > 0;
            if (!isShort || !joins) {
                finish(group, groups);
            }
            if (isShort) {
                group.add(column);
            }
            last = offset;
        }
        finish(group, groups);
        return groups;
    }

    private static long index(Fraction offset, Fraction window) {
        Fraction windows = offset.dividedBy(window);
        return Math.floorDiv(windows.numerator(), windows.denominator());
    }

    private static void finish(List<Column> group, List<BeamGroup> groups) {
        if (group.size() > 1) {
            groups.add(new BeamGroup(List.copyOf(group)));
        }
        group.clear();
    }

    /** Gives all stems of the group one direction: away from the note farthest from the middle line. */
    void settleDirections() {
        double farthest = 0;
        for (Column column : columns) {
            double up = MIDDLE_LINE - column.top();
            double down = column.bottom() - MIDDLE_LINE;
            farthest = Math.abs(up) > Math.abs(farthest) ? up : farthest;
            farthest = Math.abs(down) > Math.abs(farthest) ? -down : farthest;
        }
        boolean isUp = farthest < 0;
        columns.forEach(column -> {
            column.isBeamed = true;
            column.isStemUp = isUp;
        });
    }

    private Column first() {
        return columns.get(0);
    }

    private Column last() {
        return columns.get(columns.size() - 1);
    }

    /** Once x is settled: gives the stems their ends on one slanting line. */
    void settleStems() {
        boolean isUp = first().isStemUp;
        int levels =
                columns.stream().mapToInt(column -> column.value.flags()).max().orElse(1);
        double extra = (levels - 1) * 0.4;
        double rise =
                clamp((headOf(last(), isUp) - headOf(first(), isUp)) * 0.5, isInnerFarther(isUp) ? 0.25 : STEEPEST);
        double width = Math.max(0.1, last().stemX() - first().stemX());
        double slope = rise / width;
        double sign = isUp ? -1 : 1;
        double shift = Double.NEGATIVE_INFINITY;
        for (Column column : columns) {
            double line = slope * (column.stemX() - first().stemX());
            boolean isEnd = column == first() || column == last();
            double stem = (isEnd ? USUAL_STEM - 0.25 : SHORTEST_STEM) + extra;
            shift = Math.max(shift, sign * (headOf(column, isUp) + sign * stem - line));
            shift = Math.max(shift, sign * (MIDDLE_LINE - line));
            if (column != first() && column.smallNotesInk() > 0) {
                shift = Math.max(shift, clearOfSmallNotes(column, slope, (levels - 1) * STEP + THICKNESS));
            }
        }
        for (Column column : columns) {
            column.stemEnd = sign * shift + slope * (column.stemX() - first().stemX());
        }
    }

    /** How far from the head side the beams must lie to pass over, or under, the small notes before a column. */
    private double clearOfSmallNotes(Column column, double slope, double beams) {
        double far = slope * (column.smallNoteX(0) - first().stemX());
        double near = slope * (column.x - first().stemX());
        return first().isStemUp
                ? Math.max(far, near) + beams + 0.25 - column.smallTop()
                : column.lowest() + beams + 0.25 - Math.min(far, near);
    }

    /** Whether a note between the ends reaches farther towards the beam than both: then the beam lies nearly flat. */
    private boolean isInnerFarther(boolean isUp) {
        double sign = isUp ? -1 : 1;
        double ends = Math.max(sign * headOf(first(), isUp), sign * headOf(last(), isUp));
        return columns.stream().anyMatch(column -> sign * headOf(column, isUp) > ends);
    }

    private static double headOf(Column column, boolean isUp) {
        return isUp ? column.top() : column.bottom();
    }

    private static double clamp(double value, double most) {
        return Math.max(-most, Math.min(most, value));
    }

    void draw(Sketch sketch) {
        int levels =
                columns.stream().mapToInt(column -> column.value.flags()).max().orElse(1);
        for (int level = 0; level < levels; level++) {
            int from = 0;
            while (from < columns.size()) {
                int to = from;
                while (to < columns.size() && columns.get(to).value.flags() > level) {
                    to++;
                }
                if (to > from) {
                    drawRun(sketch, level, from, to - 1);
                }
                from = Math.max(to, from + 1);
            }
        }
    }

    private void drawRun(Sketch sketch, int level, int from, int to) {
        double left = columns.get(from).stemX() - 0.06;
        double right = columns.get(to).stemX() + 0.06;
        if (from == to) {
            boolean pointsLeft = from == columns.size() - 1
                    || (from > 0
                            && columns.get(from - 1)
                                    .value
                                    .base()
                                    .isMoreThan(columns.get(from + 1).value.base()));
            left = pointsLeft ? right - 1.2 : left;
            right = pointsLeft ? right : left + 1.2;
        }
        double offset = level * STEP * (first().isStemUp ? 1 : -1);
        double thickness = first().isStemUp ? THICKNESS : -THICKNESS;
        double yLeft = lineAt(left) + offset;
        double yRight = lineAt(right) + offset;
        sketch.add(
                new Mark.Shape(
                        Outline.polygon(left, yLeft, right, yRight, right, yRight + thickness, left, yLeft + thickness),
                        0),
                Ink.NOTES,
                Drawn.Kind.BEAM);
    }

    private double lineAt(double x) {
        double width = last().stemX() - first().stemX();
        double slope = width == 0 ? 0 : (last().stemEnd - first().stemEnd) / width;
        return first().stemEnd + slope * (x - first().stemX());
    }

    boolean has(Column column) {
        return columns.contains(column);
    }
}
