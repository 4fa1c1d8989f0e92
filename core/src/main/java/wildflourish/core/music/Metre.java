package wildflourish.core.music;

import java.util.List;

/**
 * A metre: how a bar is counted.
 *
 * @param counts the upper number, or its summands for a metre like (3+2)/8; empty for free metre
 * @param unit the lower number: 8 counts quavers
 * @param look how the signature is drawn
 */
public record Metre(List<Integer> counts, int unit, Look look) {
    /** How a metre is drawn. */
    public enum Look {
        NUMBERS,
        COMMON,
        CUT,
        NOTHING
    }

    public static final Metre FREE = new Metre(List.of(), 4, Look.NOTHING);

    public Metre {
        counts = List.copyOf(counts);
        if (unit < 1 || unit > 64 || Integer.bitCount(unit) != 1) {
            throw new IllegalArgumentException("a metre counts whole notes down to 64ths: /" + unit);
        }
        for (int count : counts) {
            if (count < 1 || count > 64) {
                throw new IllegalArgumentException("a metre counts 1 to 64 notes: " + counts);
            }
        }
    }

    public static Metre of(int count, int unit) {
        return new Metre(List.of(count), unit, Look.NUMBERS);
    }

    public int count() {
        return counts.stream().mapToInt(Integer::intValue).sum();
    }

    public boolean isFree() {
        return counts.isEmpty();
    }

    /** Length of a full bar in whole notes; a whole note for free metre. */
    public Fraction barLength() {
        return isFree() ? Fraction.ONE : Fraction.of(count(), unit);
    }

    /** Whether the beat is a dotted note: 6/8, 9/8, 12/8 and their like. */
    public boolean isCompound() {
        return counts.size() == 1 && count() % 3 == 0 && count() > 3 && unit >= 8;
    }

    /** Length of a beat as it is counted in the bar, in whole notes: a dotted crotchet in 6/8, a crotchet in 4/4. */
    public Fraction countLength() {
        return isCompound() ? Fraction.of(3, unit) : Fraction.of(1, unit);
    }

    /**
     * How far a beam reaches, in whole notes, from an offset: half a bar in 4/4 and 2/2, a bar of 2/4, three quavers in compound time,
     * a crotchet otherwise.
     */
    public Fraction beamLength() {
        if (isFree()) {
            return Fraction.of(1, 4);
        }
        if (isCompound()) {
            return Fraction.of(3, unit);
        }
        if (barLength().equals(Fraction.ONE)) {
            return Fraction.of(1, 2);
        }
        if (barLength().equals(Fraction.of(1, 2)) || barLength().equals(Fraction.of(3, 8))) {
            return barLength();
        }
        return Fraction.of(1, Math.min(4, unit));
    }

    @Override
    public String toString() {
        return switch (look) {
            case COMMON -> "C";
            case CUT -> "C|";
            case NOTHING -> "none";
            case NUMBERS ->
                (counts.size() == 1
                                ? String.valueOf(count())
                                : "("
                                        + String.join(
                                                "+",
                                                counts.stream()
                                                        .map(String::valueOf)
                                                        .toList()) + ")")
                        + "/" + unit;
        };
    }
}
