package wildflourish.core.placing;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import wildflourish.core.version.Placement;

/**
 * The verdict on an ornament over a span: it fits when nothing refuses it.
 *
 * @param refusals all that hold, the weightiest first
 * @param reasons all that hold, the strongest first
 */
public record Fit(Facts facts, List<Refusal> refusals, List<Reason> reasons) {
    public Fit {
        refusals = List.copyOf(refusals);
        reasons = List.copyOf(reasons);
    }

    static Fit of(Facts facts) {
        List<Refusal> refusals = Arrays.stream(Refusal.values())
                .filter(each -> each.holds(facts))
                .toList();
        List<Reason> reasons = Arrays.stream(Reason.values())
                .filter(each -> each.holds(facts))
                .sorted(Comparator.comparingInt((Reason each) -> -Math.abs(each.points())))
                .toList();
        return new Fit(facts, refusals, refusals.isEmpty() ? reasons : List.of());
    }

    public boolean fits() {
        return refusals.isEmpty();
    }

    /** The sum of the points of its reasons: the higher, the better it fits. */
    public int rank() {
        return reasons.stream().mapToInt(Reason::points).sum();
    }

    public Placement placement() {
        return Placement.of(facts.ornament(), facts.candidate().span());
    }
}
