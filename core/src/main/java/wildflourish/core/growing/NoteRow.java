package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The notes of a tune as a plan goes through them: boundary 0 before the first, boundary N after the last.
 *
 * @param starts when each note begins and, last, when the last one ends, in units that divide every length of the tune
 * @param crotchet units of a crotchet
 * @param bars for each note the number of its bar
 * @param barLengths for each bar its units
 * @param stretches phrases, one after the other, without gap
 * @param isBlown whether the player needs breath
 * @param least for each bar how many ornaments are asked for, at least
 * @param requests what is asked for over several bars
 */
public record NoteRow(
        List<Long> starts,
        long crotchet,
        List<Integer> bars,
        List<Long> barLengths,
        List<Stretch> stretches,
        boolean isBlown,
        List<Integer> least,
        List<Request> requests) {
    /**
     * A phrase, or a pickup by itself.
     *
     * @param first the boundary before its first note
     * @param last the boundary after its last
     * @param family phrases of one family begin alike
     * @param trunk with how many notes all of its family begin; there they are dressed alike
     */
    public record Stretch(int first, int last, boolean isPickup, int family, int trunk) {
        Stretch withFamily(int other) {
            return new Stretch(first, last, isPickup, other, trunk);
        }

        Stretch withTrunk(int other) {
            return new Stretch(first, last, isPickup, family, other);
        }
    }

    public NoteRow {
        starts = List.copyOf(starts);
        bars = List.copyOf(bars);
        barLengths = List.copyOf(barLengths);
        stretches = List.copyOf(stretches);
        least = List.copyOf(least);
        requests = List.copyOf(requests);
    }

    /** With nothing asked for. */
    public NoteRow(
            List<Long> starts,
            long crotchet,
            List<Integer> bars,
            List<Long> barLengths,
            List<Stretch> stretches,
            boolean isBlown) {
        this(
                starts,
                crotchet,
                bars,
                barLengths,
                stretches,
                isBlown,
                Collections.nCopies(barLengths.size(), 0),
                List.of());
    }

    /** How many ornaments are asked for in the bars of a stretch together. */
    int asked(Stretch stretch) {
        return bars.subList(stretch.first(), stretch.last()).stream()
                .distinct()
                .mapToInt(least::get)
                .sum();
    }

    private NoteRow with(List<Stretch> others) {
        return new NoteRow(starts, crotchet, bars, barLengths, others, isBlown, least, requests);
    }

    /** With so many ornaments asked for in each bar, at least; what is tied is asked for together. */
    NoteRow asking(List<Integer> counts) {
        if (counts.equals(least)) {
            return this;
        }
        List<Integer> together = new ArrayList<>(counts);
        for (Stretch stretch : stretches) {
            for (Stretch other : stretches) {
                for (int i = 0; i < (other.family() == stretch.family() ? stretch.trunk() : 0); i++) {
                    int bar = bars.get(stretch.first() + i);
                    together.set(bar, Math.max(together.get(bar), counts.get(bars.get(other.first() + i))));
                }
            }
        }
        return new NoteRow(starts, crotchet, bars, barLengths, stretches, isBlown, together, requests);
    }

    /** With so much asked for over several bars. */
    NoteRow requesting(List<Request> asked) {
        return new NoteRow(starts, crotchet, bars, barLengths, stretches, isBlown, least, asked);
    }

    /** With phrases tied only up to notes that are pinned in one of a family and not in all. */
    NoteRow untiedAt(Set<Integer> pinned) {
        if (pinned.isEmpty()) {
            return this;
        }
        Map<Integer, Integer> trunks = new HashMap<>();
        for (Stretch stretch : stretches) {
            trunks.merge(stretch.family(), untiedAt(stretch, pinned), Math::min);
        }
        return with(stretches.stream()
                .map(stretch -> stretch.withTrunk(trunks.getOrDefault(stretch.family(), 0)))
                .toList());
    }

    private int untiedAt(Stretch stretch, Set<Integer> pinned) {
        List<Stretch> members = stretches.stream()
                .filter(each -> each.family() == stretch.family())
                .toList();
        int trunk = 0;
        while (trunk < stretch.trunk()) {
            int offset = trunk;
            long count = members.stream()
                    .filter(each -> pinned.contains(each.first() + offset))
                    .count();
            if (count > 0 && count < members.size()) {
                return trunk;
            }
            trunk++;
        }
        return trunk;
    }

    public int notes() {
        return starts.size() - 1;
    }

    /** Whether a bar begins or ends at a boundary. */
    boolean isBarLine(int boundary) {
        return boundary == 0 || boundary == notes() || !bars.get(boundary).equals(bars.get(boundary - 1));
    }

    /** The number of the stretch that a note is in. */
    int stretchAt(int note) {
        int stretch = 0;
        while (stretches.get(stretch).last() <= note) {
            stretch++;
        }
        return stretch;
    }

    /** The options of a plan that stand in a stretch, in its order. */
    List<Option> within(Stretch stretch, List<Option> chosen) {
        return chosen.stream()
                .filter(option -> stretch.first() <= option.from() && option.to() <= stretch.last())
                .sorted(Comparator.comparingInt(Option::from))
                .toList();
    }

    long length(int from, int to) {
        return starts.get(to) - starts.get(from);
    }

    long semibreve() {
        return 4 * crotchet;
    }

    /** With phrases tied only as far as all of a family can be dressed alike: a pin or what stands below in one of them alone unties them from there on. */
    NoteRow tiedWhere(List<List<Option>> options) {
        Map<Integer, List<Stretch>> families = new HashMap<>();
        stretches.forEach(stretch -> families.computeIfAbsent(stretch.family(), key -> new ArrayList<>())
                .add(stretch));
        Map<Integer, Integer> trunks = new HashMap<>();
        families.forEach((family, members) -> trunks.put(family, trunk(members, options)));
        return with(stretches.stream()
                .map(stretch -> stretch.withTrunk(trunks.getOrDefault(stretch.family(), 0)))
                .toList());
    }

    /** The farthest boundary to which there is a way of steps that all members have. */
    private static int trunk(List<Stretch> members, List<List<Option>> options) {
        Stretch first = members.get(0);
        int trunk = 0;
        boolean[] isReached = new boolean[first.trunk() + 1];
        isReached[0] = true;
        for (int i = 0; i < first.trunk(); i++) {
            for (Option option : isReached[i] ? options.get(first.first() + i) : List.<Option>of()) {
                int to = option.to() - first.first();
                if (to <= first.trunk() && !isReached[to] && haveAll(members, option, options)) {
                    isReached[to] = true;
                    trunk = Math.max(trunk, to);
                }
            }
        }
        return trunk;
    }

    private static boolean haveAll(List<Stretch> members, Option option, List<List<Option>> options) {
        for (Stretch member : members) {
            int note = option.from() + member.first() - members.get(0).first();
            if (options.get(note).stream().noneMatch(option::isLike)) {
                return false;
            }
        }
        return true;
    }

    /** With phrases tied only as far as they are in another row too. */
    NoteRow tiedAsIn(NoteRow other) {
        List<Stretch> less = new ArrayList<>();
        for (int i = 0; i < stretches.size(); i++) {
            less.add(stretches
                    .get(i)
                    .withTrunk(Math.min(
                            stretches.get(i).trunk(), other.stretches.get(i).trunk())));
        }
        return with(less);
    }

    /** Without phrases and what is asked for over several bars: what the steps from note to note depend on. */
    NoteRow unphrased() {
        return new NoteRow(starts, crotchet, bars, barLengths, List.of(), isBlown, least, List.of());
    }

    /** For somebody who needs no breath. */
    NoteRow withoutBreath() {
        return new NoteRow(starts, crotchet, bars, barLengths, stretches, false, least, requests);
    }

    /** With phrases that return free to be dressed otherwise. */
    NoteRow untied() {
        return with(stretches.stream().map(stretch -> stretch.withTrunk(0)).toList());
    }

    /**
     * With no more than so many families waiting for a return at any time: what neighbours see of each has to be remembered until it comes, and every one more multiplies that. The farthest
     * returns, and those after so many times, are planned as families of their own.
     */
    NoteRow boundedTo(int waiting, int times) {
        List<Stretch> bounded = new ArrayList<>(stretches);
        int next = 1 + stretches.stream().mapToInt(Stretch::family).max().orElse(0);
        Map<Integer, Integer> counts = new HashMap<>();
        Map<Integer, Integer> names = new HashMap<>();
        for (int i = 0; i < bounded.size(); i++) {
            Stretch stretch = bounded.get(i);
            int count = counts.merge(stretch.family(), 1, Integer::sum);
            if (count > 1 && count % times == 1) {
                names.put(stretch.family(), next++);
            }
            bounded.set(i, stretch.withFamily(names.getOrDefault(stretch.family(), stretch.family())));
        }
        // For each family that has been met and comes again, where it does next.
        Map<Integer, Integer> open = new HashMap<>();
        for (int i = 0; i < bounded.size(); i++) {
            int again = nextOf(bounded, i);
            open.remove(bounded.get(i).family());
            if (again < bounded.size()) {
                open.put(bounded.get(i).family(), again);
            }
            while (open.size() > waiting) {
                Map.Entry<Integer, Integer> farthest = Collections.max(open.entrySet(), Map.Entry.comparingByValue());
                int family = farthest.getKey();
                for (int later = farthest.getValue(); later < bounded.size(); later++) {
                    Stretch each = bounded.get(later);
                    bounded.set(later, each.family() == family ? each.withFamily(next) : each);
                }
                next++;
                open.remove(family);
            }
        }
        return with(bounded);
    }

    /** The number of the next stretch of the same family; one more than there are where there is none. */
    private static int nextOf(List<Stretch> stretches, int number) {
        for (int i = number + 1; i < stretches.size(); i++) {
            if (stretches.get(i).family() == stretches.get(number).family()) {
                return i;
            }
        }
        return stretches.size();
    }
}
