package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.recognition.Recognition;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.RecognitionWords;
import wildflourish.files.abc.BookReader;
import wildflourish.files.abc.BookWriter;
import wildflourish.files.abc.OrnamentText;
import wildflourish.files.abc.TuneText;

/** Ornaments that a book writes itself. What a sign means on which instrument is common practice; the rest follows from the figures of the ornaments. */
class RecognitionTest {
    private static final String HEAD = "X:1\nT:Written\nR:reel\nM:4/4\nL:1/8\nK:D\n";

    private static Tune tune(String body) {
        return TuneText.read(HEAD + body).value();
    }

    private static Recognition of(Tune tune, String instrument) {
        Playing playing = Playing.usual(tune, Instrument.of(instrument));
        return Recognition.of(tune, Version.plain("plain", playing), Profile.usual());
    }

    /** The stacks that are found, in the order of the tune, each by its last state at its note. */
    private static String placed(Recognition recognition) {
        return String.join(
                " ",
                recognition.placements().stream()
                        .map(placement -> placement.stack().toString().replaceAll("[\\[\\]]", ""))
                        .toList());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "whistle-d;      ~A3 B;      long-roll",
                "whistle-d;      ~G2 AB;     short-roll",
                "whistle-d;      ~D3 A;      cran",
                "whistle-d;      {c}A2 BA;   cut",
                "whistle-d;      {G}A2 BA;   tap",
                "whistle-d;      !slide!F4;  slide-in",
                "whistle-d;      TA4;        trill",
                "recorder-soprano; Md4;      mordent@lower",
                "fiddle;         {c}A2 BA;   cut",
                "fiddle;         {fg}a2 ba;  hammer-run",
                "fiddle;         Pe4;        mordent@upper",
                "fiddle;         [DA]2 BA;   drone-below",
                "fiddle;         [GB]2 AB;   third",
                "fiddle;         {c}[DA]2 B2; cut+drone-below",
                "mandolin;       [A,A]2 B2;  dy-8",
                "english-48;     [A,A]2 B2;  octave",
                "banjo-open-g;   {G}A2 BA;   grace-h",
            })
    void whatIsWrittenMeansWhatThePlayerTakesItFor(String instrument, String body, String expected) {
        assertThat(placed(of(tune(body), instrument))).isEqualTo(expected);
    }

    @Test
    void theGracesOfPipesAreTheirGracings() {
        Tune tune = TuneText.read("X:1\nT:P\nR:march\nM:2/4\nL:1/8\nK:Hp\n{g}A{d}A {g}c{d}c|{gAGAG}A4|\n")
                .value();
        Recognition recognition = of(tune, "mouth-blown-pipes");
        assertThat(recognition.placeable())
                .as(RecognitionWords.count(recognition))
                .hasSizeGreaterThanOrEqualTo(4);
    }

    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "fiddle", "box-bc", "banjo-open-g"})
    void onlyWhatIsTakenLeavesTheText(String instrument) {
        Tune tune = tune(
                "~A3 B {c}A2 {GAG}d2|\"D\"!slide!F4 !fermata!TA4|.d2 ue2 [DA]2 \"^here\"[df]2|A2 A2 A4|]\nw:a b c d\n");
        Recognition recognition = of(tune, instrument);
        String after = OrnamentText.without(tune, recognition.placeable());
        Tune bare = TuneText.read(after).value();
        assertThat(bare.notes()).hasSameSizeAs(tune.notes());
        Map<Integer, List<Object>> left = new TreeMap<>();
        for (int i = 0; i < tune.notes().size(); i++) {
            Note was = tune.notes().get(i);
            Note is = bare.notes().get(i);
            assertThat(is.isRest() ? 0 : is.melody().midi())
                    .isEqualTo(was.isRest() ? 0 : was.melody().midi());
            assertThat(is.played()).isEqualTo(was.played());
            assertThat(is.marks().syllables()).isEqualTo(was.marks().syllables());
            assertThat(is.marks().chordSymbol()).isEqualTo(was.marks().chordSymbol());
            assertThat(is.marks().annotations()).isEqualTo(was.marks().annotations());
            left.put(i, List.of(is.marks().graces(), is.marks().decorations(), is.pitches()));
        }
        Recognition again = of(bare, instrument);
        assertThat(again.placeable()).as("nothing that can be placed is left").isEmpty();
        assertThat(again.all())
                .hasSize(recognition.all().size() - recognition.placeable().size());
        assertThat(OrnamentText.without(tune, List.of()))
                .isEqualTo(tune.manuscript().text());
    }

    /** An accidental of a chord's lower note holds for the bar: when the chord goes, what it did goes with it, and no note changes. */
    @Test
    void aNoteKeepsItsPitchWhenAChordBeforeItGoes() {
        Tune tune = tune("[^G,D]2 G,2 [GB]2 [^GB]2|");
        Recognition recognition = of(tune, "fiddle");
        Tune bare = TuneText.read(OrnamentText.without(tune, recognition.placeable()))
                .value();
        assertThat(bare.notes().stream().map(note -> note.melody().midi()).toList())
                .isEqualTo(
                        tune.notes().stream().map(note -> note.melody().midi()).toList());
    }

    /** What has been taken is written into the book as a stage, and is there when the book is opened again. */
    @Test
    void whatIsTakenComesBackFromTheBook() {
        Tune tune = tune("~A3 B {c}A2 d2|TF4 {G}A4|]\n");
        Recognition recognition = of(tune, "whistle-d");
        Tune bare = TuneText.read(OrnamentText.without(tune, recognition.placeable()))
                .value();
        Lesson lesson = Lesson.plain(tune).edited(bare).lesson();
        Stair stair = Stair.starting(lesson.tune(), Instrument.of("whistle-d"), 3);
        for (Placement placement : recognition.placements()) {
            stair = stair.placed(lesson.tune(), 1, placement);
        }
        String book = BookWriter.write(new wildflourish.core.version.Book(List.of(lesson.with(stair))));
        Lesson again = BookReader.read(book).value().lessons().get(0);
        assertThat(again.stairs().get(0).at(1).ornamented())
                .isEqualTo(recognition.placements().size());
        assertThat(again.tune().manuscript().text()).doesNotContain("~").doesNotContain("{");
    }

    /** Whatever stays in the text beside it, all that is placed fits in the tune as it then is. */
    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "fiddle", "mandolin", "english-48"})
    void whatIsPlacedFitsBesideWhatStays(String instrument) {
        Tune tune = tune("{GAG}~A3 B {c}[AE]2 T[DA]2|{gfgf}TF4 {c}~[A,A]3 B|[DA]2 {G}!turn!A2 ~B4|]\n");
        Recognition recognition = of(tune, instrument);
        Tune bare = TuneText.read(OrnamentText.without(tune, recognition.placeable()))
                .value();
        Version plain = Version.plain("plain", Playing.usual(bare, Instrument.of(instrument)));
        Scene scene = Scene.of(bare, plain, Profile.usual());
        assertThat(recognition.placements()).isNotEmpty().allSatisfy(placement -> {
            int at = tune.placeOf(placement.span().first()).order();
            assertThat(WhatFits.verdict(scene, bare.notes().get(at).id(), 1, placement.stack()))
                    .as(placement.toString())
                    .hasValueSatisfying(fit -> assertThat(fit.refusals()).isEmpty());
        });
    }

    @Test
    void whatCannotBePlacedSaysWhy() {
        Tune tune = tune("!turn!B4 {GAG}B4|");
        Recognition recognition = of(tune, "whistle-d");
        assertThat(recognition.placeable()).isEmpty();
        assertThat(recognition.all().stream()
                        .map(found -> RecognitionWords.of(found, tune, Instrument.of("whistle-d"))))
                .containsExactly(
                        "B4, bar 1, on beat 1: turn sign, stays in the text. turn: It needs a crotchet; here is a minim.",
                        "B4, bar 1, on beat 3: small notes G4 A4 G4, stays in the text. Nothing that fits here on the whistle in D sounds so.");
    }
}
