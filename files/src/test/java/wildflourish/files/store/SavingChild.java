package wildflourish.files.store;

import java.nio.file.Files;
import java.nio.file.Path;
import wildflourish.core.version.Book;
import wildflourish.files.abc.BookReader;

/** Saves two books in turn over one file until it is killed; says “ready” once it has begun. */
final class SavingChild {
    private SavingChild() {}

    public static void main(String[] arguments) throws Exception {
        Path path = Path.of(arguments[0]);
        Book one = BookReader.read(Files.readString(Path.of(arguments[1]))).value();
        Book other = BookReader.read(Files.readString(Path.of(arguments[2]))).value();
        StoredBook stored = BookStore.open(path).value();
        System.out.println("ready");
        while (true) {
            stored = BookStore.save(stored.with(other));
            stored = BookStore.save(stored.with(one));
        }
    }
}
