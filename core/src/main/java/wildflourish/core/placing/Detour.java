package wildflourish.core.placing;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.hand.Price;
import wildflourish.core.instrument.School;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/**
 * How far players of a school go out of their way for an ornament on buttons: a row of {@code detours.table}. A figure that brings further notes of a tune may cost twice as much.
 *
 * @param fits what it may cost the hand more and still fit easily, in turns of the bellows
 * @param most what it may cost at the most
 */
public record Detour(double fits, double most) {
    private static final Map<String, Detour> ALL = new HashMap<>();

    static {
        for (Row row : Table.load("detours.table").rows()) {
            Detour detour = new Detour(row.read("fits", Double::valueOf), row.read("detour", Double::valueOf));
            row.words("schools").forEach(school -> ALL.put(school, detour));
        }
    }

    /** Empty for a school that says nothing of buttons. */
    static Optional<Detour> of(School school) {
        return Optional.ofNullable(ALL.get(school.id()));
    }

    private static double times(Price price) {
        return price.isWalked() ? 2 : 1;
    }

    /** By how much an ornament costs more than fits easily, in turns of the bellows; 0 where it does not. */
    double over(Price price) {
        return Math.max(0, price.more() - fits * times(price));
    }

    /** Whether it costs more than anyone would go for it. */
    boolean isTooFar(Price price) {
        return price.isPlayable() && price.more() > most * times(price);
    }
}
