package wildflourish.files.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.problem.Parsed;
import wildflourish.core.problem.Problem;
import wildflourish.core.version.Book;
import wildflourish.core.version.Lesson;
import wildflourish.files.Decorator;
import wildflourish.files.Demo;

/** What is wrong is told with line, column, excerpt and what to do; the rest opens, and nothing is lost. */
class ProblemsTest {
    private static final String SIGNS = "|:[]{}()\"!-<>123456789/%\nXKwV^_=,'&yzZ~\\";

    @ParameterizedTest
    @CsvSource(delimiter = ';', textBlock = """
            A#B|            ; unknown-character ; 2
            {gA|            ; open-graces       ; 1
            "AmA|           ; open-quotes       ; 1
            AB[CEG|         ; open-chord        ; 3
            []A|            ; empty-chord       ; 1
            )A|             ; nothing-before    ; 1
            -A|             ; nothing-before    ; 1
            >A|             ; nothing-before    ; 1
            A(3BC|          ; open-tuplet       ; 6
            (1AB|           ; strange-tuplet    ; 1
            A0B|            ; strange-length    ; 1
            AB*C|           ; unknown-character ; 3
            """)
    void everyFaultIsToldWhereItStands(String body, String code, int column) {
        String text = "X:1\nT:Fault\nM:4/4\nL:1/8\nK:C\n" + body.trim() + "\nGABc|\n";
        Parsed<Book> read = BookReader.read(text);
        Problem problem = read.problems().get(0);
        assertThat(problem.code()).isEqualTo(code);
        assertThat(problem.place().line()).isEqualTo(6);
        assertThat(problem.place().column()).isEqualTo(column);
        assertThat(problem.place().excerpt()).isNotBlank();
        assertThat(problem.hint()).endsWith(".");
        assertThat(problem.toString())
                .startsWith("line 6, column " + column + ": ")
                .doesNotContain("\n");
        int notes = read.value().lessons().get(0).tune().notes().size();
        assertThat(notes).as("the line after it is read whole").isGreaterThanOrEqualTo(5);
        assertThat(BookWriter.write(read.value())).isEqualTo(text);
    }

    @Test
    void lineNumbersAreThoseOfTheFile() {
        String text = "X:1\nT:One\nK:C\nABc|\n\n\nX:2\nT:Two\nK:C\nAB#|\n";
        assertThat(BookReader.read(text).problems())
                .singleElement()
                .satisfies(problem -> assertThat(problem.place().line()).isEqualTo(10));
    }

    @ParameterizedTest
    @CsvSource({"K:Q, K", "M:x/y, M", "L:7, L", "L:0/8, L"})
    void aFieldThatCannotBeIsToldAndTheTuneOpens(String field, String name) {
        String rest = name.equals("K") ? "" : "K:C\n";
        String text = "X:1\nT:Field\n" + field + "\n" + rest + "ABc|\n";
        Parsed<Book> read = BookReader.read(text);
        assertThat(read.problems()).extracting(Problem::code).containsExactly("strange-field");
        assertThat(read.problems().get(0).message()).contains(name + ":");
        assertThat(read.value().lessons().get(0).tune().notes()).hasSize(3);
        assertThat(BookWriter.write(read.value())).isEqualTo(text);
    }

    @Test
    void whatIsNoTunebookIsSaidToBeNone() {
        for (String text : List.of("", "Dear all,\nsee you on Friday.\n", "\u0000\u0001\u0002")) {
            Parsed<Book> read = BookReader.read(text);
            assertThat(read.problems()).extracting(Problem::code).containsExactly("no-tune");
            assertThat(BookWriter.write(read.value())).isEqualTo(text);
        }
    }

    @Test
    void aTuneWithoutKeyOrNotesIsTold() {
        assertThat(BookReader.read("X:1\nT:Bare\n").problems())
                .extracting(Problem::code)
                .contains("no-key", "no-notes");
        Parsed<Book> keyless = BookReader.read("X:1\nT:Keyless\nABc def|\n");
        assertThat(keyless.problems()).extracting(Problem::code).containsExactly("no-key");
        assertThat(keyless.value().lessons().get(0).tune().notes()).hasSize(6);
    }

    @Test
    void aHopelessTextDoesNotFillTheMemoryWithProblems() {
        String text = "X:1\nK:C\n" + "#".repeat(20_000) + "\n";
        assertThat(BookReader.read(text).problems()).hasSizeLessThan(600);
    }

    /** A hundred thousand small books with a few characters wrong: each is read within a second, none throws, none loses a byte. */
    @Test
    void noMutatedBookIsLostOrThrowsOrTakesLong() {
        Random random = new Random(12);
        String demo = Demo.text();
        List<String> tunes =
                List.of(demo.substring(demo.indexOf("X:"), demo.length() - 1).split("\n\n", -1));
        long slowest = 0;
        for (int i = 0; i < 100_000; i++) {
            String mutated = mutated(tunes.get(i % tunes.size()) + "\n", random);
            long start = System.nanoTime();
            Parsed<Book> read = BookReader.read(mutated);
            slowest = Math.max(slowest, System.nanoTime() - start);
            if (!BookWriter.write(read.value()).equals(mutated)) {
                assertThat(BookWriter.write(read.value())).isEqualTo(mutated);
            }
        }
        assertThat(slowest / 1e6).as("milliseconds").isLessThan(1000);
    }

    @Test
    void noMutatedLessonFileThrows() {
        Random random = new Random(13);
        Lesson lesson = BookReader.read(Demo.text()).value().lessons().get(1);
        String text = BookWriter.write(new Book(List.of(Decorator.decorated(lesson, random))));
        for (int i = 0; i < 800; i++) {
            String mutated = mutated(text, random);
            String once = BookWriter.write(BookReader.read(mutated).value());
            String twice = BookWriter.write(BookReader.read(once).value());
            assertThat(twice).as("saved twice of " + mutated).isEqualTo(once);
        }
    }

    @Test
    void hostileTextsEndInTime() {
        for (String text : List.of(
                "X:1\nK:C\n" + "|:".repeat(20_000) + "A:|".repeat(20_000),
                "X:1\nK:C\n" + "(".repeat(50_000) + "A" + ")".repeat(50_000),
                "X:1\nK:C\n" + "{".repeat(50_000),
                "X:1\nK:C\n" + "A9999999999/99999999999".repeat(5_000),
                "X:1\nM:64/1\nL:1\nK:C\n" + "Z256".repeat(5_000) + "|",
                "X:1\nK:C\n" + "[1,2,3-999999999 A:|".repeat(2_000),
                "X:1\nK:C\n" + "A" + "'".repeat(100_000),
                "X:1\nK:C\n" + "(9:9:9A".repeat(20_000),
                "X:1\nK:C\n" + "\"".repeat(99_999),
                "X:1\nT:" + "T".repeat(1_000_000) + "\nK:C\nA|\n")) {
            long start = System.nanoTime();
            Book book = BookReader.read(text).value();
            assertThat(BookWriter.write(book)).isEqualTo(text);
            wildflourish.core.tune.PlayOrder.of(book.lessons().get(0).tune());
            assertThat((System.nanoTime() - start) / 1e9)
                    .as(text.substring(0, 30))
                    .isLessThan(5);
        }
    }

    private static String mutated(String text, Random random) {
        StringBuilder mutated = new StringBuilder(text);
        for (int change = 0; change < 1 + random.nextInt(6); change++) {
            int at = random.nextInt(mutated.length());
            switch (random.nextInt(3)) {
                case 0 -> mutated.deleteCharAt(at);
                case 1 -> mutated.insert(at, (char) (random.nextInt(96) + 31));
                default -> mutated.setCharAt(at, SIGNS.charAt(random.nextInt(SIGNS.length())));
            }
        }
        return mutated.toString();
    }
}
