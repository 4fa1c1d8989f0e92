package wildflourish.desktop.view;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.application.Platform;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Pane;
import wildflourish.core.engraving.ChartSheet;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.plain.HandFrame;
import wildflourish.desktop.look.CanvasPainter;
import wildflourish.desktop.look.Theme;

/** Every note of an instrument with its fingerings. */
public final class ChartView extends ScrollPane {
    private static final double WIDTH_SPACES = 112;

    private final Executor layouter;
    private final Canvas canvas = new Canvas();
    private Theme theme = Theme.LIGHT;
    private Optional<Wish> wish = Optional.empty();
    private Optional<Page> page = Optional.empty();
    /** Counts what was asked for; only the last is drawn. */
    private int number;

    /**
     * What the chart is to show.
     *
     * @param frames how the fingers lie in the tune that is worked on
     * @param asked a note of which it is shown what it bears
     */
    public record Wish(Instrument instrument, List<HandFrame> frames, Optional<ChartSheet.Asked> asked) {}

    /** With what lays out the chart away from the window's thread. */
    public ChartView(Executor layouter) {
        this.layouter = layouter;
        setId("chart");
        getStyleClass().add("score");
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setFitToWidth(true);
        setFocusTraversable(true);
        Pane paper = new Pane(canvas);
        paper.getStyleClass().add("paper");
        setContent(paper);
        viewportBoundsProperty().addListener((at, before, after) -> {
            if (Math.abs(before.getWidth() - after.getWidth()) > 1) {
                layOut();
            }
        });
    }

    public void setTheme(Theme newTheme) {
        theme = newTheme;
        layOut();
    }

    /** What is drawn; empty as long as it has never been shown. */
    public Optional<Page> page() {
        return page;
    }

    public void show(Wish newWish) {
        wish = Optional.of(newWish);
        layOut();
    }

    private void layOut() {
        double width = getViewportBounds().getWidth();
        if (width < 50 || wish.isEmpty()) {
            return;
        }
        int mine = ++number;
        Wish wanted = wish.get();
        layouter.execute(() -> {
            Page laidOut = ChartSheet.of(
                            wanted.instrument(), Paper.endless(WIDTH_SPACES), wanted.frames(), wanted.asked())
                    .get(0);
            if (Platform.isFxApplicationThread()) {
                draw(mine, wanted, laidOut, width);
            } else {
                Platform.runLater(() -> draw(mine, wanted, laidOut, width));
            }
        });
    }

    private void draw(int mine, Wish drawn, Page laidOut, double width) {
        if (mine != number) {
            return;
        }
        double pixels = width / WIDTH_SPACES;
        canvas.setWidth(width);
        canvas.setHeight(Math.ceil(laidOut.height() * pixels));
        GraphicsContext graphics = canvas.getGraphicsContext2D();
        graphics.clearRect(0, 0, canvas.getWidth(), canvas.getHeight());
        CanvasPainter.paint(graphics, laidOut.drawn(), theme.palette(), pixels);
        page = Optional.of(laidOut);
        setAccessibleText("Chart of the " + drawn.instrument().name());
    }
}
