package wildflourish.core.fingering;

import java.util.List;
import wildflourish.core.instrument.PickingHand;
import wildflourish.core.instrument.Strings;
import wildflourish.core.instrument.StrokeOrder;

/** What a banjo hand does: a state is the finger that takes the melody, counted from 0 for the thumb. A note that the left hand makes by itself takes none. */
record BanjoStrokes(Strings strings, StrokeOrder order, StringCosts costs) implements Strokes {
    /** Whether some finger takes the melody of a hold while the others sound what is under it. */
    static boolean canPinch(Strings strings, PickingHand hand, StringHold hold) {
        for (int finger = 1; finger <= PickingHand.FINGERS; finger++) {
            if (canPinch(strings, hand, hold, finger)) {
                return true;
            }
        }
        return false;
    }

    private static boolean canPinch(Strings strings, PickingHand hand, StringHold hold, int finger) {
        List<Integer> under = hold.under().stream()
                .map(place -> number(strings, place.string()))
                .toList();
        return hand.canPinch(finger, number(strings, hold.melody().string()), under);
    }

    /** Of a string, counted from 1 for the highest, as players count. */
    private static int number(Strings strings, int string) {
        return Integer.parseInt(strings.stringName(string));
    }

    @Override
    public int states() {
        return PickingHand.FINGERS;
    }

    @Override
    public boolean canTake(StringHold hold, int state) {
        return canPinch(strings, order.hand(), hold, state + 1);
    }

    private double own(int finger, int string, Struck struck) {
        if (!order.hand().reaches(finger, number(strings, string))) {
            return Double.POSITIVE_INFINITY;
        }
        double far = order.hand().stretches(finger, number(strings, string)) ? costs.of("far string") : 0;
        int asked = struck.beginsQuaver() ? order.fingers().get(Math.floorMod(struck.quaver(), order.quavers())) : 0;
        if (asked > 0 && asked != finger) {
            return order.hand().isStrict() ? Double.POSITIVE_INFINITY : costs.of("roll") + far;
        }
        boolean isForLead = asked == 0 && (struck.isOnBeat() || order.hand().isStrict());
        return far + (isForLead && finger != order.hand().lead() ? costs.of("not lead") : 0);
    }

    @Override
    public double begin(int state, int string, Struck struck) {
        return own(state + 1, string, struck);
    }

    @Override
    public void next(int state, Step step, Sink sink) {
        if (step.struck().demand().join() == Demand.Join.SAME_BOW) {
            sink.stroke(state, 0);
            return;
        }
        for (int to = 0; to < states() && !step.isSoonerThan(HandTimes.BANJO_FINGER); to++) {
            if (isTooNear(step, to == state)) {
                continue;
            }
            double cost = own(to + 1, step.to(), step.struck());
            if (to == state) {
                cost += step.isSoonerThan(again(to + 1))
                        ? Double.POSITIVE_INFINITY
                        : StringCosts.forgiven(costs.of("again"), step.before(), step.struck());
            }
            cost += step.from() == step.to() ? costs.of("string again") : 0;
            if (cost < Double.POSITIVE_INFINITY) {
                sink.stroke(to, cost);
            }
        }
    }

    /** Whether the note is to be on another string, or with another finger, than the one before and is not. */
    private static boolean isTooNear(Step step, boolean isSameFinger) {
        return switch (step.struck().demand().apart()) {
            case NOTHING -> false;
            case FINGER -> isSameFinger;
            case STRING -> isSameFinger || step.from() == step.to();
        };
    }

    private static double again(int finger) {
        return PickingHand.isNail(finger) ? HandTimes.BANJO_NAIL_AGAIN : HandTimes.BANJO_SAME_FINGER;
    }

    @Override
    public StringWay way(StringHold hold, int state) {
        return new StringWay(hold, true, false, state + 1);
    }
}
