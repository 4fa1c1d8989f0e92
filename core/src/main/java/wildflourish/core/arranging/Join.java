package wildflourish.core.arranging;

import java.util.Optional;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Version;

/**
 * Something that does not go well where a phrase of one version follows one of another.
 *
 * @param at the note it is about
 * @param placement the ornament it is about, where it is one
 * @param remedy the mixed version put right; empty where only the player can help
 */
public record Join(Kind kind, NoteId at, Optional<Placement> placement, Optional<Version> remedy) {
    /** What is wrong. */
    public enum Kind {
        /** An ornament reaches over the end of its phrase, and is left out. */
        OVERLAP,
        /** An ornament that fits in its own version does not fit after, or before, the other. */
        UNFIT,
        /** The bow comes to the phrase the other way round. */
        BOW,
        /** The bellows come to the phrase the other way round. */
        BELLOWS,
        /** The stretch over the join is longer than a breath. */
        BREATH,
        /** The line leaps by more than an octave where neither version does. */
        LEAP
    }
}
