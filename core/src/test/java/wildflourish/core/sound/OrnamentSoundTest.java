package wildflourish.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import wildflourish.core.Melody;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** What ornaments sound like, measured from the samples of a pure tone alone. */
class OrnamentSoundTest {
    private static final double RATE = Synth.SAMPLE_RATE;
    /** One partial, no noise, a quick attack. */
    private static final Tone PURE = new Tone(2, Optional.empty(), 6, 0, 0, List.of(1.0));

    private static Realisation realise(String instrument, String melody, String stack, int note, int tempo) {
        Tune tune = Melody.reel(melody);
        Playing playing = Playing.usual(tune, Instrument.of(instrument)).withTempo(Tempo.of(tempo, Fraction.of(1, 2)));
        Version plain = Version.plain("sound", playing);
        Version version = stack.isEmpty()
                ? plain
                : plain.with(tune, Spot.of(Placement.of(Stack.parse(stack), Melody.span(note, note))));
        return Realiser.realise(tune, version, Profile.usual());
    }

    /** Hertz around a time, from the zero crossings nearest to it. */
    private static double hertzAt(float[] samples, double millis) {
        int middle = (int) (millis * RATE / 1000);
        double before = crossing(samples, middle, -1);
        double after = crossing(samples, middle + 1, 1);
        return RATE / (after - before);
    }

    /** The rising zero crossing before or after a sample, between samples. */
    private static double crossing(float[] samples, int from, int step) {
        int i = from;
        while (!(samples[i - 1] < 0 && samples[i] >= 0)) {
            i += step;
        }
        return i - samples[i] / (samples[i] - samples[i - 1]);
    }

    @Test
    void aSlideIsWhereTheRealisationSaysByPhase() {
        Realisation realisation = realise("whistle-d", "E4:2 F♯4:4 A4:2 |", "slide-in", 1, 60);
        Moment slide = realisation.moments().stream()
                .filter(moment -> moment.sounding()
                        .filter(each -> !each.melody().glide().isLevel())
                        .isPresent())
                .findFirst()
                .orElseThrow();
        assertThat(slide.lengthMillis()).isEqualTo(Fraction.of(100));
        assertThat(slide.held().orElseThrow().fingering())
                .as("finger 5 draws off its hole from E to F♯")
                .hasToString("XXXXhO");
        float[] samples = Synth.render(realisation, PURE);
        double length = slide.lengthMillis().toDouble();
        int measured = 0;
        for (double at = 12; at < length - 8; at += 2) {
            double wanted = slide.sounding().orElseThrow().semitonesAt(at, length);
            double hertz = hertzAt(samples, slide.startMillis().toDouble() + at);
            double heard = 69 + 12 * Math.log(hertz / 440) / Math.log(2);
            assertThat((heard - wanted) * 100).as("at " + at + " ms").isCloseTo(0, within(5.0));
            measured++;
        }
        assertThat(measured).isGreaterThan(30);
    }

    @Test
    void aStopIsSilentWhereItSays() {
        Realisation realisation = realise("whistle-d", "G4:4 A4:4 |", "stop", 0, 60);
        Moment silence = realisation.moments().stream()
                .filter(moment -> moment.sounding().isEmpty())
                .findFirst()
                .orElseThrow();
        float[] samples = Synth.render(realisation, PURE);
        double from = silence.startMillis().toDouble();
        assertThat(level(samples, from - 40)).isGreaterThan(0.1);
        for (double at = from + 30; at < silence.endMillis().toDouble() - 3; at += 5) {
            assertThat(level(samples, at)).isLessThan(1e-3);
        }
    }

    private static double level(float[] samples, double millis) {
        int from = (int) ((millis - 3) * RATE / 1000);
        int to = (int) ((millis + 3) * RATE / 1000);
        double sum = 0;
        for (int i = from; i < to; i++) {
            sum += samples[i] * samples[i];
        }
        return Math.sqrt(sum / (to - from));
    }

    /** With the melody taken away, what is left is the same to the sample, whatever the melody does. */
    @Test
    void aDroneIsUnbrokenWhileTheMelodyMoves() {
        float[] plain = drones(realise("border-pipes", "A4:2 A4:2 B4:4 |", "", 0, 80));
        float[] dressed = drones(realise("border-pipes", "A4:2 A4:2 B4:4 |", "birl", 1, 80));
        float[] held = drones(realise("border-pipes", "E5:8 |", "", 0, 80));
        double loudest = 0;
        for (int i = 0; i < plain.length; i++) {
            assertThat(dressed[i]).isCloseTo(plain[i], within(1e-5f));
            assertThat(held[i]).isCloseTo(plain[i], within(1e-5f));
            loudest = Math.max(loudest, Math.abs(plain[i]));
        }
        assertThat(loudest).isGreaterThan(0.05);
    }

    private static float[] drones(Realisation realisation) {
        float[] all = Synth.render(realisation, PURE);
        float[] melody = Synth.render(realisation.withoutDrones(), PURE);
        for (int i = 0; i < all.length; i++) {
            all[i] -= melody[i] / 1.55f;
        }
        return all;
    }

    @Test
    void aWaveGoesOnlyBelowWhereTheFingerShades() {
        Realisation realisation = realise("flute-d", "F♯4:8 |", "finger-vibrato", 0, 40);
        float[] samples = Synth.render(realisation, PURE);
        double hertz =
                realisation.moments().get(0).sounding().orElseThrow().pitch().hertz();
        double least = 0;
        double most = -100;
        for (double at = 100; at < 900; at += 5) {
            double cents = 1200 * Math.log(hertzAt(samples, at) / hertz) / Math.log(2);
            least = Math.min(least, cents);
            most = Math.max(most, cents);
        }
        assertThat(least).isCloseTo(-20, within(2.0));
        assertThat(most).isCloseTo(0, within(2.0));
    }

    /** Drones: an octave and two below low A, which sounds A4 at 440 Hz on border pipes (common practice; ISO 16). */
    @Test
    void dronesLieOctavesBelowLowA() {
        assertThat(realise("border-pipes", "A4:8 |", "", 0, 80).drones().stream()
                        .map(voice -> voice.pitch().hertz()))
                .containsExactly(110.0, 220.0, 220.0);
        assertThat(Instrument.of("union-d-closed").drones())
                .extracting(Object::toString)
                .containsExactly("D2", "D3", "D4");
        assertThat(Instrument.of("whistle-d").drones()).isEmpty();
        Realisation silenced = realise("border-pipes", "A4:8 |", "", 0, 80).withoutDrones();
        assertThat(silenced.drones()).isEmpty();
    }
}
