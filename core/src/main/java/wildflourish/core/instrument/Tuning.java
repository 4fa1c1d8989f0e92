package wildflourish.core.instrument;

import java.util.HashMap;
import java.util.Map;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;
import wildflourish.core.table.TableException;

/**
 * How far the steps of an instrument lie from equal temperament.
 *
 * @param cents by note of the chart; notes without an entry are equal
 */
public record Tuning(String name, Map<FingeredPitch, Integer> cents) {
    /** The twelve equal steps. */
    public static final Tuning EQUAL = new Tuning("equal", Map.of());

    private static final int LOW_A = 69;

    public Tuning {
        cents = Map.copyOf(cents);
    }

    /** The tuning of a name in {@code tunings.table}; throws IllegalArgumentException where there is none. */
    static Tuning of(String name) {
        if (name.equals(EQUAL.name)) {
            return EQUAL;
        }
        Map<FingeredPitch, Integer> cents = new HashMap<>();
        for (Row row : Table.load("tunings.table").rows()) {
            if (row.text("tuning").equals(name)) {
                FingeredPitch pitch = row.read("note", FingeredPitch::parse);
                cents.put(pitch, centsOf(row, pitch));
            }
        }
        if (cents.isEmpty()) {
            throw new IllegalArgumentException("no tuning “" + name + "”");
        }
        return new Tuning(name, cents);
    }

    /** 1200 · log2 of the ratio to low A, less the equal steps up from it. */
    private static int centsOf(Row row, FingeredPitch pitch) {
        double ratio =
                row.read("ratio", wildflourish.core.music.Fraction::parse).toDouble();
        long cents = Math.round(1200 * Math.log(ratio) / Math.log(2)) - 100L * (pitch.midi() - LOW_A);
        if (Math.abs(cents) > 60) {
            throw fault(row, cents);
        }
        return (int) cents;
    }

    private static TableException fault(Row row, long cents) {
        return row.fault("this ratio lies " + cents + " cents from its note");
    }

    int centsOf(FingeredPitch pitch) {
        return cents.getOrDefault(pitch, 0);
    }
}
