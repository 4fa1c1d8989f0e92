package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.line.Line;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Profile;
import wildflourish.core.problem.Parsed;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Version;
import wildflourish.files.abc.BookWriter;
import wildflourish.files.abc.TuneText;

/** Versions below the plain tune: fewer notes, narrower leaps, one string; every bar keeps its time, and the page and the text say what is played. */
class SimplerTest {
    static Stream<Arguments> tunes() {
        return Demo.tunes().stream()
                .flatMap(tune -> Stream.of("whistle-d", "fiddle", "mandolin", "box-bc", "english-48")
                        .map(Instrument::of)
                        .filter(instrument -> tune.notes().stream()
                                .filter(note -> !note.isRest())
                                .allMatch(note -> instrument.has(note.melody())))
                        .map(instrument -> Arguments.of(tune, instrument)));
    }

    private static Version with(Tune tune, Instrument instrument, List<String> rules) {
        List<Note> notes = tune.notes();
        Span all = new Span(notes.get(0).id(), notes.get(notes.size() - 1).id());
        return Version.plain("Below", Playing.usual(tune, instrument))
                .withLayers(rules.stream()
                        .map(rule -> Layer.parse(rule, all, Passes.EVERY))
                        .toList());
    }

    private static Map<Integer, Fraction> bars(Line line) {
        Map<Integer, Fraction> bars = new TreeMap<>();
        line.tones().forEach(tone -> bars.merge(tone.place().playedBar(), tone.length(), Fraction::plus));
        return bars;
    }

    private static List<String> sounds(Line line) {
        List<String> sounds = new ArrayList<>();
        for (Tone tone : line.tones()) {
            sounds.add((tone.isRest() ? "z" : tone.pitches().toString()) + tone.length());
        }
        return sounds;
    }

    @ParameterizedTest
    @MethodSource("tunes")
    void everyBarKeepsItsTimeAndTheTextSaysWhatIsPlayed(Tune tune, Instrument instrument) {
        Line plain = Line.of(tune, with(tune, instrument, List.of()));
        for (List<String> rules : List.of(
                List.of("hold-beats"),
                List.of("hold-passing"),
                List.of("hold-best"),
                List.of("hold-best@2", "narrow"),
                List.of("hold-passing", "narrow"),
                List.of("narrow"))) {
            Version version = with(tune, instrument, rules);
            Scene scene = Scene.of(tune, version, Profile.usual());
            assertThat(bars(scene.line())).isEqualTo(bars(plain));
            assertThat(scene.line().tones().size())
                    .isLessThanOrEqualTo(plain.tones().size());
            Parsed<Tune> read = TuneText.read(BookWriter.writeVersion(tune, version));
            assertThat(read.problems()).isEmpty();
            Line again = Line.of(read.value(), Version.plain("read", version.playing()));
            assertThat(sounds(again)).as("%s", rules).isEqualTo(sounds(scene.line()));
            Score score = new Score(tune, Optional.of(version), Score.Shows.PRINT, Profile.usual());
            assertThat(Engraver.engrave(score, Paper.a4())).isNotEmpty();
        }
    }

    /** Where notes are held and others left out, every note that is begun is begun in the plain tune too, at the same moment and of the same pitch. */
    @ParameterizedTest
    @MethodSource("tunes")
    void whatIsBelowThePlainTuneHasNothingThatIsNotInIt(Tune tune, Instrument instrument) {
        List<String> plain = begun(Line.of(tune, with(tune, instrument, List.of())));
        for (String rule : List.of("hold-beats", "hold-passing", "hold-best", "hold-best@2")) {
            List<String> below = begun(Line.of(tune, with(tune, instrument, List.of(rule))));
            assertThat(plain).as(rule).containsAll(below);
            assertThat(below.size()).as(rule).isLessThanOrEqualTo(plain.size());
            assertThat(below.size() < plain.size() || rule.equals("hold-best"))
                    .as(rule)
                    .isTrue();
        }
    }

    /** No bar has more notes than are asked for, and with fewer none comes that was not there with more. */
    @ParameterizedTest
    @MethodSource("tunes")
    void ofABarOnlyWhatMattersMostIsLeft(Tune tune, Instrument instrument) {
        List<String> before = begun(Line.of(tune, with(tune, instrument, List.of())));
        for (int most : List.of(4, 3, 2)) {
            Line line = Line.of(tune, with(tune, instrument, List.of("hold-best@" + most)));
            Map<Integer, Integer> counts = new TreeMap<>();
            line.tones().stream()
                    .filter(tone -> !tone.isRest())
                    .forEach(tone -> counts.merge(tone.place().playedBar(), 1, Integer::sum));
            assertThat(counts.values()).allMatch(count -> count <= most);
            List<String> begun = begun(line);
            assertThat(before).containsAll(begun);
            before = begun;
        }
    }

    /** The worked example of the growth model, where it was run on the first phrases of our reel and our jig: four notes a bar. */
    @ParameterizedTest
    @CsvSource({
        "1, d2f2c2B2|F2A2E2D2|F2A2B2F2|B2g2e2F2",
        "2, G2Bd2G|A2Bc2F|G2dg2e|d2GA2D",
    })
    void theFirstPhrasesOfTheReelAndTheJigAreLeftAsInTheWorkedExample(int number, String expected) {
        Tune tune = Demo.tunes().get(number - 1);
        Version version = with(tune, Instrument.of("whistle-d"), List.of("hold-best"));
        assertThat(BookWriter.writeVersion(tune, version).replaceAll("[ \\n]", ""))
                .contains(expected);
    }

    /** For each tone that sounds when it begins and what it is. */
    private static List<String> begun(Line line) {
        List<String> begun = new ArrayList<>();
        Fraction now = Fraction.ZERO;
        for (Tone tone : line.tones()) {
            if (!tone.isRest()) {
                begun.add(now + " " + tone.pitches());
            }
            now = now.plus(tone.length());
        }
        return begun;
    }

    /** A leap wider than a sixth is left only where the instrument lacks the octave. */
    @ParameterizedTest
    @MethodSource("tunes")
    void leapsAreNarrow(Tune tune, Instrument instrument) {
        List<Tone> tones =
                Line.of(tune, with(tune, instrument, List.of("narrow"))).tones();
        for (int i = 1; i < tones.size(); i++) {
            boolean isFirstTime = tones.get(i).pass() == 1 && tones.get(i - 1).pass() == 1;
            if (tones.get(i).isRest() || tones.get(i - 1).isRest() || !isFirstTime) {
                continue;
            }
            int from = tones.get(i - 1).melody().midi();
            int to = tones.get(i).melody().midi();
            boolean hasNearer = instrument.has(
                    tones.get(i).melody().octave() > 0
                            ? new WrittenPitch(
                                    tones.get(i).melody().step(),
                                    tones.get(i).melody().alter(),
                                    tones.get(i).melody().octave() + (to > from ? -1 : 1))
                            : tones.get(i).melody());
            assertThat(Math.abs(to - from) <= 9 || !hasNearer).isTrue();
        }
    }

    /** On a fiddle's D string: open to the fourth finger, D to A. */
    @Test
    void onOneStringNothingLiesElsewhere() {
        Tune tune = Demo.tunes().get(6);
        Instrument fiddle = Instrument.of("fiddle");
        for (String way : List.of("one-string@D", "one-string@A", "one-string")) {
            List<Tone> tones = Line.of(tune, with(tune, fiddle, List.of(way))).tones();
            int low = tones.stream()
                    .filter(tone -> !tone.isRest())
                    .mapToInt(tone -> tone.melody().midi())
                    .min()
                    .orElseThrow();
            int high = tones.stream()
                    .filter(tone -> !tone.isRest())
                    .mapToInt(tone -> tone.melody().midi())
                    .max()
                    .orElseThrow();
            assertThat(high - low).as(way).isLessThanOrEqualTo(14);
            long within = tones.stream()
                    .filter(tone -> !tone.isRest())
                    .filter(tone -> tone.melody().midi() >= 62 && tone.melody().midi() <= 69)
                    .count();
            if (way.endsWith("D")) {
                assertThat(within).isGreaterThanOrEqualTo(tones.size() * 9L / 10);
            }
        }
    }
}
