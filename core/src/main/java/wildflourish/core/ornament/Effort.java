package wildflourish.core.ornament;

import java.util.HashMap;
import java.util.Map;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/**
 * What an ornament costs the hand on strings by itself, in the units of {@code string-costs.table}; a row of {@code ornaments/strings.efforts}.
 *
 * @param onUp what it costs besides on an up bow
 * @param slurAfter what it costs besides to go on with the same bow straight after it
 */
public record Effort(double always, double onUp, double slurAfter) {
    private static final Map<String, Effort> ALL = new HashMap<>();

    static {
        for (Row row : Table.load("ornaments/strings.efforts").rows()) {
            ALL.put(
                    row.text("ornament"),
                    new Effort(
                            row.read("always", Double::valueOf),
                            row.read("on up", Double::valueOf),
                            row.read("slur after", Double::valueOf)));
        }
    }

    private static final Effort USUAL = new Effort(0.1, 0, 0);

    /** Of an ornament by its id. */
    public static Effort of(String ornament) {
        return ALL.getOrDefault(ornament, USUAL);
    }
}
