package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import wildflourish.core.instrument.Strings;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Fraction;
import wildflourish.core.path.Trellis;
import wildflourish.core.tune.NoteId;

/** A run of notes on strings as stages of a trellis; a state is a hold of the left hand and a state of the right one. */
final class StringStages implements LinePath.Run<StringWay> {
    private final List<Struck> line;
    private final StringPath.Manner manner;
    private final StringCosts costs;
    private final Strokes strokes;
    private final Map<NoteId, String> pins;
    private final List<List<StringHold>> holds = new ArrayList<>();
    /** What each hold costs by itself. */
    private final List<double[]> own = new ArrayList<>();

    /** From each stage to the next what the left hand does, and the right one by the strings it goes between. */
    private final List<Left[][]> lefts = new ArrayList<>();

    private final List<Right[][]> rights = new ArrayList<>();
    private final Known known;
    /** For each stage whether not every state may be taken: a chord, or a pinned note. */
    private final boolean[] isBound;
    /** What is still to come costs each hand no less than this: the left one by stage and hold, the right one by stage and state; without a stage until somebody asks. */
    private double[][] leftAtLeast = {};

    private double[][] rightAtLeast = {};

    /** What hands do between notes, found once for all stages of one manner. */
    static final class Known {
        private final Map<List<FingeredPitch>, List<StringHold>> holds = new ConcurrentHashMap<>();
        private final Map<Same<StringHold>, double[]> own = new ConcurrentHashMap<>();
        private final Map<Change, Left[][]> lefts = new ConcurrentHashMap<>();
        private final Map<Context, Right[][]> rights = new ConcurrentHashMap<>();
    }

    StringStages(List<Struck> line, StringPath.Manner manner, StringCosts costs, Map<NoteId, String> pins) {
        this(line, manner, costs, pins, new Known());
    }

    /** With what is known of the same manner already. */
    StringStages(
            List<Struck> line, StringPath.Manner manner, StringCosts costs, Map<NoteId, String> pins, Known known) {
        this.line = List.copyOf(line);
        this.manner = manner;
        this.costs = costs;
        this.pins = pins;
        this.strokes = Strokes.of(manner.strings(), manner.order(), costs);
        this.known = known;
        for (Struck struck : line) {
            List<StringHold> all = known.holds.computeIfAbsent(struck.pitches(), this::choices);
            List<StringHold> left = withSeconds(struck, pinned(struck, all), manner.strings());
            holds.add(left);
            own.add(known.own.computeIfAbsent(
                    new Same<>(left),
                    each -> left.stream()
                            .mapToDouble(hold -> costs.ofChoice(manner.strings(), hold))
                            .toArray()));
        }
        for (int stage = 0; stage + 1 < line.size(); stage++) {
            lefts.add(leftHand(stage));
            rights.add(rightHand(stage));
        }
        this.isBound = new boolean[line.size()];
        for (int stage = 0; stage < line.size(); stage++) {
            String pin = pins.getOrDefault(line.get(stage).note().id(), "");
            isBound[stage] = line.get(stage).isChord() || !pin.isEmpty();
        }
    }

    /** From the last stage back, each hand by itself: whatever the one does the other costs no less. */
    private void bound() {
        int strings = manner.strings().open().size();
        int last = line.size() - 1;
        leftAtLeast = new double[line.size()][];
        rightAtLeast = new double[line.size()][];
        leftAtLeast[last] = new double[holds.get(last).size()];
        rightAtLeast[last] = new double[strokes.states()];
        for (int stage = last - 1; stage >= 0; stage--) {
            leftAtLeast[stage] = new double[holds.get(stage).size()];
            rightAtLeast[stage] = new double[strokes.states()];
            Arrays.fill(rightAtLeast[stage], Double.POSITIVE_INFINITY);
            boolean[][] isBetween = new boolean[strings][strings];
            for (int hold = 0; hold < leftAtLeast[stage].length; hold++) {
                double least = Double.POSITIVE_INFINITY;
                Left[] moves = lefts.get(stage)[hold];
                for (int to = 0; to < moves.length; to++) {
                    least = Math.min(least, moves[to].cost + leftAtLeast[stage + 1][to]);
                    isBetween[moves[to].leaves][moves[to].reaches] = true;
                }
                leftAtLeast[stage][hold] = least;
            }
            for (int from = 0; from < strings; from++) {
                for (int to = 0; to < strings; to++) {
                    if (isBetween[from][to]) {
                        rights.get(stage)[from][to].bound(rightAtLeast[stage], rightAtLeast[stage + 1]);
                    }
                }
            }
        }
    }

    /** Where the right hand has many states; few are sooner tried than bounded. */
    @Override
    public boolean isBounded() {
        return manner.strings().stroke() == Strings.Stroke.BOW;
    }

    @Override
    public double atLeast(int stage, int state) {
        if (leftAtLeast.length == 0) {
            bound();
        }
        return leftAtLeast[stage][state / strokes.states()] + rightAtLeast[stage][state % strokes.states()];
    }

    /** What the hand may hold; the melody by itself where the notes under it cannot be held with it. */
    private List<StringHold> choices(List<FingeredPitch> pitches) {
        List<StringHold> together = manner.together(pitches).holds();
        return together.isEmpty()
                ? manner.together(pitches.subList(pitches.size() - 1, pitches.size()))
                        .holds()
                : together;
    }

    private List<StringHold> pinned(Struck struck, List<StringHold> all) {
        String pin = pins.getOrDefault(struck.note().id(), "");
        if (pin.isEmpty()) {
            List<StringHold> able = all.stream()
                    .filter(hold -> struck.demand().holds().contains(nameOf(hold)))
                    .toList();
            return able.isEmpty() ? all : able;
        }
        List<StringHold> pinned = all.stream()
                .filter(hold -> pin.startsWith(nameOf(hold))
                        && pin.length() <= nameOf(hold).length() + 1)
                .toList();
        return pinned.isEmpty() ? all : pinned;
    }

    /** With the strings that an ornament sounds beside the melody. */
    private static List<StringHold> withSeconds(Struck struck, List<StringHold> all, Strings strings) {
        Map<String, Strings.Place> seconds = struck.demand().seconds();
        return seconds.isEmpty() || struck.isChord()
                ? all
                : all.stream()
                        .map(hold -> Optional.ofNullable(seconds.get(hold.name(strings)))
                                .map(hold::with)
                                .orElse(hold))
                        .toList();
    }

    private String nameOf(StringHold hold) {
        return hold.name(manner.strings());
    }

    @Override
    public List<Struck> line() {
        return line;
    }

    @Override
    public List<StringWay> ways(Trellis.Way way) {
        List<StringWay> ways = new ArrayList<>();
        for (int i = 0; i < line.size(); i++) {
            int state = way.states().get(i);
            StringWay taken = strokes.way(holds.get(i).get(state / strokes.states()), state % strokes.states());
            boolean isByLeftHand = manner.strings().stroke() != Strings.Stroke.BOW
                    && line.get(i).demand().join() == Demand.Join.SAME_BOW;
            ways.add(isByLeftHand ? taken.slurred() : taken);
        }
        return ways;
    }

    @Override
    public int count() {
        return line.size();
    }

    @Override
    public int states(int stage) {
        return holds.get(stage).size() * strokes.states();
    }

    /** Whether a state can be, and a pinned stroke allows it. */
    private boolean isAllowed(int stage, int hold, int stroke) {
        String pin = pins.getOrDefault(line.get(stage).note().id(), "");
        StringHold there = holds.get(stage).get(hold);
        boolean isStruck = stage == 0 || line.get(stage).demand().join() != Demand.Join.SAME_BOW;
        if (isStruck && !strokes.canTake(there, stroke)) {
            return false;
        }
        StringHold written = line.get(stage).isChord() ? there : new StringHold(List.of(there.melody()));
        return pin.isEmpty()
                || !pin.startsWith(nameOf(written))
                || pin.length() == nameOf(written).length()
                || strokes.way(written, stroke).name(manner.strings()).equals(pin);
    }

    @Override
    public double begin(int state) {
        int hold = state / strokes.states();
        int stroke = state % strokes.states();
        return isAllowed(0, hold, stroke)
                ? costs.ofBegin(manner.strings(), holds.get(0).get(hold))
                        + strokes.begin(stroke, holds.get(0).get(hold).melody().string(), line.get(0))
                        + line.get(0).demand().extra().always()
                : Double.POSITIVE_INFINITY;
    }

    @Override
    public void moves(int stage, int state, Trellis.Sink sink) {
        int stroke = state % strokes.states();
        Left[] fromHere = lefts.get(stage)[state / strokes.states()];
        Right[][] byStrings = rights.get(stage);
        for (int to = 0; to < fromHere.length; to++) {
            Right right = byStrings[fromHere[to].leaves][fromHere[to].reaches];
            int base = to * strokes.states();
            for (int k = right.starts[stroke]; k < right.starts[stroke + 1]; k++) {
                if (!isBound[stage + 1] || isAllowed(stage + 1, to, right.states[k])) {
                    sink.move(base + right.states[k], fromHere[to].cost + right.costs[k]);
                }
            }
        }
    }

    /** The string of a hold that lies nearest to another hold; of several as near the melody's, which a banjo hand always goes by. */
    private int stringFrom(StringHold hold, StringHold other) {
        int nearest = hold.melody().string();
        if (manner.strings().stroke() == Strings.Stroke.BANJO) {
            return nearest;
        }
        int least = other.stringsTo(StringHold.of(hold.melody()));
        for (Strings.Place place : hold.under()) {
            int strings = other.stringsTo(StringHold.of(place));
            if (strings < least) {
                least = strings;
                nearest = place.string();
            }
        }
        return nearest;
    }

    private Right[][] rightHand(int stage) {
        Struck before = line.get(stage);
        Struck struck = line.get(stage + 1);
        Context context = new Context(
                struck.beat(),
                struck.restMillis() > 0,
                before.melody().equals(struck.melody()),
                HandTimes.between(before, struck),
                before.demand(),
                struck.demand(),
                before.beat(),
                before.length());
        return known.rights.computeIfAbsent(context, each -> rights(stage));
    }

    /** All that decides what strokes cost from one note to the next, but for the strings. */
    private record Context(
            Struck.Beat beat,
            boolean isAfterRest,
            boolean isSamePitch,
            double millis,
            Demand before,
            Demand here,
            Struck.Beat beatBefore,
            Fraction lengthBefore) {}

    private Right[][] rights(int stage) {
        int strings = manner.strings().open().size();
        Right[][] all = new Right[strings][strings];
        for (int from = 0; from < strings; from++) {
            for (int to = 0; to < strings; to++) {
                all[from][to] = right(stage, from, to);
            }
        }
        return all;
    }

    /** What the right hand may do from one string to another between two notes: for each of its states the next ones. */
    private Right right(int stage, int from, int to) {
        Struck before = line.get(stage);
        Struck struck = line.get(stage + 1);
        boolean isSamePitch = before.melody().equals(struck.melody());
        return Right.of(strokes, new Strokes.Step(from, to, isSamePitch, before, struck));
    }

    /** Moves of the right hand, those from state i from starts[i] up to, not including, starts[i + 1]. */
    private static final class Right {
        private final int[] starts;
        private final int[] states;
        private final double[] costs;

        private Right(int[] starts, int[] states, double[] costs) {
            this.starts = starts;
            this.states = states;
            this.costs = costs;
        }

        /** Lowers what is still to come from each state to what it is by these moves. */
        void bound(double[] atLeast, double[] after) {
            for (int state = 0; state < atLeast.length; state++) {
                for (int k = starts[state]; k < starts[state + 1]; k++) {
                    atLeast[state] = Math.min(atLeast[state], costs[k] + after[states[k]]);
                }
            }
        }

        static Right of(Strokes strokes, Strokes.Step step) {
            int[] starts = new int[strokes.states() + 1];
            List<Integer> states = new ArrayList<>();
            List<Double> costs = new ArrayList<>();
            double always = step.struck().demand().extra().always();
            for (int state = 0; state < strokes.states(); state++) {
                starts[state] = states.size();
                strokes.next(state, step, (to, cost) -> {
                    states.add(to);
                    costs.add(cost + always);
                });
            }
            starts[strokes.states()] = states.size();
            return new Right(
                    starts,
                    states.stream().mapToInt(each -> each).toArray(),
                    costs.stream().mapToDouble(each -> each).toArray());
        }
    }

    /** What the left hand does from one hold to another, and between which strings the right one goes. */
    private record Left(double cost, int leaves, int reaches) {}

    /** All that decides what the left hand does between two stages. */
    private record Change(Same<StringHold> from, Same<StringHold> to, double millis, boolean isAfterRest) {}

    /** What the left hand does from each hold of a stage to each of the next, with what that one costs. */
    private Left[][] leftHand(int stage) {
        Struck before = line.get(stage);
        Struck struck = line.get(stage + 1);
        Change change = new Change(
                new Same<>(holds.get(stage)),
                new Same<>(holds.get(stage + 1)),
                HandTimes.between(before, struck),
                struck.restMillis() > 0);
        return known.lefts.computeIfAbsent(change, each -> {
            List<StringHold> here = change.from.list();
            List<StringHold> next = change.to.list();
            Left[][] all = new Left[here.size()][next.size()];
            for (int from = 0; from < here.size(); from++) {
                for (int to = 0; to < next.size(); to++) {
                    double cost = costs.ofMove(here.get(from), next.get(to), before, struck) + own.get(stage + 1)[to];
                    int leaves = stringFrom(here.get(from), next.get(to));
                    all[from][to] = new Left(cost, leaves, stringFrom(next.get(to), here.get(from)));
                }
            }
            return all;
        });
    }
}
