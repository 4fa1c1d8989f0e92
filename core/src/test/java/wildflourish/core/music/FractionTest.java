package wildflourish.core.music;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FractionTest {
    @Test
    void isAlwaysReducedWithItsSignAbove() {
        assertThat(Fraction.of(6, -8)).isEqualTo(Fraction.of(-3, 4)).hasToString("-3/4");
        assertThat(Fraction.of(0, 5)).isEqualTo(Fraction.ZERO);
    }

    @Test
    void keepsTheLawsOfArithmetic() {
        Random random = new Random(1);
        for (int i = 0; i < 2000; i++) {
            Fraction a = any(random);
            Fraction b = any(random);
            Fraction c = any(random);
            assertThat(a.plus(b)).isEqualTo(b.plus(a));
            assertThat(a.plus(b).plus(c)).isEqualTo(a.plus(b.plus(c)));
            assertThat(a.times(b.plus(c))).isEqualTo(a.times(b).plus(a.times(c)));
            assertThat(a.plus(b).minus(b)).isEqualTo(a);
            if (!b.isZero()) {
                assertThat(a.times(b).dividedBy(b)).isEqualTo(a);
            }
            assertThat(a.compareTo(b)).isEqualTo(Double.compare(a.toDouble(), b.toDouble()));
        }
    }

    @Test
    void modulusLiesBetweenNothingAndTheDivisor() {
        Random random = new Random(2);
        for (int i = 0; i < 1000; i++) {
            Fraction a = any(random);
            Fraction b = Fraction.of(1 + random.nextInt(9), 1 + random.nextInt(16));
            Fraction rest = a.modulo(b);
            assertThat(rest.isLessThan(Fraction.ZERO)).isFalse();
            assertThat(rest).isLessThan(b);
            assertThat(a.minus(rest).dividedBy(b).denominator()).isEqualTo(1);
        }
    }

    @Test
    void parseReadsWhatToStringWrites() {
        Random random = new Random(3);
        for (int i = 0; i < 500; i++) {
            Fraction a = any(random);
            assertThat(Fraction.parse(a.toString())).isEqualTo(a);
        }
    }

    @ParameterizedTest
    @CsvSource({"112.5, 225/2", "3/8, 3/8", " 120 , 120", "0.125, 1/8"})
    void parseReadsDecimalsExactly(String text, String expected) {
        assertThat(Fraction.parse(text)).hasToString(expected);
    }

    @ParameterizedTest
    @CsvSource({"three", "1/x", "''", "1e99", "1/0"})
    void parseRefusesWhatIsNoFraction(String text) {
        assertThatThrownBy(() -> Fraction.parse(text)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void overflowIsToldAndNeverSilent() {
        Fraction huge = Fraction.of(Long.MAX_VALUE);
        assertThatThrownBy(() -> huge.plus(Fraction.ONE)).isInstanceOf(ArithmeticException.class);
        assertThatThrownBy(() -> huge.times(2)).isInstanceOf(ArithmeticException.class);
    }

    private static Fraction any(Random random) {
        return Fraction.of(random.nextInt(81) - 40, 1 + random.nextInt(48));
    }
}
