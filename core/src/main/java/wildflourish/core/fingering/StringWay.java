package wildflourish.core.fingering;

import wildflourish.core.instrument.Strings;

/**
 * A way to play a note on strings.
 *
 * @param isDown the direction of the bow or the pick; for a banjo hand true
 * @param isSlurred whether it goes on with the bow before
 * @param picker the finger of a banjo hand, 1 thumb, 2 index, 3 middle; 0 elsewhere
 */
public record StringWay(Strings.Place place, boolean isDown, boolean isSlurred, int picker) {
    private static final String PICKERS = " TIM";

    /** {@code D2d}: string, finger as players call it (the fret on fretted strings), stroke. */
    public String name(Strings strings) {
        String where = strings.stroke() == Strings.Stroke.BOW ? place.stop().name() : String.valueOf(place.semitones());
        String how = picker > 0 ? PICKERS.substring(picker, picker + 1) : isSlurred ? "-" : isDown ? "d" : "u";
        String between = picker > 0 ? "." : "";
        return strings.stringName(place.string()) + between + where + how;
    }
}
