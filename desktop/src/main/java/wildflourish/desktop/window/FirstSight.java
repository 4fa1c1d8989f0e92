package wildflourish.desktop.window;

import javafx.scene.canvas.Canvas;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Score;
import wildflourish.desktop.bench.ScoreView;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.CanvasPainter;
import wildflourish.desktop.look.Theme;

/** What is seen while the controls are still being made: the score where it will stand, the panels around it still empty. */
final class FirstSight extends BorderPane {
    private static final double BAR_HEIGHT = 44;
    private static final double FOOT_HEIGHT = 69;
    private static final double STEM_WIDTH = 108;
    private static final double FITS_WIDTH = 306;
    /** Of the score at its usual size. */
    static final double WIDTH_SPACES = ScoreView.WIDTH_SPACES;

    FirstSight(Sight sight, Preferences preferences) {
        Theme theme = preferences.theme();
        getStyleClass().addAll("window", theme.styleClass());
        setTop(panel("bar-ground", 0, BAR_HEIGHT));
        setBottom(panel("sound-bar", 0, FOOT_HEIGHT));
        setLeft(panel("growth-stem", STEM_WIDTH, 0));
        setRight(panel("fits", FITS_WIDTH, 0));
        double width = FlourishApp.WIDTH - STEM_WIDTH - FITS_WIDTH - 2 * ScoreView.BORDER;
        double widthSpaces = WIDTH_SPACES / preferences.zoom();
        double pixelsPerSpace = width / widthSpaces;
        Canvas canvas = new Canvas(width, FlourishApp.HEIGHT - BAR_HEIGHT - FOOT_HEIGHT);
        canvas.relocate(ScoreView.BORDER, ScoreView.BORDER);
        sight.tune().ifPresent(tune -> {
            Score score = new Score(tune, sight.version(), preferences.shows());
            Page page = WarmUp.page(score, widthSpaces);
            CanvasPainter.paint(canvas.getGraphicsContext2D(), page.drawn(), theme.palette(), pixelsPerSpace);
        });
        Pane paper = new Pane(canvas);
        paper.getStyleClass().add("paper");
        setCenter(paper);
    }

    private static Region panel(String styleClass, double width, double height) {
        Region panel = new Region();
        panel.getStyleClass().add(styleClass);
        panel.setPrefSize(width, height);
        panel.setMinHeight(height);
        return panel;
    }
}
