package wildflourish.core.tune;

import java.util.List;
import java.util.Optional;

/**
 * What the tune writes around a note.
 *
 * @param decorations names without their signs: {@code trill}, {@code roll}, {@code staccato}
 * @param annotations words placed by the tune, without the position sign
 * @param syllables the words sung on the note, a verse each; empty text where a verse has none
 */
public record Marks(
        Graces graces,
        List<String> decorations,
        Optional<String> chordSymbol,
        List<String> annotations,
        List<String> syllables,
        Joins joins) {
    public static final Marks NONE =
            new Marks(Graces.NONE, List.of(), Optional.empty(), List.of(), List.of(), Joins.NONE);

    public Marks {
        decorations = List.copyOf(decorations);
        annotations = List.copyOf(annotations);
        syllables = List.copyOf(syllables);
    }

    public Marks withJoins(Joins newJoins) {
        return newJoins.equals(joins)
                ? this
                : new Marks(graces, decorations, chordSymbol, annotations, syllables, newJoins);
    }

    public Marks withSyllables(List<String> newSyllables) {
        return new Marks(graces, decorations, chordSymbol, annotations, newSyllables, joins);
    }
}
