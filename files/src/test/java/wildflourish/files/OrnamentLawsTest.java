package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import wildflourish.core.hand.Scene;
import wildflourish.core.hand.Voice;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Choice;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Stack;
import wildflourish.core.performance.Lane;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/**
 * Laws over all demo tunes, wind instruments, ornaments and schools: a sample of a stated seed, or with the property {@code wildflourish.long} all of them.
 */
class OrnamentLawsTest {
    private static final long SEED = 20_261_128;
    private static final int ONE_OF = 60;
    private static final boolean IS_LONG = Boolean.getBoolean("wildflourish.long");
    private static final List<String> INSTRUMENTS = List.of(
            "whistle-d",
            "whistle-c",
            "flute-d",
            "bamboo-g",
            "recorder-soprano",
            "recorder-german",
            "union-d-closed",
            "union-d-open",
            "mouth-blown-pipes",
            "small-pipes");

    /** Something asked: an ornament in a school on a note, over so many notes. */
    private record Asked(
            Tune tune, Version version, Scene scene, Note note, int count, Choice choice, Profile profile) {}

    private interface Check {
        void check(Asked asked, Fit fit);
    }

    private static int each(Check check) {
        Random random = new Random(SEED);
        int asked = 0;
        for (Tune tune : Demo.tunes()) {
            for (String id : INSTRUMENTS) {
                Instrument instrument = Instrument.of(id);
                Version version = Version.plain("law", Playing.usual(tune, instrument));
                for (Profile profile : Profile.all()) {
                    Scene scene = Scene.of(tune, version, profile);
                    for (Asked each : all(tune, version, scene, profile)) {
                        boolean isThere = tune.placeOf(each.note().id()).order() + each.count()
                                <= tune.notes().size();
                        if (isThere && (IS_LONG || random.nextInt(ONE_OF) == 0)) {
                            Optional<Fit> fit = WhatFits.verdict(
                                    scene, each.note().id(), each.count(), new Stack(List.of(each.choice())));
                            fit.ifPresent(verdict -> check.check(each, verdict));
                            asked++;
                        }
                    }
                }
            }
        }
        return asked;
    }

    private static List<Asked> all(Tune tune, Version version, Scene scene, Profile profile) {
        List<Asked> all = new ArrayList<>();
        var family = version.playing().instrument().family();
        for (Note note : tune.notes()) {
            for (Ornament ornament : Ornament.of(family)) {
                List<String> schools = ornament.schools(family).isEmpty() ? List.of("") : ornament.schools(family);
                for (String school : schools) {
                    for (int count = 1; count <= (ornament.isTouch() ? 1 : 3); count++) {
                        all.add(new Asked(tune, version, scene, note, count, new Choice(ornament, school), profile));
                    }
                }
            }
        }
        return all;
    }

    private static Realisation placed(Asked asked, Fit fit) {
        int order = asked.tune().placeOf(asked.note().id()).order();
        Span span = new Span(
                asked.note().id(),
                asked.tune().notes().get(order + asked.count() - 1).id());
        Placement placement = Placement.of(fit.facts().stack(), span);
        return Realiser.realise(asked.tune(), asked.version().with(asked.tune(), Spot.of(placement)), asked.profile());
    }

    @Test
    void whatFitsIsPlayedInFullAndWhatDoesNotIsFoundAtFault() {
        Map<Refusal, Integer> forced = new EnumMap<>(Refusal.class);
        int[] played = new int[1];
        int asked = each((each, fit) -> {
            Realisation realisation = placed(each, fit);
            List<String> faults = MomentChecker.faults(realisation, fit.facts().stack(), each.profile(), each.tune());
            String what = each.choice() + " on " + each.note().pitches() + " of "
                    + each.tune().title() + ", " + each.version().playing().instrument() + ", "
                    + each.profile().id() + ": " + fit.refusals();
            if (fit.fits()) {
                assertThat(faults).as(what).isEmpty();
                played[0]++;
            } else {
                assertThat(faults).as(what + ", forced").isNotEmpty();
                fit.refusals().forEach(refusal -> forced.merge(refusal, 1, Integer::sum));
            }
        });
        assertThat(asked).isGreaterThan(3000);
        assertThat(played[0]).isGreaterThan(400);
        assertThat(forced).hasSizeGreaterThan(20);
    }

    @Test
    void everyBarsTotalIsExactAndNoLaneOverlaps() {
        int[] borrowed = new int[1];
        each((each, fit) -> {
            if (!fit.fits()) {
                return;
            }
            Realisation realisation = placed(each, fit);
            Fraction now = Fraction.ZERO;
            for (Moment moment : realisation.moments()) {
                assertThat(moment.startMillis()).isEqualTo(now);
                now = moment.endMillis();
                Set<String> lanes = new HashSet<>();
                moment.sounding().stream()
                        .flatMap(sounding -> sounding.voices().stream())
                        .map(Voice::lane)
                        .forEach(lane -> assertThat(lanes.add(lane)).isTrue());
            }
            for (Realisation.BarStart bar : realisation.bars()) {
                assertThat(bar.startMillis()).isEqualTo(realisation.tempo().millisOf(bar.startWholeNotes()));
            }
            assertThat(realisation.endMillis()).isEqualTo(realisation.tempo().millisOf(plainLength(each)));
            for (Lane lane : Lane.of(
                    realisation.moments(),
                    each.version().playing().instrument(),
                    each.profile().times())) {
                Fraction end = Fraction.ZERO;
                for (Lane.Stroke stroke : lane.strokes()) {
                    assertThat(stroke.startMillis().isLessThan(end)).isFalse();
                    end = stroke.endMillis();
                }
            }
            borrowed[0] += realisation.figures().get(0).made().borrows() ? 1 : 0;
        });
        assertThat(borrowed[0]).isPositive();
    }

    private static Fraction plainLength(Asked asked) {
        List<wildflourish.core.line.Tone> tones = asked.scene().line().tones();
        return tones.get(tones.size() - 1).end();
    }

    @Test
    void takingAllPlacementsAwayLeavesThePlainTune() {
        for (Tune tune : Demo.tunes()) {
            Version plain = Version.plain("law", Playing.usual(tune, Instrument.of("whistle-d")));
            Version dressed = plain;
            for (Note note : tune.notes()) {
                Optional<Fit> best =
                        WhatFits.at(tune, plain, note.id(), Profile.usual()).best();
                if (best.isPresent() && note.id().number() % 5 == 0) {
                    dressed = dressed.with(tune, Spot.of(best.get().placement()));
                }
            }
            assertThat(dressed.ornamented()).isPositive();
            for (Spot spot : dressed.spots().values()) {
                dressed = dressed.without(spot.at());
            }
            assertThat(Realiser.realise(tune, dressed, Profile.usual()))
                    .isEqualTo(Realiser.realise(tune, plain, Profile.usual()));
        }
    }
}
