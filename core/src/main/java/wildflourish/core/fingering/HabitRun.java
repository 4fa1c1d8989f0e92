package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.path.Trellis;

/**
 * Notes that follow each other, as stages of a trellis whose states remember how each note was fingered last in the phrase, where the note comes again in it and can be
 * fingered otherwise. Exact; where a phrase has too many such notes, those that come most often are remembered.
 */
final class HabitRun implements Trellis.Stages {
    /** How many notes of a phrase are remembered at most. */
    private static final int MOST_REMEMBERED = 6;

    private final List<FingeringPath.Stage> stages;
    private final Costs costs;
    private final Habit habit;
    private final List<Set<Integer>> worth;
    private final List<List<State>> states = new ArrayList<>();
    private final List<Map<State, Integer>> numbers = new ArrayList<>();

    /**
     * A fingering, and what is remembered.
     *
     * @param remembered for each note, by its number of the keyboard, the index of its last fingering
     */
    private record State(int fingering, Map<Integer, Integer> remembered) {}

    HabitRun(List<FingeringPath.Stage> stages, Costs costs, Habit habit) {
        this.stages = stages;
        this.costs = costs;
        this.habit = habit;
        this.worth = worth();
        for (int stage = 0; stage < stages.size(); stage++) {
            Map<State, Integer> its = new LinkedHashMap<>();
            for (State before : stage == 0 ? List.of(new State(0, Map.of())) : states.get(stage - 1)) {
                for (int to = 0; to < stages.get(stage).fingerings().size(); to++) {
                    its.putIfAbsent(next(stage, before, to, worth.get(stage)), its.size());
                }
            }
            states.add(List.copyOf(its.keySet()));
            numbers.add(its);
        }
    }

    private int midi(int stage) {
        return stages.get(stage).note().melody().midi();
    }

    /** For each stage the notes that come again later in its phrase and can be fingered in several ways. */
    private List<Set<Integer>> worth() {
        List<Set<Integer>> worth = new ArrayList<>();
        int from = 0;
        while (from < stages.size()) {
            int to = from + 1;
            while (to < stages.size()
                    && !habit.begins().contains(stages.get(to).note().id())) {
                to++;
            }
            Map<Integer, Integer> last = new HashMap<>();
            Map<Integer, Integer> counts = new TreeMap<>();
            for (int i = from; i < to; i++) {
                if (stages.get(i).fingerings().size() > 1) {
                    last.put(midi(i), i);
                    counts.merge(midi(i), 1, Integer::sum);
                }
            }
            Set<Integer> oftenest = counts.entrySet().stream()
                    .filter(entry -> entry.getValue() > 1)
                    .sorted(Map.Entry.<Integer, Integer>comparingByValue(Comparator.reverseOrder())
                            .thenComparing(Map.Entry.comparingByKey()))
                    .limit(MOST_REMEMBERED)
                    .map(Map.Entry::getKey)
                    .collect(Collectors.toSet());
            for (int i = from; i < to; i++) {
                int at = i;
                worth.add(oftenest.stream()
                        .filter(midi -> last.getOrDefault(midi, -1) > at)
                        .collect(Collectors.toSet()));
            }
            from = to;
        }
        return worth;
    }

    private boolean begins(int stage) {
        return stage == 0 || habit.begins().contains(stages.get(stage).note().id());
    }

    private State next(int stage, State before, int to, Set<Integer> kept) {
        Map<Integer, Integer> remembered = new TreeMap<>();
        if (!begins(stage)) {
            before.remembered().forEach((midi, fingering) -> {
                if (kept.contains(midi)) {
                    remembered.put(midi, fingering);
                }
            });
        }
        if (kept.contains(midi(stage))) {
            remembered.put(midi(stage), to);
        }
        return new State(to, remembered);
    }

    /** Which fingering a state is. */
    int fingering(int stage, int state) {
        return states.get(stage).get(state).fingering();
    }

    @Override
    public int count() {
        return stages.size();
    }

    @Override
    public int states(int stage) {
        return states.get(stage).size();
    }

    @Override
    public double begin(int state) {
        return stages.get(0).costs().get(fingering(0, state));
    }

    @Override
    public void moves(int stage, int state, Trellis.Sink sink) {
        State from = states.get(stage).get(state);
        Fingering before = stages.get(stage).fingerings().get(from.fingering());
        FingeringPath.Stage next = stages.get(stage + 1);
        Integer last = begins(stage + 1) ? null : from.remembered().get(midi(stage + 1));
        for (int to = 0; to < next.fingerings().size(); to++) {
            double other = last == null || last == to ? 0 : habit.price();
            Integer number = numbers.get(stage + 1).get(next(stage + 1, from, to, worth.get(stage + 1)));
            if (number != null) {
                sink.move(
                        number,
                        costs.ofMove(before, next.fingerings().get(to))
                                + next.costs().get(to)
                                + other);
            }
        }
    }
}
