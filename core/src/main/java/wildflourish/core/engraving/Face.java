package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** A text face: the name of its font file and the widths of its characters. */
public enum Face {
    BODY("DejaVuSansCondensed"),
    BOLD("DejaVuSansCondensed-Bold"),
    ITALIC("DejaVuSansCondensed-Oblique"),
    TITLE("DejaVuSerifCondensed-Bold");

    private static final int WIDTH_OF_UNKNOWN = 540;
    private final String fontName;
    private final Map<Integer, Integer> widths = new HashMap<>();

    static {
        for (Row row : Table.load("text-widths.table").rows()) {
            int code = Integer.parseInt(row.text("first"), 16);
            for (String width : row.words("widths")) {
                for (Face face : values()) {
                    if (face.fontName.equals(row.text("face"))) {
                        face.widths.put(code, Integer.parseInt(width));
                    }
                }
                code++;
            }
        }
    }

    Face(String fontName) {
        this.fontName = fontName;
    }

    public String fontName() {
        return fontName;
    }

    /** Width of words in the unit of {@code size}. */
    public double width(String words, double size) {
        return words.codePoints()
                        .map(code -> widths.getOrDefault(code, WIDTH_OF_UNKNOWN))
                        .sum()
                * size
                / 1000.0;
    }

    /** Whether the face has a character, so that every painter can draw it. */
    public boolean has(int codePoint) {
        return widths.containsKey(codePoint);
    }

    /** Words with every character the face lacks replaced by {@code ?}. */
    public String drawable(String words) {
        StringBuilder text = new StringBuilder();
        words.codePoints().forEach(code -> text.appendCodePoint(has(code) ? code : '?'));
        return text.toString();
    }

    /** Words in lines of a width, in the unit of {@code size}; a word that is longer than that has a line of its own. */
    public List<String> wrapped(String words, double size, double width) {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : words.split(" ", -1)) {
            if (!line.isEmpty() && width(line + " " + word, size) > width) {
                lines.add(line.toString().strip());
                line.setLength(0);
            }
            line.append(line.isEmpty() ? "" : " ").append(word);
        }
        if (!line.toString().isBlank()) {
            lines.add(line.toString().strip());
        }
        return lines;
    }
}
