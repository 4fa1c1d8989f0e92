package wildflourish.core.performance;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import wildflourish.core.Melody;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;

/** What is shown of strings and boxes in time. */
class HandLanesTest {
    private static Realisation realised(Tune tune, String instrument, String school) {
        Playing usual = Playing.usual(tune, Instrument.of(instrument));
        Playing playing = usual.withSchools(usual.schools().with(School.of(school), usual.instrument()));
        return Realiser.realise(tune, Version.plain("Bud", playing), Profile.of("fluent"));
    }

    private static List<Lane> lanes(Realisation worked) {
        return Lane.of(worked.moments(), worked.lines().orElseThrow());
    }

    private static Lane lane(Realisation worked, Lane.Kind kind, int number) {
        return lanes(worked).stream()
                .filter(lane -> lane.kind() == kind && lane.number() == number)
                .findFirst()
                .orElseThrow();
    }

    private static Stream<String> texts(Lane lane, Lane.State state) {
        return lane.strokes().stream().filter(stroke -> stroke.state() == state).map(Lane.Stroke::text);
    }

    @Test
    void everyStringAndTheBowHaveALane() {
        Realisation worked = realised(Melody.reel("G4:1 A4:1 B4:1 A4:1 G4:2 D4:2 |"), "fiddle", "separate-bows");
        assertThat(lanes(worked))
                .extracting(Lane::kind)
                .containsExactly(Lane.Kind.STRING, Lane.Kind.STRING, Lane.Kind.STRING, Lane.Kind.STRING, Lane.Kind.BOW);
        assertThat(texts(lane(worked, Lane.Kind.STRING, 1), Lane.State.SOUNDING))
                .containsExactly("0", "1", "0");
        assertThat(texts(lane(worked, Lane.Kind.STRING, 2), Lane.State.SOUNDING))
                .containsExactly("3", "3", "0");
        List<Lane.Stroke> bow = lane(worked, Lane.Kind.BOW, 0).strokes();
        assertThat(bow).extracting(Lane.Stroke::text).containsExactly("down", "up", "down", "up", "down", "up");
    }

    /** Common practice: a finger stays down while the bow goes over to the next string and back. */
    @Test
    void aFingerStaysDownUntilItsStringIsPlayedAgain() {
        Realisation worked = realised(Melody.reel("G4:1 A4:1 B4:1 A4:1 G4:2 D4:2 |"), "fiddle", "separate-bows");
        HandLines lines = worked.lines().orElseThrow();
        assertThat(lines.kept()).singleElement().satisfies(kept -> {
            assertThat(List.of(kept.lane(), kept.from().number(), kept.to().number()))
                    .containsExactly(2, 0, 4);
            assertThat(kept.covers(new NoteId(2))).isTrue();
        });
        assertThat(texts(lane(worked, Lane.Kind.STRING, 2), Lane.State.KEPT)).hasSize(3);
        Realisation lifted = realised(Melody.reel("G4:1 F♯4:1 G4:1 A4:1 C5:1 D5:1 |"), "fiddle", "separate-bows");
        assertThat(lifted.lines().orElseThrow().kept())
                .as("the third finger is lifted for the second, which comes to the other string then")
                .isEmpty();
    }

    @Test
    void notesOnOneBowAreOneStroke() {
        Realisation worked = realised(Melody.reel("G4:1 A4:1 B4:1 A4:1 G4:1 A4:1 B4:1 D5:1 |"), "fiddle", "shuffle");
        assertThat(lane(worked, Lane.Kind.BOW, 0).strokes()).hasSize(6);
    }

    @Test
    void theBellowsAreOneBarFromTurnToTurn() {
        Realisation worked = realised(Melody.reel("D4:1 E4:1 F♯4:1 G4:1 A4:1 B4:1 C♯5:1 D5:1 |"), "box-bc", "smooth");
        Lane bellows = lane(worked, Lane.Kind.BELLOWS, 0);
        assertThat(bellows.strokes()).extracting(Lane.Stroke::text).containsExactly("draw", "press", "draw");
        for (int i = 1; i < bellows.strokes().size(); i++) {
            assertThat(bellows.strokes().get(i).startMillis())
                    .isEqualTo(bellows.strokes().get(i - 1).endMillis());
        }
        assertThat(lanes(realised(Melody.reel("D4:1 E4:1 |"), "english-48", "usual")))
                .extracting(Lane::kind)
                .containsExactly(Lane.Kind.ROW, Lane.Kind.ROW, Lane.Kind.BUTTON_FINGER, Lane.Kind.BUTTON_FINGER);
    }

    @Test
    void aTieIsOneBarAndTwoStringsSoundTogether() {
        Realisation worked = realised(Melody.reel("D4+B4:2~ D4+B4:1 A4:1 r:2 G4:2 |"), "fiddle", "separate-bows");
        assertThat(texts(lane(worked, Lane.Kind.STRING, 2), Lane.State.SOUNDING))
                .containsExactly("0", "3");
        assertThat(texts(lane(worked, Lane.Kind.STRING, 1), Lane.State.SOUNDING))
                .containsExactly("1", "0");
        assertThat(worked.moments().get(0).sounding().orElseThrow().under()).hasSize(1);
        Realisation blown = realised(Melody.reel("D4+B4:2 A4:2 |"), "whistle-d", "two-finger");
        assertThat(blown.moments().get(0).sounding().orElseThrow().under()).isEmpty();
    }

    @Test
    void pickAndBanjoHandStrikeAtTheBeginningOfANote() {
        Realisation picked = realised(Melody.reel("D5:2 B4:2 |"), "mandolin", "down-up-down");
        for (Lane.Stroke stroke : lane(picked, Lane.Kind.PICK, 0).strokes()) {
            assertThat(stroke.endMillis().minus(stroke.startMillis()).toDouble())
                    .isEqualTo(45);
        }
        Realisation banjo = realised(Melody.reel("D5:1 B4:1 |"), "banjo-open-g", "thumb-lead");
        assertThat(lane(banjo, Lane.Kind.BANJO_HAND, 0).strokes())
                .extracting(Lane.Stroke::text)
                .allMatch(text -> text.matches("[TIM]"))
                .doesNotHaveDuplicates();
    }
}
