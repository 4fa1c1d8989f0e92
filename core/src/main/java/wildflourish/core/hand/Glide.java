package wildflourish.core.hand;

/**
 * What the pitch of a voice does within a moment, in cents from its own pitch: an even glide from one place to another, and a wave upon it.
 *
 * @param waveCents how far the wave goes; 0 for none
 * @param periodMillis of one wave
 * @param isBelow whether the wave only goes below the pitch
 */
public record Glide(int fromCents, int toCents, int waveCents, int periodMillis, boolean isBelow) {
    public static final Glide LEVEL = new Glide(0, 0, 0, 1, false);

    /** An even glide. */
    public static Glide of(int fromCents, int toCents) {
        return fromCents == 0 && toCents == 0 ? LEVEL : new Glide(fromCents, toCents, 0, 1, false);
    }

    public boolean isLevel() {
        return fromCents == 0 && toCents == 0 && waveCents == 0;
    }

    /** Cents from the voice's pitch, so many milliseconds after the moment began; the moment is so long. */
    public double centsAt(double sinceMillis, double lengthMillis) {
        double part = lengthMillis <= 0 ? 1 : Math.max(0, Math.min(1, sinceMillis / lengthMillis));
        double wave = Math.sin(2 * Math.PI * sinceMillis / periodMillis);
        double shaken =
                isBelow ? -waveCents * (1 - Math.cos(2 * Math.PI * sinceMillis / periodMillis)) / 2 : waveCents * wave;
        return fromCents + (toCents - fromCents) * part + (waveCents == 0 ? 0 : shaken);
    }

    @Override
    public String toString() {
        return isLevel()
                ? "level"
                : waveCents > 0
                        ? "wave of " + waveCents + " cents in " + periodMillis + " ms"
                        : fromCents + " to " + toCents + " cents";
    }
}
