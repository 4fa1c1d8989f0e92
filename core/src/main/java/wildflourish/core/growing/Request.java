package wildflourish.core.growing;

import java.util.List;

/**
 * What is asked for over several bars: so many ornaments, at least.
 *
 * @param first the boundary before the first note of the row that they may stand on
 * @param last the boundary after the last
 * @param kind the number of their technique; −1 for any
 * @param count how many
 */
public record Request(int first, int last, int kind, int count) {
    /** Whether an option is one of those asked for. */
    boolean asksFor(Option option) {
        return !option.isPlain()
                && first <= option.from()
                && option.to() <= last
                && (kind == Option.NONE || kind == option.kind());
    }

    /** Whether there are enough among some options. */
    boolean isMet(List<Option> chosen) {
        return chosen.stream().filter(this::asksFor).count() >= count;
    }
}
