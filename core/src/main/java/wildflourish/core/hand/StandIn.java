package wildflourish.core.hand;

import java.util.Optional;
import java.util.Set;
import wildflourish.core.form.Harmony;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NotePlace;
import wildflourish.core.version.Layer;

/** What stands in on buttons for a note that lies badly: the note before once more, or the nearest note of the chord below. */
public final class StandIn {
    private static final int OCTAVE = 12;

    private StandIn() {}

    /** Empty where there is no note before, or no chord. */
    public static Optional<WrittenPitch> of(Scene scene, Layer layer, Note note) {
        return layer.way().equals("chord") ? chordBelow(scene, note) : before(scene, note);
    }

    private static Optional<WrittenPitch> before(Scene scene, Note note) {
        return scene.line().indexOf(note.id()).flatMap(scene.line()::before).map(Tone::melody);
    }

    private static Optional<WrittenPitch> chordBelow(Scene scene, Note note) {
        Optional<Set<Integer>> chord = Harmony.given(scene.tune(), note.id());
        int own = note.melody().midi();
        for (int midi = own - 1; chord.isPresent() && midi > own - OCTAVE; midi--) {
            if (chord.get().contains(Math.floorMod(midi, OCTAVE))) {
                int bar = scene.tune().placeOf(note.id()).bar();
                return Optional.of(scene.tune().keyAt(bar).spelled(midi));
            }
        }
        return Optional.empty();
    }

    /** Whether a note is on a crotchet, or on a dotted one where the metre counts in those. */
    public static boolean isOnBeat(Scene scene, Note note) {
        NotePlace place = scene.tune().placeOf(note.id());
        Metre metre = scene.tune().metreAt(place.bar());
        Fraction count = metre.isCompound() ? metre.countLength() : Fraction.of(1, 4);
        return place.offset().modulo(count).isZero();
    }

    /** Whether it is worth it: the written note cannot be played, or a turn or a hop is saved. */
    public static boolean isWorthIt(Scene scene, Note note, WrittenPitch instead) {
        return isStuck(scene, note)
                || price(scene, note, instead)
                        .filter(price -> price.more() <= -1)
                        .isPresent();
    }

    /** What it costs the hand more to play another pitch in place of a note; empty where that is not known. */
    public static Optional<Price> price(Scene scene, Note note, WrittenPitch instead) {
        return scene.ways()
                .buttonTables()
                .flatMap(tables -> tables.instead(
                        note.id(), scene.playing().instrument().reading().fingered(instead)))
                .map(price -> new Price(price.cost(), price.turns(), false, true));
    }

    /** Whether the hand cannot play a note as it is written. */
    private static boolean isStuck(Scene scene, Note note) {
        return scene.ways().onButtons(note.id()).isEmpty();
    }
}
