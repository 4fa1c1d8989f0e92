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
import java.util.stream.Stream;
import wildflourish.core.hand.Scene;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
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
    /** A later return that agrees with the first costs so much where returns are to be varied. */
    private static final int AGREEING = 5;

    private final Tune tune;
    private final Stair stair;
    private final Profile profile;
    private final int lowest;
    private final Choices choices;
    private final Neighbours.Growing grown;
    /** What is planned for each stage so far. */
    private final Map<Integer, Plan> plans = new TreeMap<>();

    private double share = 1;
    /** What each stage would have, were it alone above what stands. */
    private final Map<Integer, Plan> alone = new TreeMap<>();

    private final Map<Integer, Task> tasks = new TreeMap<>();
    /** For each stage what stood around it when it was planned last. */
    private final Map<Integer, Around> asked = new HashMap<>();
    /** Stages for which there was no way round what stands and what is wished. */
    private final Set<Integer> stuck = new HashSet<>();
    /** For each stage what may be chosen there, were it alone. */
    private final Map<Integer, List<List<Candidate>>> allowed = new HashMap<>();
    /** What was chosen and then did not fit beside what else was chosen, without points. */
    private final Set<Option> never = new HashSet<>();

    /** What stands below and above a stage, as far as that is planned. */
    private record Around(List<Placement> below, Optional<List<Placement>> above) {}

    private Growth(Tune tune, Stair stair, int lowest, Profile profile, Choices choices) {
        this.tune = tune;
        this.stair = stair;
        this.profile = profile;
        this.lowest = lowest;
        this.choices = choices;
        this.grown = new Neighbours.Growing(stair.instrument().family());
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
            Task task = task(lowest + i, around(lowest + i)).byEach();
            List<Option> plan =
                    task.own(grown.at(lowest + i).orElseThrow().plan().chosen());
            int most = task.best().map(Plan::worth).orElse(0);
            weights[i] = most <= 0 ? 0 : 1.0 / most;
            worth += most <= 0 ? 1 : task.ledger(plan).sum() * weights[i];
            tasks.add(task);
            chosen.add(plan);
        }
        double bound = Arrays.stream(weights).filter(weight -> weight == 0).count();
        List<NoteRow.Stretch> phrases = choices.row().stretches();
        for (NoteRow.Stretch phrase : phrases) {
            Joint joint = new Joint(tasks, weights, phrase, this::isBorne, MOST_TOGETHER);
            bound += joint.best(joint.worth(chosen)).orElse(joint.free());
            reached.accept((phrases.indexOf(phrase) + 1) / (double) phrases.size());
        }
        return Math.min(1, worth / Math.min(bound, weights.length));
    }

    private boolean isBorne(Option lower, Option higher) {
        return Neighbours.isBorne(grown, lower, choices.placement(lower), higher, choices.placement(higher));
    }

    /** With nothing placed from a stage on but what the stage below it has. */
    public static Stair cleared(Stair stair, int lowest) {
        Stair cleared = stair;
        for (int stage = lowest; stage < stair.stages().size(); stage++) {
            cleared = cleared.with(stage, dressed(stair.at(stage), placements(stair.at(lowest - 1))));
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
            unfit.forEach(each -> never.add(choices.bare(each)));
        }
        return told(withoutUnfit(made()));
    }

    private Grown told(Stair made) {
        for (int stage = lowest; stage < stair.stages().size(); stage++) {
            if (!stuck.contains(stage)) {
                tasks.put(stage, goal(stage, task(stage, around(stage))));
            }
        }
        return new Grown(stair, made, tasks, forEach(tasks, this::priced), stuck, share, choices);
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

    private Around around(int stage) {
        return new Around(under(stage), over(stage));
    }

    /** What stands below a stage, as far as that is planned. */
    private List<Placement> under(int stage) {
        return Optional.ofNullable(plans.get(stage - 1))
                .map(this::placements)
                .orElse(lowest == 0 ? List.of() : placements(stair.at(lowest - 1)));
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
        plans.clear();
        alone.clear();
        asked.clear();
        Map<Integer, Task> free = new TreeMap<>();
        for (int stage = lowest; stage < stair.stages().size(); stage++) {
            free.put(stage, task(stage, around(stage)));
        }
        alone.putAll(forEach(free, (stage, task) -> goal(stage, task).best()));
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
        share = share(plans);
        for (int stage = lowest; stage < stair.stages().size(); stage++) {
            if (!stuck.contains(stage)) {
                search(stage);
            }
        }
    }

    /** Plans every stage above what is planned below it; one that there is no way for has what stands there. */
    private void grow(DoubleConsumer reached) {
        Optional.ofNullable(alone.get(lowest)).ifPresent(plan -> plans.put(lowest, plan));
        for (int stage = lowest; stage < stair.stages().size(); stage++) {
            if (!plans.containsKey(stage) && !isPlanned(stage)) {
                stuck.add(stage);
                plans.put(stage, standing(stage, under(stage)));
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
            int most = Optional.ofNullable(alone.get(each.getKey()))
                    .map(Plan::worth)
                    .orElse(0);
            share += most <= 0 ? 1 : each.getValue().worth() / (double) most;
        }
        return share / all.size();
    }

    /** A stage once more between its neighbours with what the hand has to do for all of it, on strings. */
    private void search(int stage) {
        Plan plan = plan(stage);
        Task task = goal(stage, task(stage, around(stage)));
        task.hand().ifPresent(hand -> plans.put(stage, task.searched(hand, plan)));
    }

    private Plan plan(int stage) {
        return Objects.requireNonNull(plans.get(stage), "stage " + stage + " is not planned");
    }

    /** What stands at a stage and what it must bear, where nothing can be planned. */
    private Plan standing(int stage, List<Placement> below) {
        Taste taste = taste(stage);
        Liking liking = liking(stage);
        List<Option> all = new ArrayList<>();
        Stream.concat(kept(stage).stream(), below.stream())
                .map(each -> choices.standing(each, taste, liking))
                .filter(option -> all.stream().noneMatch(option::overlaps))
                .forEach(all::add);
        all.sort(Comparator.comparingInt(Option::from));
        return new Plan(all, 0, Map.of());
    }

    /** A stage once more between its neighbours; whether that is worth more. */
    private boolean replanned(int stage) {
        Around around = around(stage);
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

    static List<Placement> placements(Version version) {
        return version.spots().values().stream()
                .flatMap(spot -> spot.first().stream())
                .toList();
    }

    /** What stands at a stage already. */
    private List<Placement> kept(int stage) {
        return placements(stair.at(stage));
    }

    private Wish wish(int stage) {
        return stair.at(stage).label().wish();
    }

    private Liking liking(int stage) {
        return choices.liking(stair.at(stage));
    }

    private Optional<Plan> best(int stage, Around around) {
        asked.put(stage, around);
        return goal(stage, task(stage, around)).best();
    }

    /** What is planned in the end: where returns are to be varied, less for what agrees with the first time. */
    private Task goal(int stage, Task task) {
        return wish(stage).isVaried()
                ? task.best().map(first -> varied(task, first)).orElse(task)
                : task;
    }

    private Task task(int stage, Around around) {
        Taste taste = taste(stage);
        Liking liking = liking(stage);
        List<Option> kept = kept(stage).stream()
                .map(each -> choices.standing(each, taste, liking))
                .toList();
        List<Option> under = around.below().stream()
                .map(each -> choices.standing(each, taste, liking))
                .filter(option -> kept.stream().noneMatch(option::overlaps))
                .toList();
        List<Placement> staying = new ArrayList<>();
        for (int each = stage + 1; each < stair.stages().size(); each++) {
            staying.addAll(kept(each));
        }
        Neighbours neighbours = new Neighbours(tune, grown, around.below(), around.above(), staying);
        List<List<Option>> options = new ArrayList<>();
        for (List<Candidate> here : allowed.computeIfAbsent(stage, this::allowed)) {
            List<Option> admitted = new ArrayList<>();
            for (Candidate candidate : here) {
                Option option = candidate.option();
                boolean isAdmitted = candidate.placement().isEmpty()
                        ? neighbours.admitsPlain(option.from())
                        : neighbours.admits(option, candidate.placement().get()) && !isRefused(stage, option);
                if (isAdmitted && kept.stream().noneMatch(option::overlaps)) {
                    admitted.add(option);
                }
            }
            options.add(admitted);
        }
        Stream.concat(kept.stream(), under.stream())
                .filter(option -> !options.get(option.from()).contains(option))
                .forEach(option -> options.get(option.from()).add(0, option));
        NoteRow row = choices.asked(wish(stage));
        Level level = taste.level()
                .bearing(row, Stream.concat(kept.stream(), under.stream()).toList(), options);
        return new Task(row, level, options, choices.hand());
    }

    /** What may be chosen, with what it stands for; a plain note for nothing. */
    private record Candidate(Option option, Optional<Placement> placement) {}

    /** What may be chosen at a stage, were it alone. */
    private List<List<Candidate>> allowed(int stage) {
        List<List<Option>> options = choices.options(taste(stage), tempos(stage), liking(stage), wish(stage));
        return (stage == 0 ? choices.partings(options) : options)
                .stream()
                        .map(here -> here.stream().map(this::candidate).toList())
                        .toList();
    }

    private Candidate candidate(Option option) {
        return new Candidate(option, option.isPlain() ? Optional.empty() : Optional.of(choices.placement(option)));
    }

    /** Whether something was found not to fit beside what else was chosen, or a stage above, which would have to bear it, is never to have it there. */
    private boolean isRefused(int stage, Option option) {
        if (!never.isEmpty() && never.contains(option.worth(0))) {
            return true;
        }
        NoteId note = tune.notes().get(option.from()).id();
        for (int above = stage + 1; above < stair.stages().size(); above++) {
            if (wish(above).refuses(note, option.name())) {
                return true;
            }
        }
        return false;
    }

    /** Later returns dressed otherwise than the first, where that costs little: exact given the first. */
    private Task varied(Task task, Plan first) {
        List<List<Option>> options = new ArrayList<>(task.options());
        Map<Integer, NoteRow.Stretch> firsts = new TreeMap<>();
        for (NoteRow.Stretch stretch : choices.row().stretches()) {
            NoteRow.Stretch model = firsts.putIfAbsent(stretch.family(), stretch);
            if (model == null) {
                continue;
            }
            int moved = stretch.first() - model.first();
            for (int note = stretch.first(); note < stretch.last(); note++) {
                options.set(
                        note,
                        options.get(note).stream()
                                .map(option -> isAgreeing(option.moved(-moved), first)
                                        ? option.worth(option.gain() - AGREEING)
                                        : option)
                                .toList());
            }
        }
        return new Task(task.row(), task.level(), options, task.hand());
    }

    private static boolean isAgreeing(Option option, Plan first) {
        return !option.isPlain()
                && first.chosen().stream()
                        .anyMatch(each -> each.from() == option.from()
                                && each.to() == option.to()
                                && each.name().equals(option.name()));
    }

    /** The tempos of a stage and of all above it, for what is placed there is played at all of them. */
    private List<Tempo> tempos(int stage) {
        return stair.stages().subList(stage, stair.stages().size()).stream()
                .map(version -> version.playing().tempo())
                .toList();
    }

    private Taste taste(int stage) {
        return taste(stair, stage, profile);
    }

    /** What a stage of a stair is judged by, for a student, as its teacher wishes; the plain stage by what the one above it is. */
    static Taste taste(Stair stair, int stage, Profile profile) {
        Wish wish = stair.at(stage).label().wish();
        Taste taste = Taste.of(Math.max(1, stage), stair.stages().size(), wish.of(Wish.Degree.RISE))
                .wished(wish);
        boolean isSlower = profile.factor().isMoreThan(Fraction.ONE);
        boolean isLearner = profile.equals(Profile.all().get(Profile.all().size() - 1));
        return !isSlower ? taste : isLearner ? taste.askingMore(2, 1) : taste.askingMore(1, 0);
    }

    // What is made of it

    private Stair made() {
        Stair made = stair;
        for (int stage = lowest; stage < stair.stages().size(); stage++) {
            made = made.with(stage, dressed(stair.at(stage), placements(plan(stage))));
        }
        return made;
    }

    /** A version with just these placements; where one stands already it keeps its words and its second choices. */
    static Version dressed(Version version, List<Placement> placements) {
        Set<Placement> wanted = new HashSet<>(placements);
        Version bare = version;
        for (Placement old : placements(version)) {
            if (!wanted.contains(old)) {
                bare = bare.without(old.span().first());
            }
        }
        Map<NoteId, Spot> spots = new TreeMap<>(bare.spots());
        for (Placement placement : placements) {
            NoteId first = placement.span().first();
            Spot words = spots.getOrDefault(first, Spot.bare(first));
            if (!words.first().equals(Optional.of(placement))) {
                spots.put(first, words.withOptions(List.of(placement)));
            }
        }
        return bare.withSpots(spots);
    }

    /** What was planned and does not fit where it stands beside everything else. */
    private List<Placement> unfit(Stair made) {
        List<Placement> unfit = new ArrayList<>();
        for (int stage = lowest; stage < made.stages().size(); stage++) {
            Scene scene = Scene.of(tune, made.at(stage), profile);
            for (Placement placement : placements(made.at(stage))) {
                if (!isStanding(placement)
                        && WhatFits.verdict(scene, placement).filter(Fit::fits).isEmpty()) {
                    unfit.add(placement);
                }
            }
        }
        return unfit;
    }

    /** Whether somebody has placed it, in a planned stage or right below. */
    private boolean isStanding(Placement placement) {
        return stair.stages().subList(Math.max(0, lowest - 1), stair.stages().size()).stream()
                .anyMatch(version -> placements(version).contains(placement));
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
