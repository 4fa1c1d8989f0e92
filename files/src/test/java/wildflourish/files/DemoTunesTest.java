package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Reason;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.performance.Lane;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.Remark;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;

/** Laws held against all nine demo tunes. */
class DemoTunesTest {
    private static final Instrument WHISTLE = Instrument.of("whistle-d");

    private static Version plain(Tune tune) {
        return Version.plain("Root", Playing.usual(tune, WHISTLE));
    }

    @Test
    void whatFitsSaysManyDifferentThings() {
        Map<Reason, Integer> spoken = new EnumMap<>(Reason.class);
        Map<Refusal, Integer> refused = new EnumMap<>(Refusal.class);
        for (Tune tune : Demo.tunes()) {
            for (Note note : tune.notes()) {
                WhatFits fits = WhatFits.at(tune, note.id(), Playing.usual(tune, WHISTLE), Profile.usual());
                fits.fitting().stream()
                        .flatMap(fit -> fit.reasons().stream())
                        .forEach(reason -> spoken.merge(reason, 1, Integer::sum));
                fits.refused().stream()
                        .flatMap(fit -> fit.refusals().stream())
                        .forEach(refusal -> refused.merge(refusal, 1, Integer::sum));
            }
        }
        assertThat(spoken).hasSizeGreaterThan(20);
        assertThat(refused).hasSizeGreaterThan(12);
    }

    @Test
    void whatFitsIsCleanAndWhatIsTooFastIsNot() {
        for (Tune tune : Demo.tunes()) {
            Playing playing = Playing.usual(tune, WHISTLE);
            for (Note note : tune.notes()) {
                WhatFits fits = WhatFits.at(tune, note.id(), playing, Profile.of("learner"));
                for (Fit fit : fits.fitting()) {
                    assertThat(fit.facts().cleanUpTo().orElse(playing.tempo()).beatsPerMinute())
                            .as("%s", fit.facts().ornament())
                            .isGreaterThanOrEqualTo(playing.tempo().beatsPerMinute());
                }
                for (Fit fit : fits.refused()) {
                    if (fit.refusals().get(0) == Refusal.TOO_FAST) {
                        assertThat(fit.facts().cleanUpTo().orElseThrow().beatsPerMinute())
                                .isLessThan(playing.tempo().beatsPerMinute());
                    }
                }
            }
        }
    }

    /** Every ornament that an instrument makes fits somewhere in the demo tunes on it, but for those whose notes the tunes do not have. */
    @Test
    void everyOrnamentFitsSomewhere() {
        Set<String> missing = new TreeSet<>();
        for (String id :
                List.of("whistle-d", "flute-d", "bamboo-g", "recorder-soprano", "union-d-open", "mouth-blown-pipes")) {
            Instrument instrument = Instrument.of(id);
            Set<String> wanted = new TreeSet<>();
            Ornament.of(instrument.family()).stream()
                    .filter(ornament -> ornament.isMadeBy(instrument.family()))
                    .forEach(ornament -> wanted.add(ornament.id()));
            for (Tune tune : Demo.tunes()) {
                for (Note note : tune.notes()) {
                    WhatFits.at(tune, note.id(), Playing.usual(tune, instrument), Profile.usual())
                            .fitting()
                            .forEach(fit -> wanted.remove(fit.facts().ornament().id()));
                }
            }
            wanted.forEach(ornament -> missing.add(id + " " + ornament));
        }
        assertThat(missing)
                .as("falls want a rest after them, the tongue on a flute its school")
                .containsExactly(
                        "bamboo-g fall-off",
                        "flute-d fall-off",
                        "flute-d repeat-note",
                        "flute-d tongued",
                        "flute-d tongued-triplet",
                        "union-d-open fall-off",
                        "whistle-d fall-off");
    }

    /** Arithmetic: the reel in C goes down to C4 twice, below the whistle's D4; nothing else in the book leaves its range. */
    @Test
    void onlyTheReelInCHasNotesTheWhistleLacks() {
        for (Tune tune : Demo.tunes()) {
            long missing = Remark.of(tune, plain(tune), Profile.usual()).stream()
                    .filter(Remark.MissingNote.class::isInstance)
                    .count();
            Page page = page(tune, plain(tune));
            long signs = page.drawn().stream()
                    .filter(each -> each.subject().kind() == Drawn.Kind.MISSING)
                    .map(each -> each.subject().note())
                    .distinct()
                    .count();
            assertThat(missing).isEqualTo(tune.title().equals("The Chandler's Reel") ? 2 : 0);
            assertThat(signs).isEqualTo(missing);
        }
    }

    private static Page page(Tune tune, Version version) {
        return Engraver.engrave(new Score(tune, Optional.of(version), Score.Shows.BENCH), Paper.endless(118))
                .get(0);
    }

    @Test
    void realisationsOfRandomStagesKeepTimeAndLanesApart() {
        Random random = new Random(2);
        for (Tune tune : Demo.tunes()) {
            Lesson lesson = Decorator.decorated(Lesson.plain(tune), random);
            for (Version version : lesson.versions()) {
                Realisation realisation = Realiser.realise(tune, version, Profile.of("steady"));
                Fraction now = Fraction.ZERO;
                for (Moment moment : realisation.moments()) {
                    assertThat(moment.startMillis()).isEqualTo(now);
                    now = moment.endMillis();
                }
                assertThat(now)
                        .isEqualTo(Realiser.realise(
                                        tune,
                                        plain(tune),
                                        Profile.usual(),
                                        version.playing().tempo())
                                .endMillis());
                for (Lane lane : Lane.of(
                        realisation.moments(), WHISTLE, Profile.of("steady").times())) {
                    Fraction before = Fraction.ZERO;
                    for (Lane.Stroke stroke : lane.strokes()) {
                        assertThat(stroke.startMillis().isLessThan(before)).isFalse();
                        before = stroke.endMillis();
                    }
                }
            }
        }
    }

    /** Every bar of the demo book is full: pickups and the bars they complete add up. */
    @Test
    void barsAreFullButForPickupsAndTheirCounterparts() {
        for (Tune tune : Demo.tunes()) {
            for (int bar = 0; bar < tune.bars().size(); bar++) {
                Fraction length = tune.bars().get(bar).length();
                assertThat(length.isMoreThan(tune.header().metre().barLength()))
                        .as(tune.title() + " bar " + bar)
                        .isFalse();
            }
        }
    }

    @Test
    void everyTuneIsDrawnInLinesOfItsPhrases() {
        for (Tune tune : Demo.tunes()) {
            Page page = page(tune, plain(tune));
            List<Double> lines = new ArrayList<>();
            page.drawn().stream()
                    .filter(each -> each.subject().kind() == Drawn.Kind.CLEF)
                    .forEach(each -> lines.add(each.mark().box().top()));
            assertThat(lines).as(tune.title()).hasSize(tune.form().lines().size());
            for (Drawn each : page.drawn()) {
                assertThat(each.mark().box().left()).isGreaterThanOrEqualTo(0);
                assertThat(each.mark().box().right()).isLessThanOrEqualTo(page.width());
            }
        }
    }

    @Test
    void theBooksKindsAndTemposAreTheTeachers() {
        assertThat(Demo.tunes().stream().map(tune -> tune.header().type().name()))
                .containsExactly(
                        "reel", "jig", "polka", "slip jig", "hornpipe", "slow air", "breakdown", "march", "reel");
        assertThat(Demo.tunes().get(0).form().lines())
                .extracting(phrase -> phrase.name())
                .containsExactly("A1", "A2", "B1", "B2");
    }
}
