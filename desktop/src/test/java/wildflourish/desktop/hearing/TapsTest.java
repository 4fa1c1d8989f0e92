package wildflourish.desktop.hearing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class TapsTest {
    private static final double BEAT = 500;

    @Test
    void theMiddleTapTellsHowLateTheSoundIs() {
        Taps taps = new Taps(BEAT);
        List<Integer> late = List.of(210, 130, 62, 55, 48, 61, 300, 58);
        for (int i = 0; i < late.size(); i++) {
            assertThat(taps.latencyMillis()).as("not enough yet").isEmpty();
            taps.tap(i * BEAT + late.get(i));
        }
        assertThat(taps.count()).isEqualTo(Taps.ENOUGH);
        assertThat(taps.latencyMillis()).as("between 58 and 61").contains(60);
    }

    @Test
    void whoTapsBeforeTheBeatHearsNothingEarly() {
        Taps taps = new Taps(BEAT);
        for (int i = 1; i <= Taps.ENOUGH; i++) {
            taps.tap(i * BEAT - 20);
        }
        assertThat(taps.latencyMillis()).contains(0);
    }
}
