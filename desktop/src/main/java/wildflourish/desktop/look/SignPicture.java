package wildflourish.desktop.look;

import java.util.List;
import java.util.Optional;
import javafx.scene.canvas.Canvas;
import wildflourish.core.engraving.Sign;
import wildflourish.core.engraving.Signs;

/** The small picture of an ornament's signs: common notation where there is one, what the fingers do elsewhere. */
public final class SignPicture extends Canvas {
    private static final double PIXELS_A_SPACE = 13;
    private static final double WIDEST = 3.2;

    private Optional<Shown> shown = Optional.empty();

    private record Shown(List<Sign> signs, Theme theme) {}

    public SignPicture() {
        super(WIDEST * PIXELS_A_SPACE, (Signs.HEIGHT + 0.3) * PIXELS_A_SPACE);
        setMouseTransparent(true);
    }

    /** Paints signs, unless they are painted already; what is wide is made smaller. */
    public void show(List<Sign> signs, Theme theme) {
        Optional<Shown> wanted = Optional.of(new Shown(List.copyOf(signs), theme));
        if (!wanted.equals(shown)) {
            shown = wanted;
            double width = Signs.width(signs) + 0.3;
            double scale = Math.min(1, WIDEST / width);
            double x = (WIDEST / scale - width) / 2 + 0.15;
            double y = (Signs.HEIGHT - 0.05) / scale - (1 / scale - 1) * 0.6;
            getGraphicsContext2D().clearRect(0, 0, getWidth(), getHeight());
            CanvasPainter.paint(
                    getGraphicsContext2D(), Signs.picture(signs, x, y), theme.palette(), PIXELS_A_SPACE * scale);
        }
    }
}
