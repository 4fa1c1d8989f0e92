package wildflourish.desktop.command;

import java.util.List;
import javafx.application.Application;
import wildflourish.desktop.window.FlourishApp;
import wildflourish.desktop.window.WarmUp;

/** The way from the command line into the window. */
final class WindowStart {
    private WindowStart() {}

    static void launch(List<String> parameters) {
        WarmUp.begin();
        Application.launch(FlourishApp.class, parameters.toArray(new String[0]));
    }
}
