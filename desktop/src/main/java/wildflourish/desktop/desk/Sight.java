package wildflourish.desktop.desk;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.problem.Problem;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Span;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;

/**
 * Everything the window shows, at one moment: the book, what is chosen in it, the room one is in, how things are shown and heard.
 *
 * @param lessonIndex of the chosen lesson among those of the book, from 0
 * @param lesson the chosen lesson; empty for a book without tunes
 * @param stair the stair worked on; where the lesson has none yet, a fresh one that joins it with its first placement
 * @param chosen what is chosen in it
 * @param filed where the book is kept, and whether it is
 * @param room the id of the room in sight
 */
public record Sight(
        Book book,
        int lessonIndex,
        Optional<Lesson> lesson,
        Optional<Stair> stair,
        Chosen chosen,
        Filed filed,
        String room,
        Look look,
        Playback playback) {
    /**
     * What is chosen.
     *
     * @param until the note at the other end of a range that begins or ends with {@code note}; empty for one note alone
     */
    public record Chosen(
            Instrument instrument, Profile profile, int stage, Optional<NoteId> note, Optional<NoteId> until) {
        public Chosen withNote(Optional<NoteId> other) {
            return new Chosen(instrument, profile, stage, other, Optional.empty());
        }

        public Chosen withUntil(Optional<NoteId> other) {
            return new Chosen(instrument, profile, stage, note, other);
        }

        public Chosen withStage(int other) {
            return new Chosen(instrument, profile, other, note, until);
        }

        public Chosen withInstrument(Instrument other) {
            return new Chosen(other, profile, stage, note, until);
        }

        public Chosen withProfile(Profile other) {
            return new Chosen(instrument, other, stage, note, until);
        }
    }

    /**
     * Where the book is kept.
     *
     * @param problems what was to be said of it when it was read
     * @param from the file of another format that the book was made of, until it is saved
     * @param undoable how many changes can be taken back
     * @param redoable how many of those taken back can be done again
     */
    public record Filed(
            Path path, boolean isSaved, List<Problem> problems, Optional<Path> from, int undoable, int redoable) {
        public Filed {
            problems = List.copyOf(problems);
        }
    }

    public Optional<Tune> tune() {
        return lesson.map(Lesson::tune);
    }

    /** Whether the tune has a stair for the instrument; else the one in sight joins it with its first placement. */
    public boolean isBegun() {
        return lesson.flatMap(each -> each.stairFor(chosen.instrument())).isPresent();
    }

    /** The stage worked on. */
    public Optional<Version> version() {
        return stair.map(
                stages -> stages.at(Math.min(chosen.stage(), stages.versions().size() - 1)));
    }

    public Optional<NoteId> note() {
        return chosen.note();
    }

    public Instrument instrument() {
        return chosen.instrument();
    }

    /** The chosen notes, from the first to the last in the order of the tune; one note alone where no more are chosen. */
    public Optional<Span> range() {
        return tune().flatMap(tune -> note().map(note -> {
            NoteId other = chosen.until().filter(tune::has).orElse(note);
            boolean isForward =
                    tune.placeOf(note).order() <= tune.placeOf(other).order();
            return isForward ? new Span(note, other) : new Span(other, note);
        }));
    }

    /** The chosen notes where they are more than one. */
    public Optional<Span> severalNotes() {
        return range().filter(span -> !span.isOneNote());
    }

    Sight in(String otherRoom) {
        return new Sight(book, lessonIndex, lesson, stair, chosen, filed, otherRoom, look, playback);
    }

    Sight with(Look other) {
        return new Sight(book, lessonIndex, lesson, stair, chosen, filed, room, other, playback);
    }

    Sight with(Playback other) {
        return new Sight(book, lessonIndex, lesson, stair, chosen, filed, room, look, other);
    }

    Sight with(Filed other) {
        return new Sight(book, lessonIndex, lesson, stair, chosen, other, room, look, playback);
    }
}
