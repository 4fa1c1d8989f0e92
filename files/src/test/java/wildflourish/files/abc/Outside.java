package wildflourish.files.abc;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;

/** What a reader from outside, the converter abc2midi of Debian's package abcmidi, hears in a tune, and what we do: onsets in 480ths of a crotchet with pitches. */
final class Outside {
    private static final int TICKS = 480;
    /** The converter begins a tick late, and spreads the notes of a chord. */
    private static final int LATE = 1;

    private static final int SPREAD = 10;

    private Outside() {}

    /**
     * What was heard.
     *
     * @param onsets by tick the MIDI numbers that begin there, each with the tick it ends
     */
    record Heard(TreeMap<Integer, TreeMap<Integer, Integer>> onsets, String said) {
        /** The melody: the highest of each onset. */
        List<String> melody() {
            List<String> notes = new ArrayList<>();
            onsets.forEach((tick, keys) -> notes.add(tick + ":" + keys.lastKey()));
            return notes;
        }
    }

    static Heard theirs(Path folder, String text) throws IOException, InterruptedException, InvalidMidiDataException {
        Path abc = folder.resolve("outside.abc");
        Path midi = folder.resolve("outside.mid");
        Files.deleteIfExists(midi);
        Files.writeString(abc, text.replaceAll("(?m)^(?:%%MIDI|R:).*\\R?", ""));
        Process process = new ProcessBuilder(
                        "abc2midi", abc.toString(), "-o", midi.toString(), "-NGRA", "-NFER", "-NGUI", "-quiet")
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.ISO_8859_1);
        process.waitFor();
        TreeMap<Integer, TreeMap<Integer, Integer>> onsets = new TreeMap<>();
        if (Files.exists(midi)) {
            Sequence sequence = MidiSystem.getSequence(midi.toFile());
            for (Track track : sequence.getTracks()) {
                onsets = heard(track, sequence.getResolution());
                if (!onsets.isEmpty()) {
                    break;
                }
            }
        }
        return new Heard(onsets, said);
    }

    private static TreeMap<Integer, TreeMap<Integer, Integer>> heard(Track track, int resolution) {
        TreeMap<Integer, TreeMap<Integer, Integer>> onsets = new TreeMap<>();
        Map<Integer, Integer> sounding = new TreeMap<>();
        int last = -SPREAD;
        int group = 0;
        for (int i = 0; i < track.size(); i++) {
            if (track.get(i).getMessage() instanceof ShortMessage message) {
                int tick = Math.round(track.get(i).getTick() * TICKS / (float) resolution) - LATE;
                boolean begins = message.getCommand() == ShortMessage.NOTE_ON && message.getData2() > 0;
                boolean ends = message.getCommand() == ShortMessage.NOTE_OFF
                        || (message.getCommand() == ShortMessage.NOTE_ON && message.getData2() == 0);
                if (begins) {
                    group = tick - last == SPREAD || tick == last ? group : tick;
                    last = tick;
                    onsets.computeIfAbsent(group, key -> new TreeMap<>()).put(message.getData1(), tick);
                    sounding.put(message.getData1(), group);
                } else if (ends && sounding.containsKey(message.getData1())) {
                    onsets.get(sounding.remove(message.getData1())).put(message.getData1(), tick);
                }
            }
        }
        return onsets;
    }

    static Heard ours(Tune tune) {
        TreeMap<Integer, TreeMap<Integer, Integer>> onsets = new TreeMap<>();
        Version plain = Version.plain("plain", Playing.usual(tune, Instrument.first()));
        for (Tone tone : Line.of(tune, plain).tones()) {
            if (tone.isRest() || tone.touch() == Tone.Touch.TIED) {
                continue;
            }
            for (WrittenPitch pitch : tone.note().pitches()) {
                onsets.computeIfAbsent(tickOf(tone.start()), key -> new TreeMap<>())
                        .put(pitch.midi(), tickOf(tone.start().plus(tone.length())));
            }
        }
        return new Heard(onsets, "");
    }

    /** The bar as it is written, from 1, in which an onset lies, counted from 0; the last one past the end. */
    static int barAt(Tune tune, int onset) {
        Version plain = Version.plain("plain", Playing.usual(tune, Instrument.first()));
        List<Tone> begun = Line.of(tune, plain).tones().stream()
                .filter(tone -> !tone.isRest() && tone.touch() != Tone.Touch.TIED)
                .toList();
        return begun.isEmpty()
                ? 0
                : begun.get(Math.min(onset, begun.size() - 1)).place().played().bar() + 1;
    }

    private static int tickOf(Fraction wholeNotes) {
        return (int) Math.round(wholeNotes.toDouble() * 4 * TICKS);
    }
}
