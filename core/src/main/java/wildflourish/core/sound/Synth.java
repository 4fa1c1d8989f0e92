package wildflourish.core.sound;

import java.util.List;
import java.util.Optional;
import wildflourish.core.music.SoundingPitch;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;

/**
 * A voice for the sounding line of a realisation, by the family of its instrument: one oscillator whose phase never jumps, and one for each second note. A cut or tap is a break of
 * pitch with no new attack; tongue, bow and bellows make a short dip before their note, a plucked one dies away. Rendering is a pure function of the realisation and the stretch asked for.
 */
public final class Synth {
    public static final int SAMPLE_RATE = 44_100;

    private static final double LOUDNESS = 0.42;
    /** How quickly the sound gives way. */
    private static final double RELEASE_MILLIS = 4;

    private static final double GLIDE_MILLIS = 1.2;
    /** Second notes beyond so many are left out. */
    private static final int MOST_UNDER = 4;
    /** A second note is a little softer than the melody, and all together hardly louder than one note. */
    private static final double UNDER = 0.8;

    private static final double MAKING_ROOM = 0.4;

    private final List<Moment> moments;
    private final Voice voice;
    private final double[] partials;
    private int next;
    /** What is left of a struck note that dies away. */
    private double left = 1;

    private int struck = -1;
    private double phase;
    private double frequency;
    /** Of second notes; a moment has at most so many as are set. */
    private final double[] underPhases = new double[MOST_UNDER];

    private double[] underFrequencies = {};
    private int underOf = -1;
    private double level;
    private long noise = 0x5DEECE66DL;

    /** A voice ready to render from a time on. */
    public Synth(Realisation realisation, double fromMillis) {
        this.moments = realisation.moments();
        this.voice = Voice.of(realisation.family());
        this.partials = voice.partials().stream().mapToDouble(each -> each).toArray();
        while (next < moments.size() && moments.get(next).endMillis().toDouble() <= fromMillis) {
            next++;
        }
    }

    /** Samples between −1 and 1 from the time on, at {@link #SAMPLE_RATE}; silence after the end. Call with times that follow each other. */
    public void render(double fromMillis, float[] samples, int count) {
        double now = fromMillis;
        double step = 1000.0 / SAMPLE_RATE;
        for (int i = 0; i < count; i++) {
            while (next < moments.size() && now >= moments.get(next).endMillis().toDouble()) {
                next++;
            }
            samples[i] = sample(now);
            now = fromMillis + (i + 1) * step;
        }
    }

    /** A whole realisation as samples, with a short tail in which the last note dies away. */
    public static float[] render(Realisation realisation) {
        int count = (int) Math.ceil(realisation.endMillis().toDouble() / 1000 * SAMPLE_RATE) + SAMPLE_RATE / 20;
        float[] samples = new float[count];
        new Synth(realisation, 0).render(0, samples, count);
        return samples;
    }

    private float sample(double now) {
        boolean isIn =
                next < moments.size() && now >= moments.get(next).startMillis().toDouble();
        Moment moment = isIn ? moments.get(next) : null;
        if (moment != null && moment.sounding().isPresent()) {
            double target = moment.sounding().get().pitch().hertz();
            frequency = frequency == 0 || level < 1e-4 ? target : approach(frequency, target, GLIDE_MILLIS);
        }
        double wanted = targetLevel(now);
        level = approach(level, wanted, level > wanted ? RELEASE_MILLIS : voice.attackMillis() / 3);
        if (voice.decayMillis().isPresent()) {
            fade(Optional.ofNullable(moment));
        }
        phase = advanced(phase, frequency);
        double sum = wave(phase);
        if (moment != null) {
            sum = withUnder(moment, sum);
        }
        return (float) (level * left * LOUDNESS * (sum + voice.noise() * nextNoise()));
    }

    private static double advanced(double phase, double frequency) {
        double next = phase + 2 * Math.PI * frequency / SAMPLE_RATE;
        return next > 2 * Math.PI ? next - 2 * Math.PI : next;
    }

    private double wave(double at) {
        double sum = 0;
        for (int i = 0; i < partials.length; i++) {
            sum += partials[i] * Math.sin((i + 1) * at);
        }
        return sum;
    }

    /** Adds the second notes of a moment. */
    private double withUnder(Moment moment, double melody) {
        if (underOf != next) {
            underOf = next;
            underFrequencies = moment.sounding().stream()
                    .flatMap(sounding -> sounding.under().stream())
                    .limit(MOST_UNDER)
                    .mapToDouble(SoundingPitch::hertz)
                    .toArray();
        }
        if (underFrequencies.length == 0) {
            return melody;
        }
        double sum = melody;
        for (int i = 0; i < underFrequencies.length; i++) {
            underPhases[i] = advanced(underPhases[i], underFrequencies[i]);
            sum += UNDER * wave(underPhases[i]);
        }
        return sum / (1 + MAKING_ROOM * underFrequencies.length);
    }

    /** A plucked note dies away until the next one is struck. */
    private void fade(Optional<Moment> moment) {
        boolean isStruck = moment.isPresent()
                && next != struck
                && moment.get()
                        .sounding()
                        .map(sounding -> sounding.onset() == Moment.Onset.TONGUE)
                        .orElse(false);
        if (isStruck) {
            struck = next;
            left = 1;
            level = 0;
        }
        left = approach(left, 0, voice.decayMillis().orElseThrow());
    }

    /** Full while a note sounds; nothing in silence and just before a tongued note. */
    private double targetLevel(double now) {
        if (next >= moments.size()
                || now < moments.get(next).startMillis().toDouble()
                || moments.get(next).sounding().isEmpty()) {
            return 0;
        }
        boolean isTonguedNext = next + 1 < moments.size()
                && moments.get(next + 1)
                        .sounding()
                        .map(sounding -> sounding.onset() == Moment.Onset.TONGUE)
                        .orElse(true);
        double untilNext = moments.get(next).endMillis().toDouble() - now;
        return isTonguedNext && untilNext < voice.betweenMillis() ? voice.betweenLevel() : 1;
    }

    private static double approach(double from, double to, double timeConstantMillis) {
        return to + (from - to) * Math.exp(-1000.0 / SAMPLE_RATE / timeConstantMillis);
    }

    private double nextNoise() {
        noise = noise * 6364136223846793005L + 1442695040888963407L;
        return (noise >> 33) / (double) (1L << 30);
    }
}
