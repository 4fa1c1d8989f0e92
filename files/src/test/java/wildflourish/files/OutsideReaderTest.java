package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;

/** Every ornament written out as ABC, read by a reader from outside, the converter abc2midi of Debian's package abcmidi, without complaint and with the same pitches. */
class OutsideReaderTest {
    private static final List<String> INSTRUMENTS =
            List.of("whistle-d", "flute-d", "bamboo-g", "recorder-soprano", "union-d-open", "mouth-blown-pipes");

    @TempDir
    private Path folder;

    private static boolean hasReader() {
        try {
            Process process = new ProcessBuilder("abc2midi", "-ver")
                    .redirectErrorStream(true)
                    .start();
            process.getInputStream().readAllBytes();
            return process.waitFor() == 0;
        } catch (IOException e) {
            return false;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    /** Each ornament that fits somewhere in the demo tunes, once on each instrument, in its tune. */
    @Test
    void everyOrnamentIsReadWithoutComplaintAndWithTheSamePitches() throws Exception {
        assertThat(hasReader())
                .as("abc2midi of the Debian package abcmidi is installed")
                .isTrue();
        Set<String> read = new TreeSet<>();
        for (String id : INSTRUMENTS) {
            Instrument instrument = Instrument.of(id);
            Set<String> seen = new TreeSet<>();
            for (Tune tune : Demo.tunes()) {
                Version version = Version.plain("outside", Playing.usual(tune, instrument));
                for (Note note : tune.notes()) {
                    for (Fit fit : WhatFits.at(tune, version, note.id(), Profile.usual())
                            .fitting()) {
                        if (seen.add(fit.facts().ornament().id())) {
                            check(tune, version.with(tune, Spot.of(fit.placement())));
                            read.add(fit.facts().ornament().id());
                        }
                    }
                }
            }
        }
        assertThat(read).hasSizeGreaterThan(45);
    }

    private void check(Tune tune, Version version) throws IOException, InterruptedException, InvalidMidiDataException {
        String text = BookWriter.writeVersion(tune, version);
        Path abc = folder.resolve("tune.abc");
        Path midi = folder.resolve("tune.mid");
        Files.writeString(abc, text);
        Process process = new ProcessBuilder("abc2midi", abc.toString(), "-o", midi.toString(), "-BF", "0")
                .redirectErrorStream(true)
                .start();
        // A standard decoration that it has no sound for is only remarked upon, and it has a fixed length for small
        // notes when it sounds them.
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8)
                .replaceAll("(?m)^Warning in line-char \\S+ : instruction !\\S+! ignored$", "")
                .replaceAll("(?m)^Warning in line-char \\S+ : Grace sequence exceeds host note.*$", "");
        process.waitFor();
        assertThat(said).as(text).doesNotContainIgnoringCase("error").doesNotContainIgnoringCase("warning");
        Tune written = BookReader.read(text).value().lessons().get(0).tune();
        Set<Integer> wanted = new TreeSet<>();
        for (Note note : written.notes()) {
            note.pitches().forEach(pitch -> wanted.add(pitch.midi()));
            note.marks().graces().pitches().forEach(pitch -> wanted.add(pitch.midi()));
        }
        boolean isShaken = written.notes().stream()
                .anyMatch(note -> note.marks().decorations().stream()
                        .anyMatch(name -> Set.of("trill", "turn", "lowermordent", "uppermordent", "slide", "roll")
                                .contains(name)));
        Set<Integer> heard = new TreeSet<>(keys(midi));
        if (isShaken) {
            assertThat(heard).as(text).containsAll(wanted);
        } else {
            assertThat(heard).as(text).isEqualTo(wanted);
        }
    }

    private static List<Integer> keys(Path midi) throws IOException, InvalidMidiDataException {
        List<Integer> keys = new ArrayList<>();
        for (Track track : MidiSystem.getSequence(midi.toFile()).getTracks()) {
            for (int i = 0; i < track.size(); i++) {
                if (track.get(i).getMessage() instanceof ShortMessage message
                        && message.getCommand() == ShortMessage.NOTE_ON
                        && message.getData2() > 0) {
                    keys.add(message.getData1());
                }
            }
        }
        return keys;
    }
}
