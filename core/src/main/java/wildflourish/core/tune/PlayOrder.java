package wildflourish.core.tune;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The bars of a tune in the order they are played: parts in the order the tune states, repeats and endings followed. */
public final class PlayOrder {
    /** Beyond this the repeats of a text are not followed any further. */
    private static final int MOST_BARS = 20_000;

    /**
     * One bar played.
     *
     * @param bar number of the bar as written, from 0
     * @param pass which time through, from 1: of its repeat, and where its part is played again, on from there
     */
    public record Played(int bar, int pass) {}

    private final List<Bar> bars;
    private final List<Played> order = new ArrayList<>();

    private PlayOrder(List<Bar> bars) {
        this.bars = bars;
    }

    /** Follows repeats once round and endings by their numbers; a repeat without a start goes back to the part's or tune's beginning. */
    public static List<Played> of(Tune tune) {
        PlayOrder played = new PlayOrder(tune.bars());
        List<Section> sections = sections(tune);
        Map<Section, Integer> before = new HashMap<>();
        for (Section section : sections) {
            if (played.order.size() < MOST_BARS) {
                int most = played.play(section.first(), section.end(), before.getOrDefault(section, 0));
                before.put(section, most);
            }
        }
        return List.copyOf(played.order);
    }

    /** Bars from the first up to, not including, the end. */
    private record Section(int first, int end) {}

    /** What the tune states, as far as its music names the parts; else everything once. */
    private static List<Section> sections(Tune tune) {
        List<Bar> bars = tune.bars();
        if (tune.header().order().isEmpty()) {
            return List.of(new Section(0, bars.size()));
        }
        Map<String, Section> named = new HashMap<>();
        int end = bars.size();
        int first = bars.size();
        for (int i = bars.size() - 1; i >= 0; i--) {
            if (bars.get(i).change().part().isPresent()) {
                named.put(bars.get(i).change().part().get(), new Section(i, end));
                end = i;
                first = i;
            }
        }
        List<Section> sections = new ArrayList<>();
        if (first > 0 && first < bars.size()) {
            Section beginning = new Section(0, first);
            boolean isListed = named.putIfAbsent(tune.header().order().get(0), beginning) == null;
            if (!isListed) {
                sections.add(beginning);
            }
        }
        tune.header().order().stream()
                .filter(named::containsKey)
                .map(named::get)
                .forEach(sections::add);
        return sections.isEmpty() ? List.of(new Section(0, bars.size())) : sections;
    }

    /** Plays a section; earlier times through it are counted on from. Returns how many there have been now. */
    private int play(int first, int end, int before) {
        int start = first;
        int pass = 1;
        int most = 1;
        int bar = first;
        while (bar < end && order.size() < MOST_BARS) {
            Bar current = bars.get(bar);
            if (current.sides().left() == BarLine.REPEAT_START && bar != start) {
                start = bar;
                pass = 1;
            }
            if (!current.ending().isEmpty() && !current.ending().contains(pass)) {
                int next = afterEnding(bar, end);
                if (next >= end || bars.get(next).ending().isEmpty()) {
                    start = next;
                    pass = 1;
                }
                bar = next;
                continue;
            }
            order.add(new Played(bar, before + pass));
            most = Math.max(most, pass);
            if (current.sides().right() == BarLine.REPEAT_END && goesRound(bar, start, pass)) {
                pass++;
                bar = start;
                continue;
            }
            if (endsRound(bar)) {
                start = bar + 1;
                pass = 1;
            }
            bar++;
        }
        return before + most;
    }

    private boolean goesRound(int bar, int start, int pass) {
        int most = 2;
        for (int i = start; i <= bar; i++) {
            for (int number : bars.get(i).ending()) {
                most = Math.max(most, number + 1);
            }
        }
        int afterBar = bar + 1;
        boolean more = afterBar < bars.size() && !bars.get(afterBar).ending().isEmpty();
        return more ? pass < most : pass < Math.max(2, most - 1);
    }

    private boolean endsRound(int bar) {
        boolean anotherEnding =
                bar + 1 < bars.size() && !bars.get(bar + 1).ending().isEmpty();
        return bars.get(bar).sides().right().endsPart() && !anotherEnding;
    }

    private int afterEnding(int bar, int end) {
        int next = bar;
        while (next < end) {
            boolean last = bars.get(next).sides().right().endsPart();
            next++;
            if (last || (next < end && !bars.get(next).ending().isEmpty())) {
                break;
            }
        }
        return next;
    }
}
