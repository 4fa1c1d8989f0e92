package wildflourish.desktop.look;

import java.util.List;
import javafx.scene.canvas.Canvas;
import wildflourish.core.engraving.GesturePicture;
import wildflourish.core.engraving.Ink;

/** The small picture of what the fingers do in one ornament at one spot. */
public final class FingersPicture extends Canvas {
    private static final double PIXELS_A_SPACE = 8;
    private static final double HEIGHT_SPACES = 7;

    public FingersPicture(List<GesturePicture.Step> steps, Ink family, Theme theme) {
        super(GesturePicture.width(steps) * PIXELS_A_SPACE, HEIGHT_SPACES * PIXELS_A_SPACE);
        CanvasPainter.paint(getGraphicsContext2D(), GesturePicture.of(steps, family), theme.palette(), PIXELS_A_SPACE);
        setMouseTransparent(true);
    }
}
