package wildflourish.core.music;

import java.util.Locale;
import java.util.Optional;

/** The modes of the tradition, each with how many fifths its signature lies above that of the major key on the same tonic. */
public enum Mode {
    MAJOR(0, "maj"),
    MINOR(-3, "min"),
    IONIAN(0, "ion"),
    DORIAN(-2, "dor"),
    PHRYGIAN(-4, "phr"),
    LYDIAN(1, "lyd"),
    MIXOLYDIAN(-1, "mix"),
    AEOLIAN(-3, "aeo"),
    LOCRIAN(-5, "loc");

    private final int fifths;
    private final String abbreviation;

    Mode(int fifths, String abbreviation) {
        this.fifths = fifths;
        this.abbreviation = abbreviation;
    }

    public int fifthsFromMajor() {
        return fifths;
    }

    /** By the first three letters in any case, as ABC 2.1 §3.1.14 has it; {@code m} is minor and nothing is major. */
    public static Optional<Mode> from(String word) {
        String lower = word.toLowerCase(Locale.ROOT);
        if (lower.isEmpty()) {
            return Optional.of(MAJOR);
        }
        if (lower.equals("m")) {
            return Optional.of(MINOR);
        }
        for (Mode mode : values()) {
            if (lower.startsWith(mode.abbreviation)) {
                return Optional.of(mode);
            }
        }
        return Optional.empty();
    }

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
