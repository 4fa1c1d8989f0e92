package wildflourish.desktop.window;

import java.io.IOException;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.util.Duration;
import wildflourish.core.version.Book;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.AlteredStages;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.files.store.Recovery;

/**
 * Keeps unsaved work aside a moment after each change, offers it after a crash, and says when the book is open in another window too. Does
 * nothing at all while nothing changes.
 */
final class Safekeeping {
    /** After the last change this long: a kill loses no more than that. */
    private static final double PAUSE_MILLIS = 700;

    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("d MMMM, HH:mm", Locale.ENGLISH);

    private final Desk desk;
    private final Recovery recovery;
    private final Banner banner;
    private final PauseTransition pause = new PauseTransition(Duration.millis(PAUSE_MILLIS));
    private final ExecutorService writer = Executors.newSingleThreadExecutor(task -> {
        Thread thread = new Thread(task, "safekeeping");
        thread.setDaemon(true);
        return thread;
    });
    /** Used on the writer's thread alone, as the path it is for. */
    private Optional<Recovery.Claim> claim = Optional.empty();

    private Optional<Path> claimed = Optional.empty();

    Safekeeping(Desk desk, Recovery recovery, Banner banner) {
        this.desk = desk;
        this.recovery = recovery;
        this.banner = banner;
        pause.setOnFinished(event -> keep());
        desk.of(Sight::book).addListener((at, before, after) -> pause.playFromStart());
    }

    /** Does it on the writer's thread; nothing once the window is closed. */
    private void write(Runnable work) {
        if (!writer.isShutdown()) {
            writer.execute(work);
        }
    }

    private Path path() {
        return desk.sight().get().filed().path();
    }

    /** A book has come onto the desk: whether it was left unsaved is looked up away from the window's thread. */
    void opened() {
        Path path = path();
        Book book = desk.sight().get().book();
        claim(path);
        write(() -> {
            try {
                Optional<Recovery.Kept> kept = recovery.find(path, book);
                Platform.runLater(() -> {
                    if (path.equals(path())) {
                        kept.ifPresentOrElse(this::offer, () -> banner.hide("recovered"));
                    }
                });
            } catch (IOException e) {
                sayLater("What was not saved last time cannot be read: " + e.getMessage());
            }
        });
    }

    private void sayLater(String words) {
        Platform.runLater(() -> desk.say(words));
    }

    private void offer(Recovery.Kept kept) {
        String when = TIME.format(kept.touched().atZone(ZoneId.systemDefault()));
        banner.show(
                "recovered",
                "Changes of " + when + " were not saved when this book was last open.",
                Controls.button("Take them", "take-recovered", "They come back, and Undo takes them away again", () -> {
                    banner.hide("recovered");
                    desk.does(here -> AlteredStages.recover(here, kept.book()));
                }),
                Controls.button("Let them go", "drop-recovered", "The book stays as it was saved", () -> {
                    banner.hide("recovered");
                    letGo();
                }));
    }

    /** Claims a book for this window; a window that comes second is told so. */
    private void claim(Path path) {
        write(() -> {
            if (claimed.equals(Optional.of(path))) {
                return;
            }
            release();
            try {
                claim = recovery.claim(path);
                claimed = Optional.of(path);
                boolean isSecond = claim.isEmpty();
                Platform.runLater(() -> tellSecond(path, isSecond));
            } catch (IOException e) {
                sayLater("Unsaved work cannot be kept aside: " + e.getMessage() + ". Save often.");
            }
        });
    }

    private void tellSecond(Path path, boolean isSecond) {
        if (isSecond) {
            banner.show(
                    "twice",
                    path.getFileName()
                            + " is open in another window too. Whoever saves second is asked what to do; nothing is overwritten unasked.",
                    Controls.button("Good", "twice-seen", "Hides this", () -> banner.hide("twice")));
        } else {
            banner.hide("twice");
        }
    }

    /** On the writer's thread. */
    private void release() {
        claim.ifPresent(held -> {
            try {
                held.close();
            } catch (IOException e) {
                sayLater("A claim could not be given back: " + e.getMessage());
            }
        });
        claim = Optional.empty();
        claimed = Optional.empty();
    }

    /** Writes the present state aside, away from the window's thread. A window that came second keeps nothing: the first one does. */
    private void keep() {
        Path path = path();
        Book book = desk.sight().get().book();
        boolean isSaved = desk.sight().get().filed().isSaved();
        write(() -> {
            if (claim.isEmpty()) {
                return;
            }
            try {
                if (isSaved) {
                    recovery.drop(path);
                } else {
                    recovery.keep(path, book);
                }
            } catch (IOException e) {
                sayLater("Unsaved work cannot be kept aside: " + e.getMessage() + ". Save often.");
            }
        });
    }

    /** The book has been saved at a path, perhaps another than its own until now: then what was kept for its own path is done with. */
    void saving(Path path) {
        if (!path.equals(path())) {
            letGo();
        }
    }

    /** The book on the desk was saved; what was done while it was being written is kept aside as ever. */
    void saved() {
        claim(path());
        if (desk.sight().get().filed().isSaved()) {
            letGo();
        } else {
            pause.playFromStart();
        }
    }

    /** The unsaved changes are let go. */
    void letGo() {
        pause.stop();
        Path path = path();
        write(() -> {
            if (claim.isEmpty()) {
                return;
            }
            try {
                recovery.drop(path);
            } catch (IOException e) {
                sayLater("What was kept aside cannot be removed: " + e.getMessage());
            }
        });
    }

    /** Another book comes in place of this one. */
    void leave() {
        pause.stop();
    }

    /** Once or again: what was begun is written, then the claim is given back. */
    void close() {
        pause.stop();
        if (writer.isShutdown()) {
            return;
        }
        writer.execute(this::release);
        writer.shutdown();
        try {
            if (!writer.awaitTermination(3, TimeUnit.SECONDS)) {
                desk.say("Unsaved work could not be kept aside in time.");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
