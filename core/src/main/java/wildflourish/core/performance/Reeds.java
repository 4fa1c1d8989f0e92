package wildflourish.core.performance;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** How far the two reeds of a note of a two-row box stand apart: the further, the quicker they beat. Common practice; the cents are our own choice (L). */
public enum Reeds {
    /** As one. */
    DRY(0),
    /** A slow beat. */
    SWING(8),
    WET(18);

    private final double cents;

    Reeds(double cents) {
        this.cents = cents;
    }

    /** How much higher the second reed is. */
    public double cents() {
        return cents;
    }

    /** {@code dry}. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static List<String> words() {
        return Arrays.stream(values()).map(Reeds::word).toList();
    }

    /** Throws IllegalArgumentException, naming those there are, for another word. */
    public static Reeds of(String word) {
        return Arrays.stream(values())
                .filter(each -> each.word().equalsIgnoreCase(word))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(
                        "“" + word + "” is no way to tune reeds; there are " + String.join(", ", words())));
    }
}
