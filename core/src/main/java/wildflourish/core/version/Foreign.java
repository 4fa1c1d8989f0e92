package wildflourish.core.version;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * What a book says of a version that this program does not understand, kept as it stands for the one that does.
 *
 * @param lines whole lines
 * @param attributes further words of lines that are understood, by what the line is about
 */
public record Foreign(List<String> lines, Map<String, String> attributes) {
    public static final Foreign NONE = new Foreign(List.of(), Map.of());

    public Foreign {
        lines = List.copyOf(lines);
        attributes = Collections.unmodifiableMap(new TreeMap<>(attributes));
    }

    /** The further words of a line; empty where it has none. */
    public String of(String line) {
        return attributes.getOrDefault(line, "");
    }
}
