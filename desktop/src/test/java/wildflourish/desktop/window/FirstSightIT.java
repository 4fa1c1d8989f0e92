package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import javafx.scene.Parent;
import javafx.scene.SnapshotParameters;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.scene.paint.Color;
import org.junit.jupiter.api.Test;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.look.Frames;

/** What is seen first does not jump when the controls appear around it. */
class FirstSightIT extends WindowTest {
    private static final int LEFT = 112;
    private static final int RIGHT = 960;
    private static final int TOP = 50;
    private static final int BOTTOM = 330;

    @Test
    void theScoreStandsWhereItStoodAtFirstSight() throws Exception {
        Path folder = own.resolveSibling("other");
        new Preferences(folder).put("welcomed", "true");
        Desk other = new Desk(FlourishApp.freshDemo(folder.resolve("demo.abc")));
        WritableImage first =
                inWindow(() -> picture(new FirstSight(other.sight().get(), new Preferences(folder))));
        WritableImage whole = inWindow(() -> picture(new MainWindow(
                other,
                player,
                new Surroundings(
                        picker, folder, beside -> {}, Runnable::run, Runnable::run, Frames.atOnce(), printer))));
        int dark = 0;
        int differing = 0;
        PixelReader one = first.getPixelReader();
        PixelReader two = whole.getPixelReader();
        for (int y = TOP; y < BOTTOM; y++) {
            for (int x = LEFT; x < RIGHT; x++) {
                boolean isDark = isInk(one.getColor(x, y));
                dark += isDark ? 1 : 0;
                differing += isDark == isInk(two.getColor(x, y)) ? 0 : 1;
            }
        }
        assertThat(dark).isGreaterThan(2000);
        assertThat(differing).as("pixels of ink that moved").isLessThan(dark / 4);
    }

    private static boolean isInk(Color colour) {
        return colour.getBrightness() < 0.4;
    }

    private static WritableImage picture(Parent root) {
        javafx.scene.Scene scene = new javafx.scene.Scene(root, FlourishApp.WIDTH, FlourishApp.HEIGHT);
        scene.getStylesheets().add(FlourishApp.styles());
        root.applyCss();
        root.layout();
        root.applyCss();
        root.layout();
        return root.snapshot(new SnapshotParameters(), null);
    }
}
