package wildflourish.core.music;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Reading;

/** Written, fingered and sounding pitch; frequencies by ISO 16:1975 (A4 = 440 Hz) in equal temperament. */
class PitchTest {
    /** Source: ISO 16, f = 440 · 2^((m − 69) / 12); the figures in hertz as published in any table of equal temperament. */
    @ParameterizedTest
    @CsvSource({"69, 440.0", "57, 220.0", "81, 880.0", "60, 261.626", "74, 587.330", "72, 523.251", "62, 293.665"})
    void soundsAtTheFrequencyOfIso16(int midi, double hertz) {
        assertThat(SoundingPitch.of(midi).hertz()).isCloseTo(hertz, within(0.001));
    }

    @Test
    void aHundredCentsAreASemitone() {
        assertThat(new SoundingPitch(69, 100).hertz())
                .isCloseTo(SoundingPitch.of(70).hertz(), within(1e-9));
    }

    /** Common practice, high trust: what whistles, flutes and pipes sound for what is written. */
    @ParameterizedTest
    @CsvSource({
        "whistle-d, D4, D4, 587.33",
        "flute-d, D4, D4, 293.66",
        "whistle-c, C4, D4, 523.25",
        "whistle-c-as-d, D4, D4, 523.25",
        "mouth-blown-pipes, A4, A4, 476"
    })
    void writtenFingeredAndSoundingAreThreePitches(String name, String written, String fingered, double hertz) {
        Instrument instrument = Instrument.of(name);
        Reading reading = instrument.reading();
        WrittenPitch pitch = WrittenPitch.parse(written);
        assertThat(reading.fingered(pitch)).hasToString(fingered);
        assertThat(instrument.sounding(pitch).hertz())
                .isCloseTo(hertz, within(hertz > 470 && hertz < 480 ? 1.0 : 0.01));
    }

    @Test
    void writtenAndFingeredUndoEachOther() {
        for (String name : new String[] {"whistle-d", "whistle-c", "whistle-c-as-d"}) {
            Reading reading = Instrument.of(name).reading();
            for (int midi = 50; midi < 90; midi++) {
                FingeredPitch fingered = reading.fingered(WrittenPitch.ofMidi(midi));
                assertThat(reading.writtenMidi(fingered)).isEqualTo(midi);
            }
        }
    }

    @Test
    void everyMidiNumberComesBackFromItsName() {
        for (int midi = 12; midi < 120; midi++) {
            WrittenPitch pitch = WrittenPitch.ofMidi(midi);
            assertThat(pitch.midi()).isEqualTo(midi);
            assertThat(WrittenPitch.parse(pitch.toString())).isEqualTo(pitch);
        }
    }

    @ParameterizedTest
    @CsvSource({"F♯4, 66", "F#4, 66", "Bb3, 58", "C♮5, 72", "c4, 60", "B♯3, 60", "C♭4, 59", "E♭♭4, 62"})
    void namesAreReadInEitherSpelling(String name, int midi) {
        assertThat(WrittenPitch.parse(name).midi()).isEqualTo(midi);
    }

    @ParameterizedTest
    @CsvSource({"H4", "F", "♯4", "F♯♯♯4", "''"})
    void aNameThatIsNoPitchIsRefused(String name) {
        assertThatThrownBy(() -> WrittenPitch.parse(name))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("F♯4");
    }

    @Test
    void transposingUpAnOctaveKeepsTheStep() {
        for (Step step : Step.values()) {
            WrittenPitch low = WrittenPitch.of(step, 1, 4);
            WrittenPitch high = WrittenPitch.of(step, 1, 5);
            assertThat(high.midi() - low.midi()).isEqualTo(12);
            assertThat(high.staffStep() - low.staffStep()).isEqualTo(7);
            assertThat(high.letter()).isEqualTo(low.letter());
        }
    }
}
