package wildflourish.files.musicxml;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import javax.xml.XMLConstants;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.transform.stax.StAXSource;
import javax.xml.transform.stream.StreamSource;
import javax.xml.validation.Schema;
import javax.xml.validation.SchemaFactory;
import org.audiveris.proxymusic.ScorePartwise;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.w3c.dom.ls.DOMImplementationLS;
import org.w3c.dom.ls.LSInput;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.Imported;
import wildflourish.files.abc.WrittenOut;

/** MusicXML 4.0: what is written keeps the schema of the standard (W3C, as the library ships it), and is read back as it was. */
class MusicXmlTest {
    private static Tune tune(String header, String body) {
        return BookReader.read("X:1\nT:Example\nC:Somebody\nM:4/4\nL:1/8\n" + header + "\n" + body + "\n")
                .value()
                .lessons()
                .get(0)
                .tune();
    }

    private static byte[] written(Tune tune) {
        return MusicXmlWriter.write(tune, Version.plain("plain", Playing.usual(tune, Instrument.of("whistle-d"))));
    }

    private static Tune readBack(byte[] xml) throws IOException {
        Imported read = MusicXmlReader.read(xml);
        var parsed = BookReader.read(read.abc());
        assertThat(parsed.problems())
                .as(read.abc())
                .allMatch(problem -> problem.code().endsWith("-kept"));
        return parsed.value().lessons().get(0).tune();
    }

    /** Everything of a bar that both notations have. */
    private static List<String> bars(Tune tune) {
        return tune.bars().stream().map(MusicXmlTest::bar).toList();
    }

    private static String bar(Bar bar) {
        StringBuilder text = new StringBuilder(bar.sides() + " " + bar.ending() + " ");
        bar.notes()
                .forEach(note -> text.append(note.pitches())
                        .append(note.duration())
                        .append(note.marks().graces())
                        .append(note.marks().chordSymbol().orElse(""))
                        .append(note.marks().syllables())
                        .append(note.marks().joins().tied())
                        .append(note.marks().joins().slursOpen())
                        .append(note.marks().joins().slursClose())
                        .append(' '));
        return text.toString();
    }

    private static Schema schema() throws Exception {
        SchemaFactory factory = SchemaFactory.newInstance(XMLConstants.W3C_XML_SCHEMA_NS_URI);
        DOMImplementationLS dom = (DOMImplementationLS)
                org.w3c.dom.bootstrap.DOMImplementationRegistry.newInstance().getDOMImplementation("LS");
        factory.setResourceResolver((type, namespace, id, system, base) -> {
            LSInput input = dom.createLSInput();
            String attributes = namespace.contains("xlink")
                    ? "<xs:attribute name='href'/><xs:attribute name='type'/><xs:attribute name='role'/><xs:attribute name='title'/><xs:attribute name='show'/><xs:attribute name='actuate'/>"
                    : "<xs:attribute name='lang'/><xs:attribute name='space'/>";
            input.setCharacterStream(
                    new StringReader("<xs:schema xmlns:xs='http://www.w3.org/2001/XMLSchema' targetNamespace='"
                            + namespace + "'>" + attributes + "</xs:schema>"));
            input.setSystemId(system);
            return input;
        });
        try (InputStream in = ScorePartwise.class.getResourceAsStream("/META-INF/jaxb/xsd/musicxml.xsd")) {
            return factory.newSchema(new StreamSource(in));
        }
    }

    private static StAXSource withoutDtd(byte[] xml) throws XMLStreamException {
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        return new StAXSource(factory.createXMLStreamReader(new ByteArrayInputStream(xml)));
    }

    private static String decorated() throws IOException {
        return Files.readString(Path.of("../desktop/src/main/resources/wildflourish/desktop/demo/saltmarsh-lane.abc"));
    }

    private static void validate(byte[] xml) throws Exception {
        schema().newValidator().validate(withoutDtd(xml));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "DEFG ABcd|d2A2F2D2|]",
                "dB|:\"F#m7/C#\"A2 (3Bcd e>f|[1 g4-g4:|[2 g8||",
                "^F=c_B^^G __A2 z2|[DA]2 [G,Dg]2 (ab)c'd|",
                "{g}A2 {/a}B2 {cd}e4|A3/2B/ A/4B/4c/4d/4 (2ab c2|",
                "[K:G]F2[M:3/4]G2 A2|B6|[K:Bb]B2 e2 c2|",
                "DE FG A2 B2|\nw:one two-three four * six"
            })
    void aPlainTuneComesBackAsItWas(String body) throws Exception {
        Tune tune = tune("Q:1/2=96\nK:D", body);
        byte[] xml = written(tune);
        validate(xml);
        Tune back = readBack(xml);
        assertThat(bars(back)).isEqualTo(bars(tune));
        assertThat(back.title()).isEqualTo("Example");
        assertThat(back.header().credits().composer()).contains("Somebody");
        assertThat(back.keyAt(0)).isEqualTo(tune.keyAt(0));
        assertThat(back.header().metre()).isEqualTo(tune.header().metre());
        assertThat(back.header().tempo().orElseThrow()).hasToString("1/2=96");
    }

    @ParameterizedTest
    @ValueSource(strings = {"K:D", "K:Am", "K:Edor", "K:Amix", "K:F#m", "K:Bbmaj", "K:none", "K:D exp ^f_b", "K:Hp"})
    void keysComeBack(String key) throws Exception {
        Tune tune = tune(key, "FGAB cdef|");
        byte[] xml = written(tune);
        validate(xml);
        assertThat(bars(readBack(xml))).isEqualTo(bars(tune));
    }

    /** Every stage of the demo book keeps the schema, and its notes and small notes come back. */
    @Test
    void everyDemoStageKeepsTheSchemaAndComesBack() throws Exception {
        Schema schema = schema();
        int stages = 0;
        for (Lesson lesson : BookReader.read(decorated()).value().lessons()) {
            for (Version version : lesson.versions()) {
                byte[] xml = MusicXmlWriter.write(lesson.tune(), version);
                schema.newValidator().validate(withoutDtd(xml));
                Tune written = WrittenOut.of(lesson.tune(), version).tune();
                Tune back = readBack(xml);
                assertThat(back.notes().stream()
                                .map(note -> note.pitches() + " " + note.played()
                                        + note.marks().graces().pitches()))
                        .as(version.name() + " of " + lesson.tune().title())
                        .containsExactlyElementsOf(written.notes().stream()
                                .map(note -> note.pitches() + " " + note.played()
                                        + note.marks().graces().pitches())
                                .toList());
                stages++;
            }
        }
        assertThat(stages).isGreaterThan(10);
    }

    @ParameterizedTest
    @ValueSource(strings = {"C", "C|", "6/8", "5/4", "none"})
    void metresComeBackAsTheyLook(String metre) throws Exception {
        Tune tune = BookReader.read("X:1\nT:Example\nM:" + metre + "\nL:1/8\nK:D\nDEFG|\n")
                .value()
                .lessons()
                .get(0)
                .tune();
        byte[] xml = written(tune);
        validate(xml);
        assertThat(readBack(xml).header().metre()).isEqualTo(tune.header().metre());
    }

    /** As notation programs write it: a second voice after a step back, time left empty, chord symbols of their own, a whole bar's rest. */
    @Test
    void theFirstVoiceOfAPartIsReadWithItsEmptyTime() throws IOException {
        String pitch = "<pitch><step>%s</step><octave>4</octave></pitch><duration>%d</duration><voice>%d</voice>";
        String score =
                "<?xml version=\"1.0\"?><!DOCTYPE score-partwise PUBLIC \"-//Recordare//DTD MusicXML 4.0 Partwise//EN\" \"partwise.dtd\">"
                        + "<score-partwise version=\"4.0\"><part-list><score-part id=\"P1\"><part-name>F</part-name></score-part></part-list>"
                        + "<part id=\"P1\"><measure number=\"1\"><attributes><divisions>2</divisions><key><fifths>1</fifths></key>"
                        + "<time><beats>4</beats><beat-type>4</beat-type></time></attributes>"
                        + "<harmony><root><root-step>G</root-step></root><kind>dominant</kind></harmony>"
                        + "<note>" + pitch.formatted("G", 2, 1)
                        + "</note><forward><duration>2</duration><voice>1</voice></forward>"
                        + "<note>" + pitch.formatted("A", 4, 1) + "</note><backup><duration>8</duration></backup>"
                        + "<note>" + pitch.formatted("D", 8, 2) + "</note></measure>"
                        + "<measure number=\"2\"><note><rest measure=\"yes\"/><duration>8</duration><voice>1</voice></note></measure></part></score-partwise>";
        Imported read = MusicXmlReader.read(score.getBytes(StandardCharsets.UTF_8));
        Tune tune = BookReader.read(read.abc()).value().lessons().get(0).tune();
        assertThat(tune.notes().stream().map(note -> note.pitches() + " " + note.played()))
                .containsExactly("[G4] 1/4", "[] 1/4", "[A4] 1/2", "[] 1");
        assertThat(tune.notes().get(0).marks().chordSymbol()).contains("G7");
        assertThat(tune.header().key().name()).isEqualTo("G major");
        assertThat(read.told()).anyMatch(each -> each.contains("further voices"));
    }

    @Test
    void theHandIsWrittenAsTechnicalMarks() {
        Tune tune = tune("K:D", "DEFG ABcd|");
        assertThat(new String(written(tune), StandardCharsets.UTF_8)).contains("<other-technical>XXXXXX");
        Version onBanjo = Version.plain("plain", Playing.usual(tune, Instrument.of("tenor-banjo")));
        assertThat(new String(MusicXmlWriter.write(tune, onBanjo), StandardCharsets.UTF_8))
                .contains("<string>3</string>", "<fret>0</fret>");
    }

    // Archives and outside entities

    private static byte[] zipped(String... namesAndTexts) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (int i = 0; i < namesAndTexts.length; i += 2) {
                zip.putNextEntry(new ZipEntry(namesAndTexts[i]));
                zip.write(namesAndTexts[i + 1].getBytes(StandardCharsets.UTF_8));
            }
        }
        return bytes.toByteArray();
    }

    @Test
    void aCompressedScoreIsTheOneItsContainerNames() throws IOException {
        Tune tune = tune("K:D", "DEFG ABcd|");
        String score = new String(written(tune), StandardCharsets.UTF_8);
        byte[] named = zipped(
                "META-INF/container.xml",
                "<container><rootfiles><rootfile full-path=\"music/a.xml\"/></rootfiles></container>",
                "other.xml",
                "<nothing/>",
                "music/a.xml",
                score);
        assertThat(bars(readBack(named))).isEqualTo(bars(tune));
        assertThat(bars(readBack(zipped("b.musicxml", score)))).isEqualTo(bars(tune));
        assertThatThrownBy(() -> MusicXmlReader.read(zipped("readme.txt", "nothing")))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("no score");
    }

    @Test
    void anArchiveThatUnpacksBeyondMeasureIsRefused() throws IOException {
        byte[] bomb = zipped("a.xml", " ".repeat(70 << 20));
        assertThat(bomb.length).isLessThan(1 << 20);
        assertThatThrownBy(() -> MusicXmlReader.read(bomb)).hasMessageContaining("more than 64 MB");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "<!DOCTYPE x [<!ENTITY e SYSTEM \"file:///etc/passwd\">]><score-partwise><movement-title>&e;</movement-title></score-partwise>",
                "<!DOCTYPE x [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY b \"&a;&a;&a;&a;&a;&a;&a;&a;\">]><score-partwise><movement-title>&b;</movement-title></score-partwise>",
                "<score-timewise/>",
                "<html/>",
                "no xml at all",
                ""
            })
    void whatIsNoScoreIsRefusedInOneLine(String text) {
        assertThatThrownBy(() -> MusicXmlReader.read(text.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(IOException.class)
                .satisfies(fault -> assertThat(fault.getMessage())
                        .doesNotContain("\n")
                        .doesNotContain("Exception")
                        .doesNotContain("root:"));
    }
}
