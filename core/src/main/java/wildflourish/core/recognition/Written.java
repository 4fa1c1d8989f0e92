package wildflourish.core.recognition;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Note;

/**
 * Something that the text of a tune writes at a note and that may be an ornament.
 *
 * @param decoration the name of the decoration; empty for small notes and chords
 * @param words what a teacher calls it
 */
public record Written(Sort sort, String decoration, String words) {
    /** How it is written. */
    public enum Sort {
        /** Notes that sound together with the melody. */
        CHORD,
        /** A sign over the note. */
        SIGN,
        /** Small notes before the note. */
        SMALL_NOTES
    }

    /** All that is written at a note, in the order in which it is taken up; none for a bare note and for a rest. */
    public static List<Written> at(Note note) {
        if (note.isRest()) {
            return List.of();
        }
        List<Written> all = new ArrayList<>();
        if (note.isChord()) {
            all.add(new Written(Sort.CHORD, "", "chord " + letters(note.pitches())));
        }
        for (String decoration : note.marks().decorations()) {
            WrittenSign.of(decoration).ifPresent(sign -> all.add(new Written(Sort.SIGN, decoration, sign.words())));
        }
        if (!note.marks().graces().isEmpty()) {
            List<WrittenPitch> pitches = note.marks().graces().pitches();
            all.add(new Written(
                    Sort.SMALL_NOTES, "", (pitches.size() == 1 ? "small note " : "small notes ") + letters(pitches)));
        }
        return all;
    }

    private static String letters(List<WrittenPitch> pitches) {
        return pitches.stream().map(WrittenPitch::toString).collect(Collectors.joining(" "));
    }
}
