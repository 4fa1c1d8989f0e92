package wildflourish.core.sound;

import java.util.List;
import java.util.Optional;
import wildflourish.core.hand.Glide;
import wildflourish.core.hand.Voice;
import wildflourish.core.ornament.Begin;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;

/**
 * The sound of a realisation, by the family of its instrument: an oscillator whose phase never jumps for the melody, one for each second note, one for each
 * drone. A cut or a tap is a break of pitch with no new attack; tongue, bow and bellows make a short dip before their note, a plucked one dies away; a hammered note
 * only lends a dying one new life, one that is pulled off is a weaker pluck; a bow bites, swells, leans anew or hardly touches; a drone goes on through everything; the two reeds of a box may beat. Rendering is a pure function of the realisation and the stretch asked for.
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

    /** What a hammer adds to what is left of a string, how strong a string is plucked by a leaving finger, and by a stroke that only fills. */
    private static final double HAMMERED = 0.2;

    private static final double PULLED = 0.6;
    private static final double LIGHTLY = 0.7;
    /** How a bow bites, hardly touches, swells and leans anew. */
    private static final double BITTEN = 0.8;

    private static final double BITE_MILLIS = 90;
    private static final double HARDLY = 0.4;
    private static final double SWELL_FROM = 0.5;
    private static final double NUDGED = 0.45;
    private static final double NUDGE_MILLIS = 35;

    private static final double MAKING_ROOM = 0.4;
    /** All drones together are about as loud as the melody. */
    private static final double DRONES = 0.55;
    /** Drones come and go within so long. */
    private static final double DRONE_MILLIS = 30;

    private final List<Moment> moments;
    private final Voice[] drones;
    private final double[] droneSteps;
    private final double[] dronePhases;
    private final double endMillis;
    private double droneLevel;
    private final Tone tone;
    private final double[] partials;
    private int next;
    /** Of the moment under way: when it began and ends, in milliseconds. */
    private double start;

    private double end = Double.NEGATIVE_INFINITY;
    private Optional<Moment.Sounding> sounding = Optional.empty();
    /** What is left of a struck note that dies away. */
    private double left = 1;

    private double phase;
    private double frequency;
    /** Of second notes; a moment has at most so many as are set. */
    private final double[] underPhases = new double[MOST_UNDER];
    /** Of the second reed of each note, where two reeds sound. */
    private double beatPhase;

    private final double[] underBeatPhases = new double[MOST_UNDER];
    /** How much higher the second reeds are; 1 where there are none. */
    private final double beat;

    private double[] underSteps = {};
    private Glide[] underGlides = {};
    private double level;
    private long noise = 0x5DEECE66DL;
    /** Where the next sample follows those rendered last. */
    private double lastMillis;

    /** A voice ready to render from a time on. */
    public Synth(Realisation realisation, double fromMillis) {
        this(realisation, fromMillis, Tone.of(realisation.family()));
    }

    /** With another tone than the instrument's own. */
    Synth(Realisation realisation, double fromMillis, Tone tone) {
        this.moments = realisation.moments();
        this.tone = tone;
        this.partials = tone.partials().stream().mapToDouble(each -> each).toArray();
        this.endMillis = realisation.endMillis().toDouble();
        this.beat = Math.pow(2, realisation.reeds().cents() / 1200);
        this.drones = realisation.drones().toArray(new Voice[0]);
        this.droneSteps = new double[drones.length];
        this.dronePhases = new double[drones.length];
        for (int i = 0; i < drones.length; i++) {
            droneSteps[i] = 2 * Math.PI * drones[i].pitch().hertz() / SAMPLE_RATE;
            dronePhases[i] = droneSteps[i] * fromMillis / 1000 * SAMPLE_RATE % (2 * Math.PI);
        }
        while (next < moments.size() && moments.get(next).endMillis().toDouble() <= fromMillis) {
            next++;
        }
        lastMillis = fromMillis;
        enter();
    }

    /**
     * Takes up the sound where another voice is: its pitch, its loudness, where its waves stand. So this one goes on from it without a step, though it plays
     * another stage, tempo or instrument, or the same from its beginning.
     */
    public void goOnFrom(Synth before) {
        phase = before.phase;
        beatPhase = before.beatPhase;
        frequency = before.frequency;
        if (level > 0
                || before.tone.decayMillis().isEmpty()
                || tone.decayMillis().isEmpty()) {
            level = before.level;
        }
        droneLevel = before.droneLevel;
        System.arraycopy(before.underPhases, 0, underPhases, 0, MOST_UNDER);
        System.arraycopy(before.underBeatPhases, 0, underBeatPhases, 0, MOST_UNDER);
        for (int i = 0; i < Math.min(drones.length, before.drones.length); i++) {
            dronePhases[i] = before.dronePhases[i];
        }
    }

    /** The same for the note under way, which was struck before and goes on dying away. */
    public void goOnWithin(Synth before) {
        goOnFrom(before);
        level = before.level;
        left = before.left;
    }

    /** Samples between −1 and 1 from the time on, at {@link #SAMPLE_RATE}; silence after the end. Call with times that follow each other. */
    public void render(double fromMillis, float[] samples, int count) {
        double now = fromMillis;
        double step = 1000.0 / SAMPLE_RATE;
        for (int i = 0; i < count; i++) {
            while (next < moments.size() && now >= end) {
                next++;
                enter();
            }
            samples[i] = sample(now);
            now = fromMillis + (i + 1) * step;
        }
        lastMillis = now;
    }

    /** Samples that follow those rendered last. */
    public void renderOn(float[] samples) {
        render(lastMillis, samples, samples.length);
    }

    /** A whole realisation as samples, with a short tail in which the last note dies away. */
    public static float[] render(Realisation realisation) {
        return render(realisation, Tone.of(realisation.family()));
    }

    static float[] render(Realisation realisation, Tone tone) {
        int count = (int) Math.ceil(realisation.endMillis().toDouble() / 1000 * SAMPLE_RATE) + SAMPLE_RATE / 20;
        float[] samples = new float[count];
        new Synth(realisation, 0, tone).render(0, samples, count);
        return samples;
    }

    /** The next moment begins, if there is one. */
    private void enter() {
        if (next >= moments.size()) {
            sounding = Optional.empty();
            end = Double.POSITIVE_INFINITY;
            start = Double.POSITIVE_INFINITY;
            return;
        }
        Moment moment = moments.get(next);
        start = moment.startMillis().toDouble();
        end = moment.endMillis().toDouble();
        sounding = moment.sounding();
        underSteps = sounding.stream()
                .flatMap(each -> each.under().stream())
                .limit(MOST_UNDER)
                .mapToDouble(voice -> 2 * Math.PI * voice.pitch().hertz() / SAMPLE_RATE)
                .toArray();
        underGlides = sounding.stream()
                .flatMap(each -> each.under().stream())
                .limit(MOST_UNDER)
                .map(Voice::glide)
                .toArray(Glide[]::new);
        if (tone.decayMillis().isPresent()) {
            sounding.ifPresent(each -> pluck(each.begin()));
        }
    }

    /** What a beginning does to a string that dies away. */
    private void pluck(Begin begin) {
        switch (begin) {
            case HAMMER -> left = Math.min(1, left + HAMMERED);
            case PULL -> {
                left = PULLED;
                level = 0;
            }
            case LIGHT -> {
                left = LIGHTLY;
                level = 0;
            }
            case BRUSH -> left = 1;
            default -> {
                if (begin.isStruck()) {
                    left = 1;
                    level = 0;
                }
            }
        }
    }

    /** How much louder or softer a bow is, so long after a moment began. */
    private double lean(double now) {
        if (sounding.isEmpty() || tone.decayMillis().isPresent()) {
            return 1;
        }
        double since = now - start;
        double part = since / Math.max(1, end - start);
        return switch (sounding.get().begin()) {
            case BITE -> 1 + BITTEN * Math.exp(-since / BITE_MILLIS);
            case LIGHT -> HARDLY;
            case SWELL -> SWELL_FROM + (1 - SWELL_FROM) * Math.sin(Math.PI * Math.min(1, Math.max(0, part)));
            case NUDGE -> 1 - NUDGED * Math.exp(-since / NUDGE_MILLIS);
            default -> 1;
        };
    }

    private float sample(double now) {
        if (sounding.isPresent() && now >= start) {
            double target = hertz(sounding.get(), now);
            frequency = frequency == 0 || level < 1e-4 ? target : approach(frequency, target, GLIDE_MILLIS);
        }
        double wanted = targetLevel(now);
        level = approach(level, wanted, level > wanted ? RELEASE_MILLIS : tone.attackMillis() / 3);
        if (tone.decayMillis().isPresent()) {
            left = approach(left, 0, tone.decayMillis().get());
        }
        phase = advanced(phase, 2 * Math.PI * frequency / SAMPLE_RATE);
        beatPhase = advanced(beatPhase, 2 * Math.PI * frequency * beat / SAMPLE_RATE);
        double sum = withUnder(reeds(phase, beatPhase), now);
        double melody = level * left * lean(now) * (sum + tone.noise() * nextNoise());
        return (float) (LOUDNESS * (drones.length == 0 ? melody : withDrones(now, melody)));
    }

    /** The melody's frequency, on its glide where it has one. */
    private double hertz(Moment.Sounding heard, double now) {
        double hertz = heard.pitch().hertz();
        return heard.melody().glide().isLevel()
                ? hertz
                : hertz * Math.pow(2, heard.melody().glide().centsAt(now - start, end - start) / 1200);
    }

    private static double advanced(double phase, double step) {
        double next = phase + step;
        return next > 2 * Math.PI ? next - 2 * Math.PI : next;
    }

    private double wave(double at) {
        double sum = 0;
        for (int i = 0; i < partials.length; i++) {
            sum += partials[i] * Math.sin((i + 1) * at);
        }
        return sum;
    }

    /** One reed, or two that beat. */
    private double reeds(double at, double second) {
        return beat == 1 ? wave(at) : (wave(at) + wave(second)) / 2;
    }

    /** Adds the second notes of a moment. */
    private double withUnder(double melody, double now) {
        if (underSteps.length == 0) {
            return melody;
        }
        double sum = melody;
        for (int i = 0; i < underSteps.length; i++) {
            double bent =
                    underGlides[i].isLevel() ? 1 : Math.pow(2, underGlides[i].centsAt(now - start, end - start) / 1200);
            underPhases[i] = advanced(underPhases[i], underSteps[i] * bent);
            underBeatPhases[i] = advanced(underBeatPhases[i], underSteps[i] * bent * beat);
            sum += UNDER * reeds(underPhases[i], underBeatPhases[i]);
        }
        return sum / (1 + MAKING_ROOM * underSteps.length);
    }

    /** Drones sound from the beginning to the end, whatever the melody does; together with it no louder than one note. */
    private double withDrones(double now, double melody) {
        droneLevel = approach(droneLevel, now < endMillis ? 1 : 0, DRONE_MILLIS);
        double sum = 0;
        for (int i = 0; i < droneSteps.length; i++) {
            dronePhases[i] = advanced(dronePhases[i], droneSteps[i]);
            sum += wave(dronePhases[i]);
        }
        return (melody + droneLevel * DRONES * sum / droneSteps.length) / (1 + DRONES);
    }

    /** Full while a note sounds; nothing in silence and just before a note that is struck. */
    private double targetLevel(double now) {
        if (next >= moments.size() || now < start || sounding.isEmpty()) {
            return 0;
        }
        boolean givesWay = next + 1 >= moments.size()
                || moments.get(next + 1)
                        .sounding()
                        .map(each -> each.begin().isStruck())
                        .orElse(moments.get(next + 1).cue().role() == Moment.Role.REST);
        double untilNext = end - now;
        boolean isLast = next + 1 >= moments.size();
        return givesWay && !isLast && untilNext < tone.betweenMillis() ? tone.betweenLevel() : 1;
    }

    private static double approach(double from, double to, double timeConstantMillis) {
        return to + (from - to) * Math.exp(-1000.0 / SAMPLE_RATE / timeConstantMillis);
    }

    private double nextNoise() {
        noise = noise * 6364136223846793005L + 1442695040888963407L;
        return (noise >> 33) / (double) (1L << 30);
    }
}
