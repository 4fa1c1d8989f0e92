package wildflourish.core.engraving;

/** What a mark is drawn in; a palette gives each a colour. */
public enum Ink {
    NOTES,
    STAFF,
    WORDS,
    QUIET,
    FINGERING,
    SINGLE,
    ROLL,
    CRAN,
    WARNING,
    /** Behind what is new. */
    NEW,
    /** Behind what has become something else. */
    CHANGED
}
