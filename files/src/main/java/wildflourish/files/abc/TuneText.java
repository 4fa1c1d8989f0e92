package wildflourish.files.abc;

import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import wildflourish.core.problem.Parsed;
import wildflourish.core.problem.Place;
import wildflourish.core.problem.Problem;
import wildflourish.core.tune.Tune;

/** One tune as text, for typing it: reading what was typed, and what a new tune begins with. */
public final class TuneText {
    private TuneText() {}

    /** Reads the text of one tune; empty lines, which would end the tune in a book, are closed up first. Problems stand where they do in the text as it is typed. Never throws. */
    public static Parsed<Tune> read(String text) {
        Parsed<Tune> read = TuneReader.read(closedUp(text), 1, Map.of());
        if (read.problems().isEmpty()) {
            return read;
        }
        List<Integer> typed = typedLines(text);
        return new Parsed<>(
                read.value(),
                read.problems().stream().map(each -> moved(each, typed)).toList());
    }

    /** The line as it is typed, counted from 1, of each line of the text closed up; of one put before the text, the first. */
    private static List<Integer> typedLines(String text) {
        String first = numbered(text);
        int before = first.equals(text) ? 0 : 1;
        String[] lines = first.split("\\R", -1);
        return IntStream.range(0, lines.length)
                .filter(line -> line == 0 || !lines[line].matches("[ \\t]*"))
                .mapToObj(line -> Math.max(1, line + 1 - before))
                .toList();
    }

    private static Problem moved(Problem problem, List<Integer> typed) {
        Place place = problem.place();
        int line = typed.get(Math.min(place.line(), typed.size()) - 1);
        return new Problem(
                problem.severity(),
                problem.code(),
                new Place(line, place.column(), place.excerpt()),
                problem.message(),
                problem.hint());
    }

    /** The text without empty lines and without the last line's end. */
    public static String closedUp(String text) {
        return numbered(text).replaceAll("(\\R)[ \\t]*(?=\\R|$)", "").stripTrailing();
    }

    /** A tune begins with its number. */
    private static String numbered(String text) {
        return text.startsWith("X:") ? text : "X:1\n" + text;
    }

    /** What a new tune begins with: a reel in D, to be written over. */
    public static String fresh(int number) {
        return "X:" + number + "\nT:A new tune\nR:reel\nM:4/4\nL:1/8\nK:D\nD2FA d2fd|";
    }
}
