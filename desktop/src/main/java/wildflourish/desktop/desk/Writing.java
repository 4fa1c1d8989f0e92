package wildflourish.desktop.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import wildflourish.core.form.Phrasing;
import wildflourish.core.music.Metre;
import wildflourish.core.problem.Problem;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneHeader;
import wildflourish.core.version.BookItem;
import wildflourish.core.version.Change;
import wildflourish.core.version.Deed;
import wildflourish.core.version.Lesson;
import wildflourish.core.words.FormWords;
import wildflourish.files.abc.Transposer;
import wildflourish.files.abc.TuneEditor;
import wildflourish.files.abc.TuneText;

/** Writing the tune itself: as text, note by note, in another key, in another form. */
public final class Writing {
    private static final List<Metre> METRES = List.of(
            Metre.of(4, 4),
            Metre.of(2, 2),
            Metre.of(2, 4),
            Metre.of(3, 4),
            Metre.of(3, 2),
            Metre.of(6, 8),
            Metre.of(9, 8),
            Metre.of(12, 8));

    private static final String NO_NOTE = "There is no note to change: choose one, or begin a new tune with Ctrl+N.";

    private Writing() {}

    /** What a correction makes of the tune's text; empty where it makes no sense. */
    @FunctionalInterface
    public interface Correction extends BiFunction<TuneEditor, NoteId, Optional<String>> {}

    /** The chosen tune as typed: its text is read, notes that are still there keep their placements. Typing on is one change. */
    public static Outcome edit(Here here, String text) {
        return edit(here, text, Deed.Kind.EDIT).open();
    }

    private static Outcome edit(Here here, String text, Deed.Kind kind) {
        Sight sight = here.sight();
        if (sight.lesson().isEmpty()) {
            return Outcome.nothing();
        }
        Lesson before = sight.lesson().get();
        Tune read = TuneText.read(text).value();
        if (read.manuscript().text().equals(before.tune().manuscript().text())) {
            return Outcome.nothing();
        }
        Lesson.Edited edited = before.edited(read);
        Deed deed = new Deed(kind, before.tune().title(), "");
        return Outcome.of(
                Change.of(sight.book(), sight.lessonIndex(), edited.lesson(), deed),
                edited.lost() == 0
                        ? "The tune is changed; what stands on its notes has followed them"
                        : edited.lost() + (edited.lost() == 1 ? " placement" : " placements")
                                + " had no note left and went with it; Undo brings both back");
    }

    /** Corrects the chosen note; says so where that makes no sense. */
    public static Outcome correct(Here here, Correction correction) {
        Sight sight = here.sight();
        if (sight.tune().isEmpty() || sight.note().isEmpty()) {
            return Outcome.said(NO_NOTE);
        }
        return correction
                .apply(new TuneEditor(sight.tune().get()), sight.note().get())
                .map(text -> edit(here, text, Deed.Kind.EDIT))
                .orElseGet(
                        () -> Outcome.said("That cannot be done to this note; write it in the text of the tune (W)."));
    }

    /** Adds something after the chosen note; {@link Choosing#walk} then goes on to it. */
    public static boolean hasGrown(Here before, Here after) {
        return notes(after) > notes(before);
    }

    private static int notes(Here here) {
        return here.sight().tune().map(tune -> tune.notes().size()).orElse(0);
    }

    /** Takes the chosen note out of the tune and goes on to the one before. */
    public static Outcome takeOut(Here here) {
        Outcome outcome = correct(here, TuneEditor::deleted);
        Optional<NoteId> before = here.sight()
                .tune()
                .flatMap(tune -> here.sight().note().flatMap(note -> tune.neighbour(note, -1)))
                .map(Note::id);
        return outcome.change().isEmpty() || before.isEmpty()
                ? outcome
                : outcome.choosing(here.sight().chosen().withNote(before));
    }

    /** The whole tune so many semitones higher, key and all. */
    public static Outcome transpose(Here here, int semitones) {
        Optional<String> text = here.sight()
                .tune()
                .flatMap(tune -> Transposer.transposed(tune.manuscript().text(), semitones));
        return text.map(moved -> edit(here, moved, Deed.Kind.EDIT).saying("Moved to " + keyName(moved)))
                .orElseGet(() -> Outcome.said(
                        "This tune has no key that can be moved; give it one, such as K:D, in its text (W)."));
    }

    private static String keyName(String text) {
        return TuneText.read(text).value().header().key().name();
    }

    /** A phrase begins with the bar of the chosen note from now on, or no longer does. */
    public static Outcome turnPhrase(Here here) {
        return correctPhrase(
                here, TuneEditor::phraseTurned, "A part begins here, and a phrase with it: choose a later bar.");
    }

    /** The phrase of the chosen note under the teacher's own name; under the usual one where the name is blank. */
    public static Outcome namePhrase(Here here, String name) {
        return correctPhrase(here, (editor, note) -> editor.phraseNamed(note, name), "");
    }

    private static Outcome correctPhrase(Here here, Correction correction, String refusal) {
        Sight sight = here.sight();
        if (sight.tune().isEmpty() || sight.note().isEmpty()) {
            return Outcome.said("There is no phrase here: choose a note, or begin a new tune with Ctrl+N.");
        }
        return correction
                .apply(new TuneEditor(sight.tune().get()), sight.note().get())
                .map(text -> edit(here, text, Deed.Kind.PHRASE)
                        .saying("The phrases are now "
                                + FormWords.plan(Phrasing.of(TuneText.read(text).value()))))
                .orElseGet(() -> Outcome.said(refusal));
    }

    /** The tune in the next (1) or the metre before (−1) of the usual ones; bar lines stay. */
    public static Outcome nextMetre(Here here, int direction) {
        Optional<Tune> tune = here.sight().tune();
        if (tune.isEmpty()) {
            return Outcome.said("There is no tune to change: begin one with Ctrl+N.");
        }
        int now = METRES.indexOf(tune.get().metreAt(0));
        Metre next = METRES.get(Math.floorMod(now < 0 ? 0 : now + direction, METRES.size()));
        return new TuneEditor(tune.get())
                .withMetre(next)
                .map(text -> edit(here, text, Deed.Kind.EDIT))
                .orElse(Outcome.nothing())
                .saying("In " + next + " now; bar lines stay where they are");
    }

    /** The key signature a sharp more (1) or a flat more (−1), every note keeping its sound. */
    public static Outcome moveKey(Here here, int fifths) {
        Optional<String> text = here.sight().tune().flatMap(tune -> new TuneEditor(tune).withKeyMoved(fifths));
        return text.map(moved -> edit(here, moved, Deed.Kind.EDIT)
                        .saying("Signed as " + keyName(moved) + " now; every note sounds as before"))
                .orElseGet(() ->
                        Outcome.said("This key cannot go further that way; write it in the text of the tune (W)."));
    }

    /** Another voice of the tune is taught; not where a stair stands on the one that is. */
    public static Outcome voice(Here here, String voice) {
        Sight sight = here.sight();
        if (sight.tune().isEmpty()
                || sight.tune().get().header().voices().taught().equals(voice)) {
            return Outcome.nothing();
        }
        if (!sight.lesson().orElseThrow().stairs().isEmpty()) {
            return Outcome.said(
                    "A stair stands on this voice: keep another form of the tune (Ctrl+D), and choose the voice there.");
        }
        String text = new TuneEditor(sight.tune().get()).withVoice(voice);
        return edit(here, text, Deed.Kind.VOICE)
                .saying("Voice " + voice + " is taught now; the others stay in the text");
    }

    /** The next of the voices is taught. */
    public static Outcome nextVoice(Here here) {
        TuneHeader.Voices voices =
                here.sight().tune().map(tune -> tune.header().voices()).orElse(TuneHeader.Voices.ONE);
        if (!voices.areSeveral()) {
            return Outcome.said("This tune has one voice.");
        }
        int next = (voices.ids().indexOf(voices.taught()) + 1) % voices.ids().size();
        return voice(here, voices.ids().get(next));
    }

    /** What is wrong with a tune's text. */
    public static List<Problem> check(String text) {
        return text.isEmpty() ? List.of() : TuneText.read(text).problems();
    }

    /** A new tune at the end of the book, chosen, to be written over. */
    public static Outcome newTune(Here here) {
        int number = here.sight().book().highestNumber() + 1;
        List<BookItem> items = here.sight().book().items();
        List<BookItem> more = new ArrayList<>();
        if (!items.isEmpty()) {
            boolean endsInLine = items.get(items.size() - 1) instanceof BookItem.Text text
                    && text.text().endsWith("\n");
            more.add(new BookItem.Text(endsInLine ? "\n" : "\n\n"));
        }
        more.add(Lesson.plain(TuneText.read(TuneText.fresh(number)).value()));
        more.add(new BookItem.Text("\n"));
        return Outcome.of(
                        new Change(items.size(), List.of(), more, new Deed(Deed.Kind.NEW_TUNE, "", "")),
                        "A new tune, X:" + number + ", at the end of the book: write over it")
                .inLesson(here.sight().book().lessons().size())
                .choosing(here.sight().chosen().withNote(Optional.empty()));
    }

    /**
     * Another form of the chosen tune, right after it: the same title and notes under a number of its own, with a line for its source, to be
     * corrected to what that player plays.
     */
    public static Outcome anotherForm(Here here) {
        Sight sight = here.sight();
        if (sight.lesson().isEmpty()) {
            return Outcome.said("There is no tune to keep another form of.");
        }
        Lesson lesson = sight.lesson().get();
        int number = sight.book().highestNumber() + 1;
        String text = lesson.tune().manuscript().text().replaceFirst("(?m)^X:.*$", "X:" + number);
        String sourced = text.replaceFirst("(?m)^S:.*\\R?", "").replaceFirst("(?m)^K:", "S:another player\nK:");
        List<BookItem> more = List.of(
                lesson,
                new BookItem.Text("\n\n"),
                Lesson.plain(TuneText.read(sourced).value()));
        Change change = new Change(
                sight.book().itemOf(sight.lessonIndex()), List.of(lesson), more, new Deed(Deed.Kind.NEW_TUNE, "", ""));
        return Outcome.of(
                        change, "Another form, X:" + number + ": write whose it is after S:, and what is different (W)")
                .inLesson(sight.lessonIndex() + 1)
                .choosing(sight.chosen().withNote(Optional.empty()));
    }
}
