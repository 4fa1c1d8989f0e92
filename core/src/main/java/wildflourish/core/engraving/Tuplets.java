package wildflourish.core.engraving;

import java.util.List;
import wildflourish.core.tune.Tuplet;

/** Numbers and brackets of the groups that go so many in the time of so many. */
final class Tuplets {
    private final MusicLine line;

    Tuplets(MusicLine line) {
        this.line = line;
    }

    void draw() {
        for (Tuplet tuplet : line.tune.tuplets()) {
            Column first = line.columns.get(tuplet.first());
            Column last = line.columns.get(tuplet.last());
            if (first != null && last != null) {
                tuplet(tuplet, first, last);
            }
        }
    }

    private void tuplet(Tuplet tuplet, Column first, Column last) {
        List<Column> its = line.between(tuplet.first(), tuplet.last());
        boolean isBeamed = its.stream().allMatch(column -> column.isBeamed);
        boolean isAbove = its.stream().anyMatch(column -> column.isStemUp) || !isBeamed;
        double edge = isAbove
                ? Math.min(
                        its.stream()
                                .mapToDouble(column -> line.topOf(column))
                                .min()
                                .orElse(0),
                        0)
                : its.stream().mapToDouble(Column::inkBottom).max().orElse(4);
        double y = isAbove ? edge - 0.5 : Math.max(edge, 4) + 1.6;
        GlyphFont.Entry digit = GlyphFont.of("tuplet" + Math.min(9, tuplet.actual()));
        double left = isBeamed ? first.stemX() : first.x;
        double right = isBeamed ? last.stemX() : last.x + Column.HEAD_WIDTH;
        double middle = (left + right) / 2;
        line.sketch.add(
                new Mark.Glyph(digit, middle - digit.advance() / 2, y, 1),
                Ink.NOTES,
                Drawn.Kind.TUPLET,
                tuplet.first());
        if (!isBeamed) {
            bracket(left, middle - digit.advance() / 2 - 0.3, y - 0.7, true);
            bracket(middle + digit.advance() / 2 + 0.3, right, y - 0.7, false);
        }
        if (isAbove) {
            its.forEach(column -> line.tops.merge(column.note.id(), y - 1.5, Math::min));
        }
    }

    private void bracket(double x1, double x2, double y, boolean hooksLeft) {
        line.sketch.add(new Mark.Line(x1, y, x2, y, 0.14), Ink.NOTES, Drawn.Kind.TUPLET);
        double hook = hooksLeft ? x1 : x2;
        line.sketch.add(new Mark.Line(hook, y, hook, y + 0.6, 0.14), Ink.NOTES, Drawn.Kind.TUPLET);
    }
}
