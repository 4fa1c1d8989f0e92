package wildflourish.desktop.look;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Map;

/** Whether the desktop around the window is light or dark, as GTK says: its theme's name, or its settings. Light where nothing says so. */
public final class SystemTheme {
    private SystemTheme() {}

    public static Theme of(Map<String, String> environment, Path home) {
        String name = environment.getOrDefault("GTK_THEME", "").toLowerCase(Locale.ROOT);
        if (!name.isEmpty()) {
            return name.contains("dark") ? Theme.DARK : Theme.LIGHT;
        }
        Path settings = home.resolve(".config").resolve("gtk-3.0").resolve("settings.ini");
        try {
            boolean isDark = Files.readString(settings)
                    .lines()
                    .map(line -> line.replace(" ", "").toLowerCase(Locale.ROOT))
                    .anyMatch(line -> line.matches("gtk-application-prefer-dark-theme=(1|true)")
                            || line.matches("gtk-theme-name=.*dark.*"));
            return isDark ? Theme.DARK : Theme.LIGHT;
        } catch (IOException e) {
            return Theme.LIGHT;
        }
    }
}
