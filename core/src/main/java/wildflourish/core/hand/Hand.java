package wildflourish.core.hand;

import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Family;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Refusal;

/** What makes figures on one kind of instrument. A hitch is why one cannot be made; the same is told when it does not fit. */
public interface Hand {
    /** Those of the refusals asked that hold, of all that only the hand can tell; in the order asked. */
    List<Refusal> hitches(List<Refusal> asked, Occasion occasion, Figure figure);

    /** The figure as this hand makes it; empty where it cannot make it at all. */
    Optional<Made> make(Occasion occasion, Figure figure);

    /** Why the figure must wait for a finger that has just moved; empty where none must. */
    Optional<Refusal> waits(Occasion occasion, Figure figure);

    /** The hand for a family of instruments; one that makes nothing where no ornaments are known yet. */
    static Hand of(Family family) {
        return family.isWind() ? HoleHand.INSTANCE : None.INSTANCE;
    }

    /** Makes nothing. */
    enum None implements Hand {
        INSTANCE;

        @Override
        public List<Refusal> hitches(List<Refusal> asked, Occasion occasion, Figure figure) {
            return asked.stream()
                    .filter(refusal -> refusal == Refusal.NOT_FOR_THIS_INSTRUMENT)
                    .toList();
        }

        @Override
        public Optional<Made> make(Occasion occasion, Figure figure) {
            return Optional.empty();
        }

        @Override
        public Optional<Refusal> waits(Occasion occasion, Figure figure) {
            return Optional.empty();
        }
    }
}
