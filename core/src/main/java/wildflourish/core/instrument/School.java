package wildflourish.core.instrument;

import java.util.List;
import wildflourish.core.table.Table;

/** A way of playing that good players differ in; the rows of {@code schools.table}. */
public record School(String id, String name, String about) {
    private static final List<School> ALL = Table.load("schools.table").rows().stream()
            .map(row -> new School(row.text("id"), row.text("name"), row.text("about")))
            .toList();

    /** For instruments whose schools, if any, nobody has written down. */
    public static final School USUAL = of("usual");

    public static List<School> all() {
        return ALL;
    }

    /** Throws IllegalArgumentException for a school that is in no table. */
    public static School of(String id) {
        return ALL.stream()
                .filter(school -> school.id.equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no school “" + id + "”; there are "
                        + String.join(", ", ALL.stream().map(School::id).toList())));
    }
}
