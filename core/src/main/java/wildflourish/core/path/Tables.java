package wildflourish.core.path;

import java.util.Arrays;

/**
 * What it costs at the least to come to each state of a trellis and to go on from it, so that other stages can be put in place of some without a search over all.
 */
public final class Tables {
    private static final double NEVER = Double.POSITIVE_INFINITY;

    /** By stage and state, from the beginning up to and with that stage. */
    private final double[][] forward;
    /** By stage and state, from after that stage to the end. */
    private final double[][] backward;

    private Tables(double[][] forward, double[][] backward) {
        this.forward = forward;
        this.backward = backward;
    }

    /** Of a whole trellis. */
    public static Tables of(Trellis.Stages stages) {
        int count = stages.count();
        double[][] forward = new double[count][];
        double[][] backward = new double[count][];
        for (int stage = 0; stage < count; stage++) {
            forward[stage] = new double[stages.states(stage)];
            Arrays.fill(forward[stage], NEVER);
        }
        for (int state = 0; state < forward[0].length; state++) {
            forward[0][state] = stages.begin(state);
        }
        for (int stage = 0; stage + 1 < count; stage++) {
            forward(stages, stage, forward[stage], forward[stage + 1]);
        }
        backward[count - 1] = new double[stages.states(count - 1)];
        for (int stage = count - 2; stage >= 0; stage--) {
            backward[stage] = backward(stages, stage, backward[stage + 1]);
        }
        return new Tables(forward, backward);
    }

    private static void forward(Trellis.Stages stages, int stage, double[] here, double[] next) {
        for (int state = 0; state < here.length; state++) {
            double so = here[state];
            if (so < NEVER) {
                stages.moves(stage, state, (to, cost) -> next[to] = Math.min(next[to], so + cost));
            }
        }
    }

    /** The cheapest way through; infinite where there is none. */
    public double total() {
        return least(forward[forward.length - 1]);
    }

    /**
     * What the cheapest way costs with other stages in place of some. The other stages are those changed, with the one before and the one after them as they are, where there
     * are such.
     *
     * @param first the first changed stage of the whole
     * @param last the last one
     */
    public double with(Trellis.Stages others, int first, int last) {
        int begin = Math.max(0, first - 1);
        double[] here = new double[others.states(0)];
        for (int state = 0; state < here.length; state++) {
            here[state] = first == 0 ? others.begin(state) : forward[begin][state];
        }
        for (int stage = 0; stage + 1 < others.count(); stage++) {
            double[] next = new double[others.states(stage + 1)];
            Arrays.fill(next, NEVER);
            forward(others, stage, here, next);
            here = next;
        }
        if (last + 1 < forward.length) {
            for (int state = 0; state < here.length; state++) {
                here[state] += backward[last + 1][state];
            }
        }
        return least(here);
    }

    /**
     * The same through each state of one of the other stages.
     *
     * @param at which of the others, from 0
     */
    public double[] through(Trellis.Stages others, int first, int last, int at) {
        double[] here = new double[others.states(0)];
        for (int state = 0; state < here.length; state++) {
            here[state] = first == 0 ? others.begin(state) : forward[first - 1][state];
        }
        for (int stage = 0; stage < at; stage++) {
            double[] next = new double[others.states(stage + 1)];
            Arrays.fill(next, NEVER);
            forward(others, stage, here, next);
            here = next;
        }
        double[] onwards =
                last + 1 < forward.length ? backward[last + 1] : new double[others.states(others.count() - 1)];
        for (int stage = others.count() - 2; stage >= at; stage--) {
            onwards = backward(others, stage, onwards);
        }
        double[] whole = new double[here.length];
        for (int state = 0; state < whole.length; state++) {
            whole[state] = here[state] + onwards[state];
        }
        return whole;
    }

    /** From after each state of a stage to the end, where that is known of the next. */
    private static double[] backward(Trellis.Stages stages, int stage, double[] next) {
        double[] here = new double[stages.states(stage)];
        for (int state = 0; state < here.length; state++) {
            double[] least = {NEVER};
            stages.moves(stage, state, (to, cost) -> least[0] = Math.min(least[0], cost + next[to]));
            here[state] = least[0];
        }
        return here;
    }

    private static double least(double[] costs) {
        return Arrays.stream(costs).min().orElse(NEVER);
    }

    @Override
    public String toString() {
        return "tables of " + forward.length + " stages, " + total() + " in all";
    }
}
