package wildflourish.core.path;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.spy;

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
import wildflourish.core.Rounds;

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

    /** Costs written out, and bounds below what is still to come: by the true cost less something. */
    private record Bounded(Written written, List<double[]> bounds) implements Trellis.Stages {
        static Bounded of(Written written, Random random) {
            List<double[]> bounds = new ArrayList<>();
            double[] after = new double[written.states(written.count() - 1)];
            bounds.add(0, after);
            for (int stage = written.count() - 2; stage >= 0; stage--) {
                double[] here = new double[written.states(stage)];
                for (int from = 0; from < here.length; from++) {
                    here[from] = NEVER;
                    for (int to = 0; to < after.length; to++) {
                        here[from] = Math.min(here[from], written.moves.get(stage)[from][to] + after[to]);
                    }
                    here[from] -= random.nextInt(6) == 0 ? random.nextInt(4) / 32.0 : 0;
                }
                bounds.add(0, here);
                after = here;
            }
            return new Bounded(written, bounds);
        }

        @Override
        public int count() {
            return written.count();
        }

        @Override
        public int states(int stage) {
            return written.states(stage);
        }

        @Override
        public double begin(int state) {
            return written.begin(state);
        }

        @Override
        public void moves(int stage, int state, Trellis.Sink sink) {
            written.moves(stage, state, sink);
        }

        @Override
        public boolean isBounded() {
            return true;
        }

        @Override
        public double atLeast(int stage, int state) {
            return bounds.get(stage)[state];
        }
    }

    @Test
    void boundsSpareWorkAndChangeNothing() {
        Random random = new Random(5);
        int[] followed = new int[2];
        for (int round = 0; round < Rounds.of(25, 200); round++) {
            Written written = random(random, 2 + random.nextInt(60), 30);
            Trellis.Stages bounded = counted(Bounded.of(written, random), followed, 1);
            Trellis.Stages plain = counted(written, followed, 0);
            assertThat(Trellis.through(bounded)).isEqualTo(Trellis.through(plain));
            assertThat(Trellis.cheapest(bounded)).isEqualTo(Trellis.cheapest(plain));
        }
        assertThat(followed[1]).isLessThan(followed[0] / 2);
    }

    /** The same stages; counts how many states are followed. */
    private static Trellis.Stages counted(Trellis.Stages stages, int[] counts, int at) {
        Trellis.Stages spied = spy(stages);
        doAnswer(call -> {
                    counts[at]++;
                    return call.callRealMethod();
                })
                .when(spied)
                .moves(anyInt(), anyInt(), any());
        return spied;
    }
}
