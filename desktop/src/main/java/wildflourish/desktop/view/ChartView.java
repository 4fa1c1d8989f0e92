package wildflourish.desktop.view;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.scene.Cursor;
import javafx.scene.Group;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;
import javafx.util.Duration;
import wildflourish.core.chart.ChartPage;
import wildflourish.core.chart.ChartSheet;
import wildflourish.core.chart.ChartWish;
import wildflourish.core.chart.PitchZone;
import wildflourish.core.engraving.Box;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.music.FingeredPitch;
import wildflourish.desktop.look.CanvasPainter;
import wildflourish.desktop.look.Theme;

/** The chart of an instrument; its notes can be struck and are lit. The picture of a wind instrument stays in sight and shows the note that is lit. */
public final class ChartView extends BorderPane {
    /** At which its smallest words are as large as those of the window. */
    private static final double PIXELS_A_SPACE = 7;

    /** A heading above a note stays in sight with it. */
    private static final double HEADING_PIXELS = 32;

    private final Executor layouter;
    private final ScrollPane scroll = new ScrollPane();
    private final Canvas picture = new Canvas();
    private final Canvas canvas = new Canvas();
    private final Group lit = new Group();
    /** Who walks through a tune sees the chart of the note on which she rests. */
    private final PauseTransition resting = new PauseTransition(Duration.millis(150));

    private Theme theme = Theme.LIGHT;
    private Optional<Asked> asked = Optional.empty();
    private Optional<ChartWish> drawn = Optional.empty();
    private Optional<ChartPage> shown = Optional.empty();
    private Optional<FingeredPitch> light = Optional.empty();
    /** Counts what was asked for; only the last is drawn. */
    private int number;

    /** A name for it, and what it is to show, worked out beside the window's thread. */
    private record Asked(String name, Supplier<ChartWish> wish) {}

    /** With what lays out the chart away from the window's thread, and who is told which note was struck. */
    public ChartView(Executor layouter, Consumer<FingeredPitch> struck) {
        this.layouter = layouter;
        setId("chart");
        getStyleClass().add("chart");
        setFocusTraversable(true);
        scroll.getStyleClass().add("score");
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setFitToWidth(true);
        scroll.setFocusTraversable(false);
        canvas.setId("chart-notes");
        lit.setMouseTransparent(true);
        Pane paper = new Pane(lit, canvas);
        paper.getStyleClass().add("paper");
        scroll.setContent(paper);
        Pane above = new Pane(picture);
        above.getStyleClass().add("paper");
        setTop(above);
        setCenter(scroll);
        canvas.addEventHandler(MouseEvent.MOUSE_PRESSED, event -> at(event).ifPresent(struck));
        canvas.addEventHandler(
                MouseEvent.MOUSE_MOVED,
                event -> canvas.setCursor(at(event).isPresent() ? Cursor.HAND : Cursor.DEFAULT));
        resting.setOnFinished(event -> layOut());
        scroll.viewportBoundsProperty().addListener((at, before, after) -> {
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
        return shown.map(ChartPage::page);
    }

    /** Shows the chart of an instrument, by its name; what it is to show is worked out beside the window's thread. */
    public void show(String name, Supplier<ChartWish> wish) {
        boolean isOther = asked.filter(each -> each.name().equals(name)).isEmpty();
        asked = Optional.of(new Asked(name, wish));
        if (isOther) {
            layOut();
        } else {
            resting.playFromStart();
        }
    }

    /** Lights a note wherever it stands, or none. */
    public void light(Optional<FingeredPitch> pitch) {
        if (!light.equals(pitch)) {
            light = pitch;
            drawLight();
        }
    }

    /** The note that is lit and stands on the chart. */
    public Optional<FingeredPitch> lit() {
        return lit.getChildren().isEmpty() ? Optional.empty() : light;
    }

    /** Where a note stands first, in pixels of the chart. */
    public Optional<Box> place(FingeredPitch pitch) {
        return shown.flatMap(page -> page.zonesOf(pitch).stream().findFirst()).map(ChartView::pixels);
    }

    private Optional<FingeredPitch> at(MouseEvent event) {
        return shown.flatMap(page -> page.pitchAt(event.getX() / PIXELS_A_SPACE, event.getY() / PIXELS_A_SPACE));
    }

    private static Box pixels(PitchZone zone) {
        Box box = zone.box();
        return new Box(
                box.left() * PIXELS_A_SPACE,
                box.top() * PIXELS_A_SPACE,
                box.right() * PIXELS_A_SPACE,
                box.bottom() * PIXELS_A_SPACE);
    }

    private void drawLight() {
        List<PitchZone> zones = shown.flatMap(page -> light.map(page::zonesOf)).orElse(List.of());
        lit.getChildren().clear();
        for (PitchZone zone : zones) {
            Box box = pixels(zone);
            Rectangle wash = new Rectangle(box.left(), box.top(), box.width(), box.height());
            wash.getStyleClass().add("sounding-note");
            wash.setFill(Color.TRANSPARENT);
            wash.setArcWidth(12);
            wash.setArcHeight(12);
            lit.getChildren().add(wash);
        }
        zones.stream().findFirst().map(ChartView::pixels).ifPresent(this::reveal);
        drawPicture();
    }

    /** The instrument as it is held for the note that is lit, else for the one that is asked about. */
    private void drawPicture() {
        drawn.ifPresent(wish -> {
            Paper paper = Paper.endless(canvas.getWidth() / PIXELS_A_SPACE);
            Page page = ChartSheet.above(light.map(wish::showing).orElse(wish), paper)
                    .page();
            draw(picture, page);
        });
    }

    private void draw(Canvas on, Page page) {
        on.setWidth(page.width() * PIXELS_A_SPACE);
        on.setHeight(Math.ceil(page.height() * PIXELS_A_SPACE));
        GraphicsContext graphics = on.getGraphicsContext2D();
        graphics.clearRect(0, 0, on.getWidth(), on.getHeight());
        CanvasPainter.paint(graphics, page.drawn(), theme.palette(), PIXELS_A_SPACE);
    }

    /** Scrolls no farther than needed. */
    private void reveal(Box box) {
        double view = scroll.getViewportBounds().getHeight();
        double room = canvas.getHeight() - view;
        if (room <= 0) {
            return;
        }
        double top = scroll.getVvalue() * room;
        if (box.top() - HEADING_PIXELS < top) {
            scroll.setVvalue(Math.max(0, (box.top() - HEADING_PIXELS) / room));
        } else if (box.bottom() > top + view) {
            scroll.setVvalue(Math.min(1, (box.bottom() + 8 - view) / room));
        }
    }

    private void layOut() {
        double width = scroll.getViewportBounds().getWidth();
        if (width < 50 || asked.isEmpty()) {
            return;
        }
        int mine = ++number;
        Asked wanted = asked.get();
        layouter.execute(() -> {
            ChartWish wish = wanted.wish.get();
            ChartPage laidOut = ChartSheet.below(wish, Paper.endless(width / PIXELS_A_SPACE));
            if (Platform.isFxApplicationThread()) {
                take(mine, wanted.name, wish, laidOut);
            } else {
                Platform.runLater(() -> take(mine, wanted.name, wish, laidOut));
            }
        });
    }

    private void take(int mine, String name, ChartWish wish, ChartPage laidOut) {
        if (mine != number) {
            return;
        }
        draw(canvas, laidOut.page());
        drawn = Optional.of(wish);
        shown = Optional.of(laidOut);
        setAccessibleText("Chart of the " + name);
        drawLight();
    }
}
