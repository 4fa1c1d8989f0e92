package wildflourish.desktop.window;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.look.TipPanel;
import wildflourish.desktop.menu.MenuOpener;

/**
 * All that hands do in a window, one after the other, each at the same spot of the book as it was opened: every key of the table, choosing instruments and students,
 * typing, opening menus, tips. What asks for files or leaves the window is left out.
 */
final class Round {
    /** What asks the user something, or leaves the window: it waits for people, not for us. */
    private static final Set<KeyCode> ASKING = Set.of(KeyCode.O, KeyCode.S, KeyCode.E, KeyCode.P, KeyCode.N);

    private static final int FIRST_NOTE = 4;
    private static final int FAR = 1000;

    private final Parent window;
    private final Desk desk;
    private final List<Deed> deeds = new ArrayList<>();

    /** Something that is done in one go. Where it is {@code bare}, it only leads to the next. */
    record Deed(String words, boolean bare, Runnable verb) {}

    private Round(Parent window, Desk desk) {
        this.window = window;
        this.desk = desk;
    }

    /** With the lesson, counted from 0, at which the views that keep what they worked out begin anew; two rounds in a row want different ones. */
    static List<Deed> of(Parent window, Desk desk, Keys keys, int lesson) {
        Round round = new Round(window, desk);
        keys.byWords()
                .forEach((words, actions) ->
                        round.strike(words, (KeyCodeCombination) actions.get(0).key()));
        round.choose();
        round.type();
        round.seek();
        round.open();
        round.lookAnew(lesson);
        round.bare(round::begin);
        return round.deeds;
    }

    private void bare(Runnable verb) {
        deeds.add(new Deed("", true, verb));
    }

    private void deed(String words, Runnable verb) {
        deeds.add(new Deed(words, false, verb));
    }

    /** The same spot of the same book, as it was opened, with the score before one. */
    private void begin() {
        press(new KeyCodeCombination(KeyCode.ESCAPE));
        press(new KeyCodeCombination(KeyCode.ESCAPE));
        find("#score").requestFocus();
        while (!desk.done().isEmpty()) {
            desk.undo();
        }
        desk.chooseLesson(0);
        desk.chooseStage(1);
        desk.walk(-FAR);
        desk.walk(FIRST_NOTE);
    }

    private void strike(String words, KeyCodeCombination key) {
        boolean isPlain = !isDown(key.getShortcut()) && !isDown(key.getAlt());
        if (isDown(key.getShortcut()) && ASKING.contains(key.getCode())) {
            return;
        }
        bare(this::begin);
        deed(words, () -> press(key));
        if (key.getCode().isFunctionKey()) {
            deed(words + ", and back", () -> press(new KeyCodeCombination(KeyCode.ESCAPE)));
        } else if (isPlain && (key.getCode().isLetterKey() || key.getCode() == KeyCode.SPACE)) {
            deed(words + ", and again", () -> press(key));
        }
    }

    private void choose() {
        bare(this::begin);
        for (String instrument : List.of("flute-d", "fiddle", "box-bc", "english-48", "banjo-open-g", "whistle-d")) {
            deed(
                    "choose the " + Instrument.of(instrument).name(),
                    () -> desk.chooseInstrument(Instrument.of(instrument)));
        }
        Profile.all()
                .forEach(profile -> deed("choose the student: " + profile.name(), () -> desk.chooseProfile(profile)));
    }

    private void type() {
        bare(() -> press(new KeyCodeCombination(KeyCode.W)));
        deed("type a note", () -> ((TextArea) find("#tune-text")).appendText("d"));
        deed("type another, and it is taken", () -> {
            ((TextArea) find("#tune-text")).appendText("e");
            ((WritePanel) find("#write")).finish();
        });
        deed("type what cannot be read, and it is told", () -> {
            ((TextArea) find("#tune-text")).appendText("##");
            ((WritePanel) find("#write")).finish();
        });
        bare(() -> press(new KeyCodeCombination(KeyCode.ESCAPE)));
        bare(() -> find("#score").requestFocus());
        bare(() -> press(new KeyCodeCombination(KeyCode.W)));
    }

    private void seek() {
        bare(this::begin);
        bare(() -> press(new KeyCodeCombination(KeyCode.F1)));
        deed("type a letter of what is sought", () -> ((TextField) find("#finder-sought")).appendText("n"));
        deed("type another letter of it", () -> ((TextField) find("#finder-sought")).appendText("o"));
        deed("take a letter of it back", () -> ((TextField) find("#finder-sought")).deletePreviousChar());
        bare(() -> press(new KeyCodeCombination(KeyCode.ESCAPE)));
    }

    private void open() {
        bare(this::begin);
        deed("tip of a button", () -> ((TipPanel) find("#tip")).show(find("#undo")));
        deed("tip of another", () -> ((TipPanel) find("#tip")).show(find("#close-up-toggle")));
        for (String menu : List.of("book", "tunes", "instrument", "students", "take-away", "view", "school")) {
            deed("open the menu: " + menu, () -> ((MenuOpener) find("#" + menu)).open());
            deed("close the menu: " + menu, () -> press(new KeyCodeCombination(KeyCode.ESCAPE)));
        }
        bare(() -> ((MenuOpener) find("#instrument")).open());
        deed("go down a menu", () -> press(new KeyCodeCombination(KeyCode.DOWN)));
        deed("go on to further lines of a menu", () -> press(new KeyCodeCombination(KeyCode.ENTER)));
        deed("go back from them", () -> press(new KeyCodeCombination(KeyCode.BACK_SPACE)));
        bare(() -> press(new KeyCodeCombination(KeyCode.ENTER)));
        deed("choose from a menu", () -> press(new KeyCodeCombination(KeyCode.ENTER)));
        bare(() -> desk.chooseInstrument(Instrument.of("whistle-d")));
    }

    private void lookAnew(int lesson) {
        bare(this::begin);
        bare(() -> desk.chooseLesson(lesson));
        deed("look over another tune", () -> press(new KeyCodeCombination(KeyCode.K)));
        deed("best fit of another tune", () -> press(new KeyCodeCombination(KeyCode.I)));
        deed("another tune while both are open", () -> desk.chooseLesson(lesson + 2));
    }

    private static boolean isDown(KeyCombination.ModifierValue modifier) {
        return modifier == KeyCombination.ModifierValue.DOWN;
    }

    private Node find(String query) {
        return window.lookup(query);
    }

    private void press(KeyCodeCombination key) {
        Scene scene = window.getScene();
        Node focus = scene.getFocusOwner() == null ? window : scene.getFocusOwner();
        KeyEvent event = new KeyEvent(
                KeyEvent.KEY_PRESSED,
                "",
                "",
                key.getCode(),
                isDown(key.getShift()),
                isDown(key.getShortcut()),
                isDown(key.getAlt()),
                false);
        Event.fireEvent(focus, event);
    }
}
