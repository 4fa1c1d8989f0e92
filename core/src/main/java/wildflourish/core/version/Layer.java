package wildflourish.core.version;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import wildflourish.core.instrument.Family;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/** A rule over a whole passage: how it is articulated, what of it is held or left out. */
public record Layer(Rule rule, Span span, Passes passes) {
    /** What a rule does. */
    public enum Work {
        /** Every note is tongued. */
        TONGUE_ALL,
        /** Notes on a beat are tongued, the others slurred. */
        TONGUE_BEATS,
        /** Nothing is tongued but what must be. */
        SLUR,
        /** A note on a beat is held through it. */
        HOLD_BEATS,
        /** Long notes give their second half to the breath. */
        BREATHE
    }

    /**
     * A row of {@code layers.table}; rows are in the order in which layers act.
     *
     * @param families that have it
     */
    public record Rule(String id, String name, String about, Set<Family> families, Work work) {
        private static final List<Rule> ALL =
                Table.load("layers.table").rows().stream().map(Rule::from).toList();

        public Rule {
            families = Set.copyOf(families);
        }

        private static Rule from(Row row) {
            return new Rule(
                    row.text("id"),
                    row.text("name"),
                    row.text("about"),
                    row.words("families").stream()
                            .map(word -> row.read("families", cell -> Family.parse(word.replace('_', ' '))))
                            .collect(Collectors.toSet()),
                    row.read(
                            "work",
                            word -> Work.valueOf(word.toUpperCase(Locale.ROOT).replace('-', '_'))));
        }

        public static List<Rule> all() {
            return ALL;
        }

        public static List<Rule> of(Family family) {
            return ALL.stream().filter(rule -> rule.families.contains(family)).toList();
        }

        /** Throws IllegalArgumentException, naming those there are, for a rule that is in no table. */
        public static Rule of(String id) {
            return ALL.stream()
                    .filter(rule -> rule.id.equals(id))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("there is no layer “" + id + "”; there are "
                            + String.join(", ", ALL.stream().map(Rule::id).toList())));
        }
    }

    /** Whether a note of the tune lies in its passage. */
    public boolean covers(Tune tune, NoteId note) {
        int order = tune.placeOf(note).order();
        return tune.placeOf(span.first()).order() <= order
                && order <= tune.placeOf(span.last()).order();
    }
}
