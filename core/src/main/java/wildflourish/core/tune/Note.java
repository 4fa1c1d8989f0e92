package wildflourish.core.tune;

import java.util.Comparator;
import java.util.List;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.WrittenPitch;

/**
 * A note, a chord or a rest of the plain tune.
 *
 * @param pitches written pitches from low to high; none for a rest
 */
public record Note(NoteId id, List<WrittenPitch> pitches, Duration duration, Marks marks) {
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
        return new Note(id, others, duration, marks);
    }

    public Note withMarks(Marks newMarks) {
        return newMarks.equals(marks) ? this : new Note(id, pitches, duration, newMarks);
    }
}
