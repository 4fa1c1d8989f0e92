package wildflourish.core.engraving;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** The music glyphs by SMuFL name: code point, box, advance, stem anchors and outline, all in staff spaces with y downward. */
public final class GlyphFont {
    private static final double UNITS_A_SPACE = 250;
    private static final Map<String, Entry> ALL = read();

    private GlyphFont() {}

    /**
     * One glyph.
     *
     * @param box around its ink, from its origin
     * @param anchors where stems meet a note head
     */
    public record Entry(String name, int codePoint, Box box, double advance, Anchors anchors, Outline outline) {}

    /** Where an upward stem meets a note head, at its right end, and where a downward one does. */
    public record Anchors(Optional<Point> stemUp, Optional<Point> stemDown) {}

    /** A point in staff spaces, y downward. */
    public record Point(double x, double y) {}

    private static Map<String, Entry> read() {
        Map<String, Entry> all = new HashMap<>();
        for (Row row : Table.load("music-glyphs.table").rows()) {
            double[] box = numbers(row.text("box"));
            all.put(
                    row.text("name"),
                    new Entry(
                            row.text("name"),
                            Integer.parseInt(row.text("code"), 16),
                            new Box(box[0], -box[3], box[2], -box[1]),
                            Double.parseDouble(row.text("advance")),
                            new Anchors(
                                    row.optional("stem up").map(GlyphFont::point),
                                    row.optional("stem down").map(GlyphFont::point)),
                            Outline.parse(row.text("outline"), UNITS_A_SPACE)));
        }
        return all;
    }

    private static Point point(String text) {
        double[] pair = numbers(text);
        return new Point(pair[0], -pair[1]);
    }

    private static double[] numbers(String text) {
        return Arrays.stream(text.split(" ", -1))
                .mapToDouble(Double::parseDouble)
                .toArray();
    }

    /** Throws IllegalArgumentException for a glyph that is not in the table. */
    public static Entry of(String name) {
        Entry entry = ALL.get(name);
        if (entry == null) {
            throw new IllegalArgumentException("music-glyphs.table has no glyph " + name);
        }
        return entry;
    }
}
