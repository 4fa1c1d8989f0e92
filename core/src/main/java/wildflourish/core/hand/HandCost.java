package wildflourish.core.hand;

import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.fingering.Demand;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.fingering.HandTables;
import wildflourish.core.fingering.StringHold;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.instrument.Family;
import wildflourish.core.line.Line;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** What ornaments cost the hand on strings, with what stands in a version already. */
public final class HandCost {
    private final Scene scene;
    private final Optional<HandLines> plain;
    private final HandTables.Asked asked;
    private final Optional<HandTables> tables;
    private final Optional<ButtonHandCost> buttons;

    /**
     * What one placement costs.
     *
     * @param more in the units of the string costs, on buttons in turns of the bellows; negative where it makes things easier, infinite where the hand cannot go on from it
     * @param turnsBow whether the bow comes out of it the other way round
     * @param turns how many times more the bellows turn
     * @param hold how its first note is held, where that is not as before; empty where it is
     */
    public record Told(double more, boolean turnsBow, int turns, Optional<String> hold) {}

    private HandCost(
            Scene scene,
            Optional<HandLines> plain,
            HandTables.Asked asked,
            Optional<HandTables> tables,
            Optional<ButtonHandCost> buttons) {
        this.buttons = buttons;
        this.scene = scene;
        this.plain = plain;
        this.asked = asked;
        this.tables = tables;
    }

    /** The tables for a scene; nothing is told on holes, and where some note cannot be played. */
    public static HandCost of(Scene scene) {
        if (scene.playing().instrument().buttons().isPresent()) {
            HandTables.Asked nothing = new HandTables.Asked(Map.of(), Map.of());
            return new HandCost(
                    scene, Optional.empty(), nothing, Optional.empty(), Optional.of(new ButtonHandCost(scene)));
        }
        if (scene.playing().instrument().strings().isEmpty()) {
            HandTables.Asked nothing = new HandTables.Asked(Map.of(), Map.of());
            return new HandCost(scene, Optional.empty(), nothing, Optional.empty(), Optional.empty());
        }
        Optional<HandLines> plain = Hands.plain(scene.tune(), scene.version());
        HandTables.Asked asked = Hands.asked(scene.tune(), scene.version(), scene.line(), plain);
        Optional<HandTables> tables = HandTables.of(
                scene.tune(),
                scene.playing().instrument(),
                scene.playing().schools(),
                scene.playing().tempo(),
                asked);
        return new HandCost(scene, plain, asked, tables, Optional.empty());
    }

    /** What the whole version costs the hand, in the units of the string costs, on buttons in turns of the bellows; empty where nothing can be told. */
    public Optional<Double> total() {
        return buttons.map(ButtonHandCost::total).or(() -> tables.map(HandTables::total));
    }

    /** What ornaments cost the hand on strings or buttons one beside the other, without what stands in the version; empty on holes, and where some note cannot be played. */
    public Optional<HandBeside> beside() {
        return buttons.isPresent()
                ? buttons.get().beside()
                : tables.map(found -> new StringsBeside(scene, Ways.on(scene.version(), plain), found));
    }

    /** What a placement costs in place of what it overlaps; empty where nothing can be told. */
    public Optional<Told> told(Placement placement) {
        if (buttons.isPresent()) {
            return buttons.get().told(placement);
        }
        if (tables.isEmpty()) {
            return Optional.empty();
        }
        Version placed = scene.version().with(scene.tune(), Spot.of(placement));
        Line line = scene.lineOf(placed, plain);
        HandTables.Asked then = Hands.asked(scene.tune(), placed, line, plain);
        Demand first = then.demands().getOrDefault(placement.span().first(), Demand.PLAIN);
        Optional<String> before = scene.ways()
                .onStrings(placement.span().first())
                .map(StringWay::place)
                .map(place -> StringHold.of(place)
                        .name(scene.playing().instrument().strings().orElseThrow()));
        boolean isHeldAnew = !first.holds().isEmpty()
                && before.filter(first.holds()::contains).isEmpty();
        return Optional.of(new Told(
                tables.get().more(then),
                turnsBow(then.demands()),
                0,
                isHeldAnew ? cheapest(placement.span().first(), first, then) : Optional.empty()));
    }

    /** Whether the strokes that are asked for come to an odd number more or fewer than before. */
    private boolean turnsBow(Map<NoteId, Demand> then) {
        if (scene.playing().instrument().family() != Family.FIDDLE) {
            return false;
        }
        Set<NoteId> notes = new HashSet<>(then.keySet());
        notes.addAll(asked.demands().keySet());
        int strokes = 0;
        for (NoteId note : notes) {
            strokes += strokes(then, note) - strokes(asked.demands(), note);
        }
        return strokes % 2 != 0;
    }

    private static int strokes(Map<NoteId, Demand> demands, NoteId note) {
        Demand demand = demands.getOrDefault(note, Demand.PLAIN);
        return demand.join() == Demand.Join.SAME_BOW ? demand.more() - 1 : demand.more();
    }

    /** Of the ways in which a note can be held the one that costs least. */
    private Optional<String> cheapest(NoteId note, Demand demand, HandTables.Asked then) {
        Map<NoteId, Demand> tried = new HashMap<>(then.demands());
        return demand.holds().stream().sorted().min(Comparator.comparingDouble(hold -> {
            tried.put(note, demand.heldAs(hold));
            return tables.orElseThrow().more(new HandTables.Asked(then.pins(), tried));
        }));
    }
}
