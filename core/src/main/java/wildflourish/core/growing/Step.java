package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Options of a note that leave a plan in one and the same state, as one step: only the dearest of them is in a best plan, and any other costs just what it brings less.
 *
 * @param notes how many notes it goes
 * @param bar the number of its bar
 * @param isBreath whether somebody can breathe there
 * @param gain points of the dearest
 * @param alike all of them with their own points, the dearest first; of equal ones the first given
 */
record Step(
        int notes,
        int bar,
        int kind,
        int begins,
        int finger,
        int weight,
        boolean isBreath,
        int gain,
        List<Option> alike) {
    Step {
        alike = List.copyOf(alike);
    }

    /** What of an option makes the state after it, and what it costs beside the one before. */
    private record Trace(int to, int kind, int begins, int finger, int weight) {
        static Trace of(Option option) {
            return new Trace(option.to(), option.kind(), option.begins(), option.finger(), option.weight());
        }
    }

    /** All options of one note as steps, in the order of the first of each. */
    static List<Step> of(NoteRow row, List<Option> options) {
        Map<Trace, List<Option>> alike = new LinkedHashMap<>();
        options.forEach(option -> alike.computeIfAbsent(Trace.of(option), key -> new ArrayList<>())
                .add(option));
        return alike.values().stream().map(each -> of(each, row)).toList();
    }

    private static Step of(List<Option> alike, NoteRow row) {
        List<Option> sorted = new ArrayList<>(alike);
        sorted.sort(Comparator.comparingInt(option -> -option.gain()));
        Option first = sorted.get(0);
        boolean isLong = row.length(first.from(), first.to()) >= row.crotchet();
        return new Step(
                first.to() - first.from(),
                row.bars().get(first.from()),
                first.kind(),
                first.begins(),
                first.finger(),
                first.weight(),
                row.isBlown() && isLong && first.weight() <= 1,
                first.gain(),
                sorted);
    }

    boolean isPlain() {
        return kind == Option.NONE;
    }

    Option dearest() {
        return alike.get(0);
    }
}
