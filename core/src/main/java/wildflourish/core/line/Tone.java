package wildflourish.core.line;

import java.util.List;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.version.Placement;

/**
 * One thing to be played: a note, a chord or a rest, at its exact time.
 *
 * @param note the written note it comes from
 * @param index which of the tones that a layer has made of that note, from 0
 * @param pitches what sounds, the melody last: those of the note, or what a layer has put in their place; none for a rest
 * @param place when it is played
 * @param touch what a layer or the tune's own marks say of its beginning
 * @param placed the ornament that begins on it
 * @param pick how a picking hand takes it where a layer says so; empty where the path decides
 * @param isRest whether it is silent: a written rest, or a note that a layer leaves out
 */
public record Tone(
        Note note,
        int index,
        List<WrittenPitch> pitches,
        Place place,
        Touch touch,
        Optional<Placement> placed,
        boolean isRest,
        Optional<Pick> pick) {
    /**
     * How a picking hand takes a tone.
     *
     * @param fingers by their letters, {@code T+M} for two at once; empty for a pick
     * @param string of the melody, by its index
     * @param fret of the melody
     */
    public record Pick(String fingers, int string, int fret) {}

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

    public Tone {
        pitches = List.copyOf(pitches);
    }

    /** As it is written, for one playing. */
    static Tone of(Note note, Place place, Touch touch, Optional<Placement> placed) {
        return new Tone(note, 0, note.pitches(), place, touch, placed, note.isRest(), Optional.empty());
    }

    /** The melody: what stands last. Throws IllegalStateException for a rest; ask {@link #isRest} first. */
    public WrittenPitch melody() {
        if (pitches.isEmpty()) {
            throw new IllegalStateException("a rest has no pitch: " + note.id());
        }
        return pitches.get(pitches.size() - 1);
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
        return other == touch ? this : new Tone(note, index, pitches, place, other, placed, isRest, pick);
    }

    Tone withPlace(Place other) {
        return new Tone(note, index, pitches, other, touch, placed, isRest, pick);
    }

    Tone with(Optional<Placement> other) {
        return other.equals(placed) ? this : new Tone(note, index, pitches, place, touch, other, isRest, pick);
    }

    /** With other pitches, the melody last. */
    Tone withPitches(List<WrittenPitch> others) {
        return new Tone(note, index, others, place, touch, placed, isRest, pick);
    }

    /** One of several in place of it, each begun anew. */
    Tone part(int number, Fraction start, Fraction length) {
        Touch its = number == 0 ? touch : Touch.STRUCK;
        Optional<Placement> kept = number == 0 ? placed : Optional.empty();
        return new Tone(note, index + number, pitches, place.at(start, length), its, kept, isRest, pick);
    }

    /** A tone in place of it, begun anew, that sounds something else for a stretch of the tune. */
    public Tone anew(int number, List<WrittenPitch> others, Fraction start, Fraction length, Optional<Pick> taken) {
        return new Tone(
                note, number, others, place.at(start, length), Touch.STRUCK, Optional.empty(), others.isEmpty(), taken);
    }

    /** With an ornament in place of what was there. */
    public Tone placing(Placement other) {
        return with(Optional.of(other));
    }

    /** The silence that is left where a note is not played for so long. */
    Tone silent(Fraction start, Fraction length) {
        return new Tone(
                note,
                index + 1,
                List.of(),
                place.at(start, length),
                Touch.USUAL,
                Optional.empty(),
                true,
                Optional.empty());
    }
}
