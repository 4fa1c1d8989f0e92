package wildflourish.desktop.window;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
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
import wildflourish.core.instrument.Instrument;
import wildflourish.core.plain.HardSpot;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Change;
import wildflourish.core.version.Lesson;
import wildflourish.desktop.bench.FitsPanel;
import wildflourish.desktop.bench.GrowthStem;
import wildflourish.desktop.bench.ScoreView;
import wildflourish.desktop.closeup.CloseUpView;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Frames;
import wildflourish.desktop.look.SystemTheme;
import wildflourish.desktop.look.Theme;
import wildflourish.desktop.look.TipPanel;
import wildflourish.desktop.menu.MenuOpener;
import wildflourish.desktop.menu.MenuPanel;
import wildflourish.desktop.plain.BestFitView;
import wildflourish.desktop.plain.ChartView;
import wildflourish.desktop.plain.LookOverPanel;
import wildflourish.desktop.play.Player;
import wildflourish.files.store.Recovery;

/** The window's content: book bar above, growth stem, score and what fits beside each other, text or close-up and sound below. */
public final class MainWindow extends BorderPane {
    private static final double ZOOM_STEP = 1.15;
    private static final double SCRUB_MILLIS = 5;
    private static final long REST_NANOS = 500_000_000;

    private final Desk desk;
    private final Surroundings around;
    private final Preferences preferences;
    private final Banner banner = new Banner();
    private final BookFiles files;
    private final ScoreView score;
    private final FitsPanel fits;
    private final CloseUpView closeUp;
    private final WritePanel write;
    private final Transport transport;
    private final BookBar bar;
    private final ChartView chart;
    private final LookOverPanel lookOver;
    private final BestFitView bestFit;
    private final FinderPanel finder = new FinderPanel("finder", "What you can do", this::leaveFinder);
    private final FinderPanel done = new FinderPanel("done", "What you did", this::leaveFinder);
    private final Deck middle;
    private final Deck side;
    private final Deck under = Deck.following();
    private final MenuPanel menu = new MenuPanel();
    private final TipPanel tip = new TipPanel();
    private final Dress dress;
    private final Keys keys;
    private final List<FinderPanel.Entry> doable;
    /** When something was typed or pointed at last. */
    private long touched = System.nanoTime() - REST_NANOS;

    public MainWindow(Desk desk, Player player, Surroundings around) {
        this.desk = desk;
        this.around = around;
        this.preferences = new Preferences(around.own());
        Recovery recovery = new Recovery(around.own().resolve("unsaved"));
        LongWork work = new LongWork(banner, around.worker());
        this.files = new BookFiles(desk, around, banner, new Safekeeping(desk, recovery, banner), preferences, work);
        this.score = new ScoreView(desk, around.soon());
        this.fits = new FitsPanel(desk, around.frames());
        this.closeUp = new CloseUpView(desk);
        this.write = new WritePanel(desk);
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
        this.chart = new ChartView(desk, this::chooseInstrument, around.soon());
        LookOverPanel.Away away = new LookOverPanel.Away() {
            @Override
            public <T> void work(Supplier<T> question, Consumer<T> then) {
                work.start(
                        "Looking the tune over",
                        progress -> question.get(),
                        then,
                        e -> desk.say("That cannot be worked out: " + e.getMessage()));
            }
        };
        this.lookOver = new LookOverPanel(
                desk,
                new LookOverPanel.Choices(this::loop, this::chooseInstrument, () -> showBestFit(true), away),
                around.frames());
        this.bestFit = new BestFitView(
                desk,
                new BestFitView.Choices(
                        this::chooseInstrument,
                        preferences::owned,
                        owned -> remember("owned", String.join(",", new TreeSet<>(owned))),
                        away),
                around.frames());
        this.bar = new BookBar(this, desk, files);
        this.keys = KeyTable.of(this, desk, files);
        this.doable = keys.byWords().entrySet().stream()
                .map(each -> new FinderPanel.Entry(
                        each.getKey(),
                        Keys.shown(each.getValue()),
                        each.getValue().get(0).verb()))
                .toList();
        this.dress = new Dress(around.frames());
        this.middle = Deck.of(score);
        this.side = Deck.of(fits);
        layOut();
        desk.sight().addListener((at, before, after) -> looked());
        addEventFilter(InputEvent.ANY, event -> touched = System.nanoTime());
        addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        setOnDragOver(MainWindow::draggedOver);
        setOnDragDropped(this::dropped);
        takePreferences();
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
        if (preferences.get("welcomed").isEmpty()) {
            Button good = button("Good", "welcomed", "Hides this for good", () -> {
                banner.hide("welcome");
                remember("welcomed", "true");
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
        setCenter(middle);
        setRight(side);
        setBottom(new VBox(under, Deck.of(sound), Deck.of(said)));
        menu.serve(this);
        tip.serve(this);
        List.of(finder, done, lookOver, closeUp, write, chart, bestFit).forEach(panel -> panel.setVisible(false));
        lookForSound(said);
        dress.with(score, score::setTheme)
                .with(fits, fits::setTheme)
                .within(bar, "bar-ground")
                .with(banner)
                .with(stem)
                .with(sound)
                .with(said)
                .with(closeUp, closeUp::setTheme)
                .with(write, write::fold, () -> List.of(write::fill))
                .with(lookOver)
                .with(finder, finder::fold, finder::unfoldInSight)
                .with(done, done::fold, done::unfoldInSight)
                .with(bestFit)
                .with(chart, chart::setTheme)
                .with(menu)
                .with(tip);
    }

    /** Makes what is not in sight yet ready for its first time, one panel a frame; for when everything in sight is there. */
    void prepare() {
        Frames frames = around.frames();
        finder.fill(doable);
        done.fill(doneSoFar());
        frames.execute(this::warmFocus);
        frames.execute(fits::prepare);
        frames.execute(() -> frames.next(menu.prepare()));
        List.of(finder, done, lookOver).forEach(panel -> frames.execute(() -> side.prepare(panel, frames)));
        List.of(finder, done).forEach(panel -> frames.execute(() -> frames.next(panel.unfold())));
        List.of(closeUp, write).forEach(panel -> frames.execute(() -> under.prepare(panel, frames)));
        List.of(chart, bestFit).forEach(panel -> frames.execute(() -> middle.prepare(panel, frames)));
        frames.execute(bestFit::prepare);
        frames.execute(() -> closeUp.show(transport.realisation()));
    }

    /** Takes out what is within it, before it is in any scene; it comes back a piece a frame. */
    void grow() {
        around.frames().next(dress.takeApart());
    }

    /** Does it when all that grows now has grown. */
    void whenGrown(Runnable verb) {
        around.frames().execute(verb);
    }

    /** The first field that gets the focus makes the toolkit bring up what it types with, which takes longer than a keystroke may. */
    private void warmFocus() {
        if (score.isFocused()) {
            fits.focusWords();
            score.requestFocus();
        }
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

    // What was chosen before

    private void takePreferences() {
        dress.begin(preferences.theme());
        score.show(preferences.shows());
        score.setZoom(preferences.zoom());
        score.setInSmallNotes(preferences.isOn("small-notes"));
        score.setInSheets(preferences.isOn("sheets"));
        preferences.instrument().ifPresent(desk::chooseInstrument);
        preferences.get("student").ifPresent(bar::chooseStudent);
    }

    void chooseInstrument(Instrument instrument) {
        desk.chooseInstrument(instrument);
        remember("instrument", instrument.id());
    }

    /** Keeps a choice for next time, away from the window's thread: writing a file takes longer than a keystroke may. */
    private void remember(String name, String value) {
        if (!preferences.set(name, value)) {
            return;
        }
        around.soon().execute(() -> {
            try {
                preferences.keep();
            } catch (IOException e) {
                Platform.runLater(() -> desk.say("The choice holds for now, but cannot be kept: " + e.getMessage()));
            }
        });
    }

    void rememberStudent(String id) {
        remember("student", id);
    }

    // How the score is shown

    public void setTheme(Theme newTheme) {
        dress.turn(newTheme);
    }

    void chooseTheme(Optional<Theme> chosen) {
        setTheme(chosen.orElseGet(() -> SystemTheme.of(System.getenv(), Path.of(System.getProperty("user.home", "")))));
        remember("theme", chosen.map(Theme::name).orElse("system"));
    }

    /** Light or dark as chosen; empty where it follows the system. */
    Optional<Theme> chosenTheme() {
        return preferences.chosenTheme();
    }

    void otherTheme() {
        chooseTheme(Optional.of(dress.theme().other()));
    }

    void show(Score.Shows shows) {
        score.show(shows);
        remember("letters", String.valueOf(shows.letters()));
        remember("fingerings", shows.fingerings().name());
    }

    /** The fingerings of another instrument of the class below the first one's, or of none. */
    void chooseSecond(Optional<Instrument> instrument) {
        score.show(score.shows().withSecond(instrument));
        remember("second", instrument.map(Instrument::id).orElse("none"));
        desk.say(instrument
                .map(each -> "Below: the fingerings of the " + each.name())
                .orElse("The fingerings of one instrument"));
    }

    void otherSigns() {
        score.setInSmallNotes(!score.isInSmallNotes());
        remember("small-notes", String.valueOf(score.isInSmallNotes()));
        desk.say(score.isInSmallNotes() ? "Ornaments are written out as small notes" : "Ornaments are drawn as signs");
    }

    void otherSheets() {
        score.setInSheets(!score.isInSheets());
        remember("sheets", String.valueOf(score.isInSheets()));
    }

    void zoom(int direction) {
        score.setZoom(direction == 0 ? 1 : score.zoom() * Math.pow(ZOOM_STEP, direction));
        remember("zoom", String.valueOf(score.zoom()));
        desk.say("The score is at " + Math.round(score.zoom() * 100) + " percent");
    }

    public ScoreView score() {
        return score;
    }

    // Below the score: text or close-up, one at a time

    /** Shows the text of the tune, to be typed, or hides it. */
    public void showWrite(boolean isShown) {
        if (isShown) {
            showCloseUp(false);
            under.show(write);
            write.fill();
            write.focus();
        } else {
            if (isWriting()) {
                under.clear();
            }
            write.finish();
            score.requestFocus();
        }
        bar.setWriting(isShown);
    }

    boolean isWriting() {
        return under.isInFront(write);
    }

    void newTune() {
        desk.writing().newTune();
        showWrite(true);
    }

    // The plain tune and the instrument

    /** The chart of the instrument in place of the score, or the score again. */
    public void showChart(boolean isShown) {
        bring(isShown ? chart : score);
    }

    private void bring(Region panel) {
        middle.show(panel);
        panel.requestFocus();
    }

    /** Whether the score is in front. */
    boolean isScore() {
        return middle.isInFront(score);
    }

    boolean isChart() {
        return middle.isInFront(chart);
    }

    /** Which instrument the tune lies best on, in place of the score, or the score again. */
    public void showBestFit(boolean isShown) {
        bring(isShown ? bestFit : score);
        if (isShown) {
            bestFit.show();
        }
    }

    /** A second key beside the first one of the best fit, so many semitones up from the written key. */
    void compareKeys(int semitones) {
        bestFit.compare(semitones);
    }

    boolean isBestFit() {
        return middle.isInFront(bestFit);
    }

    /** One phrase at a time, large; B goes on to the next. */
    public void showLens(boolean isShown) {
        score.setLens(isShown);
        if (isShown) {
            showChart(false);
            desk.say("One phrase, large: B goes on to the next, Shift+B back, L loops it, J shows the whole tune");
        }
    }

    /** The look-over of the plain tune in place of what fits, or what fits again. */
    public void showLookOver(boolean isShown) {
        side.show(isShown ? lookOver : fits);
        if (isShown) {
            lookOver.show();
        }
    }

    boolean isLookOver() {
        return side.isInFront(lookOver);
    }

    void namePhrase() {
        showLookOver(true);
        lookOver.focusName();
    }

    void echoOrStop(int joined) {
        if (transport.playing().get()) {
            transport.stop();
        } else {
            transport.echo(joined);
        }
    }

    /** How often the first ending comes before the part is played as it is. */
    int rounds() {
        return preferences.rounds();
    }

    void chooseRounds(int rounds) {
        remember("rounds", String.valueOf(rounds));
        desk.say("The first ending comes " + rounds + " times when a part is drilled (Shift+P)");
    }

    void drillOrStop() {
        if (transport.playing().get()) {
            transport.stop();
        } else {
            transport.drill(rounds());
        }
    }

    private void loop(HardSpot spot) {
        desk.choose(spot.at());
        transport.loop(spot.loop().first(), spot.loop().last());
    }

    /** Shows the chosen spot in milliseconds, or hides it. */
    public void showCloseUp(boolean isShown) {
        if (isShown) {
            if (isWriting()) {
                showWrite(false);
            }
            under.show(closeUp);
        } else if (isCloseUp()) {
            under.clear();
        }
        bar.setCloseUp(isShown);
        lookClose();
    }

    boolean isCloseUp() {
        return under.isInFront(closeUp);
    }

    private void lookClose() {
        if (isCloseUp()) {
            closeUp.show(transport.realisation());
        }
    }

    void scrub(int direction) {
        closeUp.scrubBy(direction * SCRUB_MILLIS);
    }

    // Beside the score

    /** Everything one can do, to be found by typing. */
    void findAction() {
        finder.fill(doable);
        show(finder);
    }

    /** Everything that was done since the book was opened; choosing one goes back to just after it. */
    void findDone() {
        done.fill(doneSoFar());
        show(done);
    }

    private List<FinderPanel.Entry> doneSoFar() {
        List<Change> changes = desk.done();
        List<FinderPanel.Entry> entries = new ArrayList<>();
        for (int i = 0; i < changes.size(); i++) {
            int later = i;
            entries.add(new FinderPanel.Entry(
                    Desk.describe(changes.get(i).deed()),
                    i == 0 ? "now" : i + " back",
                    () -> java.util.stream.IntStream.range(0, later).forEach(each -> desk.undo())));
        }
        entries.add(new FinderPanel.Entry(
                "the book as it was opened",
                changes.isEmpty() ? "now" : changes.size() + " back",
                () -> changes.forEach(each -> desk.undo())));
        return entries;
    }

    private void show(FinderPanel panel) {
        side.show(panel);
        around.frames().next(panel.unfold());
        panel.focus();
    }

    /** Back to what fits, and to the score. */
    void leaveFinder() {
        if (!side.isInFront(fits)) {
            side.show(fits);
            List.of(finder, done).forEach(panel -> around.frames().next(panel.forget()));
            middle.front().ifPresent(Region::requestFocus);
        } else {
            showChart(false);
        }
    }

    // Looking

    private void looked() {
        bar.looked();
        offerChoice();
        lookClose();
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

    private void showHeard(Optional<Player.Heard> heard) {
        Optional<NoteId> note = heard.flatMap(Player.Heard::moment)
                .filter(moment -> moment.sounding().isPresent())
                .map(moment -> moment.cue().note());
        score.light(note);
        if (isCloseUp()) {
            closeUp.setHeard(heard.map(Player.Heard::millis));
        }
    }

    // Files

    /** Opens a book; what was not saved is asked about first. */
    public void open(Path path) {
        files.open(path);
    }

    void print() {
        Sight sight = desk.sight().get();
        if (isChart()) {
            print(paper -> ChartSheet.of(sight.chosen().instrument(), paper, ChartView.frames(sight)));
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

    void playOrStop(Transport.Stretch stretch) {
        if (transport.playing().get()) {
            transport.stop();
        } else {
            transport.play(stretch);
        }
    }

    /** The table's keys hold everywhere but in controls that use the same key themselves; an open menu has them all, but for those with Ctrl and the like. */
    private void pressed(KeyEvent event) {
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
