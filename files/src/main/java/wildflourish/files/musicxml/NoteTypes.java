package wildflourish.files.musicxml;

import java.util.List;
import java.util.Optional;
import wildflourish.core.music.Fraction;

/**
 * A length as notation programs draw it.
 *
 * @param type MusicXML's word: {@code quarter}
 */
record NoteTypes(String type, int dots) {
    private static final List<String> WORDS =
            List.of("breve", "whole", "half", "quarter", "eighth", "16th", "32nd", "64th", "128th", "256th");
    private static final int MOST_DOTS = 3;

    /** The head, flags and dots of a length in whole notes; empty where no single note has it. */
    static Optional<NoteTypes> of(Fraction wholeNotes) {
        Fraction base = Fraction.of(2);
        for (String word : WORDS) {
            Fraction length = base;
            Fraction more = base;
            for (int dots = 0; dots <= MOST_DOTS; dots++) {
                if (length.equals(wholeNotes)) {
                    return Optional.of(new NoteTypes(word, dots));
                }
                more = more.dividedBy(2);
                length = length.plus(more);
            }
            base = base.dividedBy(2);
        }
        return Optional.empty();
    }

    /** The length of a beat unit with dots, in whole notes; a crotchet for a word that is none. */
    static Fraction length(String type, int dots) {
        int place = WORDS.indexOf(type);
        Fraction base = place < 0 ? Fraction.of(1, 4) : Fraction.of(2, 1L << place);
        Fraction length = base;
        Fraction more = base;
        for (int i = 0; i < Math.min(dots, MOST_DOTS); i++) {
            more = more.dividedBy(2);
            length = length.plus(more);
        }
        return length;
    }
}
