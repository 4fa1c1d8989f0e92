package wildflourish.core.fingering;

import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Strings;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.music.Metre;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** How a school plays strings: rows of {@code string-manners.table}. */
public final class Manners {
    private Manners() {}

    /** The order of strokes and the costs for a metre. Throws IllegalArgumentException for a school that says nothing of strings. */
    public static StringPath.Manner of(Strings strings, School school, Metre metre) {
        Row row = Table.load("string-manners.table").rows().stream()
                .filter(each -> each.text("school").equals(school.id()))
                .findFirst()
                .orElseThrow(
                        () -> new IllegalArgumentException("“" + school.name() + "” is no way of playing strings"));
        StrokeOrder order = StrokeOrder.of(row.text(metre.isCompound() ? "six" : "eight"));
        return new StringPath.Manner(strings, order, School.of(row.text("costs")));
    }
}
