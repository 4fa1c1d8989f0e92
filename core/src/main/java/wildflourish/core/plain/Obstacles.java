package wildflourish.core.plain;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Stream;
import wildflourish.core.fingering.LinePath;
import wildflourish.core.fingering.LineWays;
import wildflourish.core.fingering.Struck;
import wildflourish.core.form.Harmony;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Schools;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/**
 * What cannot be played of a plain tune on an instrument, with what helps. A remedy is offered only where the line with it has been played through: the places
 * are free then, and nothing else has come to a stop.
 *
 * @param obstacles in the order of the tune, alike ones together
 * @param whole what helps everywhere at once
 */
public record Obstacles(List<Obstacle> obstacles, List<Remedy> whole) {
    private static final int OCTAVE = 12;
    private static final int MOST_KEYS = 2;
    private static final int MOST_INSTRUMENTS = 3;
    /** No tune is asked to be played slower than this part of its tempo. */
    private static final int SLOWEST_PERCENT = 40;

    public Obstacles {
        obstacles = List.copyOf(obstacles);
        whole = List.copyOf(whole);
    }

    public boolean isEmpty() {
        return obstacles.isEmpty();
    }

    /** Of a tune as written, at a tempo. */
    public static Obstacles of(Tune tune, Instrument instrument, Schools schools, Tempo tempo) {
        return new Search(tune, instrument, schools, tempo).run();
    }

    /** What stops a line and at which notes. */
    private record Kind(LinePath.Why why, List<WrittenPitch> pitches) {}

    private static final class Search {
        private final Tune tune;
        private final Instrument instrument;
        private final Schools schools;
        private final Tempo tempo;
        private final List<Struck> line;
        private final Set<NoteId> stops;

        Search(Tune tune, Instrument instrument, Schools schools, Tempo tempo) {
            this.tune = tune;
            this.instrument = instrument;
            this.schools = schools;
            this.tempo = tempo;
            this.line = Struck.of(tune, tempo);
            this.stops = stops(line, instrument, schools);
        }

        private Set<NoteId> stops(List<Struck> asked, Instrument on, Schools manner) {
            Set<NoteId> notes = new LinkedHashSet<>();
            LineWays.troubles(asked, on, manner, tune.metreAt(0)).forEach(trouble -> notes.add(trouble.note()));
            return notes;
        }

        Obstacles run() {
            Map<Kind, List<NoteId>> kinds = new LinkedHashMap<>();
            for (LinePath.Trouble trouble : LineWays.troubles(line, instrument, schools, tune.metreAt(0))) {
                Kind kind = new Kind(trouble.why(), tune.note(trouble.note()).pitches());
                kinds.computeIfAbsent(kind, each -> new ArrayList<>()).add(trouble.note());
            }
            List<Obstacle> obstacles = new ArrayList<>();
            kinds.forEach((kind, places) ->
                    obstacles.add(new Obstacle(kind.why, kind.pitches, places, remedies(kind, Set.copyOf(places)))));
            return new Obstacles(obstacles, obstacles.isEmpty() ? List.of() : whole());
        }

        // At the places

        private List<Remedy> remedies(Kind kind, Set<NoteId> places) {
            List<Remedy> remedies = new ArrayList<>();
            if (kind.why.leavesMelody()) {
                played(places, struck -> List.of(struck.melody()))
                        .ifPresent(pitches -> remedies.add(Remedy.of(Remedy.Kind.MELODY_ALONE, pitches)));
            }
            instead(remedies, Remedy.Kind.OCTAVE_DOWN, places, struck -> octave(kind, struck, -OCTAVE));
            instead(remedies, Remedy.Kind.OCTAVE_UP, places, struck -> octave(kind, struck, OCTAVE));
            if (!kind.why.leavesMelody()) {
                instead(
                        remedies,
                        Remedy.Kind.NOTE_BEFORE,
                        places,
                        struck -> before(struck).stream().toList());
                instead(
                        remedies,
                        Remedy.Kind.CHORD_NOTE,
                        places,
                        struck -> chordNote(struck).stream().toList());
            }
            if (kind.why == LinePath.Why.TOO_FAST) {
                slower(places).ifPresent(remedies::add);
            }
            return remedies;
        }

        private void instead(
                List<Remedy> remedies,
                Remedy.Kind kind,
                Set<NoteId> places,
                Function<Struck, List<FingeredPitch>> otherwise) {
            boolean isKnown = line.stream()
                    .filter(struck -> places.contains(struck.note().id()))
                    .allMatch(struck -> !otherwise.apply(struck).isEmpty());
            if (isKnown) {
                played(places, otherwise).ifPresent(pitches -> remedies.add(Remedy.of(kind, pitches)));
            }
        }

        /** The other pitches if the line can be played with them. */
        private Optional<List<FingeredPitch>> played(
                Set<NoteId> places, Function<Struck, List<FingeredPitch>> otherwise) {
            Set<Integer> used = new TreeSet<>();
            List<Struck> changed = line.stream()
                    .map(struck -> {
                        if (!places.contains(struck.note().id())) {
                            return struck;
                        }
                        List<FingeredPitch> pitches = otherwise.apply(struck);
                        pitches.forEach(pitch -> used.add(pitch.midi()));
                        return struck.withPitches(pitches);
                    })
                    .toList();
            Set<NoteId> left = stops(changed, instrument, schools);
            boolean helps = left.stream().noneMatch(places::contains) && stops.containsAll(left);
            return helps ? Optional.of(used.stream().map(FingeredPitch::new).toList()) : Optional.empty();
        }

        /** The note an octave away; of notes together the lower ones, if they stay below the melody. */
        private static List<FingeredPitch> octave(Kind kind, Struck struck, int semitones) {
            if (!kind.why.leavesMelody()) {
                return struck.moved(semitones).pitches();
            }
            List<FingeredPitch> moved = new ArrayList<>();
            for (FingeredPitch pitch : struck.pitches()) {
                boolean isMelody = pitch.equals(struck.melody());
                moved.add(isMelody ? pitch : new FingeredPitch(pitch.midi() + semitones));
            }
            boolean staysBelow = moved.stream()
                    .allMatch(pitch -> pitch.midi() <= struck.melody().midi());
            return staysBelow ? moved : List.of();
        }

        /** The last note before that is no obstacle. */
        private Optional<FingeredPitch> before(Struck struck) {
            for (int i = line.indexOf(struck) - 1; i >= 0; i--) {
                if (!stops.contains(line.get(i).note().id())) {
                    return Optional.of(line.get(i).melody());
                }
            }
            return Optional.empty();
        }

        /** The next note down of the chord that stands there, or else of the one that the notes of the bar suggest. */
        private Optional<FingeredPitch> chordNote(Struck struck) {
            Set<Integer> classes = Harmony.at(tune, struck.note().id());
            return Stream.iterate(struck.melody().midi() - 1, midi -> midi - 1)
                    .limit(OCTAVE)
                    .filter(midi -> classes.contains(Math.floorMod(midi, OCTAVE)))
                    .findFirst()
                    .map(FingeredPitch::new);
        }

        /** The fastest tempo, in steps of a twentieth, at which the places are free. */
        private Optional<Remedy> slower(Collection<NoteId> places) {
            for (int percent = 95; percent >= SLOWEST_PERCENT; percent -= 5) {
                Fraction beats = tempo.beatsPerMinute().times(Fraction.of(percent, 100));
                Tempo slow = new Tempo(Fraction.of((long) Math.floor(beats.toDouble())), tempo.beatLength());
                Set<NoteId> left = stops(Struck.of(tune, slow), instrument, schools);
                if (left.stream().noneMatch(places::contains)) {
                    return Optional.of(Remedy.slower(slow));
                }
            }
            return Optional.empty();
        }

        // Everywhere

        private List<Remedy> whole() {
            List<Remedy> remedies = new ArrayList<>();
            Stream.of(instrument.schools(), instrument.strokes())
                    .flatMap(List::stream)
                    .filter(other -> !schools.with(other, instrument).equals(schools))
                    .filter(other -> isFree(0, instrument, schools.with(other, instrument)))
                    .findFirst()
                    .ifPresent(other -> remedies.add(Remedy.in(other)));
            for (int semitones : new int[] {OCTAVE, -OCTAVE}) {
                if (isFree(semitones, instrument, schools)) {
                    remedies.add(Remedy.octave(semitones));
                }
            }
            for (int away = 1; away <= OCTAVE / 2; away++) {
                for (int semitones : new int[] {away, -away}) {
                    if (keys(remedies) < MOST_KEYS && isFree(semitones, instrument, schools)) {
                        remedies.add(Remedy.otherKey(tune.keyAt(0).moved(semitones), semitones));
                    }
                }
            }
            others().filter(other -> isFree(0, other, Schools.usual(other)))
                    .limit(MOST_INSTRUMENTS)
                    .forEach(other -> remedies.add(Remedy.on(other)));
            return remedies;
        }

        private static long keys(List<Remedy> remedies) {
            return remedies.stream()
                    .filter(remedy -> remedy.kind() == Remedy.Kind.OTHER_KEY)
                    .count();
        }

        private boolean isFree(int semitones, Instrument on, Schools manner) {
            List<Struck> moved = semitones == 0
                    ? line
                    : line.stream().map(struck -> struck.moved(semitones)).toList();
            return stops(moved, on, manner).isEmpty();
        }

        /** Instruments of the family first, then others of its kind. */
        private Stream<Instrument> others() {
            Set<Instrument> others = new LinkedHashSet<>();
            for (Function<Instrument, Object> alike : List.<Function<Instrument, Object>>of(
                    Instrument::family, each -> each.family().kind())) {
                Instrument.all().stream()
                        .filter(each -> alike.apply(each).equals(alike.apply(instrument)))
                        .forEach(others::add);
            }
            others.remove(instrument);
            return others.stream();
        }
    }
}
