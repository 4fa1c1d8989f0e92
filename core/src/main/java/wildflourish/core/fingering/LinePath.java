package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import wildflourish.core.path.Trellis;
import wildflourish.core.tune.NoteId;

/**
 * The cheapest way to play a line, note by note. A note that the instrument lacks parts the line in two.
 *
 * @param ways by note, tied notes alike; none for rests and for what cannot be played
 * @param cost of the whole
 * @param costs what each note adds, by note
 * @param troubles what cannot be played, in the order of the line
 * @param runnerUp what the next cheapest way would be
 */
public record LinePath<W>(
        Map<NoteId, W> ways,
        double cost,
        Map<NoteId, Double> costs,
        List<Trouble> troubles,
        Optional<RunnerUp<W>> runnerUp) {
    public LinePath {
        ways = Map.copyOf(ways);
        costs = Map.copyOf(costs);
        troubles = List.copyOf(troubles);
    }

    /** Why a note cannot be played. */
    public enum Why {
        /** The instrument does not have it. */
        MISSING,
        /** The fingers do not reach so far from the note before. */
        STUCK,
        /** Strokes, fingers or a turn of the bellows do not get there in time from the note before. */
        TOO_FAST,
        /** The bellows have no way to go on in either direction. */
        AIR,
        /** The instrument does not have a note that sounds with it. */
        SECOND_MISSING,
        /** Notes that sound together lie on one string only. */
        ONE_STRING,
        /** They lie on strings that no stroke takes together. */
        APART,
        /** No hand stops or reaches them together. */
        FINGERS,
        /** One of them sounds only pressed, another only drawn. */
        BELLOWS,
        /** There are more of them than can sound at once. */
        TOO_MANY,
        /** The instrument sounds one note at a time. */
        ONE_AT_A_TIME;

        /** Whether the melody is played all the same, with the notes under it left out. */
        public boolean leavesMelody() {
            return compareTo(AIR) > 0;
        }
    }

    /** A note that cannot be played. */
    public record Trouble(NoteId note, Why why) {}

    /**
     * The next cheapest way.
     *
     * @param more what it costs more
     * @param different the notes it takes otherwise, with their ways
     */
    public record RunnerUp<W>(double more, Map<NoteId, W> different) {
        public RunnerUp {
            different = Map.copyOf(different);
        }
    }

    public Optional<W> at(NoteId note) {
        return Optional.ofNullable(ways.get(note));
    }

    /** The same told in other words. */
    <V> LinePath<V> mapped(Function<W, V> word) {
        return new LinePath<>(
                mapped(ways, word),
                cost,
                costs,
                troubles,
                runnerUp.map(other -> new RunnerUp<>(other.more, mapped(other.different, word))));
    }

    private static <W, V> Map<NoteId, V> mapped(Map<NoteId, W> ways, Function<W, V> word) {
        Map<NoteId, V> mapped = new HashMap<>();
        ways.forEach((note, way) -> mapped.put(note, word.apply(way)));
        return mapped;
    }

    /** Notes that follow each other, as stages of a trellis. */
    interface Run<W> extends Trellis.Stages {
        List<Struck> line();

        /** The way of each note. */
        List<W> ways(Trellis.Way way);

        /** The cheapest way and, if it is wanted and there is one, the next. */
        default Trellis.Result solved(boolean hasRunnerUp) {
            return hasRunnerUp ? Trellis.through(this) : Trellis.cheapest(this);
        }

        /** Why there is no way on to a stage from the one before. */
        default Why stuck(int stage) {
            boolean isFast = stage > 0
                    && HandTimes.between(line().get(stage - 1), line().get(stage)) < HandTimes.BANJO_SAME_FINGER;
            return isFast ? Why.TOO_FAST : Why.STUCK;
        }

        /** What each note adds to the cost. */
        default List<Double> costs(Trellis.Way way) {
            List<Double> all = new ArrayList<>();
            all.add(begin(way.states().get(0)));
            for (int i = 1; i < count(); i++) {
                double[] step = {Double.POSITIVE_INFINITY};
                int to = way.states().get(i);
                moves(i - 1, way.states().get(i - 1), (state, cost) -> {
                    if (state == to) {
                        step[0] = Math.min(step[0], cost);
                    }
                });
                all.add(step[0]);
            }
            return all;
        }
    }

    /**
     * Through a line.
     *
     * @param refusal why a note, or notes together, cannot be played wherever they stand
     * @param runs makes stages of notes that it has
     * @param hasRunnerUp whether the next cheapest way is wanted
     */
    static <W> LinePath<W> of(
            List<Struck> line,
            Function<Struck, Optional<Why>> refusal,
            Function<List<Struck>, Run<W>> runs,
            boolean hasRunnerUp) {
        Gathering<W> gathering = new Gathering<>(runs, hasRunnerUp);
        List<Struck> run = new ArrayList<>();
        Map<NoteId, Why> refused = new HashMap<>();
        for (Struck struck : line) {
            Optional<Why> why = refusal.apply(struck);
            why.ifPresent(each -> refused.put(struck.note().id(), each));
            if (why.isEmpty() || why.get().leavesMelody()) {
                run.add(struck);
            } else {
                gathering.settle(List.copyOf(run));
                run.clear();
            }
        }
        gathering.settle(List.copyOf(run));
        return gathering.path(line, refused);
    }

    /** Gathers the runs of a line. */
    private static final class Gathering<W> {
        private final Function<List<Struck>, Run<W>> runs;
        private final Map<NoteId, W> ways = new HashMap<>();
        private final Map<NoteId, Double> each = new HashMap<>();
        private final Map<NoteId, Why> stops = new HashMap<>();
        private Optional<RunnerUp<W>> nearest = Optional.empty();
        private double cost;

        private final boolean hasRunnerUp;

        Gathering(Function<List<Struck>, Run<W>> runs, boolean hasRunnerUp) {
            this.runs = runs;
            this.hasRunnerUp = hasRunnerUp;
        }

        LinePath<W> path(List<Struck> line, Map<NoteId, Why> refused) {
            refused.forEach(stops::putIfAbsent);
            List<Trouble> troubles = line.stream()
                    .map(struck -> struck.note().id())
                    .filter(stops::containsKey)
                    .map(note -> new Trouble(note, Objects.requireNonNull(stops.get(note))))
                    .toList();
            return new LinePath<>(ways, cost, each, troubles, nearest);
        }

        /** Plays a run; where nobody can, the note that stops it is told and what follows is a run of its own. */
        void settle(List<Struck> run) {
            int from = 0;
            while (from < run.size()) {
                Run<W> whole = runs.apply(run.subList(from, run.size()));
                Trellis.Result result = whole.solved(hasRunnerUp);
                if (result.found().isPresent()) {
                    take(whole, result.found().get());
                    return;
                }
                int stuck = result.reached();
                if (stuck > 0) {
                    Run<W> before = runs.apply(run.subList(from, from + stuck));
                    before.solved(hasRunnerUp).found().ifPresent(found -> take(before, found));
                }
                stops.put(run.get(from + stuck).note().id(), whole.stuck(stuck));
                from += stuck + 1;
            }
        }

        private void take(Run<W> run, Trellis.Found found) {
            List<W> best = run.ways(found.best());
            List<Double> steps = run.costs(found.best());
            cost += found.best().cost();
            for (int i = 0; i < best.size(); i++) {
                for (NoteId note : run.line().get(i).tied()) {
                    ways.put(note, best.get(i));
                }
                each.put(run.line().get(i).note().id(), steps.get(i));
            }
            found.runnerUp()
                    .map(other -> runnerUp(run, best, other, found.best().cost()))
                    .filter(other -> !other.different().isEmpty())
                    .filter(other ->
                            nearest.isEmpty() || other.more() < nearest.get().more())
                    .ifPresent(other -> nearest = Optional.of(other));
        }

        private static <W> RunnerUp<W> runnerUp(Run<W> run, List<W> best, Trellis.Way other, double cost) {
            Map<NoteId, W> different = new HashMap<>();
            List<W> ways = run.ways(other);
            for (int i = 0; i < best.size(); i++) {
                if (!best.get(i).equals(ways.get(i))) {
                    different.put(run.line().get(i).note().id(), ways.get(i));
                }
            }
            return new RunnerUp<>(other.cost() - cost, different);
        }
    }
}
