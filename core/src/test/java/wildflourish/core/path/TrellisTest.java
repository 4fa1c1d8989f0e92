package wildflourish.core.path;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.jgrapht.Graph;
import org.jgrapht.GraphPath;
import org.jgrapht.alg.shortestpath.BellmanFordShortestPath;
import org.jgrapht.alg.shortestpath.YenKShortestPath;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleDirectedWeightedGraph;
import org.junit.jupiter.api.Test;

/** Against a general-purpose library of graphs, JGraphT. */
class TrellisTest {
    private static final double NEVER = Double.POSITIVE_INFINITY;

    /** Costs written out: of the first stage, and from each state to each. */
    private record Written(double[] begin, List<double[][]> moves) implements Trellis.Stages {
        @Override
        public int count() {
            return moves.size() + 1;
        }

        @Override
        public int states(int stage) {
            return stage == 0 ? begin.length : moves.get(stage - 1)[0].length;
        }

        @Override
        public double begin(int state) {
            return begin[state];
        }

        @Override
        public void moves(int stage, int state, Trellis.Sink sink) {
            double[] costs = moves.get(stage)[state];
            for (int to = 0; to < costs.length; to++) {
                sink.move(to, costs[to]);
            }
        }

        /** The same as a graph from vertex s to vertex t; what cannot be is left out. */
        Graph<String, DefaultWeightedEdge> graph(double added) {
            Graph<String, DefaultWeightedEdge> graph = new SimpleDirectedWeightedGraph<>(DefaultWeightedEdge.class);
            graph.addVertex("s");
            graph.addVertex("t");
            for (int stage = 0; stage < count(); stage++) {
                for (int state = 0; state < states(stage); state++) {
                    graph.addVertex(stage + "." + state);
                }
            }
            for (int state = 0; state < begin.length; state++) {
                edge(graph, "s", "0." + state, begin[state] + added);
            }
            for (int stage = 0; stage < moves.size(); stage++) {
                for (int from = 0; from < states(stage); from++) {
                    for (int to = 0; to < states(stage + 1); to++) {
                        edge(graph, stage + "." + from, (stage + 1) + "." + to, moves.get(stage)[from][to] + added);
                    }
                }
            }
            for (int state = 0; state < states(moves.size()); state++) {
                edge(graph, moves.size() + "." + state, "t", 0);
            }
            return graph;
        }

        private static void edge(Graph<String, DefaultWeightedEdge> graph, String from, String to, double cost) {
            if (cost < NEVER) {
                graph.setEdgeWeight(graph.addEdge(from, to), cost);
            }
        }
    }

    private static Written random(Random random, int stages, int most) {
        int before = 1 + random.nextInt(most);
        double[] begin = new double[before];
        for (int i = 0; i < before; i++) {
            begin[i] = random.nextInt(10);
        }
        List<double[][]> moves = new ArrayList<>();
        for (int stage = 1; stage < stages; stage++) {
            int next = 1 + random.nextInt(most);
            double[][] costs = new double[before][next];
            for (double[] row : costs) {
                for (int i = 0; i < next; i++) {
                    row[i] = random.nextInt(5) == 0 ? NEVER : random.nextInt(40) / 8.0 - 0.5;
                }
            }
            moves.add(costs);
            before = next;
        }
        return new Written(begin, moves);
    }

    @Test
    void theCheapestWayIsTheLibrarysThoughMovesMayCostLessThanNothing() {
        Random random = new Random(3);
        int without = 0;
        for (int round = 0; round < 60; round++) {
            Written written = random(random, 2 + random.nextInt(120), 6);
            Trellis.Result result = Trellis.through(written);
            GraphPath<String, DefaultWeightedEdge> path =
                    new BellmanFordShortestPath<>(written.graph(0)).getPath("s", "t");
            if (path == null) {
                without++;
                assertThat(result.found()).isEmpty();
                assertThat(result.reached()).isBetween(1, written.count() - 1);
            } else {
                assertThat(result.found().orElseThrow().best().cost()).isCloseTo(path.getWeight(), within(1e-9));
                assertThat(result.reached()).isEqualTo(written.count());
            }
        }
        assertThat(without).isBetween(1, 40);
    }

    @Test
    void theRunnerUpIsTheLibrarysSecondPath() {
        Random random = new Random(4);
        for (int round = 0; round < 60; round++) {
            Written written = random(random, 2 + random.nextInt(12), 4);
            Trellis.Result result = Trellis.through(written);
            double added = 1;
            List<GraphPath<String, DefaultWeightedEdge>> paths =
                    new YenKShortestPath<>(written.graph(added)).getPaths("s", "t", 2);
            assertThat(result.found().isPresent()).isEqualTo(!paths.isEmpty());
            if (paths.size() == 2) {
                Trellis.Found found = result.found().orElseThrow();
                double second = paths.get(1).getWeight() - added * written.count();
                assertThat(found.runnerUp().orElseThrow().cost()).isCloseTo(second, within(1e-9));
                assertThat(found.runnerUp().get().states())
                        .isNotEqualTo(found.best().states());
            }
        }
    }
}
