package wildflourish.core.tune;

import java.util.Map;

/**
 * The text a tune was read from, with the stretch of it that each note takes, so that writing the tune again changes nothing it need not.
 *
 * @param text the whole text of the tune, header first, as it stood
 * @param bodyStart offset in characters of the first line after the {@code K:} line
 * @param stretches for each note the offsets of its first character and of the one after its last; graces, decorations and symbols before
 *     the note are not in it
 */
public record Manuscript(String text, int bodyStart, Map<NoteId, Stretch> stretches) {
    /** From {@code start} up to, not including, {@code end}. */
    public record Stretch(int start, int end) {}

    public Manuscript {
        stretches = Map.copyOf(stretches);
    }

    public Stretch at(NoteId note) {
        Stretch stretch = stretches.get(note);
        if (stretch == null) {
            throw new IllegalArgumentException("the manuscript has no note " + note);
        }
        return stretch;
    }
}
