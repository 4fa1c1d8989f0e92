package wildflourish.core.growing;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The most that some notes of a phrase can still bring from a boundary on, by the weight so far, the ornaments of the bar and whether somebody could breathe: neighbours and techniques left
 * aside, so it is told too high at most. It is told for each way in which what follows can end; −infinity is {@link #NEVER}.
 */
final class Hope {
    static final int NEVER = Integer.MIN_VALUE / 4;

    /** What is hoped for after the last note. */
    interface After {
        /** By way of ending. */
        int[] of(int weight, int count, int breath);
    }

    private final Walk walk;
    private final Prospect prospect;
    private final int first;
    private final int times;
    private final Level.Load load;
    private final List<List<Step>> steps;
    private final int ends;
    private final After after;
    private final int counts;
    private final int breaths;
    /** By boundary, weight, ornaments of the bar, breath; found when it is asked for. */
    private final int[][] most;

    /**
     * Of some notes.
     *
     * @param prospect of just them
     * @param steps for each of them what can be chosen
     * @param times how often what depends on several choices counts
     * @param ends in how many ways what follows can end
     */
    Hope(Walk walk, Prospect prospect, List<List<Step>> steps, int times, Level.Load load, int ends, After after) {
        this.walk = walk;
        this.prospect = prospect;
        this.first = prospect.first();
        this.times = times;
        this.load = load;
        this.ends = ends;
        this.after = after;
        this.steps = steps.stream().map(Hope::bounding).toList();
        this.breaths = walk.isBlown() ? 2 : 1;
        int thickest = 1;
        for (List<Step> here : steps) {
            for (Step step : here) {
                thickest = Math.max(thickest, 1 + walk.mostIn(step.bar()));
            }
        }
        this.counts = thickest;
        this.most = new int[(steps.size() + 1) * (load.most() + 1) * counts * breaths][];
    }

    private record Size(boolean isPlain, int notes, int weight, boolean isBreath) {}

    /** Of the steps that go as far and weigh as much only the dearest. */
    private static List<Step> bounding(List<Step> steps) {
        Map<Size, Step> dearest = new LinkedHashMap<>();
        for (Step step : steps) {
            dearest.merge(
                    new Size(step.isPlain(), step.notes(), step.weight(), step.isBreath()),
                    step,
                    (one, other) -> one.gain() >= other.gain() ? one : other);
        }
        return List.copyOf(dearest.values());
    }

    private int[] from(int i, int weight, int count, int breath) {
        if (i == steps.size()) {
            return after.of(weight, count, breath);
        }
        int[] best = new int[ends];
        Arrays.fill(best, NEVER);
        for (Step step : steps.get(i)) {
            int thick = step.isPlain() ? 0 : walk.thickness(step.bar(), count);
            int heavier = weight + step.weight();
            if (thick < 0 || heavier > load.most() || i + step.notes() > steps.size()) {
                continue;
            }
            int more = step.isPlain() ? count : count + 1;
            boolean isOver = prospect.isBarLine(first + i + step.notes());
            int breathed = step.isBreath() ? 1 : breath;
            int[] there = known(i + step.notes(), heavier, isOver ? 0 : more, breathed);
            int gain = step.gain() - times * thick;
            for (int end = 0; end < ends; end++) {
                best[end] = there[end] <= NEVER ? best[end] : Math.max(best[end], gain + there[end]);
            }
        }
        return best;
    }

    private int[] known(int i, int weight, int count, int breath) {
        int index = index(i, weight, count, breath);
        int[] known = most[index];
        if (known == null) {
            known = from(i, weight, count, breath);
            most[index] = known;
        }
        return known;
    }

    private int index(int boundary, int weight, int count, int breath) {
        return ((boundary * (load.most() + 1) + weight) * counts + Math.min(count, counts - 1)) * breaths + breath;
    }

    /** The most that can still come from a state on. */
    int[] of(int boundary, long state) {
        return of(boundary, Walk.weight(state), Walk.count(state), Walk.breath(state));
    }

    int[] of(int boundary, int weight, int count, int breath) {
        return known(boundary - first, weight, count, breath);
    }
}
