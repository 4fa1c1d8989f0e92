package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.growing.Choices;
import wildflourish.core.growing.Growth;
import wildflourish.core.growing.Thinning;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.table.Table;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.version.Wish;

/** Several ornaments at once, and ornaments in another way of their own, are planned as any other. */
class StacksInPlansTest {
    private static List<Stack> stacks(Version version) {
        return version.spots().values().stream()
                .flatMap(spot -> spot.first().stream())
                .map(Placement::stack)
                .toList();
    }

    private static Stair grown(Tune tune, String instrument, Wish wish) {
        Stair begun = Stair.starting(tune, Instrument.of(instrument), 5);
        for (int stage = 1; stage < 5; stage++) {
            Version version = begun.at(stage);
            begun = begun.with(stage, version.with(version.label().wishing(wish)));
        }
        return Growth.grown(tune, begun, 1, Profile.usual());
    }

    /** A row of the table that could be placed nowhere would be of no use to anybody. */
    @TestFactory
    List<DynamicTest> everyUsualStackFitsSomewhereInOurTunes() {
        return Table.load("usual-stacks.table").rows().stream()
                .flatMap(row -> row.words("families").stream()
                        .map(word -> Family.parse(word.replace('_', ' ')))
                        .flatMap(family -> row.words("stacks").stream()
                                .map(words -> DynamicTest.dynamicTest(
                                        family.word() + ": " + words, () -> fitsSomewhere(family, words)))))
                .toList();
    }

    private static void fitsSomewhere(Family family, String words) {
        Stack stack = Stack.parse(words, family);
        boolean fits = Instrument.all().stream()
                .filter(instrument -> instrument.family() == family)
                .anyMatch(instrument -> Demo.tunes().stream()
                        .filter(tune ->
                                tune.notes().stream().allMatch(note -> note.isRest() || instrument.has(note.melody())))
                        .anyMatch(tune -> {
                            Scene scene = Scene.of(
                                    tune, Stair.starting(tune, instrument, 2).at(0), Profile.usual());
                            return tune.notes().stream()
                                    .filter(note -> !note.isRest())
                                    .flatMap(note -> WhatFits.over(scene, note.id(), stack).stream())
                                    .anyMatch(Fit::fits);
                        }));
        assertThat(fits).isTrue();
    }

    @Test
    void severalAtOnceAreForTheFullestVersionAlone() {
        Stair stair = grown(Demo.tunes().get(5), "fiddle", Wish.USUAL);
        assertThat(stacks(stair.at(4))).anyMatch(stack -> stack.choices().size() > 1);
        for (int stage = 0; stage < 4; stage++) {
            assertThat(stacks(stair.at(stage)))
                    .allMatch(stack -> stack.choices().size() == 1);
        }
        assertThat(stair.isNested(Demo.tunes().get(5))).isTrue();
    }

    @Test
    void whereOctavesAndChordsAreLikedTheyAreAlsoPlannedInOtherWays() {
        Stair stair = grown(Demo.tunes().get(0), "box-bc", Wish.USUAL.withTaste("octaves-and-chords"));
        assertThat(stacks(stair.at(4))).anyMatch(stack -> stack.toString().contains("@"));
    }

    @Test
    void anOrnamentThatIsNeverPlannedIsInNoStackEither() {
        Tune tune = Demo.tunes().get(5);
        Stair stair = grown(tune, "fiddle", Wish.USUAL.withNever("slide-in", true));
        assertThat(stacks(stair.at(4))).noneMatch(stack -> stack.toString().contains("slide-in"));
    }

    /** A triplet with a drone, and one slid into besides, have difficulties of their own in the notes on plucked strings (7 and 8): the sum of parts is at most one off. */
    @ParameterizedTest
    @CsvSource({"treble+dy-open, drone-treble", "treble+slide-in+dy-open, slide-treble"})
    void aStackIsAboutAsHardAsWhereItHasAName(String words, String named) {
        int told = Stack.parse(named, Family.MANDOLIN).difficulty();
        assertThat(Stack.parse(words, Family.MANDOLIN).difficulty()).isBetween(told - 1, told + 1);
    }

    @ParameterizedTest
    @CsvSource({
        "long-roll, long-roll+slide-in, true",
        "slide-in, long-roll+slide-in, true",
        "cut, long-roll+slide-in, true",
        "cut+slide-in, long-roll+slide-in, true",
        "long-roll+slide-in, long-roll, false",
        "long-roll+slide-in, long-roll+slide-in, false",
        "tap+slide-in, cut+slide-in, false",
        "cut, slide-in, false"
    })
    void aStackGrowsFromWhatIsInItAndWhatItsPartsGrowFrom(String smaller, String larger, boolean grows) {
        Stack lower = Stack.parse(smaller, Family.WHISTLE);
        assertThat(Stack.parse(larger, Family.WHISTLE).isGrownFrom(lower, Family.WHISTLE))
                .isEqualTo(grows);
    }

    /** The fifth tune's Wild on the whistle has rolls that are slid into. */
    @Test
    void aSlidRollIsThinnedToItsPartsAtMost() {
        Tune tune = Demo.tunes().get(4);
        Stair stair = grown(tune, "whistle-d", Wish.USUAL);
        List<Spot> slid = stair.at(4).spots().values().stream()
                .filter(spot -> spot.first()
                        .filter(placement -> placement.stack().choices().size() > 1)
                        .isPresent())
                .toList();
        assertThat(slid).isNotEmpty();
        Choices choices = Growth.choices(tune, stair, Profile.usual());
        Stack whole = slid.get(0).first().orElseThrow().stack();
        for (int count : Arrays.asList(4, 16, 40)) {
            Version thin =
                    new Thinning(Optional.of(count), Optional.empty()).of(tune, stair, 4, Profile.usual(), choices);
            for (Spot spot : slid) {
                assertThat(thin.at(spot.at()).flatMap(Spot::first).map(Placement::stack).stream())
                        .allMatch(left -> left.equals(whole) || whole.isGrownFrom(left, Family.WHISTLE));
            }
        }
    }
}
