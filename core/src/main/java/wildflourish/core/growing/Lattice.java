package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;

/** The ways through some notes of a phrase that are worth knowing: states at their boundaries, and the steps between them. */
final class Lattice {
    private static final int NEVER = Hope.NEVER;

    /** A state at a boundary, with the best worth of the ways to it and from it on, by what becomes of the phrase. */
    static final class Node {
        private final long state;
        private final int boundary;
        /** By way of ending: how far the best way to here lies above what is still worth knowing. */
        private final int[] ahead;

        private final List<Edge> steps = new ArrayList<>();
        private int[] before = {};
        private int[] after = {};

        private Node(long state, int boundary, int ends) {
            this.state = state;
            this.boundary = boundary;
            this.ahead = new int[ends];
            Arrays.fill(ahead, NEVER);
        }

        long state() {
            return state;
        }

        /** The best worth of the ways to here, by what becomes of the phrase. */
        int[] before() {
            return before;
        }

        /** The best worth of the ways from here on, by what becomes of the phrase. */
        int[] after() {
            return after;
        }
    }

    /** A step taken from a state, by its number among those of its note. */
    private record Edge(Node to, int step, int gain) {}

    private final Walk walk;
    private final Prospect prospect;
    private final List<List<Step>> steps;
    private final int times;
    private final Level.Load load;
    private final Hope hope;
    private final List<List<Node>> nodes = new ArrayList<>();
    private final Map<Long, Node> entries = new LinkedHashMap<>();

    /**
     * Through some notes, with no way yet.
     *
     * @param prospect of just them
     * @param steps for each of them what can be chosen
     * @param times how often what depends on several choices counts
     */
    Lattice(Walk walk, Prospect prospect, List<List<Step>> steps, int times, Level.Load load, Hope hope) {
        this.walk = walk;
        this.prospect = prospect;
        this.steps = steps;
        this.times = times;
        this.load = load;
        this.hope = hope;
    }

    Hope hope() {
        return hope;
    }

    int first() {
        return prospect.first();
    }

    /** The techniques that can be chosen, one bit each. */
    long kinds() {
        return prospect.kindsFrom(prospect.first());
    }

    /** A state in which the notes may be entered. */
    long entering(long state) {
        return walk.settled(state, prospect.first(), prospect);
    }

    Node entry(long state) {
        return Optional.ofNullable(entries.get(entering(state))).orElseThrow();
    }

    Collection<Node> ends() {
        return nodes.get(steps.size());
    }

    /**
     * Finds all ways worth knowing.
     *
     * @param entries for each state in which the notes are entered, by way of ending, how far it lies above what is still worth knowing
     */
    void explore(Map<Long, int[]> entries) {
        nodes.clear();
        this.entries.clear();
        List<Map<Long, Node>> known = new ArrayList<>();
        for (int i = 0; i <= steps.size(); i++) {
            nodes.add(new ArrayList<>());
            known.add(new HashMap<>());
        }
        entries.forEach((state, ahead) -> {
            long entered = entering(state);
            Node node = node(0, entered, known, ahead.length);
            this.entries.put(entered, node);
            raise(node, ahead, 0);
        });
        for (int i = 0; i < steps.size(); i++) {
            for (Node node : nodes.get(i)) {
                for (int step = 0; step < steps.get(i).size(); step++) {
                    follow(node, step, known);
                }
            }
        }
    }

    private Node node(int offset, long state, List<Map<Long, Node>> known, int ends) {
        return known.get(offset).computeIfAbsent(spread(state), key -> {
            Node fresh = new Node(state, offset, ends);
            nodes.get(offset).add(fresh);
            return fresh;
        });
    }

    /** A state as a key: those of one boundary differ in few bits, which hashing by itself would not tell apart. */
    private static long spread(long state) {
        return state * 0x9E37_79B9_7F4A_7C15L;
    }

    private static void raise(Node node, int[] ahead, int gain) {
        for (int end = 0; end < ahead.length; end++) {
            node.ahead[end] = Math.max(node.ahead[end], ahead[end] + gain);
        }
    }

    private void follow(Node node, int number, List<Map<Long, Node>> known) {
        Step step = steps.get(node.boundary).get(number);
        int gain = walk.gain(node.state, step, times, load);
        if (gain == Walk.REFUSED) {
            return;
        }
        int offset = node.boundary + step.notes();
        int boundary = prospect.first() + offset;
        long reached = walk.next(node.state, step);
        if (prospect.isBarLine(boundary) && !walk.hasEnough(reached, step.bar())) {
            return;
        }
        long next = walk.settled(reached, boundary, prospect);
        int[] still = hope.of(boundary, next);
        boolean isWorthIt = false;
        for (int end = 0; end < still.length && !isWorthIt; end++) {
            isWorthIt = still[end] > NEVER && node.ahead[end] + gain + still[end] >= 0;
        }
        if (isWorthIt) {
            Node to = node(offset, next, known, node.ahead.length);
            raise(to, node.ahead, gain);
            node.steps.add(new Edge(to, number, gain));
        }
    }

    // Passes

    /**
     * The best worth of the ways to every state.
     *
     * @param width in how many ways the phrase can come out
     * @param entering for a state in which the notes are entered its worth, by how the phrase comes out
     */
    void forward(int width, Map<Long, int[]> entering) {
        for (List<Node> here : nodes) {
            for (Node node : here) {
                node.before = nothing(width);
            }
        }
        entering.forEach((state, worth) -> {
            int[] before = entry(state).before;
            for (int i = 0; i < width; i++) {
                before[i] = Math.max(before[i], worth[i]);
            }
        });
        for (List<Node> here : nodes) {
            for (Node node : here) {
                for (Edge edge : node.steps) {
                    best(edge.to().before, node.before, edge.gain());
                }
            }
        }
    }

    /**
     * The best worth of the ways on from every state.
     *
     * @param width in how many ways the phrase can come out
     * @param ending for a state after the last note its worth, by how the phrase comes out
     */
    void backward(int width, Function<Node, int[]> ending) {
        for (Node node : ends()) {
            node.after = ending.apply(node);
        }
        for (int i = steps.size() - 1; i >= 0; i--) {
            for (Node node : nodes.get(i)) {
                node.after = nothing(width);
                for (Edge edge : node.steps) {
                    best(node.after, edge.to().after, edge.gain());
                }
            }
        }
    }

    private static int[] nothing(int width) {
        int[] none = new int[width];
        Arrays.fill(none, NEVER);
        return none;
    }

    private static void best(int[] best, int[] from, int gain) {
        for (int i = 0; i < best.length; i++) {
            if (from[i] > NEVER && from[i] + gain > best[i]) {
                best[i] = from[i] + gain;
            }
        }
    }

    /** After a pass forward and one back: for each note and each of its steps the worth of the best way through it. */
    List<int[]> through() {
        List<int[]> through = new ArrayList<>();
        for (int i = 0; i < steps.size(); i++) {
            int[] here = nothing(steps.get(i).size());
            for (Node node : nodes.get(i)) {
                for (Edge edge : node.steps) {
                    here[edge.step()] = Math.max(here[edge.step()], through(node.before, edge));
                }
            }
            through.add(here);
        }
        return through;
    }

    private static int through(int[] before, Edge edge) {
        int best = NEVER;
        int[] after = edge.to().after;
        for (int i = 0; i < before.length; i++) {
            if (before[i] > NEVER && after[i] > NEVER) {
                best = Math.max(best, before[i] + edge.gain() + after[i]);
            }
        }
        return best;
    }

    /** After a pass back: takes the best way from a state in which the notes are entered; gives where that ends. */
    Node take(long state, int outcome, Consumer<Step> taken) {
        Node at = entry(state);
        while (at.boundary < steps.size()) {
            Node here = at;
            Edge best = here.steps.stream()
                    .filter(edge -> edge.to().after[outcome] > NEVER
                            && edge.to().after[outcome] + edge.gain() == here.after[outcome])
                    .findFirst()
                    .orElseThrow();
            taken.accept(steps.get(here.boundary).get(best.step()));
            at = best.to();
        }
        return at;
    }
}
