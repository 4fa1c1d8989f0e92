package wildflourish.core.growing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * What a stage asks of a plan, in points: everything that depends on several choices at once.
 *
 * @param thick what the ornaments of a bar cost that are more than the free ones, in turn; no more than these may stand there
 * @param free how many a semibreve are free
 * @param load how much weight a phrase of two semibreves bears
 * @param techniques what two, three … techniques in a phrase cost together; no more may be there
 * @param near what neighbours less than a crotchet apart cost
 * @param clash what two phrases side by side cost that have one and the same technique alone
 * @param breath what two phrases side by side cost in which nobody can breathe; 0 where nobody has to
 */
public record Level(
        List<Integer> thick, int free, Load load, List<Integer> techniques, Near near, int clash, int breath) {
    /** What is asked for without a name weighs no more than this. */
    private static final int HEAVIEST_ASKED = 2;

    /**
     * Weight of a phrase.
     *
     * @param from less costs under for each that is missing
     * @param to more costs over for the first, twice that for the second, and so on
     * @param most no phrase is heavier
     */
    public record Load(int from, int to, int most, int under, int over) {}

    /** What neighbours cost that touch, that are of one kind, that begin and end with one finger. */
    public record Near(int touching, int sameKind, int sameFinger) {}

    public Level {
        thick = List.copyOf(thick);
        techniques = List.copyOf(techniques);
    }

    /** With another load. */
    Level bearing(Load other) {
        return new Level(thick, free, other, techniques, near, clash, breath);
    }

    /** How many ornaments of a bar are free, by its length against a semibreve; at least one. */
    int freeIn(long bar, long semibreve) {
        return (int) Math.max(1, (2L * free * bar + semibreve) / (2 * semibreve));
    }

    /** What the next ornament of a bar costs; negative where there may be none. */
    int thickness(int already, int freeOnes) {
        int more = already - freeOnes;
        return more < 0 ? 0 : more < thick.size() ? thick.get(more) : -1;
    }

    /** What one technique more costs; negative where there may be none. */
    int technique(int already) {
        if (already == 0) {
            return 0;
        }
        if (already > techniques.size()) {
            return -1;
        }
        return techniques.get(already - 1) - (already == 1 ? 0 : techniques.get(already - 2));
    }

    /** The load of a phrase by its length against two semibreves; that of a pickup is none or one. */
    Load loadOf(long length, long semibreve, boolean isPickup) {
        if (isPickup) {
            return new Load(0, 1, 1, load.under(), load.over());
        }
        return new Load(
                scaled(load.from(), length, semibreve),
                scaled(load.to(), length, semibreve),
                load.most(),
                load.under(),
                load.over());
    }

    private static int scaled(int weight, long length, long semibreve) {
        return (int) ((weight * length + semibreve) / (2 * semibreve));
    }

    /** What a phrase of a weight costs. */
    static int cost(Load load, int weight) {
        if (weight < load.from()) {
            return load.under() * (load.from() - weight);
        }
        int more = Math.max(0, weight - load.to());
        return load.over() * (more * (more + 1) / 2);
    }

    private static boolean mayBePlain(List<Option> here) {
        for (Option option : here) {
            if (option.isPlain()) {
                return true;
            }
        }
        return false;
    }

    /** With limits raised by just as much as these need that must stand, what is asked for in bars and over several, and notes that must have something. */
    Level bearing(NoteRow row, List<Option> standing, List<List<Option>> options) {
        List<Option> kept = new ArrayList<>(standing);
        boolean[] isTaken = new boolean[row.notes()];
        standing.forEach(option -> Arrays.fill(isTaken, option.from(), option.to(), true));
        options.stream()
                .filter(here -> !mayBePlain(here))
                .flatMap(here -> here.stream().min(Comparator.comparingInt(Option::weight)).stream())
                .filter(option -> IntStream.range(option.from(), option.to()).noneMatch(note -> isTaken[note]))
                .forEach(kept::add);
        kept.sort(Comparator.comparingInt(Option::from));
        Map<Integer, Integer> inBars = new HashMap<>();
        int most = load.most();
        int kinds = techniques.size() + 1;
        int thickest = 0;
        for (int bar = 0; bar < row.least().size(); bar++) {
            thickest = Math.max(
                    thickest, row.least().get(bar) - freeIn(row.barLengths().get(bar), row.semibreve()));
        }
        for (Request request : row.requests()) {
            boolean isInOnePhrase = row.stretches().stream()
                    .anyMatch(stretch -> stretch.first() <= request.first() && request.last() <= stretch.last());
            int lightest = options.stream()
                    .flatMap(List::stream)
                    .filter(request::asksFor)
                    .mapToInt(Option::weight)
                    .min()
                    .orElse(0);
            most = Math.max(most, isInOnePhrase ? request.count() * lightest : lightest);
        }
        for (NoteRow.Stretch stretch : row.stretches()) {
            most = Math.max(most, HEAVIEST_ASKED * row.asked(stretch));
            List<Option> here = row.within(stretch, kept);
            most = Math.max(most, here.stream().mapToInt(Option::weight).sum());
            kinds = Math.max(
                    kinds, (int) here.stream().mapToInt(Option::kind).distinct().count());
            for (Option option : here) {
                int bar = row.bars().get(option.from());
                int count = inBars.merge(bar, 1, Integer::sum);
                thickest = Math.max(thickest, count - freeIn(row.barLengths().get(bar), row.semibreve()));
            }
        }
        return new Level(
                longer(thick, thickest),
                free,
                new Load(load.from(), load.to(), most, load.under(), load.over()),
                longer(techniques, kinds - 1),
                near,
                clash,
                breath);
    }

    private static List<Integer> longer(List<Integer> prices, int count) {
        List<Integer> longer = new ArrayList<>(prices);
        while (longer.size() < count) {
            longer.add(longer.isEmpty() ? 0 : longer.get(longer.size() - 1));
        }
        return longer;
    }
}
