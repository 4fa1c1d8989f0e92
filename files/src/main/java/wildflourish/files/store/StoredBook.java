package wildflourish.files.store;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.files.abc.BookWriter;

/**
 * A book with what has to be remembered of its file.
 *
 * @param form how the file's letters are stored
 * @param seen the sum of the file's bytes when it was last read or written, to notice other writers; empty when whatever is there may be
 *     replaced
 * @param from the file of another format that it was made of; then it is not stored yet
 */
public record StoredBook(Path path, FileForm form, Optional<String> seen, Book book, Optional<Path> from) {
    /** A book that is, or will be, a file of its own. */
    public StoredBook(Path path, FileForm form, Optional<String> seen, Book book) {
        this(path, form, seen, book, Optional.empty());
    }

    public StoredBook with(Book newBook) {
        return new StoredBook(path, form, seen, newBook, from);
    }

    /** To be stored at a path; whatever stands there already may be replaced, unless it is the book's own. */
    public StoredBook at(Path newPath) {
        return newPath.equals(path) ? this : new StoredBook(newPath, form, Optional.empty(), book);
    }

    /** To be stored as UTF-8, whatever it was. */
    public StoredBook asUtf8() {
        List<BookItem> items = book.items().stream()
                .map(item -> item instanceof BookItem.Text heading
                        ? new BookItem.Text(FileForm.declaredUtf8(heading.text()))
                        : item)
                .toList();
        return new StoredBook(path, form.asUtf8(), seen, new Book(items));
    }

    /** The book as it would be stored. */
    public byte[] bytes() {
        String text = BookWriter.write(book);
        return form.canStore(text) ? form.bytes(text) : form.asUtf8().bytes(FileForm.declaredUtf8(text));
    }

    /** To be stored over whatever stands at its path now. */
    public StoredBook over() {
        return new StoredBook(path, form, Optional.empty(), book);
    }
}
