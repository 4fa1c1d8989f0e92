package wildflourish.core.tune;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Tempo;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/**
 * A kind of tune with the tempos it is played at; the rows of {@code tune-types.table}.
 *
 * @param beatLength the note a player taps a foot to, in whole notes
 */
public record TuneType(String name, List<String> metres, Fraction beatLength, Range tempos) {
    /** Beats a minute: the relaxed tempo of practice, and the slowest and fastest of a session. */
    public record Range(int relaxed, int sessionLow, int sessionHigh) {
        public Range {
            if (relaxed < 1 || sessionLow < relaxed || sessionHigh < sessionLow) {
                throw new IllegalArgumentException("tempos rise: " + relaxed + ", " + sessionLow + ", " + sessionHigh);
            }
        }
    }

    private static final List<TuneType> ALL =
            Table.load("tune-types.table").rows().stream().map(TuneType::from).toList();

    private static TuneType from(Row row) {
        return new TuneType(
                row.text("type"),
                row.words("metres"),
                row.read("beat", Fraction::parse),
                new Range(row.integer("relaxed"), row.integer("session low"), row.integer("session high")));
    }

    public static List<TuneType> all() {
        return ALL;
    }

    /** By the stated rhythm when it names a known kind (“slip jig” before “jig”), otherwise by metre. */
    public static TuneType of(Optional<String> rhythm, Metre metre) {
        String stated = rhythm.orElse("").toLowerCase(Locale.ROOT);
        return ALL.stream()
                .filter(type -> stated.contains(type.name))
                .max(Comparator.comparingInt(type -> type.name.length()))
                .orElseGet(() -> byMetre(metre));
    }

    private static TuneType byMetre(Metre metre) {
        String text = metre.isFree() ? "none" : metre.count() + "/" + metre.unit();
        return ALL.stream()
                .filter(type -> type.metres.contains(text))
                .findFirst()
                .orElseGet(() -> new TuneType("tune", List.of(text), metre.countLength(), new Range(60, 90, 110)));
    }

    public Tempo relaxed() {
        return Tempo.of(tempos.relaxed(), beatLength);
    }

    /** The slow end of a session's tempos: what a class aims at. */
    public Tempo session() {
        return Tempo.of(tempos.sessionLow(), beatLength);
    }
}
