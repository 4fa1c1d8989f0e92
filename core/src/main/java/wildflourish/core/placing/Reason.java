package wildflourish.core.placing;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import wildflourish.core.instrument.RollSpeech;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Ornament;

/**
 * What speaks for an ornament at a spot (points above 0) or against it (below). The same predicate that gives the points is the one whose
 * words are shown.
 */
public enum Reason {
    PARTS_TWO_EQUAL(40, facts -> facts.isOnly(Gesture.CUT) && facts.situation().equalBefore() == 1),
    PARTS_THIRD_EQUAL(
            40, facts -> facts.isOnly(Gesture.TAP) && facts.situation().equalBefore() >= 2),
    PARTS_EQUAL_TOO(
            15,
            facts -> (facts.isOnly(Gesture.TAP) && facts.situation().equalBefore() == 1)
                    || (facts.isOnly(Gesture.CUT) && facts.situation().equalBefore() >= 2)),
    FILLS_HELD_NOTE(34, facts -> !facts.isA(Ornament.Family.SINGLE) && facts.isHeldNote()),
    GATHERS_EQUAL_NOTES(26, facts -> !facts.isA(Ornament.Family.SINGLE) && facts.areEqualNotes()),
    ONLY_ROLL_OF_CLOSED_NOTE(
            8, facts -> facts.isA(Ornament.Family.CRAN) && facts.situation().isAllClosed()),
    RISES_INTO(20, facts -> facts.isOnly(Gesture.CUT) && facts.situation().rise() > 0),
    FALLS_INTO_TAP(18, facts -> facts.isOnly(Gesture.TAP) && facts.situation().rise() < 0),
    FALLS_INTO_CUT(12, facts -> facts.isOnly(Gesture.CUT) && facts.situation().rise() < 0),
    ON_THE_BEAT(6, facts -> !facts.isOnly(Gesture.TAP) && facts.situation().isOnBeat()),
    ROOM_TO_SPARE(5, facts -> !facts.roominess().isLessThan(Fraction.of(5, 4))),
    SETS_OFF(1, facts -> facts.isA(Ornament.Family.SINGLE)),
    STANDS_FOR_TURN(10, facts -> !facts.isA(Ornament.Family.SINGLE) && facts.isTurn()),
    TIGHT(
            -10,
            facts -> facts.roominess().isMoreThan(Fraction.ZERO)
                    && facts.roominess().isLessThan(Fraction.of(11, 10))),
    TAP_ON_RISE(-6, facts -> facts.isOnly(Gesture.TAP) && facts.situation().rise() > 0),
    SPEAKS_WEAKLY(-25, Facts::speaksWeakly),
    ROLL_SPEAKS_HARD(-15, facts -> facts.isA(Ornament.Family.ROLL) && facts.rollSpeech() == RollSpeech.HARD);

    /** All, those with the most points for or against first. */
    static final List<Reason> STRONGEST_FIRST = Arrays.stream(values())
            .sorted(Comparator.comparingInt((Reason each) -> -Math.abs(each.points)))
            .toList();

    private final int points;
    private final Predicate<Facts> predicate;

    Reason(int points, Predicate<Facts> predicate) {
        this.points = points;
        this.predicate = predicate;
    }

    public int points() {
        return points;
    }

    public boolean holds(Facts facts) {
        return predicate.test(facts);
    }
}
