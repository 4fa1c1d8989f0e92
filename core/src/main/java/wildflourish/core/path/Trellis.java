package wildflourish.core.path;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * The cheapest way through a row of stages, each with states numbered from 0, and the next cheapest. Exact: a shortest path through a layered graph;
 * moves may cost less than nothing.
 */
public final class Trellis {
    private static final double NEVER = Double.POSITIVE_INFINITY;
    /** How many states of a stage are followed when it is first asked what a way may cost. */
    private static final int FEW = 3;
    /** Sums of costs may differ by so much by the order they are summed in. */
    private static final double ROUNDING = 1e-6;

    private final Stages stages;
    /** How many labels a state has. */
    private final int depth;
    /** How many states of a stage are followed at most: those that promise the cheapest ways. */
    private final int few;
    /** No way that is looked for costs more. */
    private final double most;
    /** For each stage the labels of each state: the cheapest way to it, then the next cheapest if it is wanted; where they came from, as labels of the stage before. */
    private final List<double[]> costs = new ArrayList<>();

    private final List<int[]> origins = new ArrayList<>();
    /** Of the labels of the last stage reached: a number that ways have in common only where their states are not told apart. */
    private long[] signs = new long[0];

    private Trellis(Stages stages, int depth, int few, double most) {
        this.stages = stages;
        this.depth = depth;
        this.few = few;
        this.most = most;
    }

    /** What there is to choose, stage by stage. */
    public interface Stages {
        /** How many stages; at least one. */
        int count();

        /** How many states a stage has; where it has none there is no way. */
        int states(int stage);

        /** What it costs to begin with a state of the first stage; infinite where one cannot. */
        double begin(int state);

        /** Tells every move from a state of a stage to states of the next one. */
        void moves(int stage, int state, Sink sink);

        /** States of a stage that are told apart when it is asked whether two ways differ; those of one number are not. */
        default int told(int stage, int state) {
            return state;
        }

        /** Whether something is known of what is still to come; it spares most of the search. */
        default boolean isBounded() {
            return false;
        }

        /** What is still to come from a state on costs no less than this. */
        default double atLeast(int stage, int state) {
            return Double.NEGATIVE_INFINITY;
        }
    }

    /** Takes moves one by one. */
    public interface Sink {
        /** A move to a state of the next stage; one that costs infinitely much is none. */
        void move(int to, double cost);
    }

    /** A state for each stage, and what they cost together. */
    public record Way(List<Integer> states, double cost) {
        public Way {
            states = List.copyOf(states);
        }
    }

    /** The cheapest way and the next cheapest, which differs from it in some state. */
    public record Found(Way best, Optional<Way> runnerUp) {}

    /**
     * The ways through all stages; where there is none, how far one can go.
     *
     * @param reached how many stages can be reached; all of them where there is a way
     */
    public record Result(Optional<Found> found, int reached) {}

    public static Result through(Stages stages) {
        return through(stages, 2);
    }

    /** The same without the next cheapest way, in half the time. */
    public static Result cheapest(Stages stages) {
        return through(stages, 1);
    }

    /** Where there are bounds a first look at few states tells what a way may cost; then no state is followed from which ways cost more. */
    private static Result through(Stages stages, int depth) {
        double most = NEVER;
        if (stages.isBounded()) {
            most = new Trellis(stages, depth, FEW, NEVER)
                    .run()
                    .found()
                    .flatMap(found -> depth > 1 ? found.runnerUp() : Optional.of(found.best()))
                    .map(way -> way.cost() + ROUNDING)
                    .orElse(NEVER);
        }
        return new Trellis(stages, depth, Integer.MAX_VALUE, most).run();
    }

    private Result run() {
        begin();
        boolean isReached = least(costs.get(0)) >= 0;
        for (int stage = 0; stage + 1 < stages.count() && isReached; stage++) {
            isReached = advance(stage);
        }
        double[] last = costs.get(costs.size() - 1);
        int best = least(last);
        if (best < 0) {
            return new Result(Optional.empty(), costs.size() - 1);
        }
        int second = depth > 1 ? leastButFor(last, signs[best]) : -1;
        Found found = new Found(
                way(best, last[best]), second < 0 ? Optional.empty() : Optional.of(way(second, last[second])));
        return new Result(Optional.of(found), stages.count());
    }

    private void begin() {
        double[] first = new double[depth * stages.states(0)];
        Arrays.fill(first, NEVER);
        for (int state = 0; state < stages.states(0); state++) {
            first[depth * state] = stages.begin(state);
        }
        signs = new long[first.length];
        for (int state = 0; state < stages.states(0); state++) {
            signs[depth * state] = sign(1, stages.told(0, state));
        }
        costs.add(first);
        origins.add(new int[first.length]);
    }

    /** Goes on to the next stage; whether any of its states is reached. */
    private boolean advance(int stage) {
        double[] here = costs.get(stage);
        double[] next = new double[depth * stages.states(stage + 1)];
        int[] from = new int[next.length];
        Arrays.fill(next, NEVER);
        Labels labels = new Labels(stages, stage + 1, depth, next, from);
        double followed = followed(stage, here);
        for (int state = 0; depth * state < here.length; state++) {
            double cost = here[depth * state];
            if (cost < NEVER && (followed == NEVER || cost + stages.atLeast(stage, state) <= followed)) {
                labels.first = here[depth * state];
                labels.second = depth > 1 ? here[depth * state + 1] : NEVER;
                if (depth > 1) {
                    labels.firstSign = signs[depth * state];
                    labels.secondSign = signs[depth * state + 1];
                }
                labels.state = state;
                stages.moves(stage, state, labels);
            }
        }
        costs.add(next);
        origins.add(from);
        signs = labels.signs;
        return labels.isReached;
    }

    /** What a way through a state of a stage may cost to be followed. */
    private double followed(int stage, double[] here) {
        if (few == Integer.MAX_VALUE) {
            return most;
        }
        double[] least = new double[few];
        Arrays.fill(least, NEVER);
        for (int label = 0; label < here.length; label += depth) {
            double cost = here[label] < NEVER ? here[label] + stages.atLeast(stage, label / depth) : NEVER;
            int at = few - 1;
            if (cost < least[at]) {
                for (; at > 0 && least[at - 1] > cost; at--) {
                    least[at] = least[at - 1];
                }
                least[at] = cost;
            }
        }
        return least[few - 1];
    }

    /** Of a way that goes on with a state. */
    private static long sign(long before, int told) {
        long mixed = (before ^ (told + 0x9E3779B97F4A7C15L)) * 0xBF58476D1CE4E5B9L;
        return mixed ^ (mixed >>> 29);
    }

    /** Keeps the two cheapest labels of each state it is told of, of ways that differ. */
    private static final class Labels implements Sink {
        private final Stages stages;
        private final int stage;
        private final int depth;
        private final double[] next;
        private final int[] from;
        private final long[] signs;
        private double first;
        private double second;
        private long firstSign;
        private long secondSign;
        private int state;
        private boolean isReached;

        Labels(Stages stages, int stage, int depth, double[] next, int[] from) {
            this.stages = stages;
            this.stage = stage;
            this.depth = depth;
            this.next = next;
            this.from = from;
            this.signs = new long[depth > 1 ? next.length : 0];
        }

        @Override
        public void move(int to, double cost) {
            if (depth == 1) {
                if (first + cost < next[to]) {
                    next[to] = first + cost;
                    from[to] = state;
                    isReached = true;
                }
                return;
            }
            if (first + cost < next[2 * to + 1]) {
                int told = stages.told(stage, to);
                put(to, first + cost, 2 * state, sign(firstSign, told));
                if (second + cost < next[2 * to + 1]) {
                    put(to, second + cost, 2 * state + 1, sign(secondSign, told));
                }
            }
        }

        /** Of a label cheaper than the second one of its state. */
        private void put(int to, double cost, int origin, long sign) {
            int at = 2 * to;
            boolean isSame = next[at] < NEVER && signs[at] == sign;
            if (cost < next[at]) {
                if (!isSame) {
                    next[at + 1] = next[at];
                    from[at + 1] = from[at];
                    signs[at + 1] = signs[at];
                }
                set(at, cost, origin, sign);
            } else if (!isSame) {
                set(at + 1, cost, origin, sign);
            }
        }

        private void set(int at, double cost, int origin, long sign) {
            isReached = true;
            next[at] = cost;
            from[at] = origin;
            signs[at] = sign;
        }
    }

    private int leastButFor(double[] labels, long sign) {
        int least = -1;
        for (int i = 0; i < labels.length; i++) {
            if (labels[i] < NEVER && signs[i] != sign && (least < 0 || labels[i] < labels[least])) {
                least = i;
            }
        }
        return least;
    }

    private static int least(double[] labels) {
        int least = -1;
        for (int i = 0; i < labels.length; i++) {
            if (labels[i] < NEVER && (least < 0 || labels[i] < labels[least])) {
                least = i;
            }
        }
        return least;
    }

    private Way way(int label, double cost) {
        Integer[] states = new Integer[stages.count()];
        int at = label;
        for (int stage = stages.count() - 1; stage >= 0; stage--) {
            states[stage] = at / depth;
            at = origins.get(stage)[at];
        }
        return new Way(Arrays.asList(states), cost);
    }
}
