package wildflourish.core.version;

import java.util.List;
import wildflourish.core.music.Fraction;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/** The written notes an ornament stands on, from the first to the last. */
public record Span(NoteId first, NoteId last) {
    public static Span of(NoteId note) {
        return new Span(note, note);
    }

    public boolean isOneNote() {
        return first.equals(last);
    }

    /** Time of all its notes in whole notes. */
    public Fraction length(Tune tune) {
        Fraction length = Fraction.ZERO;
        for (Note note : tune.between(first, last)) {
            length = length.plus(note.played());
        }
        return length;
    }

    /** Its notes and rests in the order of the tune. */
    public List<Note> notes(Tune tune) {
        return tune.between(first, last);
    }

    /** Whether it lies within one bar, as a span that is played must. */
    public boolean isInOneBar(Tune tune) {
        return tune.placeOf(first).bar() == tune.placeOf(last).bar();
    }

    public boolean overlaps(Span other, Tune tune) {
        return tune.placeOf(first).order() <= tune.placeOf(other.last).order()
                && tune.placeOf(other.first).order() <= tune.placeOf(last).order();
    }
}
