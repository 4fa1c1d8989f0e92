package wildflourish.desktop.plain;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Pane;
import javafx.scene.layout.VBox;
import wildflourish.core.engraving.ChartSheet;
import wildflourish.core.engraving.Handout;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.plain.HandFrame;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.CanvasPainter;
import wildflourish.desktop.look.Theme;

/** Every note of the chosen instrument with its fingerings, in place of the score. */
public final class ChartView extends ScrollPane {
    private static final double WIDTH_SPACES = 112;

    private final Desk desk;
    private final Executor layouter;
    private final Canvas canvas = new Canvas();
    private Theme theme = Theme.LIGHT;
    private Optional<Page> page = Optional.empty();
    /** Counts what was asked for; only the last is drawn. */
    private int asked;

    /** Takes the instrument that the teacher has told the buttons of, and what lays out the chart away from the window's thread. */
    public ChartView(Desk desk, Consumer<Instrument> chosen, Executor layouter) {
        this.desk = desk;
        this.layouter = layouter;
        setId("chart");
        getStyleClass().add("score");
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setFitToWidth(true);
        setFocusTraversable(true);
        Pane paper = new Pane(canvas);
        paper.getStyleClass().add("paper");
        VBox all = new VBox(new ButtonRow(desk, chosen), paper);
        all.getStyleClass().add("chart-page");
        setContent(all);
        viewportBoundsProperty().addListener((at, before, after) -> {
            if (Math.abs(before.getWidth() - after.getWidth()) > 1) {
                draw();
            }
        });
        visibleProperty().addListener((at, before, isVisible) -> draw());
        desk.sight().addListener((at, before, after) -> {
            boolean isSame = before.chosen().instrument().equals(after.chosen().instrument())
                    && before.tune().equals(after.tune())
                    && asked(before).equals(asked(after))
                    && before.version()
                            .map(Version::playing)
                            .equals(after.version().map(Version::playing));
            if (!isSame) {
                draw();
            }
        });
    }

    public void setTheme(Theme newTheme) {
        theme = newTheme;
        draw();
    }

    /** What is drawn; empty as long as it has never been shown. */
    public Optional<Page> page() {
        return page;
    }

    /** How the fingers lie in the tune that is worked on. */
    public static List<HandFrame> frames(Sight sight) {
        return sight.tune()
                .flatMap(tune -> sight.version().map(version -> Handout.frames(tune, version)))
                .orElse(List.of());
    }

    /** On buttons the chosen note, of which it is shown what it bears. */
    public static Optional<ChartSheet.Asked> asked(Sight sight) {
        Optional<Tune> tune = sight.tune();
        Optional<Note> note = tune.flatMap(each -> sight.note().map(each::note));
        boolean isThere = sight.chosen().instrument().buttons().isPresent()
                && note.filter(each ->
                                !each.isRest() && sight.chosen().instrument().has(each.melody()))
                        .isPresent();
        return isThere
                ? sight.version()
                        .filter(version -> version.playing()
                                .instrument()
                                .equals(sight.chosen().instrument()))
                        .map(version -> new ChartSheet.Asked(
                                version.playing(),
                                tune.orElseThrow()
                                        .keyAt(tune.get()
                                                .placeOf(note.orElseThrow().id())
                                                .bar()),
                                note.get().melody()))
                : Optional.empty();
    }

    private void draw() {
        double width = getViewportBounds().getWidth();
        if (width < 50 || !isVisible()) {
            return;
        }
        int number = ++asked;
        Sight sight = desk.sight().get();
        layouter.execute(() -> {
            Page laidOut = ChartSheet.of(
                            sight.chosen().instrument(), Paper.endless(WIDTH_SPACES), frames(sight), asked(sight))
                    .get(0);
            if (Platform.isFxApplicationThread()) {
                draw(number, laidOut, width);
            } else {
                Platform.runLater(() -> draw(number, laidOut, width));
            }
        });
    }

    private void draw(int number, Page laidOut, double width) {
        if (number != asked) {
            return;
        }
        double pixels = width / WIDTH_SPACES;
        canvas.setWidth(width);
        canvas.setHeight(Math.ceil(laidOut.height() * pixels));
        GraphicsContext graphics = canvas.getGraphicsContext2D();
        graphics.clearRect(0, 0, canvas.getWidth(), canvas.getHeight());
        CanvasPainter.paint(graphics, laidOut.drawn(), theme.palette(), pixels);
        page = Optional.of(laidOut);
        setAccessibleText(
                "Chart of the " + desk.sight().get().chosen().instrument().name());
    }
}
