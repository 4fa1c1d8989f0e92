package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.form.Phrase;
import wildflourish.core.music.Metre;
import wildflourish.core.tune.BarLine;

/** Sets one line of music: what goes along it here, what joins notes and stands above and below by the rooms of those names. */
final class SystemEngraver {
    private static final double MARGIN_SIZE = 2.0;

    private static final double STAFF_LINE = 0.13;
    private static final double LOOSEST = 1.9;
    private static final double BEFORE_FIRST_NOTE = 0.9;
    /** Between the line of a bar and its first note, where bars stand under each other. */
    private static final double AFTER_LEAD = 0.6;

    private static final double WIDEST = 20;

    private final MusicLine line;
    private final double right;

    SystemEngraver(Setting setting, List<BarSetting> bars, double width) {
        this.line = new MusicLine(setting, bars);
        this.right = width;
    }

    /** Room that the bars need at the least, with clef, key and label. */
    double leastWidth() {
        return prefix(new Sketch()) + Spacing.least(things());
    }

    Sketch engrave() {
        settle(prefix(line.sketch));
        return drawn();
    }

    /** Where the first bar would begin. */
    double start() {
        return prefix(new Sketch());
    }

    /** Room that each bar likes, its line included. */
    double[] wishes() {
        double[] wishes = new double[line.bars.size()];
        for (int i = 0; i < wishes.length; i++) {
            double lead = hasLead(i) ? leadWidth(i) + AFTER_LEAD : 0;
            wishes[i] = lead + Spacing.natural(columnsOf(line.bars.get(i)));
        }
        return wishes;
    }

    /** With bars that begin at given places; the last of these is where the staff ends. */
    Sketch engrave(double[] edges) {
        prefix(line.sketch);
        for (int i = 0; i < line.bars.size(); i++) {
            BarSetting bar = line.bars.get(i);
            bar.start = edges[i];
            bar.end = edges[i + 1];
            double from = edges[i] + (hasLead(i) ? lead(line.sketch, i, edges[i]) + AFTER_LEAD : 0);
            List<Spacing.Thing> things = columnsOf(bar);
            double stretch = Spacing.stretchTo(things, from, edges[i + 1], WIDEST);
            double[] anchors = Spacing.anchors(things, from, stretch);
            for (int column = 0; column < bar.columns.size(); column++) {
                bar.columns.get(column).x = anchors[column];
            }
            centreBarRest(bar);
        }
        double last = edges[line.bars.size()];
        BarLine end = line.bars.get(line.bars.size() - 1).bar.sides().right();
        line.staffEnd = last + BarLines.draw(line.sketch, end, BarLine.NONE, last);
        return drawn();
    }

    private boolean hasLead(int bar) {
        return bar > 0 || line.bars.get(bar).bar.sides().left() != BarLine.NONE;
    }

    /** The columns of a bar, and after them the room before the line. */
    private static List<Spacing.Thing> columnsOf(BarSetting bar) {
        List<Spacing.Thing> things = new ArrayList<>();
        for (Column column : bar.columns) {
            things.add(
                    new Spacing.Thing(column.leftInk(), column.rightInk(), Spacing.wish(column.note.played()), true));
        }
        things.add(new Spacing.Thing(0.35, 0, 0, false));
        return things;
    }

    private Sketch drawn() {
        staff();
        for (BarSetting bar : line.bars) {
            bar.beams.forEach(BeamGroup::settleStems);
            bar.columns.forEach(
                    column -> line.tops.put(column.note.id(), NotePainter.draw(line.sketch, column, smallInk(column))));
            bar.beams.forEach(beam -> beam.draw(line.sketch));
        }
        new TiesAndSlurs(line).draw();
        new Tuplets(line).draw();
        double above = new AboveStaff(line).draw();
        double below = new BelowStaff(line).draw();
        zones(above, below);
        return line.sketch;
    }

    private Ink smallInk(Column column) {
        return line.setting.dressed().contains(column.note.id()) ? Ink.SINGLE : Ink.NOTES;
    }

    // Along the line

    private double prefix(Sketch into) {
        double x = MusicLine.LEFT;
        Phrase phrase = line.setting.phrasing().at(line.bars.get(0).number);
        BarSetting first = line.bars.get(0);
        if (phrase.firstBar() == first.number && !first.isContinued && isForMargin(phrase)) {
            into.add(new Mark.Words(phrase.name(), 0, 3.0, Face.TITLE, MARGIN_SIZE), Ink.QUIET, Drawn.Kind.WORDS);
        }
        x = Signature.clef(into, x + 0.5);
        x = Signature.key(into, line.tune.keyAt(line.bars.get(0).number), x);
        Metre metre = line.tune.metreAt(line.bars.get(0).number);
        boolean isNew = (first.number == 0 && !first.isContinued)
                || first.bar.change().metre().isPresent();
        x = isNew ? Signature.metre(into, metre, x) : x;
        return line.bars.get(0).bar.sides().left() == BarLine.NONE ? x + BEFORE_FIRST_NOTE : x;
    }

    /** Whether the name of a phrase has room before the staff; a longer one stands above it. */
    static boolean isForMargin(Phrase phrase) {
        return Face.TITLE.width(phrase.name(), MARGIN_SIZE) < MusicLine.LEFT;
    }

    private List<Spacing.Thing> things() {
        List<Spacing.Thing> things = new ArrayList<>();
        for (int i = 0; i < line.bars.size(); i++) {
            BarSetting bar = line.bars.get(i);
            if (hasLead(i)) {
                double width = leadWidth(i);
                things.add(new Spacing.Thing(i > 0 ? 0.35 : 0.1, width, width + 0.95, false));
            }
            for (Column column : bar.columns) {
                things.add(new Spacing.Thing(
                        column.leftInk(), column.rightInk(), Spacing.wish(column.note.played()), true));
            }
        }
        double last =
                BarLines.width(line.bars.get(line.bars.size() - 1).bar.sides().right(), BarLine.NONE);
        things.add(new Spacing.Thing(0.35, last, 0, false));
        return things;
    }

    private double leadWidth(int index) {
        return lead(new Sketch(), index, 0);
    }

    /** The line before a bar with the key and metre that change there; returns its width. */
    private double lead(Sketch into, int index, double x) {
        BarSetting bar = line.bars.get(index);
        BarLine before = index > 0 ? line.bars.get(index - 1).bar.sides().right() : BarLine.NONE;
        double at = x + BarLines.draw(into, before, bar.bar.sides().left(), x);
        boolean changes = index > 0
                && (bar.bar.change().key().isPresent()
                        || bar.bar.change().metre().isPresent());
        if (!changes) {
            return at - x;
        }
        at += 0.7;
        if (bar.bar.change().key().isPresent()) {
            at = Signature.change(into, line.tune.keyAt(bar.number - 1), line.tune.keyAt(bar.number), at);
        }
        if (bar.bar.change().metre().isPresent()) {
            at = Signature.metre(into, line.tune.metreAt(bar.number), at);
        }
        return at - x - 0.4;
    }

    private void settle(double start) {
        List<Spacing.Thing> things = things();
        double stretch = Spacing.stretchTo(things, start, right, LOOSEST);
        double[] anchors = Spacing.anchors(things, start, stretch);
        int next = 0;
        for (int i = 0; i < line.bars.size(); i++) {
            BarSetting bar = line.bars.get(i);
            bar.start = next == 0 ? start : anchors[next];
            if (hasLead(i)) {
                lead(line.sketch, i, anchors[next]);
                next++;
            }
            for (Column column : bar.columns) {
                column.x = anchors[next++];
            }
            bar.end = anchors[next];
            centreBarRest(bar);
        }
        double last = anchors[next];
        BarLine end = line.bars.get(line.bars.size() - 1).bar.sides().right();
        line.staffEnd = last + BarLines.draw(line.sketch, end, BarLine.NONE, last);
    }

    private void centreBarRest(BarSetting bar) {
        for (Column column : bar.columns) {
            if (column.fillsBar) {
                column.x = (bar.start + bar.end) / 2 - 0.2;
            }
        }
    }

    private void staff() {
        for (int y = 0; y < 5; y++) {
            line.sketch.add(
                    new Mark.Line(MusicLine.LEFT, y, line.staffEnd, y, STAFF_LINE), Ink.STAFF, Drawn.Kind.STAFF);
        }
    }

    // Where notes can be hit

    private void zones(double above, double below) {
        List<Column> inOrder =
                line.bars.stream().flatMap(bar -> bar.columns.stream()).toList();
        for (int i = 0; i < inOrder.size(); i++) {
            Column column = inOrder.get(i);
            double left = i == 0
                    ? column.x - column.leftInk() - 0.4
                    : (inOrder.get(i - 1).x + inOrder.get(i - 1).rightInk() + column.x - column.leftInk()) / 2;
            double end = i + 1 < inOrder.size()
                    ? (column.x
                                    + column.rightInk()
                                    + inOrder.get(i + 1).x
                                    - inOrder.get(i + 1).leftInk())
                            / 2
                    : column.x + column.rightInk() + 0.6;
            Box head = new Box(column.x, column.top() - 0.5, column.x + Column.HEAD_WIDTH, column.bottom() + 0.5);
            line.sketch.zone(
                    new NoteZone(column.note.id(), new Box(left, Math.min(above, -1) - 0.2, end, below), head));
        }
    }
}
