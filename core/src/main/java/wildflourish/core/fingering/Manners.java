package wildflourish.core.fingering;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Strings;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.music.Metre;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/**
 * How a school plays strings; a row of {@code string-manners.table}.
 *
 * @param eight the order of strokes where bars have eight quavers
 * @param six where they have six
 * @param costs the school whose costs are taken
 */
public record Manners(StrokeOrder eight, StrokeOrder six, School costs) {
    private static final Map<String, Manners> ALL = new HashMap<>();

    static {
        for (Row row : Table.load("string-manners.table").rows()) {
            ALL.put(
                    row.text("school"),
                    new Manners(
                            row.read("eight", StrokeOrder::of),
                            row.read("six", StrokeOrder::of),
                            row.read("costs", School::of)));
        }
    }

    /** The order of strokes and the costs for a metre. Throws IllegalArgumentException for a school that says nothing of strings. */
    public static StringPath.Manner of(Strings strings, School school, Metre metre) {
        Manners manners = Optional.ofNullable(ALL.get(school.id()))
                .orElseThrow(
                        () -> new IllegalArgumentException("“" + school.name() + "” is no way of playing strings"));
        return new StringPath.Manner(strings, metre.isCompound() ? manners.six : manners.eight, manners.costs);
    }
}
