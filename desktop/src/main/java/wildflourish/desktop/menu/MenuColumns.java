package wildflourish.desktop.menu;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;

/** The lines of a menu, which of them stand in which column, and where one gets to from a line. Lines and columns are counted from 0. */
record MenuColumns(List<MenuLine> lines, List<Column> columns) {
    /** The lines from one index up to another, that one left out. */
    record Column(int from, int to) {
        int size() {
            return to - from;
        }

        boolean has(int index) {
            return from <= index && index < to;
        }
    }

    /** Columns of at most so many lines. A heading begins a new one where what is under it would be torn apart and the column is half full; it never ends one. */
    static MenuColumns of(List<MenuLine> lines, int most) {
        List<Column> columns = new ArrayList<>();
        int from = 0;
        for (int at = 0; at < lines.size(); at++) {
            int used = at - from;
            boolean isTorn = !lines.get(at).isForHands()
                    && (used >= most - 1 || (2 * used >= most && used + section(lines, at) > most));
            if (used >= most || (used > 0 && isTorn)) {
                columns.add(new Column(from, at));
                from = at;
            }
        }
        if (from < lines.size()) {
            columns.add(new Column(from, lines.size()));
        }
        return new MenuColumns(List.copyOf(lines), List.copyOf(columns));
    }

    /** How many lines a heading and those under it are. */
    private static int section(List<MenuLine> lines, int heading) {
        int end = heading + 1;
        while (end < lines.size() && lines.get(end).isForHands()) {
            end++;
        }
        return end - heading;
    }

    /** The column in which the line of an index stands. */
    int of(int index) {
        for (int i = 0; i < columns.size(); i++) {
            if (columns.get(i).has(index)) {
                return i;
            }
        }
        throw new IllegalArgumentException("no column has line " + index);
    }

    /** The nearest line for hands from an index on in a direction, −1 or the number of lines for none yet; the index itself where there is none. */
    int next(int index, int step) {
        int at = index + step;
        while (at >= 0 && at < lines.size() && !lines.get(at).isForHands()) {
            at += step;
        }
        return at >= 0 && at < lines.size() ? at : index;
    }

    /** The line beside that of an index, in the next column or the one before; the index itself where there is no such column. */
    int beside(int index, int step) {
        int column = of(index) + step;
        if (column < 0 || column >= columns.size()) {
            return index;
        }
        Column now = columns.get(column - step);
        Column other = columns.get(column);
        int at = Math.min(other.to() - 1, other.from() + index - now.from());
        return lines.get(at).isForHands() ? at : next(at, 1);
    }

    /** The next line that begins with some letters, in small ones, round from the end to the beginning; the index itself where there is none. */
    int begun(int index, String letters) {
        return IntStream.rangeClosed(1, lines.size())
                .map(step -> (index + step) % lines.size())
                .filter(at -> lines.get(at).isForHands()
                        && lines.get(at).words().toLowerCase(Locale.ROOT).startsWith(letters))
                .findFirst()
                .orElse(index);
    }

    /** Where one begins: at the first line where several may be chosen, under headings; else at the chosen one. */
    int begin() {
        boolean isSorted = lines.stream().anyMatch(line -> !line.isForHands());
        return IntStream.range(0, lines.size())
                .filter(at -> !isSorted && lines.get(at).kind() == MenuLine.Kind.CHOSEN)
                .findFirst()
                .orElseGet(() -> next(-1, 1));
    }
}
