package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.tune.BarLine;

/**
 * A bar line of ABC with the ending that may follow it (ABC 2.1 §4.8, §4.9).
 *
 * @param right the line it draws at the end of the bar before
 * @param left the line it draws at the start of the bar after; NONE when the right one serves both
 * @param ending the times through of an ending that opens here
 * @param length characters it takes
 */
record BarTokens(BarLine right, BarLine left, List<Integer> ending, int length) {
    private static final Pattern LINE = Pattern.compile(
            "(:+\\[?\\|+\\]?:+|:+\\|[|\\]]*|::+|\\[\\|+:*|\\.\\||\\|+\\]|\\|+:*|:+(?=\\s|$))(?:\\s?\\[?(\\d[\\d,-]*))?");
    private static final Pattern ENDING = Pattern.compile("\\[(\\d[\\d,-]*)");

    private static final Optional<BarTokens> BARE =
            Optional.of(new BarTokens(BarLine.SINGLE, BarLine.NONE, List.of(), 1));

    static Optional<BarTokens> at(String text, int offset, int end) {
        if (isBare(text, offset, end)) {
            return BARE;
        }
        Matcher match = LINE.matcher(text).region(offset, end);
        if (!match.lookingAt()) {
            return Optional.empty();
        }
        String line = match.group(1);
        String numbers = match.group(2);
        int length = match.end() - offset;
        if (numbers != null && !isEnding(text, match)) {
            numbers = null;
            length = match.end(1) - offset;
        }
        boolean closes = line.startsWith(":");
        boolean opens = line.endsWith(":") && (line.length() > 1 && (line.contains("|") || line.contains("::")));
        BarLine left = opens ? BarLine.REPEAT_START : BarLine.NONE;
        BarLine right = closes ? BarLine.REPEAT_END : opens ? BarLine.SINGLE : plain(line);
        return Optional.of(new BarTokens(right, left, numbers == null ? List.of() : passes(numbers), length));
    }

    /** Most bar lines by far: one stroke with neither a sign nor an ending beside it. */
    private static boolean isBare(String text, int offset, int end) {
        if (text.charAt(offset) != '|') {
            return false;
        }
        int after = offset + 1;
        if (after < end && text.charAt(after) == ' ') {
            after++;
        }
        char next = after < end ? text.charAt(after) : ' ';
        boolean isSign = after == offset + 1 && (next == '|' || next == ':' || next == ']');
        return !isSign && next != '[' && !Character.isDigit(next) && !Character.isWhitespace(next);
    }

    /** Digits after a bar line are an ending when they touch it or a bracket does; “| 2” is not. */
    private static boolean isEnding(String text, Matcher match) {
        String between = text.substring(match.end(1), match.start(2));
        return between.isEmpty() || between.endsWith("[");
    }

    private static BarLine plain(String line) {
        return switch (line) {
            case ".|" -> BarLine.DOTTED;
            case "[|" -> BarLine.THICK_THIN;
            default ->
                line.endsWith("]") ? BarLine.THIN_THICK : line.startsWith("||") ? BarLine.DOUBLE : BarLine.SINGLE;
        };
    }

    /** An ending opened in the middle of nowhere, {@code [1}. */
    static Optional<BarTokens> ending(String text, int offset, int end) {
        Matcher match = ENDING.matcher(text).region(offset, end);
        return match.lookingAt()
                ? Optional.of(new BarTokens(BarLine.NONE, BarLine.NONE, passes(match.group(1)), match.end() - offset))
                : Optional.empty();
    }

    private static List<Integer> passes(String numbers) {
        List<Integer> passes = new ArrayList<>();
        for (String stretch : numbers.split(",", -1)) {
            String[] ends = stretch.split("-", -1);
            int first = number(ends[0]);
            int last = ends.length > 1 ? Math.max(first, number(ends[1])) : first;
            for (int pass = first; pass <= Math.min(last, first + 9); pass++) {
                passes.add(pass);
            }
        }
        return passes.stream().filter(pass -> pass > 0).distinct().toList();
    }

    /** A number of one or two digits; 0 for anything else. */
    private static int number(String digits) {
        return digits.matches("\\d{1,2}") ? Integer.parseInt(digits) : 0;
    }
}
