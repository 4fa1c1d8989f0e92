package wildflourish.core.problem;

import java.util.List;

/**
 * What was read from a text, with everything that was wrong with it.
 *
 * @param value the best reading
 * @param problems in the order of their places
 */
public record Parsed<T>(T value, List<Problem> problems) {
    public Parsed {
        problems = List.copyOf(problems);
    }
}
