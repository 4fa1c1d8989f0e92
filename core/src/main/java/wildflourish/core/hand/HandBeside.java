package wildflourish.core.hand;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.fingering.Demand;
import wildflourish.core.fingering.HandTables;
import wildflourish.core.fingering.StringHold;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Placement;

/**
 * What ornaments cost the left and the right hand on strings beside others that the hand has to play: exactly what two searches over the whole tune differ by, found from what stands near
 * alone.
 */
public final class HandBeside {
    private final Scene scene;
    private final Ways ways;
    private final HandTables bare;
    /** With everything that stands. */
    private final HandTables tables;

    private final List<Placement> standing;

    HandBeside(Scene scene, Ways ways, HandTables bare) {
        this(scene, ways, bare, bare, List.of());
    }

    private HandBeside(Scene scene, Ways ways, HandTables bare, HandTables tables, List<Placement> standing) {
        this.scene = scene;
        this.ways = ways;
        this.bare = bare;
        this.tables = tables;
        this.standing = List.copyOf(standing);
    }

    /** With placements standing that do not overlap; empty where the hand cannot play all of them. */
    public Optional<HandBeside> standing(List<Placement> placements) {
        return bare.with(demands(placements)).map(found -> new HandBeside(scene, ways, bare, found, placements));
    }

    /** What placements that do not overlap cost all together more than the bare tune, in the units of the string costs; infinite where the hand cannot play all of them. */
    public double together(List<Placement> placements) {
        return bare.moreAt(demands(placements));
    }

    /**
     * What a placement costs more than nothing on the notes that it and what it overlaps stand on.
     *
     * @return in the units of the string costs; negative where it makes things easier, infinite where the hand cannot go on from it
     */
    public double of(Placement placement) {
        Map<NoteId, Demand> without = new HashMap<>();
        for (Placement other : standing) {
            if (other.span().overlaps(placement.span(), scene.tune())) {
                demands(List.of(other)).keySet().forEach(note -> without.put(note, bare.asked(note)));
            }
        }
        Map<NoteId, Demand> own = demands(List.of(placement));
        if (standing.isEmpty() && own.size() == 1 && leavesHand(placement.span().first(), own)) {
            return own.values().iterator().next().extra().always();
        }
        Map<NoteId, Demand> with = new HashMap<>(without);
        with.putAll(own);
        return tables.moreAt(with) - (without.isEmpty() ? 0 : tables.moreAt(without));
    }

    /** Whether the way that is best for the bare tune can be gone with what is asked of a note. */
    private boolean leavesHand(NoteId note, Map<NoteId, Demand> asked) {
        Optional<String> hold = ways.onStrings(note)
                .map(way -> StringHold.of(way.place())
                        .name(scene.playing().instrument().strings().orElseThrow()));
        return bare.asked(note).equals(Demand.PLAIN)
                && hold.filter(name -> asked.getOrDefault(note, Demand.PLAIN).leavesHand(name))
                        .isPresent();
    }

    private Map<NoteId, Demand> demands(Collection<Placement> placements) {
        Map<NoteId, Demand> demands = new HashMap<>();
        for (Placement placement : placements) {
            scene.line()
                    .indexOf(placement.span().first())
                    .ifPresent(at -> demands.putAll(
                            Demands.ofPlacement(scene.tune(), scene.version(), placement, scene.line(), at, ways)));
        }
        return demands;
    }
}
