package wildflourish.core.hand;

import java.util.Comparator;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.fingering.Demand;
import wildflourish.core.fingering.HandTables;
import wildflourish.core.fingering.StringHold;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;

/** What ornaments cost the hand on strings, with what stands in a version already. */
public final class HandCost {
    private final Scene scene;
    private final Optional<HandTables> tables;

    /**
     * What one placement costs.
     *
     * @param more in the units of the string costs; negative where it makes things easier, infinite where the hand cannot go on from it
     * @param turnsBow whether the bow comes out of it the other way round
     * @param hold how its first note is held, where that is not as before; empty where it is
     */
    public record Told(double more, boolean turnsBow, Optional<String> hold) {}

    private HandCost(Scene scene, Optional<HandTables> tables) {
        this.scene = scene;
        this.tables = tables;
    }

    /** The tables for a scene; nothing is told on holes and buttons, and where some note cannot be played. */
    public static HandCost of(Scene scene) {
        if (scene.playing().instrument().strings().isEmpty()) {
            return new HandCost(scene, Optional.empty());
        }
        Map<NoteId, String> pins = LayerDemands.pins(scene.version(), scene.line());
        pins.putAll(Hands.linePins(scene.version()));
        return new HandCost(
                scene,
                HandTables.of(
                        scene.tune(),
                        scene.playing().instrument(),
                        scene.playing().school(),
                        scene.playing().tempo(),
                        pins,
                        Demands.of(scene)));
    }

    /** What a placement costs in place of what begins on its note; empty where nothing can be told. */
    public Optional<Told> told(Placement placement) {
        if (tables.isEmpty()) {
            return Optional.empty();
        }
        Map<NoteId, Demand> others = new HashMap<>();
        scene.version().at(placement.span().first()).flatMap(Spot::first).stream()
                .flatMap(before -> before.span().notes(scene.tune()).stream())
                .map(Note::id)
                .forEach(note -> others.put(note, Demand.PLAIN));
        Map<NoteId, Demand> own = Demands.of(scene, placement);
        others.putAll(own);
        Optional<Demand> first = Optional.ofNullable(own.get(placement.span().first()));
        int strokes = own.values().stream().mapToInt(Demand::more).sum();
        boolean isBowed = scene.playing().instrument().family() == wildflourish.core.instrument.Family.FIDDLE;
        long joined = own.values().stream()
                .filter(demand -> demand.join() == Demand.Join.SAME_BOW)
                .count();
        boolean turns = isBowed && (strokes - joined) % 2 != 0;
        Optional<String> plain = scene.ways()
                .onStrings(placement.span().first())
                .map(StringWay::place)
                .map(place -> StringHold.of(place)
                        .name(scene.playing().instrument().strings().orElseThrow()));
        Optional<String> hold = first.map(Demand::holds)
                .filter(holds ->
                        !holds.isEmpty() && plain.filter(holds::contains).isEmpty())
                .flatMap(holds -> cheapest(placement, first.get(), others));
        return Optional.of(new Told(tables.get().more(others), turns, hold));
    }

    /** Of the ways in which the first note can be held the one that costs least. */
    private Optional<String> cheapest(Placement placement, Demand first, Map<NoteId, Demand> others) {
        Map<NoteId, Demand> tried = new HashMap<>(others);
        return first.holds().stream().sorted().min(Comparator.comparingDouble(hold -> {
            tried.put(placement.span().first(), first.heldAs(hold));
            return tables.orElseThrow().more(tried);
        }));
    }
}
