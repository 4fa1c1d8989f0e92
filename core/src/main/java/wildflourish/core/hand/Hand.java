package wildflourish.core.hand;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.instrument.Family;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Refusal;

/** What makes figures on one kind of instrument. A hitch is why one cannot be made; the same is told when it does not fit. */
public interface Hand {
    /** The hand set for a figure on its notes. */
    Grip grip(Occasion occasion, Figure figure);

    /** A hand set for one figure. */
    interface Grip {
        /** Those of the refusals asked that hold, of all that only the hand can tell; in the order asked. */
        List<Refusal> hitches(List<Refusal> asked);

        /** The figure as this hand makes it; empty where it cannot make it at all. */
        Optional<Made> make();

        /** What speaks for or against the way in which it is made. */
        default Set<Trait> traits() {
            return Set.of();
        }

        /** How its first note is held on strings or buttons, as pins name it; empty on holes. */
        default Optional<String> hold() {
            return Optional.empty();
        }

        /** The figure as this hand makes it where it may choose the way that needs the least time. */
        default Optional<Made> quickest() {
            return make();
        }

        /** What it costs over the whole tune; empty where that is not known. */
        default Optional<Price> price() {
            return Optional.empty();
        }

        /** Why the figure must wait for a finger that has just moved; empty where none must. */
        Optional<Refusal> waits();
    }

    /** The hand for a family of instruments. */
    static Hand of(Family family) {
        if (family.isWind()) {
            return HoleGrip::new;
        }
        if (family.isPlucked()) {
            return PluckGrip::new;
        }
        return family == Family.FIDDLE ? BowGrip::new : ButtonGrip::new;
    }
}
