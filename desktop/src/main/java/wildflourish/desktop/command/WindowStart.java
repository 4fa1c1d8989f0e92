package wildflourish.desktop.command;

import java.util.List;
import wildflourish.desktop.window.FlourishApp;

/** The way from the command line into the window. */
final class WindowStart {
    private WindowStart() {}

    /** Returns when the window is closed. Throws UsageException where no window can be opened. */
    static void launch(List<String> parameters) {
        try {
            FlourishApp.begin(parameters.toArray(new String[0]));
        } catch (UnsupportedOperationException e) {
            throw new UsageException("no window can be opened here: " + e.getMessage()
                    + "; start it with ./flourish, which brings up a display");
        }
    }
}
