package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executor;
import java.util.concurrent.TimeUnit;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.core.version.Stair;

/** Work away from the window's thread; the test decides when it is begun. */
class LongWorkIT extends WindowTest {
    private final Deque<Runnable> waiting = new ArrayDeque<>();

    @Override
    Executor worker() {
        return waiting::add;
    }

    private Path another() throws Exception {
        Path other = book.resolveSibling("another.abc");
        Files.writeString(other, "X:1\nT:Another\nM:4/4\nL:1/8\nK:D\n|:D2EF GABc:|\n");
        when(picker.toOpen()).thenReturn(Optional.of(other));
        return other;
    }

    private void doWork() throws Exception {
        Thread thread = new Thread(waiting.remove(), "work in a test");
        thread.start();
        thread.join(TimeUnit.SECONDS.toMillis(20));
        inWindow(() -> true);
        inWindow(() -> true);
    }

    private void waitFor(String query) throws Exception {
        await(query + " is shown", () -> isShown(query));
    }

    @Test
    void aBookThatTakesLongShowsThatItIsBeingReadAndCanBeStopped() throws Exception {
        another();
        press(KeyCode.CONTROL, KeyCode.O);
        waitFor("#work-progress");
        assertThat(find("#work-progress", ProgressBar.class).getAccessibleText())
                .contains("another.abc");
        press(KeyCode.RIGHT);
        assertThat(sight().note()).as("the score still answers").isPresent();
        click("#stop-work");
        assertThat(isShown("#work-progress")).isFalse();
        doWork();
        assertThat(inWindow(() -> desk.sight().get().filed().path())).isEqualTo(book);
    }

    @Test
    void whatIsChangedWhileAnotherBookIsReadIsAskedAbout() throws Exception {
        Path other = another();
        press(KeyCode.CONTROL, KeyCode.O);
        press(KeyCode.ENTER);
        assertThat(here()).isPresent();
        doWork();
        assertThat(inWindow(() -> desk.sight().get().filed().path())).isEqualTo(book);
        assertThat(isShown("#open-anyway")).isTrue();
        click("#open-anyway");
        assertThat(inWindow(() -> desk.sight().get().filed().path())).isEqualTo(other);
        assertThat(inWindow(() -> desk.sight().get().filed().isSaved())).isTrue();
    }

    @Test
    void readingStopsInTheMiddleWhenItIsToldTo() throws Exception {
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch stopped = new CountDownLatch(1);
        Banner banner = inWindow(() -> {
            Banner shown = new Banner();
            new LongWork(shown, task -> new Thread(task).start())
                    .start(
                            "Counting",
                            progress -> {
                                try {
                                    while (true) {
                                        begun.countDown();
                                        progress.reached(0.5);
                                        Thread.onSpinWait();
                                    }
                                } finally {
                                    stopped.countDown();
                                }
                            },
                            never -> desk.say("done"),
                            e -> desk.say("failed"));
            return shown;
        });
        assertThat(begun.await(20, TimeUnit.SECONDS)).isTrue();
        await("the work can be stopped", () -> banner.lookup("#notice-working").isVisible());
        inWindow(() -> {
            ((javafx.scene.control.Button) banner.lookup("#stop-work")).fire();
            return true;
        });
        assertThat(stopped.await(20, TimeUnit.SECONDS)).isTrue();
        assertThat(said()).doesNotContain("done", "failed");
    }

    /** Planning that takes a while is stopped by its button: nothing is shown as a plan, nothing is placed. */
    @Test
    void planningIsStoppedByItsButton() throws Exception {
        lesson(1, "whistle-d");
        does("begin-stair");
        press(KeyCode.PAGE_UP);
        Stair before = sight().stair().orElseThrow();
        press(KeyCode.CONTROL, KeyCode.G);
        waitFor("#work-progress");
        assertThat(find("#plan-told", Label.class).getText()).startsWith("Planning");
        assertThat(find("#work-progress", ProgressBar.class).getAccessibleText())
                .startsWith("Planning");
        click("#stop-work");
        assertThat(isShown("#work-progress")).isFalse();
        while (!waiting.isEmpty()) {
            doWork();
        }
        assertThat(find("#plan-told", Label.class).getText()).startsWith("A plan is shown in pale signs");
        assertThat(inWindow(() -> window.bench().score().previewed())).isEmpty();
        assertThat(sight().stair()).contains(before);
    }
}
