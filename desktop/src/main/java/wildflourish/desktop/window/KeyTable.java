package wildflourish.desktop.window;

import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Step;
import wildflourish.desktop.desk.Desk;
import wildflourish.files.abc.TuneEditor;
import wildflourish.files.export.ExportForm;

/** Everything the window can do, each with its key: the one place where keys are given out. */
final class KeyTable {
    private final Keys keys = new Keys();
    private final MainWindow window;
    private final Desk desk;
    private final BookFiles files;

    private KeyTable(MainWindow window, Desk desk, BookFiles files) {
        this.window = window;
        this.desk = desk;
        this.files = files;
    }

    static Keys of(MainWindow window, Desk desk, BookFiles files) {
        KeyTable table = new KeyTable(window, desk, files);
        table.walking();
        table.placing();
        table.hearing();
        table.looking();
        table.book();
        table.writing();
        table.signatures();
        return table.keys;
    }

    private void plain(KeyCode code, String words, Runnable verb) {
        keys.with(code, words, verb);
    }

    private void ctrl(KeyCode code, String words, Runnable verb) {
        keys.with(code, words, verb, KeyCombination.SHORTCUT_DOWN);
    }

    private void shift(KeyCode code, String words, Runnable verb) {
        keys.with(code, words, verb, KeyCombination.SHIFT_DOWN);
    }

    private void alt(KeyCode code, String words, Runnable verb) {
        keys.with(code, words, onScore(verb), KeyCombination.ALT_DOWN);
    }

    private void altShift(KeyCode code, String words, Runnable verb) {
        keys.with(code, words, onScore(verb), KeyCombination.ALT_DOWN, KeyCombination.SHIFT_DOWN);
    }

    private void ctrlShift(KeyCode code, String words, Runnable verb) {
        keys.with(code, words, verb, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN);
    }

    /** What is done to the notes is done where they can be seen. */
    private Runnable onScore(Runnable verb) {
        return () -> {
            if (window.panels().isScore()) {
                verb.run();
            } else {
                desk.say("The notes are not in sight: Escape goes back to the score");
            }
        };
    }

    private void walking() {
        plain(KeyCode.RIGHT, "next note", onScore(() -> desk.walk(1)));
        plain(KeyCode.LEFT, "note before", onScore(() -> desk.walk(-1)));
        ctrl(KeyCode.RIGHT, "next bar", onScore(() -> desk.walkBar(1)));
        ctrl(KeyCode.LEFT, "bar before", onScore(() -> desk.walkBar(-1)));
        plain(KeyCode.DOWN, "line below", onScore(() -> window.score().walkLine(1)));
        plain(KeyCode.UP, "line above", onScore(() -> window.score().walkLine(-1)));
        plain(KeyCode.B, "next phrase", onScore(() -> desk.walkPhrase(1)));
        shift(KeyCode.B, "phrase before", onScore(() -> desk.walkPhrase(-1)));
        plain(KeyCode.HOME, "first note", onScore(() -> desk.walk(-100_000)));
        plain(KeyCode.END, "last note", onScore(() -> desk.walk(100_000)));
        plain(KeyCode.PAGE_UP, "stage above", () -> climb(1));
        plain(KeyCode.PAGE_DOWN, "stage below", () -> climb(-1));
        ctrl(KeyCode.PAGE_DOWN, "next tune of the book", () -> desk.chooseLesson(desk.lessonIndex() + 1));
        ctrl(KeyCode.PAGE_UP, "tune before in the book", () -> desk.chooseLesson(Math.max(0, desk.lessonIndex() - 1)));
    }

    private void climb(int direction) {
        desk.chooseStage(desk.sight().get().chosen().stage() + direction);
    }

    private void placing() {
        plain(KeyCode.ENTER, "place what fits best", onScore(desk::placeBest));
        shift(KeyCode.ENTER, "keep another option", onScore(desk::keepNextBest));
        plain(KeyCode.N, "next choice here", onScore(() -> desk.cycle(1)));
        shift(KeyCode.N, "choice before", onScore(() -> desk.cycle(-1)));
        plain(KeyCode.S, "play the best that goes on top of what stands here", onScore(desk::placeOnTop));
        shift(
                KeyCode.L,
                "turn what holds in this phrase: held, breaths, tongued, slurred",
                onScore(desk.layers()::next));
        plain(KeyCode.U, "slur from this note on strings: two, three, none", onScore(desk.slurs()::next));
        plain(KeyCode.O, "play the other option", onScore(desk::nextOption));
        plain(KeyCode.DELETE, "remove the ornament", onScore(desk::remove));
        plain(KeyCode.BACK_SPACE, "remove the ornament", onScore(desk::remove));
        shift(KeyCode.F, "keep the next fingering of this note", onScore(desk.fingers()::next));
        ctrl(KeyCode.UP, "copy this stage up", desk::copyUp);
        ctrl(KeyCode.Z, "undo", desk::undo);
        ctrlShift(KeyCode.Z, "do again", desk::redo);
        ctrl(KeyCode.Y, "do again", desk::redo);
    }

    private void hearing() {
        plain(KeyCode.SPACE, "play from here, or stop", () -> window.playOrStop(Transport.Stretch.FROM_HERE));
        plain(KeyCode.L, "loop this phrase", () -> window.playOrStop(Transport.Stretch.PHRASE));
        plain(KeyCode.P, "play this part", () -> window.playOrStop(Transport.Stretch.PART));
        shift(KeyCode.P, "this part, its first ending several times, then as played", window::drillOrStop);
        plain(KeyCode.E, "call and answer, phrase by phrase from here", () -> window.echoOrStop(1));
        shift(KeyCode.E, "call and answer, two phrases joined", () -> window.echoOrStop(2));
        plain(KeyCode.T, "play the tune", () -> window.playOrStop(Transport.Stretch.TUNE));
    }

    private void looking() {
        plain(
                KeyCode.C,
                "close-up of the spot",
                () -> window.panels().showCloseUp(!window.panels().isCloseUp()));
        plain(
                KeyCode.H,
                "chart of the instrument, or the score",
                () -> window.panels().showChart(!window.panels().isChart()));
        plain(
                KeyCode.I,
                "best fit: which instrument, which key",
                () -> window.panels().showBestFit(!window.panels().isBestFit()));
        plain(
                KeyCode.K,
                "look over the plain tune, or what fits",
                () -> window.panels().showLookOver(!window.panels().isLookOver()));
        plain(
                KeyCode.J,
                "one phrase, large, or the whole tune",
                () -> window.panels().showLens(!window.score().isLens()));
        plain(
                KeyCode.COMMA,
                "a little earlier in the close-up",
                () -> window.panels().scrub(-1));
        plain(
                KeyCode.PERIOD,
                "a little later in the close-up",
                () -> window.panels().scrub(1));
        plain(KeyCode.D, "light or dark", window.habits()::otherTheme);
        plain(KeyCode.A, "letters under the notes, or none", onScore(this::otherLetters));
        plain(KeyCode.F, "fingerings: all, first of each, none", onScore(this::nextFingerings));
        plain(KeyCode.G, "ornaments as small notes, or as signs", onScore(window.habits()::otherSigns));
        plain(KeyCode.V, "sheets of paper, or one long page", onScore(window.habits()::otherSheets));
        ctrl(KeyCode.EQUALS, "larger score", () -> window.habits().zoom(1));
        ctrl(KeyCode.MINUS, "smaller score", () -> window.habits().zoom(-1));
        ctrl(KeyCode.DIGIT0, "score at its usual size", () -> window.habits().zoom(0));
        plain(KeyCode.F1, "find what you can do", window.panels()::findAction);
        plain(KeyCode.F2, "what you did", window.panels()::findDone);
        plain(KeyCode.ESCAPE, "back to the score", window.panels()::leaveFinder);
    }

    private void otherLetters() {
        Score.Shows shows = window.score().shows();
        window.habits().show(shows.withLetters(!shows.letters()));
    }

    private void nextFingerings() {
        Score.Shows shows = window.score().shows();
        Score.Fingerings[] all = Score.Fingerings.values();
        window.habits().show(shows.withFingerings(all[(shows.fingerings().ordinal() + 1) % all.length]));
    }

    private void book() {
        ctrl(KeyCode.O, "open a book", files::open);
        ctrlShift(KeyCode.O, "open a book in another window", files::openBeside);
        ctrl(KeyCode.S, "save", files::save);
        ctrlShift(KeyCode.S, "save to another file", files::saveAs);
        ctrl(KeyCode.E, "take away as PDF", () -> files.takeAway(ExportForm.PDF, Paper.a4()));
        ctrl(KeyCode.P, "print", window::print);
        ctrl(KeyCode.N, "new tune", window::newTune);
        ctrl(KeyCode.B, "a phrase begins at this bar, or no longer", desk.writing()::turnPhrase);
        ctrl(KeyCode.R, "name this phrase", window.panels()::namePhrase);
        ctrl(KeyCode.D, "keep another form of this tune", desk.writing()::anotherForm);
    }

    /** Writing and correcting the tune itself: on the staff everything with Alt. */
    private void writing() {
        plain(
                KeyCode.W,
                "write the tune as text",
                () -> window.panels().showWrite(!window.panels().isWriting()));
        for (Step step : Step.values()) {
            alt(
                    KeyCode.valueOf(step.name()),
                    "add a note " + step + " after this one",
                    () -> desk.writing().add((editor, note) -> editor.inserted(note, step)));
        }
        alt(KeyCode.UP, "note a step up", () -> desk.writing().correct((editor, note) -> editor.stepped(note, 1)));
        alt(KeyCode.DOWN, "note a step down", () -> desk.writing().correct((editor, note) -> editor.stepped(note, -1)));
        alt(
                KeyCode.PAGE_UP,
                "note an octave up",
                () -> desk.writing().correct((editor, note) -> editor.stepped(note, 7)));
        alt(
                KeyCode.PAGE_DOWN,
                "note an octave down",
                () -> desk.writing().correct((editor, note) -> editor.stepped(note, -7)));
        alt(
                KeyCode.S,
                "note a semitone sharper",
                () -> desk.writing().correct((editor, note) -> editor.altered(note, 1)));
        alt(
                KeyCode.H,
                "note a semitone flatter",
                () -> desk.writing().correct((editor, note) -> editor.altered(note, -1)));
        alt(KeyCode.RIGHT, "note twice as long", () -> lengthen(2, 1));
        alt(KeyCode.LEFT, "note half as long", () -> lengthen(1, 2));
        alt(KeyCode.PERIOD, "note half as long again", () -> lengthen(3, 2));
        alt(KeyCode.R, "add a rest after this note", () -> desk.writing().add(TuneEditor::insertedRest));
        alt(KeyCode.T, "tie to the next note, or untie", () -> desk.writing().correct(TuneEditor::tied));
        alt(KeyCode.ENTER, "bar line after this note", () -> sign("|"));
        alt(KeyCode.K, "end of a repeat after this note", () -> sign(":|"));
        alt(KeyCode.L, "repeat from after this note", () -> sign("|:"));
        alt(KeyCode.P, "end of a part after this note", () -> sign("||"));
        alt(KeyCode.BACK_SPACE, "take this note out of the tune", desk.writing()::takeOut);
        alt(KeyCode.DELETE, "take this note out of the tune", desk.writing()::takeOut);
        altShift(KeyCode.UP, "tune a semitone up", () -> desk.writing().transpose(1));
        altShift(KeyCode.DOWN, "tune a semitone down", () -> desk.writing().transpose(-1));
    }

    private void signatures() {
        alt(KeyCode.M, "tune in the next metre", () -> desk.writing().nextMetre(1));
        altShift(KeyCode.M, "tune in the metre before", () -> desk.writing().nextMetre(-1));
        alt(KeyCode.J, "key a sharp more, notes stay", () -> desk.writing().moveKey(1));
        altShift(KeyCode.J, "key a flat more, notes stay", () -> desk.writing().moveKey(-1));
    }

    private void lengthen(int above, int below) {
        desk.writing().correct((editor, note) -> editor.lengthened(note, Fraction.of(above, below)));
    }

    private void sign(String sign) {
        desk.writing().correct((editor, note) -> editor.insertedSign(note, sign));
    }
}
