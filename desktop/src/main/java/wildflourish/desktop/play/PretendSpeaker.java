package wildflourish.desktop.play;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Optional;
import wildflourish.core.sound.Synth;
import wildflourish.files.wav.WavWriter;

/**
 * A stand-in for a sound device in a folder: it hears at the pace of the clock, and what it has heard lies there as {@code heard.wav} when it is closed. While a file
 * {@code unplugged} lies in the folder, the device is gone.
 */
public final class PretendSpeaker implements Speaker {
    private static final String UNPLUGGED = "unplugged";
    private static final String HEARD = "heard.wav";
    private static final int MOST_SAMPLES = 10 * 60 * Synth.SAMPLE_RATE;

    private final Path folder;
    private final SilentSpeaker pace = new SilentSpeaker();
    private float[] heard = new float[Synth.SAMPLE_RATE];
    private int count;

    private PretendSpeaker(Path folder) {
        this.folder = folder;
    }

    /** The device of a folder; empty while it is unplugged. */
    public static Optional<Speaker> open(Path folder) {
        return isThere(folder) ? Optional.of(new PretendSpeaker(folder)) : Optional.empty();
    }

    private static boolean isThere(Path folder) {
        return Files.isDirectory(folder) && !Files.exists(folder.resolve(UNPLUGGED));
    }

    @Override
    public boolean write(float[] samples, int number) {
        if (!isThere(folder)) {
            return false;
        }
        if (count + number <= MOST_SAMPLES) {
            if (count + number > heard.length) {
                heard = Arrays.copyOf(heard, 2 * heard.length);
            }
            System.arraycopy(samples, 0, heard, count, number);
            count += number;
        }
        return pace.write(samples, number);
    }

    @Override
    public double heardMillis() {
        return pace.heardMillis();
    }

    @Override
    public boolean isSilent() {
        return false;
    }

    @Override
    public void close() {
        pace.close();
        if (isThere(folder)) {
            try {
                Files.write(folder.resolve(HEARD), WavWriter.write(Arrays.copyOf(heard, count), Synth.SAMPLE_RATE));
            } catch (IOException e) {
                throw new UncheckedIOException("what was heard cannot be written", e);
            }
        }
    }
}
