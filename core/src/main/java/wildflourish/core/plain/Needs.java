package wildflourish.core.plain;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import wildflourish.core.fingering.FingeringPath;
import wildflourish.core.fingering.Habit;
import wildflourish.core.instrument.Breath;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Hole;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Key;
import wildflourish.core.music.Step;
import wildflourish.core.music.Tempo;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/**
 * What a plain tune needs on an instrument.
 *
 * @param notes every pitch with the notes it stands at, from low to high
 * @param missing pitches the instrument does not have
 * @param fingers what it asks of them
 * @param absent steps of the key's seven that never sound: a gapped scale
 * @param spots where it is hard, the hardest first
 * @param grade from 1, the easiest, upward in tenths; empty where notes are missing
 */
public record Needs(
        Map<WrittenPitch, List<NoteId>> notes,
        Set<WrittenPitch> missing,
        Fingers fingers,
        Set<Step> absent,
        List<HardSpot> spots,
        Optional<Double> grade) {
    private static final int A_NINTH = 14;
    private static final int MANY_FINGERS = 4;

    /** Pitches that ask something special of the fingers. */
    public record Fingers(Set<WrittenPitch> halfHoled, Set<WrittenPitch> crossFingered, boolean usesSecondRegister) {}

    /** At a tempo, which decides which spots are hard because they are fast. */
    public static Needs of(Tune tune, Instrument instrument, Tempo tempo) {
        return of(tune, instrument, tempo, Habit.NONE);
    }

    /** The same for a student, with the fingerings that student keeps to on holes. */
    public static Needs of(Tune tune, Instrument instrument, Tempo tempo, Habit habit) {
        return new Reader(tune, instrument, tempo, habit).read();
    }

    /** The notes whose pitch occurs but once. */
    public List<NoteId> once() {
        return notes.values().stream()
                .filter(places -> places.size() == 1)
                .map(places -> places.get(0))
                .toList();
    }

    private static final class Reader {
        private final Tune tune;
        private final Instrument instrument;
        private final Tempo tempo;
        private final FingeringPath path;
        private final Map<NoteId, List<HardSpot.Kind>> lineSpots;
        private final Map<WrittenPitch, List<NoteId>> notes = new TreeMap<>(byHeight());
        private final Set<WrittenPitch> missing = new TreeSet<>(byHeight());
        private final Set<WrittenPitch> half = new TreeSet<>(byHeight());
        private final Set<WrittenPitch> cross = new TreeSet<>(byHeight());
        private final List<HardSpot> spots = new ArrayList<>();
        private boolean usesSecondRegister;

        Reader(Tune tune, Instrument instrument, Tempo tempo, Habit habit) {
            this.tune = tune;
            this.instrument = instrument;
            this.tempo = tempo;
            this.path = FingeringPath.of(tune.notes(), instrument, Map.of(), habit);
            this.lineSpots = LineSpots.of(tune, instrument, tempo);
        }

        private static Comparator<WrittenPitch> byHeight() {
            return Comparator.comparingInt(WrittenPitch::midi).thenComparingInt(WrittenPitch::staffStep);
        }

        Needs read() {
            Optional<Note> before = Optional.empty();
            for (Note note : tune.notes()) {
                if (note.isRest()) {
                    before = Optional.empty();
                    continue;
                }
                read(note, before);
                before = Optional.of(note);
            }
            spots.sort(Comparator.comparingDouble(HardSpot::points).reversed());
            Optional<Double> grade = missing.isEmpty() && !notes.isEmpty() ? Optional.of(grade()) : Optional.empty();
            return new Needs(
                    notes, missing, new Fingers(half, cross, usesSecondRegister), absent(), List.copyOf(spots), grade);
        }

        private void read(Note note, Optional<Note> before) {
            WrittenPitch pitch = note.melody();
            notes.computeIfAbsent(pitch, key -> new ArrayList<>()).add(note.id());
            if (!instrument.has(pitch)) {
                missing.add(pitch);
                return;
            }
            Optional<ChartRow> row = instrument.rowOf(pitch);
            if (row.isEmpty()) {
                before.ifPresent(earlier -> line(earlier, note));
                return;
            }
            Fingering fingering = path.at(note.id()).orElse(row.get().usual());
            double millis = tempo.millisOf(note.played()).toDouble();
            usesSecondRegister |= row.get().breath() == Breath.FIRM;
            if (fingering.has(Hole.HALF)) {
                half.add(pitch);
                spot(note, HardSpot.Kind.HALF, millis);
            }
            if (fingering.isCrossed() && instrument.family().hasPlainScale()) {
                cross.add(pitch);
                spot(note, HardSpot.Kind.CROSS, millis);
            }
            before.ifPresent(earlier -> move(earlier, note, row.get(), fingering));
        }

        private void move(Note before, Note note, ChartRow row, Fingering fingering) {
            Optional<ChartRow> from = instrument.rowOf(before.melody());
            if (from.isEmpty() || before.melody().equals(note.melody())) {
                return;
            }
            double millis = tempo.millisOf(before.played()).toDouble();
            Fingering held = path.at(before.id()).orElse(from.get().usual());
            if (from.get().breath() != row.breath()) {
                spot(note, HardSpot.Kind.BREAK, millis);
            }
            if (Math.abs(before.melody().midi() - note.melody().midi()) >= A_NINTH) {
                spot(note, HardSpot.Kind.LEAP, millis);
            }
            if (held.fingersTo(fingering) >= MANY_FINGERS && crosses(held, fingering)) {
                spot(note, HardSpot.Kind.MANY, millis);
            }
        }

        /** On strings and buttons. */
        private void line(Note before, Note note) {
            double millis = tempo.millisOf(before.played()).toDouble();
            lineSpots.getOrDefault(note.id(), List.of()).forEach(kind -> spot(note, kind, millis));
            if (Math.abs(before.melody().midi() - note.melody().midi()) >= A_NINTH) {
                spot(note, HardSpot.Kind.LEAP, millis);
            }
        }

        private static boolean crosses(Fingering from, Fingering to) {
            boolean up = false;
            boolean down = false;
            for (int hole = 1; hole <= from.holes().size(); hole++) {
                up |= to.at(hole).openness() > from.at(hole).openness();
                down |= to.at(hole).openness() < from.at(hole).openness();
            }
            return up && down;
        }

        private void spot(Note note, HardSpot.Kind kind, double millis) {
            Points points = Points.of(kind.word());
            if (points.counts(millis)) {
                NoteId first = tune.neighbour(note.id(), -1).map(Note::id).orElse(note.id());
                NoteId last = tune.neighbour(note.id(), 1).map(Note::id).orElse(note.id());
                spots.add(new HardSpot(note.id(), kind, points.points(), new HardSpot.Loop(first, last)));
            }
        }

        private Set<Step> absent() {
            Set<Step> absent = EnumSet.allOf(Step.class);
            Key key = tune.keyAt(0);
            for (WrittenPitch pitch : notes.keySet()) {
                if (key.alterOf(pitch.step()) == pitch.alter()) {
                    absent.remove(pitch.step());
                }
            }
            return notes.isEmpty() ? Set.of() : absent;
        }

        /** One, and what speed, register, kinds of fingering and hard spots add; in tenths. */
        private double grade() {
            double millis = 0;
            for (Note note : tune.notes()) {
                millis += tempo.millisOf(note.played()).toDouble();
            }
            double notesASecond = tune.notes().size() / Math.max(1, millis / 1000);
            double bars = Math.max(1, tune.bars().size());
            double hard = spots.stream().mapToDouble(HardSpot::points).sum() / bars * 8;
            double grade = notesASecond * Points.of("grade second").points()
                    + (usesSecondRegister ? Points.of("grade register").points() : 0)
                    + half.size() * Points.of("grade half").points()
                    + cross.size() * Points.of("grade cross").points()
                    + hard * Points.of("grade spots").points();
            return Math.max(1, Math.round(grade * 10) / 10.0);
        }
    }
}
