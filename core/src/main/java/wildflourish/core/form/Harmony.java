package wildflourish.core.form;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.Step;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.NotePlace;
import wildflourish.core.tune.Tune;

/**
 * The chord under a note as pitch classes, semitones above C from 0 to 11: the last chord symbol at or before it, over bar lines too; in a tune without symbols that one
 * of the three main chords of the key whose notes last longest in its bar.
 */
public final class Harmony {
    private static final int OCTAVE = 12;
    private static final Set<Integer> GRATING = Set.of(1, 2, 6, 10, 11);
    private static final int FIFTH = 7;
    private static final int TRITONE = 6;
    private static final int MINOR_THIRD = 3;
    private static final int MAJOR_THIRD = 4;
    /** The degrees on which the main chords stand, in steps above the tonic; of several that suit as well the first is taken. */
    private static final List<Integer> MAIN_DEGREES = List.of(0, 4, 3);

    private static final Pattern SYMBOL = Pattern.compile("([A-G])([#b♯♭]?)(.*)");
    private static final Pattern MINOR = Pattern.compile("(?:m(?!aj)|min|-).*");
    private static final Pattern DIMINISHED = Pattern.compile("(?:dim|°|ø|m7b5|m7♭5).*");
    private static final Pattern SEVENTH = Pattern.compile("(?:m|min|-|dim)?(?:7|9).*");
    private static final Pattern GREAT_SEVENTH = Pattern.compile("m?(?:maj7|M7).*");
    private static final int SEVENTH_ABOVE = 10;
    private static final int GREAT_SEVENTH_ABOVE = 11;

    private Harmony() {}

    /** By a symbol; empty where none holds. */
    public static Optional<Set<Integer>> given(Tune tune, NoteId note) {
        return symbol(tune, note).flatMap(Harmony::parse);
    }

    /** By a symbol, or else by the notes of the bar; empty in a key without a tonic. */
    public static Set<Integer> at(Tune tune, NoteId note) {
        return given(tune, note).orElseGet(() -> around(tune, note));
    }

    /** By the notes of the bar alone. */
    public static Set<Integer> around(Tune tune, NoteId note) {
        int bar = tune.placeOf(note).bar();
        Key key = tune.keyAt(bar);
        Set<Integer> best = Set.of();
        Fraction longest = Fraction.of(-1);
        for (int degree : MAIN_DEGREES) {
            Set<Integer> chord = onDegree(key, degree);
            Fraction lasting = Fraction.ZERO;
            for (Note each : tune.bars().get(bar).notes()) {
                boolean isIn = !each.isRest()
                        && chord.contains(Math.floorMod(each.melody().midi(), OCTAVE));
                lasting = isIn ? lasting.plus(each.played()) : lasting;
            }
            if (lasting.isMoreThan(longest)) {
                longest = lasting;
                best = chord;
            }
        }
        return best;
    }

    /** The first, third and fifth of a key; none where it has no tonic. */
    public static Set<Integer> home(Key key) {
        return onDegree(key, 0);
    }

    /** The pitch class of the home note of a key; empty where it has none. */
    public static Optional<Integer> tonic(Key key) {
        String name = key.name().split(" ", 2)[0];
        return name.matches("[A-G][♯♭]?")
                ? Optional.of(Math.floorMod(WrittenPitch.parse(name + "4").midi(), OCTAVE))
                : Optional.empty();
    }

    /** Whether two notes so many semitones apart grate: a second, a seventh, a tritone, octaves taken off. */
    public static boolean grates(int semitones) {
        return GRATING.contains(Math.floorMod(semitones, OCTAVE));
    }

    /** Whether the tune names any chord. */
    public static boolean isGivenIn(Tune tune) {
        return tune.notes().stream()
                .anyMatch(note ->
                        note.marks().chordSymbol().flatMap(Harmony::parse).isPresent());
    }

    /** The root of the chord that a symbol gives at a note, as a pitch class. */
    public static Optional<Integer> root(Tune tune, NoteId note) {
        return symbol(tune, note).map(SYMBOL::matcher).filter(Matcher::matches).map(Harmony::root);
    }

    private static Optional<String> symbol(Tune tune, NoteId id) {
        NotePlace here = tune.placeOf(id);
        for (int bar = here.bar(); bar >= 0; bar--) {
            List<Note> notes = tune.bars().get(bar).notes();
            for (int i = notes.size() - 1; i >= 0; i--) {
                Optional<String> symbol = notes.get(i)
                        .marks()
                        .chordSymbol()
                        .filter(each -> SYMBOL.matcher(each).matches());
                if (symbol.isPresent() && tune.placeOf(notes.get(i).id()).order() <= here.order()) {
                    return symbol;
                }
            }
        }
        return Optional.empty();
    }

    private static int root(Matcher match) {
        int alter = match.group(2).isEmpty() ? 0 : "#♯".contains(match.group(2)) ? 1 : -1;
        return Math.floorMod(
                WrittenPitch.of(Step.valueOf(match.group(1)), alter, 4).midi(), OCTAVE);
    }

    private static Optional<Set<Integer>> parse(String symbol) {
        Matcher match = SYMBOL.matcher(symbol);
        if (!match.matches()) {
            return Optional.empty();
        }
        String kind = match.group(3);
        boolean isDiminished = DIMINISHED.matcher(kind).matches();
        boolean isMinor = isDiminished || MINOR.matcher(kind).matches();
        int root = root(match);
        Set<Integer> chord = new HashSet<>(Set.of(root));
        chord.add(Math.floorMod(root + (isMinor ? MINOR_THIRD : MAJOR_THIRD), OCTAVE));
        chord.add(Math.floorMod(root + (isDiminished ? TRITONE : FIFTH), OCTAVE));
        if (GREAT_SEVENTH.matcher(kind).matches()) {
            chord.add(Math.floorMod(root + GREAT_SEVENTH_ABOVE, OCTAVE));
        } else if (SEVENTH.matcher(kind).matches()) {
            chord.add(Math.floorMod(root + SEVENTH_ABOVE, OCTAVE));
        }
        return Optional.of(Set.copyOf(chord));
    }

    /** The triad on a degree of a key, in steps above the tonic; none in a key without one. */
    private static Set<Integer> onDegree(Key key, int degree) {
        String name = key.name().split(" ", 2)[0];
        if (!name.matches("[A-G][♯♭]?")) {
            return Set.of();
        }
        Step root = WrittenPitch.parse(name + "4").step().plus(degree);
        Set<Integer> chord = new HashSet<>();
        for (int step : List.of(0, 2, 4)) {
            Step each = root.plus(step);
            chord.add(Math.floorMod(WrittenPitch.of(each, key.alterOf(each), 4).midi(), OCTAVE));
        }
        return Set.copyOf(chord);
    }
}
