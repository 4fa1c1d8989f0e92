package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;

/**
 * Finds the best plan of one stage, but for what is asked for over several bars ({@link Branching}), and, where asked, the worth of the best plan through every option, exactly, in one pass forward and one back. Phrases of one family go together through
 * their common beginning (the trunk), each by itself through the rest (its tail); what neighbours see of each other is settled over a chain of phrases.
 */
final class Planner {
    private static final int NEVER = Hope.NEVER;

    private final NoteRow row;
    private final Walk walk;
    /** The numbers of the phrases of each family. */
    private final List<List<Integer>> members = new ArrayList<>();

    private final List<Ways> families = new ArrayList<>();
    /** For each family, for what neighbours see of it, the best worth of everything else. */
    private final List<Map<Long, Integer>> outside = new ArrayList<>();

    private Planner(NoteRow row, Walk walk, Function<List<NoteRow.Stretch>, Ways> waysOf) {
        this.row = row;
        this.walk = walk;
        for (int i = 0; i < row.stretches().size(); i++) {
            int family = row.stretches().get(i).family();
            while (members.size() <= family) {
                members.add(new ArrayList<>());
            }
            members.get(family).add(i);
        }
        for (List<Integer> each : members) {
            families.add(waysOf.apply(each.stream().map(row.stretches()::get).toList()));
            outside.add(new HashMap<>());
        }
    }

    /**
     * The best plan, without prices.
     *
     * @param known phrases that were planned before, and are then
     * @param options for each note those that begin on it; {@link Option#isPlain plain} ones by {@link Option#plain}
     * @return empty where there is no way through
     */
    static Optional<Plan> best(KnownKin known, NoteRow row, Level level, List<List<Option>> options) {
        Walk walk = known.walk(row, level);
        return new Planner(row, walk, members -> known.ways(walk, members, options)).plan(List.of());
    }

    /** The best plan, with the worth of the best one through every option. */
    static Optional<Plan> priced(NoteRow row, Level level, List<List<Option>> options) {
        return priced(row, level, options, Plan.MOST_PRICE);
    }

    /** The same, exact down to so many points below the best plan. */
    static Optional<Plan> priced(NoteRow row, Level level, List<List<Option>> options, int below) {
        Walk walk = new Walk(row, level);
        List<Kin> families = new ArrayList<>();
        Planner planner = new Planner(row, walk, members -> {
            families.add(new Kin(walk, members, options, below));
            return families.get(families.size() - 1);
        });
        return planner.plan(families);
    }

    /** For each note what can be chosen, as steps; what goes beyond a boundary is left out. */
    static List<List<Step>> steps(NoteRow row, List<List<Option>> options, int last) {
        return options.stream()
                .map(here -> Step.of(
                        row, here.stream().filter(option -> option.to() <= last).toList()))
                .toList();
    }

    /** The worth of the best way through every option, from that through every step: those alike cost what they bring less. */
    static Map<Option, Integer> through(List<List<Step>> steps, List<int[]> worths) {
        Map<Option, Integer> through = new HashMap<>();
        for (int i = 0; i < steps.size(); i++) {
            for (int number = 0; number < steps.get(i).size(); number++) {
                Step step = steps.get(i).get(number);
                int worth = worths.get(i)[number];
                if (worth > NEVER) {
                    step.alike().forEach(option -> through.put(option, worth - step.gain() + option.gain()));
                }
            }
        }
        return through;
    }

    // The chain of phrases

    /**
     * What the phrases so far leave to those that follow: what the last one looks like, and for each family that comes again what its next members will look like.
     *
     * @param pending by the number of the family, packed as {@link Kin#sights}, those that have been met left out
     */
    private record Link(int look, TreeMap<Integer, Long> pending) {}

    /** A step of the chain. */
    private record Bond(Link from, Link to, long sight, int worth) {}

    private static final int NO_LOOK = -1;
    private static final Link START = new Link(NO_LOOK, new TreeMap<>());

    /** {@code priced}: all families, where the worth of the best plan through every option is wanted; else none. */
    private Optional<Plan> plan(List<Kin> priced) {
        List<List<Bond>> chain = new ArrayList<>();
        Map<Link, Integer> at = new HashMap<>();
        at.put(START, 0);
        List<Map<Link, Integer>> forward = new ArrayList<>();
        forward.add(at);
        for (int i = 0; i < row.stretches().size(); i++) {
            List<Bond> bonds = new ArrayList<>();
            Map<Link, Integer> next = new HashMap<>();
            for (Map.Entry<Link, Integer> here : at.entrySet()) {
                bonds.addAll(bonds(here.getKey(), i));
            }
            for (Bond bond : bonds) {
                next.merge(bond.to(), at.getOrDefault(bond.from(), NEVER) + bond.worth(), Math::max);
            }
            chain.add(bonds);
            forward.add(next);
            at = next;
        }
        if (at.isEmpty()) {
            return Optional.empty();
        }
        List<Map<Link, Integer>> backward = backward(chain);
        int worth = Collections.max(at.values());
        List<Option> chosen = chosen(chain, backward);
        Map<Option, Integer> through = new HashMap<>();
        if (!priced.isEmpty()) {
            settle(chain, forward, backward);
            for (int family = 0; family < priced.size(); family++) {
                priced.get(family).price(outside.get(family), through);
            }
        }
        return Optional.of(new Plan(chosen, worth, through));
    }

    /** All steps of the chain over one phrase: its family is decided where it comes first. */
    private List<Bond> bonds(Link from, int index) {
        NoteRow.Stretch stretch = row.stretches().get(index);
        List<Integer> its = members.get(stretch.family());
        List<Bond> bonds = new ArrayList<>();
        Long waiting = from.pending().get(stretch.family());
        if (waiting != null) {
            int member = its.indexOf(index);
            bonds.add(bond(from, stretch, Kin.lookOf(waiting, member), waiting, 0, member + 1 == its.size()));
            return bonds;
        }
        families.get(stretch.family())
                .sights()
                .forEach((sight, worth) ->
                        bonds.add(bond(from, stretch, Kin.lookOf(sight, 0), sight, worth, its.size() == 1)));
        return bonds;
    }

    private Bond bond(Link from, NoteRow.Stretch stretch, int look, long sight, int worth, boolean isLast) {
        TreeMap<Integer, Long> pending = new TreeMap<>(from.pending());
        if (isLast) {
            pending.remove(stretch.family());
        } else {
            pending.put(stretch.family(), sight);
        }
        int between = stretch.isPickup() || from.look() == NO_LOOK ? 0 : walk.between(from.look(), look);
        Link to = new Link(stretch.isPickup() ? from.look() : look, pending);
        return new Bond(from, to, sight, worth - between);
    }

    /** For each phrase, for what those so far leave to it, the best worth of it and all that follow. */
    private static List<Map<Link, Integer>> backward(List<List<Bond>> chain) {
        List<Map<Link, Integer>> backward = new ArrayList<>();
        Map<Link, Integer> after = new HashMap<>();
        chain.get(chain.size() - 1).forEach(bond -> after.put(bond.to(), 0));
        backward.add(after);
        for (int i = chain.size() - 1; i >= 0; i--) {
            Map<Link, Integer> before = new HashMap<>();
            for (Bond bond : chain.get(i)) {
                before.merge(bond.from(), rest(bond, backward.get(0)), Math::max);
            }
            backward.add(0, before);
        }
        return backward;
    }

    private static int rest(Bond bond, Map<Link, Integer> after) {
        return bond.worth() + after.getOrDefault(bond.to(), NEVER);
    }

    /** For each sight of each family the best worth of everything else. */
    private void settle(List<List<Bond>> chain, List<Map<Link, Integer>> forward, List<Map<Link, Integer>> backward) {
        for (int i = 0; i < chain.size(); i++) {
            int family = row.stretches().get(i).family();
            boolean isFirst = members.get(family).get(0) == i;
            for (Bond bond : isFirst ? chain.get(i) : List.<Bond>of()) {
                int all = forward.get(i).getOrDefault(bond.from(), NEVER) + rest(bond, backward.get(i + 1));
                int own = families.get(family).sights().getOrDefault(bond.sight(), NEVER);
                outside.get(family).merge(bond.sight(), all - own, Math::max);
            }
        }
    }

    /** Of equal plans that which has an ornament earlier, then a lighter one. */
    private static final Comparator<List<Option>> EARLIER = (one, other) -> {
        for (int i = 0; i < Math.min(one.size(), other.size()); i++) {
            Option a = one.get(i);
            Option b = other.get(i);
            int order = Comparator.comparingInt(Option::from)
                    .thenComparingInt(Option::weight)
                    .thenComparing(Option::name)
                    .compare(a, b);
            if (order != 0) {
                return order;
            }
        }
        return other.size() - one.size();
    };

    private List<Option> chosen(List<List<Bond>> chain, List<Map<Link, Integer>> backward) {
        List<Option> chosen = new ArrayList<>();
        Link at = START;
        for (int i = 0; i < chain.size(); i++) {
            Link from = at;
            Map<Link, Integer> after = backward.get(i + 1);
            int wanted = backward.get(i).getOrDefault(from, NEVER);
            List<Bond> best = chain.get(i).stream()
                    .filter(bond -> bond.from().equals(from) && rest(bond, after) == wanted)
                    .toList();
            int family = row.stretches().get(i).family();
            Bond taken = best.get(0);
            if (members.get(family).get(0) == i) {
                Map<Bond, List<Option>> ways = new LinkedHashMap<>();
                best.forEach(bond -> ways.put(bond, families.get(family).way(bond.sight())));
                taken = Collections.min(best, Comparator.comparing(ways::get, EARLIER));
                chosen.addAll(ways.getOrDefault(taken, List.of()));
            }
            at = taken.to();
        }
        chosen.sort(Comparator.comparingInt(Option::from));
        return chosen;
    }
}
