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
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Lane;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.Reason;
import wildflourish.core.placing.Refusal;
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
    void noReasonOrRefusalIsSpokenWhosePredicateIsFalse() {
        Map<Reason, Integer> spoken = new EnumMap<>(Reason.class);
        for (Tune tune : Demo.tunes()) {
            for (Profile profile : Profile.all()) {
                for (Note note : tune.notes()) {
                    WhatFits fits = WhatFits.at(tune, note.id(), Playing.usual(tune, WHISTLE), profile);
                    for (Fit fit : fits.fitting()) {
                        assertThat(fit.reasons()).isNotEmpty().allMatch(reason -> reason.holds(fit.facts()));
                        assertThat(Refusal.values()).noneMatch(refusal -> refusal.holds(fit.facts()));
                        fit.reasons().forEach(reason -> spoken.merge(reason, 1, Integer::sum));
                    }
                    for (Fit fit : fits.refused()) {
                        assertThat(fit.refusals()).isNotEmpty().allMatch(refusal -> refusal.holds(fit.facts()));
                    }
                }
            }
        }
        assertThat(spoken).hasSizeGreaterThan(12);
    }

    @Test
    void whatFitsIsCleanAndWhatIsTooFastIsNot() {
        for (Tune tune : Demo.tunes()) {
            Playing playing = Playing.usual(tune, WHISTLE);
            for (Note note : tune.notes()) {
                WhatFits fits = WhatFits.at(tune, note.id(), playing, Profile.of("learner"));
                for (Fit fit : fits.fitting()) {
                    assertThat(fit.facts().cleanUpTo().orElseThrow().beatsPerMinute())
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

    @Test
    void eachOfTheFiveOrnamentsFitsSomewhere() {
        Set<String> fitting = new TreeSet<>();
        for (Tune tune : Demo.tunes()) {
            for (Note note : tune.notes()) {
                WhatFits.at(tune, note.id(), Playing.usual(tune, WHISTLE), Profile.usual())
                        .fitting()
                        .forEach(fit -> fitting.add(fit.facts().ornament().id()));
            }
        }
        assertThat(fitting).containsExactly("cran", "cut", "long-roll", "short-roll", "tap");
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
