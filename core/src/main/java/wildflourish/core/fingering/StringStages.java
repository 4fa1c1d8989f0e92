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
    /** What each place costs by itself, and each move of the left hand, of the stage that is being looked at. */
    private final List<double[]> own = new ArrayList<>();

    private final Map<Integer, double[][]> moves = new HashMap<>();

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
        String whole = new StringWay(place, true, false, 0).name(manner.strings());
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
        int from = state / strokes.states();
        double[] left = moves.computeIfAbsent(stage, this::leftHand)[from];
        Strings.Place held = places.get(stage).get(from);
        Struck before = line.get(stage);
        Struck struck = line.get(stage + 1);
        boolean isSamePitch =
                before.note().melody().midi() == struck.note().melody().midi();
        List<Strings.Place> next = places.get(stage + 1);
        for (int to = 0; to < next.size(); to++) {
            int place = to;
            Strokes.Step step = new Strokes.Step(held, next.get(to), isSamePitch, before, struck);
            strokes.next(state % strokes.states(), step, (stroke, cost) -> {
                if (isAllowed(stage + 1, place, stroke)) {
                    sink.move(place * strokes.states() + stroke, left[place] + cost);
                }
            });
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
