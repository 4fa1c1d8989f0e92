package wildflourish.files.abc;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Interval;
import wildflourish.core.music.Key;
import wildflourish.core.music.Metre;
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
import wildflourish.core.tune.PhraseMark;
import wildflourish.core.tune.Tuplet;

/** Gathers the bars of a tune while its music is read from left to right. Holds what waits for the next note, and nothing of the text. */
final class TuneBuilder {
    /** Notes and rests: far beyond any tune that is played. */
    static final int MOST_NOTES = 20_000;

    private final List<Bar> bars = new ArrayList<>();
    private final List<Note> current = new ArrayList<>();
    private final List<Tuplet> tuplets = new ArrayList<>();
    private final Map<NoteId, Manuscript.Stretch> stretches = new LinkedHashMap<>();
    private final List<NoteId> line = new ArrayList<>();
    private final Map<Step, Integer> barAccidentals = new EnumMap<>(Step.class);
    /** By staff step, what a tie over the bar line makes of the next note. */
    private final Map<Integer, Integer> tiedOver = new HashMap<>();

    private final Map<Fraction, Duration> durations = new HashMap<>();

    /** By step, the cents that an accidental of the bar has beyond whole semitones. */
    private final Map<Step, Integer> barCents = new EnumMap<>(Step.class);

    private final NavigableMap<Integer, Interval> aboves = new TreeMap<>();
    private final List<Integer> barsOfNotes = new ArrayList<>();
    private final Map<NoteId, List<String>> syllables = new HashMap<>();
    private final Set<String> partNames = new HashSet<>();
    private boolean beginsUnnamed;

    /** The key as it is written; what sounds may lie above it. */
    private Key key = Key.none();

    private StaffWords staff = StaffWords.NONE;
    private Interval above = Interval.UNISON;
    private Metre metre;
    private Fraction unitLength;
    private int nextId;

    private BarLine left = BarLine.NONE;
    private List<Integer> ending = List.of();
    private Bar.Change change = Bar.Change.NONE;

    private Graces graces = Graces.NONE;
    private final List<String> decorations = new ArrayList<>();
    private final List<String> annotations = new ArrayList<>();
    private Optional<String> chordSymbol = Optional.empty();
    private int slursOpen;
    private Fraction brokenFactor = Fraction.ONE;
    private boolean isAdjacent;

    private int tupletLeft;
    private int tupletActual;
    private int tupletInTimeOf;
    private Optional<NoteId> tupletFirst = Optional.empty();

    TuneBuilder(Metre metre, Fraction unitLength) {
        this.metre = metre;
        this.unitLength = unitLength;
    }

    /** The key and staff that the music begins on, at an offset of the text. */
    void begin(Key written, StaffWords onStaff, int offset) {
        key = written;
        onStaff(onStaff, offset);
    }

    /** The letters from an offset on stand on another staff. */
    void onStaff(StaffWords newer, int offset) {
        staff = newer;
        Interval now = staff.above(key);
        if (!now.equals(above)) {
            above = now;
            aboves.put(offset, now);
        }
    }

    // What waits for the next note

    void add(Graces small) {
        graces = small;
    }

    void addDecoration(String name) {
        decorations.add(name);
    }

    void addAnnotation(String words) {
        annotations.add(words);
    }

    void addChordSymbol(String symbol) {
        chordSymbol = Optional.of(symbol);
    }

    void openSlur() {
        slursOpen++;
    }

    /** A space ends a beam. */
    void space() {
        isAdjacent = false;
    }

    void openTuplet(int actual, int inTimeOf, int count) {
        tupletActual = actual;
        tupletInTimeOf = inTimeOf;
        tupletLeft = count;
        tupletFirst = Optional.empty();
    }

    Metre metre() {
        return metre;
    }

    Fraction unitLength() {
        return unitLength;
    }

    void setUnitLength(Fraction length) {
        unitLength = length;
    }

    /**
     * The pitch that an accidental and a letter stand for here; an accidental holds to the end of the bar in every octave (§4.2, §11.3), and over the bar line for a
     * note that is tied (two notes of the same pitch, §4.11).
     */
    WrittenPitch pitch(NoteToken token, boolean holds) {
        Step step = token.step();
        WrittenPitch natural = WrittenPitch.of(step, 0, Math.max(-1, Math.min(10, token.octave())));
        if (!token.accidental().isEmpty()) {
            int alter = token.alter();
            if (holds) {
                barAccidentals.put(step, alter);
            }
            return above.above(natural.withAlter(alter));
        }
        int inForce = barAccidentals.getOrDefault(step, key.alterOf(step));
        return above.above(natural.withAlter(holds ? tiedOver.getOrDefault(natural.staffStep(), inForce) : inForce));
    }

    /** How many cents a note has beyond the semitones of its pitch; an accidental's hold to the end of the bar. */
    int cents(NoteToken token) {
        if (token.accidental().isEmpty()) {
            return barCents.isEmpty() ? 0 : barCents.getOrDefault(token.step(), 0);
        }
        if (token.cents() != 0 || !barCents.isEmpty()) {
            barCents.put(token.step(), token.cents());
        }
        return token.cents();
    }

    // Notes

    /** Adds a note, chord or rest of a length in whole notes before broken rhythm and tuplet; returns its identity. */
    NoteId add(List<WrittenPitch> pitches, Fraction length, Manuscript.Stretch stretch) {
        return add(pitches, length, stretch, 0);
    }

    /** The same of a note that sounds so many cents sharper than written. */
    NoteId add(List<WrittenPitch> pitches, Fraction length, Manuscript.Stretch stretch, int cents) {
        if (isAdjacent) {
            joinLast(Joins::withBeam);
        }
        NoteId id = new NoteId(nextId++);
        Fraction notated = length.times(brokenFactor);
        Fraction played = notated;
        brokenFactor = Fraction.ONE;
        if (tupletLeft > 0) {
            played = notated.times(Fraction.of(tupletInTimeOf, tupletActual));
            tupletFirst = tupletFirst.or(() -> Optional.of(id));
            tupletLeft--;
            if (tupletLeft == 0) {
                tuplets.add(new Tuplet(tupletFirst.orElse(id), id, tupletActual, tupletInTimeOf));
            }
        }
        Optional<Note> before = lastNote();
        boolean isSlur = before.filter(last -> isTieToOther(last, pitches)).isPresent();
        if (isSlur) {
            changeLast(Joins::withTieAsSlur);
        }
        Marks marks = marks();
        current.add(new Note(
                id,
                pitches,
                duration(notated, played),
                isSlur ? marks.withJoins(marks.joins().withSlurClosed()) : marks,
                cents));
        barsOfNotes.add(bars.size());
        stretches.put(id, stretch);
        if (!pitches.isEmpty()) {
            line.add(id);
        }
        tiedOver.clear();
        graces = Graces.NONE;
        decorations.clear();
        annotations.clear();
        chordSymbol = Optional.empty();
        slursOpen = 0;
        isAdjacent = true;
        return id;
    }

    /** Whether a tie joins a note to others than itself: then it is a slur (ABC 2.1 §4.11: a tie joins two notes of one pitch). */
    private static boolean isTieToOther(Note last, List<WrittenPitch> next) {
        return last.marks().joins().tied()
                && !next.isEmpty()
                && last.pitches().stream().noneMatch(next::contains);
    }

    private Optional<Note> lastNote() {
        if (!current.isEmpty()) {
            return Optional.of(current.get(current.size() - 1));
        }
        List<Note> notes =
                bars.isEmpty() ? List.of() : bars.get(bars.size() - 1).notes();
        return notes.isEmpty() ? Optional.empty() : Optional.of(notes.get(notes.size() - 1));
    }

    /** What waited for this note; nearly always nothing. */
    private Marks marks() {
        boolean isBare = graces.isEmpty()
                && decorations.isEmpty()
                && annotations.isEmpty()
                && chordSymbol.isEmpty()
                && slursOpen == 0;
        Joins joins = isBare ? Joins.NONE : new Joins(false, slursOpen, 0, false);
        return isBare ? Marks.NONE : new Marks(graces, decorations, chordSymbol, annotations, List.of(), joins);
    }

    /** A tune has few lengths: each is made once. */
    private Duration duration(Fraction notated, Fraction played) {
        return notated.equals(played)
                ? durations.computeIfAbsent(notated, Duration::of)
                : new Duration(notated, played);
    }

    boolean hasNoteInBar() {
        return !current.isEmpty();
    }

    /** A tie after the last note; false when there is none in this bar. */
    boolean tieLast() {
        return joinLast(Joins::withTie);
    }

    /** Ties of single lower notes of the last chord. */
    void holdLast(List<WrittenPitch> lower) {
        joinLast(joins -> joins.withHeld(lower));
    }

    boolean closeSlur() {
        return joinLast(Joins::withSlurClosed);
    }

    /** Broken rhythm between the last note and the next: the last is multiplied, the next will be. False when there is no last note. */
    boolean breakRhythm(int signs, boolean isLongFirst) {
        if (current.isEmpty()) {
            return false;
        }
        Fraction small = Fraction.of(1, 1L << signs);
        Fraction large = Fraction.of(2).minus(small);
        int at = current.size() - 1;
        Note last = current.get(at);
        Fraction factor = isLongFirst ? large : small;
        Duration duration = new Duration(
                last.duration().notated().times(factor),
                last.duration().played().times(factor));
        current.set(at, new Note(last.id(), last.pitches(), duration, last.marks(), last.cents()));
        brokenFactor = isLongFirst ? small : large;
        return true;
    }

    /** A sign that belongs to the note before it, which may stand before the last bar line. */
    private boolean joinLast(UnaryOperator<Joins> change) {
        if (!current.isEmpty()) {
            return changeLast(change);
        }
        if (lastNote().isEmpty() || isAdjacent) {
            return false;
        }
        changeLast(change);
        holdTies(bars.get(bars.size() - 1).notes());
        return true;
    }

    private boolean changeLast(UnaryOperator<Joins> change) {
        if (!current.isEmpty()) {
            changeLast(current, change);
            return true;
        }
        Bar bar = bars.get(bars.size() - 1);
        List<Note> notes = new ArrayList<>(bar.notes());
        changeLast(notes, change);
        bars.set(bars.size() - 1, new Bar(notes, bar.sides(), bar.ending(), bar.change()));
        return true;
    }

    private static void changeLast(List<Note> notes, UnaryOperator<Joins> change) {
        int at = notes.size() - 1;
        Note last = notes.get(at);
        notes.set(
                at,
                last.withMarks(last.marks().withJoins(change.apply(last.marks().joins()))));
    }

    private void holdTies(List<Note> bar) {
        Note last = bar.get(bar.size() - 1);
        tiedOver.clear();
        Joins joins = last.marks().joins();
        if (joins.tied() || !joins.held().isEmpty()) {
            for (WrittenPitch pitch : joins.tied() ? last.pitches() : joins.held()) {
                WrittenPitch letter = above.downwards().above(pitch);
                tiedOver.put(letter.staffStep(), letter.alter());
            }
        }
    }

    // Bars

    /** A bar line: ends the bar before it if that has notes, otherwise adds to what is drawn there. */
    void barLine(BarTokens tokens) {
        isAdjacent = false;
        barAccidentals.clear();
        barCents.clear();
        if (!current.isEmpty()) {
            holdTies(current);
            finishBar(tokens.right());
        } else if (!bars.isEmpty() && left == BarLine.NONE && ending.isEmpty()) {
            strengthenLast(tokens.right());
        }
        if (tokens.left() != BarLine.NONE) {
            left = tokens.left();
        } else if (bars.isEmpty() && tokens.right() == BarLine.THICK_THIN) {
            left = BarLine.THICK_THIN;
        }
        openEnding(tokens.ending());
    }

    void openEnding(List<Integer> passes) {
        if (passes.isEmpty()) {
            return;
        }
        if (!current.isEmpty()) {
            finishBar(BarLine.NONE);
        }
        ending = passes;
    }

    private void finishBar(BarLine right) {
        bars.add(new Bar(current, new Bar.Sides(left, right), ending, change));
        current.clear();
        left = BarLine.NONE;
        ending = List.of();
        change = Bar.Change.NONE;
    }

    private void strengthenLast(BarLine right) {
        Bar last = bars.get(bars.size() - 1);
        BarLine drawn = last.sides().right();
        boolean isStronger = drawn == BarLine.NONE || drawn == BarLine.SINGLE || drawn == BarLine.DOTTED;
        if (isStronger && right != BarLine.NONE && right != BarLine.SINGLE) {
            bars.set(
                    bars.size() - 1,
                    new Bar(last.notes(), new Bar.Sides(last.sides().left(), right), last.ending(), last.change()));
        }
    }

    /** A key is written at an offset of the text, on a staff. */
    void setKey(Key written, StaffWords onStaff, int offset) {
        beginChange();
        key = written;
        onStaff(onStaff, offset);
        change = change.withKey(staff.sounding(written));
    }

    void setMetre(Metre newMetre) {
        beginChange();
        metre = newMetre;
        change = change.withMetre(newMetre);
    }

    void setPart(String name) {
        beginChange();
        beginsUnnamed |= partNames.isEmpty() && hasNotes();
        partNames.add(name);
        change = change.withPart(name);
    }

    /** Holds for the bar it stands in, wherever in it. */
    void setPhrase(PhraseMark mark) {
        change = change.withPhrase(mark);
    }

    /** A change in the middle of a bar cuts the bar in two, without a line between. */
    private void beginChange() {
        if (!current.isEmpty()) {
            finishBar(BarLine.NONE);
        }
    }

    // Words

    /** A new line of music begins. In free metre it is a phrase by itself, and a bar where none is drawn. */
    void beginLine() {
        line.clear();
        space();
        if (metre.isFree() && hasNotes()) {
            beginChange();
            change = change.withPhrase(PhraseMark.BEGINS);
        }
    }

    List<NoteId> line() {
        return List.copyOf(line);
    }

    int barOf(NoteId note) {
        return barsOfNotes.get(note.number());
    }

    void addSyllable(NoteId note, int verse, String syllable) {
        List<String> verses = syllables.computeIfAbsent(note, id -> new ArrayList<>());
        while (verses.size() <= verse) {
            verses.add("");
        }
        verses.set(verse, syllable);
    }

    private Bar sung(Bar bar) {
        boolean isSung = bar.notes().stream().anyMatch(note -> syllables.containsKey(note.id()));
        return isSung
                ? new Bar(bar.notes().stream().map(this::sung).toList(), bar.sides(), bar.ending(), bar.change())
                : bar;
    }

    private Note sung(Note note) {
        List<String> verses = syllables.get(note.id());
        return verses == null ? note : note.withMarks(note.marks().withSyllables(verses));
    }

    // The end

    List<Bar> bars() {
        if (!current.isEmpty()) {
            finishBar(BarLine.NONE);
        }
        return syllables.isEmpty() ? bars : bars.stream().map(this::sung).toList();
    }

    /** Whether it has as many notes as a tune may have. */
    boolean isFull() {
        return nextId >= MOST_NOTES;
    }

    boolean hasNotes() {
        return nextId > 0;
    }

    /** Whether there is music before the first part that is named. */
    boolean beginsUnnamed() {
        return beginsUnnamed;
    }

    /** Names of parts within the music. */
    Set<String> partNames() {
        return partNames;
    }

    /** By offset of the text, how far notes lie above their letters. */
    NavigableMap<Integer, Interval> above() {
        return aboves;
    }

    List<Tuplet> tuplets() {
        return tuplets;
    }

    boolean hasOpenTuplet() {
        return tupletLeft > 0;
    }

    Map<NoteId, Manuscript.Stretch> stretches() {
        return stretches;
    }
}
