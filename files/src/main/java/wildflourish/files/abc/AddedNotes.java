package wildflourish.files.abc;

import java.util.List;
import java.util.stream.Collectors;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Interval;
import wildflourish.core.music.Key;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Note;

/**
 * Writes bars as letters.
 *
 * @param key of what sounds
 * @param unit in whole notes
 * @param letters from pitches to the letters that stand for them
 */
record AddedNotes(Key key, Fraction unit, Interval letters) {
    String text(List<Bar> bars) {
        return bars.stream().map(this::text).collect(Collectors.joining());
    }

    private String text(Bar bar) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < bar.notes().size(); i++) {
            Note note = bar.notes().get(i);
            boolean isLast = i + 1 == bar.notes().size();
            text.append(pitches(note))
                    .append(VersionWriter.lengthText(note.played().dividedBy(unit)))
                    .append(isLast || note.marks().joins().beamed() ? "" : " ");
        }
        return text.append(line(bar.sides().right())).toString();
    }

    private static String line(BarLine line) {
        return switch (line) {
            case DOUBLE -> "||";
            case THIN_THICK -> "|]";
            default -> "|";
        };
    }

    private String pitches(Note note) {
        String pitches = note.pitches().stream().map(this::pitch).collect(Collectors.joining());
        return note.isRest() ? "z" : note.isChord() ? "[" + pitches + "]" : pitches;
    }

    private String pitch(WrittenPitch pitch) {
        WrittenPitch letter = letters.above(pitch);
        String accidental =
                pitch.alter() == key.alterOf(pitch.step()) ? "" : VersionWriter.accidentalText(letter.alter());
        return accidental + VersionWriter.letterText(letter);
    }
}
