package wildflourish.files.midi;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import wildflourish.core.instrument.Family;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.SoundingPitch;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.tune.Tune;

/**
 * A realisation as a Standard MIDI File of type 0. Notes that the fingers join without a new attack stay one MIDI note; cuts, taps and
 * crans are bends within it, at their own ticks, over a bend range of two octaves.
 */
public final class MidiWriter {
    /** Ticks in a crotchet. */
    public static final int TICKS = 960;

    /** Semitones of the bend range either way. */
    public static final int BEND_RANGE = 24;

    private static final int VELOCITY = 84;
    private static final int CENTRE = 8192;
    private static final int TEMPO = 0x51;
    private static final int NAME = 0x03;
    private static final int METRE = 0x58;

    private final Track track;
    private final Realisation realisation;
    private int sounding = -1;
    /** Keys of second notes that sound with it. */
    private final List<Integer> under = new ArrayList<>();

    private int bend = CENTRE;

    private MidiWriter(Track track, Realisation realisation) {
        this.track = track;
        this.realisation = realisation;
    }

    public static byte[] write(Tune tune, Realisation realisation) throws IOException {
        try {
            Sequence sequence = new Sequence(Sequence.PPQ, TICKS);
            new MidiWriter(sequence.createTrack(), realisation).write(tune);
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            MidiSystem.write(sequence, 0, bytes);
            return bytes.toByteArray();
        } catch (InvalidMidiDataException e) {
            throw new IllegalStateException("a MIDI message was put together wrongly", e);
        }
    }

    private void write(Tune tune) throws InvalidMidiDataException {
        meta(NAME, tune.title().getBytes(StandardCharsets.UTF_8));
        int micros =
                (int) Math.round(realisation.tempo().millisOf(Fraction.of(1, 4)).toDouble() * 1000);
        meta(TEMPO, new byte[] {(byte) (micros >> 16), (byte) (micros >> 8), (byte) micros});
        if (!tune.header().metre().isFree()) {
            int unit = Integer.numberOfTrailingZeros(tune.header().metre().unit());
            meta(METRE, new byte[] {(byte) tune.header().metre().count(), (byte) unit, 24, 8});
        }
        add(0, new ShortMessage(ShortMessage.PROGRAM_CHANGE, 0, program(realisation.family()), 0));
        bendRange();
        List<Moment> moments = realisation.moments();
        for (int i = 0; i < moments.size(); i++) {
            moment(moments, i);
        }
        long end = tickOf(realisation.endMillis());
        stop(end);
        bendTo(end, CENTRE);
    }

    /** Registered parameter 0, pitch bend sensitivity (MIDI 1.0 specification). */
    private void bendRange() throws InvalidMidiDataException {
        for (int[] control : new int[][] {{101, 0}, {100, 0}, {6, BEND_RANGE}, {38, 0}, {101, 127}, {100, 127}}) {
            add(0, new ShortMessage(ShortMessage.CONTROL_CHANGE, 0, control[0], control[1]));
        }
    }

    private void meta(int type, byte[] data) throws InvalidMidiDataException {
        add(0, new MetaMessage(type, data, data.length));
    }

    private void moment(List<Moment> moments, int index) throws InvalidMidiDataException {
        Moment moment = moments.get(index);
        long tick = tickOf(moment.startMillis());
        if (moment.sounding().isEmpty()) {
            stop(tick);
            return;
        }
        SoundingPitch heard = moment.sounding().get().pitch();
        int key = carrying(moments, index).midi();
        boolean isStruck = moment.sounding().get().onset() == Moment.Onset.TONGUE;
        if (isStruck || key != sounding) {
            stop(tick);
            bendTo(tick, bendFor(heard, key));
            add(tick, new ShortMessage(ShortMessage.NOTE_ON, 0, key, VELOCITY));
            sounding = key;
            for (SoundingPitch lower : moment.sounding().get().under()) {
                add(tick, new ShortMessage(ShortMessage.NOTE_ON, 0, lower.midi(), VELOCITY));
                under.add(lower.midi());
            }
        } else {
            bendTo(tick, bendFor(heard, key));
        }
    }

    /** The pitch that carries a moment: its own, or for a gesture that of the note it leads to. */
    private static SoundingPitch carrying(List<Moment> moments, int index) {
        boolean isGesture = moments.get(index).isGesture() && index + 1 < moments.size();
        Moment carrier = isGesture ? moments.get(index + 1) : moments.get(index);
        return carrier.sounding().orElseThrow().pitch();
    }

    private static int bendFor(SoundingPitch heard, int key) {
        long bend = Math.round(CENTRE + (heard.semitones() - key) * CENTRE / BEND_RANGE);
        return (int) Math.max(0, Math.min(2 * CENTRE - 1, bend));
    }

    private void bendTo(long tick, int value) throws InvalidMidiDataException {
        if (value != bend) {
            bend = value;
            add(tick, new ShortMessage(ShortMessage.PITCH_BEND, 0, value & 0x7f, value >> 7));
        }
    }

    private void stop(long tick) throws InvalidMidiDataException {
        if (sounding >= 0) {
            add(tick, new ShortMessage(ShortMessage.NOTE_OFF, 0, sounding, 0));
            sounding = -1;
            for (int lower : under) {
                add(tick, new ShortMessage(ShortMessage.NOTE_OFF, 0, lower, 0));
            }
            under.clear();
        }
    }

    private long tickOf(Fraction millis) {
        Fraction crotchets = millis.dividedBy(realisation.tempo().millisOf(Fraction.of(1, 4)));
        return Math.round(crotchets.toDouble() * TICKS);
    }

    private void add(long tick, MidiMessage message) {
        track.add(new MidiEvent(message, tick));
    }

    /** Source: General MIDI Level 1, the sound set, counted from 0. */
    private static int program(Family family) {
        return switch (family) {
            case WHISTLE -> 78;
            case FLUTE -> 73;
            case BAMBOO_FLUTE -> 77;
            case RECORDER -> 74;
            case UNION_PIPES, NINE_NOTE_PIPES -> 109;
            case FIDDLE -> 110;
            case MANDOLIN -> 25;
            case TENOR_BANJO, FIVE_STRING_BANJO -> 105;
            case TWO_ROW_BOX -> 21;
            case ANGLO, ENGLISH -> 23;
        };
    }
}
