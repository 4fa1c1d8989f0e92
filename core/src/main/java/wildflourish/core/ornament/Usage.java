package wildflourish.core.ornament;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/**
 * In which kinds of tune an ornament of the fiddle is usual, and to which alone it belongs; a row of {@code ornaments/fiddle.usage}.
 *
 * @param school the ornament's own school that the row is for; empty for any
 * @param usual kinds of tune by name
 * @param only empty where it belongs to all
 */
public record Usage(String ornament, String school, Set<String> usual, Set<String> only) {
    private static final List<Usage> ALL = Table.load("ornaments/fiddle.usage").rows().stream()
            .map(Usage::from)
            .toList();

    /** After the name of a kind of tune: but not in 6/8. */
    private static final String NOT_SIX = "!6/8";

    public Usage {
        usual = Set.copyOf(usual);
        only = Set.copyOf(only);
    }

    private static Usage from(Row row) {
        return new Usage(
                row.text("ornament"), row.optional("school").orElse(""), kinds(row, "usual in"), kinds(row, "only in"));
    }

    private static Set<String> kinds(Row row, String column) {
        Set<String> kinds = new HashSet<>();
        row.words(column).forEach(word -> kinds.add(word.replace('-', ' ')));
        return kinds;
    }

    /** The first row for an ornament in one of its own schools; empty where nothing is said of it. */
    public static Optional<Usage> of(String ornament, String school) {
        return ALL.stream()
                .filter(usage ->
                        usage.ornament.equals(ornament) && (usage.school.isEmpty() || usage.school.equals(school)))
                .findFirst();
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
