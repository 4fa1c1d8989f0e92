package wildflourish.files.abc;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Step;

/**
 * A note or rest as ABC writes it (ABC 2.1 §4.1–4.3, 4.5).
 *
 * @param accidental the accidental's characters, empty for none
 * @param letter the note's letter in upper case, or z, x, Z, X for rests
 * @param octave 4 for upper-case letters, 5 for lower-case ones, moved by commas and apostrophes
 * @param factor the length as a multiple of the unit
 * @param length characters it takes
 */
record NoteToken(String accidental, char letter, int octave, Fraction factor, int length) {
    private static final Pattern NOTE =
            Pattern.compile("(\\^\\^|\\^|__|_|=)?(?:([A-Ga-g])([,']*)|([zxZX]))(\\d*)(/*)(\\d*)");
    private static final Pattern LENGTH = Pattern.compile("(\\d*)(/*)(\\d*)");

    static Optional<NoteToken> at(String text, int offset, int end) {
        Matcher match = NOTE.matcher(text).region(offset, end);
        if (!match.lookingAt()) {
            return Optional.empty();
        }
        String accidental = match.group(1) == null ? "" : match.group(1);
        Fraction factor = factor(match.group(5), match.group(6), match.group(7));
        int length = match.end() - offset;
        if (match.group(4) != null) {
            return Optional.of(new NoteToken(accidental, match.group(4).charAt(0), 0, factor, length));
        }
        char letter = match.group(2).charAt(0);
        int octave = Character.isUpperCase(letter) ? 4 : 5;
        for (char mark : match.group(3).toCharArray()) {
            octave += mark == '\'' ? 1 : -1;
        }
        return Optional.of(new NoteToken(accidental, Character.toUpperCase(letter), octave, factor, length));
    }

    /** A length alone, as after a chord: the factor and the characters it takes. */
    static Matcher lengthAt(String text, int offset, int end) {
        Matcher match = LENGTH.matcher(text).region(offset, end);
        match.lookingAt();
        return match;
    }

    /** {@code 3/2}, {@code /} for a half, {@code //} for a quarter; 0 where the digits make no length. */
    static Fraction factor(String above, String slashes, String below) {
        try {
            long numerator = above.isEmpty() ? 1 : Long.parseLong(above);
            long denominator = slashes.isEmpty()
                    ? 1
                    : below.isEmpty() ? 1L << Math.min(10, slashes.length()) : Long.parseLong(below);
            if (slashes.isEmpty() && !below.isEmpty()) {
                return Fraction.ZERO;
            }
            return denominator < 1 || numerator < 1 || numerator > 256 || denominator > 1024
                    ? Fraction.ZERO
                    : Fraction.of(numerator, denominator);
        } catch (NumberFormatException e) {
            return Fraction.ZERO;
        }
    }

    boolean isRest() {
        return "zxZX".indexOf(letter) >= 0;
    }

    Step step() {
        return Step.valueOf(String.valueOf(letter).toUpperCase(Locale.ROOT));
    }
}
