package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * The states of a phrase that lie on some way worth knowing: not more than the greatest price below the best way of which the neighbours see as much breath. What can still be had
 * from a state on is told too high at most, neighbours and techniques left aside, so nothing is lost.
 */
final class Reach {
    private static final int NEVER = Integer.MIN_VALUE / 4;
    private static final int FIRST_GUESS = 24;

    private final Walk walk;
    private final NoteRow.Stretch stretch;
    private final Level.Load load;
    private final List<List<Option>> options;
    private final int counts;
    /** By boundary, weight, ornaments of the bar, breath so far: the most that can still come, for a phrase that ends without breath and for one with. */
    private final int[][] ahead;

    private final List<Map<Long, Integer>> reached = new ArrayList<>();

    /**
     * Of a phrase by itself.
     *
     * @param below how many points below the best way a way is still worth knowing, what neighbours may make of it included
     */
    Reach(Walk walk, NoteRow.Stretch stretch, List<List<Option>> options, int below) {
        this.walk = walk;
        this.stretch = stretch;
        this.load = walk.load(stretch);
        this.options = options;
        this.counts = 16;
        this.ahead = ahead();
        int start = index(stretch.first(), Walk.START);
        int[] best = {ahead[start][0] - FIRST_GUESS, ahead[start][1] - FIRST_GUESS};
        int step = FIRST_GUESS;
        boolean isSure = false;
        while (!isSure) {
            int[] found = run(best, below);
            isSure = true;
            for (int breath = 0; breath < 2; breath++) {
                boolean isPossible = ahead[start][breath] > NEVER;
                if (isPossible && found[breath] < best[breath]) {
                    isSure = false;
                    best[breath] = found[breath] > NEVER ? found[breath] : best[breath] - step;
                    // Nothing is this far below what was hoped for.
                    if (best[breath] < ahead[start][breath] - 4096) {
                        best[breath] = NEVER;
                        ahead[start][breath] = NEVER;
                    }
                }
            }
            step *= 2;
        }
    }

    boolean has(int boundary, long state) {
        return reached.get(boundary - stretch.first()).containsKey(state);
    }

    private int index(int boundary, long state) {
        return index(boundary, Walk.weight(state), Walk.count(state), Walk.breath(state));
    }

    private int index(int boundary, int weight, int count, int breath) {
        return (((boundary - stretch.first()) * (load.most() + 1) + weight) * counts + count) * 2 + breath;
    }

    private int[][] ahead() {
        int all = (stretch.last() - stretch.first() + 1) * (load.most() + 1) * counts * 2;
        int[][] most = new int[all][2];
        for (int[] each : most) {
            Arrays.fill(each, NEVER);
        }
        for (int weight = 0; weight <= load.most(); weight++) {
            for (int count = 0; count < counts; count++) {
                for (int breath = 0; breath < 2; breath++) {
                    most[index(stretch.last(), weight, count, breath)][breath] = -Level.cost(load, weight);
                }
            }
        }
        for (int at = stretch.last() - 1; at >= stretch.first(); at--) {
            for (int weight = 0; weight <= load.most(); weight++) {
                for (int count = 0; count < counts; count++) {
                    for (int breath = 0; breath < 2; breath++) {
                        int[] here = most[index(at, weight, count, breath)];
                        for (Option option : options.get(at)) {
                            ahead(most, here, option, Walk.bare(weight, count, breath));
                        }
                    }
                }
            }
        }
        return most;
    }

    private void ahead(int[][] most, int[] here, Option option, long bare) {
        int gain = option.to() > stretch.last() ? Walk.REFUSED : walk.gain(bare, option, 1, load);
        if (gain == Walk.REFUSED) {
            return;
        }
        int[] there = most[index(option.to(), walk.next(bare, option))];
        for (int end = 0; end < 2; end++) {
            if (there[end] > NEVER) {
                here[end] = Math.max(here[end], gain + there[end]);
            }
        }
    }

    /** Goes forward through all states that may still come near the best; gives the best found, without breath and with. */
    private int[] run(int[] best, int below) {
        reached.clear();
        for (int at = stretch.first(); at <= stretch.last(); at++) {
            reached.add(new HashMap<>());
        }
        int[] least = {Math.max(best[0], best[1]) - below, best[1] - below};
        reached.get(0).put(Walk.START, 0);
        for (int at = stretch.first(); at < stretch.last(); at++) {
            for (Map.Entry<Long, Integer> here :
                    reached.get(at - stretch.first()).entrySet()) {
                for (Option option : options.get(at)) {
                    int gain = option.to() > stretch.last() ? Walk.REFUSED : walk.gain(here.getKey(), option, 1, load);
                    if (gain != Walk.REFUSED) {
                        long next = walk.next(here.getKey(), option);
                        int worth = here.getValue() + gain;
                        int[] still = ahead[index(option.to(), next)];
                        if (worth + still[0] >= least[0] || worth + still[1] >= least[1]) {
                            reached.get(option.to() - stretch.first()).merge(next, worth, Math::max);
                        }
                    }
                }
            }
        }
        int[] found = {NEVER, NEVER};
        reached.get(stretch.last() - stretch.first()).forEach((state, worth) -> {
            int breath = Walk.breath(state);
            found[breath] = Math.max(found[breath], worth - Walk.end(state, load));
        });
        return found;
    }
}
