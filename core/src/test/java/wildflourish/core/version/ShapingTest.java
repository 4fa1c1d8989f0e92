package wildflourish.core.version;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.Melody;
import wildflourish.core.RandomVersions;
import wildflourish.core.Rounds;
import wildflourish.core.form.Phrase;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.Load;
import wildflourish.core.placing.Sizes;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/** Stairs given another shape, what one stage has over another, and what a stage loads on the hand. */
class ShapingTest {
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

    private static Stair decorated(Tune any, Random random) {
        Stair stair = Stair.starting(any, WHISTLE, 2 + random.nextInt(4));
        for (Note note : any.notes()) {
            int stage = random.nextInt(stair.stages().size());
            List<Fit> fits = WhatFits.at(any, note.id(), stair.at(stage).playing(), Profile.usual())
                    .fitting();
            if (!fits.isEmpty() && random.nextInt(3) == 0) {
                stair = stair.placed(
                        any, stage, fits.get(random.nextInt(fits.size())).placement());
            }
        }
        return stair;
    }

    @Test
    void aPlacementComesLaterAndEarlierAndBack() {
        Stair stair = plain.placed(tune, 1, placement("cut", 0, 0)).placed(tune, 3, placement("long-roll", 0, 0));
        assertThat(at(stair, 0)).containsExactly("–", "cut", "cut", "long-roll");
        Stair later = Shaping.later(tune, stair, new NoteId(0)).orElseThrow().stair();
        assertThat(at(later, 0)).containsExactly("–", "–", "cut", "long-roll");
        assertThat(Shaping.earlier(tune, later, new NoteId(0)).orElseThrow().stair())
                .isEqualTo(stair);
        Stair earlier =
                Shaping.earlier(tune, stair, new NoteId(0)).orElseThrow().stair();
        assertThat(at(earlier, 0)).containsExactly("cut", "cut", "cut", "long-roll");
        assertThat(Shaping.later(tune, earlier, new NoteId(0)).orElseThrow().stair())
                .isEqualTo(stair);
        assertThat(Shaping.earlier(tune, earlier, new NoteId(0))).isEmpty();
        assertThat(Shaping.later(tune, plain, new NoteId(0))).isEmpty();
        Stair top = plain.placed(tune, 3, placement("cut", 0, 0));
        assertThat(Shaping.later(tune, top, new NoteId(0)))
                .as("it would be gone")
                .isEmpty();
    }

    @Test
    void aStageSetInAndTakenOutAgainChangesNothing() {
        Stair stair = plain.placed(tune, 1, placement("cut", 0, 0));
        Shaping more = Shaping.inserted(stair, 1).orElseThrow();
        assertThat(more.stair().stages())
                .extracting(Version::name)
                .containsExactly("Root", "Leaf", "Wild", "Bud", "Bloom");
        assertThat(more.losses()).isEmpty();
        assertThat(Shaping.without(tune, more.stair(), 2).orElseThrow()).isEqualTo(new Shaping(stair, List.of()));
        Stair two = Stair.starting(tune, WHISTLE, 2);
        assertThat(Shaping.without(tune, two, 0)).isEmpty();
        Stair nine = Stair.starting(tune, WHISTLE, 9);
        assertThat(Shaping.inserted(nine, 3)).isEmpty();
    }

    @Test
    void aStageThatComesLowerLosesNothingButThoseAboveMustBearIt() {
        Stair stair = plain.placed(tune, 2, placement("long-roll", 0, 0)).placed(tune, 1, placement("cut", 1, 1));
        Shaping moved = Shaping.moved(tune, stair, 1, 2);
        assertThat(moved.stair().stages()).extracting(Version::name).containsExactly("Root", "Bud", "Leaf", "Bloom");
        assertThat(moved.losses()).containsExactly(new Shaping.Loss("Bud", placement("long-roll", 0, 0)));
        assertThat(moved.stair().isNested(tune)).isTrue();
    }

    @Test
    void afterAnyShapingTheStairIsNestedAndWhatIsLostIsExactlyWhatIsGone() {
        for (int seed = 0; seed < Rounds.of(10, 30); seed++) {
            Random random = new Random(seed);
            Tune any = new RandomVersions(seed).tune();
            Stair stair = decorated(any, random);
            for (int i = 0; i < 12; i++) {
                int stage = random.nextInt(stair.stages().size());
                NoteId note =
                        any.notes().get(random.nextInt(any.notes().size())).id();
                Stair now = stair;
                Optional<Shaping> shaping = switch (random.nextInt(5)) {
                    case 0 -> Shaping.inserted(now, stage);
                    case 1 -> Shaping.without(any, now, stage);
                    case 2 ->
                        Optional.of(Shaping.moved(
                                any, now, stage, random.nextInt(now.stages().size())));
                    case 3 -> Shaping.later(any, now, note);
                    default -> Shaping.earlier(any, now, note);
                };
                if (shaping.isPresent()) {
                    assertThat(shaping.get().stair().isNested(any))
                            .as("seed " + seed + " step " + i)
                            .isTrue();
                    stair = shaping.get().stair();
                }
            }
        }
    }

    @Test
    void lossesAreExactlyWhatStagesOfTheSameNameNoLongerHave() {
        for (int seed = 0; seed < Rounds.of(10, 30); seed++) {
            Random random = new Random(seed);
            Tune any = new RandomVersions(seed).tune();
            Stair stair = decorated(any, random);
            int from = random.nextInt(stair.stages().size());
            Shaping moved = Shaping.moved(
                    any, stair, from, random.nextInt(stair.stages().size()));
            List<Shaping.Loss> gone = new ArrayList<>();
            for (Version after : moved.stair().stages()) {
                Version before = stair.stages().stream()
                        .filter(each -> each.name().equals(after.name()))
                        .findFirst()
                        .orElseThrow();
                for (Spot spot : before.spots().values()) {
                    if (!Optional.ofNullable(after.spots().get(spot.at()))
                            .flatMap(Spot::first)
                            .equals(spot.first())) {
                        spot.first().ifPresent(each -> gone.add(new Shaping.Loss(after.name(), each)));
                    }
                }
            }
            assertThat(moved.losses()).as("seed " + seed).containsExactlyInAnyOrderElementsOf(gone);
        }
    }

    // Differences

    @Test
    void aStageSaysWhatItAddsAndWhatItChanges() {
        Stair stair = plain.placed(tune, 1, placement("cut", 0, 0))
                .placed(tune, 2, placement("long-roll", 0, 0))
                .placed(tune, 2, placement("tap", 1, 1));
        Difference difference = Difference.between(tune, stair.at(1), stair.at(2));
        assertThat(difference.added()).containsExactly(placement("tap", 1, 1));
        assertThat(difference.changed())
                .containsExactly(new Difference.Change(placement("cut", 0, 0), placement("long-roll", 0, 0)));
        assertThat(difference.gone()).isEmpty();
        assertThat(difference.newNotes()).containsExactly(new NoteId(1));
        assertThat(difference.changedNotes()).containsExactly(new NoteId(0));
        Difference back = Difference.between(tune, stair.at(2), stair.at(1));
        assertThat(back.gone()).containsExactly(placement("tap", 1, 1));
        assertThat(Difference.between(tune, stair.at(2), stair.at(2)).isNothing())
                .isTrue();
    }

    /** All that both have, and what is new or changed, is all there is. */
    @Test
    void whatIsNewChangedAndTheSameIsEverything() {
        for (int seed = 0; seed < Rounds.of(10, 40); seed++) {
            Random random = new Random(seed);
            Tune any = new RandomVersions(seed).tune();
            Stair stair = decorated(any, random);
            for (int stage = 1; stage < stair.stages().size(); stage++) {
                Difference up = Difference.between(any, stair.at(stage - 1), stair.at(stage));
                int before = stair.at(stage - 1).ornamented();
                assertThat(before + up.added().size() - up.gone().size())
                        .as("seed " + seed)
                        .isEqualTo(stair.at(stage).ornamented());
            }
        }
    }

    // Load and size

    @Test
    void loadsAddUp() {
        for (int seed = 0; seed < Rounds.of(6, 20); seed++) {
            Random random = new Random(seed);
            Tune any = new RandomVersions(seed).tune();
            Stair stair = decorated(any, random);
            for (Version version : stair.stages()) {
                Load load = Load.of(Scene.of(any, version, Profile.usual()));
                int weight = version.spots().values().stream()
                        .flatMap(spot -> spot.first().stream())
                        .mapToInt(each -> each.stack().weight())
                        .sum();
                assertThat(load.total()).isEqualTo(weight);
                assertThat(load.kinds().values().stream()
                                .mapToInt(Integer::intValue)
                                .sum())
                        .isEqualTo(version.ornamented());
                assertThat(load.phrases().keySet().stream().map(Phrase::name)).isNotEmpty();
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "fiddle", "box-bc", "mandolin"})
    void growingAndShrinkingReturn(String instrument) {
        Tune reel = Melody.reel("A4:2 F♯4:1 A4:1 D5:2 A4:2 | B4:3 A4:1 F♯4:2 E4:2 |");
        int grown = 0;
        for (Note note : reel.notes()) {
            Version bare = Version.plain("Leaf", Playing.usual(reel, Instrument.of(instrument)));
            for (Fit fit : WhatFits.at(reel, bare, note.id(), Profile.usual()).fitting()) {
                Scene scene = Scene.of(reel, bare.with(reel, Spot.of(fit.placement())), Profile.usual());
                Optional<Placement> next = Sizes.next(scene, fit.placement(), 1);
                if (next.isPresent()) {
                    grown++;
                    assertThat(next.get().stack().weight())
                            .isGreaterThanOrEqualTo(fit.placement().stack().weight());
                    Scene after = Scene.of(reel, bare.with(reel, Spot.of(next.get())), Profile.usual());
                    assertThat(Sizes.next(after, next.get(), -1)).contains(fit.placement());
                }
            }
        }
        assertThat(grown).isPositive();
    }
}
