package wildflourish.desktop.desk;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import wildflourish.core.form.Phrasing;
import wildflourish.core.music.Metre;
import wildflourish.core.problem.Parsed;
import wildflourish.core.problem.Problem;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
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

    private final Desk desk;

    Writing(Desk desk) {
        this.desk = desk;
    }

    /**
     * The chosen tune as typed: its text is read, notes that are still there keep their placements. Returns what was wrong with the text.
     * Typing on is one change until {@link #endEdit}.
     */
    public List<Problem> edit(String text) {
        return edit(text, Deed.Kind.EDIT);
    }

    private List<Problem> edit(String text, Deed.Kind kind) {
        Sight current = desk.sight().get();
        if (current.lesson().isEmpty()) {
            return List.of();
        }
        Lesson before = current.lesson().get();
        Parsed<Tune> read = TuneText.read(text);
        if (read.value().manuscript().text().equals(before.tune().manuscript().text())) {
            return read.problems();
        }
        Lesson.Edited edited = before.edited(read.value());
        Deed deed = new Deed(kind, before.tune().title(), "");
        desk.history().applyMerging(Change.of(desk.history().book(), desk.lessonIndex(), edited.lesson(), deed));
        desk.show(current.chosen());
        desk.say(
                edited.lost() == 0
                        ? "The tune is changed; what stands on its notes has followed them"
                        : edited.lost() + (edited.lost() == 1 ? " placement" : " placements")
                                + " had no note left and went with it; Undo brings both back");
        return read.problems();
    }

    /** Corrects the chosen note; says so where that makes no sense. */
    public void correct(BiFunction<TuneEditor, NoteId, Optional<String>> verb) {
        Sight current = desk.sight().get();
        if (current.tune().isEmpty() || current.note().isEmpty()) {
            desk.say("There is no note to change: choose one, or begin a new tune with Ctrl+N.");
            return;
        }
        Optional<String> text =
                verb.apply(new TuneEditor(current.tune().get()), current.note().get());
        if (text.isEmpty()) {
            desk.say("That cannot be done to this note; write it in the text of the tune (W).");
            return;
        }
        edit(text.get());
        endEdit();
    }

    /** Adds something after the chosen note and goes on to it. */
    public void add(BiFunction<TuneEditor, NoteId, Optional<String>> verb) {
        int notes = desk.sight().get().tune().map(tune -> tune.notes().size()).orElse(0);
        correct(verb);
        if (desk.sight().get().tune().map(tune -> tune.notes().size()).orElse(0) > notes) {
            desk.walk(1);
        }
    }

    /** Takes the chosen note out of the tune and goes on to the one before. */
    public void takeOut() {
        Optional<NoteId> before = desk.sight()
                .get()
                .tune()
                .flatMap(tune -> desk.sight().get().note().flatMap(note -> tune.neighbour(note, -1)))
                .map(Note::id);
        correct(TuneEditor::deleted);
        before.filter(id -> desk.sight().get().tune().map(tune -> tune.has(id)).orElse(false))
                .ifPresent(desk::choose);
    }

    /** The whole tune so many semitones higher, key and all. */
    public void transpose(int semitones) {
        Optional<String> text = desk.sight()
                .get()
                .tune()
                .flatMap(tune -> Transposer.transposed(tune.manuscript().text(), semitones));
        if (text.isEmpty()) {
            desk.say("This tune has no key that can be moved; give it one, such as K:D, in its text (W).");
            return;
        }
        edit(text.get());
        endEdit();
        desk.say("Moved to "
                + desk.sight().get().tune().orElseThrow().header().key().name());
    }

    /** A phrase begins with the bar of the chosen note from now on, or no longer does. */
    public void turnPhrase() {
        if (correctPhrase(TuneEditor::phraseTurned, "A part begins here, and a phrase with it: choose a later bar.")) {
            desk.say("The phrases are now " + plan());
        }
    }

    /** The phrase of the chosen note under the teacher's own name; under the usual one where the name is blank. */
    public void namePhrase(String name) {
        if (correctPhrase((editor, note) -> editor.phraseNamed(note, name), "")) {
            desk.say("The phrases are now " + plan());
        }
    }

    private boolean correctPhrase(BiFunction<TuneEditor, NoteId, Optional<String>> verb, String refusal) {
        Sight current = desk.sight().get();
        if (current.tune().isEmpty() || current.note().isEmpty()) {
            desk.say("There is no phrase here: choose a note, or begin a new tune with Ctrl+N.");
            return false;
        }
        Optional<String> text =
                verb.apply(new TuneEditor(current.tune().get()), current.note().get());
        if (text.isEmpty()) {
            desk.say(refusal);
            return false;
        }
        edit(text.get(), Deed.Kind.PHRASE);
        endEdit();
        return true;
    }

    private String plan() {
        return desk.sight().get().tune().map(Phrasing::of).map(FormWords::plan).orElse("");
    }

    /** The tune in the next (1) or the metre before (−1) of the usual ones; bar lines stay. */
    public void nextMetre(int direction) {
        Optional<Tune> tune = desk.sight().get().tune();
        if (tune.isEmpty()) {
            desk.say("There is no tune to change: begin one with Ctrl+N.");
            return;
        }
        int now = METRES.indexOf(tune.get().metreAt(0));
        Metre next = METRES.get(Math.floorMod(now < 0 ? 0 : now + direction, METRES.size()));
        new TuneEditor(tune.get()).withMetre(next).ifPresent(this::edit);
        endEdit();
        desk.say("In " + next + " now; bar lines stay where they are");
    }

    /** The key signature a sharp more (1) or a flat more (−1), every note keeping its sound. */
    public void moveKey(int fifths) {
        Optional<String> text = desk.sight().get().tune().flatMap(tune -> new TuneEditor(tune).withKeyMoved(fifths));
        if (text.isEmpty()) {
            desk.say("This key cannot go further that way; write it in the text of the tune (W).");
            return;
        }
        edit(text.get());
        endEdit();
        desk.say("Signed as "
                + desk.sight().get().tune().orElseThrow().header().key().name() + " now; every note sounds as before");
    }

    /** What is wrong with a tune's text, which changes nothing. */
    public List<Problem> check(String text) {
        return text.isEmpty() ? List.of() : TuneText.read(text).problems();
    }

    /** Typing is over: the next edit is a change of its own. */
    public void endEdit() {
        desk.history().endMerging();
    }

    /** A new tune at the end of the book, chosen, to be written over. */
    public void newTune() {
        int number = desk.freshNumber();
        List<BookItem> items = desk.history().book().items();
        List<BookItem> more = new ArrayList<>();
        if (!items.isEmpty()) {
            boolean endsInLine = items.get(items.size() - 1) instanceof BookItem.Text text
                    && text.text().endsWith("\n");
            more.add(new BookItem.Text(endsInLine ? "\n" : "\n\n"));
        }
        more.add(Lesson.plain(TuneText.read(TuneText.fresh(number)).value()));
        more.add(new BookItem.Text("\n"));
        desk.turnTo(desk.history().book().lessons().size());
        desk.apply(
                new Change(items.size(), List.of(), more, new Deed(Deed.Kind.NEW_TUNE, "", "")),
                desk.sight().get().chosen().withNote(Optional.empty()));
        desk.say("A new tune, X:" + number + ", at the end of the book: write over it");
    }

    /**
     * Another form of the chosen tune, right after it: the same title and notes under a number of its own, with a line for its source, to be
     * corrected to what that player plays.
     */
    public void anotherForm() {
        Sight current = desk.sight().get();
        if (current.lesson().isEmpty()) {
            desk.say("There is no tune to keep another form of.");
            return;
        }
        Lesson lesson = current.lesson().get();
        int number = desk.freshNumber();
        String text = lesson.tune().manuscript().text().replaceFirst("(?m)^X:.*$", "X:" + number);
        String sourced = text.replaceFirst("(?m)^S:.*\\R?", "").replaceFirst("(?m)^K:", "S:another player\nK:");
        List<BookItem> more = List.of(
                lesson,
                new BookItem.Text("\n\n"),
                Lesson.plain(TuneText.read(sourced).value()));
        Change change = new Change(
                desk.history().book().itemOf(desk.lessonIndex()),
                List.of(lesson),
                more,
                new Deed(Deed.Kind.NEW_TUNE, "", ""));
        desk.turnTo(desk.lessonIndex() + 1);
        desk.apply(change, current.chosen().withNote(Optional.empty()));
        desk.say("Another form, X:" + number + ": write whose it is after S:, and what is different (W)");
    }
}
