package wildflourish.files.paint;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Base64;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TTFSubsetter;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
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

    private final StringBuilder body = new StringBuilder();
    private final Map<String, GlyphFont.Entry> glyphs = new LinkedHashMap<>();
    private final Map<Face, Set<Integer>> characters = new EnumMap<>(Face.class);
    private String colour = "";

    private SvgPainter() {}

    /** An SVG document; a staff space is {@code millimetresPerSpace} wide. */
    public static String paint(Page page, Palette palette, double millimetresPerSpace) throws IOException {
        SvgPainter painter = new SvgPainter();
        for (Drawn drawn : page.drawn()) {
            painter.colour = String.format(Locale.ROOT, "#%06x", palette.of(drawn.ink()));
            drawn.mark().paint(painter);
        }
        StringBuilder svg = new StringBuilder("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n");
        svg.append(
                        "<svg xmlns=\"http://www.w3.org/2000/svg\" xmlns:xlink=\"http://www.w3.org/1999/xlink\" version=\"1.1\" width=\"")
                .append(number(page.width() * millimetresPerSpace))
                .append("mm\" height=\"")
                .append(number(page.height() * millimetresPerSpace))
                .append("mm\" viewBox=\"0 0 ")
                .append(number(page.width()))
                .append(' ')
                .append(number(page.height()))
                .append("\">\n<defs>\n");
        painter.fonts(svg);
        painter.glyphs.forEach((name, entry) -> svg.append("<path id=\"")
                .append(name)
                .append("\" d=\"")
                .append(path(entry.outline()))
                .append("\"/>\n"));
        svg.append("</defs>\n<rect width=\"100%\" height=\"100%\" fill=\"")
                .append(String.format(Locale.ROOT, "#%06x", palette.paper()))
                .append("\"/>\n");
        return svg.append(painter.body).append("</svg>\n").toString();
    }

    @Override
    public void glyph(Mark.Glyph glyph) {
        glyphs.put(glyph.entry().name(), glyph.entry());
        body.append("<use xlink:href=\"#")
                .append(glyph.entry().name())
                .append("\" transform=\"translate(")
                .append(number(glyph.x()))
                .append(' ')
                .append(number(glyph.y()))
                .append(')')
                .append(glyph.scale() == 1 ? "" : " scale(" + number(glyph.scale()) + ")")
                .append("\" fill=\"")
                .append(colour)
                .append("\"/>\n");
    }

    @Override
    public void line(Mark.Line line) {
        body.append(String.format(
                Locale.ROOT,
                "<line x1=\"%s\" y1=\"%s\" x2=\"%s\" y2=\"%s\" stroke=\"%s\" stroke-width=\"%s\"/>%n",
                number(line.x1()),
                number(line.y1()),
                number(line.x2()),
                number(line.y2()),
                colour,
                number(line.thickness())));
    }

    @Override
    public void shape(Mark.Shape shape) {
        String paint = shape.isFilled()
                ? "fill=\"" + colour + "\""
                : "fill=\"none\" stroke=\"" + colour + "\" stroke-width=\"" + number(shape.thickness()) + "\"";
        body.append("<path d=\"")
                .append(path(shape.placed()))
                .append("\" ")
                .append(paint)
                .append("/>\n");
    }

    @Override
    public void words(Mark.Words words) {
        words.text()
                .codePoints()
                .forEach(code -> characters
                        .computeIfAbsent(words.face(), face -> new TreeSet<>())
                        .add(code));
        body.append(String.format(
                Locale.ROOT,
                "<text x=\"%s\" y=\"%s\" font-family=\"flourish-%s, sans-serif\" font-size=\"%s\" fill=\"%s\" xml:space=\"preserve\">%s</text>%n",
                number(words.x()),
                number(words.y()),
                STYLES.get(words.face()),
                number(words.size()),
                colour,
                escaped(words.text())));
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
                    .append(Base64.getEncoder().encodeToString(subset(used.getKey(), used.getValue())))
                    .append("'); }\n");
        }
        svg.append("</style>\n");
    }

    private static byte[] subset(Face face, Set<Integer> codes) throws IOException {
        try (InputStream in = Fonts.open(face);
                TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(in.readAllBytes()))) {
            TTFSubsetter subsetter = new TTFSubsetter(font);
            codes.forEach(subsetter::add);
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            subsetter.writeToStream(bytes);
            return bytes.toByteArray();
        }
    }

    static String path(Outline outline) {
        StringBuilder path = new StringBuilder();
        for (Outline.Move move : outline.moves()) {
            path.append("MLQCZ".charAt(move.kind().ordinal()));
            for (int i = 0; i < move.points().size(); i++) {
                path.append(i == 0 ? "" : " ").append(number(move.at(i)));
            }
        }
        return path.toString();
    }

    private static String number(double value) {
        String text = String.format(Locale.ROOT, "%.3f", value);
        return text.replaceAll("\\.?0+$", "").replaceFirst("^-0$", "0");
    }
}
