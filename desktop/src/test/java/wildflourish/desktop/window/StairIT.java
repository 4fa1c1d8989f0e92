package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;

/** The Stair in a real window: all stages of the phrase, worked on as on the Bench, and given another shape. */
class StairIT extends WindowTest {
    private Stair stair() throws Exception {
        return sight().stair().orElseThrow();
    }

    private String names() throws Exception {
        return String.join(" ", stair().stages().stream().map(Version::name).toList());
    }

    private int rowsSeen() throws Exception {
        return inWindow(this::clefs);
    }

    private int clefs() {
        return window.bench().score().page().stream()
                .mapToInt(page -> (int) page.drawn().stream()
                        .filter(each -> each.subject().kind() == Drawn.Kind.CLEF)
                        .count())
                .sum();
    }

    @Test
    void allStagesOfThePhraseAreInSightAndOneWorksOnAnyOfThem() throws Exception {
        press(KeyCode.Y);
        assertThat(sight().room()).isEqualTo("stair");
        int stages = stair().stages().size();
        await("all stages are drawn", () -> window.bench().score().page().isPresent());
        assertThat(rowsSeen()).isGreaterThanOrEqualTo(stages);
        int before = sight().chosen().stage();
        press(KeyCode.PAGE_UP);
        assertThat(sight().chosen().stage()).isEqualTo(Math.min(stages - 1, before + 1));
        press(KeyCode.HOME);
        press(KeyCode.ENTER);
        assertThat(here()).isPresent();
        press(KeyCode.ESCAPE);
        assertThat(sight().room()).isEqualTo("bench");
    }

    /** The whole tune scrolls through all stages, the chosen note stays in sight, and it is worked on as before. */
    @Test
    void theWholeTuneIsSeenThroughAllStages() throws Exception {
        press(KeyCode.Y);
        await("the phrase is drawn", () -> window.bench().score().page().isPresent());
        int phrase = rowsSeen();
        press(KeyCode.CONTROL, KeyCode.J);
        await("the whole tune is drawn", () -> clefs() > 3 * phrase);
        press(KeyCode.END);
        press(KeyCode.ENTER);
        assertThat(here()).isPresent();
        await("it is laid out again", () -> window.bench().score().page().isPresent());
        press(KeyCode.CONTROL, KeyCode.J);
        await("one phrase again", () -> clefs() < 3 * phrase);
    }

    @Test
    void aPressOnAnotherRowChoosesItsStageAndNote() throws Exception {
        press(KeyCode.Y);
        int before = sight().chosen().stage();
        await("the rows are drawn", () -> window.bench().score().page().isPresent());
        Point2D top = inWindow(() -> {
            Bounds bounds =
                    window.bench().score().localToScreen(window.bench().score().getBoundsInLocal());
            double space = window.bench().score().pixelsPerSpace();
            return new Point2D(bounds.getMinX() + 40 * space, bounds.getMinY() + 9 * space);
        });
        robot.clickOn(top);
        int now = sight().chosen().stage();
        assertThat(now).isEqualTo(stair().stages().size() - 1);
        assertThat(now).isNotEqualTo(before);
    }

    @Test
    void whatIsPlacedComesLaterEarlierHeavierAndLighter() throws Exception {
        press(KeyCode.HOME);
        press(KeyCode.DELETE);
        int stage = sight().chosen().stage();
        press(KeyCode.ENTER);
        assertThat(here()).isPresent();
        Stair placed = stair();
        press(KeyCode.SHIFT, KeyCode.PAGE_UP);
        assertThat(said()).startsWith("It first comes in ");
        assertThat(stair().at(stage).at(sight().note().orElseThrow()).flatMap(spot -> spot.first()))
                .isEmpty();
        press(KeyCode.SHIFT, KeyCode.PAGE_DOWN);
        assertThat(stair()).isEqualTo(placed);
        String was = here().orElseThrow();
        press(KeyCode.PLUS);
        String heavier = here().orElseThrow();
        if (!heavier.equals(was)) {
            press(KeyCode.MINUS);
            assertThat(here()).contains(was);
        } else {
            assertThat(said()).startsWith("Nothing heavier of its kind");
        }
    }

    @Test
    void stagesAreSetInTakenOutAndMovedAndLossesAreShownFirst() throws Exception {
        String before = names();
        int stages = stair().stages().size();
        does("insert-stage");
        assertThat(stair().stages()).hasSize(stages + 1);
        does("remove-stage");
        assertThat(names()).isEqualTo(before);
        Stair was = stair();
        press(KeyCode.PAGE_DOWN);
        press(KeyCode.PAGE_DOWN);
        press(KeyCode.PAGE_UP);
        does("stage-higher");
        if (isShown("#shape-offer")) {
            click("#shape-offer-see");
            assertThat(find("#shape-offer-list", TextArea.class).getText()).contains(" loses ");
            assertThat(stair()).isEqualTo(was);
            click("#shape-offer-take");
        }
        assertThat(names()).isNotEqualTo(before);
        does("undo");
        assertThat(stair()).isEqualTo(was);
    }
}
