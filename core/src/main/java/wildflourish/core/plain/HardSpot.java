package wildflourish.core.plain;

import java.util.Locale;
import wildflourish.core.tune.NoteId;

/**
 * A place where the plain line is hard on an instrument; the loop to practise runs from the note before it to the note after it.
 *
 * @param at the note it is about
 * @param points how hard, by {@code hard-spots.table}
 */
public record HardSpot(NoteId at, Kind kind, double points, Loop loop) {
    /** What makes it hard; the words of {@code hard-spots.table}. */
    public enum Kind {
        BREAK,
        LEAP,
        CROSS,
        HALF,
        MANY,
        SKIP,
        SHIFT,
        SECOND,
        TURN,
        REACH;

        String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** The first and the last note of the stretch to go round. */
    public record Loop(NoteId first, NoteId last) {}
}
