package wildflourish.desktop.play;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.Supplier;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.sound.Synth;

/**
 * The sound engine: one thread that takes commands and mixes what sounds into a line. The line is opened when there is something to hear, stays open while there is,
 * and is closed after some seconds of silence; opening and closing it keeps nobody waiting. Where the device is lost, it plays on unheard and looks for the device again.
 * What is heard now is told by the line's clock, not by what has been rendered.
 */
public final class Player implements AutoCloseable {
    /** Of silence, after which the line is closed. */
    private static final double SILENCE_MILLIS = 10_000;

    private static final double RETRY_MILLIS = 1000;
    private static final int BLOCK = Synth.SAMPLE_RATE / 100;
    private static final int MOST_SEGMENTS = 256;

    private final Supplier<Optional<Speaker>> speakers;
    private final double silenceMillis;
    private final BlockingQueue<Runnable> commands = new LinkedBlockingQueue<>();
    private final Deque<Segment> segments = new ArrayDeque<>();
    private volatile Optional<Thread> thread = Optional.empty();
    private volatile boolean isPlaying;
    private volatile boolean isClosed;
    private volatile int latencyMillis;
    private volatile Status status = new Status(false, false, 0);
    /** Counts what was asked to be played. */
    private int plays;

    // On the engine's thread alone
    private final List<Stream> leaving = new ArrayList<>();
    private final float[] block = new float[BLOCK];
    private final float[] mixed = new float[BLOCK];
    private Optional<Stream> playing = Optional.empty();
    private int number;
    private double silentFor;
    private double lostFor;
    /** Of the block that is being mixed, so many samples are rendered already. */
    private int rendered;

    /** What is sounding, with the time of the stream at which it was opened; seen by those who ask what is heard. */
    private volatile Optional<Line> line = Optional.empty();

    private volatile double streamMillis;

    private record Line(Speaker speaker, double openedMillis) {
        double heardMillis() {
            return openedMillis + speaker.heardMillis();
        }
    }

    /** A stretch of the stream in which one realisation advances evenly from a place; nothing of a tune where the place is empty. */
    private record Segment(double streamMillis, Stream.Mark mark) {
        double wholeNotesAt(double heardMillis) {
            return mark.wholeNotes().orElseThrow()
                    + (heardMillis - streamMillis) / mark.performance().millisPerWholeNote();
        }
    }

    /** What is heard at one moment: the place in the realisation in milliseconds, and the moment that sounds there. */
    public record Heard(Realisation realisation, double millis, Optional<Moment> moment) {}

    /**
     * How the sound fares.
     *
     * @param isSilent there is no device: what plays goes unheard
     * @param isLost there was one, and it is gone
     * @param underruns gaps that were heard since the line was opened, for want of time
     */
    public record Status(boolean isSilent, boolean isLost, int underruns) {}

    public Player() {
        this(LineSpeaker::open);
    }

    /** With what opens a device; empty where there is none. */
    public Player(Supplier<Optional<Speaker>> speakers) {
        this(speakers, SILENCE_MILLIS);
    }

    Player(Supplier<Optional<Speaker>> speakers, double silenceMillis) {
        this.speakers = speakers;
        this.silenceMillis = silenceMillis;
    }

    /** Begins, in place of what was playing, which fades out. */
    public synchronized void play(Performance performance) {
        isPlaying = true;
        int mine = ++plays;
        command(() -> {
            leave();
            number = mine;
            playing = Optional.of(new Stream(performance, this::mark));
        });
    }

    /** Goes on at the same place with another stage, tempo or instrument; does nothing when nothing plays. */
    public void change(Realisation realisation) {
        command(() -> playing.ifPresent(stream -> stream.change(realisation)));
    }

    public synchronized void stop() {
        isPlaying = false;
        command(this::leave);
    }

    public boolean isPlaying() {
        return isPlaying;
    }

    /** How much later than the device says sound reaches the ear; what is heard is told so much later. */
    public void setLatency(int millis) {
        latencyMillis = millis;
    }

    /** How the sound fares. */
    public Status status() {
        return status;
    }

    /** Looks for a device, where none is open, and tells how the sound fares; on the engine's thread. */
    public void look(Consumer<Status> answer) {
        command(() -> {
            if (line.isEmpty()) {
                open();
                line.ifPresent(each -> each.speaker().close());
                line = Optional.empty();
            } else if (line.get().speaker().isSilent()) {
                lostFor = RETRY_MILLIS;
                retry();
            }
            answer.accept(status);
        });
    }

    /** Milliseconds since beats began to be knocked, by the device's clock alone; empty while none are. */
    public Optional<Double> knocking() {
        return line.filter(each -> isPlaying).flatMap(now -> {
            double millis = now.heardMillis();
            return segmentAt(millis)
                    .filter(each -> each.mark().wholeNotes().isEmpty())
                    .map(each -> millis - each.streamMillis());
        });
    }

    /** What is heard now; empty when nothing plays or beats are knocked. */
    public Optional<Heard> heard() {
        Optional<Line> now = line;
        if (!isPlaying || now.isEmpty()) {
            return Optional.empty();
        }
        double millis = now.get().heardMillis() - latencyMillis;
        return segmentAt(millis)
                .filter(each -> each.mark().wholeNotes().isPresent())
                .map(segment -> {
                    Performance performance = segment.mark().performance();
                    double place = segment.wholeNotesAt(millis) * performance.millisPerWholeNote();
                    return new Heard(
                            performance.realisation(),
                            place,
                            performance.realisation().at(place));
                });
    }

    private Optional<Segment> segmentAt(double millis) {
        synchronized (segments) {
            Optional<Segment> current = Optional.empty();
            for (Segment each : segments) {
                current = each.streamMillis() <= millis ? Optional.of(each) : current;
            }
            return current;
        }
    }

    @Override
    public void close() {
        isPlaying = false;
        isClosed = true;
        commands.add(() -> {});
        // A line that is closed keeps nobody waiting who writes to it.
        line.ifPresent(each -> each.speaker().close());
        thread.ifPresent(each -> {
            try {
                each.join(2000);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
    }

    // The engine's thread

    private synchronized void command(Runnable command) {
        if (isClosed) {
            return;
        }
        commands.add(command);
        if (thread.isEmpty()) {
            Thread engine = new Thread(this::run, "sound");
            engine.setDaemon(true);
            thread = Optional.of(engine);
            engine.start();
        }
    }

    /** While a line is open, it is fed; else the thread rests until there is a command. */
    private void run() {
        try {
            while (!isClosed) {
                Optional<Runnable> command =
                        Optional.ofNullable(line.isPresent() ? commands.poll() : commands.poll(1, TimeUnit.HOURS));
                command.ifPresent(Runnable::run);
                if (playing.isPresent() && line.isEmpty()) {
                    open();
                } else if (command.isEmpty() && line.isPresent()) {
                    feed();
                }
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void open() {
        Optional<Speaker> found = speakers.get();
        Speaker speaker = found.orElseGet(SilentSpeaker::new);
        line = Optional.of(new Line(speaker, streamMillis));
        silentFor = 0;
        lostFor = 0;
        status = new Status(speaker.isSilent(), status.isLost() && speaker.isSilent(), 0);
    }

    private void leave() {
        playing.ifPresent(stream -> {
            stream.end();
            leaving.add(stream);
        });
        playing = Optional.empty();
    }

    private void mark(Stream.Mark mark) {
        synchronized (segments) {
            segments.addLast(new Segment(streamMillis + renderedMillis(), mark));
            while (segments.size() > MOST_SEGMENTS) {
                segments.removeFirst();
            }
        }
    }

    /** Of the block that is being mixed, what is rendered already. */
    private double renderedMillis() {
        return rendered * 1000.0 / Synth.SAMPLE_RATE;
    }

    /** Mixes a block and hands it to the line. */
    private void feed() {
        Arrays.fill(mixed, 0);
        if (playing.isPresent()) {
            // A sample at a time, so that what begins within the block is marked where it begins.
            float[] one = new float[1];
            for (rendered = 0; rendered < BLOCK; rendered++) {
                playing.get().render(one, 1);
                mixed[rendered] += one[0];
            }
            rendered = 0;
        }
        for (Stream each : leaving) {
            each.render(block, BLOCK);
            for (int i = 0; i < BLOCK; i++) {
                mixed[i] += block[i];
            }
        }
        leaving.removeIf(Stream::isOver);
        write();
        if (playing.filter(Stream::isOver).isPresent()) {
            finish();
        }
        boolean isSilent = playing.isEmpty() && leaving.isEmpty();
        silentFor = isSilent ? silentFor + 10 : 0;
        if (silentFor >= silenceMillis) {
            line.ifPresent(each -> each.speaker().close());
            line = Optional.empty();
        }
    }

    private void write() {
        Line now = line.orElseThrow();
        boolean isTaken = now.speaker().write(mixed, BLOCK);
        double after = streamMillis + BLOCK * 1000.0 / Synth.SAMPLE_RATE;
        streamMillis = after;
        status = new Status(
                now.speaker().isSilent(), status.isLost(), now.speaker().underruns());
        if (!isTaken && !isClosed) {
            now.speaker().close();
            line = Optional.of(new Line(new SilentSpeaker(), streamMillis));
            status = new Status(true, true, status.underruns());
            lostFor = 0;
        } else if (status.isLost()) {
            retry();
        }
    }

    /** Where the device was lost, looks for it from time to time; it plays on meanwhile. */
    private void retry() {
        lostFor += 10;
        if (lostFor >= RETRY_MILLIS) {
            lostFor = 0;
            speakers.get().ifPresent(found -> {
                line.ifPresent(each -> each.speaker().close());
                line = Optional.of(new Line(found, streamMillis));
                status = new Status(found.isSilent(), false, 0);
            });
        }
    }

    /** It has played to its end: that is told when the end has been heard. */
    private void finish() {
        playing = Optional.empty();
        double end = streamMillis;
        Arrays.fill(mixed, 0);
        for (int i = 0; i < 100 && line.isPresent() && line.get().heardMillis() < end && commands.isEmpty(); i++) {
            write();
        }
        synchronized (this) {
            isPlaying = isPlaying && number != plays;
        }
    }
}
