package wildflourish.core.placing;

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
        List<Refusal> refusals =
                Refusal.ALL.stream().filter(each -> each.holds(facts)).toList();
        return new Fit(facts, refusals, refusals.isEmpty() ? reasonsFor(facts) : List.of());
    }

    private static List<Reason> reasonsFor(Facts facts) {
        return Reason.STRONGEST_FIRST.stream().filter(each -> each.holds(facts)).toList();
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
