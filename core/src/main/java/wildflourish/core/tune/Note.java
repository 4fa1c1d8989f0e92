package wildflourish.core.tune;

import java.util.Comparator;
import java.util.List;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.WrittenPitch;

/**
 * A note, a chord or a rest of the plain tune.
 *
 * @param pitches written pitches from low to high; none for a rest
 * @param cents how much sharper than written it sounds, 100 to a semitone: 50 for a quarter-tone sharp; nearly always 0
 */
public record Note(NoteId id, List<WrittenPitch> pitches, Duration duration, Marks marks, int cents) {
    /** In tune with the twelve semitones. */
    public Note(NoteId id, List<WrittenPitch> pitches, Duration duration, Marks marks) {
        this(id, pitches, duration, marks, 0);
    }

    public Note {
        pitches = pitches.size() < 2
                ? List.copyOf(pitches)
                : pitches.stream()
                        .sorted(Comparator.comparingInt(WrittenPitch::staffStep).thenComparingInt(WrittenPitch::alter))
                        .toList();
    }

    public boolean isRest() {
        return pitches.isEmpty();
    }

    public boolean isChord() {
        return pitches.size() > 1;
    }

    /** The melody: the highest pitch. Throws IllegalStateException for a rest; ask {@link #isRest} first. */
    public WrittenPitch melody() {
        if (isRest()) {
            throw new IllegalStateException("a rest has no pitch: " + id);
        }
        return pitches.get(pitches.size() - 1);
    }

    /** Time it takes, in whole notes. */
    public Fraction played() {
        return duration.played();
    }

    /** With other pitches, the lowest first. */
    public Note withPitches(List<WrittenPitch> others) {
        return new Note(id, others, duration, marks, cents);
    }

    public Note withMarks(Marks newMarks) {
        return newMarks.equals(marks) ? this : new Note(id, pitches, duration, newMarks, cents);
    }
}
