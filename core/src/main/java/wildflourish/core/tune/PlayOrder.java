package wildflourish.core.tune;

import java.util.ArrayList;
import java.util.List;

/** The bars of a tune in the order they are played, repeats and endings followed. */
public final class PlayOrder {
    /** Beyond this the repeats of a text are not followed any further. */
    private static final int MOST_BARS = 20_000;

    /**
     * One bar played.
     *
     * @param bar number of the bar as written, from 0
     * @param pass which time through its repeat, from 1
     */
    public record Played(int bar, int pass) {}

    private PlayOrder() {}

    /** Follows repeats once round and endings by their numbers; a repeat without a start goes back to the part's or tune's beginning. */
    public static List<Played> of(Tune tune) {
        List<Bar> bars = tune.bars();
        List<Played> order = new ArrayList<>();
        int start = 0;
        int pass = 1;
        int bar = 0;
        while (bar < bars.size() && order.size() < MOST_BARS) {
            Bar current = bars.get(bar);
            if (current.sides().left() == BarLine.REPEAT_START && bar != start) {
                start = bar;
                pass = 1;
            }
            if (!current.ending().isEmpty() && !current.ending().contains(pass)) {
                int next = afterEnding(bars, bar);
                if (next >= bars.size() || bars.get(next).ending().isEmpty()) {
                    start = next;
                    pass = 1;
                }
                bar = next;
                continue;
            }
            order.add(new Played(bar, pass));
            if (current.sides().right() == BarLine.REPEAT_END && goesRound(bars, bar, start, pass)) {
                pass++;
                bar = start;
                continue;
            }
            if (endsRound(bars, bar)) {
                start = bar + 1;
                pass = 1;
            }
            bar++;
        }
        return List.copyOf(order);
    }

    private static boolean goesRound(List<Bar> bars, int bar, int start, int pass) {
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

    private static boolean endsRound(List<Bar> bars, int bar) {
        boolean anotherEnding =
                bar + 1 < bars.size() && !bars.get(bar + 1).ending().isEmpty();
        return bars.get(bar).sides().right().endsPart() && !anotherEnding;
    }

    private static int afterEnding(List<Bar> bars, int bar) {
        int next = bar;
        while (next < bars.size()) {
            boolean last = bars.get(next).sides().right().endsPart();
            next++;
            if (last || (next < bars.size() && !bars.get(next).ending().isEmpty())) {
                break;
            }
        }
        return next;
    }
}
