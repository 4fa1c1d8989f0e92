package wildflourish.core.fingering;

import java.util.HashMap;
import java.util.Map;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** How soon hands can do one thing after another, in milliseconds for a fluent player: rows of {@code times.table}. */
final class HandTimes {
    private static final Map<String, Double> ALL = new HashMap<>();

    static {
        for (Row row : Table.load("times.table").rows()) {
            ALL.put(row.text("time"), row.read("ms", Double::valueOf));
        }
    }

    static final double BOW_STROKE = of("bow stroke");
    static final double PICK_STROKE = of("pick stroke");
    static final double BANJO_FINGER = of("banjo finger");
    static final double BANJO_SAME_FINGER = of("banjo same finger");
    static final double BANJO_NAIL_AGAIN = of("banjo nail again");
    static final double BUTTON = of("button");
    static final double BUTTON_SAME_FINGER = of("button same finger");
    static final double BELLOWS_TURN = of("bellows turn");
    static final double BELLOWS_ONE_WAY = of("bellows one way");

    private HandTimes() {}

    private static double of(String name) {
        Double millis = ALL.get(name);
        if (millis == null) {
            throw new IllegalStateException("times.table has no row “" + name + "”");
        }
        return millis;
    }

    /** From the beginning of a note to that of the next. */
    static double between(Struck before, Struck struck) {
        return before.millis() + struck.restMillis();
    }
}
