package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Function;
import wildflourish.core.problem.Parsed;
import wildflourish.core.problem.Place;
import wildflourish.core.problem.Problem;
import wildflourish.core.problem.Severity;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Lesson;
import wildflourish.files.abc.Pieces.Piece;

/**
 * Reads an ABC tunebook: tunes from {@code X:} to the next empty line or the next {@code X:}, everything between kept as it stands; tunes that are written-out
 * versions join the lesson they belong to. All cores read.
 */
public final class BookReader {
    private BookReader() {}

    /** Never throws for any text; what cannot be read is told, and kept as text. */
    public static Parsed<Book> read(String text) {
        return read(text, Progress.NONE);
    }

    /** Reads with somebody following, who may stop it. */
    public static Parsed<Book> read(String text, Progress progress) {
        Pieces pieces = Pieces.of(text);
        List<Group<List<BookItem>>> groups = eachGroup(pieces, progress, Function.identity());
        List<BookItem> items = new ArrayList<>();
        addText(items, pieces.before());
        groups.forEach(group -> items.addAll(group.value()));
        return new Parsed<>(new Book(items), problems(text, groups));
    }

    /** Reads lesson by lesson with somebody following: each is asked a question and let go. The answers are in the order of the book. */
    public static <T> Parsed<List<T>> each(String text, Function<Lesson, List<T>> question, Progress progress) {
        List<Group<List<T>>> groups = eachGroup(Pieces.of(text), progress, items -> {
            List<T> answers = new ArrayList<>();
            for (BookItem item : items) {
                if (item instanceof Lesson lesson) {
                    answers.addAll(question.apply(lesson));
                }
            }
            return answers;
        });
        List<T> answers =
                groups.stream().flatMap(group -> group.value().stream()).toList();
        return new Parsed<>(answers, problems(text, groups));
    }

    private static <T> List<Group<T>> eachGroup(
            Pieces pieces, Progress progress, Function<List<BookItem>, T> question) {
        AtomicInteger done = new AtomicInteger();
        int all = pieces.groups().size();
        return pieces.groups().parallelStream()
                .map(group -> {
                    Group<List<BookItem>> items = read(group, pieces.defaults());
                    Group<T> answer = new Group<>(question.apply(items.value()), items.problems(), items.lessons());
                    progress.reached((double) done.incrementAndGet() / all);
                    return answer;
                })
                .toList();
    }

    /**
     * What was made of tunes that are read together.
     *
     * @param problems each about one of the lessons, counted from 1 within the group
     */
    private record Group<T>(T value, List<Problem> problems, int lessons) {}

    private static Group<List<BookItem>> read(List<Piece> group, Map<Character, String> defaults) {
        List<Problem> problems = new ArrayList<>();
        List<BookItem> items = new ArrayList<>();
        VersionReader versions = new VersionReader(problems);
        int lessons = 0;
        for (Piece piece : group) {
            int told = problems.size();
            boolean isTaken = piece.isVersion() && versions.add(items, piece.text(), piece.firstLine());
            if (!isTaken) {
                lessons++;
                Parsed<Tune> tune = TuneReader.read(piece.text(), piece.firstLine(), defaults);
                problems.addAll(tune.problems());
                items.add(Lesson.plain(tune.value()));
            }
            int about = lessons;
            problems.subList(told, problems.size()).replaceAll(problem -> problem.about(about));
            addText(items, piece.after());
        }
        versions.finish(items);
        return new Group<>(items, problems, lessons);
    }

    private static void addText(List<BookItem> items, String text) {
        if (!text.isEmpty()) {
            items.add(new BookItem.Text(text));
        }
    }

    /** In the order of the text. */
    private static List<Problem> problems(String text, List<? extends Group<?>> groups) {
        List<Problem> problems = new ArrayList<>();
        int lessons = 0;
        for (Group<?> group : groups) {
            for (Problem problem : group.problems()) {
                problems.add(problem.about(lessons + problem.tune()));
            }
            lessons += group.lessons();
        }
        if (groups.isEmpty()) {
            problems.add(new Problem(
                    Severity.ERROR,
                    "no-tune",
                    new Place(1, 1, text.substring(0, Math.min(40, text.length()))),
                    "there is no tune in this text",
                    "A tune begins with a line X:1; choose a file in ABC notation."));
        }
        problems.sort(Comparator.comparing(Problem::place));
        return problems;
    }
}
