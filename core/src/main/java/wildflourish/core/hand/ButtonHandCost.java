package wildflourish.core.hand;

import java.util.Map;
import java.util.Optional;
import wildflourish.core.fingering.ButtonDemand;
import wildflourish.core.fingering.ButtonTables;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** What placements cost the hand on buttons, by the tables of the tune: exactly what a search through the whole of it would tell, the air left aside. */
final class ButtonHandCost {
    private final Scene scene;
    private final Optional<HandLines> plain;
    private final ButtonTables tables;

    ButtonHandCost(Scene scene) {
        this.scene = scene;
        this.plain = Hands.plain(scene.tune(), scene.version());
        this.tables = scene.ways().buttonTables().orElseThrow();
    }

    /** What the whole version costs. */
    double total() {
        return tables.total().cost();
    }

    /** What ornaments cost one beside the other; empty where some note cannot be played. */
    Optional<HandBeside> beside() {
        return tables.total().isPlayable() ? Optional.of(new ButtonsBeside(scene, plain, tables)) : Optional.empty();
    }

    /** What a placement costs in place of what it overlaps, and another row or button that it is played from; empty where nothing can be told. */
    Optional<HandCost.Told> told(Placement placement) {
        Version placed = scene.version().with(scene.tune(), Spot.of(placement));
        Map<NoteId, ButtonDemand> asked =
                Hands.demandsOnButtons(scene.tune(), placed, scene.lineOf(placed, plain), plain);
        return tables.more(Hands.linePins(placed), asked)
                .map(price -> new HandCost.Told(price.cost(), false, price.turns(), otherKey(placement)));
    }

    /** The key on which the first note is played then, where that is another than now. */
    private Optional<String> otherKey(Placement placement) {
        NoteId note = placement.span().first();
        Optional<String> before =
                scene.ways().onButtons(note).map(way -> way.key().name());
        return scene.attempt(placement)
                .flatMap(Attempt::hold)
                .filter(key -> before.filter(key::equals).isEmpty());
    }
}
