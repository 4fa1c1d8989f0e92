package wildflourish.core.ornament;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;

/** Clean-up-to tempos against numbers worked by hand: 35 ms for a cut or tap, 62 ms for the listener's floor (common practice). */
class CleanUpToTest {
    private static final String WORKED = """
            cut,        1, fluent,  97,  1/2, 154.6
            cut,        1, fluent,  97,  3/8, 206.2
            cut,        1, fluent,  97,  1/4, 309.3
            tap,        1, fluent,  97,  1/2, 154.6
            cut,        1, steady,  111, 1/2, 135.1
            tap,        1, steady,  111, 1/2, 135.1
            cut,        1, learner, 132, 1/2, 113.6
            short-roll, 2, fluent,  194, 1/2, 154.6
            short-roll, 2, learner, 264, 1/2, 113.6
            long-roll,  3, fluent,  291, 1/2, 154.6
            long-roll,  3, fluent,  291, 3/8, 206.2
            cran,       2, fluent,  194, 1/2, 154.6
            cran,       2, learner, 280, 1/2, 107.1
            """;

    @ParameterizedTest
    @CsvSource(textBlock = WORKED)
    void theWorkedNumbersComeOutExactly(
            String ornament, int quavers, String student, int needs, String beat, double clean) {
        Shape shape = shape(ornament, quavers);
        Times times = Profile.of(student).times();
        Tempo tempo = shape.cleanUpTo(Fraction.of(quavers, 8), Fraction.parse(beat), times);
        assertThat(shape.needMillis(times)).isEqualTo(Fraction.of(needs));
        assertThat(Math.round(tempo.beatsPerMinute().toDouble() * 10) / 10.0).isEqualTo(clean);
    }

    @ParameterizedTest
    @CsvSource(textBlock = WORKED)
    void itIsCleanAtThatTempoAndNotATenthAbove(
            String ornament, int quavers, String student, int needs, String beat, double clean) {
        Shape shape = shape(ornament, quavers);
        Times times = Profile.of(student).times();
        Fraction length = Fraction.of(quavers, 8);
        Tempo tempo = shape.cleanUpTo(length, Fraction.parse(beat), times);
        Tempo faster = new Tempo(tempo.beatsPerMinute().plus(Fraction.of(1, 10)), tempo.beatLength());
        assertThat(tempo.millisOf(length)).isEqualTo(shape.needMillis(times));
        assertThat(faster.millisOf(length)).isLessThan(shape.needMillis(times));
    }

    /** Handed down among players: at 145 crotchets a single tap on a polka quaver is still clean for a fluent player. */
    @Test
    void aSingleTapOnAPolkaQuaverIsCleanAt145() {
        Tempo clean = shape("tap", 1)
                .cleanUpTo(
                        Fraction.of(1, 8),
                        Fraction.of(1, 4),
                        Profile.of("fluent").times());
        assertThat(clean.beatsPerMinute()).isGreaterThan(Fraction.of(145));
    }

    @Test
    void theListenersFloorDoesNotGrowWithTheStudent() {
        assertThat(Profile.of("learner").times().floor()).isEqualTo(Fraction.of(62));
        assertThat(Profile.of("learner").times().of(Gesture.CUT)).isEqualTo(Fraction.of(70));
        assertThat(Profile.of("steady").times().of(Gesture.TAP)).isEqualTo(Fraction.of(49));
    }

    @Test
    void ashapeThatHasNoSpanOfItsOwnTakesAnyLength() {
        assertThat(Ornament.of("cut").shapeFor(Fraction.of(5, 16))).isPresent();
        assertThat(Ornament.of("long-roll").shapeFor(Fraction.of(1, 4))).isEmpty();
        assertThat(Ornament.of("cran").shapeFor(Fraction.of(1, 4)).orElseThrow().parts())
                .hasSize(2);
        assertThat(Ornament.of("cran").shapeFor(Fraction.of(3, 8)).orElseThrow().parts())
                .hasSize(3);
        assertThatThrownBy(() -> new Shape(List.of(Gesture.CUT, Gesture.TAP), Optional.empty()))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void biggerOrnamentsGrowFromSmallerOnes() {
        Ornament roll = Ornament.of("long-roll");
        assertThat(roll.growsFrom(Ornament.of("cut"))).isTrue();
        assertThat(roll.growsFrom(Ornament.of("short-roll"))).isTrue();
        assertThat(Ornament.of("cut").growsFrom(roll)).isFalse();
        for (Ornament ornament : Ornament.all()) {
            for (String smaller : ornament.manner().growsFrom()) {
                assertThat(Ornament.of(smaller).manner().weight())
                        .isLessThan(ornament.manner().weight());
            }
        }
    }

    @Test
    void anUnknownNameIsAnsweredWithThoseThereAre() {
        assertThatThrownBy(() -> Ornament.of("wobble")).hasMessageContaining("long-roll");
        assertThatThrownBy(() -> Profile.of("genius")).hasMessageContaining("learner");
    }

    private static Shape shape(String ornament, int quavers) {
        return Ornament.of(ornament).shapeFor(Fraction.of(quavers, 8)).orElseThrow();
    }
}
