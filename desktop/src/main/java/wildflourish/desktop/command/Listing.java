package wildflourish.desktop.command;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializationFeature;
import com.fasterxml.jackson.databind.node.NullNode;
import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Prints rows as a table for people, or as JSON or CSV (RFC 4180) for programs. */
final class Listing {
    /** Forms of a listing. */
    enum Format {
        TABLE,
        JSON,
        CSV
    }

    private Listing() {}

    /** The same, with what its signs and numbers mean under a table for people. */
    static void print(PrintWriter out, List<? extends Map<String, ?>> rows, Format format, List<String> legend) {
        print(out, rows, format);
        if (format == Format.TABLE && !legend.isEmpty() && !rows.isEmpty()) {
            out.println();
            legend.forEach(out::println);
        }
        out.flush();
    }

    /** Rows have the same columns in the same order. Numbers, truths and lists stay what they are in JSON; elsewhere they are words. */
    static void print(PrintWriter out, List<? extends Map<String, ?>> rows, Format format) {
        switch (format) {
            case TABLE -> table(out, worded(rows));
            case CSV -> csv(out, worded(rows));
            case JSON -> json(out, rows);
        }
        out.flush();
    }

    private static List<Map<String, String>> worded(List<? extends Map<String, ?>> rows) {
        List<Map<String, String>> words = new ArrayList<>();
        for (Map<String, ?> row : rows) {
            Map<String, String> each = new LinkedHashMap<>();
            row.forEach((column, cell) -> each.put(column, word(cell)));
            words.add(each);
        }
        return words;
    }

    private static String word(Object cell) {
        if (cell instanceof Collection<?> many) {
            return String.join(",", many.stream().map(Listing::word).toList());
        }
        return cell instanceof Optional<?> may ? may.map(Listing::word).orElse("–") : String.valueOf(cell);
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

    private static void json(PrintWriter out, List<? extends Map<String, ?>> rows) {
        try {
            out.println(new ObjectMapper()
                    .enable(SerializationFeature.INDENT_OUTPUT)
                    .writeValueAsString(plain(rows)));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("rows cannot be written as JSON", e);
        }
    }

    /** What may be missing is null in JSON. */
    private static Object plain(Object value) {
        if (value instanceof Optional<?> may) {
            return may.map(Listing::plain).map(Object.class::cast).orElse(NullNode.getInstance());
        }
        if (value instanceof Collection<?> many) {
            return many.stream().map(Listing::plain).toList();
        }
        if (value instanceof Map<?, ?> map) {
            Map<Object, Object> all = new LinkedHashMap<>();
            map.forEach((key, each) -> all.put(key, plain(each)));
            return all;
        }
        return value;
    }
}
