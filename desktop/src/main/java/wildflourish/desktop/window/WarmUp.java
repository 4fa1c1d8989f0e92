package wildflourish.desktop.window;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.FutureTask;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.problem.Parsed;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.AppFonts;
import wildflourish.files.store.StoredBook;

/**
 * What can be done while the window system comes up: the tables and the demo book read, its first score laid out as the first window shows it, the faces loaded. The
 * window takes what it can use and works out the rest itself.
 */
public final class WarmUp {
    private static final FutureTask<Parsed<StoredBook>> BOOK =
            new FutureTask<>(() -> FlourishApp.freshDemo(Path.of("warm-up.abc")));
    private static final FutureTask<Score> SCORE = new FutureTask<>(WarmUp::score);
    private static final FutureTask<List<Page>> PAGES = new FutureTask<>(WarmUp::pages);

    private WarmUp() {}

    /** Begins on a thread of its own. */
    public static void begin() {
        Thread thread = new Thread(WarmUp::run, "warm-up");
        thread.setDaemon(true);
        thread.start();
    }

    private static void run() {
        BOOK.run();
        SCORE.run();
        PAGES.run();
        AppFonts.load();
    }

    private static Score score() throws ExecutionException, InterruptedException {
        Sight sight = new Desk(BOOK.get()).sight().get();
        return new Score(sight.tune().orElseThrow(), sight.version(), Score.Shows.BENCH);
    }

    private static List<Page> pages() throws ExecutionException, InterruptedException {
        return Engraver.engrave(SCORE.get(), Paper.endless(FirstSight.WIDTH_SPACES));
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

    /** A score laid out on an endless page: here already, waited for where it is being laid out, or laid out now. */
    static Page page(Score score, double widthSpaces) {
        try {
            if (widthSpaces == FirstSight.WIDTH_SPACES
                    && SCORE.isDone()
                    && SCORE.get().equals(score)) {
                return PAGES.get().get(0);
            }
        } catch (ExecutionException | InterruptedException e) {
            // What could not be done beforehand is done now.
        }
        return Engraver.engrave(score, Paper.endless(widthSpaces)).get(0);
    }
}
