package wildflourish.files.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.problem.Parsed;
import wildflourish.core.version.Book;
import wildflourish.core.version.BookItem;

/** Bytes out are bytes in, in every encoding, with every end of a line and every declaration. */
class FileFormTest {
    private static final List<String> ENDS = List.of("\n", "\r\n", "\r", "mixed");

    @TempDir
    private Path folder;

    private static String book(String declaration, String title) {
        return declaration + "%%scale 0.7\n\nX:1\nT:" + title + "\nC:trad\nM:4/4\nL:1/8\nK:D\n"
                + "DEFG ABcd|d2A2F2D2|\n%%newer-program something=of its own\nN:" + title + "\n\n% the end";
    }

    static List<Arguments> files() {
        List<Arguments> files = new ArrayList<>();
        for (String end : ENDS) {
            for (String declared : List.of("", "%%abc-charset ", "I:abc-charset ")) {
                add(files, "UTF-8", "", end, declared, "Café über ł ♯");
                add(files, "UTF-8", "\uFEFF", end, declared, "Café über ł ♯");
                add(files, "ISO-8859-1", "", end, declared, "Über die Brücke, vom Café zur Straße");
                add(files, "windows-1252", "", end, declared, "L’été – à côté du cœur œuvre");
                add(files, "UTF-16LE", "\uFEFF", end, declared, "Café ♯");
                add(files, "UTF-16BE", "\uFEFF", end, declared, "Café ♯");
                add(files, "UTF-16LE", "", end, declared, "Plain English");
                add(files, "UTF-16BE", "", end, declared, "Plain English");
            }
            add(files, "ISO-8859-2", "", end, "%%abc-charset ", "Łódź, Kraków i źródło");
            add(files, "KOI8-R", "", end, "%%abc-charset ", "Светит месяц");
            add(files, "Shift_JIS", "", end, "I:abc-charset ", "さくら");
        }
        return files;
    }

    private static void add(
            List<Arguments> files, String charset, String mark, String end, String declared, String title) {
        String text = mark + book(declared.isEmpty() ? "" : declared + charset + "\n", title);
        String ended = end.equals("mixed")
                ? text.replaceFirst("\n", "\r").replaceFirst("T:([^\n]*)\n", "T:$1\r\n")
                : text.replace("\n", end);
        files.add(Arguments.of(
                charset + " " + end.replace("\r", "CR").replace("\n", "LF") + " " + declared,
                title,
                ended.getBytes(Charset.forName(charset))));
    }

    private Parsed<StoredBook> open(byte[] bytes) throws IOException {
        Path path = folder.resolve("book.abc");
        Files.write(path, bytes);
        return BookStore.open(path);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("files")
    void bytesOutAreBytesIn(String kind, String title, byte[] bytes) throws IOException {
        Parsed<StoredBook> opened = open(bytes);
        assertThat(opened.value().book().lessons()).hasSize(1);
        assertThat(opened.value().book().lessons().get(0).tune().title()).isEqualTo(title);
        assertThat(opened.value().book().lessons().get(0).tune().notes()).hasSize(12);
        assertThat(opened.problems()).extracting(problem -> problem.code()).allMatch(code -> code.equals("charset"));
        StoredBook saved = BookStore.save(opened.value());
        assertThat(Files.readAllBytes(saved.path())).isEqualTo(bytes);
        BookStore.save(saved);
        assertThat(Files.readAllBytes(saved.path())).isEqualTo(bytes);
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("files")
    void oneLineMoreChangesNoOther(String kind, String title, byte[] bytes) throws IOException {
        StoredBook opened = open(bytes).value();
        List<BookItem> items = new ArrayList<>(opened.book().items());
        items.add(new BookItem.Text("\n% one more"));
        StoredBook saved = BookStore.save(opened.with(new Book(items)));
        byte[] now = Files.readAllBytes(saved.path());
        assertThat(now.length).isBetween(bytes.length + 11, bytes.length + 26);
        assertThat(Arrays.copyOf(now, bytes.length)).isEqualTo(bytes);
    }

    private static byte[] mixed() {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        bytes.writeBytes("X:1\nT:Café\nK:D\nABc|\n\n".getBytes(StandardCharsets.UTF_8));
        bytes.writeBytes("X:2\nT:Brücke – L’été\nK:D\nABd|\n\n".getBytes(Charset.forName("windows-1252")));
        bytes.writeBytes("X:3\nT:Café\nK:D\nABe|\n".getBytes(StandardCharsets.ISO_8859_1));
        return bytes.toByteArray();
    }

    @Test
    void aFileThatMixesEncodingsIsReadRightAndWrittenBackAsItWas() throws IOException {
        Parsed<StoredBook> opened = open(mixed());
        assertThat(opened.value().book().lessons())
                .extracting(lesson -> lesson.tune().title())
                .containsExactly("Café", "Brücke – L’été", "Café");
        assertThat(opened.problems()).singleElement().satisfies(problem -> {
            assertThat(problem.code()).isEqualTo("charset-mixed");
            assertThat(problem.place().line()).isEqualTo(7);
        });
        StoredBook saved = BookStore.save(opened.value());
        assertThat(Files.readAllBytes(saved.path())).isEqualTo(mixed());
        BookStore.save(saved.asUtf8());
        assertThat(BookStore.open(saved.path()).problems()).isEmpty();
        assertThat(Files.readString(saved.path())).contains("T:Brücke – L’été");
    }

    @Test
    void askedForUtf8ABookIsAndSaysSo() throws IOException {
        byte[] latin = book("%%abc-charset iso-8859-1\n", "Café").getBytes(StandardCharsets.ISO_8859_1);
        StoredBook saved = BookStore.save(open(latin).value().asUtf8());
        assertThat(Files.readString(saved.path())).isEqualTo(book("%%abc-charset utf-8\n", "Café"));
    }

    @Test
    void aDeclarationThatIsNotTrueIsToldAndStays() throws IOException {
        byte[] bytes = book("%%abc-charset iso-8859-1\n", "Café ♯").getBytes(StandardCharsets.UTF_8);
        Parsed<StoredBook> opened = open(bytes);
        assertThat(opened.value().book().lessons().get(0).tune().title()).isEqualTo("Café ♯");
        assertThat(opened.problems()).extracting(problem -> problem.code()).containsExactly("charset");
        BookStore.save(opened.value());
        assertThat(Files.readAllBytes(opened.value().path())).isEqualTo(bytes);
    }
}
