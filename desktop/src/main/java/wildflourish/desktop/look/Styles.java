package wildflourish.desktop.look;

import atlantafx.base.theme.PrimerLight;
import java.util.List;
import javafx.application.Application;
import javafx.scene.Scene;

/** The look of all windows: a kept theme as the base, our palette, type and shapes upon it. */
public final class Styles {
    private Styles() {}

    /** The base, once for all windows. */
    public static void base() {
        Application.setUserAgentStylesheet(new PrimerLight().getUserAgentStylesheet());
    }

    /** Makes a window light or dark, with all that opens from it. */
    public static void dress(Scene scene, Theme theme) {
        List<String> sheets = sheets(theme);
        if (!scene.getStylesheets().equals(sheets)) {
            scene.getStylesheets().setAll(sheets);
        }
    }

    /** The style sheets of a theme. */
    public static List<String> sheets(Theme theme) {
        return List.of(sheet(theme.styleClass()), sheet("flourish"));
    }

    private static String sheet(String name) {
        return String.valueOf(Styles.class.getResource("/wildflourish/desktop/" + name + ".css"));
    }
}
