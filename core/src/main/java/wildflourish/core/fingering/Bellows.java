package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.music.Fraction;
import wildflourish.core.path.Trellis;

/** A run of notes as stages of a trellis whose states are the ways to play the note, with what stands on it. */
final class Bellows implements LinePath.Run<ButtonOption> {
    private final List<Struck> line;
    private final List<List<ButtonOption>> choices;
    private final ButtonCosts costs;
    private final List<double[][]> moveCosts = new ArrayList<>();

    private Bellows(List<Struck> line, List<List<ButtonOption>> choices, ButtonCosts costs) {
        this.line = List.copyOf(line);
        this.choices = List.copyOf(choices);
        this.costs = costs;
        Map<Change, double[][]> known = new HashMap<>();
        for (int stage = 0; stage + 1 < line.size(); stage++) {
            Struck before = line.get(stage);
            Struck struck = line.get(stage + 1);
            Change change = new Change(
                    new Same<>(choices.get(stage)),
                    new Same<>(choices.get(stage + 1)),
                    HandTimes.between(before, struck),
                    struck.restMillis() > 0,
                    struck.beat().isOnCount(),
                    before.length());
            moveCosts.add(known.computeIfAbsent(change, each -> moveCosts(before, struck, change)));
        }
    }

    /** Without the air. */
    static Bellows plain(List<Struck> line, List<List<ButtonOption>> choices, ButtonCosts costs) {
        return new Bellows(line, choices, costs);
    }

    /** The same notes, everything so many times as slow. */
    Bellows slower(double times) {
        return new Bellows(line.stream().map(struck -> struck.slower(times)).toList(), choices, costs);
    }

    /** Without the air where the cheapest way does not run short of it, which is then the cheapest with it too. */
    static LinePath.Run<ButtonOption> of(
            List<Struck> line, List<List<ButtonOption>> choices, ButtonCosts costs, boolean hasRunnerUp) {
        Bellows plain = new Bellows(line, choices, costs);
        boolean isEasy = costs.air() == 0
                || plain.solved(hasRunnerUp)
                        .found()
                        .map(found -> Air.isEnough(plain, found.best())
                                && found.runnerUp()
                                        .map(other -> Air.isEnough(plain, other))
                                        .orElse(true))
                        .orElse(true);
        return isEasy ? plain : new Air(plain);
    }

    @Override
    public List<Struck> line() {
        return line;
    }

    @Override
    public List<ButtonOption> ways(Trellis.Way way) {
        List<ButtonOption> ways = new ArrayList<>();
        for (int i = 0; i < line.size(); i++) {
            ways.add(choices.get(i).get(way.states().get(i)));
        }
        return ways;
    }

    List<List<ButtonOption>> choices() {
        return choices;
    }

    List<ButtonOption> choices(int stage) {
        return choices.get(stage);
    }

    ButtonCosts costs() {
        return costs;
    }

    @Override
    public int count() {
        return line.size();
    }

    @Override
    public int states(int stage) {
        return choices.get(stage).size();
    }

    @Override
    public double begin(int state) {
        return costs.ofChoice(choices.get(0).get(state));
    }

    @Override
    public void moves(int stage, int state, Trellis.Sink sink) {
        double[] fromHere = moveCosts.get(stage)[state];
        for (int to = 0; to < fromHere.length; to++) {
            sink.move(to, fromHere[to]);
        }
    }

    /** All that decides what the moves between two stages cost; ways that can be chosen for one pitch are one list. */
    private record Change(
            Same<ButtonOption> from,
            Same<ButtonOption> to,
            double millis,
            boolean isAfterRest,
            boolean isOnCount,
            Fraction length) {}

    /** What it costs to go from each way of a stage to each of the next, with what that one costs by itself. */
    double[][] moveCosts(int stage) {
        return moveCosts.get(stage);
    }

    private double[][] moveCosts(Struck before, Struck struck, Change change) {
        List<ButtonOption> here = change.from.list();
        List<ButtonOption> next = change.to.list();
        double[][] all = new double[here.size()][next.size()];
        for (int to = 0; to < next.size(); to++) {
            double own = costs.ofChoice(next.get(to));
            for (int from = 0; from < here.size(); from++) {
                all[from][to] = costs.ofMove(here.get(from), next.get(to), before, struck) + own;
            }
        }
        return all;
    }
}
