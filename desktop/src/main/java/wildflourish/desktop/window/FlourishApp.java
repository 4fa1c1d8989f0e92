package wildflourish.desktop.window;

import java.awt.image.BufferedImage;
import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.image.WritableImage;
import javafx.stage.Stage;
import javafx.util.Duration;
import javax.imageio.ImageIO;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.problem.Parsed;
import wildflourish.core.version.Book;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.look.AppFonts;
import wildflourish.desktop.look.Frames;
import wildflourish.desktop.look.Theme;
import wildflourish.desktop.play.Player;
import wildflourish.files.abc.BookReader;
import wildflourish.files.store.BookStore;
import wildflourish.files.store.StoredBook;

/** The application: one window on one book. Parameters: {@code --book FILE}, {@code --shot FILE}, {@code --tune N},
 * {@code --stage N}, {@code --note N}, {@code --close-up},
 * {@code --write}, {@code --first}, {@code --dark}. */
public final class FlourishApp extends Application {
    public static final int WIDTH = 1280;
    public static final int HEIGHT = 800;
    private static final String DEMO = "/wildflourish/desktop/demo/saltmarsh-lane.abc";

    private Path own = OwnFolder.path();
    private Optional<PassingFolder> passing = Optional.empty();
    private final List<MainWindow> windows = new ArrayList<>();
    private final ExecutorService rehearser = LongWork.thread("rehearsed work");
    private boolean isRehearsed;
    private Optional<WindowRehearsal> rehearsal = Optional.empty();

    @Override
    public void start(Stage stage) throws IOException {
        AppFonts.load();
        List<String> flags = getParameters().getUnnamed();
        Optional<String> shot = Optional.ofNullable(getParameters().getNamed().get("shot"));
        Optional<String> book = Optional.ofNullable(getParameters().getNamed().get("book"));
        Desk desk = new Desk(book.isPresent() ? BookStore.open(Path.of(book.get())) : demo(shot.isPresent()));
        if (shot.isPresent()) {
            isRehearsed = true;
            PassingFolder folder = PassingFolder.make("shot");
            passing = Optional.of(folder);
            own = folder.path();
            if (!flags.contains("--first")) {
                new Preferences(own).put("welcomed", "true");
            }
        }
        Optional.ofNullable(getParameters().getNamed().get("instrument"))
                .map(Instrument::of)
                .or(() -> new Preferences(own).instrument())
                .ifPresent(desk::chooseInstrument);
        number("tune").ifPresent(desk::chooseLesson);
        number("stage").ifPresent(desk::chooseStage);
        number("note").ifPresent(desk::walk);
        show(stage, desk, content -> {
            content.panels().showCloseUp(flags.contains("--close-up"));
            content.panels().showWrite(flags.contains("--write"));
            content.panels().showChart(flags.contains("--chart"));
            if (flags.contains("--best-fit")) {
                content.panels().showBestFit(true);
                number("beside").ifPresent(content.panels()::compareKeys);
            }
            content.panels().showLookOver(flags.contains("--look-over"));
            if (flags.contains("--sheets")) {
                content.habits().otherSheets();
            }
            content.panels().showLens(flags.contains("--lens"));
            if (flags.contains("--dark")) {
                content.habits().chooseTheme(Optional.of(Theme.DARK));
            }
            shot.ifPresent(file -> content.whenGrown(() -> shoot(stage.getScene(), new File(file))));
        });
    }

    /** Shows the score of a desk upon a stage at once, then makes all the controls around it; keys struck meanwhile wait for them. */
    private void show(Stage stage, Desk desk, Consumer<MainWindow> then) {
        Scene scene = new Scene(new FirstSight(desk.sight().get(), new Preferences(own)), WIDTH, HEIGHT);
        scene.getStylesheets().add(styles());
        stage.setScene(scene);
        stage.setTitle("Wild Flourish");
        stage.setMinWidth(900);
        stage.setMinHeight(560);
        StartClock.watch("sight", scene);
        scene.addPostLayoutPulseListener(new Runnable() {
            @Override
            public void run() {
                scene.removePostLayoutPulseListener(this);
                Platform.runLater(() -> {
                    MainWindow content = furnish(stage, desk);
                    StartClock.watch("controls", scene);
                    then.accept(content);
                });
            }
        });
        stage.show();
    }

    private MainWindow furnish(Stage stage, Desk desk) {
        ExecutorService worker = LongWork.thread("long work");
        ExecutorService soon = LongWork.thread("soon");
        MainWindow content = new MainWindow(
                desk,
                new Player(),
                new Surroundings(
                        new DialogPicker(stage),
                        own,
                        opened -> show(new Stage(), new Desk(opened), beside -> {}),
                        worker,
                        soon,
                        new Frames(),
                        printer()));
        windows.add(content);
        stage.getScene().setRoot(content);
        stage.setOnCloseRequest(event -> {
            if (!content.mayClose(stage::close)) {
                event.consume();
            }
        });
        stage.setOnHidden(event -> {
            content.close();
            worker.shutdown();
            finish(soon);
            windows.remove(content);
        });
        content.score().requestFocus();
        Runnable strike = ThreadClock.watch(content);
        content.prepare();
        content.whenGrown(() -> rehearse(content, desk.sight().get().chosen().instrument(), strike));
        return content;
    }

    /** Once, for the first window; a picture needs none. */
    private void rehearse(MainWindow content, Instrument instrument, Runnable after) {
        if (isRehearsed) {
            return;
        }
        isRehearsed = true;
        try {
            Path book = Path.of("rehearsal.abc");
            DeskRehearsal.begin(WarmUp.demo(book), instrument);
            rehearsal = Optional.of(WindowRehearsal.begin(WarmUp.demo(book), rehearser, content::isAtRest, () -> {
                rehearsal = Optional.empty();
                StartClock.leave("rehearsed");
                after.run();
            }));
        } catch (IOException e) {
            // Then the first keys take a little longer.
        }
    }

    /** What was begun is done before the application may end. */
    private static void finish(ExecutorService soon) {
        soon.shutdown();
        try {
            soon.awaitTermination(1, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** A printer of the system, or a stand-in that puts what it prints into a folder. */
    private PaperPrinter printer() {
        return Optional.ofNullable(getParameters().getNamed().get("printer"))
                .<PaperPrinter>map(folder -> new PretendPrinter(Path.of(folder)))
                .orElseGet(SystemPrinter::new);
    }

    /** A parameter that counts from 1, counted from 0. */
    private Optional<Integer> number(String name) {
        return Optional.ofNullable(getParameters().getNamed().get(name)).map(words -> Integer.parseInt(words) - 1);
    }

    /** The stylesheet of the window. */
    public static String styles() {
        return String.valueOf(FlourishApp.class.getResource("/wildflourish/desktop/flourish.css"));
    }

    /** The demo book: as the user has last saved it, or fresh. */
    private static Parsed<StoredBook> demo(boolean isFresh) throws IOException {
        Path own = Path.of(System.getProperty("user.home"), "Wild Flourish", "saltmarsh-lane.abc");
        return !isFresh && Files.exists(own) ? BookStore.open(own) : WarmUp.demo(own);
    }

    /** The demo book as it ships, to be saved to a path when the user saves it. */
    public static Parsed<StoredBook> freshDemo(Path path) throws IOException {
        try (var in = FlourishApp.class.getResourceAsStream(DEMO)) {
            if (in == null) {
                throw new IOException("the demo book does not ship with the application");
            }
            Parsed<Book> book = BookReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8));
            return new Parsed<>(
                    new StoredBook(
                            path, new StoredBook.Form(StandardCharsets.UTF_8, false), Optional.empty(), book.value()),
                    book.problems());
        }
    }

    /** Takes the picture when no long work has been seen under way twice in a row: what came of it grows a moment longer. */
    private static void shoot(Scene scene, File file) {
        PauseTransition settle = new PauseTransition(Duration.millis(900));
        AtomicInteger quiet = new AtomicInteger();
        settle.setOnFinished(event -> {
            boolean isWorking = scene.lookup("#notice-working").isVisible();
            quiet.set(isWorking ? 0 : quiet.get() + 1);
            if (quiet.get() < 2) {
                settle.playFromStart();
                return;
            }
            try {
                write(scene.snapshot(null), file);
                System.out.println("Wrote " + file);
                Platform.exit();
            } catch (IOException e) {
                System.err.println("Cannot write " + file + ": " + e.getMessage() + ". Choose another place.");
                System.exit(2);
            }
        });
        settle.play();
    }

    private static void write(WritableImage picture, File file) throws IOException {
        int width = (int) picture.getWidth();
        int height = (int) picture.getHeight();
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                image.setRGB(x, y, picture.getPixelReader().getArgb(x, y));
            }
        }
        File folder = file.getAbsoluteFile().getParentFile();
        if (!folder.isDirectory() || !ImageIO.write(image, "png", file)) {
            throw new IOException("there is no folder " + folder);
        }
    }

    @Override
    public void stop() {
        rehearsal.ifPresent(WindowRehearsal::end);
        finish(rehearser);
        List.copyOf(windows).forEach(MainWindow::close);
        passing.ifPresent(PassingFolder::remove);
    }
}
