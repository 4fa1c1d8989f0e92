package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * Finds the best plan of one stage and the worth of the best plan through every option, exactly, in one pass forward and one back. Phrases of one family go together through
 * their common beginning (the trunk), each by itself through the rest (its tail); what neighbours see of each other is settled over a chain of phrases.
 */
public final class Planner {
    /** Prices up to this are exact; what costs more may be left out of {@link Plan#through}. */
    public static final int MOST_PRICE = 40;

    private static final int NEVER = Integer.MIN_VALUE / 4;

    private final NoteRow row;
    private final Walk walk;
    /** For each note the options that begin on it, a plain note among them where it may stay plain. */
    private final List<List<Option>> options = new ArrayList<>();

    private final List<Family> families = new ArrayList<>();
    private final Map<Option, Integer> through = new HashMap<>();

    private Planner(NoteRow row, Level level, List<List<Option>> options) {
        this.row = row;
        int kinds = 1
                + options.stream()
                        .flatMap(List::stream)
                        .mapToInt(Option::kind)
                        .max()
                        .orElse(0);
        this.walk = new Walk(row, level, kinds);
        this.options.addAll(options);
    }

    /**
     * The best plan.
     *
     * @param options for each note those that begin on it; {@link Option#isPlain plain} ones by {@link #plain}
     * @return empty where there is no way through
     */
    public static Optional<Plan> best(NoteRow row, Level level, List<List<Option>> options) {
        return new Planner(row, level, options).plan();
    }

    /** A note left plain, as an option. */
    public static Option plain(int note) {
        return Option.plain(note);
    }

    // Families

    /** Phrases that begin alike, and what is known of them. */
    private final class Family {
        private final List<Integer> members = new ArrayList<>();
        private final List<NoteRow.Stretch> stretches = new ArrayList<>();
        /** For each note of the trunk what can be chosen alike in all members, as the first has it, gains summed. */
        private final List<List<Option>> trunkOptions = new ArrayList<>();

        /** For each boundary of the trunk the best worth of a way to a state. */
        private final List<Map<Long, Integer>> forward = new ArrayList<>();

        private final List<Tail> tails = new ArrayList<>();
        /** For what neighbours see of all members, packed, the best worth of the family by itself. */
        private Map<Long, Integer> sights = new HashMap<>();
        /** The best worth of everything else beside what neighbours see. */
        private final Map<Long, Integer> outside = new HashMap<>();

        void add(int member) {
            members.add(member);
            stretches.add(row.stretches().get(member));
        }

        private NoteRow.Stretch first() {
            return stretches.get(0);
        }

        private int trunk() {
            return first().trunk();
        }

        private int times() {
            return members.size();
        }

        void prepare() {
            for (int i = 0; i < trunk(); i++) {
                List<Option> alike = new ArrayList<>();
                for (Option option : options.get(first().first() + i)) {
                    alike(option).ifPresent(alike::add);
                }
                trunkOptions.add(alike);
            }
            runForward();
            stretches.forEach(
                    stretch -> tails.add(new Tail(stretch, stretch.first() - first().first(), ends().keySet())));
            sights = sights();
        }

        /** An option of the first member that all others have too and that ends within the trunk, with the gains of all together. */
        private Optional<Option> alike(Option option) {
            if (option.to() > first().first() + trunk()) {
                return Optional.empty();
            }
            int gain = 0;
            for (NoteRow.Stretch stretch : stretches) {
                Optional<Option> twin = twin(option, stretch);
                if (twin.isEmpty()) {
                    return Optional.empty();
                }
                gain += twin.get().gain();
            }
            return Optional.of(new Option(
                    option.from(), option.to(), option.name(), option.kind(), option.finger(), option.weight(), gain));
        }

        /** The same option in another member. */
        private Optional<Option> twin(Option option, NoteRow.Stretch stretch) {
            int moved = stretch.first() - first().first();
            return options.get(option.from() + moved).stream()
                    .filter(option::isLike)
                    .findFirst();
        }

        private void runForward() {
            Level.Load load = walk.load(first());
            for (int i = 0; i <= trunk(); i++) {
                forward.add(new LinkedHashMap<>());
            }
            forward.get(0).put(Walk.START, 0);
            for (int i = 0; i < trunk(); i++) {
                for (Map.Entry<Long, Integer> at : forward.get(i).entrySet()) {
                    for (Option option : trunkOptions.get(i)) {
                        int gain = walk.gain(at.getKey(), option, times(), load);
                        if (gain != Walk.REFUSED) {
                            forward.get(option.to() - first().first())
                                    .merge(walk.next(at.getKey(), option), at.getValue() + gain, Math::max);
                        }
                    }
                }
            }
        }

        private Map<Long, Integer> ends() {
            return forward.get(trunk());
        }

        /** What neighbours may see of all members together, with the best worth. */
        private Map<Long, Integer> sights() {
            Map<Long, Integer> all = new HashMap<>();
            ends().forEach((state, worth) -> spread(state, 0, 0, worth, all));
            return all;
        }

        private void spread(long state, int member, long packed, int worth, Map<Long, Integer> all) {
            if (member == times()) {
                all.merge(packed, worth, Math::max);
                return;
            }
            int[] tail = tails.get(member).from(state);
            for (int look = 0; look < tail.length; look++) {
                if (tail[look] > NEVER) {
                    spread(state, member + 1, packed | ((long) look << (6 * member)), worth + tail[look], all);
                }
            }
        }

        /** For a state at the end of the trunk and one member left open: for each look of that member the best worth of everything else, the trunk included. */
        private int[] around(long state, int open) {
            int[] best = new int[walk.looks()];
            Arrays.fill(best, NEVER);
            for (Map.Entry<Long, Integer> sight : outside.entrySet()) {
                int worth = ends().getOrDefault(state, NEVER) + sight.getValue();
                for (int member = 0; member < times() && worth > NEVER; member++) {
                    int tail = member == open ? 0 : tails.get(member).from(state)[lookOf(sight.getKey(), member)];
                    worth = tail <= NEVER ? NEVER : worth + tail;
                }
                int look = lookOf(sight.getKey(), open);
                best[look] = Math.max(best[look], worth);
            }
            return best;
        }

        // Backward

        /** The best worth of the whole through every option of the family. */
        void price() {
            Map<Long, Integer> after = new HashMap<>();
            for (Map.Entry<Long, Integer> end : ends().entrySet()) {
                int[] around = around(end.getKey(), 0);
                int[] tail = tails.get(0).from(end.getKey());
                int best = NEVER;
                for (int look = 0; look < tail.length; look++) {
                    if (tail[look] > NEVER && around[look] > NEVER) {
                        best = Math.max(best, around[look] + tail[look] - end.getValue());
                    }
                }
                after.put(end.getKey(), best);
            }
            priceTrunk(after);
            for (int member = 0; member < times(); member++) {
                int open = member;
                tails.get(member).price(state -> around(state, open));
            }
        }

        private void priceTrunk(Map<Long, Integer> end) {
            Level.Load load = walk.load(first());
            List<Map<Long, Integer>> backward = new ArrayList<>();
            for (int i = 0; i < trunk(); i++) {
                backward.add(new HashMap<>());
            }
            backward.add(end);
            for (int i = trunk() - 1; i >= 0; i--) {
                for (Map.Entry<Long, Integer> at : forward.get(i).entrySet()) {
                    int best = NEVER;
                    for (Option option : trunkOptions.get(i)) {
                        int gain = walk.gain(at.getKey(), option, times(), load);
                        int rest = gain == Walk.REFUSED
                                ? NEVER
                                : backward.get(option.to() - first().first())
                                        .getOrDefault(walk.next(at.getKey(), option), NEVER);
                        if (rest > NEVER) {
                            best = Math.max(best, gain + rest);
                            told(option, at.getValue() + gain + rest);
                        }
                    }
                    backward.get(i).put(at.getKey(), best);
                }
            }
        }

        /** The same worth for the option in every member. */
        private void told(Option option, int worth) {
            for (NoteRow.Stretch stretch : stretches) {
                twin(option, stretch).ifPresent(twin -> through.merge(twin, worth, Math::max));
            }
        }

        // The way taken

        /** The options of the best way of which neighbours see so much. */
        void take(long sight, List<Option> chosen) {
            int wanted = sights.getOrDefault(sight, NEVER);
            long state = ends().keySet().stream()
                    .filter(end -> worth(end, sight) == wanted)
                    .findFirst()
                    .orElseThrow();
            for (int member = 0; member < times(); member++) {
                tails.get(member).take(state, lookOf(sight, member), chosen);
            }
            takeTrunk(state, chosen);
        }

        private int worth(long end, long sight) {
            int worth = ends().getOrDefault(end, NEVER);
            for (int member = 0; member < times(); member++) {
                int tail = tails.get(member).from(end)[lookOf(sight, member)];
                worth = worth <= NEVER || tail <= NEVER ? NEVER : worth + tail;
            }
            return worth;
        }

        private void takeTrunk(long end, List<Option> chosen) {
            Level.Load load = walk.load(first());
            long state = end;
            int at = trunk();
            while (at > 0) {
                Step step = stepInto(state, at, load);
                if (!step.option().isPlain()) {
                    for (NoteRow.Stretch stretch : stretches) {
                        twin(step.option(), stretch).ifPresent(chosen::add);
                    }
                }
                state = step.state();
                at = step.option().from() - first().first();
            }
        }

        /** Some best step into a state: of several the plain one, else the first that the options name. */
        private Step stepInto(long state, int boundary, Level.Load load) {
            int wanted = forward.get(boundary).getOrDefault(state, NEVER);
            for (int i = boundary - 1; i >= 0; i--) {
                for (Option option : trunkOptions.get(i)) {
                    if (option.to() - first().first() != boundary) {
                        continue;
                    }
                    for (Map.Entry<Long, Integer> at : forward.get(i).entrySet()) {
                        int gain = walk.gain(at.getKey(), option, times(), load);
                        if (gain != Walk.REFUSED
                                && at.getValue() + gain == wanted
                                && walk.next(at.getKey(), option) == state) {
                            return new Step(at.getKey(), option);
                        }
                    }
                }
            }
            throw new IllegalStateException("no way leads here");
        }
    }

    private record Step(long state, Option option) {}

    private static int lookOf(long sight, int member) {
        return (int) ((sight >>> (6 * member)) & 63);
    }

    // Tails

    /** What is known of the states at the end of a trunk. */
    private interface Entry {
        int[] worths(long state);
    }

    /** The rest of a phrase after its trunk. */
    private final class Tail {
        private final NoteRow.Stretch stretch;
        private final Level.Load load;
        private final int start;
        private final int moved;
        private final List<Long> states;
        /** Which states are worth knowing; empty where all are. */
        private final Optional<Reach> reach;

        /** For each boundary from the end of the trunk on: for a state, for each look of the phrase, the best worth from there to its end. */
        private final List<Map<Long, int[]>> backward = new ArrayList<>();

        /** {@code moved}: how many notes further on it lies than the first of its family; {@code states}: those in which that leaves the trunk. */
        Tail(NoteRow.Stretch stretch, int moved, Collection<Long> states) {
            this.stretch = stretch;
            this.moved = moved;
            this.states = List.copyOf(states);
            this.load = walk.load(stretch);
            this.start = stretch.first() + stretch.trunk();
            for (int at = start; at <= stretch.last(); at++) {
                backward.add(new LinkedHashMap<>());
            }
            this.reach = stretch.trunk() == 0 && states.size() == 1
                    ? Optional.of(new Reach(walk, stretch, options, MOST_PRICE + walk.swing()))
                    : Optional.empty();
            states.forEach(this::from);
        }

        private Map<Long, int[]> known(int boundary) {
            return backward.get(boundary - start);
        }

        int[] from(long state) {
            return from(Walk.moved(state, moved), start);
        }

        private int[] from(long state, int boundary) {
            int[] known = known(boundary).get(state);
            if (known != null) {
                return known;
            }
            int[] best = new int[walk.looks()];
            Arrays.fill(best, NEVER);
            if (boundary == stretch.last()) {
                best[walk.look(state)] = -Walk.end(state, load);
            } else {
                for (Option option : options.get(boundary)) {
                    int gain = option.to() > stretch.last() ? Walk.REFUSED : walk.gain(state, option, 1, load);
                    boolean isWorthIt = gain != Walk.REFUSED && isWorthIt(walk.next(state, option), option.to());
                    if (isWorthIt) {
                        int[] rest = from(walk.next(state, option), option.to());
                        for (int look = 0; look < best.length; look++) {
                            best[look] = Math.max(best[look], rest[look] <= NEVER ? NEVER : rest[look] + gain);
                        }
                    }
                }
            }
            known(boundary).put(state, best);
            return best;
        }

        private boolean isWorthIt(long state, int boundary) {
            return reach.map(each -> each.has(boundary, state)).orElse(true);
        }

        /** Goes forward with the best worth of everything outside, by look. */
        void price(Entry entry) {
            List<Map<Long, int[]>> forward = new ArrayList<>();
            for (int at = start; at <= stretch.last(); at++) {
                forward.add(new HashMap<>());
            }
            states.forEach(state -> forward.get(0).put(Walk.moved(state, moved), entry.worths(state)));
            for (int at = start; at < stretch.last(); at++) {
                for (Map.Entry<Long, int[]> here : forward.get(at - start).entrySet()) {
                    for (Option option : options.get(at)) {
                        step(here.getKey(), here.getValue(), option, forward);
                    }
                }
            }
        }

        private void step(long state, int[] before, Option option, List<Map<Long, int[]>> forward) {
            int gain = option.to() > stretch.last() ? Walk.REFUSED : walk.gain(state, option, 1, load);
            if (gain == Walk.REFUSED || !isWorthIt(walk.next(state, option), option.to())) {
                return;
            }
            long next = walk.next(state, option);
            int[] rest = from(next, option.to());
            int[] there = forward.get(option.to() - start).computeIfAbsent(next, key -> {
                int[] fresh = new int[walk.looks()];
                Arrays.fill(fresh, NEVER);
                return fresh;
            });
            for (int look = 0; look < rest.length; look++) {
                if (before[look] > NEVER && rest[look] > NEVER) {
                    through.merge(option, before[look] + gain + rest[look], Math::max);
                    there[look] = Math.max(there[look], before[look] + gain);
                }
            }
        }

        void take(long end, int look, List<Option> chosen) {
            long state = Walk.moved(end, moved);
            int at = start;
            while (at < stretch.last()) {
                int wanted = from(state, at)[look];
                Option taken = Planner.plain(at);
                boolean isFound = false;
                for (Option option : options.get(at)) {
                    int gain = option.to() > stretch.last() ? Walk.REFUSED : walk.gain(state, option, 1, load);
                    boolean isBest = gain != Walk.REFUSED
                            && isWorthIt(walk.next(state, option), option.to())
                            && from(walk.next(state, option), option.to())[look] > NEVER
                            && from(walk.next(state, option), option.to())[look] + gain == wanted;
                    if (isBest && !isFound) {
                        taken = option;
                        isFound = true;
                    }
                }
                if (!taken.isPlain()) {
                    chosen.add(taken);
                }
                state = walk.next(state, taken);
                at = taken.to();
            }
        }
    }

    // The chain of phrases

    /**
     * What the phrases so far leave to those that follow: what the last one looks like, and for each family that comes again what its next members will look like.
     *
     * @param pending by the number of the family, packed as {@link Family#sights}, those that have been met left out
     */
    private record Link(int look, TreeMap<Integer, Long> pending) {}

    /** A step of the chain. */
    private record Bond(Link from, Link to, long sight, int worth) {}

    private static final int NO_LOOK = -1;

    private Optional<Plan> plan() {
        for (int i = 0; i < row.stretches().size(); i++) {
            int number = row.stretches().get(i).family();
            while (families.size() <= number) {
                families.add(new Family());
            }
            families.get(number).add(i);
        }
        families.forEach(Family::prepare);
        List<List<Bond>> chain = new ArrayList<>();
        Map<Link, Integer> at = new HashMap<>();
        at.put(new Link(NO_LOOK, new TreeMap<>()), 0);
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
        settle(chain, forward);
        int worth = at.values().stream().mapToInt(Integer::intValue).max().orElse(0);
        families.forEach(Family::price);
        return Optional.of(new Plan(chosen(chain, forward, worth), worth, through));
    }

    /** All steps of the chain over one phrase: its family is decided where it comes first. */
    private List<Bond> bonds(Link from, int index) {
        NoteRow.Stretch stretch = row.stretches().get(index);
        Family family = families.get(stretch.family());
        List<Bond> bonds = new ArrayList<>();
        Long waiting = from.pending().get(stretch.family());
        if (waiting != null) {
            int member = family.members.indexOf(index);
            bonds.add(bond(from, stretch, lookOf(waiting, member), waiting, 0, member + 1 == family.times()));
            return bonds;
        }
        family.sights.forEach(
                (sight, worth) -> bonds.add(bond(from, stretch, lookOf(sight, 0), sight, worth, family.times() == 1)));
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

    /** For each sight of each family the best worth of everything else. */
    private void settle(List<List<Bond>> chain, List<Map<Link, Integer>> forward) {
        Map<Link, Integer> after = new HashMap<>();
        forward.get(chain.size()).keySet().forEach(link -> after.put(link, 0));
        Map<Link, Integer> backward = after;
        for (int i = chain.size() - 1; i >= 0; i--) {
            NoteRow.Stretch stretch = row.stretches().get(i);
            Family family = families.get(stretch.family());
            boolean isFirst = family.members.get(0) == i;
            Map<Link, Integer> before = new HashMap<>();
            for (Bond bond : chain.get(i)) {
                int rest = backward.getOrDefault(bond.to(), NEVER);
                before.merge(bond.from(), bond.worth() + rest, Math::max);
                if (isFirst) {
                    int all = forward.get(i).getOrDefault(bond.from(), NEVER) + bond.worth() + rest;
                    int own = family.sights.getOrDefault(bond.sight(), NEVER);
                    family.outside.merge(bond.sight(), all - own, Math::max);
                }
            }
            backward = before;
        }
    }

    private List<Option> chosen(List<List<Bond>> chain, List<Map<Link, Integer>> forward, int worth) {
        List<Option> chosen = new ArrayList<>();
        Link at = forward.get(chain.size()).entrySet().stream()
                .filter(link -> link.getValue() == worth)
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseThrow();
        for (int i = chain.size() - 1; i >= 0; i--) {
            Link to = at;
            int index = i;
            int wanted = forward.get(i + 1).getOrDefault(to, NEVER);
            Bond taken = chain.get(i).stream()
                    .filter(bond -> bond.to().equals(to)
                            && forward.get(index).getOrDefault(bond.from(), NEVER) + bond.worth() == wanted)
                    .findFirst()
                    .orElseThrow();
            Family family = families.get(row.stretches().get(i).family());
            if (family.members.get(0) == i) {
                family.take(taken.sight(), chosen);
            }
            at = taken.from();
        }
        chosen.sort((one, other) -> Integer.compare(one.from(), other.from()));
        return chosen;
    }
}
