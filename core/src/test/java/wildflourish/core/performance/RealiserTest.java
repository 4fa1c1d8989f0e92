package wildflourish.core.performance;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.Melody;
import wildflourish.core.RandomVersions;
import wildflourish.core.hand.Attempt;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Hole;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Times;
import wildflourish.core.performance.Moment.Role;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

class RealiserTest {
    private static final Instrument WHISTLE = Instrument.of("whistle-d");
    private static final Profile FLUENT = Profile.usual();

    /** Common practice: a long roll is three sounding notes of equal length in three quavers, parted by one cut and one tap. */
    @Test
    void aLongRollIsThreeEqualNotesPartedByACutAndATap() {
        Tune tune = Melody.jig("G4:3 A4:3 |");
        Realisation realisation = realise(tune, placed(tune, "long-roll", 0, 0));
        List<Moment> roll = of(realisation, 0);
        assertThat(roll)
                .extracting(moment -> moment.cue().role())
                .containsExactly(Role.MELODY, Role.CUT, Role.MELODY, Role.TAP, Role.MELODY);
        Fraction quaver = realisation.tempo().millisOf(Fraction.of(1, 8));
        assertThat(roll.get(1).startMillis()).isEqualTo(quaver);
        assertThat(roll.get(3).startMillis()).isEqualTo(quaver.times(2));
        assertThat(roll.get(4).endMillis()).isEqualTo(quaver.times(3));
    }

    /** Common practice: what stands for several notes takes exactly their time. */
    @Test
    void anOrnamentTakesExactlyTheTimeOfWhatItReplaces() {
        Tune tune = Melody.jig("B4:1 A4:1 B4:1 G4:3 | D4:3 E4:3 |");
        Realisation plain = realise(tune, Version.plain("Root", Playing.usual(tune, WHISTLE)));
        Version version = placed(tune, "long-roll", 0, 2)
                .with(tune, Spot.of(Placement.of(Ornament.of("cran"), Melody.span(4, 4))));
        Realisation decorated = realise(tune, version);
        assertThat(decorated.bars()).isEqualTo(plain.bars());
        assertThat(decorated.endMillis()).isEqualTo(plain.endMillis());
        assertThat(of(decorated, 3).get(0).startMillis())
                .isEqualTo(of(plain, 3).get(0).startMillis());
    }

    @Test
    void aCutIsOnTheBeatAndLastsAsLongAsTheStudentNeeds() {
        Tune tune = Melody.reel("A4:2 G4:6 |");
        for (Profile profile : Profile.all()) {
            Realisation realisation = Realiser.realise(tune, placed(tune, "cut", 1, 1), profile);
            Moment cut = of(realisation, 1).get(0);
            assertThat(cut.cue().role()).isEqualTo(Role.CUT);
            assertThat(cut.startMillis()).isEqualTo(realisation.tempo().millisOf(Fraction.of(1, 4)));
            assertThat(cut.lengthMillis()).isEqualTo(profile.times().of("cut"));
        }
    }

    @Test
    void aCutIsABreakOfPitchByTheFingersAndNotOfTheTongue() {
        Tune tune = Melody.reel("G4:1 G4:1 A4:2 |");
        List<Moment> second = of(realise(tune, placed(tune, "cut", 1, 1)), 1);
        assertThat(second).extracting(RealiserTest::begin).containsExactly(Begin.FINGERS, Begin.FINGERS);
        List<Moment> plain = of(realise(tune, Version.plain("Root", Playing.usual(tune, WHISTLE))), 1);
        assertThat(plain).extracting(RealiserTest::begin).containsExactly(Begin.TONGUE);
    }

    private static Begin begin(Moment moment) {
        return moment.sounding().orElseThrow().begin();
    }

    @Test
    void aCranLiftsADifferentFingerEachTime() {
        Tune tune = Melody.jig("D4:3 E4:3 |");
        List<Integer> lifted = new ArrayList<>();
        for (Moment moment : of(realise(tune, placed(tune, "cran", 0, 0)), 0)) {
            if (moment.cue().role() == Role.CUT) {
                List<Hole> holes = moment.held().orElseThrow().fingering().holes();
                lifted.add(holes.indexOf(Hole.OPEN) + 1);
            }
        }
        assertThat(lifted).containsExactly(3, 4);
    }

    @ParameterizedTest
    @CsvSource({"two-finger, 3", "hand-over, 3", "always-top, 1", "next-up, 4"})
    void theSchoolDecidesWhichFingerCuts(String school, int hole) {
        Tune tune = Melody.reel("E4:2 F♯4:2 |");
        Version version = placed(tune, "cut", 1, 1);
        version = version.withPlaying(version.playing().withSchool(School.of(school)));
        Moment cut = of(realise(tune, version), 1).get(0);
        assertThat(cut.held().orElseThrow().fingering().at(hole)).isEqualTo(Hole.OPEN);
    }

    /** The ornament's arithmetic and the realisation agree: at the clean-up-to tempo every part holds its floor, a tenth above it does not. */
    @ParameterizedTest
    @CsvSource({
        "cut, 1, fluent",
        "tap, 1, steady",
        "short-roll, 2, fluent",
        "short-roll, 2, learner",
        "long-roll, 3, steady",
        "long-roll, 3, fluent"
    })
    void whatIsRealisedIsCleanExactlyUpToThatTempo(String ornament, int quavers, String student) {
        Tune tune = Melody.reel("A4:1 G4:" + quavers + " |");
        Version version = placed(tune, ornament, 1, 1);
        Tempo clean = Scene.of(tune, version, Profile.of(student))
                .placed(1)
                .flatMap(Attempt::cleanUpTo)
                .orElseThrow();
        Tempo above = new Tempo(clean.beatsPerMinute().plus(Fraction.of(1, 10)), clean.beatLength());
        assertThat(isClean(tune, version, student, clean)).isTrue();
        assertThat(isClean(tune, version, student, above)).isFalse();
    }

    /** Every gesture as long as the student needs, every note after it at least the listener's floor. */
    private static boolean isClean(Tune tune, Version version, String student, Tempo tempo) {
        Times times = Profile.of(student).times();
        List<Moment> moments =
                Realiser.realise(tune, version, Profile.of(student), tempo).moments();
        for (int i = 0; i + 1 < moments.size(); i++) {
            boolean isShort = moments.get(i).lengthMillis().isLessThan(times.of("cut"));
            boolean isBlurred = moments.get(i + 1).lengthMillis().isLessThan(times.floor());
            if (moments.get(i).isGesture() && (isShort || isBlurred)) {
                return false;
            }
        }
        return moments.stream().anyMatch(Moment::isGesture);
    }

    @Test
    void tooFastAnOrnamentIsShortenedAndNeverOverflows() {
        Tune tune = Melody.reel("A4:1 G4:1 |");
        Realisation realisation =
                Realiser.realise(tune, placed(tune, "cut", 1, 1), FLUENT, Tempo.of(600, Fraction.of(1, 2)));
        Moment cut = of(realisation, 1).get(0);
        assertThat(cut.lengthMillis()).isEqualTo(realisation.tempo().millisOf(Fraction.of(1, 16)));
    }

    @Test
    void aPlacementForTheSecondTimeThroughIsPlayedThenOnly() {
        Tune tune = Melody.reel("|: G4:8 :|");
        Version version = Version.plain("Leaf", Playing.usual(tune, WHISTLE))
                .with(
                        tune,
                        Spot.of(Placement.of(Ornament.of("cut"), Melody.span(0, 0))
                                .withPasses(Passes.only(2))));
        Realisation realisation = realise(tune, version);
        assertThat(realisation.moments())
                .filteredOn(Moment::isGesture)
                .singleElement()
                .satisfies(moment -> assertThat(moment.cue().playedBar()).isEqualTo(1));
    }

    @Test
    void onlyTheFirstOptionIsPlayed() {
        Tune tune = Melody.reel("A4:2 G4:2 |");
        Spot spot = Spot.of(Placement.of(Ornament.of("tap"), Melody.span(1, 1)))
                .withOption(Placement.of(Ornament.of("short-roll"), Melody.span(1, 1)));
        Version version = Version.plain("Leaf", Playing.usual(tune, WHISTLE)).with(tune, spot);
        assertThat(of(realise(tune, version), 1))
                .extracting(moment -> moment.cue().role())
                .containsExactly(Role.TAP, Role.MELODY);
        assertThat(of(realise(tune, version.with(tune, spot.withNextOption())), 1))
                .hasSize(4);
    }

    @Test
    void aTiedNoteIsHeldAndANoteAfterARestIsTongued() {
        Tune tune = Melody.reel("G4:2~ G4:2 r:2 A4:2 |");
        Realisation realisation = realise(tune, Version.plain("Root", Playing.usual(tune, WHISTLE)));
        assertThat(realisation.moments().get(1).sounding().orElseThrow().begin())
                .isEqualTo(Begin.HELD);
        assertThat(realisation.moments().get(2).sounding()).isEmpty();
        assertThat(realisation.moments().get(3).sounding().orElseThrow().begin())
                .isEqualTo(Begin.TONGUE);
    }

    @Test
    void aNoteTheWhistleLacksSoundsButIsNotHeld() {
        Tune tune = Melody.reel("C4:2 D4:2 |");
        Moment missing = realise(tune, Version.plain("Root", Playing.usual(tune, WHISTLE)))
                .moments()
                .get(0);
        assertThat(missing.held()).isEmpty();
        assertThat(missing.sounding().orElseThrow().pitch()).hasToString("C5");
    }

    @Test
    void whatCannotBePlayedIsPlayedPlain() {
        Tune tune = Melody.reel("D4:2 C♯5:2 C4:2 r:2 |");
        for (String ornament : List.of("tap", "short-roll")) {
            Version version = placed(tune, ornament, 0, 0);
            assertThat(realise(tune, version)).isEqualTo(realise(tune, Version.plain("x", version.playing())));
        }
        assertThat(Realiser.alone(
                        Scene.of(tune, placed(tune, "cut", 1, 1), FLUENT),
                        Placement.of(Ornament.of("cut"), Melody.span(2, 2))))
                .isEmpty();
    }

    @Test
    void worksTheSameAloneAsInItsTune() {
        RandomVersions generator = new RandomVersions(5);
        int compared = 0;
        for (int i = 0; i < 20; i++) {
            Tune tune = generator.tune();
            Version version = generator.version(tune);
            Realisation whole = realise(tune, version);
            for (Spot spot : version.spots().values()) {
                Placement placement = spot.first().orElseThrow();
                List<Moment> alone = Realiser.alone(Scene.of(tune, version, FLUENT), placement);
                List<Moment> within = ofPlayed(whole, tune, placement);
                if (!within.isEmpty()) {
                    assertThat(lengths(alone)).isEqualTo(lengths(within));
                    compared++;
                }
            }
        }
        assertThat(compared).isGreaterThan(100);
    }

    private static List<Fraction> lengths(List<Moment> moments) {
        return moments.stream().map(Moment::lengthMillis).toList();
    }

    private static List<Moment> ofPlayed(Realisation whole, Tune tune, Placement placement) {
        int bar = tune.placeOf(placement.span().first()).bar();
        List<NoteId> notes = tune
                .between(placement.span().first(), placement.span().last())
                .stream()
                .map(note -> note.id())
                .toList();
        for (int i = 0; i < whole.bars().size(); i++) {
            var played = whole.bars().get(i).played();
            int playing = i;
            if (played.bar() == bar && placement.passes().has(played.pass())) {
                return whole.moments().stream()
                        .filter(moment -> moment.cue().playedBar() == playing
                                && notes.contains(moment.cue().note()))
                        .toList();
            }
        }
        return List.of();
    }

    @Test
    void momentsFollowWithoutGapAndBarsKeepTheirTotals() {
        RandomVersions generator = new RandomVersions(7);
        for (int i = 0; i < 60; i++) {
            Tune tune = generator.tune();
            Version version = generator.version(tune);
            for (Profile profile : Profile.all()) {
                Realisation realisation = Realiser.realise(tune, version, profile);
                checkTime(tune, realisation);
                checkLanes(realisation, profile);
            }
        }
    }

    private static void checkTime(Tune tune, Realisation realisation) {
        Fraction now = Fraction.ZERO;
        for (Moment moment : realisation.moments()) {
            assertThat(moment.startMillis()).isEqualTo(now);
            now = moment.endMillis();
        }
        Fraction barStart = Fraction.ZERO;
        for (Realisation.BarStart bar : realisation.bars()) {
            assertThat(bar.startWholeNotes()).isEqualTo(barStart);
            assertThat(bar.startMillis()).isEqualTo(realisation.tempo().millisOf(barStart));
            barStart = barStart.plus(tune.bars().get(bar.played().bar()).length());
        }
        assertThat(realisation.endMillis()).isEqualTo(realisation.tempo().millisOf(barStart));
    }

    private static void checkLanes(Realisation realisation, Profile profile) {
        List<Lane> lanes = Lane.of(realisation.moments(), WHISTLE, profile.times());
        assertThat(lanes).hasSize(8);
        for (Lane lane : lanes) {
            Fraction before = Fraction.ZERO;
            for (Lane.Stroke stroke : lane.strokes()) {
                assertThat(stroke.startMillis().isLessThan(before))
                        .as(lane.kind() + " " + lane.number() + " overlaps at " + stroke)
                        .isFalse();
                assertThat(stroke.startMillis()).isLessThan(stroke.endMillis());
                before = stroke.endMillis();
            }
        }
    }

    @Test
    void theMomentAtATimeIsFound() {
        Tune tune = Melody.reel("G4:4 A4:4 |");
        Realisation realisation = realise(tune, Version.plain("Root", Playing.usual(tune, WHISTLE)));
        double middle = realisation.endMillis().toDouble() / 2;
        assertThat(realisation.at(-1)).isEmpty();
        assertThat(realisation.at(0).orElseThrow().cue().note()).isEqualTo(new NoteId(0));
        assertThat(realisation.at(middle - 0.01).orElseThrow().cue().note()).isEqualTo(new NoteId(0));
        assertThat(realisation.at(middle).orElseThrow().cue().note()).isEqualTo(new NoteId(1));
        assertThat(realisation.at(2 * middle)).isEmpty();
    }

    @Test
    void rangesToPlayAreKeptInWholeNotes() {
        String four = "G4:8 | A4:8 | B4:8 | G4:8 ";
        Tune tune = Melody.reel("|: " + four + "| " + four + ":| |: " + four + ":|");
        Realisation realisation = realise(tune, Version.plain("Root", Playing.usual(tune, WHISTLE)));
        assertThat(PlayRange.whole(realisation).endWholeNotes()).isEqualTo(Fraction.of(24));
        PlayRange phrase = PlayRange.phrase(realisation, new NoteId(5));
        assertThat(phrase).isEqualTo(new PlayRange(Fraction.of(4), Fraction.of(6), true));
        assertThat(PlayRange.phrases(realisation, new NoteId(5), 1))
                .extracting(PlayRange::startWholeNotes)
                .containsExactly(Fraction.of(4), Fraction.of(6), Fraction.of(16), Fraction.of(18));
        assertThat(PlayRange.phrases(realisation, new NoteId(0), 2).get(1))
                .isEqualTo(new PlayRange(Fraction.of(4), Fraction.of(8), false));
        assertThat(PlayRange.between(realisation, new NoteId(1), new NoteId(2)))
                .isEqualTo(new PlayRange(Fraction.ONE, Fraction.of(3), true));
        PlayRange part = PlayRange.part(realisation, new NoteId(9));
        assertThat(part).isEqualTo(new PlayRange(Fraction.of(16), Fraction.of(24), false));
        assertThat(PlayRange.from(realisation, new NoteId(2)).startWholeNotes()).isEqualTo(Fraction.of(2));
    }

    private static Realisation realise(Tune tune, Version version) {
        return Realiser.realise(tune, version, FLUENT);
    }

    private static Version placed(Tune tune, String ornament, int first, int last) {
        Span span = Melody.span(first, last);
        return Version.plain("Leaf", Playing.usual(tune, WHISTLE))
                .with(tune, Spot.of(Placement.of(Ornament.of(ornament), span)));
    }

    private static List<Moment> of(Realisation realisation, int note) {
        return realisation.moments().stream()
                .filter(moment -> moment.cue().note().equals(new NoteId(note)))
                .toList();
    }
}
