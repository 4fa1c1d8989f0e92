package wildflourish.desktop.window;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ListView;
import javafx.scene.control.Slider;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.DragEvent;
import javafx.scene.input.InputEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.engraving.ChartSheet;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Lesson;
import wildflourish.desktop.bench.GrowthStem;
import wildflourish.desktop.bench.ScoreView;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Frames;
import wildflourish.desktop.look.TipPanel;
import wildflourish.desktop.menu.MenuOpener;
import wildflourish.desktop.menu.MenuPanel;
import wildflourish.desktop.plain.ChartView;
import wildflourish.desktop.play.Player;
import wildflourish.files.store.Recovery;

/** The window's content: book bar above, growth stem, score and what fits beside each other, text or close-up and sound below. */
public final class MainWindow extends BorderPane {
    private static final long REST_NANOS = 500_000_000;

    private final Desk desk;
    private final Surroundings around;
    private final Banner banner = new Banner();
    private final BookFiles files;
    private final ScoreView score;
    private final Transport transport;
    private final Habits habits;
    private final Panels panels;
    private final BookBar bar;
    private final MenuPanel menu = new MenuPanel();
    private final TipPanel tip = new TipPanel();
    private final Dress dress;
    private final Keys keys;
    private Optional<Node> focusPressed = Optional.empty();
    /** When something was typed or pointed at last. */
    private long touched = System.nanoTime() - REST_NANOS;

    public MainWindow(Desk desk, Player player, Surroundings around) {
        this.desk = desk;
        this.around = around;
        Preferences preferences = new Preferences(around.own());
        Recovery recovery = new Recovery(around.own().resolve("unsaved"));
        LongWork work = new LongWork(banner, around.worker());
        this.files = new BookFiles(desk, around, banner, new Safekeeping(desk, recovery, banner), preferences, work);
        this.score = new ScoreView(desk, around.soon());
        this.dress = new Dress(around.frames());
        this.transport = new Transport(desk, player, new Transport.Listener() {
            @Override
            public void heard(Optional<Player.Heard> heard) {
                showHeard(heard);
            }

            @Override
            public void retimed() {
                lookClose();
            }
        });
        this.habits = new Habits(desk, preferences, score, dress, around.soon());
        this.panels = new Panels(desk, score, transport, habits, around, work);
        this.bar = new BookBar(this, desk, files);
        this.keys = KeyTable.of(this, desk, files);
        panels.offer(keys.entries());
        layOut();
        desk.sight().addListener((at, before, after) -> looked());
        addEventFilter(InputEvent.ANY, event -> touched = System.nanoTime());
        addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        addEventFilter(KeyEvent.KEY_TYPED, this::typed);
        setOnDragOver(MainWindow::draggedOver);
        setOnDragDropped(this::dropped);
        habits.begin();
        habits.student().ifPresent(bar::chooseStudent);
        looked();
        files.begin();
        welcome();
    }

    /** All that hands do in the window, with the lesson, counted from 0, at which the views begin anew. */
    List<Round.Deed> round(int lesson) {
        return Round.of(this, desk, keys, lesson);
    }

    /** Whether nothing was typed or pointed at here for a while. */
    boolean isAtRest() {
        return System.nanoTime() - touched > REST_NANOS;
    }

    /** The first time ever: three keys that lead to a placed ornament and its sound. */
    private void welcome() {
        if (!habits.isWelcomed()) {
            Button good = button("Good", "welcomed", "Hides this for good", () -> {
                banner.hide("welcome");
                habits.rememberWelcome();
            });
            banner.show(
                    "welcome",
                    "New here? Walk to a note with the arrow keys, press Enter to place what fits best, L to hear the phrase. F1 finds everything else.",
                    good);
        }
    }

    private void layOut() {
        getStyleClass().add("window");
        GrowthStem stem = new GrowthStem(desk);
        SaidLine said = new SaidLine(desk);
        SoundBar sound = new SoundBar(desk, transport);
        setTop(new VBox(Deck.of(bar), banner));
        setLeft(Deck.of(stem));
        setCenter(panels.middle());
        setRight(panels.side());
        setBottom(new VBox(panels.under(), Deck.of(sound), Deck.of(said)));
        menu.serve(this);
        tip.serve(this);
        lookForSound(said);
        panels.dressFront(dress);
        dress.within(bar, "bar-ground").with(banner).with(stem).with(sound).with(said);
        panels.dressBehind(dress);
        dress.with(menu).with(tip);
    }

    /** What stands in the window's places. */
    Panels panels() {
        return panels;
    }

    /** What the teacher has chosen. */
    Habits habits() {
        return habits;
    }

    public ScoreView score() {
        return score;
    }

    /** Makes what is not in sight yet ready for its first time, piece by piece; for when everything in sight is there. */
    void prepare() {
        Frames frames = around.frames();
        frames.execute(() -> frames.next(menu.prepare()));
        panels.prepare();
    }

    /** Takes out what is within it, before it is in any scene; it comes back a piece a frame. */
    void grow() {
        around.frames().next(dress.takeApart());
    }

    /** Does it when all that grows now has grown. */
    void whenGrown(Runnable verb) {
        around.frames().execute(verb);
    }

    private void lookForSound(SaidLine said) {
        Thread looking = new Thread(
                () -> {
                    if (transport.isSilent()) {
                        Platform.runLater(said::tellSilent);
                    }
                },
                "looking for a sound device");
        looking.setDaemon(true);
        looking.start();
    }

    static Button button(String words, String id, String tip, Runnable verb) {
        Button button = new Button(words);
        button.setId(id);
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setAccessibleHelp(tip);
        button.setOnAction(event -> verb.run());
        return button;
    }

    void newTune() {
        desk.writing().newTune();
        panels.showWrite(true);
    }

    // Sound

    void playOrStop(Transport.Stretch stretch) {
        stopOr(() -> transport.play(stretch));
    }

    void echoOrStop(int joined) {
        stopOr(() -> transport.echo(joined));
    }

    void drillOrStop() {
        stopOr(() -> transport.drill(habits.rounds()));
    }

    private void stopOr(Runnable begin) {
        if (transport.playing().get()) {
            transport.stop();
        } else {
            begin.run();
        }
    }

    private void showHeard(Optional<Player.Heard> heard) {
        Optional<NoteId> note = heard.flatMap(Player.Heard::moment)
                .filter(moment -> moment.sounding().isPresent())
                .map(moment -> moment.cue().note());
        score.light(note);
        panels.hear(heard.map(Player.Heard::millis));
    }

    private void lookClose() {
        panels.lookClose();
    }

    // Looking

    private void looked() {
        bar.looked();
        offerChoice();
        panels.lookClose();
    }

    /** Where another program has changed a written-out stage, the teacher chooses. */
    private void offerChoice() {
        Optional<Lesson.Altered> altered = desk.undecided();
        if (altered.isEmpty()) {
            banner.hide("altered");
            return;
        }
        String name = altered.get().saved().name();
        banner.show(
                "altered",
                "Another program has changed the notes of “" + name
                        + "”, or the tune under it. Both are kept until you choose.",
                button(
                        "Keep the stage as saved",
                        "take-saved",
                        "The changed notes are let go",
                        () -> desk.takeSaved(altered.get())),
                button(
                        "Keep the changed notes as a tune",
                        "keep-as-tune",
                        "They become a tune of their own at the end",
                        () -> desk.keepAsTune(altered.get())));
    }

    // Files

    /** Opens a book; what was not saved is asked about first. */
    public void open(Path path) {
        files.open(path);
    }

    void print() {
        Sight sight = desk.sight().get();
        if (panels.isChart()) {
            print(paper ->
                    ChartSheet.of(sight.chosen().instrument(), paper, ChartView.frames(sight), ChartView.asked(sight)));
        } else if (sight.tune().isEmpty()) {
            desk.say("There is no tune to print: open a book first.");
        } else {
            Score.Shows shows = Score.Shows.PRINT
                    .withLetters(score.shows().letters())
                    .withSecond(score.shows().second());
            print(paper -> Engraver.engrave(new Score(sight.tune().get(), sight.version(), shows), paper));
        }
    }

    private void print(Function<Paper, List<Page>> laidOut) {
        desk.say(around.printer().print(getScene().getWindow(), laidOut));
    }

    /** Answers whether the window may close; where changes are not saved, it asks first and stays. */
    public boolean mayClose(Runnable close) {
        return files.mayClose(close);
    }

    private static void draggedOver(DragEvent event) {
        if (event.getDragboard().hasFiles()) {
            event.acceptTransferModes(TransferMode.COPY);
        }
        event.consume();
    }

    private void dropped(DragEvent event) {
        boolean hasFiles = event.getDragboard().hasFiles();
        if (hasFiles) {
            open(event.getDragboard().getFiles().get(0).toPath());
        }
        event.setDropCompleted(hasFiles);
        event.consume();
    }

    // Keys

    /** The table's keys hold everywhere but in controls that use the same key themselves; an open menu has them all, but for those with Ctrl and the like. */
    private void pressed(KeyEvent event) {
        focusPressed = Optional.ofNullable(getScene().getFocusOwner());
        boolean isFunction = event.getCode().isFunctionKey();
        if (menu.isOpen()) {
            if (!event.isShortcutDown() && !isFunction) {
                return;
            }
            menu.close();
        }
        Node focus = getScene().getFocusOwner();
        boolean isCommand =
                (event.isShortcutDown() && !isTextKey(focus, event)) || event.getCode() == KeyCode.ESCAPE || isFunction;
        if ((isCommand || !isOwnKey(focus, event.getCode())) && keys.press(event)) {
            event.consume();
        }
    }

    /** A letter belongs to what had the focus when its key went down: one that opens the text is not typed into it. */
    private void typed(KeyEvent event) {
        if (!focusPressed.equals(Optional.ofNullable(getScene().getFocusOwner()))) {
            event.consume();
        }
    }

    private static boolean isOwnKey(Node focus, KeyCode key) {
        return focus instanceof TextInputControl
                || focus instanceof Slider
                || focus instanceof ListView<?>
                || (focus instanceof MenuOpener opener && opener.takes(key))
                || (focus instanceof ButtonBase && (key == KeyCode.SPACE || key == KeyCode.ENTER));
    }

    /** Undo, cut, copy, paste and the like belong to the text while one is typing. */
    private static boolean isTextKey(Node focus, KeyEvent event) {
        return focus instanceof TextInputControl
                && switch (event.getCode()) {
                    case Z, Y, X, C, V, A, LEFT, RIGHT, UP, DOWN, HOME, END, DELETE, BACK_SPACE -> true;
                    default -> false;
                };
    }

    /** Stops the sound; the window is of no use afterwards. */
    public void close() {
        files.close();
        transport.close();
    }
}
