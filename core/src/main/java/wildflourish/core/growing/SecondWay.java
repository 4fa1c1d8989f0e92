package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Another plan nearly as good as the best, for the next time through: each step shared with the first costs so much that it differs, and not so much that it suffers. */
final class SecondWay {
    private static final int[] SHARED = {20, 12, 8, 4};
    /** No more of a plan's worth may be lost, in hundredths. */
    private static final int MOST_LOST = 6;

    private SecondWay() {}

    /** Empty where nothing different comes near. */
    static Optional<List<Option>> of(Task task, Plan plan) {
        Set<Option> first = new HashSet<>(plan.chosen());
        int worth = task.ledger(plan.chosen()).sum();
        for (int price : SHARED) {
            Optional<List<Option>> other = dearer(task, first, price).searched().map(found -> task.own(found.chosen()));
            boolean isNear = other.isPresent()
                    && !new HashSet<>(other.get()).equals(first)
                    && 100 * (worth - task.ledger(other.get()).sum()) <= MOST_LOST * Math.max(0, worth);
            if (isNear) {
                return other;
            }
        }
        return Optional.empty();
    }

    private static Task dearer(Task task, Set<Option> shared, int price) {
        List<List<Option>> options = new ArrayList<>();
        for (List<Option> here : task.options()) {
            options.add(here.stream()
                    .map(option -> shared.contains(option) ? option.worth(option.gain() - price) : option)
                    .toList());
        }
        return task.choosing(options);
    }
}
