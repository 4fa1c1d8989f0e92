package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;

/**
 * Buttons and fingers for the sounds of one ornament that lie under the hand together: worked in one direction of the bellows, each by its own button, in one hand
 * each by its own finger, not further apart than five columns, and not crossed but by a finger and a column over two rows.
 *
 * <p>Source: common practice and arithmetic; trust M, the costs L.
 *
 * @param held one for each sound, the written note first
 * @param cost of the shape of the hand, in turns of the bellows
 */
record ButtonSet(List<Held> held, double cost) {
    private static final double REACH = 5;
    private static final double EASY_REACH = 3;
    private static final double SPREAD = 0.3;
    private static final double CROSSED = 1;
    private static final double LITTLE = 0.3;
    private static final double SECOND_FINGER = 0.4;
    private static final double STAND_IN = 0.4;
    private static final int LITTLE_FINGER = 4;

    /**
     * A button and a finger for one sound.
     *
     * @param isSmall whether it is a small note or one beside the written one, which bears the cost of its finger here
     * @param isStandIn whether the finger stands in for the button's own
     */
    record Held(ButtonWay way, boolean isSmall, boolean isStandIn) {
        Button button() {
            return way.key().button();
        }

        private double cost() {
            boolean isEnglish = button().isSameBothWays();
            boolean isSecond = way.finger() != button().fingers().get(0);
            double own = !isSmall
                    ? 0
                    : isEnglish
                            ? (isSecond && !isStandIn ? SECOND_FINGER : 0)
                            : way.finger() == LITTLE_FINGER ? LITTLE : 0;
            return own + (isStandIn ? STAND_IN : 0);
        }
    }

    ButtonSet {
        held = List.copyOf(held);
    }

    /** The written note's. */
    ButtonWay first() {
        return held.get(0).way();
    }

    /** Of sounds that do so; empty where they do not. */
    static Optional<ButtonSet> of(List<Held> held) {
        double cost = 0;
        for (int i = 0; i < held.size(); i++) {
            cost += held.get(i).cost();
            for (int j = i + 1; j < held.size(); j++) {
                double pair = ofPair(held.get(i), held.get(j));
                if (pair == Double.POSITIVE_INFINITY) {
                    return Optional.empty();
                }
                cost += pair;
            }
        }
        return Optional.of(new ButtonSet(held, Math.rint(cost * 1000) / 1000));
    }

    /** With one sound more; empty where it does not lie under the hand with those that are there. */
    Optional<ButtonSet> with(Held more) {
        List<Held> all = new ArrayList<>(held);
        all.add(more);
        return of(all);
    }

    /** Whether one finger slips from one to the other: they lie beside each other in two rows and sound one way. */
    static boolean isBesideAcross(Held one, Held other) {
        return isOneWay(one.way().key(), other.way().key())
                && one.way().finger() == other.way().finger()
                && one.button().hand() == other.button().hand()
                && !one.button().row().equals(other.button().row())
                && Math.abs(one.button().place() - other.button().place()) <= 1;
    }

    /** Whether two keys are worked with the bellows going one way. */
    static boolean isOneWay(ButtonLayout.Key one, ButtonLayout.Key other) {
        return one.button().isSameBothWays() || other.button().isSameBothWays() || one.bellows() == other.bellows();
    }

    private static double ofPair(Held one, Held other) {
        return isOneWay(one.way().key(), other.way().key()) ? ofShape(one, other) : Double.POSITIVE_INFINITY;
    }

    /** What the shape costs by which one key and another the other way of the bellows lie under the hand together; empty where they do not. */
    static Optional<Double> shape(Held one, Held other) {
        double cost = isOneWay(one.way().key(), other.way().key())
                ? Double.POSITIVE_INFINITY
                : ofShape(one, other) + other.cost();
        return cost < Double.POSITIVE_INFINITY ? Optional.of(cost) : Optional.empty();
    }

    /** Whatever way the bellows go. */
    private static double ofShape(Held one, Held other) {
        Button a = one.button();
        Button b = other.button();
        if (a.equals(b)) {
            return Double.POSITIVE_INFINITY;
        }
        if (a.hand() != b.hand()) {
            return 0;
        }
        double columns = Math.abs(b.place() - a.place());
        if (one.way().finger() == other.way().finger() || columns > REACH) {
            return Double.POSITIVE_INFINITY;
        }
        double crossed = crossed(one, other);
        return crossed + SPREAD * Math.max(0, columns - EASY_REACH);
    }

    /** What it costs two fingers to lie across each other; infinite for more than one finger or column, or in one row. */
    private static double crossed(Held one, Held other) {
        Button a = one.button();
        Button b = other.button();
        int fingers = other.way().finger() - one.way().finger();
        double order = a.isSameBothWays() ? rowOf(b) - rowOf(a) : b.place() - a.place();
        boolean isMirrored = !a.isSameBothWays() && a.hand() == Button.Hand.LEFT;
        boolean isCrossed = order != 0 && order > 0 != (isMirrored ? fingers < 0 : fingers > 0);
        if (!isCrossed) {
            return 0;
        }
        boolean isSlight = Math.abs(fingers) == 1
                && Math.abs(b.place() - a.place()) <= 1
                && !a.row().equals(b.row());
        return isSlight ? CROSSED : Double.POSITIVE_INFINITY;
    }

    /** Rows of an English concertina, 1 nearest the index finger. */
    private static int rowOf(Button button) {
        return button.row().charAt(button.row().length() - 1) - '0';
    }
}
