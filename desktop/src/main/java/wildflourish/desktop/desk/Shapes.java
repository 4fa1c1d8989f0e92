package wildflourish.desktop.desk;

import java.util.List;
import java.util.Optional;
import wildflourish.core.placing.Sizes;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Beside;
import wildflourish.core.version.Deed;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Shaping;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;

/** The shape of a stair: stages set in, taken out and moved, what is placed coming a stage earlier or later, growing and shrinking where it stands. */
public final class Shapes {
    private static final String FULL = "A stair has nine stages at most.";
    private static final String SMALLEST = "A stair has two stages at least.";
    private static final String NOTHING = "Nothing is placed on this note.";

    private Shapes() {}

    /**
     * A new shape that may cost something, to be taken or left.
     *
     * @param stage the stage that is worked on then
     * @param words what is said when it is taken
     */
    public record Shaped(Shaping shaping, int stage, String words) {}

    /** Makes it so; {@link Shaping#losses} have been shown before. */
    public static Outcome take(Here here, Shaped shaped) {
        return Outcome.of(
                        here, shaped.shaping().stair(), new Deed(Deed.Kind.SHAPE, "", here.stageName()), shaped.words())
                .choosing(here.sight().chosen().withStage(shaped.stage()));
    }

    /** A further stage right above the one worked on. */
    public static Outcome insert(Here here) {
        Sight sight = here.sight();
        int stage = sight.chosen().stage();
        if (here.isBeside()) {
            return Outcome.said(Besides.NO_STAGE);
        }
        return sight.stair()
                .map(stair -> Shaping.inserted(stair, stage)
                        .map(shaping -> take(
                                here,
                                new Shaped(
                                        shaping,
                                        stage + 1,
                                        "A stage set in above " + here.stageName() + ": "
                                                + shaping.stair().at(stage + 1).name())))
                        .orElseGet(() -> Outcome.said(FULL)))
                .orElse(Outcome.nothing());
    }

    /** The stair without the stage worked on; empty where only two are left. */
    public static Optional<Shaped> withoutStage(Here here) {
        Sight sight = here.sight();
        int stage = sight.chosen().stage();
        if (here.isBeside()) {
            return begun(sight)
                    .map(stair -> new Shaped(
                            new Shaping(stair.withoutBeside(stage), List.of()),
                            stage - 1,
                            "The version " + here.stageName() + " is taken out"));
        }
        return begun(sight)
                .flatMap(stair -> Shaping.without(sight.tune().orElseThrow(), stair, stage))
                .map(shaping ->
                        new Shaped(shaping, Math.max(0, stage - 1), "The stage " + here.stageName() + " is taken out"));
    }

    /** The stage worked on a place higher (1) or lower (−1) in the stair; empty at its end. */
    public static Optional<Shaped> movedStage(Here here, int direction) {
        Sight sight = here.sight();
        int stage = sight.chosen().stage();
        int to = stage + direction;
        return begun(sight)
                .filter(stair ->
                        !here.isBeside() && to >= 0 && to < stair.stages().size())
                .map(stair -> new Shaped(
                        Shaping.moved(sight.tune().orElseThrow(), stair, stage, to),
                        to,
                        here.stageName() + " stands " + (direction > 0 ? "higher" : "lower") + " in the stair now"));
    }

    /** The same, but what would be lost stays in free versions beside the stair: each stage that loses something, as it is now. Empty where there is no room for them. */
    public static Optional<Shaped> keeping(Here here, Shaped shaped) {
        Stair before = here.sight().stair().orElseThrow();
        Optional<Stair> kept = Optional.of(shaped.shaping().stair());
        for (String stage : shaped.shaping().losses().stream()
                .map(Shaping.Loss::stage)
                .distinct()
                .toList()) {
            Version was = before.named(stage).orElseThrow();
            kept = kept.flatMap(
                    stair -> stair.with(new Beside(Beside.Kind.FREE, stage, was.withName(stage + " as it was"))));
        }
        return kept.map(stair -> new Shaped(
                new Shaping(stair, List.of()),
                shaped.stage(),
                shaped.words() + "; what the stages had stands beside the stair"));
    }

    /** Why there is no new shape. */
    public static Outcome noShape(Here here) {
        boolean isSmallest =
                here.sight().stair().filter(stair -> stair.stages().size() == 2).isPresent();
        return Outcome.said(
                !here.sight().isBegun()
                        ? "No stair is begun yet; place something, or begin one."
                        : here.isBeside()
                                ? Besides.NO_STAGE
                                : isSmallest ? SMALLEST : "It stands at the end of the stair already.");
    }

    private static Optional<Stair> begun(Sight sight) {
        return sight.stair().filter(stair -> sight.isBegun());
    }

    /** What stands on the chosen note comes a stage later. */
    public static Outcome later(Here here) {
        return moved(here, true);
    }

    /** What stands on the chosen note comes a stage earlier. */
    public static Outcome earlier(Here here) {
        return moved(here, false);
    }

    private static Outcome moved(Here here, boolean isLater) {
        Sight sight = here.sight();
        if (begun(sight).isEmpty() || sight.note().isEmpty()) {
            return Outcome.said(NOTHING);
        }
        if (here.isBeside()) {
            return Outcome.said(Besides.NO_STAGE);
        }
        Tune tune = sight.tune().orElseThrow();
        Stair stair = sight.stair().orElseThrow();
        NoteId note = sight.note().get();
        Optional<Integer> lowest = Shaping.lowest(tune, stair, note);
        if (lowest.isEmpty()) {
            return Outcome.said(NOTHING);
        }
        Optional<Shaping> shaping = isLater ? Shaping.later(tune, stair, note) : Shaping.earlier(tune, stair, note);
        int to = lowest.get() + (isLater ? 1 : -1);
        return shaping.map(shaped -> Outcome.of(
                        here,
                        shaped.stair(),
                        new Deed(Deed.Kind.SHAPE, "", here.stageName()),
                        "It first comes in " + stair.at(to).name() + " now"))
                .orElseGet(() -> Outcome.said(
                        isLater
                                ? "It first comes at the top already; Delete takes it away."
                                : "It comes from the foot of the stair already."));
    }

    /** What is placed on the chosen note becomes the next heavier (1) or the next lighter (−1) of its kind. */
    public static Outcome resized(Here here, int direction) {
        Optional<Placement> there = here.spot().flatMap(Spot::first);
        if (there.isEmpty() || here.scene().isEmpty()) {
            return Outcome.said(NOTHING);
        }
        return Sizes.next(here.scene().get(), there.get(), direction)
                .map(next -> Placing.place(here, next))
                .orElseGet(() -> Outcome.said("Nothing " + (direction > 0 ? "heavier" : "lighter")
                        + " of its kind than " + Words.article(there.get().stack()) + " fits here."));
    }
}
