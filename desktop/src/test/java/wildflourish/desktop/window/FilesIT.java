package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import org.testfx.util.WaitForAsyncUtils;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.version.Times;
import wildflourish.desktop.desk.Arranging;
import wildflourish.desktop.look.Styles;
import wildflourish.desktop.look.Theme;

/** Opening, saving and taking away in a real window; nothing is lost on the way. */
class FilesIT extends WindowTest {
    private Path beside(String name) {
        return book.resolveSibling(name);
    }

    @Test
    void everyItemOfTheMenuWritesItsFile() throws Exception {
        List<String> endings = List.of(
                "pdf",
                "pdf",
                "pdf",
                "pdf",
                "pdf",
                "pdf",
                "pdf",
                "mid",
                "wav",
                "abc",
                "pdf",
                "pdf",
                "svg",
                "png",
                "png",
                "svg",
                "txt",
                "abc",
                "wav",
                "mid",
                "musicxml");
        inWindow(() -> {
            Times plan = new Times(List.of("Root", "Bud"), new Tempo(Fraction.of(105), Fraction.of(1, 2)));
            desk.does(here -> Arranging.plan(here, Optional.of(plan)));
            return true;
        });
        when(picker.toSave(anyString(), anyString()))
                .thenAnswer(call -> Optional.of(beside("out." + call.getArgument(1))));
        List<String> words =
                openMenu("#take-away").stream().map(MenuItem::getText).toList();
        assertThat(words).hasSameSizeAs(endings);
        for (int i = 0; i < endings.size(); i++) {
            Path file = beside("out." + endings.get(i));
            Files.deleteIfExists(file);
            chooseFrom("#take-away", words.get(i));
            assertThat(file).isNotEmptyFile();
            assertThat(said()).isEqualTo("Wrote " + file);
        }
        verify(picker).toSave(eq("The Ferryman's Lantern Leaf"), eq("svg"));
    }

    @Test
    void pdfIsTakenAwayByTheRealKeyboard() throws Exception {
        when(picker.toSave(anyString(), eq("pdf"))).thenReturn(Optional.of(beside("keys.pdf")));
        robot.push(KeyCode.CONTROL, KeyCode.E);
        await("the PDF is there", () -> Files.exists(beside("keys.pdf")));
        assertThat(beside("keys.pdf")).isNotEmptyFile();
    }

    @Test
    void aPlaceThatCannotBeWrittenIsToldAndNothingIsLost() throws Exception {
        when(picker.toSave(anyString(), anyString()))
                .thenReturn(Optional.of(beside("none").resolve("x.pdf")));
        press(KeyCode.CONTROL, KeyCode.E);
        assertThat(said()).startsWith("Cannot write").contains("choose another place");
        press(KeyCode.ENTER);
        when(picker.toSave(anyString(), eq("abc"))).thenReturn(Optional.of(book.getParent()));
        press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.S);
        assertThat(said()).startsWith("Cannot save").contains("nothing is lost");
        assertThat(inWindow(() -> desk.sight().get().filed().isSaved())).isFalse();
    }

    /** A score from a notation program opens as a new book; the score itself is never written. */
    @Test
    void aScoreOpensAsANewBookBesideIt() throws Exception {
        Path score = beside("score.musicxml");
        when(picker.toSave(anyString(), eq("musicxml"))).thenReturn(Optional.of(score));
        chooseFrom("#take-away", "MusicXML for notation programs");
        byte[] before = Files.readAllBytes(score);
        when(picker.toOpen()).thenReturn(Optional.of(score));
        press(KeyCode.CONTROL, KeyCode.O);
        await("the score is open", () -> desk.sight().get().filed().path().equals(beside("score.abc")));
        assertThat(sight().tune().orElseThrow().notes()).isNotEmpty();
        press(KeyCode.CONTROL, KeyCode.S);
        await("the book is saved", () -> Files.exists(beside("score.abc")));
        assertThat(score).hasBinaryContent(before);
    }

    @Test
    void openingAnotherBookAsksBeforeLosingChanges() throws Exception {
        Path other = Files.writeString(beside("other.abc"), "X:1\nT:Other tune\nM:6/8\nK:G\nGAB c#3|\n");
        when(picker.toOpen()).thenReturn(Optional.of(other));
        press(KeyCode.ENTER);
        press(KeyCode.CONTROL, KeyCode.O);
        assertThat(isShown("#notice-unsaved")).isTrue();
        click("#stay");
        assertThat(isShown("#notice-unsaved")).isFalse();
        assertThat(inWindow(() -> desk.sight().get().filed().path())).isEqualTo(book);
        press(KeyCode.CONTROL, KeyCode.O);
        click("#save-first");
        assertThat(inWindow(() -> desk.sight().get().filed().path())).isEqualTo(other);
        assertThat(Files.readString(book)).contains("%%flourish-spot 1 ");
        assertThat(sight().tune().orElseThrow().title()).isEqualTo("Other tune");
        assertThat(isShown("#notice-problems")).isTrue();
        click("#all-problems");
        assertThat(find("#problem-list", TextArea.class).getText()).contains("line 5, column 6");
        click("#problems-seen");
        assertThat(isShown("#notice-problems")).isFalse();
    }

    @Test
    void closingWithUnsavedChangesIsHeldUntilTheUserSays() throws Exception {
        boolean[] closed = {false};
        assertThat(inWindow(() -> window.mayClose(() -> closed[0] = true))).isTrue();
        press(KeyCode.ENTER);
        assertThat(inWindow(() -> window.mayClose(() -> closed[0] = true))).isFalse();
        assertThat(find("#book", MenuButton.class).getText()).endsWith("•");
        click("#close-anyway");
        assertThat(closed[0]).isTrue();
    }

    @Test
    void aFileThatIsNotThereIsToldInOneLine() throws Exception {
        when(picker.toOpen()).thenReturn(Optional.of(beside("gone.abc")));
        press(KeyCode.CONTROL, KeyCode.O);
        assertThat(said()).startsWith("Cannot open: ").contains("does not exist");
        assertThat(sight().tune().orElseThrow().title()).isEqualTo("The Ferryman's Lantern");
    }

    @Test
    void aStageChangedByAnotherProgramIsOfferedForChoice() throws Exception {
        String text = bookText();
        int at = text.indexOf("fdec", text.indexOf("stage=3"));
        Files.writeString(beside("changed.abc"), text.substring(0, at) + "fded" + text.substring(at + 4));
        openBook(beside("changed.abc"));
        assertThat(isShown("#notice-altered")).isTrue();
        click("#keep-as-tune");
        assertThat(isShown("#notice-altered")).isFalse();
        assertThat(sight().book().lessons()).hasSize(11);
        press(KeyCode.CONTROL, KeyCode.Z);
        WaitForAsyncUtils.waitForFxEvents();
        assertThat(isShown("#notice-altered")).isTrue();
        click("#take-saved");
        assertThat(sight().book().lessons()).hasSize(10);
        assertThat(isShown("#notice-altered")).isFalse();
    }

    @Test
    void darkAndLightAreAKeyApart() throws Exception {
        press(KeyCode.D);
        assertThat(inWindow(() -> window.getScene().getStylesheets())).isEqualTo(Styles.sheets(Theme.DARK));
        press(KeyCode.D);
        assertThat(inWindow(() -> window.getScene().getStylesheets())).isEqualTo(Styles.sheets(Theme.LIGHT));
    }
}
