package wildflourish.core.ornament;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A second string that sounds with what a part comes to.
 *
 * @param kind what it sounds
 * @param number steps of the scale or octaves up (down when negative); of strings beside it 1 for the one above, -1 for the one below, 0 for below or else above
 * @param isHome whether it has to be the first, third or fifth of the key
 * @param bend what its own pitch does; the glides of those that follow the first part are left out
 */
public record Second(Kind kind, int number, boolean isHome, Bend bend) {
    /** What a second string sounds. */
    public enum Kind {
        /** The string beside it, open. */
        OPEN,
        OCTAVE,
        /** Steps of the tune's scale from the note. */
        STEP,
        /** The same pitch: an open string and the finger beside it. */
        UNISON,
        /** What the same finger stops as high beside it. */
        SAME,
        /** The nearest note of the chord that stands there. */
        CHORD,
        /** The same, never an open string. */
        STOPPED,
        /** The nearest note of that chord which the notes of the bar suggest. */
        AROUND,
        /** The string below open, or the one above where it has the note's own pitch. */
        BESIDE,
        /** A string by its number, open; where the note is on it, the fifth. */
        STRING,
        /** The chord on every string below. */
        ALL,
        /** The nearest note of the chord that stands there, or else the fifth above. */
        CLOSE,
        /** The button that is held under a passage. */
        KEY
    }

    private static final Pattern WORD = Pattern.compile(
            "(open|same)([+-]?)|8([+-])|([+-]\\d)|(unison|chord|stopped|around|beside|all|close|key)|(string)(\\d)");
    private static final char HOME = '!';

    /** Reads {@code open-}, {@code 8-}, {@code -2}, {@code same+}, {@code unison}, {@code chord!} … Throws IllegalArgumentException for others. */
    static Second parse(String text) {
        String[] words = text.split("~", 2);
        boolean isHome = words[0].indexOf(HOME) > 0;
        String word = isHome ? words[0].substring(0, words[0].length() - 1) : words[0];
        Bend bend = words.length > 1 ? Bend.parse(words[1]) : Bend.LEVEL;
        Matcher match = WORD.matcher(word);
        if (!match.matches()) {
            throw new IllegalArgumentException("no second string “" + text + "”");
        }
        if (match.group(1) != null) {
            return new Second(kind(match.group(1)), side(match.group(2)), isHome, bend);
        }
        if (match.group(3) != null) {
            return new Second(Kind.OCTAVE, side(match.group(3)), isHome, bend);
        }
        if (match.group(6) != null) {
            return new Second(Kind.STRING, Integer.parseInt(match.group(7)), isHome, bend);
        }
        return match.group(4) != null
                ? new Second(Kind.STEP, Integer.parseInt(match.group(4)), isHome, bend)
                : new Second(kind(word), 0, isHome, bend);
    }

    private static Kind kind(String word) {
        return Kind.valueOf(word.toUpperCase(Locale.ROOT));
    }

    private static int side(String sign) {
        return sign.isEmpty() ? 0 : sign.equals("+") ? 1 : -1;
    }

    /** Without a glide of its own. */
    public Second level() {
        return bend.isLevel() ? this : new Second(kind, number, isHome, Bend.LEVEL);
    }

    @Override
    public String toString() {
        String sign = number == 0 ? "" : number > 0 ? "+" : "-";
        String word = switch (kind) {
            case OPEN -> "open" + sign;
            case SAME -> "same" + sign;
            case OCTAVE -> "8" + sign;
            case STEP -> sign + Math.abs(number);
            case STRING -> "string" + number;
            case UNISON, CHORD, STOPPED, AROUND, BESIDE, ALL, CLOSE, KEY ->
                kind.name().toLowerCase(Locale.ROOT);
        };
        return word + (isHome ? HOME : "") + bend;
    }
}
