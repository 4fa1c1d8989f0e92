package wildflourish.files.paint;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Line2D;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.EnumMap;
import java.util.Map;
import javax.imageio.ImageIO;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Face;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Outline;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Palette;

/** Paints a page as a PNG picture. */
public final class PngPainter implements Mark.Brush {
    private static final Map<Face, Font> FONTS = loadFonts();

    private final Graphics2D graphics;

    private PngPainter(Graphics2D graphics) {
        this.graphics = graphics;
    }

    private static Map<Face, Font> loadFonts() {
        Map<Face, Font> fonts = new EnumMap<>(Face.class);
        for (Face face : Face.values()) {
            try (InputStream in = Fonts.open(face)) {
                fonts.put(face, Font.createFont(Font.TRUETYPE_FONT, in));
            } catch (IOException | FontFormatException e) {
                throw new IllegalStateException("the font " + face.fontName() + " cannot be read", e);
            }
        }
        return fonts;
    }

    /** PNG bytes; {@code pixelsPerSpace} pixels for each staff space. */
    public static byte[] paint(Page page, Palette palette, double pixelsPerSpace) throws IOException {
        int width = (int) Math.ceil(page.width() * pixelsPerSpace);
        int height = (int) Math.ceil(page.height() * pixelsPerSpace);
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = image.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_FRACTIONALMETRICS, RenderingHints.VALUE_FRACTIONALMETRICS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        graphics.setColor(new Color(palette.paper()));
        graphics.fillRect(0, 0, width, height);
        graphics.scale(pixelsPerSpace, pixelsPerSpace);
        PngPainter painter = new PngPainter(graphics);
        for (Drawn drawn : page.drawn()) {
            graphics.setColor(new Color(palette.of(drawn.ink())));
            drawn.mark().paint(painter);
        }
        graphics.dispose();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(image, "png", bytes);
        return bytes.toByteArray();
    }

    @Override
    public void glyph(Mark.Glyph glyph) {
        graphics.fill(path(glyph.entry().outline().placed(glyph.x(), glyph.y(), glyph.scale())));
    }

    @Override
    public void line(Mark.Line line) {
        stroke(line.thickness());
        graphics.draw(new Line2D.Double(line.x1(), line.y1(), line.x2(), line.y2()));
    }

    @Override
    public void shape(Mark.Shape shape) {
        if (shape.isFilled()) {
            graphics.fill(path(shape.placed()));
        } else {
            stroke(shape.thickness());
            graphics.draw(path(shape.placed()));
        }
    }

    @Override
    public void words(Mark.Words words) {
        Font font = FONTS.get(words.face());
        if (font != null) {
            graphics.setFont(font.deriveFont((float) words.size()));
            graphics.drawString(words.text(), (float) words.x(), (float) words.y());
        }
    }

    private void stroke(double thickness) {
        graphics.setStroke(new BasicStroke((float) thickness, BasicStroke.CAP_BUTT, BasicStroke.JOIN_ROUND));
    }

    static Path2D path(Outline outline) {
        Path2D path = new Path2D.Double(Path2D.WIND_NON_ZERO);
        for (Outline.Move move : outline.moves()) {
            switch (move.kind()) {
                case MOVE -> path.moveTo(move.at(0), move.at(1));
                case LINE -> path.lineTo(move.at(0), move.at(1));
                case QUAD -> path.quadTo(move.at(0), move.at(1), move.at(2), move.at(3));
                case CUBIC -> path.curveTo(move.at(0), move.at(1), move.at(2), move.at(3), move.at(4), move.at(5));
                case CLOSE -> path.closePath();
            }
        }
        return path;
    }
}
