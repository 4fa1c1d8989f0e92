package wildflourish.desktop.play;

import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import java.util.function.LongSupplier;
import wildflourish.core.sound.Synth;

/** Stands in where there is no sound device: takes samples at the pace of the clock and lets them go unheard. */
public final class SilentSpeaker implements Speaker {
    private static final double BUFFER_MILLIS = 80;

    private final LongSupplier nanoClock;
    private final long openedNanos;
    private double writtenMillis;
    private volatile boolean isClosed;

    public SilentSpeaker() {
        this(System::nanoTime);
    }

    SilentSpeaker(LongSupplier nanoClock) {
        this.nanoClock = nanoClock;
        this.openedNanos = nanoClock.getAsLong();
    }

    @Override
    public boolean write(float[] samples, int count) {
        writtenMillis += count * 1000.0 / Synth.SAMPLE_RATE;
        while (!isClosed && writtenMillis - elapsedMillis() > BUFFER_MILLIS) {
            LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(2));
        }
        return true;
    }

    private double elapsedMillis() {
        return (nanoClock.getAsLong() - openedNanos) / 1e6;
    }

    @Override
    public double heardMillis() {
        return Math.min(elapsedMillis(), writtenMillis);
    }

    @Override
    public boolean isSilent() {
        return true;
    }

    @Override
    public void close() {
        isClosed = true;
    }
}
