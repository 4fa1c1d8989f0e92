package wildflourish.desktop.menu;

import java.util.ArrayList;
import java.util.List;

/** Which lines of a menu stand in which column. */
record MenuColumns(List<Column> columns) {
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
        return new MenuColumns(List.copyOf(columns));
    }

    /** How many lines a heading and those under it are. */
    private static int section(List<MenuLine> lines, int heading) {
        int end = heading + 1;
        while (end < lines.size() && lines.get(end).isForHands()) {
            end++;
        }
        return end - heading;
    }

    /** The column, counted from 0, in which the line of an index stands. */
    int of(int index) {
        for (int i = 0; i < columns.size(); i++) {
            if (columns.get(i).has(index)) {
                return i;
            }
        }
        throw new IllegalArgumentException("no column has line " + index);
    }
}
