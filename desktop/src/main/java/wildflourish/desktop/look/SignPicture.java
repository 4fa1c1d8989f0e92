package wildflourish.desktop.look;

import javafx.scene.canvas.Canvas;
import wildflourish.core.engraving.Signs;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Shape;

/** The small picture of an ornament's sign: what the fingers do, part by part. */
public final class SignPicture extends Canvas {
    private static final double PIXELS_A_SPACE = 13;
    private static final double WIDEST = 3.2;

    public SignPicture(Ornament ornament, Shape shape, Theme theme) {
        super(WIDEST * PIXELS_A_SPACE, (Signs.HEIGHT + 0.3) * PIXELS_A_SPACE);
        double x = (WIDEST - Signs.width(shape)) / 2;
        CanvasPainter.paint(
                getGraphicsContext2D(),
                Signs.picture(ornament, shape, x, Signs.HEIGHT - 0.05),
                theme.palette(),
                PIXELS_A_SPACE);
        setMouseTransparent(true);
    }
}
