package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What it would mean to have something in a plan that it has not, found by planning again with it.
 *
 * @param price points that are lost; 0 where it is as good
 * @param reasons what is lost and what is won by it, the greatest first; their sum is the price below 0
 * @param comes what would come, itself among it
 * @param goes what would go
 */
public record WhyNot(int price, List<Ledger.Term> reasons, List<Option> comes, List<Option> goes) {
    public WhyNot {
        reasons = List.copyOf(reasons);
        comes = List.copyOf(comes);
        goes = List.copyOf(goes);
    }

    /** Empty where nothing that must stand leaves room for it. */
    public static Optional<WhyNot> of(Task task, Plan plan, Option option) {
        return task.forcing(option).searched().map(forced -> {
            Ledger with = task.ledger(forced.chosen());
            Ledger without = task.ledger(plan.chosen());
            return new WhyNot(
                    without.sum() - with.sum(),
                    with.over(without),
                    without(forced.chosen(), plan.chosen()),
                    without(plan.chosen(), forced.chosen()));
        });
    }

    private static List<Option> without(List<Option> all, List<Option> those) {
        List<Option> left = new ArrayList<>(all);
        left.removeAll(those);
        return left;
    }
}
