package wildflourish.core.growing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.RandomVersions;
import wildflourish.core.Rounds;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Stair;

/** From whichever stage a stair is begun, every stage bears the one below it, and none is lighter than that. */
class StartsTest {
    @ParameterizedTest
    @ValueSource(strings = {"fiddle", "mandolin", "box-bc"})
    void everyStartComesToANestedStair(String instrument) {
        int met = 0;
        Set<Stair> different = new HashSet<>();
        for (int seed = 0; seed < Rounds.of(3, 30); seed++) {
            Tune tune = new RandomVersions(seed).tune();
            Instrument on = Instrument.of(instrument);
            if (!tune.notes().stream().allMatch(note -> note.isRest() || on.has(note.melody()))) {
                continue;
            }
            Stair stair = Stair.starting(tune, on, 5);
            Choices choices = Growth.choices(tune, stair, Profile.usual());
            for (int first = 1; first < 5; first++) {
                Optional<Stair> made = Growth.from(first, tune, stair, 1, Profile.usual(), choices);
                assertThat(made).as("seed %s from stage %s", seed, first).isPresent();
                assertThat(made.get().isNested(tune)).isTrue();
                for (int stage = 2; stage < 5; stage++) {
                    assertThat(made.get().at(stage).weight())
                            .isGreaterThanOrEqualTo(made.get().at(stage - 1).weight());
                }
                assertThat(made.get().at(4).ornamented()).isPositive();
                different.add(made.get());
                met++;
            }
        }
        assertThat(met).isPositive();
        assertThat(different).hasSizeGreaterThan(1);
    }
}
