package wildflourish.files.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Metre;
import wildflourish.core.music.Step;
import wildflourish.core.problem.Parsed;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Book;

/** Worked examples and rules of the ABC standard 2.1 (December 2011), by section; quoted from memory of the text. */
class AbcStandardTest {
    /** Pitches and played lengths in whole notes, rests as z, bars parted. */
    private static String notes(String header, String body) {
        return bars(tune(header, body));
    }

    private static String bars(Tune tune) {
        return tune.bars().stream()
                .map(bar -> bar.notes().stream().map(AbcStandardTest::word).collect(Collectors.joining(" ")))
                .collect(Collectors.joining(" | "));
    }

    private static String word(Note note) {
        String pitches = note.isRest()
                ? "z"
                : note.pitches().stream().map(Object::toString).collect(Collectors.joining("+"));
        return pitches + ":" + note.played();
    }

    private static Tune tune(String header, String body) {
        Parsed<Book> read = BookReader.read("X:1\nT:Example\n" + header + "\n" + body + "\n");
        assertThat(read.problems()).isEmpty();
        return read.value().lessons().get(0).tune();
    }

    /** §4.1: C, is below C, middle C is C, c an octave above, c' another. */
    @Test
    void pitchesByLetterCommaAndApostrophe() {
        assertThat(notes("L:1/4\nK:C", "C,, C, C c | c' c'' B, b|"))
                .isEqualTo("C2:1/4 C3:1/4 C4:1/4 C5:1/4 | C6:1/4 C7:1/4 B3:1/4 B5:1/4");
    }

    /** §4.2: ^ = _ ^^ __; an accidental holds to the end of the bar, in all octaves by default (§11.3). */
    @Test
    void accidentalsHoldToTheEndOfTheBar() {
        assertThat(notes("L:1/4\nK:G", "^c c =f F | f __B ^^G B|"))
                .isEqualTo("C♯5:1/4 C♯5:1/4 F5:1/4 F4:1/4 | F♯5:1/4 B♭♭4:1/4 G♯♯4:1/4 B♭♭4:1/4");
    }

    /** §4.3: the table of note lengths. */
    @ParameterizedTest
    @CsvSource({
        "A//, 1/32",
        "A/4, 1/32",
        "A/, 1/16",
        "A/2, 1/16",
        "A3/4, 3/32",
        "A, 1/8",
        "A3/2, 3/16",
        "A3, 3/8",
        "A12, 3/2"
    })
    void lengthsMultiplyTheUnit(String note, String length) {
        assertThat(notes("L:1/8\nK:C", note + "|")).isEqualTo("A4:" + length);
    }

    /** §4.4: the three ways to write one hornpipe bar. */
    @Test
    void brokenRhythmIsAnotherWayToWriteDottedPairs() {
        String expected = notes("L:1/16\nK:C", "a3b cd3 a2b2c2d2|");
        assertThat(notes("L:1/8\nK:C", "a3/2b/ c/d3/2 abcd|")).isEqualTo(expected);
        assertThat(notes("L:1/8\nK:C", "a>b c<d abcd|")).isEqualTo(expected);
        assertThat(notes("L:1/8\nK:C", "a>>b|")).isEqualTo("A5:7/32 B5:1/32");
    }

    /** §4.5 and §4.6: z takes lengths like a note, Z counts bars, x is an unseen rest, y is no rest at all. */
    @Test
    void restsTakeTime() {
        assertThat(notes("M:4/4\nL:1/8\nK:C", "z2 z x3 y z2|Z|Z2|")).isEqualTo("z:1/4 z:1/8 z:3/8 z:1/4 | z:1 | z:2");
    }

    /** §3.1.7: without L: a metre below 3/4 counts sixteenths, others eighths. */
    @ParameterizedTest
    @CsvSource({"2/4, 1/16", "3/4, 1/8", "4/4, 1/8", "6/8, 1/8", "C, 1/8", "C|, 1/8", "3/8, 1/16"})
    void theUnitLengthFollowsTheMetre(String metre, String length) {
        assertThat(notes("M:" + metre + "\nK:C", "A|")).isEqualTo("A4:" + length);
    }

    /** §4.13: (p is p notes in the time of q by the table, (p:q:r the full form. */
    @ParameterizedTest
    @CsvSource({
        "(2ab, 4/4, 3/16", "(3abc, 4/4, 1/12", "(4abcd, 4/4, 3/32", "(5abcde, 4/4, 1/20", "(5abcde, 6/8, 3/40",
        "(6abcdef, 4/4, 1/24", "(7abcdefg, 6/8, 3/56", "(8abcdefga, 4/4, 3/64", "(3:2:3abc, 4/4, 1/12",
                "(3:2abc, 4/4, 1/12",
        "(3::abc, 4/4, 1/12", "(3:4:3abc, 4/4, 1/6"
    })
    void tupletsTakeTheTimeOfTheTable(String tuplet, String metre, String each) {
        Tune tune = tune("M:" + metre + "\nL:1/8\nK:C", tuplet + "|");
        assertThat(tune.notes()).allMatch(note -> note.played().toString().equals(each));
        assertThat(tune.notes()).allMatch(note -> note.duration().notated().equals(Fraction.of(1, 8)));
    }

    /** §4.13: notes of different lengths within a tuplet, (3:2:2 G4c2 and (3:2:4 G2A2Bc. */
    @Test
    void aTupletMayHoldNotesOfDifferentLength() {
        assertThat(notes("M:4/4\nL:1/8\nK:C", "(3:2:2 G4c2 (3:2:4 G2A2Bc|"))
                .isEqualTo("G4:1/3 C5:1/6 G4:1/6 A4:1/6 B4:1/12 C5:1/12");
        assertThat(notes("M:4/4\nL:1/8\nK:C", "(3::2 G4c2|")).isEqualTo("G4:1/3 C5:1/6");
    }

    /** §4.17: [CEGc] is a chord; a length outside multiplies the one inside, [C2E2G2]3 is [CEG]6. */
    @Test
    void chordsSoundTogether() {
        assertThat(notes("L:1/8\nK:C", "[CEGc] [C2E2G2]3 [CEG]6|"))
                .isEqualTo("C4+E4+G4+C5:1/8 C4+E4+G4:3/4 C4+E4+G4:3/4");
    }

    /** §4.11 and §4.12: ties and slurs. */
    @Test
    void tiesAndSlursJoinNotes() {
        Tune tune = tune("L:1/8\nK:C", "abc-|cba (c (d e f) g a)|");
        assertThat(tune.notes().get(2).marks().joins().tied()).isTrue();
        assertThat(tune.notes().get(6).marks().joins().slursOpen()).isEqualTo(1);
        assertThat(tune.notes().get(7).marks().joins().slursOpen()).isEqualTo(1);
        assertThat(tune.notes().get(9).marks().joins().slursClose()).isEqualTo(1);
        assertThat(tune.notes().get(11).marks().joins().slursClose()).isEqualTo(1);
    }

    /** §4.7: notes written without a space between are beamed, and a backquote may stand between them. */
    @Test
    void spacesEndBeams() {
        Tune tune = tune("L:1/8\nK:C", "A2``B AB c|");
        assertThat(tune.notes().stream().map(note -> note.marks().joins().beamed()))
                .containsExactly(true, false, true, false, false);
    }

    /** §4.8: bar lines. */
    @Test
    void barLinesAreDrawnAsWritten() {
        Tune tune = tune("L:1/8\nK:C", "A|B||c|:d:|e::f:|g|]");
        assertThat(tune.bars().stream().map(bar -> bar.sides().right()))
                .containsExactly(
                        BarLine.SINGLE,
                        BarLine.DOUBLE,
                        BarLine.SINGLE,
                        BarLine.REPEAT_END,
                        BarLine.REPEAT_END,
                        BarLine.REPEAT_END,
                        BarLine.THIN_THICK);
        assertThat(tune.bars().get(3).sides().left()).isEqualTo(BarLine.REPEAT_START);
        assertThat(tune.bars().get(5).sides().left()).isEqualTo(BarLine.REPEAT_START);
    }

    /** §4.9: [1 and [2, in short |1 and :|2; §4.10: lists and ranges of endings. */
    @Test
    void endingsAreCountedAndPlayed() {
        Tune tune = tune("L:1/8\nK:C", "faf gfe|1 dfe dBA:|2 d2e dcB|]");
        assertThat(tune.bars().get(1).ending()).containsExactly(1);
        assertThat(tune.bars().get(2).ending()).containsExactly(2);
        assertThat(PlayOrder.of(tune)).extracting(PlayOrder.Played::bar).containsExactly(0, 1, 0, 2);
        Tune more = tune("L:1/8\nK:C", "|:A4|[1,3 B4:|[2,4-5 c4:|");
        assertThat(more.bars().get(1).ending()).containsExactly(1, 3);
        assertThat(more.bars().get(2).ending()).containsExactly(2, 4, 5);
    }

    /** §4.14 (decorations), §4.12 (grace notes), §4.18 (chord symbols), §4.19 (annotations). */
    @Test
    void everythingAroundANoteBelongsToIt() {
        Tune tune = tune("L:1/8\nK:C", "{/g}\"Am7\"\"^gently\".~!trill!+fermata+A {ef}B vuc|");
        Note first = tune.notes().get(0);
        assertThat(first.marks().graces().slashed()).isTrue();
        assertThat(first.marks().chordSymbol()).contains("Am7");
        assertThat(first.marks().annotations()).containsExactly("gently");
        assertThat(first.marks().decorations()).containsExactly("staccato", "roll", "trill", "fermata");
        assertThat(tune.notes().get(1).marks().graces().pitches()).hasSize(2);
        assertThat(tune.notes().get(2).marks().decorations()).containsExactly("downbow", "upbow");
    }

    /** §3.1.14: the key field with modes, explicit accidentals and the pipe scales. */
    @ParameterizedTest
    @CsvSource({
        "D, F C, 2",
        "Gmix, '', 0",
        "Edor, F C, 2",
        "A minor, '', 0",
        "Bb, '', -2",
        "F#m, F C G, 3",
        "D Phr, '', -2",
        "C#, F C G D A E B, 7",
        "Hp, F C, 2",
        "HP, F C, 0",
        "none, '', 0",
        "AMIX, F C, 2",
        "Ador clef=treble, F, 1"
    })
    void keysHaveTheirSignatures(String key, String sharps, int fifths) {
        Tune tune = tune("L:1/8\nK:" + key, "C|");
        assertThat(tune.header().key().fifths()).isEqualTo(fifths);
        List<Step> sharpened = List.of(Step.F, Step.C, Step.G, Step.D, Step.A, Step.E, Step.B).stream()
                .filter(step -> tune.header().key().alterOf(step) == 1)
                .toList();
        assertThat(sharpened.stream().map(Step::name).collect(Collectors.joining(" ")))
                .isEqualTo(sharps);
    }

    /** §3.1.14: K:D Phr ^f adds F sharp to the two flats; K:D exp _b _e ^f says all by itself. */
    @Test
    void explicitAccidentalsAddToOrReplaceTheSignature() {
        Tune adds = tune("L:1/8\nK:D Phr ^f", "fBe|");
        assertThat(bars(adds)).isEqualTo("F♯5:1/8 B♭4:1/8 E♭5:1/8");
        Tune replaces = tune("L:1/8\nK:D exp _b _e ^f", "fcBe|");
        assertThat(bars(replaces)).isEqualTo("F♯5:1/8 C5:1/8 B♭4:1/8 E♭5:1/8");
    }

    /** §3.1.6 and §3.1.8: metres, tempos. */
    @Test
    void metresAndTemposAreRead() {
        assertThat(tune("M:C|\nK:C", "A|").header().metre()).isEqualTo(new Metre(List.of(2), 2, Metre.Look.CUT));
        assertThat(tune("M:(2+3+2)/8\nK:C", "A|").header().metre().barLength()).isEqualTo(Fraction.of(7, 8));
        assertThat(tune("M:none\nK:C", "A|").header().metre().isFree()).isTrue();
        var tempo =
                tune("M:6/8\nQ:\"Allegro\" 3/8=120\nK:C", "A|").header().tempo().orElseThrow();
        assertThat(tempo.beatsPerMinute()).isEqualTo(Fraction.of(120));
        assertThat(tempo.beatLength()).isEqualTo(Fraction.of(3, 8));
    }

    /** §3.2: fields in the body and inline change key, metre and length from there on. */
    @Test
    void fieldsInTheBodyHoldFromThereOn() {
        Tune tune = tune("M:4/4\nL:1/8\nK:D", "f2|[K:G][L:1/4]f c|\nM:3/4\nP:B\nc3|");
        assertThat(bars(tune)).isEqualTo("F♯5:1/4 | F♯5:1/4 C5:1/4 | C5:3/4");
        assertThat(tune.metreAt(2)).isEqualTo(Metre.of(3, 4));
        assertThat(tune.keyAt(1).fifths()).isEqualTo(1);
        assertThat(tune.form().parts().get(1).name()).isEqualTo("B");
    }

    /** §6.1.1: a backslash at the end of a line joins it to the next; % begins a comment. */
    @Test
    void commentsAndContinuationsChangeNoNotes() {
        assertThat(notes("L:1/8\nK:C", "AB\\\ncd|% a remark | with a bar\n% a whole line\nef|"))
                .isEqualTo("A4:1/8 B4:1/8 C5:1/8 D5:1/8 | E5:1/8 F5:1/8");
    }

    /** §5.1: words under notes; hyphens, melismas, skips, bars. */
    @Test
    void wordsAreSetUnderTheirNotes() {
        Tune tune = tune(
                "M:4/4\nL:1/4\nK:C", "CDEF|GABc|\nw:syll-a-ble is | * two~words end\\-ing last\nw:se-cond__ verse");
        List<String> first = tune.notes().stream()
                .map(note -> note.marks().syllables().isEmpty()
                        ? ""
                        : note.marks().syllables().get(0))
                .toList();
        assertThat(first).containsExactly("syll-", "a-", "ble", "is", "", "two words", "end-ing", "last");
        assertThat(tune.notes().subList(0, 5).stream()
                        .map(note -> note.marks().syllables().get(1)))
                .containsExactly("se-", "cond", "_", "_", "verse");
    }

    /** §2.2.1 and §3.1: the book's heading gives all tunes its fields; W: is printed below. */
    @Test
    void theHeadingOfABookHoldsForAllItsTunes() {
        Parsed<Book> read = BookReader.read(
                "%abc-2.1\nM:6/8\nR:jig\nS:a neighbour\n\nX:1\nT:One\nK:D\nABc|\nW:la la\n\nX:2\nT:Two\nM:9/8\nK:G\nA|\n");
        assertThat(read.problems()).isEmpty();
        Tune one = read.value().numbered(1).orElseThrow().tune();
        assertThat(one.header().type().name()).isEqualTo("jig");
        assertThat(one.header().credits().source()).contains("a neighbour");
        assertThat(one.header().words()).containsExactly("la la");
        assertThat(read.value().numbered(2).orElseThrow().tune().header().metre())
                .isEqualTo(Metre.of(9, 8));
    }

    /** §4.16 (redefinable symbols) and §7 (voices): what is not taught here is kept. */
    @Test
    void userSymbolsAndFurtherVoices() {
        Tune tune = tune("U: w = !trill!\nL:1/8\nK:C", "wA|");
        assertThat(tune.notes().get(0).marks().decorations()).containsExactly("trill");
        String text = "X:1\nT:Two voices\nK:C\nV:1\nABc|\nV:2\nCDE|\nV:1\nabc|\n";
        Parsed<Book> read = BookReader.read(text);
        assertThat(bars(read.value().lessons().get(0).tune())).isEqualTo("A4:1/8 B4:1/8 C5:1/8 | A5:1/8 B5:1/8 C5:1/8");
        assertThat(read.problems()).extracting(problem -> problem.code()).containsExactly("voice-kept");
        assertThat(BookWriter.write(read.value())).isEqualTo(text);
    }
}
