package wildflourish.core.music;

/**
 * A pitch as it is heard.
 *
 * @param midi MIDI number of the nearest named pitch: A4 is 69
 * @param cents offset from it in cents, of which 100 make a semitone
 */
public record SoundingPitch(int midi, int cents) {
    private static final int A4 = 69;
    private static final double A4_HERTZ = 440;

    public static SoundingPitch of(int midi) {
        return new SoundingPitch(midi, 0);
    }

    /** Frequency in hertz, equal temperament at A4 = 440 Hz (ISO 16). */
    public double hertz() {
        return A4_HERTZ * Math.pow(2, (midi - A4 + cents / 100.0) / 12);
    }

    public SoundingPitch plusCents(int more) {
        return more == 0 ? this : new SoundingPitch(midi, cents + more);
    }

    /** Semitones above MIDI number 0, with the cents as a part of one. */
    public double semitones() {
        return midi + cents / 100.0;
    }

    @Override
    public String toString() {
        return WrittenPitch.ofMidi(midi) + (cents == 0 ? "" : (cents > 0 ? "+" : "−") + Math.abs(cents) + " cents");
    }
}
