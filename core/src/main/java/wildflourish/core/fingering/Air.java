package wildflourish.core.fingering;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.music.Fraction;
import wildflourish.core.path.Trellis;

/**
 * A run of notes where the air binds, as stages of a trellis. A state is a way to play the note and the balance: by how much the bellows have gone further in
 * (above 0) or out than they came, in ticks.
 */
final class Air implements LinePath.Run<ButtonOption> {
    private static final double NEVER = Double.POSITIVE_INFINITY;
    /** Out of balance by so much costs nothing. */
    private static final double FREE_MILLIS = 2000;

    /** A note at least so long may be cut short to work the air key; a rest is time enough too. Our own choice (L). */
    private static final double AIR_KEY_MILLIS = 250;

    private static final double AIR_KEY_COST = 1;
    private static final double AIR_KEY_REST_MILLIS = 120;

    private final Bellows plain;
    /** How far the air goes either way, in ticks. */
    private final int reach;

    /** What each way adds to the balance, in ticks; by stage. */
    private final int[][] ticks;
    /** What it costs to work the air key before the note of a stage; infinite where there is no time. */
    private final double[] keyCosts;
    /** What the air costs, by balance from the least to the greatest. */
    private final double[] airCosts;
    /** What is still to come costs no less than this without the air; by stage and way. */
    private final double[][] atLeast;
    /** Which buttons each way takes, by number from 0; by stage. */
    private final int[][] buttons;
    /** And the air no less than this besides; by stage, buttons and balance. */
    private final double[][][] airAtLeast;

    Air(Bellows plain) {
        this.plain = plain;
        List<Struck> line = plain.line();
        int count = line.size();
        long unit = 1;
        for (Struck struck : line) {
            unit = Fraction.leastCommonMultiple(unit, struck.length().denominator());
        }
        unit *= plain.choices().stream()
                        .flatMap(List::stream)
                        .anyMatch(option -> !option.way().under().isEmpty())
                ? 2
                : 1;
        ticks = new int[count][];
        keyCosts = new double[count];
        keyCosts[0] = NEVER;
        for (int stage = 0; stage < count; stage++) {
            int length = ticksOf(line.get(stage), unit);
            ticks[stage] = plain.choices(stage).stream()
                    .mapToInt(option -> (int) Math.rint(length * option.air()))
                    .toArray();
            if (stage > 0) {
                keyCosts[stage] = keyCost(line.get(stage - 1), line.get(stage));
            }
        }
        double millisATick = line.get(0).millis() / Math.max(1, ticksOf(line.get(0), unit));
        reach = (int) Math.floor(HandTimes.BELLOWS_ONE_WAY / millisATick);
        airCosts = new double[width()];
        for (int balance = -reach; balance <= reach; balance++) {
            airCosts[balance + reach] = cost(balance * millisATick, plain.costs());
        }
        atLeast = new double[count][];
        buttons = new int[count][];
        airAtLeast = new double[count][][];
        Map<Same<ButtonOption>, int[]> known = new HashMap<>();
        for (int stage = 0; stage < count; stage++) {
            buttons[stage] = known.computeIfAbsent(new Same<>(plain.choices(stage)), Air::buttons);
            airAtLeast[stage] = new double[Arrays.stream(buttons[stage]).max().orElse(0) + 1][width()];
        }
        bound();
    }

    /** What it costs that the bellows stand so far out of balance after a note. */
    static double cost(double balanceMillis, ButtonCosts costs) {
        double over = Math.max(0, Math.abs(balanceMillis) - FREE_MILLIS) / 1000;
        return ButtonCosts.exact(over * costs.air());
    }

    private static int ticksOf(Struck struck, long unit) {
        return (int) struck.length().times(Fraction.of(unit)).numerator();
    }

    /** What it costs to work the air key between two notes; infinite where there is no time. */
    static double keyCost(Struck before, Struck struck) {
        boolean rests = struck.restMillis() >= AIR_KEY_REST_MILLIS;
        return rests ? 0 : before.millis() >= AIR_KEY_MILLIS ? AIR_KEY_COST : NEVER;
    }

    /** Whether a way never comes so far out of balance that it costs anything, with no air key. */
    static boolean isEnough(Bellows plain, Trellis.Way way) {
        double balance = 0;
        boolean isEnough = true;
        List<ButtonOption> options = plain.ways(way);
        for (int i = 0; i < options.size(); i++) {
            balance += plain.line().get(i).millis() * options.get(i).air();
            isEnough &= Math.abs(balance) <= FREE_MILLIS;
        }
        return isEnough;
    }

    // What is still to come

    private static int[] buttons(Same<ButtonOption> choices) {
        List<ButtonWay> ways = choices.list().stream().map(ButtonOption::way).toList();
        int[] buttons = new int[ways.size()];
        int next = 0;
        for (int way = 0; way < buttons.length; way++) {
            int same = 0;
            while (!ways.get(same).hasKeysOf(ways.get(way))) {
                same++;
            }
            buttons[way] = same < way ? buttons[same] : next++;
        }
        return buttons;
    }

    /**
     * From the last note back: what a way costs without the air, and what it costs more, by the air and by going otherwise for it, where of all the fingers for
     * the same buttons each may be taken for another.
     */
    private void bound() {
        int last = count() - 1;
        atLeast[last] = new double[plain.states(last)];
        for (int stage = last - 1; stage >= 0; stage--) {
            double[] after = atLeast[stage + 1];
            atLeast[stage] = Arrays.stream(plain.moveCosts(stage))
                    .mapToDouble(moves -> least(moves, after))
                    .toArray();
            double[][] detours = detours(stage);
            for (int from = 0; from < detours.length; from++) {
                Arrays.fill(airAtLeast[stage][from], NEVER);
                for (int to = 0; to < detours[from].length; to++) {
                    boundAir(stage, from, to, detours[from][to]);
                }
            }
        }
    }

    private static double least(double[] moves, double[] after) {
        double least = NEVER;
        for (int to = 0; to < after.length; to++) {
            least = Math.min(least, moves[to] + after[to]);
        }
        return least;
    }

    /** How much more than the cheapest way without the air it costs at least to go from some buttons to others. */
    private double[][] detours(int stage) {
        double[][] detours = new double[airAtLeast[stage].length][airAtLeast[stage + 1].length];
        for (double[] some : detours) {
            Arrays.fill(some, NEVER);
        }
        for (int from = 0; from < atLeast[stage].length; from++) {
            double[] moves = plain.moveCosts(stage)[from];
            double[] some = detours[buttons[stage][from]];
            for (int to = 0; to < moves.length && atLeast[stage][from] < NEVER; to++) {
                int next = buttons[stage + 1][to];
                some[next] = Math.min(some[next], moves[to] + atLeast[stage + 1][to] - atLeast[stage][from]);
            }
        }
        return detours;
    }

    /** Lowers what the air costs from each balance on to what it does by going from some buttons of a stage to others of the next. */
    private void boundAir(int stage, int from, int next, double detour) {
        if (detour == NEVER) {
            return;
        }
        double[] here = airAtLeast[stage][from];
        double[] after = airAtLeast[stage + 1][next];
        int more = ticks[stage + 1][first(buttons[stage + 1], next)];
        double withKey = NEVER;
        if (Math.abs(more) <= reach) {
            withKey = keyCosts[stage + 1] + detour + airCosts[more + reach] + after[more + reach];
        }
        for (int at = 0; at < here.length; at++) {
            int to = at + more;
            double cost = to >= 0 && to < here.length ? detour + airCosts[to] + after[to] : NEVER;
            here[at] = Math.min(here[at], Math.min(cost, withKey));
        }
    }

    private static int first(int[] all, int one) {
        int at = 0;
        while (all[at] != one) {
            at++;
        }
        return at;
    }

    @Override
    public boolean isBounded() {
        return true;
    }

    @Override
    public double atLeast(int stage, int state) {
        int way = state / width();
        return atLeast[stage][way] + airAtLeast[stage][buttons[stage][way]][state - way * width()];
    }

    // Stages

    /** Two ways with the same buttons and fingers are one, wherever the air key is worked. */
    @Override
    public int told(int stage, int state) {
        return state / width();
    }

    private int width() {
        return 2 * reach + 1;
    }

    @Override
    public List<Struck> line() {
        return plain.line();
    }

    @Override
    public List<ButtonOption> ways(Trellis.Way way) {
        return plain.ways(new Trellis.Way(
                way.states().stream().map(state -> state / width()).toList(), way.cost()));
    }

    /** There would be a way with air enough. */
    @Override
    public LinePath.Why stuck(int stage) {
        return LinePath.Why.AIR;
    }

    @Override
    public int count() {
        return plain.count();
    }

    @Override
    public int states(int stage) {
        return plain.states(stage) * width();
    }

    @Override
    public double begin(int state) {
        int way = state / width();
        int at = state % width();
        return at == ticks[0][way] + reach ? plain.begin(way) + airCosts[at] : NEVER;
    }

    @Override
    public void moves(int stage, int state, Trellis.Sink sink) {
        int from = state / width();
        int at = state - from * width();
        double[] fromHere = plain.moveCosts(stage)[from];
        int[] more = ticks[stage + 1];
        double keyCost = at == reach ? NEVER : keyCosts[stage + 1];
        for (int to = 0; to < fromHere.length; to++) {
            if (fromHere[to] < NEVER) {
                put(sink, to, at + more[to], fromHere[to]);
                if (keyCost < NEVER) {
                    put(sink, to, reach + more[to], fromHere[to] + keyCost);
                }
            }
        }
    }

    private void put(Trellis.Sink sink, int to, int at, double cost) {
        if (at >= 0 && at < airCosts.length) {
            sink.move(to * airCosts.length + at, cost + airCosts[at]);
        }
    }
}
