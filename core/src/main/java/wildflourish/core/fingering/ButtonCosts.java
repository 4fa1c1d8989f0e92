package wildflourish.core.fingering;

import java.util.HashMap;
import java.util.Map;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.instrument.School;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** What a way to play costs on boxes and concertinas: rows of {@code button-costs.table}, in turns of the bellows. */
final class ButtonCosts {
    private static final Map<String, ButtonCosts> ALL = read();
    private static final Map<FingeredPitch, String> ACROSS = readAcross();
    /** Fingers that do not reach further apart, in columns. */
    private static final double REACH = 5;

    private static final double EASY_REACH = 3;
    private static final int LITTLE = 4;
    /** Moves are weighed as if a note lasted so long; slower ones forgive. */
    private static final double USUAL_MILLIS = 150;

    private final Row row;
    private final Map<String, Double> values = new HashMap<>();

    private ButtonCosts(Row row) {
        this.row = row;
    }

    private static Map<String, ButtonCosts> read() {
        Map<String, ButtonCosts> all = new HashMap<>();
        for (Row row : Table.load("button-costs.table").rows()) {
            all.put(row.text("school"), new ButtonCosts(row));
        }
        return all;
    }

    private static Map<FingeredPitch, String> readAcross() {
        Map<FingeredPitch, String> across = new HashMap<>();
        for (Row row : Table.load("layouts/anglo-across.table").rows()) {
            across.put(row.read("note", FingeredPitch::parse), row.text("way"));
        }
        return across;
    }

    /** Throws IllegalArgumentException for a school that says nothing of boxes. */
    static ButtonCosts of(School school) {
        ButtonCosts costs = ALL.get(school.id());
        if (costs == null) {
            throw new IllegalArgumentException("“" + school.name() + "” is no way of playing a box");
        }
        return costs;
    }

    private double of(String column) {
        Double known = values.get(column);
        return known != null ? known : values.computeIfAbsent(column, name -> row.read(name, Double::valueOf));
    }

    /** Of a second out of balance, past the free ones. */
    double air() {
        return of("air");
    }

    /** What a way costs by itself. */
    double ofChoice(ButtonWay way) {
        Button button = way.key().button();
        double cost = way.finger() == LITTLE ? of("little") : 0;
        cost += way.finger() == button.fingers().get(0) || button.fingers().size() == LITTLE ? 0 : of("other finger");
        String across = ACROSS.get(button.pitch(way.key().bellows()));
        return exact(cost + (across == null || across.equals(way.key().name()) ? 0 : of("not across")));
    }

    /** What it costs to go from one way to the next, infinite where fingers do not reach. */
    double ofMove(ButtonWay from, ButtonWay to, Struck before, Struck struck) {
        boolean isAfterRest = struck.restMillis() > 0;
        double cost = bellows(from.key(), to.key(), struck.isOnBeat());
        if (from.key().button().hand() == to.key().button().hand()) {
            cost += of("same hand") + fingers(from, to, isAfterRest);
        }
        return exact(cost * USUAL_MILLIS / (before.millis() + struck.restMillis()));
    }

    /** To a millionth or so, in a power of two, so that sums are exact and ways that cost the same are seen to. */
    static double exact(double cost) {
        return Math.rint(cost * (1 << 20)) / (1 << 20);
    }

    private double bellows(ButtonLayout.Key from, ButtonLayout.Key to, boolean isOnBeat) {
        if (to.button().isSameBothWays()) {
            return 0;
        }
        boolean isSameRow = from.button().row().equals(to.button().row());
        if (from.bellows() != to.bellows()) {
            return of(isOnBeat ? "turn on beat" : "turn") + (isSameRow ? 0 : of("row at a turn"));
        }
        return isSameRow ? 0 : of("row");
    }

    private double fingers(ButtonWay from, ButtonWay to, boolean isAfterRest) {
        double columns = to.key().button().place() - from.key().button().place();
        boolean isSameFinger = from.finger() == to.finger();
        if (from.key().button().equals(to.key().button())) {
            boolean isRepeated = from.key().equals(to.key());
            if (isSameFinger) {
                return isRepeated ? of("repeat") : 0;
            }
            return isRepeated ? 0 : of("over a rest");
        }
        if (isSameFinger) {
            return isAfterRest ? of("over a rest") : of("same finger");
        }
        double apart = Math.abs(columns);
        if (apart > REACH) {
            return Double.POSITIVE_INFINITY;
        }
        double cost = Math.max(0, apart - EASY_REACH) * of("spread");
        boolean isCrossed = columns != 0 && columns > 0 != to.finger() > from.finger();
        return cost + (isCrossed ? of("crossing") : 0);
    }
}
