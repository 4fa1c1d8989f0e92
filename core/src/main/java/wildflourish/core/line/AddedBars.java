package wildflourish.core.line;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import wildflourish.core.form.Harmony;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Key;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Duration;
import wildflourish.core.tune.Joins;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Version;

/**
 * Bars that a version adds to its tune: two of a shuffle on the home note before it, two that sign off after it. They are parts of their own; their notes have
 * identities below zero, so that those of the tune stay.
 *
 * <p>Source: common practice of old-time fiddlers; trust M. The string that sounds with the home note is open; one a second, a seventh or a tritone away is
 * left out.
 */
public final class AddedBars {
    private static final int OCTAVE = 12;
    private static final Fraction QUAVER = Fraction.of(1, 8);
    private static final Fraction CROTCHET = Fraction.of(1, 4);
    private static final Fraction MINIM = Fraction.of(1, 2);
    private static final List<Fraction> PULSE = List.of(CROTCHET, QUAVER, QUAVER, CROTCHET, QUAVER, QUAVER);
    private static final List<Integer> WALK_DOWN = List.of(8, 7, 6, 5, 3, 2, 3, 2);
    private static final int FIRST_OF_INTRO = -1;
    private static final int FIRST_OF_TAG = -101;

    private final Tune tune;
    private final Instrument instrument;
    private int next;

    private AddedBars(Tune tune, Instrument instrument) {
        this.tune = tune;
        this.instrument = instrument;
    }

    /** The tune with what a version adds; the tune itself where it adds nothing, or has it already. */
    public static Tune of(Tune tune, Version version) {
        boolean hasIntro = has(version, Layer.Work.INTRO);
        boolean hasTag = has(version, Layer.Work.TAG);
        if (!hasIntro && !hasTag) {
            return tune;
        }
        boolean isDone = tune.bars().stream().anyMatch(Bar::isAdded);
        boolean isEmpty = tune.notes().stream().allMatch(Note::isRest);
        if (isDone || isEmpty) {
            return tune;
        }
        AddedBars added = new AddedBars(tune, version.playing().instrument());
        List<Bar> bars = new ArrayList<>();
        if (hasIntro && isInEight(tune, 0)) {
            bars.addAll(added.intro());
        }
        bars.addAll(tune.bars());
        int last = tune.bars().size() - 1;
        List<Bar> tag = hasTag && isInEight(tune, last) ? added.tag() : List.of();
        if (!tag.isEmpty()) {
            bars.set(bars.size() - 1, closed(tune.bars().get(last)));
            bars.addAll(tag);
        }
        return bars.size() == tune.bars().size()
                ? tune
                : new Tune(tune.header(), bars, tune.tuplets(), tune.manuscript());
    }

    private static boolean has(Version version, Layer.Work work) {
        return version.layers().stream()
                .anyMatch(layer -> layer.rule().work() == work
                        && layer.rule()
                                .families()
                                .contains(version.playing().instrument().family()));
    }

    /** Whether a bar is one of eight quavers, counted in two or four. */
    static boolean isInEight(Tune tune, int bar) {
        var metre = tune.metreAt(bar);
        return !metre.isCompound() && metre.barLength().equals(Fraction.ONE);
    }

    /** A bar that ends its part. */
    private static Bar closed(Bar bar) {
        BarLine right = bar.sides().right();
        BarLine line = right == BarLine.REPEAT_END ? right : BarLine.DOUBLE;
        return new Bar(bar.notes(), new Bar.Sides(bar.sides().left(), line), bar.ending(), bar.change());
    }

    // Before the tune

    /** Crotchet, quaver, quaver, four times, on the home note; the tune's pickup takes the place of its end. */
    private List<Bar> intro() {
        Key key = tune.keyAt(0);
        Optional<Integer> tonic = Harmony.tonic(key);
        if (tonic.isEmpty()) {
            return List.of();
        }
        List<WrittenPitch> pitches =
                pulsed(tonic.get()).stream().map(key::spelled).toList();
        next = FIRST_OF_INTRO;
        Fraction pickup = tune.form().isPickup(0) ? tune.bars().get(0).length() : Fraction.ZERO;
        Bar.Change change = Bar.Change.NONE.withPart("Intro");
        Bar.Change named =
                tune.bars().get(0).change().key().map(change::withKey).orElse(change);
        return List.of(
                bar(notes(pitches, Fraction.ONE), BarLine.SINGLE, named),
                bar(notes(pitches, Fraction.ONE.minus(pickup)), BarLine.DOUBLE, Bar.Change.NONE));
    }

    /** The pulse for so long. */
    private List<Note> notes(List<WrittenPitch> pitches, Fraction length) {
        List<Note> notes = new ArrayList<>();
        Fraction left = length;
        for (Fraction beat : PULSE) {
            if (left.isPositive()) {
                boolean goesOn = notes.size() % 3 < 2 && left.isMoreThan(beat);
                notes.add(note(pitches, beat.min(left), goesOn));
                left = left.minus(beat);
            }
        }
        return notes;
    }

    /** The home note with a neighbour, lowest first: an open string before a stopped one, the string above before the one below; the note alone where all grate. */
    private List<Integer> pulsed(int tonic) {
        List<Integer> open = open();
        List<List<Integer>> found = new ArrayList<>();
        for (int string = 0; string < open.size(); string++) {
            if (Math.floorMod(open.get(string), OCTAVE) == tonic) {
                with(open.get(string), string, List.of(1, -1)).ifPresent(found::add);
            }
        }
        int lowest = open.get(0) + Math.floorMod(tonic - open.get(0), OCTAVE);
        for (int midi = lowest; midi < open.get(open.size() - 1) + OCTAVE / 2; midi += OCTAVE) {
            with(midi, stringOf(midi), List.of(1, -1)).ifPresent(found::add);
        }
        return found.stream().findFirst().orElse(List.of(lowest));
    }

    // After the tune

    /** Down the scale in quavers, then the home note on two strings and a rest. What the last bar lacks is waited for. */
    private List<Bar> tag() {
        int last = tune.bars().size() - 1;
        Key key = tune.keyAt(last);
        Optional<WrittenPitch> home = Harmony.tonic(key).flatMap(tonic -> home(key, tonic));
        if (home.isEmpty()) {
            return List.of();
        }
        next = FIRST_OF_TAG;
        List<Bar> bars = new ArrayList<>();
        Bar.Change change = Bar.Change.NONE.withPart("Tag");
        Fraction missing = Fraction.ONE.minus(tune.bars().get(last).length());
        if (missing.isPositive() && missing.isLessThan(Fraction.ONE)) {
            bars.add(bar(List.of(note(List.of(), missing, false)), BarLine.SINGLE, change));
        }
        List<Note> walk = new ArrayList<>();
        for (int i = 0; i < WALK_DOWN.size(); i++) {
            WrittenPitch natural = WrittenPitch.ofStaffStep(home.get().staffStep() + WALK_DOWN.get(i) - 1);
            WrittenPitch pitch = natural.withAlter(key.alterOf(natural.step()));
            walk.add(note(List.of(pitch), QUAVER, i % 4 < 3));
        }
        bars.add(bar(walk, BarLine.SINGLE, bars.isEmpty() ? change : Bar.Change.NONE));
        Note end = note(ringing(key, home.get()).stream().map(key::spelled).toList(), MINIM, false);
        bars.add(bar(List.of(end, note(List.of(), MINIM, false)), BarLine.THIN_THICK, Bar.Change.NONE));
        return bars;
    }

    /** The home note nearest to the tune's last from which the instrument has an octave up. */
    private Optional<WrittenPitch> home(Key key, int tonic) {
        int last = tune.notes().stream()
                .filter(note -> !note.isRest())
                .reduce((one, other) -> other)
                .orElseThrow()
                .melody()
                .midi();
        return IntStream.rangeClosed(last - OCTAVE, last + OCTAVE)
                .filter(midi -> Math.floorMod(midi, OCTAVE) == tonic)
                .mapToObj(key::spelled)
                .filter(pitch -> instrument.has(pitch) && instrument.has(key.spelled(pitch.midi() + OCTAVE)))
                .min(Comparator.comparingInt((WrittenPitch pitch) -> Math.abs(pitch.midi() - last))
                        .thenComparingInt(WrittenPitch::midi));
    }

    /** A note with an open string of the home chord beside it, below before above; alone where there is none. */
    private List<Integer> ringing(Key key, WrittenPitch home) {
        int string = stringOf(home.midi());
        for (int side : List.of(-1, 1)) {
            Optional<List<Integer>> pair = with(home.midi(), string, List.of(side))
                    .filter(both ->
                            both.stream().allMatch(midi -> Harmony.home(key).contains(Math.floorMod(midi, OCTAVE))));
            if (pair.isPresent()) {
                return pair.get();
            }
        }
        return List.of(home.midi());
    }

    // Strings

    /** The open strings as written, lowest first. */
    private List<Integer> open() {
        return instrument.strings().orElseThrow().open().stream()
                .map((FingeredPitch each) -> instrument.reading().writtenMidi(each))
                .toList();
    }

    /** The highest string that has a note. */
    private int stringOf(int midi) {
        List<Integer> open = open();
        int string = 0;
        while (string + 1 < open.size() && open.get(string + 1) <= midi) {
            string++;
        }
        return string;
    }

    /** A note and the open string on the first of the sides where there is one that does not grate, lowest first. */
    private Optional<List<Integer>> with(int midi, int string, List<Integer> sides) {
        List<Integer> open = open();
        return sides.stream()
                .map(side -> string + side)
                .filter(beside -> beside >= 0 && beside < open.size())
                .map(open::get)
                .filter(beside -> !Harmony.grates(beside - midi))
                .findFirst()
                .map(beside -> List.of(Math.min(midi, beside), Math.max(midi, beside)));
    }

    // Notes

    private Note note(List<WrittenPitch> pitches, Fraction length, boolean isBeamed) {
        Marks marks = Marks.NONE.withJoins(new Joins(false, 0, 0, isBeamed));
        return new Note(new NoteId(next--), pitches, Duration.of(length), marks);
    }

    private static Bar bar(List<Note> notes, BarLine right, Bar.Change change) {
        return new Bar(notes, new Bar.Sides(BarLine.NONE, right), List.of(), change);
    }
}
