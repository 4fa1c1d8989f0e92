package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.fingering.Rolls;
import wildflourish.core.form.Harmony;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.Step;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Times;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Playing;

/** Bars of a tune as rolls take them. */
public final class RollBars {
    private static final Fraction QUAVER = Fraction.of(1, 8);
    private static final int QUAVERS = 8;
    private static final int OCTAVE = 12;
    private static final Map<String, String> BY_RULE = Map.of(
            "roll-f", "forward-roll",
            "roll-b", "backward-roll",
            "roll-fb", "forward-backward-roll",
            "roll-alt", "alternating-thumb");

    private RollBars() {}

    /** The rolls that a layer may take. */
    public static List<StrokeOrder> rollsOf(Layer.Rule rule) {
        String roll = BY_RULE.get(rule.id());
        return roll == null ? StrokeOrder.rolls() : List.of(StrokeOrder.of(roll));
    }

    /** Whether a bar has eight quavers of common or cut time. */
    public static boolean hasEight(Tune tune, int bar) {
        return !tune.metreAt(bar).isCompound() && tune.metreAt(bar).barLength().equals(Fraction.ONE);
    }

    /** Whether all its notes begin and end with quavers. */
    public static boolean isOnQuavers(Tune tune, int bar) {
        return tune.bars().get(bar).notes().stream()
                .allMatch(
                        note -> tune.placeOf(note.id()).offset().modulo(QUAVER).isZero()
                                && note.played().modulo(QUAVER).isZero());
    }

    /** The notes of the tune that begin in a bar, by quaver; those held from before and rests are none. */
    public static Map<Integer, Note> onsets(Tune tune, int bar) {
        Map<Integer, Note> onsets = new HashMap<>();
        for (Note note : tune.bars().get(bar).notes()) {
            if (!note.isRest() && !isTiedFromBefore(tune, note)) {
                onsets.put(quaver(tune, note), note);
            }
        }
        return onsets;
    }

    private static boolean isTiedFromBefore(Tune tune, Note note) {
        return tune.neighbour(note.id(), -1)
                .filter(before ->
                        before.marks().joins().tied() && before.pitches().equals(note.pitches()))
                .isPresent();
    }

    private static int quaver(Tune tune, Note note) {
        Fraction quaver = tune.placeOf(note.id()).offset().dividedBy(QUAVER);
        return (int) Math.floorDiv(quaver.numerator(), quaver.denominator());
    }

    /** A bar with its chords; empty where a roll cannot go in it. */
    public static Optional<Rolls.Bar> of(Tune tune, int bar, Instrument instrument, List<StrokeOrder> rolls) {
        if (!hasEight(tune, bar) || !isOnQuavers(tune, bar)) {
            return Optional.empty();
        }
        Bar written = tune.bars().get(bar);
        Fraction length = written.notes().stream().map(Note::played).reduce(Fraction.ZERO, Fraction::plus);
        if (!length.equals(Fraction.ONE)) {
            return Optional.empty();
        }
        Map<Integer, FingeredPitch> onsets = new HashMap<>();
        onsets(tune, bar)
                .forEach((quaver, note) ->
                        onsets.put(quaver, instrument.reading().fingered(note.melody())));
        List<Set<Integer>> chords = new ArrayList<>();
        for (int quaver = 0; quaver < QUAVERS; quaver++) {
            chords.add(fingered(Harmony.at(tune, noteAt(tune, written, quaver)), instrument));
        }
        return Optional.of(new Rolls.Bar(onsets, chords, rolls));
    }

    /** Pitch classes as they are fingered. */
    private static Set<Integer> fingered(Set<Integer> written, Instrument instrument) {
        int shift = instrument.reading().fingered(WrittenPitch.ofMidi(60)).midi() - 60;
        Set<Integer> classes = new HashSet<>();
        written.forEach(each -> classes.add(Math.floorMod(each + shift, OCTAVE)));
        return classes;
    }

    private static NoteId noteAt(Tune tune, Bar bar, int quaver) {
        NoteId last = bar.notes().get(0).id();
        for (Note note : bar.notes()) {
            last = quaver(tune, note) <= quaver ? note.id() : last;
        }
        return last;
    }

    /** The search for a version's tempo and student in a key. */
    public static Rolls rolls(Playing playing, Times times, Key key) {
        Instrument instrument = playing.instrument();
        Set<Integer> scale = new HashSet<>();
        for (Step step : Step.values()) {
            scale.add(Math.floorMod(WrittenPitch.of(step, key.alterOf(step), 4).midi(), OCTAVE));
        }
        return new Rolls(
                instrument.strings().orElseThrow(),
                playing.tempo().millisOf(QUAVER).toDouble(),
                times.of("banjo same finger").toDouble(),
                fingered(scale, instrument));
    }
}
