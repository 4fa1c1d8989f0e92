package wildflourish.core.instrument;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.SoundingPitch;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.table.Trust;

/** The six-hole whistle's tables. Source of the expected values: common practice, with the trust the tables state. */
class WhistleTest {
    private static final Instrument WHISTLE = Instrument.of("whistle-d");

    /** Common practice, high trust: degrees 1 to 7 cover 6 5 4 3 2 1 0 holes, then six again in the next register. */
    @Test
    void theHomeScaleUncoversOneHoleADegree() {
        List<Integer> covered = new ArrayList<>();
        for (String name : List.of("D4", "E4", "F♯4", "G4", "A4", "B4", "C♯5")) {
            covered.add((int) row(name).usual().holes().stream()
                    .filter(hole -> hole == Hole.CLOSED)
                    .count());
        }
        assertThat(covered).containsExactly(6, 5, 4, 3, 2, 1, 0);
        assertThat(row("D5").breath()).isEqualTo(Breath.FIRM);
        assertThat(row("D5").alternates()).contains(Fingering.parse("XXXXXX"));
    }

    @ParameterizedTest
    @EnumSource(Breath.class)
    void withinARegisterMoreClosedIsNeverHigher(Breath breath) {
        List<ChartRow> rows = WHISTLE.chart().stream()
                .filter(row -> row.breath() == breath && row.pitch().midi() < 86)
                .toList();
        for (ChartRow one : rows) {
            for (ChartRow other : rows) {
                if (coversAllOf(one.usual(), other.usual())) {
                    assertThat(one.pitch().midi())
                            .as(one.usual() + " against " + other.usual())
                            .isLessThanOrEqualTo(other.pitch().midi());
                }
            }
        }
    }

    private static boolean coversAllOf(Fingering more, Fingering less) {
        for (int hole = 1; hole <= 6; hole++) {
            if (openness(more.at(hole)) > openness(less.at(hole))) {
                return false;
            }
        }
        return true;
    }

    private static int openness(Hole hole) {
        return switch (hole) {
            case CLOSED -> 0;
            case HALF -> 1;
            case OPEN -> 2;
        };
    }

    @ParameterizedTest
    @EnumSource(Breath.class)
    void noTwoNotesOfARegisterShareTheirUsualFingering(Breath breath) {
        Set<Fingering> seen = new HashSet<>();
        for (ChartRow row : WHISTLE.chart()) {
            if (row.breath() == breath) {
                assertThat(seen.add(row.usual()))
                        .as(row.pitch() + " " + row.usual())
                        .isTrue();
            }
        }
        assertThat(seen).hasSizeGreaterThan(10);
    }

    @Test
    void everyNoteOfTheChartHasGesturesOrSaysThatNoneAreKnown() {
        for (ChartRow row : WHISTLE.chart()) {
            assertThat(WHISTLE.gracingOf(row.pitch()))
                    .as(row.pitch().toString())
                    .isPresent();
            assertThat(row.trust()).isIn((Object[]) Trust.values());
            row.alternates().forEach(each -> assertThat(each.holes()).hasSize(6));
        }
    }

    /** Common practice, high trust: no tap and no roll on the all-closed note in either octave; it is cranned. */
    @ParameterizedTest
    @CsvSource({"D4", "D5"})
    void theAllClosedNoteIsCrannedAndNeverTappedOrRolled(String name) {
        Gracing gracing = gracing(name);
        assertThat(gracing.tap()).isEmpty();
        assertThat(gracing.speech().roll().speaks()).isFalse();
        assertThat(gracing.crans().areKnown()).isTrue();
    }

    /** Common practice, high trust: with all holes open there is nothing to lift. */
    @Test
    void theAllOpenNoteHasNoCut() {
        for (School school : School.all()) {
            assertThat(gracing("C♯5").cutBy(school)).isEmpty();
        }
        assertThat(gracing("C♯5").tap()).contains(1);
    }

    /** Common practice: the hole lifted by two-finger, hand-over, always-top and next-up players, and the hole tapped. */
    @ParameterizedTest
    @CsvSource({
        "D4, 3, 3, 1, 6, 0", "D5, 3, 3, 2, 6, 0", "E4, 3, 3, 1, 5, 6", "F♯4, 3, 3, 1, 4, 5", "G4, 3, 3, 1, 3, 4",
        "A4, 1, 2, 1, 2, 3", "B4, 1, 1, 1, 1, 2", "C5, 3, 3, 2, 3, 4", "C6, 1, 1, 1, 1, 1", "A5, 1, 2, 1, 2, 3"
    })
    void cutsFollowTheSchools(String name, int two, int over, int top, int next, int tap) {
        Gracing gracing = gracing(name);
        assertThat(List.of("two-finger", "hand-over", "always-top", "next-up").stream()
                        .map(School::of)
                        .map(gracing::cutBy)
                        .map(Optional::orElseThrow))
                .containsExactly(two, over, top, next);
        assertThat(gracing.tap().orElse(0)).isEqualTo(tap);
    }

    /** Common practice: a tap sounds the scale note below. */
    @ParameterizedTest
    @CsvSource({"E4, D4", "F♯4, E4", "G4, F♯4", "A4, G4", "B4, A4", "C♯5, B4", "C6, B5", "E5, D5", "F♯5, E5"})
    void aTapSoundsTheScaleNoteBelow(String note, String below) {
        ChartRow row = row(note);
        Fingering tapped = row.usual().with(gracing(note).tap().orElseThrow(), Hole.CLOSED);
        assertThat(WHISTLE.soundOf(tapped, row.breath()).orElseThrow().midi())
                .isEqualTo(WHISTLE.reading().sounding(WrittenPitch.parse(below)).midi());
    }

    /** Common practice: next-up players sound the next scale note with their cut. */
    @ParameterizedTest
    @CsvSource({"D4, E4", "E4, F♯4", "F♯4, G4", "G4, A4", "A4, B4", "B4, C♯5"})
    void aNextUpCutSoundsTheNextScaleNote(String note, String above) {
        ChartRow row = row(note);
        int hole = gracing(note).cutBy(School.of("next-up")).orElseThrow();
        SoundingPitch sound =
                WHISTLE.soundOf(row.usual().with(hole, Hole.OPEN), row.breath()).orElseThrow();
        assertThat(sound).isEqualTo(WHISTLE.reading().sounding(WrittenPitch.parse(above)));
    }

    /** Common practice, high trust: a cran lifts a different finger each time. */
    @Test
    void aCranNeverLiftsTheSameFingerTwiceRunning() {
        for (ChartRow row : WHISTLE.chart()) {
            Gracing gracing = WHISTLE.gracingOf(row.pitch()).orElseThrow();
            for (List<Integer> order : gracing.crans().longOrders()) {
                assertThat(order.get(0)).isNotEqualTo(order.get(1));
            }
        }
        assertThat(gracing("D4").crans().shortOrders()).contains(List.of(3, 4), List.of(4, 5));
        assertThat(gracing("D4").crans().longOrders()).contains(List.of(3, 4), List.of(3, 5));
    }

    @Test
    void everyGestureOfEveryNoteHasASound() {
        for (ChartRow row : WHISTLE.chart()) {
            Gracing gracing = WHISTLE.gracingOf(row.pitch()).orElseThrow();
            SoundingPitch plain = WHISTLE.reading().sounding(row.pitch());
            for (School school : School.all()) {
                gracing.cutBy(school)
                        .map(hole -> row.usual().with(hole, Hole.OPEN))
                        .flatMap(fingering -> WHISTLE.soundOf(fingering, row.breath()))
                        .ifPresent(sound -> assertThat(sound.semitones())
                                .as("cut on " + row.pitch() + " by " + school.id())
                                .isGreaterThan(plain.semitones()));
            }
            gracing.tap()
                    .flatMap(hole -> WHISTLE.soundOf(row.usual().with(hole, Hole.CLOSED), row.breath()))
                    .ifPresent(sound -> assertThat(sound.semitones())
                            .as("tap on " + row.pitch())
                            .isLessThan(plain.semitones()));
        }
    }

    /** Arithmetic: a tune that sounds in C on a whistle in C is fingered as in D; read as if in D it is also written in D. */
    @Test
    void aWhistleInAnotherKeyIsOneRowOfTheTable() {
        Instrument concert = Instrument.of("whistle-c");
        Instrument asInD = Instrument.of("whistle-c-as-d");
        assertThat(concert.rowOf(WrittenPitch.parse("C4")).orElseThrow().usual())
                .hasToString("XXXXXX");
        assertThat(asInD.rowOf(WrittenPitch.parse("D4")).orElseThrow().usual()).hasToString("XXXXXX");
        assertThat(WHISTLE.rowOf(WrittenPitch.parse("C4"))).isEmpty();
    }

    @Test
    void anUnknownInstrumentIsAnsweredWithThoseThereAre() {
        assertThatThrownBy(() -> Instrument.of("kazoo")).hasMessageContaining("whistle-d");
        assertThatThrownBy(() -> School.of("none")).hasMessageContaining("two-finger");
    }

    @Test
    void aFingeringIsReadAndWrittenAsSigns() {
        Fingering fingering = Fingering.parse("XhOOXX");
        assertThat(fingering).hasToString("XhOOXX");
        assertThat(fingering.at(2)).isEqualTo(Hole.HALF);
        assertThat(fingering.firstOpen()).isEqualTo(2);
        assertThat(fingering.with(2, Hole.HALF)).isSameAs(fingering);
        assertThatThrownBy(() -> Fingering.parse("XXZ")).hasMessageContaining("X, O or h");
    }

    private static ChartRow row(String name) {
        return WHISTLE.rowOf(WrittenPitch.parse(name)).orElseThrow();
    }

    private static Gracing gracing(String name) {
        return WHISTLE.gracingOf(FingeredPitch.parse(name)).orElseThrow();
    }
}
