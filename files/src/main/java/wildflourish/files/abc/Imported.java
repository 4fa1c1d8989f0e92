package wildflourish.files.abc;

import java.util.List;

/**
 * A tune of another format as text in ABC, to be read like any other.
 *
 * @param abc a whole tune
 * @param told what was guessed or left out, a sentence each without its full stop
 */
public record Imported(String abc, List<String> told) {
    public Imported {
        told = List.copyOf(told);
    }
}
