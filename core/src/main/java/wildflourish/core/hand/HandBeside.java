package wildflourish.core.hand;

import java.util.List;
import java.util.Optional;
import wildflourish.core.version.Placement;

/** What ornaments cost the hand on strings or buttons beside others that it has to play: exactly what two searches over the whole tune differ by. */
public interface HandBeside {
    /** With placements standing that do not overlap; empty where the hand cannot play all of them. */
    Optional<HandBeside> standing(List<Placement> placements);

    /** What placements that do not overlap cost all together more than the bare tune, in the units of the string costs, on buttons in turns of the bellows; infinite where the hand cannot play all of them. */
    double together(List<Placement> placements);

    /**
     * What a placement costs more than nothing on the notes that it and what it overlaps stand on.
     *
     * @return in the units of the string costs, on buttons in turns of the bellows; negative where it makes things easier, infinite where the hand cannot go on from it
     */
    double of(Placement placement);
}
