package wildflourish.desktop.command;

import java.util.List;
import javafx.application.Application;
import wildflourish.desktop.window.FlourishApp;

/** The way from the command line into the window. */
final class WindowStart {
    private WindowStart() {}

    static void launch(List<String> parameters) {
        Thread warmUp = new Thread(FlourishApp::warmUp, "warm-up");
        warmUp.setDaemon(true);
        warmUp.start();
        Application.launch(FlourishApp.class, parameters.toArray(new String[0]));
    }
}
