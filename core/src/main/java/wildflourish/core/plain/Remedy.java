package wildflourish.core.plain;

import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Key;
import wildflourish.core.music.Tempo;

/**
 * What helps where something cannot be played; each has been tried on the whole line before it is offered.
 *
 * @param pitches what is played instead, each once; none where the whole tune changes
 * @param key the key of the tune then; empty but for another key
 * @param semitones by how much the whole tune moves
 * @param instrument another one; empty but for that
 * @param tempo a slower one; empty but for that
 */
public record Remedy(
        Kind kind,
        List<FingeredPitch> pitches,
        Optional<Key> key,
        int semitones,
        Optional<Instrument> instrument,
        Optional<Tempo> tempo) {
    /** Kinds of remedy, in the order in which they are offered. */
    public enum Kind {
        MELODY_ALONE,
        OCTAVE_DOWN,
        OCTAVE_UP,
        NOTE_BEFORE,
        CHORD_NOTE,
        SLOWER,
        TUNE_AN_OCTAVE,
        OTHER_KEY,
        OTHER_INSTRUMENT
    }

    public Remedy {
        pitches = List.copyOf(pitches);
    }

    static Remedy of(Kind kind, List<FingeredPitch> pitches) {
        return new Remedy(kind, pitches, Optional.empty(), 0, Optional.empty(), Optional.empty());
    }

    static Remedy slower(Tempo tempo) {
        return new Remedy(Kind.SLOWER, List.of(), Optional.empty(), 0, Optional.empty(), Optional.of(tempo));
    }

    static Remedy octave(int semitones) {
        return new Remedy(
                Kind.TUNE_AN_OCTAVE, List.of(), Optional.empty(), semitones, Optional.empty(), Optional.empty());
    }

    static Remedy otherKey(Key key, int semitones) {
        return new Remedy(Kind.OTHER_KEY, List.of(), Optional.of(key), semitones, Optional.empty(), Optional.empty());
    }

    static Remedy on(Instrument instrument) {
        return new Remedy(
                Kind.OTHER_INSTRUMENT, List.of(), Optional.empty(), 0, Optional.of(instrument), Optional.empty());
    }
}
