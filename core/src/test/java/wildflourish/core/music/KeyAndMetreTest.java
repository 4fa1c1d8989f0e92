package wildflourish.core.music;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class KeyAndMetreTest {
    /** Source: the table of keys and modes in the ABC standard 2.1, section 3.1.14 (music theory). */
    @ParameterizedTest
    @CsvSource({
        "D, 0, MAJOR, 2",
        "G, 0, MAJOR, 1",
        "A, 0, MAJOR, 3",
        "E, 0, DORIAN, 2",
        "A, 0, DORIAN, 1",
        "D, 0, MIXOLYDIAN, 1",
        "A, 0, MIXOLYDIAN, 2",
        "B, 0, MINOR, 2",
        "E, 0, MINOR, 1",
        "G, 0, MINOR, -2",
        "C, 0, PHRYGIAN, -4",
        "F, 0, LYDIAN, 0",
        "B, 0, LOCRIAN, 0",
        "B, -1, MAJOR, -2",
        "F, 1, MINOR, 3",
        "C, 1, MAJOR, 7",
        "C, -1, MAJOR, -7",
        "D, 0, AEOLIAN, -1"
    })
    void aModeHasTheSignatureOfItsRelativeMajor(Step tonic, int alter, Mode mode, int fifths) {
        assertThat(Key.of(tonic, alter, mode).fifths()).isEqualTo(fifths);
    }

    /** Music theory: D major sharpens F and C; its flat third and seventh are F natural and C natural. */
    @Test
    void theFlatThirdAndSeventhOfDAreNaturals() {
        Key major = Key.of(Step.D, 0, Mode.MAJOR);
        Key minor = Key.of(Step.D, 0, Mode.DORIAN);
        assertThat(List.of(major.alterOf(Step.F), major.alterOf(Step.C))).containsExactly(1, 1);
        assertThat(List.of(minor.alterOf(Step.F), minor.alterOf(Step.C))).containsExactly(0, 0);
    }

    @Test
    void signaturesAreDrawnInTheOrderOfTheCircleOfFifths() {
        assertThat(Key.of(Step.E, 0, Mode.MAJOR).signatureSteps()).containsExactly(Step.F, Step.C, Step.G, Step.D);
        assertThat(Key.of(Step.E, -1, Mode.MAJOR).signatureSteps()).containsExactly(Step.B, Step.E, Step.A);
    }

    /** Common practice for the nine-note chanter: F and C are sharp whether or not the signature says so. */
    @Test
    void thePipeScaleHoldsWithAndWithoutItsSignature() {
        for (boolean shown : new boolean[] {true, false}) {
            assertThat(Key.pipes(shown).alterOf(Step.F)).isEqualTo(1);
            assertThat(Key.pipes(shown).alterOf(Step.C)).isEqualTo(1);
            assertThat(Key.pipes(shown).alterOf(Step.G)).isZero();
        }
        assertThat(Key.pipes(false).signatureSteps()).isEmpty();
    }

    @Test
    void explicitAccidentalsOverruleTheSignature() {
        Key key = Key.of(Step.D, 0, Mode.MAJOR).withExtra(Map.of(Step.C, 0, Step.G, 1));
        assertThat(key.alterOf(Step.C)).isZero();
        assertThat(key.alterOf(Step.G)).isEqualTo(1);
        assertThat(key.alterOf(Step.F)).isEqualTo(1);
    }

    @Test
    void aSignatureHasAtMostSevenSigns() {
        assertThatThrownBy(() -> Key.of(Step.G, 1, Mode.MAJOR)).isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @CsvSource({
        "4, 4, 1, false, 1/4, 1/2", "2, 2, 1, false, 1/2, 1/2", "6, 8, 3/4, true, 3/8, 3/8",
                "9, 8, 9/8, true, 3/8, 3/8",
        "12, 8, 3/2, true, 3/8, 3/8", "2, 4, 1/2, false, 1/4, 1/2", "3, 4, 3/4, false, 1/4, 1/4",
                "3, 8, 3/8, false, 1/8, 3/8"
    })
    void aMetreKnowsItsBarItsBeatAndItsBeams(
            int count, int unit, String bar, boolean isCompound, String beat, String beam) {
        Metre metre = Metre.of(count, unit);
        assertThat(metre.barLength()).hasToString(bar);
        assertThat(metre.isCompound()).isEqualTo(isCompound);
        assertThat(metre.countLength()).hasToString(beat);
        assertThat(metre.beamLength()).hasToString(beam);
    }

    @Test
    void aFreeMetreCountsNothing() {
        assertThat(Metre.FREE.isFree()).isTrue();
        assertThat(Metre.FREE.isCompound()).isFalse();
        assertThat(Metre.FREE).hasToString("none");
    }

    @Test
    void aMetreThatCannotBeCountedIsRefused() {
        assertThatThrownBy(() -> Metre.of(4, 3)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Metre.of(0, 4)).isInstanceOf(IllegalArgumentException.class);
    }

    /** Arithmetic: a reel at 112 minims gives quavers of about 134 ms, a jig at 120 of 167 ms. */
    @Test
    void tempoTurnsLengthsIntoMilliseconds() {
        Tempo reel = Tempo.of(112, Fraction.of(1, 2));
        Tempo jig = Tempo.of(120, Fraction.of(3, 8));
        assertThat(Math.round(reel.millisOf(Fraction.of(1, 8)).toDouble())).isEqualTo(134);
        assertThat(Math.round(jig.millisOf(Fraction.of(1, 8)).toDouble())).isEqualTo(167);
        assertThat(Tempo.atWhich(Fraction.of(1, 8), reel.millisOf(Fraction.of(1, 8)), Fraction.of(1, 2)))
                .isEqualTo(reel);
        assertThat(reel.times(Fraction.of(1, 10)).millisOf(Fraction.ONE)).isEqualTo(reel.millisOf(Fraction.of(10)));
    }
}
