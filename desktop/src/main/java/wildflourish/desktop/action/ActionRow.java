package wildflourish.desktop.action;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/**
 * What the table says of an action.
 *
 * @param group with what it stands in a menu
 * @param icon of the icon set that ships
 * @param words as a menu and the finder have them
 * @param tip what there is to know beyond the words; the words themselves where there is nothing
 */
public record ActionRow(String id, String group, List<Key> keys, Optional<String> icon, String words, String tip) {
    private static final String FILE = "actions.table";

    public ActionRow {
        keys = List.copyOf(keys);
    }

    /** An action that is not in the table: one of many of a kind, without a key. */
    public static ActionRow of(String id, String group, String words) {
        return new ActionRow(id, group, List.of(), Optional.empty(), words, words);
    }

    /** The table that ships. */
    public static List<ActionRow> all() {
        try (InputStream in = ActionRow.class.getResourceAsStream("/wildflourish/desktop/" + FILE)) {
            if (in == null) {
                throw new IllegalStateException(FILE + " does not ship with the application");
            }
            return Table.parse(FILE, new String(in.readAllBytes(), StandardCharsets.UTF_8)).rows().stream()
                    .map(ActionRow::of)
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(FILE, e);
        }
    }

    private static ActionRow of(Row row) {
        String words = row.text("words");
        return new ActionRow(
                row.text("id"),
                row.text("group"),
                row.optional("keys").isEmpty()
                        ? List.of()
                        : row.read(
                                "keys",
                                cell -> List.of(cell.split(" +")).stream()
                                        .map(Key::parse)
                                        .toList()),
                row.optional("icon"),
                words,
                row.optional("tip").orElse(words));
    }

    /** Its keys as they are written; empty where it has none. */
    public String keyWords() {
        return keys.stream().map(Key::toString).collect(Collectors.joining(", "));
    }
}
