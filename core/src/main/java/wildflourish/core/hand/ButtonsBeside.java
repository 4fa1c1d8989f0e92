package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import wildflourish.core.fingering.ButtonDemand;
import wildflourish.core.fingering.ButtonTables;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** What ornaments cost the hand on buttons beside others, the air left aside. */
final class ButtonsBeside implements HandBeside {
    /** Of a version without ornaments. */
    private final Scene scene;

    private final Optional<HandLines> plain;
    private final ButtonTables bare;
    /** With everything that stands. */
    private final ButtonTables tables;

    private final List<Placement> standing;
    /** What each placement asks of the hand, once it is found. */
    private final Map<Placement, Map<NoteId, ButtonDemand>> known;

    ButtonsBeside(Scene scene, Optional<HandLines> plain, ButtonTables bare) {
        this(scene, plain, bare, bare, List.of(), new ConcurrentHashMap<>());
    }

    private ButtonsBeside(
            Scene scene,
            Optional<HandLines> plain,
            ButtonTables bare,
            ButtonTables tables,
            List<Placement> standing,
            Map<Placement, Map<NoteId, ButtonDemand>> known) {
        this.scene = scene;
        this.plain = plain;
        this.bare = bare;
        this.tables = tables;
        this.standing = List.copyOf(standing);
        this.known = known;
    }

    @Override
    public Optional<HandBeside> standing(List<Placement> placements) {
        Playing playing = scene.playing();
        ButtonTables all = ButtonTables.of(
                scene.tune(),
                playing.instrument(),
                playing.schools(),
                playing.tempo(),
                Hands.linePins(scene.version()),
                demands(placements));
        return all.total().isPlayable()
                ? Optional.of(new ButtonsBeside(scene, plain, bare, all, placements, known))
                : Optional.empty();
    }

    @Override
    public double together(List<Placement> placements) {
        return more(bare, placements);
    }

    @Override
    public double of(Placement placement) {
        List<Placement> others = standing.stream()
                .filter(other -> !other.span().overlaps(placement.span(), scene.tune()))
                .toList();
        List<Placement> with = new ArrayList<>(others);
        with.add(placement);
        return more(tables, with) - (others.size() == standing.size() ? 0 : more(tables, others));
    }

    private double more(ButtonTables than, List<Placement> placements) {
        return than.more(Hands.linePins(scene.version()), demands(placements))
                .map(ButtonTables.Price::cost)
                .orElse(Double.POSITIVE_INFINITY);
    }

    private Map<NoteId, ButtonDemand> demands(List<Placement> placements) {
        Map<NoteId, ButtonDemand> demands = new HashMap<>();
        placements.forEach(each -> demands.putAll(known.computeIfAbsent(each, this::demands)));
        return demands;
    }

    private Map<NoteId, ButtonDemand> demands(Placement placement) {
        Version placed = scene.version().with(scene.tune(), Spot.of(placement));
        return Hands.demandsOnButtons(scene.tune(), placed, scene.lineOf(placed, plain), plain);
    }
}
