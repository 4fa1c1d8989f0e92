package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.instrument.Strings;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.music.FingeredPitch;

/**
 * Rolls of the banjo hand with a tune on them, chosen exactly: for each quaver the finger, the string and the fret that cost least over all bars, the tune being kept in
 * front. Costs are those of {@code rolls.table}; source: common practice and our own choice, trust M.
 */
public final class Rolls {
    private static final int QUAVERS = 8;
    private static final int HALF_BAR = 4;
    private static final int OCTAVE = 12;
    private static final int HIGHEST_FRET = 5;
    private static final int FILL_FRETS = 4;
    private static final int MOST_ONSETS = 5;
    private static final int RUNNING = 3;
    private static final double REACH = 105;

    private final Strings strings;
    private final double quaverMillis;
    private final double againMillis;
    private final Set<Integer> scale;

    /**
     * A bar of eight quavers.
     *
     * @param onsets where notes of the tune begin, by quaver from 0, as they are fingered
     * @param chords the pitch classes of the chord for each quaver
     * @param rolls those that may be played; none where it stays as it is written
     */
    public record Bar(Map<Integer, FingeredPitch> onsets, List<Set<Integer>> chords, List<StrokeOrder> rolls) {
        public Bar {
            onsets = Map.copyOf(onsets);
            chords = List.copyOf(chords);
            rolls = List.copyOf(rolls);
        }

        /** Whether the tune leaves no room for a roll: more than five notes, or three on quavers running. */
        public boolean isFull() {
            boolean isRunning = false;
            for (int quaver = 0; quaver + RUNNING <= QUAVERS; quaver++) {
                isRunning |=
                        onsets.containsKey(quaver) && onsets.containsKey(quaver + 1) && onsets.containsKey(quaver + 2);
            }
            return onsets.size() > MOST_ONSETS || isRunning;
        }
    }

    /**
     * One quaver of a roll.
     *
     * @param finger of the picking hand, by its number
     * @param string by its index
     * @param isTune whether a note of the tune begins here
     */
    public record Pick(int finger, int string, int fret, boolean isTune) {}

    /** A bar as it is played: its roll and eight quavers, or as it is written. */
    public record Played(Optional<StrokeOrder> roll, List<Pick> picks) {
        public Played {
            picks = List.copyOf(picks);
        }
    }

    /** What is played, and what it costs; infinite where it cannot be. */
    public record Found(List<Played> bars, double cost) {
        public Found {
            bars = List.copyOf(bars);
        }
    }

    /**
     * For a banjo at so many milliseconds a quaver.
     *
     * @param againMillis how soon a finger strikes again
     * @param scale pitch classes of the key
     */
    public Rolls(Strings strings, double quaverMillis, double againMillis, Set<Integer> scale) {
        this.strings = strings;
        this.quaverMillis = quaverMillis;
        this.againMillis = againMillis;
        this.scale = Set.copyOf(scale);
    }

    // The search

    private record State(
            int roll, int run, int finger, int string, boolean wasTune, int ringingString, int ringingFret) {
        static final State FRESH = new State(-1, 0, 0, -1, false, -1, 0);
    }

    private record Step(
            State state, double cost, Optional<Step> before, Optional<Pick> pick, Optional<StrokeOrder> roll) {}

    /** The cheapest way through bars that follow each other. */
    public Found best(List<Bar> bars) {
        Map<State, Step> front = new LinkedHashMap<>();
        front.put(State.FRESH, new Step(State.FRESH, 0, Optional.empty(), Optional.empty(), Optional.empty()));
        for (Bar bar : bars) {
            Map<State, Step> next = new LinkedHashMap<>();
            for (int roll = 0; roll < bar.rolls().size() && !bar.isFull(); roll++) {
                through(bar, roll, front).values().forEach(step -> keep(next, step));
            }
            plain(bar, front).ifPresent(step -> keep(next, step));
            front = next;
        }
        return front.values().stream()
                .min(Comparator.comparingDouble(Step::cost))
                .map(step -> traced(step, bars.size()))
                .orElse(new Found(List.of(), Double.POSITIVE_INFINITY));
    }

    private static void keep(Map<State, Step> steps, Step step) {
        Step known = steps.get(step.state());
        if (known == null || step.cost() < known.cost()) {
            steps.put(step.state(), step);
        }
    }

    /** A bar left as it is written, after which the hand begins afresh. */
    private static Optional<Step> plain(Bar bar, Map<State, Step> front) {
        double cost = bar.isFull() || bar.rolls().isEmpty() ? 0 : RollCosts.of("plain bar");
        return front.values().stream()
                .min(Comparator.comparingDouble(Step::cost))
                .map(step -> new Step(
                        State.FRESH, step.cost() + cost, Optional.of(step), Optional.empty(), Optional.empty()));
    }

    /** What one roll over one bar costs by itself; infinite where it cannot be played. */
    public double alone(Bar bar, StrokeOrder roll) {
        Map<State, Step> front = new LinkedHashMap<>();
        front.put(State.FRESH, new Step(State.FRESH, 0, Optional.empty(), Optional.empty(), Optional.empty()));
        Bar only = new Bar(bar.onsets(), bar.chords(), List.of(roll));
        return through(only, 0, front).values().stream()
                .mapToDouble(Step::cost)
                .min()
                .orElse(Double.POSITIVE_INFINITY);
    }

    private Map<State, Step> through(Bar bar, int number, Map<State, Step> front) {
        StrokeOrder roll = bar.rolls().get(number);
        int index = StrokeOrder.all().indexOf(roll);
        Map<State, Step> here = front;
        for (int quaver = 0; quaver < QUAVERS; quaver++) {
            Map<State, Step> next = new LinkedHashMap<>();
            for (Step step : here.values()) {
                double entry = quaver == 0 ? entry(step.state(), roll, index) : 0;
                if (entry < Double.POSITIVE_INFINITY) {
                    int run = quaver > 0
                            ? step.state().run()
                            : step.state().roll() == index
                                    ? Math.min(RUNNING, step.state().run() + 1)
                                    : 1;
                    for (Pick pick : picks(bar, roll, quaver, step.state())) {
                        double cost = cost(bar, roll, quaver, step.state(), pick) + entry;
                        if (cost < Double.POSITIVE_INFINITY) {
                            keep(next, stepped(step, pick, cost, index, run, roll));
                        }
                    }
                }
            }
            here = next;
        }
        return here;
    }

    private static Step stepped(Step step, Pick pick, double cost, int index, int run, StrokeOrder roll) {
        State state = step.state();
        State next = new State(
                index,
                run,
                pick.finger(),
                pick.string(),
                pick.isTune(),
                pick.isTune() ? pick.string() : state.ringingString(),
                pick.isTune() ? pick.fret() : state.ringingFret());
        return new Step(next, step.cost() + cost, Optional.of(step), Optional.of(pick), Optional.of(roll));
    }

    /** From the bar before: another roll, the same a third time, a finger twice over the bar line. */
    private double entry(State state, StrokeOrder roll, int index) {
        if (state.roll() < 0) {
            return 0;
        }
        double cost = state.roll() == index ? 0 : RollCosts.of("other roll");
        cost += state.roll() == index && state.run() >= 2 ? RollCosts.of("third alike") : 0;
        if (state.finger() == roll.fingers().get(0)) {
            cost += quaverMillis < againMillis
                    ? Double.POSITIVE_INFINITY
                    : RollCosts.of("same finger milliseconds") / quaverMillis;
        }
        return cost;
    }

    // Picks

    /** Everything that the finger of a quaver may strike. */
    private List<Pick> picks(Bar bar, StrokeOrder roll, int quaver, State state) {
        int finger = roll.fingers().get(quaver);
        FingeredPitch tune = bar.onsets().get(quaver);
        List<Pick> picks = new ArrayList<>();
        for (int number = 1; number <= strings.open().size(); number++) {
            int string = string(number);
            if (roll.hand().reaches(finger, number) && !roll.hand().stretches(finger, number)) {
                Optional<Integer> fret = tune == null ? fill(bar, quaver, string, state) : fret(string, tune);
                fret.ifPresent(each -> picks.add(new Pick(finger, string, each, tune != null)));
            }
        }
        return picks;
    }

    private Optional<Integer> fret(int string, FingeredPitch tune) {
        int fret = tune.midi() - strings.open().get(string).midi();
        boolean isThere = fret == 0 || (fret > 0 && fret <= HIGHEST_FRET && !strings.isShort(string));
        return isThere ? Optional.of(fret) : Optional.empty();
    }

    /** On the string of the ringing note that note again; the short string; the open string or the lowest fret in the chord. */
    private Optional<Integer> fill(Bar bar, int quaver, int string, State state) {
        if (string == state.ringingString()) {
            return Optional.of(state.ringingFret());
        }
        int open = strings.open().get(string).midi();
        if (strings.isShort(string)) {
            return scale.contains(Math.floorMod(open, OCTAVE)) ? Optional.of(0) : Optional.empty();
        }
        Set<Integer> chord = bar.chords().get(quaver);
        for (int fret = 0; fret <= FILL_FRETS; fret++) {
            if (chord.contains(Math.floorMod(open + fret, OCTAVE)) && isWithinReach(fret, state)) {
                return Optional.of(fret);
            }
        }
        return Optional.empty();
    }

    private boolean isWithinReach(int fret, State state) {
        if (fret == 0 || state.ringingFret() == 0) {
            return true;
        }
        return strings.millimetresBetween(place(fret), place(state.ringingFret())) <= REACH;
    }

    private static Strings.Place place(int fret) {
        return new Strings.Place(0, fret, Strings.Stop.OPEN, 0);
    }

    private double cost(Bar bar, StrokeOrder roll, int quaver, State state, Pick pick) {
        double cost = pick.isTune() ? ofTune(roll, quaver, pick) : ofFill(roll, quaver, state, pick);
        if (strings.isShort(pick.string())) {
            int open = Math.floorMod(strings.open().get(pick.string()).midi(), OCTAVE);
            cost += bar.chords().get(quaver).contains(open) ? 0 : RollCosts.of("short outside");
            cost += quaver % HALF_BAR == 0 ? RollCosts.of("short on beat") : 0;
        }
        if (pick.string() == state.string()) {
            cost += pick.isTune() && state.wasTune()
                    ? RollCosts.of("string again in tune")
                    : !pick.isTune() && state.wasTune() ? Double.POSITIVE_INFINITY : RollCosts.of("string again");
        }
        return cost;
    }

    private double ofTune(StrokeOrder roll, int quaver, Pick pick) {
        boolean isHighByMiddle = pick.finger() == 3 && number(pick.string()) == 1;
        double by = pick.finger() == 1 ? 0 : RollCosts.of(isHighByMiddle ? "tune by middle" : "tune by another");
        double fretted =
                pick.fret() == 0 ? 0 : RollCosts.of(pick.fret() > FILL_FRETS ? "tune on five" : "tune stopped");
        boolean isAccent = roll.accents().contains(quaver);
        return by * (quaver % HALF_BAR == 0 ? 2 : 1) + fretted + (isAccent ? 0 : RollCosts.of("off accents"));
    }

    private double ofFill(StrokeOrder roll, int quaver, State state, Pick pick) {
        double cost = number(pick.string()) == roll.strings().get(quaver) ? 0 : RollCosts.of("fill elsewhere");
        boolean isAgain = pick.string() == state.ringingString();
        return cost + (isAgain ? RollCosts.of("fill again") : pick.fret() > 0 ? RollCosts.of("fill stopped") : 0);
    }

    private int string(int number) {
        int size = strings.open().size();
        return number == size ? size - 1 : size - 1 - number;
    }

    private int number(int string) {
        int size = strings.open().size();
        return string == size - 1 ? size : size - 1 - string;
    }

    private static Found traced(Step last, int bars) {
        List<Played> played = new ArrayList<>();
        Optional<Step> at = Optional.of(last);
        while (played.size() < bars) {
            Step step = at.orElseThrow();
            if (step.pick().isEmpty()) {
                played.add(new Played(Optional.empty(), List.of()));
                at = step.before();
            } else {
                List<Pick> picks = new ArrayList<>();
                Optional<StrokeOrder> roll = step.roll();
                for (int i = 0; i < QUAVERS; i++) {
                    picks.add(at.orElseThrow().pick().orElseThrow());
                    at = at.orElseThrow().before();
                }
                Collections.reverse(picks);
                played.add(new Played(roll, picks));
            }
        }
        Collections.reverse(played);
        return new Found(played, last.cost());
    }

    /** How a bar may lean: each onset but that on quaver 0 one quaver either way, in order and within the bar; the bar as it is comes first. */
    static List<Map<Integer, FingeredPitch>> leanings(Map<Integer, FingeredPitch> onsets) {
        List<Integer> quavers = onsets.keySet().stream().sorted().toList();
        List<List<Integer>> all = List.of(List.of());
        for (int quaver : quavers) {
            List<List<Integer>> longer = new ArrayList<>();
            for (List<Integer> before : all) {
                for (int by : quaver == 0 ? new int[] {0} : new int[] {0, 1, -1}) {
                    int to = quaver + by;
                    boolean isFree = before.isEmpty() || before.get(before.size() - 1) < to;
                    if (isFree && to > 0 == quaver > 0 && to < QUAVERS) {
                        List<Integer> more = new ArrayList<>(before);
                        more.add(to);
                        longer.add(more);
                    }
                }
            }
            all = longer;
        }
        List<Map<Integer, FingeredPitch>> leant = new ArrayList<>();
        for (List<Integer> moved : all) {
            Map<Integer, FingeredPitch> map = new LinkedHashMap<>();
            for (int i = 0; i < quavers.size(); i++) {
                map.put(moved.get(i), onsets.get(quavers.get(i)));
            }
            leant.add(map);
        }
        return leant;
    }

    /** The cheapest leaning of one bar by itself: what is moved costs, and so does a bar of alternating thumb; empty where nothing inside can move. */
    public Optional<Found> leaning(Bar bar) {
        Optional<Found> best = Optional.empty();
        for (Map<Integer, FingeredPitch> onsets : leanings(bar.onsets())) {
            long moved = onsets.keySet().stream()
                    .filter(quaver -> !bar.onsets().containsKey(quaver)
                            || !bar.onsets().get(quaver).equals(onsets.get(quaver)))
                    .count();
            for (StrokeOrder roll : bar.rolls()) {
                Bar leant = new Bar(onsets, bar.chords(), List.of(roll));
                double extra = moved * RollCosts.of("lean")
                        + (roll.id().equals("alternating-thumb") ? RollCosts.of("lean alternating") : 0);
                Found found = best(List.of(leant));
                boolean isPlayed =
                        found.bars().stream().anyMatch(each -> each.roll().isPresent());
                double cost = found.cost() + extra;
                if (isPlayed && best.filter(each -> each.cost() <= cost).isEmpty()) {
                    best = Optional.of(new Found(found.bars(), cost));
                }
            }
        }
        return best;
    }

    /** Whether any note of the tune but one on quaver 0 stands in a bar. */
    public static boolean canLean(Bar bar) {
        return bar.onsets().keySet().stream().anyMatch(quaver -> quaver > 0);
    }
}
