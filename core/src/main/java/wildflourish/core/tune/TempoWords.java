package wildflourish.core.tune;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** Tempos by their words; the rows of {@code tempo-words.table}. */
public final class TempoWords {
    private static final Map<String, Integer> CROTCHETS = Table.load("tempo-words.table").rows().stream()
            .collect(Collectors.toUnmodifiableMap((Row row) -> row.text("word"), row -> row.integer("crotchets")));

    private TempoWords() {}

    /** The tempo of the first of some words that names one, in crotchets: {@code Allegro ma non troppo}. */
    public static Optional<Tempo> of(String words) {
        for (String word : words.toLowerCase(Locale.ROOT).split("[^\\p{L}]+", -1)) {
            Integer crotchets = CROTCHETS.get(word);
            if (crotchets != null) {
                return Optional.of(Tempo.of(crotchets, Fraction.of(1, 4)));
            }
        }
        return Optional.empty();
    }
}
