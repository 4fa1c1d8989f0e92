package wildflourish.core.plain;

import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.music.Key;
import wildflourish.core.music.Step;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/** The chord under a note: the last chord symbol of its bar, or else the chord on the tonic of the key. */
final class ChordHere {
    private static final int OCTAVE = 12;
    private static final int FIFTH = 7;
    private static final int MINOR_THIRD = 3;
    private static final int MAJOR_THIRD = 4;
    private static final Pattern SYMBOL = Pattern.compile("([A-G])([#b♯♭]?)(m(?!aj))?.*");

    private ChordHere() {}

    /** Semitones above C, 0 to 11, of its root, third and fifth; none in a key without a tonic. */
    static Set<Integer> of(Tune tune, NoteId note) {
        return symbol(tune, note)
                .flatMap(ChordHere::parse)
                .orElseGet(() -> tonic(tune.keyAt(tune.placeOf(note).bar())));
    }

    private static Optional<String> symbol(Tune tune, NoteId note) {
        Optional<String> last = Optional.empty();
        for (Note each : tune.bars().get(tune.placeOf(note).bar()).notes()) {
            Optional<String> before = last;
            last = each.marks().chordSymbol().or(() -> before);
            if (each.id().equals(note)) {
                break;
            }
        }
        return last;
    }

    private static Optional<Set<Integer>> parse(String symbol) {
        Matcher match = SYMBOL.matcher(symbol);
        if (!match.matches()) {
            return Optional.empty();
        }
        int alter = match.group(2).isEmpty() ? 0 : "#♯".contains(match.group(2)) ? 1 : -1;
        int root = WrittenPitch.of(Step.valueOf(match.group(1)), alter, 4).midi();
        return Optional.of(chord(root, match.group(3) == null ? MAJOR_THIRD : MINOR_THIRD));
    }

    private static Set<Integer> tonic(Key key) {
        String name = key.name().split(" ", 2)[0];
        if (!name.matches("[A-G][♯♭]?")) {
            return Set.of();
        }
        WrittenPitch root = WrittenPitch.parse(name + "4");
        Step third = root.step().plus(2);
        int semitones =
                Math.floorMod(WrittenPitch.of(third, key.alterOf(third), 4).midi() - root.midi(), OCTAVE);
        return chord(root.midi(), semitones);
    }

    private static Set<Integer> chord(int root, int third) {
        return Set.of(
                Math.floorMod(root, OCTAVE), Math.floorMod(root + third, OCTAVE), Math.floorMod(root + FIFTH, OCTAVE));
    }
}
