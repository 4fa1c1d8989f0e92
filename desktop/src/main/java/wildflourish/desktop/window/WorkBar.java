package wildflourish.desktop.window;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import org.kordamp.ikonli.javafx.FontIcon;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.TuneHeader;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;
import wildflourish.desktop.action.Actions;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.desk.Stages;
import wildflourish.desktop.desk.Writing;
import wildflourish.desktop.look.OnlyWhen;
import wildflourish.desktop.look.Pick;
import wildflourish.files.abc.FigureText;

/** What is worked on, for whom: book, tune, instrument, student, school. */
final class WorkBar extends HBox {
    private static final double TUNES_WIDTH = 250;
    private static final String TUNES_HELP = "One of the tunes of this book (Ctrl+Page Down, Ctrl+Page Up)";

    private final Desk desk;
    private final Actions actions;
    private final BookFiles files;

    /** A choice of schools: those there are, and which is played. */
    private record Schools(List<School> all, Optional<School> played) {
        static Schools of(Sight sight, List<School> all, Function<Playing, School> which) {
            return new Schools(all, sight.version().map(Version::playing).map(which));
        }
    }

    WorkBar(Desk desk, Actions actions, BookFiles files, Runnable toScore) {
        this.desk = desk;
        this.actions = actions;
        this.files = files;
        getStyleClass().add("work-bar");
        setAlignment(Pos.CENTER_LEFT);
        setFillHeight(false);
        Pick tunes = new Pick("tunes", TUNES_HELP, index -> {
            desk.does(here -> Choosing.lesson(here, index));
            toScore.run();
        });
        tunes.setPrefWidth(TUNES_WIDTH);
        tunes.setMinWidth(120);
        tunes.setAccessibleText("Tune");
        desk.of(WorkBar::titles)
                .subscribe(titles -> tunes.show(titles, desk.sight().get().lessonIndex()));
        desk.of(Sight::lessonIndex)
                .subscribe(index -> tunes.show(titles(desk.sight().get()), index));
        Pick students = new Pick(
                "students",
                "How quick the student's fingers are: it decides what is clean at which tempo",
                index -> desk.does(here -> Choosing.profile(here, Profile.all().get(index))));
        students.setAccessibleText("Student");
        desk.of(sight -> sight.chosen().profile())
                .subscribe(profile -> students.show(
                        Profile.all().stream().map(Profile::name).toList(),
                        Profile.all().indexOf(profile)));
        getChildren()
                .addAll(
                        book(),
                        tunes,
                        voices(),
                        label("on"),
                        InstrumentMenu.of(desk, actions),
                        label("for a student who is"),
                        students,
                        school(),
                        strokes());
    }

    /** Which voice is taught, of a tune that has several; what cannot be chosen is not shown as if it were. */
    private OnlyWhen voices() {
        Pick voices = new Pick(
                "voices",
                "Which voice of the tune is taught; the others stay in the text (Alt+V)",
                index -> desk.does(
                        here -> Writing.voice(here, voicesOf(here.sight()).ids().get(index))));
        voices.setMinWidth(104);
        voices.setAccessibleText("Voice");
        desk.of(WorkBar::voicesOf).subscribe(those -> showVoice(voices, those));
        voices.getSelectionModel()
                .selectedIndexProperty()
                .addListener((at, before, after) -> Platform.runLater(
                        () -> showVoice(voices, voicesOf(desk.sight().get()))));
        return new OnlyWhen(desk.of(sight -> voicesOf(sight).areSeveral()), voices);
    }

    private static TuneHeader.Voices voicesOf(Sight sight) {
        return sight.tune().map(tune -> tune.header().voices()).orElse(TuneHeader.Voices.ONE);
    }

    private static void showVoice(Pick pick, TuneHeader.Voices voices) {
        pick.show(
                voices.ids().stream().map(id -> "voice " + id).toList(),
                voices.ids().indexOf(voices.taught()));
    }

    private static List<String> titles(Sight sight) {
        return sight.book().lessons().stream()
                .map(lesson -> (FigureText.figure(lesson).isPresent() ? "Figure: " : "")
                        + lesson.tune().header().nameInBook())
                .toList();
    }

    private static Label label(String words) {
        Label label = new Label(words);
        label.setMinWidth(Region.USE_PREF_SIZE);
        label.getStyleClass().add("quiet");
        return label;
    }

    private MenuButton book() {
        MenuButton book = TopBar.menu("book", "", "The book");
        book.setGraphic(new FontIcon("fth-book-open"));
        book.getStyleClass().add("book-name");
        desk.of(Sight::filed).subscribe(filed -> {
            book.setText(filed.path().getFileName() + (filed.isSaved() ? "" : " •"));
            Controls.tip(book, filed.path() + (filed.isSaved() ? "" : ", with changes not saved yet"));
        });
        book.setOnShowing(event -> {
            book.getItems()
                    .setAll(
                            List.of("open", "open-beside", "new-tune", "another-form", "save", "save-as", "print")
                                    .stream()
                                    .map(actions::of)
                                    .map(Controls::item)
                                    .toList());
            List<Path> recent = files.recent();
            if (!recent.isEmpty()) {
                book.getItems().add(new SeparatorMenuItem());
                recent.forEach(path -> {
                    MenuItem item = new MenuItem(path.getFileName() + "   in " + path.getParent());
                    item.setMnemonicParsing(false);
                    item.setOnAction(chosen -> files.open(path));
                    book.getItems().add(item);
                });
            }
        });
        book.getItems().add(new MenuItem());
        return book;
    }

    private OnlyWhen school() {
        Pick school = new Pick(
                "school",
                "School: good players differ in which finger cuts or stops a string, how a pick goes, how the bellows turn",
                index -> desk.does(here ->
                        Stages.school(here, here.sight().instrument().schools().get(index))));
        school.setAccessibleText("School");
        desk.of(sight -> Schools.of(sight, sight.instrument().schools(), Playing::school))
                .subscribe(schools -> show(school, schools));
        return new OnlyWhen(desk.of(sight -> sight.instrument().schools().size() > 1), school);
    }

    private OnlyWhen strokes() {
        Pick strokes = new Pick(
                "strokes",
                "How notes are struck: good players differ in whether they tongue, in how the bow goes",
                index -> desk.does(here ->
                        Stages.strokes(here, here.sight().instrument().strokes().get(index))));
        strokes.setAccessibleText("Strokes");
        desk.of(sight -> Schools.of(sight, sight.instrument().strokes(), Playing::strokes))
                .subscribe(schools -> show(strokes, schools));
        return new OnlyWhen(desk.of(sight -> sight.instrument().strokes().size() > 1), strokes);
    }

    private static void show(Pick pick, Schools schools) {
        pick.show(
                schools.all().stream().map(School::name).toList(),
                schools.played().map(schools.all()::indexOf).orElse(-1));
    }
}
