package wildflourish.desktop.desk;

import java.util.Optional;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;

/**
 * Everything a view shows, at one moment: the book, and what is chosen in it.
 *
 * @param lesson the chosen lesson; empty for a book without tunes
 * @param stair the stair worked on; where the lesson has none yet, a fresh one that joins it with its first placement
 * @param chosen what is chosen in it
 */
public record Sight(Book book, Optional<Lesson> lesson, Optional<Stair> stair, Chosen chosen) {
    /** What is chosen: instrument, student, stage of the stair, note. */
    public record Chosen(Instrument instrument, Profile profile, int stage, Optional<NoteId> note) {
        Chosen withNote(Optional<NoteId> other) {
            return new Chosen(instrument, profile, stage, other);
        }

        Chosen withStage(int other) {
            return new Chosen(instrument, profile, other, note);
        }

        Chosen withInstrument(Instrument other) {
            return new Chosen(other, profile, stage, note);
        }

        Chosen withProfile(Profile other) {
            return new Chosen(instrument, other, stage, note);
        }
    }

    public Optional<Tune> tune() {
        return lesson.map(Lesson::tune);
    }

    /** The stage worked on. */
    public Optional<Version> version() {
        return stair.map(
                stages -> stages.at(Math.min(chosen.stage(), stages.stages().size() - 1)));
    }

    public Optional<NoteId> note() {
        return chosen.note();
    }
}
