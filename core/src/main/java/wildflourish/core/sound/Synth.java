package wildflourish.core.sound;

import java.util.List;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;

/**
 * A whistle's voice for the sounding line of a realisation: one oscillator whose phase never jumps. A cut or tap is a break of pitch with no
 * new attack; the tongue makes a short dip before its note. Rendering is a pure function of the realisation and the stretch asked for.
 */
public final class Synth {
    public static final int SAMPLE_RATE = 44_100;

    /** Strength of the partials from the fundamental up, a breathy near-sine (from memory of whistle spectra, low trust). */
    private static final double[] PARTIALS = {1.0, 0.22, 0.09, 0.03};

    private static final double LOUDNESS = 0.42;
    private static final double BREATH_NOISE = 0.006;
    private static final double ATTACK_MILLIS = 9;
    private static final double TONGUE_MILLIS = 16;
    private static final double GLIDE_MILLIS = 1.2;

    private final List<Moment> moments;
    private int next;
    private double phase;
    private double frequency;
    private double level;
    private long noise = 0x5DEECE66DL;

    /** A voice ready to render from a time on. */
    public Synth(Realisation realisation, double fromMillis) {
        this.moments = realisation.moments();
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
        level = approach(level, targetLevel(now), level > targetLevel(now) ? TONGUE_MILLIS / 4 : ATTACK_MILLIS / 3);
        phase += 2 * Math.PI * frequency / SAMPLE_RATE;
        if (phase > 2 * Math.PI) {
            phase -= 2 * Math.PI;
        }
        double sum = 0;
        for (int i = 0; i < PARTIALS.length; i++) {
            sum += PARTIALS[i] * Math.sin((i + 1) * phase);
        }
        return (float) (level * LOUDNESS * (sum + BREATH_NOISE * nextNoise()));
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
        double left = moments.get(next).endMillis().toDouble() - now;
        return isTonguedNext && left < TONGUE_MILLIS ? 0 : 1;
    }

    private static double approach(double from, double to, double timeConstantMillis) {
        return to + (from - to) * Math.exp(-1000.0 / SAMPLE_RATE / timeConstantMillis);
    }

    private double nextNoise() {
        noise = noise * 6364136223846793005L + 1442695040888963407L;
        return (noise >> 33) / (double) (1L << 30);
    }
}
