package wildflourish.core.engraving;

import java.util.Map;

/** Decorations of the tune's own, stacked above their note and clear of all that is drawn. */
final class Decorations {
    private static final double GAP = 0.35;
    private static final double ROLL_WIDTH = 1.7;
    private static final double ROLL_HEIGHT = 0.55;
    private static final Map<String, String> GLYPHS = Map.of(
            "staccato", "articStaccatoAbove",
            "accent", "articAccentAbove",
            "emphasis", "articAccentAbove",
            ">", "articAccentAbove",
            "fermata", "fermataAbove",
            "trill", "ornamentTrill",
            "uppermordent", "ornamentShortTrill",
            "lowermordent", "ornamentMordent",
            "upbow", "stringsUpBow",
            "downbow", "stringsDownBow");

    private final MusicLine line;
    private final Skyline skyline;

    Decorations(MusicLine line, Skyline skyline) {
        this.line = line;
        this.skyline = skyline;
    }

    void draw() {
        for (Column column : line.columns.values()) {
            for (String name : column.note.marks().decorations()) {
                String glyph = GLYPHS.get(name);
                if (glyph != null) {
                    glyph(column, GlyphFont.of(glyph));
                } else if (name.equals("roll")) {
                    roll(column);
                }
            }
        }
    }

    private void glyph(Column column, GlyphFont.Entry entry) {
        double x = column.centre() - entry.box().width() / 2 - entry.box().left();
        double foot = foot(column, entry.box().width());
        add(
                column,
                new Mark.Glyph(entry, x, foot - entry.box().bottom(), 1),
                foot - entry.box().height());
    }

    /** The wave that a tune's text writes as a tilde. */
    private void roll(Column column) {
        double x = column.centre() - ROLL_WIDTH / 2;
        double foot = foot(column, ROLL_WIDTH);
        double middle = foot - ROLL_HEIGHT / 2;
        double third = ROLL_WIDTH / 3;
        Outline wave = new Outline.Builder()
                .move(x, middle + ROLL_HEIGHT / 4)
                .cubic(
                        x + third,
                        middle - ROLL_HEIGHT,
                        x + 2 * third,
                        middle + ROLL_HEIGHT,
                        x + ROLL_WIDTH,
                        middle - ROLL_HEIGHT / 4)
                .build();
        add(column, new Mark.Shape(wave, 0.24), foot - ROLL_HEIGHT);
    }

    private double foot(Column column, double width) {
        double left = column.centre() - width / 2;
        return Math.min(0, skyline.top(left - 0.1, left + width + 0.1)) - GAP;
    }

    private void add(Column column, Mark mark, double top) {
        line.sketch.add(mark, Ink.NOTES, Drawn.Kind.DECORATION, column.note.id());
        line.tops.merge(column.note.id(), top, Math::min);
        skyline.grow();
    }
}
