package wildflourish.bench;

import java.lang.management.ManagementFactory;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.layout.Pane;
import javafx.stage.Stage;
import wildflourish.desktop.look.Styles;

/** An empty window with the theme of the application: what the start of ours is held against. */
public final class EmptyWindow extends Application {
    private static boolean isToLeave;

    public static void main(String[] arguments) {
        isToLeave = arguments.length > 1;
        Application.launch(EmptyWindow.class);
    }

    @Override
    public void start(Stage stage) {
        Styles.base();
        Scene scene = new Scene(new Pane(), 1280, 800);
        stage.setScene(scene);
        scene.addPostLayoutPulseListener(() -> {
            System.out.println(System.currentTimeMillis()
                    - ManagementFactory.getRuntimeMXBean().getStartTime());
            if (isToLeave) {
                Platform.exit();
            } else {
                Runtime.getRuntime().halt(0);
            }
        });
        stage.show();
    }
}
