package wildflourish.desktop.window;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.ornament.Profile;
import wildflourish.core.version.Book;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.look.Choice;
import wildflourish.desktop.look.Theme;
import wildflourish.files.export.ExportForm;

/** The bar above: the book and its tunes, the student, and what can be done with them. */
final class BookBar extends HBox {
    private final MainWindow window;
    private final Desk desk;
    private final BookFiles files;
    private final MenuButton book = new MenuButton();
    private final Tooltip bookTip = new Tooltip();
    private final ComboBox<String> tunes = new ComboBox<>();
    private final Choice students;
    private final ToggleButton write = new ToggleButton("Write");
    private final ToggleButton closeUp = new ToggleButton("Close-up");
    private final CheckMenuItem letters = new CheckMenuItem("Letters under the notes");
    private final List<RadioMenuItem> fingerings = List.of(
            new RadioMenuItem("Fingerings under all notes"),
            new RadioMenuItem("Fingerings under the first of each"),
            new RadioMenuItem("No fingerings"));
    private static final double TUNES_WIDTH = 214;
    private Book shownBook = new Book(List.of());
    private boolean isFilling;

    BookBar(MainWindow window, Desk desk, BookFiles files) {
        this.window = window;
        this.desk = desk;
        this.files = files;
        setAlignment(Pos.CENTER_LEFT);
        getStyleClass().add("book-bar");
        Label sprig = new Label("❧");
        sprig.getStyleClass().add("sprig");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        fillBook();
        fillTunes();
        students = new Choice(
                "students",
                "How quick the student's fingers are: it decides what is clean at which tempo",
                this::takeStudent);
        students.show(Profile.all().stream().map(Profile::name).toList(), 0);
        Label student = new Label("Student");
        student.setLabelFor(students);
        student.setMinWidth(Region.USE_PREF_SIZE);
        Button undo = MainWindow.button("Undo", "undo", "Takes the last change back (Ctrl+Z)", desk::undo);
        Button redo = MainWindow.button("Redo", "redo", "Does it again (Ctrl+Shift+Z)", desk::redo);
        Button save = MainWindow.button("Save", "save", "Saves the book (Ctrl+S)", files::save);
        toggle(
                write,
                "write-toggle",
                "Write or correct the tune itself, as ABC text (W)",
                () -> window.showWrite(write.isSelected()));
        toggle(
                closeUp,
                "close-up-toggle",
                "The chosen spot in milliseconds (C)",
                () -> window.showCloseUp(closeUp.isSelected()));
        Button help = MainWindow.button("?", "help", "Find what you can do, with its key (F1)", window::findAction);
        help.setAccessibleText("Find what you can do");
        getChildren()
                .addAll(
                        sprig,
                        book,
                        tunes,
                        new InstrumentMenu(desk, window::chooseInstrument),
                        gap,
                        student,
                        students,
                        undo,
                        redo,
                        save,
                        takeAway(),
                        view(),
                        write,
                        closeUp,
                        help);
    }

    private static void toggle(ToggleButton button, String id, String tip, Runnable verb) {
        button.setId(id);
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setTooltip(new Tooltip(tip));
        button.setOnAction(event -> verb.run());
    }

    private static MenuItem item(String words, Runnable verb) {
        MenuItem item = new MenuItem(words);
        item.setOnAction(event -> verb.run());
        return item;
    }

    private void fillBook() {
        book.setId("book");
        book.getStyleClass().add("book-name");
        book.setMinWidth(Region.USE_PREF_SIZE);
        book.setTooltip(bookTip);
        book.setOnShowing(event -> fillBookMenu());
        fillBookMenu();
    }

    private void fillBookMenu() {
        book.getItems()
                .setAll(
                        item("Open a book …   Ctrl+O", files::open),
                        item("Open in another window …   Ctrl+Shift+O", files::openBeside),
                        item("New tune   Ctrl+N", window::newTune),
                        item("Another form of this tune   Ctrl+D", desk.writing()::anotherForm),
                        item("Save to another file …   Ctrl+Shift+S", files::saveAs),
                        item("Print …   Ctrl+P", window::print));
        List<Path> recent = files.recent();
        if (!recent.isEmpty()) {
            book.getItems().add(new SeparatorMenuItem());
            recent.forEach(path ->
                    book.getItems().add(item(path.getFileName() + "   " + path.getParent(), () -> files.open(path))));
        }
    }

    private void fillTunes() {
        tunes.setId("tunes");
        tunes.setVisibleRowCount(14);
        tunes.setPrefWidth(TUNES_WIDTH);
        tunes.setTooltip(new Tooltip("The tunes of this book (Ctrl+Page Down, Ctrl+Page Up)"));
        tunes.setAccessibleText("Tune");
        tunes.getSelectionModel().selectedIndexProperty().addListener((at, before, after) -> {
            if (!isFilling && after.intValue() >= 0) {
                desk.chooseLesson(after.intValue());
                window.score().requestFocus();
            }
        });
    }

    private void takeStudent(int index) {
        Profile chosen = Profile.all().get(index);
        desk.chooseProfile(chosen);
        window.rememberStudent(chosen.id());
    }

    void chooseStudent(String id) {
        for (int i = 0; i < Profile.all().size(); i++) {
            if (Profile.all().get(i).id().equals(id)) {
                students.choose(i);
            }
        }
    }

    private MenuButton takeAway() {
        MenuButton menu = new MenuButton("Take away");
        menu.setId("take-away");
        menu.setMinWidth(Region.USE_PREF_SIZE);
        menu.getItems()
                .addAll(
                        item("PDF on A4, plain and decorated", () -> files.takeAway(ExportForm.PDF, Paper.a4())),
                        item(
                                "PDF on Letter, plain and decorated",
                                () -> files.takeAway(ExportForm.PDF, Paper.letter())),
                        item("PDF on A4, ornaments as small notes", () -> files.takeAwaySmallNotes(Paper.a4())),
                        item(
                                "Handout of the plain tune, PDF on A4",
                                () -> files.takeAwayHandout(
                                        window.score().shows().second(), Paper.a4())),
                        item("The plain tune in sentences, as text", files::takeAwaySteps),
                        item("Chart of the instrument, PDF on A4", () -> files.takeAwayChart(Paper.a4())),
                        item("Written-out notes as ABC", () -> files.takeAway(ExportForm.ABC, Paper.a4())),
                        item("Sound as WAV", () -> files.takeAway(ExportForm.WAV, Paper.a4())),
                        item("MIDI", () -> files.takeAway(ExportForm.MIDI, Paper.a4())),
                        item("Picture as PNG", () -> files.takeAway(ExportForm.PNG, Paper.a4())),
                        item("Drawing as SVG", () -> files.takeAway(ExportForm.SVG, Paper.a4())));
        return menu;
    }

    private MenuButton view() {
        MenuButton menu = new MenuButton("View");
        menu.setId("view");
        menu.setMinWidth(Region.USE_PREF_SIZE);
        menu.getItems()
                .addAll(
                        item("Chart of the instrument   H", () -> window.showChart(!window.isChart())),
                        item(
                                "One phrase, large   J",
                                () -> window.showLens(!window.score().isLens())),
                        item(
                                "Best fit: which instrument, which key   I",
                                () -> window.showBestFit(!window.isBestFit())),
                        item("Look over the plain tune   K", () -> window.showLookOver(!window.isLookOver())),
                        rounds(),
                        new SeparatorMenuItem());
        ToggleGroup group = new ToggleGroup();
        for (Score.Fingerings each : Score.Fingerings.values()) {
            RadioMenuItem choice = fingerings.get(each.ordinal());
            choice.setToggleGroup(group);
            choice.setOnAction(event -> window.show(window.score().shows().withFingerings(each)));
        }
        Menu second = new InstrumentMenu.Second(() -> window.score().shows().second(), window::chooseSecond);
        letters.setOnAction(event -> window.show(window.score().shows().withLetters(letters.isSelected())));
        menu.getItems().addAll(fingerings);
        menu.getItems()
                .addAll(
                        letters,
                        second,
                        new SeparatorMenuItem(),
                        item("Ornaments as small notes or signs   G", window::otherSigns),
                        item("Sheets of paper or one long page   V", window::otherSheets),
                        new SeparatorMenuItem(),
                        item("Larger   Ctrl+=", () -> window.zoom(1)),
                        item("Smaller   Ctrl+-", () -> window.zoom(-1)),
                        item("Usual size   Ctrl+0", () -> window.zoom(0)),
                        new SeparatorMenuItem(),
                        item("Light", () -> window.chooseTheme(Optional.of(Theme.LIGHT))),
                        item("Dark", () -> window.chooseTheme(Optional.of(Theme.DARK))),
                        item("As the system", () -> window.chooseTheme(Optional.empty())),
                        new SeparatorMenuItem(),
                        item("What you can do   F1", window::findAction),
                        item("What you did   F2", window::findDone));
        menu.setOnShowing(event -> showOptions(window.score().shows()));
        return menu;
    }

    /** How often a part's first ending comes in practice. */
    private Menu rounds() {
        Menu menu = new Menu("First ending in practice   Shift+P");
        menu.setId("rounds");
        ToggleGroup group = new ToggleGroup();
        for (int rounds : List.of(2, 3, 4, 6, 8)) {
            RadioMenuItem choice = new RadioMenuItem(rounds + " times, then as played");
            choice.setToggleGroup(group);
            choice.setOnAction(event -> window.chooseRounds(rounds));
            choice.setUserData(rounds);
            menu.getItems().add(choice);
        }
        menu.setOnShowing(event -> menu.getItems()
                .forEach(item ->
                        ((RadioMenuItem) item).setSelected(item.getUserData().equals(window.rounds()))));
        return menu;
    }

    /** The options of the menu as they hold now. */
    void showOptions(Score.Shows shows) {
        letters.setSelected(shows.letters());
        fingerings.get(shows.fingerings().ordinal()).setSelected(true);
    }

    void setWriting(boolean isWriting) {
        write.setSelected(isWriting);
    }

    void setCloseUp(boolean isShown) {
        closeUp.setSelected(isShown);
    }

    /** Shows what is on the desk now; what has not changed is left alone, for this is done at every keystroke. */
    void looked() {
        Book shown = desk.sight().get().book();
        bookTip.setText(desk.path() + (desk.isSaved() ? "" : ", with changes not saved yet"));
        book.setText(desk.path().getFileName() + (desk.isSaved() ? "" : " •"));
        isFilling = true;
        if (!shown.equals(shownBook)) {
            shownBook = shown;
            List<String> titles = shown.lessons().stream()
                    .map(lesson -> lesson.tune().header().nameInBook())
                    .toList();
            if (!tunes.getItems().equals(titles)) {
                tunes.getItems().setAll(titles);
            }
        }
        tunes.getSelectionModel().select(desk.lessonIndex());
        isFilling = false;
    }
}
