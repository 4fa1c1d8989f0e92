package wildflourish.desktop.view;

import java.util.Optional;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import wildflourish.core.engraving.Face;
import wildflourish.core.engraving.Ink;
import wildflourish.desktop.look.AppFonts;
import wildflourish.desktop.look.CanvasPainter;
import wildflourish.desktop.look.Theme;

/** A spot in milliseconds, with the place looked at and the place heard. */
public final class CloseUpView extends Pane {
    private static final double LEAST_HEIGHT = 200;

    private final Canvas canvas = new Canvas();
    private Theme theme = Theme.LIGHT;
    private Optional<CloseUp> shown = Optional.empty();
    private Optional<Double> scrubbed = Optional.empty();
    private Optional<Double> heard = Optional.empty();

    public CloseUpView() {
        setId("close-up");
        getStyleClass().add("close-up");
        setMinHeight(LEAST_HEIGHT);
        getChildren().add(canvas);
        canvas.widthProperty().bind(widthProperty());
        canvas.heightProperty().bind(heightProperty());
        canvas.widthProperty().addListener((at, before, after) -> draw());
        canvas.heightProperty().addListener((at, before, after) -> draw());
        canvas.addEventHandler(MouseEvent.MOUSE_PRESSED, this::scrub);
        canvas.addEventHandler(MouseEvent.MOUSE_DRAGGED, this::scrub);
    }

    public void setTheme(Theme newTheme) {
        theme = newTheme;
        draw();
    }

    /** Shows a spot, or that there is none. */
    public void show(Optional<CloseUp> spot) {
        shown = spot;
        scrubbed = Optional.empty();
        setAccessibleText(spot.map(CloseUp::title).orElse("Close-up: choose a note"));
        draw();
    }

    /** What is shown. */
    public Optional<CloseUp> shown() {
        return shown;
    }

    /** Draws the place that is heard, in milliseconds of the realisation; none when nothing plays. */
    public void setHeard(Optional<Double> millis) {
        if (!millis.equals(heard)) {
            heard = millis;
            draw();
        }
    }

    /** Moves the place looked at by milliseconds; from the beginning of the spot where none is looked at yet. */
    public void scrubBy(double millis) {
        shown.ifPresent(spot -> {
            double from = scrubbed.orElse(spot.spot().startMillis().toDouble());
            scrubbed = Optional.of(Math.max(
                    spot.window().startMillis().toDouble(),
                    Math.min(spot.window().endMillis().toDouble(), from + millis)));
            draw();
        });
    }

    /** The place looked at, in milliseconds of the realisation. */
    public Optional<Double> scrubbed() {
        return scrubbed;
    }

    private void scrub(MouseEvent event) {
        shown.ifPresent(spot -> {
            scrubbed = Optional.of(new CloseUpPainter(canvas, theme, spot).millisAt(event.getX()));
            draw();
        });
        event.consume();
    }

    private void draw() {
        GraphicsContext graphics = canvas.getGraphicsContext2D();
        graphics.setFill(CanvasPainter.colour(theme.palette().paper()));
        graphics.fillRect(0, 0, canvas.getWidth(), canvas.getHeight());
        if (shown.isPresent()) {
            new CloseUpPainter(canvas, theme, shown.get()).draw(scrubbed, heard);
        } else {
            graphics.setFill(CanvasPainter.colour(theme.palette().of(Ink.WORDS)));
            graphics.setFont(AppFonts.of(Face.BOLD, 13));
            graphics.fillText("Close-up: choose a note that sounds.", 14, 22);
        }
    }
}
