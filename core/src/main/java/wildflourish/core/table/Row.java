package wildflourish.core.table;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** One row of a table: its cells by column name. An empty cell is written {@code –}. */
public final class Row {
    private final String file;
    private final int line;
    private final Map<String, String> cells;

    Row(String file, int line, Map<String, String> cells) {
        this.file = file;
        this.line = line;
        this.cells = Map.copyOf(cells);
    }

    /** The cell's words; a missing or empty cell is a fault. */
    public String text(String column) {
        return optional(column).orElseThrow(() -> fault("the column “" + column + "” is empty"));
    }

    public Optional<String> optional(String column) {
        String cell = cells.get(column);
        if (cell == null) {
            throw fault("there is no column “" + column + "”");
        }
        return cell.equals("–") || cell.isEmpty() ? Optional.empty() : Optional.of(cell);
    }

    /** Whether the table has such a column at all. */
    public boolean has(String column) {
        return cells.containsKey(column);
    }

    /** The cell's words between blanks; empty for an empty cell. */
    public List<String> words(String column) {
        return optional(column).map(cell -> Arrays.asList(cell.split("[ ,]+"))).orElse(List.of());
    }

    public int integer(String column) {
        return read(column, Integer::parseInt);
    }

    /** The cell read by a parser whose IllegalArgumentException becomes a fault of this line. */
    public <T> T read(String column, Function<String, T> parser) {
        String cell = text(column);
        try {
            return parser.apply(cell);
        } catch (IllegalArgumentException e) {
            throw fault("the column “" + column + "” cannot be “" + cell + "” (" + e.getMessage() + ")");
        }
    }

    public <T> Optional<T> readOptional(String column, Function<String, T> parser) {
        return optional(column).map(cell -> read(column, parser));
    }

    public TableException fault(String what) {
        return new TableException(file, line, what);
    }

    @Override
    public String toString() {
        return file + " line " + line + " " + cells;
    }
}
