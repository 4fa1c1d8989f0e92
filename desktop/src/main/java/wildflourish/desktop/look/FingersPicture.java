package wildflourish.desktop.look;

import java.util.List;
import java.util.Optional;
import javafx.scene.canvas.Canvas;
import wildflourish.core.engraving.GesturePicture;
import wildflourish.core.engraving.Ink;

/** The small picture of what the fingers do in one ornament at one spot. */
public final class FingersPicture extends Canvas {
    private static final double PIXELS_A_SPACE = 8;
    private static final double TALLEST_PIXELS = 64;

    private Optional<Shown> shown = Optional.empty();

    private record Shown(List<GesturePicture.Step> steps, Ink family, Theme theme) {}

    public FingersPicture() {
        setMouseTransparent(true);
    }

    /** Paints what the fingers do, as wide as it takes, unless it is painted already. */
    public void show(List<GesturePicture.Step> steps, Ink family, Theme theme) {
        Optional<Shown> wanted = Optional.of(new Shown(steps, family, theme));
        if (!wanted.equals(shown)) {
            shown = wanted;
            double spaces = GesturePicture.height(steps);
            double pixels = Math.min(PIXELS_A_SPACE, TALLEST_PIXELS / spaces);
            setWidth(GesturePicture.width(steps) * pixels);
            setHeight(spaces * pixels);
            getGraphicsContext2D().clearRect(0, 0, getWidth(), getHeight());
            CanvasPainter.paint(getGraphicsContext2D(), GesturePicture.of(steps, family), theme.palette(), pixels);
        }
    }
}
