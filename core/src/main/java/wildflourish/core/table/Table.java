package wildflourish.core.table;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * A commented table: lines that begin with {@code #} are comments, the first other line names the columns, every further line is a row,
 * cells parted by {@code |}.
 *
 * @param file its name, for messages
 * @param columns in their order
 * @param rows in their order
 */
public record Table(String file, List<String> columns, List<Row> rows) {
    public Table {
        columns = List.copyOf(columns);
        rows = List.copyOf(rows);
    }

    /** Loads a table that ships beside the core, such as {@code times.table}. */
    public static Table load(String name) {
        return parse(name, resource(name));
    }

    /** Whether a table ships. */
    public static boolean ships(String name) {
        return Table.class.getResource("/wildflourish/core/" + name) != null;
    }

    /** The text of a resource that ships beside the core. */
    public static String resource(String name) {
        try (InputStream in = Table.class.getResourceAsStream("/wildflourish/core/" + name)) {
            if (in == null) {
                throw new TableException(name, 1, "the file does not ship with the application");
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(name, e);
        }
    }

    /** Reads a table's text strictly: a row with too few or too many cells is a fault. */
    public static Table parse(String file, String text) {
        List<String> columns = new ArrayList<>();
        List<Row> rows = new ArrayList<>();
        int line = 0;
        for (String content : text.split("\n", -1)) {
            line++;
            if (content.isBlank() || content.startsWith("#")) {
                continue;
            }
            List<String> cells =
                    Arrays.stream(content.split("\\|", -1)).map(String::trim).toList();
            if (columns.isEmpty()) {
                columns.addAll(cells);
            } else if (cells.size() != columns.size()) {
                throw new TableException(file, line, cells.size() + " cells where " + columns.size() + " are named");
            } else {
                rows.add(row(file, line, columns, cells));
            }
        }
        if (columns.isEmpty()) {
            throw new TableException(file, line, "no line names the columns");
        }
        return new Table(file, columns, rows);
    }

    private static Row row(String file, int line, List<String> columns, List<String> cells) {
        Map<String, String> named = new HashMap<>();
        for (int i = 0; i < columns.size(); i++) {
            named.put(columns.get(i), cells.get(i));
        }
        return new Row(file, line, named);
    }
}
