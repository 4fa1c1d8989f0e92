package wildflourish.core.tune;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.Metre;
import wildflourish.core.music.WrittenPitch;

/** A tune of one note and a rest, slow as an air: for what a note is by itself. */
public final class OneNote {
    private OneNote() {}

    /** The note so long, in whole notes of which there is less than one. */
    public static Tune tune(Key key, WrittenPitch note, Fraction length) {
        Metre metre = Metre.of(4, 4);
        TuneHeader header = new TuneHeader(
                1,
                List.of("One note"),
                new TuneHeader.Credits(Optional.empty(), Optional.empty()),
                TuneType.of(Optional.of("slow air"), metre),
                new TuneHeader.Time(metre, Fraction.of(1, 8)),
                key,
                Optional.empty(),
                List.of());
        List<Note> notes = List.of(
                new Note(new NoteId(0), List.of(note), Duration.of(length), Marks.NONE),
                new Note(new NoteId(1), List.of(), Duration.of(Fraction.ONE.minus(length)), Marks.NONE));
        Bar bar = new Bar(notes, new Bar.Sides(BarLine.NONE, BarLine.THIN_THICK), List.of(), Bar.Change.NONE);
        return new Tune(header, List.of(bar), List.of(), new Manuscript("", 0, Map.of()));
    }
}
