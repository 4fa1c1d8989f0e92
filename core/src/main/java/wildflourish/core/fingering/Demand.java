package wildflourish.core.fingering;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.instrument.Strings;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.tune.NoteId;

/**
 * What an ornament asks of the hand on a note.
 *
 * @param more strokes of the bow within the note after the one it begins with
 * @param join whether the note begins with a new bow
 * @param holds ways of holding it with which the ornament can be made, as they are pinned; any where there are none
 * @param partsEqual whether an equal note before it may lie on the same bow, since a stop or a nudge parts the two
 * @param seconds for ways of holding it what the hand holds on the string beside it; none for most
 * @param order the order of strokes that is kept to here in place of the school's; empty where it is the school's
 * @param instead what is fingered in place of the written pitches, lowest first; none where those are
 * @param stays the note to which the finger stays down; empty where it may leave
 * @param apart in what the note has to differ from the one before
 * @param extra what the ornament costs the hand however it is played, on an up bow, and with a slur after it, in units of the string costs
 */
public record Demand(
        int more,
        Join join,
        Set<String> holds,
        boolean partsEqual,
        Map<String, Strings.Place> seconds,
        Optional<StrokeOrder> order,
        List<FingeredPitch> instead,
        Optional<NoteId> stays,
        Apart apart,
        Extra extra) {
    /** How a note follows the one before it. */
    public enum Join {
        FREE,
        NEW_BOW,
        SAME_BOW
    }

    /** In what a note of a picking hand has to differ from the one before it. */
    public enum Apart {
        NOTHING,
        /** Another finger. */
        FINGER,
        /** Another string and another finger. */
        STRING
    }

    /** What it costs besides, in any way, on an up bow, and where the note after it goes on with the bow. */
    public record Extra(double always, double onUp, double slurAfter) {
        public static final Extra NONE = new Extra(0, 0, 0);
    }

    /** Of a note without an ornament. */
    public static final Demand PLAIN = new Demand(
            0,
            Join.FREE,
            Set.of(),
            false,
            Map.of(),
            Optional.empty(),
            List.of(),
            Optional.empty(),
            Apart.NOTHING,
            Extra.NONE);

    public Demand {
        holds = Set.copyOf(holds);
        seconds = Map.copyOf(seconds);
        instead = List.copyOf(instead);
    }

    /** Of a note that an ornament is made on; where it goes on with the stroke before, an equal note may come before it. */
    public static Demand of(int more, Join join, Set<String> holds, Map<String, Strings.Place> seconds) {
        return new Demand(
                more,
                join,
                holds,
                join == Join.SAME_BOW,
                seconds,
                Optional.empty(),
                List.of(),
                Optional.empty(),
                Apart.NOTHING,
                Extra.NONE);
    }

    /** With what it costs besides. */
    public Demand with(Extra other) {
        return new Demand(more, join, holds, partsEqual, seconds, order, instead, stays, apart, other);
    }

    /** With an order of strokes. */
    public Demand with(StrokeOrder other) {
        return new Demand(more, join, holds, partsEqual, seconds, Optional.of(other), instead, stays, apart, extra);
    }

    /** Held in one way alone, as it is pinned. */
    public Demand heldAs(String hold) {
        return new Demand(more, join, Set.of(hold), partsEqual, seconds, order, instead, stays, apart, extra);
    }

    /** With more strokes within the note. */
    public Demand withMore(int strokes) {
        return new Demand(strokes, join, holds, partsEqual, seconds, order, instead, stays, apart, extra);
    }

    /** On the bow before, whatever its pitch. */
    public Demand goingOn() {
        return new Demand(more, Join.SAME_BOW, holds, true, seconds, order, instead, stays, apart, extra);
    }

    /** Apart from the note before. */
    public Demand with(Apart other) {
        return new Demand(more, join, holds, partsEqual, seconds, order, instead, stays, other, extra);
    }

    /** On any bow. */
    public Demand free() {
        return new Demand(more, Join.FREE, holds, false, seconds, order, instead, stays, apart, extra);
    }

    /** With other pitches than those written. */
    public Demand with(List<FingeredPitch> pitches) {
        return new Demand(more, join, holds, partsEqual, seconds, order, pitches, stays, apart, extra);
    }

    /** With a finger that stays down up to a note. */
    public Demand staying(NoteId last) {
        return new Demand(more, join, holds, partsEqual, seconds, order, instead, Optional.of(last), apart, extra);
    }

    /** Whether a hand that holds the note in some way goes on as without an ornament, whatever that costs it by itself. */
    public boolean leavesHand(String hold) {
        boolean isHeldSo = holds.isEmpty() || holds.contains(hold);
        return isHeldSo && equals(of(0, Join.FREE, holds, Map.of()).with(new Extra(extra.always, 0, 0)));
    }

    /** Whether the note ends on the other bow than it began with. */
    boolean turns() {
        return more % 2 != 0;
    }
}
