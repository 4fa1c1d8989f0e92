package wildflourish.core.fingering;

import java.util.List;

/**
 * What an ornament asks of the hand on buttons.
 *
 * @param count how many written notes it takes the place of
 * @param options the ways in which it can be made, at least one
 */
public record ButtonDemand(int count, List<ButtonOption> options) {
    public ButtonDemand {
        options = List.copyOf(options);
    }
}
