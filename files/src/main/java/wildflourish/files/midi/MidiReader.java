package wildflourish.files.midi;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import wildflourish.files.abc.Imported;

/**
 * Reads a Standard MIDI File as a tune in ABC. Of several tracks or channels the one with the most notes is the tune; of notes struck together the highest. What was
 * played by hand is put on a grid; metre, key and kind are taken from the file where it states them, else guessed, and told.
 */
public final class MidiReader {
    private static final int MOST_NOTES = 20_000;
    private static final int TEMPO = 0x51;
    private static final int METRE = 0x58;
    private static final int KEY = 0x59;
    private static final int NAME = 0x03;
    private static final int DRUMS = 9;

    private MidiReader() {}

    /** A note as it was played, in crotchets from the beginning of the file. */
    record Played(double start, double end, int midi) {}

    /** What the file states: metre such as {@code 6/8}, sharps or flats, crotchets a minute, its title. */
    record Stated(Optional<String> metre, Optional<Integer> fifths, double crotchets, Optional<String> title) {}

    /** What a teacher has put right of what was guessed; empty where nothing. */
    public record Corrections(Optional<String> metre, Optional<String> key, Optional<String> type) {
        public static final Corrections NONE = new Corrections(Optional.empty(), Optional.empty(), Optional.empty());
    }

    /** Throws IOException with one line of words where the bytes are no MIDI file, or there are no notes in it. */
    public static Imported read(byte[] bytes, Corrections corrections) throws IOException {
        Sequence sequence;
        try {
            sequence = MidiSystem.getSequence(new ByteArrayInputStream(bytes));
        } catch (InvalidMidiDataException | IOException | RuntimeException e) {
            throw new IOException("this is no MIDI file that can be read; save it anew as a Standard MIDI File", e);
        }
        if (sequence.getDivisionType() != Sequence.PPQ) {
            throw new IOException("this MIDI file counts film frames, not beats; save it with beats");
        }
        Map<String, List<Played>> voices = voices(sequence);
        List<Played> most = voices.values().stream()
                .max(Comparator.comparingInt(List::size))
                .orElseThrow(() -> new IOException("there are no notes in this MIDI file; choose another"));
        if (most.size() > MOST_NOTES) {
            throw new IOException("this MIDI file has more than " + MOST_NOTES + " notes, which no tune has");
        }
        List<String> told = new ArrayList<>();
        if (voices.size() > 1) {
            told.add("of " + voices.size() + " tracks the one with the most notes was taken");
        }
        Imported tune = new MidiTune(melody(most), stated(sequence), corrections).written();
        told.addAll(tune.told());
        return new Imported(tune.abc(), told);
    }

    private static Map<String, List<Played>> voices(Sequence sequence) {
        Map<String, List<Played>> voices = new HashMap<>();
        for (int number = 0; number < sequence.getTracks().length; number++) {
            Track track = sequence.getTracks()[number];
            Map<Integer, Long> begun = new HashMap<>();
            for (int i = 0; i < track.size(); i++) {
                MidiMessage message = track.get(i).getMessage();
                if (message instanceof ShortMessage event && event.getChannel() != DRUMS) {
                    int name = event.getChannel() * 128 + event.getData1();
                    boolean begins = event.getCommand() == ShortMessage.NOTE_ON && event.getData2() > 0;
                    boolean ends = event.getCommand() == ShortMessage.NOTE_OFF
                            || (event.getCommand() == ShortMessage.NOTE_ON && event.getData2() == 0);
                    Long from = ends || begins ? begun.remove(name) : null;
                    if (from != null) {
                        double crotchet = sequence.getResolution();
                        voices.computeIfAbsent(number + "." + event.getChannel(), key -> new ArrayList<>())
                                .add(new Played(from / crotchet, track.get(i).getTick() / crotchet, event.getData1()));
                    }
                    if (begins) {
                        begun.put(name, track.get(i).getTick());
                    }
                }
            }
        }
        return voices;
    }

    /** One note at a time: of several that begin within a sixteenth of a crotchet the highest. */
    private static List<Played> melody(List<Played> all) {
        List<Played> sorted = new ArrayList<>(all);
        sorted.sort(Comparator.comparingDouble(Played::start));
        List<Played> melody = new ArrayList<>();
        for (Played note : sorted) {
            int at = melody.size() - 1;
            boolean isTogether = at >= 0 && note.start() - melody.get(at).start() < 1.0 / 16;
            if (!isTogether) {
                melody.add(note);
            } else if (note.midi() > melody.get(at).midi()) {
                melody.set(at, note);
            }
        }
        return melody;
    }

    private static Stated stated(Sequence sequence) {
        Optional<String> metre = Optional.empty();
        Optional<Integer> fifths = Optional.empty();
        Optional<String> title = Optional.empty();
        double crotchets = 120;
        for (Track track : sequence.getTracks()) {
            for (int i = 0; i < track.size(); i++) {
                if (track.get(i).getMessage() instanceof MetaMessage meta) {
                    byte[] data = meta.getData();
                    if (meta.getType() == TEMPO && data.length == 3 && crotchets == 120) {
                        int micros = (data[0] & 0xff) << 16 | (data[1] & 0xff) << 8 | (data[2] & 0xff);
                        crotchets = micros == 0 ? 120 : 60_000_000.0 / micros;
                    } else if (meta.getType() == METRE && data.length >= 2 && metre.isEmpty()) {
                        metre = Optional.of((data[0] & 0xff) + "/" + (1 << Math.min(6, data[1])));
                    } else if (meta.getType() == KEY && data.length >= 1 && fifths.isEmpty()) {
                        fifths = Optional.of((int) data[0]).filter(count -> Math.abs(count) <= 7);
                    } else if (meta.getType() == NAME && title.isEmpty()) {
                        title = Optional.of(new String(data, java.nio.charset.StandardCharsets.UTF_8)
                                        .replaceAll("[\\s%]+", " ")
                                        .strip())
                                .filter(words -> !words.isEmpty());
                    }
                }
            }
        }
        return new Stated(metre, fifths, crotchets, title);
    }
}
