package wildflourish.desktop.view;

import java.util.List;
import java.util.Locale;
import java.util.function.DoubleUnaryOperator;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import wildflourish.core.engraving.Face;
import wildflourish.core.performance.Lane;
import wildflourish.desktop.look.AppFonts;

/** The air of a box under a spot: a line about the middle, above it what the bellows have gone further in, below it what they have gone further out. */
final class AirLane {
    /** What fills half of the lane, in milliseconds of one reed; more where a passage goes further. */
    private static final double HALF = 400;

    private AirLane() {}

    /** What is said of the air at a point: {@code air 0.8 s in}. */
    static String words(Lane.Air point) {
        double seconds = point.balanceMillis() / 1000;
        return Math.abs(seconds) < 0.05
                ? "level"
                : String.format(Locale.ROOT, "%.1f s %s", Math.abs(seconds), seconds > 0 ? "in" : "out");
    }

    /**
     * Draws the line.
     *
     * @param x where a time in milliseconds lies
     * @param top of the lane, and its height, in pixels
     */
    static void draw(
            GraphicsContext graphics, List<Lane.Air> air, DoubleUnaryOperator x, double top, double height, Color ink) {
        double most = air.stream()
                .mapToDouble(point -> Math.abs(point.balanceMillis()))
                .reduce(HALF, Math::max);
        double middle = top + height / 2;
        double scale = (height / 2 - 2) / most;
        graphics.setStroke(ink.deriveColor(0, 1, 1, 0.35));
        graphics.setLineWidth(1);
        graphics.strokeLine(
                x.applyAsDouble(Double.NEGATIVE_INFINITY), middle, x.applyAsDouble(Double.POSITIVE_INFINITY), middle);
        graphics.setStroke(ink);
        graphics.setLineWidth(2);
        for (int i = 1; i < air.size(); i++) {
            Lane.Air from = air.get(i - 1);
            Lane.Air to = air.get(i);
            graphics.strokeLine(
                    x.applyAsDouble(from.startMillis().toDouble()),
                    middle - from.balanceMillis() * scale,
                    x.applyAsDouble(to.startMillis().toDouble()),
                    middle - to.balanceMillis() * scale);
        }
        Lane.Air last = air.get(air.size() - 1);
        String words = words(last);
        graphics.setFill(ink);
        graphics.setFont(AppFonts.of(Face.BODY, 11));
        double right = x.applyAsDouble(Double.POSITIVE_INFINITY);
        graphics.fillText(
                words, right - Face.BODY.width(words, 11) - 2, last.balanceMillis() > 0 ? top + height : top + 9);
    }
}
