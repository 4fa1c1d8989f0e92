package wildflourish.core.version;

/**
 * The number under which other programs know a version in the book; 0 until it has one. It says nothing of how the version is played, so all numbers are equal: versions
 * that differ in it alone are the same.
 */
public record BookNumber(int value) {
    public static final BookNumber NONE = new BookNumber(0);

    @Override
    public boolean equals(Object other) {
        return other instanceof BookNumber;
    }

    @Override
    public int hashCode() {
        return 0;
    }
}
