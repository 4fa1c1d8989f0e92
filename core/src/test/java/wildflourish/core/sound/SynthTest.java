package wildflourish.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.Melody;
import wildflourish.core.RandomVersions;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** The sound measured from its samples alone. */
class SynthTest {
    private static final double RATE = Synth.SAMPLE_RATE;
    private static final Instrument WHISTLE = Instrument.of("whistle-d");

    /** Source: ISO 16, A4 = 440 Hz; measured by the drift of phase against the published frequency. */
    @ParameterizedTest
    @ValueSource(strings = {"D4", "F♯4", "A4", "C♯5", "D5", "B5"})
    void aSteadyNoteIsWithinThreeCents(String name) {
        Tune tune = Melody.reel(name + ":8 |");
        float[] samples = Synth.render(realise(tune, plain(tune)));
        int midi = WrittenPitch.parse(name).midi() + 12;
        double hertz = 440 * Math.pow(2, (midi - 69) / 12.0);
        double drift = phaseAt(samples, 20_000, hertz) - phaseAt(samples, 12_000, hertz);
        drift = Math.atan2(Math.sin(drift), Math.cos(drift));
        double measured = hertz + drift / (2 * Math.PI) * RATE / 8000;
        assertThat(1200 * Math.log(measured / hertz) / Math.log(2)).isCloseTo(0, within(3.0));
    }

    /** Phase of a frequency in a window of 2048 samples from a place on, against a clock that runs at that frequency. */
    private static double phaseAt(float[] samples, int from, double hertz) {
        double sine = 0;
        double cosine = 0;
        for (int i = from; i < from + 2048; i++) {
            double angle = 2 * Math.PI * hertz * i / RATE;
            double window = 0.5 - 0.5 * Math.cos(2 * Math.PI * (i - from) / 2048);
            sine += window * samples[i] * Math.sin(angle);
            cosine += window * samples[i] * Math.cos(angle);
        }
        return Math.atan2(cosine, sine);
    }

    @ParameterizedTest
    @ValueSource(strings = {"cut", "tap"})
    void aGestureBeginsWithinThreeMillisecondsOfItsPlace(String ornament) {
        Tune tune = Melody.reel("G4:4 G4:4 |");
        Realisation realisation = realise(tune, placed(tune, ornament));
        Moment gesture = realisation.moments().stream()
                .filter(Moment::isGesture)
                .findFirst()
                .orElseThrow();
        List<double[]> periods = periods(Synth.render(realisation));
        double steady = 1000
                / realisation.moments().get(0).sounding().orElseThrow().pitch().hertz();
        double onset = periods.stream()
                .filter(each -> each[0] > 100 && Math.abs(each[1] / steady - 1) > 0.02)
                .mapToDouble(each -> each[0])
                .findFirst()
                .orElseThrow();
        assertThat(onset).isCloseTo(gesture.startMillis().toDouble(), within(3.0));
    }

    /** Rising zero crossings: for each, its time in milliseconds and the time since the one before. */
    private static List<double[]> periods(float[] samples) {
        List<double[]> periods = new ArrayList<>();
        double last = Double.NaN;
        for (int i = 1; i < samples.length; i++) {
            if (samples[i - 1] < 0 && samples[i] >= 0) {
                double at = (i - samples[i] / (samples[i] - samples[i - 1])) * 1000 / RATE;
                if (!Double.isNaN(last)) {
                    periods.add(new double[] {at, at - last});
                }
                last = at;
            }
        }
        return periods;
    }

    @ParameterizedTest
    @ValueSource(strings = {"cut", "tap"})
    void theLevelHoldsThroughAGesture(String ornament) {
        Tune tune = Melody.reel("G4:4 G4:4 |");
        Realisation realisation = realise(tune, placed(tune, ornament));
        Moment gesture = realisation.moments().stream()
                .filter(Moment::isGesture)
                .findFirst()
                .orElseThrow();
        float[] samples = Synth.render(realisation);
        double start = gesture.startMillis().toDouble();
        double before = level(samples, start - 30);
        for (double at = start - 6; at < gesture.endMillis().toDouble() + 6; at += 0.5) {
            assertThat(20 * Math.log10(level(samples, at) / before)).isGreaterThan(-3);
        }
    }

    /** Root mean square over six milliseconds around a time. */
    private static double level(float[] samples, double millis) {
        int from = (int) ((millis - 3) * RATE / 1000);
        int to = (int) ((millis + 3) * RATE / 1000);
        double sum = 0;
        for (int i = from; i < to; i++) {
            sum += samples[i] * samples[i];
        }
        return Math.sqrt(sum / (to - from));
    }

    @Test
    void theTongueIsHeardAsADipBetweenEqualNotes() {
        Tune tune = Melody.reel("G4:4 G4:4 |");
        Realisation realisation = realise(tune, plain(tune));
        float[] samples = Synth.render(realisation);
        double second = realisation.moments().get(1).startMillis().toDouble();
        assertThat(level(samples, second - 3)).isLessThan(level(samples, second - 60) / 2);
    }

    /** A steady sum of partials moves at most by its steepest slope from sample to sample; joins may not exceed it. */
    @Test
    void noJoinJumps() {
        RandomVersions generator = new RandomVersions(3);
        for (int round = 0; round < 6; round++) {
            Tune tune = generator.tune();
            Realisation realisation = realise(tune, generator.version(tune));
            double highest = realisation.moments().stream()
                    .flatMap(moment -> moment.sounding().stream())
                    .mapToDouble(sounding -> sounding.pitch().hertz())
                    .max()
                    .orElseThrow();
            float[] samples = Synth.render(realisation);
            double steepest = 0;
            for (int i = 1; i < samples.length; i++) {
                steepest = Math.max(steepest, Math.abs(samples[i] - samples[i - 1]));
            }
            assertThat(steepest).isLessThan(0.42 * 1.95 * 2 * Math.PI * highest / RATE + 0.01);
        }
    }

    @Test
    void silenceIsSilentAndNothingIsCutOff() {
        Tune tune = Melody.reel("G4:2 r:4 B5:2 |");
        Realisation realisation = realise(tune, plain(tune));
        float[] samples = Synth.render(realisation);
        assertThat(level(samples, realisation.moments().get(1).endMillis().toDouble() - 50))
                .isLessThan(1e-3);
        for (float sample : samples) {
            assertThat(Math.abs(sample)).isLessThan(1f);
        }
        assertThat(Math.abs(samples[samples.length - 1])).isLessThan(0.01f);
    }

    @Test
    void renderingIsAPureFunctionHoweverItIsCutUp() {
        Tune tune = new RandomVersions(9).tune();
        Realisation realisation = realise(tune, plain(tune));
        float[] whole = Synth.render(realisation);
        Synth synth = new Synth(realisation, 0);
        float[] block = new float[441];
        for (int at = 0; at + 441 <= 44_100; at += 441) {
            synth.render(at * 1000.0 / RATE, block, 441);
            for (int i = 0; i < 441; i++) {
                assertThat(block[i]).isCloseTo(whole[at + i], within(1e-3f));
            }
        }
        assertThat(Synth.render(realisation)).isEqualTo(whole);
    }

    @Test
    void theCountInKnocksAndDiesAway() {
        assertThat(Click.at(-1, true)).isZero();
        assertThat(Click.at(40, true)).isZero();
        double loudest = 0;
        for (double at = 0; at < 35; at += 0.05) {
            loudest = Math.max(loudest, Math.abs(Click.at(at, true)));
            assertThat(Math.abs(Click.at(at, false))).isLessThan(1f);
        }
        assertThat(loudest).isGreaterThan(0.2);
    }

    private static Realisation realise(Tune tune, Version version) {
        return Realiser.realise(tune, version, Profile.usual());
    }

    private static Version plain(Tune tune) {
        return Version.plain("Root", Playing.usual(tune, WHISTLE));
    }

    private static Version placed(Tune tune, String ornament) {
        return plain(tune).with(tune, Spot.of(Placement.of(Ornament.of(ornament), Melody.span(1, 1))));
    }
}
