package wildflourish.core.growing;

import java.util.List;

/** What can still come from a boundary of a phrase on, of all that begin alike so far: what a state need not remember follows from that. */
final class Prospect {
    private static final long ANYTHING = -1;

    private final NoteRow row;
    private final int first;
    /** The boundary after the last note that all have alike; what is less than a crotchet before it may meet anything. */
    private final int end;
    /** Whether the phrase is over there. */
    private final boolean isWhole;
    /** Whether a bar is over there for all of them. */
    private final boolean endsBar;

    private final long[] kindsAt;
    private final long[] kindsFrom;
    private final long[][] kindsMet;
    private final long[][] fingersMet;

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
        long[] fingersAt = new long[notes];
        this.kindsFrom = new long[notes + 1];
        kindsFrom[notes] = later;
        for (int i = notes - 1; i >= 0; i--) {
            for (Step step : steps.get(i)) {
                kindsAt[i] |= step.isPlain() ? 0 : 1L << step.kind();
                fingersAt[i] |= step.begins() == Option.NONE ? 0 : 1L << step.begins();
            }
            kindsFrom[i] = kindsFrom[i + 1] | kindsAt[i];
        }
        this.kindsMet = met(kindsAt);
        this.fingersMet = met(fingersAt);
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
        return isMet(kindsMet, boundary - first, gap, kind);
    }

    boolean meetsFinger(int boundary, int gap, int finger) {
        return isMet(fingersMet, boundary - first, gap, finger);
    }

    private static boolean isMet(long[][] met, int at, int gap, int bit) {
        return gap < met[at].length && (met[at][gap] >>> bit & 1) != 0;
    }

    /** For each boundary, for what ended so many notes before it while that is less than a crotchet away, all that can come within the crotchet. */
    private long[][] met(long[] masks) {
        long[][] met = new long[masks.length + 1][];
        for (int at = 0; at <= masks.length; at++) {
            int boundary = first + at;
            int gaps = 0;
            while (gaps <= boundary && isNear(boundary - gaps, boundary)) {
                gaps++;
            }
            met[at] = new long[gaps];
            for (int gap = 0; gap < gaps; gap++) {
                met[at][gap] = met(masks, boundary - gap, boundary);
            }
        }
        return met;
    }

    private long met(long[] masks, int ended, int boundary) {
        long met = 0;
        int at = boundary;
        while (at < end && isNear(ended, at)) {
            met |= masks[at - first];
            at++;
        }
        return at == end && !isWhole && isNear(ended, end) ? ANYTHING : met;
    }

    private boolean isNear(int ended, int boundary) {
        return row.length(ended, boundary) < row.crotchet();
    }
}
