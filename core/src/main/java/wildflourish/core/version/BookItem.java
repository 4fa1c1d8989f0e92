package wildflourish.core.version;

/** One stretch of a book: a lesson, or text that stands between lessons and is kept as it is. */
public sealed interface BookItem permits BookItem.Text, Lesson {
    /** Text kept byte for byte: the book's heading, blank lines, remarks. */
    record Text(String text) implements BookItem {}
}
