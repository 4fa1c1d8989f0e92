package wildflourish.core.instrument;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.WrittenPitch;

/** Every table of winds and pipes, walked. Source of the expected values: common practice, with the trust the tables state. */
class WindsTest {
    /** Instruments that differ in key only share a chart: one of each chart. */
    static Stream<Instrument> charts() {
        return Stream.of(
                        "whistle-d",
                        "flute-d",
                        "bamboo-g",
                        "recorder-soprano",
                        "recorder-german",
                        "union-d-closed",
                        "union-d-open",
                        "border-pipes")
                .map(Instrument::of);
    }

    static Stream<Instrument> all() {
        return Instrument.winds().stream();
    }

    @ParameterizedTest
    @MethodSource("charts")
    void noTwoNotesOfARegisterShareAFingering(Instrument instrument) {
        for (Breath breath : Breath.values()) {
            Set<Fingering> seen = new HashSet<>();
            for (ChartRow row : instrument.chart()) {
                if (row.breath() == breath) {
                    assertThat(seen.add(row.usual())).as(row.toString()).isTrue();
                }
            }
        }
    }

    /** Acoustics, as a rule of thumb: within one register covering more holes never raises the note. */
    @ParameterizedTest
    @MethodSource("charts")
    void withinARegisterMoreClosedIsNeverHigher(Instrument instrument) {
        int compared = 0;
        for (ChartRow one : instrument.chart()) {
            for (ChartRow other : instrument.chart()) {
                boolean isSameRegister = register(instrument, one) == register(instrument, other);
                if (isSameRegister
                        && coversAllOf(one.usual(), other.usual())
                        && one.usual().offKnee() == other.usual().offKnee()) {
                    assertThat(one.pitch().midi())
                            .as(one + " against " + other)
                            .isLessThanOrEqualTo(other.pitch().midi());
                    compared++;
                }
            }
        }
        assertThat(compared).isGreaterThan(instrument.chart().size());
    }

    /** The recorder's registers break after D6 and A6, the whistle's and flute's above the second. */
    private static int register(Instrument instrument, ChartRow row) {
        int midi = row.pitch().midi();
        return switch (instrument.family()) {
            case RECORDER -> midi <= 86 ? 1 : midi <= 93 ? 2 : 3;
            case WHISTLE, FLUTE -> midi >= 86 ? 3 : row.breath().ordinal();
            default -> row.breath().ordinal();
        };
    }

    private static boolean coversAllOf(Fingering more, Fingering less) {
        for (int hole = 1; hole <= more.holes().size(); hole++) {
            if (openness(more.at(hole)) > openness(less.at(hole))) {
                return false;
            }
        }
        return true;
    }

    private static int openness(Hole hole) {
        return hole == Hole.CLOSED ? 0 : hole == Hole.HALF ? 1 : 2;
    }

    @ParameterizedTest
    @MethodSource("all")
    void everyInstrumentHasMarksHolesAndASchool(Instrument instrument) {
        assertThat(instrument.trust()).isNotNull();
        assertThat(instrument.schools()).isNotEmpty();
        for (ChartRow row : instrument.chart()) {
            assertThat(row.trust()).isNotNull();
            assertThat(row.usual().holes()).hasSize(instrument.holes());
            row.alternates().forEach(each -> assertThat(each.holes()).hasSize(instrument.holes()));
            assertThat(row.alternates()).doesNotContain(row.usual()).doesNotHaveDuplicates();
        }
    }

    /** Common practice: each plays its home scale, named as on its chart. */
    @ParameterizedTest
    @CsvSource({
        "whistle-d, D4 E4 F♯4 G4 A4 B4 C♯5 D5 E5 F♯5 G5 A5 B5",
        "flute-d, D4 E4 F♯4 G4 A4 B4 C♯5 D5 E5 F♯5 G5 A5 B5",
        "bamboo-g, D4 E4 F♯4 G4 A4 B4 C5 D5 E5 F♯5 G5 A5 B5",
        "recorder-soprano, C5 D5 E5 F5 G5 A5 B5 C6 D6 E6 F6 G6 A6 B6 C7",
        "recorder-german, C5 D5 E5 F5 G5 A5 B5 C6 D6 E6 F6 G6 A6 B6 C7",
        "union-d-closed, D4 E4 F♯4 G4 A4 B4 C♯5 D5 E5 F♯5 G5 A5 B5",
        "union-d-open, D4 E4 F♯4 G4 A4 B4 C♯5 D5 E5 F♯5 G5 A5 B5",
        "border-pipes, G4 A4 B4 C♯5 D5 E5 F♯5 G5 A5"
    })
    void theHomeScaleIsComplete(String id, String scale) {
        Set<Integer> has = new HashSet<>();
        Instrument.of(id).chart().forEach(row -> has.add(row.pitch().midi()));
        for (String note : List.of(scale.split(" "))) {
            assertThat(has).as(note).contains(FingeredPitch.parse(note).midi());
        }
    }

    /** Common practice, high trust: six holes on degree 1, then one fewer, in every key and both readings. */
    @Test
    void aSixHoleWhistleOfAnyKeyUncoversOneHoleADegree() {
        int[] steps = {0, 2, 4, 5, 7, 9, 11, 12};
        for (Instrument whistle : Instrument.winds()) {
            if (whistle.family() != Family.WHISTLE) {
                continue;
            }
            int low = whistle.reading().writtenMidi(FingeredPitch.parse("D4"));
            for (int degree = 0; degree < steps.length; degree++) {
                ChartRow row =
                        whistle.rowOf(WrittenPitch.ofMidi(low + steps[degree])).orElseThrow();
                long covered = row
                        .usual()
                        .with(1, degree == 7 ? Hole.CLOSED : row.usual().at(1))
                        .holes()
                        .stream()
                        .filter(hole -> hole == Hole.CLOSED)
                        .count();
                assertThat(covered).as(whistle + " degree " + (degree + 1)).isEqualTo(degree == 7 ? 6 : 6 - degree);
                assertThat(row.breath()).isEqualTo(degree == 7 ? Breath.FIRM : Breath.SOFT);
            }
        }
    }

    /** Arithmetic: what sounds for six closed holes, MIDI; two readings of one whistle sound alike for the same fingers. */
    @ParameterizedTest
    @CsvSource({
        "whistle-d, 74",
        "whistle-high-g, 79",
        "whistle-high-g-as-d, 79",
        "whistle-c, 72",
        "whistle-c-as-d, 72",
        "whistle-b-flat, 70",
        "whistle-low-g, 67",
        "whistle-low-d, 62",
        "flute-d, 62",
        "flute-f-as-d, 65",
        "flute-b-flat, 58",
        "bamboo-g, 62",
        "union-d-closed, 62",
        "union-c-open-as-d, 60",
        "union-b-closed, 59"
    })
    void sixClosedHolesSoundTheKeyOfTheInstrument(String id, int midi) {
        Instrument instrument = Instrument.of(id);
        assertThat(instrument.sounding(FingeredPitch.parse("D4")).midi()).isEqualTo(midi);
    }

    /** Common practice: the lowest note of each recorder. */
    @ParameterizedTest
    @CsvSource({"recorder-soprano, C4, 72", "recorder-german, C4, 72", "recorder-alto, F4, 65", "recorder-tenor, C4, 60"
    })
    void recordersSoundTheirNames(String id, String written, int midi) {
        Instrument recorder = Instrument.of(id);
        WrittenPitch pitch = WrittenPitch.parse(written);
        assertThat(recorder.rowOf(pitch).orElseThrow().usual()).hasToString("XXXXXXXX");
        assertThat(recorder.sounding(pitch).midi()).isEqualTo(midi);
    }

    /** Just intonation, arithmetic: a pure fifth is 702 cents, a pure third 386, the seventh 7/4 969 and 16/9 996 above low A. */
    @ParameterizedTest
    @CsvSource({
        "border-pipes, E5, 702",
        "border-pipes, C♯5, 386",
        "border-pipes, G5, 969",
        "border-pipes-16-9, G5, 996",
        "border-pipes-equal, G5, 1000",
        "border-pipes, A5, 1200"
    })
    void chantersArePureToTheDroneOrEqual(String id, String note, int cents) {
        Instrument chanter = Instrument.of(id);
        double above = chanter.sounding(WrittenPitch.parse(note)).semitones()
                - chanter.sounding(WrittenPitch.parse("A4")).semitones();
        assertThat(above * 100).isCloseTo(cents, within(1.0));
    }

    /** Common practice: mouth-blown low A lies between 470 and 485 Hz. */
    @Test
    void mouthBlownPipesSoundNearBFlat() {
        assertThat(Instrument.of("mouth-blown-pipes")
                        .sounding(WrittenPitch.parse("A4"))
                        .hertz())
                .isBetween(470.0, 485.0);
    }

    /** Common practice, high trust: there is no C♮, F♮ or G♯ on nine notes. */
    @Test
    void nineNotesAreAllThereAre() {
        assertThat(Instrument.of("border-pipes").chart()).hasSize(9);
        for (String missing : List.of("C5", "F5", "G♯4", "G♯5", "B5")) {
            assertThat(Instrument.of("border-pipes").rowOf(WrittenPitch.parse(missing)))
                    .isEmpty();
        }
    }

    @Test
    void aFingeringOffTheKneeIsAnother() {
        Fingering off = Fingering.parse("XXXXXXXX^");
        assertThat(off).hasToString("XXXXXXXX^").isNotEqualTo(Fingering.parse("XXXXXXXX"));
        assertThat(off.with(8, Hole.OPEN)).hasToString("XXXXXXXO^");
        assertThat(off.nameOf(1)).isEqualTo("T");
        assertThat(off.nameOf(8)).isEqualTo("7");
        assertThat(Fingering.parse("XXXXXX").nameOf(6)).isEqualTo("6");
    }
}
