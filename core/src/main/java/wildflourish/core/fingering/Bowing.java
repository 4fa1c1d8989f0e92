package wildflourish.core.fingering;

import java.util.Set;

/**
 * What an ornament asks of the hand on a note.
 *
 * @param more strokes of the bow within the note after the one it begins with
 * @param join whether the note begins with a new bow
 * @param holds ways of holding it with which the ornament can be made, as they are pinned; any where there are none
 * @param partsEqual whether an equal note before it may lie on the same bow, since a stop or a nudge parts the two
 */
public record Bowing(int more, Join join, Set<String> holds, boolean partsEqual) {
    /** How a note follows the one before it. */
    public enum Join {
        FREE,
        NEW_BOW,
        SAME_BOW
    }

    /** Of a note without an ornament. */
    public static final Bowing PLAIN = new Bowing(0, Join.FREE, Set.of(), false);

    public Bowing {
        holds = Set.copyOf(holds);
    }

    /** Whether the note ends on the other bow than it began with. */
    boolean turns() {
        return more % 2 != 0;
    }
}
