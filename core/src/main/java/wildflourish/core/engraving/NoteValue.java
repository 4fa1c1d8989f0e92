package wildflourish.core.engraving;

import java.util.HashMap;
import java.util.Map;
import wildflourish.core.music.Fraction;

/**
 * How a length is notated.
 *
 * @param base the undotted length in whole notes: 1, 1/2, 1/4, 1/8 …
 * @param dots augmentation dots
 */
record NoteValue(Fraction base, int dots) {
    /** The lengths that are notated exactly: from 64ths to semibreves, with up to two dots. */
    private static final Map<Fraction, NoteValue> EXACT = exact();

    private static Map<Fraction, NoteValue> exact() {
        Map<Fraction, NoteValue> all = new HashMap<>();
        for (int unit = 1; unit <= 64; unit *= 2) {
            for (int quarters : new int[] {4, 6, 7}) {
                Fraction length = Fraction.of(quarters, 4L * unit);
                all.put(length, nearest(length));
            }
        }
        return Map.copyOf(all);
    }

    /** The value whose dots come nearest to a length from below. */
    static NoteValue of(Fraction length) {
        NoteValue exact = EXACT.get(length);
        return exact == null ? nearest(length) : exact;
    }

    private static NoteValue nearest(Fraction length) {
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
