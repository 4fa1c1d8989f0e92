package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executor;
import java.util.concurrent.FutureTask;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import javafx.application.Platform;
import javafx.event.Event;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TitledPane;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.text.Text;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Spot;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.AppFonts;
import wildflourish.desktop.look.Pick;
import wildflourish.desktop.look.Styles;
import wildflourish.desktop.play.Player;
import wildflourish.files.store.BookStore;

/** A real window on a copy of the demo book, with a silent loudspeaker and a picker of files in the test's hand. */
abstract class WindowTest {
    @TempDir
    static Path folder;

    final FxRobot robot = new FxRobot();
    final FilePicker picker = mock(FilePicker.class);
    /** Something to print on; no printer is set up unless a test gives it one. */
    Optional<PaperPrinter.Job> job = Optional.empty();

    final PaperPrinter printer = owner -> job;
    final Player player = new Player(Optional::empty);
    Path book;
    Path own;
    final List<Path> opened = new ArrayList<>();
    Desk desk;
    MainWindow window;

    @BeforeEach
    void open() throws TimeoutException {
        FxToolkit.registerPrimaryStage();
        FxToolkit.setupStage(stage -> {
            try {
                open(stage);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
    }

    private void open(Stage stage) throws IOException {
        Styles.base();
        AppFonts.load();
        book = Files.createTempDirectory(folder, "book").resolve("book.abc");
        Files.writeString(book, bookText());
        when(picker.toOpen()).thenReturn(Optional.empty());
        when(picker.toSave(anyString(), anyString())).thenReturn(Optional.empty());
        own = book.resolveSibling("own");
        desk = new Desk(BookStore.open(book));
        window = new MainWindow(
                desk,
                player,
                new Surroundings(
                        picker, own, other -> opened.add(other.value().path()), worker(), Runnable::run, printer));
        Scene scene = new Scene(window, FlourishApp.WIDTH, FlourishApp.HEIGHT);
        stage.setScene(scene);
        stage.show();
        window.bench().score().requestFocus();
    }

    /** Long work is done at once; tests that want to see it under way say so. */
    Executor worker() {
        return Runnable::run;
    }

    /** The demo book; tests that want another say so. */
    String bookText() throws IOException {
        try (var in = WindowTest.class.getResourceAsStream("/wildflourish/desktop/demo/saltmarsh-lane.abc")) {
            return new String(in.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
        }
    }

    @AfterEach
    void close() throws Exception {
        inWindow(() -> {
            window.close();
            return true;
        });
        FxToolkit.cleanupStages();
    }

    /** Runs something where the window lives; waits for its answer and until what it put off is done too. */
    static <T> T inWindow(Callable<T> question) throws ExecutionException, InterruptedException, TimeoutException {
        FutureTask<T> task = new FutureTask<>(question);
        Platform.runLater(task);
        T answer = task.get(20, TimeUnit.SECONDS);
        FutureTask<Boolean> after = new FutureTask<>(() -> true);
        Platform.runLater(after);
        after.get(20, TimeUnit.SECONDS);
        return answer;
    }

    /** Waits until something is so, asking where the window lives; what is never so in twenty seconds fails. */
    static void await(String what, Callable<Boolean> isSo) throws Exception {
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(20);
        while (!inWindow(isSo) && System.nanoTime() < end) {
            Thread.sleep(10);
        }
        assertThat(inWindow(isSo)).as(what).isTrue();
    }

    /** Puts the focus on the score, as a click on it does. */
    void focusScore() throws Exception {
        inWindow(() -> {
            window.bench().score().requestFocus();
            return true;
        });
    }

    /** Strikes a key where the focus is, with the modifiers before it held, and waits until all that it did is done. */
    void press(KeyCode... keys) throws Exception {
        List<KeyCode> held = List.of(keys);
        KeyCode key = keys[keys.length - 1];
        inWindow(() -> {
            Node focus = window.getScene().getFocusOwner();
            for (var type : List.of(KeyEvent.KEY_PRESSED, KeyEvent.KEY_RELEASED)) {
                Event.fireEvent(
                        focus,
                        new KeyEvent(
                                type,
                                "",
                                key.getName(),
                                key,
                                held.contains(KeyCode.SHIFT),
                                held.contains(KeyCode.CONTROL),
                                held.contains(KeyCode.ALT),
                                false));
            }
            return true;
        });
        inWindow(() -> true);
    }

    /** Opens a book in the window and waits until it is on the desk. */
    void openBook(Path path) throws Exception {
        inWindow(() -> {
            window.open(path);
            return true;
        });
        inWindow(() -> true);
    }

    Sight sight() throws Exception {
        return inWindow(() -> desk.sight().get());
    }

    /** The ornament that begins on the chosen note of the stage worked on. */
    Optional<String> here() throws Exception {
        Sight sight = sight();
        return sight.version()
                .flatMap(version -> version.at(sight.note().orElseThrow()))
                .flatMap(Spot::first)
                .map(placement -> placement.ornament())
                .map(Ornament::id);
    }

    String said() throws Exception {
        return inWindow(() -> desk.said().get());
    }

    <T extends Node> T find(String query, Class<T> type) throws Exception {
        List<T> found = all(query, type);
        assertThat(found).as(query).isNotEmpty();
        return found.get(0);
    }

    /** All that a query finds, as it stands in the window. The window is styled and laid out first: only then is in it what a control has within it. */
    <T extends Node> List<T> all(String query, Class<T> type) throws Exception {
        Callable<List<T>> question = () -> {
            window.applyCss();
            window.layout();
            return window.lookupAll(query).stream().map(type::cast).toList();
        };
        return Platform.isFxApplicationThread() ? question.call() : inWindow(question);
    }

    List<Node> all(String query) throws Exception {
        return all(query, Node.class);
    }

    /** Does something one can do, by its id, as a menu, the finder or a button does. */
    void does(String action) throws Exception {
        inWindow(() -> {
            window.actions().of(action).run();
            return true;
        });
        inWindow(() -> true);
    }

    /** Opens a menu; gives its lines. */
    List<MenuItem> openMenu(String opener) throws Exception {
        MenuButton found = find(opener, MenuButton.class);
        inWindow(() -> {
            found.show();
            return true;
        });
        return inWindow(() -> List.copyOf(found.getItems()));
    }

    /** Opens a menu and chooses the first line that begins with some words; then, among those it leads to, the next. */
    void chooseFrom(String opener, String... words) throws Exception {
        List<MenuItem> items = openMenu(opener);
        for (String each : words) {
            List<MenuItem> among = items;
            MenuItem item = inWindow(() -> among.stream()
                    .filter(line -> line.getText() != null && line.getText().startsWith(each))
                    .findFirst()
                    .orElseThrow());
            items = item instanceof Menu menu ? List.copyOf(menu.getItems()) : List.of();
            if (items.isEmpty()) {
                inWindow(() -> {
                    item.fire();
                    return true;
                });
            }
        }
        inWindow(() -> {
            find(opener, MenuButton.class).hide();
            return true;
        });
        inWindow(() -> true);
    }

    /** Chooses one of a few words. */
    void pick(String query, String word) throws Exception {
        Pick pick = find(query, Pick.class);
        inWindow(() -> {
            pick.choose(pick.words().indexOf(word));
            return true;
        });
        inWindow(() -> true);
    }

    /** Presses a button as whoever presses it does, by its own verb. */
    void fire(String query) throws Exception {
        ButtonBase button = find(query, ButtonBase.class);
        inWindow(() -> {
            button.fire();
            return true;
        });
        inWindow(() -> true);
    }

    /** Works on the lowest stage of a lesson of the book, by its index, on an instrument. */
    void lesson(int index, String instrument) throws Exception {
        inWindow(() -> {
            desk.does(here -> Choosing.lesson(here, index));
            desk.does(here -> Choosing.stage(here, 0));
            desk.does(here -> Choosing.instrument(here, Instrument.of(instrument)));
            return true;
        });
        inWindow(() -> true);
    }

    /** Chooses a note of the score. */
    void at(NoteId note) throws Exception {
        inWindow(() -> {
            desk.does(here -> Choosing.note(here, note));
            window.bench().score().requestFocus();
            return true;
        });
        inWindow(() -> true);
    }

    /** Unfolds what holds over a phrase. */
    TitledPane openRules() throws Exception {
        TitledPane rules = find("#phrase-rules", TitledPane.class);
        inWindow(() -> {
            rules.setExpanded(true);
            return true;
        });
        inWindow(() -> true);
        return rules;
    }

    /** The paragraphs of the look-over. */
    List<String> lookedOver() throws Exception {
        return all("#look-over .lines > *").stream()
                .map(each -> each instanceof Text text ? text.getText() : ((Labeled) each).getText())
                .toList();
    }

    /** The name of an instrument in the best fit, by which it is chosen. */
    Optional<Button> fit(String instrument) throws Exception {
        return about(instrument, ".fit-name", Button.class);
    }

    /** The tick of an instrument in the best fit. */
    Optional<CheckBox> owned(String instrument) throws Exception {
        return about(instrument, ".owned", CheckBox.class);
    }

    private <T extends Node> Optional<T> about(String instrument, String query, Class<T> type) throws Exception {
        return all(query, type).stream()
                .filter(each -> isInSight(each) && instrument.equals(each.getUserData()))
                .findFirst();
    }

    /** Clicks with the real mouse on the middle of what a query finds, once the window has laid itself out. */
    void click(String query) throws Exception {
        click(find(query, Node.class));
    }

    void click(Node node) throws Exception {
        Point2D middle = inWindow(() -> {
            window.applyCss();
            window.layout();
            Bounds bounds = node.localToScreen(node.getBoundsInLocal());
            return new Point2D(bounds.getCenterX(), bounds.getCenterY());
        });
        robot.clickOn(middle);
        WaitForAsyncUtils.waitForFxEvents();
    }

    boolean isShown(String query) throws Exception {
        return all(query).stream().anyMatch(WindowTest::isInSight);
    }

    /** Whether a node and all around it are visible: panels behind the one in front are there, but not. */
    static boolean isInSight(Node node) {
        return node.isVisible() && (node.getParent() == null || isInSight(node.getParent()));
    }
}
