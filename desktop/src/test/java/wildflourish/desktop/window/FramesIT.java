package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.animation.AnimationTimer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.instrument.Instrument;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
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
    void aRehearsedWindowGoesThroughEverythingUnseenAndLeavesNothingBehind() throws Exception {
        Set<Path> before = rehearsalFolders();
        Sight sight = sight();
        CountDownLatch done = new CountDownLatch(1);
        inWindow(() -> WindowRehearsal.begin(
                FlourishApp.freshDemo(own.resolve("rehearsed.abc")),
                LongWork.thread("rehearsed work"),
                () -> true,
                done::countDown));
        assertThat(rehearsalFolders()).hasSize(before.size() + 1);
        assertThat(done.await(180, TimeUnit.SECONDS)).isTrue();
        await("its folder is gone", () -> rehearsalFolders().equals(before));
        assertThat(sight()).isEqualTo(sight);
        assertThat(inWindow(() -> window.getScene().getFocusOwner())).isEqualTo(window.score());
        assertThat(framesInASecond()).as("all is at rest again").isLessThan(10);
    }

    /** How many frames the window system makes while nobody does anything; sixty where anything moves. */
    private int framesInASecond() throws Exception {
        Thread.sleep(500);
        AtomicInteger frames = new AtomicInteger();
        inWindow(() -> {
            window.getScene().addPreLayoutPulseListener(frames::incrementAndGet);
            return true;
        });
        Thread.sleep(1000);
        return frames.get();
    }

    @Test
    void aRehearsedWindowWaitsWhileHandsDoNotRestAndEndsWhenItIsToldTo() throws Exception {
        Set<Path> before = rehearsalFolders();
        AtomicInteger asked = new AtomicInteger();
        CountDownLatch done = new CountDownLatch(1);
        WindowRehearsal rehearsal = inWindow(() -> WindowRehearsal.begin(
                FlourishApp.freshDemo(own.resolve("rehearsed.abc")),
                LongWork.thread("rehearsed work"),
                () -> asked.incrementAndGet() < 0,
                done::countDown));
        int deeds = inWindow(() -> window.round(1).size());
        await("it was asked oftener than it has deeds", () -> asked.get() > deeds);
        inWindow(() -> {
            rehearsal.end();
            return true;
        });
        await("its folder is gone", () -> rehearsalFolders().equals(before));
        assertThat(done.getCount()).isOne();
    }

    private static Set<Path> rehearsalFolders() throws IOException {
        try (var all = Files.list(Path.of(System.getProperty("java.io.tmpdir")))) {
            return all.filter(each -> each.getFileName().toString().startsWith("flourish-rehearsal"))
                    .collect(Collectors.toSet());
        }
    }

    @Test
    void aRoundStrikesEveryKeyThatDoesNotAskForFiles() throws Exception {
        List<String> words = inWindow(
                () -> window.round(1).stream().map(Round.Deed::words).distinct().toList());
        assertThat(words)
                .contains("next note", "place what fits best", "light or dark", "light or dark, and again")
                .contains("find what you can do, and back", "type another letter of it")
                .doesNotContain("save", "open a book");
        assertThat(words).hasSizeGreaterThan(100);
    }

    @Test
    void aListThatIsFoldedForAnotherThemeIsWholeAgain() throws Exception {
        press(KeyCode.F1);
        settle();
        settle();
        long lines = lines();
        assertThat(lines).isGreaterThan(10);
        turnTheme();
        Region finder = find("#finder", Region.class);
        Region list = find("#finder-found", Region.class);
        assertThat(inWindow(() -> list.getBoundsInParent().getMaxY()))
                .as("down to the foot of the panel")
                .isGreaterThan(finder.getHeight() - 20);
        assertThat(lines()).isBetween(lines - 1, lines + 1);
    }

    @Test
    void aFoldedListHasLetGoOfItsLines() throws Exception {
        press(KeyCode.F1);
        settle();
        settle();
        FinderPanel finder = find("#finder", FinderPanel.class);
        int before = all("#finder .found-cell").size();
        inWindow(() -> {
            finder.fold().forEach(Runnable::run);
            assertThat(finder.fold()).as("it is folded already").isEmpty();
            return true;
        });
        assertThat(before).isGreaterThan(10);
        assertThat(all("#finder .found-cell")).hasSizeLessThan(6);
    }

    @Test
    void whatWasSoughtIsForgottenWhenTheFinderIsLeft() throws Exception {
        press(KeyCode.F1);
        ListView<?> found = find("#finder-found", ListView.class);
        int entries = inWindow(() -> found.getItems().size());
        inWindow(() -> {
            find("#finder-sought", TextField.class).setText("octave");
            return true;
        });
        assertThat(inWindow(() -> found.getItems().size())).isEqualTo(2);
        press(KeyCode.ESCAPE);
        settle();
        assertThat(inWindow(() -> find("#finder-sought", TextField.class).getText()))
                .isEmpty();
        assertThat(inWindow(() -> found.getItems().size())).isEqualTo(entries);
    }

    @Test
    void aFinderLeftAndOpenedAgainAtOnceIsWhole() throws Exception {
        press(KeyCode.F1);
        settle();
        settle();
        inWindow(() -> {
            find("#finder-sought", TextField.class).setText("octave");
            window.panels().leaveFinder();
            window.panels().findAction();
            return true;
        });
        settle();
        settle();
        Region finder = find("#finder", Region.class);
        Region list = find("#finder-found", Region.class);
        assertThat(inWindow(() -> list.getBoundsInParent().getMaxY())).isGreaterThan(finder.getHeight() - 20);
        assertThat(find("#finder-sought", TextField.class).getText()).isEmpty();
    }

    @Test
    void theTextOfTheTuneIsWholeAfterAnotherThemeAndFollowsOnlyInSight() throws Exception {
        inWindow(() -> {
            window.panels().showWrite(true);
            window.panels().showWrite(false);
            return true;
        });
        TextArea text = find("#tune-text", TextArea.class);
        String before = text.getText();
        assertThat(before).startsWith("X:1");
        turnTheme();
        assertThat(text.getText()).isEqualTo(before);
        press(KeyCode.CONTROL, KeyCode.PAGE_DOWN);
        assertThat(text.getText()).as("out of sight").isEqualTo(before);
        press(KeyCode.W);
        assertThat(text.getText())
                .isEqualTo(sight().tune().orElseThrow().manuscript().text());
    }

    @Test
    void linesOfTheLookOverStayAndSaySomethingElse() throws Exception {
        press(KeyCode.K);
        await("the last line", () -> lookedOver().stream().anyMatch(line -> line.startsWith("Every instrument")));
        settle();
        List<Node> before = all("#look-over .paragraph").subList(0, 5);
        inWindow(() -> {
            desk.chooseLesson(1);
            return true;
        });
        await(
                "the other tune's lines",
                () -> lines("#look-over .line").stream().anyMatch(line -> line.startsWith("Every instrument")));
        settle();
        assertThat(all("#look-over .paragraph")).containsAll(before);
        List<String> said = lines("#look-over .line");
        List<String> shown = all("#look-over .line .paragraph", Text.class).stream()
                .filter(WindowTest::isInSight)
                .map(Text::getText)
                .toList();
        assertThat(said).isNotEmpty().isEqualTo(shown).doesNotHaveDuplicates();
    }

    private void turnTheme() throws Exception {
        inWindow(() -> {
            window.habits().otherTheme();
            return true;
        });
        settle();
        settle();
        settle();
    }

    /** What the buttons in sight say to who hears them. */
    private List<String> lines(String query) throws Exception {
        return all(query, Button.class).stream()
                .filter(WindowTest::isInSight)
                .map(Button::getText)
                .toList();
    }

    /** Of the finder, in sight. */
    private long lines() throws Exception {
        return all("#finder .found-cell").stream().filter(WindowTest::isInSight).count();
    }

    @Test
    void panelsMadeReadyAreThereOnceAndOutOfSight() throws Exception {
        inWindow(() -> {
            window.prepare();
            return true;
        });
        settle();
        settle();
        for (String panel : List.of("#finder", "#done", "#look-over", "#close-up", "#write", "#chart", "#best-fit")) {
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
