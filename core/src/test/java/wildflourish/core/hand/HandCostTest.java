package wildflourish.core.hand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.Melody;
import wildflourish.core.RandomVersions;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Metre;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** What an ornament costs the hand is exactly what two searches over the whole tune differ by, whatever stands there already. */
class HandCostTest {
    private static Scene scene(Tune tune, Version version) {
        return Scene.of(tune, version, Profile.usual());
    }

    private static double total(Scene scene) {
        return HandCost.of(scene).total().orElse(Double.POSITIVE_INFINITY);
    }

    /** With layers from the third note of the tune to its last but two. */
    private static Version layered(Tune tune, Version version, String rules) {
        List<Note> notes = tune.notes();
        Span middle = new Span(notes.get(2).id(), notes.get(notes.size() - 3).id());
        return version.withLayers(List.of(rules.split(" ")).stream()
                .filter(rule -> !rule.equals("-"))
                .map(rule -> Layer.parse(rule, middle, Passes.EVERY))
                .toList());
    }

    @ParameterizedTest
    @CsvSource({
        "fiddle, -",
        "fiddle, shuffle bows@one-and-three",
        "fiddle, drone hooked",
        "mandolin, -",
        "mandolin, repeat connect double",
        "mandolin, picks tremble",
        "mandolin, cross",
        "tenor-banjo-long, -",
        "banjo-double-c, -",
        "fiddle-gdgd, -"
    })
    void theMarginIsTheDifferenceOfTwoSearches(String instrument, String rules) {
        int told = 0;
        int inPlaceOfOther = 0;
        for (int seed = 0; seed < 4; seed++) {
            Tune tune = new RandomVersions(seed).tune();
            Told counted = compare(tune, layered(tune, on(tune, instrument), rules), seed);
            told += counted.all;
            inPlaceOfOther += counted.inPlaceOfOther;
        }
        assertThat(told).isGreaterThan(30);
        assertThat(inPlaceOfOther).isGreaterThan(2);
    }

    /** Layers that ask more of a tune than a random one has: deeper strings, bars of eight quavers. */
    @ParameterizedTest
    @CsvSource({"fiddle, octave-down stay-down", "banjo-open-g, rolls", "banjo-open-g, vamp"})
    void norIsItOtherUnderLayersThatPutOtherTonesInPlace(String instrument, String rules) {
        Tune tune = Melody.reel("|: A4:2 B4:2 D5:4 | B4:2 A4:2 G4:2 B4:2 | E5:2 D5:2 B4:2 D5:2 | A4:4 D5:4 :|");
        assertThat(compare(tune, layered(tune, on(tune, instrument), rules), 5).all)
                .isGreaterThan(10);
    }

    private static Version on(Tune tune, String instrument) {
        return Version.plain("Leaf", Playing.usual(tune, Instrument.of(instrument)));
    }

    /** How many margins were compared, and how many of them where another ornament gives way. */
    private record Told(int all, int inPlaceOfOther) {}

    /** Notes of the first bars in turn, one of what fits placed each time. */
    private static Told compare(Tune tune, Version begun, int seed) {
        Random random = new Random(seed);
        Version version = begun;
        List<Note> notes =
                tune.notes().stream().filter(note -> !note.isRest()).limit(12).toList();
        int told = 0;
        int inPlaceOfOther = 0;
        for (int round = 0; round < 5; round++) {
            Scene scene = scene(tune, version);
            HandCost cost = HandCost.of(scene);
            Note note = notes.get(random.nextInt(notes.size()));
            List<Fit> fits =
                    WhatFits.at(scene, note.id()).fitting().stream().limit(5).toList();
            for (Fit fit : fits) {
                Placement placement = fit.placement();
                var margin = cost.told(placement);
                if (margin.isEmpty()) {
                    continue;
                }
                boolean isOther = placement.span().notes(tune).stream()
                        .anyMatch(each ->
                                scene.version().covering(tune, each.id()).isPresent());
                Scene after = scene(tune, version.with(tune, Spot.of(placement)));
                assertThat(margin.get().more())
                        .as(scene.playing().instrument().id() + " " + seed + " " + placement.stack())
                        .isCloseTo(total(after) - total(scene), within(1e-9));
                told++;
                inPlaceOfOther += isOther ? 1 : 0;
            }
            if (!fits.isEmpty()) {
                version = version.with(
                        tune, Spot.of(fits.get(random.nextInt(fits.size())).placement()));
            }
        }
        return new Told(told, inPlaceOfOther);
    }

    /** The same without the version: beside what stands, and all together. */
    @ParameterizedTest
    @ValueSource(strings = {"fiddle", "mandolin", "banjo-double-c", "box-bc", "english-48", "anglo-a"})
    void whatStandsBesideIsReckonedWithAsInAVersion(String instrument) {
        int beside = 0;
        int inPlace = 0;
        for (int seed = 0; seed < 4; seed++) {
            Tune tune = new RandomVersions(seed).tune();
            Version version = on(tune, instrument);
            Optional<HandBeside> bare = HandCost.of(scene(tune, version)).beside();
            double plain = total(scene(tune, version));
            Random random = new Random(seed);
            List<Placement> standing = new ArrayList<>();
            for (int round = 0; round < 8 && bare.isPresent(); round++) {
                Note note = tune.notes().get(random.nextInt(12));
                List<Fit> fits = note.isRest()
                        ? List.of()
                        : WhatFits.at(scene(tune, on(tune, instrument)), note.id())
                                .fitting();
                if (fits.isEmpty()) {
                    continue;
                }
                Placement placement = fits.get(random.nextInt(fits.size())).placement();
                Version with = version.with(tune, Spot.of(placement));
                List<Placement> left = standing.stream()
                        .filter(each -> !each.span().overlaps(placement.span(), tune))
                        .toList();
                Version without = on(tune, instrument);
                for (Placement each : left) {
                    without = without.with(tune, Spot.of(each));
                }
                assertThat(bare.get().standing(standing).orElseThrow().of(placement))
                        .as(placement.stack().toString())
                        .isCloseTo(total(scene(tune, with)) - total(scene(tune, without)), within(1e-9));
                inPlace += left.size() < standing.size() ? 1 : 0;
                standing = new ArrayList<>(left);
                standing.add(placement);
                version = with;
                assertThat(bare.get().together(standing)).isCloseTo(total(scene(tune, version)) - plain, within(1e-9));
                beside++;
            }
        }
        assertThat(beside).isGreaterThan(10);
        assertThat(inPlace).isPositive();
    }

    /** An ornament of four strokes turns the bow; one more of the same kind in its place leaves it as it then is. */
    @Test
    void theBowIsTurnedByWhatIsNewAlone() {
        Tune tune = Melody.of(Metre.of(4, 4), "|: D4:2 F♯4:2 A4:2 F♯4:2 | G4:4 E4:4 | F♯4:2 A4:2 D5:4 | A4:8 :|");
        Version plain = on(tune, "fiddle");
        Note note = tune.notes().get(1);
        Placement birl = placement("birl4", note);
        Placement cut = placement("cut", note);
        assertThat(turns(tune, plain, birl)).isTrue();
        assertThat(turns(tune, plain, cut)).isFalse();
        Version turned = plain.with(tune, Spot.of(birl));
        assertThat(turns(tune, turned, birl)).isFalse();
        assertThat(turns(tune, turned, cut)).isTrue();
    }

    private static boolean turns(Tune tune, Version version, Placement placement) {
        return HandCost.of(scene(tune, version)).told(placement).orElseThrow().turnsBow();
    }

    private static Placement placement(String ornament, Note note) {
        return Placement.of(Ornament.of(ornament, Family.FIDDLE), Span.of(note.id()));
    }
}
