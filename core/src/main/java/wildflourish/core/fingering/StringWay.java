package wildflourish.core.fingering;

import wildflourish.core.instrument.PickingHand;
import wildflourish.core.instrument.Strings;

/**
 * A way to play a note, or notes that sound together, on strings.
 *
 * @param isDown the direction of the bow or the pick; for a banjo hand true
 * @param isSlurred whether it goes on with the bow before
 * @param picker the finger of a banjo hand that takes the melody by its number; 0 elsewhere
 */
public record StringWay(StringHold hold, boolean isDown, boolean isSlurred, int picker) {
    /** Where the melody is stopped. */
    public Strings.Place place() {
        return hold.melody();
    }

    /** The same made by the left hand alone. */
    StringWay slurred() {
        return new StringWay(hold, isDown, true, picker);
    }

    /** {@code D2d}: string, finger as players call it (the fret on fretted strings), stroke; {@code A0+D3d} for two strings at once. */
    public String name(Strings strings) {
        String how = isSlurred ? "-" : picker > 0 ? PickingHand.letter(picker) : isDown ? "d" : "u";
        return hold.name(strings) + how;
    }
}
