package wildflourish.core.fingering;

import wildflourish.core.instrument.Strings;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.music.Fraction;

/**
 * The hand that makes strings sound, as states beside the places of the other hand: for a bow its direction and how many notes it has taken, for a pick its
 * direction, for a banjo hand the finger.
 */
interface Strokes {
    /** Takes one stroke after another. */
    interface Sink {
        void stroke(int state, double cost);
    }

    int states();

    /** What it costs to begin with a state; infinite where one cannot. */
    double begin(int state, int string, Struck struck);

    /** Every state that may follow one, with its cost. */
    void next(int state, Step step, Sink sink);

    /** The way of a state with a hold. */
    StringWay way(StringHold hold, int state);

    /** Whether a state makes all strings of a hold sound. */
    default boolean canTake(StringHold hold, int state) {
        return true;
    }

    /** From a note on one string to the next on another, each by its index. */
    record Step(int from, int to, boolean isSamePitch, Struck before, Struck struck) {
        /** Whether the notes follow each other sooner than so many milliseconds. */
        boolean isSoonerThan(double millis) {
            return HandTimes.between(before, struck) < millis;
        }
    }

    static Strokes of(Strings strings, StrokeOrder order, StringCosts costs) {
        return switch (strings.stroke()) {
            case BOW -> new Bow(order, costs);
            case PICK -> new Pick(order, costs);
            case BANJO -> new BanjoStrokes(strings, order, costs);
        };
    }

    /** Directions down 0 and up 1, each with the notes taken, from 1 to 4 or more. A line that begins on a beat begins down, or it costs as much as a retake. */
    record Bow(StrokeOrder order, StringCosts costs) implements Strokes {
        private static final int MOST = 4;
        private static final int LONG = 4;
        private static final double HALF = 0.5;

        @Override
        public int states() {
            return 2 * MOST;
        }

        /** The first beat of a bar is the strong one, the others weigh half. */
        private static double weight(Struck struck) {
            return struck.quaver() == 0 ? 1 : struck.isOnBeat() ? HALF : 0;
        }

        private double phrase(Struck struck) {
            return struck.beginsPhrase() ? costs.of("phrase") : 0;
        }

        private StrokeOrder orderAt(Struck struck) {
            return struck.demand().order().orElse(order);
        }

        /** Whether the order joins a note to the one before; the first of a phrase it never does. */
        private boolean isJoined(Struck struck) {
            StrokeOrder here = orderAt(struck);
            return !struck.beginsPhrase() && here.joined().get(Math.floorMod(struck.quaver(), here.quavers()));
        }

        /** Where the order carries a bow over the bar line that bow is an up one, and so is the first of a phrase. */
        private boolean isOverBar(Struck struck) {
            return struck.quaver() == 0
                    && struck.beginsQuaver()
                    && orderAt(struck).joined().get(0);
        }

        private double fresh(int direction, Struck struck) {
            double up = struck.demand().extra().onUp();
            double joined = isJoined(struck) ? costs.of("order") : 0;
            if (isOverBar(struck)) {
                return (direction == 1 ? up : weight(struck) * costs.of("beat") + phrase(struck)) + joined;
            }
            return (direction == 1 ? weight(struck) * costs.of("beat") + phrase(struck) + up : 0) + joined;
        }

        @Override
        public double begin(int state, int string, Struck struck) {
            if (state % MOST > 0) {
                return Double.POSITIVE_INFINITY;
            }
            return isOverBar(struck)
                    ? direction(state) == 1 ? 0 : costs.of("order")
                    : direction(state) == 1 && struck.isOnBeat() ? costs.of("retake") : 0;
        }

        private static int direction(int state) {
            return state / MOST;
        }

        @Override
        public void next(int state, Step step, Sink sink) {
            int entry = direction(state);
            int direction = step.before().demand().turns() ? 1 - entry : entry;
            boolean isAfterRest = step.struck().restMillis() > 0;
            Demand.Join join = step.struck().demand().join();
            if (!step.isSoonerThan(HandTimes.BOW_STROKE) && join != Demand.Join.SAME_BOW) {
                sink.stroke((1 - direction) * MOST, fresh(1 - direction, step.struck()));
                sink.stroke(direction * MOST, fresh(direction, step.struck()) + (isAfterRest ? 0 : costs.of("retake")));
            }
            int taken = (step.before().demand().more() > 0 ? 0 : state % MOST) + 1;
            boolean mayGoOn = !step.isSamePitch() || step.struck().demand().partsEqual();
            if (!isAfterRest && mayGoOn && join != Demand.Join.NEW_BOW) {
                double cost = phrase(step.struck()) + (isJoined(step.struck()) ? 0 : costs.of("order"));
                cost += step.before().demand().extra().slurAfter();
                cost += taken >= LONG ? costs.of("long slur") : 0;
                cost += Math.abs(step.to() - step.from()) > 1 ? costs.of("slur skip") : 0;
                sink.stroke(direction * MOST + Math.min(taken, MOST - 1), cost);
            }
        }

        @Override
        public StringWay way(StringHold hold, int state) {
            return new StringWay(hold, direction(state) == 0, state % MOST > 0, 0);
        }
    }

    /** Down 0, up 1. Where the left hand makes a note by itself, the pick swings on in the air. */
    record Pick(StrokeOrder order, StringCosts costs) implements Strokes {
        /** A note of a quaver and a half leaves the pick time to swing back. */
        private static final Fraction SWINGS_BACK = Fraction.of(3, 16);

        @Override
        public int states() {
            return 2;
        }

        private double own(int state, Struck struck) {
            StrokeOrder here = struck.demand().order().orElse(order);
            boolean isDown = here.down().get(Math.floorMod(struck.quaver(), here.quavers()));
            return (state == 1 && struck.isOnBeat() ? costs.of("pick beat") : 0)
                    + (isDown == (state == 0) || !struck.beginsQuaver() ? 0 : costs.of("order"));
        }

        @Override
        public double begin(int state, int string, Struck struck) {
            return own(state, struck);
        }

        @Override
        public void next(int state, Step step, Sink sink) {
            if (step.struck().demand().join() == Demand.Join.SAME_BOW) {
                int ended = step.before().demand().turns() ? 1 - state : state;
                sink.stroke(1 - ended, 0);
                return;
            }
            for (int to = 0; to < 2 && !step.isSoonerThan(HandTimes.PICK_STROKE); to++) {
                int last = step.before().demand().turns() ? 1 - state : state;
                boolean isTwice = to == last && step.struck().restMillis() == 0 && !isOfOrder(step, last, to);
                sink.stroke(to, own(to, step.struck()) + (isTwice ? costs.of("pick twice") : 0));
            }
        }

        /** Whether one direction twice is as the order has it, or the notes lie so far apart that the pick swings back between. */
        private boolean isOfOrder(Step step, int last, int to) {
            boolean isFar = !step.before().length().isLessThan(SWINGS_BACK);
            return isFar || (own(last, step.before()) == 0 && own(to, step.struck()) == 0);
        }

        @Override
        public StringWay way(StringHold hold, int state) {
            return new StringWay(hold, state == 0, false, 0);
        }
    }
}
