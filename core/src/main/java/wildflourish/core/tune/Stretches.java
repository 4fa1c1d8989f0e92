package wildflourish.core.tune;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.Form.Stretch;

/**
 * Cuts a part into phrases: two bars each for as long as nobody says otherwise. Where a teacher has begun one, the count begins anew; where one
 * goes on by hand, it goes on for two bars more.
 */
final class Stretches {
    private static final int BARS_A_PHRASE = 2;

    private final Part part;
    private final List<Bar> bars;
    private final List<Boolean> pickups;
    private final List<Stretch> stretches = new ArrayList<>();

    private Stretches(Part part, List<Bar> bars, List<Boolean> pickups) {
        this.part = part;
        this.bars = bars;
        this.pickups = pickups;
    }

    static List<Stretch> of(Part part, List<Bar> bars, List<Boolean> pickups) {
        Stretches cut = new Stretches(part, bars, pickups);
        cut.cut();
        return cut.stretches;
    }

    private void cut() {
        int first = part.firstBar();
        int counted = 0;
        boolean inEnding = false;
        for (int bar = part.firstBar(); bar <= part.lastBar(); bar++) {
            boolean opensEnding = !bars.get(bar).ending().isEmpty();
            boolean isFurther = opensEnding && inEnding;
            inEnding |= opensEnding;
            boolean isCounted = !pickups.get(bar) && !isFurther;
            Optional<PhraseMark> mark = bars.get(bar).change().phrase();
            boolean isUsual = isCounted && counted == BARS_A_PHRASE && isEnough(bar);
            if (bar > part.firstBar() && mark.map(PhraseMark::begins).orElse(isUsual)) {
                add(first, bar - 1);
                first = bar;
                counted = 0;
            } else if (isUsual) {
                counted = 0;
            }
            counted += isCounted ? 1 : 0;
        }
        add(first, part.lastBar());
    }

    private void add(int first, int last) {
        Optional<String> name = Optional.empty();
        for (int bar = first; bar <= last && name.isEmpty(); bar++) {
            name = bars.get(bar).change().phrase().flatMap(PhraseMark::name);
        }
        stretches.add(new Stretch(part, first, last, name));
    }

    /** One bar left over at the end of a part belongs to the phrase before it. */
    private boolean isEnough(int bar) {
        int left = 0;
        for (int i = bar; i <= part.lastBar(); i++) {
            boolean isFurtherEnding = i > bar && !bars.get(i).ending().isEmpty();
            if (isFurtherEnding && left > 0 && !bars.get(i).ending().contains(1)) {
                break;
            }
            left += bars.get(i).notes().isEmpty() ? 0 : 1;
        }
        return left > 1;
    }
}
