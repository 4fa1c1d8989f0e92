package wildflourish.core.instrument;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** How the notes of instruments with holes are fingered and graced; read once, when one of the instruments that share it is first asked. */
final class HoleChart {
    /** Of an instrument that is not fingered on holes. */
    static final HoleChart NONE = new HoleChart();

    private static final Map<String, HoleChart> READ = new ConcurrentHashMap<>();

    private final Map<FingeredPitch, ChartRow> rows = new HashMap<>();
    private final Map<FingeredPitch, Gracing> gracings = new HashMap<>();
    private final Map<Breath, Map<Fingering, FingeredPitch>> sounds = new HashMap<>();

    private HoleChart() {}

    /** The chart of a name, {@code instruments/NAME.chart}. Throws TableException for a fault in its tables. */
    static HoleChart of(String name) {
        return READ.computeIfAbsent(name, HoleChart::read);
    }

    private static HoleChart read(String name) {
        HoleChart chart = new HoleChart();
        for (Row row : Table.load("instruments/" + name + ".chart").rows()) {
            ChartRow note = ChartRow.from(row);
            if (chart.rows.put(note.pitch(), note) != null) {
                throw row.fault("a second row for " + note.pitch());
            }
            chart.addSound(note);
        }
        String gracingsName = "instruments/" + name + ".gracings";
        for (Row row : Table.ships(gracingsName) ? Table.load(gracingsName).rows() : List.<Row>of()) {
            Gracing gracing = Gracing.from(row);
            if (!chart.rows.containsKey(gracing.pitch())) {
                throw row.fault("the chart has no " + gracing.pitch());
            }
            chart.gracings.put(gracing.pitch(), gracing);
        }
        return chart;
    }

    private void addSound(ChartRow note) {
        Map<Fingering, FingeredPitch> register = sounds.computeIfAbsent(note.breath(), breath -> new HashMap<>());
        register.putIfAbsent(note.usual(), note.pitch());
        note.alternates().forEach(alternate -> register.putIfAbsent(alternate, note.pitch()));
    }

    /** From the lowest note up. */
    List<ChartRow> rows() {
        Map<Integer, ChartRow> sorted = new TreeMap<>();
        rows.forEach((pitch, row) -> sorted.put(pitch.midi(), row));
        return List.copyOf(sorted.values());
    }

    Optional<ChartRow> rowOf(FingeredPitch pitch) {
        return Optional.ofNullable(rows.get(pitch));
    }

    /** Empty when nothing is recorded. */
    Optional<Gracing> gracingOf(FingeredPitch pitch) {
        return Optional.ofNullable(gracings.get(pitch));
    }

    /** The note that a fingering sounds in a register; empty for one that is not in the chart. */
    Optional<FingeredPitch> soundOf(Fingering fingering, Breath breath) {
        return Optional.ofNullable(sounds.getOrDefault(breath, Map.of()).get(fingering));
    }

    /** How many holes its fingerings have. */
    int holes() {
        return rows.isEmpty()
                ? 0
                : rows.values().iterator().next().usual().holes().size();
    }
}
