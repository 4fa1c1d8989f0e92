package wildflourish.core.ornament;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.instrument.Family;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/**
 * In which kinds of tune an ornament on strings or buttons is usual, and to which alone it belongs; a row of {@code ornaments/fiddle.usage}, {@code plucked.usage} or {@code boxes.usage}.
 *
 * @param families whose it is; none for all of its table
 * @param school the ornament's own school that the row is for; empty for any
 * @param usual kinds of tune by name
 * @param only empty where it belongs to all
 */
public record Usage(String ornament, Set<Family> families, String school, Set<String> usual, Set<String> only) {
    private static final List<Usage> BOWED = read("ornaments/fiddle.usage");
    private static final List<Usage> PLUCKED = read("ornaments/plucked.usage");
    private static final List<Usage> ON_BUTTONS = read("ornaments/boxes.usage");

    private static List<Usage> read(String table) {
        return Table.load(table).rows().stream().map(Usage::from).toList();
    }

    /** After the name of a kind of tune: but not in 6/8. */
    private static final String NOT_SIX = "!6/8";

    public Usage {
        families = Set.copyOf(families);
        usual = Set.copyOf(usual);
        only = Set.copyOf(only);
    }

    private static Usage from(Row row) {
        Set<Family> families = new HashSet<>();
        row.words("for").forEach(word -> families.add(Family.parse(word.replace('_', ' '))));
        return new Usage(
                row.text("ornament"),
                families,
                row.optional("school").orElse(""),
                kinds(row, "usual in"),
                kinds(row, "only in"));
    }

    private static Set<String> kinds(Row row, String column) {
        Set<String> kinds = new HashSet<>();
        row.words(column).forEach(word -> kinds.add(word.replace('-', ' ')));
        return kinds;
    }

    /** The first row for an ornament as a family makes it, in one of its own schools; empty where nothing is said of it. */
    public static Optional<Usage> of(Family family, String ornament, String school) {
        return rows(family).stream()
                .filter(usage -> usage.families.isEmpty() || usage.families.contains(family))
                .filter(usage ->
                        usage.ornament.equals(ornament) && (usage.school.isEmpty() || usage.school.equals(school)))
                .findFirst();
    }

    private static List<Usage> rows(Family family) {
        return switch (family) {
            case TWO_ROW_BOX, ANGLO, ENGLISH -> ON_BUTTONS;
            case FIDDLE -> BOWED;
            default -> PLUCKED;
        };
    }

    /** The kinds of tune that it belongs to alone, by name in order; none where it belongs to all. */
    public List<String> onlyIn() {
        return only.stream().sorted().toList();
    }

    public boolean isUsualIn(String kind, boolean isSixEight) {
        return has(usual, kind, isSixEight);
    }

    public boolean isAllowedIn(String kind, boolean isSixEight) {
        return only.isEmpty() || has(only, kind, isSixEight);
    }

    private static boolean has(Set<String> kinds, String kind, boolean isSixEight) {
        return kinds.contains(kind) || (!isSixEight && kinds.contains(kind + NOT_SIX));
    }
}
