package wildflourish.core.carrying;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.Melody;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;

/** Stairs carried from one instrument to another. */
class CarriedTest {
    private static final Tune TUNE = Melody.reel(
            "A4:2 F♯4:1 A4:1 D5:2 A4:2 | B4:3 A4:1 F♯4:2 E4:2 |" + " D4:2 F♯4:1 A4:1 B4:2 G4:2 | A4:4 D5:4 |");

    private static Stair decorated(String instrument, long seed) {
        Random random = new Random(seed);
        Stair stair = Stair.starting(TUNE, Instrument.of(instrument), 3);
        for (Note note : TUNE.notes()) {
            if (random.nextInt(3) == 0) {
                continue;
            }
            int stage = random.nextInt(3);
            List<Fit> fits = WhatFits.at(TUNE, note.id(), stair.at(stage).playing(), Profile.usual())
                    .fitting();
            if (!fits.isEmpty()) {
                stair = stair.placed(
                        TUNE, stage, fits.get(random.nextInt(fits.size())).placement());
            }
        }
        return stair.withEach(version -> version);
    }

    @ParameterizedTest
    @CsvSource({"whistle-d", "fiddle", "box-bc", "mandolin", "english-48", "banjo-open-g"})
    void toItsOwnInstrumentNothingChanges(String instrument) {
        Stair stair = decorated(instrument, 1);
        Carried carried = Carried.of(TUNE, stair, stair.instrument(), Profile.usual());
        assertThat(carried.stair()).isEqualTo(stair);
        assertThat(carried.replaced()).isEmpty();
        assertThat(carried.dropped()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "whistle-d, fiddle", "whistle-d, box-bc", "fiddle, whistle-d", "fiddle, mandolin",
        "box-bc, english-48", "whistle-d, union-d-closed", "mandolin, banjo-open-g", "whistle-d, flute-d"
    })
    void everyPlacementIsKeptReplacedOrLeftOutWithItsReasonAndTheStairStaysNested(String from, String to) {
        for (long seed = 0; seed < 4; seed++) {
            Stair stair = decorated(from, seed);
            Carried carried = Carried.of(TUNE, stair, Instrument.of(to), Profile.usual());
            int options = stair.stages().stream()
                    .flatMap(version -> version.spots().values().stream())
                    .mapToInt(spot -> spot.options().size())
                    .sum();
            assertThat(carried.moves()).hasSize(options);
            assertThat(carried.kept().size()
                            + carried.replaced().size()
                            + carried.dropped().size())
                    .isEqualTo(options);
            assertThat(carried.stair().isNested(TUNE))
                    .as(from + " to " + to + " " + seed)
                    .isTrue();
            assertThat(carried.stair().stages().stream().map(Version::name).toList())
                    .isEqualTo(stair.stages().stream().map(Version::name).toList());
            for (Carried.Move move : carried.moves()) {
                Version stage = carried.stair().at(move.stage());
                move.to()
                        .ifPresent(there -> assertThat(stage.at(there.span().first())
                                        .map(Spot::options)
                                        .orElse(List.of()))
                                .contains(there));
            }
        }
    }

    /** A cut is a cut on whistle and flute; what the tongue does on the whistle has no tongue on the fiddle. */
    @Test
    void theSameOrnamentIsKeptAndATonguedNoteFindsSomethingElseOrNothing() {
        Stair stair = Stair.starting(TUNE, Instrument.of("whistle-d"), 2);
        Fit cut = WhatFits.at(TUNE, TUNE.notes().get(3).id(), stair.at(1).playing(), Profile.usual()).fitting().stream()
                .filter(fit -> fit.facts().ornament().id().equals("cut"))
                .findFirst()
                .orElseThrow();
        Fit tongued =
                WhatFits.at(TUNE, TUNE.notes().get(0).id(), stair.at(1).playing(), Profile.usual()).fitting().stream()
                        .filter(fit -> fit.facts().ornament().id().equals("tongued"))
                        .findFirst()
                        .orElseThrow();
        Placement placement = cut.placement();
        Stair both = stair.placed(TUNE, 1, placement).placed(TUNE, 1, tongued.placement());
        Carried carried = Carried.of(TUNE, both, Instrument.of("flute-d"), Profile.usual());
        assertThat(carried.kept())
                .singleElement()
                .satisfies(move -> assertThat(move.from()).isEqualTo(placement));
        assertThat(carried.moves()).hasSize(2);
        Carried.Move other = carried.moves().stream()
                .filter(move -> !move.isKept())
                .findFirst()
                .orElseThrow();
        assertThat(other.refused().isPresent() || other.to().isPresent()).isTrue();
    }
}
