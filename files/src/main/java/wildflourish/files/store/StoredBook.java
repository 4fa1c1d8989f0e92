package wildflourish.files.store;

import java.nio.charset.Charset;
import java.nio.file.Path;
import java.util.Optional;
import wildflourish.core.version.Book;

/**
 * A book with what has to be remembered of its file.
 *
 * @param form how the file's letters are stored
 * @param seen the sum of the file's bytes when it was last read or written, to notice other writers; empty when whatever is there may be
 *     replaced
 */
public record StoredBook(Path path, Form form, Optional<String> seen, Book book) {
    /** The encoding of a file, and whether it begins with the mark some editors put first. */
    public record Form(Charset charset, boolean hasByteOrderMark) {}

    public StoredBook with(Book newBook) {
        return new StoredBook(path, form, seen, newBook);
    }

    /** To be stored at a path; whatever stands there already may be replaced, unless it is the book's own. */
    public StoredBook at(Path newPath) {
        return newPath.equals(path) ? this : new StoredBook(newPath, form, Optional.empty(), book);
    }

    /** To be stored over whatever stands at its path now. */
    public StoredBook over() {
        return new StoredBook(path, form, Optional.empty(), book);
    }
}
