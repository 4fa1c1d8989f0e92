package wildflourish.core.engraving;

import java.util.Map;

/** Decorations of the tune's own, stacked above their note and clear of all that is drawn. */
final class Decorations {
    private static final double GAP = 0.35;
    private static final double ROLL_WIDTH = 1.7;
    private static final double ROLL_HEIGHT = 0.55;
    private static final Map<String, String> GLYPHS = Map.ofEntries(
            Map.entry("staccato", "articStaccatoAbove"),
            Map.entry("tenuto", "articTenutoAbove"),
            Map.entry("accent", "articAccentAbove"),
            Map.entry("emphasis", "articAccentAbove"),
            Map.entry(">", "articAccentAbove"),
            Map.entry("fermata", "fermataAbove"),
            Map.entry("trill", "ornamentTrill"),
            Map.entry("turn", "ornamentTurn"),
            Map.entry("uppermordent", "ornamentShortTrill"),
            Map.entry("lowermordent", "ornamentMordent"),
            Map.entry("upbow", "stringsUpBow"),
            Map.entry("downbow", "stringsDownBow"));

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
                } else if (name.equals("breath")) {
                    breath(column);
                } else if (name.startsWith("slide") || name.equals("fall")) {
                    slide(column, name);
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

    /** A comma above the staff after the note. */
    private void breath(Column column) {
        GlyphFont.Entry comma = GlyphFont.of("breathMarkComma");
        double x = column.x + Column.HEAD_WIDTH + 0.35;
        double foot = Math.min(-0.2, skyline.top(x - 0.1, x + comma.box().width() + 0.1) - GAP);
        add(
                column,
                new Mark.Glyph(comma, x, foot - comma.box().bottom(), 1),
                foot - comma.box().height());
    }

    /** A line into the head from below, out of it towards the next, or falling away from it. */
    private void slide(Column column, String name) {
        double y = Column.yOf(column.note.melody());
        double left = column.x - column.accidentalInk() - 0.15;
        double right = column.slideOutX();
        double reach = Column.SLIDE_WIDTH;
        Mark stroke = switch (name) {
            case "slide-on" -> new Mark.Line(right, y - 0.1, right + reach, y - 0.1 - nextRise(column), 0.15);
            case "fall" -> new Mark.Line(right, y, right + reach, y + 0.9, 0.15);
            default -> new Mark.Line(left - reach, y + 0.75, left, y + 0.1, 0.15);
        };
        line.sketch.add(stroke, Ink.NOTES, Drawn.Kind.SLIDE, column.note.id());
    }

    /** Which way the next note lies: up, or down. */
    private double nextRise(Column column) {
        return line.tune
                .neighbour(column.note.id(), 1)
                .filter(next -> !next.isRest())
                .map(next -> next.melody().staffStep() >= column.note.melody().staffStep() ? 0.5 : -0.5)
                .orElse(0.5);
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
