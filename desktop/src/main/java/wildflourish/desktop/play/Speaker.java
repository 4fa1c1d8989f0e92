package wildflourish.desktop.play;

/** Somewhere samples go, with a clock that says how many have been heard. */
public interface Speaker extends AutoCloseable {
    /** Takes samples, waiting until there is room for them; false where the device is no longer there. */
    boolean write(float[] samples, int count);

    /** Milliseconds heard since it was opened. */
    double heardMillis();

    /** Whether nothing is to be heard, because there is no sound device. */
    boolean isSilent();

    /** How often it has had nothing to play since it was opened: gaps that were heard. */
    default int underruns() {
        return 0;
    }

    @Override
    void close();
}
