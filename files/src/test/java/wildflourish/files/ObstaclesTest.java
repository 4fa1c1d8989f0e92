package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.fingering.LinePath;
import wildflourish.core.fingering.LineWays;
import wildflourish.core.fingering.Struck;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Schools;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.plain.Obstacle;
import wildflourish.core.plain.Obstacles;
import wildflourish.core.plain.Remedy;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.words.ObstacleWords;
import wildflourish.files.abc.BookReader;

/** What cannot be played and what helps. */
class ObstaclesTest {
    private static Tune tune(String body) {
        return BookReader.read("X:1\nT:Trial\nR:reel\nM:4/4\nL:1/8\n" + body + "\n")
                .value()
                .lessons()
                .get(0)
                .tune();
    }

    private static Obstacles of(Tune tune, String instrument) {
        Playing playing = Playing.usual(tune, Instrument.of(instrument));
        return Obstacles.of(tune, playing.instrument(), playing.schools(), playing.tempo());
    }

    private static Optional<Remedy> remedy(Obstacle obstacle, Remedy.Kind kind) {
        return obstacle.remedies().stream().filter(each -> each.kind() == kind).findFirst();
    }

    /** Arithmetic from the layout: the D/G box has no F♮ and no C♮4 anywhere, so neither an octave up nor down helps with F♮; C5 there is. */
    @Test
    void theBoxInDAndGLacksEveryFNatural() {
        Tune tune = tune("K:C\nG2EG F2EC|C2EG c4|");
        Obstacles obstacles = of(tune, "box-dg");
        assertThat(obstacles.obstacles())
                .extracting(each -> each.pitches().toString())
                .containsExactly("[F4]", "[C4]");
        Obstacle f = obstacles.obstacles().get(0);
        assertThat(f.why()).isEqualTo(LinePath.Why.MISSING);
        assertThat(remedy(f, Remedy.Kind.OCTAVE_UP)).isEmpty();
        assertThat(remedy(f, Remedy.Kind.NOTE_BEFORE).orElseThrow().pitches().toString())
                .isEqualTo("[G4]");
        assertThat(remedy(f, Remedy.Kind.CHORD_NOTE).orElseThrow().pitches().toString())
                .isEqualTo("[E4]");
        Obstacle c = obstacles.obstacles().get(1);
        assertThat(c.places()).hasSize(2);
        assertThat(remedy(c, Remedy.Kind.OCTAVE_UP).orElseThrow().pitches().toString())
                .isEqualTo("[C5]");
        assertThat(remedy(c, Remedy.Kind.OCTAVE_DOWN)).isEmpty();
        assertThat(obstacles.whole())
                .as("a tune of C, E, F, G lies in D a step up")
                .anyMatch(each -> each.kind() == Remedy.Kind.OTHER_KEY && each.semitones() == 2);
        assertThat(ObstacleWords.of(obstacles, tune, Instrument.of("box-dg")).get(0))
                .isEqualTo("F4 (bar 1, on beat 3): not on the D/G box, 21 buttons. Tried, and helps: "
                        + "repeat the note before, G4; drop to a note of the chord, E4.");
    }

    /** The chord symbol of the bar is taken before the tonic's chord. */
    @Test
    void theChordSymbolSaysWhereToDrop() {
        Tune tune = tune("K:C\n\"Dm\"G2EG F2ED|G8|");
        Obstacle f = of(tune, "box-dg").obstacles().get(0);
        assertThat(remedy(f, Remedy.Kind.CHORD_NOTE).orElseThrow().pitches().toString())
                .isEqualTo("[D4]");
    }

    /** Arithmetic from the layout: the B/C box with 21 buttons lacks A3; C♯/D has it. */
    @Test
    void anotherInstrumentIsOfferedWhenItPlaysAll() {
        Tune tune = tune("K:D\nA,2DF A2DF|A,2DF A4|");
        Obstacles obstacles = of(tune, "box-bc");
        assertThat(obstacles.obstacles().get(0).pitches().toString()).isEqualTo("[A3]");
        assertThat(obstacles.whole())
                .filteredOn(each -> each.kind() == Remedy.Kind.OTHER_INSTRUMENT)
                .extracting(each -> each.instrument().orElseThrow().id())
                .startsWith("box-c-sharp-d");
    }

    @Test
    void whatIsTooFastIsPlayedSlower() {
        Tune tune = tune("K:D\nD/4E/4D/4E/4 D2 A4|D8|");
        Instrument mandolin = Instrument.of("mandolin");
        Tempo fast = new Tempo(Fraction.of(115), Fraction.of(1, 2));
        Obstacles obstacles = Obstacles.of(tune, mandolin, Schools.usual(mandolin), fast);
        assertThat(obstacles.obstacles()).isNotEmpty().allMatch(each -> each.why() == LinePath.Why.TOO_FAST);
        Obstacle first = obstacles.obstacles().get(0);
        Tempo slow = remedy(first, Remedy.Kind.SLOWER).orElseThrow().tempo().orElseThrow();
        double millis = slow.millisOf(Fraction.of(1, 32)).toDouble();
        assertThat(millis).as("a stroke of the pick takes 60 ms").isBetween(60.0, 66.0);
    }

    /** A nail cannot strike three notes in the time of two, a thumb and two fingers can. */
    @Test
    void anotherSchoolIsOfferedWhenItPlaysAll() {
        Tune tune = tune("K:G\n(3GBd (3gdB G2 B2|G8|");
        Instrument banjo = Instrument.of("banjo-open-g");
        Playing playing = Playing.usual(tune, banjo).withSchool(School.of("down-picking"));
        Obstacles obstacles = Obstacles.of(tune, banjo, playing.schools(), playing.tempo());
        assertThat(obstacles.obstacles()).isNotEmpty().allMatch(each -> each.why() == LinePath.Why.TOO_FAST);
        Remedy other = obstacles.whole().get(0);
        assertThat(other.kind()).isEqualTo(Remedy.Kind.OTHER_SCHOOL);
        assertThat(LineWays.troubles(
                        Struck.of(tune, playing.tempo()),
                        banjo,
                        playing.schools().with(other.school().orElseThrow(), banjo),
                        tune.metreAt(0)))
                .isEmpty();
        assertThat(ObstacleWords.of(other)).startsWith("play it another way: ");
    }

    /** A wind instrument sounds one note; the melody is played by itself. */
    @Test
    void aSecondNoteIsRefusedOnTheWhistleAndFingeredOnTheFiddle() {
        Tune tune = tune("K:D\n[DA]2 A2 [DB]4|");
        Obstacles blown = of(tune, "whistle-d");
        assertThat(blown.obstacles()).hasSize(2).allMatch(each -> each.why() == LinePath.Why.ONE_AT_A_TIME);
        assertThat(remedy(blown.obstacles().get(0), Remedy.Kind.MELODY_ALONE)).isPresent();
        assertThat(of(tune, "fiddle").isEmpty()).isTrue();
    }

    /** C4 and B4 go different ways on the B/C box; the lower an octave up, C5, is no longer below. */
    @Test
    void twoNotesThatGoDifferentWaysLeaveTheMelody() {
        Obstacles obstacles = of(tune("K:C\n[CA]4 G4|"), "box-bc");
        Obstacle both = obstacles.obstacles().get(0);
        assertThat(both.why()).isEqualTo(LinePath.Why.BELLOWS);
        assertThat(remedy(both, Remedy.Kind.MELODY_ALONE)).isPresent();
    }

    static Stream<Instrument> instruments() {
        return Instrument.all().stream();
    }

    /** What is offered for the demo tunes is played through here once more. */
    @ParameterizedTest
    @MethodSource("instruments")
    void everyRemedyHelps(Instrument instrument) {
        for (Tune tune : Demo.tunes()) {
            Playing playing = Playing.usual(tune, instrument);
            Obstacles obstacles = Obstacles.of(tune, instrument, playing.schools(), playing.tempo());
            List<Struck> line = Struck.of(tune, playing.tempo());
            int told = obstacles.obstacles().stream()
                    .mapToInt(each -> each.places().size())
                    .sum();
            assertThat(LineWays.troubles(line, instrument, playing.schools(), tune.metreAt(0)))
                    .hasSize(told);
            for (Remedy remedy : obstacles.whole()) {
                Instrument on = remedy.instrument().orElse(instrument);
                List<Struck> moved = line.stream()
                        .map(each -> each.moved(remedy.semitones()))
                        .toList();
                assertThat(LineWays.troubles(moved, on, Schools.usual(on), tune.metreAt(0)))
                        .as(tune.title() + " on " + instrument + ": " + ObstacleWords.of(remedy))
                        .isEmpty();
            }
            for (Obstacle obstacle : obstacles.obstacles()) {
                for (Remedy remedy : obstacle.remedies()) {
                    assertThat(remedy.pitches())
                            .as(tune.title() + " on " + instrument + ": " + ObstacleWords.of(remedy))
                            .allMatch(
                                    pitch -> instrument.has(wildflourish.core.music.WrittenPitch.ofMidi(pitch.midi())));
                }
            }
        }
    }
}
