package wildflourish.core.ornament;

import java.util.HashMap;
import java.util.Map;
import wildflourish.core.music.Fraction;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/**
 * The shortest clean times in milliseconds, for a player whose motor times are {@code factor} times those of a fluent one. The listener's
 * floor does not scale. From {@code times.table}.
 */
public record Times(Fraction factor) {
    private static final Map<String, Row> ROWS = new HashMap<>();

    static {
        Table.load("times.table").rows().forEach(row -> ROWS.put(row.text("time"), row));
    }

    public Fraction of(String name) {
        Row row = ROWS.get(name);
        if (row == null) {
            throw new IllegalArgumentException("no time “" + name + "” in times.table");
        }
        Fraction millis = row.read("ms", Fraction::parse);
        return row.text("kind").equals("motor") ? millis.times(factor) : millis;
    }

    /** How long a gesture itself takes: 0 for the plain note. */
    public Fraction of(Gesture gesture) {
        return switch (gesture) {
            case PLAIN -> Fraction.ZERO;
            case CUT, CRAN -> of("cut");
            case TAP -> of("tap");
        };
    }

    /** The shortest sounding note between two gestures that a listener still hears as a note. */
    public Fraction floor() {
        return of("floor");
    }
}
