package wildflourish.desktop.window;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.ornament.Profile;
import wildflourish.core.version.Book;
import wildflourish.desktop.bench.ScoreView;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.look.Theme;
import wildflourish.desktop.menu.Choice;
import wildflourish.desktop.menu.MenuLine;
import wildflourish.desktop.menu.MenuOpener;
import wildflourish.files.export.ExportForm;

/** The bar above: the book and its tunes, the student, and what can be done with them. */
final class BookBar extends HBox {
    private final MainWindow window;
    private final Desk desk;
    private final BookFiles files;
    private final MenuOpener book = new MenuOpener("book", "", "", this::bookLines);
    private final Choice tunes;
    private final Choice students;
    private final ToggleButton write = new ToggleButton("Write");
    private final ToggleButton closeUp = new ToggleButton("Close-up");
    private static final String TUNES_HELP = "one of the tunes of this book (Ctrl+Page Down, Ctrl+Page Up)";
    private static final double TUNES_WIDTH = 192;
    private Book shownBook = new Book(List.of());
    private List<String> titles = List.of();

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
        book.getStyleClass().add("book-name");
        book.setMinWidth(Region.USE_PREF_SIZE);
        tunes = new Choice("tunes", "Tune", this::takeTune);
        tunes.setMinWidth(TUNES_WIDTH);
        tunes.setPrefWidth(TUNES_WIDTH);
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
                () -> window.panels().showWrite(write.isSelected()));
        toggle(
                closeUp,
                "close-up-toggle",
                "The chosen spot in milliseconds (C)",
                () -> window.panels().showCloseUp(closeUp.isSelected()));
        window.panels().writing().addListener((at, before, now) -> write.setSelected(now));
        window.panels().near().addListener((at, before, now) -> closeUp.setSelected(now));
        Button help =
                MainWindow.button("?", "help", "Find what you can do, with its key (F1)", window.panels()::findAction);
        help.setAccessibleText("Find what you can do");
        getChildren()
                .addAll(
                        sprig,
                        book,
                        tunes,
                        new InstrumentMenu(desk, window.habits()::chooseInstrument),
                        gap,
                        student,
                        students,
                        undo,
                        redo,
                        save,
                        opener("take-away", "Take away", "The tune or the chart as a file", this::takeAwayLines),
                        opener("view", "View", "What is shown, and how", this::viewLines),
                        write,
                        closeUp,
                        help);
    }

    private static void toggle(ToggleButton button, String id, String tip, Runnable verb) {
        button.setId(id);
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setAccessibleHelp(tip);
        button.setOnAction(event -> verb.run());
    }

    private static MenuOpener opener(String id, String words, String tip, Supplier<List<MenuLine>> lines) {
        MenuOpener opener = new MenuOpener(id, words, tip, lines);
        opener.setMinWidth(Region.USE_PREF_SIZE);
        return opener;
    }

    private List<MenuLine> bookLines() {
        List<MenuLine> lines = new ArrayList<>(List.of(
                MenuLine.deed("Open a book …", "Ctrl+O", files::open),
                MenuLine.deed("Open in another window …", "Ctrl+Shift+O", files::openBeside),
                MenuLine.deed("New tune", "Ctrl+N", window::newTune),
                MenuLine.deed("Another form of this tune", "Ctrl+D", desk.writing()::anotherForm),
                MenuLine.deed("Save to another file …", "Ctrl+Shift+S", files::saveAs),
                MenuLine.deed("Print …", "Ctrl+P", window::print)));
        List<Path> recent = files.recent();
        if (!recent.isEmpty()) {
            lines.add(MenuLine.heading("Opened before"));
            recent.forEach(path -> lines.add(MenuLine.deed(
                    String.valueOf(path.getFileName()), String.valueOf(path.getParent()), () -> files.open(path))));
        }
        return lines;
    }

    private void takeTune(int index) {
        desk.chooseLesson(index);
        window.score().requestFocus();
    }

    private void takeStudent(int index) {
        Profile chosen = Profile.all().get(index);
        desk.chooseProfile(chosen);
        window.habits().rememberStudent(chosen.id());
    }

    void chooseStudent(String id) {
        for (int i = 0; i < Profile.all().size(); i++) {
            if (Profile.all().get(i).id().equals(id)) {
                students.choose(i);
            }
        }
    }

    private List<MenuLine> takeAwayLines() {
        return List.of(
                MenuLine.heading("On paper"),
                MenuLine.deed("PDF on A4, plain and decorated", () -> files.takeAway(ExportForm.PDF, Paper.a4())),
                MenuLine.deed(
                        "PDF on Letter, plain and decorated", () -> files.takeAway(ExportForm.PDF, Paper.letter())),
                MenuLine.deed("PDF on A4, ornaments as small notes", () -> files.takeAwaySmallNotes(Paper.a4())),
                MenuLine.deed(
                        "Handout of the plain tune, PDF on A4",
                        () -> files.takeAwayHandout(window.score().shows().second(), Paper.a4())),
                MenuLine.deed("Chart of the instrument, PDF on A4", () -> files.takeAwayChart(Paper.a4())),
                MenuLine.deed("Picture as PNG", () -> files.takeAway(ExportForm.PNG, Paper.a4())),
                MenuLine.deed("Drawing as SVG", () -> files.takeAway(ExportForm.SVG, Paper.a4())),
                MenuLine.heading("As words and notes"),
                MenuLine.deed("The plain tune in sentences, as text", files::takeAwaySteps),
                MenuLine.deed("Written-out notes as ABC", () -> files.takeAway(ExportForm.ABC, Paper.a4())),
                MenuLine.heading("To hear"),
                MenuLine.deed("Sound as WAV", () -> files.takeAway(ExportForm.WAV, Paper.a4())),
                MenuLine.deed("MIDI", () -> files.takeAway(ExportForm.MIDI, Paper.a4())));
    }

    private List<MenuLine> viewLines() {
        ScoreView score = window.score();
        Score.Shows shows = score.shows();
        List<MenuLine> lines = new ArrayList<>(List.of(
                MenuLine.heading("To look at"),
                MenuLine.choice(
                        "Chart of the instrument",
                        "H",
                        window.panels().isChart(),
                        () -> window.panels().showChart(!window.panels().isChart())),
                MenuLine.choice(
                        "One phrase, large",
                        "J",
                        score.isLens(),
                        () -> window.panels().showLens(!score.isLens())),
                MenuLine.choice(
                        "Best fit: which instrument, which key",
                        "I",
                        window.panels().isBestFit(),
                        () -> window.panels().showBestFit(!window.panels().isBestFit())),
                MenuLine.choice(
                        "Look over the plain tune",
                        "K",
                        window.panels().isLookOver(),
                        () -> window.panels().showLookOver(!window.panels().isLookOver())),
                MenuLine.deed("What you can do", "F1", window.panels()::findAction),
                MenuLine.deed("What you did", "F2", window.panels()::findDone),
                MenuLine.heading("Under the notes")));
        for (Score.Fingerings each : Score.Fingerings.values()) {
            lines.add(MenuLine.choice(
                    words(each),
                    shows.fingerings() == each,
                    () -> window.habits().show(score.shows().withFingerings(each))));
        }
        lines.add(MenuLine.choice(
                "Letters under the notes",
                shows.letters(),
                () -> window.habits().show(score.shows().withLetters(!shows.letters()))));
        lines.add(MenuLine.leading(
                "Fingerings of a second instrument",
                "",
                () -> InstrumentMenu.second(score.shows().second(), window.habits()::chooseSecond)));
        lines.addAll(List.of(
                MenuLine.heading("The page"),
                MenuLine.choice("Ornaments as small notes", "G", score.isInSmallNotes(), window.habits()::otherSigns),
                MenuLine.choice(
                        "Sheets of paper, not one long page", "V", score.isInSheets(), window.habits()::otherSheets),
                MenuLine.deed("Larger", "Ctrl+=", () -> window.habits().zoom(1)),
                MenuLine.deed("Smaller", "Ctrl+-", () -> window.habits().zoom(-1)),
                MenuLine.deed("Usual size", "Ctrl+0", () -> window.habits().zoom(0)),
                MenuLine.heading("Colours"),
                theme("Light", Optional.of(Theme.LIGHT)),
                theme("Dark", Optional.of(Theme.DARK)),
                theme("As the system", Optional.empty()),
                MenuLine.heading("In practice"),
                MenuLine.leading("How often the first ending comes", "Shift+P", this::roundsLines)));
        return lines;
    }

    private MenuLine theme(String words, Optional<Theme> theme) {
        return MenuLine.choice(
                words,
                window.habits().theme().equals(theme),
                () -> window.habits().chooseTheme(theme));
    }

    private static String words(Score.Fingerings fingerings) {
        return switch (fingerings) {
            case ALL -> "Fingerings under all notes";
            case FIRST_OF_EACH -> "Fingerings under the first of each";
            case NONE -> "No fingerings";
        };
    }

    /** How often a part's first ending comes in practice. */
    private List<MenuLine> roundsLines() {
        return List.of(2, 3, 4, 6, 8).stream()
                .map(rounds -> MenuLine.choice(
                        rounds + " times, then as played",
                        rounds == window.habits().rounds(),
                        () -> window.habits().chooseRounds(rounds)))
                .toList();
    }

    /** Shows what is on the desk now; what has not changed is left alone, for this is done at every keystroke. */
    void looked() {
        Book shown = desk.sight().get().book();
        book.setAccessibleHelp(desk.path() + (desk.isSaved() ? "" : ", with changes not saved yet"));
        book.setText(desk.path().getFileName() + (desk.isSaved() ? "" : " •"));
        if (!shown.equals(shownBook)) {
            shownBook = shown;
            titles = shown.lessons().stream()
                    .map(lesson -> lesson.tune().header().nameInBook())
                    .toList();
        }
        tunes.show(titles, desk.lessonIndex());
        tunes.setAccessibleHelp(tunes.word() + (tunes.word().isEmpty() ? "" : ": ") + TUNES_HELP);
    }
}
