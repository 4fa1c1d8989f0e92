package wildflourish.core.hand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.RandomVersions;
import wildflourish.core.fingering.HandTables;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** What an ornament costs the hand is exactly what two searches over the whole tune differ by. */
class HandCostTest {
    private static double total(Scene scene) {
        return HandTables.of(
                        scene.tune(),
                        scene.playing().instrument(),
                        scene.playing().school(),
                        scene.playing().tempo(),
                        Hands.linePins(scene.version()),
                        Demands.of(scene))
                .orElseThrow()
                .total();
    }

    @ParameterizedTest
    @ValueSource(strings = {"fiddle", "mandolin", "tenor-banjo-long", "banjo-double-c", "fiddle-gdgd"})
    void theMarginIsTheDifferenceOfTwoSearches(String instrument) {
        int told = 0;
        Random random = new Random(11);
        for (int seed = 0; seed < 6; seed++) {
            Tune tune = new RandomVersions(seed).tune();
            Playing playing = Playing.usual(tune, Instrument.of(instrument));
            Version version = Version.plain("Leaf", playing);
            for (int round = 0; round < 6; round++) {
                Scene scene = Scene.of(tune, version, Profile.usual());
                HandCost cost = HandCost.of(scene);
                List<Note> notes =
                        tune.notes().stream().filter(note -> !note.isRest()).toList();
                Note note = notes.get(random.nextInt(notes.size()));
                boolean isFree = version.covering(tune, note.id()).isEmpty();
                List<Fit> fits = isFree
                        ? WhatFits.at(scene, note.id()).fitting().stream()
                                .limit(6)
                                .toList()
                        : List.of();
                for (Fit fit : fits) {
                    boolean reachesOther = fit.placement().span().notes(tune).stream()
                            .anyMatch(each ->
                                    scene.version().covering(tune, each.id()).isPresent());
                    var margin = cost.told(fit.placement());
                    if (margin.isPresent() && !reachesOther) {
                        Version placed = version.with(tune, Spot.of(fit.placement()));
                        Scene after = Scene.of(tune, placed, Profile.usual());
                        assertThat(margin.get().more())
                                .as(instrument + " " + seed + " "
                                        + fit.placement().stack())
                                .isCloseTo(total(after) - total(scene), within(1e-9));
                        told++;
                    }
                }
                if (!fits.isEmpty()) {
                    version = version.with(tune, Spot.of(fits.get(0).placement()));
                }
            }
        }
        assertThat(told).isGreaterThan(15);
    }
}
