package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.Made;
import wildflourish.core.hand.Scene;
import wildflourish.core.hand.SmallNotes;
import wildflourish.core.hand.Voice;
import wildflourish.core.instrument.Strings;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Share;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Graces;
import wildflourish.core.tune.Joins;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/**
 * A tune with what a version puts beside its notes by common notation: small notes, dots, accents, trills, breath marks. What has no common sign stands above
 * the staff by itself.
 *
 * @param tune the same notes, with more marks
 * @param small the notes that have small notes of an ornament
 */
public record Dressing(Tune tune, Set<NoteId> small) {
    public Dressing {
        small = Set.copyOf(small);
    }

    /** The tune as it is. */
    static Dressing none(Tune tune) {
        return new Dressing(tune, Set.of());
    }

    /** With what is played of a version, where each spot first stands. */
    public static Dressing of(Scene scene) {
        return of(scene, span -> true);
    }

    /** With those placements alone that lie on some spans. */
    static Dressing of(Scene scene, Predicate<Span> isAsked) {
        Version version = scene.version();
        if (version.spots().isEmpty() && version.layers().isEmpty()) {
            return none(scene.tune());
        }
        Map<NoteId, List<WrittenPitch>> small = new HashMap<>();
        Map<NoteId, List<String>> marks = new HashMap<>();
        Map<NoteId, List<WrittenPitch>> chords = new HashMap<>();
        for (Spot spot : version.spots().values()) {
            for (Placement placement : spot.first().filter(each -> isAsked.test(each.span())).stream()
                    .toList()) {
                dress(scene, placement, small, marks);
                chords.putAll(chords(scene, placement));
            }
        }
        breaths(scene.line(), marks);
        return new Dressing(dressed(scene.tune(), small, marks, chords), small.keySet());
    }

    private static void dress(
            Scene scene, Placement placement, Map<NoteId, List<WrittenPitch>> small, Map<NoteId, List<String>> marks) {
        List<Note> notes = placement.span().notes(scene.tune());
        boolean hasSmall = placement.stack().choices().stream()
                .anyMatch(choice -> choice.ornament().look().sign().equals("small"));
        if (hasSmall && placement.span().isInOneBar(scene.tune())) {
            madeOf(scene, placement).ifPresent(made -> smallNotes(scene, notes, made, small));
        }
        for (Choice choice : placement.stack().choices()) {
            String[] sign = choice.ornament().look().sign().split(" ", -1);
            if (sign[0].equals("mark") && sign[1].startsWith(SLUR)) {
                slur(notes, sign[1].endsWith("tenuto"), marks);
            } else if (sign[0].equals("mark") && sign[1].startsWith(SECOND)) {
                if (sign[1].endsWith("slide")) {
                    mark(scene, notes.get(0), "slide-up", choice, marks);
                }
            } else if (sign[0].equals("mark")) {
                mark(scene, notes.get(0), sign[1], choice, marks);
            }
        }
    }

    /** What the hand makes of a placement where it first stands; empty where it cannot make it. */
    public static Optional<Made> madeOf(Scene scene, Placement placement) {
        return scene.attempt(placement)
                .filter(attempt -> attempt.hitches().isEmpty())
                .flatMap(Attempt::made);
    }

    /** For each note of a placement the pitches that sound with it on other strings or buttons, itself among them; none where none do. */
    private static Map<NoteId, List<WrittenPitch>> chords(Scene scene, Placement placement) {
        boolean hasSeconds = placement.stack().choices().stream()
                .anyMatch(choice -> choice.ornament().form().claims().contains(Ornament.Slot.SECONDS));
        Optional<Strings> strings = scene.playing().instrument().strings();
        Map<NoteId, List<WrittenPitch>> chords = new HashMap<>();
        if (!hasSeconds
                || scene.playing().instrument().family().isWind()
                || madeOf(scene, placement).isEmpty()) {
            return chords;
        }
        for (Note note : placement.span().notes(scene.tune())) {
            List<WrittenPitch> pitches = new ArrayList<>(note.pitches());
            strings.ifPresent(held -> scene.ways().onStrings(note.id()).stream()
                    .flatMap(way -> way.hold().under().stream())
                    .forEach(place -> pitches.add(written(scene, note, place(held, place)))));
            scene.ways().onButtons(note.id()).stream()
                    .flatMap(way -> way.under().stream())
                    .map(ButtonWay::key)
                    .forEach(
                            key -> pitches.add(written(scene, note, key.button().pitch(key.bellows()))));
            pitches.sort(Comparator.comparingInt(WrittenPitch::midi));
            chords.put(note.id(), pitches);
        }
        return chords;
    }

    private static FingeredPitch place(Strings strings, Strings.Place place) {
        return new FingeredPitch(strings.open().get(place.string()).midi() + place.semitones());
    }

    private static WrittenPitch written(Scene scene, Note note, FingeredPitch fingered) {
        int bar = scene.tune().placeOf(note.id()).bar();
        return scene.tune()
                .keyAt(bar)
                .spelled(scene.playing().instrument().reading().writtenMidi(fingered));
    }

    private static final String SECOND = "second";
    private static final String SLUR = "slur";
    private static final String SLUR_OPENS = "slur opens";
    private static final String SLUR_CLOSES = "slur closes";

    /** A slur from the first note to the last, and a line over each where the bow leans on it. */
    private static void slur(List<Note> notes, boolean leans, Map<NoteId, List<String>> marks) {
        for (int i = 0; i < notes.size(); i++) {
            List<String> its = marks.computeIfAbsent(notes.get(i).id(), id -> new ArrayList<>());
            if (leans) {
                its.add("tenuto");
            }
            if (i == 0) {
                its.add(SLUR_OPENS);
            }
            if (i == notes.size() - 1) {
                its.add(SLUR_CLOSES);
            }
        }
    }

    private static void mark(Scene scene, Note note, String name, Choice choice, Map<NoteId, List<String>> marks) {
        String mark = name.equals("mordent")
                ? scene.playing().schoolOf(choice).equals("upper") ? "uppermordent" : "lowermordent"
                : name;
        if (mark.equals("staccato-before")) {
            scene.tune()
                    .neighbour(note.id(), -1)
                    .ifPresent(before -> marks.computeIfAbsent(before.id(), id -> new ArrayList<>())
                            .add("staccato"));
        } else {
            marks.computeIfAbsent(note.id(), id -> new ArrayList<>()).add(mark);
        }
    }

    /** Small notes before each note of the span on which a part falls; a part that is itself too short to be a note joins them. */
    private static void smallNotes(Scene scene, List<Note> notes, Made made, Map<NoteId, List<WrittenPitch>> small) {
        List<Made.Part> parts = made.parts();
        boolean isNoteByNote = notes.size() > 1 && parts.size() == notes.size();
        for (int i = 0; i < parts.size(); i++) {
            Made.Part part = parts.get(i);
            NoteId note = notes.get(isNoteByNote ? i : 0).id();
            List<WrittenPitch> its = small.computeIfAbsent(note, id -> new ArrayList<>());
            part.smalls()
                    .forEach(each ->
                            SmallNotes.written(scene, each, notes.get(0)).ifPresent(its::add));
            boolean isShort =
                    part.share().kind() == Share.Kind.SHORTEST || part.share().kind() == Share.Kind.TIMED;
            if (isShort && i + 1 < parts.size()) {
                part.landing().voices().stream()
                        .findFirst()
                        .flatMap(Voice::written)
                        .ifPresent(its::add);
            }
            if (its.isEmpty()) {
                small.remove(note);
            }
        }
    }

    /** A breath mark on every note after which a layer breathes. */
    private static void breaths(Line line, Map<NoteId, List<String>> marks) {
        for (Tone tone : line.tones()) {
            boolean isBreath = tone.isRest() && tone.index() > 0;
            List<String> its = isBreath ? marks.computeIfAbsent(tone.note().id(), id -> new ArrayList<>()) : List.of();
            if (isBreath && !its.contains("breath")) {
                its.add("breath");
            }
        }
    }

    private static Tune dressed(
            Tune tune,
            Map<NoteId, List<WrittenPitch>> small,
            Map<NoteId, List<String>> marks,
            Map<NoteId, List<WrittenPitch>> chords) {
        List<Bar> bars = tune.bars().stream()
                .map(bar -> new Bar(
                        bar.notes().stream()
                                .map(note -> dressed(note, small, marks))
                                .map(note -> Optional.ofNullable(chords.get(note.id()))
                                        .map(note::withPitches)
                                        .orElse(note))
                                .toList(),
                        bar.sides(),
                        bar.ending(),
                        bar.change()))
                .toList();
        return new Tune(tune.header(), bars, tune.tuplets(), tune.manuscript());
    }

    private static Note dressed(Note note, Map<NoteId, List<WrittenPitch>> small, Map<NoteId, List<String>> marks) {
        List<WrittenPitch> graces = small.getOrDefault(note.id(), List.of());
        List<String> more = marks.getOrDefault(note.id(), List.of());
        if (graces.isEmpty() && more.isEmpty()) {
            return note;
        }
        Marks its = note.marks();
        List<String> decorations = new ArrayList<>(its.decorations());
        more.stream().filter(each -> !each.startsWith(SLUR)).forEach(decorations::add);
        Joins joins = new Joins(
                its.joins().tied(),
                its.joins().slursOpen() + (more.contains(SLUR_OPENS) ? 1 : 0),
                its.joins().slursClose() + (more.contains(SLUR_CLOSES) ? 1 : 0),
                its.joins().beamed(),
                its.joins().held());
        return note.withMarks(new Marks(
                graces.isEmpty() ? its.graces() : new Graces(graces, false),
                decorations,
                its.chordSymbol(),
                its.annotations(),
                its.syllables(),
                joins));
    }
}
