package wildflourish.core;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Mode;
import wildflourish.core.music.Step;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Duration;
import wildflourish.core.tune.Graces;
import wildflourish.core.tune.Joins;
import wildflourish.core.tune.Manuscript;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneHeader;
import wildflourish.core.tune.TuneType;
import wildflourish.core.version.Span;

/**
 * Tunes for tests, without a reader of files: notes as {@code F♯4:2} with the length in quavers, {@code D4+A4:2} for two
 * together, {@code r:1} for a rest, {@code ~} after a
 * note that is tied on, bars between {@code |}, {@code |:} and {@code :|}, endings as {@code [1}.
 */
public final class Melody {
    private Melody() {}

    /** In D major, the kind of tune from its metre. */
    public static Tune of(Metre metre, String text) {
        return of(metre, Optional.empty(), text);
    }

    /** A reel in D. */
    public static Tune reel(String text) {
        return of(Metre.of(4, 4), Optional.of("reel"), text);
    }

    /** A jig in D. */
    public static Tune jig(String text) {
        return of(Metre.of(6, 8), Optional.of("jig"), text);
    }

    /** A polka in D. */
    public static Tune polka(String text) {
        return of(Metre.of(2, 4), Optional.of("polka"), text);
    }

    public static Tune of(Metre metre, Optional<String> rhythm, String text) {
        TuneHeader header = new TuneHeader(
                1,
                List.of("Melody"),
                new TuneHeader.Credits(Optional.empty(), Optional.empty()),
                TuneType.of(rhythm, metre),
                new TuneHeader.Time(metre, Fraction.of(1, 8)),
                Key.of(Step.D, 0, Mode.MAJOR),
                Optional.empty(),
                List.of());
        return new Tune(header, bars(text), List.of(), new Manuscript("", 0, Map.of()));
    }

    private static List<Bar> bars(String text) {
        List<Bar> bars = new ArrayList<>();
        List<Note> notes = new ArrayList<>();
        BarLine left = BarLine.NONE;
        List<Integer> ending = List.of();
        int id = 0;
        for (String word : text.trim().split("\\s+", -1)) {
            if (word.contains("|")) {
                if (!notes.isEmpty()) {
                    BarLine right = word.startsWith(":")
                            ? BarLine.REPEAT_END
                            : word.equals("||")
                                    ? BarLine.DOUBLE
                                    : word.equals("|]") ? BarLine.THIN_THICK : BarLine.SINGLE;
                    bars.add(new Bar(notes, new Bar.Sides(left, right), ending, Bar.Change.NONE));
                    notes = new ArrayList<>();
                    left = BarLine.NONE;
                    ending = List.of();
                }
                left = word.endsWith(":") ? BarLine.REPEAT_START : left;
            } else if (word.startsWith("[")) {
                ending = List.of(Integer.parseInt(word.substring(1)));
            } else {
                notes.add(note(word, id++));
            }
        }
        if (!notes.isEmpty()) {
            bars.add(new Bar(notes, new Bar.Sides(left, BarLine.NONE), ending, Bar.Change.NONE));
        }
        return bars;
    }

    private static Note note(String word, int id) {
        String[] halves = word.replace("~", "").split(":", -1);
        Fraction length = Fraction.parse(halves[1]).times(Fraction.of(1, 8));
        Joins joins = new Joins(word.endsWith("~"), 0, 0, true);
        Marks marks = new Marks(Graces.NONE, List.of(), Optional.empty(), List.of(), List.of(), joins);
        List<WrittenPitch> pitches = halves[0].equals("r")
                ? List.of()
                : Arrays.stream(halves[0].split("\\+", -1))
                        .map(WrittenPitch::parse)
                        .toList();
        return new Note(new NoteId(id), pitches, Duration.of(length), marks);
    }

    /** A span from one note to another, counted from 0. */
    public static Span span(int first, int last) {
        return new Span(new NoteId(first), new NoteId(last));
    }
}
