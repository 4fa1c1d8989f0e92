package wildflourish.core.problem;

/**
 * Where a problem stands in a text.
 *
 * @param line line number, from 1
 * @param column column number in characters, from 1
 * @param excerpt the words of the text around it, at most 60 characters, on one line
 */
public record Place(int line, int column, String excerpt) implements Comparable<Place> {
    private static final int LONGEST_EXCERPT = 60;

    public Place {
        if (line < 1 || column < 1) {
            throw new IllegalArgumentException("a place counts lines and columns from 1: " + line + ", " + column);
        }
        excerpt = excerpt.replaceAll("\\s+", " ").trim();
        if (excerpt.length() > LONGEST_EXCERPT) {
            excerpt = excerpt.substring(0, LONGEST_EXCERPT - 1) + "…";
        }
    }

    @Override
    public int compareTo(Place other) {
        return line != other.line ? Integer.compare(line, other.line) : Integer.compare(column, other.column);
    }
}
