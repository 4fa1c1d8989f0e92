package wildflourish.files.export;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToIntFunction;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.files.Demo;
import wildflourish.files.abc.BookReader;
import wildflourish.files.midi.MidiWriter;

/** Every form that is written is read back by a reader that is not ours. */
class ExporterTest {
    private final Exporter exporter = new Exporter(Profile.usual(), Paper.a4());

    private static Exporter.Take take(String music, String... placements) {
        Tune tune = BookReader.read("X:1\nT:Kettle and Wren\nR:reel\nM:4/4\nL:1/8\nK:D\n" + music + "\n")
                .value()
                .lessons()
                .get(0)
                .tune();
        Version version = Version.plain("Leaf", Playing.usual(tune, Instrument.of("whistle-d")));
        for (String placement : placements) {
            String[] parts = placement.split(" ", -1);
            Span span = Span.of(tune.notes().get(Integer.parseInt(parts[1])).id());
            version = version.with(tune, Spot.of(Placement.of(Ornament.of(parts[0]), span)));
        }
        return new Exporter.Take(tune, version);
    }

    // MIDI: Standard MIDI File, read by the JDK

    private List<MidiEvent> events(Exporter.Take take) throws Exception {
        Sequence sequence = MidiSystem.getSequence(new ByteArrayInputStream(exporter.export(take, ExportForm.MIDI)));
        assertThat(sequence.getDivisionType()).isEqualTo(Sequence.PPQ);
        assertThat(sequence.getResolution()).isEqualTo(960);
        assertThat(sequence.getTracks()).hasSize(1);
        List<MidiEvent> events = new ArrayList<>();
        for (int i = 0; i < sequence.getTracks()[0].size(); i++) {
            events.add(sequence.getTracks()[0].get(i));
        }
        return events;
    }

    private static List<Long> ticks(List<MidiEvent> events, int command) {
        return events.stream()
                .filter(event -> event.getMessage() instanceof ShortMessage message && message.getCommand() == command)
                .map(MidiEvent::getTick)
                .toList();
    }

    /** Arithmetic: 105 minims a minute are 210 crotchets, 285714 microseconds each. */
    @Test
    void midiHasTempoMetreAndNotesAtTheirTicks() throws Exception {
        List<MidiEvent> events = events(take("D2EF G4|"));
        byte[] tempo = meta(events, 0x51);
        assertThat((tempo[0] & 0xff) << 16 | (tempo[1] & 0xff) << 8 | (tempo[2] & 0xff))
                .isEqualTo(285_714);
        assertThat(meta(events, 0x58)).startsWith((byte) 4, (byte) 2);
        assertThat(new String(meta(events, 0x03), StandardCharsets.UTF_8)).isEqualTo("Kettle and Wren");
        assertThat(ticks(events, ShortMessage.NOTE_ON)).containsExactly(0L, 960L, 1440L, 1920L);
        assertThat(ticks(events, ShortMessage.NOTE_OFF)).containsExactly(960L, 1440L, 1920L, 3840L);
        List<Integer> keys = events.stream()
                .filter(event -> event.getMessage() instanceof ShortMessage message
                        && message.getCommand() == ShortMessage.NOTE_ON)
                .map(event -> ((ShortMessage) event.getMessage()).getData1())
                .toList();
        assertThat(keys).as("a whistle sounds an octave above what is written").containsExactly(74, 76, 78, 79);
    }

    /** Two strings at once begin and end together; what cannot be held is left out. */
    @Test
    void secondNotesBeginAndEndWithTheMelody() throws Exception {
        Tune tune = take("[DB]4 [G,A]4|").tune();
        Version fiddle = Version.plain("Leaf", Playing.usual(tune, Instrument.of("fiddle")));
        List<MidiEvent> events = events(new Exporter.Take(tune, fiddle));
        List<Long> on = ticks(events, ShortMessage.NOTE_ON);
        List<Long> off = ticks(events, ShortMessage.NOTE_OFF);
        assertThat(on).startsWith(0L, 0L).contains(1920L);
        assertThat(off).hasSameSizeAs(on).startsWith(1920L, 1920L);
        List<MidiEvent> blown = events(take("[DB]4 [G,A]4|"));
        assertThat(ticks(blown, ShortMessage.NOTE_ON)).containsExactly(0L, 1920L);
    }

    private static byte[] meta(List<MidiEvent> events, int type) {
        return events.stream()
                .filter(event -> event.getMessage() instanceof MetaMessage message && message.getType() == type)
                .map(event -> ((MetaMessage) event.getMessage()).getData())
                .findFirst()
                .orElseThrow();
    }

    /** A cut on G lifts finger 3: the A sounds for 35 ms, two semitones up over a bend range of 24. Source: MIDI 1.0, pitch bend. */
    @Test
    void aCutIsABendAtItsOwnTicks() throws Exception {
        List<MidiEvent> events = events(take("E4 G4|", "cut 1"));
        long length = Math.round(35 / 285.714 * 960);
        assertThat(ticks(events, ShortMessage.PITCH_BEND)).containsExactly(1920L, 1920 + length);
        List<Integer> bends = events.stream()
                .filter(event -> event.getMessage() instanceof ShortMessage message
                        && message.getCommand() == ShortMessage.PITCH_BEND)
                .map(event -> {
                    ShortMessage message = (ShortMessage) event.getMessage();
                    return message.getData2() << 7 | message.getData1();
                })
                .toList();
        assertThat(bends).containsExactly(8192 + Math.round(2 * 8192f / MidiWriter.BEND_RANGE), 8192);
        assertThat(ticks(events, ShortMessage.NOTE_ON)).containsExactly(0L, 1920L);
    }

    @Test
    void aNoteThatGoesOnIsNotStruckAgainByACut() throws Exception {
        List<MidiEvent> events = events(take("G4 G4|", "cut 1"));
        assertThat(ticks(events, ShortMessage.NOTE_ON)).containsExactly(0L);
        assertThat(ticks(events, ShortMessage.NOTE_OFF)).containsExactly(3840L);
        assertThat(ticks(events(take("G4 G4|")), ShortMessage.NOTE_ON)).containsExactly(0L, 1920L);
    }

    @Test
    void everyDemoTuneIsAMidiFileAsLongAsItsRealisation() throws Exception {
        for (Tune tune : Demo.tunes()) {
            Version version = Version.plain("Root", Playing.usual(tune, Instrument.of("whistle-d")));
            Realisation realisation = Realiser.realise(tune, version, Profile.usual());
            Sequence sequence = MidiSystem.getSequence(
                    new ByteArrayInputStream(exporter.export(new Exporter.Take(tune, version), ExportForm.MIDI)));
            double millis = realisation.endMillis().toDouble();
            assertThat(sequence.getMicrosecondLength() / 1000.0).isCloseTo(millis, within(millis * 1e-4 + 1));
        }
    }

    // Sound

    @Test
    void wavIsReadByTheJdkAndLastsAsLongAsTheRealisation() throws Exception {
        Exporter.Take take = take("D2EF G4|", "cut 3");
        AudioInputStream audio =
                AudioSystem.getAudioInputStream(new ByteArrayInputStream(exporter.export(take, ExportForm.WAV)));
        assertThat(audio.getFormat().getSampleRate()).isEqualTo(44_100f);
        assertThat(audio.getFormat().getChannels()).isEqualTo(1);
        assertThat(audio.getFormat().getSampleSizeInBits()).isEqualTo(16);
        assertThat(audio.getFormat().isBigEndian()).isFalse();
        double seconds = audio.getFrameLength() / 44_100.0;
        assertThat(seconds).isCloseTo(8 * 285.714 / 2 / 1000 + 0.05, within(0.001));
        byte[] bytes = audio.readAllBytes();
        double loudest = 0;
        for (int i = 0; i + 1 < bytes.length; i += 2) {
            loudest = Math.max(loudest, Math.abs((short) (bytes[i] & 0xff | bytes[i + 1] << 8)) / 32767.0);
        }
        assertThat(loudest).isBetween(0.3, 0.99);
    }

    // Pages

    private static String text(PDDocument document) throws IOException {
        return new PDFTextStripper().getText(document).replace('\u00a0', ' ');
    }

    @Test
    void pdfSaysInTextWhatThePageSays() throws Exception {
        Exporter.Take take =
                take("|:F2D2 G2FE|D2EF G3A:|\n|:d2dB A2FD|E2EF D4:|", "short-roll 0", "cran 1", "long-roll 8");
        try (PDDocument document = Loader.loadPDF(exporter.export(take, ExportForm.PDF))) {
            assertThat(document.getNumberOfPages()).isEqualTo(2);
            assertThat(document.getDocumentInformation().getTitle()).isEqualTo("Kettle and Wren");
            assertThat(text(document))
                    .contains("Kettle and Wren", "A1", "B1", "whistle in D", "105 minims a minute")
                    .contains("Key to signs", "short roll", "cran", "long roll")
                    .contains("F♯: flick finger 3 up, touch hole 5"
                            .replace(' ', '\u00a0')
                            .replace('\u00a0', ' '))
                    .contains("D: flick finger 3 up, flick finger 4 up")
                    .contains("G: the note, flick finger 3 up, touch hole 4")
                    .contains("Warm up first");
            for (PDPage page : document.getPages()) {
                assertThat(page.getMediaBox().getWidth()).isCloseTo(595.28f, within(0.1f));
                assertThat(page.getMediaBox().getHeight()).isCloseTo(841.89f, within(0.1f));
                for (var name : page.getResources().getXObjectNames()) {
                    assertThat(page.getResources().isImageXObject(name))
                            .as("nothing is a picture")
                            .isFalse();
                }
                for (var name : page.getResources().getFontNames()) {
                    assertThat(page.getResources().getFont(name).isEmbedded()).isTrue();
                }
            }
        }
    }

    @Test
    void pdfOnLetterHasLettersSize() throws Exception {
        byte[] bytes = new Exporter(Profile.usual(), Paper.letter()).export(take("D8|"), ExportForm.PDF);
        try (PDDocument document = Loader.loadPDF(bytes)) {
            assertThat(document.getPage(0).getMediaBox().getWidth()).isCloseTo(612f, within(0.1f));
            assertThat(document.getPage(0).getMediaBox().getHeight()).isCloseTo(792f, within(0.1f));
            assertThat(document.getNumberOfPages())
                    .as("a plain stage needs no decorated page")
                    .isEqualTo(1);
        }
    }

    @Test
    void everyDemoTuneIsAPdfAndTheSameOneTwice() throws Exception {
        for (Tune tune : Demo.tunes()) {
            Exporter.Take take =
                    new Exporter.Take(tune, Version.plain("Root", Playing.usual(tune, Instrument.of("whistle-d"))));
            byte[] bytes = exporter.export(take, ExportForm.PDF);
            try (PDDocument document = Loader.loadPDF(bytes)) {
                assertThat(text(document)).contains(tune.title());
            }
        }
    }

    @Test
    void svgIsWellFormedAndCarriesTheDisplayList() throws Exception {
        Exporter.Take take = take("|:F2D2 G2FE|D2EF G3A:|", "short-roll 0");
        byte[] bytes = exporter.export(take, ExportForm.SVG);
        DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
        factory.setNamespaceAware(true);
        factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
        Document svg = factory.newDocumentBuilder().parse(new ByteArrayInputStream(bytes));
        assertThat(svg.getDocumentElement().getLocalName()).isEqualTo("svg");
        assertThat(svg.getDocumentElement().getAttribute("viewBox")).isNotBlank();
        assertThat(svg.getElementsByTagNameNS("*", "image").getLength()).isZero();
        Page page = Engraver.engrave(
                        new Score(take.tune(), Optional.of(take.version()), Score.Shows.PRINT), Paper.endless(122))
                .get(0);
        int lines = (int) page.drawn().stream()
                .filter(each -> each.mark() instanceof Mark.Line)
                .count();
        int words = (int) page.drawn().stream()
                .filter(each -> each.mark() instanceof Mark.Words)
                .count();
        assertThat(svg.getElementsByTagNameNS("*", "text").getLength()).isEqualTo(words);
        Element all = svg.getDocumentElement();
        assertThat(strokes(svg, all)).as("lines").isEqualTo(lines);
        assertThat(strokes(svg, all) + shapes(svg, all))
                .isGreaterThanOrEqualTo(page.drawn().size() - words);
        assertThat(bytes.length).isLessThan(60_000);
    }

    /** Straight lines below an element, those of fingerings told once counted wherever they are used. */
    private static int strokes(Document svg, Element within) {
        return counted(svg, within, element -> {
            boolean isStroke = element.getLocalName().equals("path")
                    && element.hasAttribute("stroke-width")
                    && element.getAttribute("d").matches("(M[-.\\d]+ [-.\\d]+[HVL][-. \\d]+)+");
            return isStroke
                    ? (int) element.getAttribute("d")
                            .chars()
                            .filter(sign -> sign == 'M')
                            .count()
                    : 0;
        });
    }

    /** All that is no straight line. */
    private static int shapes(Document svg, Element within) {
        return counted(
                svg,
                within,
                element -> element.getLocalName().matches("use|path")
                                && !element.getAttribute("d").matches("(M[-.\\d]+ [-.\\d]+[HVL][-. \\d]+)+")
                        ? 1
                        : 0);
    }

    private static int counted(Document svg, Element within, ToIntFunction<Element> count) {
        int sum = 0;
        NodeList children = within.getChildNodes();
        for (int i = 0; i < children.getLength(); i++) {
            if (children.item(i) instanceof Element child
                    && !child.getLocalName().equals("defs")) {
                String used = child.getAttributeNS("http://www.w3.org/1999/xlink", "href");
                sum += used.startsWith("#k")
                        ? counted(svg, named(svg, used.substring(1)), count)
                        : count.applyAsInt(child) + counted(svg, child, count);
            }
        }
        return sum;
    }

    private static Element named(Document svg, String id) {
        NodeList groups = svg.getElementsByTagNameNS("*", "g");
        return IntStream.range(0, groups.getLength())
                .mapToObj(i -> (Element) groups.item(i))
                .filter(group -> group.getAttribute("id").equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void pngIsAPictureOnWhitePaper() throws Exception {
        BufferedImage image =
                ImageIO.read(new ByteArrayInputStream(exporter.export(take("F2D2 G2FE|", "cut 0"), ExportForm.PNG)));
        assertThat(image.getWidth()).isEqualTo(122 * 12);
        assertThat(image.getRGB(2, 2) & 0xffffff).isEqualTo(0xffffff);
        Set<Integer> colours = new HashSet<>();
        int dark = 0;
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                colours.add(image.getRGB(x, y) & 0xffffff);
                dark += (image.getRGB(x, y) & 0xff) < 100 ? 1 : 0;
            }
        }
        assertThat(colours).as("black notes and a green leaf").contains(0x000000, 0x1E5A2E);
        assertThat(dark).isGreaterThan(2000);
    }

    @Test
    void abcIsTheWrittenOutStage() throws Exception {
        String abc = new String(
                exporter.export(take("F2D2 G3A|", "short-roll 0", "cran 1", "long-roll 2"), ExportForm.ABC),
                StandardCharsets.UTF_8);
        assertThat(abc).contains("T:Kettle and Wren (Leaf)\n").endsWith("K:D\n{A}F{E}F{A}D{G}D G{A}G{F}GA|\n");
    }

    @Test
    void formsAreKnownByWordAndByEnding() {
        assertThat(ExportForm.from("midi")).contains(ExportForm.MIDI);
        assertThat(ExportForm.from("MID")).contains(ExportForm.MIDI);
        assertThat(ExportForm.from("doc")).isEmpty();
    }

    /** What is heard, written and drawn of a stage comes from one realisation: gestures are counted in each. */
    @Test
    void soundAndNotesTellOfTheSameGestures() throws Exception {
        Exporter.Take take = take("F2D2 G3A|", "short-roll 0", "cran 1", "long-roll 2");
        long gestures = Realiser.realise(take.tune(), take.version(), Profile.usual()).moments().stream()
                .filter(Moment::isGesture)
                .count();
        String abc = new String(exporter.export(take, ExportForm.ABC), StandardCharsets.UTF_8);
        assertThat(abc.chars().filter(sign -> sign == '{').count())
                .isEqualTo(gestures)
                .isEqualTo(6);
        long bendsAway = events(take).stream()
                .filter(event -> event.getMessage() instanceof ShortMessage message
                        && message.getCommand() == ShortMessage.PITCH_BEND
                        && (message.getData2() << 7 | message.getData1()) != 8192)
                .count();
        assertThat(bendsAway).isEqualTo(gestures);
    }
}
