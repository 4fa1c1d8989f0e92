package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.DoubleConsumer;
import wildflourish.core.instrument.Family;
import wildflourish.core.ornament.Choice;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Wish;

/**
 * A taste learnt from versions that somebody has made: what a plan is worth is a sum of points, so the points are moved until plans come out more as she has placed. Only what ornaments are
 * liked for, their fee, their place and their size are learnt, never a rule of what may stand.
 */
public final class Learning {
    /** From fewer tunes or placements nothing is learnt. */
    public static final int LEAST_TUNES = 4;

    public static final int LEAST_PLACEMENTS = 100;

    private static final int ROUNDS = 8;
    /** So many points a plan is helped by for every placement that is not hers, and hindered by for one that is. */
    private static final int MARGIN = 4;

    private static final double STEP = 0.25;
    private static final double MOST_COUNTED = 6;
    private static final double BACK = 0.998;
    private static final int MOST_CHANGED = 25;
    private static final int MOST_FOLDS = 5;
    private static final String FEE = "fee";
    private static final String PLACE = "place";
    private static final String SIZE = "size";

    private final Liking base;
    private final List<Sample> samples;
    private final DoubleConsumer reached;
    private final int work;
    private int done;

    /**
     * A tune with a stair that somebody has made on it.
     *
     * @param choices what fits there, as {@link Growth#choices} finds it
     */
    public record Model(Tune tune, Stair stair, Choices choices) {}

    /**
     * Something that is liked more or less than in the usual taste.
     *
     * @param what the name of an ornament, or “fee”, “place”, “size”
     * @param points more than usual
     */
    public record Change(String what, int points) {
        /** Whether it is of one ornament. */
        public boolean isOrnament() {
            return !Set.of(FEE, PLACE, SIZE).contains(what);
        }
    }

    /**
     * What was learnt.
     *
     * @param changes the greatest first
     * @param tunes from how many
     * @param placements from how many
     * @param usual of 100 placements that either has, how many the usual taste and she have both, on tunes left out
     * @param own the same of the learnt taste
     * @param isBetter whether the difference is more than its standard error
     */
    public record Learnt(
            Liking base, List<Change> changes, int tunes, int placements, int usual, int own, boolean isBetter) {
        public Learnt {
            changes = List.copyOf(changes);
        }

        /** The taste with some of the changes. */
        public Liking taste(Family family, List<Change> taken) {
            Map<String, Integer> likes = new HashMap<>(base.likes());
            Map<String, Integer> lean = new HashMap<>();
            for (Change change : taken) {
                if (change.isOrnament()) {
                    likes.put(change.what(), base.likes().getOrDefault(change.what(), base.others()) + change.points());
                } else {
                    lean.put(change.what(), change.points());
                }
            }
            return new Liking(
                    Liking.OWN,
                    "my own",
                    "learnt from " + tunes + " tunes with " + placements + " placements",
                    Set.of(family),
                    likes,
                    base.others(),
                    new Liking.Lean(
                            base.lean().fee() + lean.getOrDefault(FEE, 0),
                            base.lean().place() + lean.getOrDefault(PLACE, 0),
                            base.lean().size() + lean.getOrDefault(SIZE, 0)));
        }
    }

    /** One stage that somebody has made: what could be chosen, with what each counts for, and what she chose. */
    private record Sample(int tune, Task task, Map<Option, Map<String, Integer>> traits, Set<Option> hers) {
        /** How often each thing is in a plan. */
        Map<String, Integer> counts(Iterable<Option> chosen) {
            Map<String, Integer> counts = new TreeMap<>();
            for (Option option : chosen) {
                traits.getOrDefault(option, Map.of()).forEach((what, count) -> counts.merge(what, count, Integer::sum));
            }
            return counts;
        }
    }

    private Learning(Liking base, List<Sample> samples, DoubleConsumer reached, int work) {
        this.base = base;
        this.samples = samples;
        this.reached = reached;
        this.work = work;
    }

    /** How many placements a stair has to learn from, in all stages together. */
    public static int placements(Stair stair) {
        return stair.stages().stream()
                .skip(1)
                .mapToInt(version -> Dressing.of(version).size())
                .sum();
    }

    /**
     * Learns from stairs of one family.
     *
     * @param base the taste that is started from
     * @param reached is told the share that is done, from 0 to 1, and may stop it by throwing
     * @return empty where there are too few tunes or placements
     */
    public static Optional<Learnt> of(List<Model> models, Liking base, DoubleConsumer reached) {
        int placements =
                models.stream().mapToInt(model -> placements(model.stair())).sum();
        if (models.size() < LEAST_TUNES || placements < LEAST_PLACEMENTS) {
            return Optional.empty();
        }
        List<Sample> samples = new ArrayList<>();
        for (int tune = 0; tune < models.size(); tune++) {
            Stair stair = models.get(tune).stair();
            for (int stage = 1; stage < stair.stages().size(); stage++) {
                if (!Dressing.of(stair.at(stage)).isEmpty()) {
                    samples.add(sample(tune, models.get(tune), stage, base));
                }
            }
        }
        int folds = Math.min(MOST_FOLDS, models.size());
        return Optional.of(
                new Learning(base, samples, reached, (folds + 1) * ROUNDS).learnt(models.size(), placements));
    }

    private static Sample sample(int tune, Model model, int stage, Liking base) {
        Choices choices = model.choices();
        Taste taste = Taste.of(stage, model.stair().stages().size());
        List<List<Option>> options =
                choices.options(taste, List.of(model.stair().at(stage).playing().tempo()), base, Wish.USUAL);
        Map<Option, Map<String, Integer>> traits = new HashMap<>();
        for (List<Option> here : options) {
            for (Option option : here) {
                if (!option.isPlain()) {
                    traits.put(option, traits(model, option));
                }
            }
        }
        Set<Option> hers = new HashSet<>();
        for (Placement placement : Dressing.of(model.stair().at(stage))) {
            Option option = choices.standing(placement, taste, base);
            if (traits.containsKey(option)) {
                hers.add(option);
            }
        }
        return new Sample(
                tune,
                new Task(choices.row(), taste.level().bearing(choices.row(), List.of(), options), options),
                traits,
                hers);
    }

    private static Map<String, Integer> traits(Model model, Option option) {
        Map<String, Integer> traits = new HashMap<>();
        Placement placement = model.choices().placement(option);
        for (Choice choice : placement.stack().choices()) {
            traits.merge(choice.ornament().id(), 1, Integer::sum);
        }
        traits.put(FEE, -1);
        traits.put(PLACE, Found.beats(model.tune().note(placement.span().first()), model.tune()));
        traits.put(SIZE, option.weight());
        return traits;
    }

    // Learning

    private Learnt learnt(int tunes, int placements) {
        int folds = Math.min(MOST_FOLDS, tunes);
        List<Double> usual = new ArrayList<>();
        List<Double> own = new ArrayList<>();
        for (int fold = 0; fold < folds; fold++) {
            int left = fold;
            Map<String, Double> changes = trained(samples.stream()
                    .filter(sample -> sample.tune() % folds != left)
                    .toList());
            for (int tune = fold; tune < tunes; tune += folds) {
                int unseen = tune;
                List<Sample> those = samples.stream()
                        .filter(sample -> sample.tune() == unseen)
                        .toList();
                if (!those.isEmpty()) {
                    usual.add(agreement(those, Map.of()));
                    own.add(agreement(those, changes));
                }
            }
        }
        Map<String, Double> all = trained(samples);
        List<Change> changes = all.entrySet().stream()
                .map(each -> new Change(each.getKey(), (int) Math.round(each.getValue())))
                .filter(change -> change.points() != 0)
                .sorted(Comparator.comparingInt((Change change) -> -Math.abs(change.points()))
                        .thenComparing(Change::what))
                .toList();
        return new Learnt(base, changes, tunes, placements, percent(usual), percent(own), isBetter(usual, own));
    }

    private static int percent(List<Double> shares) {
        return (int) Math.round(
                100 * shares.stream().mapToDouble(Double::doubleValue).average().orElse(0));
    }

    /** Whether the second is higher by more than the standard error of the difference. */
    private static boolean isBetter(List<Double> usual, List<Double> own) {
        int count = own.size();
        double mean = 0;
        for (int i = 0; i < count; i++) {
            mean += (own.get(i) - usual.get(i)) / count;
        }
        double squares = 0;
        for (int i = 0; i < count; i++) {
            double off = own.get(i) - usual.get(i) - mean;
            squares += off * off;
        }
        double error = count < 2 ? Double.MAX_VALUE : Math.sqrt(squares / (count - 1.0) / count);
        return mean > error && mean > 0;
    }

    /** The changes of points, averaged over all rounds. */
    private Map<String, Double> trained(List<Sample> from) {
        Map<String, Double> now = new LinkedHashMap<>();
        Map<String, Double> sum = new TreeMap<>();
        for (int round = 0; round < ROUNDS; round++) {
            for (Sample sample : from) {
                List<Option> planned = planned(sample, now, true);
                Map<String, Integer> its = sample.counts(planned);
                Map<String, Integer> hers = sample.counts(sample.hers());
                Set<String> all = new HashSet<>(its.keySet());
                all.addAll(hers.keySet());
                now.replaceAll((what, points) -> points * BACK);
                for (String what : all) {
                    double missing = hers.getOrDefault(what, 0) - its.getOrDefault(what, 0);
                    double step = STEP * Math.max(-MOST_COUNTED, Math.min(MOST_COUNTED, missing));
                    double changed = now.getOrDefault(what, 0.0) + step;
                    now.put(what, Math.max(-MOST_CHANGED, Math.min(MOST_CHANGED, changed)));
                }
            }
            now.forEach((what, points) -> sum.merge(what, points / ROUNDS, Double::sum));
            done++;
            reached.accept(Math.min(1, done / (double) work));
        }
        return sum;
    }

    /** What is planned with changed points; where {@code isHelped}, what she has not is helped, so that it is told apart by more than a hair. */
    private static List<Option> planned(Sample sample, Map<String, Double> changes, boolean isHelped) {
        Map<Option, Option> plainly = new HashMap<>();
        List<List<Option>> options = new ArrayList<>();
        for (List<Option> here : sample.task().options()) {
            List<Option> changed = new ArrayList<>();
            for (Option option : here) {
                double points = option.gain();
                for (Map.Entry<String, Integer> trait :
                        sample.traits().getOrDefault(option, Map.of()).entrySet()) {
                    points += trait.getValue() * changes.getOrDefault(trait.getKey(), 0.0);
                }
                int margin = !isHelped || option.isPlain() ? 0 : sample.hers().contains(option) ? -MARGIN : MARGIN;
                Option other = option.worth((int) Math.round(points) + margin);
                plainly.put(other, option);
                changed.add(other);
            }
            options.add(changed);
        }
        return new Task(sample.task().row(), sample.task().level(), options)
                .best()
                .map(plan -> plan.chosen().stream()
                        .map(each -> plainly.getOrDefault(each, each))
                        .toList())
                .orElse(List.of());
    }

    /** Of all placements that a plan or she has, the share that both have. */
    private static double agreement(List<Sample> samples, Map<String, Double> changes) {
        int both = 0;
        int either = 0;
        for (Sample sample : samples) {
            Set<Option> planned = new HashSet<>(planned(sample, changes, false));
            Set<Option> all = new HashSet<>(planned);
            all.addAll(sample.hers());
            planned.retainAll(sample.hers());
            both += planned.size();
            either += all.size();
        }
        return either == 0 ? 1 : both / (double) either;
    }
}
