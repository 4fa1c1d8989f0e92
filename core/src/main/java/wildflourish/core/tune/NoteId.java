package wildflourish.core.tune;

/** A note's identity within its tune: it stays when notes around it are changed, added or removed. Rests have one too. */
public record NoteId(int number) implements Comparable<NoteId> {
    /** Whether it is of a bar that a version adds to the tune. */
    public boolean isAdded() {
        return number < 0;
    }

    /** Written out, since every map of notes asks it before the first score is seen, and the equality of a record is slow the first time. */
    @Override
    public boolean equals(Object other) {
        return other instanceof NoteId id && number == id.number;
    }

    @Override
    public int hashCode() {
        return number;
    }

    @Override
    public int compareTo(NoteId other) {
        return Integer.compare(number, other.number);
    }

    @Override
    public String toString() {
        return "n" + number;
    }
}
