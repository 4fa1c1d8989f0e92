package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Strings;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.path.Trellis;
import wildflourish.core.tune.NoteId;

/**
 * The cheapest way to play a line on strings: for each note string, finger, position of the hand and stroke, by shortest path. A note that the instrument lacks
 * parts the line in two. What a teacher has pinned stays, and the rest moves round it.
 *
 * @param ways by note, tied notes alike; none for rests and for what cannot be played
 * @param cost of the whole
 * @param costs what each note adds, by note
 * @param troubles what cannot be played, in the order of the line
 * @param runnerUp what the next cheapest way would be
 */
public record StringPath(
        Map<NoteId, StringWay> ways,
        double cost,
        Map<NoteId, Double> costs,
        List<Trouble> troubles,
        Optional<RunnerUp> runnerUp) {
    public StringPath {
        ways = Map.copyOf(ways);
        costs = Map.copyOf(costs);
        troubles = List.copyOf(troubles);
    }

    /** Why a note cannot be played. */
    public enum Why {
        /** It lies below the strings, or above the highest position. */
        MISSING,
        /** No stroke or finger gets there in time. */
        STUCK
    }

    /** A note that cannot be played. */
    public record Trouble(NoteId note, Why why) {}

    /**
     * The next cheapest way.
     *
     * @param more what it costs more
     * @param different the notes it takes otherwise, with their ways
     */
    public record RunnerUp(double more, Map<NoteId, StringWay> different) {
        public RunnerUp {
            different = Map.copyOf(different);
        }
    }

    /**
     * How strings are played.
     *
     * @param strings tuned, with their capo
     * @param order of bows or picks
     */
    public record Manner(Strings strings, StrokeOrder order, School school) {}

    /** The best way through a line. A pin is string and finger, {@code D3}, or the whole way, {@code D3u}; it holds where the note can be played so. */
    public static StringPath of(List<Struck> line, Manner manner, Map<NoteId, String> pins) {
        return new Solver(manner, pins).solve(line);
    }

    /** Gathers the runs of a line. */
    private static final class Solver {
        private final Manner manner;
        private final Map<NoteId, String> pins;
        private final StringCosts costs;
        private final Map<NoteId, StringWay> ways = new HashMap<>();
        private final Map<NoteId, Double> each = new HashMap<>();
        private final List<Trouble> troubles = new ArrayList<>();
        private Optional<RunnerUp> nearest = Optional.empty();
        private double cost;

        Solver(Manner manner, Map<NoteId, String> pins) {
            this.manner = manner;
            this.pins = pins;
            this.costs = StringCosts.of(manner.school());
        }

        StringPath solve(List<Struck> line) {
            List<Struck> run = new ArrayList<>();
            for (Struck struck : line) {
                FingeredPitch pitch = new FingeredPitch(struck.note().melody().midi());
                if (manner.strings().placesOf(pitch).isEmpty()) {
                    settle(run);
                    run.clear();
                    troubles.add(new Trouble(struck.note().id(), Why.MISSING));
                } else {
                    run.add(struck);
                }
            }
            settle(run);
            return new StringPath(ways, cost, each, troubles, nearest);
        }

        /** Plays a run; where nobody can, the note that stops it is told and what follows is a run of its own. */
        private void settle(List<Struck> run) {
            int from = 0;
            while (from < run.size()) {
                StringStages stages = new StringStages(run.subList(from, run.size()), manner, costs, pins);
                Trellis.Result result = Trellis.through(stages);
                if (result.found().isPresent()) {
                    take(stages, result.found().get());
                    return;
                }
                int stuck = Math.max(1, result.reached());
                StringStages before = new StringStages(run.subList(from, from + stuck), manner, costs, pins);
                Trellis.through(before).found().ifPresent(found -> take(before, found));
                if (from + stuck < run.size()) {
                    troubles.add(new Trouble(run.get(from + stuck).note().id(), Why.STUCK));
                }
                from += stuck + 1;
            }
        }

        private void take(StringStages stages, Trellis.Found found) {
            List<StringWay> best = stages.ways(found.best());
            List<Double> steps = stages.costs(found.best());
            cost += found.best().cost();
            for (int i = 0; i < best.size(); i++) {
                for (NoteId note : stages.line().get(i).tied()) {
                    ways.put(note, best.get(i));
                }
                each.put(stages.line().get(i).note().id(), steps.get(i));
            }
            found.runnerUp().ifPresent(other -> {
                Map<NoteId, StringWay> different = new HashMap<>();
                List<StringWay> otherWays = stages.ways(other);
                for (int i = 0; i < best.size(); i++) {
                    if (!best.get(i).equals(otherWays.get(i))) {
                        different.put(stages.line().get(i).note().id(), otherWays.get(i));
                    }
                }
                RunnerUp runnerUp = new RunnerUp(other.cost() - found.best().cost(), different);
                nearest = nearest.filter(near -> near.more() <= runnerUp.more()).or(() -> Optional.of(runnerUp));
            });
        }
    }
}
