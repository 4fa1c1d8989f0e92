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
    /** For each stage the states that are reached, and where their labels came from, as labels of the stage before. */
    private final List<int[]> reached = new ArrayList<>();

    private final List<int[]> origins = new ArrayList<>();
    /** The labels of the last stage reached. */
    private Labels labels;
    /** Those of the next one; the two are used by turns. */
    private Labels spare;

    private Trellis(Stages stages, int depth, int few, double most) {
        this.stages = stages;
        this.depth = depth;
        this.few = few;
        this.most = most;
        int states = 0;
        for (int stage = 0; stage < stages.count(); stage++) {
            states = Math.max(states, stages.states(stage));
        }
        this.labels = new Labels(stages, depth, states);
        this.spare = new Labels(stages, depth, states);
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
        for (int state = 0; state < stages.states(0); state++) {
            labels.begin(state, stages.begin(state));
        }
        keep();
        boolean isReached = labels.count > 0;
        for (int stage = 0; stage + 1 < stages.count() && isReached; stage++) {
            isReached = advance(stage);
        }
        int best = labels.least();
        if (best < 0) {
            return new Result(Optional.empty(), reached.size() - 1);
        }
        int second = depth > 1 ? labels.leastBut(labels.signs[best]) : -1;
        Found found = new Found(
                way(best, labels.costs[best]),
                second < 0 ? Optional.empty() : Optional.of(way(second, labels.costs[second])));
        return new Result(Optional.of(found), stages.count());
    }

    /** Goes on to the next stage; whether any of its states is reached. */
    private boolean advance(int stage) {
        double followed = followed(stage);
        spare.clear(stage + 1);
        for (int state : reached.get(stage)) {
            double cost = labels.costs[depth * state];
            if (followed == NEVER || cost + stages.atLeast(stage, state) <= followed) {
                spare.from(labels, state);
                stages.moves(stage, state, spare);
            }
        }
        Labels before = labels;
        labels = spare;
        spare = before;
        keep();
        return labels.count > 0;
    }

    private void keep() {
        int[] states = labels.reached();
        int[] from = new int[depth * states.length];
        for (int i = 0; i < states.length; i++) {
            System.arraycopy(labels.origins, depth * states[i], from, depth * i, depth);
        }
        reached.add(states);
        origins.add(from);
    }

    /** What a way through a state of a stage may cost to be followed. */
    private double followed(int stage) {
        if (few == Integer.MAX_VALUE) {
            return most;
        }
        double[] least = new double[few];
        Arrays.fill(least, NEVER);
        for (int state : reached.get(stage)) {
            double cost = labels.costs[depth * state] + stages.atLeast(stage, state);
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

    /** The labels of a stage: for each state the cheapest way to it, then the next cheapest where that is wanted, of ways that differ; and where they came from. */
    private static final class Labels implements Sink {
        private final Stages stages;
        private final int depth;
        private final double[] costs;
        private final int[] origins;
        /** A number that ways have in common only where their states are not told apart. */
        private final long[] signs;
        /** The states that are reached, as they were. */
        private final int[] states;

        private int count;
        private int stage;
        private double first;
        private double second;
        private long firstSign;
        private long secondSign;
        private int state;

        Labels(Stages stages, int depth, int most) {
            this.stages = stages;
            this.depth = depth;
            this.costs = new double[depth * most];
            this.origins = new int[depth * most];
            this.signs = new long[depth > 1 ? depth * most : 0];
            this.states = new int[most];
            Arrays.fill(costs, NEVER);
        }

        /** Empty, for another stage. */
        void clear(int other) {
            for (int i = 0; i < count; i++) {
                Arrays.fill(costs, depth * states[i], depth * states[i] + depth, NEVER);
            }
            count = 0;
            stage = other;
        }

        /** Those for two labels in order, so that what costs the same is told in one order always; for one the order is seen to where they are compared. */
        int[] reached() {
            int[] all = Arrays.copyOf(states, count);
            if (depth > 1) {
                Arrays.sort(all);
            }
            return all;
        }

        void begin(int at, double cost) {
            if (cost < NEVER) {
                reach(at);
                costs[depth * at] = cost;
                if (depth > 1) {
                    signs[depth * at] = sign(1, stages.told(0, at));
                }
            }
        }

        /** What follows is told of moves from a state of the stage before. */
        void from(Labels before, int at) {
            state = at;
            first = before.costs[depth * at];
            if (depth > 1) {
                second = before.costs[depth * at + 1];
                firstSign = before.signs[depth * at];
                secondSign = before.signs[depth * at + 1];
            }
        }

        private void reach(int at) {
            if (costs[depth * at] == NEVER) {
                states[count++] = at;
            }
        }

        @Override
        public void move(int to, double cost) {
            if (depth == 1) {
                double whole = first + cost;
                if (whole < costs[to] || (whole == costs[to] && whole < NEVER && state < origins[to])) {
                    reach(to);
                    costs[to] = whole;
                    origins[to] = state;
                }
                return;
            }
            if (first + cost < costs[2 * to + 1]) {
                int told = stages.told(stage, to);
                put(to, first + cost, 2 * state, sign(firstSign, told));
                if (second + cost < costs[2 * to + 1]) {
                    put(to, second + cost, 2 * state + 1, sign(secondSign, told));
                }
            }
        }

        /** Of a label cheaper than the second one of its state. */
        private void put(int to, double cost, int origin, long sign) {
            reach(to);
            int at = 2 * to;
            boolean isSame = costs[at] < NEVER && signs[at] == sign;
            if (cost < costs[at]) {
                if (!isSame) {
                    costs[at + 1] = costs[at];
                    origins[at + 1] = origins[at];
                    signs[at + 1] = signs[at];
                }
                set(at, cost, origin, sign);
            } else if (!isSame) {
                set(at + 1, cost, origin, sign);
            }
        }

        private void set(int at, double cost, int origin, long sign) {
            costs[at] = cost;
            origins[at] = origin;
            signs[at] = sign;
        }

        /** The cheapest label; -1 where there is none. */
        int least() {
            int least = -1;
            for (int at : reached()) {
                int label = depth * at;
                boolean isLess =
                        least < 0 || costs[label] < costs[least] || (costs[label] == costs[least] && label < least);
                least = isLess ? label : least;
            }
            return least;
        }

        /** The cheapest of a way with another sign. */
        int leastBut(long sign) {
            int least = -1;
            for (int at : reached()) {
                for (int label = depth * at; label < depth * at + depth; label++) {
                    boolean isOther = costs[label] < NEVER && signs[label] != sign;
                    least = isOther && (least < 0 || costs[label] < costs[least]) ? label : least;
                }
            }
            return least;
        }
    }

    private Way way(int label, double cost) {
        Integer[] states = new Integer[stages.count()];
        int at = label;
        for (int stage = stages.count() - 1; stage >= 0; stage--) {
            states[stage] = at / depth;
            int[] its = reached.get(stage);
            int place = 0;
            while (its[place] != at / depth) {
                place++;
            }
            at = origins.get(stage)[depth * place + at % depth];
        }
        return new Way(Arrays.asList(states), cost);
    }
}
