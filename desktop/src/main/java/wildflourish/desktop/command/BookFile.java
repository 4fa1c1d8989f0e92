package wildflourish.desktop.command;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import wildflourish.core.problem.Parsed;
import wildflourish.core.problem.Problem;
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

    /** The tunes of a book with what was made of them, or only the one with a number. */
    static List<Lesson> lessons(Path path, Optional<Integer> number, PrintWriter err) {
        List<Lesson> lessons = open(path, err).book().lessons().stream()
                .filter(lesson -> number.isEmpty() || lesson.tune().header().number() == number.get())
                .toList();
        if (lessons.isEmpty()) {
            throw new UsageException(path + " has no tune X:" + number.orElse(0));
        }
        return lessons;
    }
}
