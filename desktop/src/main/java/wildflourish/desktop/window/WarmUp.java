package wildflourish.desktop.window;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.problem.Parsed;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.files.store.StoredBook;

/**
 * What can be done while the window system comes up: the tables and the demo book read, its first score laid out as the first window shows it. The
 * window takes what it can use and works out the rest itself.
 */
public final class WarmUp {
    private static final FutureTask<Parsed<StoredBook>> BOOK =
            new FutureTask<>(() -> FlourishApp.freshDemo(Path.of("warm-up.abc")));
    private static final FutureTask<Laid> FIRST = new FutureTask<>((Callable<Laid>) WarmUp::first);

    private WarmUp() {}

    /** A score laid out at a width in staff spaces. */
    private record Laid(Score score, double widthSpaces, List<Page> pages) {}

    /** Begins on a thread of its own. */
    public static void begin() {
        Thread thread = new Thread(WarmUp::run, "warm-up");
        thread.setDaemon(true);
        thread.start();
    }

    private static void run() {
        BOOK.run();
        FIRST.run();
    }

    private static Laid first() throws ExecutionException, InterruptedException {
        Sight sight = new Desk(BOOK.get()).sight().get();
        Score score = new Score(sight.tune().orElseThrow(), sight.version(), Score.Shows.BENCH);
        return new Laid(
                score, FirstSight.WIDTH_SPACES, Engraver.engrave(score, Paper.endless(FirstSight.WIDTH_SPACES)));
    }

    /** The demo book as it ships, read once. Throws IOException where it does not. */
    static Parsed<StoredBook> demo(Path path) throws IOException {
        BOOK.run();
        try {
            Parsed<StoredBook> read = BOOK.get();
            return new Parsed<>(read.value().at(path), read.problems());
        } catch (ExecutionException | InterruptedException e) {
            return FlourishApp.freshDemo(path);
        }
    }

    /** A score laid out on an endless page, here already or now. */
    static Page page(Score score, double widthSpaces) {
        return done().filter(laid -> laid.widthSpaces == widthSpaces && laid.score.equals(score))
                .map(Laid::pages)
                .orElseGet(() -> Engraver.engrave(score, Paper.endless(widthSpaces)))
                .get(0);
    }

    private static Optional<Laid> done() {
        try {
            return FIRST.isDone() ? Optional.of(FIRST.get()) : Optional.empty();
        } catch (ExecutionException | InterruptedException e) {
            return Optional.empty();
        }
    }
}
