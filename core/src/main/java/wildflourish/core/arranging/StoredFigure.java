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
    public List<Note> notes() {
        return span.notes(FigureNotes.of(tune, version));
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

    /** Where else it fits in a version: the same lengths on the same beats in bars of the same kind; the first, the last and the notes on beats the same degrees of the scale, all moved alike, or notes of the chord. */
    public List<Place> places(Tune other, Version into, Profile profile) {
        List<Place> places = new ArrayList<>();
        List<Note> own = notes();
        for (int first = 0; first + own.size() <= other.notes().size(); first++) {
            List<Note> there = other.notes().subList(first, first + own.size());
            Optional<Integer> steps = isSameRhythm(other, own, there) ? steps(other, own, there) : Optional.empty();
            if (steps.isPresent()) {
                Span at =
                        new Span(there.get(0).id(), there.get(there.size() - 1).id());
                boolean fits = fits(other, put(other, into, at, steps.get()), at, profile);
                places.add(new Place(at, steps.get(), fits));
            }
        }
        return places;
    }

    private boolean isSameRhythm(Tune other, List<Note> own, List<Note> there) {
        for (int i = 0; i < own.size(); i++) {
            boolean isSame = own.get(i).played().equals(there.get(i).played())
                    && own.get(i).isRest() == there.get(i).isRest()
                    && offset(tune, own.get(i)).equals(offset(other, there.get(i)));
            if (!isSame) {
                return false;
            }
        }
        Metre here = other.metreAt(other.placeOf(there.get(0).id()).bar());
        Metre metre = tune.metreAt(tune.placeOf(own.get(0).id()).bar());
        return here.barLength().equals(metre.barLength()) && here.isCompound() == metre.isCompound();
    }

    private static Fraction offset(Tune tune, Note note) {
        return tune.placeOf(note.id()).offset();
    }

    /** By how many steps all that counts is moved alike; empty where it is not. */
    private Optional<Integer> steps(Tune other, List<Note> own, List<Note> there) {
        Optional<Integer> moved = Optional.empty();
        for (int i = 0; i < own.size(); i++) {
            if (own.get(i).isRest() || !(i == 0 || i == own.size() - 1 || isOnBeat(own.get(i)))) {
                continue;
            }
            int steps = degree(other, there.get(i)) - degree(tune, own.get(i));
            if (moved.isEmpty()) {
                moved = Optional.of(steps);
            }
            boolean isSame = steps == moved.get() && isPlain(tune, own.get(i)) == isPlain(other, there.get(i));
            if (!isSame && !isInChord(other, there.get(i), own.get(i), moved.get())) {
                return Optional.empty();
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

    private boolean isOnBeat(Note note) {
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
        List<Note> own = notes();
        List<Note> under = at.notes(other);
        Map<NoteId, NoteId> names = new HashMap<>();
        for (int i = 0; i < own.size(); i++) {
            names.put(own.get(i).id(), under.get(i).id());
        }
        Version changed = withNotes(other, into, at, steps);
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
        for (Note note : own) {
            String pin = version.at(note.id()).map(Spot::pin).orElse("");
            NoteId there = name(names, note.id());
            boolean isSameNote = moved(other, note, other.note(there), steps).equals(note.pitches())
                    && into.playing().instrument().equals(version.playing().instrument());
            if (!pin.isEmpty() && isSameNote) {
                changed = changed.with(
                        other, changed.at(there).orElse(Spot.bare(there)).withPin(pin));
            }
        }
        return changed;
    }

    /** With its notes in place of the tune's, where they are others; what another figure had put there is gone. */
    private Version withNotes(Tune other, Version into, Span at, int steps) {
        List<Note> own = notes();
        List<Note> under = at.notes(other);
        List<Note> moved = new ArrayList<>();
        for (int i = 0; i < own.size(); i++) {
            moved.add(under.get(i).withPitches(moved(other, own.get(i), under.get(i), steps)));
        }
        List<Layer> layers = new ArrayList<>(into.layers().stream()
                .filter(layer -> layer.rule().work() != Layer.Work.FIGURE || !isWithin(other, layer.span(), at))
                .toList());
        Tune before = FigureNotes.of(other, into.withLayers(layers));
        if (!moved.equals(at.notes(before))) {
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
