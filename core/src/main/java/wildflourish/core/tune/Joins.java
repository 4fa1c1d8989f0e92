package wildflourish.core.tune;

import java.util.List;
import wildflourish.core.music.WrittenPitch;

/**
 * How a note joins its neighbours.
 *
 * @param tied the same pitch goes on into the next note
 * @param slursOpen slurs that begin at this note
 * @param slursClose slurs that end at it
 * @param beamed whether the tune's text lets a beam reach on to the next note
 * @param held lower notes of a chord that alone go on into the next one; none where the whole chord does
 */
public record Joins(boolean tied, int slursOpen, int slursClose, boolean beamed, List<WrittenPitch> held) {
    public static final Joins NONE = new Joins(false, 0, 0, false);

    public Joins {
        held = List.copyOf(held);
    }

    /** With no lower note held by itself. */
    public Joins(boolean tied, int slursOpen, int slursClose, boolean beamed) {
        this(tied, slursOpen, slursClose, beamed, List.of());
    }

    public Joins withTie() {
        return new Joins(true, slursOpen, slursClose, beamed, List.of());
    }

    /** With a slur that begins here in place of the tie. */
    public Joins withTieAsSlur() {
        return new Joins(false, slursOpen + 1, slursClose, beamed, held);
    }

    public Joins withBeam() {
        return new Joins(tied, slursOpen, slursClose, true, held);
    }

    /** With one more slur that ends here. */
    public Joins withSlurClosed() {
        return new Joins(tied, slursOpen, slursClose + 1, beamed, held);
    }

    public Joins withHeld(List<WrittenPitch> lower) {
        return new Joins(tied, slursOpen, slursClose, beamed, lower);
    }

    /** Written out, since it is asked of every note before the first score is seen, and the equality of a record is slow the first time. */
    @Override
    public boolean equals(Object other) {
        return other instanceof Joins joins
                && tied == joins.tied
                && slursOpen == joins.slursOpen
                && slursClose == joins.slursClose
                && beamed == joins.beamed
                && held.equals(joins.held);
    }

    @Override
    public int hashCode() {
        return 31 * (31 * slursOpen + slursClose) + (tied ? 2 : 0) + (beamed ? 1 : 0);
    }
}
