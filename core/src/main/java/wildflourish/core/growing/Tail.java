package wildflourish.core.growing;

import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The rest of a phrase after what it has alike with others, for each state in which that may end; without a note where it has nothing else. */
final class Tail {
    private static final int NEVER = Hope.NEVER;

    private final Walk walk;
    private final Level.Load load;
    private final List<List<Step>> steps;
    private final Lattice lattice;
    /** What neighbours see of the phrase in one way or another. */
    private List<Integer> looks = List.of();

    Tail(Walk walk, NoteRow row, NoteRow.Stretch stretch, List<List<Option>> options) {
        this.walk = walk;
        this.load = walk.load(stretch);
        int first = stretch.first() + stretch.trunk();
        this.steps = Planner.steps(row, options.subList(first, stretch.last()), stretch.last());
        Prospect prospect = new Prospect(row, first, stretch.last(), steps, 0, true, row.isBarLine(stretch.last()));
        int ends = walk.isBlown() ? 2 : 1;
        Hope hope = new Hope(walk, prospect, steps, 1, load, ends, this::ended);
        this.lattice = new Lattice(walk, prospect, steps, 1, load, hope);
    }

    /** The worth of a phrase that is over, by whether somebody could breathe. */
    private int[] ended(int weight, int count, int breath) {
        int[] worth = new int[walk.isBlown() ? 2 : 1];
        Arrays.fill(worth, NEVER);
        worth[breath] = -Level.cost(load, weight);
        return worth;
    }

    /** The most that it can bring after a state, by whether somebody could breathe in the phrase. */
    int[] hope(long state) {
        return lattice.hope().of(lattice.first(), lattice.entering(state));
    }

    /** The techniques that can be chosen in it, one bit each. */
    long kinds() {
        return lattice.kinds();
    }

    void explore(Map<Long, int[]> entries) {
        lattice.explore(entries);
        Set<Integer> seen = new LinkedHashSet<>();
        lattice.ends().forEach(end -> seen.add(walk.look(end.state())));
        looks = List.copyOf(seen);
        lattice.backward(looks.size(), this::ended);
    }

    private int[] ended(Lattice.Node end) {
        int[] worth = new int[looks.size()];
        Arrays.fill(worth, NEVER);
        worth[looks.indexOf(walk.look(end.state()))] = -Walk.end(end.state(), load);
        return worth;
    }

    /** What neighbours may see of the phrase: {@link #worths} has them in this order. */
    List<Integer> looks() {
        return looks;
    }

    /** The best worth after a state for each of {@link #looks}. */
    int[] worths(long state) {
        return lattice.entry(state).after();
    }

    /** The best worth after a state where neighbours see something. */
    int worth(long state, int look) {
        int index = looks.indexOf(look);
        return index < 0 ? NEVER : worths(state)[index];
    }

    void take(long state, int look, List<Option> chosen) {
        lattice.take(state, looks.indexOf(look), step -> addTo(chosen, step));
    }

    private static void addTo(List<Option> chosen, Step step) {
        if (!step.isPlain()) {
            chosen.add(step.dearest());
        }
    }

    /**
     * The worth of the best way through every option of it.
     *
     * @param around for each state in which it is entered, for each of {@link #looks} the worth of all the rest
     */
    Map<Option, Integer> price(Map<Long, int[]> around) {
        lattice.forward(looks.size(), around);
        return Planner.through(steps, lattice.through());
    }
}
