package wildflourish.desktop.look;

import java.io.IOException;
import java.io.InputStream;
import java.util.EnumMap;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import javafx.scene.text.Font;
import wildflourish.core.engraving.Face;
import wildflourish.files.paint.Fonts;

/** The text faces that ship with the application, as JavaFX fonts. */
public final class AppFonts {
    private static final Map<Face, String> NAMES = new EnumMap<>(Face.class);
    private static final Map<String, Font> MADE = new ConcurrentHashMap<>();

    private AppFonts() {}

    /** Loads the faces; needed before the first window. Further calls do nothing, or wait until the first is done. */
    public static synchronized void load() {
        if (!NAMES.isEmpty()) {
            return;
        }
        for (Face face : Face.values()) {
            try (InputStream in = Fonts.open(face)) {
                Font font = Font.loadFont(in, 12);
                if (font != null) {
                    NAMES.put(face, font.getName());
                }
            } catch (IOException e) {
                throw new IllegalStateException("the font " + face.fontName() + " cannot be read", e);
            }
        }
    }

    public static Font of(Face face, double pixels) {
        double rounded = Math.rint(pixels * 4) / 4;
        return MADE.computeIfAbsent(
                face + " " + rounded, key -> Font.font(NAMES.getOrDefault(face, "System"), rounded));
    }
}
