package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.Made;
import wildflourish.core.hand.Scene;
import wildflourish.core.hand.Voice;
import wildflourish.core.instrument.Strings;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Choice;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Duration;
import wildflourish.core.tune.Joins;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;

/**
 * A tune with the notes that layers have put in place of its own, as they are first played. Each further note of one written note has an identity that no written note
 * has; a bar with a group under a number, or with a length that no note has, stays as it is written.
 *
 * @param owners for each further note the written one it comes from
 * @param touches what the hand does for the further notes
 */
record WrittenOut(Tune tune, Map<NoteId, NoteId> owners, Map<NoteId, HandLines.Touch> touches) {
    private static final Fraction QUAVER = Fraction.of(1, 8);
    private static final Fraction MINIM = Fraction.of(1, 2);
    /** Lengths of notes with one dot at most. */
    private static final List<Fraction> LENGTHS = List.of(
            Fraction.of(1, 32),
            Fraction.of(1, 16),
            Fraction.of(3, 32),
            Fraction.of(1, 8),
            Fraction.of(3, 16),
            Fraction.of(1, 4),
            Fraction.of(3, 8),
            Fraction.of(1, 2),
            Fraction.of(3, 4),
            Fraction.ONE);

    private static final Map<String, HandLines.Stroke> FINGERS = Map.of(
            "T", HandLines.Stroke.THUMB,
            "I", HandLines.Stroke.INDEX,
            "M", HandLines.Stroke.MIDDLE,
            "N", HandLines.Stroke.NAIL);

    WrittenOut {
        owners = Map.copyOf(owners);
        touches = Map.copyOf(touches);
    }

    /** With nothing but what the tune has. */
    static WrittenOut none(Tune tune) {
        return new WrittenOut(tune, Map.of(), Map.of());
    }

    /** A tune that has been given its marks, with the tones of a scene. */
    static WrittenOut of(Scene scene, Tune marked) {
        return scene.version().layers().isEmpty() ? none(marked) : new Writing(scene, marked).run();
    }

    /** A note as it is to stand, and how it is taken. */
    private record Piece(
            Note owner, int number, List<WrittenPitch> pitches, Fraction length, Optional<Tone.Pick> pick) {}

    private static final class Writing {
        private final Scene scene;
        private final Tune marked;
        private final Map<NoteId, NoteId> owners = new HashMap<>();
        private final Map<NoteId, HandLines.Touch> touches = new HashMap<>();
        private int next;

        Writing(Scene scene, Tune marked) {
            this.scene = scene;
            this.marked = marked;
            this.next = marked.notes().stream()
                            .map(Note::id)
                            .max(Comparator.naturalOrder())
                            .map(NoteId::number)
                            .orElse(0)
                    + 1;
        }

        WrittenOut run() {
            Map<Integer, List<Tone>> first = firstPlayings(scene.line());
            List<Bar> bars = new ArrayList<>();
            for (int bar = 0; bar < marked.bars().size(); bar++) {
                Bar written = marked.bars().get(bar);
                List<Tone> tones = first.getOrDefault(bar, List.of());
                bars.add(
                        isChanged(written, tones) ? changed(bar, written, tones).orElse(written) : written);
            }
            Tune tune = new Tune(marked.header(), bars, marked.tuplets(), marked.manuscript());
            return new WrittenOut(tune, owners, touches);
        }

        private static Map<Integer, List<Tone>> firstPlayings(Line line) {
            Map<Integer, Integer> played = new HashMap<>();
            Map<Integer, List<Tone>> bars = new TreeMap<>();
            for (Tone tone : line.tones()) {
                int bar = tone.place().played().bar();
                int first = played.computeIfAbsent(bar, key -> tone.place().playedBar());
                if (tone.place().playedBar() == first) {
                    bars.computeIfAbsent(bar, key -> new ArrayList<>()).add(tone);
                }
            }
            return bars;
        }

        private boolean isChanged(Bar written, List<Tone> tones) {
            boolean isAsWritten = written.notes().size() == tones.size();
            for (int i = 0; i < tones.size() && isAsWritten; i++) {
                Note note = scene.tune().note(written.notes().get(i).id());
                Tone tone = tones.get(i);
                isAsWritten = tone.note().id().equals(note.id())
                        && tone.length().equals(note.played())
                        && tone.pitches().equals(note.pitches())
                        && (tone.placed().isEmpty() || isTeachers(tone));
            }
            boolean hasTuplet = written.notes().stream()
                    .anyMatch(note -> marked.tupletAt(note.id()).isPresent());
            return !tones.isEmpty() && !isAsWritten && !hasTuplet;
        }

        /** Whether the ornament on a tone was placed by the teacher, not by a layer. */
        private boolean isTeachers(Tone tone) {
            return scene.version()
                    .at(tone.note().id())
                    .flatMap(spot -> spot.playedOn(tone.pass()))
                    .isPresent();
        }

        /** Empty where some length of it cannot be written. */
        private Optional<Bar> changed(int bar, Bar written, List<Tone> tones) {
            List<Piece> pieces = new ArrayList<>();
            Map<NoteId, Integer> numbers = new HashMap<>();
            int skipped = 0;
            for (int i = 0; i < tones.size(); i++) {
                Tone tone = tones.get(i);
                if (skipped > 0) {
                    skipped--;
                    continue;
                }
                Optional<Placement> layers = tone.placed().filter(each -> !isTeachers(tone));
                List<Piece> own = layers.isPresent() ? ofPlacement(tone, layers.get()) : List.of(piece(tone));
                skipped = layers.map(each ->
                                scene.line().countOf(scene.line().tones().indexOf(tone), each) - 1)
                        .orElse(0);
                for (Piece each : own) {
                    int number = numbers.merge(each.owner().id(), 1, Integer::sum) - 1;
                    pieces.add(new Piece(each.owner(), number, each.pitches(), each.length(), each.pick()));
                }
            }
            boolean isWritable = pieces.stream().allMatch(piece -> LENGTHS.contains(piece.length()));
            return isWritable
                    ? Optional.of(new Bar(notes(bar, pieces), written.sides(), written.ending(), written.change()))
                    : Optional.empty();
        }

        private Piece piece(Tone tone) {
            List<WrittenPitch> pitches = tone.isRest() ? List.of() : sorted(tone.pitches());
            return new Piece(marked.note(tone.note().id()), 0, pitches, tone.length(), tone.pick());
        }

        /** What an ornament of a layer makes of a tone, part by part. */
        private List<Piece> ofPlacement(Tone tone, Placement placement) {
            int at = scene.line().tones().indexOf(tone);
            int count = scene.line().countOf(at, placement);
            Optional<Made> made = scene.attempt(at, count, placement.stack())
                    .filter(attempt -> attempt.hitches().isEmpty())
                    .flatMap(Attempt::made);
            boolean isBySign = placement.stack().choices().stream()
                    .allMatch(choice -> choice.ornament().look().written().startsWith("words"));
            if (made.isEmpty() || isBySign) {
                return List.of(piece(tone));
            }
            Fraction whole = Fraction.ZERO;
            for (Tone each : scene.line().tones().subList(at, at + count)) {
                whole = whole.plus(each.length());
            }
            List<Piece> pieces = new ArrayList<>();
            for (Made.Slot slot : made.get().slots()) {
                Made.Part part = slot.parts().get(0);
                List<WrittenPitch> pitches = part.landing().voices().stream()
                        .map(Voice::written)
                        .flatMap(Optional::stream)
                        .toList();
                pieces.add(new Piece(
                        marked.note(tone.note().id()),
                        0,
                        sorted(pitches),
                        whole.times(slot.share().part()),
                        tone.pick()));
            }
            return pieces;
        }

        private static List<WrittenPitch> sorted(List<WrittenPitch> pitches) {
            return pitches.stream()
                    .sorted(Comparator.comparingInt(WrittenPitch::midi))
                    .toList();
        }

        private List<Note> notes(int bar, List<Piece> pieces) {
            Metre metre = scene.tune().metreAt(bar);
            Fraction group = metre.isCompound() ? metre.countLength() : MINIM.min(metre.barLength());
            List<Note> notes = new ArrayList<>();
            Fraction at = scene.tune().placeOf(pieces.get(0).owner().id()).offset();
            for (Piece piece : pieces) {
                Fraction end = at.plus(piece.length());
                boolean isBeamed = !end.modulo(group).isZero();
                Note note = note(piece, isBeamed);
                notes.add(note);
                if (piece.number() > 0 && !note.isRest()) {
                    touch(piece, note, at);
                }
                at = end;
            }
            return notes;
        }

        private Note note(Piece piece, boolean isBeamed) {
            Duration duration = new Duration(piece.length(), piece.length());
            Joins joins = new Joins(false, 0, 0, isBeamed);
            if (piece.number() > 0) {
                NoteId id = new NoteId(next++);
                owners.put(id, piece.owner().id());
                return new Note(id, piece.pitches(), duration, Marks.NONE.withJoins(joins));
            }
            Marks own = piece.owner().marks();
            List<String> annotations = new ArrayList<>(own.annotations());
            scene
                    .line()
                    .indexOf(piece.owner().id())
                    .flatMap(at -> scene.line().tones().get(at).placed())
                    .stream()
                    .flatMap(placement -> placement.stack().choices().stream())
                    .map(Choice::ornament)
                    .map(ornament -> ornament.look().written())
                    .filter(written -> written.startsWith("words "))
                    .forEach(written -> annotations.add(written.substring("words ".length())));
            List<String> decorations = new ArrayList<>(own.decorations());
            if (isHeldOn(piece.owner().id())) {
                decorations.add(TiesAndSlurs.HELD_ON);
            }
            Marks marks = new Marks(own.graces(), decorations, own.chordSymbol(), annotations, own.syllables(), joins);
            return new Note(piece.owner().id(), piece.pitches(), duration, marks);
        }

        /** Whether something that sounds with a note goes on under the next one. */
        private boolean isHeldOn(NoteId note) {
            Optional<Integer> at = scene.line().indexOf(note);
            boolean hasNext =
                    at.filter(each -> each + 1 < scene.line().tones().size()).isPresent();
            if (!hasNext) {
                return false;
            }
            List<Voice> now = voices(at.orElseThrow());
            return voices(at.get() + 1).stream()
                    .anyMatch(next -> !next.begins()
                            && now.stream().anyMatch(voice -> voice.lane().equals(next.lane())));
        }

        /** What sounds first of the ornament on a tone; none where there is none. */
        private List<Voice> voices(int tone) {
            return scene.placed(tone)
                    .flatMap(Attempt::made)
                    .map(made -> made.parts().get(0).landing().voices())
                    .orElse(List.of());
        }

        // The hand

        private void touch(Piece piece, Note note, Fraction offset) {
            Optional<HandLines> lines = scene.lines();
            Optional<Strings> strings = scene.playing().instrument().strings();
            if (lines.isPresent() && strings.isEmpty()) {
                again(piece, note, lines.get());
            }
            if (lines.isEmpty() || strings.isEmpty()) {
                return;
            }
            List<HandLines.Label> labels = labels(piece, note, lines.get(), strings.get());
            if (!labels.isEmpty()) {
                touches.put(note.id(), new HandLines.Touch(labels, stroke(piece, offset), true));
            }
        }

        /** On buttons what strikes a note again is where the note itself is. */
        private void again(Piece piece, Note note, HandLines lines) {
            HandLines.Touch own = lines.touches().get(piece.owner().id());
            boolean isSame = scene.tune().note(piece.owner().id()).pitches().equals(note.pitches());
            if (own != null && isSame) {
                touches.put(note.id(), new HandLines.Touch(own.labels(), own.stroke(), true));
            }
        }

        private List<HandLines.Label> labels(Piece piece, Note note, HandLines lines, Strings strings) {
            Optional<Tone.Pick> pick = piece.pick().filter(each -> each.string() >= 0);
            if (pick.isPresent()) {
                int lane = strings.fromTop().indexOf(pick.get().string());
                return List.of(
                        new HandLines.Label(lane, String.valueOf(pick.get().fret()), false));
            }
            HandLines.Touch own = lines.touches().get(piece.owner().id());
            boolean isSame = own != null
                    && scene.tune().note(piece.owner().id()).pitches().equals(note.pitches());
            if (own != null && isSame) {
                return List.of(own.labels().get(0));
            }
            int near = own == null ? 0 : own.labels().get(0).lane();
            List<HandLines.Label> labels = new ArrayList<>();
            for (WrittenPitch pitch : note.pitches()) {
                place(pitch, strings, near, labels).ifPresent(labels::add);
            }
            return labels;
        }

        /** The nearest string that has a pitch and is not taken yet, by its lowest fret. */
        private Optional<HandLines.Label> place(
                WrittenPitch pitch, Strings strings, int near, List<HandLines.Label> taken) {
            FingeredPitch fingered = scene.playing().instrument().reading().fingered(pitch);
            boolean isBow = strings.stroke() == Strings.Stroke.BOW;
            return strings.placesOf(fingered).stream()
                    .map(place -> new HandLines.Label(
                            strings.fromTop().indexOf(place.string()),
                            isBow ? place.stop().name() : String.valueOf(place.semitones()),
                            false))
                    .filter(label -> taken.stream().noneMatch(other -> other.lane() == label.lane()))
                    .min(Comparator.comparingInt((HandLines.Label label) -> Math.abs(label.lane() - near)));
        }

        private HandLines.Stroke stroke(Piece piece, Fraction offset) {
            String fingers = piece.pick().map(Tone.Pick::fingers).orElse("");
            if (!fingers.isEmpty()) {
                return FINGERS.getOrDefault(fingers.substring(0, 1), HandLines.Stroke.THUMB);
            }
            return offset.modulo(QUAVER.times(2)).isZero() ? HandLines.Stroke.DOWN : HandLines.Stroke.UP;
        }
    }
}
