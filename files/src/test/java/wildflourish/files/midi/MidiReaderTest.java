package wildflourish.files.midi;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.Imported;

/** MIDI files of invented tunes, as programs write them and as hands play them, read as notes in bars. */
class MidiReaderTest {
    private static final long SEED = 20_261_129;
    private static final double JITTER_MILLIS = 25;

    private static final String REEL = "M:4/4\nR:reel\nK:D|d2fd Adfa|bagf efde|d2fd Adfa|bagf e4|d2fd Adfa|bagf efde|"
            + "f2af dfaf|edcB A4|a2fa dafa|b2gb efga|a2fa dafa|gfef d4|a2fa dafa|b2gb efga|bafa gfed|cAec d4|]";
    private static final String JIG = "M:6/8\nR:jig\nK:G|G3 BGD|GBd gfg|ecA ABc|dBG AFD|G3 BGD|GBd gfg|ecA dBG|AGF G3|"
            + "g3 dBG|gfg agf|efg dBG|cBA AFD|g3 dBG|gfg agf|ecA dBG|AGF G3|]";
    private static final String POLKA = "M:2/4\nR:polka\nK:D|d2 fd|A2 dA|Bc de|fe ed|d2 fd|A2 dA|Bc de|d2 d2|"
            + "a2 fa|g2 eg|f2 df|ed cA|a2 fa|g2 eg|fe dc|d2 d2|]";
    private static final String WALTZ = "M:3/4\nR:waltz\nK:G|G2 B2 d2|g4 f2|e2 d2 B2|d6|c2 B2 A2|B4 G2|A2 B2 A2|D6|"
            + "G2 B2 d2|g4 f2|e2 d2 B2|d6|c2 B2 A2|B4 d2|A2 G2 F2|G6|]";
    private static final String SLIP_JIG = "M:9/8\nR:slip jig\nK:D|dfa dfa a2f|gec ege edc|dfa dfa a2f|gec edc d3|"
            + "fdf fdf a2f|gec ege gfe|fdf fdf a2f|gec edc d3|]";
    private static final String HORNPIPE =
            "M:4/4\nR:hornpipe\nK:G|GBdB gdBd|cedc BAGF|GBdB gdBd|cAFA G2G2|GBdB gdBd|cedc BAGF|"
                    + "EGcG ecGE|DFAc B2G2|gfgd BdgB|agac eagf|gfgd BGBd|cAFA G2G2|gfgd BdgB|agac eagf|edcB AGFA|G2GF G4|]";

    private static Tune tune(String words) {
        String[] parts = words.split("\\|", 2);
        return BookReader.read("X:1\nT:Invented\nL:1/8\n" + parts[0] + "\n|" + parts[1] + "\n")
                .value()
                .lessons()
                .get(0)
                .tune();
    }

    /** The tune as hands play it: onsets late or early by up to 25 ms, quavers swung by a share of a crotchet; no metre, no key. */
    private static byte[] played(Tune tune, double swing, long seed) throws Exception {
        Random random = new Random(seed);
        Tempo tempo = tune.header().usualTempo();
        Sequence sequence = new Sequence(Sequence.PPQ, 480);
        Track track = sequence.createTrack();
        double crotchetMillis = tempo.millisOf(Fraction.of(1, 4)).toDouble();
        int micros = (int) Math.round(crotchetMillis * 1000);
        byte[] speed = {(byte) (micros >> 16), (byte) (micros >> 8), (byte) micros};
        track.add(new MidiEvent(new MetaMessage(0x51, speed, 3), 0));
        Version plain = Version.plain("plain", Playing.usual(tune, Instrument.first()));
        for (Tone tone : Line.of(tune, plain).tones()) {
            double start = swung(tone.start().toDouble() * 4, swing);
            double end = swung(tone.start().plus(tone.length()).toDouble() * 4, swing);
            double off = JITTER_MILLIS * (2 * random.nextDouble() - 1) / crotchetMillis;
            long from = Math.max(0, Math.round((start + (start == 0 ? 0 : off)) * 480));
            long to = Math.max(from + 20, Math.round((start + (end - start) * 0.85) * 480));
            track.add(new MidiEvent(
                    new ShortMessage(ShortMessage.NOTE_ON, 0, tone.melody().midi(), 80), from));
            track.add(new MidiEvent(
                    new ShortMessage(ShortMessage.NOTE_OFF, 0, tone.melody().midi(), 0), to));
        }
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        MidiSystem.write(sequence, 0, bytes);
        return bytes.toByteArray();
    }

    private static double swung(double crotchets, double swing) {
        double whole = Math.floor(crotchets);
        double part = crotchets - whole;
        return whole + (part < 0.5 ? part * 2 * swing : swing + (part - 0.5) * 2 * (1 - swing));
    }

    private static Tune readBack(byte[] midi) throws IOException {
        Imported read = MidiReader.read(midi, MidiReader.Corrections.NONE);
        var parsed = BookReader.read(read.abc());
        assertThat(parsed.problems()).as(read.abc()).isEmpty();
        return parsed.value().lessons().get(0).tune();
    }

    private static List<String> bars(Tune tune) {
        List<String> bars = new ArrayList<>();
        tune.bars()
                .forEach(bar -> bars.add(bar.notes().stream()
                        .map(note -> note.pitches() + " " + note.played())
                        .toList()
                        .toString()));
        return bars;
    }

    static List<Arguments> tunes() {
        return List.of(
                Arguments.of(REEL, "4/4", "reel"),
                Arguments.of(JIG, "6/8", "jig"),
                Arguments.of(POLKA, "2/4", "polka"),
                Arguments.of(WALTZ, "3/4", "waltz"),
                Arguments.of(SLIP_JIG, "9/8", "slip jig"));
    }

    @ParameterizedTest
    @MethodSource("tunes")
    void whatHandsPlayComesBackInItsBars(String words, String metre, String type) throws Exception {
        Tune tune = tune(words);
        for (long seed = SEED; seed < SEED + 8; seed++) {
            Tune back = readBack(played(tune, 0.5, seed));
            assertThat(back.header().metre()).as("seed " + seed).hasToString(metre);
            assertThat(bars(back)).as("seed " + seed).isEqualTo(bars(tune));
            assertThat(back.header().type().name()).isEqualTo(type);
            assertThat(back.header().key()).isEqualTo(tune.header().key());
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.6, 0.667})
    void aSwungHornpipeIsWrittenInEqualQuavers(double swing) throws Exception {
        Tune tune = tune(HORNPIPE);
        for (long seed = SEED; seed < SEED + 8; seed++) {
            Tune back = readBack(played(tune, swing, seed));
            assertThat(bars(back)).as("seed " + seed).isEqualTo(bars(tune));
            assertThat(back.header().metre()).hasToString("4/4");
            assertThat(back.header().type().name()).isEqualTo("hornpipe");
        }
    }

    /** What we write for notation programs comes back note for note, with its metre and key. */
    @ParameterizedTest
    @ValueSource(strings = {REEL, JIG, POLKA, WALTZ, SLIP_JIG, HORNPIPE})
    void notesForNotationProgramsComeBack(String words) throws Exception {
        Tune tune = tune(words);
        byte[] midi = NotesMidiWriter.write(tune, Version.plain("plain", Playing.usual(tune, Instrument.first())));
        Tune back = readBack(midi);
        assertThat(bars(back)).isEqualTo(bars(tune));
        assertThat(back.header().metre()).isEqualTo(tune.header().metre());
        assertThat(back.header().key()).isEqualTo(tune.header().key());
        assertThat(back.title()).isEqualTo("Invented");
    }

    @Test
    void whatWasGuessedIsToldAndCanBePutRight() throws Exception {
        byte[] midi = played(tune(JIG), 0.5, SEED);
        assertThat(MidiReader.read(midi, MidiReader.Corrections.NONE).told())
                .anyMatch(each -> each.contains("metre was guessed: 6/8"))
                .anyMatch(each -> each.contains("key was guessed: G"))
                .anyMatch(each -> each.contains("kind of tune was guessed: jig"));
        Imported right = MidiReader.read(
                midi, new MidiReader.Corrections(Optional.of("12/8"), Optional.of("Em"), Optional.of("slide")));
        assertThat(right.told()).isEmpty();
        assertThat(right.abc()).contains("M:12/8", "K:Em", "R:slide");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "MThd", "no midi at all, only words"})
    void whatIsNoMidiFileIsRefusedInOneLine(String text) {
        assertThatThrownBy(() -> MidiReader.read(
                        text.getBytes(java.nio.charset.StandardCharsets.UTF_8), MidiReader.Corrections.NONE))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("MIDI");
    }
}
