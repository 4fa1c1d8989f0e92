package wildflourish.desktop.play;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import wildflourish.core.music.Fraction;
import wildflourish.core.performance.PlayRange;
import wildflourish.core.performance.Realisation;
import wildflourish.core.sound.Click;
import wildflourish.core.sound.Synth;

/**
 * The samples of a performance, one after the other: beats before it, its stretches, time for an answer, round and round where it is looped. The place is kept in
 * whole notes, so that another stage, tempo or instrument goes on where the last one was. Where one voice follows another, the new one takes up the sound of the old
 * one and both are faded into each other.
 */
final class Stream {
    /** How long one voice is faded into another, in samples: 6 ms. */
    static final int FADE = Synth.SAMPLE_RATE * 6 / 1000;

    private static final double SAMPLE_MILLIS = 1000.0 / Synth.SAMPLE_RATE;
    /** How loud the pulse is under an answer, of a count-in. */
    private static final float QUIET = 0.3f;

    private final Consumer<Mark> marks;
    private final List<Part> parts = new ArrayList<>();
    /** What is left of voices that fade out, the next sample first. */
    private final float[] fadingOut = new float[FADE];

    private final float[] one = new float[1];
    private Performance performance;
    private Optional<Synth> voice = Optional.empty();
    private int part = -1;
    /** In the part under way, in milliseconds from its beginning at its tempo. */
    private double millis;

    private int fadeOutLeft;
    private int fadeInLeft;

    /** A stretch of the tune, or beats that are knocked so loud. */
    private record Part(Optional<PlayRange> range, Fraction lengthWholeNotes, float loudness) {}

    /** From here on comes a performance from a place on; nothing of the tune while beats are knocked. */
    record Mark(Performance performance, Optional<Double> wholeNotes) {}

    /** {@code marks} is told, before the sample it is true of, what comes from there on. */
    Stream(Performance performance, Consumer<Mark> marks) {
        this.performance = performance;
        this.marks = marks;
        if (performance.countIn().lengthWholeNotes().isPositive()) {
            parts.add(new Part(Optional.empty(), performance.countIn().lengthWholeNotes(), 1));
        }
        for (PlayRange range : performance.ranges()) {
            Fraction length = range.endWholeNotes().minus(range.startWholeNotes());
            parts.add(new Part(Optional.of(range), length, 1));
            if (performance.isAnswered()) {
                parts.add(new Part(Optional.empty(), length, QUIET));
            }
        }
        next();
    }

    /** Whether nothing more will come. */
    boolean isOver() {
        return part >= parts.size() && fadeOutLeft == 0;
    }

    /** Goes on at the same place with another stage, tempo or instrument. */
    void change(Realisation realisation) {
        double wholeNotes = millis / perWhole();
        performance = performance.with(realisation);
        millis = wholeNotes * perWhole();
        if (voice.isPresent()) {
            begin(true);
        }
    }

    /** Fades out and is over then. */
    void end() {
        part = parts.size();
        leave();
    }

    private double perWhole() {
        return performance.millisPerWholeNote();
    }

    private void next() {
        part = part + 1 >= parts.size() && performance.isLooped() ? parts.size() - 1 : part + 1;
        millis = 0;
        if (part >= parts.size()) {
            leave();
        } else if (parts.get(part).range().isPresent()) {
            begin(false);
        } else {
            leave();
            marks.accept(new Mark(performance, Optional.empty()));
        }
    }

    /** A voice begins at the place; where one sounds already it takes up its sound, within the note that sounds or with a new one. */
    private void begin(boolean isWithin) {
        double place = placeMillis();
        Synth fresh = new Synth(performance.realisation(), place);
        voice.ifPresent(before -> {
            if (isWithin) {
                fresh.goOnWithin(before);
            } else {
                fresh.goOnFrom(before);
            }
        });
        fadeInLeft = voice.isPresent() ? FADE : 0;
        leave();
        voice = Optional.of(fresh);
        marks.accept(new Mark(performance, Optional.of(place / perWhole())));
    }

    /** In the realisation, in milliseconds. */
    private double placeMillis() {
        return parts.get(part).range().orElseThrow().startWholeNotes().toDouble() * perWhole() + millis;
    }

    /** What sounds now fades out, together with what is fading out already. */
    private void leave() {
        if (voice.isEmpty()) {
            return;
        }
        for (int i = 0; i < FADE; i++) {
            voice.get().renderOn(one);
            float gain = 1 - (i + 1) / (float) (FADE + 1);
            fadingOut[i] = (i < fadeOutLeft ? fadingOut[i] : 0) + one[0] * gain;
        }
        fadeOutLeft = FADE;
        voice = Optional.empty();
    }

    /** Renders samples between −1 and 1; silence when it is over. */
    void render(float[] samples, int count) {
        for (int i = 0; i < count; i++) {
            samples[i] = sample();
        }
    }

    private float sample() {
        while (part < parts.size()
                && millis >= parts.get(part).lengthWholeNotes().toDouble() * perWhole() - SAMPLE_MILLIS / 2) {
            next();
        }
        float fresh = part < parts.size() ? fresh() : 0;
        float old = 0;
        if (fadeOutLeft > 0) {
            old = fadingOut[0];
            System.arraycopy(fadingOut, 1, fadingOut, 0, --fadeOutLeft);
        }
        return fresh + old;
    }

    private float fresh() {
        Part now = parts.get(part);
        float value;
        if (voice.isPresent()) {
            voice.get().render(placeMillis(), one, 1);
            float gain = fadeInLeft == 0 ? 1 : 1 - fadeInLeft / (float) (FADE + 1);
            fadeInLeft = Math.max(0, fadeInLeft - 1);
            value = one[0] * gain;
        } else {
            double beat = performance.countIn().beatWholeNotes().toDouble() * perWhole();
            value = now.loudness() * Click.at(millis % beat, millis < beat);
        }
        millis += SAMPLE_MILLIS;
        return value;
    }
}
