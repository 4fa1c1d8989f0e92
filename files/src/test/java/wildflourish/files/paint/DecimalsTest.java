package wildflourish.files.paint;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DecimalsTest {
    private static String written(double value) {
        return Decimals.append(new StringBuilder(), value).toString();
    }

    @ParameterizedTest
    @CsvSource({
        "1.5004, 1.5",
        "1.9999, 2",
        "-0.25, -0.25",
        "0, 0",
        "-0.0001, 0",
        "0.007, 0.007",
        "-12.05, -12.05",
        "100, 100"
    })
    void aNumberHasThreePlacesAtMost(double value, String words) {
        assertThat(written(value)).isEqualTo(words);
    }

    /** Against the JDK's own decimals; seed 8. */
    @Test
    void itIsWhatTheJdkRoundsTo() {
        Random random = new Random(8);
        for (int i = 0; i < 20_000; i++) {
            double value = (random.nextDouble() - 0.5) * 400;
            BigDecimal rounded =
                    BigDecimal.valueOf(value).setScale(3, RoundingMode.HALF_UP).stripTrailingZeros();
            if (BigDecimal.valueOf(value)
                            .remainder(BigDecimal.valueOf(0.001))
                            .abs()
                            .doubleValue()
                    != 0.0005) {
                assertThat(new BigDecimal(written(value))).isEqualByComparingTo(rounded);
            }
        }
    }
}
