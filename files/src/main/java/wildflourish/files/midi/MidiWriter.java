package wildflourish.files.midi;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import wildflourish.core.hand.Glide;
import wildflourish.core.hand.Voice;
import wildflourish.core.instrument.Family;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.SoundingPitch;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.tune.Tune;

/**
 * A realisation as a Standard MIDI File of type 0, a channel for each voice. Notes that the fingers join without a new attack stay one MIDI note; cuts, taps,
 * small notes and glides are bends within it, at their own ticks, over a bend range of two octaves; drones are bent by none of them.
 */
public final class MidiWriter {
    /** Ticks in a crotchet. */
    public static final int TICKS = 960;

    /** Semitones of the bend range either way. */
    public static final int BEND_RANGE = 24;

    private static final int VELOCITY = 84;
    private static final int DRONE_VELOCITY = 56;
    /** The first channel of second notes, and how many there are at most. */
    private static final int UNDER = 1;

    private static final int MOST_UNDER = 4;
    /** Channel 10, counted from 0 (General MIDI Level 1). */
    private static final int DRUMS = 9;

    private static final double GLIDE_STEP_MILLIS = 5;
    private static final int CENTRE = 8192;
    private static final int TEMPO = 0x51;
    private static final int NAME = 0x03;
    private static final int METRE = 0x58;
    private static final int KEY = 0x59;

    private final Track track;
    private final Realisation realisation;
    private int sounding = -1;
    /** Keys of second notes that sound with it, each on a channel of its own. */
    private final List<Integer> under = new ArrayList<>();

    private int bend = CENTRE;
    /** How far second notes are bent, by channel. */
    private final Map<Integer, Integer> underBends = new HashMap<>();

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
        boolean isMinor = tune.header().key().name().endsWith(" minor");
        meta(KEY, new byte[] {(byte) tune.header().key().fifths(), (byte) (isMinor ? 1 : 0)});
        for (int channel = 0;
                channel <= UNDER + MOST_UNDER + realisation.drones().size();
                channel++) {
            add(0, new ShortMessage(ShortMessage.PROGRAM_CHANGE, channelOf(channel), program(realisation.family()), 0));
            bendRange(channelOf(channel));
        }
        drones();
        List<Moment> moments = realisation.moments();
        for (int i = 0; i < moments.size(); i++) {
            moment(moments, i);
        }
        long end = tickOf(realisation.endMillis());
        stop(end);
        bendTo(end, CENTRE);
    }

    /** Registered parameter 0, pitch bend sensitivity (MIDI 1.0 specification). */
    private void bendRange(int channel) throws InvalidMidiDataException {
        for (int[] control : new int[][] {{101, 0}, {100, 0}, {6, BEND_RANGE}, {38, 0}, {101, 127}, {100, 127}}) {
            add(0, new ShortMessage(ShortMessage.CONTROL_CHANGE, channel, control[0], control[1]));
        }
    }

    private void meta(int type, byte[] data) throws InvalidMidiDataException {
        add(0, new MetaMessage(type, data, data.length));
    }

    /** The melody has the first channel, second notes the next ones, drones those after: a bend moves only its own note. Channel 10 is left to drums. */
    private static int channelOf(int voice) {
        return voice < DRUMS ? voice : voice + 1;
    }

    /** Each drone sounds from the beginning to the end, bent once to where it is tuned. */
    private void drones() throws InvalidMidiDataException {
        long end = tickOf(realisation.endMillis());
        for (int i = 0; i < realisation.drones().size(); i++) {
            int channel = channelOf(UNDER + MOST_UNDER + i + 1);
            SoundingPitch pitch = realisation.drones().get(i).pitch();
            int value = bendFor(pitch.semitones(), pitch.midi());
            add(0, new ShortMessage(ShortMessage.PITCH_BEND, channel, value & 0x7f, value >> 7));
            add(0, new ShortMessage(ShortMessage.NOTE_ON, channel, pitch.midi(), DRONE_VELOCITY));
            add(end, new ShortMessage(ShortMessage.NOTE_OFF, channel, pitch.midi(), 0));
        }
    }

    private void moment(List<Moment> moments, int index) throws InvalidMidiDataException {
        Moment moment = moments.get(index);
        long tick = tickOf(moment.startMillis());
        if (moment.sounding().isEmpty()) {
            stop(tick);
            return;
        }
        Moment.Sounding heard = moment.sounding().get();
        int key = carrying(moments, index).midi();
        double length = moment.lengthMillis().toDouble();
        boolean goesOnSpreading = isSpread(moments, index - 1);
        if (isSpread(moments, index)) {
            if (!goesOnSpreading) {
                stop(tick);
            }
            addUnder(tick, heard.pitch().midi());
            return;
        }
        if (heard.begin().isStruck() || key != sounding || changesUnder(heard)) {
            if (!goesOnSpreading || changesUnder(heard)) {
                stop(tick);
            }
            bendTo(tick, bendFor(heard.semitonesAt(0, length), key));
            add(tick, new ShortMessage(ShortMessage.NOTE_ON, 0, key, VELOCITY));
            sounding = key;
            for (Voice lower :
                    heard.under().subList(0, Math.min(MOST_UNDER, heard.under().size()))) {
                if (!under.contains(lower.pitch().midi())) {
                    addUnder(tick, lower.pitch().midi());
                }
            }
        } else {
            bendTo(tick, bendFor(heard.semitonesAt(0, length), key));
        }
        if (!heard.melody().glide().isLevel()) {
            glide(moment, key);
        }
        for (int i = 0; i < Math.min(MOST_UNDER, heard.under().size()); i++) {
            Voice lower = heard.under().get(i);
            bendUnder(moment, under.indexOf(lower.pitch().midi()), lower.glide());
        }
    }

    /** Whether a moment is a string of a chord that is struck before the melody's. */
    private static boolean isSpread(List<Moment> moments, int index) {
        return index >= 0 && moments.get(index).cue().role() == Moment.Role.SPREAD;
    }

    /** A second note, on a channel of its own. */
    private void addUnder(long tick, int key) throws InvalidMidiDataException {
        if (under.size() < MOST_UNDER) {
            add(tick, new ShortMessage(ShortMessage.NOTE_ON, channelOf(UNDER + under.size()), key, VELOCITY));
            under.add(key);
        }
    }

    /** A second note is bent on its own channel, and straight again where it does not glide. */
    private void bendUnder(Moment moment, int voice, Glide glide) throws InvalidMidiDataException {
        int channel = channelOf(UNDER + voice);
        double length = moment.lengthMillis().toDouble();
        long from = tickOf(moment.startMillis());
        long ticks = tickOf(moment.endMillis()) - from;
        bendTo(from, channel, bendFor(glide.centsAt(0, length) / 100, 0));
        for (double at = GLIDE_STEP_MILLIS; !glide.isLevel() && at < length; at += GLIDE_STEP_MILLIS) {
            bendTo(from + Math.round(ticks * at / length), channel, bendFor(glide.centsAt(at, length) / 100, 0));
        }
    }

    private void bendTo(long tick, int channel, int value) throws InvalidMidiDataException {
        if (value != underBends.getOrDefault(channel, CENTRE)) {
            underBends.put(channel, value);
            add(tick, new ShortMessage(ShortMessage.PITCH_BEND, channel, value & 0x7f, value >> 7));
        }
    }

    private boolean changesUnder(Moment.Sounding heard) {
        return !heard.under().stream()
                .limit(MOST_UNDER)
                .map(voice -> voice.pitch().midi())
                .sorted()
                .toList()
                .equals(under.stream().sorted().toList());
    }

    /** A glide is a bend every few milliseconds. */
    private void glide(Moment moment, int key) throws InvalidMidiDataException {
        double length = moment.lengthMillis().toDouble();
        long from = tickOf(moment.startMillis());
        long ticks = tickOf(moment.endMillis()) - from;
        for (double at = GLIDE_STEP_MILLIS; at < length; at += GLIDE_STEP_MILLIS) {
            double semitones = moment.sounding().orElseThrow().semitonesAt(at, length);
            bendTo(from + Math.round(ticks * at / length), bendFor(semitones, key));
        }
    }

    /** The pitch that carries a moment: its own, or for a gesture that of the next note, where one follows at once. */
    private static SoundingPitch carrying(List<Moment> moments, int index) {
        int at = index;
        while (moments.get(at).isGesture()
                && at + 1 < moments.size()
                && moments.get(at + 1).sounding().isPresent()) {
            at++;
        }
        return moments.get(at).sounding().orElseThrow().pitch();
    }

    private static int bendFor(double semitones, int key) {
        long bend = Math.round(CENTRE + (semitones - key) * CENTRE / BEND_RANGE);
        return (int) Math.max(0, Math.min(2 * CENTRE - 1, bend));
    }

    private void bendTo(long tick, int value) throws InvalidMidiDataException {
        if (value != bend) {
            bend = value;
            add(tick, new ShortMessage(ShortMessage.PITCH_BEND, 0, value & 0x7f, value >> 7));
        }
    }

    private void stop(long tick) throws InvalidMidiDataException {
        if (sounding >= 0 || !under.isEmpty()) {
            if (sounding >= 0) {
                add(tick, new ShortMessage(ShortMessage.NOTE_OFF, 0, sounding, 0));
            }
            sounding = -1;
            for (int i = 0; i < under.size(); i++) {
                add(tick, new ShortMessage(ShortMessage.NOTE_OFF, channelOf(UNDER + i), under.get(i), 0));
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
