package wildflourish.core.version;

/** What a change does, for the history a user can read: a kind and the things it is about. */
public record Deed(Kind kind, String subject, String stage) {
    /** Kinds of change. */
    public enum Kind {
        PLACE,
        CYCLE,
        KEEP_OPTION,
        NEXT_OPTION,
        REMOVE,
        SENTENCE,
        PASSES,
        COPY_UP,
        TEMPO,
        SCHOOL,
        RECOVER,
        TAKE_SAVED,
        KEEP_AS_TUNE
    }
}
