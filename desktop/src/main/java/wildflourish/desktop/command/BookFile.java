package wildflourish.desktop.command;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import wildflourish.core.problem.Parsed;
import wildflourish.core.problem.Problem;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Lesson;
import wildflourish.files.store.BookStore;
import wildflourish.files.store.StoredBook;

/** Opens a book for a command and tells its problems on standard error. */
final class BookFile {
    private BookFile() {}

    static StoredBook open(Path path, PrintWriter err) {
        try {
            Parsed<StoredBook> opened = BookStore.open(path);
            for (Problem problem : opened.problems()) {
                err.println(path + ": " + problem);
            }
            if (opened.value().book().lessons().isEmpty()) {
                throw new UsageException(path + " has no tune in it; a tune begins with a line X:1");
            }
            return opened.value();
        } catch (IOException e) {
            throw new UsageException("cannot read: " + e.getMessage());
        }
    }

    /** The plain tunes of a book, or only the one with a number. */
    static List<Tune> tunes(Path path, Optional<Integer> number, PrintWriter err) {
        List<Tune> tunes = open(path, err).book().lessons().stream()
                .map(Lesson::tune)
                .filter(tune -> number.isEmpty() || tune.header().number() == number.get())
                .toList();
        if (tunes.isEmpty()) {
            throw new UsageException(path + " has no tune X:" + number.orElse(0));
        }
        return tunes;
    }
}
