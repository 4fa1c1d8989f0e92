package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Tempo;
import wildflourish.core.tune.Form;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.NotePlace;
import wildflourish.core.tune.Tune;

/**
 * A note of a line as it is begun: tied notes are one, rests are told by what follows them.
 *
 * @param note the first of the notes tied together
 * @param pitches what is fingered, from the lowest to the melody
 * @param tied all of the notes
 * @param length in whole notes
 * @param millis how long it lasts at the tempo
 * @param restMillis how long a rest stands before it; 0 for none
 * @param beat where in its bar it begins
 * @param demand what an ornament on it asks of the hand
 */
public record Struck(
        Note note,
        List<FingeredPitch> pitches,
        List<NoteId> tied,
        Fraction length,
        double millis,
        double restMillis,
        Beat beat,
        Demand demand) {
    public Struck {
        pitches = List.copyOf(pitches);
        tied = List.copyOf(tied);
    }

    /**
     * Where in its bar a note begins.
     *
     * @param isOnBeat whether on a beat of the tempo
     * @param isOnCount whether on a crotchet, or on a dotted one where the metre counts in those
     * @param quaver in which quaver, from 0
     * @param beginsQuaver whether with it, not within it
     * @param beginsPhrase whether it is the first beat of the first whole bar of a phrase
     */
    public record Beat(boolean isOnBeat, boolean isOnCount, int quaver, boolean beginsQuaver, boolean beginsPhrase) {}

    public boolean isOnBeat() {
        return beat.isOnBeat;
    }

    public int quaver() {
        return beat.quaver;
    }

    public boolean beginsQuaver() {
        return beat.beginsQuaver;
    }

    public boolean beginsPhrase() {
        return beat.beginsPhrase;
    }

    /** The notes of a tune as written, one after the other. */
    public static List<Struck> of(Tune tune, Tempo tempo) {
        return of(tune, tempo, Map.of());
    }

    /** The same with what ornaments on them ask of the hand. */
    static List<Struck> of(Tune tune, Tempo tempo, Map<NoteId, Demand> demands) {
        List<Struck> line = new ArrayList<>();
        double perWhole = tempo.millisOf(Fraction.ONE).toDouble();
        double rest = 0;
        Optional<Struck> open = Optional.empty();
        Set<Integer> firstBars = firstBars(tune);
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
                boolean beginsPhrase = place.offset().isZero() && firstBars.contains(place.bar());
                Metre metre = tune.metreAt(place.bar());
                Fraction count = metre.isCompound() ? metre.countLength() : Fraction.of(1, 4);
                boolean isOnCount = place.offset().modulo(count).isZero();
                Beat beat = new Beat(isOnBeat, isOnCount, quaver, eighths.denominator() == 1, beginsPhrase);
                Demand demand = demands.getOrDefault(note.id(), Demand.PLAIN);
                Struck struck = new Struck(
                        note, pitches(note), List.of(note.id()), note.played(), millis, rest, beat, Demand.PLAIN);
                line.add(struck.asked(demand));
            }
            rest = 0;
            open = note.marks().joins().tied() ? Optional.of(line.get(line.size() - 1)) : Optional.empty();
        }
        return List.copyOf(line);
    }

    /** A line in which what stands on several written notes is one. */
    static List<Struck> joined(List<Struck> line, Map<NoteId, ButtonDemand> demands) {
        List<Struck> joined = new ArrayList<>();
        int i = 0;
        while (i < line.size()) {
            ButtonDemand demand = demands.get(line.get(i).note().id());
            int count = demand == null ? 1 : Math.min(demand.count(), line.size() - i);
            Struck whole = line.get(i);
            for (Struck next : line.subList(i + 1, i + count)) {
                whole = whole.with(next);
            }
            joined.add(whole);
            i += count;
        }
        return List.copyOf(joined);
    }

    /** The first whole bar of each phrase. */
    private static Set<Integer> firstBars(Tune tune) {
        Set<Integer> bars = new HashSet<>();
        for (Form.Stretch stretch : tune.form().stretches()) {
            boolean isPickup = tune.form().isPickup(stretch.firstBar()) && stretch.firstBar() < stretch.lastBar();
            bars.add(isPickup ? stretch.firstBar() + 1 : stretch.firstBar());
        }
        return bars;
    }

    private static List<FingeredPitch> pitches(Note note) {
        return note.pitches().stream()
                .map(pitch -> new FingeredPitch(pitch.midi()))
                .toList();
    }

    /** The highest pitch. */
    public FingeredPitch melody() {
        return pitches.get(pitches.size() - 1);
    }

    public boolean isChord() {
        return pitches.size() > 1;
    }

    /** The same with other pitches, at least one, in place of those written. */
    public Struck withPitches(List<FingeredPitch> others) {
        List<FingeredPitch> sorted = others.stream()
                .sorted(Comparator.comparing(FingeredPitch::midi))
                .toList();
        return new Struck(note, sorted, tied, length, millis, restMillis, beat, demand);
    }

    /** So many semitones higher. */
    public Struck moved(int semitones) {
        return withPitches(pitches.stream()
                .map(pitch -> new FingeredPitch(pitch.midi() + semitones))
                .toList());
    }

    /** The same note with this asked of the hand, other pitches in place of those written among it. */
    Struck asked(Demand other) {
        List<FingeredPitch> fingered = other.instead().isEmpty() ? pitches(note) : other.instead();
        return new Struck(note, fingered, tied, length, millis, restMillis, beat, other);
    }

    /** With something else asked of the hand. */
    Struck with(Demand other) {
        return new Struck(note, pitches, tied, length, millis, restMillis, beat, other);
    }

    private Struck with(Note next, double more) {
        List<NoteId> all = new ArrayList<>(tied);
        all.add(next.id());
        return new Struck(note, pitches, all, length.plus(next.played()), millis + more, restMillis, beat, demand);
    }

    /** With another that follows it, as one. */
    private Struck with(Struck next) {
        List<NoteId> all = new ArrayList<>(tied);
        all.addAll(next.tied);
        return new Struck(note, pitches, all, length.plus(next.length), millis + next.millis, restMillis, beat, demand);
    }

    /** The same, everything so many times as slow. */
    Struck slower(double times) {
        return new Struck(note, pitches, tied, length, millis * times, restMillis * times, beat, demand);
    }
}
