package wildflourish.core.fingering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.jgrapht.GraphPath;
import org.jgrapht.alg.shortestpath.DijkstraShortestPath;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleDirectedWeightedGraph;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.Melody;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Schools;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Tempo;
import wildflourish.core.path.Trellis;

/** Long lines on real instruments, against a general-purpose library of graphs, JGraphT, which knows nothing of bounds. */
class LongPathTest {
    /** Every way has as many edges as notes, so that so much may be added to each: Dijkstra's search wants none below nothing. */
    private static final double ADDED = 20;

    private static final Tempo REEL = new Tempo(Fraction.of(100), Fraction.of(1, 2));

    private static List<Struck> line(Random random, Instrument instrument, int length) {
        List<String> notes = new ArrayList<>();
        int midi = 69;
        while (notes.size() < length) {
            int next = Math.max(57, Math.min(81, midi + random.nextInt(9) - 4));
            if (instrument.has(new FingeredPitch(next))) {
                midi = next;
                notes.add(new FingeredPitch(midi) + ":" + (1 + random.nextInt(3)));
            }
        }
        return Struck.of(Melody.reel(String.join(" ", notes) + " |"), REEL);
    }

    private static LinePath.Run<?> run(List<Struck> line, Instrument instrument, School school) {
        if (instrument.strings().isPresent()) {
            StringPath.Manner manner = Manners.of(
                    instrument.strings().get(), Schools.usual(instrument).with(school, instrument), Metre.of(4, 4));
            return new StringStages(line, manner, StringCosts.of(manner.school()), Map.of());
        }
        Map<List<FingeredPitch>, List<ButtonOption>> known = new HashMap<>();
        List<List<ButtonOption>> choices = line.stream()
                .map(struck -> known.computeIfAbsent(
                        struck.pitches(),
                        pitches -> ButtonPath.together(
                                        pitches, instrument.buttons().orElseThrow())
                                .stream()
                                .map(ButtonOption::plain)
                                .toList()))
                .toList();
        return Bellows.of(line, choices, ButtonCosts.of(school), false);
    }

    /** What the library's path costs; empty where it finds none. */
    private static Optional<Double> byLibrary(Trellis.Stages stages) {
        SimpleDirectedWeightedGraph<Integer, DefaultWeightedEdge> graph =
                new SimpleDirectedWeightedGraph<>(DefaultWeightedEdge.class);
        int source = -1;
        int target = -2;
        graph.addVertex(source);
        graph.addVertex(target);
        Set<Integer> here = new HashSet<>();
        for (int state = 0; state < stages.states(0); state++) {
            if (edge(graph, source, state, stages.begin(state))) {
                here.add(state);
            }
        }
        int base = 0;
        for (int stage = 0; stage + 1 < stages.count(); stage++) {
            int from = base;
            int to = base + stages.states(stage);
            Set<Integer> next = new HashSet<>();
            for (int state : here) {
                stages.moves(stage, state, (other, cost) -> {
                    if (edge(graph, from + state, to + other, cost)) {
                        next.add(other);
                    }
                });
            }
            base = to;
            here = next;
        }
        for (int state : here) {
            edge(graph, base + state, target, 0);
        }
        GraphPath<Integer, DefaultWeightedEdge> path = new DijkstraShortestPath<>(graph).getPath(source, target);
        return Optional.ofNullable(path).map(found -> found.getWeight() - ADDED * found.getLength());
    }

    /** Of several moves between the same two states the cheapest counts. */
    private static boolean edge(
            SimpleDirectedWeightedGraph<Integer, DefaultWeightedEdge> graph, int from, int to, double cost) {
        if (cost == Double.POSITIVE_INFINITY) {
            return false;
        }
        graph.addVertex(from);
        graph.addVertex(to);
        DefaultWeightedEdge there = graph.getEdge(from, to);
        if (there == null) {
            graph.setEdgeWeight(graph.addEdge(from, to), cost + ADDED);
        } else {
            graph.setEdgeWeight(there, Math.min(graph.getEdgeWeight(there), cost + ADDED));
        }
        return true;
    }

    @ParameterizedTest
    @CsvSource({
        "fiddle, separate-bows",
        "fiddle, shuffle",
        "fiddle-gdad, across-the-beat",
        "mandolin, down-up-down",
        "banjo-open-g, thumb-lead",
        "banjo-open-g, down-picking",
        "box-bc, smooth",
        "box-bc, no-hops",
        "box-dg, crisp",
        "anglo-a, across",
        "anglo-b, no-hops",
        "english-48, usual",
        "english-48, no-hops"
    })
    void aLongLineCostsWhatTheLibrarySays(String id, String school) {
        Random random = new Random(id.hashCode());
        Instrument instrument = Instrument.of(id);
        int found = 0;
        int shortOfAir = 0;
        for (int round = 0; round < 4; round++) {
            List<Struck> line = line(random, instrument, 60);
            LinePath.Run<?> run = run(line, instrument, School.of(school));
            shortOfAir += run instanceof Air ? 1 : 0;
            Optional<Double> expected = byLibrary(run);
            Optional<Trellis.Found> best = Trellis.cheapest(run).found();
            assertThat(best.isPresent()).isEqualTo(expected.isPresent());
            if (expected.isPresent()) {
                found++;
                assertThat(best.orElseThrow().best().cost())
                        .as(id + " " + school + " " + line)
                        .isCloseTo(expected.get(), within(1e-6));
                assertThat(Trellis.through(run).found().orElseThrow().best().cost())
                        .isCloseTo(expected.get(), within(1e-6));
            }
        }
        assertThat(found).isPositive();
        boolean hasAir = instrument.buttons().stream().anyMatch(layout -> !layout.isSameBothWays());
        assertThat(shortOfAir > 0).isEqualTo(hasAir);
    }
}
