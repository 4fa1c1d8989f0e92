package wildflourish.core.ornament;

/** What may begin a part of an ornament: nothing, or a movement of one finger. */
public enum Gesture {
    PLAIN,
    CUT,
    TAP,
    CRAN;

    static Gesture parse(String word) {
        return word.equals("–") ? PLAIN : valueOf(word.toUpperCase(java.util.Locale.ROOT));
    }
}
