package wildflourish.files.paint;

import java.io.IOException;
import java.util.EnumMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import wildflourish.core.engraving.Box;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Face;
import wildflourish.core.engraving.GlyphFont;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Outline;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Palette;

/** Writes a page as SVG 1.1: glyphs once each as symbols, words as text in fonts that travel inside the file. */
public final class SvgPainter implements Mark.Brush {
    private static final Map<Face, String> STYLES =
            Map.of(Face.BODY, "body", Face.BOLD, "bold", Face.ITALIC, "italic", Face.TITLE, "title");

    /** A shape told with fewer letters is told where it stands. */
    private static final int SHORT = 90;

    /** A fingering of fewer marks is told where it stands. */
    private static final int LEAST_OF_STRIP = 3;

    private StringBuilder body = new StringBuilder();
    /** Glyphs in the order in which they first come; a glyph is told by its place there. */
    private final Map<GlyphFont.Entry, Integer> glyphs = new LinkedHashMap<>();
    /** Shapes that are long to tell, such as circles, told once each from their first point on, with their numbers. */
    private final Map<String, Integer> shapes = new LinkedHashMap<>();
    /** What is told of an outline, which many shapes share. */
    private final IdentityHashMap<Outline, Told> outlines = new IdentityHashMap<>();
    /** The lines of the group under way by their thickness: they are all of one colour, so that their order is of no matter. */
    private Map<Double, StringBuilder> lines = new TreeMap<>();

    /** Fingerings with their numbers. */
    private final Map<String, Integer> strips = new LinkedHashMap<>();

    /** An outline from its first point on, and where that lies. */
    private record Told(double x, double y, String path) {}

    private final Map<Face, Set<Integer>> characters = new EnumMap<>(Face.class);
    private int colour;
    private boolean isInGroup;

    private SvgPainter() {}

    /** An SVG document; a staff space is {@code millimetresPerSpace} wide. */
    public static String paint(Page page, Palette palette, double millimetresPerSpace) throws IOException {
        SvgPainter painter = new SvgPainter();
        painter.paint(page.drawn(), palette);
        StringBuilder svg = new StringBuilder("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n");
        svg.append(
                "<svg xmlns=\"http://www.w3.org/2000/svg\" xmlns:xlink=\"http://www.w3.org/1999/xlink\" version=\"1.1\" width=\"");
        Decimals.append(svg, page.width() * millimetresPerSpace).append("mm\" height=\"");
        Decimals.append(svg, page.height() * millimetresPerSpace).append("mm\" viewBox=\"0 0 ");
        Decimals.append(svg, page.width()).append(' ');
        Decimals.append(svg, page.height()).append("\">\n<defs>\n");
        painter.fonts(svg);
        painter.glyphs.forEach((entry, number) -> {
            svg.append("<path id=\"g").append(number).append("\" d=\"");
            path(svg, entry.outline());
            svg.append("\"/>\n");
        });
        painter.shapes.forEach((path, number) -> svg.append("<path id=\"s")
                .append(number)
                .append("\" d=\"")
                .append(path)
                .append("\"/>\n"));
        painter.strips.forEach((marks, number) -> svg.append("<g id=\"k")
                .append(number)
                .append("\">\n")
                .append(marks)
                .append("</g>\n"));
        svg.append("</defs>\n<rect width=\"100%\" height=\"100%\" fill=\"");
        colour(svg, palette.paper()).append("\"/>\n").append(painter.body);
        return svg.append(painter.isInGroup ? "</g>\n</svg>\n" : "</svg>\n").toString();
    }

    private void paint(List<Drawn> all, Palette palette) {
        int at = 0;
        while (at < all.size()) {
            ink(palette.of(all.get(at).ink()));
            int end = at + 1;
            while (end < all.size() && isOfOneFingering(all.get(at), all.get(end))) {
                end++;
            }
            if (end - at >= LEAST_OF_STRIP) {
                strip(all.subList(at, end));
            } else {
                all.subList(at, end).forEach(each -> each.mark().paint(this));
            }
            at = end;
        }
        flushLines();
    }

    private static boolean isOfOneFingering(Drawn one, Drawn other) {
        return one.subject().kind() == Drawn.Kind.FINGERING
                && one.subject().equals(other.subject())
                && one.ink() == other.ink();
    }

    /** The fingering of a note, told once for all notes that are fingered so. */
    private void strip(List<Drawn> marks) {
        Box first = marks.get(0).mark().box();
        StringBuilder page = body;
        Map<Double, StringBuilder> linesOfPage = lines;
        body = new StringBuilder();
        lines = new TreeMap<>();
        marks.forEach(each -> each.mark().moved(-first.left(), -first.top()).paint(this));
        flushLines();
        String told = body.toString();
        body = page;
        lines = linesOfPage;
        body.append("<use xlink:href=\"#k")
                .append(strips.computeIfAbsent(told, key -> strips.size() + 1))
                .append('"');
        attribute("x", first.left()).attribute("y", first.top());
        body.append("/>\n");
    }

    /** What comes is of a colour: a group of its own as long as it lasts. */
    private void ink(int rgb) {
        if (isInGroup && rgb == colour) {
            return;
        }
        flushLines();
        body.append(isInGroup ? "</g>\n<g fill=\"" : "<g fill=\"");
        colour(body, rgb).append("\" stroke=\"");
        colour(body, rgb).append("\" stroke-width=\"0\">\n");
        colour = rgb;
        isInGroup = true;
    }

    private static StringBuilder colour(StringBuilder out, int rgb) {
        out.append('#');
        for (int shift = 20; shift >= 0; shift -= 4) {
            out.append(Character.forDigit(rgb >> shift & 0xf, 16));
        }
        return out;
    }

    private SvgPainter attribute(String name, double value) {
        body.append(' ').append(name).append("=\"");
        hundredths(body, value).append('"');
        return this;
    }

    /** A place: to a hundredth of a staff space, which no printer shows. */
    private static StringBuilder hundredths(StringBuilder out, double value) {
        return Decimals.append(out, Math.rint(value * 100) / 100);
    }

    @Override
    public void glyph(Mark.Glyph glyph) {
        int number = glyphs.computeIfAbsent(glyph.entry(), entry -> glyphs.size() + 1);
        body.append("<use xlink:href=\"#g").append(number).append('"');
        if (glyph.scale() == 1) {
            attribute("x", glyph.x()).attribute("y", glyph.y());
        } else {
            body.append(" transform=\"translate(");
            Decimals.append(body, glyph.x()).append(' ');
            Decimals.append(body, glyph.y()).append(") scale(");
            Decimals.append(body, glyph.scale()).append(")\"");
        }
        body.append("/>\n");
    }

    @Override
    public void line(Mark.Line line) {
        StringBuilder path = lines.computeIfAbsent(line.thickness(), thickness -> new StringBuilder());
        path.append('M');
        hundredths(path, line.x1()).append(' ');
        hundredths(path, line.y1());
        if (line.y1() == line.y2()) {
            path.append('H');
            hundredths(path, line.x2());
        } else if (line.x1() == line.x2()) {
            path.append('V');
            hundredths(path, line.y2());
        } else {
            path.append('L');
            hundredths(path, line.x2()).append(' ');
            hundredths(path, line.y2());
        }
    }

    private void flushLines() {
        lines.forEach((thickness, path) -> {
            body.append("<path d=\"").append(path).append('"');
            attribute("stroke-width", thickness);
            body.append("/>\n");
        });
        lines.clear();
    }

    @Override
    public void shape(Mark.Shape shape) {
        Told told = outlines.computeIfAbsent(shape.outline(), SvgPainter::told);
        if (told.path().length() > SHORT) {
            body.append("<use xlink:href=\"#s")
                    .append(shapes.computeIfAbsent(told.path(), key -> shapes.size() + 1))
                    .append('"');
            attribute("x", told.x() + shape.x()).attribute("y", told.y() + shape.y());
        } else {
            body.append("<path d=\"");
            path(body, shape.placed());
            body.append('"');
        }
        if (!shape.isFilled()) {
            body.append(" fill=\"none\"");
            attribute("stroke-width", shape.thickness());
        }
        body.append("/>\n");
    }

    private static Told told(Outline outline) {
        double x = outline.moves().get(0).at(0);
        double y = outline.moves().get(0).at(1);
        return new Told(x, y, path(outline.placed(-x, -y, 1)));
    }

    @Override
    public void words(Mark.Words words) {
        words.text()
                .codePoints()
                .forEach(code -> characters
                        .computeIfAbsent(words.face(), face -> new TreeSet<>())
                        .add(code));
        body.append("<text");
        attribute("x", words.x()).attribute("y", words.y());
        body.append(" font-family=\"flourish-").append(STYLES.get(words.face())).append(", sans-serif\"");
        attribute("font-size", words.size());
        body.append(" xml:space=\"preserve\">").append(escaped(words.text())).append("</text>\n");
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;")
                .replace("\"", "&quot;");
    }

    /** The characters used, as fonts of their own inside the file. */
    private void fonts(StringBuilder svg) throws IOException {
        if (characters.isEmpty()) {
            return;
        }
        svg.append("<style type=\"text/css\">\n");
        for (Map.Entry<Face, Set<Integer>> used : characters.entrySet()) {
            svg.append("@font-face { font-family: 'flourish-")
                    .append(STYLES.get(used.getKey()))
                    .append("'; src: url('data:font/ttf;base64,")
                    .append(FontSubsets.of(used.getKey(), used.getValue()))
                    .append("'); }\n");
        }
        svg.append("</style>\n");
    }

    static String path(Outline outline) {
        StringBuilder path = new StringBuilder();
        path(path, outline);
        return path.toString();
    }

    private static void path(StringBuilder path, Outline outline) {
        for (Outline.Move move : outline.moves()) {
            path.append("MLQCZ".charAt(move.kind().ordinal()));
            for (int i = 0; i < move.points().size(); i++) {
                if (i > 0) {
                    path.append(' ');
                }
                Decimals.append(path, move.at(i));
            }
        }
    }
}
