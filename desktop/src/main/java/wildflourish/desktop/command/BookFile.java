package wildflourish.desktop.command;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import wildflourish.core.problem.Parsed;
import wildflourish.core.problem.Problem;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Lesson;
import wildflourish.files.abc.BookWriter;
import wildflourish.files.store.BookStore;
import wildflourish.files.store.StoredBook;

/** Opens a book for a command and tells its problems on standard error. */
final class BookFile {
    private BookFile() {}

    static StoredBook open(Path path, PrintWriter err) {
        Parsed<StoredBook> opened = read(path);
        tell(path, opened.problems(), err);
        return opened.value();
    }

    private static Parsed<StoredBook> read(Path path) {
        try {
            Parsed<StoredBook> opened = BookStore.open(path);
            if (opened.value().book().lessons().isEmpty()) {
                throw withoutTune(path);
            }
            return opened;
        } catch (IOException e) {
            throw new UsageException("cannot read: " + e.getMessage());
        }
    }

    /** Asks each lesson of a book a question and lets it go; tells how far it is on standard error. The problems are those of the book. */
    static <T> Parsed<List<T>> each(Path path, Function<Lesson, List<T>> question, PrintWriter err) {
        Tally tally = new Tally(err, "of the book looked at");
        try {
            Parsed<List<T>> answers = BookStore.each(path, question, tally::reached);
            if (answers.problems().stream().anyMatch(problem -> problem.code().equals("no-tune"))) {
                throw withoutTune(path);
            }
            return answers;
        } catch (IOException e) {
            throw new UsageException("cannot read: " + e.getMessage());
        }
    }

    /** Writes tunes with what was made of them to a tunebook that is not there yet. */
    static void writeNew(Path path, List<Lesson> lessons, PrintWriter err) throws IOException {
        if (Files.exists(path)) {
            throw new UsageException(path + " is there already; name another file");
        }
        BookStore.writeAside(path, text(lessons).getBytes(StandardCharsets.UTF_8));
        err.println("Wrote " + path);
    }

    /** Tunes with what was made of them as a tunebook. */
    static String text(List<Lesson> lessons) {
        List<BookItem> items = new ArrayList<>();
        for (Lesson lesson : lessons) {
            items.add(lesson);
            items.add(new BookItem.Text("\n\n"));
        }
        return BookWriter.write(new Book(items));
    }

    private static void tell(Path path, List<Problem> problems, PrintWriter err) {
        problems.forEach(problem -> err.println(path + ": " + problem));
    }

    private static UsageException withoutTune(Path path) {
        return new UsageException(path + " has no tune in it; a tune begins with a line X:1");
    }

    /** The tunes of a book that are meant, with what was made of them; only what is wrong with these is told. */
    static List<Lesson> lessons(Path path, TuneChoice choice, PrintWriter err) {
        Parsed<List<Lesson>> meant = meant(path, choice);
        tell(path, meant.problems(), err);
        return meant.value();
    }

    /** The same with what is wrong with these, and with the file. */
    static Parsed<List<Lesson>> meant(Path path, TuneChoice choice) {
        Parsed<StoredBook> opened = read(path);
        List<Lesson> lessons = opened.value().book().lessons();
        List<Integer> meant = choice.of(lessons, path);
        List<Problem> problems = opened.problems().stream()
                .filter(problem -> problem.tune() == 0 || meant.contains(problem.tune() - 1))
                .toList();
        return new Parsed<>(meant.stream().map(lessons::get).toList(), problems);
    }
}
