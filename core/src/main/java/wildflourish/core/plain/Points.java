package wildflourish.core.plain;

import java.util.HashMap;
import java.util.Map;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** How much each kind of difficulty counts, and below which length: rows of {@code hard-spots.table}. */
record Points(double points, double belowMillis) {
    private static final Map<String, Points> ALL = read();

    private static Map<String, Points> read() {
        Map<String, Points> all = new HashMap<>();
        for (Row row : Table.load("hard-spots.table").rows()) {
            double below =
                    row.readOptional("below milliseconds", Double::valueOf).orElse(Double.POSITIVE_INFINITY);
            all.put(row.text("kind"), new Points(row.read("points", Double::valueOf), below));
        }
        return all;
    }

    /** Throws IllegalStateException for a kind that the table forgets. */
    static Points of(String kind) {
        Points points = ALL.get(kind);
        if (points == null) {
            throw new IllegalStateException("hard-spots.table has no row for " + kind);
        }
        return points;
    }

    boolean counts(double millis) {
        return millis < belowMillis;
    }
}
