package wildflourish.core.tune;

import java.util.List;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.Metre;

/**
 * A bar of the tune as written.
 *
 * @param ending the times through for which it opens an ending; empty where none opens
 * @param change what changes at its start
 */
public record Bar(List<Note> notes, Sides sides, List<Integer> ending, Change change) {
    /** The lines left and right; the left one is NONE where the bar before has already drawn it. */
    public record Sides(BarLine left, BarLine right) {}

    /** What changes at the start of a bar: key, metre, the name of a part; and what a teacher has decided about phrases there. */
    public record Change(Optional<Key> key, Optional<Metre> metre, Optional<String> part, Optional<PhraseMark> phrase) {
        public static final Change NONE =
                new Change(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

        public Change withKey(Key newKey) {
            return new Change(Optional.of(newKey), metre, part, phrase);
        }

        public Change withMetre(Metre newMetre) {
            return new Change(key, Optional.of(newMetre), part, phrase);
        }

        public Change withPart(String newPart) {
            return new Change(key, metre, Optional.of(newPart), phrase);
        }

        public Change withPhrase(PhraseMark mark) {
            return new Change(key, metre, part, Optional.of(mark));
        }
    }

    public Bar {
        notes = List.copyOf(notes);
        ending = List.copyOf(ending);
    }

    /** Whether a version has added it to the tune. */
    public boolean isAdded() {
        return !notes.isEmpty() && notes.get(0).id().isAdded();
    }

    /** Time that its notes take, in whole notes. */
    public Fraction length() {
        Fraction sum = Fraction.ZERO;
        for (Note note : notes) {
            sum = sum.plus(note.played());
        }
        return sum;
    }
}
