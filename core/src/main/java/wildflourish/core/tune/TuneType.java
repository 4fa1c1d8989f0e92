package wildflourish.core.tune;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Tempo;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/**
 * A kind of tune with the tempos it is played at; the rows of {@code tune-types.table}, and kinds that only a tune itself names.
 *
 * @param manner the kind whose manner of playing it shares: {@code hornpipe} for a barndance
 * @param beatLength the note a player taps a foot to, in whole notes
 * @param stress how heavy the equal parts of a bar are, 1 light to 3 heavy
 */
public record TuneType(String name, String manner, Fraction beatLength, List<Integer> stress, Range tempos) {
    /** Beats a minute: the relaxed tempo of practice, and the slowest and fastest of a session. */
    public record Range(int relaxed, int sessionLow, int sessionHigh) {
        public Range {
            if (relaxed < 1 || sessionLow < relaxed || sessionHigh < sessionLow) {
                throw new IllegalArgumentException("tempos rise: " + relaxed + ", " + sessionLow + ", " + sessionHigh);
            }
        }
    }

    /**
     * A row of the table.
     *
     * @param words those that name it in a tune, its own name among them
     * @param with metres for which it holds; empty for all
     * @param metres those it is known by where a tune states no rhythm
     */
    private record Known(TuneType type, List<String> words, List<String> with, List<String> metres) {
        static Known from(Row row) {
            List<Integer> stress =
                    row.words("stress").stream().map(Integer::valueOf).toList();
            TuneType type = new TuneType(
                    row.text("type"),
                    row.text("manner"),
                    row.read("beat", Fraction::parse),
                    stress,
                    new Range(row.integer("relaxed"), row.integer("session low"), row.integer("session high")));
            Stream<String> also = row.optional("also").stream().flatMap(words -> Stream.of(words.split(",\\s*", -1)));
            List<String> words = Stream.concat(Stream.of(type.name), also).toList();
            return new Known(type, words, row.words("with"), row.words("metres"));
        }

        /** How much of what a tune states is a word for it: characters of the longest. */
        int likeness(String stated) {
            int longest = 0;
            for (String word : words) {
                longest = word.length() > longest && says(stated, word) ? word.length() : longest;
            }
            return longest;
        }

        /** Whether a word stands there by itself, as one or as several of its kind. */
        private static boolean says(String stated, String word) {
            for (int at = stated.indexOf(word); at >= 0; at = stated.indexOf(word, at + 1)) {
                int end = at + word.length();
                end += end < stated.length() && stated.charAt(end) == 's' ? 1 : 0;
                boolean isWhole = (at == 0 || !Character.isLetter(stated.charAt(at - 1)))
                        && (end == stated.length() || !Character.isLetter(stated.charAt(end)));
                if (isWhole) {
                    return true;
                }
            }
            return false;
        }

        boolean isFor(String metre) {
            return with.contains(metre);
        }
    }

    private static final List<Known> KNOWN =
            Table.load("tune-types.table").rows().stream().map(Known::from).toList();

    private static final Range UNKNOWN_TEMPOS = new Range(60, 90, 110);

    public TuneType {
        stress = List.copyOf(stress);
    }

    /** One of each name, in the order of the table. */
    public static List<TuneType> all() {
        return KNOWN.stream()
                .filter(each -> each.with.isEmpty())
                .map(Known::type)
                .toList();
    }

    /**
     * By the stated rhythm when it names a known kind (“slip jig” before “jig”); where it names another, under that name as it is written, with the beat and tempos of
     * its metre; without any by the metre.
     */
    public static TuneType of(Optional<String> rhythm, Metre metre) {
        String stated = rhythm.orElse("").strip();
        String lower = stated.toLowerCase(Locale.ROOT);
        String bar = metre.isFree() ? "none" : metre.count() + "/" + metre.unit();
        Optional<TuneType> known = KNOWN.stream()
                .filter(each -> each.with.isEmpty() || each.isFor(bar))
                .filter(each -> each.likeness(lower) > 0)
                .max(Comparator.comparingInt((Known each) -> each.likeness(lower))
                        .thenComparing(each -> each.isFor(bar)))
                .map(Known::type);
        return known.orElseGet(() ->
                stated.isEmpty() ? byMetre(metre, bar) : byMetre(metre, bar).named(stated));
    }

    private static TuneType byMetre(Metre metre, String bar) {
        return KNOWN.stream()
                .filter(type -> type.metres.contains(bar))
                .findFirst()
                .map(Known::type)
                .orElseGet(() -> new TuneType("tune", "tune", metre.countLength(), List.of(), UNKNOWN_TEMPOS));
    }

    private TuneType named(String other) {
        return new TuneType(other, manner, beatLength, stress, tempos);
    }

    public Tempo relaxed() {
        return Tempo.of(tempos.relaxed(), beatLength);
    }

    /** The slow end of a session's tempos: what a class aims at. */
    public Tempo session() {
        return Tempo.of(tempos.sessionLow(), beatLength);
    }
}
