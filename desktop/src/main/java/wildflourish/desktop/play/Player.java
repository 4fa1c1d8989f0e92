package wildflourish.desktop.play;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Iterator;
import java.util.Optional;
import java.util.function.Supplier;
import wildflourish.core.music.Fraction;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.PlayRange;
import wildflourish.core.performance.Realisation;
import wildflourish.core.sound.Click;
import wildflourish.core.sound.Synth;

/**
 * Plays a realisation through a speaker on a thread of its own. The place is kept in whole notes, so that another stage or tempo goes on
 * where the last one was. What is heard now is told by the speaker's clock, not by what has been rendered.
 */
public final class Player implements AutoCloseable {
    /** How loud the pulse is under an answer, of a count-in. */
    private static final float QUIET = 0.3f;

    private static final int BLOCK = Synth.SAMPLE_RATE / 100;

    private final Supplier<Speaker> speakers;
    private final Deque<Segment> segments = new ArrayDeque<>();
    private Optional<Run> run = Optional.empty();

    /** A stretch of the stream in which one realisation advances evenly from a place. */
    private record Segment(double streamMillis, double wholeNotes, Performance performance, boolean isCountIn) {
        double wholeNotesAt(double heardMillis) {
            return wholeNotes + (heardMillis - streamMillis) / performance.millisPerWholeNote();
        }
    }

    /** What is heard at one moment: the place in the realisation in milliseconds, and the moment that sounds there. */
    public record Heard(Realisation realisation, double millis, Optional<Moment> moment) {}

    public Player() {
        this(() -> LineSpeaker.open().orElseGet(SilentSpeaker::new));
    }

    public Player(Supplier<Speaker> speakers) {
        this.speakers = speakers;
    }

    /** Begins, in place of what was playing. */
    public synchronized void play(Performance performance) {
        stop();
        segments.clear();
        Run started = new Run(performance, speakers.get());
        run = Optional.of(started);
        Thread thread = new Thread(started, "player");
        thread.setDaemon(true);
        thread.start();
    }

    /** Goes on at the same place with another stage or tempo; does nothing when nothing plays. */
    public synchronized void change(Realisation realisation) {
        run.ifPresent(current -> current.change(realisation));
    }

    public synchronized void stop() {
        run.ifPresent(Run::stop);
        run = Optional.empty();
    }

    public synchronized boolean isPlaying() {
        return run.map(Run::isRunning).orElse(false);
    }

    /** Whether what plays, or would play now, goes unheard for want of a sound device. */
    public synchronized boolean isSilent() {
        if (run.isPresent()) {
            return run.get().speaker.isSilent();
        }
        try (Speaker speaker = speakers.get()) {
            return speaker.isSilent();
        }
    }

    /** What is heard now; empty when nothing plays or the count-in is under way. */
    public synchronized Optional<Heard> heard() {
        if (run.isEmpty() || !run.get().isRunning()) {
            return Optional.empty();
        }
        double now = run.get().speaker.heardMillis();
        Segment current = null;
        for (Iterator<Segment> each = segments.iterator(); each.hasNext(); ) {
            Segment segment = each.next();
            if (segment.streamMillis() <= now) {
                current = segment;
            }
        }
        if (current == null || current.isCountIn()) {
            return Optional.empty();
        }
        Realisation realisation = current.performance().realisation();
        double millis = current.wholeNotesAt(now) * current.performance().millisPerWholeNote();
        return Optional.of(new Heard(realisation, millis, realisation.at(millis)));
    }

    private synchronized void addSegment(Segment segment) {
        segments.addLast(segment);
        while (segments.size() > 64) {
            segments.removeFirst();
        }
    }

    @Override
    public void close() {
        stop();
    }

    /** One playing, from its beginning until it ends or is stopped. */
    private final class Run implements Runnable {
        private final Speaker speaker;
        private final float[] block = new float[BLOCK];
        private volatile boolean isRunning = true;
        private volatile Optional<Realisation> wanted = Optional.empty();
        private Performance performance;
        private double streamMillis;
        private double place;

        Run(Performance performance, Speaker speaker) {
            this.performance = performance;
            this.speaker = speaker;
            this.place = performance.ranges().get(0).startWholeNotes().toDouble();
        }

        boolean isRunning() {
            return isRunning;
        }

        void stop() {
            isRunning = false;
            speaker.close();
        }

        void change(Realisation realisation) {
            wanted = Optional.of(realisation);
        }

        @Override
        public void run() {
            countIn();
            do {
                for (PlayRange range : performance.ranges()) {
                    place = range.startWholeNotes().toDouble();
                    playThrough(range.endWholeNotes().toDouble());
                    if (performance.isAnswered()) {
                        answer(range);
                    }
                }
            } while (isRunning && performance.isLooped());
            drain();
            isRunning = false;
            speaker.close();
        }

        private void countIn() {
            knock(performance.countIn().lengthWholeNotes(), 1);
        }

        /** The time of a call again, for the student, with a pulse that does not cover an instrument. */
        private void answer(PlayRange call) {
            knock(call.endWholeNotes().minus(call.startWholeNotes()), QUIET);
        }

        private void knock(Fraction lengthWholeNotes, float loudness) {
            double beat = performance.countIn().beatWholeNotes().toDouble() * performance.millisPerWholeNote();
            double length = lengthWholeNotes.toDouble() * performance.millisPerWholeNote();
            addSegment(new Segment(streamMillis, 0, performance, true));
            double done = 0;
            while (isRunning && done < length) {
                int count = (int) Math.min(BLOCK, Math.ceil((length - done) * Synth.SAMPLE_RATE / 1000));
                for (int i = 0; i < count; i++) {
                    double now = done + i * 1000.0 / Synth.SAMPLE_RATE;
                    block[i] = loudness * Click.at(now % beat, now < beat);
                }
                done += write(count);
            }
        }

        private void playThrough(double end) {
            Synth synth = begin();
            while (isRunning && place < end - 1e-9) {
                if (wanted.isPresent()) {
                    performance = performance.with(wanted.get());
                    wanted = Optional.empty();
                    synth = begin();
                }
                double perWhole = performance.millisPerWholeNote();
                double left = (end - place) * perWhole;
                int count = (int) Math.max(1, Math.min(BLOCK, Math.round(left * Synth.SAMPLE_RATE / 1000)));
                synth.render(place * perWhole, block, count);
                place += write(count) / perWhole;
            }
        }

        private Synth begin() {
            addSegment(new Segment(streamMillis, place, performance, false));
            return new Synth(performance.realisation(), place * performance.millisPerWholeNote());
        }

        private double write(int count) {
            double millis = count * 1000.0 / Synth.SAMPLE_RATE;
            if (isRunning) {
                speaker.write(block, count);
                streamMillis += millis;
            }
            return millis;
        }

        /** Waits until what was written has been heard. */
        private void drain() {
            java.util.Arrays.fill(block, 0);
            double end = streamMillis;
            for (int i = 0; isRunning && i < 100 && speaker.heardMillis() < end; i++) {
                speaker.write(block, BLOCK);
            }
        }
    }
}
