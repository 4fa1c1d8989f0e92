package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import javafx.animation.AnimationTimer;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.instrument.Instrument;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.look.Frames;
import wildflourish.desktop.look.Pieces;

/** What grows a frame at a time: nothing is lost or out of order, and no frame has all of it. */
class FramesIT extends WindowTest {
    private final Frames frames = new Frames();

    /** A window as it is in use, its parts turned and filled in frames. */
    @Override
    Frames frames() {
        return frames;
    }

    /** Waits until all that was asked for before has been done. */
    private void settle() throws Exception {
        CountDownLatch done = new CountDownLatch(1);
        inWindow(() -> {
            frames.execute(done::countDown);
            return true;
        });
        assertThat(done.await(20, TimeUnit.SECONDS)).isTrue();
        inWindow(() -> true);
    }

    @Test
    void stepsAreDoneInOrderAndThoseThatComeNextBeforeThoseThatWait() throws Exception {
        List<String> done = new ArrayList<>();
        inWindow(() -> {
            frames.execute(() -> {
                done.add("first");
                frames.next(List.of(() -> done.add("its own"), () -> done.add("its second")));
            });
            frames.execute(() -> done.add("second"));
            assertThat(done).isEmpty();
            return true;
        });
        settle();
        assertThat(done).containsExactly("first", "its own", "its second", "second");
    }

    @Test
    void aFrameHasNoMoreThanItsShareOfSlowSteps() throws Exception {
        List<Long> frameOfStep = new ArrayList<>();
        long[] frame = {0};
        AnimationTimer counter = new AnimationTimer() {
            @Override
            public void handle(long now) {
                frame[0]++;
            }
        };
        inWindow(() -> {
            counter.start();
            IntStream.range(0, 12)
                    .forEach(each -> frames.execute(() -> {
                        frameOfStep.add(frame[0]);
                        long until = System.nanoTime() + 6_000_000;
                        while (System.nanoTime() < until) {
                            Thread.onSpinWait();
                        }
                    }));
            return true;
        });
        settle();
        inWindow(() -> {
            counter.stop();
            return true;
        });
        assertThat(frameOfStep).hasSize(12).doesNotHaveDuplicates();
    }

    @Test
    void whatIsNoLongerWantedDoesNotGrow() throws Exception {
        List<Integer> grown = new ArrayList<>();
        inWindow(() -> {
            frames.grow(IntStream.range(0, 100).boxed().toList(), 10, () -> grown.size() < 30, grown::addAll);
            return true;
        });
        settle();
        assertThat(grown).hasSize(30).isSorted();
    }

    @Test
    void aPartTakenApartIsPutTogetherAsItWas() throws Exception {
        VBox part = new VBox();
        for (int row = 0; row < 9; row++) {
            VBox inner = new VBox();
            IntStream.range(0, 30).forEach(each -> inner.getChildren().add(new Label("label " + each)));
            part.getChildren().addAll(inner, new Region());
        }
        List<Node> before = everything(part);
        List<Runnable> steps = inWindow(() -> Pieces.of(part));
        assertThat(part.getChildren()).isEmpty();
        assertThat(steps).hasSizeGreaterThan(9);
        inWindow(() -> {
            steps.forEach(Runnable::run);
            return true;
        });
        assertThat(everything(part)).isEqualTo(before);
    }

    @Test
    void aPaneFilledWithSomethingElseMeanwhileIsLeftAsItIs() throws Exception {
        VBox part = new VBox();
        IntStream.range(0, 40).forEach(each -> part.getChildren().add(new Label("old " + each)));
        Label fresh = new Label("new");
        inWindow(() -> {
            List<Runnable> steps = Pieces.of(part);
            steps.get(0).run();
            part.getChildren().setAll(fresh);
            steps.subList(1, steps.size()).forEach(Runnable::run);
            return true;
        });
        assertThat(part.getChildren()).containsExactly(fresh);
    }

    private static List<Node> everything(VBox part) {
        return part.getChildren().stream()
                .flatMap(child -> child instanceof VBox inner
                        ? java.util.stream.Stream.concat(
                                java.util.stream.Stream.of(inner), inner.getChildren().stream())
                        : java.util.stream.Stream.of(child))
                .toList();
    }

    @Test
    void turningTheThemeTwiceQuicklyLeavesNothingOutAndNothingMixed() throws Exception {
        List<String> before = names();
        press(KeyCode.D);
        press(KeyCode.D);
        press(KeyCode.D);
        settle();
        settle();
        assertThat(all(".light")).isEmpty();
        assertThat(all(".dark")).hasSizeGreaterThan(10);
        assertThat(names()).isEqualTo(before);
    }

    /** The ids of everything in the window, in the window's own order. */
    private List<String> names() throws Exception {
        List<String> names = new ArrayList<>();
        inWindow(() -> {
            walk(window, names);
            return true;
        });
        return names;
    }

    private static void walk(Node node, List<String> names) {
        if (node.getId() != null) {
            names.add(node.getId());
        }
        if (node instanceof javafx.scene.Parent parent) {
            parent.getChildrenUnmodifiable().forEach(child -> walk(child, names));
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "union-d-closed", "fiddle", "banjo-open-g", "box-bc", "anglo-b"})
    void aRehearsalGoesThroughOnAnyInstrumentAndLeavesItsBookAsItWas(String instrument) throws Exception {
        var book = FlourishApp.freshDemo(own.resolve("rehearsed.abc"));
        Desk rehearsed = new DeskRehearsal(book, Instrument.of(instrument)).run();
        assertThat(rehearsed.done()).isEmpty();
        assertThat(rehearsed.sight().get().book()).isEqualTo(book.value().book());
        assertThat(sight().book()).isEqualTo(book.value().book());
    }

    @Test
    void panelsMadeReadyAreThereOnceAndOutOfSight() throws Exception {
        inWindow(() -> {
            window.prepare();
            return true;
        });
        settle();
        settle();
        for (String panel : List.of("#finder", "#look-over", "#close-up", "#write", "#chart", "#best-fit")) {
            assertThat(all(panel)).as(panel).hasSize(1);
            assertThat(isShown(panel)).as(panel).isFalse();
        }
        assertThat(inWindow(() -> window.getScene().getFocusOwner())).isEqualTo(window.score());
        press(KeyCode.K);
        settle();
        settle();
        assertThat(isShown("#look-over")).isTrue();
        assertThat(isShown("#fits")).isFalse();
        assertThat(all("#look-over .card")).isNotEmpty();
        press(KeyCode.F1);
        assertThat(isShown("#finder")).isTrue();
        press(KeyCode.ESCAPE);
        assertThat(isShown("#fits")).isTrue();
        assertThat(all("#fitting .card")).isNotEmpty();
    }
}
