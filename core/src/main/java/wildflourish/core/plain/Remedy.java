package wildflourish.core.plain;

import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Key;
import wildflourish.core.music.Tempo;

/**
 * What helps where something cannot be played; each has been tried on the whole line before it is offered.
 *
 * @param pitches what is played instead, each once; none where the whole tune changes
 * @param key the key of the tune then; empty but for another key
 * @param semitones by how much the whole tune moves
 * @param school another one; empty but for that
 * @param instrument another one; empty but for that
 * @param tempo a slower one; empty but for that
 */
public record Remedy(
        Kind kind,
        List<FingeredPitch> pitches,
        Optional<Key> key,
        int semitones,
        Optional<School> school,
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
        OTHER_SCHOOL,
        TUNE_AN_OCTAVE,
        OTHER_KEY,
        OTHER_INSTRUMENT
    }

    public Remedy {
        pitches = List.copyOf(pitches);
    }

    static Remedy of(Kind kind, List<FingeredPitch> pitches) {
        return new Remedy(kind, pitches, Optional.empty(), 0, Optional.empty(), Optional.empty(), Optional.empty());
    }

    static Remedy slower(Tempo tempo) {
        Remedy bare = of(Kind.SLOWER, List.of());
        return new Remedy(bare.kind, bare.pitches, bare.key, 0, bare.school, bare.instrument, Optional.of(tempo));
    }

    static Remedy in(School school) {
        Remedy bare = of(Kind.OTHER_SCHOOL, List.of());
        return new Remedy(bare.kind, bare.pitches, bare.key, 0, Optional.of(school), bare.instrument, bare.tempo);
    }

    static Remedy octave(int semitones) {
        Remedy bare = of(Kind.TUNE_AN_OCTAVE, List.of());
        return new Remedy(bare.kind, bare.pitches, bare.key, semitones, bare.school, bare.instrument, bare.tempo);
    }

    static Remedy otherKey(Key key, int semitones) {
        Remedy bare = of(Kind.OTHER_KEY, List.of());
        return new Remedy(
                bare.kind, bare.pitches, Optional.of(key), semitones, bare.school, bare.instrument, bare.tempo);
    }

    static Remedy on(Instrument instrument) {
        Remedy bare = of(Kind.OTHER_INSTRUMENT, List.of());
        return new Remedy(bare.kind, bare.pitches, bare.key, 0, bare.school, Optional.of(instrument), bare.tempo);
    }
}
