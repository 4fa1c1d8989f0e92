package wildflourish.files.abc;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Step;

/**
 * A note or rest as ABC writes it (ABC 2.1 §4.1–4.3, 4.5).
 *
 * @param accidental the accidental's characters, empty for none; after ^ or _ a fraction may stand, as in {@code ^3/2c}: so many semitones
 * @param letter the note's letter in upper case, or z, x, Z, X for rests
 * @param octave 4 for upper-case letters, 5 for lower-case ones, moved by commas and apostrophes
 * @param factor the length as a multiple of the unit
 * @param length characters it takes
 */
record NoteToken(String accidental, char letter, int octave, Fraction factor, int length) {
    private static final String RESTS = "zxZX";
    private static final Step[] STEPS = {Step.A, Step.B, Step.C, Step.D, Step.E, Step.F, Step.G};
    private static final Pattern LENGTH = Pattern.compile("(\\d*)(/*)(\\d*)");

    static Optional<NoteToken> at(String text, int offset, int end) {
        int at = offset;
        while (at < end
                && at - offset < 2
                && isAccidental(text.charAt(at), offset == at ? '\0' : text.charAt(offset))) {
            at++;
        }
        if (at == offset + 1 && text.charAt(offset) != '=') {
            at = fractionEnd(text, at, end);
        }
        if (at >= end) {
            return Optional.empty();
        }
        String accidental = text.substring(offset, at);
        char sign = text.charAt(at);
        boolean isHigh = sign >= 'a' && sign <= 'g';
        boolean isNote = isHigh || (sign >= 'A' && sign <= 'G');
        if (!isNote && RESTS.indexOf(sign) < 0) {
            return Optional.empty();
        }
        at++;
        int octave = isHigh ? 5 : isNote ? 4 : 0;
        while (isNote && at < end && (text.charAt(at) == '\'' || text.charAt(at) == ',')) {
            octave += text.charAt(at++) == '\'' ? 1 : -1;
        }
        int above = digitsEnd(text, at, end);
        int slashes = above;
        while (slashes < end && text.charAt(slashes) == '/') {
            slashes++;
        }
        int below = digitsEnd(text, slashes, end);
        Fraction factor = below == at
                ? Fraction.ONE
                : factor(text.substring(at, above), text.substring(above, slashes), text.substring(slashes, below));
        char letter = isHigh ? (char) (sign - 'a' + 'A') : sign;
        return Optional.of(new NoteToken(accidental, letter, octave, factor, below - offset));
    }

    /** Whether a character goes on with an accidental: ^ _ =, or ^ after ^ and _ after _. */
    private static boolean isAccidental(char sign, char before) {
        return before == '\0' ? sign == '^' || sign == '_' || sign == '=' : sign == before && sign != '=';
    }

    /** Where a fraction of a semitone ends that stands between an accidental and its letter. */
    private static int fractionEnd(String text, int from, int end) {
        int at = from;
        while (at < end && at - from < 7 && (text.charAt(at) == '/' || Character.isDigit(text.charAt(at)))) {
            at++;
        }
        return at;
    }

    /** How much sharper the accidental makes the note than without any, in cents; 0 where it is none. */
    private int accidentalCents() {
        if (accidental.length() < 2 || accidental.charAt(1) == '^' || accidental.charAt(1) == '_') {
            return 100 * Fields.alterOf(accidental);
        }
        Matcher fraction = LENGTH.matcher(accidental.substring(1));
        Fraction part =
                fraction.matches() ? factor(fraction.group(1), fraction.group(2), fraction.group(3)) : Fraction.ZERO;
        long cents = Math.min(200, Math.round(part.toDouble() * 100));
        return (int) (accidental.startsWith("^") ? cents : -cents);
    }

    /** Whole semitones of the accidental. */
    int alter() {
        return accidentalCents() / 100;
    }

    /** Cents that it has beyond whole semitones. */
    int cents() {
        return accidentalCents() % 100;
    }

    private static int digitsEnd(String text, int from, int end) {
        int at = from;
        while (at < end && text.charAt(at) >= '0' && text.charAt(at) <= '9') {
            at++;
        }
        return at;
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
        return RESTS.indexOf(letter) >= 0;
    }

    Step step() {
        return STEPS[letter - 'A'];
    }
}
