package wildflourish.core.instrument;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/**
 * An order of bows or picks over a bar of quavers, by name; a row of {@code strokes.table}.
 *
 * @param quavers in its bar
 * @param joined for each quaver whether it is on one bow with the one before
 * @param down for each quaver whether the pick goes down; only for picks
 * @param fingers for each quaver the finger of the banjo hand by its number, 0 any; only for banjo hands
 * @param strings for each quaver the string that the roll takes by itself, counted from 1; empty where it is no roll
 * @param hand the banjo hand; the usual one for bows and picks, which do not ask
 */
public record StrokeOrder(
        String id,
        String name,
        Strings.Stroke stroke,
        int quavers,
        List<Boolean> joined,
        List<Boolean> down,
        List<Integer> fingers,
        List<Integer> strings,
        PickingHand hand) {
    private static final int EIGHT = 8;
    /** Source: common practice, trust H. */
    private static final Map<String, Set<Integer>> ACCENTS = Map.of(
            "forward-roll", Set.of(0, 3, 6),
            "backward-roll", Set.of(0, 3, 6),
            "alternating-thumb", Set.of(0, 2, 4, 6),
            "forward-backward-roll", Set.of(0, 4));

    private static final List<StrokeOrder> ALL =
            Table.load("strokes.table").rows().stream().map(StrokeOrder::from).toList();

    public StrokeOrder {
        joined = List.copyOf(joined);
        down = List.copyOf(down);
        fingers = List.copyOf(fingers);
        strings = List.copyOf(strings);
    }

    private static StrokeOrder from(Row row) {
        Strings.Stroke stroke = row.read("stroke", word -> Strings.Stroke.valueOf(word.toUpperCase(Locale.ROOT)));
        int quavers = row.integer("quavers");
        List<String> groups = row.words("order");
        List<Boolean> joined = new ArrayList<>();
        List<Boolean> down = new ArrayList<>();
        List<Integer> fingers = new ArrayList<>();
        for (String group : groups) {
            switch (stroke) {
                case BOW -> {
                    int count = (int) group.chars().filter(Character::isDigit).count();
                    for (int i = 0; i < count; i++) {
                        joined.add(i > 0);
                    }
                }
                case PICK -> {
                    joined.add(false);
                    down.add(group.equals("D"));
                }
                case BANJO -> {
                    joined.add(false);
                    fingers.add(PickingHand.finger(group));
                }
            }
        }
        if (stroke == Strings.Stroke.BOW && groups.get(groups.size() - 1).endsWith("-")) {
            joined.set(0, true);
        }
        if (joined.size() != quavers) {
            throw row.fault("it has " + joined.size() + " quavers, not " + quavers);
        }
        List<Integer> strings = row.optional("strings").isEmpty()
                ? List.of()
                : row.words("strings").stream().map(Integer::valueOf).toList();
        PickingHand hand = stroke == Strings.Stroke.BANJO ? row.read("hand", PickingHand::of) : PickingHand.USUAL;
        return new StrokeOrder(row.text("id"), row.text("name"), stroke, quavers, joined, down, fingers, strings, hand);
    }

    /** The quavers of a roll on which the tune speaks out, counted from 0; none for other orders. */
    public Set<Integer> accents() {
        return ACCENTS.getOrDefault(id, Set.of());
    }

    /** The rolls that a melody is set on, those first that are taken first where two cost the same. */
    public static List<StrokeOrder> rolls() {
        return List.of(of("forward-roll"), of("alternating-thumb"), of("forward-backward-roll"), of("backward-roll"));
    }

    /** Whether a bow goes on over each bar line and is an up one, as in those of eight quavers; in jigs it is a down one. */
    public boolean isUpOverBar() {
        return stroke == Strings.Stroke.BOW && quavers == EIGHT && joined.get(0);
    }

    public static List<StrokeOrder> all() {
        return ALL;
    }

    /** Throws IllegalArgumentException for an order that is in no table. */
    public static StrokeOrder of(String id) {
        return ALL.stream()
                .filter(each -> each.id.equals(id))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no order of strokes “" + id + "”; there are "
                        + String.join(", ", ALL.stream().map(StrokeOrder::id).toList())));
    }
}
