package wildflourish.core.fingering;

import java.util.EnumMap;
import java.util.Map;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Hole;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** What fingerings and the moves between them cost, by family; rows of {@code fingering-costs.table}, in units of one finger moved. */
record Costs(double finger, double crossing, double half, Other other) {
    private static final Map<Family, Costs> ALL = read();

    /** What else costs: leaving the usual fingering, further down the chart, out of tune, on and off the knee. */
    private record Other(double alternate, double further, double doubtful, double knee) {}

    private static Map<Family, Costs> read() {
        Map<Family, Costs> all = new EnumMap<>(Family.class);
        for (Row row : Table.load("fingering-costs.table").rows()) {
            all.put(
                    row.read("family", Family::parse),
                    new Costs(
                            number(row, "finger"),
                            number(row, "crossing"),
                            number(row, "half"),
                            new Other(
                                    number(row, "alternate"),
                                    number(row, "further"),
                                    number(row, "doubtful"),
                                    number(row, "knee"))));
        }
        return all;
    }

    private static double number(Row row, String column) {
        return row.read(column, Double::valueOf);
    }

    /** Throws IllegalStateException for a family that the table forgets. */
    static Costs of(Family family) {
        Costs costs = ALL.get(family);
        if (costs == null) {
            throw new IllegalStateException("fingering-costs.table has no row for " + family.word());
        }
        return costs;
    }

    /** What a fingering of a note costs by itself; {@code index} is its place among the row's fingerings. */
    double ofChoice(ChartRow row, Fingering fingering, int index) {
        double cost = fingering.has(Hole.HALF) ? half : 0;
        if (index > 0) {
            cost += other.alternate + (index - 1) * other.further;
            cost += row.doubtful().contains(fingering) ? other.doubtful : 0;
        }
        return cost;
    }

    /** What the fingers do from one note to the next. */
    double ofMove(Fingering from, Fingering to) {
        int up = 0;
        int down = 0;
        for (int hole = 1; hole <= from.holes().size(); hole++) {
            int change = to.at(hole).openness() - from.at(hole).openness();
            up += change > 0 ? 1 : 0;
            down += change < 0 ? 1 : 0;
        }
        double knee = from.offKnee() == to.offKnee() ? 0 : other.knee;
        return finger * (up + down) + crossing * Math.min(up, down) + knee;
    }
}
