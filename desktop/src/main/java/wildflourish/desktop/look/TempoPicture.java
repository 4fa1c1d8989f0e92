package wildflourish.desktop.look;

import java.util.Optional;
import javafx.scene.canvas.Canvas;
import wildflourish.core.engraving.Palette;
import wildflourish.core.engraving.TempoSign;
import wildflourish.core.music.Tempo;
import wildflourish.core.words.Words;

/** A tempo as musicians write it: a note sign and how many of it go into a minute. */
public final class TempoPicture extends Canvas {
    private static final double PIXELS_A_SPACE = 5.5;

    private Optional<Shown> shown = Optional.empty();

    private record Shown(Tempo tempo, Theme theme, boolean isOnColour) {}

    public TempoPicture() {
        setMouseTransparent(true);
    }

    /** Paints a tempo, unless it is painted already; on the colour of what is chosen in the ink that stands out from it. */
    public void show(Tempo tempo, Theme theme, boolean isOnColour) {
        Optional<Shown> wanted = Optional.of(new Shown(tempo, theme, isOnColour));
        if (!wanted.equals(shown)) {
            shown = wanted;
            setWidth(Math.ceil(TempoSign.width(tempo) * PIXELS_A_SPACE) + 2);
            setHeight(Math.ceil((TempoSign.HEIGHT + 0.9) * PIXELS_A_SPACE));
            setAccessibleText(Words.tempo(tempo));
            Theme inked = isOnColour ? theme.other() : theme;
            Palette palette = inked.palette();
            getGraphicsContext2D().clearRect(0, 0, getWidth(), getHeight());
            getGraphicsContext2D().save();
            getGraphicsContext2D().translate(1, TempoSign.HEIGHT * PIXELS_A_SPACE);
            CanvasPainter.paint(getGraphicsContext2D(), TempoSign.of(tempo), palette, PIXELS_A_SPACE);
            getGraphicsContext2D().restore();
        }
    }
}
