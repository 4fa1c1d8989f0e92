package wildflourish.core.ornament;

import wildflourish.core.instrument.Family;

/**
 * An ornament as one placement plays it.
 *
 * @param school one of the ornament's own schools; empty for the usual one
 */
public record Choice(Ornament ornament, String school) implements Comparable<Choice> {
    public static Choice of(Ornament ornament) {
        return new Choice(ornament, "");
    }

    /** The same as a family's hand makes it. */
    static Choice parse(String word, Family family) {
        Choice any = parse(word);
        return new Choice(Ornament.of(any.ornament.id(), family), any.school);
    }

    /** Reads {@code slide-in@lip}, or {@code long-roll} alone. Throws IllegalArgumentException for an ornament that is in no table. */
    public static Choice parse(String word) {
        int at = word.indexOf('@');
        return at < 0 ? of(Ornament.of(word)) : new Choice(Ornament.of(word.substring(0, at)), word.substring(at + 1));
    }

    /** What spans comes first, then touches in the order of the tables. */
    @Override
    public int compareTo(Choice other) {
        if (ornament.isTouch() != other.ornament.isTouch()) {
            return ornament.isTouch() ? 1 : -1;
        }
        return Integer.compare(Ornament.all().indexOf(ornament), Ornament.all().indexOf(other.ornament));
    }

    @Override
    public String toString() {
        return ornament.id() + (school.isEmpty() ? "" : "@" + school);
    }
}
