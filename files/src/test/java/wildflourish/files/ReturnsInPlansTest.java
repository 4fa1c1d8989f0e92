package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import wildflourish.core.growing.Choices;
import wildflourish.core.growing.Grown;
import wildflourish.core.growing.Growth;
import wildflourish.core.growing.NoteRow;
import wildflourish.core.growing.Option;
import wildflourish.core.growing.StagePlan;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Wish;

/** Phrases that come back, in plans: alike as usual and where that is wished, free at the fullest stage, and what one costs where it follows the first from far. */
class ReturnsInPlansTest {
    private static final int WILD = 4;

    private static Stair begun(Tune tune, Wish.Returns returns) {
        Stair stair = Stair.starting(tune, Instrument.of("whistle-d"), 5);
        for (int stage = 1; stage < 5; stage++) {
            stair = stair.with(
                    stage, stair.at(stage).with(stair.at(stage).label().wishing(Wish.USUAL.with(returns))));
        }
        return stair;
    }

    private static Grown planned(Tune tune, Stair stair) {
        Choices choices = Growth.choices(tune, stair, Profile.usual());
        return Growth.planned(tune, stair, 1, Profile.usual(), choices);
    }

    /** Notes of later phrases that are tied to those of the first of their family. */
    private static List<NoteRow.Stretch> tied(StagePlan at) {
        List<NoteRow.Stretch> tied = new ArrayList<>();
        List<NoteRow.Stretch> all = at.task().row().stretches();
        for (NoteRow.Stretch each : all) {
            boolean isLater =
                    all.subList(0, all.indexOf(each)).stream().anyMatch(before -> before.family() == each.family());
            if (isLater && each.trunk() > 0) {
                tied.add(each);
            }
        }
        return tied;
    }

    /** The row <i>returns</i> of the taste table: tied below the fullest stage, free there. */
    @Test
    void returnsAreTiedBelowTheFullestStageAndWhereThatIsWished() {
        Tune tune = Demo.tunes().get(0);
        Grown usual = planned(tune, begun(tune, Wish.Returns.USUAL));
        Grown alike = planned(tune, begun(tune, Wish.Returns.ALIKE));
        Grown varied = planned(tune, begun(tune, Wish.Returns.VARIED));
        for (int stage = 1; stage < 5; stage++) {
            assertThat(tied(usual.at(stage).orElseThrow()).isEmpty())
                    .as("stage %s", stage)
                    .isEqualTo(stage == WILD);
            assertThat(tied(alike.at(stage).orElseThrow())).isNotEmpty();
            assertThat(tied(varied.at(stage).orElseThrow())).isEmpty();
        }
    }

    /** Where a return follows the first from far, leaving something out costs the same at each of them, and just what planning without it at all of them loses. */
    @Test
    void whatFollowsFromFarHasOnePriceForAllReturns() {
        Tune tune = Demo.tunes().get(5);
        Grown grown = planned(tune, begun(tune, Wish.Returns.ALIKE));
        int told = 0;
        for (int stage = 1; stage < 4; stage++) {
            StagePlan at = grown.at(stage).orElseThrow();
            assertThat(at.isSearched()).as("stage %s has what follows", stage).isTrue();
            List<NoteRow.Stretch> all = at.task().row().stretches();
            for (NoteRow.Stretch later : tied(at)) {
                NoteRow.Stretch first = all.stream()
                        .filter(each -> each.family() == later.family())
                        .findFirst()
                        .orElseThrow();
                Optional<Option> own = at.plan().chosen().stream()
                        .filter(each -> later.first() <= each.from() && each.to() <= later.first() + later.trunk())
                        .findFirst();
                if (own.isPresent()) {
                    Option twin = at.plan().chosen().stream()
                            .filter(each ->
                                    each.from() - first.first() == own.get().from() - later.first())
                            .findFirst()
                            .orElseThrow();
                    assertThat(twin.name()).isEqualTo(own.get().name());
                    Optional<Integer> price = at.priceWithout(own.get());
                    assertThat(price).as("stage %s, %s", stage, own.get()).isEqualTo(at.priceWithout(twin));
                    List<List<Option>> without = at.task().options().stream()
                            .map(here -> here.stream()
                                    .filter(each -> all.stream()
                                            .noneMatch(phrase -> phrase.family() == later.family()
                                                    && each.from() - phrase.first()
                                                            == own.get().from() - later.first()
                                                    && each.to() - each.from()
                                                            == own.get().to()
                                                                    - own.get().from()
                                                    && each.name()
                                                            .equals(own.get().name())))
                                    .toList())
                            .toList();
                    Optional<Integer> lost = at.task()
                            .choosing(without)
                            .best()
                            .map(other -> at.plan().worth() - other.worth());
                    price.ifPresent(points -> assertThat(lost).contains(points));
                    told += price.isPresent() ? 1 : 0;
                }
            }
        }
        assertThat(told).isGreaterThan(3);
    }
}
