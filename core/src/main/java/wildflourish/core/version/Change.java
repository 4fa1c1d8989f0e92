package wildflourish.core.version;

import java.util.List;
import java.util.Optional;

/**
 * A change of a book as a value: the items from {@code at} on that were there before, and those that are there after it.
 *
 * <p>Laws: {@code c.inverse().applied(c.applied(b))} equals {@code b}; {@code c.inverse().inverse()} equals {@code c}; when
 * {@code c.merged(d)} is present, it does what {@code c} and then {@code d} do.
 */
public record Change(int at, List<BookItem> before, List<BookItem> after, Deed deed) {
    public Change {
        before = List.copyOf(before);
        after = List.copyOf(after);
    }

    /** The lesson of a book with an index, from 0, becomes another. By index, for a book may hold the same tune twice. */
    public static Change of(Book book, int lesson, Lesson after, Deed deed) {
        int at = book.itemOf(lesson);
        return new Change(at, book.items().subList(at, at + 1), List.of(after), deed);
    }

    /** The book after the change. Throws IllegalStateException when the book is not the one the change was made for. */
    public Book applied(Book book) {
        return book.with(at, before, after);
    }

    /** With a number for every version that has none in the book. */
    Change withNumbers(Book book) {
        return Numbering.isDone(after) ? this : new Change(at, before, new Numbering(book).numbered(after), deed);
    }

    public Change inverse() {
        return new Change(at, after, before, deed);
    }

    public boolean isNothing() {
        return before.equals(after);
    }

    /** Both changes as one, when the second takes up what the first has left. */
    public Optional<Change> merged(Change next) {
        return next.at == at && next.before.equals(after)
                ? Optional.of(new Change(at, before, next.after, next.deed))
                : Optional.empty();
    }
}
