package wildflourish.files.paint;

import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Calendar;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TimeZone;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.PDFormContentStream;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.util.Matrix;
import wildflourish.core.engraving.Box;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Face;
import wildflourish.core.engraving.GlyphFont;
import wildflourish.core.engraving.Ink;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Outline;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Palette;

/** Writes pages as PDF: glyphs as filled paths, words as text in embedded fonts, nothing as a picture. */
public final class PdfPainter {
    /** A shape of so many moves is told once in a document. */
    private static final int LONG = 5;

    private static final double POINTS_A_MILLIMETRE = 72 / 25.4;

    private final PDDocument document = new PDDocument();
    private final Map<Face, PDFont> fonts = new EnumMap<>(Face.class);
    private final Map<String, PDFormXObject> glyphs = new HashMap<>();

    private PdfPainter() {}

    /** PDF bytes; a staff space is {@code millimetresPerSpace} wide. */
    public static byte[] paint(List<Page> pages, String title, double millimetresPerSpace) throws IOException {
        PdfPainter painter = new PdfPainter();
        try (PDDocument document = painter.document) {
            for (Page page : pages) {
                painter.add(page, millimetresPerSpace * POINTS_A_MILLIMETRE);
            }
            PDDocumentInformation about = new PDDocumentInformation();
            about.setTitle(title);
            about.setCreator("Wild Flourish");
            Calendar fixed = Calendar.getInstance(TimeZone.getTimeZone("UTC"), Locale.ROOT);
            fixed.setTimeInMillis(0);
            about.setCreationDate(fixed);
            document.setDocumentInformation(about);
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            document.save(bytes);
            return bytes.toByteArray();
        }
    }

    private void add(Page page, double pointsPerSpace) throws IOException {
        PDPage pdf = new PDPage(
                new PDRectangle((float) (page.width() * pointsPerSpace), (float) (page.height() * pointsPerSpace)));
        document.addPage(pdf);
        try (PDPageContentStream content = new PDPageContentStream(document, pdf)) {
            content.transform(new Matrix((float) pointsPerSpace, 0, 0, (float) -pointsPerSpace, 0, (float)
                    (page.height() * pointsPerSpace)));
            Stream stream = new Stream(content);
            Optional<Ink> ink = Optional.empty();
            for (Drawn drawn : page.drawn()) {
                if (ink.filter(drawn.ink()::equals).isEmpty()) {
                    Color colour = new Color(Palette.PRINT.of(drawn.ink()));
                    content.setNonStrokingColor(colour);
                    content.setStrokingColor(colour);
                    ink = Optional.of(drawn.ink());
                }
                drawn.mark().paint(stream);
            }
        } catch (UncheckedIOException e) {
            throw new IOException("the page cannot be written as PDF", e);
        }
    }

    private PDFont font(Face face) throws IOException {
        PDFont font = fonts.get(face);
        if (font == null) {
            try (InputStream in = Fonts.open(face)) {
                font = PDType0Font.load(document, in, true);
            }
            fonts.put(face, font);
        }
        return font;
    }

    /** The outline of a glyph, once in the document however often it is drawn; it is filled in the colour that is set where it is drawn. */
    private PDFormXObject form(GlyphFont.Entry glyph) throws IOException {
        PDFormXObject known = glyphs.get(glyph.name());
        if (known != null) {
            return known;
        }
        PDFormXObject form = new PDFormXObject(document);
        Box box = glyph.box();
        form.setBBox(new PDRectangle((float) box.left(), (float) box.top(), (float) box.width(), (float) box.height()));
        try (PDFormContentStream content = new PDFormContentStream(form)) {
            trace(Pen.of(content), glyph.outline());
            content.fill();
        }
        glyphs.put(glyph.name(), form);
        return form;
    }

    /** A shape that is long to tell, such as a circle, told once in the document from its first point on. */
    private PDFormXObject form(Outline outline, Mark.Shape shape) throws IOException {
        String key = SvgPainter.path(outline) + (shape.isFilled() ? "" : " " + shape.thickness());
        PDFormXObject known = glyphs.get(key);
        if (known != null) {
            return known;
        }
        PDFormXObject form = new PDFormXObject(document);
        Box box = new Mark.Shape(outline, shape.thickness()).box();
        float edge = (float) shape.thickness();
        form.setBBox(new PDRectangle(
                (float) box.left() - edge,
                (float) box.top() - edge,
                (float) box.width() + 2 * edge,
                (float) box.height() + 2 * edge));
        try (PDFormContentStream content = new PDFormContentStream(form)) {
            trace(Pen.of(content), outline);
            if (shape.isFilled()) {
                content.fill();
            } else {
                content.setLineWidth(edge);
                content.stroke();
            }
        }
        glyphs.put(key, form);
        return form;
    }

    private static void finish(PDPageContentStream content, Mark.Shape shape) throws IOException {
        if (shape.isFilled()) {
            content.fill();
        } else {
            content.setLineWidth((float) shape.thickness());
            content.stroke();
        }
    }

    /** One step of drawing, which may fail to write. */
    private interface Step {
        void run() throws IOException;
    }

    private static void written(Step step) {
        try {
            step.run();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The brush for one page. */
    private final class Stream implements Mark.Brush {
        private final PDPageContentStream content;

        Stream(PDPageContentStream content) {
            this.content = content;
        }

        @Override
        public void glyph(Mark.Glyph glyph) {
            written(() -> {
                draw(form(glyph.entry()), glyph.x(), glyph.y(), glyph.scale());
            });
        }

        @Override
        public void line(Mark.Line line) {
            written(() -> {
                content.setLineWidth((float) line.thickness());
                content.moveTo((float) line.x1(), (float) line.y1());
                content.lineTo((float) line.x2(), (float) line.y2());
                content.stroke();
            });
        }

        @Override
        public void shape(Mark.Shape shape) {
            written(() -> {
                Outline placed = shape.placed();
                if (placed.moves().size() < LONG) {
                    path(placed);
                    finish(content, shape);
                } else {
                    float x = f(placed.moves().get(0), 0);
                    float y = f(placed.moves().get(0), 1);
                    draw(form(placed.placed(-x, -y, 1), shape), x, y, 1);
                }
            });
        }

        private void draw(PDFormXObject form, double x, double y, double scale) throws IOException {
            content.saveGraphicsState();
            content.transform(new Matrix((float) scale, 0, 0, (float) scale, (float) x, (float) y));
            content.drawForm(form);
            content.restoreGraphicsState();
        }

        @Override
        public void words(Mark.Words words) {
            written(() -> {
                content.beginText();
                content.setFont(font(words.face()), (float) words.size());
                content.setTextMatrix(new Matrix(1, 0, 0, -1, (float) words.x(), (float) words.y()));
                content.showText(words.text());
                content.endText();
            });
        }

        private void path(Outline outline) throws IOException {
            trace(Pen.of(content), outline);
        }
    }

    /** To a point. */
    private interface ToPoint {
        void go(float x, float y) throws IOException;
    }

    /** Along a curve with two control points. */
    private interface AlongCurve {
        void go(float x1, float y1, float x2, float y2, float x3, float y3) throws IOException;
    }

    /** What an outline is traced with: the page, or a form of its own. */
    private record Pen(ToPoint move, ToPoint line, AlongCurve curve, Step close) {
        static Pen of(PDPageContentStream content) {
            return new Pen(content::moveTo, content::lineTo, content::curveTo, content::closePath);
        }

        static Pen of(PDFormContentStream content) {
            return new Pen(content::moveTo, content::lineTo, content::curveTo, content::closePath);
        }
    }

    private static void trace(Pen pen, Outline outline) throws IOException {
        float x = 0;
        float y = 0;
        for (Outline.Move move : outline.moves()) {
            switch (move.kind()) {
                case MOVE -> pen.move().go(f(move, 0), f(move, 1));
                case LINE -> pen.line().go(f(move, 0), f(move, 1));
                case QUAD -> quad(pen, x, y, move);
                case CUBIC -> pen.curve().go(f(move, 0), f(move, 1), f(move, 2), f(move, 3), f(move, 4), f(move, 5));
                case CLOSE -> pen.close().run();
            }
            if (move.kind().count() > 0) {
                x = f(move, move.kind().count() - 2);
                y = f(move, move.kind().count() - 1);
            }
        }
    }

    /** A curve with one control point, as the one with two that is the same. */
    private static void quad(Pen pen, float x, float y, Outline.Move move) throws IOException {
        float cx = f(move, 0);
        float cy = f(move, 1);
        float endX = f(move, 2);
        float endY = f(move, 3);
        pen.curve()
                .go(
                        x + (cx - x) * 2 / 3,
                        y + (cy - y) * 2 / 3,
                        endX + (cx - endX) * 2 / 3,
                        endY + (cy - endY) * 2 / 3,
                        endX,
                        endY);
    }

    private static float f(Outline.Move move, int index) {
        return (float) move.at(index);
    }
}
