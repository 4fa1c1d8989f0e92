package wildflourish.core.tune;

/** A note's identity within its tune: it stays when notes around it are changed, added or removed. Rests have one too. */
public record NoteId(int number) implements Comparable<NoteId> {
    @Override
    public int compareTo(NoteId other) {
        return Integer.compare(number, other.number);
    }

    @Override
    public String toString() {
        return "n" + number;
    }
}
