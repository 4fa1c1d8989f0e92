package wildflourish.desktop.window;

import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.Consumer;
import javafx.animation.PauseTransition;
import javafx.concurrent.Task;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.HBox;
import javafx.util.Duration;
import wildflourish.desktop.action.Controls;
import wildflourish.files.abc.Progress;

/** Work that may take a while, away from the window's thread. A notice with its progress and a way to stop appears when it is not done at once. */
final class LongWork {
    private static final double SHOWN_AFTER_MILLIS = 250;

    private final Executor executor;
    private final Label label = new Label();
    /** Where it does not know how far it is, it moves, and the window with it: so it knows while it is out of sight. */
    private final ProgressBar bar = new ProgressBar(0);

    private final Button stop = Controls.button("Stop", "stop-work", "Nothing changes; the book here stays", () -> {});
    private final HBox notice;
    /** What a notice has been shown of, with its words. */
    private final Map<Task<?>, String> slow = new LinkedHashMap<>();

    LongWork(Banner banner, Executor executor) {
        this.executor = executor;
        bar.setId("work-progress");
        HBox content = new HBox(label, bar);
        content.getStyleClass().add("working");
        notice = banner.keep("working", content, stop);
    }

    /** Something to be worked out; stops when its progress throws. */
    @FunctionalInterface
    interface Work<T> {
        T run(Progress progress) throws IOException;
    }

    /** One thread for some work of a window, which does not keep the application alive. */
    static ExecutorService thread(String name) {
        return Executors.newSingleThreadExecutor(task -> {
            Thread thread = new Thread(task, name);
            thread.setDaemon(true);
            return thread;
        });
    }

    /** Does the work; then one of the two is called with what came of it, where the window lives. Neither is called when it was stopped. */
    <T> void start(String words, Work<T> work, Consumer<T> then, Consumer<IOException> otherwise) {
        start(words, work, then, otherwise, () -> {});
    }

    /** The same; {@code stopped} is called when it was stopped. */
    <T> void start(String words, Work<T> work, Consumer<T> then, Consumer<IOException> otherwise, Runnable stopped) {
        Task<T> task = new Task<>() {
            @Override
            protected T call() throws IOException {
                return work.run(share -> {
                    if (isCancelled()) {
                        throw new CancellationException();
                    }
                    updateProgress(share, 1);
                });
            }
        };
        PauseTransition pause = new PauseTransition(Duration.millis(SHOWN_AFTER_MILLIS));
        pause.setOnFinished(event -> {
            slow.put(task, words);
            show(words, task);
        });
        task.setOnSucceeded(event -> {
            finish(task, pause);
            then.accept(task.getValue());
        });
        task.setOnFailed(event -> {
            finish(task, pause);
            otherwise.accept(asWords(task.getException()));
        });
        task.setOnCancelled(event -> {
            finish(task, pause);
            stopped.run();
        });
        pause.play();
        executor.execute(task);
    }

    private static IOException asWords(Throwable thrown) {
        return thrown instanceof IOException known ? known : new IOException(String.valueOf(thrown), thrown);
    }

    /** The notice stays for what else is still under way. */
    private void finish(Task<?> task, PauseTransition pause) {
        pause.stop();
        slow.remove(task);
        slow.entrySet().stream().findFirst().ifPresentOrElse(left -> show(left.getValue(), left.getKey()), this::hide);
    }

    private void hide() {
        notice.setVisible(false);
        bar.progressProperty().unbind();
        bar.setProgress(0);
    }

    private void show(String words, Task<?> task) {
        label.setText(words);
        bar.setAccessibleText(words);
        bar.progressProperty().bind(task.progressProperty());
        stop.setOnAction(event -> task.cancel());
        notice.setVisible(true);
    }
}
