package wildflourish.core.hand;

import java.util.Optional;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Refusal;

/** The hand on holes: whistles, flutes, recorders, pipes. */
enum HoleHand implements Hand {
    INSTANCE;

    @Override
    public boolean hitches(Refusal refusal, Occasion occasion, Figure figure) {
        return new HoleHitches(new HoleSpot(occasion, figure)).holds(refusal);
    }

    @Override
    public Optional<Made> make(Occasion occasion, Figure figure) {
        return new HoleMaking(new HoleSpot(occasion, figure)).make();
    }

    @Override
    public Optional<Refusal> waits(Occasion occasion, Figure figure) {
        return new HoleSpot(occasion, figure).waiting();
    }
}
