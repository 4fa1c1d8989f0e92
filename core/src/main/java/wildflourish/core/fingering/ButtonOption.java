package wildflourish.core.fingering;

import java.util.List;

/**
 * How a hand plays a note on buttons with what an ornament adds to it: it comes to the first sound by one way, has the note itself by another, and leaves the last
 * sound by a third.
 *
 * @param way of the note itself, which is shown
 * @param entry of the first sound
 * @param exit of the last
 * @param cost of the ornament, in turns of the bellows; 0 for a plain note
 * @param lastMillis how long the last sound lasts, so that fingers may come from it; 0 for a plain note, which lasts its whole length
 * @param strokes sounds between which the bellows may turn; none for most
 */
public record ButtonOption(
        ButtonWay way, ButtonWay entry, ButtonWay exit, double cost, double lastMillis, Strokes strokes) {
    /**
     * Sounds that follow each other within an ornament, between which the bellows may turn.
     *
     * @param ways one for each
     * @param shares of the whole length, one for each
     * @param areWalked whether the hand goes from one to the next as from note to note, and pays for it; otherwise what they cost stands in the option
     */
    public record Strokes(List<ButtonWay> ways, List<Double> shares, boolean areWalked) {
        public static final Strokes NONE = new Strokes(List.of(), List.of(), false);

        public Strokes {
            ways = List.copyOf(ways);
            shares = List.copyOf(shares);
        }
    }

    /** With one direction of the bellows for all of it. */
    public ButtonOption(ButtonWay way, ButtonWay entry, ButtonWay exit, double cost, double lastMillis) {
        this(way, entry, exit, cost, lastMillis, Strokes.NONE);
    }

    /** A note with nothing on it. */
    static ButtonOption plain(ButtonWay way) {
        return new ButtonOption(way, way, way, 0, 0);
    }

    /** The same, everything so many times as slow. */
    ButtonOption slower(double times) {
        return new ButtonOption(way, entry, exit, cost, lastMillis * times, strokes);
    }

    /** From the beginning of its last sound to its end, where it lasts so many milliseconds in all. */
    double lastMillis(double whole) {
        return lastMillis > 0 ? lastMillis : whole;
    }

    /** From where the bellows last turned, or could have, to its end, where it lasts so many milliseconds in all. */
    double bellowsMillis(double whole) {
        return strokes.ways.isEmpty() ? whole : lastMillis(whole);
    }

    /** How often the bellows turn within it. */
    int turnsWithin() {
        int turns = 0;
        for (int i = 1; i < strokes.ways.size(); i++) {
            turns += ButtonCosts.isTurn(strokes.ways.get(i - 1), strokes.ways.get(i)) ? 1 : 0;
        }
        return turns;
    }

    /** The air that it takes from its beginning to its end: 1 for one reed pressed all the while, -1 for one drawn, half as much again for each further reed. */
    double air() {
        if (strokes.ways.isEmpty()) {
            return air(way);
        }
        double sum = 0;
        for (int i = 0; i < strokes.ways.size(); i++) {
            sum += strokes.shares.get(i) * air(strokes.ways.get(i));
        }
        return sum;
    }

    private static double air(ButtonWay way) {
        return (1 + way.under().size() / 2.0) * way.airWay();
    }
}
