package wildflourish.core.music;

/**
 * How far one pitch lies above another: steps of the staff and semitones. An octave is 7 and 12, a minor third 2 and 3; both below zero downwards.
 */
public record Interval(int steps, int semitones) {
    public static final Interval UNISON = new Interval(0, 0);

    private static final int STEPS = 7;
    private static final int SEMITONES = 12;
    private static final int MOST_SIGNS = 2;

    public static Interval octaves(int count) {
        return count == 0 ? UNISON : new Interval(STEPS * count, SEMITONES * count);
    }

    public boolean isUnison() {
        return equals(UNISON);
    }

    public Interval plus(Interval other) {
        return new Interval(steps + other.steps, semitones + other.semitones);
    }

    public Interval downwards() {
        return new Interval(-steps, -semitones);
    }

    /** The pitch so far above another; spelled a step lower or higher where it would take more than a double sign. */
    public WrittenPitch above(WrittenPitch pitch) {
        if (isUnison()) {
            return pitch;
        }
        int wanted = pitch.midi() + semitones;
        int staffStep = pitch.staffStep() + steps;
        while (wanted - WrittenPitch.ofStaffStep(staffStep).midi() > MOST_SIGNS) {
            staffStep++;
        }
        while (wanted - WrittenPitch.ofStaffStep(staffStep).midi() < -MOST_SIGNS) {
            staffStep--;
        }
        WrittenPitch natural = WrittenPitch.ofStaffStep(staffStep);
        return natural.withAlter(wanted - natural.midi());
    }
}
