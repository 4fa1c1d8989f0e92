package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Control;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.stage.Window;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.instrument.School;
import wildflourish.core.performance.Reeds;
import wildflourish.core.version.Layer;
import wildflourish.desktop.action.Action;
import wildflourish.desktop.action.ActionRow;
import wildflourish.desktop.action.FinderPane;
import wildflourish.desktop.action.Key;

/** Everything one can do: bound once, found by typing, in menus, with keys that mean one thing in each room. */
class ActionsIT extends WindowTest {
    private static final List<String> ROOMS = List.of("look-over", "bench", "chart", "best-fit");

    @Test
    void everythingInTheTableCanBeDone() throws Exception {
        assertThat(inWindow(() -> window.actions().unbound())).isEmpty();
        assertThat(inWindow(() -> window.actions().all().size()))
                .isGreaterThan(ActionRow.all().size());
    }

    @ParameterizedTest
    @ValueSource(strings = {"look-over", "bench", "chart", "best-fit"})
    void aKeyMeansOneThingInARoom(String room) throws Exception {
        does("room-" + room);
        List<Key> keys = inWindow(() -> window.actions().all().stream()
                .filter(Action::isEnabled)
                .flatMap(action -> action.row().keys().stream())
                .toList());
        assertThat(keys).hasSizeGreaterThan(30).doesNotHaveDuplicates();
    }

    @Test
    void theRoomsAreANumberEach() throws Exception {
        for (int i = 0; i < ROOMS.size(); i++) {
            press(KeyCode.CONTROL, KeyCode.valueOf("DIGIT" + (i + 1)));
            assertThat(sight().room()).isEqualTo(ROOMS.get(i));
            assertThat(inWindow(() -> window.getScene().getFocusOwner())).isNotNull();
        }
        press(KeyCode.ESCAPE);
        assertThat(sight().room()).isEqualTo("bench");
    }

    @Test
    void everythingIsFoundByTyping() throws Exception {
        press(KeyCode.F1);
        ListView<?> found = find("#finder-found", ListView.class);
        List<String> words = inWindow(() -> found.getItems().stream()
                .map(each -> ((FinderPane.Entry) each).words())
                .toList());
        assertThat(words.stream().filter(each -> !each.startsWith("Tune: ")))
                .containsExactlyElementsOf(inWindow(() -> window.actions().all().stream()
                        .map(action -> action.row().words())
                        .toList()));
        inWindow(() -> {
            find("#finder-sought", TextField.class).setText("notes abc");
            return true;
        });
        assertThat(inWindow(() -> ((FinderPane.Entry) found.getItems().get(0)).words()))
                .isEqualTo("Written-out notes as ABC");
        inWindow(() -> {
            find("#finder-sought", TextField.class).setText("PDF");
            return true;
        });
        assertThat(inWindow(() -> found.getItems().size()))
                .as("all PDFs to take away")
                .isEqualTo(9);
    }

    /** What stands in no menu is found all the same: rules, schools, tunes. */
    @Test
    void rulesSchoolsAndTunesAreFoundAndDone() throws Exception {
        does("rule-"
                + Layer.Rule.of(sight().instrument().family()).stream()
                        .filter(Layer.Rule::isTurnedOn)
                        .findFirst()
                        .orElseThrow()
                        .id());
        assertThat(sight().version().orElseThrow().layers()).hasSize(1);
        School other = sight().instrument().schools().get(1);
        does("school-" + other.id());
        assertThat(sight().version().orElseThrow().playing().school()).isEqualTo(other);
        does("reeds-wet");
        assertThat(sight().playback().reeds()).as("a whistle has none").isEqualTo(Reeds.DRY);
        String title = sight().book().lessons().get(4).tune().title();
        press(KeyCode.F1);
        inWindow(() -> {
            find("#finder-sought", TextField.class).setText("tune: " + title);
            return true;
        });
        press(KeyCode.ENTER);
        assertThat(sight().lessonIndex()).isEqualTo(4);
    }

    @Test
    void whatCannotBeDoneInARoomIsDimInTheFinderAndDoesNothing() throws Exception {
        does("room-chart");
        var before = sight().book();
        press(KeyCode.F1);
        ListView<?> found = find("#finder-found", ListView.class);
        inWindow(() -> {
            find("#finder-sought", TextField.class).setText("place what fits best");
            return true;
        });
        assertThat(inWindow(() -> ((FinderPane.Entry) found.getItems().get(0)).isEnabled()))
                .isFalse();
        press(KeyCode.ENTER);
        assertThat(sight().book()).isEqualTo(before);
        assertThat(isShown("#finder")).as("it stays, for another choice").isTrue();
    }

    @Test
    void theMenuHasEverythingOfTheTableWithItsKey() throws Exception {
        List<MenuItem> items = openMenu("#all").stream()
                .flatMap(each -> each instanceof Menu menu ? menu.getItems().stream() : Stream.of(each))
                .toList();
        assertThat(items.stream().map(MenuItem::getText))
                .containsExactlyInAnyOrderElementsOf(
                        ActionRow.all().stream().map(ActionRow::words).toList());
        assertThat(items.stream().filter(item -> item.getAccelerator() != null).count())
                .isGreaterThan(90);
        assertThat(inWindow(() -> window.getScene().getAccelerators()))
                .as("the toolkit strikes none of them")
                .isEmpty();
        press(KeyCode.ESCAPE);
    }

    @Test
    void aLetterTypedIntoAFieldDoesNothingElse() throws Exception {
        openMenu("#view");
        press(KeyCode.ESCAPE);
        TextField words = find("#sentence", TextField.class);
        inWindow(() -> {
            words.requestFocus();
            return true;
        });
        robot.write("lunge");
        await("the words are typed", () -> words.getText().equals("lunge"));
        assertThat(sight().playback().isPlaying()).isFalse();
        assertThat(here()).isEmpty();
        press(KeyCode.ESCAPE);
    }

    @Test
    void aTipTellsWhatAButtonIsFor() throws Exception {
        press(KeyCode.ENTER);
        Control undo = find("#undo", Control.class);
        Point2D middle = inWindow(() -> {
            Bounds bounds = undo.localToScreen(undo.getBoundsInLocal());
            return new Point2D(bounds.getCenterX(), bounds.getCenterY());
        });
        robot.moveTo(middle);
        await(
                "the tip is there",
                () -> Window.getWindows().stream()
                        .anyMatch(each -> each instanceof Tooltip tip
                                && tip.isShowing()
                                && tip.getText().equals("Takes the last change back (Ctrl+Z)")));
        assertThat(undo.getAccessibleHelp()).isEqualTo("Takes the last change back (Ctrl+Z)");
    }

    /** Source: W3C, Web Content Accessibility Guidelines 2.1, 4.1.2 Name, Role, Value; the size of a target by our own rule. */
    @ParameterizedTest
    @ValueSource(strings = {"look-over", "bench", "chart", "best-fit"})
    void everyControlHasANameAndCanBeHit(String room) throws Exception {
        does("room-" + room);
        press(KeyCode.ENTER);
        List<String> faults = new ArrayList<>();
        for (Node node : all(".button, .toggle-button, .menu-button, .combo-box, .text-field, .slider, .check-box")) {
            if (!isInSight(node) || node.getStyleClass().contains("arrow-button")) {
                continue;
            }
            String name = inWindow(() -> nameOf(node));
            double height = inWindow(() -> node.getLayoutBounds().getHeight());
            if (name.isBlank()) {
                faults.add("no name: " + node);
            }
            if (node instanceof ButtonBase && height < 34 && !"sound-device".equals(node.getId())) {
                faults.add("only " + height + " pixels high: " + node);
            }
        }
        assertThat(faults).isEmpty();
    }

    private static String nameOf(Node node) {
        if (node.getAccessibleText() != null && !node.getAccessibleText().isBlank()) {
            return node.getAccessibleText();
        }
        String words = node instanceof Labeled labeled ? String.valueOf(labeled.getText()) : "";
        return words.isBlank() ? String.valueOf(node.getAccessibleHelp()).replace("null", "") : words;
    }

    @Test
    void tabGoesThroughTheWindowFromAboveToBelow() throws Exception {
        inWindow(() -> {
            find("#all", Node.class).requestFocus();
            return true;
        });
        List<String> ids = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            ids.add(String.valueOf(
                    inWindow(() -> window.getScene().getFocusOwner().getId())));
            robot.push(KeyCode.TAB);
        }
        assertThat(ids)
                .containsSubsequence("all", "room-bench", "save", "take-away", "book", "tunes", "instrument")
                .containsSubsequence("students", "stage-1", "add-stage", "score", "fits-list", "sentence")
                .containsSubsequence("sentence", "play", "stretch-here", "speed", "sound-device");
    }
}
