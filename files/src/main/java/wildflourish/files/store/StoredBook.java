package wildflourish.files.store;

import java.nio.charset.Charset;
import java.nio.file.Path;
import wildflourish.core.version.Book;

/**
 * A book with what has to be remembered of its file.
 *
 * @param charset how the file's letters are encoded
 * @param hasByteOrderMark whether it begins with the mark some editors put first
 */
public record StoredBook(Path path, Charset charset, boolean hasByteOrderMark, Book book) {
    public StoredBook with(Book newBook) {
        return new StoredBook(path, charset, hasByteOrderMark, newBook);
    }

    public StoredBook at(Path newPath) {
        return new StoredBook(newPath, charset, hasByteOrderMark, book);
    }
}
