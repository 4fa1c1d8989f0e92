package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.hand.Scene;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;

/** Plans the stages of a stair one after the other, each on what the one below it has, then each once more between its neighbours until nothing gains. */
public final class Growth {
    private static final int MOST_ROUNDS = 8;

    private final Tune tune;
    private final Stair stair;
    private final Profile profile;
    private final int lowest;
    private final Choices choices;
    private final List<Plan> plans = new ArrayList<>();
    /** What was chosen and then did not fit beside what else was chosen. */
    private final Set<Placement> never = new HashSet<>();

    private Growth(Tune tune, Stair stair, int lowest, Profile profile) {
        this.tune = tune;
        this.stair = stair;
        this.profile = profile;
        this.lowest = lowest;
        Tempo slowest = stair.stages().stream()
                .map(version -> version.playing().tempo())
                .min(Comparator.comparing(tempo -> tempo.beatsPerMinute().times(tempo.beatLength())))
                .orElseThrow();
        Version plain = Version.plain("plain", stair.at(0).playing().withTempo(slowest));
        this.choices = Choices.of(Scene.of(tune, plain, profile));
    }

    /**
     * The stages from one upward planned anew, those below it left as they are.
     *
     * @param lowest the first stage that is planned, from 1: the plain stage stays
     */
    public static Stair grown(Tune tune, Stair stair, int lowest, Profile profile) {
        if (lowest < 1 || lowest >= stair.stages().size()) {
            throw new IllegalArgumentException(
                    "stages 2 to " + stair.stages().size() + " can be grown, not " + (lowest + 1));
        }
        return new Growth(tune, stair, lowest, profile).grown();
    }

    private Stair grown() {
        for (int round = 0; round < MOST_ROUNDS; round++) {
            plan();
            Stair made = made();
            List<Placement> unfit = unfit(made);
            if (unfit.isEmpty()) {
                return made;
            }
            never.addAll(unfit);
        }
        return withoutUnfit(made());
    }

    private void plan() {
        plans.clear();
        List<Placement> below = placements(stair.at(lowest - 1));
        for (int stage = lowest; stage < stair.stages().size(); stage++) {
            Plan plan = best(stage, below, Optional.empty()).orElseGet(() -> new Plan(List.of(), 0, Map.of()));
            plans.add(plan);
            below = placements(plan);
        }
        boolean hasRisen = true;
        for (int round = 0; round < MOST_ROUNDS && hasRisen; round++) {
            hasRisen = false;
            for (int stage = stair.stages().size() - 1; stage >= lowest; stage--) {
                hasRisen |= replanned(stage);
            }
        }
    }

    /** A stage once more between its neighbours; whether that is worth more. */
    private boolean replanned(int stage) {
        List<Placement> under =
                stage == lowest ? placements(stair.at(lowest - 1)) : placements(plans.get(stage - lowest - 1));
        Optional<List<Placement>> over = stage + 1 < stair.stages().size()
                ? Optional.of(placements(plans.get(stage - lowest + 1)))
                : Optional.empty();
        Optional<Plan> again = best(stage, under, over);
        int now = plans.get(stage - lowest).worth();
        if (again.isPresent() && again.get().worth() > now) {
            plans.set(stage - lowest, again.get());
            return true;
        }
        return false;
    }

    private List<Placement> placements(Plan plan) {
        return plan.chosen().stream().map(choices::placement).toList();
    }

    private static List<Placement> placements(Version version) {
        return version.spots().values().stream()
                .flatMap(spot -> spot.first().stream())
                .toList();
    }

    /** The best plan of a stage that bears everything below it and is borne by what stands above. */
    private Optional<Plan> best(int stage, List<Placement> below, Optional<List<Placement>> above) {
        Taste taste = taste(stage);
        List<List<Option>> options = new ArrayList<>();
        for (List<Option> here : choices.options(taste, stage, tempos(stage))) {
            options.add(here.stream()
                    .filter(option -> option.isPlain() || !never.contains(choices.placement(option)))
                    .filter(option -> below.stream().allMatch(each -> bears(option, each)))
                    .filter(option -> above.isEmpty()
                            || option.isPlain()
                            || above.get().stream().anyMatch(each -> isBorne(choices.placement(option), each)))
                    .toList());
        }
        return Planner.best(choices.row(), taste.level(), options);
    }

    /** The tempos of a stage and of all above it, for what is placed there is played at all of them. */
    private List<Tempo> tempos(int stage) {
        return stair.stages().subList(stage, stair.stages().size()).stream()
                .map(version -> version.playing().tempo())
                .toList();
    }

    private Taste taste(int stage) {
        Taste taste = Taste.of(stage, stair.stages().size());
        boolean isSlower = profile.factor().isMoreThan(Fraction.ONE);
        boolean isLearner = profile.equals(Profile.all().get(Profile.all().size() - 1));
        return !isSlower ? taste : isLearner ? taste.askingMore(2, 1) : taste.askingMore(1, 0);
    }

    /** Whether an option leaves alone what the stage below has, or bears it. */
    private boolean bears(Option option, Placement lower) {
        int from = tune.placeOf(lower.span().first()).order();
        int to = tune.placeOf(lower.span().last()).order() + 1;
        boolean isAside = option.to() <= from || to <= option.from();
        return isAside || (!option.isPlain() && isBorne(lower, choices.placement(option)));
    }

    /** Whether one grows into the other on notes that this covers, or is the same. */
    private boolean isBorne(Placement lower, Placement higher) {
        boolean isWithin = tune.placeOf(higher.span().first()).order()
                        <= tune.placeOf(lower.span().first()).order()
                && tune.placeOf(lower.span().last()).order()
                        <= tune.placeOf(higher.span().last()).order();
        boolean isSame = lower.stack().equals(higher.stack()) && lower.span().equals(higher.span());
        return isSame || (isWithin && lower.stack().weight() <= higher.stack().weight() && grows(lower, higher));
    }

    private boolean grows(Placement lower, Placement higher) {
        return grows(lower.ornament(), higher.ornament(), new HashSet<>());
    }

    /** Whether an ornament grows into another, by one step or several. */
    private boolean grows(Ornament smaller, Ornament larger, Set<String> met) {
        return met.add(larger.id())
                && larger.manner().growsFrom().stream()
                        .anyMatch(id -> id.equals(smaller.id())
                                || Ornament.of(stair.instrument().family()).stream()
                                        .filter(each -> each.id().equals(id))
                                        .anyMatch(each -> grows(smaller, each, met)));
    }

    // What is made of it

    private Stair made() {
        Stair made = stair;
        for (int stage = lowest; stage < stair.stages().size(); stage++) {
            Version version = stair.at(stage);
            for (Placement old : placements(version)) {
                version = version.without(old.span().first());
            }
            for (Placement placement : placements(plans.get(stage - lowest))) {
                Spot words = version.at(placement.span().first())
                        .orElse(Spot.bare(placement.span().first()));
                version = version.with(tune, words.withOptions(List.of(placement)));
            }
            made = made.with(stage, version);
        }
        return made;
    }

    /** What does not fit where it stands beside everything else. */
    private List<Placement> unfit(Stair made) {
        List<Placement> unfit = new ArrayList<>();
        for (int stage = lowest; stage < made.stages().size(); stage++) {
            Scene scene = Scene.of(tune, made.at(stage), profile);
            for (Placement placement : placements(made.at(stage))) {
                if (WhatFits.verdict(scene, placement).filter(Fit::fits).isEmpty()) {
                    unfit.add(placement);
                }
            }
        }
        return unfit;
    }

    private Stair withoutUnfit(Stair made) {
        Stair left = made;
        for (Placement placement : unfit(made)) {
            for (int stage = lowest; stage < left.stages().size(); stage++) {
                boolean isThere = placements(left.at(stage)).contains(placement);
                left = isThere ? left.removed(tune, stage, placement.span().first()) : left;
            }
        }
        return left;
    }
}
