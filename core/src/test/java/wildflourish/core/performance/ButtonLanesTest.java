package wildflourish.core.performance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import wildflourish.core.Melody;
import wildflourish.core.hand.Bearing;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Key;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** Buttons, fingers, bellows and air as they are shown from moment to moment. */
class ButtonLanesTest {
    private static Realisation realised(Tune tune, String instrument, String stack, List<Layer> layers) {
        Version version = Version.plain("Bud", Playing.usual(tune, Instrument.of(instrument)))
                .withLayers(layers);
        Version placed = stack.isEmpty()
                ? version
                : version.with(
                        tune,
                        Spot.of(Placement.of(
                                Stack.parse(
                                        stack, version.playing().instrument().family()),
                                Span.of(new NoteId(0)))));
        return Realiser.realise(tune, placed, Profile.usual());
    }

    private static List<Lane> lanes(Realisation worked) {
        return Lane.of(worked.moments(), worked.lines().orElseThrow());
    }

    private static List<String> texts(List<Lane> lanes, Lane.Kind kind, int number) {
        return lanes.stream()
                .filter(lane -> lane.kind() == kind && lane.number() == number)
                .flatMap(lane -> lane.strokes().stream())
                .map(Lane.Stroke::text)
                .toList();
    }

    /** Common practice on the B/C box: middle finger on A, ring on B above it, index on G sharp in the other row, all drawn. */
    @Test
    void aRollUnderThreeFingers() {
        Realisation worked = realised(Melody.jig("A4:3 B4:3 |"), "box-bc", "long-roll", List.of());
        List<Lane> lanes = lanes(worked);
        assertThat(texts(lanes, Lane.Kind.BUTTON_FINGER, 2)).startsWith("i5", "i5", "i5");
        assertThat(texts(lanes, Lane.Kind.BUTTON_FINGER, 3)).startsWith("i6");
        assertThat(texts(lanes, Lane.Kind.BUTTON_FINGER, 1)).contains("o5");
        assertThat(texts(lanes, Lane.Kind.BELLOWS, 0)).isEqualTo(List.of("draw"));
    }

    @Test
    void aTrebleOfTheBellowsTurnsThemTwice() {
        Realisation worked = realised(Melody.reel("A4:2 r:6 |"), "box-dg", "bellows-treble", List.of());
        assertThat(texts(lanes(worked), Lane.Kind.BELLOWS, 0))
                .isIn(List.of("draw", "press", "draw"), List.of("press", "draw", "press"));
    }

    @Test
    void aSurgeBeginsABarOfItsOwn() {
        Realisation worked = realised(Melody.reel("A4:2 B4:2 r:4 |"), "box-bc", "bellows-accent", List.of());
        assertThat(texts(lanes(worked), Lane.Kind.BELLOWS, 0).get(0)).isEqualTo("draw, surge");
    }

    /** What is drawn for a second takes a second of air one way; with a second reed half as much again. */
    @Test
    void theAirGoesWithTheReeds() {
        Realisation plain = realised(Melody.reel("A4:4 r:4 |"), "box-bc", "", List.of());
        double length = plain.moments().get(0).lengthMillis().toDouble();
        assertThat(air(plain)).isCloseTo(-length, within(1e-6));
        Realisation both = realised(Melody.reel("A4:4 r:4 |"), "box-bc", "octave@above", List.of());
        assertThat(air(both)).isCloseTo(-1.5 * length, within(1e-6));
        assertThat(Lane.air(
                        realised(Melody.reel("A4:4 r:4 |"), "english-48", "", List.of())
                                .moments(),
                        realised(Melody.reel("A4:4 r:4 |"), "english-48", "", List.of())
                                .lines()
                                .orElseThrow()))
                .isEmpty();
    }

    /** How the bellows stand after the first note. */
    private static double air(Realisation worked) {
        return Lane.air(worked.moments(), worked.lines().orElseThrow()).get(1).balanceMillis();
    }

    @Test
    void aHeldButtonIsOneBarUnderAMovingTune() {
        Tune tune = Melody.jig("D5:2 C♯5:1 B4:2 A4:1 |");
        Layer held = Layer.parse("drone@R22", new Span(new NoteId(0), new NoteId(3)), Passes.EVERY);
        List<Lane> lanes = lanes(realised(tune, "english-48", "", List.of(held)));
        assertThat(texts(lanes, Lane.Kind.BUTTON_FINGER, 1)).containsExactly("R22");
    }

    @Test
    void whatANoteBears() {
        Playing playing = Playing.usual(Melody.reel("A4:8 |"), Instrument.of("box-bc"));
        List<Bearing> all = Bearing.of(playing, Key.C_MAJOR, WrittenPitch.parse("A4"));
        Bearing roll = all.stream()
                .filter(each -> each.ornament().id().equals("long-roll"))
                .findFirst()
                .orElseThrow();
        assertThat(roll.refusal()).isEmpty();
        assertThat(roll.used()).extracting(Bearing.Used::key).containsExactlyInAnyOrder("i5d", "i6d", "o5d");
        Optional<Bearing> treble = all.stream()
                .filter(each -> each.ornament().id().equals("bellows-treble"))
                .findFirst();
        assertThat(treble.orElseThrow().refusal()).isPresent();
        assertThat(treble.get().used()).isEmpty();
    }
}
