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
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.hand.Attempt;
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
 * Laws over all demo tunes, instruments, ornaments and schools: a sample of a stated seed, or with the property {@code wildflourish.long} all of them.
 */
class OrnamentLawsTest {
    private static final long SEED = 20_261_128;
    private static final int ONE_OF = 60;
    /** To place something on strings is to look for the hand's way through the whole tune. */
    private static final int ONE_OF_STRINGS = 500;

    private static final List<String> STRINGS =
            List.of("fiddle", "fiddle-gdgd", "mandolin", "tenor-banjo-long", "banjo-open-g");

    private static final List<String> BUTTONS =
            List.of("box-bc", "box-c-sharp-d", "box-dg", "anglo-a", "anglo-b", "english-48");

    /** What the whole line forbids on buttons where the ornament by itself could well be made. */
    private static final Set<Refusal> OF_THE_LINE = Set.of(
            Refusal.TOO_FAR_ROUND,
            Refusal.NO_WAY_IN_OR_OUT,
            Refusal.NO_AIR,
            Refusal.WRONG_KIND_OF_TUNE,
            Refusal.TOO_FAST);

    /** What a tune forbids where hands could well do it. */
    private static final Set<Refusal> OF_THE_TUNE = Set.of(
            Refusal.BEAT_WOULD_BE_LOST, Refusal.NOT_AT_THE_END, Refusal.OTHER_KIND_OF_TUNE, Refusal.NO_OTHER_NOTE);

    private static final boolean IS_LONG = Boolean.getBoolean("wildflourish.long");
    private static final List<String> WINDS = List.of(
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
            Tune tune, Version version, Scene scene, Note note, int count, Choice choice, Profile profile) {
        String words() {
            return choice + " on " + count + " from " + note.id() + " " + note.pitches() + " of " + tune.title() + ", "
                    + version.playing().instrument() + ", " + profile.id();
        }
    }

    private interface Check {
        void check(Asked asked, Fit fit);
    }

    private static int each(List<String> instruments, int oneOf, Check check) {
        Random random = new Random(SEED);
        int asked = 0;
        for (Tune tune : Demo.tunes()) {
            for (String id : instruments) {
                Instrument instrument = Instrument.of(id);
                Version version = Version.plain("law", Playing.usual(tune, instrument));
                for (Profile profile : Profile.all()) {
                    Scene scene = Scene.of(tune, version, profile);
                    for (Asked each : all(tune, version, scene, profile)) {
                        boolean isThere = tune.placeOf(each.note().id()).order() + each.count()
                                <= tune.notes().size();
                        if (isThere && (IS_LONG || random.nextInt(oneOf) == 0)) {
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
        int asked = each(WINDS, ONE_OF, (each, fit) -> {
            Realisation realisation = placed(each, fit);
            List<String> faults = MomentChecker.faults(realisation, fit.facts().stack(), each.profile(), each.tune());
            String what = each.words() + ": " + fit.refusals();
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

    private static List<Integer> openStrings(Instrument instrument) {
        return instrument.strings().orElseThrow().open().stream()
                .map(open -> instrument.sounding(open).midi())
                .toList();
    }

    /** On strings the checkers know the times of hands, bows and picks; what is refused for another reason is not played at all. */
    @Test
    void soItIsOnStrings() {
        Map<Refusal, Integer> forced = new EnumMap<>(Refusal.class);
        int[] played = new int[1];
        int asked = each(STRINGS, ONE_OF_STRINGS, (each, fit) -> {
            Realisation realisation = placed(each, fit);
            Instrument instrument = each.version().playing().instrument();
            List<String> faults = instrument.family().isPlucked()
                    ? PluckMomentChecker.faults(
                            realisation,
                            each.profile(),
                            instrument.sounding(each.note().melody()).midi())
                    : BowMomentChecker.faults(realisation, each.profile(), openStrings(instrument));
            if (fit.fits()) {
                assertThat(faults).as(each.words()).isEmpty();
                played[0]++;
            } else {
                boolean isOfHand = !OF_THE_TUNE.containsAll(fit.refusals());
                assertThat(isOfHand && faults.isEmpty())
                        .as(each.words() + ": " + fit.refusals() + ", forced, nothing is wrong")
                        .isFalse();

                fit.refusals().forEach(refusal -> forced.merge(refusal, 1, Integer::sum));
            }
        });
        assertThat(asked).isGreaterThan(1500);
        assertThat(played[0]).isGreaterThan(200);
        assertThat(forced).hasSizeGreaterThan(20);
    }

    /** On buttons too; what is too fast only by its neighbours, and what is too far round, is well made by itself. */
    @Test
    void soItIsOnButtons() {
        Map<Refusal, Integer> forced = new EnumMap<>(Refusal.class);
        int[] played = new int[1];
        int asked = each(BUTTONS, ONE_OF_STRINGS, (each, fit) -> {
            Realisation realisation = placed(each, fit);
            List<String> faults = ButtonMomentChecker.faults(realisation, each.profile());
            if (fit.fits()) {
                assertThat(faults).as(each.words()).isEmpty();
                played[0]++;
            } else {
                boolean isByItself =
                        fit.facts().attempt().flatMap(Attempt::tooFast).isPresent();
                boolean isOfHand = !OF_THE_LINE.containsAll(fit.refusals()) || isByItself;
                assertThat(isOfHand && faults.isEmpty())
                        .as(each.words() + ": " + fit.refusals() + ", forced, nothing is wrong")
                        .isFalse();
                fit.refusals().forEach(refusal -> forced.merge(refusal, 1, Integer::sum));
            }
        });
        assertThat(asked).isGreaterThan(1500);
        assertThat(played[0]).isGreaterThan(200);
        assertThat(forced).hasSizeGreaterThan(10);
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void everyBarsTotalIsExactAndNoLaneOverlaps(List<String> instruments, int oneOf) {
        int[] borrowed = new int[1];
        each(instruments, oneOf, (each, fit) -> {
            if (!fit.fits()) {
                return;
            }
            Realisation realisation = placed(each, fit);
            Fraction now = Fraction.ZERO;
            for (Moment moment : realisation.moments()) {
                assertThat(moment.startMillis()).isEqualTo(now);
                now = moment.endMillis();
                Set<String> taken = new HashSet<>();
                moment.sounding().stream()
                        .flatMap(sounding -> sounding.voices().stream())
                        .map(Voice::lane)
                        .forEach(lane -> assertThat(taken.add(lane)).isTrue());
            }
            for (Realisation.BarStart bar : realisation.bars()) {
                assertThat(bar.startMillis()).isEqualTo(realisation.tempo().millisOf(bar.startWholeNotes()));
            }
            assertThat(realisation.endMillis()).isEqualTo(realisation.tempo().millisOf(plainLength(each)));
            List<Lane> lanes = realisation
                    .lines()
                    .map(lines -> Lane.of(realisation.moments(), lines))
                    .orElseGet(() -> Lane.of(
                            realisation.moments(),
                            each.version().playing().instrument(),
                            each.profile().times()));
            for (Lane lane : lanes) {
                Fraction end = Fraction.ZERO;
                for (Lane.Stroke stroke : lane.strokes()) {
                    assertThat(stroke.startMillis().isLessThan(end)).isFalse();
                    end = stroke.endMillis();
                }
            }
            borrowed[0] += realisation.figures().get(0).made().borrows() ? 1 : 0;
        });
        assertThat(borrowed[0] > 0).isEqualTo(!instruments.equals(BUTTONS));
    }

    private static Stream<Arguments> kinds() {
        return Stream.of(
                Arguments.of(WINDS, ONE_OF),
                Arguments.of(STRINGS, ONE_OF_STRINGS),
                Arguments.of(BUTTONS, ONE_OF_STRINGS));
    }

    private static Fraction plainLength(Asked asked) {
        List<wildflourish.core.line.Tone> tones = asked.scene().line().tones();
        return tones.get(tones.size() - 1).end();
    }

    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "fiddle", "banjo-open-g", "box-bc"})
    void takingAllPlacementsAwayLeavesThePlainTune(String id) {
        for (Tune tune : Demo.tunes()) {
            Version plain = Version.plain("law", Playing.usual(tune, Instrument.of(id)));
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
