package wildflourish.desktop.look;

import java.util.Optional;
import javafx.scene.canvas.Canvas;
import wildflourish.core.engraving.Signs;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Shape;

/** The small picture of an ornament's sign: what the fingers do, part by part. */
public final class SignPicture extends Canvas {
    private static final double PIXELS_A_SPACE = 13;
    private static final double WIDEST = 3.2;

    private Optional<Shown> shown = Optional.empty();

    private record Shown(Ornament ornament, Shape shape, Theme theme) {}

    public SignPicture() {
        super(WIDEST * PIXELS_A_SPACE, (Signs.HEIGHT + 0.3) * PIXELS_A_SPACE);
        setMouseTransparent(true);
    }

    /** Paints a sign, unless it is painted already. */
    public void show(Ornament ornament, Shape shape, Theme theme) {
        Optional<Shown> wanted = Optional.of(new Shown(ornament, shape, theme));
        if (!wanted.equals(shown)) {
            shown = wanted;
            double x = (WIDEST - Signs.width(shape)) / 2;
            getGraphicsContext2D().clearRect(0, 0, getWidth(), getHeight());
            CanvasPainter.paint(
                    getGraphicsContext2D(),
                    Signs.picture(ornament, shape, x, Signs.HEIGHT - 0.05),
                    theme.palette(),
                    PIXELS_A_SPACE);
        }
    }
}
