package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** An ornament with the shapes it takes over spans of different length; the rows of {@code ornaments.table} that share an id. */
public record Ornament(String id, String name, Family family, List<Shape> shapes, Manner manner) {
    /** Families share a colour and a shape of sign. */
    public enum Family {
        SINGLE,
        ROLL,
        CRAN
    }

    /** What an ornament may stand for beyond one note. */
    public enum Replaces {
        /** One written note. */
        NOTE,
        /** Also several notes of one pitch. */
        EQUAL,
        /** Also note, neighbour, note. */
        TURN
    }

    /** How it is used: weight and difficulty from 1 to 9, and the smaller ornaments it may grow from. */
    public record Manner(Replaces replaces, List<String> growsFrom, int weight, int difficulty) {
        public Manner {
            growsFrom = List.copyOf(growsFrom);
        }
    }

    private static final Map<String, Ornament> ALL = read(Table.load("ornaments.table"));

    public Ornament {
        shapes = List.copyOf(shapes);
    }

    private static Map<String, Ornament> read(Table table) {
        Map<String, Ornament> all = new LinkedHashMap<>();
        for (Row row : table.rows()) {
            Shape shape = new Shape(
                    row.words("shape").isEmpty()
                            ? List.of(Gesture.PLAIN)
                            : row.words("shape").stream().map(Gesture::parse).toList(),
                    row.text("span").equals("any") ? Optional.empty() : Optional.of(row.read("span", Fraction::parse)));
            Ornament earlier = all.get(row.text("id"));
            List<Shape> shapes = new ArrayList<>(earlier == null ? List.of() : earlier.shapes);
            shapes.add(shape);
            all.put(row.text("id"), new Ornament(row.text("id"), row.text("name"), family(row), shapes, manner(row)));
        }
        return all;
    }

    private static Family family(Row row) {
        return row.read("family", word -> Family.valueOf(word.toUpperCase(java.util.Locale.ROOT)));
    }

    private static Manner manner(Row row) {
        return new Manner(
                row.read("replaces", word -> Replaces.valueOf(word.toUpperCase(java.util.Locale.ROOT))),
                row.words("grows from"),
                row.integer("weight"),
                row.integer("difficulty"));
    }

    public static List<Ornament> all() {
        return List.copyOf(ALL.values());
    }

    public static Optional<Ornament> find(String id) {
        return Optional.ofNullable(ALL.get(id));
    }

    public static Ornament of(String id) {
        return find(id).orElseThrow(() -> new IllegalArgumentException(
                "there is no ornament “" + id + "”; there are " + String.join(", ", ALL.keySet())));
    }

    /** The shape for a span of a length in whole notes; empty when it has none. */
    public Optional<Shape> shapeFor(Fraction length) {
        for (Shape shape : shapes) {
            if (shape.takes(length)) {
                return Optional.of(shape);
            }
        }
        return Optional.empty();
    }

    public boolean growsFrom(Ornament smaller) {
        return manner.growsFrom().contains(smaller.id);
    }

    public boolean uses(Gesture gesture) {
        for (Shape shape : shapes) {
            if (shape.parts().contains(gesture)) {
                return true;
            }
        }
        return false;
    }
}
