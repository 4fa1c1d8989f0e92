package wildflourish.core.growing;

/**
 * An ornament on the notes it would stand on, or a note left plain, as one step through the row.
 *
 * @param from the boundary before its first note, from 0
 * @param to the boundary after its last note
 * @param name what stands there, alike for the same on other notes; empty for a plain note
 * @param kind the number of its technique; −1 for a plain note
 * @param begins the number of the finger that it begins with; −1 where that does not matter
 * @param finger the number of the finger that it leaves with; −1 where that does not matter
 * @param weight how heavy it is; 0 for a plain note
 * @param gain points for it at the stage that is planned, without what depends on the other choices
 */
public record Option(int from, int to, String name, int kind, int begins, int finger, int weight, int gain) {
    static final int NONE = -1;

    static Option plain(int note) {
        return new Option(note, note + 1, "", NONE, NONE, NONE, 0, 0);
    }

    /** Whether it leaves a note as it is. */
    public boolean isPlain() {
        return kind == NONE;
    }

    boolean overlaps(Option other) {
        return from < other.to && other.from < to;
    }

    /** The same so many notes further on. */
    Option moved(int notes) {
        return new Option(from + notes, to + notes, name, kind, begins, finger, weight, gain);
    }

    /** With other points. */
    Option worth(int points) {
        return new Option(from, to, name, kind, begins, finger, weight, points);
    }

    /** Whether it is the same ornament on as many notes, leaving the hand alike. */
    boolean isLike(Option other) {
        return name.equals(other.name)
                && to - from == other.to - other.from
                && kind == other.kind
                && begins == other.begins
                && finger == other.finger
                && weight == other.weight;
    }
}
