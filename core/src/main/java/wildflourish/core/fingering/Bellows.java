package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import wildflourish.core.instrument.Button;
import wildflourish.core.music.Fraction;
import wildflourish.core.path.Trellis;

/**
 * A run of notes as stages of a trellis. A state is a way to play the note and the air: by how much the bellows have gone further out or in than they
 * came, in ticks. The air is left out as long as it does not bind.
 */
final class Bellows implements LinePath.Run<ButtonWay> {
    /** Out of balance by so much costs nothing. */
    private static final double FREE_MILLIS = 2000;

    /** Out of balance by more cannot be. */
    private static final double MOST_MILLIS = 4000;

    /** A note at least so long may be cut short to work the air key; a rest is time enough too. Our own choice (L). */
    private static final double AIR_KEY_MILLIS = 250;

    private static final double AIR_KEY_COST = 1;
    private static final double AIR_KEY_REST_MILLIS = 120;

    private final List<Struck> line;
    private final List<List<ButtonWay>> choices;
    private final ButtonCosts costs;
    /** How far the air goes either way, in ticks; 0 where it is left out. */
    private final int reach;

    private final int[] ticks;
    private final int[][] signed;
    private final double millisATick;
    private final double[][][] moveCosts;
    private final Map<Change, double[][]> known;
    /** What the air costs, by balance from the least to the greatest. */
    private final double[] airCosts;
    /** Bounds of the search, see {@link #bound}; by stage and way. */
    private final double[][] atLeast;

    private double atMost = Double.POSITIVE_INFINITY;

    private Bellows(List<Struck> line, List<List<ButtonWay>> choices, ButtonCosts costs, boolean hasAir) {
        this.line = List.copyOf(line);
        this.choices = List.copyOf(choices);
        this.costs = costs;
        long unit = 1;
        for (Struck struck : line) {
            unit = lcm(unit, struck.length().denominator());
        }
        ticks = new int[line.size()];
        signed = new int[line.size()][0];
        for (int i = 0; i < ticks.length; i++) {
            ticks[i] = (int) line.get(i).length().times(Fraction.of(unit)).numerator();
        }
        millisATick = line.get(0).millis() / Math.max(1, ticks[0]);
        reach = hasAir ? (int) Math.floor(MOST_MILLIS / millisATick) : 0;
        moveCosts = new double[line.size()][0][0];
        known = new HashMap<>();
        atLeast = new double[line.size()][0];
        airCosts = new double[2 * reach + 1];
        for (int balance = -reach; balance <= reach; balance++) {
            double over = Math.max(0, Math.abs(balance) * millisATick - FREE_MILLIS) / 1000;
            airCosts[balance + reach] = hasAir ? ButtonCosts.exact(over * costs.air()) : 0;
        }
    }

    private static long lcm(long a, long b) {
        long x = a;
        long y = b;
        while (y != 0) {
            long rest = x % y;
            x = y;
            y = rest;
        }
        return a / x * b;
    }

    /** Without the air where the cheapest way does not run short of it, which is then the cheapest with it too. */
    static Bellows of(List<Struck> line, List<List<ButtonWay>> choices, ButtonCosts costs, boolean hasRunnerUp) {
        Bellows plain = new Bellows(line, choices, costs, false);
        if (costs.air() == 0) {
            return plain;
        }
        Trellis.Result result = plain.solved(hasRunnerUp);
        boolean isEasy = result.found()
                .map(found -> plain.mostMillis(found.best()) <= FREE_MILLIS
                        && found.runnerUp()
                                .map(other -> plain.mostMillis(other) <= FREE_MILLIS)
                                .orElse(true))
                .orElse(true);
        if (isEasy) {
            return plain;
        }
        Bellows full = new Bellows(line, choices, costs, true);
        full.bound(plain, hasRunnerUp);
        return full;
    }

    /**
     * Bounds the search. From each note on a way costs no less than it does without the air; and no way that is looked for costs more than one that is cheap with
     * the air among few: those that have for each button the finger that is cheapest without it.
     */
    private void bound(Bellows plain, boolean hasRunnerUp) {
        for (int stage = line.size() - 1; stage >= 0; stage--) {
            atLeast[stage] = new double[choices.get(stage).size()];
            for (int from = 0; stage + 1 < line.size() && from < atLeast[stage].length; from++) {
                double least = Double.POSITIVE_INFINITY;
                for (int to = 0; to < atLeast[stage + 1].length; to++) {
                    least = Math.min(least, plain.moveCosts(stage)[from][to] + atLeast[stage + 1][to]);
                }
                atLeast[stage][from] = least;
            }
            moveCosts[stage] = stage + 1 < line.size() ? plain.moveCosts(stage) : moveCosts[stage];
        }
        Bellows among = only(few(), true);
        atMost = among.solved(hasRunnerUp)
                .found()
                .flatMap(found -> hasRunnerUp
                        ? found.runnerUp().map(Trellis.Way::cost)
                        : Optional.of(withBestFingers(
                                among.ways(found.best()), found.best().cost())))
                .orElse(Double.POSITIVE_INFINITY);
    }

    /** The same with few ways for each note, told by their numbers. */
    private Bellows only(List<int[]> kept, boolean hasAir) {
        List<List<ButtonWay>> few = new ArrayList<>();
        for (int stage = 0; stage < kept.size(); stage++) {
            few.add(Arrays.stream(kept.get(stage))
                    .mapToObj(choices.get(stage)::get)
                    .toList());
        }
        Bellows only = new Bellows(line, few, costs, hasAir);
        for (int stage = 0; stage + 1 < kept.size(); stage++) {
            int[] to = kept.get(stage + 1);
            double[][] all = moveCosts(stage);
            only.moveCosts[stage] = Arrays.stream(kept.get(stage))
                    .mapToObj(from -> Arrays.stream(to)
                            .mapToDouble(each -> all[from][each])
                            .toArray())
                    .toArray(double[][]::new);
        }
        return only;
    }

    /** What the same buttons cost with the fingers that are cheapest for them: the air does not ask which finger it is. */
    private double withBestFingers(List<ButtonWay> ways, double cost) {
        List<int[]> one = new ArrayList<>();
        List<int[]> all = new ArrayList<>();
        for (int i = 0; i < ways.size(); i++) {
            ButtonWay way = ways.get(i);
            List<ButtonWay> among = choices.get(i);
            one.add(new int[] {among.indexOf(way)});
            all.add(IntStream.range(0, among.size())
                    .filter(other -> among.get(other).hasKeysOf(way))
                    .toArray());
        }
        return cost - withoutAir(one) + withoutAir(all);
    }

    private double withoutAir(List<int[]> kept) {
        return only(kept, false).solved(false).found().orElseThrow().best().cost();
    }

    /** For each note one finger for each button that sounds it. */
    private List<int[]> few() {
        List<int[]> few = new ArrayList<>();
        double[] sofar = new double[choices.get(0).size()];
        for (int state = 0; state < sofar.length; state++) {
            sofar[state] = costs.ofChoice(choices.get(0).get(state));
        }
        for (int stage = 0; stage < line.size(); stage++) {
            IdentityHashMap<Object, Integer> cheapest = new IdentityHashMap<>();
            for (int way = 0; way < sofar.length; way++) {
                double cost = sofar[way] + atLeast[stage][way];
                ButtonWay each = choices.get(stage).get(way);
                Object keys = each.under().isEmpty() ? each.key() : each;
                Integer other = cheapest.get(keys);
                if (other == null || cost < sofar[other] + atLeast[stage][other]) {
                    cheapest.put(keys, way);
                }
            }
            few.add(cheapest.values().stream().mapToInt(each -> each).sorted().toArray());
            if (stage + 1 < line.size()) {
                sofar = advanced(sofar, moveCosts(stage));
            }
        }
        return few;
    }

    private static double[] advanced(double[] sofar, double[][] moves) {
        double[] next = new double[moves[0].length];
        Arrays.fill(next, Double.POSITIVE_INFINITY);
        for (int from = 0; from < sofar.length; from++) {
            for (int to = 0; to < next.length; to++) {
                next[to] = Math.min(next[to], sofar[from] + moves[from][to]);
            }
        }
        return next;
    }

    /** Two ways with the same buttons and fingers are one, wherever the air key is worked. */
    @Override
    public int told(int stage, int state) {
        return state / width();
    }

    @Override
    public double atLeast(int stage, int state) {
        return atLeast[stage][state / width()];
    }

    @Override
    public double atMost() {
        return atMost;
    }

    @Override
    public List<Struck> line() {
        return line;
    }

    @Override
    public List<ButtonWay> ways(Trellis.Way way) {
        List<ButtonWay> ways = new ArrayList<>();
        for (int i = 0; i < line.size(); i++) {
            ways.add(choices.get(i).get(way.states().get(i) / width()));
        }
        return ways;
    }

    /** How far out of balance the bellows come, with no air key. */
    private double mostMillis(Trellis.Way way) {
        double balance = 0;
        double most = 0;
        List<ButtonWay> ways = ways(way);
        for (int i = 0; i < ways.size(); i++) {
            balance += signedTicks(i, ways.get(i)) * millisATick;
            most = Math.max(most, Math.abs(balance));
        }
        return most;
    }

    private int signedTicks(int stage, ButtonWay way) {
        return way.key().bellows() == Button.Bellows.PRESS ? ticks[stage] : -ticks[stage];
    }

    /** For each way of a stage what it adds to the balance, in ticks. */
    private int[] signedTicks(int stage) {
        if (signed[stage].length == 0) {
            List<ButtonWay> ways = choices.get(stage);
            signed[stage] = new int[ways.size()];
            for (int i = 0; i < ways.size(); i++) {
                signed[stage][i] = signedTicks(stage, ways.get(i));
            }
        }
        return signed[stage];
    }

    private int width() {
        return 2 * reach + 1;
    }

    /** Where there would be a way with air enough it is the air. */
    @Override
    public LinePath.Why stuck(int stage) {
        return reach > 0 ? LinePath.Why.AIR : LinePath.Run.super.stuck(stage);
    }

    @Override
    public int count() {
        return line.size();
    }

    @Override
    public int states(int stage) {
        return choices.get(stage).size() * width();
    }

    @Override
    public double begin(int state) {
        ButtonWay way = choices.get(0).get(state / width());
        int balance = state % width() - reach;
        boolean isSo = reach == 0 || balance == signedTicks(0, way);
        return isSo ? costs.ofChoice(way) + airCost(balance) : Double.POSITIVE_INFINITY;
    }

    @Override
    public void moves(int stage, int state, Trellis.Sink sink) {
        int from = state / width();
        int balance = state % width() - reach;
        Struck before = line.get(stage);
        Struck struck = line.get(stage + 1);
        double[] fromHere = moveCosts(stage)[from];
        boolean rests = struck.restMillis() >= AIR_KEY_REST_MILLIS;
        boolean mayCut = before.millis() >= AIR_KEY_MILLIS;
        if (reach == 0) {
            for (int to = 0; to < fromHere.length; to++) {
                sink.move(to, fromHere[to]);
            }
            return;
        }
        int[] more = signedTicks(stage + 1);
        for (int to = 0; to < fromHere.length; to++) {
            double cost = fromHere[to];
            if (cost == Double.POSITIVE_INFINITY) {
                continue;
            }
            int ticksMore = more[to];
            put(sink, to, balance + ticksMore, cost);
            if (balance != 0 && (rests || mayCut)) {
                put(sink, to, ticksMore, cost + (rests ? 0 : AIR_KEY_COST));
            }
        }
    }

    /** All that decides what the moves between two stages cost; ways that can be chosen for one pitch are one list. */
    private record Change(
            Same<ButtonWay> from, Same<ButtonWay> to, double millis, boolean isAfterRest, boolean isOnBeat) {}

    /** What it costs to go from each way of a stage to each of the next, with what that one costs by itself. */
    private double[][] moveCosts(int stage) {
        if (moveCosts[stage].length == 0) {
            Struck before = line.get(stage);
            Struck struck = line.get(stage + 1);
            Change change = new Change(
                    new Same<>(choices.get(stage)),
                    new Same<>(choices.get(stage + 1)),
                    HandTimes.between(before, struck),
                    struck.restMillis() > 0,
                    struck.isOnBeat());
            moveCosts[stage] = known.computeIfAbsent(change, each -> moveCosts(before, struck, change));
        }
        return moveCosts[stage];
    }

    private double[][] moveCosts(Struck before, Struck struck, Change change) {
        List<ButtonWay> here = change.from.list();
        List<ButtonWay> next = change.to.list();
        double[][] all = new double[here.size()][next.size()];
        for (int to = 0; to < next.size(); to++) {
            double own = costs.ofChoice(next.get(to));
            for (int from = 0; from < here.size(); from++) {
                all[from][to] = costs.ofMove(here.get(from), next.get(to), before, struck) + own;
            }
        }
        return all;
    }

    private void put(Trellis.Sink sink, int to, int balance, double cost) {
        if (Math.abs(balance) <= reach) {
            sink.move(to * width() + balance + reach, cost + airCost(balance));
        }
    }

    private double airCost(int balance) {
        return reach == 0 ? 0 : airCosts[balance + reach];
    }
}
