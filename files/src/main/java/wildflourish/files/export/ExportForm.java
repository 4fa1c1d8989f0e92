package wildflourish.files.export;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What a lesson can be taken away as. */
public enum ExportForm {
    ABC("abc"),
    MIDI("mid"),
    MUSICXML("musicxml"),
    WAV("wav"),
    PDF("pdf"),
    SVG("svg"),
    PNG("png");

    private final String ending;

    ExportForm(String ending) {
        this.ending = ending;
    }

    public String ending() {
        return ending;
    }

    /** By its word in any case. */
    public static Optional<ExportForm> from(String word) {
        return Arrays.stream(values())
                .filter(form -> form.name().toLowerCase(Locale.ROOT).equals(word.toLowerCase(Locale.ROOT))
                        || form.ending.equals(word.toLowerCase(Locale.ROOT)))
                .findFirst();
    }
}
