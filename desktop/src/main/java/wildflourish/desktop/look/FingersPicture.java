package wildflourish.desktop.look;

import java.util.List;
import java.util.Optional;
import javafx.scene.canvas.Canvas;
import wildflourish.core.engraving.GesturePicture;
import wildflourish.core.engraving.Ink;

/** The small picture of what the fingers do in one ornament at one spot. */
public final class FingersPicture extends Canvas {
    private static final double PIXELS_A_SPACE = 8;
    private static final double HEIGHT_SPACES = 7;

    private Optional<Shown> shown = Optional.empty();

    private record Shown(List<GesturePicture.Step> steps, Ink family, Theme theme) {}

    public FingersPicture() {
        super(0, HEIGHT_SPACES * PIXELS_A_SPACE);
        setMouseTransparent(true);
    }

    /** Paints what the fingers do, as wide as it takes, unless it is painted already. */
    public void show(List<GesturePicture.Step> steps, Ink family, Theme theme) {
        Optional<Shown> wanted = Optional.of(new Shown(steps, family, theme));
        if (!wanted.equals(shown)) {
            shown = wanted;
            setWidth(GesturePicture.width(steps) * PIXELS_A_SPACE);
            getGraphicsContext2D().clearRect(0, 0, getWidth(), getHeight());
            CanvasPainter.paint(
                    getGraphicsContext2D(), GesturePicture.of(steps, family), theme.palette(), PIXELS_A_SPACE);
        }
    }
}
