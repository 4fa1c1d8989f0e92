package wildflourish.desktop.command;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
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
            tell(path, opened.problems(), err);
            if (opened.value().book().lessons().isEmpty()) {
                throw withoutTune(path);
            }
            return opened.value();
        } catch (IOException e) {
            throw new UsageException("cannot read: " + e.getMessage());
        }
    }

    /** Asks each lesson of a book a question and lets it go; tells the book's problems and how far it is on standard error. */
    static <T> List<T> each(Path path, Function<Lesson, List<T>> question, PrintWriter err) {
        Tally tally = new Tally(err, "of the book looked at");
        try {
            Parsed<List<T>> answers = BookStore.each(path, question, tally::reached);
            tell(path, answers.problems(), err);
            if (answers.problems().stream().anyMatch(problem -> problem.code().equals("no-tune"))) {
                throw withoutTune(path);
            }
            return answers.value();
        } catch (IOException e) {
            throw new UsageException("cannot read: " + e.getMessage());
        }
    }

    private static void tell(Path path, List<Problem> problems, PrintWriter err) {
        problems.forEach(problem -> err.println(path + ": " + problem));
    }

    private static UsageException withoutTune(Path path) {
        return new UsageException(path + " has no tune in it; a tune begins with a line X:1");
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
