package wildflourish.core.growing;

import java.util.List;

/** What can still come from a boundary of a phrase on, of all that begin alike so far: what a state need not remember follows from that. */
final class Prospect {
    private final NoteRow row;
    private final int first;
    /** The boundary after the last note that all have alike; what is less than a crotchet before it may meet anything. */
    private final int end;
    /** Whether the phrase is over there. */
    private final boolean isWhole;
    /** Whether a bar is over there for all of them. */
    private final boolean endsBar;

    private final long[] kindsAt;
    private final long[] fingersAt;
    private final long[] kindsFrom;

    /**
     * Of some notes of a phrase.
     *
     * @param first the boundary before them
     * @param end the boundary after them
     * @param steps for each of them what can be chosen
     * @param later techniques that can be chosen after them in the phrase, one bit each; 0 where nothing can
     * @param isWhole whether the phrase ends with them
     * @param endsBar whether a bar ends with them, wherever they come
     */
    Prospect(NoteRow row, int first, int end, List<List<Step>> steps, long later, boolean isWhole, boolean endsBar) {
        this.row = row;
        this.first = first;
        this.end = end;
        this.isWhole = isWhole;
        this.endsBar = endsBar;
        int notes = end - first;
        this.kindsAt = new long[notes];
        this.fingersAt = new long[notes];
        this.kindsFrom = new long[notes + 1];
        kindsFrom[notes] = later;
        for (int i = notes - 1; i >= 0; i--) {
            for (Step step : steps.get(i)) {
                kindsAt[i] |= step.isPlain() ? 0 : 1L << step.kind();
                fingersAt[i] |= step.begins() == Option.NONE ? 0 : 1L << step.begins();
            }
            kindsFrom[i] = kindsFrom[i + 1] | kindsAt[i];
        }
    }

    int first() {
        return first;
    }

    boolean isBarLine(int boundary) {
        return boundary == end ? endsBar : row.isBarLine(boundary);
    }

    /** The techniques of the notes from a boundary on, one bit each. */
    long kindsFrom(int boundary) {
        return kindsFrom[boundary - first];
    }

    /** Whether an ornament can begin at a boundary. */
    boolean hasAny(int boundary) {
        return boundary == end ? !isWhole : kindsAt[boundary - first] != 0;
    }

    /** Whether something of a technique can come less than a crotchet after what ended so many notes before a boundary. */
    boolean meetsKind(int boundary, int gap, int kind) {
        return meets(boundary, gap, kindsAt, kind);
    }

    boolean meetsFinger(int boundary, int gap, int finger) {
        return meets(boundary, gap, fingersAt, finger);
    }

    private boolean meets(int boundary, int gap, long[] masks, int bit) {
        long until = row.starts().get(boundary - gap) + row.crotchet();
        int at = boundary;
        while (at < end && row.starts().get(at) < until) {
            if ((masks[at - first] >>> bit & 1) != 0) {
                return true;
            }
            at++;
        }
        return at == end && !isWhole && row.starts().get(end) < until;
    }
}
