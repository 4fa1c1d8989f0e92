package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.function.BiFunction;
import java.util.function.DoubleConsumer;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import wildflourish.core.hand.Scene;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.version.Wish;

/**
 * Plans the stages of a stair one after the other, each on what the one below it has, then each once more between its neighbours until nothing gains. What stands in a planned stage is
 * kept: the plan goes round it.
 */
public final class Growth {
    private static final int MOST_ROUNDS = 8;
    /** Ways that are followed at one place of a phrase with all stages at once. */
    private static final int MOST_TOGETHER = 200_000;
    /** Of what stages could be worth each by itself. */
    private static final double GOOD_ENOUGH = 0.985;

    private final Tune tune;
    private final Stair stair;
    private final Profile profile;
    private final int lowest;
    private final Choices choices;
    private final StageTasks asking;
    /** What somebody has placed in planned stages, or right below. */
    private final Set<Placement> standing = new HashSet<>();

    /** What is planned for each stage so far. */
    private final Map<Integer, Plan> plans = new TreeMap<>();

    private double share = 1;
    /** What each stage would have, were it alone above what stands. */
    private final Map<Integer, Plan> alone = new TreeMap<>();

    private final Map<Integer, Task> free = new TreeMap<>();
    /** No plan of a stage is worth more. */
    private final Map<Integer, Integer> most = new TreeMap<>();

    private final Map<Integer, Task> tasks = new TreeMap<>();
    /** For each stage what stood around it when it was planned last. */
    private final Map<Integer, StageTasks.Around> asked = new HashMap<>();
    /** Stages for which there was no way round what stands and what is wished. */
    private final Set<Integer> stuck = new HashSet<>();

    private Growth(Tune tune, Stair stair, int lowest, Profile profile, Choices choices) {
        this.tune = tune;
        this.stair = stair;
        this.profile = profile;
        this.lowest = lowest;
        this.choices = choices;
        this.asking = new StageTasks(tune, stair, profile, choices);
        for (int stage = Math.max(0, lowest - 1); stage < stair.stages().size(); stage++) {
            standing.addAll(Dressing.of(stair.at(stage)));
        }
    }

    private static void unfollowed(double share) {
        // Nobody is told how far the work is.
    }

    /** What fits the tune on a stair's instrument at the slowest of its tempos, to be found once for many plans. */
    public static Choices choices(Tune tune, Stair stair, Profile profile) {
        return choices(tune, stair, profile, Growth::unfollowed);
    }

    /** The same; {@code reached} is told the share of the notes that is done, from 0 to 1, and may stop it by throwing. */
    public static Choices choices(Tune tune, Stair stair, Profile profile, DoubleConsumer reached) {
        Tempo slowest = stair.stages().stream()
                .map(version -> version.playing().tempo())
                .min(Comparator.comparing(tempo -> tempo.beatsPerMinute().times(tempo.beatLength())))
                .orElseThrow();
        Version plain = Version.plain("plain", stair.at(0).playing().withTempo(slowest));
        return Choices.of(Scene.of(tune, plain, profile), reached);
    }

    /**
     * The stages from one upward planned, those below it left as they are.
     *
     * @param lowest the first stage that is planned, from 1; below it the plain stage is planned where equal notes have to be parted, with nothing else, and stays otherwise
     */
    public static Stair grown(Tune tune, Stair stair, int lowest, Profile profile) {
        return planned(tune, stair, lowest, profile, choices(tune, stair, profile))
                .stair();
    }

    /** The same with all that is known of the plans, from what fits as it was found before. */
    public static Grown planned(Tune tune, Stair stair, int lowest, Profile profile, Choices choices) {
        return planned(tune, stair, lowest, profile, choices, Growth::unfollowed);
    }

    /** The same; {@code reached} is told the share that is done, from 0 to 1, and may stop it by throwing. */
    public static Grown planned(
            Tune tune, Stair stair, int lowest, Profile profile, Choices choices, DoubleConsumer reached) {
        if (lowest < 1 || lowest >= stair.stages().size()) {
            throw new IllegalArgumentException(
                    "stages 2 to " + stair.stages().size() + " can be grown, not " + (lowest + 1));
        }
        boolean isPlainOpen = lowest == 1 && choices.hasPartings();
        return new Growth(tune, stair, isPlainOpen ? 0 : lowest, profile, choices).grown(reached);
    }

    /**
     * What planned stages are worth at least against the best that there are, told more exactly than {@link Grown#share} by going through every phrase with all stages at once, which may take long.
     *
     * @param reached is told the share of the work that is done, from 0 to 1, and may stop it by throwing
     * @return from 0 to 1; what the hand does for several together and what phrases cost beside each other is left aside in the best there are
     */
    public static double near(Tune tune, Grown grown, Profile profile, DoubleConsumer reached) {
        List<Integer> stages = grown.tasks().keySet().stream().sorted().toList();
        boolean isVaried = stages.stream()
                .anyMatch(stage -> grown.begun().at(stage).label().wish().isVaried());
        return stages.isEmpty() || isVaried || !grown.stuck().isEmpty()
                ? grown.share()
                : new Growth(tune, grown.begun(), stages.get(0), profile, grown.choices()).near(grown, reached);
    }

    private double near(Grown grown, DoubleConsumer reached) {
        List<Task> tasks = new ArrayList<>();
        List<List<Option>> chosen = new ArrayList<>();
        double[] weights = new double[stair.stages().size() - lowest];
        double worth = 0;
        for (int i = 0; i < weights.length; i++) {
            Task task = asking.task(lowest + i, around(lowest + i)).byEach();
            List<Option> plan =
                    task.own(grown.at(lowest + i).orElseThrow().plan().chosen());
            int best = task.best().map(Plan::worth).orElse(0);
            int most = task.most(grown.tasks().getOrDefault(lowest + i, task), best);
            weights[i] = most <= 0 ? 0 : 1.0 / most;
            worth += most <= 0 ? 1 : task.ledger(plan).sum() * weights[i];
            tasks.add(task);
            chosen.add(plan);
        }
        double bound = Arrays.stream(weights).filter(weight -> weight == 0).count();
        List<NoteRow.Stretch> phrases = choices.row().stretches();
        for (NoteRow.Stretch phrase : phrases) {
            Joint joint = new Joint(tasks, weights, phrase, asking::isBorne, MOST_TOGETHER);
            bound += joint.best(joint.worth(chosen)).orElse(joint.free());
            reached.accept((phrases.indexOf(phrase) + 1) / (double) phrases.size());
        }
        return Math.min(1, worth / Math.min(bound, weights.length));
    }

    /** With nothing placed from a stage on but what the stage below it has. */
    public static Stair cleared(Stair stair, int lowest) {
        Stair cleared = stair;
        for (int stage = lowest; stage < stair.stages().size(); stage++) {
            cleared = cleared.with(stage, Dressing.dressed(stair.at(stage), Dressing.of(stair.at(lowest - 1))));
        }
        return cleared;
    }

    private Grown grown(DoubleConsumer reached) {
        for (int round = 0; round < MOST_ROUNDS; round++) {
            // Every round is about half of what is left.
            double before = 1 - Math.pow(2, -round);
            double rest = 1 - before;
            stuck.clear();
            plan(share -> reached.accept(before + rest / 2 * share));
            List<Placement> unfit = unfit(made());
            if (unfit.isEmpty()) {
                return told(made());
            }
            unfit.forEach(asking::forbid);
        }
        return told(withoutUnfit(made()));
    }

    private Grown told(Stair made) {
        for (int stage = lowest; stage < stair.stages().size(); stage++) {
            if (!stuck.contains(stage)) {
                tasks.put(stage, asking.goal(stage, asking.task(stage, around(stage))));
            }
        }
        Map<Integer, List<Wish.Pin>> inTheWay = new TreeMap<>();
        stuck.forEach(stage -> inTheWay.put(stage, asking.inTheWay(stage, around(stage))));
        return new Grown(stair, made, tasks, forEach(tasks, this::priced), inTheWay, share, choices);
    }

    /** The plan of a stage with its prices between its neighbours as they are in the end. */
    private Optional<Plan> priced(int stage, Task last) {
        Plan plan = plan(stage);
        List<Option> chosen = last.own(plan.chosen());
        Ledger ledger = last.ledger(chosen);
        return last.priced()
                .map(again -> new Plan(chosen, ledger.sum(), again.through()).beside(ledger))
                .or(() -> Optional.of(plan));
    }

    /** Plans that do not depend on each other, side by side; stages without a plan are left out. */
    private static Map<Integer, Plan> forEach(
            Map<Integer, Task> tasks, BiFunction<Integer, Task, Optional<Plan>> planned) {
        Map<Integer, Plan> plans = new ConcurrentSkipListMap<>();
        tasks.entrySet().parallelStream()
                .forEach(each -> planned.apply(each.getKey(), each.getValue())
                        .ifPresent(plan -> plans.put(each.getKey(), plan)));
        return plans;
    }

    private StageTasks.Around around(int stage) {
        return new StageTasks.Around(under(stage), over(stage));
    }

    /** What stands below a stage, as far as that is planned. */
    private List<Placement> under(int stage) {
        return Optional.ofNullable(plans.get(stage - 1))
                .map(this::placements)
                .orElse(lowest == 0 ? List.of() : Dressing.of(stair.at(lowest - 1)));
    }

    /** What stands above it, if that is planned. */
    private Optional<List<Placement>> over(int stage) {
        return Optional.ofNullable(plans.get(stage + 1)).map(this::placements);
    }

    /**
     * From the lowest stage upward, and then each between its neighbours until nothing gains. Where stages lose more by each other than is good enough, from each of the others outward too; of
     * all those stairs the best is taken.
     */
    private void plan(DoubleConsumer reached) {
        planAlone();
        // The stages by themselves are about a third of the work, the lowest start another.
        reached.accept(1 / 3.0);
        grow(reached);
        settle();
        reached.accept(2 / 3.0);
        Map<Integer, Plan> best = new TreeMap<>(plans);
        for (int first = lowest + 1; first < stair.stages().size() && share(best) < GOOD_ENOUGH; first++) {
            plans.clear();
            if (outward(first)) {
                settle();
                best = share(plans) > share(best) ? new TreeMap<>(plans) : best;
            }
            reached.accept((2 + (first - lowest) / (double) (stair.stages().size() - lowest)) / 3);
        }
        plans.clear();
        plans.putAll(best);
        beSureOfMost();
        share = share(plans);
        for (int stage = lowest; stage < stair.stages().size(); stage++) {
            if (!stuck.contains(stage)) {
                search(stage);
            }
        }
    }

    private void planAlone() {
        plans.clear();
        alone.clear();
        asked.clear();
        free.clear();
        for (int stage = lowest; stage < stair.stages().size(); stage++) {
            free.put(stage, asking.task(stage, around(stage)));
        }
        alone.putAll(forEach(free, (stage, task) -> asking.goal(stage, task).best()));
        alone.forEach((stage, plan) -> most.put(stage, plan.worth()));
    }

    /** Raises what stages could be worth by themselves where their returns are not tied as they are in the end. */
    private void beSureOfMost() {
        free.forEach((stage, task) -> {
            if (!stuck.contains(stage) && !asking.wish(stage).isVaried()) {
                most.computeIfPresent(stage, (key, best) -> task.most(asking.task(stage, around(stage)), best));
            }
        });
    }

    /** The stair that comes of beginning with one stage, as {@link #plan} tries them in turn, what the hand does for several together left aside; empty where there is no way from it. */
    static Optional<Stair> from(int first, Tune tune, Stair stair, int lowest, Profile profile, Choices choices) {
        Growth growth = new Growth(tune, stair, lowest, profile, choices);
        growth.planAlone();
        growth.grow(Growth::unfollowed);
        if (first > lowest) {
            growth.plans.clear();
            if (!growth.outward(first)) {
                return Optional.empty();
            }
        }
        growth.settle();
        return Optional.of(growth.made());
    }

    /** Plans every stage above what is planned below it; one that there is no way for has what stands there. */
    private void grow(DoubleConsumer reached) {
        Optional.ofNullable(alone.get(lowest)).ifPresent(plan -> plans.put(lowest, plan));
        for (int stage = lowest; stage < stair.stages().size(); stage++) {
            if (!plans.containsKey(stage) && !isPlanned(stage)) {
                stuck.add(stage);
                plans.put(stage, asking.standing(stage, under(stage)));
            }
            reached.accept((1 + (stage - lowest) / (double) (stair.stages().size() - lowest)) / 3);
        }
    }

    /** Takes a stage as it is by itself, those above it grown from it and those below it thinned from it; whether there was a way for all. */
    private boolean outward(int first) {
        Optional.ofNullable(alone.get(first)).ifPresent(plan -> plans.put(first, plan));
        boolean isComplete = stuck.isEmpty() && !plans.isEmpty();
        for (int stage = first + 1; stage < stair.stages().size() && isComplete; stage++) {
            isComplete = isPlanned(stage);
        }
        for (int stage = first - 1; stage >= lowest && isComplete; stage--) {
            isComplete = isPlanned(stage);
        }
        return isComplete;
    }

    /** Plans a stage beside what is planned so far; false where there is no way. */
    private boolean isPlanned(int stage) {
        Optional<Plan> plan = best(stage, around(stage));
        plan.ifPresent(found -> plans.put(stage, found));
        return plan.isPresent();
    }

    private void settle() {
        boolean hasRisen = true;
        for (int round = 0; round < MOST_ROUNDS && hasRisen; round++) {
            hasRisen = false;
            for (int stage = stair.stages().size() - 1; stage >= lowest; stage--) {
                hasRisen |= !stuck.contains(stage) && replanned(stage);
            }
        }
    }

    /** The mean of what stages are worth, each against what it could be by itself: 1 where nothing is lost. */
    private double share(Map<Integer, Plan> all) {
        double share = 0;
        for (Map.Entry<Integer, Plan> each : all.entrySet()) {
            int highest = most.getOrDefault(each.getKey(), 0);
            share += highest <= 0 ? 1 : each.getValue().worth() / (double) highest;
        }
        return share / all.size();
    }

    /** A stage once more between its neighbours with what the hand has to do for all of it, on strings and buttons. */
    private void search(int stage) {
        Plan plan = plan(stage);
        Task task = asking.goal(stage, asking.task(stage, around(stage)));
        task.hand().ifPresent(hand -> plans.put(stage, task.searched(hand, plan)));
    }

    private Plan plan(int stage) {
        return Objects.requireNonNull(plans.get(stage), "stage " + stage + " is not planned");
    }

    /** A stage once more between its neighbours; whether that is worth more. */
    private boolean replanned(int stage) {
        StageTasks.Around around = around(stage);
        if (around.equals(asked.get(stage))) {
            return false;
        }
        Optional<Plan> again = best(stage, around);
        int now = plan(stage).worth();
        if (again.isPresent() && again.get().worth() >= now) {
            plans.put(stage, again.get());
            return again.get().worth() > now;
        }
        return false;
    }

    private List<Placement> placements(Plan plan) {
        return plan.chosen().stream().map(choices::placement).toList();
    }

    private Optional<Plan> best(int stage, StageTasks.Around around) {
        asked.put(stage, around);
        return asking.goal(stage, asking.task(stage, around)).best();
    }

    // What is made of it

    private Stair made() {
        Stair made = stair;
        for (int stage = lowest; stage < stair.stages().size(); stage++) {
            made = made.with(stage, Dressing.dressed(stair.at(stage), placements(plan(stage))));
        }
        return made;
    }

    /** What was planned and does not fit where it stands beside everything else. */
    private List<Placement> unfit(Stair made) {
        return IntStream.range(lowest, made.stages().size())
                .parallel()
                .mapToObj(made::at)
                .flatMap(version -> unfit(Scene.of(tune, version, profile), Dressing.of(version)))
                .toList();
    }

    private Stream<Placement> unfit(Scene scene, List<Placement> dressing) {
        return dressing.stream()
                .filter(placement -> !standing.contains(placement)
                        && WhatFits.verdict(scene, placement).filter(Fit::fits).isEmpty());
    }

    private Stair withoutUnfit(Stair made) {
        Stair left = made;
        for (Placement placement : unfit(made)) {
            for (int stage = lowest; stage < left.stages().size(); stage++) {
                boolean isThere = Dressing.of(left.at(stage)).contains(placement);
                left = isThere ? left.removed(tune, stage, placement.span().first()) : left;
            }
        }
        return left;
    }
}
