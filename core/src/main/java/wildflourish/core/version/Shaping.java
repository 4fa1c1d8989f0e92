package wildflourish.core.version;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/**
 * A stair given another shape: stages set in, taken out or moved, a placement moved a stage up or down. The stair stays nested; what a stage then cannot keep is said.
 *
 * @param losses what stands no longer where it stood, stage by stage from the lowest
 */
public record Shaping(Stair stair, List<Loss> losses) {
    /** A placement that a stage had and has no longer. */
    public record Loss(String stage, Placement placement) {}

    public Shaping {
        losses = List.copyOf(losses);
    }

    /** A further stage right above one, at first like it. Empty where the stair has room for no more. */
    public static Optional<Shaping> inserted(Stair stair, int below) {
        if (stair.isFull()) {
            return Optional.empty();
        }
        List<Version> changed = new ArrayList<>(stair.stages());
        changed.add(below + 1, stair.at(below).with(Label.of(stair.freshName())));
        return Optional.of(new Shaping(stair.withStages(changed), List.of()));
    }

    /** Without a stage. Empty where only two are left. */
    public static Optional<Shaping> without(Tune tune, Stair stair, int stage) {
        if (stair.isSmallest()) {
            return Optional.empty();
        }
        List<Version> changed = new ArrayList<>(stair.stages());
        changed.remove(stage);
        return Optional.of(settled(tune, stair, stair.withStages(changed)));
    }

    /** With a stage, name, tempo and all, at another place. */
    public static Shaping moved(Tune tune, Stair stair, int from, int to) {
        List<Version> changed = new ArrayList<>(stair.stages());
        changed.add(to, changed.remove(from));
        return settled(tune, stair, stair.withStages(changed));
    }

    /** With another version in place of a stage. */
    public static Shaping replaced(Tune tune, Stair stair, int stage, Version version) {
        return settled(tune, stair, stair.with(stage, version));
    }

    /** What stands on a note comes a stage later. Empty where nothing stands there, and where it first stands at the top. */
    public static Optional<Shaping> later(Tune tune, Stair stair, NoteId note) {
        return lowest(tune, stair, note)
                .filter(stage -> stage + 1 < stair.stages().size())
                .map(stage -> {
                    NoteId at =
                            stair.at(stage).covering(tune, note).orElseThrow().at();
                    return new Shaping(stair.with(stage, stair.at(stage).without(at)), List.of());
                });
    }

    /** What stands on a note comes a stage earlier. Empty where nothing stands there, and where it stands at the foot already. */
    public static Optional<Shaping> earlier(Tune tune, Stair stair, NoteId note) {
        return lowest(tune, stair, note).filter(stage -> stage > 0).map(stage -> {
            Spot spot = stair.at(stage).covering(tune, note).orElseThrow();
            Version below = stair.at(stage - 1);
            Spot words = below.at(spot.at()).orElse(Spot.bare(spot.at()));
            return settled(
                    tune,
                    stair,
                    stair.with(
                            stage - 1,
                            below.with(
                                    tune, words.withOptions(List.of(spot.first().orElseThrow())))));
        });
    }

    /** The lowest stage in which something stands on a note. */
    public static Optional<Integer> lowest(Tune tune, Stair stair, NoteId note) {
        for (int stage = 0; stage < stair.stages().size(); stage++) {
            Optional<Spot> spot = stair.at(stage).covering(tune, note);
            if (spot.flatMap(Spot::first).isPresent()) {
                return Optional.of(stage);
            }
        }
        return Optional.empty();
    }

    /** A stair of which some stage may hold what the one above does not bear, made to hold; what was there before and is not any more is lost. */
    private static Shaping settled(Tune tune, Stair before, Stair loose) {
        Stair after = loose.nested(tune);
        List<Loss> losses = new ArrayList<>();
        for (Version stage : after.stages()) {
            before.stages().stream()
                    .filter(old -> old.name().equals(stage.name()))
                    .flatMap(old -> old.spots().values().stream())
                    .flatMap(spot -> spot.first().stream())
                    .filter(placement -> stage.at(placement.span().first())
                            .flatMap(Spot::first)
                            .filter(placement::equals)
                            .isEmpty())
                    .forEach(placement -> losses.add(new Loss(stage.name(), placement)));
        }
        return new Shaping(after, losses);
    }
}
