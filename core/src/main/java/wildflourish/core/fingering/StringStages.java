package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.instrument.Strings;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.path.Trellis;
import wildflourish.core.tune.NoteId;

/** A run of notes on strings as stages of a trellis; a state is a place of the left hand and a state of the right one. */
final class StringStages implements LinePath.Run<StringWay> {
    private final List<Struck> line;
    private final StringPath.Manner manner;
    private final StringCosts costs;
    private final Strokes strokes;
    private final Map<NoteId, String> pins;
    private final List<List<Strings.Place>> places = new ArrayList<>();
    /** What each place costs by itself. */
    private final List<double[]> own = new ArrayList<>();

    /** The stage whose moves are known: what the left hand does, and the right one by the strings it goes between. */
    private int looked = -1;

    private double[][] left = new double[0][0];
    private boolean isPinned;
    private Right[][] rights = new Right[0][0];
    private final Map<Context, Right[][]> known = new HashMap<>();

    StringStages(List<Struck> line, StringPath.Manner manner, StringCosts costs, Map<NoteId, String> pins) {
        this.line = List.copyOf(line);
        this.manner = manner;
        this.costs = costs;
        this.pins = pins;
        this.strokes = Strokes.of(manner.strings(), manner.order(), costs);
        for (Struck struck : line) {
            List<Strings.Place> all = choices(struck);
            places.add(all);
            own.add(all.stream()
                    .mapToDouble(place -> costs.ofChoice(manner.strings(), place))
                    .toArray());
        }
    }

    private List<Strings.Place> choices(Struck struck) {
        List<Strings.Place> all = manner.strings()
                .placesOf(new FingeredPitch(struck.note().melody().midi()));
        String pin = pins.getOrDefault(struck.note().id(), "");
        List<Strings.Place> pinned = all.stream()
                .filter(place -> pin.startsWith(nameOf(place))
                        && pin.length() <= nameOf(place).length() + 1)
                .toList();
        return pinned.isEmpty() ? all : pinned;
    }

    private String nameOf(Strings.Place place) {
        return nameOf(place, manner.strings());
    }

    /** String and finger, or string and fret, without a stroke. */
    static String nameOf(Strings.Place place, Strings strings) {
        String whole = new StringWay(place, true, false, 0).name(strings);
        return whole.substring(0, whole.length() - 1);
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
            ways.add(strokes.way(places.get(i).get(state / strokes.states()), state % strokes.states()));
        }
        return ways;
    }

    @Override
    public int count() {
        return line.size();
    }

    @Override
    public int states(int stage) {
        return places.get(stage).size() * strokes.states();
    }

    /** Whether a pinned stroke allows a state. */
    private boolean isAllowed(int stage, int place, int stroke) {
        String pin = pins.getOrDefault(line.get(stage).note().id(), "");
        if (pin.isEmpty()) {
            return true;
        }
        Strings.Place there = places.get(stage).get(place);
        return !pin.startsWith(nameOf(there))
                || pin.length() == nameOf(there).length()
                || strokes.way(there, stroke).name(manner.strings()).equals(pin);
    }

    @Override
    public double begin(int state) {
        int place = state / strokes.states();
        int stroke = state % strokes.states();
        return isAllowed(0, place, stroke)
                ? costs.ofBegin(manner.strings(), places.get(0).get(place))
                        + strokes.begin(stroke, places.get(0).get(place).string(), line.get(0))
                : Double.POSITIVE_INFINITY;
    }

    @Override
    public void moves(int stage, int state, Trellis.Sink sink) {
        if (looked != stage) {
            look(stage);
        }
        int from = state / strokes.states();
        int stroke = state % strokes.states();
        double[] fromHere = left[from];
        List<Strings.Place> next = places.get(stage + 1);
        int string = places.get(stage).get(from).string();
        for (int to = 0; to < next.size(); to++) {
            Right right = rights[string][next.get(to).string()];
            int base = to * strokes.states();
            for (int k = right.starts[stroke]; k < right.starts[stroke + 1]; k++) {
                if (!isPinned || isAllowed(stage + 1, to, right.states[k])) {
                    sink.move(base + right.states[k], fromHere[to] + right.costs[k]);
                }
            }
        }
    }

    private void look(int stage) {
        looked = stage;
        left = leftHand(stage);
        isPinned = !pins.getOrDefault(line.get(stage + 1).note().id(), "").isEmpty();
        Struck before = line.get(stage);
        Struck struck = line.get(stage + 1);
        Context context = new Context(
                struck.quaver(),
                struck.isOnBeat(),
                struck.restMillis() > 0,
                before.note().melody().midi() == struck.note().melody().midi(),
                StringCosts.isTooFast(before, struck));
        rights = known.computeIfAbsent(context, each -> rights(stage));
    }

    /** All that decides what strokes cost from one note to the next, but for the strings. */
    private record Context(int quaver, boolean isOnBeat, boolean isAfterRest, boolean isSamePitch, boolean isTooFast) {}

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
        boolean isSamePitch =
                before.note().melody().midi() == struck.note().melody().midi();
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

        static Right of(Strokes strokes, Strokes.Step step) {
            int[] starts = new int[strokes.states() + 1];
            List<Integer> states = new ArrayList<>();
            List<Double> costs = new ArrayList<>();
            for (int state = 0; state < strokes.states(); state++) {
                starts[state] = states.size();
                strokes.next(state, step, (to, cost) -> {
                    states.add(to);
                    costs.add(cost);
                });
            }
            starts[strokes.states()] = states.size();
            return new Right(
                    starts,
                    states.stream().mapToInt(each -> each).toArray(),
                    costs.stream().mapToDouble(each -> each).toArray());
        }
    }

    /** What the left hand does from each place of a stage to each of the next, with what that place costs. */
    private double[][] leftHand(int stage) {
        List<Strings.Place> here = places.get(stage);
        List<Strings.Place> next = places.get(stage + 1);
        double[][] all = new double[here.size()][next.size()];
        for (int from = 0; from < here.size(); from++) {
            for (int to = 0; to < next.size(); to++) {
                all[from][to] = costs.ofMove(here.get(from), next.get(to), line.get(stage), line.get(stage + 1))
                        + own.get(stage + 1)[to];
            }
        }
        return all;
    }
}
