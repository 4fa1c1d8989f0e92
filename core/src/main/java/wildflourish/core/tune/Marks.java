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

    /** The marks of nearly every note: none, but for a beam that goes on. */
    private static final Marks ONLY_BEAMED =
            new Marks(Graces.NONE, List.of(), Optional.empty(), List.of(), List.of(), new Joins(false, 0, 0, true));

    public Marks withJoins(Joins newJoins) {
        if (isBare() && newJoins.equals(ONLY_BEAMED.joins)) {
            return ONLY_BEAMED;
        }
        return newJoins.equals(joins)
                ? this
                : new Marks(graces, decorations, chordSymbol, annotations, syllables, newJoins);
    }

    private boolean isBare() {
        return graces.isEmpty()
                && decorations.isEmpty()
                && chordSymbol.isEmpty()
                && annotations.isEmpty()
                && syllables.isEmpty()
                && joins.equals(Joins.NONE);
    }

    public Marks withSyllables(List<String> newSyllables) {
        return new Marks(graces, decorations, chordSymbol, annotations, newSyllables, joins);
    }
}
