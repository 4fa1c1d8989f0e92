package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import wildflourish.core.problem.Place;
import wildflourish.core.problem.Problem;
import wildflourish.core.problem.Severity;

/** A stretch of a file that is being read, which turns offsets into lines and columns and gathers problems. */
final class Source {
    /** A hopeless text does not fill the memory with problems. */
    private static final int MOST_PROBLEMS = 500;

    private final String text;
    private final int firstLine;
    private final List<Integer> lineStarts = new ArrayList<>();
    private final List<Problem> problems = new ArrayList<>();
    private final Set<String> toldOnce = new HashSet<>();

    /** {@code firstLine} is the number in the file, from 1, of the first line of the text. */
    Source(String text, int firstLine) {
        this.text = text;
        this.firstLine = firstLine;
        lineStarts.add(0);
        for (int i = text.indexOf('\n'); i >= 0; i = text.indexOf('\n', i + 1)) {
            lineStarts.add(i + 1);
        }
    }

    String text() {
        return text;
    }

    List<Integer> lineStarts() {
        return lineStarts;
    }

    /** The end of the line that begins at an offset, its line end not included. */
    int lineEnd(int start) {
        int end = text.indexOf('\n', start);
        end = end < 0 ? text.length() : end;
        return end > start && text.charAt(end - 1) == '\r' ? end - 1 : end;
    }

    void problem(Severity severity, String code, int offset, String message, String hint) {
        if (problems.size() < MOST_PROBLEMS) {
            problems.add(new Problem(severity, code, placeOf(offset), message, hint));
        }
    }

    void warn(String code, int offset, String message, String hint) {
        problem(Severity.WARNING, code, offset, message, hint);
    }

    /** Says a thing about the whole tune once, where it first comes. */
    void tellOnce(Severity severity, String code, int offset, String message, String hint) {
        if (toldOnce.add(code)) {
            problem(severity, code, offset, message, hint);
        }
    }

    /** A thing that is kept and needs nothing done. */
    void noteOnce(String code, int offset, String message, String hint) {
        tellOnce(Severity.NOTE, code, offset, message, hint);
    }

    private Place placeOf(int offset) {
        int line = Collections.binarySearch(lineStarts, offset);
        line = line < 0 ? -line - 2 : line;
        int start = lineStarts.get(line);
        int excerptStart = Math.max(start, offset - 10);
        int excerptEnd = Math.min(lineEnd(start), excerptStart + 40);
        String excerpt = excerptStart < excerptEnd ? text.substring(excerptStart, excerptEnd) : "";
        return new Place(firstLine + line, offset - start + 1, excerpt);
    }

    List<Problem> problems() {
        return problems;
    }
}
