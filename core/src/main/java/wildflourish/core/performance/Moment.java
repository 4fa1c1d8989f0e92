package wildflourish.core.performance;

import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Breath;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.SoundingPitch;
import wildflourish.core.tune.NoteId;

/**
 * A stretch of time in which nothing changes: one pitch or silence, one fingering. Moments follow each other without gap or overlap.
 *
 * @param startMillis from the beginning of the tune, exact
 * @param endMillis where the next moment begins
 * @param cue what it belongs to
 * @param sounding empty for silence
 */
public record Moment(Fraction startMillis, Fraction endMillis, Cue cue, Optional<Sounding> sounding) {
    /** What a moment is within its note. */
    public enum Role {
        MELODY,
        CUT,
        TAP,
        CRAN,
        SMALL_NOTE,
        REST
    }

    /** How a moment begins: struck by the tongue, by a movement of the fingers, or going on from before. */
    public enum Onset {
        TONGUE,
        FINGERS,
        HELD
    }

    /** The bar in playing order (from 0), the written note, and the role of the moment. */
    public record Cue(int playedBar, NoteId note, Role role) {}

    /** What the player holds. */
    public record Held(Fingering fingering, Breath breath) {}

    /**
     * What is heard and how it is made.
     *
     * @param under what sounds with the melody: second strings, other buttons; mostly none
     * @param held empty for a pitch the instrument does not have, and on strings and buttons
     */
    public record Sounding(SoundingPitch pitch, List<SoundingPitch> under, Optional<Held> held, Onset onset) {
        public Sounding {
            under = List.copyOf(under);
        }

        /** The melody by itself. */
        public Sounding(SoundingPitch pitch, Optional<Held> held, Onset onset) {
            this(pitch, List.of(), held, onset);
        }
    }

    public Moment {
        if (!startMillis.isLessThan(endMillis)) {
            throw new IllegalArgumentException("a moment takes time: " + startMillis + " to " + endMillis);
        }
    }

    public Fraction lengthMillis() {
        return endMillis.minus(startMillis);
    }

    public boolean isGesture() {
        return cue.role() == Role.CUT || cue.role() == Role.TAP || cue.role() == Role.CRAN;
    }
}
