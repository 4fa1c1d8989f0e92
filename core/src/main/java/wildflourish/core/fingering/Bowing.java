package wildflourish.core.fingering;

import java.util.Map;
import java.util.Set;
import wildflourish.core.instrument.Strings;

/**
 * What an ornament asks of the hand on a note.
 *
 * @param more strokes of the bow within the note after the one it begins with
 * @param join whether the note begins with a new bow
 * @param holds ways of holding it with which the ornament can be made, as they are pinned; any where there are none
 * @param partsEqual whether an equal note before it may lie on the same bow, since a stop or a nudge parts the two
 * @param seconds for ways of holding it what the hand holds on the string beside it; none for most
 * @param extra what the ornament costs the hand however it is played, and what it costs besides on an up bow, in units of the string costs
 */
public record Bowing(
        int more, Join join, Set<String> holds, boolean partsEqual, Map<String, Strings.Place> seconds, Extra extra) {
    /** How a note follows the one before it. */
    public enum Join {
        FREE,
        NEW_BOW,
        SAME_BOW
    }

    /** What it costs besides, in any way and on an up bow. */
    public record Extra(double always, double onUp) {
        public static final Extra NONE = new Extra(0, 0);
    }

    /** Of a note without an ornament. */
    public static final Bowing PLAIN = new Bowing(0, Join.FREE, Set.of(), false, Map.of(), Extra.NONE);

    public Bowing {
        holds = Set.copyOf(holds);
        seconds = Map.copyOf(seconds);
    }

    /** Whether the note ends on the other bow than it began with. */
    boolean turns() {
        return more % 2 != 0;
    }
}
