package wildflourish.core.line;

import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.version.Placement;

/**
 * One thing to be played: a note, a chord or a rest, at its exact time.
 *
 * @param note the written note it comes from, whose pitches it has
 * @param index which of the tones that a layer has made of that note, from 0
 * @param place when it is played
 * @param touch what a layer or the tune's own marks say of its beginning
 * @param placed the ornament that begins on it
 * @param isRest whether it is silent: a written rest, or a note that a layer leaves out
 */
public record Tone(Note note, int index, Place place, Touch touch, Optional<Placement> placed, boolean isRest) {
    /**
     * When a tone is played.
     *
     * @param playedBar number of the bar in playing order, from 0
     * @param played the written bar and which time through
     * @param startWholeNotes from the beginning of the tune
     * @param lengthWholeNotes what it takes
     */
    public record Place(int playedBar, PlayOrder.Played played, Fraction startWholeNotes, Fraction lengthWholeNotes) {
        Place withLength(Fraction length) {
            return new Place(playedBar, played, startWholeNotes, length);
        }

        Place at(Fraction start, Fraction length) {
            return new Place(playedBar, played, start, length);
        }
    }

    /** How a tone begins where nobody has placed anything. */
    public enum Touch {
        USUAL,
        STRUCK,
        SLURRED,
        /** Tied over from the tone before. */
        TIED
    }

    public Fraction start() {
        return place.startWholeNotes();
    }

    public Fraction length() {
        return place.lengthWholeNotes();
    }

    public Fraction end() {
        return start().plus(length());
    }

    public int pass() {
        return place.played().pass();
    }

    public Tone with(Touch other) {
        return other == touch ? this : new Tone(note, index, place, other, placed, isRest);
    }

    Tone withPlace(Place other) {
        return new Tone(note, index, other, touch, placed, isRest);
    }

    Tone with(Optional<Placement> other) {
        return other.equals(placed) ? this : new Tone(note, index, place, touch, other, isRest);
    }

    /** The silence that is left where a note is not played for so long. */
    Tone silent(Fraction start, Fraction length) {
        return new Tone(note, index + 1, place.at(start, length), Touch.USUAL, Optional.empty(), true);
    }
}
