package wildflourish.core.growing;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The best way through a row.
 *
 * @param chosen ornaments, in the order of the row
 * @param worth points of the whole
 * @param through for each option that can be chosen at all the worth of the best plan that has it, plain notes too; empty where prices were not asked for
 */
public record Plan(List<Option> chosen, int worth, Map<Option, Integer> through) {
    /** Prices up to this are exact; what costs more may be left out of {@link #through}. */
    public static final int MOST_PRICE = 40;

    public Plan {
        chosen = List.copyOf(chosen);
        through = Map.copyOf(through);
    }

    /** Worths of other plans, none of them more than its own. */
    Map<Option, Integer> atMost(Map<Option, Integer> others) {
        Map<Option, Integer> most = new HashMap<>(others);
        most.replaceAll((option, other) -> Math.min(worth, other));
        return most;
    }

    /** What it would lose by having an option; empty where that is more than is worked out. */
    public Optional<Integer> priceOf(Option option) {
        return Optional.ofNullable(through.get(option)).map(other -> worth - other);
    }

    /** What it would lose at least without what it has on some notes: the best that goes another way there; empty where that is more than is worked out. */
    public Optional<Integer> priceWithout(Option taken) {
        return through.entrySet().stream()
                .filter(each -> each.getKey().from() <= taken.from()
                        && taken.from() < each.getKey().to()
                        && !each.getKey().equals(taken))
                .map(each -> worth - each.getValue())
                .min(Integer::compare);
    }

    /** With what the hand has to do for all that is chosen together, which prices do not know: they are those of plans made by what each option asks of it alone. */
    Plan beside(Ledger ledger) {
        int byEach = ledger.sumByEach();
        Map<Option, Integer> shifted = new HashMap<>();
        through.forEach((option, other) -> shifted.put(option, worth - Math.max(0, byEach - other)));
        return new Plan(chosen, worth, shifted);
    }
}
