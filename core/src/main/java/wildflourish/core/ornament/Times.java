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
    private static final Map<String, Time> ALL = new HashMap<>();

    static {
        Table.load("times.table").rows().forEach(row -> ALL.put(row.text("time"), Time.from(row)));
    }

    /** One row: for a fluent player, and whether it grows with the student's factor. */
    private record Time(Fraction millis, boolean isMotor) {
        static Time from(Row row) {
            return new Time(row.read("ms", Fraction::parse), row.text("kind").equals("motor"));
        }
    }

    public Fraction of(String name) {
        Time time = ALL.get(name);
        if (time == null) {
            throw new IllegalArgumentException("no time “" + name + "” in times.table");
        }
        return time.isMotor() ? time.millis().times(factor) : time.millis();
    }

    /** The shortest sounding note between two gestures that a listener still hears as a note. */
    public Fraction floor() {
        return of("floor");
    }
}
