package wildflourish.desktop.command;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Track;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import picocli.CommandLine;

/** The command line on books from elsewhere: several tunes of one number or name, problems, encodings; and what it tells of itself. */
class ForeignBookTest extends CommandLineTest {
    private static final String BOOK = "X:3\nT:Same\nR:reel\nM:4/4\nL:1/8\nK:D\nDEFG ABcd|\n\n"
            + "X:3\nT:Same\nQ:1/2=60\nR:reel\nM:4/4\nL:1/8\nK:D\nd#cBA GFED|\n\n"
            + "X:3\nT:same\nR:reel\nM:4/4\nL:1/8\nK:D\nFGAB cdef|[K:Q]G|\n\n"
            + "X:4\nT:***\nM:4/4\nL:1/8\nK:D\nA8|\n\nX:5\nT:???\nM:4/4\nL:1/8\nK:D\nB8|\n";

    private Path book;

    @BeforeEach
    void writeTheBook() throws IOException {
        book = folder.resolve("theirs.abc");
        Files.writeString(book, BOOK);
    }

    // Several tunes of one number or name

    @Test
    void eachTuneOfOneNumberIsReached() {
        assertThat(run("steps", book, "--instrument", "whistle-d", "--tune", "3.2"))
                .isZero();
        assertThat(out.toString()).contains("Same");
        assertThat(err.toString()).contains("line 16").doesNotContain("line 24");
        assertThat(run("form", book, "--tune", "3")).isZero();
        assertThat(out.toString().lines().filter(line -> line.startsWith("3 "))).hasSize(3);
        assertThat(run("form", book, "--nth", "3")).isZero();
        assertThat(out.toString().lines().filter(line -> line.startsWith("3 same")))
                .hasSize(1);
        assertThat(err.toString()).contains("line 24").doesNotContain("line 16");
    }

    @ParameterizedTest
    @ValueSource(strings = {"--tune 9", "--tune 3.4", "--tune x", "--tune 3.0", "--nth 6", "--nth 0"})
    void aTuneThatIsNotThereIsRefusedInOneLine(String asked) {
        assertThat(run((Object[]) ("form " + book + " " + asked).split(" ", -1)))
                .isEqualTo(2);
        assertThat(err.toString().lines()).hasSize(1);
        assertThat(err.toString()).doesNotContain("Exception");
    }

    @Test
    void noTuneOverwritesTheFileOfAnother() throws IOException {
        Path midis = folder.resolve("midis");
        assertThat(run("export", book, "--as", "midi", "--out", midis)).isZero();
        try (Stream<Path> files = Files.list(midis)) {
            assertThat(files.map(path -> String.valueOf(path.getFileName())))
                    .containsExactlyInAnyOrder("3 Same.mid", "3 Same (2).mid", "3 same (3).mid", "4.mid", "5.mid");
        }
    }

    @Test
    void aFolderWithinNoFolderIsNotMade() {
        assertThat(run(
                        "export",
                        book,
                        "--as",
                        "midi",
                        "--out",
                        folder.resolve("a").resolve("b")))
                .isEqualTo(2);
        assertThat(folder.resolve("a")).doesNotExist();
    }

    // Tempo and encoding

    @Test
    void theTempoOfATuneIsItsOwnAndCanBeOverruled() throws Exception {
        assertThat(tempoOf("--tune", "3.2")).isEqualTo(120);
        assertThat(tempoOf("--tune", "3.1")).isEqualTo(210);
        assertThat(tempoOf("--tune", "3.2", "--tempo", "80")).isEqualTo(160);
    }

    /** Crotchets a minute of the MIDI file. */
    private long tempoOf(Object... which) throws Exception {
        Path midi = folder.resolve("one.mid");
        run(Stream.concat(Stream.of("export", book, "--as", "midi", "--out", midi), Stream.of(which))
                .toArray());
        Track track = MidiSystem.getSequence(new ByteArrayInputStream(Files.readAllBytes(midi)))
                .getTracks()[0];
        for (int i = 0; i < track.size(); i++) {
            if (track.get(i).getMessage() instanceof MetaMessage meta && meta.getType() == 0x51) {
                byte[] micros = meta.getData();
                return Math.round(
                        60_000_000.0 / ((micros[0] & 0xff) << 16 | (micros[1] & 0xff) << 8 | (micros[2] & 0xff)));
            }
        }
        return 0;
    }

    @Test
    void aWholeBookIsTakenAwayInItsOwnEncodingOrAsUtf8() throws IOException {
        byte[] latin = "%%abc-charset iso-8859-1\n\nX:1\nT:Café\nK:D\nABc|\n".getBytes(StandardCharsets.ISO_8859_1);
        Files.write(book, latin);
        Path copy = folder.resolve("copy.abc");
        assertThat(run("export", book, "--as", "abc", "--out", copy)).isZero();
        assertThat(copy).hasBinaryContent(latin);
        assertThat(run("export", book, "--as", "abc", "--utf8", "--out", copy)).isZero();
        assertThat(Files.readString(copy)).contains("%%abc-charset utf-8", "T:Café");
    }

    // Other formats

    @ParameterizedTest
    @ValueSource(strings = {"musicxml", "midi"})
    void whatWasTakenAwayForNotationProgramsIsReadAgain(String form) throws IOException {
        Path away = folder.resolve("away." + form);
        assertThat(run("export", book, "--as", form, "--ornaments", "notes", "--nth", "1", "--out", away))
                .isZero();
        assertThat(run("form", away)).isZero();
        assertThat(out.toString()).contains("1 Same");
        Path made = folder.resolve("made.abc");
        assertThat(run("import", away, "--out", made)).isZero();
        assertThat(Files.readString(made)).contains("T:Same", "M:4/4", "DE").contains("K:D");
        assertThat(run("import", away, "--out", made))
                .as("nothing is overwritten")
                .isEqualTo(2);
        assertThat(run("import", book, "--out", folder.resolve("none.abc"))).isEqualTo(2);
        assertThat(err.toString()).contains("neither MIDI nor MusicXML");
    }

    @Test
    void whatIsGuessedOfAMidiFileCanBePutRight() throws IOException {
        Path away = folder.resolve("away.mid");
        run("export", book, "--as", "midi", "--ornaments", "notes", "--nth", "1", "--out", away);
        Path made = folder.resolve("made.abc");
        assertThat(run("import", away, "--out", made, "--metre", "2/4", "--key", "Em", "--type", "polka"))
                .isZero();
        assertThat(Files.readString(made)).contains("M:2/4", "K:Em", "R:polka");
        assertThat(run("import", away, "--out", folder.resolve("no.abc"), "--metre", "7"))
                .isEqualTo(2);
    }

    // Problems

    @Test
    void checkTellsWhatIsWrongWithTheTextToo() throws IOException {
        assertThat(run("check", book)).isZero();
        assertThat(out.toString()).doesNotContain("Nothing to remark").contains("line", "cannot be “Q”");
        assertThat(run("check", book, "--format", "json")).isZero();
        JsonNode rows = new ObjectMapper().readTree(out.toString());
        assertThat(rows.findValuesAsText("line")).contains("16", "24");
        assertThat(rows.findValuesAsText("tune")).contains("place 2", "place 3");
    }

    @Test
    void checkOfOneTuneTellsItsProblemsAndNoOthers() {
        assertThat(run("check", book, "--tune", "3.2")).isZero();
        assertThat(out.toString())
                .doesNotContain("Nothing to remark")
                .contains("#")
                .doesNotContain("cannot be “Q”");
        assertThat(run("check", book, "--nth", "1")).isZero();
        assertThat(out.toString()).contains("Nothing to remark");
        assertThat(run("check", book, "--version", "Leaf")).isEqualTo(2);
    }

    @Test
    void everyProblemHasItsOwnLineAndColumn() throws IOException {
        Files.writeString(book, "X:1\nT:One\nM:4/4\nL:1/8\nK:D\nAB#c [K:Q]d# e#|\nw:la\n[M:x]A#4|\n");
        run("check", book, "--format", "json");
        JsonNode rows = new ObjectMapper().readTree(out.toString());
        assertThat(Stream.iterate(0, i -> i + 1)
                        .limit(rows.size())
                        .map(rows::get)
                        .filter(row -> !row.get("line").isNull())
                        .map(row -> row.get("line").asText() + ":"
                                + row.get("column").asText()))
                .containsExactly("6:3", "6:6", "6:12", "6:15", "8:1", "8:7");
    }

    @Test
    void numbersBeyondAllCountingHaveNoRawWords() throws IOException {
        String much = "9".repeat(30);
        Files.writeString(
                book,
                "X:" + much + "\nT:Much\nM:" + much + "/4\nL:1/" + much + "\nQ:1/4=" + much + "\nK:D\nA" + much + " B/"
                        + much + " (" + much + "abc|[" + much + "A|\n\nX:2\nT:Two\nK:D\nABc|\n\nX:3\nT:Two (Leaf)\n"
                        + "%%flourish-stage format=2 of=2 stair=1 stage=" + much + " name=Leaf\n"
                        + "%%flourish-play instrument=whistle-d school=two-finger tempo=" + much
                        + " beat=1/2\n%%flourish-sums plain=0 body=0\nK:D\nABc|\n");
        for (String command : List.of("check", "form", "needs", "steps")) {
            boolean onInstrument = !command.equals("form") && !command.equals("check");
            run(
                    onInstrument
                            ? new Object[] {command, book, "--instrument", "whistle-d"}
                            : new Object[] {command, book});
            assertThat(out + "\n" + err)
                    .as(command)
                    .doesNotContain("For input", "overflow", "Exception", "java.", "null");
        }
        assertThat(run("fits", book, "--note", "1", "--instrument", "whistle-d", "--tempo", much))
                .isEqualTo(2);
        assertThat(err.toString()).doesNotContain("For input", "overflow", "Exception");
    }

    // What it tells of itself

    static Stream<String> commands() {
        return new CommandLine(new Flourish())
                .getSubcommands().keySet().stream().filter(name -> !name.equals("help"));
    }

    @ParameterizedTest
    @MethodSource("commands")
    void everyCommandTellsOfItself(String command) {
        assertThat(run(command, "--help")).isZero();
        String told = out.toString();
        assertThat(told).contains("Usage: flourish " + command).doesNotContain("Optional", "null");
        assertThat(run(command, "-h")).isZero();
        assertThat(out).hasToString(told);
        assertThat(run("help", command)).isZero();
        assertThat(out).hasToString(told);
    }

    @Test
    void defaultsAndUnitsAreTold() {
        run("check", "--help");
        assertThat(out.toString()).contains("Default: fluent", "Default: TABLE", "Default: whistle-d");
        run("export", "-h");
        assertThat(out.toString()).contains("beats a minute", "Default: a4");
        assertThat(run("--version")).isZero();
        assertThat(out.toString()).contains("Wild Flourish 0");
    }

    @Test
    void shellsCompleteItsWords() {
        assertThat(run("completion")).isZero();
        assertThat(out.toString()).contains("complete -F", "--instrument", "handout");
    }

    @Test
    void keysAreUnderstoodAsPeopleSayThem() {
        for (String key : List.of("E flat", "Eb", "e-flat major", "E♭", "F sharp minor", "Ador")) {
            assertThat(run("fit", book, "--nth", "1", "--sounding", key, "--instrument", "whistle-d"))
                    .as(key)
                    .isZero();
        }
        assertThat(run("fit", book, "--nth", "1", "--sounding", "H major")).isEqualTo(2);
        assertThat(err.toString().lines()).hasSize(1);
    }

    @Test
    void everyCodeOfATableIsExplainedUnderIt() throws IOException {
        assertThat(run("fits", book, "--nth", "1", "--note", "3", "--instrument", "whistle-d"))
                .isZero();
        String table = out.toString();
        run("fits", book, "--nth", "1", "--note", "3", "--instrument", "whistle-d", "--format", "json");
        for (JsonNode row : new ObjectMapper().readTree(out.toString())) {
            for (String column : List.of("reasons", "against", "refusals")) {
                row.get(column).forEach(code -> assertThat(table).contains("\n" + code.asText() + ": "));
            }
        }
        assertThat(table).contains("minims a minute", "milliseconds");
    }

    @ParameterizedTest
    @ValueSource(strings = {"--tune 99", "--tune 0", "--stage 99", "--note 0", "--note 9999", "--tune 1 --stage 6"})
    void theDemoRefusesWhatItDoesNotHave(String asked) {
        assertThat(run((Object[]) ("demo --shot " + folder.resolve("x.png") + " " + asked).split(" ", -1)))
                .isEqualTo(2);
        assertThat(err.toString()).contains("there are ").doesNotContain("Exception");
    }

    // Ornaments in the text

    @Test
    void ornamentsOfTheTextAreToldAndWrittenAsAStageOfANewBook() throws IOException {
        Path theirs = folder.resolve("written.abc");
        Files.writeString(theirs, "X:1\nT:Written\nR:reel\nM:4/4\nL:1/8\nK:D\n~A3B {c}A2 d2|!turn!B4 TA4|]\n");
        assertThat(run("recognise", theirs, "--format", "json")).isZero();
        JsonNode rows = new ObjectMapper().readTree(out.toString());
        assertThat(rows).hasSize(4);
        assertThat(rows.get(0).get("ornament").asText()).isEqualTo("long roll");
        assertThat(rows.get(2).get("why").asText()).contains("needs a crotchet");
        Path ours = folder.resolve("placed.abc");
        assertThat(run("recognise", theirs, "--out", ours)).isZero();
        assertThat(run("check", ours)).isZero();
        assertThat(Files.readString(ours)).contains("A3B A2 d2|!turn!B4 A4|]").contains("Leaf");
        assertThat(run("recognise", theirs, "--out", ours)).isEqualTo(2);
        assertThat(err.toString()).contains("is there already");
    }

    /** Limits are said in one line; a reel of so many quavers would sound for three quarters of an hour. */
    @ParameterizedTest
    @ValueSource(strings = {"wav", "png"})
    void whatIsTooLongToHearOrToSeeIsRefusedInOneLine(String form) throws IOException {
        Path theirs = folder.resolve("long.abc");
        Files.writeString(theirs, "X:1\nT:Long\nR:reel\nM:4/4\nL:1/8\nK:D\n" + "ABcd efge|\n".repeat(2000));
        assertThat(run("export", theirs, "--as", form, "--out", folder.resolve("long." + form)))
                .isEqualTo(2);
        assertThat(err.toString().lines()).singleElement().asString().contains("is the most; take it as");
    }

    /** Steps for a learner keep to one fingering of C natural within a phrase. */
    @Test
    void aLearnersStepsKeepToOneFingering() throws IOException {
        Path theirs = folder.resolve("c.abc");
        Files.writeString(theirs, "X:1\nT:C\nR:reel\nM:4/4\nL:1/8\nK:G\nG=cGA d=cde|G=cGA d=cde|\n");
        assertThat(run("steps", theirs, "--instrument", "whistle-d")).isZero();
        long fluent = fingeringsOfC();
        assertThat(run("steps", theirs, "--instrument", "whistle-d", "--student", "learner"))
                .isZero();
        assertThat(fluent).isEqualTo(2);
        assertThat(fingeringsOfC()).isEqualTo(1);
    }

    private long fingeringsOfC() {
        return out.toString()
                .lines()
                .filter(line -> line.startsWith("C 5: "))
                .map(line -> line.replaceAll(", a? ?quaver.*", ""))
                .distinct()
                .count();
    }
}
