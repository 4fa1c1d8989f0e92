package wildflourish.core.fingering;

/**
 * How a hand plays a note on buttons with what an ornament adds to it: it comes to the first sound by one way, has the note itself by another, and leaves the last
 * sound by a third.
 *
 * @param way of the note itself, which is shown
 * @param entry of the first sound
 * @param exit of the last
 * @param cost of the ornament, in turns of the bellows; 0 for a plain note
 * @param lastMillis how long the last sound lasts, so that fingers may come from it; 0 for a plain note, which lasts its whole length
 */
public record ButtonOption(ButtonWay way, ButtonWay entry, ButtonWay exit, double cost, double lastMillis) {
    /** A note with nothing on it. */
    static ButtonOption plain(ButtonWay way) {
        return new ButtonOption(way, way, way, 0, 0);
    }

    /** From the beginning of its last sound to its end, where it lasts so many milliseconds in all. */
    double lastMillis(double whole) {
        return lastMillis > 0 ? lastMillis : whole;
    }
}
