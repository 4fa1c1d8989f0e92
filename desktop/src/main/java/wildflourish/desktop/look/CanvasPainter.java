package wildflourish.desktop.look;

import java.util.List;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.shape.StrokeLineCap;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Outline;
import wildflourish.core.engraving.Palette;

/** Paints a display list on a JavaFX canvas. */
public final class CanvasPainter implements Mark.Brush {
    private final GraphicsContext graphics;
    private final double scale;

    private CanvasPainter(GraphicsContext graphics, double scale) {
        this.graphics = graphics;
        this.scale = scale;
    }

    /** Paints with {@code pixelsPerSpace} pixels to a staff space; the origin of the list lies at the origin of the canvas. */
    public static void paint(GraphicsContext graphics, List<Drawn> drawn, Palette palette, double pixelsPerSpace) {
        CanvasPainter painter = new CanvasPainter(graphics, pixelsPerSpace);
        graphics.setLineCap(StrokeLineCap.BUTT);
        for (Drawn each : drawn) {
            Color colour = colour(palette.of(each.ink()));
            graphics.setFill(colour);
            graphics.setStroke(colour);
            each.mark().paint(painter);
        }
    }

    public static Color colour(int rgb) {
        return Color.rgb(rgb >> 16 & 0xff, rgb >> 8 & 0xff, rgb & 0xff);
    }

    @Override
    public void glyph(Mark.Glyph glyph) {
        path(glyph.entry().outline(), glyph.x(), glyph.y(), glyph.scale());
        graphics.fill();
    }

    @Override
    public void line(Mark.Line line) {
        double width = line.thickness() * scale;
        if (line.y1() == line.y2()) {
            double whole = Math.max(1, Math.rint(width));
            double y = onPixels(line.y1() * scale, whole);
            graphics.setLineWidth(whole);
            graphics.strokeLine(line.x1() * scale, y, line.x2() * scale, y);
        } else if (line.x1() == line.x2()) {
            double whole = Math.max(1, Math.rint(width));
            double x = onPixels(line.x1() * scale, whole);
            graphics.setLineWidth(whole);
            graphics.strokeLine(x, line.y1() * scale, x, line.y2() * scale);
        } else {
            graphics.setLineWidth(width);
            graphics.strokeLine(line.x1() * scale, line.y1() * scale, line.x2() * scale, line.y2() * scale);
        }
    }

    /** Where the middle of a line lies that covers whole pixels, nearest to where it would lie. */
    private static double onPixels(double middle, double wholeWidth) {
        return wholeWidth % 2 == 0 ? Math.rint(middle) : Math.floor(middle + 1e-6) + 0.5;
    }

    @Override
    public void shape(Mark.Shape shape) {
        path(shape.outline(), shape.x(), shape.y(), 1);
        if (shape.isFilled()) {
            graphics.fill();
        } else {
            graphics.setLineWidth(shape.thickness() * scale);
            graphics.stroke();
        }
    }

    @Override
    public void words(Mark.Words words) {
        graphics.setFont(AppFonts.of(words.face(), words.size() * scale));
        graphics.fillText(words.text(), words.x() * scale, words.y() * scale);
    }

    private void path(Outline outline, double dx, double dy, double size) {
        graphics.beginPath();
        for (Outline.Move move : outline.moves()) {
            switch (move.kind()) {
                case MOVE -> graphics.moveTo(x(move, 0, dx, size), y(move, 1, dy, size));
                case LINE -> graphics.lineTo(x(move, 0, dx, size), y(move, 1, dy, size));
                case QUAD ->
                    graphics.quadraticCurveTo(
                            x(move, 0, dx, size), y(move, 1, dy, size), x(move, 2, dx, size), y(move, 3, dy, size));
                case CUBIC ->
                    graphics.bezierCurveTo(
                            x(move, 0, dx, size),
                            y(move, 1, dy, size),
                            x(move, 2, dx, size),
                            y(move, 3, dy, size),
                            x(move, 4, dx, size),
                            y(move, 5, dy, size));
                case CLOSE -> graphics.closePath();
            }
        }
    }

    private double x(Outline.Move move, int index, double dx, double size) {
        return (move.at(index) * size + dx) * scale;
    }

    private double y(Outline.Move move, int index, double dy, double size) {
        return (move.at(index) * size + dy) * scale;
    }
}
