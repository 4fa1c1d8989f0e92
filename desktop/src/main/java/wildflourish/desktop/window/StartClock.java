package wildflourish.desktop.window;

import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.layout.Pane;
import javafx.stage.Stage;

/** Ends the process as soon as the first window is there, for {@code ./flourish bench start} to measure; by itself an empty window. */
public final class StartClock extends Application {
    private static final String ASKED = System.getProperty("wildflourish.start-clock", "");

    /** Where it is asked for, leaves once a scene, at first sight or with its controls, has been laid out for the first time and handed to the painter. */
    static void watch(String what, Scene scene) {
        if (ASKED.equals(what)) {
            scene.addPostLayoutPulseListener(
                    () -> Platform.runLater(() -> Runtime.getRuntime().halt(0)));
        }
    }

    /** Where it is asked for, leaves the application as a user does. */
    static void leave(String what) {
        if (ASKED.equals(what)) {
            Platform.exit();
        }
    }

    @Override
    public void start(Stage stage) {
        Scene scene = new Scene(new Pane(), FlourishApp.WIDTH, FlourishApp.HEIGHT);
        stage.setScene(scene);
        watch("sight", scene);
        stage.show();
        if (getParameters().getRaw().contains("leave")) {
            Platform.runLater(Platform::exit);
        }
    }

    public static void main(String[] arguments) {
        launch(arguments);
    }
}
