package wildflourish.core.music;

/**
 * An exact number, always reduced, with a positive denominator; two that are equal in value are equal. Lengths are fractions of a whole note (a quaver is 1/8); milliseconds and
 * tempos are fractions too, so that no rounding creeps in before a picture or a sound is made.
 */
public final class Fraction implements Comparable<Fraction> {
    public static final Fraction ZERO = new Fraction(0, 1);
    public static final Fraction ONE = new Fraction(1, 1);

    private final long numerator;
    private final long denominator;

    /** With numbers that are reduced already. */
    private Fraction(long numerator, long denominator) {
        this.numerator = numerator;
        this.denominator = denominator;
    }

    /** Reduced, with the sign above. */
    private static Fraction reduced(long numerator, long denominator) {
        if (denominator == 1) {
            return numerator == 0 ? ZERO : numerator == 1 ? ONE : new Fraction(numerator, 1);
        }
        if (numerator == 0 && denominator != 0) {
            return ZERO;
        }
        if (denominator == 0) {
            throw new IllegalArgumentException("a fraction needs a denominator other than 0: " + numerator + "/0");
        }
        long divisor = gcd(Math.abs(numerator), Math.abs(denominator));
        if (denominator < 0) {
            divisor = -divisor;
        }
        return new Fraction(numerator / divisor, denominator / divisor);
    }

    public long numerator() {
        return numerator;
    }

    public long denominator() {
        return denominator;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Fraction that && numerator == that.numerator && denominator == that.denominator;
    }

    @Override
    public int hashCode() {
        return 31 * Long.hashCode(numerator) + Long.hashCode(denominator);
    }

    public static Fraction of(long numerator, long denominator) {
        return reduced(numerator, denominator);
    }

    public static Fraction of(long whole) {
        return reduced(whole, 1);
    }

    /** Reads {@code 3/8}, {@code 120} or {@code 112.5}. Throws IllegalArgumentException for anything else. */
    public static Fraction parse(String text) {
        try {
            int slash = text.indexOf('/');
            if (slash >= 0) {
                return of(
                        Long.parseLong(text.substring(0, slash).trim()),
                        Long.parseLong(text.substring(slash + 1).trim()));
            }
            java.math.BigDecimal decimal = new java.math.BigDecimal(text.trim());
            if (Math.abs(decimal.scale()) > 9) {
                throw new NumberFormatException(text);
            }
            long scale = Math.round(Math.pow(10, Math.max(0, decimal.scale())));
            return of(decimal.multiply(java.math.BigDecimal.valueOf(scale)).longValueExact(), scale);
        } catch (NumberFormatException | ArithmeticException e) {
            throw new IllegalArgumentException("not a fraction such as 3/8: " + text, e);
        }
    }

    private static long gcd(long a, long b) {
        while (b > Integer.MAX_VALUE || a > Integer.MAX_VALUE) {
            if (b == 0) {
                return a;
            }
            long rest = a % b;
            a = b;
            b = rest;
        }
        return ofInts((int) a, (int) b);
    }

    /** Small numbers are divided about twice as fast. */
    private static int ofInts(int a, int b) {
        while (b != 0) {
            int rest = a % b;
            a = b;
            b = rest;
        }
        return a == 0 ? 1 : a;
    }

    public Fraction plus(Fraction other) {
        if (denominator == other.denominator) {
            return reduced(Math.addExact(numerator, other.numerator), denominator);
        }
        long divisor = gcd(denominator, other.denominator);
        long scale = other.denominator / divisor;
        long left = Math.multiplyExact(numerator, scale);
        long right = Math.multiplyExact(other.numerator, denominator / divisor);
        long sum = Math.addExact(left, right);
        if (sum == 0) {
            return ZERO;
        }
        // Both are reduced, so only what their denominators share can be left over in the sum (Knuth, The Art of
        // Computer Programming 2, 4.5.1).
        long rest = divisor == 1 ? 1 : gcd(Math.abs(sum), divisor);
        return new Fraction(sum / rest, Math.multiplyExact(denominator / rest, scale));
    }

    public Fraction minus(Fraction other) {
        return plus(other.negated());
    }

    public Fraction negated() {
        return new Fraction(-numerator, denominator);
    }

    public Fraction times(Fraction other) {
        if (numerator == denominator) {
            return other;
        }
        if (other.numerator == other.denominator) {
            return this;
        }
        long a = gcd(Math.abs(numerator), other.denominator);
        long b = gcd(Math.abs(other.numerator), denominator);
        return new Fraction(
                Math.multiplyExact(numerator / a, other.numerator / b),
                Math.multiplyExact(denominator / b, other.denominator / a));
    }

    public Fraction times(long factor) {
        return times(of(factor));
    }

    public Fraction dividedBy(Fraction other) {
        return times(other.inverted());
    }

    /** One divided by this. Throws IllegalArgumentException for 0. */
    public Fraction inverted() {
        return reduced(/* numerator= */ denominator, /* denominator= */ numerator);
    }

    public Fraction dividedBy(long divisor) {
        return dividedBy(of(divisor));
    }

    /** The rest after taking out as many whole {@code other}s as fit; never negative for a positive {@code other}. */
    public Fraction modulo(Fraction other) {
        Fraction quotient = dividedBy(other);
        return minus(other.times(Math.floorDiv(quotient.numerator, quotient.denominator)));
    }

    public boolean isZero() {
        return numerator == 0;
    }

    public boolean isPositive() {
        return numerator > 0;
    }

    public boolean isLessThan(Fraction other) {
        return compareTo(other) < 0;
    }

    public boolean isMoreThan(Fraction other) {
        return compareTo(other) > 0;
    }

    public Fraction min(Fraction other) {
        return isLessThan(other) ? this : other;
    }

    public Fraction max(Fraction other) {
        return isLessThan(other) ? other : this;
    }

    public double toDouble() {
        return (double) numerator / denominator;
    }

    @Override
    public int compareTo(Fraction other) {
        if (denominator == other.denominator) {
            return Long.compare(numerator, other.numerator);
        }
        return Long.compare(
                Math.multiplyExact(numerator, other.denominator), Math.multiplyExact(other.numerator, denominator));
    }

    @Override
    public String toString() {
        return denominator == 1 ? Long.toString(numerator) : numerator + "/" + denominator;
    }

    /** The least number that both divide. */
    public static long leastCommonMultiple(long one, long other) {
        long a = one;
        long b = other;
        while (b != 0) {
            long rest = a % b;
            a = b;
            b = rest;
        }
        return one / a * other;
    }
}
