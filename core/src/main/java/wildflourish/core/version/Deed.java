package wildflourish.core.version;

/** What a change does, for the history a user can read: a kind and the things it is about. */
public record Deed(Kind kind, String subject, String stage, boolean isClosed) {
    /** A deed that further ones of its kind may still join. */
    public Deed(Kind kind, String subject, String stage) {
        this(kind, subject, stage, false);
    }

    /** The same, finished: nothing joins it any more. */
    Deed closed() {
        return isClosed ? this : new Deed(kind, subject, stage, true);
    }

    /** Kinds of change. */
    public enum Kind {
        PLACE,
        CYCLE,
        KEEP_OPTION,
        NEXT_OPTION,
        REMOVE,
        SENTENCE,
        PASSES,
        PIN,
        COPY_UP,
        ADD_STAGE,
        RENAME,
        TELL,
        TEMPO,
        LAYER,
        SCHOOL,
        EDIT,
        PHRASE,
        NEW_TUNE,
        BEGIN_STAIR,
        SHAPE,
        CARRY,
        BESIDE,
        AIM,
        TAKE_PHRASE,
        PLAN,
        GROW,
        WISH,
        TAKE_WRITTEN,
        VOICE,
        RECOVER,
        TAKE_SAVED,
        KEEP_AS_TUNE
    }
}
