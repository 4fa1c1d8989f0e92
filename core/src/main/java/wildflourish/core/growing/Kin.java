package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Phrases that begin alike: what they have alike (the trunk) is decided once, the rest (their tails) for each by itself. A phrase by itself is a trunk without tails. */
final class Kin implements Ways {
    private static final int NEVER = Hope.NEVER;
    private static final int FIRST_GUESS = 24;
    /** Nothing is so far below what was hoped for. */
    private static final int LOWEST_GUESS = 4096;
    /** More than any plan is worth. */
    private static final int OUT_OF_REACH = 1 << 28;

    private final Walk walk;
    private final NoteRow row;
    private final List<NoteRow.Stretch> members;
    private final List<List<Option>> options;
    private final List<List<Step>> steps;
    private final List<Tail> tails = new ArrayList<>();
    private final Lattice trunk;
    /** For what neighbours see of all members, packed, the best worth of the family by itself. */
    private final Map<Long, Integer> sights = new LinkedHashMap<>();

    /**
     * Of phrases that the row has as one family.
     *
     * @param options for each note of the row that the walk goes through
     * @param below how many points below its best way a way is still worth knowing
     */
    Kin(Walk walk, List<NoteRow.Stretch> members, List<List<Option>> options, int below) {
        this.walk = walk;
        this.row = walk.row();
        this.options = options;
        boolean isAlone = members.size() == 1;
        this.members = isAlone
                ? List.of(members.get(0)
                        .withTrunk(members.get(0).last() - members.get(0).first()))
                : List.copyOf(members);
        this.steps = trunkSteps();
        this.members.forEach(member -> tails.add(new Tail(walk, row, member, options)));
        this.trunk = trunk();
        explore(below + this.members.size() * walk.swing());
        lookOut();
    }

    private NoteRow.Stretch first() {
        return members.get(0);
    }

    private int times() {
        return members.size();
    }

    // The trunk

    private List<List<Step>> trunkSteps() {
        int start = first().first();
        int end = start + first().trunk();
        if (times() == 1) {
            return Planner.steps(row, options.subList(start, end), end);
        }
        List<Map<Option, Option>> twins = members.stream().map(this::models).toList();
        List<List<Option>> alike = new ArrayList<>();
        for (List<Option> here : options.subList(start, end)) {
            alike.add(here.stream()
                    .flatMap(option -> alike(option, twins).stream())
                    .toList());
        }
        return Planner.steps(row, alike, end);
    }

    /** The options of a member's trunk by what they would be in the first, without points. */
    private Map<Option, Option> models(NoteRow.Stretch member) {
        Map<Option, Option> models = new HashMap<>();
        int moved = member.first() - first().first();
        for (List<Option> here : options.subList(member.first(), member.first() + member.trunk())) {
            here.forEach(option -> models.putIfAbsent(option.moved(-moved).worth(0), option));
        }
        return models;
    }

    /** An option of the first member that all others have too, with the points of all together. */
    private static Optional<Option> alike(Option option, List<Map<Option, Option>> twins) {
        int gain = 0;
        for (Map<Option, Option> its : twins) {
            Optional<Option> twin = Optional.ofNullable(its.get(option.worth(0)));
            if (twin.isEmpty()) {
                return Optional.empty();
            }
            gain += twin.get().gain();
        }
        return Optional.of(option.worth(gain));
    }

    private Lattice trunk() {
        int end = first().first() + first().trunk();
        long later = tails.stream().mapToLong(Tail::kinds).reduce(0, (one, other) -> one | other);
        boolean isWhole = members.stream().allMatch(member -> member.first() + member.trunk() == member.last());
        boolean endsBar = members.stream().allMatch(member -> row.isBarLine(member.first() + member.trunk()));
        Prospect prospect = new Prospect(row, first().first(), end, steps, later, isWhole, endsBar);
        Level.Load load = walk.load(first());
        Hope hope = new Hope(walk, prospect, steps, times(), load, patterns(), this::after);
        return new Lattice(walk, prospect, steps, times(), load, hope);
    }

    /** In how many ways somebody can breathe in one member or another: one bit each. */
    private int patterns() {
        return walk.isBlown() ? 1 << times() : 1;
    }

    private static int breath(int pattern, int member) {
        return pattern >>> member & 1;
    }

    private int[] after(int weight, int count, int breath) {
        long state = Walk.bare(weight, count, breath);
        int[] most = new int[patterns()];
        for (int member = 0; member < times(); member++) {
            int[] its = tails.get(member).hope(state);
            for (int pattern = 0; pattern < most.length; pattern++) {
                most[pattern] = sum(most[pattern], its[breath(pattern, member)]);
            }
        }
        return most;
    }

    private static int sum(int one, int other) {
        return one <= NEVER || other <= NEVER ? NEVER : one + other;
    }

    // Finding what is worth knowing

    /** Lowers what is hoped for until for each way to breathe a plan is found that is as good. */
    private void explore(int below) {
        int[] hoped = trunk.hope().of(first().first(), Walk.START);
        int[] guess = new int[hoped.length];
        for (int pattern = 0; pattern < guess.length; pattern++) {
            guess[pattern] = hoped[pattern] <= NEVER ? NEVER : hoped[pattern] - FIRST_GUESS;
        }
        int step = FIRST_GUESS;
        boolean isSure = false;
        while (!isSure) {
            int[] found = found(guess, below);
            isSure = true;
            for (int pattern = 0; pattern < guess.length; pattern++) {
                if (found[pattern] < guess[pattern] && !isSurpassed(pattern, guess, found)) {
                    isSure = false;
                    guess[pattern] = found[pattern] > NEVER ? found[pattern] : guess[pattern] - step;
                    guess[pattern] = guess[pattern] < hoped[pattern] - LOWEST_GUESS ? NEVER : guess[pattern];
                }
            }
            step *= 2;
        }
    }

    /** Whether somebody can breathe in more places, and as good a plan is known for that. */
    private static boolean isSurpassed(int pattern, int[] guess, int[] found) {
        for (int more = 0; more < guess.length; more++) {
            if (more != pattern && (more & pattern) == pattern && found[more] >= guess[pattern]) {
                return true;
            }
        }
        return false;
    }

    /** The best plan found for each way to breathe. */
    private int[] found(int[] guess, int below) {
        int[] least = new int[guess.length];
        for (int pattern = 0; pattern < least.length; pattern++) {
            int best = NEVER;
            for (int more = pattern; more < guess.length; more++) {
                best = (more & pattern) == pattern ? Math.max(best, guess[more]) : best;
            }
            least[pattern] = best <= NEVER ? OUT_OF_REACH : best - below;
        }
        trunk.explore(Map.of(Walk.START, Arrays.stream(least).map(each -> -each).toArray()));
        trunk.forward(1, Map.of(Walk.START, new int[] {0}));
        for (int member = 0; member < times(); member++) {
            Map<Long, int[]> entries = new LinkedHashMap<>();
            for (Lattice.Node end : trunk.ends()) {
                entries.put(end.state(), entering(end, member, least));
            }
            tails.get(member).explore(entries);
        }
        int[] found = new int[guess.length];
        Arrays.fill(found, NEVER);
        for (Lattice.Node end : trunk.ends()) {
            for (int pattern = 0; pattern < found.length; pattern++) {
                found[pattern] = Math.max(found[pattern], best(end, pattern));
            }
        }
        return found;
    }

    /** How far the best that is hoped for of everything else lies above what is still worth knowing, by whether somebody can breathe in the member. */
    private int[] entering(Lattice.Node end, int member, int[] least) {
        int[] ahead = new int[walk.isBlown() ? 2 : 1];
        Arrays.fill(ahead, NEVER);
        for (int pattern = 0; pattern < least.length; pattern++) {
            int worth = end.before()[0];
            for (int other = 0; other < times(); other++) {
                worth = other == member
                        ? worth
                        : sum(worth, tails.get(other).hope(end.state())[breath(pattern, other)]);
            }
            int own = breath(pattern, member);
            ahead[own] = Math.max(ahead[own], worth <= NEVER ? NEVER : worth - least[pattern]);
        }
        return ahead;
    }

    private int best(Lattice.Node end, int pattern) {
        int worth = end.before()[0];
        for (int member = 0; member < times(); member++) {
            Tail tail = tails.get(member);
            int[] its = tail.worths(end.state());
            int best = NEVER;
            for (int i = 0; i < its.length; i++) {
                boolean isSo = !walk.isBlown() || tail.looks().get(i) % 2 == breath(pattern, member);
                best = isSo ? Math.max(best, its[i]) : best;
            }
            worth = sum(worth, best);
        }
        return worth;
    }

    // What neighbours see

    private void lookOut() {
        for (Lattice.Node end : trunk.ends()) {
            spread(end.state(), 0, 0, end.before()[0]);
        }
    }

    private void spread(long state, int member, long packed, int worth) {
        if (member == times()) {
            sights.merge(packed, worth, Math::max);
            return;
        }
        Tail tail = tails.get(member);
        int[] its = tail.worths(state);
        for (int i = 0; i < its.length; i++) {
            if (its[i] > NEVER) {
                spread(state, member + 1, packed | ((long) tail.looks().get(i) << (6 * member)), worth + its[i]);
            }
        }
    }

    /** What a neighbour sees of one member. */
    static int lookOf(long sight, int member) {
        return (int) (sight >>> (6 * member) & 63);
    }

    @Override
    public Map<Long, Integer> sights() {
        return sights;
    }

    // The way taken

    @Override
    public List<Option> way(long sight) {
        List<Option> chosen = new ArrayList<>();
        trunk.backward(1, end -> new int[] {rest(end.state(), sight)});
        Lattice.Node end = trunk.take(Walk.START, 0, step -> {
            if (!step.isPlain()) {
                chosen.addAll(twins(step.dearest()));
            }
        });
        for (int member = 0; member < times(); member++) {
            tails.get(member).take(end.state(), lookOf(sight, member), chosen);
        }
        chosen.sort(Comparator.comparingInt(Option::from));
        return chosen;
    }

    /** The worth of all tails together after a state. */
    private int rest(long state, long sight) {
        int worth = 0;
        for (int member = 0; member < times(); member++) {
            worth = sum(worth, tails.get(member).worth(state, lookOf(sight, member)));
        }
        return worth;
    }

    /** An option of the trunk as each member has it. */
    private List<Option> twins(Option option) {
        List<Option> twins = new ArrayList<>();
        for (NoteRow.Stretch member : members) {
            int moved = member.first() - first().first();
            Option model = option.moved(moved);
            options.get(model.from()).stream()
                    .filter(each -> each.to() == model.to() && each.isLike(model))
                    .findFirst()
                    .ifPresent(twins::add);
        }
        return twins;
    }

    // Prices

    /**
     * The worth of the best plan of the whole through every option of the family.
     *
     * @param outside for what neighbours see of all members the best worth of everything else
     */
    void price(Map<Long, Integer> outside, Map<Option, Integer> through) {
        trunk.backward(1, end -> new int[] {whole(end.state(), outside)});
        Planner.through(steps, trunk.through())
                .forEach((option, worth) -> twins(option).forEach(twin -> through.put(twin, worth)));
        for (int member = 0; member < times(); member++) {
            Map<Long, int[]> around = new HashMap<>();
            for (Lattice.Node end : trunk.ends()) {
                around.put(end.state(), around(end, member, outside));
            }
            through.putAll(tails.get(member).price(around));
        }
    }

    /** The best worth of all tails after a state, with everything outside the family. */
    private int whole(long state, Map<Long, Integer> outside) {
        int best = NEVER;
        for (Map.Entry<Long, Integer> sight : outside.entrySet()) {
            best = Math.max(best, sum(rest(state, sight.getKey()), sight.getValue()));
        }
        return best;
    }

    /** For each look of one member the best worth of everything but its tail. */
    private int[] around(Lattice.Node end, int open, Map<Long, Integer> outside) {
        Tail tail = tails.get(open);
        int[] best = new int[tail.looks().size()];
        Arrays.fill(best, NEVER);
        for (Map.Entry<Long, Integer> sight : outside.entrySet()) {
            int worth = end.before()[0] + sight.getValue();
            for (int member = 0; member < times(); member++) {
                worth = member == open
                        ? worth
                        : sum(worth, tails.get(member).worth(end.state(), lookOf(sight.getKey(), member)));
            }
            int look = tail.looks().indexOf(lookOf(sight.getKey(), open));
            if (look >= 0) {
                best[look] = Math.max(best[look], worth);
            }
        }
        return best;
    }
}
