package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import wildflourish.core.growing.Choices;
import wildflourish.core.growing.Growth;
import wildflourish.core.growing.Thinning;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;

/** What a good stair of each demo tune has on a whistle in D, and never has: our own verdicts of taste, to be signed by a player; common practice, trust M. Bars are counted from 1 without the pickup. */
class GrowthCellsTest {
    private static final int LEAF = 1;
    private static final int BUD = 2;
    private static final int BLOOM = 3;
    private static final int WILD = 4;

    /** A tune with a stair of five planned for it. */
    private record Planned(Tune tune, Stair stair) {
        static Planned of(int tune, Profile profile, Optional<Integer> tempo) {
            Tune of = Demo.tunes().get(tune - 1);
            Stair begun = Stair.starting(of, Instrument.of("whistle-d"), 5);
            if (tempo.isPresent()) {
                begun = begun.withEach(version -> version.withPlaying(version.playing()
                        .withTempo(new Tempo(
                                Fraction.of(tempo.get(), 1),
                                version.playing().tempo().beatLength()))));
            }
            return new Planned(of, Growth.grown(of, begun, 1, profile));
        }

        static Planned of(int tune) {
            return of(tune, Profile.usual(), Optional.empty());
        }

        private Bar bar(int number) {
            return tune.bars().get(tune.form().isPickup(0) ? number : number - 1);
        }

        Note note(int bar, int index) {
            return bar(bar).notes().get(index);
        }

        /** What stands on a note of a bar, both counted as the tune has them; a dash for nothing. */
        String at(int stage, int bar, int index) {
            return at(stage, note(bar, index).id());
        }

        String at(int stage, NoteId note) {
            return stair.at(stage)
                    .at(note)
                    .flatMap(Spot::first)
                    .map(placement -> placement.ornament().id())
                    .orElse("–");
        }

        List<Placement> all(int stage) {
            return stair.at(stage).spots().values().stream()
                    .flatMap(spot -> spot.first().stream())
                    .toList();
        }

        /** Everything at a stage on notes of a letter, octaves aside, as ids. */
        List<String> on(int stage, String letter) {
            return all(stage).stream()
                    .filter(placement -> tune.note(placement.span().first())
                            .melody()
                            .toString()
                            .startsWith(letter))
                    .map(placement -> placement.ornament().id())
                    .toList();
        }
    }

    private static boolean isRoll(Placement placement) {
        return placement.ornament().kind() == Ornament.Kind.ROLL;
    }

    @Test
    void theFirstReelIsCutWhereItsNoteIsStruckAgainAndRolledOnItsHeldNote() {
        Planned reel = Planned.of(1);
        assertThat(reel.at(LEAF, 8, 1)).isEqualTo("cut");
        assertThat(reel.at(LEAF, 9, 1)).as("the second ending").isEqualTo("cut");
        for (int bar : List.of(2, 6)) {
            assertThat(reel.at(BUD, bar, 0)).isEqualTo("short-roll");
            for (int note = 3; note < 7; note++) {
                assertThat(reel.at(BUD, bar, note)).as("EFDE of bar %s", bar).isEqualTo("–");
            }
        }
        for (int stage = LEAF; stage <= WILD; stage++) {
            assertThat(reel.on(stage, "D")).as("D is never rolled").noneMatch(id -> id.endsWith("roll"));
            assertThat(reel.on(stage, "C")).as("C natural and sharp").isSubsetOf("tap", "cut");
        }
        assertThat(reel.on(WILD, "D")).contains("cran");
        assertThat(reel.on(BUD, "D")).doesNotContain("cran");
    }

    @Test
    void atAHundredAndSixtyNothingStandsOnQuaversAndNothingIsRolled() {
        Planned fast = Planned.of(1, Profile.usual(), Optional.of(160));
        for (int stage = LEAF; stage <= WILD; stage++) {
            assertThat(fast.all(stage)).noneMatch(GrowthCellsTest::isRoll);
            assertThat(fast.all(stage))
                    .allMatch(placement ->
                            !fast.tune().note(placement.span().first()).played().isLessThan(Fraction.of(1, 4)));
        }
        assertThat(fast.all(WILD)).as("crotchets still bear some").isNotEmpty();
    }

    /** A learner's cut is clean to 113.6 there and the margin asks for 117.6. */
    @Test
    void aLearnerAtAHundredAndTwelveHasNoMarkOnAQuaverYet() {
        Planned learner = Planned.of(1, Profile.of("learner"), Optional.of(112));
        assertThat(learner.all(LEAF))
                .allMatch(placement ->
                        !learner.tune().note(placement.span().first()).played().isLessThan(Fraction.of(1, 4)));
    }

    @Test
    void theJigIsCutOnItsHeldNoteAndRolledThereNext() {
        Planned jig = Planned.of(2);
        for (int bar : List.of(2, 6)) {
            assertThat(jig.at(LEAF, bar, 0)).isEqualTo("cut");
            assertThat(jig.at(BUD, bar, 0)).isEqualTo("short-roll");
        }
        assertThat(jig.all(LEAF))
                .allMatch(placement ->
                        List.of("cut", "tap").contains(placement.ornament().id()));
        assertThat(jig.at(WILD, 9 + 1, 0)).as("gfg").isEqualTo("long-roll");
        assertThat(jig.at(BLOOM, 9 + 1, 0)).as("gfg, not before").isNotEqualTo("long-roll");
        onePerBar(jig);
    }

    private static void onePerBar(Planned planned) {
        for (Bar bar : planned.tune().bars()) {
            long count = bar.notes().stream()
                    .filter(note -> !planned.at(LEAF, note.id()).equals("–"))
                    .count();
            assertThat(count).isLessThanOrEqualTo(1);
        }
    }

    @Test
    void thePolkaPartsItsEqualNotesAndLeavesSemiquaversAlone() {
        Planned polka = Planned.of(3);
        for (int bar : List.of(10, 14)) {
            assertThat(polka.at(LEAF, bar, 1)).isEqualTo("cut");
        }
        for (int stage = LEAF; stage <= BLOOM; stage++) {
            assertThat(polka.all(stage))
                    .allMatch(placement -> !polka.tune()
                            .note(placement.span().first())
                            .played()
                            .isLessThan(Fraction.of(1, 8)));
        }
    }

    @Test
    void theSlipJigPartsItsEqualNotesAndRollsItsLongOnesLast() {
        Planned slip = Planned.of(4);
        for (int bar : List.of(1, 2, 3)) {
            assertThat(slip.at(LEAF, bar, 2)).as("bar %s", bar).isEqualTo("cut");
        }
        assertThat(slip.at(WILD, 4, 6)).isEqualTo("long-roll");
        assertThat(slip.at(WILD, 8, 6)).isEqualTo("long-roll");
    }

    @Test
    void theHornpipeLeavesItsTripletsAloneUpToBloom() {
        Planned hornpipe = Planned.of(5);
        for (int stage = LEAF; stage <= BLOOM; stage++) {
            assertThat(hornpipe.all(stage))
                    .noneMatch(placement ->
                            hornpipe.tune().tupletAt(placement.span().first()).isPresent());
        }
        assertThat(hornpipe.at(WILD, 4, 5)).as("the crotchet of bar 4").endsWith("roll");
    }

    @Test
    void theWaltzHasOneABarAndLeavesItsLastNotesUnrolled() {
        Planned waltz = Planned.of(6);
        onePerBar(waltz);
        for (int bar : List.of(8, 17)) {
            for (int stage = LEAF; stage <= BLOOM; stage++) {
                assertThat(waltz.at(stage, bar, 0)).doesNotEndWith("roll");
            }
        }
    }

    @Test
    void theReelInAPartsItsEqualNotesAndNeverRollsSharps() {
        Planned reel = Planned.of(7);
        for (int bar : List.of(1, 5)) {
            assertThat(reel.at(LEAF, bar, 1)).isEqualTo("cut");
        }
        for (int stage = LEAF; stage <= WILD; stage++) {
            assertThat(reel.on(stage, "C♯")).noneMatch(id -> id.endsWith("roll"));
            assertThat(reel.on(stage, "G♯")).isEmpty();
        }
    }

    @Test
    void theMarchPartsItsEndingsAndTheReelInCLeavesLowCAlone() {
        Planned march = Planned.of(8);
        assertThat(march.at(LEAF, 8, 1)).isEqualTo("cut");
        Planned reel = Planned.of(9);
        for (int stage = LEAF; stage <= WILD; stage++) {
            assertThat(reel.on(stage, "C4")).isEmpty();
            assertThat(reel.on(stage, "C5")).noneMatch(id -> id.endsWith("roll"));
        }
    }

    /** Pipes sound on between equal notes: every planned stage parts them, its lowest too. */
    @Test
    void pipesPartEqualNotes() {
        Tune tune = Demo.tunes().get(7);
        Stair stair =
                Growth.grown(tune, Stair.starting(tune, Instrument.of("mouth-blown-pipes"), 5), 1, Profile.usual());
        int met = 0;
        for (int i = 1; i < tune.notes().size(); i++) {
            Note note = tune.notes().get(i);
            if (note.pitches().equals(tune.notes().get(i - 1).pitches())) {
                met++;
                for (int stage = 0; stage <= WILD; stage++) {
                    assertThat(stair.at(stage).covering(tune, note.id()))
                            .as("note %s at stage %s", i + 1, stage)
                            .isPresent();
                }
            }
        }
        assertThat(met).isPositive();
        assertThat(stair.at(0).ornamented())
                .as("the plain stage has nothing else")
                .isEqualTo(met);
        assertThat(stair.isNested(tune)).isTrue();
        Choices choices = Growth.choices(tune, stair, Profile.usual());
        Version thin = new Thinning(Optional.of(8), Optional.empty()).of(tune, stair, WILD, Profile.usual(), choices);
        assertThat(thin.ornamented()).isLessThan(stair.at(WILD).ornamented());
        for (int i = 1; i < tune.notes().size(); i++) {
            Note note = tune.notes().get(i);
            if (note.pitches().equals(tune.notes().get(i - 1).pitches())) {
                assertThat(thin.covering(tune, note.id()))
                        .as("thinned, note %s", i + 1)
                        .isPresent();
            }
        }
    }

    /** Sparse at first: two to six placements in each part, whatever the family. */
    @Test
    void theFirstStageIsSparseOnEveryFamily() {
        for (String id : List.of(
                "whistle-d",
                "flute-d",
                "bamboo-d",
                "recorder-soprano",
                "union-d-open",
                "mouth-blown-pipes",
                "fiddle",
                "mandolin",
                "tenor-banjo",
                "banjo-open-g",
                "box-bc",
                "anglo-a",
                "anglo-b",
                "english-48")) {
            Instrument instrument = Instrument.of(id);
            // All on the whistle; on the others, which take longer, a few.
            List<Tune> tunes = id.equals("whistle-d")
                    ? Demo.tunes()
                    : List.of(
                            Demo.tunes().get(1),
                            Demo.tunes().get(4),
                            Demo.tunes().get(7),
                            Demo.tunes().get(8));
            for (Tune tune : tunes) {
                boolean isOnIt = tune.notes().stream().allMatch(note -> note.isRest() || instrument.has(note.melody()));
                if (!isOnIt) {
                    continue;
                }
                Version leaf = Growth.grown(tune, Stair.starting(tune, instrument, 2), 1, Profile.usual())
                        .at(1);
                tune.form()
                        .parts()
                        .forEach(part -> assertThat(leaf.spots().keySet().stream()
                                        .map(note -> tune.placeOf(note).bar())
                                        .filter(bar -> part.firstBar() <= bar && bar <= part.lastBar())
                                        .count())
                                .as("%s on the %s, bar %s on", tune.title(), id, part.firstBar())
                                .isBetween(2L, 6L));
            }
        }
    }
}
