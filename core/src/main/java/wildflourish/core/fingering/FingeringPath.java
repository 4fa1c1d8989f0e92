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
import wildflourish.core.path.Trellis;
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
        return of(line, instrument, pins, Habit.NONE);
    }

    /** The same for a student who learns one fingering for each note. */
    public static FingeringPath of(List<Note> line, Instrument instrument, Map<NoteId, Fingering> pins, Habit habit) {
        if (!instrument.family().isWind()) {
            return NONE;
        }
        return of(line, instrument.family(), note -> instrument.rowOf(note.melody()), pins, habit);
    }

    /** The best way for notes that are looked up otherwise than the instrument reads them, as in another key. */
    public static FingeringPath of(
            List<Note> line, Family family, Function<Note, Optional<ChartRow>> rows, Map<NoteId, Fingering> pins) {
        return of(line, family, rows, pins, Habit.NONE);
    }

    private static FingeringPath of(
            List<Note> line,
            Family family,
            Function<Note, Optional<ChartRow>> rows,
            Map<NoteId, Fingering> pins,
            Habit habit) {
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
                run.add(Stage.of(note, row.get(), Optional.ofNullable(pins.get(note.id())), costs));
            } else {
                cost += settle(run, costs, habit, chosen);
                run.clear();
            }
        }
        cost += settle(run, costs, habit, chosen);
        return new FingeringPath(chosen, cost);
    }

    /** A note with the fingerings that may be taken for it, and what each costs by itself. */
    record Stage(Note note, List<Fingering> fingerings, List<Double> costs) {
        static Stage of(Note note, ChartRow row, Optional<Fingering> pin, Costs costs) {
            List<Fingering> all = row.fingerings();
            int pinned = pin.map(all::indexOf).orElse(-1);
            if (pinned >= 0) {
                return new Stage(note, List.of(all.get(pinned)), List.of(costs.ofChoice(row, all.get(pinned), pinned)));
            }
            List<Double> each = new ArrayList<>();
            for (int i = 0; i < all.size(); i++) {
                each.add(costs.ofChoice(row, all.get(i), i));
            }
            return new Stage(note, all, each);
        }
    }

    private static double settle(List<Stage> run, Costs costs, Habit habit, Map<NoteId, Fingering> chosen) {
        if (run.isEmpty()) {
            return 0;
        }
        if (!habit.isNone()) {
            HabitRun stages = new HabitRun(run, costs, habit);
            Trellis.Way best = Trellis.through(stages).found().orElseThrow().best();
            for (int i = 0; i < run.size(); i++) {
                int fingering = stages.fingering(i, best.states().get(i));
                chosen.put(run.get(i).note.id(), run.get(i).fingerings.get(fingering));
            }
            return best.cost();
        }
        Trellis.Way best =
                Trellis.through(new Run(run, costs)).found().orElseThrow().best();
        for (int i = 0; i < run.size(); i++) {
            Stage stage = run.get(i);
            chosen.put(stage.note.id(), stage.fingerings.get(best.states().get(i)));
        }
        return best.cost();
    }

    /** Notes that follow each other, as stages of a trellis. */
    private record Run(List<Stage> stages, Costs costs) implements Trellis.Stages {
        @Override
        public int count() {
            return stages.size();
        }

        @Override
        public int states(int stage) {
            return stages.get(stage).fingerings.size();
        }

        @Override
        public double begin(int state) {
            return stages.get(0).costs.get(state);
        }

        @Override
        public void moves(int stage, int state, Trellis.Sink sink) {
            Fingering from = stages.get(stage).fingerings.get(state);
            Stage next = stages.get(stage + 1);
            for (int to = 0; to < next.fingerings.size(); to++) {
                sink.move(to, costs.ofMove(from, next.fingerings.get(to)) + next.costs.get(to));
            }
        }
    }
}
