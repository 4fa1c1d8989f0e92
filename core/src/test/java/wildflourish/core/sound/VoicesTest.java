package wildflourish.core.sound;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.Melody;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;

/** Families of instruments told apart by attack, decay and spectrum, measured from the samples alone. */
class VoicesTest {
    private static final int MILLI = Synth.SAMPLE_RATE / 1000;

    private static Realisation realise(String melody, String instrument) {
        Tune tune = Melody.reel(melody);
        return Realiser.realise(
                tune, Version.plain("Root", Playing.usual(tune, Instrument.of(instrument))), Profile.usual());
    }

    /** The loudness of each millisecond, over windows of five. */
    private static double[] levels(float[] samples) {
        double[] levels = new double[samples.length / MILLI];
        for (int i = 0; i < levels.length; i++) {
            double sum = 0;
            int count = 0;
            for (int j = Math.max(0, (i - 2) * MILLI); j < Math.min(samples.length, (i + 3) * MILLI); j++) {
                sum += samples[j] * samples[j];
                count++;
            }
            levels[i] = Math.sqrt(sum / count);
        }
        return levels;
    }

    /** Milliseconds until nine tenths of the greatest loudness. */
    private static int attack(String instrument) {
        double[] levels = levels(Synth.render(realise("A4:8 |", instrument)));
        double most = 0;
        for (double level : levels) {
            most = Math.max(most, level);
        }
        int at = 0;
        while (levels[at] < 0.9 * most) {
            at++;
        }
        return at;
    }

    /** What is left of the loudness in the middle of a long note, of that soon after its beginning. */
    private static double held(String instrument) {
        double[] levels = levels(Synth.render(realise("A4:8 |", instrument)));
        return levels[levels.length * 6 / 10] / levels[80];
    }

    /** Where the middle of the spectrum lies, in multiples of the fundamental. */
    private static double brightness(String instrument) {
        Realisation realisation = realise("A4:8 |", instrument);
        double hertz =
                realisation.moments().get(0).sounding().orElseThrow().pitch().hertz();
        float[] samples = Synth.render(realisation);
        double weighed = 0;
        double sum = 0;
        for (int partial = 1; partial <= 8; partial++) {
            double sine = 0;
            double cosine = 0;
            for (int i = 100 * MILLI; i < 300 * MILLI; i++) {
                double angle = 2 * Math.PI * hertz * partial * i / Synth.SAMPLE_RATE;
                sine += samples[i] * Math.sin(angle);
                cosine += samples[i] * Math.cos(angle);
            }
            double strength = Math.hypot(sine, cosine);
            weighed += strength * partial;
            sum += strength;
        }
        return weighed / sum;
    }

    @Test
    void pluckedStringsSpeakAtOnceAndDieAwayBowedOnesAndReedsGoOn() {
        assertThat(attack("mandolin")).isLessThan(attack("whistle-d"));
        assertThat(attack("tenor-banjo")).isLessThan(12);
        assertThat(attack("fiddle")).isGreaterThan(attack("box-bc")).isGreaterThan(20);
        assertThat(held("mandolin")).isBetween(0.05, 0.5);
        assertThat(held("tenor-banjo")).isLessThan(held("mandolin"));
        for (String goesOn : List.of("fiddle", "box-bc", "english-48", "anglo-a", "whistle-d", "border-pipes")) {
            assertThat(held(goesOn)).as(goesOn).isGreaterThan(0.8);
        }
    }

    @Test
    void reedsAndStringsAreBrighterThanAWhistle() {
        double whistle = brightness("whistle-d");
        for (String bright :
                List.of("fiddle", "mandolin", "tenor-banjo", "banjo-open-g", "box-bc", "anglo-a", "border-pipes")) {
            assertThat(brightness(bright)).as(bright).isGreaterThan(whistle + 0.8);
        }
        assertThat(brightness("banjo-open-g")).isGreaterThan(brightness("fiddle"));
    }

    /** A bow change and a turn of the bellows are dips of the level where the realisation says that a note is begun anew, and nowhere else. */
    @ParameterizedTest
    @CsvSource({"fiddle, 0.75", "box-bc, 0.45", "anglo-a, 0.45"})
    void bowChangesAndTurnsOfTheBellowsAreHeard(String instrument, double most) {
        Realisation realisation = realise("D4:2 E4:2 F♯4:2 G4:2 | A4:2 B4:2 C♯5:2 D5:2 |", instrument);
        double[] levels = levels(Synth.render(realisation));
        List<Moment> moments = realisation.moments();
        int struck = 0;
        for (int i = 1; i < moments.size(); i++) {
            int at = (int) moments.get(i).startMillis().toDouble();
            double before = levels[at - 60];
            double least = Double.POSITIVE_INFINITY;
            for (int ms = at - 16; ms <= at + 2; ms++) {
                least = Math.min(least, levels[ms]);
            }
            boolean isStruck = moments.get(i).sounding().orElseThrow().begin().isStruck();
            struck += isStruck ? 1 : 0;
            assertThat(least < most * before)
                    .as(instrument + " at " + at + ": " + least / before)
                    .isEqualTo(isStruck);
        }
        assertThat(struck).isBetween(1, 7);
    }

    @Test
    void onTheBoxNotesOfOneDirectionGoOnIntoEachOther() {
        List<Begin> onsets = new ArrayList<>();
        realise("E4:1 F♯4:1 G4:1 G4:1 A4:1 |", "box-bc")
                .moments()
                .forEach(moment -> onsets.add(moment.sounding().orElseThrow().begin()));
        assertThat(onsets).containsExactly(Begin.STROKE, Begin.FINGERS, Begin.FINGERS, Begin.STROKE, Begin.STROKE);
    }

    /** How strong a pitch is in a sound, from 100 to 300 ms. */
    private static double strength(float[] samples, double hertz) {
        double sine = 0;
        double cosine = 0;
        for (int i = 100 * MILLI; i < 300 * MILLI; i++) {
            double angle = 2 * Math.PI * hertz * i / Synth.SAMPLE_RATE;
            sine += samples[i] * Math.sin(angle);
            cosine += samples[i] * Math.cos(angle);
        }
        return Math.hypot(sine, cosine) / (100 * MILLI);
    }

    /** A = 440 Hz (ISO 16): D4 and B4, neither a partial of the other, sound together on the fiddle; a whistle sounds the melody alone. */
    @Test
    void twoStringsAreHeardTogether() {
        double d4 = 440 * Math.pow(2, (62 - 69) / 12.0);
        double b4 = 440 * Math.pow(2, (71 - 69) / 12.0);
        float[] both = Synth.render(realise("D4+B4:8 |", "fiddle"));
        assertThat(strength(both, d4)).isGreaterThan(0.3 * strength(both, b4));
        float[] one = Synth.render(realise("B4:8 |", "fiddle"));
        assertThat(strength(one, d4)).isLessThan(0.05 * strength(one, b4));
        for (float sample : both) {
            assertThat(Math.abs(sample)).isLessThan(1f);
        }
        float[] refused = Synth.render(realise("C4+A4:8 |", "box-bc"));
        assertThat(strength(refused, 440 * Math.pow(2, (60 - 69) / 12.0)))
                .as("C is pressed and A drawn: the melody is left")
                .isLessThan(0.05 * strength(refused, 440));
    }
}
