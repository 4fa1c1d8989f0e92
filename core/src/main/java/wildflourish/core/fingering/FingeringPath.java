package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;

/**
 * The fingerings of a line: of several for one note the one that costs least over the whole line, by shortest path. A note that the instrument
 * lacks parts the line in two. What a teacher has pinned stays, and the rest moves round it.
 *
 * @param fingerings by note; none for rests and for notes the instrument lacks
 * @param cost of the whole, in units of one finger moved
 */
public record FingeringPath(Map<NoteId, Fingering> fingerings, double cost) {
    /** Of nothing. */
    public static final FingeringPath NONE = new FingeringPath(Map.of(), 0);

    public FingeringPath {
        fingerings = Map.copyOf(fingerings);
    }

    public Optional<Fingering> at(NoteId note) {
        return Optional.ofNullable(fingerings.get(note));
    }

    /** The best way through notes that follow each other; a pin holds where the note's row has that fingering. */
    public static FingeringPath of(List<Note> line, Instrument instrument, Map<NoteId, Fingering> pins) {
        return of(line, instrument.family(), note -> instrument.rowOf(note.melody()), pins);
    }

    /** The best way for notes that are looked up otherwise than the instrument reads them, as in another key. */
    public static FingeringPath of(
            List<Note> line, Family family, Function<Note, Optional<ChartRow>> rows, Map<NoteId, Fingering> pins) {
        Map<NoteId, Fingering> chosen = new HashMap<>();
        double cost = 0;
        List<Stage> run = new ArrayList<>();
        Costs costs = Costs.of(family);
        for (Note note : line) {
            if (note.isRest()) {
                continue;
            }
            Optional<ChartRow> row = rows.apply(note);
            if (row.isPresent()) {
                run.add(Stage.of(note, row.get(), Optional.ofNullable(pins.get(note.id()))));
            } else {
                cost += settle(run, costs, chosen);
                run.clear();
            }
        }
        cost += settle(run, costs, chosen);
        return new FingeringPath(chosen, cost);
    }

    /** A note with the fingerings that may be taken for it, as places among those of its row. */
    private record Stage(Note note, ChartRow row, List<Integer> choices) {
        static Stage of(Note note, ChartRow row, Optional<Fingering> pin) {
            List<Integer> all = new ArrayList<>();
            for (int i = 0; i < row.fingerings().size(); i++) {
                all.add(i);
            }
            int pinned = pin.map(row.fingerings()::indexOf).orElse(-1);
            return new Stage(note, row, pinned < 0 ? all : List.of(pinned));
        }

        Fingering fingering(int choice) {
            return row.fingerings().get(choices.get(choice));
        }
    }

    private static double settle(List<Stage> run, Costs costs, Map<NoteId, Fingering> chosen) {
        if (run.isEmpty()) {
            return 0;
        }
        double[] best = new double[0];
        List<int[]> cameFrom = new ArrayList<>();
        for (int i = 0; i < run.size(); i++) {
            Stage stage = run.get(i);
            double[] now = new double[stage.choices.size()];
            int[] from = new int[now.length];
            for (int choice = 0; choice < now.length; choice++) {
                double least = i == 0 ? 0 : Double.POSITIVE_INFINITY;
                for (int earlier = 0; earlier < best.length; earlier++) {
                    double cost =
                            best[earlier] + costs.ofMove(run.get(i - 1).fingering(earlier), stage.fingering(choice));
                    if (cost < least) {
                        least = cost;
                        from[choice] = earlier;
                    }
                }
                now[choice] = least + costs.ofChoice(stage.row, stage.choices.get(choice));
            }
            cameFrom.add(from);
            best = now;
        }
        int last = leastOf(best);
        double cost = best[last];
        for (int i = run.size() - 1; i >= 0; i--) {
            chosen.put(run.get(i).note.id(), run.get(i).fingering(last));
            last = cameFrom.get(i)[last];
        }
        return cost;
    }

    private static int leastOf(double[] costs) {
        int least = 0;
        for (int i = 1; i < costs.length; i++) {
            least = costs[i] < costs[least] ? i : least;
        }
        return least;
    }
}
