package wildflourish.core.ornament;

import java.util.List;
import wildflourish.core.music.Fraction;
import wildflourish.core.table.Table;

/** A student: how much longer motor times are than a fluent player's. The first row of {@code profiles.table} is the default. */
public record Profile(String id, String name, Fraction factor) {
    private static final List<Profile> ALL = Table.load("profiles.table").rows().stream()
            .map(row -> new Profile(row.text("id"), row.text("name"), row.read("factor", Fraction::parse)))
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
