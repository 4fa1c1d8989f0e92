package wildflourish.core.ornament;

import java.util.List;
import wildflourish.core.music.Fraction;
import wildflourish.core.table.Table;

/**
 * A student; the first row of {@code profiles.table} is the default.
 *
 * @param factor how much longer motor times are than a fluent player's
 * @param otherHand what it costs to finger a note otherwise than before in the phrase, in units of one finger moved
 */
public record Profile(String id, String name, Fraction factor, double otherHand) {
    private static final List<Profile> ALL = Table.load("profiles.table").rows().stream()
            .map(row -> new Profile(
                    row.text("id"),
                    row.text("name"),
                    row.read("factor", Fraction::parse),
                    row.read("other hand", Double::valueOf)))
            .toList();

    public static List<Profile> all() {
        return ALL;
    }

    public static Profile usual() {
        return ALL.get(0);
    }

    /** Throws IllegalArgumentException, naming those there are. */
    public static Profile of(String id) {
        return ALL.stream()
                .filter(profile -> profile.id.equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there is no student profile “" + id + "”; there are "
                        + String.join(", ", ALL.stream().map(Profile::id).toList())));
    }

    public Times times() {
        return new Times(factor);
    }
}
