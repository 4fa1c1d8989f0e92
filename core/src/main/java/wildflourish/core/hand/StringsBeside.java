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

/** What ornaments cost the left and the right hand on strings beside others, found from what stands near alone. */
final class StringsBeside implements HandBeside {
    private final Scene scene;
    private final Ways ways;
    private final HandTables bare;
    /** With everything that stands. */
    private final HandTables tables;

    private final List<Placement> standing;

    StringsBeside(Scene scene, Ways ways, HandTables bare) {
        this(scene, ways, bare, bare, List.of());
    }

    private StringsBeside(Scene scene, Ways ways, HandTables bare, HandTables tables, List<Placement> standing) {
        this.scene = scene;
        this.ways = ways;
        this.bare = bare;
        this.tables = tables;
        this.standing = List.copyOf(standing);
    }

    @Override
    public Optional<HandBeside> standing(List<Placement> placements) {
        return bare.with(demands(placements)).map(found -> new StringsBeside(scene, ways, bare, found, placements));
    }

    @Override
    public double together(List<Placement> placements) {
        return bare.moreAt(demands(placements));
    }

    @Override
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
