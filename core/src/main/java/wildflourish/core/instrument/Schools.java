package wildflourish.core.instrument;

/**
 * The ways in which somebody plays an instrument.
 *
 * @param hand of the hand that holds the notes
 * @param strokes how notes are struck, where good players of the instrument differ in it; else the usual way
 */
public record Schools(School hand, School strokes) {
    /** The first ones of an instrument. */
    public static Schools usual(Instrument instrument) {
        return new Schools(instrument.schools().get(0), instrument.strokes().get(0));
    }

    /** With another of an instrument's schools, whichever of the two it is. Throws IllegalArgumentException for one that is no way of playing it. */
    public Schools with(School other, Instrument instrument) {
        if (instrument.schools().contains(other)) {
            return new Schools(other, strokes);
        }
        if (instrument.strokes().contains(other)) {
            return new Schools(hand, other);
        }
        throw new IllegalArgumentException("“" + other.name() + "” is no way of playing the " + instrument.name());
    }
}
