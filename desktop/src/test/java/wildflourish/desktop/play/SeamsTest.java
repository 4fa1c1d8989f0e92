package wildflourish.desktop.play;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.PlayRange;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.sound.Synth;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;

/** Where one thing that is heard goes over into another: no step between samples is larger than those of steady play, and the sound does not give way. */
class SeamsTest {
    private static final Tune TUNE = BookReader.read(
                    "X:1\nT:Steps\nM:4/4\nR:reel\nL:1/4\nK:D\n(DEFG|A)(Bcd|e2)(dB|A4)|\n")
            .value()
            .lessons()
            .get(0)
            .tune();

    /** Over which loudness is measured, in samples: 5 ms. */
    private static final int WINDOW = Synth.SAMPLE_RATE / 200;

    /** 3 dB down, as a part of the loudness. */
    private static final double THREE_DECIBELS = Math.pow(10, -3.0 / 20);

    private static Realisation on(String instrument, Fraction speed) {
        Version version = Version.plain("Root", Playing.usual(TUNE, Instrument.of(instrument)));
        return Realiser.realise(
                TUNE, version, Profile.usual(), version.playing().tempo().times(speed));
    }

    private static Stream looped(Realisation realisation, PlayRange range) {
        return new Stream(new Performance(realisation, range.looped(true), Performance.CountIn.NONE), mark -> {});
    }

    private static float[] rendered(Stream stream, int millis) {
        float[] samples = new float[millis * Synth.SAMPLE_RATE / 1000];
        stream.render(samples, samples.length);
        return samples;
    }

    private static double largestStep(float[]... stretches) {
        double largest = 0;
        for (float[] samples : stretches) {
            for (int i = 1; i < samples.length; i++) {
                largest = Math.max(largest, Math.abs(samples[i] - samples[i - 1]));
            }
        }
        return largest;
    }

    private static double loudness(float[] samples, int from) {
        double sum = 0;
        for (int i = from; i < from + WINDOW; i++) {
            sum += samples[i] * samples[i];
        }
        return Math.sqrt(sum / WINDOW);
    }

    private static double quietest(float[] samples) {
        double quietest = Double.MAX_VALUE;
        for (int i = 0; i + WINDOW <= samples.length; i += WINDOW / 4) {
            quietest = Math.min(quietest, loudness(samples, i));
        }
        return quietest;
    }

    /** Joins what was rendered before and after something happened, so that the step between them counts. */
    private static float[] joined(float[] before, float[] after) {
        float[] all = new float[before.length + after.length];
        System.arraycopy(before, 0, all, 0, before.length);
        System.arraycopy(after, 0, all, before.length, after.length);
        return all;
    }

    /** The last and first of a stretch, in milliseconds, around its middle. */
    private static float[] around(float[] samples, int at, int millis) {
        int reach = millis * Synth.SAMPLE_RATE / 1000;
        float[] part = new float[2 * reach];
        System.arraycopy(samples, at - reach, part, 0, part.length);
        return part;
    }

    /** Plays a while, does something, plays on: the seam against the steady play before and after it. */
    private static void seam(String instrument, Realisation other) {
        Realisation first = on(instrument, Fraction.ONE);
        Stream stream = looped(first, PlayRange.whole(first));
        rendered(stream, 150);
        float[] before = rendered(stream, 400);
        stream.change(other);
        float[] after = rendered(stream, 600);
        float[] seam = around(joined(before, after), before.length, 20);
        float[] steady = rendered(stream, 600);
        assertThat(largestStep(seam)).isLessThanOrEqualTo(1.02 * largestStep(before, steady));
        double usual = Math.min(
                quietest(around(before, before.length / 2, 60)), quietest(around(steady, steady.length / 2, 60)));
        assertThat(quietest(seam)).isGreaterThanOrEqualTo(usual * THREE_DECIBELS);
    }

    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "border-pipes", "fiddle", "box-bc", "english-48"})
    void anotherTempoIsNoClick(String instrument) {
        seam(instrument, on(instrument, Fraction.of(3, 4)));
    }

    @ParameterizedTest
    @ValueSource(strings = {"flute-d", "fiddle", "box-bc"})
    void anotherInstrumentIsNoClick(String instrument) {
        seam("whistle-d", on(instrument, Fraction.ONE));
    }

    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "border-pipes", "fiddle", "box-bc"})
    void roundAndRoundIsNoClick(String instrument) {
        Realisation realisation = on(instrument, Fraction.ONE);
        double whole = realisation.tempo().millisOf(Fraction.ONE).toDouble();
        // From within a slur to within a slur: nothing in the music itself gives way there.
        PlayRange range = new PlayRange(Fraction.of(1, 4), Fraction.of(3, 4), true);
        Stream stream = looped(realisation, range);
        float[] all = rendered(stream, (int) (2.4 * whole));
        int length = (int) (whole / 2 * Synth.SAMPLE_RATE / 1000);
        int reach = 20 * Synth.SAMPLE_RATE / 1000;
        List<float[]> steady = IntStream.range(0, 4)
                .mapToObj(round -> Arrays.copyOfRange(all, round * length + reach, (round + 1) * length - reach))
                .toList();
        double usual = steady.stream().mapToDouble(SeamsTest::quietest).min().orElseThrow();
        for (int round = 1; round <= 3; round++) {
            float[] seam = around(all, round * length, 20);
            assertThat(largestStep(seam))
                    .as("round " + round)
                    .isLessThanOrEqualTo(1.02 * largestStep(steady.toArray(new float[0][])));
            assertThat(quietest(seam)).isGreaterThanOrEqualTo(usual * THREE_DECIBELS);
        }
    }

    @Test
    void whatIsStoppedFadesAndIsOver() {
        Realisation realisation = on("whistle-d", Fraction.ONE);
        Stream stream = looped(realisation, PlayRange.whole(realisation));
        float[] before = rendered(stream, 300);
        stream.end();
        float[] after = rendered(stream, 20);
        assertThat(largestStep(joined(before, after))).isLessThanOrEqualTo(1.02 * largestStep(before));
        assertThat(stream.isOver()).isTrue();
        assertThat(largestStep(rendered(stream, 10))).isZero();
    }

    @Test
    void aMarkIsSetWhereSomethingElseBegins() {
        Realisation realisation = on("whistle-d", Fraction.ONE);
        List<Stream.Mark> marks = new ArrayList<>();
        Consumer<Stream.Mark> taker = marks::add;
        Stream stream = new Stream(
                new Performance(
                        realisation,
                        List.of(new PlayRange(Fraction.ZERO, Fraction.of(1, 4), false)),
                        true,
                        new Performance.CountIn(Fraction.ONE, Fraction.of(1, 2))),
                taker);
        rendered(stream, 4000);
        assertThat(marks.stream().map(Stream.Mark::wholeNotes))
                .containsExactly(Optional.empty(), Optional.of(0.0), Optional.empty());
        assertThat(stream.isOver()).isTrue();
    }
}
