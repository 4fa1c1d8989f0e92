package wildflourish.core.placing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import wildflourish.core.Melody;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Reason;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;

class WhatFitsTest {
    private static final Instrument WHISTLE = Instrument.of("whistle-d");

    /** The cells were written down before the code; the file says from what. */
    @TestFactory
    List<DynamicTest> everyCellOfTheTableComesOut() {
        List<Row> rows = Table.load("what-fits-cells.table").rows();
        assertThat(rows).hasSizeGreaterThanOrEqualTo(40);
        return rows.stream()
                .map(row -> DynamicTest.dynamicTest(row.toString(), () -> cell(row)))
                .toList();
    }

    private static void cell(Row row) {
        Tune tune = Melody.reel(row.text("note") + ":" + row.text("quavers") + " |");
        WhatFits fits = at(tune, 0);
        String ornament = row.text("ornament");
        Optional<Fit> fitting = find(fits.fitting(), ornament);
        if (row.text("verdict").equals("fits")) {
            assertThat(fitting).isPresent();
        } else {
            assertThat(fitting).isEmpty();
            assertThat(find(fits.refused(), ornament).orElseThrow().refusals().get(0))
                    .isEqualTo(Refusal.valueOf(row.text("verdict")));
        }
    }

    private static Optional<Fit> find(List<Fit> fits, String ornament) {
        return fits.stream()
                .filter(fit -> fit.facts().ornament().id().equals(ornament))
                .findFirst();
    }

    private static WhatFits at(Tune tune, int note) {
        return at(tune, note, "fluent", Playing.usual(tune, WHISTLE));
    }

    private static WhatFits at(Tune tune, int note, String student, Playing playing) {
        return WhatFits.at(tune, new NoteId(note), playing, Profile.of(student));
    }

    private static List<Reason> reasons(Tune tune, int note, String ornament) {
        return find(at(tune, note).fitting(), ornament).orElseThrow().reasons();
    }

    private static int rank(Tune tune, int note, String ornament) {
        return find(at(tune, note).fitting(), ornament).orElseThrow().rank();
    }

    // One fact changed, the rest the same (common practice: two equal notes are parted by a cut, a third by a tap)

    @Test
    void twoEqualNotesArePartedByACutAndAThirdByATap() {
        Tune two = Melody.reel("A4:1 G4:1 G4:1 E4:1 |");
        Tune three = Melody.reel("G4:1 G4:1 G4:1 E4:1 |");
        assertThat(rank(two, 2, "cut")).isGreaterThan(rank(two, 2, "tap"));
        assertThat(reasons(two, 2, "cut")).contains(Reason.PARTS_TWO_EQUAL);
        assertThat(rank(three, 2, "tap")).isGreaterThan(rank(three, 2, "cut"));
        assertThat(reasons(three, 2, "tap")).contains(Reason.PARTS_THIRD_EQUAL);
        assertThat(reasons(three, 2, "cut")).doesNotContain(Reason.PARTS_TWO_EQUAL);
    }

    @Test
    void aRisingLineFavoursCutsAndAFallingOneLetsTapsIn() {
        Tune rising = Melody.reel("E4:2 G4:2 A4:2 |");
        Tune falling = Melody.reel("B4:1 G4:1 A4:2 |");
        assertThat(reasons(rising, 1, "cut")).contains(Reason.RISES_INTO);
        assertThat(reasons(rising, 1, "tap")).contains(Reason.TAP_ON_RISE);
        assertThat(reasons(falling, 1, "cut")).contains(Reason.FALLS_INTO_CUT).doesNotContain(Reason.RISES_INTO);
        assertThat(reasons(falling, 1, "tap")).contains(Reason.FALLS_INTO_TAP);
        assertThat(rank(falling, 1, "tap")).isGreaterThan(rank(falling, 1, "cut"));
    }

    @Test
    void theBeatCountsForCuts() {
        Tune tune = Melody.reel("B4:1 G4:1 A4:1 F♯4:1 |");
        assertThat(reasons(tune, 2, "cut")).contains(Reason.ON_THE_BEAT);
        assertThat(reasons(tune, 1, "cut")).doesNotContain(Reason.ON_THE_BEAT);
    }

    @Test
    void aLongerNoteTakesABiggerOrnament() {
        assertThat(find(at(Melody.reel("A4:1 G4:1 |"), 1).fitting(), "short-roll"))
                .isEmpty();
        assertThat(rank(Melody.reel("A4:1 G4:2 |"), 1, "short-roll"))
                .isGreaterThan(rank(Melody.reel("A4:1 G4:2 |"), 1, "tap"));
        assertThat(rank(Melody.reel("A4:1 G4:3 |"), 1, "long-roll"))
                .isGreaterThan(rank(Melody.reel("A4:1 G4:3 |"), 1, "cut"));
        assertThat(rank(Melody.reel("A4:1 D4:3 |"), 1, "cran"))
                .isGreaterThan(rank(Melody.reel("A4:1 D4:3 |"), 1, "cut"));
    }

    @Test
    void aRollMayStandForThreeEqualNotesOrForATurnOnTheBeat() {
        Tune equal = Melody.jig("B4:1 B4:1 B4:1 G4:3 |");
        Tune turn = Melody.jig("B4:1 A4:1 B4:1 G4:3 |");
        Tune leap = Melody.jig("B4:1 G4:1 B4:1 G4:3 |");
        Tune offBeat = Melody.jig("G4:1 B4:1 A4:1 B4:1 G4:2 |");
        assertThat(spanOf(equal, 0)).contains(Melody.span(0, 2));
        assertThat(reasons(equal, 0, "long-roll")).contains(Reason.GATHERS_EQUAL_NOTES);
        assertThat(spanOf(turn, 0)).contains(Melody.span(0, 2));
        assertThat(reasons(turn, 0, "long-roll")).contains(Reason.STANDS_FOR_TURN);
        assertThat(spanOf(leap, 0)).isEmpty();
        assertThat(spanOf(offBeat, 1))
                .as("a turn off the beat may be rolled too")
                .contains(Melody.span(1, 3));
    }

    private static Optional<wildflourish.core.version.Span> spanOf(Tune tune, int note) {
        return find(at(tune, note).fitting(), "long-roll")
                .map(fit -> fit.placement().span());
    }

    @Test
    void noOrnamentReachesOverABarLineOrARest() {
        assertThat(spanOf(Melody.jig("G4:3 B4:1 B4:1 | B4:1 G4:5 |"), 1)).isEmpty();
        assertThat(spanOf(Melody.jig("B4:1 r:1 B4:1 G4:3 |"), 0)).isEmpty();
    }

    @Test
    void aHeldNoteAndARestAreRefused() {
        Tune tied = Melody.reel("G4:2~ G4:2 r:4 |");
        assertThat(at(tied, 1).fitting()).isEmpty();
        assertThat(at(tied, 1).refused()).allMatch(fit -> fit.refusals().get(0) == Refusal.HELD_FROM_BEFORE);
        assertThat(at(tied, 2).refused()).allMatch(fit -> fit.refusals().get(0) == Refusal.REST);
        assertThat(at(tied, 2).refused())
                .hasSize(
                        Ornament.of(wildflourish.core.instrument.Family.WHISTLE).size());
    }

    @Test
    void speedAndStudentDecide() {
        Tune tune = Melody.reel("A4:1 G4:1 A4:2 |");
        Playing fast = Playing.usual(tune, WHISTLE).withTempo(Tempo.of(120, Fraction.of(1, 2)));
        assertThat(find(at(tune, 1, "fluent", fast).fitting(), "cut")).isPresent();
        Fit refused = find(at(tune, 1, "learner", fast).refused(), "cut").orElseThrow();
        assertThat(refused.refusals()).containsExactly(Refusal.TOO_FAST);
        assertThat(Words.why(refused)).contains("113.6").contains("slow down");
    }

    @Test
    void tightAndRoomyExcludeEachOther() {
        Tune tune = Melody.reel("A4:1 G4:1 A4:2 |");
        for (int beats = 60; beats < 155; beats++) {
            Playing playing = Playing.usual(tune, WHISTLE).withTempo(Tempo.of(beats, Fraction.of(1, 2)));
            List<Reason> reasons = find(at(tune, 1, "fluent", playing).fitting(), "cut")
                    .orElseThrow()
                    .reasons();
            assertThat(reasons.contains(Reason.TIGHT) && reasons.contains(Reason.ROOM_TO_SPARE))
                    .isFalse();
            assertThat(reasons.contains(Reason.TIGHT)).isEqualTo(beats * 1.1 > 60000 / (97 * 4.0));
        }
    }

    @Test
    void fitsComeBestFirstAndAreStable() {
        Tune tune = Melody.reel("A4:1 G4:2 |");
        List<Fit> fitting = at(tune, 1).fitting();
        assertThat(fitting).isSortedAccordingTo(Comparator.comparingInt((Fit fit) -> -fit.rank()));
        assertThat(at(tune, 1).fitting().stream().map(Fit::placement))
                .containsExactlyElementsOf(fitting.stream().map(Fit::placement).toList());
    }

    @Test
    void theCriticTellsMissingNotesAndPlacementsThatDoNotFit() {
        Tune tune = Melody.reel("C4:2 D4:2 G4:1 A4:3 |");
        Version version = Version.plain("Leaf", Playing.usual(tune, WHISTLE))
                .with(tune, Spot.of(Placement.of(Ornament.of("tap"), Melody.span(1, 1))))
                .with(tune, Spot.of(Placement.of(Ornament.of("short-roll"), Melody.span(2, 2))))
                .with(tune, Spot.of(Placement.of(Ornament.of("long-roll"), Melody.span(3, 3))));
        List<Remark> remarks = Remark.of(tune, version, Profile.usual());
        assertThat(remarks).extracting(Remark::at).containsExactly(new NoteId(0), new NoteId(1), new NoteId(2));
        assertThat(remarks.get(0)).isInstanceOf(Remark.MissingNote.class);
        assertThat(remarks.stream().map(remark -> Words.of(remark, tune, version)))
                .allMatch(words -> words.contains("bar 1"))
                .anyMatch(words -> words.contains("all holes are shut"))
                .anyMatch(words -> words.contains("needs a crotchet"));
    }

    /** Low trust in the points themselves; the law is that what fits says why, and what does not says why not and nothing for it. */
    @Test
    void whatFitsSaysWhyAndWhatDoesNotSaysWhyNot() {
        Tune tune = Melody.jig("D4:1 D4:1 D4:1 B4:1 A4:1 B4:1 | C5:2 C♯5:1 E4:3 | r:3 B5:3 | F4:1 E6:2 C4:3 |");
        int fitting = 0;
        for (var note : tune.notes()) {
            WhatFits fits = at(tune, note.id().number());
            fitting += fits.fitting().size();
            assertThat(fits.refused())
                    .allMatch(fit -> !fit.refusals().isEmpty() && fit.reasons().isEmpty());
            assertThat(fits.fitting()).allMatch(fit -> fit.refusals().isEmpty());
            fits.refused()
                    .forEach(fit -> assertThat(Words.why(fit)).endsWith(".").doesNotContain("null"));
        }
        assertThat(fitting).isGreaterThan(40);
    }
}
