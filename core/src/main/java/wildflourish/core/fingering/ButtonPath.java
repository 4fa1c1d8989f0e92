package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.instrument.School;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.path.Trellis;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;

/**
 * The cheapest way to play a line on a box or a concertina: for each note button, direction of the bellows and finger, by shortest path; the air in the
 * bellows counts. A note that the instrument lacks parts the line in two. What a teacher has pinned stays, and the rest moves round it.
 *
 * @param ways by note, tied notes alike; none for rests, for notes the instrument lacks and for a stretch that cannot be played
 * @param cost of the whole, in turns of the bellows in smooth playing
 * @param costs what each note adds, by note
 * @param troubles what cannot be played, in the order of the line
 * @param runnerUp what the next cheapest way would be
 */
public record ButtonPath(
        Map<NoteId, ButtonWay> ways,
        double cost,
        Map<NoteId, Double> costs,
        List<Trouble> troubles,
        Optional<RunnerUp> runnerUp) {
    public ButtonPath {
        ways = Map.copyOf(ways);
        costs = Map.copyOf(costs);
        troubles = List.copyOf(troubles);
    }

    /** Why a note cannot be played. */
    public enum Why {
        /** No button sounds it. */
        MISSING,
        /** Fingers do not reach from the note before, or the air runs out on the way to it. */
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
    public record RunnerUp(double more, Map<NoteId, ButtonWay> different) {
        public RunnerUp {
            different = Map.copyOf(different);
        }
    }

    /** How often the bellows turn. */
    public int turns(List<Struck> line) {
        int turns = 0;
        Optional<ButtonWay> before = Optional.empty();
        for (Struck struck : line) {
            Optional<ButtonWay> now = Optional.ofNullable(ways.get(struck.note().id()));
            boolean turned = before.isPresent()
                    && now.isPresent()
                    && before.get().key().bellows() != now.get().key().bellows();
            turns += turned ? 1 : 0;
            before = now;
        }
        return turns;
    }

    /** The best way through a line. A pin is the name of a key, {@code i3d}, or of a way, {@code i3d/2}; it holds where the note can be played so. */
    public static ButtonPath of(List<Struck> line, ButtonLayout layout, School school, Map<NoteId, String> pins) {
        return new Solver(layout, ButtonCosts.of(school), pins).solve(line, Note::melody);
    }

    /** Gathers the runs of a line. */
    private static final class Solver {
        private final ButtonLayout layout;
        private final ButtonCosts costs;
        private final Map<NoteId, String> pins;
        private final Map<NoteId, ButtonWay> ways = new HashMap<>();
        private final Map<NoteId, Double> each = new HashMap<>();
        private final List<Trouble> troubles = new ArrayList<>();
        private Optional<RunnerUp> nearest = Optional.empty();
        private double cost;

        Solver(ButtonLayout layout, ButtonCosts costs, Map<NoteId, String> pins) {
            this.layout = layout;
            this.costs = costs;
            this.pins = pins;
        }

        ButtonPath solve(List<Struck> line, Function<Note, wildflourish.core.music.WrittenPitch> melody) {
            List<Struck> run = new ArrayList<>();
            List<List<ButtonWay>> choices = new ArrayList<>();
            for (Struck struck : line) {
                FingeredPitch pitch =
                        new FingeredPitch(melody.apply(struck.note()).midi());
                List<ButtonWay> possible = choices(struck, layout.keysOf(pitch));
                if (possible.isEmpty()) {
                    settle(run, choices);
                    run.clear();
                    choices.clear();
                    troubles.add(new Trouble(struck.note().id(), Why.MISSING));
                } else {
                    run.add(struck);
                    choices.add(possible);
                }
            }
            settle(run, choices);
            return new ButtonPath(ways, cost, each, troubles, nearest);
        }

        private List<ButtonWay> choices(Struck struck, List<ButtonLayout.Key> keys) {
            List<ButtonWay> all = new ArrayList<>();
            for (ButtonLayout.Key key : keys) {
                key.button().fingers().forEach(finger -> all.add(new ButtonWay(key, finger)));
            }
            String pin = pins.getOrDefault(struck.note().id(), "");
            List<ButtonWay> pinned = all.stream()
                    .filter(way ->
                            way.toString().equals(pin) || way.key().name().equals(pin))
                    .toList();
            return pinned.isEmpty() ? all : pinned;
        }

        /** Plays a run; where nobody can, the note that stops it is told and what follows is a run of its own. */
        private void settle(List<Struck> run, List<List<ButtonWay>> choices) {
            int from = 0;
            while (from < run.size()) {
                List<Struck> part = run.subList(from, run.size());
                List<List<ButtonWay>> partChoices = choices.subList(from, run.size());
                Bellows bellows = Bellows.of(part, partChoices, costs);
                Trellis.Result result = bellows.solved();
                if (result.found().isPresent()) {
                    take(bellows, result.found().get());
                    return;
                }
                int stuck = Math.max(1, result.reached());
                Bellows before = Bellows.of(part.subList(0, stuck), partChoices.subList(0, stuck), costs);
                before.solved().found().ifPresent(found -> take(before, found));
                troubles.add(new Trouble(part.get(stuck).note().id(), Why.STUCK));
                from += stuck + 1;
            }
        }

        private void take(Bellows bellows, Trellis.Found found) {
            List<ButtonWay> best = bellows.ways(found.best());
            List<Double> steps = bellows.costs(found.best());
            cost += found.best().cost();
            for (int i = 0; i < best.size(); i++) {
                for (NoteId note : bellows.line().get(i).tied()) {
                    ways.put(note, best.get(i));
                }
                each.put(bellows.line().get(i).note().id(), steps.get(i));
            }
            bellows.runnerUp(found).ifPresent(other -> {
                Map<NoteId, ButtonWay> different = new HashMap<>();
                List<ButtonWay> otherWays = bellows.ways(other);
                for (int i = 0; i < best.size(); i++) {
                    if (!best.get(i).equals(otherWays.get(i))) {
                        different.put(bellows.line().get(i).note().id(), otherWays.get(i));
                    }
                }
                RunnerUp runnerUp = new RunnerUp(other.cost() - found.best().cost(), different);
                nearest = nearest.filter(near -> near.more() <= runnerUp.more()).or(() -> Optional.of(runnerUp));
            });
        }
    }
}
