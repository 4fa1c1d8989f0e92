package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.text.Text;
import org.junit.jupiter.api.Test;
import org.testfx.util.WaitForAsyncUtils;
import wildflourish.desktop.menu.Choice;
import wildflourish.desktop.menu.MenuLine;
import wildflourish.desktop.menu.MenuOpener;

/** Menus and tips, which open within the window. */
class MenusIT extends WindowTest {
    private static final int MANY = 100;
    /** Of the bar, in pixels. */
    private static final int EDGE = 12;

    /** The words of the line that has the focus. */
    private String at() throws Exception {
        return inWindow(() -> String.valueOf(window.getScene().getFocusOwner().getAccessibleText()));
    }

    private boolean hasFocus(String query) throws Exception {
        Node node = find(query, Node.class);
        return inWindow(node::isFocused);
    }

    private void focus(String query) throws Exception {
        Node node = find(query, Node.class);
        inWindow(() -> {
            node.requestFocus();
            return true;
        });
    }

    @Test
    void theArrowKeysGoAboutAMenuAndEnterChooses() throws Exception {
        focus("#view");
        press(KeyCode.ENTER);
        assertThat(at()).as("headings are passed over").isEqualTo("Chart of the instrument H");
        press(KeyCode.DOWN);
        assertThat(at()).isEqualTo("One phrase, large J");
        press(KeyCode.END);
        assertThat(at()).startsWith("How often the first ending comes");
        press(KeyCode.HOME);
        press(KeyCode.UP);
        assertThat(at()).as("there is none above").isEqualTo("Chart of the instrument H");
        press(KeyCode.RIGHT);
        assertThat(at()).as("the line beside it").isEqualTo("Ornaments as small notes G");
        press(KeyCode.LEFT);
        assertThat(at()).isEqualTo("Chart of the instrument H");
        press(KeyCode.D);
        assertThat(at()).as("the next line that begins so").isEqualTo("Dark");
        press(KeyCode.SPACE);
        assertThat(menuRows()).isEmpty();
        assertThat(find("#score", Node.class).getStyleClass()).contains("dark");
        assertThat(hasFocus("#view")).as("the focus is where it was").isTrue();
        openMenu("#view");
        List<MenuLine> chosen = find("#view", MenuOpener.class).lines().stream()
                .filter(line -> line.kind() == MenuLine.Kind.CHOSEN)
                .toList();
        assertThat(chosen).extracting(MenuLine::words).contains("Dark").doesNotContain("Light", "As the system");
    }

    @Test
    void linesThatLeadOnLeadBackToo() throws Exception {
        openMenu("#instrument");
        assertThat(menuWords()).contains("Whistle … whistle in D", "Fiddle …");
        press(KeyCode.ENTER);
        assertThat(at()).as("the one chosen").isEqualTo("whistle in D");
        assertThat(menuWords()).startsWith("Back Backspace");
        press(KeyCode.BACK_SPACE);
        assertThat(menuWords()).contains("Fiddle …").noneMatch(words -> words.startsWith("Back"));
        press(KeyCode.ENTER);
        press(KeyCode.HOME);
        press(KeyCode.ENTER);
        assertThat(menuWords()).contains("Fiddle …");
        press(KeyCode.ESCAPE);
        chooseFrom("#instrument", "Fiddle", "fiddle, tuned ADAE");
        assertThat(sight().chosen().instrument().name()).isEqualTo("fiddle, tuned ADAE");
    }

    @Test
    void escapeAndAClickBesideItCloseAMenuAndNothingElse() throws Exception {
        press(KeyCode.K);
        assertThat(isShown("#look-over")).isTrue();
        openMenu("#students");
        assertThat(menuRows()).hasSize(3);
        press(KeyCode.ESCAPE);
        assertThat(menuRows()).isEmpty();
        assertThat(isShown("#look-over")).as("Escape was the menu's").isTrue();
        click("#students");
        assertThat(menuRows()).hasSize(3);
        click("#students");
        assertThat(menuRows()).as("its own button closes it too").isEmpty();
        click("#students");
        click("#said");
        assertThat(menuRows()).isEmpty();
        openMenu("#students");
        press(KeyCode.TAB);
        assertThat(menuRows()).isEmpty();
        openMenu("#students");
        focusScore();
        assertThat(menuRows()).as("the focus has left it").isEmpty();
    }

    @Test
    void aLineIsChosenWithTheMouse() throws Exception {
        click("#students");
        robot.moveTo(middle(menuRows().get(2)));
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(at()).as("the line under the pointer").isEqualTo("learner");
        click(menuRows().get(1));
        assertThat(menuRows()).isEmpty();
        assertThat(sight().chosen().profile().name()).isEqualTo("steady");
    }

    private static javafx.geometry.Point2D middle(Node node) throws Exception {
        return inWindow(() -> {
            Bounds bounds = node.localToScreen(node.getBoundsInLocal());
            return new javafx.geometry.Point2D(bounds.getCenterX(), bounds.getCenterY());
        });
    }

    @Test
    void keysWithCtrlHoldWhileAMenuIsOpenOthersDoNot() throws Exception {
        press(KeyCode.ENTER);
        assertThat(here()).isPresent();
        openMenu("#view");
        press(KeyCode.DELETE);
        assertThat(here()).as("Delete is not for the score now").isPresent();
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(menuRows()).isEmpty();
        assertThat(here()).isEmpty();
    }

    @Test
    void aMenuStaysWithinTheWindow() throws Exception {
        for (String opener : List.of("#book", "#view", "#take-away", "#school")) {
            List<Node> rows = openMenu(opener);
            double width = inWindow(() -> window.getScene().getWidth());
            double height = inWindow(() -> window.getScene().getHeight());
            for (Node row : rows) {
                Bounds bounds = inWindow(() -> row.localToScene(row.getLayoutBounds()));
                assertThat(bounds.getMinX()).as(opener).isNotNegative();
                assertThat(bounds.getMinY()).as(opener).isNotNegative();
                assertThat(bounds.getMaxX()).as(opener).isLessThanOrEqualTo(width);
                assertThat(bounds.getMaxY()).as(opener).isLessThanOrEqualTo(height);
                assertThat(wordsWidth(row)).as(row.getAccessibleText()).isLessThanOrEqualTo(bounds.getWidth());
            }
            press(KeyCode.ESCAPE);
        }
    }

    private double wordsWidth(Node row) throws Exception {
        return inWindow(() -> row.lookupAll("Text").stream()
                .map(Text.class::cast)
                .mapToDouble(text -> text.getBoundsInParent().getMaxX())
                .max()
                .orElse(0));
    }

    @Test
    void aLargeBooksTunesAreAPageFurther() throws Exception {
        String text = IntStream.rangeClosed(1, MANY)
                .mapToObj(number -> "X:" + number + "\nT:Tune " + number + "\nM:4/4\nL:1/8\nK:D\nA8|]\n")
                .collect(Collectors.joining("\n"));
        openBook(java.nio.file.Files.writeString(book.resolveSibling("large.abc"), text));
        openMenu("#tunes");
        assertThat(at()).isEqualTo("Tune 1");
        assertThat(menuWords()).contains("Tune 36").doesNotContain("Tune 37", "Tune 100");
        press(KeyCode.PAGE_DOWN);
        assertThat(menuWords()).contains("Tune 19", "Tune 54").doesNotContain("Tune 18");
        press(KeyCode.END);
        assertThat(at()).isEqualTo("Tune 100");
        press(KeyCode.PAGE_UP);
        assertThat(menuWords()).doesNotContain("Tune 100");
        press(KeyCode.HOME);
        assertThat(at()).isEqualTo("Tune 1");
        press(KeyCode.END);
        press(KeyCode.ENTER);
        assertThat(inWindow(() -> desk.lessonIndex())).isEqualTo(MANY - 1);
        assertThat(find("#tunes", Choice.class).word()).isEqualTo("Tune 100");
        assertThat(hasFocus("#score")).isTrue();
    }

    @Test
    void keysOfTheScoreHoldWhileAButtonWithAMenuHasTheFocus() throws Exception {
        var before = sight().note();
        focus("#view");
        press(KeyCode.RIGHT);
        assertThat(sight().note()).isNotEqualTo(before);
    }

    @Test
    void aRightClickOffersWhatTheTextAllows() throws Exception {
        press(KeyCode.W);
        TextArea text = find("#tune-text", TextArea.class);
        inWindow(() -> {
            text.selectRange(0, 3);
            return true;
        });
        String before = typed(text);
        robot.clickOn(middle(text), MouseButton.SECONDARY);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(menuWords()).contains("Choose all Ctrl+A").noneMatch(words -> words.startsWith("Take back"));
        press(KeyCode.ESCAPE);
        assertThat(isShown("#tune-text")).isTrue();
        chooseText("Choose all");
        assertThat(inWindow(text::getSelectedText)).isEqualTo(before);
        inWindow(() -> {
            text.selectRange(0, 3);
            return true;
        });
        chooseText("Cut out");
        assertThat(typed(text)).isEqualTo(before.substring(3));
        assertThat(inWindow(text::isFocused)).isTrue();
        inWindow(() -> {
            text.positionCaret(0);
            return true;
        });
        chooseText("Paste");
        assertThat(typed(text)).isEqualTo(before);
        chooseText("Take back");
        assertThat(typed(text)).isEqualTo(before.substring(3));
        chooseText("Do again");
        assertThat(typed(text)).isEqualTo(before);
    }

    private static String typed(TextArea text) throws Exception {
        return inWindow(() -> text.getText());
    }

    /** Opens the menu of the text as the menu key does, and chooses from it. */
    private void chooseText(String words) throws Exception {
        TextArea text = find("#tune-text", TextArea.class);
        inWindow(() -> {
            javafx.event.Event.fireEvent(
                    text,
                    new javafx.scene.input.ContextMenuEvent(
                            javafx.scene.input.ContextMenuEvent.CONTEXT_MENU_REQUESTED, 0, 0, 0, 0, true, null));
            return true;
        });
        chooseLine(words);
    }

    @Test
    void aTipTellsWhatAButtonIsForWhileThePointerRestsOnIt() throws Exception {
        Button undo = find("#undo", Button.class);
        robot.moveTo(middle(undo));
        await("the tip is there", () -> isShown("#tip"));
        Text words = find("#tip .tip-words", Text.class);
        assertThat(words.getText())
                .isEqualTo("Takes the last change back (Ctrl+Z)")
                .isEqualTo(undo.getAccessibleHelp());
        Bounds tip = inWindow(() -> window.lookup("#tip").getBoundsInParent());
        assertThat(tip.getMinY())
                .as("below the button")
                .isGreaterThan(
                        inWindow(() -> undo.localToScene(0, undo.getHeight()).getY()));
        press(KeyCode.SHIFT);
        assertThat(isShown("#tip")).as("any key takes it away").isFalse();
        robot.moveTo(middle(find("#score", Node.class)));
        robot.moveTo(middle(find("#session", Node.class)));
        await("another tip is there", () -> isShown("#tip"));
        Bounds other = inWindow(() -> window.lookup("#tip").getBoundsInParent());
        assertThat(other.getMaxY())
                .as("above, where there is no room below")
                .isLessThan(inWindow(() -> window.getScene().getHeight()));
        robot.moveTo(middle(find("#score", Node.class)));
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(isShown("#tip")).isFalse();
    }

    @Test
    void theBarHasRoomForAllThatIsInItThoughTheBookIsChanged() throws Exception {
        press(KeyCode.ENTER);
        Button last = find("#help", Button.class);
        assertThat(inWindow(() -> last.localToScene(last.getLayoutBounds()).getMaxX()))
                .isLessThanOrEqualTo(inWindow(() -> window.getScene().getWidth() - EDGE));
    }

    @Test
    void everyButtonHasATip() throws Exception {
        List<Node> buttons = all(".button");
        assertThat(buttons).hasSizeGreaterThan(15);
        assertThat(buttons)
                .filteredOn(WindowTest::isInSight)
                .filteredOn(node -> node.getId() != null)
                .allSatisfy(node ->
                        assertThat(node.getAccessibleHelp()).as(node.toString()).isNotBlank());
    }
}
