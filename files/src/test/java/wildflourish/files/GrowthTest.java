package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.form.Phrasing;
import wildflourish.core.form.Returns;
import wildflourish.core.growing.Choices;
import wildflourish.core.growing.Growth;
import wildflourish.core.growing.Liking;
import wildflourish.core.growing.Option;
import wildflourish.core.growing.Taste;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.Load;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.version.Wish;

/** Stairs that are planned hold what any stair must: nested, playable, clean at their own tempo and all above, within what a stage may ask. */
class GrowthTest {
    static Stream<Arguments> stairs() {
        return Stream.of(
                        List.of("whistle-d", 0, 1, 3),
                        List.of("fiddle", 6),
                        List.of("box-bc", 1),
                        List.of("mandolin", 6),
                        List.of("mouth-blown-pipes", 7))
                .flatMap(row -> row.stream()
                        .skip(1)
                        .map(tune -> Arguments.of(row.get(0), Demo.tunes().get((Integer) tune))));
    }

    private static Stair begun(Tune tune, String instrument) {
        Stair stair = Stair.starting(tune, Instrument.of(instrument), 5);
        Version top = stair.at(4);
        Tempo faster = top.playing().tempo().times(Fraction.of(21, 20));
        return stair.with(4, top.withPlaying(top.playing().withTempo(faster)));
    }

    private static List<Placement> placements(Version version) {
        return version.spots().values().stream()
                .flatMap(spot -> spot.first().stream())
                .toList();
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("stairs")
    void whatIsPlannedIsNestedPlayableAndWithinItsStage(String instrument, Tune tune) {
        Stair stair = begun(tune, instrument);
        Stair grown = Growth.grown(tune, stair, 1, Profile.usual());
        assertThat(grown.isNested(tune)).isTrue();
        boolean isParted = stair.instrument().family().soundsOn();
        assertThat(grown.at(0).equals(stair.at(0)))
                .as("the plain stage stays, but for equal notes on pipes")
                .isEqualTo(!isParted);
        assertThat(grown.at(4).ornamented()).isGreaterThan(grown.at(1).ornamented());
        Tempo fastest = grown.at(4).playing().tempo();
        int before = 0;
        for (int stage = 1; stage < 5; stage++) {
            Version version = grown.at(stage);
            Scene scene = Scene.of(tune, version, Profile.usual());
            Taste taste = Taste.of(stage, 5);
            assertThat(version.ornamented()).as(version.name()).isPositive();
            for (Placement placement : placements(version)) {
                Fit fit = WhatFits.verdict(scene, placement).orElseThrow();
                assertThat(fit.fits()).as("%s in %s", placement, version.name()).isTrue();
                assertThat(placement.stack().difficulty())
                        .isLessThanOrEqualTo(taste.limits().hardest());
                assertThat(placement.stack().stage()).isLessThanOrEqualTo(stage);
                fit.facts()
                        .cleanUpTo()
                        .ifPresent(limit -> assertThat(
                                        limit.millisOf(Fraction.ONE).isLessThan(fastest.millisOf(Fraction.ONE))
                                                || limit.millisOf(Fraction.ONE).equals(fastest.millisOf(Fraction.ONE)))
                                .as("%s in %s is clean at the tempo of the top", placement, version.name())
                                .isTrue());
            }
            int weight = Load.of(scene).total();
            assertThat(weight).as("weight of %s", version.name()).isGreaterThanOrEqualTo(before);
            before = weight;
        }
    }

    /** On holes a cut begins and ends with the finger that lifts, a roll begins with that and ends with the one that taps. */
    @Test
    void ornamentsOnHolesKnowTheirFingers() {
        Tune tune = Demo.tunes().get(1);
        Stair stair = begun(tune, "whistle-d");
        Choices choices = Growth.choices(tune, stair, Profile.usual());
        List<Option> all = choices
                .options(
                        Taste.of(4, 5),
                        List.of(stair.at(4).playing().tempo()),
                        Liking.of(Family.WHISTLE).get(0),
                        Wish.USUAL)
                .stream()
                .flatMap(List::stream)
                .toList();
        List<Option> cuts =
                all.stream().filter(each -> each.name().equals("cut")).toList();
        assertThat(cuts).hasSizeGreaterThan(10).allMatch(each -> each.begins() > 0 && each.begins() == each.finger());
        List<Option> rolls =
                all.stream().filter(each -> each.name().equals("short-roll")).toList();
        assertThat(rolls).isNotEmpty().allMatch(each -> each.begins() > 0 && each.finger() > each.begins());
    }

    /** What comes back with its notes comes back with its ornaments, where the phrase is tied. */
    @Test
    void phrasesThatComeBackAreDressedAlike() {
        Tune tune = Demo.tunes().get(0);
        Stair grown = Growth.grown(tune, begun(tune, "whistle-d"), 1, Profile.usual());
        Returns returns = Returns.of(tune);
        int alike = 0;
        int other = 0;
        for (Placement placement : placements(grown.at(2))) {
            for (List<NoteId> again :
                    returns.of(placement.span().first(), placement.span().last())) {
                boolean isThere = grown.at(2)
                        .at(again.get(0))
                        .flatMap(Spot::first)
                        .filter(each -> each.stack().equals(placement.stack()))
                        .isPresent();
                alike += isThere ? 1 : 0;
                other += isThere ? 0 : 1;
            }
        }
        assertThat(Phrasing.of(tune).phrases()).hasSizeGreaterThan(4);
        assertThat(alike).isGreaterThan(4 * other);
    }

    private static int weight(Stair stair) {
        return stair.stages().stream().mapToInt(Version::weight).sum();
    }

    /** A learner is asked less, all stages together, than a fluent player, and what stands below the planned stages stays. */
    @Test
    void aLearnerIsAskedLessAndWhatIsBelowStays() {
        Tune tune = Demo.tunes().get(1);
        Stair fluent = Growth.grown(tune, begun(tune, "whistle-d"), 1, Profile.usual());
        Stair learner = Growth.grown(tune, begun(tune, "whistle-d"), 1, Profile.of("learner"));
        assertThat(weight(learner)).isLessThanOrEqualTo(weight(fluent));
        Stair again = Growth.grown(tune, fluent, 3, Profile.usual());
        for (int stage = 0; stage < 3; stage++) {
            assertThat(again.at(stage)).isEqualTo(fluent.at(stage));
        }
        assertThat(again.isNested(tune)).isTrue();
        assertThatThrownBy(() -> Growth.grown(tune, fluent, 0, Profile.usual()))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Growth.grown(tune, fluent, 5, Profile.usual()))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
