package wildflourish.desktop.window;

import java.awt.image.BufferedImage;
import java.io.File;
import java.io.IOException;
import java.io.InterruptedIOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Future;
import java.util.concurrent.FutureTask;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
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
import wildflourish.core.version.Lesson;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.look.AppFonts;
import wildflourish.desktop.look.Styles;
import wildflourish.desktop.play.Player;
import wildflourish.desktop.play.PretendSpeaker;
import wildflourish.files.abc.BookReader;
import wildflourish.files.store.BookStore;
import wildflourish.files.store.FileForm;
import wildflourish.files.store.StoredBook;

/**
 * The application: one window on one book. Parameters: {@code --book=FILE}, {@code --shot=FILE}, {@code --size=1280x800}, {@code --instrument=ID}, {@code --tune=N},
 * {@code --stage=N}, {@code --note=N}, {@code --do=ID,ID} with ids of the table of actions, {@code --printer=FOLDER}, {@code --speaker=FOLDER}, {@code --first}.
 */
public final class FlourishApp extends Application {
    public static final int WIDTH = 1280;
    public static final int HEIGHT = 800;
    private static final String DEMO = "/wildflourish/desktop/demo/saltmarsh-lane.abc";

    /** The book, read while the toolkit starts; empty when the application is started otherwise than by {@link #begin}. */
    private static Optional<Future<Parsed<StoredBook>>> reading = Optional.empty();

    private Path own = OwnFolder.path();
    private Optional<PassingFolder> passing = Optional.empty();
    private final List<MainWindow> windows = new ArrayList<>();

    /** Starts the application and returns when its last window is closed. */
    public static void begin(String... parameters) {
        FutureTask<Parsed<StoredBook>> task = new FutureTask<>(() -> read(List.of(parameters)));
        reading = Optional.of(task);
        new Thread(task, "first book").start();
        Application.launch(FlourishApp.class, parameters);
    }

    @Override
    public void start(Stage stage) throws IOException {
        Styles.base();
        AppFonts.load();
        List<String> flags = getParameters().getUnnamed();
        Optional<String> shot = named("shot");
        Desk desk = new Desk(firstBook());
        if (shot.isPresent()) {
            PassingFolder folder = PassingFolder.make("shot");
            passing = Optional.of(folder);
            own = folder.path();
            if (!flags.contains("--first")) {
                new Preferences(own).put("welcomed", "true");
            }
        }
        MainWindow content = show(stage, desk);
        named("instrument")
                .map(Instrument::of)
                .ifPresent(instrument -> desk.does(here -> Choosing.instrument(here, instrument)));
        number("tune").ifPresent(index -> desk.does(here -> Choosing.lesson(here, index)));
        number("stage").ifPresent(index -> desk.does(here -> Choosing.stage(here, index)));
        number("note").ifPresent(index -> desk.does(here -> Choosing.walk(here, index)));
        named("do")
                .map(ids -> List.of(ids.split(",")))
                .orElse(List.of())
                .forEach(id -> content.actions().of(id).run());
        shot.ifPresent(file -> shoot(content, new File(file)));
    }

    private Optional<String> named(String name) {
        return named(getParameters().getRaw(), name);
    }

    private static Optional<String> named(List<String> parameters, String name) {
        String begin = "--" + name + "=";
        return parameters.stream()
                .filter(each -> each.startsWith(begin))
                .map(each -> each.substring(begin.length()))
                .findFirst();
    }

    private Parsed<StoredBook> firstBook() throws IOException {
        if (reading.isEmpty()) {
            return read(getParameters().getRaw());
        }
        try {
            return reading.get().get();
        } catch (ExecutionException e) {
            throw new IOException("The book cannot be read: " + e.getMessage(), e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new InterruptedIOException("the start was stopped");
        }
    }

    private static Parsed<StoredBook> read(List<String> parameters) throws IOException {
        Optional<String> book = named(parameters, "book");
        return book.isPresent()
                ? BookStore.open(Path.of(book.get()))
                : demo(named(parameters, "shot").isPresent());
    }

    private MainWindow show(Stage stage, Desk desk) {
        ExecutorService worker = LongWork.thread("long work");
        ExecutorService soon = LongWork.thread("soon");
        MainWindow content = new MainWindow(
                desk,
                player(),
                new Surroundings(
                        new DialogPicker(stage),
                        own,
                        opened -> show(new Stage(), new Desk(opened)),
                        worker,
                        soon,
                        printer()));
        windows.add(content);
        List<String> size = List.of(named("size").orElse(WIDTH + "x" + HEIGHT).split("x"));
        Scene scene = new Scene(content, Integer.parseInt(size.get(0)), Integer.parseInt(size.get(1)));
        stage.setScene(scene);
        stage.setTitle("Wild Flourish");
        stage.setMinWidth(900);
        stage.setMinHeight(560);
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
        stage.show();
        return content;
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

    /** The sound of the system, or a stand-in that puts what it hears into a folder. */
    private Player player() {
        return named("speaker")
                .map(folder -> new Player(() -> PretendSpeaker.open(Path.of(folder))))
                .orElseGet(Player::new);
    }

    /** A printer of the system, or a stand-in that puts what it prints into a folder. */
    private PaperPrinter printer() {
        return named("printer")
                .<PaperPrinter>map(folder -> new PretendPrinter(Path.of(folder)))
                .orElseGet(SystemPrinter::new);
    }

    /** A parameter that counts from 1, counted from 0. */
    private Optional<Integer> number(String name) {
        return named(name).map(words -> Integer.parseInt(words) - 1);
    }

    /** The demo book: as the user has last saved it, or fresh. */
    private static Parsed<StoredBook> demo(boolean isFresh) throws IOException {
        Path own = Path.of(System.getProperty("user.home"), "Wild Flourish", "saltmarsh-lane.abc");
        return !isFresh && Files.exists(own) ? BookStore.open(own) : freshDemo(own);
    }

    /** The demo book as it ships, to be saved to a path when the user saves it. */
    public static Parsed<StoredBook> freshDemo(Path path) throws IOException {
        try (var in = FlourishApp.class.getResourceAsStream(DEMO)) {
            if (in == null) {
                throw new IOException("the demo book does not ship with the application");
            }
            Parsed<Book> book = BookReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8));
            return new Parsed<>(new StoredBook(path, FileForm.USUAL, Optional.empty(), book.value()), book.problems());
        }
    }

    /** The lessons of the demo book as it ships. */
    public static List<Lesson> demoLessons() {
        try {
            return freshDemo(Path.of("demo.abc")).value().book().lessons();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Takes the picture when no work has been seen under way twice in a row: what came of it grows a moment longer. */
    private static void shoot(MainWindow content, File file) {
        Scene scene = content.getScene();
        PauseTransition settle = new PauseTransition(Duration.millis(900));
        AtomicInteger quiet = new AtomicInteger();
        settle.setOnFinished(event -> content.afterQuickWork(() -> {
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
        }));
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
        List.copyOf(windows).forEach(MainWindow::close);
        passing.ifPresent(PassingFolder::remove);
    }
}
