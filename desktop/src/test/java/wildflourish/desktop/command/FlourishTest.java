package wildflourish.desktop.command;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The command line: what it says, where, and how it ends. */
class FlourishTest extends CommandLineTest {
    private Path book;

    @BeforeEach
    void copyTheDemoBook() throws IOException {
        book = folder.resolve("book.abc");
        try (var in = FlourishTest.class.getResourceAsStream("/wildflourish/desktop/demo/saltmarsh-lane.abc")) {
            Files.write(book, in.readAllBytes());
        }
    }

    @Test
    void aloneItSaysInAFewLinesWhatItCanDo() {
        assertThat(run()).isZero();
        assertThat(out.toString().lines()).hasSizeBetween(8, 36);
        assertThat(out.toString()).contains("demo", "open", "check", "export", "ornaments");
    }

    @Test
    void checkTellsWhatToLookAt() throws IOException {
        Files.writeString(book, Files.readString(book) + "\n\nX:99\nT:Too Low\nM:4/4\nL:1/8\nK:C\nC8|\n");
        assertThat(run("check", book)).isZero();
        assertThat(out.toString()).contains("Too Low", "C4, bar 1, on beat 1", "does not have this note");
        assertThat(out.toString()).doesNotContain("Lantern").contains("a pipe never stops");
        // On a slow machine it says how far it is.
        assertThat(err.toString().lines().filter(line -> !line.endsWith("of the book looked at")))
                .isEmpty();
    }

    @Test
    void checkIsStricterWithALearner() throws IOException {
        Files.writeString(book, Files.readString(book).replace("tempo=105", "tempo=115"));
        List<String> usual = tooFast("check", book, "--format", "json");
        List<String> learner = tooFast("check", book, "--student", "learner", "--format", "json");
        assertThat(learner).containsAll(usual);
        // A learner's tap takes 2 × 35 ms and the ear wants 62 ms after it: a quarter of a minim is that long at 60000
        // ÷ (4 × 132) = 113.6.
        String tap = "F♯4, bar 3, on beat 4: tap: above 113.6 minims a minute it blurs: slow down, or leave it plain";
        assertThat(learner).contains(tap);
        assertThat(usual).doesNotContain(tap);
    }

    private List<String> tooFast(Object... words) throws IOException {
        return rows(words).findValuesAsText("remark").stream()
                .filter(remark -> remark.contains("it blurs"))
                .toList();
    }

    @Test
    void problemsOfABookAreRowsOfCheckAndElsewhereOnStandardError() throws IOException {
        Files.writeString(book, "X:1\nT:Half\nK:D\nAB#c|\n");
        assertThat(run("check", book)).isZero();
        assertThat(out.toString()).contains("#").doesNotContain("Nothing to remark");
        assertThat(run("form", book)).isZero();
        assertThat(err.toString()).contains("line 4, column 3").contains("#");
    }

    @ParameterizedTest
    @CsvSource({"abc, X:1", "midi, MThd", "wav, RIFF", "pdf, %PDF", "svg, <?xml", "png, PNG"})
    void exportWritesEveryForm(String form, String beginning) throws IOException {
        Path file = folder.resolve("out." + form);
        assertThat(run("export", book, "--as", form, "--tune", 1, "--version", "Bud", "--out", file))
                .isZero();
        byte[] bytes = Files.readAllBytes(file);
        assertThat(new String(bytes, 0, 12, StandardCharsets.ISO_8859_1)).contains(beginning);
        assertThat(out.toString()).contains("Wrote " + file);
    }

    @Test
    void exportWithoutATuneTakesTheWholeBook() throws IOException {
        Path all = folder.resolve("all.abc");
        assertThat(run("export", book, "--as", "abc", "--out", all)).isZero();
        assertThat(all).hasSameBinaryContentAs(book);
        Path pictures = folder.resolve("pictures");
        assertThat(run("export", book, "--as", "svg", "--out", pictures)).isZero();
        try (var files = Files.list(pictures)) {
            assertThat(files).hasSize(10).allMatch(path -> path.toString().endsWith(".svg"));
        }
    }

    @Test
    void ornamentsSaysWhatFitsWhereAndWhyNot() throws IOException {
        assertThat(run("ornaments", "--instrument", "whistle-d", "--note", "D4", "--format", "csv"))
                .isZero();
        List<String> lines = out.toString().lines().toList();
        assertThat(lines.get(0)).isEqualTo("note,length,ornament,fits,clean to,why");
        assertThat(lines).anyMatch(line -> line.startsWith("D4,a crotchet,cran,yes,154.6 minims a minute,"));
        assertThat(lines)
                .anyMatch(line -> line.startsWith("D4,a quaver,tap,no,") && line.contains("All holes are shut"));
        assertThat(run("ornaments", "--instrument", "whistle-d", "--format", "json"))
                .isZero();
        assertThat(new ObjectMapper().readTree(out.toString())).hasSizeGreaterThan(26 * 3 * 5 - 1);
    }

    @Test
    void ornamentsKnowsStudentsSchoolsTypesAndTempos() {
        String[] words = {
            "ornaments",
            "--instrument",
            "whistle-d",
            "--note",
            "G4",
            "--type",
            "polka",
            "--tempo",
            "309.3",
            "--format",
            "csv"
        };
        assertThat(run((Object[]) words)).isZero();
        assertThat(out.toString()).contains("G4,a quaver,cut,no,309.2").doesNotContain("G4,a quaver,cut,yes");
        words[8] = "309.2";
        assertThat(run((Object[]) words)).isZero();
        assertThat(out.toString()).contains("G4,a quaver,cut,yes");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "nonsense",
                "export",
                "check",
                "check /no/such/file.abc",
                "check /",
                "ornaments",
                "ornaments --instrument kazoo",
                "ornaments --instrument whistle-d --note H9",
                "ornaments --instrument whistle-d --tempo 0",
                "ornaments --instrument whistle-d --tempo fast",
                "ornaments --instrument whistle-d --type waltzer",
                "ornaments --instrument whistle-d --student genius",
                "ornaments --instrument whistle-d --format xml",
                "open /no/such/file.abc"
            })
    void wrongUseEndsWithTwoAndOneClearLine(String line) {
        assertThat(run((Object[]) line.split(" ", -1))).isEqualTo(2);
        assertThat(err.toString().strip().lines()).hasSize(1);
        assertThat(err.toString())
                .startsWith("flourish: ")
                .doesNotContain("Exception")
                .doesNotContain("\tat ");
        assertThat(out.toString()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "--as xyz --out x, cannot export as", "--as pdf --out /no/folder/x.pdf, choose another place",
        "--as pdf --tune 99 --out x.pdf, has no tune X:99", "--as pdf --version Nix --out x.pdf, no tune has a version",
        "--as pdf --paper a3 --out x.pdf, there is no paper"
    })
    void anExportThatCannotBeSaysWhatThereIs(String options, String words) {
        Object[] all = ("export " + book + " " + options).split(" ", -1);
        assertThat(run(all)).isEqualTo(2);
        assertThat(err.toString()).contains(words);
        assertThat(err.toString().strip().lines()).hasSize(1);
    }

    @Test
    void aFileThatIsNoTunebookIsToldSo() throws IOException {
        Files.writeString(book, "Dear all\n");
        assertThat(run("export", book, "--as", "pdf", "--out", folder.resolve("x.pdf")))
                .isEqualTo(2);
        assertThat(err.toString()).contains("has no tune in it");
        Files.delete(book);
        Files.createDirectory(book);
        assertThat(run("check", book)).isEqualTo(2);
        assertThat(err.toString()).contains("is a folder");
    }

    @Test
    void aFileInTheWayOfAFolderIsTold() {
        assertThat(run("export", book, "--as", "midi", "--out", book)).isEqualTo(2);
        assertThat(err.toString()).contains("cannot make the folder").contains("--tune");
    }

    @Test
    void formSaysHowTheTunesAreBuilt() throws IOException {
        assertThat(run("form", book, "--format", "json")).isZero();
        JsonNode rows = new ObjectMapper().readTree(out.toString());
        assertThat(rows).hasSize(10);
        assertThat(rows.get(0).get("phrases").asText()).isEqualTo("A1 A2 A1 A3, B1 B2 B1 B3");
        assertThat(rows.get(0).get("bars to learn").asText()).isEqualTo("12");
        assertThat(run("form", book, "--tune", 40)).isEqualTo(2);
        assertThat(err.toString()).contains("no tune X:40");
    }

    @Test
    void needsGoFromTheEasiestOn() throws IOException {
        assertThat(run("needs", book, "--instrument", "whistle-d", "--format", "json"))
                .isZero();
        JsonNode rows = new ObjectMapper().readTree(out.toString());
        assertThat(rows.get(0).get("tune").asText()).contains("Low Water");
        assertThat(rows.get(9).get("grade").asText()).isEqualTo("cannot");
        assertThat(run("needs", book, "--instrument", "kazoo")).isEqualTo(2);
        assertThat(err.toString()).contains("kazoo", "whistle-d");
    }

    @Test
    void fitRanksWhatTheClassOwnsForASoundingKey() throws IOException {
        assertThat(run(
                        "fit",
                        book,
                        "--tune",
                        1,
                        "--sounding",
                        "F major",
                        "--instrument",
                        "whistle-d,whistle-high-f,border-pipes",
                        "--format",
                        "json"))
                .isZero();
        JsonNode rows = new ObjectMapper().readTree(out.toString());
        assertThat(rows).hasSize(3);
        assertThat(rows.get(0).get("instrument").asText()).isEqualTo("whistle-high-f");
        assertThat(rows.get(0).get("how").asText()).contains("fingered in D major");
        assertThat(rows.get(2).get("plays it").asText()).isEqualTo("no");
        assertThat(run("fit", book, "--sounding", "H major")).isEqualTo(2);
        assertThat(err.toString()).contains("H major");
    }

    @Test
    void stepsSayATuneInSentences() {
        assertThat(run("steps", book, "--tune", 2, "--instrument", "recorder-soprano"))
                .isZero();
        assertThat(out.toString())
                .contains(
                        "Phrase A1, bars 1 to 2.",
                        "G 4: cover thumb 1 2 3, soft breath, a quaver.",
                        "Hands: warm up first");
    }

    @Test
    void stepsAndHandoutsAreOfASchoolThatIsAskedFor() throws IOException {
        assertThat(run("steps", book, "--tune", 1, "--instrument", "banjo-open-g"))
                .isZero();
        assertThat(out.toString()).contains(", thumb, ").doesNotContain(", nail, ");
        assertThat(run("steps", book, "--tune", 1, "--instrument", "banjo-open-g", "--school", "down-picking"))
                .isZero();
        assertThat(out.toString()).contains(", thumb, ", ", nail, ");
        Path pdf = folder.resolve("down.pdf");
        assertThat(run(
                        "handout",
                        book,
                        "--tune",
                        1,
                        "--instrument",
                        "banjo-open-g",
                        "--school",
                        "down-picking",
                        "--out",
                        pdf))
                .isZero();
        try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
            assertThat(new PDFTextStripper().getText(document).replaceAll("\\s+", " "))
                    .contains("nail down on every beat, thumb off it; T thumb, N nail.");
        }
        assertThat(run("steps", book, "--instrument", "fiddle", "--school", "smooth"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("is no way of playing the fiddle");
    }

    @Test
    void aHandoutIsAPdfForOneTuneOrForTheBook() throws IOException {
        Path pdf = folder.resolve("handout.pdf");
        assertThat(run("handout", book, "--tune", 2, "--instrument", "whistle-d", "--out", pdf))
                .isZero();
        assertThat(new String(Files.readAllBytes(pdf), 0, 5, StandardCharsets.US_ASCII))
                .isEqualTo("%PDF-");
        long one = Files.size(pdf);
        assertThat(run("handout", book, "--instrument", "whistle-d", "--beside", "flute-d", "--out", pdf))
                .isZero();
        assertThat(Files.size(pdf)).isGreaterThan(one);
        assertThat(run("handout", book, "--instrument", "whistle-d", "--paper", "b5", "--out", pdf))
                .isEqualTo(2);
        assertThat(err.toString()).contains("there is no paper “b5”");
    }

    @Test
    void pathSaysNoteByNoteHowToPlayOnStringsAndButtons() throws IOException {
        assertThat(run("path", book, "--tune", 1, "--instrument", "box-bc", "--format", "json"))
                .isZero();
        JsonNode rows = new ObjectMapper().readTree(out.toString());
        assertThat(rows.get(0).get("way").asText()).startsWith("o5p/");
        assertThat(rows.findValuesAsText("or")).anyMatch(words -> words.endsWith(" more"));
        assertThat(run("path", book, "--tune", 1, "--instrument", "banjo-open-g", "--capo", 2))
                .isZero();
        assertThat(run("path", book, "--instrument", "fiddle", "--capo", 2)).isEqualTo(2);
        assertThat(err.toString()).contains("no capo is put on a fiddle");
        assertThat(run("path", book, "--instrument", "whistle-d")).isEqualTo(2);
        assertThat(err.toString()).contains("is fingered on holes");
        assertThat(run("path", book, "--instrument", "fiddle", "--school", "smooth"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("is no way of playing the fiddle");
    }

    @Test
    void chartListsEveryNoteOrIsAPdf() throws IOException {
        assertThat(run("chart", "--format", "json")).isZero();
        assertThat(new ObjectMapper().readTree(out.toString())).hasSizeGreaterThan(50);
        assertThat(run("chart", "--instrument", "box-bc", "--format", "json")).isZero();
        assertThat(new ObjectMapper().readTree(out.toString())).hasSize(21);
        assertThat(run("chart", "--instrument", "fiddle", "--format", "json")).isZero();
        assertThat(new ObjectMapper().readTree(out.toString())).hasSize(40);
        assertThat(run("chart", "--instrument", "border-pipes", "--format", "json"))
                .isZero();
        JsonNode rows = new ObjectMapper().readTree(out.toString());
        assertThat(rows).hasSize(9);
        assertThat(rows.get(1).get("holes").asText()).isEqualTo("XXXXXXXO");
        Path pdf = folder.resolve("chart.pdf");
        assertThat(run("chart", "--instrument", "whistle-d", "--out", pdf)).isZero();
        assertThat(Files.readAllBytes(pdf)).startsWith("%PDF-".getBytes(StandardCharsets.US_ASCII));
        assertThat(run("chart", "--out", pdf)).isEqualTo(2);
        assertThat(run("chart", "--instrument", "whistle-d", "--out", folder.resolve("chart.doc")))
                .isEqualTo(2);
        assertThat(err.toString()).contains("pdf, svg or png");
    }

    @Test
    void chartTellsTheNotesOfATuneAndWhatANoteBears() throws IOException {
        Path book = folder.resolve("one.abc");
        Files.writeString(book, "X:1\nT:One\nM:4/4\nL:1/8\nK:D\nD2F2 A2d2|A4 F4|]\n");
        JsonNode notes = rows("chart", "--instrument", "whistle-d", "--of", book, "--format", "json");
        assertThat(notes).extracting(row -> row.get("note").asText()).containsExactly("D4", "F♯4", "A4", "D5");
        JsonNode phrase = rows("chart", "--instrument", "box-bc", "--of", book, "--phrase", "1", "--format", "json");
        assertThat(phrase.size()).isBetween(3, 8);
        JsonNode borne = rows("chart", "--instrument", "fiddle", "--note", "F#4", "--format", "json");
        assertThat(borne)
                .filteredOn(row -> row.get("ornament").asText().equals("drone-above"))
                .singleElement()
                .satisfies(row -> assertThat(row.get("with").asText()).isEqualTo("A4"));
        assertThat(run("chart", "--instrument", "whistle-d", "--of", book, "--version", "Leaf"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("it has none");
        for (String form : List.of("svg", "png", "pdf")) {
            Path out = folder.resolve("wall." + form);
            assertThat(run("chart", "--instrument", "english-48", "--paper", "a3", "--out", out))
                    .isZero();
            assertThat(Files.size(out)).isGreaterThan(5_000);
        }
    }

    private JsonNode rows(Object... words) throws IOException {
        assertThat(run(words)).as(err.toString()).isZero();
        return new ObjectMapper().readTree(out.toString());
    }

    @Test
    void fitsAnswersForEachOrnamentAtANote() throws IOException {
        JsonNode rows = rows("fits", book, "--note", 3, "--instrument", "whistle-d", "--format", "json");
        assertThat(rows.findValuesAsText("ornament")).contains("plain", "cut", "long-roll", "tongue-all", "cran");
        for (JsonNode row : rows) {
            assertThat(row.fieldNames())
                    .toIterable()
                    .containsExactly(
                            "ornament",
                            "first",
                            "count",
                            "fits",
                            "cleanTo",
                            "needsMillis",
                            "reasons",
                            "against",
                            "refusals",
                            "sentence",
                            "hold",
                            "handCost");
            assertThat(row.get("first").asInt()).isEqualTo(3);
            assertThat(row.get("fits").asBoolean())
                    .isEqualTo(row.get("refusals").isEmpty());
            assertThat(row.get("sentence").asText()).endsWith(".");
        }
    }

    /** A cut needs 62 ms and 35 ms for the finger (the handbook's worked number): a quaver of a reel holds it up to 60000 / 4 / 97 minims a minute. */
    @Test
    void fitsReadsAbcFromTheInputAndTellsTheLimitToFourPlaces() throws IOException {
        var input = System.in;
        System.setIn(new java.io.ByteArrayInputStream(
                "X:1\nT:In\nR:reel\nM:4/4\nL:1/8\nK:D\nGABc d4|\n".getBytes(StandardCharsets.UTF_8)));
        try {
            JsonNode rows = rows(
                    "fits",
                    "-",
                    "--note",
                    2,
                    "--notes",
                    1,
                    "--instrument",
                    "whistle-d",
                    "--ornament",
                    "cut",
                    "--format",
                    "json");
            assertThat(rows).hasSize(1);
            assertThat(rows.get(0).get("cleanTo").asText()).isEqualTo("154.6392");
        } finally {
            System.setIn(input);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "999, cut, note",
        "1, nothing-such, ornament",
    })
    void fitsRefusesWhatIsNotThereInOneLine(int note, String ornament, String what) {
        assertThat(run("fits", book, "--note", note, "--instrument", "whistle-d", "--ornament", ornament))
                .isEqualTo(2);
        assertThat(err.toString().lines()).hasSize(1);
        assertThat(err.toString()).startsWith("flourish: ").contains(what);
    }

    @Test
    void realiseTellsMomentsWithWhatSoundsAndMoves() throws IOException {
        JsonNode rows = rows(
                "realise",
                book,
                "--place",
                "1:slide-in",
                "--place",
                "6-6:cut",
                "--instrument",
                "whistle-d",
                "--format",
                "json");
        double now = 0;
        boolean isCurved = false;
        for (JsonNode row : rows) {
            assertThat(row.fieldNames())
                    .toIterable()
                    .containsExactly("startMillis", "endMillis", "note", "voices", "moves");
            assertThat(row.get("startMillis").asDouble()).isCloseTo(now, org.assertj.core.api.Assertions.within(1e-3));
            now = row.get("endMillis").asDouble();
            for (JsonNode voice : row.get("voices")) {
                assertThat(voice.get("hz").asDouble()).isBetween(200.0, 3000.0);
                isCurved |= !voice.get("curve").asText().equals("level");
            }
        }
        assertThat(isCurved).isTrue();
        assertThat(err.toString()).contains("flourish: C♯5, bar 1, on beat 3: cut: nothing is down to flick");
        assertThat(rows.get(2).get("note").asInt())
                .as("the slide and its note come first")
                .isEqualTo(2);
    }

    @Test
    void ornamentsAreListedWithTheirSchoolsAndTrust() throws IOException {
        JsonNode all = rows("ornaments", "--list", "--format", "json");
        JsonNode pipes = rows("ornaments", "--list", "--instrument", "border-pipes", "--format", "json");
        assertThat(all.size()).isGreaterThan(pipes.size());
        assertThat(pipes.findValuesAsText("ornament")).contains("birl").doesNotContain("long-roll");
        for (JsonNode row : all) {
            assertThat(row.get("trust").asText()).isIn("H", "M", "L");
            assertThat(row.get("hand")).isNotNull();
        }
    }
}
