package wildflourish.core.tune;

import java.util.Collections;
import java.util.Map;
import java.util.NavigableMap;
import java.util.TreeMap;
import wildflourish.core.music.Interval;

/**
 * The text a tune was read from, with the stretch of it that each note takes, so that writing the tune again changes nothing it need not.
 *
 * @param text the whole text of the tune, header first, as it stood
 * @param bodyStart offset in characters of the first line after the {@code K:} line
 * @param stretches for each note the offsets of its first character and of the one after its last; graces, decorations and symbols before
 *     the note are not in it
 * @param above by offset, how far the notes from there on lie above the letters that stand for them: a clef with an octave, or {@code transpose=}; nothing where
 *     letters are pitches
 */
public record Manuscript(
        String text, int bodyStart, Map<NoteId, Stretch> stretches, NavigableMap<Integer, Interval> above) {
    /** From {@code start} up to, not including, {@code end}. */
    public record Stretch(int start, int end) {}

    /** Letters are pitches. */
    public Manuscript(String text, int bodyStart, Map<NoteId, Stretch> stretches) {
        this(text, bodyStart, stretches, new TreeMap<>());
    }

    public Manuscript {
        stretches = Map.copyOf(stretches);
        above = Collections.unmodifiableNavigableMap(new TreeMap<>(above));
    }

    /** How far notes that are written at an offset lie above their letters. */
    public Interval aboveLetters(int offset) {
        Map.Entry<Integer, Interval> last = above.floorEntry(offset);
        return last == null ? Interval.UNISON : last.getValue();
    }

    public Stretch at(NoteId note) {
        Stretch stretch = stretches.get(note);
        if (stretch == null) {
            throw new IllegalArgumentException("the manuscript has no note " + note);
        }
        return stretch;
    }
}
