package wildflourish.core.arranging;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.Melody;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;

/** A study version has all that fits: brute force over short lines finds none with more, nor one as full that is heavier. */
class StudyTest {
    private static final List<String> PITCHES = List.of("D4", "E4", "F♯4", "G4", "A4", "B4", "C♯5", "D5", "E5");

    private static Tune tune(Random random) {
        StringBuilder text = new StringBuilder();
        for (int bar = 0; bar < 2; bar++) {
            for (int i = 0; i < 3; i++) {
                text.append(PITCHES.get(random.nextInt(PITCHES.size()))).append(i == 1 ? ":4 " : ":2 ");
            }
            text.append("| ");
        }
        return Melody.reel(text.toString());
    }

    private static List<Placement> placements(Version version) {
        return version.spots().values().stream()
                .flatMap(spot -> spot.first().stream())
                .toList();
    }

    /** Weight and count in one number, the count first; of all ways to place what fits from a note on. */
    private static int most(Tune tune, List<Collection<Placement>> fitting, int from) {
        if (from >= fitting.size()) {
            return 0;
        }
        int best = most(tune, fitting, from + 1);
        for (Placement placement : fitting.get(from)) {
            int next = tune.placeOf(placement.span().last()).order() + 1;
            best = Math.max(best, 1000 + placement.stack().weight() + most(tune, fitting, next));
        }
        return best;
    }

    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "fiddle", "box-bc", "recorder-soprano"})
    void nothingFullerStands(String id) {
        Random random = new Random(20);
        Instrument instrument = Instrument.of(id);
        int asFull = 0;
        for (int round = 0; round < 5; round++) {
            Tune tune = tune(random);
            Version plain = Version.plain("Study", Playing.usual(tune, instrument));
            Version study = Study.of(tune, plain, Profile.usual());
            Scene scene = Scene.of(tune, study, Profile.usual());
            for (Placement placement : placements(study)) {
                assertThat(WhatFits.verdict(scene, placement).filter(Fit::fits))
                        .as("%s of %s on %s", placement, tune, id)
                        .isPresent();
            }
            List<Collection<Placement>> fitting = new ArrayList<>();
            for (Note note : tune.notes()) {
                fitting.add(WhatFits.at(tune, plain, note.id(), Profile.usual()).fitting().stream()
                        .map(Fit::placement)
                        .filter(each -> each.span().isInOneBar(tune))
                        .collect(Collectors.toMap(
                                each -> each.span().last(),
                                each -> each,
                                (one, other) ->
                                        one.stack().weight() < other.stack().weight() ? other : one))
                        .values());
            }
            int most = most(tune, fitting, 0);
            int found = 1000 * study.ornamented() + study.weight();
            assertThat(found).isLessThanOrEqualTo(most);
            asFull += found == most ? 1 : 0;
        }
        assertThat(asFull).as("tunes in which nothing hinders its neighbour").isPositive();
    }
}
