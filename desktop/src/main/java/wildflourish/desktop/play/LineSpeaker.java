package wildflourish.desktop.play;

import java.util.Optional;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.DataLine;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.SourceDataLine;
import wildflourish.core.sound.Synth;

/** The computer's loudspeaker. */
public final class LineSpeaker implements Speaker {
    private static final AudioFormat FORMAT = new AudioFormat(Synth.SAMPLE_RATE, 16, 1, true, false);
    private static final int BUFFER_BYTES = Synth.SAMPLE_RATE * 2 / 10;

    private final SourceDataLine line;
    private boolean hasBegun;
    private volatile int underruns;

    private LineSpeaker(SourceDataLine line) {
        this.line = line;
    }

    /** Empty where there is no device, or it is taken. */
    public static Optional<Speaker> open() {
        try {
            DataLine.Info wanted = new DataLine.Info(SourceDataLine.class, FORMAT);
            if (!AudioSystem.isLineSupported(wanted)) {
                return Optional.empty();
            }
            SourceDataLine line = (SourceDataLine) AudioSystem.getLine(wanted);
            line.open(FORMAT, BUFFER_BYTES);
            line.start();
            return Optional.of(new LineSpeaker(line));
        } catch (LineUnavailableException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    @Override
    public boolean write(float[] samples, int count) {
        if (!line.isOpen()) {
            return false;
        }
        if (hasBegun && line.available() >= line.getBufferSize()) {
            int more = underruns + 1;
            underruns = more;
        }
        hasBegun = true;
        byte[] bytes = new byte[count * 2];
        for (int i = 0; i < count; i++) {
            int value = Math.round(Math.max(-1, Math.min(1, samples[i])) * 32767);
            bytes[2 * i] = (byte) value;
            bytes[2 * i + 1] = (byte) (value >> 8);
        }
        return line.write(bytes, 0, bytes.length) == bytes.length;
    }

    @Override
    public double heardMillis() {
        return line.getLongFramePosition() * 1000.0 / Synth.SAMPLE_RATE;
    }

    @Override
    public boolean isSilent() {
        return false;
    }

    @Override
    public int underruns() {
        return underruns;
    }

    @Override
    public void close() {
        line.stop();
        line.flush();
        line.close();
    }
}
