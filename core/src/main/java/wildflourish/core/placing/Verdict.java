package wildflourish.core.placing;

import java.util.List;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Reason;
import wildflourish.core.ornament.Refusal;

/**
 * The answer to a question about one ornament, one layer, or the plain note over one span.
 *
 * @param ornament what was asked about: an ornament's id, a layer's, or {@code plain}
 * @param count how many notes it is over
 * @param fit the whole verdict of an ornament; empty for layers and the plain note
 * @param pace of a layer; empty where it needs no time of its own, and for ornaments
 * @param refusals what is told against it; none where it fits
 * @param reasons what speaks for it and against it where it fits
 */
public record Verdict(
        String ornament,
        int count,
        Optional<Fit> fit,
        Optional<Pace> pace,
        List<Refusal> refusals,
        List<Reason> reasons) {
    /** What the tightest stretch of a layer needs, and up to which tempo it has it. */
    public record Pace(Fraction needMillis, Tempo cleanUpTo) {}

    public Verdict {
        refusals = List.copyOf(refusals);
        reasons = List.copyOf(reasons);
    }

    static Verdict of(Fit fit) {
        return new Verdict(
                fit.facts().ornament().id(),
                fit.facts().count(),
                Optional.of(fit),
                Optional.empty(),
                fit.refusals(),
                fit.reasons());
    }

    public boolean fits() {
        return refusals.isEmpty();
    }

    /** The fastest clean tempo; empty where it needs no time. */
    public Optional<Tempo> cleanUpTo() {
        return fit.flatMap(each -> each.facts().cleanUpTo()).or(() -> pace.map(Pace::cleanUpTo));
    }

    /** What its tightest stretch needs; 0 where it needs no time. */
    public Fraction needMillis() {
        return fit.flatMap(each -> each.facts().attempt())
                .map(attempt -> attempt.needMillis())
                .or(() -> pace.map(Pace::needMillis))
                .orElse(Fraction.ZERO);
    }
}
