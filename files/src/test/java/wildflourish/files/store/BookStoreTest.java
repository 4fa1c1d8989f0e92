package wildflourish.files.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;
import wildflourish.files.Demo;

class BookStoreTest {
    @TempDir
    private Path folder;

    private Path file(String name, byte[] bytes) throws IOException {
        Path path = folder.resolve(name);
        Files.write(path, bytes);
        return path;
    }

    private static StoredBook withRemark(StoredBook stored, String remark) {
        List<BookItem> items = new ArrayList<>(stored.book().items());
        items.add(new BookItem.Text(remark));
        return stored.with(new Book(items));
    }

    @Test
    void aBookIsSavedToTheByte() throws IOException {
        Path path = file("book.abc", Demo.text().getBytes(StandardCharsets.UTF_8));
        StoredBook stored = BookStore.open(path).value();
        BookStore.save(stored);
        assertThat(path).hasContent(Demo.text());
    }

    @Test
    void encodingAndByteOrderMarkAreKept() throws IOException {
        byte[] latin = "X:1\nT:Caf\u00e9\nK:D\nABc|\n".getBytes(StandardCharsets.ISO_8859_1);
        Path old = file("latin.abc", latin);
        StoredBook stored = BookStore.open(old).value();
        assertThat(stored.book().lessons().get(0).tune().title()).isEqualTo("Café");
        BookStore.save(stored);
        assertThat(Files.readAllBytes(old)).isEqualTo(latin);
        StoredBook moved = BookStore.save(withRemark(stored, "\n% ♯\n"));
        assertThat(moved.form().charset())
                .as("what Latin-1 cannot say is saved as UTF-8")
                .isEqualTo(StandardCharsets.UTF_8);
        assertThat(BookStore.open(old).value().book().lessons().get(0).tune().title())
                .isEqualTo("Café");
        byte[] marked = "\uFEFFX:1\nT:Marked\r\nK:D\r\nABc|\r\n".getBytes(StandardCharsets.UTF_8);
        Path mark = file("marked.abc", marked);
        BookStore.save(BookStore.open(mark).value());
        assertThat(Files.readAllBytes(mark)).isEqualTo(marked);
    }

    @Test
    void aSaveLeavesNothingAsideAndKeepsWhoMayRead() throws IOException {
        Path path = file("book.abc", Demo.text().getBytes(StandardCharsets.UTF_8));
        Files.setPosixFilePermissions(path, PosixFilePermissions.fromString("rw-rw----"));
        BookStore.save(withRemark(BookStore.open(path).value(), "% more\n"));
        assertThat(Files.getPosixFilePermissions(path)).isEqualTo(PosixFilePermissions.fromString("rw-rw----"));
        try (var files = Files.list(folder)) {
            assertThat(files).containsExactly(path);
        }
        assertThat(Files.readString(path)).endsWith("% more\n");
    }

    @Test
    void aLinkStaysALinkAndItsFileIsSaved() throws IOException {
        Path path = file("book.abc", Demo.text().getBytes(StandardCharsets.UTF_8));
        Path link = Files.createSymbolicLink(folder.resolve("link.abc"), path);
        BookStore.save(withRemark(BookStore.open(link).value(), "% more\n"));
        assertThat(Files.isSymbolicLink(link)).isTrue();
        assertThat(Files.readString(path)).endsWith("% more\n");
    }

    @Test
    void aSaveThatCannotBeMadeLeavesTheOldFile() throws IOException {
        Path path = file("book.abc", Demo.text().getBytes(StandardCharsets.UTF_8));
        StoredBook stored = withRemark(BookStore.open(path).value(), "% more\n");
        assertThatThrownBy(() -> BookStore.save(stored.at(folder.resolve("none").resolve("book.abc"))))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("choose another place");
        assertThatThrownBy(() -> BookStore.save(stored.at(folder)))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("is a folder");
        assertThat(path).hasContent(Demo.text());
    }

    @Test
    void aFileThatCannotBeReadIsToldInOneLine() {
        assertThatThrownBy(() -> BookStore.open(folder)).hasMessageContaining("is a folder");
        assertThatThrownBy(() -> BookStore.open(folder.resolve("none.abc"))).hasMessageContaining("does not exist");
    }

    @Test
    void bytesThatAreNoTextOpenAndAreKept() throws IOException {
        byte[] noise = new byte[4000];
        new Random(1).nextBytes(noise);
        Path path = file("noise.abc", noise);
        var opened = BookStore.open(path);
        assertThat(opened.problems()).isNotEmpty();
        BookStore.save(opened.value());
        assertThat(Files.readAllBytes(path)).isEqualTo(noise);
    }

    @Test
    void aFileChangedUnderneathIsNotOverwrittenUnasked() throws IOException {
        Path path = file("book.abc", Demo.text().getBytes(StandardCharsets.UTF_8));
        StoredBook stored = withRemark(BookStore.open(path).value(), "% mine\n");
        Files.writeString(path, Demo.text() + "% theirs\n");
        assertThatThrownBy(() -> BookStore.save(stored)).isInstanceOf(ChangedUnderneathException.class);
        assertThat(Files.readString(path)).endsWith("% theirs\n");
        StoredBook saved = BookStore.save(stored.over());
        assertThat(Files.readString(path)).endsWith("% mine\n");
        BookStore.save(withRemark(saved, "% again\n"));
        assertThat(Files.readString(path)).endsWith("% mine\n% again\n");
        Files.delete(path);
        BookStore.save(saved);
        assertThat(Files.readString(path))
                .as("a file that is gone is written again")
                .endsWith("% mine\n");
    }

    /** A real file system with no room: a small mount in memory, where the machine lets the test make one. */
    @Test
    void aFullDiskLeavesTheOldFileAndSaysSo() throws Exception {
        Path mount = Files.createDirectory(folder.resolve("mount"));
        assumeTrue(run("mount", "-t", "tmpfs", "-o", "size=64k", "tmpfs", mount.toString()), "may not mount here");
        try {
            Path path = mount.resolve("book.abc");
            Files.writeString(path, "X:1\nT:Small\nK:D\nABc|\n");
            StoredBook stored = withRemark(BookStore.open(path).value(), "% much\n".repeat(20_000));
            assertThatThrownBy(() -> BookStore.save(stored))
                    .isInstanceOf(IOException.class)
                    .hasMessageContaining("takes no more");
            assertThat(path).hasContent("X:1\nT:Small\nK:D\nABc|\n");
            try (var files = Files.list(mount)) {
                assertThat(files).as("nothing is left aside").containsExactly(path);
            }
        } finally {
            run("umount", mount.toString());
        }
    }

    /** A real read-only place: the same mount, made read-only. */
    @Test
    void aReadOnlyPlaceSaysSo() throws Exception {
        Path mount = Files.createDirectory(folder.resolve("mount"));
        assumeTrue(run("mount", "-t", "tmpfs", "-o", "size=64k", "tmpfs", mount.toString()), "may not mount here");
        try {
            Path path = mount.resolve("book.abc");
            Files.writeString(path, "X:1\nT:Small\nK:D\nABc|\n");
            StoredBook stored = withRemark(BookStore.open(path).value(), "% more\n");
            assumeTrue(run("mount", "-o", "remount,ro", mount.toString()), "may not remount here");
            assertThatThrownBy(() -> BookStore.save(stored))
                    .isInstanceOf(IOException.class)
                    .hasMessageContaining("nothing can be written into the folder")
                    .hasMessageContaining("choose another place");
            assertThat(path).hasContent("X:1\nT:Small\nK:D\nABc|\n");
        } finally {
            run("umount", mount.toString());
        }
    }

    private static boolean run(String... command) throws IOException, InterruptedException {
        try {
            return new ProcessBuilder(command).redirectErrorStream(true).start().waitFor() == 0;
        } catch (IOException e) {
            return false;
        }
    }
}
