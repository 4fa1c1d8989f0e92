package wildflourish.desktop.window;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Collections;
import java.util.Iterator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.function.BooleanSupplier;
import javafx.scene.Scene;
import javafx.scene.control.Control;
import javafx.scene.control.skin.TextInputControlSkin;
import javafx.scene.image.WritableImage;
import wildflourish.core.problem.Parsed;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.look.Frames;
import wildflourish.desktop.play.Player;
import wildflourish.desktop.play.SilentSpeaker;
import wildflourish.files.store.StoredBook;

/**
 * Does in a window that nobody sees all that hands will do in the one in sight, a step a frame while these rest: what is done for the first time takes several times
 * as long as later. Its book is the demo book, it is silent, and what it keeps goes into a folder of its own that goes with it.
 */
final class WindowRehearsal {
    private static final int LESSON = 4;

    private final PassingFolder own;
    private final BooleanSupplier isAtRest;
    private final Runnable after;
    private final ExecutorService worker;
    private final Frames frames = new Styled();
    private final WritableImage corner = new WritableImage(1, 1);
    private final MainWindow window;
    private Iterator<Round.Deed> deeds = Collections.emptyIterator();
    private boolean isOver;

    /** A scene that is not in sight is styled and laid out only for its picture. */
    private final class Styled extends Frames {
        private Runnable styled(Runnable step) {
            return () -> {
                if (!isOver) {
                    step.run();
                    window.getScene().snapshot(corner);
                }
            };
        }

        @Override
        public void execute(Runnable step) {
            super.execute(styled(step));
        }

        @Override
        public void next(List<Runnable> steps) {
            super.next(steps.stream().map(this::styled).toList());
        }
    }

    /** Nobody is there to be asked. */
    private static final class NoPicker implements FilePicker {
        @Override
        public Optional<Path> toOpen() {
            return Optional.empty();
        }

        @Override
        public Optional<Path> toSave(String suggestedName, String ending) {
            return Optional.empty();
        }
    }

    private WindowRehearsal(Parsed<StoredBook> book, ExecutorService worker, BooleanSupplier isAtRest, Runnable after)
            throws IOException {
        this.worker = worker;
        this.isAtRest = isAtRest;
        this.after = after;
        this.own = PassingFolder.make("rehearsal");
        Desk desk = new Desk(book);
        window = new MainWindow(
                desk,
                new Player(SilentSpeaker::new),
                new Surroundings(
                        new NoPicker(), own.path(), opened -> {}, worker, worker, frames, owner -> Optional.empty()));
    }

    /** Piece by piece, as all that is large. */
    private void furnish() {
        window.grow();
        Scene scene = new Scene(window, FlourishApp.WIDTH, FlourishApp.HEIGHT);
        scene.getStylesheets().add(FlourishApp.styles());
        window.resize(FlourishApp.WIDTH, FlourishApp.HEIGHT);
    }

    /**
     * Begins where the windows live. The book is one that nobody else works on; the worker does what takes long and is shut down at the end; {@code isAtRest} says
     * whether hands rest; {@code after} is called at the end. Throws IOException where there is no room for its folder.
     */
    static WindowRehearsal begin(
            Parsed<StoredBook> book, ExecutorService worker, BooleanSupplier isAtRest, Runnable after)
            throws IOException {
        WindowRehearsal rehearsal = new WindowRehearsal(book, worker, isAtRest, after);
        rehearsal.frames.next(List.of(rehearsal::furnish));
        rehearsal.frames.execute(rehearsal::prepare);
        return rehearsal;
    }

    private void prepare() {
        window.prepare();
        frames.execute(() -> deeds = window.round(LESSON).iterator());
        frames.execute(this::goOn);
    }

    private void goOn() {
        if (!deeds.hasNext()) {
            end();
            after.run();
        } else {
            if (isAtRest.getAsBoolean()) {
                deeds.next().verb().run();
            }
            frames.execute(this::goOn);
        }
    }

    /** A key struck in a text makes its caret blink until the focus leaves it; in a window that is not in sight it never does, and the machine would not come to rest. */
    private void stopCarets() {
        window.lookupAll(".text-input").forEach(text -> {
            if (((Control) text).getSkin() instanceof TextInputControlSkin<?> skin) {
                skin.setCaretAnimating(false);
            }
        });
    }

    /** Ends it, wherever it is, and takes away what it kept. */
    void end() {
        if (!isOver) {
            isOver = true;
            stopCarets();
            window.close();
            worker.execute(own::remove);
            worker.shutdown();
        }
    }
}
