package wildflourish.core.engraving;

import java.util.List;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.words.Words;

/** A tempo as a page has it: the note that is counted, and how many of it go into a minute. Its note stands on the line y = 0. */
public final class TempoSign {
    /** Above the line, in staff spaces. */
    public static final double HEIGHT = 3.4;

    private static final double STEM = 0.14;
    private static final double STEM_LENGTH = 2.9;
    private static final double WORDS_SIZE = 2.3;
    private static final double GAP = 0.7;

    private TempoSign() {}

    /** The sign of a tempo, its left end at x = 0. */
    public static List<Drawn> of(Tempo tempo) {
        NoteValue value = NoteValue.of(tempo.beatLength());
        Sketch sketch = new Sketch();
        double head = GlyphFont.of(value.head()).advance();
        sketch.glyph(value.head(), 0, 0, Drawn.Kind.HEAD);
        if (tempo.beatLength().isLessThan(Fraction.ONE)) {
            double x = head - STEM / 2;
            sketch.add(new Mark.Line(x, -0.15, x, -STEM_LENGTH, STEM), Ink.NOTES, Drawn.Kind.STEM);
            if (value.flags() > 0) {
                sketch.glyph("flag8thUp", head - STEM, -STEM_LENGTH, Drawn.Kind.FLAG);
            }
        }
        for (int dot = 0; dot < value.dots(); dot++) {
            sketch.glyph("augmentationDot", head + 0.3 + dot * 0.6, -0.2, Drawn.Kind.DOT);
        }
        sketch.words(words(tempo), wordsAt(value), 0.3, Face.BODY, WORDS_SIZE);
        return sketch.drawn();
    }

    /** How wide the sign of a tempo is, in staff spaces. */
    public static double width(Tempo tempo) {
        return wordsAt(NoteValue.of(tempo.beatLength())) + Face.BODY.width(words(tempo), WORDS_SIZE);
    }

    private static double wordsAt(NoteValue value) {
        double flag = value.flags() > 0 ? 0.6 : 0;
        return GlyphFont.of(value.head()).advance() + Math.max(flag, value.dots() * 0.7) + GAP;
    }

    private static String words(Tempo tempo) {
        return "= " + Words.beats(tempo);
    }
}
