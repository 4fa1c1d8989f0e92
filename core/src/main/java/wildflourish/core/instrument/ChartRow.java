package wildflourish.core.instrument;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.table.Row;
import wildflourish.core.table.Trust;

/**
 * One note of an instrument's chart: its usual fingering and the alternates in the order they are tried.
 *
 * @param doubtful the alternates that are out of tune on many instruments
 */
public record ChartRow(
        FingeredPitch pitch,
        Breath breath,
        Fingering usual,
        List<Fingering> alternates,
        Set<Fingering> doubtful,
        Trust trust) {
    public ChartRow {
        alternates = List.copyOf(alternates);
        doubtful = Set.copyOf(doubtful);
    }

    /** The usual fingering, then the alternates. */
    public List<Fingering> fingerings() {
        List<Fingering> all = new ArrayList<>(alternates);
        all.add(0, usual);
        return List.copyOf(all);
    }

    /** Whether a fingering gives the note on every instrument. */
    public boolean isSure(Fingering fingering) {
        return fingerings().contains(fingering) && !doubtful.contains(fingering);
    }

    static ChartRow from(Row row) {
        List<String> alternates = row.words("alternates");
        return new ChartRow(
                row.read("note", FingeredPitch::parse),
                row.read("breath", word -> Breath.valueOf(word.toUpperCase(Locale.ROOT))),
                row.read("holes", Fingering::parse),
                alternates.stream().map(ChartRow::unmarked).toList(),
                alternates.stream()
                        .filter(word -> word.endsWith("?"))
                        .map(ChartRow::unmarked)
                        .collect(Collectors.toSet()),
                row.read("trust", Trust::valueOf));
    }

    private static Fingering unmarked(String word) {
        return Fingering.parse(word.replace("?", ""));
    }
}
