package wildflourish.core.hand;

import java.util.List;
import java.util.Optional;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Refusal;

/** The hand on holes: whistles, flutes, recorders, pipes. */
enum HoleHand implements Hand {
    INSTANCE;

    @Override
    public List<Refusal> hitches(List<Refusal> asked, Occasion occasion, Figure figure) {
        HoleHitches hitches = new HoleHitches(new HoleSpot(occasion, figure));
        return asked.stream().filter(hitches::holds).toList();
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
