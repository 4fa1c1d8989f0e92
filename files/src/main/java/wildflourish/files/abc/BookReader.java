package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.problem.Parsed;
import wildflourish.core.problem.Place;
import wildflourish.core.problem.Problem;
import wildflourish.core.problem.Severity;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Lesson;

/**
 * Reads an ABC tunebook: tunes from {@code X:} to the next empty line or the next {@code X:}, everything between kept as it stands; tunes that are written-out
 * versions join the lesson they belong to.
 */
public final class BookReader {
    private static final Pattern HEADING_FIELD = Pattern.compile("([A-WYZ]):(.*)");

    private final List<Problem> problems = new ArrayList<>();
    private final List<BookItem> items = new ArrayList<>();
    private final Map<Character, String> defaults = new HashMap<>();
    private final VersionReader versions = new VersionReader(problems);

    private final Progress progress;

    private BookReader(Progress progress) {
        this.progress = progress;
    }

    /** Never throws for any text; what cannot be read is told, and kept as text. */
    public static Parsed<Book> read(String text) {
        return read(text, Progress.NONE);
    }

    /** Reads with somebody following, who may stop it. */
    public static Parsed<Book> read(String text, Progress progress) {
        BookReader reader = new BookReader(progress);
        reader.split(text);
        reader.versions.finish(reader.items);
        if (reader.items.stream().noneMatch(Lesson.class::isInstance)) {
            reader.problems.add(new Problem(
                    Severity.ERROR,
                    "no-tune",
                    new Place(1, 1, text.substring(0, Math.min(40, text.length()))),
                    "there is no tune in this text",
                    "A tune begins with a line X:1; choose a file in ABC notation."));
        }
        List<Problem> sorted = reader.problems.stream()
                .sorted(java.util.Comparator.comparing(Problem::place))
                .toList();
        return new Parsed<>(new Book(reader.items), sorted);
    }

    /** Tunes hold their lines without the last line end; all else is text between them. */
    private void split(String text) {
        StringBuilder between = new StringBuilder();
        int line = 1;
        int at = 0;
        while (at < text.length()) {
            int end = lineEnd(text, at);
            if (isTuneStart(text, at)) {
                int tuneStart = at;
                int tuneEnd = at;
                int tuneLine = line;
                while (at < text.length() && !isBlank(text, at) && (at == tuneStart || !isTuneStart(text, at))) {
                    tuneEnd = contentEnd(text, at);
                    at = lineEnd(text, at);
                    line++;
                }
                flush(between);
                addTune(text.substring(tuneStart, tuneEnd), tuneLine);
                progress.reached((double) at / text.length());
                between.append(text, tuneEnd, at);
            } else {
                heading(text.substring(at, contentEnd(text, at)));
                between.append(text, at, end);
                at = end;
                line++;
            }
        }
        flush(between);
    }

    private static boolean isTuneStart(String text, int at) {
        return text.startsWith("X:", at);
    }

    private static int lineEnd(String text, int at) {
        int end = text.indexOf('\n', at);
        return end < 0 ? text.length() : end + 1;
    }

    private static int contentEnd(String text, int at) {
        int end = text.indexOf('\n', at);
        end = end < 0 ? text.length() : end;
        return end > at && text.charAt(end - 1) == '\r' ? end - 1 : end;
    }

    private static boolean isBlank(String text, int at) {
        return text.substring(at, contentEnd(text, at)).isBlank();
    }

    private void flush(StringBuilder between) {
        if (!between.isEmpty()) {
            items.add(new BookItem.Text(between.toString()));
            between.setLength(0);
        }
    }

    private void heading(String line) {
        Matcher field = HEADING_FIELD.matcher(line);
        boolean isBeforeTunes = items.stream().noneMatch(Lesson.class::isInstance);
        if (isBeforeTunes && field.matches()) {
            defaults.putIfAbsent(field.group(1).charAt(0), field.group(2));
        }
    }

    private void addTune(String text, int firstLine) {
        if (versions.isVersion(text) && versions.add(items, text, firstLine)) {
            return;
        }
        Parsed<Tune> tune = TuneReader.read(text, firstLine, defaults);
        problems.addAll(tune.problems());
        items.add(Lesson.plain(tune.value()));
    }
}
