package wildflourish.desktop.window;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextInputControl;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.input.DragEvent;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.engraving.Paper;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Step;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Lesson;
import wildflourish.desktop.bench.FitsPanel;
import wildflourish.desktop.bench.GrowthStem;
import wildflourish.desktop.bench.ScoreView;
import wildflourish.desktop.closeup.CloseUpView;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Theme;
import wildflourish.desktop.play.Player;
import wildflourish.files.abc.TuneEditor;
import wildflourish.files.export.ExportForm;
import wildflourish.files.store.Recovery;

/** The window's content: book bar above, growth stem, score and what fits beside each other, close-up and sound below. */
public final class MainWindow extends BorderPane {
    private final Desk desk;
    private final BookFiles files;
    private final ScoreView score;
    private final FitsPanel fits;
    private final CloseUpView closeUp;
    private final Transport transport;
    private final ComboBox<String> tunes = new ComboBox<>();
    private final Label bookName = new Label();
    private final Banner banner = new Banner();
    private final WritePanel write;
    private final ToggleButton writeToggle = new ToggleButton("Write");
    private final ToggleButton closeUpToggle = new ToggleButton("Close-up");
    private final VBox below = new VBox();
    private final Keys keys = new Keys();
    private Theme theme = Theme.LIGHT;
    private boolean isFilling;

    private static final double SCRUB_MILLIS = 5;

    public MainWindow(Desk desk, Player player, FilePicker picker, Recovery recovery) {
        this.desk = desk;
        this.files = new BookFiles(desk, picker, banner, new Safekeeping(desk, recovery, banner));
        this.score = new ScoreView(desk);
        this.fits = new FitsPanel(desk);
        this.closeUp = new CloseUpView(desk);
        this.write = new WritePanel(desk);
        this.transport = new Transport(desk, player, new Transport.Listener() {
            @Override
            public void heard(Optional<Player.Heard> heard) {
                showHeard(heard);
            }

            @Override
            public void retimed() {
                showCloseUp();
            }
        });
        getStyleClass().addAll("window", theme.styleClass());
        setTop(new VBox(bookBar(), banner));
        setLeft(new GrowthStem(desk));
        setCenter(score);
        setRight(fits);
        below.getChildren().addAll(new SoundBar(desk, transport), new SaidLine(desk, transport.isSilent()));
        setBottom(below);
        desk.sight().addListener((at, before, after) -> looked());
        fillKeys();
        addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        setOnDragOver(this::draggedOver);
        setOnDragDropped(this::dropped);
        looked();
        files.begin();
    }

    // The book bar

    private Node bookBar() {
        Label sprig = new Label("❧");
        sprig.getStyleClass().add("sprig");
        bookName.getStyleClass().add("book-name");
        bookName.setId("book-name");
        tunes.setId("tunes");
        tunes.setVisibleRowCount(14);
        tunes.setTooltip(new Tooltip("The tunes of this book"));
        tunes.setAccessibleText("Tune");
        tunes.getSelectionModel().selectedIndexProperty().addListener((at, before, after) -> {
            if (!isFilling && after.intValue() >= 0) {
                desk.chooseLesson(after.intValue());
                score.requestFocus();
            }
        });
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        ComboBox<String> students = students();
        Label student = new Label("Student");
        student.setLabelFor(students);
        Button undo = button("Undo", "undo", "Takes the last change back (Ctrl+Z)", desk::undo);
        Button redo = button("Redo", "redo", "Does it again (Ctrl+Shift+Z)", desk::redo);
        Button open = button("Open", "open", "Opens a tunebook (Ctrl+O)", files::open);
        Button save = button("Save", "save", "Saves the book (Ctrl+S)", files::save);
        closeUpToggle.setId("close-up-toggle");
        closeUpToggle.setTooltip(new Tooltip("The chosen spot in milliseconds (C)"));
        closeUpToggle.selectedProperty().addListener((at, before, after) -> showCloseUp());
        writeToggle.setId("write-toggle");
        writeToggle.setMinWidth(Region.USE_PREF_SIZE);
        writeToggle.setTooltip(new Tooltip("Write or correct the tune itself, as ABC text (W)"));
        writeToggle.selectedProperty().addListener((at, before, after) -> showWrite());
        Button fresh = button("New tune", "new-tune", "A new tune at the end of the book (Ctrl+N)", this::newTune);
        Button dark = button("◐", "theme", "Light or dark (D)", () -> setTheme(theme.other()));
        dark.setAccessibleText("Light or dark");
        HBox bar = new HBox(
                sprig,
                bookName,
                tunes,
                gap,
                student,
                students,
                undo,
                redo,
                open,
                save,
                takeAway(),
                fresh,
                writeToggle,
                closeUpToggle,
                dark);
        bar.setAlignment(Pos.CENTER_LEFT);
        bar.getStyleClass().add("book-bar");
        return bar;
    }

    static Button button(String words, String id, String tip, Runnable verb) {
        Button button = new Button(words);
        button.setId(id);
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setTooltip(new Tooltip(tip));
        button.setOnAction(event -> verb.run());
        return button;
    }

    private ComboBox<String> students() {
        ComboBox<String> students = new ComboBox<>();
        students.setId("students");
        Profile.all().forEach(profile -> students.getItems().add(profile.name()));
        students.getSelectionModel().select(0);
        students.setTooltip(
                new Tooltip("How quick the student's fingers are: it decides what is clean at which tempo"));
        students.getSelectionModel()
                .selectedIndexProperty()
                .addListener(
                        (at, before, after) -> desk.chooseProfile(Profile.all().get(after.intValue())));
        return students;
    }

    private MenuButton takeAway() {
        MenuButton menu = new MenuButton("Take away");
        menu.setId("take-away");
        menu.setMinWidth(Region.USE_PREF_SIZE);
        menu.getItems().add(item("PDF on A4, plain and decorated", () -> files.takeAway(ExportForm.PDF, Paper.a4())));
        menu.getItems()
                .add(item("PDF on Letter, plain and decorated", () -> files.takeAway(ExportForm.PDF, Paper.letter())));
        menu.getItems().add(item("Written-out notes as ABC", () -> files.takeAway(ExportForm.ABC, Paper.a4())));
        menu.getItems().add(item("Sound as WAV", () -> files.takeAway(ExportForm.WAV, Paper.a4())));
        menu.getItems().add(item("MIDI", () -> files.takeAway(ExportForm.MIDI, Paper.a4())));
        menu.getItems().add(item("Picture as PNG", () -> files.takeAway(ExportForm.PNG, Paper.a4())));
        menu.getItems().add(item("Drawing as SVG", () -> files.takeAway(ExportForm.SVG, Paper.a4())));
        return menu;
    }

    private static MenuItem item(String words, Runnable verb) {
        MenuItem item = new MenuItem(words);
        item.setOnAction(event -> verb.run());
        return item;
    }

    // Looking

    private void looked() {
        Sight sight = desk.sight().get();
        bookName.setText(desk.path().getFileName() + (desk.isSaved() ? "" : " •"));
        bookName.setTooltip(new Tooltip(desk.path() + (desk.isSaved() ? "" : ", with changes not saved yet")));
        fillTunes(sight);
        offerChoice();
        if (closeUpToggle.isSelected()) {
            closeUp.show(transport.realisation());
        }
    }

    private void fillTunes(Sight sight) {
        List<String> titles = sight.book().lessons().stream()
                .map(lesson -> lesson.tune().title())
                .toList();
        isFilling = true;
        if (!tunes.getItems().equals(titles)) {
            tunes.getItems().setAll(titles);
        }
        tunes.getSelectionModel().select(desk.lessonIndex());
        isFilling = false;
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
        if (closeUpToggle.isSelected()) {
            closeUp.setHeard(heard.map(Player.Heard::millis));
        }
    }

    private void showCloseUp() {
        below.getChildren().remove(closeUp);
        if (closeUpToggle.isSelected()) {
            writeToggle.setSelected(false);
            below.getChildren().add(0, closeUp);
            closeUp.show(transport.realisation());
        }
    }

    /** Shows or hides the text of the tune; what is shown below the score is one thing at a time. */
    private void showWrite() {
        below.getChildren().remove(write);
        if (writeToggle.isSelected()) {
            closeUpToggle.setSelected(false);
            below.getChildren().add(0, write);
            write.focus();
        } else {
            write.finish();
            score.requestFocus();
        }
    }

    private void newTune() {
        desk.newTune();
        writeToggle.setSelected(true);
        write.focus();
    }

    public void setTheme(Theme newTheme) {
        getStyleClass().remove(theme.styleClass());
        theme = newTheme;
        getStyleClass().add(theme.styleClass());
        score.setTheme(theme);
        fits.setTheme(theme);
        closeUp.setTheme(theme);
    }

    public void showCloseUp(boolean isShown) {
        closeUpToggle.setSelected(isShown);
    }

    public void showWrite(boolean isShown) {
        writeToggle.setSelected(isShown);
    }

    public ScoreView score() {
        return score;
    }

    // Files

    /** Opens a book; what was not saved is asked about first. */
    public void open(Path path) {
        files.open(path);
    }

    /** Answers whether the window may close; where changes are not saved, it asks first and stays. */
    public boolean mayClose(Runnable close) {
        return files.mayClose(close);
    }

    private void draggedOver(DragEvent event) {
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

    private void fillKeys() {
        keys.with(KeyCode.RIGHT, "next note", () -> desk.walk(1))
                .with(KeyCode.LEFT, "note before", () -> desk.walk(-1))
                .with(KeyCode.RIGHT, "next bar", () -> desk.walkBar(1), KeyCombination.CONTROL_DOWN)
                .with(KeyCode.LEFT, "bar before", () -> desk.walkBar(-1), KeyCombination.CONTROL_DOWN)
                .with(KeyCode.DOWN, "line below", () -> score.walkLine(1))
                .with(KeyCode.UP, "line above", () -> score.walkLine(-1))
                .with(KeyCode.HOME, "first note", () -> desk.walk(-100_000))
                .with(KeyCode.END, "last note", () -> desk.walk(100_000))
                .with(KeyCode.PAGE_UP, "stage above", () -> desk.chooseStage(stage() + 1))
                .with(KeyCode.PAGE_DOWN, "stage below", () -> desk.chooseStage(stage() - 1))
                .with(KeyCode.UP, "copy stage up", desk::copyUp, KeyCombination.CONTROL_DOWN)
                .with(KeyCode.ENTER, "place what fits best", desk::placeBest)
                .with(KeyCode.ENTER, "keep another option", desk::keepNextBest, KeyCombination.SHIFT_DOWN)
                .with(KeyCode.N, "next choice here", () -> desk.cycle(1))
                .with(KeyCode.N, "choice before", () -> desk.cycle(-1), KeyCombination.SHIFT_DOWN)
                .with(KeyCode.O, "play the other option", desk::nextOption)
                .with(KeyCode.DELETE, "remove", desk::remove)
                .with(KeyCode.BACK_SPACE, "remove", desk::remove)
                .with(KeyCode.SPACE, "play from here, stop", () -> playOrStop(Transport.Stretch.FROM_HERE))
                .with(KeyCode.L, "loop this phrase", () -> playOrStop(Transport.Stretch.PHRASE))
                .with(KeyCode.P, "play this part", () -> playOrStop(Transport.Stretch.PART))
                .with(KeyCode.T, "play the tune", () -> playOrStop(Transport.Stretch.TUNE))
                .with(KeyCode.C, "close-up", () -> closeUpToggle.setSelected(!closeUpToggle.isSelected()))
                .with(KeyCode.W, "write the tune", () -> writeToggle.setSelected(!writeToggle.isSelected()))
                .with(KeyCode.N, "new tune", this::newTune, KeyCombination.SHORTCUT_DOWN)
                .with(KeyCode.COMMA, "a little earlier in the close-up", () -> closeUp.scrubBy(-SCRUB_MILLIS))
                .with(KeyCode.PERIOD, "a little later in the close-up", () -> closeUp.scrubBy(SCRUB_MILLIS))
                .with(KeyCode.D, "light or dark", () -> setTheme(theme.other()))
                .with(KeyCode.Z, "undo", desk::undo, KeyCombination.SHORTCUT_DOWN)
                .with(KeyCode.Z, "do again", desk::redo, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN)
                .with(KeyCode.Y, "do again", desk::redo, KeyCombination.SHORTCUT_DOWN)
                .with(KeyCode.O, "open a book", files::open, KeyCombination.SHORTCUT_DOWN)
                .with(KeyCode.S, "save", files::save, KeyCombination.SHORTCUT_DOWN)
                .with(
                        KeyCode.S,
                        "save to another file",
                        files::saveAs,
                        KeyCombination.SHORTCUT_DOWN,
                        KeyCombination.SHIFT_DOWN)
                .with(
                        KeyCode.E,
                        "take away as PDF",
                        () -> files.takeAway(ExportForm.PDF, Paper.a4()),
                        KeyCombination.SHORTCUT_DOWN)
                .with(KeyCode.ESCAPE, "back to the score", score::requestFocus);
        fillWritingKeys();
    }

    /** Correcting the tune on the staff: everything with Alt. */
    private void fillWritingKeys() {
        for (Step step : Step.values()) {
            keys.with(
                    KeyCode.valueOf(step.name()),
                    "add a note " + step + " after this one",
                    () -> desk.add((editor, note) -> editor.inserted(note, step)),
                    KeyCombination.ALT_DOWN);
        }
        alt(KeyCode.UP, "note a step up", () -> desk.correct((editor, note) -> editor.stepped(note, 1)));
        alt(KeyCode.DOWN, "note a step down", () -> desk.correct((editor, note) -> editor.stepped(note, -1)));
        alt(KeyCode.PAGE_UP, "note an octave up", () -> desk.correct((editor, note) -> editor.stepped(note, 7)));
        alt(KeyCode.PAGE_DOWN, "note an octave down", () -> desk.correct((editor, note) -> editor.stepped(note, -7)));
        alt(KeyCode.S, "note a semitone sharper", () -> desk.correct((editor, note) -> editor.altered(note, 1)));
        alt(KeyCode.H, "note a semitone flatter", () -> desk.correct((editor, note) -> editor.altered(note, -1)));
        alt(KeyCode.RIGHT, "note twice as long", () -> lengthen(2, 1));
        alt(KeyCode.LEFT, "note half as long", () -> lengthen(1, 2));
        alt(KeyCode.PERIOD, "note half as long again", () -> lengthen(3, 2));
        alt(KeyCode.R, "add a rest after this note", () -> desk.add(TuneEditor::insertedRest));
        alt(KeyCode.T, "tie to the next note, or untie", () -> desk.correct(TuneEditor::tied));
        alt(KeyCode.ENTER, "bar line after this note", () -> sign("|"));
        alt(KeyCode.COLON, "end of a repeat after this note", () -> sign(":|"));
        alt(KeyCode.L, "repeat from after this note", () -> sign("|:"));
        alt(KeyCode.P, "end of a part after this note", () -> sign("||"));
        alt(KeyCode.BACK_SPACE, "take this note out of the tune", desk::takeOut);
        alt(KeyCode.DELETE, "take this note out of the tune", desk::takeOut);
        keys.with(
                        KeyCode.UP,
                        "tune a semitone up",
                        () -> desk.transpose(1),
                        KeyCombination.ALT_DOWN,
                        KeyCombination.SHIFT_DOWN)
                .with(
                        KeyCode.DOWN,
                        "tune a semitone down",
                        () -> desk.transpose(-1),
                        KeyCombination.ALT_DOWN,
                        KeyCombination.SHIFT_DOWN);
    }

    private void alt(KeyCode code, String words, Runnable verb) {
        keys.with(code, words, verb, KeyCombination.ALT_DOWN);
    }

    private void lengthen(int above, int below) {
        desk.correct((editor, note) -> editor.lengthened(note, Fraction.of(above, below)));
    }

    private void sign(String sign) {
        desk.correct((editor, note) -> editor.insertedSign(note, sign));
    }

    private int stage() {
        return desk.sight().get().chosen().stage();
    }

    private void playOrStop(Transport.Stretch stretch) {
        if (transport.playing().get()) {
            transport.stop();
        } else {
            transport.play(stretch);
        }
    }

    /** The score's keys hold everywhere but in controls that use the same key themselves. */
    private void pressed(KeyEvent event) {
        Node focus = getScene().getFocusOwner();
        boolean isControl = (event.isShortcutDown() && !isTextKey(focus, event)) || event.getCode() == KeyCode.ESCAPE;
        boolean isOwnKey = focus instanceof TextInputControl
                || focus instanceof ComboBox<?>
                || focus instanceof javafx.scene.control.Slider
                || focus instanceof MenuButton
                || (focus instanceof javafx.scene.control.ButtonBase
                        && (event.getCode() == KeyCode.SPACE || event.getCode() == KeyCode.ENTER));
        if ((isControl || !isOwnKey) && keys.press(event)) {
            event.consume();
        }
    }

    /** Undo, cut, copy, paste and the like belong to the text while one is typing. */
    private static boolean isTextKey(Node focus, KeyEvent event) {
        return focus instanceof TextInputControl
                && List.of(
                                KeyCode.Z,
                                KeyCode.Y,
                                KeyCode.X,
                                KeyCode.C,
                                KeyCode.V,
                                KeyCode.A,
                                KeyCode.LEFT,
                                KeyCode.RIGHT,
                                KeyCode.UP,
                                KeyCode.DOWN,
                                KeyCode.HOME,
                                KeyCode.END,
                                KeyCode.DELETE,
                                KeyCode.BACK_SPACE)
                        .contains(event.getCode());
    }

    /** Stops the sound; the window is of no use afterwards. */
    public void close() {
        files.close();
        transport.close();
    }

    Transport transport() {
        return transport;
    }
}
