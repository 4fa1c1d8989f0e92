package wildflourish.files.abc;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Mode;
import wildflourish.core.music.Step;
import wildflourish.core.music.Tempo;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.TempoWords;

/** The values of ABC's information fields K, M, L and Q (ABC 2.1 §3.1). Each is empty where the words make no sense. */
public final class Fields {
    private static final Pattern KEY = Pattern.compile("([A-Ga-g])([#b♯♭]?)\\s*([A-Za-z]*)");
    private static final Pattern UNIT = Pattern.compile("1(?:/(1|2|4|8|16|32|64|128))?");

    /** The word that makes the accidentals after it the whole signature (§3.1.14). */
    private static final Pattern EXPLICIT = Pattern.compile("(?i)\\bexp\\b");

    private static final Pattern ACCIDENTAL = Pattern.compile("(\\^\\^|\\^|__|_|=)([A-Ga-g])");
    private static final Pattern METRE =
            Pattern.compile("\\(?(\\d{1,2}(?:\\s*\\+\\s*\\d{1,2})*)\\)?\\s*/\\s*(\\d{1,2})");
    private static final String BEATS = "(\\d{1,4}(?:\\.\\d{1,3})?)";
    private static final Pattern TEMPO =
            Pattern.compile("((?:\\d{1,3}/\\d{1,3}\\s*)+)=\\s*(?:ca?\\.?\\s*)?" + BEATS + "\\s*(?:bpm)?");
    private static final Pattern TEMPO_IN_UNITS = Pattern.compile("(?:C(\\d{0,2})\\s*=\\s*)?" + BEATS + "\\s*(?:bpm)?");

    private Fields() {}

    /** The key that the words after {@code K:} name, whatever is said of the staff beside it; empty where they name none. */
    public static Optional<Key> key(String value) {
        return keyWords(StaffWords.of(value.trim()).others());
    }

    /** The same where words about the staff are taken out already. */
    static Optional<Key> keyWords(String words) {
        if (words.isEmpty() || words.toLowerCase(Locale.ROOT).startsWith("none")) {
            return Optional.of(withExtras(Key.none(), words));
        }
        if (words.startsWith("HP") || words.startsWith("Hp")) {
            return Optional.of(Key.pipes(words.startsWith("Hp")));
        }
        Matcher match = KEY.matcher(words);
        if (!match.lookingAt()) {
            boolean isOnlyAccidentals = ACCIDENTAL.matcher(words).lookingAt();
            return isOnlyAccidentals ? Optional.of(withExtras(Key.none(), words)) : Optional.empty();
        }
        Step tonic = Step.valueOf(match.group(1).toUpperCase(Locale.ROOT));
        int alter = switch (match.group(2)) {
            case "#", "♯" -> 1;
            case "b", "♭" -> -1;
            default -> 0;
        };
        if (EXPLICIT.matcher(words).find()) {
            String name = new WrittenPitch(tonic, alter, 4).letter() + " with signs of its own";
            return Optional.of(withExtras(new Key(name, 0, Map.of(), Map.of()), words));
        }
        return keyOf(tonic, alter, Mode.from(match.group(3)).orElse(Mode.MAJOR)).map(key -> withExtras(key, words));
    }

    /** The word after the tonic that names no mode there is; such a key is read as major. */
    public static Optional<String> strangeMode(String words) {
        Matcher match = KEY.matcher(words);
        boolean isStrange = match.lookingAt()
                && !words.startsWith("HP")
                && !words.startsWith("Hp")
                && !words.toLowerCase(Locale.ROOT).startsWith("none")
                && !EXPLICIT.matcher(words).find()
                && Mode.from(match.group(3)).isEmpty();
        return isStrange ? Optional.of(match.group(3)) : Optional.empty();
    }

    private static Optional<Key> keyOf(Step tonic, int alter, Mode mode) {
        try {
            return Optional.of(Key.of(tonic, alter, mode));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static Key withExtras(Key key, String words) {
        Map<Step, Integer> extra = new EnumMap<>(Step.class);
        Matcher match = ACCIDENTAL.matcher(words);
        while (match.find()) {
            extra.put(Step.valueOf(match.group(2).toUpperCase(Locale.ROOT)), alterOf(match.group(1)));
        }
        return key.withExtra(extra);
    }

    static int alterOf(String accidental) {
        return switch (accidental) {
            case "^^" -> 2;
            case "^" -> 1;
            case "_" -> -1;
            case "__" -> -2;
            default -> 0;
        };
    }

    static Optional<Metre> metre(String value) {
        String words = value.trim();
        if (words.equals("C")) {
            return Optional.of(new Metre(List.of(4), 4, Metre.Look.COMMON));
        }
        if (words.equals("C|")) {
            return Optional.of(new Metre(List.of(2), 2, Metre.Look.CUT));
        }
        if (words.isEmpty() || words.equalsIgnoreCase("none")) {
            return Optional.of(Metre.FREE);
        }
        Matcher match = METRE.matcher(words);
        if (!match.lookingAt()) {
            return Optional.empty();
        }
        try {
            List<Integer> counts = Arrays.stream(match.group(1).split("\\+", -1))
                    .map(count -> Integer.parseInt(count.trim()))
                    .toList();
            return Optional.of(new Metre(counts, Integer.parseInt(match.group(2)), Metre.Look.NUMBERS));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    static Optional<Fraction> unitLength(String value) {
        Matcher match = UNIT.matcher(value.trim());
        if (!match.matches()) {
            return Optional.empty();
        }
        return Optional.of(Fraction.of(1, match.group(1) == null ? 1 : Long.parseLong(match.group(1))));
    }

    /** A sixteenth for metres shorter than three quarters, otherwise an eighth (ABC 2.1 §3.1.7). */
    static Fraction usualUnitLength(Metre metre) {
        boolean isShort = !metre.isFree() && metre.barLength().isLessThan(Fraction.of(3, 4));
        return Fraction.of(1, isShort ? 16 : 8);
    }

    /**
     * {@code 1/4=120} with or without words; several lengths are one beat together, a bare number counts the unit length, {@code C3=40} three of them; a word alone is
     * looked up (ABC 2.1 §3.1.8, and its older forms).
     */
    static Optional<Tempo> tempo(String value, Fraction unitLength) {
        String words = value.replaceAll("\"[^\"]*(?:\"|$)", " ").trim();
        Matcher sum = TEMPO.matcher(words);
        Matcher units = TEMPO_IN_UNITS.matcher(words);
        try {
            if (sum.matches()) {
                Fraction beat = Fraction.ZERO;
                for (String length : sum.group(1).trim().split("\\s+", -1)) {
                    beat = beat.plus(Fraction.parse(length));
                }
                return Optional.of(new Tempo(Fraction.parse(sum.group(2)), beat));
            }
            if (units.matches()) {
                Fraction count = units.group(1) == null || units.group(1).isEmpty()
                        ? Fraction.ONE
                        : Fraction.parse(units.group(1));
                return Optional.of(new Tempo(Fraction.parse(units.group(2)), unitLength.times(count)));
            }
        } catch (IllegalArgumentException | ArithmeticException e) {
            return Optional.empty();
        }
        return TempoWords.of(value);
    }
}
