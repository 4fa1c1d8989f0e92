package wildflourish.core.fingering;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Schools;
import wildflourish.core.instrument.Strings;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.music.Metre;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/**
 * How a school plays strings; a row of {@code string-manners.table}.
 *
 * @param eight the order of strokes where bars have eight quavers; empty for a school of the fingers alone
 * @param six where they have six
 * @param costs the school whose costs are taken; empty for a school of the bow alone
 */
public record Manners(Optional<StrokeOrder> eight, Optional<StrokeOrder> six, Optional<School> costs) {
    private static final Map<String, Manners> ALL = new HashMap<>();
    private static final Manners NONE = new Manners(Optional.empty(), Optional.empty(), Optional.empty());

    static {
        for (Row row : Table.load("string-manners.table").rows()) {
            ALL.put(
                    row.text("school"),
                    new Manners(
                            row.readOptional("eight", StrokeOrder::of),
                            row.readOptional("six", StrokeOrder::of),
                            row.readOptional("costs", School::of)));
        }
    }

    /** The order of strokes and the costs for a metre. Throws IllegalArgumentException for schools that say nothing of strings. */
    public static StringPath.Manner of(Strings strings, Schools schools, Metre metre) {
        Manners hand = ALL.getOrDefault(schools.hand().id(), NONE);
        Manners bow = ALL.getOrDefault(schools.strokes().id(), NONE);
        StrokeOrder order = bow.order(metre)
                .or(() -> hand.order(metre))
                .orElseThrow(() ->
                        new IllegalArgumentException("“" + schools.hand().name() + "” is no way of playing strings"));
        return new StringPath.Manner(
                strings, order, hand.costs.or(() -> bow.costs).orElse(School.USUAL));
    }

    private Optional<StrokeOrder> order(Metre metre) {
        return metre.isCompound() ? six : eight;
    }
}
