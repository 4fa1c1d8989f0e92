package wildflourish.core.sound;

/** The knock of a count-in: a short wooden tick, higher for the first beat. */
public final class Click {
    private static final double MILLIS = 35;

    private Click() {}

    /** The value between −1 and 1 at a time after the tick begins; 0 once it is over. */
    public static float at(double millisSinceStart, boolean isFirst) {
        if (millisSinceStart < 0 || millisSinceStart > MILLIS) {
            return 0;
        }
        double hertz = isFirst ? 1760 : 1318.5;
        double fade = Math.exp(-millisSinceStart / 7) * Math.min(1, millisSinceStart / 0.7);
        return (float) (0.5 * fade * Math.sin(2 * Math.PI * hertz * millisSinceStart / 1000));
    }
}
