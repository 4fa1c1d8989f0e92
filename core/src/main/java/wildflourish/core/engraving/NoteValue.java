package wildflourish.core.engraving;

import wildflourish.core.music.Fraction;

/**
 * How a length is notated.
 *
 * @param base the undotted length in whole notes: 1, 1/2, 1/4, 1/8 …
 * @param dots augmentation dots
 */
record NoteValue(Fraction base, int dots) {
    /** The value whose dots come nearest to a length from below. */
    static NoteValue of(Fraction length) {
        Fraction base = Fraction.ONE;
        while (base.isMoreThan(length) && base.denominator() < 64) {
            base = base.dividedBy(2);
        }
        while (base.numerator() < 2 && !base.times(2).isMoreThan(length)) {
            base = base.times(2);
        }
        int dots = 0;
        Fraction sum = base;
        Fraction dot = base.dividedBy(2);
        while (dots < 2 && !sum.plus(dot).isMoreThan(length)) {
            sum = sum.plus(dot);
            dot = dot.dividedBy(2);
            dots++;
        }
        return new NoteValue(base, dots);
    }

    String head() {
        if (!base.isLessThan(Fraction.ONE)) {
            return "noteheadWhole";
        }
        return base.equals(Fraction.of(1, 2)) ? "noteheadHalf" : "noteheadBlack";
    }

    String rest() {
        if (!base.isLessThan(Fraction.ONE)) {
            return "restWhole";
        }
        return switch ((int) base.denominator()) {
            case 2 -> "restHalf";
            case 4 -> "restQuarter";
            case 8 -> "rest8th";
            case 16 -> "rest16th";
            default -> "rest32nd";
        };
    }

    boolean hasStem() {
        return base.isLessThan(Fraction.ONE);
    }

    /** Flags or beams: 1 for a quaver. */
    int flags() {
        return switch ((int) base.denominator()) {
            case 8 -> 1;
            case 16 -> 2;
            case 32, 64 -> 3;
            default -> 0;
        };
    }
}
