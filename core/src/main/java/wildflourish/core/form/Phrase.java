package wildflourish.core.form;

import java.util.Optional;
import wildflourish.core.tune.Part;

/**
 * A stretch of bars taught in one breath.
 *
 * @param name {@code A1}; a phrase that comes back has the name it had first, in another part too
 * @param firstBar its first bar as written, from 0, a pickup included
 * @param lastBar its last bar, further endings included
 * @param like what it has in common with an earlier phrase; empty for one that is new
 */
public record Phrase(Part part, String name, int firstBar, int lastBar, Optional<Likeness> like) {
    /** How a phrase is like an earlier one, nearest first. */
    public enum Kind {
        /** Note for note, but for what leads over into the next phrase. */
        SAME,
        /** But for one note. */
        ONE_NOTE,
        /** It begins the same way and ends otherwise. */
        SAME_START,
        /** The same steps and lengths from another degree of the scale. */
        MOVED,
        /** The same lengths on other notes; not counted as family. */
        SAME_RHYTHM;

        /** Whether phrases so alike are of one family. */
        public boolean isFamily() {
            return this != SAME_RHYTHM;
        }
    }

    /**
     * A likeness.
     *
     * @param earlier the name of the phrase it is like
     * @param steps for a moved phrase how many steps of the scale it lies higher; 0 otherwise
     */
    public record Likeness(Kind kind, String earlier, int steps) {}

    public boolean has(int bar) {
        return firstBar <= bar && bar <= lastBar;
    }

    /** Whether it has not been there before. */
    public boolean isNew() {
        return like.map(each -> each.kind() != Kind.SAME).orElse(true);
    }
}
