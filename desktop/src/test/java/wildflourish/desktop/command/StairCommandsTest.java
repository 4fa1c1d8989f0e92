package wildflourish.desktop.command;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Stairs on the command line: their stages, two compared, one carried to another instrument. */
class StairCommandsTest extends CommandLineTest {
    private Path book;

    @BeforeEach
    void writeTheDemoBook() throws IOException {
        book = folder.resolve("demo.abc");
        try (var in = StairCommandsTest.class.getResourceAsStream("/wildflourish/desktop/demo/saltmarsh-lane.abc")) {
            Files.write(book, in.readAllBytes());
        }
    }

    private JsonNode json() throws IOException {
        return new ObjectMapper().readTree(out.toString());
    }

    @Test
    void eachStageSaysHowMuchHowHardAndWhatItAdds() throws IOException {
        assertThat(run("stair", book, "--tune", "1", "--format", "json")).isZero();
        JsonNode rows = json();
        assertThat(rows.size()).isGreaterThan(2);
        assertThat(rows.get(0).get("stage").asText()).isEqualTo("Root");
        assertThat(rows.get(0).get("load").asInt()).isZero();
        assertThat(rows.get(0).get("cleanTo").isNull()).isTrue();
        int last = 0;
        for (JsonNode row : rows) {
            assertThat(row.get("load").asInt()).isGreaterThanOrEqualTo(last);
            last = row.get("load").asInt();
        }
        assertThat(rows.get(1).get("adds").get(0).asText()).startsWith("new: ");
        assertThat(run("stair", book, "--tune", "1")).isZero();
        assertThat(out.toString()).contains("load: the weights of all ornaments");
    }

    @Test
    void aTuneWithoutAStairIsSaidInOneLine() {
        assertThat(run("stair", book, "--tune", "1", "--instrument", "anglo-a")).isEqualTo(2);
        assertThat(err.toString().lines()).singleElement().asString().contains("no stair is there yet");
    }

    @Test
    void twoStagesAreComparedPlaceByPlace() throws IOException {
        assertThat(run(
                        "compare",
                        book,
                        "--tune",
                        "1",
                        "--instrument",
                        "whistle-d",
                        "--from",
                        "Root",
                        "--to",
                        "Leaf",
                        "--format",
                        "json"))
                .isZero();
        JsonNode rows = json();
        assertThat(rows.size()).isPositive();
        rows.forEach(row -> assertThat(row.get("what").asText()).isEqualTo("new"));
        assertThat(run("compare", book, "--tune", "1", "--instrument", "whistle-d", "--from", "Root", "--to", "None"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("has no version “None”");
        assertThat(run(
                        "compare",
                        book,
                        "--tune",
                        "1",
                        "--instrument",
                        "whistle-d",
                        "--from",
                        "Leaf",
                        "--to",
                        "Leaf",
                        "--format",
                        "json"))
                .isZero();
        assertThat(json()).isEmpty();
    }

    @Test
    void aStairIsCarriedToAnotherInstrumentIntoANewBook() throws IOException {
        Path carried = folder.resolve("carried.abc");
        assertThat(run(
                        "carry",
                        book,
                        "--tune",
                        "1",
                        "--from",
                        "whistle-d",
                        "--to",
                        "fiddle",
                        "--format",
                        "json",
                        "--out",
                        carried))
                .isZero();
        JsonNode rows = json();
        assertThat(rows.size()).isPositive();
        rows.forEach(row -> {
            boolean isKept = row.get("becomes").asText().equals("kept");
            assertThat(row.get("why").asText().isEmpty()).isEqualTo(isKept);
        });
        assertThat(run("stair", carried, "--instrument", "fiddle", "--format", "json"))
                .isZero();
        assertThat(json().size()).isGreaterThan(2);
        assertThat(run("carry", book, "--tune", "1", "--from", "anglo-a", "--to", "fiddle"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("./flourish stair lists those there are");
    }

    @Test
    void aStairIsGrownIntoANewBook() throws IOException {
        Path grown = folder.resolve("grown.abc");
        assertThat(run(
                        "grow",
                        book,
                        "--tune",
                        "2",
                        "--instrument",
                        "whistle-d",
                        "--stages",
                        "4",
                        "--format",
                        "json",
                        "--out",
                        grown))
                .isZero();
        JsonNode rows = json();
        assertThat(rows.size()).isEqualTo(4);
        assertThat(rows.get(0).get("spots").asInt()).isZero();
        for (int stage = 1; stage < 4; stage++) {
            assertThat(rows.get(stage).get("load").asInt())
                    .isGreaterThan(rows.get(stage - 1).get("load").asInt());
        }
        assertThat(run("check", grown)).isZero();
        assertThat(run("grow", grown, "--instrument", "whistle-d", "--from", "Leaf", "--format", "json"))
                .isZero();
        assertThat(json().get(1).get("spots")).isEqualTo(rows.get(1).get("spots"));
        assertThat(run("grow", book, "--tune", "4", "--instrument", "whistle-d", "--stages", "3", "--near"))
                .isZero();
        assertThat(err.toString()).containsPattern("all stages together (within \\d+ % of )?the best there is\\.");
        assertThat(run("grow", grown, "--instrument", "whistle-d", "--from", "Nowhere"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("the stages are Root, Leaf, Bud, Bloom");
        assertThat(run("grow", grown, "--instrument", "whistle-d", "--stages", "12"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("2 to 9 stages");
        assertThat(run(
                        "handout",
                        book,
                        "--tune",
                        "1",
                        "--instrument",
                        "whistle-d",
                        "--phrase",
                        "A1",
                        "--out",
                        folder.resolve("a1.pdf")))
                .isZero();
        assertThat(text(folder.resolve("a1.pdf")))
                .contains("A1 from plain to wild")
                .contains("Key to signs");
        assertThat(run(
                        "handout",
                        book,
                        "--tune",
                        "1",
                        "--instrument",
                        "whistle-d",
                        "--phrase",
                        "Z9",
                        "--out",
                        folder.resolve("z9.pdf")))
                .isEqualTo(2);
        assertThat(err.toString()).contains("has no phrase Z9; it has A1, A2");
    }

    /** What is wished for changes the plan and rides in the book; a full version is thinned beside its stair; a critic's remarks name what mends them. */
    @Test
    void aPlanGoesByWishesAndAFullVersionIsThinned() throws IOException {
        Path grown = folder.resolve("wished.abc");
        assertThat(run(
                        "grow",
                        book,
                        "--tune",
                        "2",
                        "--instrument",
                        "whistle-d",
                        "--stages",
                        "4",
                        "--taste",
                        "triplets-and-runs",
                        "--wish",
                        "full=1",
                        "--wish",
                        "beat=-1",
                        "--never",
                        "cut",
                        "--returns",
                        "varied",
                        "--out",
                        grown,
                        "--format",
                        "abc"))
                .isZero();
        assertThat(out.toString())
                .contains("%%flourish-wish taste=triplets-and-runs full=1 beat=-1 returns=varied never=cut");
        assertThat(grown).content().isEqualTo(out.toString());
        assertThat(run("grow", book, "--tune", "2", "--instrument", "whistle-d", "--taste", "brass"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("no taste “brass”").contains("rolls-and-cuts");
        assertThat(run("grow", book, "--tune", "2", "--instrument", "whistle-d", "--wish", "loud=1"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("write full, daring, beat or rise");
        assertThat(run("grow", book, "--tune", "2", "--instrument", "whistle-d", "--returns", "never"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("usual, alike or varied");
        assertThat(run(
                        "grow",
                        book,
                        "--tune",
                        "2",
                        "--instrument",
                        "whistle-d",
                        "--ask",
                        "Bud:A2=2xslide",
                        "--ask",
                        "Leaf:B=roll",
                        "--format",
                        "abc"))
                .isZero();
        assertThat(out.toString())
                .containsPattern("%%flourish-wish \\d+ phrase=2 of=slide")
                .contains("slide-in");
        assertThat(err.toString()).contains("Leaf: There is no way to have part B: rolls, at least 1.");
        assertThat(run("grow", book, "--tune", "2", "--instrument", "whistle-d", "--ask", "A=9"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("write for example A=roll");
        assertThat(run("grow", book, "--tune", "2", "--instrument", "whistle-d", "--ask", "Z=roll"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("there is no phrase or part “Z”; there are A, B, A1");
        assertThat(run("grow", book, "--tune", "2", "--instrument", "whistle-d", "--ask", "Top:A=roll"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("no stage “Top” is planned; there are Leaf");
        assertThat(run("grow", book, "--tune", "2", "--instrument", "whistle-d", "--ask", "A=trumpet"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("“trumpet” is no kind of ornament; there are flick, roll");
        Path thin = folder.resolve("thin.abc");
        assertThat(run(
                        "thin",
                        book,
                        "--tune",
                        "9",
                        "--instrument",
                        "whistle-c",
                        "--version",
                        "Wild",
                        "--count",
                        "10",
                        "--out",
                        thin,
                        "--format",
                        "json"))
                .isZero();
        assertThat(json().get(1).get("spots").asInt()).isBetween(1, 10);
        assertThat(json().get(1).get("source").asText()).isEqualTo("Wild");
        assertThat(run("stair", thin)).isZero();
        assertThat(out.toString()).contains("Thinned");
        assertThat(run("thin", book, "--tune", "9", "--instrument", "whistle-c", "--version", "Nothing"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("there is no version “Nothing”; there are Root");
        assertThat(run("check", book, "--tune", "9", "--version", "Wild")).isZero();
        assertThat(out.toString()).contains("in a row. Take the");
        // What stands is kept unless it is told to give way.
        assertThat(run("grow", book, "--tune", "9", "--instrument", "whistle-c", "--format", "json"))
                .isZero();
        int kept = json().get(1).get("spots").asInt();
        assertThat(run("grow", book, "--tune", "9", "--instrument", "whistle-c", "--fresh", "--format", "json"))
                .isZero();
        assertThat(json().get(1).get("spots").asInt()).isLessThan(kept);
    }

    /** Every stage has its page after the plain tune, and says what is new in it. */
    @Test
    void aHandoutHasThePlainTuneAndTheStagesAskedFor() throws IOException {
        Path all = folder.resolve("all.pdf");
        assertThat(run("handout", book, "--tune", "1", "--instrument", "whistle-d", "--stages", "all", "--out", all))
                .isZero();
        String text = text(all);
        assertThat(text)
                .contains("What is new")
                .contains("Leaf")
                .contains("Bud")
                .contains("New: cut on");
        Path one = folder.resolve("one.pdf");
        assertThat(run("handout", book, "--tune", "1", "--instrument", "whistle-d", "--stages", "Bud", "--out", one))
                .isZero();
        assertThat(text(one)).contains("Bud").doesNotContain("Leaf");
        assertThat(run("handout", book, "--tune", "1", "--instrument", "whistle-d", "--stages", "Nope", "--out", one))
                .isEqualTo(2);
        assertThat(err.toString()).contains("has no version “Nope”");
    }

    private static String text(Path pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
            return new PDFTextStripper().getText(document);
        }
    }

    @Test
    void phrasesAreMixedIntoAVersionBesideTheStair() throws IOException {
        Path mixed = folder.resolve("mixed.abc");
        assertThat(run(
                        "mix",
                        book,
                        "--tune",
                        "1",
                        "--instrument",
                        "whistle-d",
                        "--base",
                        "Root",
                        "--phrase",
                        "A2=Bud",
                        "--phrase",
                        "5=Leaf",
                        "--name",
                        "Two ways",
                        "--out",
                        mixed))
                .isZero();
        assertThat(out.toString()).contains("The phrases join well.");
        assertThat(run("stair", mixed, "--format", "json")).isZero();
        JsonNode last = json().get(json().size() - 1);
        assertThat(last.get("stage").asText()).isEqualTo("Two ways");
        assertThat(last.get("kind").asText()).isEqualTo("free");
        assertThat(last.get("source").asText()).isEqualTo("Root with A2=Bud, 5=Leaf");
        assertThat(run(
                        "compare",
                        mixed,
                        "--instrument",
                        "whistle-d",
                        "--from",
                        "Two ways",
                        "--to",
                        "Bud",
                        "--format",
                        "json"))
                .isZero();
        json().forEach(row -> assertThat(row.get("what").asText()).isNotEqualTo("gone"));
        // Without a name the fullest stage is exported, not what stands beside it.
        Path exported = folder.resolve("exported.abc");
        assertThat(run("export", mixed, "--tune", "1", "--as", "abc", "--out", exported))
                .isZero();
        assertThat(exported).content().contains("(Bud)").doesNotContain("Two ways");
        assertThat(run("mix", book, "--tune", "1", "--instrument", "whistle-d", "--base", "Root", "--phrase", "Q7=Bud"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("there is no phrase “Q7”; there are A1, A2");
        assertThat(run("mix", book, "--tune", "1", "--instrument", "whistle-d", "--base", "None", "--phrase", "A2=Bud"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("has no version “None” for the whistle in D; there are Root, Leaf, Bud");
    }

    @Test
    void timesThroughArePlannedAndWrittenAsOne() throws IOException {
        Path planned = folder.resolve("planned.abc");
        assertThat(run(
                        "times",
                        book,
                        "--tune",
                        "1",
                        "--instrument",
                        "whistle-d",
                        "--count",
                        "4",
                        "--intro",
                        "2",
                        "--tag",
                        "2",
                        "--book",
                        planned,
                        "--format",
                        "json"))
                .isZero();
        JsonNode rows = json();
        assertThat(rows.size()).isEqualTo(6);
        assertThat(rows.get(0).get("what").asText()).isEqualTo("Intro");
        assertThat(rows.get(4).get("what").asText()).isEqualTo("4 Bud");
        assertThat(rows.get(1).get("at").asText()).isEqualTo("0:02");
        for (String form : new String[] {"abc", "midi", "musicxml", "wav", "pdf"}) {
            Path whole = folder.resolve("whole." + form);
            assertThat(run("times", planned, "--instrument", "whistle-d", "--as", form, "--out", whole))
                    .isZero();
            assertThat(whole).isNotEmptyFile();
        }
        assertThat(run("times", book, "--tune", "1", "--instrument", "whistle-d", "--turns", "Root,Root,Bud"))
                .isZero();
        assertThat(err.toString()).contains("Times 1 and 2 are alike: Root");
        assertThat(run("times", book, "--tune", "1", "--instrument", "whistle-d", "--turns", "Root,None"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("the plan names a version “None” that is not there");
        assertThat(run("times", book, "--tune", "1", "--instrument", "whistle-d", "--count", "2", "--format", "json"))
                .isZero();
        assertThat(json().get(1).get("what").asText()).isEqualTo("2 Bud");
        assertThat(run("times", book, "--tune", "1", "--instrument", "whistle-d", "--count", "13"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("one to 12 times in a plan, not 13");
    }
}
