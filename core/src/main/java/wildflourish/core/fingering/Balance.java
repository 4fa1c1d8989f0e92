package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * How the bellows of a box or an anglo concertina stand before a note.
 *
 * @param millis by how much they have gone further in (above 0) or out than they came, in milliseconds of one reed
 * @param isKeyWorked whether the air key is worked right before
 */
public record Balance(double millis, boolean isKeyWorked) {
    /** From so many milliseconds on little air is left. Our own choice (L). */
    private static final double FAR_OUT = 1500;

    /** Whether little air is left the way that a note takes the bellows: 1 in, -1 out. */
    public boolean isShort(int way) {
        return !isKeyWorked && millis * way > FAR_OUT;
    }

    /** What has been played up to a note, by where the air key was last worked. */
    private record Past(double cost, double millis, List<Integer> keys) {}

    /** Before each note of a run that is played in one way: the air key is worked where that costs least. */
    static List<Balance> of(List<Struck> line, List<ButtonOption> ways, ButtonCosts costs) {
        List<Past> pasts = List.of(new Past(0, 0, List.of()));
        for (int i = 0; i < line.size(); i++) {
            double own = line.get(i).millis() * ways.get(i).air();
            double key = i == 0 ? Double.POSITIVE_INFINITY : Air.keyCost(line.get(i - 1), line.get(i));
            List<Past> next = new ArrayList<>();
            Past cheapest = pasts.get(0);
            for (Past past : pasts) {
                next.add(after(past, past.millis + own, 0, costs));
                cheapest = past.cost < cheapest.cost ? past : cheapest;
            }
            if (key < Double.POSITIVE_INFINITY && cheapest.millis != 0) {
                List<Integer> keys = new ArrayList<>(cheapest.keys);
                keys.add(i);
                next.add(after(new Past(cheapest.cost, 0, keys), own, key, costs));
            }
            pasts = next.stream()
                    .filter(past -> past.cost < Double.POSITIVE_INFINITY)
                    .toList();
            pasts = pasts.isEmpty() ? next : pasts;
        }
        List<Integer> keys = pasts.stream()
                .min(Comparator.comparingDouble(Past::cost))
                .map(Past::keys)
                .orElse(List.of());
        List<Balance> all = new ArrayList<>();
        double before = 0;
        for (int i = 0; i < line.size(); i++) {
            boolean isWorked = keys.contains(i);
            before = isWorked ? 0 : before;
            all.add(new Balance(before, isWorked));
            before += line.get(i).millis() * ways.get(i).air();
        }
        return all;
    }

    private static Past after(Past past, double millis, double key, ButtonCosts costs) {
        boolean isOut = Math.abs(millis) > HandTimes.BELLOWS_ONE_WAY + 1e-6;
        double cost = isOut ? Double.POSITIVE_INFINITY : past.cost + key + Air.cost(millis, costs);
        return new Past(cost, millis, past.keys);
    }
}
