package wildflourish.core.placing;

import java.util.List;
import wildflourish.core.ornament.Reason;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.version.Placement;

/**
 * The verdict on a stack of ornaments over a span: it fits when nothing refuses it.
 *
 * @param refusals all that are told, the weightiest first
 * @param reasons all that hold, the strongest first
 */
public record Fit(Facts facts, List<Refusal> refusals, List<Reason> reasons) {
    /** What each turn and hop beyond what fits easily weighs, in points. */
    private static final double A_TURN = 10;

    public Fit {
        refusals = List.copyOf(refusals);
        reasons = List.copyOf(reasons);
    }

    static Fit of(Facts facts) {
        List<Refusal> refusals = Refusals.of(facts);
        return new Fit(facts, refusals, refusals.isEmpty() ? Reasons.of(facts) : List.of());
    }

    public boolean fits() {
        return refusals.isEmpty();
    }

    /** The sum of the points of its reasons: the higher, the better it fits. */
    public int rank() {
        return reasons.stream().mapToInt(this::points).sum();
    }

    /** What a reason weighs for the ornaments of the stack that ask it. */
    private int points(Reason reason) {
        int further = reason == Reason.COSTS_A_DETOUR ? (int) Math.round(-A_TURN * facts.detour()) : 0;
        return further
                + facts.stack().choices().stream()
                        .map(choice -> choice.ornament().speech())
                        .filter(speech -> speech.reasons().contains(reason))
                        .mapToInt(speech -> speech.pointsOf(reason))
                        .max()
                        .orElse(reason.points());
    }

    public Placement placement() {
        return Placement.of(facts.stack(), facts.span());
    }
}
