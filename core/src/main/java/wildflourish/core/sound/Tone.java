package wildflourish.core.sound;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.instrument.Family;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/**
 * How a family of instruments sounds; a row of {@code voices.table}.
 *
 * @param decayMillis in which a struck note dies away to a third; empty where it goes on
 * @param betweenMillis before a note that is begun anew the sound gives way for so long
 * @param betweenLevel to what part of its level
 * @param partials their strengths from the fundamental up, together 1.34 as the whistle's are
 */
record Tone(
        double attackMillis,
        Optional<Double> decayMillis,
        double betweenMillis,
        double betweenLevel,
        double noise,
        List<Double> partials) {
    private static final Map<Family, Tone> ALL = new EnumMap<>(Family.class);
    /** What the whistle's partials come to: every voice is as loud. */
    private static final double TOGETHER = 1.34;

    static {
        for (Row row : Table.load("voices.table").rows()) {
            ALL.put(row.read("family", Family::parse), from(row));
        }
    }

    Tone {
        partials = List.copyOf(partials);
    }

    private static Tone from(Row row) {
        List<Double> strengths =
                row.words("partials").stream().map(Double::valueOf).toList();
        double sum = strengths.stream().mapToDouble(each -> each).sum();
        return new Tone(
                row.read("attack", Double::valueOf),
                row.readOptional("decay", Double::valueOf),
                row.read("between", Double::valueOf),
                row.read("level", Double::valueOf),
                row.read("noise", Double::valueOf),
                strengths.stream().map(each -> each * TOGETHER / sum).toList());
    }

    /** Throws IllegalStateException for a family that the table forgets. */
    static Tone of(Family family) {
        Tone tone = ALL.get(family);
        if (tone == null) {
            throw new IllegalStateException("voices.table has no row for " + family.word());
        }
        return tone;
    }
}
