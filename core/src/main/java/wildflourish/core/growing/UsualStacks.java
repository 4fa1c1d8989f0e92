package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.instrument.Family;
import wildflourish.core.ornament.Stack;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** Ornaments in another way of their own, and several on one span that are often made at once: rows of {@code usual-stacks.table}. */
final class UsualStacks {
    private static final Table ROWS = Table.load("usual-stacks.table");

    private UsualStacks() {}

    /** Those of a family, in the order of the table. Throws TableException for a row that cannot be read. */
    static List<Stack> of(Family family) {
        List<Stack> stacks = new ArrayList<>();
        for (Row row : ROWS.rows()) {
            boolean isOfFamily = row.words("families").stream()
                    .anyMatch(word -> row.read("families", cell -> Family.parse(word.replace('_', ' '))) == family);
            if (isOfFamily) {
                row.words("stacks").forEach(word -> stacks.add(row.read("stacks", cell -> Stack.parse(word, family))));
            }
        }
        return stacks;
    }
}
