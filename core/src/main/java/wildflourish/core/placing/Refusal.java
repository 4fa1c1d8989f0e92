package wildflourish.core.placing;

import java.util.List;
import java.util.function.Predicate;
import wildflourish.core.instrument.RollSpeech;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Ornament;

/** Why an ornament does not fit: each holds or does not hold for the facts of a spot. In the order in which they are told. */
public enum Refusal {
    REST(facts -> facts.situation().note().isRest()),
    NOT_ON_INSTRUMENT(
            facts -> !facts.situation().note().isRest() && !facts.situation().isOnInstrument()),
    HELD_FROM_BEFORE(facts -> facts.situation().isHeldFromBefore()),
    HAS_SMALL_NOTES(facts -> !facts.situation().note().marks().graces().isEmpty()),
    NOTHING_LEFT_TO_TAP(facts -> facts.isOnly(Gesture.TAP) && facts.situation().isAllClosed()),
    NOTHING_LEFT_TO_LIFT(facts -> facts.isOnly(Gesture.CUT) && facts.situation().isAllOpen()),
    ROLL_ALL_CLOSED(facts -> facts.isA(Ornament.Family.ROLL) && facts.rollSpeech() == RollSpeech.NONE_CLOSED),
    ROLL_ALL_OPEN(facts -> facts.isA(Ornament.Family.ROLL) && facts.rollSpeech() == RollSpeech.NONE_OPEN),
    ROLL_CROSS_FINGERED(facts -> facts.isA(Ornament.Family.ROLL) && facts.rollSpeech() == RollSpeech.NONE_CROSS),
    ROLL_HALF_HOLED(facts -> facts.isA(Ornament.Family.ROLL) && facts.rollSpeech() == RollSpeech.NONE_HALF),
    NO_USAGE_KNOWN(Refusal::isUnrecorded),
    CRAN_NEEDS_ALL_CLOSED(facts -> facts.isA(Ornament.Family.CRAN)
            && facts.situation().row().isPresent()
            && !facts.situation().isAllClosed()),
    WRONG_LENGTH(facts ->
            !facts.situation().note().isRest() && facts.candidate().shape().isEmpty()),
    TOO_FAST(facts -> facts.candidate().shape().isPresent() && facts.roominess().isLessThan(Fraction.ONE));

    /** All, in the order in which they are told. */
    static final List<Refusal> ALL = List.of(values());

    private final Predicate<Facts> predicate;

    Refusal(Predicate<Facts> predicate) {
        this.predicate = predicate;
    }

    public boolean holds(Facts facts) {
        return predicate.test(facts);
    }

    /** Whether any of them holds: the short answer where the words are not wanted. */
    static boolean anyHolds(Facts facts) {
        return ALL.stream().anyMatch(each -> each.holds(facts));
    }

    private static boolean isUnrecorded(Facts facts) {
        if (facts.situation().row().isEmpty()) {
            return !facts.situation().note().isRest() && facts.situation().isOnInstrument();
        }
        boolean noCut = facts.isOnly(Gesture.CUT)
                && facts.cutHole().isEmpty()
                && !facts.situation().isAllOpen();
        boolean noTap = facts.isOnly(Gesture.TAP)
                && facts.tapHole().isEmpty()
                && !facts.situation().isAllClosed();
        boolean noRoll = facts.isA(Ornament.Family.ROLL) && facts.rollSpeech() == RollSpeech.NONE_KNOWN;
        boolean noCran = facts.isA(Ornament.Family.CRAN)
                && facts.situation().isAllClosed()
                && !facts.situation()
                        .gracing()
                        .map(gracing -> gracing.crans().areKnown())
                        .orElse(false);
        return noCut || noTap || noRoll || noCran;
    }
}
