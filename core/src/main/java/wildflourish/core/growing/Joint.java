package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiPredicate;

/**
 * The best that the stages of a stair can be together in one phrase, everything nested: found by going through the phrase with all stages at once. What phrases cost beside each other is left
 * aside, so over a whole tune it is told too high at most.
 */
final class Joint {
    private static final int NEVER = Hope.NEVER;
    /** Beside rounding. */
    private static final double NEXT_TO_NOTHING = 1e-9;

    private final NoteRow.Stretch phrase;
    private final BiPredicate<Option, Option> isBorne;
    private final int mostLabels;
    private final List<Lane> lanes = new ArrayList<>();
    private final Map<Bearer, List<Filling>> known = new HashMap<>();

    /** One stage in the phrase, with what a point of it counts. */
    private static final class Lane {
        private final double weight;
        private final Walk walk;
        private final Prospect prospect;
        private final Hope hope;
        private final Level.Load load;
        private final List<List<Option>> options;
        private final Map<Option, Step> steps = new HashMap<>();

        Lane(Task task, double weight, NoteRow.Stretch phrase) {
            NoteRow row = task.row().withoutBreath();
            this.weight = weight;
            this.options = task.options();
            this.walk = new Walk(row, task.level());
            this.load = walk.load(phrase);
            List<List<Step>> all = Planner.steps(row, options.subList(phrase.first(), phrase.last()), phrase.last());
            this.prospect =
                    new Prospect(row, phrase.first(), phrase.last(), all, 0, true, row.isBarLine(phrase.last()));
            this.hope = new Hope(walk, prospect, all, 1, load, 1, this::ended);
            for (List<Option> here : options.subList(phrase.first(), phrase.last())) {
                here.forEach(option ->
                        steps.put(option, Step.of(row, List.of(option)).get(0)));
            }
        }

        private int[] ended(int heaviness, int count, int breath) {
            return new int[] {-Level.cost(load, heaviness)};
        }

        long begin() {
            return walk.settled(Walk.START, prospect.first(), prospect);
        }

        int hope(int boundary, long state) {
            return hope.of(boundary, state)[0];
        }

        /** By how much an option changes the worth from a state on; empty where it cannot be taken. */
        Optional<Taken> taken(Taken from, Option option) {
            Step step = steps.get(option);
            if (step == null) {
                return Optional.empty();
            }
            int gain = walk.gain(from.state, step, 1, load);
            if (gain == Walk.REFUSED) {
                return Optional.empty();
            }
            long reached = walk.next(from.state, step);
            if (prospect.isBarLine(option.to()) && !walk.hasEnough(reached, step.bar())) {
                return Optional.empty();
            }
            return Optional.of(new Taken(walk.settled(reached, option.to(), prospect), from.worth + gain));
        }
    }

    private record Taken(long state, int worth) {}

    /** What bears what a stage has on some notes: the number of that stage, and what the one above it has there. */
    private record Bearer(int lane, Option option) {}

    /** For each stage from the lowest up to one what it has on some notes, one after the other. */
    private record Filling(List<List<Option>> lanes) {
        Filling with(List<Option> above) {
            List<List<Option>> all = new ArrayList<>(lanes);
            all.add(above);
            return new Filling(all);
        }

        Filling then(Filling next) {
            List<List<Option>> all = new ArrayList<>();
            for (int i = 0; i < lanes.size(); i++) {
                List<Option> both = new ArrayList<>(lanes.get(i));
                both.addAll(next.lanes.get(i));
                all.add(both);
            }
            return new Filling(all);
        }
    }

    /**
     * Of one phrase.
     *
     * @param tasks of the stages, the lowest first
     * @param weights what a point of each counts
     * @param isBorne whether what stands below may stand under what stands above it
     * @param mostLabels so many ways are kept at one place at most
     */
    Joint(
            List<Task> tasks,
            double[] weights,
            NoteRow.Stretch phrase,
            BiPredicate<Option, Option> isBorne,
            int mostLabels) {
        this.phrase = phrase;
        this.isBorne = isBorne;
        this.mostLabels = mostLabels;
        for (int i = 0; i < tasks.size(); i++) {
            lanes.add(new Lane(tasks.get(i), weights[i], phrase));
        }
    }

    /** The most that the stages could be, nesting forgotten. */
    double free() {
        double free = 0;
        for (Lane lane : lanes) {
            free += lane.weight * lane.hope(phrase.first(), lane.begin());
        }
        return free;
    }

    /**
     * The most that they can be.
     *
     * @param known what some way is worth: nothing below that is followed
     * @return empty where there are too many ways to follow
     */
    OptionalDouble best(double known) {
        int notes = phrase.last() - phrase.first();
        List<Map<List<Long>, Double>> labels = new ArrayList<>();
        for (int i = 0; i <= notes; i++) {
            labels.add(new HashMap<>());
        }
        labels.get(0).put(lanes.stream().map(Lane::begin).toList(), 0.0);
        Lane top = lanes.get(lanes.size() - 1);
        long count = 0;
        for (int i = 0; i < notes; i++) {
            for (Option option : top.options.get(phrase.first() + i)) {
                if (option.to() > phrase.last()) {
                    continue;
                }
                Map<List<Long>, Double> reached = labels.get(option.to() - phrase.first());
                for (Filling filling : fillings(new Bearer(lanes.size() - 2, option))) {
                    Filling all = filling.with(List.of(option));
                    labels.get(i).forEach((states, worth) -> follow(states, worth, all, known, reached));
                }
                if (reached.size() > mostLabels) {
                    return OptionalDouble.empty();
                }
            }
            count += labels.get(i).size();
            labels.get(i).clear();
            if (count > mostLabels) {
                return OptionalDouble.empty();
            }
        }
        double best = known;
        for (Map.Entry<List<Long>, Double> each : labels.get(notes).entrySet()) {
            best = Math.max(best, each.getValue() + hope(phrase.last(), each.getKey()));
        }
        return OptionalDouble.of(best);
    }

    /** What plans of the stages are worth in the phrase. */
    double worth(List<List<Option>> plans) {
        double worth = 0;
        for (int i = 0; i < lanes.size(); i++) {
            Lane lane = lanes.get(i);
            Taken now = new Taken(lane.begin(), 0);
            int at = phrase.first();
            while (at < phrase.last()) {
                int here = at;
                Option option = plans.get(i).stream()
                        .filter(each -> each.from() == here)
                        .findFirst()
                        .orElse(Option.plain(at));
                Optional<Taken> next = lane.taken(now, option);
                if (next.isEmpty()) {
                    return Double.NEGATIVE_INFINITY;
                }
                now = next.get();
                at = option.to();
            }
            worth += lane.weight * (now.worth + lane.hope(phrase.last(), now.state));
        }
        return worth;
    }

    private void follow(
            List<Long> states, double worth, Filling filling, double known, Map<List<Long>, Double> reached) {
        double sum = worth;
        Long[] after = new Long[lanes.size()];
        int to = 0;
        for (int i = 0; i < after.length; i++) {
            Taken now = new Taken(states.get(i), 0);
            for (Option option : filling.lanes.get(i)) {
                Optional<Taken> next = lanes.get(i).taken(now, option);
                if (next.isEmpty()) {
                    return;
                }
                now = next.get();
                to = option.to();
            }
            after[i] = now.state;
            sum += lanes.get(i).weight * now.worth;
        }
        List<Long> key = Arrays.asList(after);
        if (sum + hope(to, key) >= known - NEXT_TO_NOTHING) {
            reached.merge(key, sum, Math::max);
        }
    }

    private double hope(int boundary, List<Long> states) {
        double hope = 0;
        for (int i = 0; i < lanes.size(); i++) {
            int its = lanes.get(i).hope(boundary, states.get(i));
            if (its <= NEVER) {
                return Double.NEGATIVE_INFINITY;
            }
            hope += lanes.get(i).weight * its;
        }
        return hope;
    }

    /** All that may stand under something. */
    private List<Filling> fillings(Bearer bearer) {
        if (bearer.lane < 0) {
            return List.of(new Filling(List.of()));
        }
        List<Filling> found = known.get(bearer);
        if (found == null) {
            found = fillings(bearer, bearer.option.from());
            known.put(bearer, found);
        }
        return found;
    }

    private List<Filling> fillings(Bearer bearer, int from) {
        List<Filling> all = new ArrayList<>();
        for (Option option : lanes.get(bearer.lane).options.get(from)) {
            boolean isUnder = option.to() <= bearer.option.to()
                    && (option.isPlain() || (!bearer.option.isPlain() && isBorne.test(option, bearer.option)));
            if (!isUnder) {
                continue;
            }
            List<Filling> rest = option.to() == bearer.option.to() ? List.of() : fillings(bearer, option.to());
            for (Filling under : fillings(new Bearer(bearer.lane - 1, option))) {
                Filling own = under.with(List.of(option));
                if (option.to() == bearer.option.to()) {
                    all.add(own);
                }
                rest.forEach(next -> all.add(own.then(next)));
            }
        }
        return all;
    }
}
