package wildflourish.core.performance;

import java.util.List;
import java.util.Optional;
import wildflourish.core.hand.Held;
import wildflourish.core.hand.Voice;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.SoundingPitch;
import wildflourish.core.ornament.Begin;
import wildflourish.core.tune.NoteId;

/**
 * A stretch of time in which nothing changes but what a glide says: the same voices or silence, one fingering. Moments follow each other without gap or
 * overlap.
 *
 * @param startMillis from the beginning of the tune, exact
 * @param endMillis where the next moment begins
 * @param cue what it belongs to
 * @param sounding empty for silence; drones go on through it
 * @param held what the fingers hold; empty for a pitch the instrument does not have, for rests, and on strings and buttons
 */
public record Moment(
        Fraction startMillis, Fraction endMillis, Cue cue, Optional<Sounding> sounding, Optional<Held> held) {
    /** What a moment is within its note. */
    public enum Role {
        MELODY,
        CUT,
        TAP,
        /** A small note of an ornament with a pitch of its own. */
        GRACE,
        /** A string of a chord that is struck before the melody's. */
        SPREAD,
        /** A silence within an ornament: everything shut. */
        CLOSED,
        /** A small note that the tune itself writes. */
        SMALL_NOTE,
        REST
    }

    /** The bar in playing order (from 0), the written note, and the role of the moment. */
    public record Cue(int playedBar, NoteId note, Role role) {}

    /**
     * What is heard and how it begins.
     *
     * @param voices the melody first, then what sounds with it: second strings, other buttons
     * @param by the picking fingers of a banjo hand by their letters, {@code T+M}; empty elsewhere
     */
    public record Sounding(List<Voice> voices, Begin begin, String by) {
        public Sounding {
            voices = List.copyOf(voices);
        }

        public Sounding(List<Voice> voices, Begin begin) {
            this(voices, begin, "");
        }

        public Voice melody() {
            return voices.get(0);
        }

        /** The melody's pitch, where it does not glide. */
        public SoundingPitch pitch() {
            return melody().pitch();
        }

        /** What sounds with the melody. */
        public List<Voice> under() {
            return voices.subList(1, voices.size());
        }

        /** The melody's pitch so many milliseconds after the moment began, in semitones above MIDI number 0. */
        public double semitonesAt(double sinceMillis, double lengthMillis) {
            return pitch().semitones() + melody().glide().centsAt(sinceMillis, lengthMillis) / 100;
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

    /** Whether it is a movement of an ornament, too short to be a note. */
    public boolean isGesture() {
        return switch (cue.role()) {
            case CUT, TAP, GRACE, SPREAD, CLOSED -> true;
            case MELODY, SMALL_NOTE, REST -> false;
        };
    }

    /** The melody's pitch in the middle of the moment, in semitones; empty for silence. */
    public Optional<Double> semitonesInside(double part) {
        double length = lengthMillis().toDouble();
        return sounding.map(each -> each.semitonesAt(part * length, length));
    }
}
