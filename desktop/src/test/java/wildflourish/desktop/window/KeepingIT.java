package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.control.MenuItem;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.core.version.Book;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.look.Pick;
import wildflourish.desktop.look.Theme;
import wildflourish.files.store.BookStore;
import wildflourish.files.store.Recovery;

/** Nothing is lost: after a crash, with another program writing, with a second window. */
class KeepingIT extends WindowTest {
    private Recovery recovery() {
        return new Recovery(own.resolve("unsaved"));
    }

    private Book onDisk() throws Exception {
        return BookStore.open(book).value().book();
    }

    private void waitUntilKept() throws Exception {
        await("what is not saved is kept", () -> recovery().find(book, onDisk()).isPresent());
    }

    @Test
    void whatWasNotSavedIsOfferedAfterACrash() throws Exception {
        press(KeyCode.ENTER);
        Book unsaved = sight().book();
        waitUntilKept();
        assertThat(recovery().find(book, onDisk()).orElseThrow().book()).isEqualTo(unsaved);
        Path copy = Files.copy(book, book.resolveSibling("again.abc"));
        recovery().keep(copy, unsaved);
        inWindow(() -> {
            desk.saved(BookStore.save(desk.toSave(book)));
            return true;
        });
        openBook(copy);
        await("what was not saved is offered", () -> isShown("#notice-recovered"));
        click("#take-recovered");
        assertThat(sight().book()).isEqualTo(unsaved);
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(sight().book()).isEqualTo(onDiskAt(copy));
    }

    private static Book onDiskAt(Path path) throws Exception {
        return BookStore.open(path).value().book();
    }

    @Test
    void whatIsLetGoIsGoneAndWhatIsSavedIsNotOffered() throws Exception {
        press(KeyCode.ENTER);
        waitUntilKept();
        press(KeyCode.CONTROL, KeyCode.S);
        await(
                "what is saved is kept no longer",
                () -> Files.list(own.resolve("unsaved"))
                        .noneMatch(each -> each.toString().endsWith(".abc")));
    }

    @Test
    void aFileWrittenByAnotherProgramIsNotOverwrittenUnasked() throws Exception {
        press(KeyCode.ENTER);
        String theirs = Files.readString(book) + "\n% theirs\n";
        Files.writeString(book, theirs);
        press(KeyCode.CONTROL, KeyCode.S);
        assertThat(isShown("#notice-changed")).isTrue();
        assertThat(Files.readString(book)).isEqualTo(theirs);
        Path beside = book.resolveSibling("mine.abc");
        when(picker.toSave(anyString(), anyString())).thenReturn(Optional.of(beside));
        click("#save-beside");
        assertThat(beside).isNotEmptyFile();
        assertThat(Files.readString(book)).isEqualTo(theirs);
        assertThat(isShown("#notice-changed")).isFalse();
    }

    @Test
    void overItIsSavedWhenTheTeacherSaysSo() throws Exception {
        press(KeyCode.ENTER);
        Files.writeString(book, Files.readString(book) + "\n% theirs\n");
        press(KeyCode.CONTROL, KeyCode.S);
        click("#save-over");
        assertThat(Files.readString(book)).doesNotContain("theirs").contains("%%flourish-spot 1 ");
        assertThat(inWindow(() -> desk.sight().get().filed().isSaved())).isTrue();
    }

    @Test
    void aSecondWindowOnTheSameBookSaysSo() throws Exception {
        MainWindow second = inWindow(() -> new MainWindow(
                new Desk(BookStore.open(book)),
                player,
                new Surroundings(picker, own, other -> {}, Runnable::run, Runnable::run, printer)));
        await("the second window says so", () -> second.lookup("#notice-twice") != null);
        assertThat(isShown("#notice-twice")).isFalse();
        inWindow(() -> {
            second.close();
            return true;
        });
    }

    @Test
    void recentBooksAndAnotherWindowAreOffered() throws Exception {
        Path other = Files.writeString(book.resolveSibling("other.abc"), "X:1\nT:Other\nK:D\nABc|\n");
        openBook(other);
        await(
                "the book is among those opened",
                () -> Files.readString(own.resolve("preferences.properties")).contains("other.abc"));
        assertThat(openMenu("#book").stream()
                        .filter(item -> item.getText() != null)
                        .map(MenuItem::getText)
                        .toList())
                .anyMatch(words -> words.startsWith("other.abc"))
                .anyMatch(words -> words.startsWith("book.abc"));
        when(picker.toOpen()).thenReturn(Optional.of(book));
        press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.O);
        assertThat(opened).containsExactly(book);
        assertThat(inWindow(() -> desk.sight().get().filed().path())).isEqualTo(other);
    }

    @Test
    void aFewWordsAreChosenByAnArrowKeyAndByTheirLetters() throws Exception {
        Pick students = find("#students", Pick.class);
        inWindow(() -> {
            students.requestFocus();
            return true;
        });
        press(KeyCode.DOWN);
        assertThat(students.word()).isEqualTo("steady");
        assertThat(sight().chosen().profile().name()).isEqualTo("steady");
        robot.push(KeyCode.L);
        await(
                "the one that begins with the letter",
                () -> desk.sight().get().chosen().profile().name().equals("learner"));
        pick("#students", "fluent");
        assertThat(sight().chosen().profile().name()).isEqualTo("fluent");
    }

    @Test
    void choicesAreKeptForTheNextStart() throws Exception {
        press(KeyCode.D);
        inWindow(() -> {
            find("#students", Pick.class).choose(2);
            return true;
        });
        MainWindow next = inWindow(() -> {
            Desk again = new Desk(BookStore.open(book));
            MainWindow made = new MainWindow(
                    again, player, new Surroundings(picker, own, other -> {}, Runnable::run, Runnable::run, printer));
            assertThat(again.sight().get().chosen().profile().id()).isEqualTo("learner");
            return made;
        });
        assertThat(inWindow(() -> next.desk().sight().get().look().theme())).contains(Theme.DARK);
        inWindow(() -> {
            next.close();
            return true;
        });
    }
}
