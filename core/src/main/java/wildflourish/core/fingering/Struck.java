package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.NotePlace;
import wildflourish.core.tune.Tune;

/**
 * A note of a line as it is begun: tied notes are one, rests are told by what follows them.
 *
 * @param note the first of the notes tied together
 * @param tied all of them
 * @param length in whole notes
 * @param millis how long it lasts at the tempo
 * @param restMillis how long a rest stands before it; 0 for none
 * @param isOnBeat whether it begins on a beat of the tempo
 * @param quaver in which quaver of its bar it begins, from 0
 */
public record Struck(
        Note note, List<NoteId> tied, Fraction length, double millis, double restMillis, boolean isOnBeat, int quaver) {
    public Struck {
        tied = List.copyOf(tied);
    }

    /** The notes of a tune as written, one after the other. */
    public static List<Struck> of(Tune tune, Tempo tempo) {
        List<Struck> line = new ArrayList<>();
        double perWhole = tempo.millisOf(Fraction.ONE).toDouble();
        double rest = 0;
        Optional<Struck> open = Optional.empty();
        for (Note note : tune.notes()) {
            double millis = note.played().toDouble() * perWhole;
            if (note.isRest()) {
                rest += millis;
                open = Optional.empty();
                continue;
            }
            if (open.isPresent() && open.get().note.pitches().equals(note.pitches())) {
                line.set(line.size() - 1, open.get().with(note, millis));
            } else {
                NotePlace place = tune.placeOf(note.id());
                Fraction eighths = place.offset().times(Fraction.of(8));
                int quaver = (int) Math.floorDiv(eighths.numerator(), eighths.denominator());
                boolean isOnBeat = place.offset().modulo(tempo.beatLength()).isZero();
                line.add(new Struck(note, List.of(note.id()), note.played(), millis, rest, isOnBeat, quaver));
            }
            rest = 0;
            open = note.marks().joins().tied() ? Optional.of(line.get(line.size() - 1)) : Optional.empty();
        }
        return List.copyOf(line);
    }

    /** What is to be fingered, from the lowest pitch to the melody. */
    List<FingeredPitch> pitches() {
        return note.pitches().stream()
                .map(pitch -> new FingeredPitch(pitch.midi()))
                .toList();
    }

    private Struck with(Note next, double more) {
        List<NoteId> all = new ArrayList<>(tied);
        all.add(next.id());
        return new Struck(note, all, length.plus(next.played()), millis + more, restMillis, isOnBeat, quaver);
    }
}
