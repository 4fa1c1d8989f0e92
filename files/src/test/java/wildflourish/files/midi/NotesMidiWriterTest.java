package wildflourish.files.midi;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.Test;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Stack;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;

/** MIDI for notation programs: every ornament as notes, with key, metre and tempo (Standard MIDI Files 1.0, meta events 51, 58, 59). */
class NotesMidiWriterTest {
    private final Tune tune = BookReader.read(
                    "X:1\nT:Notes\nR:reel\nQ:1/2=60\nM:4/4\nL:1/8\nK:Em\nE2FG A4-|A2BA [K:D]F4|\n")
            .value()
            .lessons()
            .get(0)
            .tune();
    private final Version plain = Version.plain("plain", Playing.usual(tune, Instrument.of("whistle-d")));

    private static Track track(Tune tune, Version version) throws Exception {
        return MidiSystem.getSequence(new ByteArrayInputStream(NotesMidiWriter.write(tune, version)))
                .getTracks()[0];
    }

    /** Tick, key and loudness of each note that begins; bends would show as such. */
    private static List<String> begun(Track track) {
        List<String> begun = new ArrayList<>();
        for (int i = 0; i < track.size(); i++) {
            if (track.get(i).getMessage() instanceof ShortMessage message
                    && message.getCommand() != ShortMessage.NOTE_OFF) {
                assertThat(message.getCommand()).isEqualTo(ShortMessage.NOTE_ON);
                begun.add(track.get(i).getTick() + " " + message.getData1() + " " + message.getData2());
            }
        }
        return begun;
    }

    @Test
    void notesSoundAtWrittenPitchAndTheBeatIsHeavier() throws Exception {
        assertThat(begun(track(tune, plain)))
                .containsExactly(
                        "0 64 96", "960 66 72", "1440 67 72", "1920 69 84", "4800 71 72", "5280 69 72", "5760 66 84");
    }

    @Test
    void aCutIsASmallNoteOfItsOwnThatTakesItsTimeFromTheNote() throws Exception {
        Version cut = plain.with(
                tune,
                Spot.of(Placement.of(
                        Stack.parse("cut", Instrument.of("whistle-d").family()), Span.of(new NoteId(0)))));
        List<String> begun = begun(track(tune, cut));
        assertThat(begun).hasSize(8);
        assertThat(begun.get(0)).startsWith("0 ");
        assertThat(begun.get(1)).isEqualTo("60 64 96");
    }

    @Test
    void keyMetreAndTempoAreStated() throws Exception {
        List<String> metas = new ArrayList<>();
        Track track = track(tune, plain);
        for (int i = 0; i < track.size(); i++) {
            if (track.get(i).getMessage() instanceof MetaMessage meta && meta.getType() >= 0x51) {
                metas.add(track.get(i).getTick() + " " + Integer.toHexString(meta.getType()) + " "
                        + HexFormat.of().formatHex(meta.getData()));
            }
        }
        // 120 crotchets a minute are 500,000 microseconds each.
        assertThat(metas).containsExactly("0 51 07a120", "0 58 04021808", "0 59 0101", "5760 59 0200");
    }
}
