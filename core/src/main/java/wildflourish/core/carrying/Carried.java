package wildflourish.core.carrying;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Ornament.Kind;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Beside;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;

/**
 * A stair as another instrument plays it. Each placement is kept where the other hand makes the same ornament and it fits; else the nearest of its kind stands in for it; else it is left out.
 * Names, tempos, sentences and rules that the other hand knows stay. The stair stays nested: what a stage has is no lighter than what the one below has there.
 *
 * @param moves what became of each placement, stage by stage in the order of the tune
 */
public record Carried(Stair stair, List<Move> moves) {
    /** Kinds that stand in for each other, the nearest first. */
    private static final List<Set<Kind>> NEAR = List.of(
            Set.of(Kind.FLICK, Kind.GRACE, Kind.MOVEMENT),
            Set.of(Kind.ROLL, Kind.CRAN, Kind.TRIPLET, Kind.MOVEMENT),
            Set.of(Kind.DOUBLE_STOP, Kind.OCTAVE),
            Set.of(Kind.SHAKE, Kind.WAVE),
            Set.of(Kind.TRIPLET, Kind.FILL),
            Set.of(Kind.SLIDE, Kind.GRACE),
            Set.of(Kind.ARTICULATION, Kind.REST));

    /**
     * What became of a placement.
     *
     * @param stage from 0 for the plainest
     * @param to what stands there now; empty where it is left out
     * @param refused why the same ornament does not fit there; empty where it does, and where the other hand does not know it
     */
    public record Move(int stage, Placement from, Optional<Placement> to, Optional<Fit> refused) {
        /** Whether the very same ornaments stand there. */
        public boolean isKept() {
            return to.map(other -> names(other.stack())).equals(Optional.of(names(from.stack())));
        }

        /** Ornaments of one name are the same, whoever makes them. */
        private static List<String> names(Stack stack) {
            return stack.choices().stream()
                    .map(choice -> choice.ornament().id())
                    .sorted()
                    .toList();
        }
    }

    public Carried {
        moves = List.copyOf(moves);
    }

    /** A stair carried over to an instrument; to its own it stays as it is. */
    public static Carried of(Tune tune, Stair from, Instrument to, Profile profile) {
        return new Carrying(tune, from, to, profile).run();
    }

    public List<Move> kept() {
        return moves.stream().filter(Move::isKept).toList();
    }

    public List<Move> replaced() {
        return moves.stream()
                .filter(move -> move.to().isPresent() && !move.isKept())
                .toList();
    }

    public List<Move> dropped() {
        return moves.stream().filter(move -> move.to().isEmpty()).toList();
    }

    private static final class Carrying {
        private final Tune tune;
        private final Stair from;
        private final Instrument to;
        private final Profile profile;
        private final List<Move> moves = new ArrayList<>();

        Carrying(Tune tune, Stair from, Instrument to, Profile profile) {
            this.tune = tune;
            this.from = from;
            this.to = to;
            this.profile = profile;
        }

        Carried run() {
            List<Version> stages = new ArrayList<>();
            List<Beside> beside = new ArrayList<>();
            for (int stage = 0; stage < from.stages().size(); stage++) {
                Version alone = carried(stage);
                stages.add(stage == 0 ? alone : bearing(alone, stages.get(stage - 1)));
            }
            for (int i = 0; i < from.beside().size(); i++) {
                beside.add(from.beside().get(i).with(carried(from.stages().size() + i)));
            }
            Stair stair = new Stair(stages, beside, from.times());
            return new Carried(
                    stair, moves.stream().map(move -> settled(move, stair)).toList());
        }

        /** A stage in which all that the one below has is borne: something at least as heavy, else the same. */
        private Version bearing(Version alone, Version below) {
            Version stage = alone;
            Version before;
            do {
                before = stage;
                for (Spot spot : below.spots().values()) {
                    Optional<Placement> played = spot.first();
                    if (played.isPresent() && !isBorne(played.get(), stage)) {
                        Spot words = stage.at(spot.at()).orElse(Spot.bare(spot.at()));
                        stage = stage.with(tune, words.withOptions(List.of(played.get())));
                    }
                }
            } while (!stage.equals(before));
            return stage;
        }

        private boolean isBorne(Placement lower, Version stage) {
            return overlapping(lower, stage)
                    .anyMatch(other -> other.stack().weight() >= lower.stack().weight());
        }

        private Stream<Placement> overlapping(Placement placement, Version stage) {
            return stage.spots().values().stream()
                    .flatMap(spot -> spot.first().stream())
                    .filter(other -> other.span().overlaps(placement.span(), tune));
        }

        /** What stands in the end where a placement went. */
        private Move settled(Move move, Stair stair) {
            Version stage = stair.at(move.stage());
            boolean isThere = move.to()
                    .filter(to -> stage.at(to.span().first())
                            .filter(spot -> spot.options().contains(to))
                            .isPresent())
                    .isPresent();
            return isThere
                    ? move
                    : new Move(
                            move.stage(),
                            move.from(),
                            overlapping(move.from(), stage).findFirst(),
                            move.refused());
        }

        private Version carried(int stage) {
            Version old = from.at(stage);
            boolean isSame = old.playing().instrument().equals(to);
            Playing playing = isSame
                    ? old.playing()
                    : Playing.usual(tune, to).withTempo(old.playing().tempo());
            List<Layer> layers = old.layers().stream()
                    .filter(layer -> Layer.Rule.of(to.family()).contains(layer.rule()))
                    .toList();
            Version version = new Version(old.label(), playing, Map.of(), layers, old.foreign());
            Scene scene = Scene.of(tune, version, profile);
            for (Spot spot : old.spots().values()) {
                List<Placement> options = new ArrayList<>();
                for (Placement option : spot.options()) {
                    Move move = isSame
                            ? new Move(stage, option, Optional.of(option), Optional.empty())
                            : move(scene, stage, option);
                    moves.add(move);
                    move.to().filter(each -> !options.contains(each)).ifPresent(options::add);
                }
                Spot now = Spot.bare(spot.at())
                        .withOptions(options)
                        .withSentence(spot.sentence())
                        .withPin(isSame ? spot.pin() : "");
                version = now.isEmpty() ? version : version.with(tune, now);
            }
            return version;
        }

        private Move move(Scene scene, int stage, Placement option) {
            Optional<Fit> same = sameNames(option.stack()).flatMap(stack -> verdict(scene, option, stack));
            Optional<Placement> now = same.filter(Fit::fits)
                    .map(fit -> fit.facts().stack())
                    .or(() -> standIn(scene, option))
                    .map(stack -> new Placement(stack, option.span(), option.passes()));
            return new Move(stage, option, now, same.filter(fit -> !fit.fits()));
        }

        private Optional<Fit> verdict(Scene scene, Placement option, Stack stack) {
            return WhatFits.verdict(scene, new Placement(stack, option.span(), option.passes()));
        }

        /** The ornaments of these names as the other hand makes them; empty where it does not know one. */
        private Optional<Stack> sameNames(Stack stack) {
            List<Choice> choices = new ArrayList<>();
            for (Choice choice : stack.choices()) {
                Optional<Ornament> its = known(choice.ornament());
                if (its.isEmpty()) {
                    return Optional.empty();
                }
                boolean isOwn = its.get().equals(choice.ornament());
                choices.add(isOwn ? choice : Choice.of(its.get()));
            }
            return Optional.of(new Stack(choices));
        }

        private Optional<Ornament> known(Ornament ornament) {
            return Ornament.of(to.family()).stream()
                    .filter(each -> each.id().equals(ornament.id()))
                    .findFirst();
        }

        /** The nearest of its kind that fits the span: of the same kind before a related one, then the one nearest in weight, then the one that fits best. */
        private Optional<Stack> standIn(Scene scene, Placement option) {
            Ornament wanted = option.ornament();
            int count = option.span().notes(tune).size();
            return WhatFits.at(scene, option.span().first()).fitting().stream()
                    .filter(fit -> fit.facts().count() == count)
                    .filter(fit -> distance(wanted, fit.facts().ornament()) < FAR)
                    .min(Comparator.comparingInt(
                                    (Fit fit) -> distance(wanted, fit.facts().ornament()))
                            .thenComparingInt(fit -> Math.abs(wanted.manner().weight()
                                    - fit.facts().ornament().manner().weight()))
                            .thenComparingInt(fit -> -fit.rank()))
                    .map(fit -> fit.facts().stack());
        }

        private static final int FAR = 2;

        private static int distance(Ornament one, Ornament other) {
            boolean isNear =
                    NEAR.stream().anyMatch(kinds -> kinds.contains(one.kind()) && kinds.contains(other.kind()));
            return one.kind() == other.kind() ? 0 : isNear ? 1 : FAR;
        }
    }
}
