package wildflourish.core.music;

/**
 * How fast: beats a minute of a stated length. Here, and only here, note lengths become milliseconds.
 *
 * @param beatsPerMinute more than 0
 * @param beatLength in whole notes, more than 0: 1/2 for a reel
 */
public record Tempo(Fraction beatsPerMinute, Fraction beatLength) {
    private static final Fraction MILLIS_PER_MINUTE = Fraction.of(60_000);

    public Tempo {
        if (!beatsPerMinute.isPositive() || !beatLength.isPositive()) {
            throw new IllegalArgumentException("a tempo is more than 0: " + beatsPerMinute + " × " + beatLength);
        }
    }

    public static Tempo of(long beatsPerMinute, Fraction beatLength) {
        return new Tempo(Fraction.of(beatsPerMinute), beatLength);
    }

    /** Milliseconds that a length in whole notes takes: a reel's quaver at 112 is 60000 / (112 × 4), about 134. */
    public Fraction millisOf(Fraction lengthWholeNotes) {
        return lengthWholeNotes.times(MILLIS_PER_MINUTE).dividedBy(beatsPerMinute.times(beatLength));
    }

    /** The tempo, in beats of {@code beatLength} a minute, at which a length takes exactly that many milliseconds. */
    public static Tempo atWhich(Fraction lengthWholeNotes, Fraction millis, Fraction beatLength) {
        return new Tempo(lengthWholeNotes.times(MILLIS_PER_MINUTE).dividedBy(millis.times(beatLength)), beatLength);
    }

    /** The same speed counted in beats of another length, in whole notes. */
    public Tempo in(Fraction otherBeat) {
        return otherBeat.equals(beatLength)
                ? this
                : new Tempo(beatsPerMinute.times(beatLength).dividedBy(otherBeat), otherBeat);
    }

    /** The same beat, faster or slower: 1/10 is a tenth of the speed. */
    public Tempo times(Fraction factor) {
        return factor.equals(Fraction.ONE) ? this : new Tempo(beatsPerMinute.times(factor), beatLength);
    }

    @Override
    public String toString() {
        return beatLength + "=" + beatsPerMinute;
    }
}
