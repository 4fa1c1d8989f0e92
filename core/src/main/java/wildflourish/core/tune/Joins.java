package wildflourish.core.tune;

/**
 * How a note joins its neighbours.
 *
 * @param tied the same pitch goes on into the next note
 * @param slursOpen slurs that begin at this note
 * @param slursClose slurs that end at it
 * @param beamed whether the tune's text lets a beam reach on to the next note
 */
public record Joins(boolean tied, int slursOpen, int slursClose, boolean beamed) {
    public static final Joins NONE = new Joins(false, 0, 0, false);

    /** Written out, since it is asked of every note before the first score is seen, and the equality of a record is slow the first time. */
    @Override
    public boolean equals(Object other) {
        return other instanceof Joins joins
                && tied == joins.tied
                && slursOpen == joins.slursOpen
                && slursClose == joins.slursClose
                && beamed == joins.beamed;
    }

    @Override
    public int hashCode() {
        return 31 * (31 * slursOpen + slursClose) + (tied ? 2 : 0) + (beamed ? 1 : 0);
    }
}
