package wildflourish.core.fingering;

import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.music.FingeredPitch;

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

    /** Another pitch in place of a note; empty where the instrument lacks it. */
    public static Optional<ButtonDemand> instead(FingeredPitch pitch, ButtonLayout layout) {
        List<ButtonOption> options = ButtonPath.plainOptions(pitch, layout);
        return options.isEmpty() ? Optional.empty() : Optional.of(new ButtonDemand(1, options));
    }
}
