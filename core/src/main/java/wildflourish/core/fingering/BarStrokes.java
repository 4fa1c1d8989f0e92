package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.instrument.Strings;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.music.Fraction;
import wildflourish.core.tune.Tune;

/** Which order of strokes a bar has turned out to have: slur patterns, shuffles, orders of the pick and rolls by their names. */
public final class BarStrokes {
    private BarStrokes() {}

    /** By bar; none for bars that have no known order: those that are not all quavers, or bowed in some way of their own. */
    public static Map<Integer, StrokeOrder> of(
            Tune tune, List<Struck> line, LinePath<StringWay> path, Strings.Stroke stroke) {
        Map<Integer, List<Struck>> bars = new HashMap<>();
        line.forEach(
                struck -> bars.computeIfAbsent(tune.placeOf(struck.note().id()).bar(), bar -> new ArrayList<>())
                        .add(struck));
        Map<Integer, StrokeOrder> orders = new HashMap<>();
        bars.forEach((bar, notes) -> named(notes, path, stroke).ifPresent(order -> orders.put(bar, order)));
        return orders;
    }

    private static Optional<StrokeOrder> named(List<Struck> notes, LinePath<StringWay> path, Strings.Stroke stroke) {
        List<StringWay> ways = new ArrayList<>();
        for (int i = 0; i < notes.size(); i++) {
            Struck struck = notes.get(i);
            Optional<StringWay> way = path.at(struck.note().id());
            boolean isItsQuaver = struck.quaver() == i && struck.length().equals(Fraction.of(1, 8));
            if (!isItsQuaver || way.isEmpty()) {
                return Optional.empty();
            }
            ways.add(way.get());
        }
        return StrokeOrder.all().stream()
                .filter(order -> order.stroke() == stroke
                        && order.quavers() == ways.size()
                        && isOf(order, ways, notes.get(0).beginsPhrase()))
                .findFirst();
    }

    /** Whether a bar is bowed or picked in an order; a bow that the order brings over from the bar before begins anew in a phrase. */
    private static boolean isOf(StrokeOrder order, List<StringWay> ways, boolean beginsPhrase) {
        boolean isOf = order.fingers().stream().allMatch(finger -> finger > 0);
        for (int i = 0; i < ways.size() && isOf; i++) {
            StringWay way = ways.get(i);
            isOf = switch (order.stroke()) {
                case BOW -> (order.joined().get(i) && !(i == 0 && beginsPhrase)) == way.isSlurred();
                case PICK -> order.down().get(i) == way.isDown();
                case BANJO -> order.fingers().get(i) == way.picker();
            };
        }
        return isOf;
    }
}
