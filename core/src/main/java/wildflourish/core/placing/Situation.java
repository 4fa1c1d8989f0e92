package wildflourish.core.placing;

import java.util.Optional;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Gracing;
import wildflourish.core.instrument.Hole;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NotePlace;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;

/** A note of a tune in its surroundings, for an instrument, a school, a student and a tempo. */
public record Situation(Tune tune, Note note, Playing playing, Profile profile) {
    public NotePlace place() {
        return tune.placeOf(note.id());
    }

    /** The note sounding right before, if any. */
    public Optional<Note> before() {
        return tune.neighbour(note.id(), -1).filter(other -> !other.isRest());
    }

    public Optional<Note> after() {
        return tune.neighbour(note.id(), 1).filter(other -> !other.isRest());
    }

    /** How many notes of this pitch stand right before it, one after the other. */
    public int equalBefore() {
        int count = 0;
        Optional<Note> earlier = tune.neighbour(note.id(), -1);
        while (earlier.isPresent() && samePitch(earlier.get())) {
            count++;
            earlier = tune.neighbour(earlier.get().id(), -1);
        }
        return count;
    }

    private boolean samePitch(Note other) {
        return !note.isRest()
                && !other.isRest()
                && other.melody().midi() == note.melody().midi();
    }

    /** Semitones from the note before up to this one; 0 when there is none. */
    public int rise() {
        return note.isRest()
                ? 0
                : before().map(other -> note.melody().midi() - other.melody().midi())
                        .orElse(0);
    }

    /** The last note goes on into this one without a new beginning. */
    public boolean isHeldFromBefore() {
        return before().map(other -> other.marks().joins().tied()).orElse(false);
    }

    /** On a counted beat of the bar: crotchets, or dotted crotchets in compound time. */
    public boolean isOnBeat() {
        Metre metre = tune.metreAt(place().bar());
        Fraction count = metre.isCompound() ? metre.countLength() : Fraction.of(1, 4);
        return place().offset().modulo(count).isZero();
    }

    /** The chart's row for the note; empty for a rest and for a note the instrument lacks. */
    public Optional<ChartRow> row() {
        return note.isRest() ? Optional.empty() : playing.instrument().rowOf(note.melody());
    }

    /** Whether the instrument has the note, on holes, strings or buttons; a rest it always has. */
    public boolean isOnInstrument() {
        return note.isRest() || playing.instrument().has(note.melody());
    }

    public Optional<Gracing> gracing() {
        return row().flatMap(row -> playing.instrument().gracingOf(row.pitch()));
    }

    public Optional<Fingering> fingering() {
        return row().map(ChartRow::usual);
    }

    /** All holes covered, or all but the first one that is opened to help the second register. */
    public boolean isAllClosed() {
        return fingering()
                .map(holes -> holes.with(1, Hole.CLOSED).isAll(Hole.CLOSED))
                .orElse(false);
    }

    public boolean isAllOpen() {
        return fingering().map(holes -> holes.isAll(Hole.OPEN)).orElse(false);
    }
}
