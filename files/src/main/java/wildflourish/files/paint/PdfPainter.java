package wildflourish.files.paint;

import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Calendar;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.TimeZone;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.util.Matrix;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Face;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Outline;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Palette;

/** Writes pages as PDF: glyphs as filled paths, words as text in embedded fonts, nothing as a picture. */
public final class PdfPainter {
    private static final double POINTS_A_MILLIMETRE = 72 / 25.4;

    private final PDDocument document = new PDDocument();
    private final Map<Face, PDFont> fonts = new EnumMap<>(Face.class);

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
            Calendar fixed = Calendar.getInstance(TimeZone.getTimeZone("UTC"), java.util.Locale.ROOT);
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
            for (Drawn drawn : page.drawn()) {
                Color colour = new Color(Palette.PRINT.of(drawn.ink()));
                content.setNonStrokingColor(colour);
                content.setStrokingColor(colour);
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
                path(glyph.entry().outline().placed(glyph.x(), glyph.y(), glyph.scale()));
                content.fill();
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
                path(shape.placed());
                if (shape.isFilled()) {
                    content.fill();
                } else {
                    content.setLineWidth((float) shape.thickness());
                    content.stroke();
                }
            });
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
            float x = 0;
            float y = 0;
            for (Outline.Move move : outline.moves()) {
                switch (move.kind()) {
                    case MOVE -> content.moveTo(f(move, 0), f(move, 1));
                    case LINE -> content.lineTo(f(move, 0), f(move, 1));
                    case QUAD -> quad(x, y, move);
                    case CUBIC ->
                        content.curveTo(f(move, 0), f(move, 1), f(move, 2), f(move, 3), f(move, 4), f(move, 5));
                    case CLOSE -> content.closePath();
                }
                if (move.kind().count() > 0) {
                    x = f(move, move.kind().count() - 2);
                    y = f(move, move.kind().count() - 1);
                }
            }
        }

        /** A curve with one control point, as the one with two that is the same. */
        private void quad(float x, float y, Outline.Move move) throws IOException {
            float cx = f(move, 0);
            float cy = f(move, 1);
            float endX = f(move, 2);
            float endY = f(move, 3);
            content.curveTo(
                    x + (cx - x) * 2 / 3,
                    y + (cy - y) * 2 / 3,
                    endX + (cx - endX) * 2 / 3,
                    endY + (cy - endY) * 2 / 3,
                    endX,
                    endY);
        }

        private float f(Outline.Move move, int index) {
            return (float) move.at(index);
        }
    }
}
