package wildflourish.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import wildflourish.core.Melody;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Begin;
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

/** What strings sound like, measured from the samples. */
class StringSoundTest {
    private static final double MILLI = Synth.SAMPLE_RATE / 1000.0;

    private static Realisation realise(Tune tune, String instrument, String stack, int first, int last, int tempo) {
        Instrument asked = Instrument.of(instrument);
        Playing playing = Playing.usual(tune, asked)
                .withTempo(new Tempo(Fraction.of(tempo), tune.header().type().beatLength()));
        Version version = Version.plain("sound", playing)
                .with(tune, Spot.of(Placement.of(Stack.parse(stack, asked.family()), Melody.span(first, last))));
        Realisation realisation = Realiser.realise(tune, version, Profile.usual());
        assertThat(realisation.figures()).hasSize(1);
        return realisation;
    }

    /** The root of the mean square over a stretch in milliseconds. */
    private static double loudness(float[] samples, double from, double to) {
        double sum = 0;
        int first = (int) (from * MILLI);
        int last = (int) (to * MILLI);
        for (int i = first; i < last; i++) {
            sum += samples[i] * samples[i];
        }
        return Math.sqrt(sum / (last - first));
    }

    /** How strong a frequency is over a stretch in milliseconds. */
    private static double strength(float[] samples, double hertz, double from, double to) {
        double sine = 0;
        double cosine = 0;
        int first = (int) (from * MILLI);
        int last = (int) (to * MILLI);
        for (int i = first; i < last; i++) {
            double angle = 2 * Math.PI * hertz * i / Synth.SAMPLE_RATE;
            sine += samples[i] * Math.sin(angle);
            cosine += samples[i] * Math.cos(angle);
        }
        return Math.hypot(sine, cosine) / (last - first);
    }

    /** Equal temperament, A = 440 Hz (ISO 16). */
    private static double hertz(int midi) {
        return 440 * Math.pow(2, (midi - 69) / 12.0);
    }

    private static double startOf(Realisation realisation, Begin begin) {
        return realisation.moments().stream()
                .filter(moment ->
                        moment.sounding().filter(each -> each.begin() == begin).isPresent())
                .findFirst()
                .orElseThrow()
                .startMillis()
                .toDouble();
    }

    @Test
    void aHammeredNoteHasNoPluck() {
        Realisation hammered = realise(Melody.reel("A4:2 B4:2 D5:4 |"), "mandolin", "hammer", 0, 1, 60);
        double at = startOf(hammered, Begin.HAMMER);
        float[] samples = Synth.render(hammered);
        double before = loudness(samples, at - 20, at - 5);
        assertThat(loudness(samples, at + 5, at + 20)).isBetween(0.8 * before, 2.2 * before);
        Realisation picked = realise(Melody.reel("A4:2 B4:2 D5:4 |"), "mandolin", "grace-p", 2, 2, 60);
        float[] plucked = Synth.render(picked);
        double begins = picked.moments().get(1).startMillis().toDouble();
        assertThat(loudness(plucked, begins + 5, begins + 20))
                .as("a stroke is much louder than what is left of the note before")
                .isGreaterThan(1.5 * loudness(samples, at + 5, at + 20));
    }

    @Test
    void aPullOffIsAWeakerPluck() {
        Realisation pulled = realise(Melody.reel("B4:2 A4:2 D5:4 |"), "mandolin", "pull", 0, 1, 60);
        double at = startOf(pulled, Begin.PULL);
        float[] samples = Synth.render(pulled);
        double struck = loudness(samples, 5, 25);
        assertThat(loudness(samples, at + 5, at + 25) / struck).isBetween(0.45, 0.75);
    }

    /** Two frets in 80 ms (the motor time of the table): halfway it sounds a semitone below. */
    @Test
    void aSlideGlides() {
        Realisation slid = realise(Melody.reel("D4:4 D5:4 |"), "mandolin", "slide-in@tone", 1, 1, 60);
        Moment slide = slid.moments().stream()
                .filter(moment -> moment.sounding()
                        .filter(each -> !each.melody().glide().isLevel())
                        .isPresent())
                .findFirst()
                .orElseThrow();
        assertThat(slide.lengthMillis()).isEqualTo(Fraction.of(80));
        double from = slide.startMillis().toDouble();
        float[] samples = Synth.render(slid);
        assertThat(strength(samples, hertz(73), from + 32, from + 48))
                .isGreaterThan(1.5 * strength(samples, hertz(77), from + 32, from + 48));
        assertThat(strength(samples, hertz(74), from + 120, from + 220))
                .isGreaterThan(5 * strength(samples, hertz(72), from + 120, from + 220));
    }

    @Test
    void aDoubleStopHasBothFundamentals() {
        Realisation both = realise(Melody.reel("D4:4 B4:4 |"), "fiddle", "sixth", 1, 1, 60);
        double from = both.moments().get(1).startMillis().toDouble() + 100;
        float[] samples = Synth.render(both);
        double third = strength(samples, hertz(62), from, from + 200);
        assertThat(third).isGreaterThan(0.3 * strength(samples, hertz(71), from, from + 200));
        assertThat(third).isGreaterThan(10 * strength(samples, hertz(64), from, from + 200));
    }

    /** Of a unison the open string stands while the finger glides up to it. */
    @Test
    void inASlidUnisonOneStringGlides() {
        Realisation unison = realise(Melody.reel("D4:4 A4:4 |"), "fiddle", "slide-unison", 1, 1, 60);
        Moment slide = unison.moments().get(1);
        List<Boolean> glides = slide.sounding().orElseThrow().voices().stream()
                .map(voice -> !voice.glide().isLevel())
                .toList();
        assertThat(glides).containsExactlyInAnyOrder(true, false);
        float[] samples = Synth.render(unison);
        double from = slide.startMillis().toDouble();
        assertThat(strength(samples, hertz(69), from + 20, from + 70)).isGreaterThan(0.01);
    }

    /** 60000 ÷ 77 ms is 13 strokes a second at the most, 8 at the least (common practice); each is a pluck of its own. */
    @Test
    void tremoloHasTheStatedStrokesASecond() {
        Tune waltz = Melody.of(wildflourish.core.music.Metre.of(3, 4), "D5:6 | A4:6 |");
        Realisation realisation = realise(waltz, "mandolin", "trem", 0, 0, 120);
        List<Moment> strokes = realisation.moments().stream()
                .filter(moment -> moment.startMillis().toDouble() < 1499)
                .toList();
        assertThat(strokes.size() / 1.5).isBetween(8.0, 13.0);
        assertThat(strokes.size() % 2).isZero();
        float[] samples = Synth.render(realisation);
        for (Moment stroke : strokes) {
            double at = stroke.startMillis().toDouble();
            assertThat(loudness(samples, at + 4, at + 20)).isGreaterThan(1.1 * loudness(samples, at + 55, at + 74));
        }
        double length = strokes.get(0).lengthMillis().toDouble();
        assertThat(strokes)
                .allSatisfy(
                        stroke -> assertThat(stroke.lengthMillis().toDouble()).isCloseTo(length, within(1e-6)));
    }

    @Test
    void aPickTakesTwoStrings() {
        Realisation drone = realise(Melody.reel("D4:4 G4:4 |"), "mandolin", "dy-open", 1, 1, 60);
        double from = drone.moments().get(1).startMillis().toDouble();
        float[] samples = Synth.render(drone);
        assertThat(strength(samples, hertz(55), from + 20, from + 220))
                .isGreaterThan(0.3 * strength(samples, hertz(67), from + 20, from + 220));
    }

    /** A bow that bites begins louder than it goes on, one that swells is loudest in the middle. */
    @Test
    void aBowBitesAndSwells() {
        Realisation bitten = realise(Melody.reel("D4:4 B4:4 |"), "fiddle", "accent", 0, 0, 60);
        float[] bite = Synth.render(bitten);
        assertThat(loudness(bite, 60, 110)).isGreaterThan(1.1 * loudness(bite, 300, 420));
        Realisation swelling = realise(Melody.reel("D4:4 B4:4 |"), "fiddle", "swell", 0, 0, 60);
        float[] swell = Synth.render(swelling);
        double middle = loudness(swell, 460, 540);
        assertThat(middle).isGreaterThan(1.3 * loudness(swell, 80, 140));
        assertThat(middle).isGreaterThan(1.3 * loudness(swell, 880, 950));
    }
}
