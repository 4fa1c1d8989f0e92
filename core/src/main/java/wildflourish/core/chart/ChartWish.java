package wildflourish.core.chart;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.hand.Bearing;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Key;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.plain.HandFrame;
import wildflourish.core.version.Playing;

/**
 * What a chart is to show.
 *
 * @param playing the instrument and the schools in which it is played
 * @param key in which notes bear ornaments
 * @param only the notes to be shown; empty for all there are
 * @param fingers which fingers take a button in a tune, by the name of the button
 * @param frames how the fingers lie on strings in a tune
 * @param asked a note that is shown large, with what it bears
 */
public record ChartWish(
        Playing playing,
        Key key,
        Optional<Set<FingeredPitch>> only,
        Map<String, Set<Integer>> fingers,
        List<HandFrame> frames,
        Optional<WrittenPitch> asked) {
    public ChartWish {
        only = only.map(Set::copyOf);
        fingers = Map.copyOf(fingers);
        frames = List.copyOf(frames);
    }

    /** Every note of an instrument, in its first schools. */
    public static ChartWish of(Instrument instrument) {
        return new ChartWish(
                Bearing.playing(instrument), Key.C_MAJOR, Optional.empty(), Map.of(), List.of(), Optional.empty());
    }

    /** The same with a note asked about, in a key. */
    public ChartWish asking(WrittenPitch note, Key in) {
        return new ChartWish(playing, in, only, fingers, frames, Optional.of(note));
    }

    /** The same with a note of the instrument asked about, as it is fingered. */
    public ChartWish showing(FingeredPitch pitch) {
        return asking(WrittenPitch.ofMidi(instrument().reading().writtenMidi(pitch)), key);
    }

    /** The same with the notes of a tune, or of a part of it. */
    public ChartWish with(ChartNotes notes) {
        return new ChartWish(playing, key, notes.only(), notes.fingers(), notes.frames(), asked);
    }

    public Instrument instrument() {
        return playing.instrument();
    }

    boolean shows(FingeredPitch pitch) {
        return only.map(notes -> notes.contains(pitch)).orElse(true);
    }

    /** Whether it is the note that is asked about. */
    boolean isAsked(FingeredPitch pitch) {
        return asked.map(note -> instrument().reading().fingered(note))
                .filter(pitch::equals)
                .isPresent();
    }
}
