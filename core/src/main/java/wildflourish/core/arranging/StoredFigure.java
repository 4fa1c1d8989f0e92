package wildflourish.core.arranging;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.form.Harmony;
import wildflourish.core.hand.Scene;
import wildflourish.core.line.FigureNotes;
import wildflourish.core.line.FigureNotes.Begun;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.Metre;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/**
 * A bar or a few notes of a version, with what is placed on them, to be used again elsewhere: a rhythm on a beat, degrees of a scale, ornaments and strokes. It is a
 * small tune of its own with one version. Where it is put it brings its notes, moved to the degree on which it stands there, and what is placed on them.
 *
 * @param tune the notes, whole bars
 * @param version what is placed on them
 * @param span its notes within the bars
 */
public record StoredFigure(Tune tune, Version version, Span span) {
    private static final int OCTAVE = 12;
    private static final int MIDDLE_C = 60;
    /** Its pitch class. */
    private static final int A = 9;

    /**
     * A place where a figure fits.
     *
     * @param span of the tune, as many notes as the figure has
     * @param steps how many steps of the scale it lies higher there than in its own key on the home note; below 0 lower
     * @param fits whether everything of it is clean there at the version's tempo
     */
    public record Place(Span span, int steps, boolean fits) {}

    public String name() {
        return tune.title();
    }

    /** As they are played, which may be otherwise than the tune has them that it was taken from. */
    public List<Begun> notes() {
        return FigureNotes.begun(tune, version, span);
    }

    private static Fraction length(Tune tune, Begun begun) {
        int first = tune.placeOf(begun.note().id()).order();
        return length(tune.notes().subList(first, first + begun.count()));
    }

    private static Fraction length(List<Note> notes) {
        return notes.stream().map(Note::played).reduce(Fraction.ZERO, Fraction::plus);
    }

    private List<Placement> placements() {
        return version.spots().values().stream()
                .flatMap(spot -> spot.first().stream())
                .filter(placement -> isWithin(tune, placement.span(), span))
                .toList();
    }

    /** How many ornaments it has. */
    public int ornamented() {
        return placements().size();
    }

    private static boolean isWithin(Tune tune, Span inner, Span outer) {
        return order(tune, outer.first()) <= order(tune, inner.first())
                && order(tune, inner.last()) <= order(tune, outer.last());
    }

    private static int order(Tune tune, NoteId note) {
        return tune.placeOf(note).order();
    }

    /**
     * Where else it fits in a version: as long, on the same beats of bars of the same kind, each note of it beginning with one of the tune; the first, the last and what sounds on
     * beats the same degrees of the scale, all moved alike, or notes of the chord.
     */
    public List<Place> places(Tune other, Version into, Profile profile) {
        List<Place> places = new ArrayList<>();
        List<Begun> own = notes();
        for (int first = 0; first < other.notes().size(); first++) {
            Optional<List<Begun>> there = begunLike(other, own, first);
            Optional<Integer> steps = there.flatMap(under -> steps(other, own, under));
            if (steps.isPresent()) {
                Begun last = there.get().get(own.size() - 1);
                int end = other.placeOf(last.note().id()).order() + last.count() - 1;
                Span at = new Span(
                        other.notes().get(first).id(), other.notes().get(end).id());
                boolean fits = fits(other, put(other, into, at, steps.get()), at, profile);
                places.add(new Place(at, steps.get(), fits));
            }
        }
        return places;
    }

    /** The notes from one on parted as the figure's are, on the same beats; empty where they cannot be. Silence must be where the figure has it, groups and ties as they are. */
    private Optional<List<Begun>> begunLike(Tune other, List<Begun> own, int first) {
        List<Begun> there = new ArrayList<>();
        int at = first;
        for (Begun each : own) {
            Fraction left = length(tune, each);
            int count = 0;
            while (left.isPositive() && at + count < other.notes().size()) {
                left = left.minus(other.notes().get(at + count).played());
                count++;
            }
            if (!left.isZero() || !areAlike(other, each, other.notes().subList(at, at + count))) {
                return Optional.empty();
            }
            there.add(new Begun(other.notes().get(at), count));
            at += count;
        }
        Metre here = other.metreAt(other.placeOf(there.get(0).note().id()).bar());
        Metre metre = tune.metreAt(tune.placeOf(own.get(0).note().id()).bar());
        boolean isSame = here.barLength().equals(metre.barLength()) && here.isCompound() == metre.isCompound();
        return isSame ? Optional.of(there) : Optional.empty();
    }

    /** Whether notes can give way to one of the figure. */
    private boolean areAlike(Tune other, Begun own, List<Note> there) {
        Note first = there.get(0);
        boolean isAlone = there.size() == 1;
        boolean areFree = there.stream()
                .noneMatch(note -> note.isRest()
                        || note.marks().joins().tied()
                        || other.tupletAt(note.id()).isPresent()
                        || other.placeOf(note.id()).bar()
                                != other.placeOf(first.id()).bar());
        return own.note().isRest() == first.isRest()
                && offset(tune, own.note()).equals(offset(other, first))
                && (isAlone || areFree);
    }

    private static Fraction offset(Tune tune, Note note) {
        return tune.placeOf(note.id()).offset();
    }

    /** By how many steps all that counts is moved alike; empty where it is not. */
    private Optional<Integer> steps(Tune other, List<Begun> own, List<Begun> there) {
        Optional<Integer> moved = Optional.empty();
        for (int i = 0; i < own.size(); i++) {
            Note note = own.get(i).note();
            int begins = other.placeOf(there.get(i).note().id()).order();
            for (int j = 0; j < there.get(i).count(); j++) {
                Note under = other.notes().get(begins + j);
                boolean isEnd = j == 0 && (i == 0 || i == own.size() - 1);
                if (note.isRest() || !(isEnd || isOnBeat(other, under))) {
                    continue;
                }
                int steps = degree(other, under) - degree(tune, note);
                if (moved.isEmpty()) {
                    moved = Optional.of(steps);
                }
                boolean isSame = steps == moved.get() && isPlain(tune, note) == isPlain(other, under);
                if (!isSame && !isInChord(other, under, note, moved.get())) {
                    return Optional.empty();
                }
            }
        }
        return moved;
    }

    /** Whether the tune's note and the figure's, moved there, are both of the chord that is given. */
    private boolean isInChord(Tune other, Note there, Note own, int steps) {
        Optional<Set<Integer>> chord = Harmony.given(other, there.id());
        if (chord.isEmpty()) {
            return false;
        }
        Key key = other.keyAt(other.placeOf(there.id()).bar());
        WrittenPitch natural = WrittenPitch.ofStaffStep(home(key) + degree(tune, own) + steps);
        WrittenPitch moved = natural.withAlter(key.alterOf(natural.step()));
        return chord.get().contains(Math.floorMod(there.melody().midi(), OCTAVE))
                && chord.get().contains(Math.floorMod(moved.midi(), OCTAVE));
    }

    private static boolean isOnBeat(Tune tune, Note note) {
        Metre metre = tune.metreAt(tune.placeOf(note.id()).bar());
        Fraction count = metre.isCompound() ? metre.countLength() : Fraction.of(1, 4);
        return offset(tune, note).modulo(count).isZero();
    }

    /** Steps of the staff from the home note of the key up to a note. */
    private static int degree(Tune tune, Note note) {
        return note.melody().staffStep()
                - home(tune.keyAt(tune.placeOf(note.id()).bar()));
    }

    /** The staff step of a key's home note in the octave of middle C; that of A where the key names none, as on pipes. */
    private static int home(Key key) {
        int tonic = Harmony.tonic(key).orElse(A);
        return key.spelled(MIDDLE_C + tonic).staffStep();
    }

    private static boolean isPlain(Tune tune, Note note) {
        Key key = tune.keyAt(tune.placeOf(note.id()).bar());
        return key.alterOf(note.melody().step()) == note.melody().alter();
    }

    /** With the figure in place of what stands there, so many steps of the scale higher than it was kept. */
    public Version put(Tune other, Version into, Span at, int steps) {
        List<Begun> own = notes();
        List<Note> under = at.notes(other);
        Map<NoteId, NoteId> names = new HashMap<>();
        List<Begun> there =
                begunLike(other, own, other.placeOf(at.first()).order()).orElseThrow();
        for (int i = 0; i < own.size(); i++) {
            names.put(own.get(i).note().id(), there.get(i).note().id());
        }
        Version changed = withNotes(other, into, at, there, steps);
        for (Note note : under) {
            changed = changed.without(note.id());
        }
        for (Placement placement : placements()) {
            Spot spot = version.at(placement.span().first()).orElseThrow();
            NoteId first = name(names, spot.at());
            List<Placement> options = spot.options().stream()
                    .map(each -> Placement.of(
                                    each.stack(),
                                    new Span(first, name(names, each.span().last())))
                            .withPasses(each.passes()))
                    .toList();
            Spot words = changed.at(first).orElse(Spot.bare(first));
            changed = changed.with(other, words.withOptions(options));
        }
        for (Begun each : own) {
            Note note = each.note();
            String pin = version.at(note.id()).map(Spot::pin).orElse("");
            NoteId here = name(names, note.id());
            boolean isSameNote = moved(other, note, other.note(here), steps).equals(note.pitches())
                    && into.playing().instrument().equals(version.playing().instrument());
            if (!pin.isEmpty() && isSameNote) {
                changed = changed.with(
                        other, changed.at(here).orElse(Spot.bare(here)).withPin(pin));
            }
        }
        return changed;
    }

    /** With its notes in place of the tune's, where they are others; what another figure had put there is gone. */
    private Version withNotes(Tune other, Version into, Span at, List<Begun> there, int steps) {
        List<Begun> own = notes();
        List<Begun> moved = new ArrayList<>();
        for (int i = 0; i < own.size(); i++) {
            Note under = there.get(i).note();
            moved.add(new Begun(
                    under.withPitches(moved(other, own.get(i).note(), under, steps)),
                    there.get(i).count()));
        }
        List<Layer> layers = new ArrayList<>(into.layers().stream()
                .filter(layer -> layer.rule().work() != Layer.Work.FIGURE || !isWithin(other, layer.span(), at))
                .toList());
        if (!moved.equals(FigureNotes.begun(other, into.withLayers(layers), at))) {
            Layer layer = new Layer(Layer.Rule.of("figure"), FigureNotes.option(moved), at, Passes.EVERY);
            if (into.layers().contains(layer)) {
                return into;
            }
            layers.add(layer);
        }
        return into.withLayers(layers);
    }

    /** The pitches of a note of the figure at its place in another tune: the degree moved, sharper or flatter than the key by as much. */
    private List<WrittenPitch> moved(Tune other, Note own, Note there, int steps) {
        Key from = tune.keyAt(tune.placeOf(own.id()).bar());
        Key to = other.keyAt(other.placeOf(there.id()).bar());
        return own.pitches().stream()
                .map(pitch -> {
                    WrittenPitch natural = WrittenPitch.ofStaffStep(home(to) + pitch.staffStep() - home(from) + steps);
                    int sharper = pitch.alter() - from.alterOf(pitch.step());
                    return natural.withAlter(to.alterOf(natural.step()) + sharper);
                })
                .toList();
    }

    private static NoteId name(Map<NoteId, NoteId> names, NoteId note) {
        return Optional.ofNullable(names.get(note)).orElseThrow();
    }

    private static boolean fits(Tune other, Version version, Span at, Profile profile) {
        Scene scene = Scene.of(other, version, profile);
        boolean isThere = at.notes(scene.tune()).stream()
                .flatMap(note -> note.pitches().stream())
                .allMatch(version.playing().instrument()::has);
        return isThere
                && version.spots().values().stream()
                        .flatMap(spot -> spot.first().stream())
                        .filter(placement -> isWithin(other, placement.span(), at))
                        .allMatch(placement -> WhatFits.verdict(scene, placement)
                                .filter(Fit::fits)
                                .isPresent());
    }
}
