package wildflourish.desktop.look;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.engraving.Ink;
import wildflourish.core.engraving.Palette;

/** Source: W3C, Web Content Accessibility Guidelines 2.1, relative luminance and contrast ratio; 4.5 for text (1.4.3), 3 for graphics (1.4.11). */
class ContrastTest {
    private static double luminance(int rgb) {
        double[] parts = new double[3];
        for (int i = 0; i < 3; i++) {
            double value = (rgb >> (16 - 8 * i) & 0xff) / 255.0;
            parts[i] = value <= 0.03928 ? value / 12.92 : Math.pow((value + 0.055) / 1.055, 2.4);
        }
        return 0.2126 * parts[0] + 0.7152 * parts[1] + 0.0722 * parts[2];
    }

    private static double contrast(int one, int other) {
        double a = luminance(one);
        double b = luminance(other);
        return (Math.max(a, b) + 0.05) / (Math.min(a, b) + 0.05);
    }

    @Test
    void blackOnWhiteIsTwentyOne() {
        assertThat(contrast(0x000000, 0xFFFFFF)).isCloseTo(21, org.assertj.core.api.Assertions.within(0.001));
    }

    @Test
    void everyInkOfTheScoreStandsOutFromItsPaper() {
        for (Palette palette : List.of(Palette.LIGHT, Palette.DARK, Palette.PRINT)) {
            for (Ink wash : List.of(Ink.NEW, Ink.CHANGED)) {
                assertThat(contrast(palette.of(Ink.NOTES), palette.of(wash)))
                        .as("notes on " + wash)
                        .isGreaterThanOrEqualTo(7);
                assertThat(contrast(palette.of(Ink.SINGLE), palette.of(wash)))
                        .as("signs on " + wash)
                        .isGreaterThanOrEqualTo(3);
            }
            for (Ink ink : EnumSet.complementOf(EnumSet.of(Ink.NEW, Ink.CHANGED))) {
                double least = ink == Ink.STAFF ? 3 : 4.5;
                assertThat(contrast(palette.of(ink), palette.paper()))
                        .as(ink + " on " + Integer.toHexString(palette.paper()))
                        .isGreaterThanOrEqualTo(least);
            }
        }
    }

    private static Map<String, Integer> colours(String theme) throws IOException {
        try (var in = ContrastTest.class.getResourceAsStream("/wildflourish/desktop/" + theme + ".css")) {
            String css = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            int start = css.indexOf(".root {");
            Matcher colour = Pattern.compile("-([a-z-]+): #([0-9a-f]{6});")
                    .matcher(css.substring(start, css.indexOf('}', start)));
            Map<String, Integer> colours = new HashMap<>();
            while (colour.find()) {
                colours.put(colour.group(1), Integer.parseInt(colour.group(2), 16));
            }
            return colours;
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"light", "dark"})
    void everyTextOfTheWindowStandsOutFromWhatItLiesOn(String theme) throws IOException {
        Map<String, Integer> colours = colours(theme);
        assertThat(colours).hasSizeGreaterThan(10);
        for (String text : List.of("ink", "quiet", "warn", "heather")) {
            for (String ground : List.of("paper", "panel", "bar")) {
                assertThat(contrast(colours.get(text), colours.get(ground)))
                        .as(theme + ": " + text + " on " + ground)
                        .isGreaterThanOrEqualTo(4.5);
            }
        }
        for (String ground : List.of("paper", "panel", "bar")) {
            assertThat(contrast(colours.get("line"), colours.get(ground)))
                    .as(theme + ": the edge of a button on " + ground)
                    .isGreaterThanOrEqualTo(3);
            assertThat(contrast(colours.get("leaf"), colours.get(ground))).isGreaterThanOrEqualTo(3);
        }
        assertThat(contrast(colours.get("on-leaf"), colours.get("leaf"))).isGreaterThanOrEqualTo(4.5);
        assertThat(contrast(colours.get("ink"), colours.get("hover"))).isGreaterThanOrEqualTo(4.5);
        assertThat(contrast(colours.get("quiet"), colours.get("hover"))).isGreaterThanOrEqualTo(4.5);
        assertThat(contrast(colours.get("ink"), colours.get("notice"))).isGreaterThanOrEqualTo(4.5);
    }

    @TempDir
    private Path home;

    @ParameterizedTest
    @CsvSource({"Adwaita:dark, DARK", "Adwaita, LIGHT", "Yaru-dark, DARK"})
    void theSystemsThemeIsFollowed(String name, Theme theme) {
        assertThat(SystemTheme.of(Map.of("GTK_THEME", name), home)).isEqualTo(theme);
    }

    @ParameterizedTest
    @CsvSource({
        "gtk-application-prefer-dark-theme=1, DARK",
        "gtk-application-prefer-dark-theme = 0, LIGHT",
        "gtk-theme-name=Yaru-dark, DARK"
    })
    void theSystemsSettingsAreFollowed(String line, Theme theme) throws IOException {
        assertThat(SystemTheme.of(Map.of(), home)).isEqualTo(Theme.LIGHT);
        Path folder = Files.createDirectories(home.resolve(".config/gtk-3.0"));
        Files.writeString(folder.resolve("settings.ini"), "[Settings]\n" + line + "\n");
        assertThat(SystemTheme.of(Map.of(), home)).isEqualTo(theme);
    }
}
