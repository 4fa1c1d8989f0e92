package wildflourish.core.music;

/** A letter of the scale, with its distance from C in semitones. */
public enum Step {
    C(0),
    D(2),
    E(4),
    F(5),
    G(7),
    A(9),
    B(11);

    private final int semitones;

    Step(int semitones) {
        this.semitones = semitones;
    }

    public int semitonesAboveC() {
        return semitones;
    }

    /** The step that lies {@code count} steps higher (lower when negative), in whatever octave. */
    public Step plus(int count) {
        return values()[Math.floorMod(ordinal() + count, 7)];
    }
}
