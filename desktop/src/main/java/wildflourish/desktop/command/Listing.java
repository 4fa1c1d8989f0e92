package wildflourish.desktop.command;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import java.io.PrintWriter;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Prints rows as a table for people, or as JSON or CSV (RFC 4180) for programs. */
final class Listing {
    /** Forms of a listing. */
    enum Format {
        TABLE,
        JSON,
        CSV
    }

    private Listing() {}

    /** Rows have the same columns in the same order. */
    static void print(PrintWriter out, List<Map<String, String>> rows, Format format) {
        switch (format) {
            case TABLE -> table(out, rows);
            case CSV -> csv(out, rows);
            case JSON -> json(out, rows);
        }
        out.flush();
    }

    private static void table(PrintWriter out, List<Map<String, String>> rows) {
        Map<String, Integer> widths = new LinkedHashMap<>();
        for (Map<String, String> row : rows) {
            row.forEach((column, cell) -> widths.merge(column, Math.max(column.length(), cell.length()), Math::max));
        }
        StringBuilder head = new StringBuilder();
        widths.forEach((column, width) -> head.append(padded(column, width)).append("  "));
        out.println(head.toString().stripTrailing());
        for (Map<String, String> row : rows) {
            StringBuilder line = new StringBuilder();
            row.forEach((column, cell) ->
                    line.append(padded(cell, widths.getOrDefault(column, 0))).append("  "));
            out.println(line.toString().stripTrailing());
        }
    }

    private static String padded(String words, int width) {
        return words + " ".repeat(Math.max(0, width - words.length()));
    }

    private static void csv(PrintWriter out, List<Map<String, String>> rows) {
        if (rows.isEmpty()) {
            return;
        }
        out.print(String.join(
                        ",", rows.get(0).keySet().stream().map(Listing::quoted).toList()) + "\r\n");
        for (Map<String, String> row : rows) {
            out.print(
                    String.join(",", row.values().stream().map(Listing::quoted).toList()) + "\r\n");
        }
    }

    private static String quoted(String cell) {
        return cell.matches("[^\",\r\n]*") ? cell : '"' + cell.replace("\"", "\"\"") + '"';
    }

    private static void json(PrintWriter out, List<Map<String, String>> rows) {
        try {
            out.println(new ObjectMapper()
                    .enable(SerializationFeature.INDENT_OUTPUT)
                    .writeValueAsString(rows));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("rows of words cannot be written as JSON", e);
        }
    }
}
