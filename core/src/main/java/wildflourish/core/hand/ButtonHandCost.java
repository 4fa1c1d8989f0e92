package wildflourish.core.hand;

import java.util.Map;
import java.util.Optional;
import wildflourish.core.fingering.ButtonDemand;
import wildflourish.core.fingering.ButtonSearch;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.line.Line;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** What placements cost the hand on buttons: the difference of two searches through the whole tune, the air left aside. */
final class ButtonHandCost {
    private final Scene scene;
    private final Optional<HandLines> plain;
    private final ButtonSearch now;

    ButtonHandCost(Scene scene) {
        this.scene = scene;
        this.plain = Hands.plain(scene.tune(), scene.version());
        this.now = search(scene.version(), scene.line());
    }

    private ButtonSearch search(Version version, Line line) {
        Map<NoteId, ButtonDemand> demands = ButtonDemands.of(scene.tune(), version, line, plain);
        return ButtonSearch.of(
                scene.tune(),
                scene.playing().instrument(),
                scene.playing().schools(),
                scene.playing().tempo(),
                Hands.linePins(version),
                demands);
    }

    /** What the whole version costs. */
    double total() {
        return now.cost();
    }

    /** What a placement costs in place of what it overlaps, and another row or button that it is played from. */
    Optional<HandCost.Told> told(Placement placement) {
        Version placed = scene.version().with(scene.tune(), Spot.of(placement));
        ButtonSearch then = search(placed, scene.lineOf(placed, plain));
        NoteId note = placement.span().first();
        Optional<String> key =
                Optional.ofNullable(then.ways().get(note)).map(way -> way.key().name());
        Optional<String> before = Optional.ofNullable(now.ways().get(note))
                .map((ButtonWay way) -> way.key().name());
        return Optional.of(new HandCost.Told(
                then.cost() - now.cost(),
                false,
                then.turns() - now.turns(),
                key.equals(before) ? Optional.empty() : key));
    }
}
