package wildflourish.core.fingering;

import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import wildflourish.core.table.Table;

/** What the choices of a roll cost; the rows of {@code rolls.table}. */
final class RollCosts {
    private static final Map<String, Double> ALL = new HashMap<>();

    static {
        Table.load("rolls.table").rows().forEach(row -> ALL.put(row.text("what"), row.read("cost", Double::valueOf)));
    }

    private RollCosts() {}

    static double of(String what) {
        return Objects.requireNonNull(ALL.get(what), what);
    }
}
