package wildflourish.desktop.desk;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.value.ObservableValue;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.problem.Parsed;
import wildflourish.core.problem.Problem;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Change;
import wildflourish.core.version.History;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.files.store.StoredBook;

/** The one state of a window: what is open, chosen, shown and heard. Verbs say what they come to, {@link #does} makes it so. */
public final class Desk {
    private static final int FIRST_STAGES = 3;

    private final ReadOnlyObjectWrapper<Sight> sight = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private StoredBook stored;
    private List<Problem> problems;
    private History history;
    private Here here;

    /** With a book that was read. */
    public Desk(Parsed<StoredBook> opened) {
        this.stored = opened.value();
        this.problems = opened.problems();
        this.history = new History(stored.book());
        Sight.Chosen chosen =
                new Sight.Chosen(Instrument.first(), Profile.usual(), 1, Optional.empty(), Optional.empty());
        this.here = Here.of(sightOf(0, chosen, "bench", Look.USUAL, Playback.USUAL));
        sight.set(here.sight());
    }

    public ReadOnlyObjectProperty<Sight> sight() {
        return sight.getReadOnlyProperty();
    }

    /** Something of the sight; it tells of a change when that itself is another. */
    public <T> ObservableValue<T> of(Function<Sight, T> part) {
        return sight.map(part);
    }

    /** The sight with what follows from it. */
    public Here here() {
        return here;
    }

    /** What the last verb did, or why it did nothing: one line. */
    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }

    /** Puts a line where the user sees it. */
    public void say(String words) {
        said.set(words);
    }

    /** Makes it so what a verb comes to. */
    public void does(Function<Here, Outcome> verb) {
        Outcome outcome = verb.apply(here);
        outcome.change().ifPresent(change -> {
            if (outcome.isOpen()) {
                history.applyMerging(change);
            } else {
                history.apply(change);
            }
        });
        Sight.Chosen chosen = outcome.chosen().orElse(now().chosen());
        if (outcome.change().isPresent() || outcome.chosen().isPresent()) {
            show(outcome.lesson().orElse(now().lessonIndex()), chosen);
        }
        if (!outcome.words().isEmpty()) {
            say(outcome.words());
        }
    }

    /** What is typed from now on is a change of its own. */
    public void endEdit() {
        history.endMerging();
    }

    private Sight now() {
        return sight.get();
    }

    private void show(int lesson, Sight.Chosen chosen) {
        show(sightOf(lesson, chosen, now().room(), now().look(), now().playback()));
    }

    private void show(Sight next) {
        here = here.next(next);
        sight.set(next);
    }

    private Sight sightOf(int wanted, Sight.Chosen chosen, String room, Look look, Playback playback) {
        List<Lesson> lessons = history.book().lessons();
        int index = Math.max(0, Math.min(wanted, lessons.size() - 1));
        Optional<Lesson> lesson = lessons.isEmpty() ? Optional.empty() : Optional.of(lessons.get(index));
        Optional<Stair> stair = lesson.map(each -> each.stairFor(chosen.instrument())
                .orElseGet(() -> Stair.starting(each.tune(), chosen.instrument(), FIRST_STAGES)));
        int stages = stair.map(each -> each.versions().size()).orElse(1);
        int stage = Math.max(0, Math.min(chosen.stage(), stages - 1));
        Optional<NoteId> until = chosen.until()
                .filter(id -> lesson.map(each -> each.tune().has(id)).orElse(false));
        Optional<NoteId> note = chosen.note()
                .filter(id -> lesson.map(each -> each.tune().has(id)).orElse(false))
                .or(() -> lesson.flatMap(each -> each.tune().notes().stream().findFirst())
                        .map(Note::id));
        return new Sight(
                history.book(),
                index,
                lesson,
                stair,
                chosen.withStage(stage).withNote(note).withUntil(until),
                filed(),
                room,
                look,
                playback);
    }

    private Sight.Filed filed() {
        return new Sight.Filed(
                stored.path(),
                history.isSaved() && stored.from().isEmpty(),
                problems,
                stored.from(),
                history.done().size(),
                history.undone().size());
    }

    // Where one is, how things are shown and heard

    /** Goes to a room, by its id. */
    public void enter(String room) {
        show(now().in(room));
    }

    public void look(UnaryOperator<Look> change) {
        show(now().with(change.apply(now().look())));
    }

    public void playback(UnaryOperator<Playback> change) {
        show(now().with(change.apply(now().playback())));
    }

    // The book

    /** What was done, the latest first. */
    public List<Change> done() {
        return history.done();
    }

    /** Another book that was read comes in place of this one. */
    public void take(Parsed<StoredBook> opened) {
        stored = opened.value();
        problems = opened.problems();
        history = new History(stored.book());
        show(0, now().chosen().withNote(Optional.empty()));
        int count = stored.book().lessons().size();
        say(stored.path().getFileName() + ": " + count + (count == 1 ? " tune" : " tunes")
                + (problems.isEmpty() ? "" : ", " + problems.size() + " problems to look at"));
    }

    /** The book as it would be saved to its own file, or to another that becomes its own. */
    public StoredBook toSave(Path path) {
        return stored.at(path).with(history.book());
    }

    /** What {@link #toSave} gave has been saved; what was done since is not. */
    public void saved(StoredBook now) {
        stored = now;
        if (history.book().equals(now.book())) {
            history.markSaved();
        }
        say("Saved to " + now.path());
        show(now().with(filed()));
    }

    /** From now on whatever another program has written at the book's path may be replaced by the next save. */
    public void replaceOnSave() {
        stored = stored.over();
    }

    // Undo

    public void undo() {
        step(history.undo(), "Undone", "There is nothing to undo.");
    }

    public void redo() {
        step(history.redo(), "Done again", "There is nothing to do again.");
    }

    private void step(Optional<Change> change, String words, String nothing) {
        say(change.map(each -> words + ": " + DeedWords.of(each.deed())).orElse(nothing));
        show(now().lessonIndex(), now().chosen());
    }
}
