package wildflourish.core.fingering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.Melody;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;
import wildflourish.core.tune.Note;

class FingeringPathTest {
    /** Common practice; written down before anything computed them, see the head of the file. */
    static Stream<Row> expected() throws IOException {
        try (var in = FingeringPathTest.class.getResourceAsStream("/expected/fingerings.table")) {
            String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            return Table.parse("fingerings.table", text).rows().stream();
        }
    }

    @ParameterizedTest
    @MethodSource("expected")
    void takesWhatAGoodPlayerTakes(Row row) {
        List<Note> line = line(row.words("notes"));
        FingeringPath path = FingeringPath.of(line, Instrument.of(row.text("instrument")), Map.of());
        assertThat(line.stream().map(note -> path.at(note.id()).orElseThrow().toString()))
                .as(row.toString())
                .containsExactlyElementsOf(row.words("fingerings"));
    }

    private static List<Note> line(List<String> names) {
        return Melody.reel(names.stream().map(name -> name + ":1").collect(Collectors.joining(" ")) + " |")
                .notes();
    }

    @Test
    void noOtherWayCostsLess() {
        Random random = new Random(7);
        for (String id : List.of("whistle-d", "flute-d", "union-d-closed", "union-d-open", "recorder-soprano")) {
            Instrument instrument = Instrument.of(id);
            Costs costs = Costs.of(instrument.family());
            for (int round = 0; round < 60; round++) {
                List<Note> line = randomLine(random, instrument, 2 + random.nextInt(4));
                double least = cheapest(line, instrument, costs, 0, null);
                assertThat(FingeringPath.of(line, instrument, Map.of()).cost())
                        .as(id + " " + line)
                        .isCloseTo(least, within(1e-9));
            }
        }
    }

    private static List<Note> randomLine(Random random, Instrument instrument, int length) {
        List<String> names = new ArrayList<>();
        List<ChartRow> chart = instrument.chart();
        for (int i = 0; i < length; i++) {
            ChartRow row = chart.get(random.nextInt(chart.size()));
            names.add(WrittenPitch.ofMidi(instrument.reading().writtenMidi(row.pitch()))
                    .toString());
        }
        return line(names);
    }

    /** Every way there is, tried one after the other. */
    private static double cheapest(List<Note> line, Instrument instrument, Costs costs, int from, Fingering before) {
        if (from == line.size()) {
            return 0;
        }
        ChartRow row = instrument.rowOf(line.get(from).melody()).orElseThrow();
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < row.fingerings().size(); i++) {
            Fingering fingering = row.fingerings().get(i);
            double cost = costs.ofChoice(row, fingering, i)
                    + (before == null ? 0 : costs.ofMove(before, fingering))
                    + cheapest(line, instrument, costs, from + 1, fingering);
            least = Math.min(least, cost);
        }
        return least;
    }

    @Test
    void aPinStaysAndTheRestMovesRoundIt() {
        Instrument whistle = Instrument.of("whistle-d");
        List<Note> line = line(List.of("C5", "D5", "C5"));
        Fingering pin = Fingering.parse("XXXXXX");
        FingeringPath free = FingeringPath.of(line, whistle, Map.of());
        FingeringPath pinned =
                FingeringPath.of(line, whistle, Map.of(line.get(1).id(), pin));
        assertThat(pinned.at(line.get(1).id())).contains(pin);
        assertThat(pinned.cost()).isGreaterThan(free.cost());
        assertThat(free.at(line.get(1).id())).isNotEqualTo(pinned.at(line.get(1).id()));
        FingeringPath nonsense =
                FingeringPath.of(line, whistle, Map.of(line.get(0).id(), pin));
        assertThat(nonsense)
                .as("a pin that is no fingering of the note is passed over")
                .isEqualTo(free);
    }

    @Test
    void aNoteTheInstrumentLacksPartsTheLine() {
        Instrument whistle = Instrument.of("whistle-d");
        List<Note> line = line(List.of("E4", "C4", "C5", "E4"));
        FingeringPath path = FingeringPath.of(line, whistle, Map.of());
        assertThat(path.at(line.get(1).id())).isEmpty();
        assertThat(path.at(line.get(2).id())).contains(Fingering.parse("OXXXXO"));
        assertThat(FingeringPath.of(List.of(), whistle, Map.of()).cost()).isZero();
    }
}
