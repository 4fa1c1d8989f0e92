package wildflourish.core.hand;

import java.util.List;
import java.util.Optional;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Refusal;

/** The hand on holes: whistles, flutes, recorders, pipes. */
final class HoleGrip implements Hand.Grip {
    private final HoleSpot spot;

    HoleGrip(Occasion occasion, Figure figure) {
        this.spot = new HoleSpot(occasion, figure);
    }

    @Override
    public List<Refusal> hitches(List<Refusal> asked) {
        HoleHitches hitches = new HoleHitches(spot);
        return asked.stream().filter(hitches::holds).toList();
    }

    @Override
    public Optional<Made> make() {
        return new HoleMaking(spot).make();
    }

    @Override
    public Optional<Refusal> waits() {
        return spot.waiting();
    }
}
