package wildflourish.desktop.window;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.DoubleConsumer;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.input.DragEvent;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.version.Change;
import wildflourish.core.version.Lesson;
import wildflourish.desktop.action.Actions;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.action.FinderPane;
import wildflourish.desktop.action.KeyStrokes;
import wildflourish.desktop.bench.BenchRoom;
import wildflourish.desktop.bench.StairRoom;
import wildflourish.desktop.chart.ChartRoom;
import wildflourish.desktop.desk.AlteredStages;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.DeedWords;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.fit.BestFitRoom;
import wildflourish.desktop.hearing.Transport;
import wildflourish.desktop.look.Styles;
import wildflourish.desktop.look.Theme;
import wildflourish.desktop.lookover.LookOverRoom;
import wildflourish.desktop.play.Player;
import wildflourish.desktop.room.Room;
import wildflourish.desktop.room.Tools;
import wildflourish.desktop.versions.VersionsRoom;
import wildflourish.files.store.Recovery;

/** A window: the bars above, the room one is in, sound and what was said below. */
public final class MainWindow extends BorderPane {
    private final Desk desk;
    private final Surroundings around;
    private final Banner banner = new Banner();
    private final Actions actions = new Actions();
    private final Transport transport;
    private final BookFiles files;
    private final Habits habits;
    private final BenchRoom bench;
    private final List<Room> rooms;
    private final TransportBar sound;
    private final SaidLine said;
    private final FinderPane finder = new FinderPane(this::leaveFinder);
    private final StackPane middle = new StackPane();
    private final StackPane beside = new StackPane();
    private final StudentsPane students;
    private boolean isFinding;
    private boolean isWithStudents;

    public MainWindow(Desk desk, Player player, Surroundings around) {
        this.desk = desk;
        this.around = around;
        Preferences preferences = new Preferences(around.own());
        Recovery recovery = new Recovery(around.own().resolve("unsaved"));
        LongWork work = new LongWork(banner, around.worker());
        files = new BookFiles(desk, around, banner, new Safekeeping(desk, recovery, banner), preferences, work);
        habits = new Habits(desk, preferences, around.soon());
        transport = new Transport(desk, player, around.soon());
        students = new StudentsPane(desk, around, work, this::leaveFinder);
        actions.bind("students", this::openStudents);
        Tools tools = new Tools(
                desk,
                actions,
                transport,
                around.soon(),
                away(work),
                habits,
                new FigureShelf(around.own()),
                new TasteFile(around.own()));
        new WindowActions(desk, actions, files, this).bind();
        TransportBar.bind(desk, actions, transport);
        actions.bind("latency", () -> new LatencyNotice(desk, transport, banner).begin());
        InstrumentMenu.bind(desk, actions);
        // Before the rooms, whose buttons lead from one to another.
        List.of(LookOverRoom.ID, BenchRoom.ID, StairRoom.ID, VersionsRoom.ID, ChartRoom.ID, BestFitRoom.ID)
                .forEach(id -> actions.bindOn(
                        "room-" + id, desk.of(sight -> sight.room().equals(id)), () -> desk.enter(id)));
        bench = new BenchRoom(tools);
        rooms = List.of(
                new LookOverRoom(tools),
                bench,
                new StairRoom(bench),
                new VersionsRoom(tools),
                new ChartRoom(tools),
                new BestFitRoom(tools));
        getStyleClass().add("window");
        sound = new TransportBar(desk, actions);
        said = new SaidLine(desk, transport::look);
        setTop(new VBox(
                new TopBar(desk, actions, rooms),
                new WorkBar(desk, actions, files, () -> room().first().requestFocus()),
                banner));
        // In the order in which one goes through the window.
        setCenter(middle);
        setRight(beside);
        setBottom(new VBox(sound, said));
        setOnDragOver(MainWindow::draggedOver);
        setOnDragDropped(this::dropped);
        watch();
        files.begin();
        welcome();
        transport.look();
    }

    private Tools.Away away(LongWork work) {
        return new Tools.Away() {
            @Override
            public <T> void work(String words, Supplier<T> question, Consumer<T> then) {
                follow(words, progress -> question.get(), then, () -> {});
            }

            @Override
            public <T> void follow(
                    String words, Function<DoubleConsumer, T> question, Consumer<T> then, Runnable stopped) {
                work.start(
                        words,
                        progress -> question.apply(progress::reached),
                        then,
                        e -> desk.say("That cannot be worked out: " + e.getMessage()),
                        stopped);
            }
        };
    }

    private void watch() {
        desk.of(Sight::room).subscribe(id -> showRoom());
        desk.of(sight -> Habits.themeOf(sight.look().theme())).subscribe(this::dress);
        desk.of(sight -> desk.here().undecided()).subscribe(this::offerChoice);
        transport
                .heard()
                .subscribe(heard -> room().hear(heard.map(Player.Heard::millis), heard.flatMap(transport::noteOf)));
        transport.status().subscribe(said::tell);
        sceneProperty().subscribe(scene -> {
            if (scene != null) {
                KeyStrokes.serve(actions, scene);
                Styles.dress(scene, Habits.themeOf(desk.sight().get().look().theme()));
                room().first().requestFocus();
            }
        });
    }

    /** Light or dark, the window and all that opens from it. */
    private void dress(Theme theme) {
        Scene scene = getScene();
        if (scene != null) {
            Styles.dress(scene, theme);
        }
        rooms.forEach(room -> room.setTheme(theme));
        sound.setTheme(theme);
    }

    /** Does something when the quick work that was asked for before is done. */
    void afterQuickWork(Runnable then) {
        around.soon().execute(() -> Platform.runLater(then));
    }

    /** The room one is in. */
    Room room() {
        return rooms.stream()
                .filter(room -> room.id().equals(desk.sight().get().room()))
                .findFirst()
                .orElse(bench);
    }

    private void showRoom() {
        middle.getChildren().setAll(room().centre());
        showSide();
        // Panes of a room come into the window with their looks; only then can the focus go to them.
        middle.applyCss();
        room().first().requestFocus();
    }

    private void showSide() {
        Optional<Region> side =
                isFinding ? Optional.of(finder) : isWithStudents ? Optional.of(students) : room().side();
        beside.getChildren().setAll(side.stream().toList());
    }

    /** Everything one can do in the window. */
    public Actions actions() {
        return actions;
    }

    /** What the window is about. */
    Desk desk() {
        return desk;
    }

    BenchRoom bench() {
        return bench;
    }

    /** The first time ever: three keys that lead to a placed ornament and its sound. */
    private void welcome() {
        if (!habits.isWelcomed()) {
            Button good = Controls.button("Good", "welcomed", "Hides this for good", () -> {
                banner.hide("welcome");
                habits.rememberWelcome();
            });
            banner.show(
                    "welcome",
                    "New here? Walk to a note with the arrow keys, press Enter to place what fits best, L to hear the phrase. F1 finds everything else.",
                    good);
        }
    }

    // Finding

    void findAction() {
        isFinding = true;
        showSide();
        finder.showActions(actions, tunes());
    }

    /** To go to a tune of the book by its name. */
    private List<FinderPane.Entry> tunes() {
        List<Lesson> lessons = desk.sight().get().book().lessons();
        return IntStream.range(0, lessons.size())
                .mapToObj(index -> new FinderPane.Entry(
                        "Tune: " + lessons.get(index).tune().header().nameInBook(),
                        "",
                        true,
                        () -> desk.does(here -> Choosing.lesson(here, index))))
                .toList();
    }

    /** Everything that was done since the book was opened; choosing one goes back to just after it. */
    void findDone() {
        List<Change> changes = desk.done();
        List<FinderPane.Entry> entries = new ArrayList<>();
        for (int i = 0; i < changes.size(); i++) {
            int later = i;
            entries.add(new FinderPane.Entry(
                    DeedWords.of(changes.get(i).deed()), i == 0 ? "now" : i + " back", true, () -> takeBack(later)));
        }
        entries.add(new FinderPane.Entry(
                "the book as it was opened",
                changes.isEmpty() ? "now" : changes.size() + " back",
                true,
                () -> takeBack(changes.size())));
        isFinding = true;
        showSide();
        finder.show("What you did", entries);
    }

    private void takeBack(int changes) {
        IntStream.range(0, changes).forEach(each -> desk.undo());
    }

    private void openStudents() {
        isFinding = false;
        isWithStudents = true;
        students.open();
        showSide();
        students.first().requestFocus();
    }

    private void leaveFinder() {
        isFinding = false;
        isWithStudents = false;
        showSide();
        room().first().requestFocus();
    }

    /** From the finder to the room, from a range to one note, from another room to the Bench. */
    void back() {
        if (isFinding || isWithStudents) {
            leaveFinder();
        } else if (desk.sight().get().severalNotes().isPresent()) {
            desk.does(Choosing::noRange);
        } else if (room() != bench) {
            desk.enter(BenchRoom.ID);
        } else {
            bench.score().requestFocus();
        }
    }

    /** To the nearest note of the next line (1) or the one before (−1) of the score in sight. */
    void walkLine(int direction) {
        desk.sight()
                .get()
                .note()
                .flatMap(note -> room().beyondLine(note, direction))
                .ifPresent(note -> desk.does(here -> Choosing.note(here, note)));
    }

    /** Where another program has changed a written-out stage, the teacher chooses. */
    private void offerChoice(Optional<Lesson.Altered> altered) {
        if (altered.isEmpty()) {
            banner.hide("altered");
            return;
        }
        String name = altered.get().saved().name();
        banner.show(
                "altered",
                "Another program has changed the notes of “" + name
                        + "”, or the tune under it. Both are kept until you choose.",
                Controls.button(
                        "Keep the stage as saved",
                        "take-saved",
                        "The changed notes are let go",
                        () -> desk.does(here -> AlteredStages.takeSaved(here, altered.get()))),
                Controls.button(
                        "Keep the changed notes as a tune",
                        "keep-as-tune",
                        "They become a tune of their own at the end",
                        () -> desk.does(here -> AlteredStages.keepAsTune(here, altered.get()))));
    }

    // Files

    /** Opens a book; what was not saved is asked about first. */
    public void open(Path path) {
        files.open(path);
    }

    void print() {
        Sight sight = desk.sight().get();
        if (room().printed(Paper.a4()).isPresent()) {
            print(paper -> room().printed(paper).orElseThrow());
        } else if (sight.tune().isEmpty()) {
            desk.say("There is no tune to print: open a book first.");
        } else {
            Score.Shows shows = Score.Shows.PRINT
                    .withLetters(sight.look().shows().letters())
                    .withSecond(sight.look().shows().second());
            print(paper -> Engraver.engrave(
                    new Score(
                            sight.tune().get(),
                            sight.version(),
                            shows,
                            sight.chosen().profile()),
                    paper));
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

    /** Stops the sound; the window is of no use afterwards. */
    public void close() {
        files.close();
        transport.close();
    }
}
