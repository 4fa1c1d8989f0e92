package wildflourish.core.version;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import wildflourish.core.Melody;
import wildflourish.core.RandomVersions;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

class StairTest {
    private static final Instrument WHISTLE = Instrument.of("whistle-d");
    private final Tune tune = Melody.jig("B4:3 A4:3 | G4:1 G4:1 G4:1 D4:3 |");
    private final Stair plain = Stair.starting(tune, WHISTLE, 4);

    private static Placement placement(String ornament, int first, int last) {
        return Placement.of(Ornament.of(ornament), Melody.span(first, last));
    }

    private static List<String> at(Stair stair, int note) {
        return stair.stages().stream()
                .map(version -> version.at(new NoteId(note))
                        .flatMap(Spot::first)
                        .map(placement -> placement.ornament().id())
                        .orElse("–"))
                .toList();
    }

    @Test
    void startsWithTheUsualNames() {
        assertThat(plain.stages()).extracting(Version::name).containsExactly("Root", "Leaf", "Bud", "Bloom");
    }

    @Test
    void aPlacementRisesFromItsStage() {
        assertThat(at(plain.placed(tune, 1, placement("cut", 0, 0)), 0)).containsExactly("–", "cut", "cut", "cut");
    }

    @Test
    void aBiggerOneAboveIsKeptAndASmallerOneGrows() {
        Stair grown = plain.placed(tune, 2, placement("long-roll", 0, 0)).placed(tune, 1, placement("cut", 0, 0));
        assertThat(at(grown, 0)).containsExactly("–", "cut", "long-roll", "long-roll");
        Stair upward = plain.placed(tune, 1, placement("cut", 0, 0)).placed(tune, 3, placement("long-roll", 0, 0));
        assertThat(at(upward, 0)).containsExactly("–", "cut", "cut", "long-roll");
    }

    @Test
    void aHeavierOneBelowGivesWaySoThatTheStairRises() {
        Stair stair = plain.placed(tune, 1, placement("long-roll", 0, 0)).placed(tune, 3, placement("cut", 0, 0));
        assertThat(at(stair, 0)).containsExactly("–", "cut", "cut", "cut");
    }

    @Test
    void changingOneChangesItsFollowersAbove() {
        Stair stair = plain.placed(tune, 1, placement("cut", 0, 0)).placed(tune, 1, placement("tap", 0, 0));
        assertThat(at(stair, 0)).containsExactly("–", "tap", "tap", "tap");
    }

    @Test
    void removalGoesDown() {
        Stair stair = plain.placed(tune, 0, placement("cut", 0, 0)).removed(tune, 2, new NoteId(0));
        assertThat(at(stair, 0)).containsExactly("–", "–", "–", "cut");
        assertThat(plain.removed(tune, 2, new NoteId(0))).isSameAs(plain);
    }

    @Test
    void anySequenceOfPlacingsAndRemovalsStaysNested() {
        for (int seed = 0; seed < 40; seed++) {
            Random random = new Random(seed);
            Tune any = new RandomVersions(seed).tune();
            Stair stair = Stair.starting(any, WHISTLE, 2 + random.nextInt(4));
            for (int i = 0; i < 60; i++) {
                Note note = any.notes().get(random.nextInt(any.notes().size()));
                int stage = random.nextInt(stair.stages().size());
                List<Fit> fits = WhatFits.at(any, note.id(), stair.at(stage).playing(), Profile.usual())
                        .fitting();
                stair = fits.isEmpty() || random.nextInt(5) == 0
                        ? stair.removed(any, stage, note.id())
                        : stair.placed(
                                any,
                                stage,
                                fits.get(random.nextInt(fits.size())).placement());
                assertThat(stair.isNested(any))
                        .as("seed " + seed + " step " + i)
                        .isTrue();
            }
        }
    }

    @Test
    void copyingUpFillsTheNextStageOrGrowsANewOne() {
        Stair stair = plain.placed(tune, 1, placement("cut", 0, 0)).removed(tune, 2, new NoteId(0));
        Stair copied = stair.copiedUp(3).orElseThrow();
        assertThat(copied.stages()).hasSize(5).last().extracting(Version::name).isEqualTo("Wild");
        Stair full = plain;
        while (full.stages().size() < 9) {
            full = full.copiedUp(full.stages().size() - 1).orElseThrow();
        }
        assertThat(full.copiedUp(8)).isEmpty();
        assertThat(full.stages()).extracting(Version::name).doesNotHaveDuplicates();
    }

    @Test
    void aStairHasTwoToNineStages() {
        assertThatThrownBy(() -> new Stair(List.of(plain.at(0)))).hasMessageContaining("two to nine");
    }

    @Test
    void spotsOfAVersionNeverOverlap() {
        Version version = plain.at(1).with(tune, Spot.of(placement("cut", 3, 3)));
        Version rolled = version.with(tune, Spot.of(placement("long-roll", 2, 4)));
        assertThat(rolled.spots()).containsOnlyKeys(new NoteId(2));
        assertThat(rolled.covering(tune, new NoteId(4))).map(Spot::at).contains(new NoteId(2));
        assertThat(rolled.with(tune, Spot.of(placement("cut", 4, 4))).spots()).containsOnlyKeys(new NoteId(4));
    }

    @Test
    void optionsTurnAndTheSentenceStays() {
        Spot spot = Spot.of(placement("cut", 0, 0))
                .withOption(placement("tap", 0, 0))
                .withOption(placement("long-roll", 0, 0))
                .withSentence("Lean on it.");
        Spot turned = spot.withNextOption();
        assertThat(turned.first()).contains(placement("tap", 0, 0));
        assertThat(turned.options()).hasSize(3).last().isEqualTo(placement("cut", 0, 0));
        assertThat(turned.withNextOption().withNextOption()).isEqualTo(spot);
        assertThat(turned.sentence()).isEqualTo("Lean on it.");
        assertThat(spot.withOption(placement("tap", 0, 0))).isSameAs(spot);
    }

    @Test
    void anOptionBeginsWhereItsSpotDoes() {
        assertThatThrownBy(() -> new Spot(new NoteId(1), List.of(placement("cut", 0, 0)), "", ""))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Passes.only(0)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void copiesAreTheSameInstanceWhenNothingChanges() {
        Version version = plain.at(1);
        assertThat(version.withName(version.name())).isSameAs(version);
        assertThat(version.withPlaying(version.playing())).isSameAs(version);
        assertThat(plain.with(1, version)).isSameAs(plain);
        assertThat(version.without(new NoteId(0))).isSameAs(version);
        Optional<Spot> spot =
                version.with(tune, Spot.of(placement("cut", 0, 0))).at(new NoteId(0));
        assertThat(spot.orElseThrow().withSentence("")).isSameAs(spot.orElseThrow());
    }
}
