package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.performance.Reeds;
import wildflourish.core.sound.Synth;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;

/** What ornaments on boxes and concertinas sound like, measured on the samples. */
class ButtonSoundTest {
    private static final int WINDOW_MILLIS = 6;

    private static Tune tune(String body) {
        return BookReader.read("X:1\nT:Sound\nR:jig\nM:6/8\nL:1/8\nK:G\n" + body + "\n")
                .value()
                .lessons()
                .get(0)
                .tune();
    }

    private static Realisation realised(String instrument, String body, String stack) {
        Tune tune = tune(body);
        Version version = Version.plain("Bud", Playing.usual(tune, Instrument.of(instrument)));
        Version placed = stack.isEmpty()
                ? version
                : version.with(
                        tune,
                        Spot.of(Placement.of(
                                Stack.parse(
                                        stack, version.playing().instrument().family()),
                                Span.of(new NoteId(0)))));
        return Realiser.realise(tune, placed, Profile.usual());
    }

    /** The level from one time to another, the least or the greatest of short stretches. */
    private static double level(float[] samples, double fromMillis, double toMillis, boolean isLeast) {
        int window = Synth.SAMPLE_RATE * WINDOW_MILLIS / 1000;
        double found = isLeast ? Double.POSITIVE_INFINITY : 0;
        for (int at = sample(fromMillis); at + window < sample(toMillis); at += window / 2) {
            double sum = 0;
            for (int i = at; i < at + window; i++) {
                sum += samples[i] * samples[i];
            }
            double level = Math.sqrt(sum / window);
            found = isLeast ? Math.min(found, level) : Math.max(found, level);
        }
        return found;
    }

    private static int sample(double millis) {
        return (int) Math.round(millis * Synth.SAMPLE_RATE / 1000);
    }

    /** How strong a frequency (hertz) is in a stretch. */
    private static double strength(float[] samples, double hertz, double fromMillis, double toMillis) {
        double real = 0;
        double imaginary = 0;
        for (int i = sample(fromMillis); i < sample(toMillis); i++) {
            double angle = 2 * Math.PI * hertz * i / Synth.SAMPLE_RATE;
            real += samples[i] * Math.cos(angle);
            imaginary += samples[i] * Math.sin(angle);
        }
        return Math.hypot(real, imaginary) / (sample(toMillis) - sample(fromMillis));
    }

    /** The small notes of a roll break the pitch and not the sound; a triplet of fingers and one of the bellows strike three times. */
    @ParameterizedTest
    @CsvSource({"long-roll, 0.55, 1.5", "cut, 0.55, 1.5"})
    void smallNotesAreNoNewAttack(String ornament, double least, double most) {
        float[] samples = Synth.render(realised("box-bc", "A3 z3|", ornament));
        double steady = level(samples, 300, 400, false);
        assertThat(level(samples, 60, 480, true)).isBetween(least * steady, most * steady);
    }

    @ParameterizedTest
    @CsvSource({
        "box-bc, A2z z3|, finger-triplet",
        "box-dg, A2z z3|, bellows-treble",
        "english-48, A2z z3|, bellows-treble"
    })
    void aStutterHasItsAttacks(String instrument, String body, String ornament) {
        Realisation realisation = realised(instrument, body, ornament);
        float[] samples = Synth.render(realisation);
        double[] starts = realisation.moments().stream()
                .filter(moment -> moment.sounding().isPresent())
                .mapToDouble(moment -> moment.startMillis().toDouble())
                .toArray();
        assertThat(starts).hasSize(3);
        double steady = level(samples, starts[0] + 40, starts[1] - 30, false);
        for (int i = 1; i < starts.length; i++) {
            assertThat(level(samples, starts[i] - 26, starts[i] + 10, true))
                    .as("before stroke " + (i + 1))
                    .isLessThan(0.5 * steady);
        }
    }

    @Test
    void aRollBreaksThePitch() {
        Realisation realisation = realised("box-bc", "A3 z3|", "long-roll");
        float[] samples = Synth.render(realisation);
        assertThat(realisation.moments()).hasSizeGreaterThan(5);
        double cut = realisation.moments().get(1).startMillis().toDouble();
        double b = strength(samples, 493.88, cut + 8, cut + 42);
        assertThat(b).isGreaterThan(2 * strength(samples, 493.88, cut - 60, cut - 26));
    }

    @Test
    void bothNotesOfADoubleStopAreThere() {
        float[] samples = Synth.render(realised("box-bc", "G3 z3|", "octave@above"));
        float[] plain = Synth.render(realised("box-bc", "G3 z3|", ""));
        assertThat(strength(samples, 392, 100, 400)).isGreaterThan(0.02);
        assertThat(strength(samples, 784, 100, 400))
                .as("the octave, not only the second partial of the note")
                .isGreaterThan(1.2 * strength(plain, 784, 100, 400));
        float[] third = Synth.render(realised("english-48", "G3 z3|", "double-stop@third-below"));
        assertThat(strength(third, 329.63, 100, 400)).isGreaterThan(0.02);
    }

    @Test
    void aHeldNoteSoundsOn() {
        Tune tune = tune("d2c B2A|G6|");
        Version version = Version.plain("Bud", Playing.usual(tune, Instrument.of("english-48")));
        Span first = new Span(new NoteId(0), new NoteId(3));
        Version held = version.withLayers(List.of(Layer.parse("drone@R21", first, Passes.EVERY)));
        Realisation realisation = Realiser.realise(tune, held, Profile.usual());
        float[] samples = Synth.render(realisation);
        double end = realisation.moments().get(3).endMillis().toDouble();
        for (double at = 60; at + 60 < end; at += 60) {
            assertThat(strength(samples, 196, at, at + 60)).as("at " + at).isGreaterThan(0.01);
        }
        assertThat(realisation.moments().stream()
                        .limit(4)
                        .flatMap(moment -> moment.sounding().orElseThrow().under().stream())
                        .map(voice -> voice.begins()))
                .as("it begins once")
                .containsExactly(true, false, false, false);
    }

    /** Two reeds 18 cents apart beat about four and a half times a second on A4; dry ones do not. */
    @Test
    void reedsBeat() {
        Realisation held = realised("box-bc", "A6|A6|", "");
        double dry = level(Synth.render(held), 100, 600, true) / level(Synth.render(held), 100, 600, false);
        float[] wet = Synth.render(held.with(Reeds.WET));
        assertThat(dry).isGreaterThan(0.8);
        assertThat(level(wet, 100, 600, true) / level(wet, 100, 600, false)).isLessThan(0.6);
        Realisation english = realised("english-48", "A6|A6|", "");
        assertThat(english.with(Reeds.WET)).isEqualTo(english);
    }

    @Test
    void aSurgeIsHeard() {
        double plain = level(Synth.render(realised("box-bc", "A3 z3|", "")), 30, 200, false);
        double surge = level(Synth.render(realised("box-bc", "A3 z3|", "bellows-accent")), 30, 200, false);
        assertThat(surge).isGreaterThan(1.3 * plain);
    }

    /** A bass on the first quaver, a chord on the third, short: between them the tune is alone; where the box draws there is no G. */
    @Test
    void theLeftHandIsShortAndLight() {
        Tune tune = tune("\"G\"G3 B3|\"D\"A3 A3|");
        Version version = Version.plain("Bud", Playing.usual(tune, Instrument.of("box-dg")));
        Span all = new Span(new NoteId(0), new NoteId(3));
        Version bass = version.withLayers(List.of(Layer.parse("bass@G/D,D/A", all, Passes.EVERY)));
        Realisation realisation = Realiser.realise(tune, bass, Profile.usual());
        double quaver = realisation
                .tempo()
                .millisOf(wildflourish.core.music.Fraction.of(1, 8))
                .toDouble();
        float[] samples = Synth.render(realisation);
        double g2 = 98.0;
        assertThat(strength(samples, g2, 20, quaver))
                .isGreaterThan(5 * strength(samples, g2, quaver * 1.6, quaver * 1.98));
        assertThat(realisation.moments().stream()
                        .flatMap(moment -> moment.sounding().stream())
                        .flatMap(sounding -> sounding.under().stream())
                        .filter(voice -> voice.begins())
                        .map(voice -> voice.lane()))
                .contains("bass", "chord 1", "chord 2");
        assertThat(Realiser.realise(tune, version, Profile.usual()).endMillis()).isEqualTo(realisation.endMillis());
    }
}
