package wildflourish.core.instrument;

import java.util.List;
import java.util.Locale;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.table.Row;
import wildflourish.core.table.Trust;

/** One note of an instrument's chart: its usual fingering and the alternates in the order they are tried. */
public record ChartRow(FingeredPitch pitch, Breath breath, Fingering usual, List<Fingering> alternates, Trust trust) {
    public ChartRow {
        alternates = List.copyOf(alternates);
    }

    static ChartRow from(Row row) {
        return new ChartRow(
                row.read("note", FingeredPitch::parse),
                row.read("breath", word -> Breath.valueOf(word.toUpperCase(Locale.ROOT))),
                row.read("holes", Fingering::parse),
                row.words("alternates").stream().map(Fingering::parse).toList(),
                row.read("trust", Trust::valueOf));
    }
}
