package wildflourish.desktop.window;

import java.io.IOException;
import java.nio.file.Path;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.util.Duration;
import wildflourish.core.version.Book;
import wildflourish.desktop.desk.Desk;
import wildflourish.files.store.Recovery;

/**
 * Keeps unsaved work aside a moment after each change, offers it after a crash, and says when the book is open in another window too. Does
 * nothing at all while nothing changes.
 */
final class Safekeeping {
    /** After the last change this long: a kill loses no more than that. */
    private static final double PAUSE_MILLIS = 700;

    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("d MMMM, HH:mm", java.util.Locale.ENGLISH);

    private final Desk desk;
    private final Recovery recovery;
    private final Banner banner;
    private final PauseTransition pause = new PauseTransition(Duration.millis(PAUSE_MILLIS));
    private final ExecutorService writer = Executors.newSingleThreadExecutor(task -> {
        Thread thread = new Thread(task, "safekeeping");
        thread.setDaemon(true);
        return thread;
    });
    private Optional<Recovery.Claim> claim = Optional.empty();
    private Optional<Path> claimed = Optional.empty();

    Safekeeping(Desk desk, Recovery recovery, Banner banner) {
        this.desk = desk;
        this.recovery = recovery;
        this.banner = banner;
        pause.setOnFinished(event -> keep());
        desk.sight().addListener((at, before, after) -> {
            if (!before.book().equals(after.book())) {
                pause.playFromStart();
            }
        });
    }

    /** A book has come onto the desk. */
    void opened() {
        claim(desk.path());
        try {
            Optional<Recovery.Kept> kept =
                    recovery.find(desk.path(), desk.sight().get().book());
            kept.ifPresentOrElse(this::offer, () -> banner.hide("recovered"));
        } catch (IOException e) {
            desk.say("What was not saved last time cannot be read: " + e.getMessage());
        }
    }

    private void offer(Recovery.Kept kept) {
        String when = TIME.format(kept.touched().atZone(ZoneId.systemDefault()));
        banner.show(
                "recovered",
                "Changes of " + when + " were not saved when this book was last open.",
                MainWindow.button(
                        "Take them", "take-recovered", "They come back, and Undo takes them away again", () -> {
                            banner.hide("recovered");
                            desk.recover(kept.book());
                        }),
                MainWindow.button("Let them go", "drop-recovered", "The book stays as it was saved", () -> {
                    banner.hide("recovered");
                    letGo();
                }));
    }

    private void claim(Path path) {
        if (claimed.equals(Optional.of(path))) {
            return;
        }
        release();
        try {
            claim = recovery.claim(path);
            claimed = Optional.of(path);
            if (claim.isEmpty()) {
                banner.show(
                        "twice",
                        path.getFileName()
                                + " is open in another window too. Whoever saves second is asked what to do; nothing is overwritten unasked.",
                        MainWindow.button("Good", "twice-seen", "Hides this", () -> banner.hide("twice")));
            } else {
                banner.hide("twice");
            }
        } catch (IOException e) {
            desk.say("Unsaved work cannot be kept aside: " + e.getMessage() + ". Save often.");
        }
    }

    private void release() {
        claim.ifPresent(held -> {
            try {
                held.close();
            } catch (IOException e) {
                desk.say("A claim could not be given back: " + e.getMessage());
            }
        });
        claim = Optional.empty();
        claimed = Optional.empty();
    }

    /** Writes the present state aside, away from the window's thread. A window that came second keeps nothing: the first one does. */
    private void keep() {
        Path path = desk.path();
        Book book = desk.sight().get().book();
        boolean isSaved = desk.isSaved();
        if (claim.isEmpty()) {
            return;
        }
        writer.execute(() -> {
            try {
                if (isSaved) {
                    recovery.drop(path);
                } else {
                    recovery.keep(path, book);
                }
            } catch (IOException e) {
                Platform.runLater(
                        () -> desk.say("Unsaved work cannot be kept aside: " + e.getMessage() + ". Save often."));
            }
        });
    }

    /** The book has been saved at a path, perhaps another than its own until now: then what was kept for its own path is done with. */
    void saving(Path path) {
        if (!path.equals(desk.path())) {
            letGo();
        }
    }

    /** The book on the desk was saved; what was done while it was being written is kept aside as ever. */
    void saved() {
        claim(desk.path());
        if (desk.isSaved()) {
            letGo();
        } else {
            pause.playFromStart();
        }
    }

    /** The unsaved changes are let go. */
    void letGo() {
        pause.stop();
        Path path = desk.path();
        if (claim.isPresent()) {
            writer.execute(() -> {
                try {
                    recovery.drop(path);
                } catch (IOException e) {
                    Platform.runLater(() -> desk.say("What was kept aside cannot be removed: " + e.getMessage()));
                }
            });
        }
    }

    /** Another book comes in place of this one. */
    void leave() {
        pause.stop();
        finishWriting();
    }

    void close() {
        pause.stop();
        writer.shutdown();
        finishWriting();
        release();
    }

    private void finishWriting() {
        try {
            if (writer.isShutdown()) {
                writer.awaitTermination(3, TimeUnit.SECONDS);
            } else {
                writer.submit(() -> {}).get(3, TimeUnit.SECONDS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (java.util.concurrent.ExecutionException | java.util.concurrent.TimeoutException e) {
            desk.say("Unsaved work could not be kept aside in time.");
        }
    }
}
