package wildflourish.files.midi;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Tempo;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;
import wildflourish.files.abc.WrittenOut;

/**
 * A version as a Standard MIDI File for notation programs: every ornament as notes at written pitch, small notes as short ones that take their time from the note after
 * them, with key, metre and tempo; how loud a note is goes by where in its bar it begins.
 */
public final class NotesMidiWriter {
    /** Ticks in a crotchet. */
    private static final int TICKS = MidiWriter.TICKS;

    /** A small note is a 64th, and all together are at most half of the note they stand before. */
    private static final Fraction SMALL = Fraction.of(1, 64);

    private static final int LIGHT = 72;
    private static final int HEAVIER = 12;
    private static final int NAME = 0x03;
    private static final int TEMPO = 0x51;
    private static final int METRE = 0x58;
    private static final int KEY = 0x59;

    private final Tune tune;
    private final Track track;
    private Fraction now = Fraction.ZERO;
    /** Where in its bar the next note begins, in whole notes. */
    private Fraction offset = Fraction.ZERO;

    private boolean isTied;

    private NotesMidiWriter(Tune tune, Track track) {
        this.tune = tune;
        this.track = track;
    }

    public static byte[] write(Tune plain, Version version) throws IOException {
        try {
            Sequence sequence = new Sequence(Sequence.PPQ, TICKS);
            Tune written = WrittenOut.of(plain, version).tune();
            new NotesMidiWriter(written, sequence.createTrack())
                    .write(version.playing().tempo());
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            MidiSystem.write(sequence, 0, bytes);
            return bytes.toByteArray();
        } catch (InvalidMidiDataException e) {
            throw new IllegalStateException("a MIDI message was put together wrongly", e);
        }
    }

    private void write(Tempo tempo) throws InvalidMidiDataException {
        meta(NAME, tune.title().getBytes(StandardCharsets.UTF_8));
        int micros = (int) Math.round(tempo.millisOf(Fraction.of(1, 4)).toDouble() * 1000);
        meta(TEMPO, new byte[] {(byte) (micros >> 16), (byte) (micros >> 8), (byte) micros});
        int before = -1;
        for (PlayOrder.Played played : PlayOrder.of(tune)) {
            changes(before, played.bar());
            bar(tune.bars().get(played.bar()), before, played.bar());
            before = played.bar();
        }
    }

    private void changes(int before, int bar) throws InvalidMidiDataException {
        Metre metre = tune.metreAt(bar);
        if (!metre.isFree() && (before < 0 || !metre.equals(tune.metreAt(before)))) {
            int unit = Integer.numberOfTrailingZeros(metre.unit());
            meta(METRE, new byte[] {(byte) metre.count(), (byte) unit, 24, 8});
        }
        Key key = tune.keyAt(bar);
        if (before < 0 || !key.equals(tune.keyAt(before))) {
            boolean isMinor = key.name().endsWith(" minor") || key.name().endsWith(" aeolian");
            meta(KEY, new byte[] {(byte) key.fifths(), (byte) (isMinor ? 1 : 0)});
        }
    }

    private void bar(Bar bar, int before, int number) throws InvalidMidiDataException {
        // A change within a bar cuts it in two without a line: the second half goes on counting.
        boolean goesOn = before >= 0
                && before + 1 == number
                && tune.bars().get(before).sides().right() == BarLine.NONE
                && offset.isLessThan(tune.metreAt(number).barLength());
        if (!goesOn) {
            offset = tune.form().isPickup(number)
                    ? tune.metreAt(number).barLength().minus(bar.length())
                    : Fraction.ZERO;
        }
        for (Note note : bar.notes()) {
            if (!note.isRest()) {
                note(note, loudness(number));
            }
            isTied = note.marks().joins().tied();
            now = now.plus(note.played());
            offset = offset.plus(note.played());
        }
    }

    /** By the stress of the kind of tune where the note begins. */
    private int loudness(int bar) {
        List<Integer> stress = tune.header().type().stress();
        Fraction length = tune.metreAt(bar).barLength();
        if (stress.isEmpty()) {
            return LIGHT;
        }
        Fraction place = offset.times(stress.size()).dividedBy(length);
        boolean isOnPart = place.denominator() == 1 && place.numerator() >= 0 && place.numerator() < stress.size();
        return isOnPart ? LIGHT + HEAVIER * (stress.get((int) place.numerator()) - 1) : LIGHT;
    }

    private void note(Note note, int loudness) throws InvalidMidiDataException {
        List<WrittenPitch> graces = note.marks().graces().pitches();
        Fraction start = now;
        if (!graces.isEmpty()) {
            Fraction each = SMALL.min(note.played().dividedBy(2).dividedBy(graces.size()));
            for (WrittenPitch grace : graces) {
                sound(grace, start, start.plus(each), loudness);
                start = start.plus(each);
            }
        }
        for (WrittenPitch pitch : note.pitches()) {
            if (isTied && graces.isEmpty() && prolonged(pitch, now.plus(note.played()))) {
                continue;
            }
            sound(pitch, start, now.plus(note.played()), loudness);
        }
    }

    /** Lets the last note of a pitch, which ends just now, go on to a later end; false where none ends now. */
    private boolean prolonged(WrittenPitch pitch, Fraction end) throws InvalidMidiDataException {
        for (int i = track.size() - 1; i >= 0; i--) {
            MidiEvent event = track.get(i);
            if (event.getTick() < tick(now)) {
                return false;
            }
            if (event.getMessage() instanceof ShortMessage message
                    && message.getCommand() == ShortMessage.NOTE_OFF
                    && message.getData1() == pitch.midi()) {
                track.remove(event);
                track.add(new MidiEvent(message, tick(end)));
                return true;
            }
        }
        return false;
    }

    private void sound(WrittenPitch pitch, Fraction from, Fraction to, int loudness) throws InvalidMidiDataException {
        int midi = Math.max(0, Math.min(127, pitch.midi()));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 0, midi, loudness), tick(from)));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_OFF, 0, midi, 0), tick(to)));
    }

    private static long tick(Fraction wholeNotes) {
        return Math.round(wholeNotes.toDouble() * 4 * TICKS);
    }

    private void meta(int type, byte[] data) throws InvalidMidiDataException {
        track.add(new MidiEvent(new MetaMessage(type, data, data.length), tick(now)));
    }
}
