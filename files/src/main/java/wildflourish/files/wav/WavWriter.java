package wildflourish.files.wav;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;

/** Samples as a RIFF WAVE file: one channel, 16 bits, little-endian. */
public final class WavWriter {
    private static final int HEADER = 44;

    private WavWriter() {}

    /** The file's bytes; samples between −1 and 1, anything beyond is cut off there. */
    public static byte[] write(float[] samples, int sampleRate) {
        int size = samples.length * 2;
        ByteBuffer bytes = ByteBuffer.allocate(HEADER + size).order(ByteOrder.LITTLE_ENDIAN);
        bytes.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(HEADER - 8 + size);
        bytes.put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII)).putInt(16);
        bytes.putShort((short) 1).putShort((short) 1).putInt(sampleRate).putInt(sampleRate * 2);
        bytes.putShort((short) 2).putShort((short) 16);
        bytes.put("data".getBytes(StandardCharsets.US_ASCII)).putInt(size);
        for (float sample : samples) {
            bytes.putShort((short) Math.round(Math.max(-1, Math.min(1, sample)) * 32767));
        }
        return bytes.array();
    }
}
