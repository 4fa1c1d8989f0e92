package wildflourish.core.tune;

import wildflourish.core.music.Fraction;

/**
 * How long a note is, in whole notes.
 *
 * @param notated what the note head, flags and dots show: 1/8 for each quaver of a triplet
 * @param played what it takes: 1/12 for the same
 */
public record Duration(Fraction notated, Fraction played) {
    public Duration {
        if (!notated.isPositive() || !played.isPositive()) {
            throw new IllegalArgumentException("a note takes time: " + notated + ", " + played);
        }
    }

    public static Duration of(Fraction length) {
        return new Duration(length, length);
    }
}
