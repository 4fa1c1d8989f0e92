package wildflourish.core.growing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import wildflourish.core.Rounds;

/** The planner against trying every plan there is, on small random rows with phrases that come back. */
class PlannerTest {
    private static final long CROTCHET = 2;

    /** A problem. */
    private record Problem(NoteRow row, Level level, List<List<Option>> options) {
        Optional<Plan> best() {
            return row.requests().isEmpty()
                    ? Planner.priced(row, level, options)
                    : new Branching(new KnownKin(), row, level).best(options);
        }

        Problem requesting(List<Request> requests) {
            return new Problem(row.requesting(requests), level, options);
        }
    }

    /** Every plan scored by the definition, one after the other, with no use of the planner's states. */
    private static final class Everything {
        private final Problem problem;
        private final Map<Option, Integer> through = new HashMap<>();
        private final Map<Set<Option>, Integer> plans = new HashMap<>();
        private int best = Integer.MIN_VALUE;

        Everything(Problem problem) {
            this.problem = problem;
            go(0, new ArrayList<>());
        }

        private void go(int note, List<Option> way) {
            if (note == problem.row().notes()) {
                Optional<Integer> worth = worth(problem, way);
                if (worth.isPresent() && problem.row().requests().stream().allMatch(request -> request.isMet(way))) {
                    best = Math.max(best, worth.get());
                    plans.put(Set.copyOf(way), worth.get());
                    way.forEach(option -> through.merge(option, worth.get(), Math::max));
                }
                return;
            }
            for (Option option : problem.options().get(note)) {
                way.add(option);
                go(option.to(), way);
                way.remove(way.size() - 1);
            }
        }
    }

    /** What a plan is worth; empty where it is none: too much in a bar or a phrase, a phrase left by an ornament, families that do not begin alike. */
    private static Optional<Integer> worth(Problem problem, List<Option> way) {
        NoteRow row = problem.row();
        Level level = problem.level();
        int worth = 0;
        List<Set<Integer>> techniques = new ArrayList<>();
        List<Boolean> breaths = new ArrayList<>();
        List<NoteRow.Stretch> whole = new ArrayList<>();
        for (NoteRow.Stretch stretch : row.stretches()) {
            List<Option> own = way.stream()
                    .filter(option -> option.from() >= stretch.first() && option.from() < stretch.last())
                    .toList();
            if (own.stream().anyMatch(option -> option.to() > stretch.last())) {
                return Optional.empty();
            }
            NoteRow.Stretch first = row.stretches().stream()
                    .filter(other -> other.family() == stretch.family())
                    .findFirst()
                    .orElseThrow();
            if (!isAlike(way, first, stretch)) {
                return Optional.empty();
            }
            List<Option> placed =
                    own.stream().filter(option -> !option.isPlain()).toList();
            Set<Integer> kinds = new HashSet<>();
            placed.forEach(option -> kinds.add(option.kind()));
            int weight = placed.stream().mapToInt(Option::weight).sum();
            Level.Load load = level.loadOf(
                    row.starts().get(stretch.last()) - row.starts().get(stretch.first()),
                    4 * CROTCHET,
                    stretch.isPickup());
            if (weight > load.most() || kinds.size() > level.techniques().size() + 1) {
                return Optional.empty();
            }
            worth += placed.stream().mapToInt(Option::gain).sum();
            worth -= weight < load.from()
                    ? load.under() * (load.from() - weight)
                    : weight > load.to() ? load.over() * (weight - load.to()) * (weight - load.to() + 1) / 2 : 0;
            worth -= kinds.size() < 2 ? 0 : level.techniques().get(kinds.size() - 2);
            Map<Integer, Integer> bars = new HashMap<>();
            placed.forEach(option -> bars.merge(row.bars().get(option.from()), 1, Integer::sum));
            for (Map.Entry<Integer, Integer> bar : bars.entrySet()) {
                int free = level.freeIn(row.barLengths().get(bar.getKey()), 4 * CROTCHET);
                int more = bar.getValue() - free;
                if (more > level.thick().size()) {
                    return Optional.empty();
                }
                for (int i = 0; i < more; i++) {
                    worth -= level.thick().get(i);
                }
            }
            for (int bar : Set.copyOf(row.bars().subList(stretch.first(), stretch.last()))) {
                if (bars.getOrDefault(bar, 0) < row.least().get(bar)) {
                    return Optional.empty();
                }
            }
            for (int i = 1; i < placed.size(); i++) {
                Option one = placed.get(i - 1);
                Option other = placed.get(i);
                long gap = row.starts().get(other.from()) - row.starts().get(one.to());
                if (gap < CROTCHET) {
                    worth -= gap == 0 ? level.near().touching() : 0;
                    worth -= one.kind() == other.kind() ? level.near().sameKind() : 0;
                    worth -= one.finger() >= 0 && one.finger() == other.begins()
                            ? level.near().sameFinger()
                            : 0;
                }
            }
            if (!stretch.isPickup()) {
                techniques.add(kinds);
                whole.add(stretch);
                breaths.add(own.stream()
                        .anyMatch(option -> option.weight() <= 1
                                && row.starts().get(option.to()) - row.starts().get(option.from()) >= CROTCHET));
            }
        }
        for (int i = 1; i < whole.size(); i++) {
            boolean isSame = techniques.get(i).size() == 1 && techniques.get(i).equals(techniques.get(i - 1));
            worth -= isSame ? level.clash() : 0;
            worth -= row.isBlown() && !breaths.get(i) && !breaths.get(i - 1) ? level.breath() : 0;
        }
        return Optional.of(worth);
    }

    /** Whether two members of a family are dressed alike in their trunk, and nothing reaches over its end. */
    private static boolean isAlike(List<Option> way, NoteRow.Stretch first, NoteRow.Stretch other) {
        List<String> one = trunk(way, first);
        return one.equals(trunk(way, other)) && one.stream().noneMatch(String::isEmpty);
    }

    private static List<String> trunk(List<Option> way, NoteRow.Stretch stretch) {
        int end = stretch.first() + stretch.trunk();
        return way.stream()
                .filter(option -> option.from() >= stretch.first() && option.from() < end)
                .map(option -> option.to() > end
                        ? ""
                        : (option.from() - stretch.first()) + "-" + (option.to() - stretch.first()) + "-"
                                + option.name() + "-" + option.kind() + "-" + option.begins() + "-" + option.finger()
                                + "-"
                                + option.weight())
                .toList();
    }

    private static Problem random(Random random) {
        boolean isTied = random.nextBoolean();
        List<Integer> lengths = new ArrayList<>();
        List<Integer> firsts = new ArrayList<>();
        int phrase = 3 + random.nextInt(2);
        List<Integer> pattern = new ArrayList<>();
        for (int i = 0; i < phrase; i++) {
            pattern.add(1 + random.nextInt(2));
        }
        for (int i = 0; i < 3; i++) {
            firsts.add(lengths.size());
            boolean isReturn = isTied && i == 2;
            for (int note = 0; note < (isReturn ? phrase : 2 + random.nextInt(2)); note++) {
                lengths.add(i == 0 || isReturn ? pattern.get(note) : 1 + random.nextInt(2));
            }
            if (i == 0) {
                while (lengths.size() < phrase) {
                    lengths.add(pattern.get(lengths.size()));
                }
            }
        }
        int notes = lengths.size();
        List<Long> starts = new ArrayList<>(List.of(0L));
        lengths.forEach(length -> starts.add(starts.get(starts.size() - 1) + length));
        int trunk = isTied ? random.nextInt(phrase + 1) : 0;
        boolean hasPickup = random.nextInt(4) == 0;
        List<NoteRow.Stretch> stretches = List.of(
                new NoteRow.Stretch(0, firsts.get(1), false, 0, isTied ? trunk : 0),
                new NoteRow.Stretch(firsts.get(1), firsts.get(2), hasPickup, 1, 0),
                new NoteRow.Stretch(firsts.get(2), notes, false, isTied ? 0 : 2, isTied ? trunk : 0));
        // Bars begin with phrases, and again within the longer ones.
        List<Integer> bars = new ArrayList<>();
        List<Long> barLengths = new ArrayList<>();
        for (NoteRow.Stretch stretch : stretches) {
            int split = stretch.first() + 2;
            for (int note = stretch.first(); note < stretch.last(); note++) {
                if (note == stretch.first() || note == split) {
                    barLengths.add(0L);
                }
                int bar = barLengths.size() - 1;
                bars.add(bar);
                barLengths.set(bar, barLengths.get(bar) + lengths.get(note));
            }
        }
        NoteRow row = new NoteRow(starts, CROTCHET, bars, barLengths, stretches, random.nextBoolean());
        if (random.nextInt(3) == 0) {
            List<Integer> asked = new ArrayList<>(Collections.nCopies(barLengths.size(), 0));
            asked.set(random.nextInt(asked.size()), 1 + random.nextInt(2));
            row = row.asking(asked);
        }
        List<List<Option>> options = new ArrayList<>();
        for (int note = 0; note < notes; note++) {
            options.add(new ArrayList<>());
        }
        for (int note = 0; note < notes; note++) {
            if (random.nextInt(12) > 0) {
                options.get(note).add(Option.plain(note));
            }
            for (int i = random.nextInt(3); i > 0; i--) {
                int to = note + 1 + (random.nextInt(4) == 0 ? 1 : 0);
                boolean isInOneBar = to <= notes && bars.get(to - 1).equals(bars.get(note));
                int kind = random.nextInt(3);
                if (isInOneBar) {
                    options.get(note)
                            .add(new Option(
                                    note,
                                    to,
                                    "o" + i,
                                    kind,
                                    random.nextInt(3) - 1,
                                    random.nextInt(3) - 1,
                                    1 + random.nextInt(3),
                                    random.nextInt(60) - 10));
                }
            }
        }
        if (isTied) {
            for (int note = 0; note < phrase; note++) {
                int moved = firsts.get(2);
                List<Option> there = new ArrayList<>();
                for (Option option : options.get(note)) {
                    Option twin = option.moved(moved);
                    boolean isInOneBar =
                            twin.to() <= notes && bars.get(twin.to() - 1).equals(bars.get(twin.from()));
                    if (isInOneBar) {
                        there.add(new Option(
                                twin.from(),
                                twin.to(),
                                twin.name(),
                                twin.kind(),
                                twin.begins(),
                                twin.finger(),
                                twin.weight(),
                                twin.isPlain() ? 0 : twin.gain() + random.nextInt(7) - 3));
                    }
                }
                options.set(note + moved, there);
            }
        }
        Level level = new Level(
                random.nextBoolean() ? List.of(10) : List.of(8, 20),
                1 + random.nextInt(2),
                new Level.Load(1 + random.nextInt(3), 4 + random.nextInt(3), 6 + random.nextInt(4), 5, 4),
                random.nextBoolean() ? List.of(8) : List.of(4, 16),
                new Level.Near(10 + random.nextInt(10), random.nextInt(8), 6),
                random.nextInt(9),
                random.nextBoolean() ? 90 : 0);
        return new Problem(row, level, options);
    }

    @Test
    void theBestPlanAndThePlanThroughEveryOptionAreThoseOfTryingEverything() {
        int met = 0;
        int tied = 0;
        for (int seed = 0; seed < Rounds.of(400, 4000); seed++) {
            Problem problem = random(new Random(seed));
            Everything all = new Everything(problem);
            Optional<Plan> plan = problem.best();
            assertThat(plan.isPresent()).as("seed %s", seed).isEqualTo(all.best != Integer.MIN_VALUE);
            if (plan.isEmpty()) {
                continue;
            }
            met++;
            tied += problem.row().stretches().get(2).family() == 0 ? 1 : 0;
            assertThat(plan.get().worth()).as("seed %s", seed).isEqualTo(all.best);
            assertThat(dear(plan.get().through(), all.best, false))
                    .as("seed %s", seed)
                    .isEqualTo(dear(all.through, all.best, false));
            dear(plan.get().through(), all.best, true)
                    .forEach((option, worth) -> assertThat(worth).isLessThanOrEqualTo(all.through.get(option)));
            assertThat(worth(problem, whole(problem, plan.get())))
                    .as("seed %s", seed)
                    .contains(all.best);
        }
        assertThat(met).isGreaterThan(100);
        assertThat(tied).isGreaterThan(40);
    }

    /** One store for all problems, each asked several times with a little less to choose from, its phrases together and each for itself. */
    @Test
    void whatIsKnownOfPhrasesIsWhatPlanningThemAnewGives() {
        KnownKin known = new KnownKin();
        int alike = 0;
        for (int seed = 0; seed < Rounds.of(400, 4000); seed++) {
            Problem problem = random(new Random(seed));
            Random random = new Random(seed + 55_000L);
            List<NoteRow.Stretch> phrases = problem.row().stretches();
            boolean isBack = phrases.get(2).family() == phrases.get(0).family()
                    && phrases.get(2).trunk() == phrases.get(0).last();
            for (int i = 0; i < 6; i++) {
                List<List<Option>> options = new ArrayList<>(thinned(problem.options(), random));
                for (int note = 0; isBack && note < phrases.get(0).last(); note++) {
                    int moved = phrases.get(2).first();
                    options.set(
                            note + moved,
                            options.get(note).stream()
                                    .map(option -> option.moved(moved))
                                    .toList());
                }
                alike += isBack ? 1 : 0;
                NoteRow row = i % 2 == 0 ? problem.row() : problem.row().boundedTo(0, 2);
                assertThat(Planner.best(known, row, problem.level(), options))
                        .as("seed %s, %s", seed, i)
                        .isEqualTo(Planner.best(new KnownKin(), row, problem.level(), options));
            }
        }
        assertThat(alike).isGreaterThan(100);
    }

    private static List<List<Option>> thinned(List<List<Option>> options, Random random) {
        return options.stream()
                .map(here -> here.stream()
                        .filter(option -> option.isPlain() || random.nextInt(5) > 0)
                        .toList())
                .toList();
    }

    /** Over bars, phrases and the whole row, of one technique or any, one thing asked for or two. */
    @Test
    void whatIsAskedForOverSeveralBarsIsThereAndEveryPriceBesideItIsThatOfTryingEverything() {
        int met = 0;
        int bound = 0;
        for (int seed = 0; seed < Rounds.of(400, 4000); seed++) {
            Problem free = random(new Random(seed));
            Random random = new Random(seed + 77_000L);
            List<Request> requests = new ArrayList<>();
            for (int i = random.nextInt(2); i >= 0; i--) {
                int first = random.nextInt(free.row().notes() / 2);
                int last = first + 2 + random.nextInt(free.row().notes() - first - 1);
                requests.add(new Request(
                        first, Math.min(last, free.row().notes()), random.nextInt(4) - 1, 1 + random.nextInt(2)));
            }
            Problem problem = free.requesting(requests);
            Everything all = new Everything(problem);
            Optional<Plan> plan = problem.best();
            assertThat(plan.isPresent()).as("seed %s", seed).isEqualTo(all.best != Integer.MIN_VALUE);
            if (plan.isEmpty()) {
                continue;
            }
            met++;
            bound += free.best().orElseThrow().worth() > all.best ? 1 : 0;
            assertThat(plan.get().worth()).as("seed %s", seed).isEqualTo(all.best);
            for (Map.Entry<Option, Integer> each : all.through.entrySet()) {
                List<List<Option>> forced = new Task(problem.row(), problem.level(), problem.options())
                        .forcing(each.getKey())
                        .options();
                assertThat(new Problem(problem.row(), problem.level(), forced)
                                .best()
                                .orElseThrow()
                                .worth())
                        .as("seed %s, %s", seed, each.getKey())
                        .isEqualTo(each.getValue());
            }
            assertThat(worth(problem, whole(problem, plan.get())))
                    .as("seed %s", seed)
                    .contains(all.best);
            assertThat(requests)
                    .as("seed %s", seed)
                    .allMatch(request -> request.isMet(plan.get().chosen()));
        }
        assertThat(met).isGreaterThan(100);
        assertThat(bound).as("where the request makes a difference").isGreaterThan(50);
    }

    /** What costs more than the prices that are exact, or what does not. */
    private static Map<Option, Integer> dear(Map<Option, Integer> through, int best, boolean isDear) {
        Map<Option, Integer> some = new HashMap<>(through);
        some.values().removeIf(worth -> (best - worth > Plan.MOST_PRICE) != isDear);
        return some;
    }

    /** With the notes that are left plain. */
    private static List<Option> whole(Problem problem, Plan plan) {
        List<Option> whole = new ArrayList<>(plan.chosen());
        for (int note = 0; note < problem.row().notes(); note++) {
            int at = note;
            if (plan.chosen().stream().noneMatch(option -> option.from() <= at && at < option.to())) {
                whole.add(Option.plain(note));
            }
        }
        whole.sort((one, other) -> Integer.compare(one.from(), other.from()));
        return whole;
    }

    /** Growth laws of one stage: what is forbidden without being used changes nothing; what is given back never lowers the worth; forced or forbidden, the price is what it says. */
    @Test
    void pricesAreWhatPlanningAgainSays() {
        for (int seed = 0; seed < Rounds.of(150, 1500); seed++) {
            Problem problem = random(new Random(seed));
            Optional<Plan> found = problem.best();
            if (found.isEmpty()) {
                continue;
            }
            Plan plan = found.get();
            List<Option> whole = whole(problem, plan);
            for (Option option : plan.through().keySet()) {
                boolean isTwin = problem.row().stretches().get(2).family() == 0;
                if (isTwin) {
                    continue;
                }
                int forced = without(problem, other -> other.equals(option) || !other.overlaps(option))
                        .best()
                        .orElseThrow()
                        .worth();
                if (plan.worth() - plan.through().get(option) > Plan.MOST_PRICE) {
                    continue;
                }
                assertThat(plan.through().get(option)).as("seed %s", seed).isEqualTo(forced);
                Optional<Plan> forbidden =
                        without(problem, other -> !other.equals(option)).best();
                int elsewhere = plan.through().entrySet().stream()
                        .filter(each ->
                                !each.getKey().equals(option) && each.getKey().overlaps(option))
                        .filter(each -> each.getKey().from() <= option.from())
                        .filter(each -> each.getKey().to() > option.from())
                        .mapToInt(Map.Entry::getValue)
                        .max()
                        .orElse(Integer.MIN_VALUE);
                assertThat(forbidden.map(Plan::worth).orElse(Integer.MIN_VALUE))
                        .as("seed %s", seed)
                        .isEqualTo(elsewhere);
                if (!whole.contains(option)) {
                    assertThat(forbidden.orElseThrow().worth()).isEqualTo(plan.worth());
                }
            }
        }
    }

    /** The second best plan of all is the best through something that the best has not. */
    @Test
    void theSecondBestIsTheBestThroughSomethingElse() {
        int met = 0;
        for (int seed = 0; seed < Rounds.of(200, 2000); seed++) {
            Problem problem = random(new Random(seed));
            Optional<Plan> plan = problem.best();
            if (plan.isEmpty()) {
                continue;
            }
            Set<Option> whole = new HashSet<>(whole(problem, plan.get()));
            Everything all = new Everything(problem);
            int second = all.plans.entrySet().stream()
                    .filter(each -> !each.getKey().equals(whole))
                    .mapToInt(Map.Entry::getValue)
                    .max()
                    .orElse(Integer.MIN_VALUE);
            int through = plan.get().through().entrySet().stream()
                    .filter(each -> !whole.contains(each.getKey()))
                    .mapToInt(Map.Entry::getValue)
                    .max()
                    .orElse(Integer.MIN_VALUE);
            if (second >= plan.get().worth() - Plan.MOST_PRICE) {
                assertThat(through).as("seed %s", seed).isEqualTo(second);
                met++;
            }
        }
        assertThat(met).isGreaterThan(50);
    }

    /** More to choose from and higher limits never lower what the best plan is worth. */
    @Test
    void moreFreedomNeverLowersTheWorth() {
        for (int seed = 0; seed < Rounds.of(150, 1500); seed++) {
            Random random = new Random(seed);
            Problem problem = random(random);
            Optional<Plan> plan = problem.best();
            if (plan.isEmpty()) {
                continue;
            }
            List<Option> all = problem.options().stream().flatMap(List::stream).toList();
            Option pinned = all.get(random.nextInt(all.size()));
            without(problem, other -> !other.equals(pinned))
                    .best()
                    .ifPresent(less -> assertThat(less.worth())
                            .isLessThanOrEqualTo(plan.get().worth()));
            Level level = problem.level();
            Level.Load load = level.load();
            Level higher =
                    level.bearing(new Level.Load(load.from(), load.to(), load.most() + 2, load.under(), load.over()));
            assertThat(new Problem(problem.row(), higher, problem.options())
                            .best()
                            .orElseThrow()
                            .worth())
                    .as("seed %s", seed)
                    .isGreaterThanOrEqualTo(plan.get().worth());
        }
    }

    /** Where neither returns nor neighbours matter, a plan is worth what its phrases are worth by themselves. */
    @Test
    void withoutTiesAndNeighboursPhrasesAddUp() {
        int met = 0;
        for (int seed = 0; seed < Rounds.of(150, 1500); seed++) {
            Problem tied = random(new Random(seed));
            Level old = tied.level();
            Level level = new Level(old.thick(), old.free(), old.load(), old.techniques(), old.near(), 0, 0);
            Problem problem = new Problem(tied.row().untied(), level, tied.options());
            Optional<Plan> plan = problem.best();
            if (plan.isEmpty()) {
                continue;
            }
            int sum = 0;
            for (NoteRow.Stretch stretch : problem.row().stretches()) {
                List<List<Option>> alone = new ArrayList<>();
                for (int note = 0; note < problem.row().notes(); note++) {
                    boolean isIn = stretch.first() <= note && note < stretch.last();
                    alone.add(isIn ? problem.options().get(note) : List.of(Option.plain(note)));
                }
                NoteRow row = problem.row().asking(only(problem.row(), stretch));
                sum += new Problem(row, level, alone).best().orElseThrow().worth() + under(problem, stretch);
            }
            assertThat(plan.get().worth()).as("seed %s", seed).isEqualTo(sum);
            met++;
        }
        assertThat(met).isGreaterThan(60);
    }

    /** What the bars of one stretch ask for. */
    private static List<Integer> only(NoteRow row, NoteRow.Stretch stretch) {
        List<Integer> asked =
                new ArrayList<>(Collections.nCopies(row.barLengths().size(), 0));
        row.bars()
                .subList(stretch.first(), stretch.last())
                .forEach(bar -> asked.set(bar, row.least().get(bar)));
        return asked;
    }

    /** What all other stretches lose by having nothing. */
    private static int under(Problem problem, NoteRow.Stretch stretch) {
        int under = 0;
        for (NoteRow.Stretch other : problem.row().stretches()) {
            if (!other.equals(stretch)) {
                Level.Load load = problem.level()
                        .loadOf(problem.row().length(other.first(), other.last()), 4 * CROTCHET, other.isPickup());
                under += Level.cost(load, 0);
            }
        }
        return under;
    }

    private static Problem without(Problem problem, java.util.function.Predicate<Option> isKept) {
        return new Problem(
                problem.row(),
                problem.level(),
                problem.options().stream()
                        .map(all -> all.stream().filter(isKept).toList())
                        .toList());
    }

    /** A row of a few long phrases one after the other, none tied: twice the bars take about twice as long; here that they are planned at all. */
    @Test
    void aLongRowIsPlanned() {
        Random random = new Random(1);
        List<Long> starts = new ArrayList<>(List.of(0L));
        List<Integer> bars = new ArrayList<>();
        List<NoteRow.Stretch> stretches = new ArrayList<>();
        List<List<Option>> options = new ArrayList<>();
        int phrases = 24;
        for (int note = 0; note < 8 * 2 * phrases; note++) {
            starts.add(starts.get(note) + 1);
            bars.add(note / 8);
            List<Option> here = new ArrayList<>();
            for (int kind = 0; kind < 3; kind++) {
                here.add(new Option(note, note + 1, "o" + kind, kind, -1, -1, 1 + kind / 2, random.nextInt(60) - 40));
            }
            here.add(Option.plain(note));
            options.add(here);
        }
        for (int i = 0; i < phrases; i++) {
            stretches.add(new NoteRow.Stretch(16 * i, 16 * (i + 1), false, i, 0));
        }
        NoteRow row = new NoteRow(starts, 2, bars, Collections.nCopies(2 * phrases, 8L), stretches, true);
        Level level = new Level(
                List.of(5, 12, 24), 3, new Level.Load(8, 12, 16, 6, 6), List.of(2, 8), new Level.Near(4, 8, 6), 7, 90);
        Plan plan = Planner.priced(row, level, options).orElseThrow();
        assertThat(plan.chosen()).hasSizeGreaterThan(phrases);
        assertThat(plan.through()).hasSizeGreaterThan(options.size() / 2);
        assertThat(plan.chosen())
                .allSatisfy(option -> assertThat(plan.through().get(option)).isEqualTo(plan.worth()));
    }
}
