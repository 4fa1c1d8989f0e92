package wildflourish.files.abc;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import wildflourish.core.hand.Glide;
import wildflourish.core.hand.Hand;
import wildflourish.core.hand.Made;
import wildflourish.core.hand.Sound;
import wildflourish.core.hand.Voice;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.SoundingPitch;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Figure;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Part;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Stack;
import wildflourish.core.ornament.Target;
import wildflourish.core.ornament.Times;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.sound.Synth;
import wildflourish.core.table.Table;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/**
 * The model tried on figures that lie as far apart as they can: from a row of a table through line, hand and time to moments. The moves of strings and boxes
 * are written by hand here, for a hand that has the moves of one figure only; figures and times are common practice (M).
 */
class FarCasesTest {
    private static final String HEAD =
            "id | name | kind | instruments | place | claims | stands for | grows from | weight | difficulty "
                    + "| stage | not | for | against | schools | sign | written | do\n";
    private static final String FIGURE_HEAD = "ornament | for | school | span | opening | figure\n";

    /** An ornament from a row as a table would have it. */
    private static Ornament row(String family, String place, String claims, String span, String figure) {
        Table table = Table.parse(
                "far.table",
                HEAD + "far | far | roll | " + family + ":M | " + place + " | " + claims
                        + " | note equal turn notes | – | 3 | 3 | – | – | – | – | – | own arch | notes | Try it.\n");
        Table figures = Table.parse("far.figures", FIGURE_HEAD + "far | – | – | " + span + " | own | " + figure + "\n");
        return Ornament.read(table, figures).get(0);
    }

    /** A hand that makes one figure: for each part the sounds of its small notes, then its landing; voices as it is told. */
    private record ToldGrip(Map<String, List<Voice>> sounds, Times times, Figure figure) implements Hand.Grip {
        @Override
        public List<Refusal> hitches(List<Refusal> asked) {
            return List.of();
        }

        @Override
        public Optional<Refusal> waits() {
            return Optional.empty();
        }

        @Override
        public Optional<Made> make() {
            List<Made.Slot> slots = new ArrayList<>();
            for (Figure.Slot slot : figure.slots()) {
                slots.add(new Made.Slot(
                        slot.share(), slot.parts().stream().map(this::made).toList()));
            }
            return Optional.of(new Made(figure.opening() == Figure.Opening.BEFORE, slots));
        }

        private Made.Part made(Part part) {
            List<Made.Small> small = new ArrayList<>();
            for (Target grace : part.graces()) {
                small.add(new Made.Small(
                        Made.Role.GRACE,
                        new Sound(sounds.get(grace.toString()), Optional.empty(), Begin.HAMMER),
                        times.of("hammer")));
            }
            List<Voice> voices = new ArrayList<>(sounds.get(part.landing().toString()));
            if (part.begin() == Begin.SAME_BOW) {
                voices.replaceAll(voice -> voice.equals(voices.get(0)) ? voice : voice.goingOn());
            }
            Sound landing = new Sound(voices, Optional.empty(), part.begin());
            Optional<Made.Slide> slide = part.bend()
                    .from()
                    .map(from -> new Made.Slide(100 * from.target().number(), times.of("slide"), Optional.empty(), 0));
            return new Made.Part(part.share(), Fraction.ZERO, small, landing, slide, times.floor(), Optional.empty());
        }
    }

    private static Hand hand(Map<String, List<Voice>> sounds) {
        return (occasion, figure) -> new ToldGrip(sounds, occasion.times(), figure);
    }

    private static Voice voice(String lane, String written) {
        WrittenPitch pitch = WrittenPitch.parse(written);
        return new Voice(lane, SoundingPitch.of(pitch.midi()), Optional.of(pitch), true, Glide.LEVEL);
    }

    /** Through all rooms: the tune read, the figure worked out, written out as {@code abc} that reads without complaint, and sounding all the while. */
    private static Realisation realised(
            Ornament ornament, String instrument, String melody, int first, int last, Hand hand, String abc) {
        Tune tune = read(melody);
        Span span = new Span(new NoteId(first), new NoteId(last));
        Version version = Version.plain("far", Playing.usual(tune, Instrument.of(instrument)))
                .with(tune, Spot.of(Placement.of(Stack.of(ornament), span)));
        Realisation realisation = Realiser.realise(
                tune, version, Profile.usual(), version.playing().tempo(), hand);
        String written = VersionWriter.body(tune, version, hand).trim();
        assertThat(written).isEqualTo(abc);
        assertThat(read(written).bars()).hasSameSizeAs(tune.bars());
        float[] samples = Synth.render(realisation);
        double peak = 0;
        for (int i = 0; i < samples.length; i++) {
            peak = Math.max(peak, Math.abs(samples[i]));
            if (i % 2205 == 2204) {
                assertThat(peak).as("within 50 ms").isBetween(0.01, 1.0);
                peak = 0;
            }
            boolean isOver = i > realisation.endMillis().toDouble() / 1000 * Synth.SAMPLE_RATE - 2205;
            if (isOver) {
                break;
            }
        }
        return realisation;
    }

    private static Tune read(String body) {
        var parsed = BookReader.read("X:1\nT:Far\nR:reel\nM:4/4\nL:1/8\nK:D\n" + body + "\n");
        assertThat(parsed.problems()).isEmpty();
        return parsed.value().lessons().get(0).tune();
    }

    private static List<Moment> of(Realisation realisation, int from, int to) {
        return realisation.moments().stream()
                .filter(moment -> moment.cue().note().number() >= from
                        && moment.cue().note().number() <= to)
                .toList();
    }

    private static List<String> heard(List<Moment> moments) {
        return moments.stream()
                .map(moment ->
                        moment.sounding().map(each -> each.pitch().toString()).orElse("–"))
                .toList();
    }

    @Test
    void taorluathFromLowGOfTheChanterTakesItsTimeFromTheNoteBefore() {
        Realisation realisation = realised(
                Ornament.of("taorluath"),
                "border-pipes",
                "G2A2B4|",
                1,
                1,
                Hand.of(Instrument.of("border-pipes").family()),
                "G2{dGe}A2B4|");
        List<Moment> its = of(realisation, 1, 1);
        assertThat(its).hasSize(4);
        assertThat(its.get(3).startMillis()).isEqualTo(realisation.tempo().millisOf(Fraction.of(1, 4)));
        assertThat(its.get(0).startMillis()).isEqualTo(its.get(3).startMillis().minus(Fraction.of(3 * 38)));
        assertThat(its.stream()
                        .map(moment -> moment.sounding()
                                .orElseThrow()
                                .melody()
                                .written()
                                .orElseThrow()
                                .letter()))
                .containsExactly("D", "G", "E", "A");
        assertThat(realisation.drones()).hasSize(3);
    }

    @Test
    void aForkTurnOfTheBambooFluteKeepsTheMiddleFingerDown() {
        Realisation realisation = realised(
                Ornament.of("fork-turn"),
                "bamboo-g",
                "G2A2B4|",
                1,
                1,
                Hand.of(Instrument.of("bamboo-g").family()),
                "G2Ac/2A/2B4|");
        List<Moment> its = of(realisation, 1, 1);
        assertThat(its.stream()
                        .map(moment -> moment.held().orElseThrow().fingering().toString()))
                .containsExactly("XXOOOO", "OXOOOO", "XXOOOO");
        assertThat(its.get(1).sounding().orElseThrow().melody().written()).hasToString("Optional[C♯5]");
    }

    @Test
    void aBowedTrebleTurnsTheBowRound() {
        Ornament treble = row("fiddle", "span", "–", "1/4", "1/4:n/stroke 1/4:n/stroke 1/2:n/stroke");
        Realisation realisation =
                realised(treble, "fiddle", "A2B2|", 0, 0, hand(Map.of("n", List.of(voice("A", "A4")))), "A/2A/2AB2|");
        List<Moment> its = of(realisation, 0, 0);
        assertThat(its)
                .hasSize(3)
                .allMatch(moment -> moment.sounding().orElseThrow().begin() == Begin.STROKE);
        assertThat(its.get(2).lengthMillis())
                .isEqualTo(its.get(0).lengthMillis().times(2));
    }

    @Test
    void aLongRollGoesOverADroneThatIsNotBrokenOff() {
        Ornament roll = row("fiddle", "span", "–", "3/8", "1/3:n/stroke 1/3:{+1}n/same-bow 1/3:{-1}n/same-bow");
        List<Voice> drone = List.of(voice("A", "B4"), voice("D", "D4"));
        Realisation realisation = realised(
                roll,
                "fiddle",
                "B3A|",
                0,
                0,
                hand(Map.of(
                        "n", drone,
                        "+1", List.of(voice("A", "C♯5"), voice("D", "D4").goingOn()),
                        "-1", List.of(voice("A", "A4"), voice("D", "D4").goingOn()))),
                "([D-B]{c}[D-B]{A}[DB])A|");
        List<Moment> its = of(realisation, 0, 0);
        assertThat(heard(its)).containsExactly("B4", "C♯5", "B4", "A4", "B4");
        assertThat(its)
                .allMatch(moment ->
                        moment.sounding().orElseThrow().under().get(0).lane().equals("D"));
        assertThat(its)
                .allSatisfy(moment -> assertThat(moment.sounding().orElseThrow().voices().stream()
                                .map(Voice::lane))
                        .as("voices of a moment lie on different strings")
                        .doesNotHaveDuplicates());
    }

    @Test
    void aSlidingUnisonIsATouchUponATreble() {
        Ornament treble = row("fiddle", "span", "–", "1/4", "1/3:n/stroke 1/3:n/stroke 1/3:n/stroke~from(#-2,slide)");
        List<Voice> unison = List.of(voice("D", "A4"), voice("A", "A4"));
        List<Moment> its =
                of(realised(treble, "fiddle", "A2B2|", 0, 0, hand(Map.of("n", unison)), "(3[AA][AA][AA]B2|"), 0, 0);
        assertThat(its).hasSize(4);
        assertThat(its.get(2).sounding().orElseThrow().melody().glide().fromCents())
                .isEqualTo(-200);
        assertThat(its.get(2).sounding().orElseThrow().under().get(0).glide().isLevel())
                .isTrue();
        assertThat(its.get(3).sounding().orElseThrow().begin()).isEqualTo(Begin.HELD);
    }

    @Test
    void aHammerRunLiesInOneBow() {
        Ornament run = row("fiddle", "span", "–", "1/4", "min:{o1 +1}n/stroke 1*:n/same-bow");
        List<Moment> its = of(
                realised(
                        run,
                        "fiddle",
                        "B2A2|",
                        0,
                        0,
                        hand(Map.of(
                                "n", List.of(voice("A", "B4")),
                                "o1", List.of(voice("A", "A4")),
                                "+1", List.of(voice("A", "C♯5")))),
                        "({Ac}BB)A2|"),
                0,
                0);
        assertThat(heard(its)).containsExactly("A4", "C♯5", "B4", "B4");
        assertThat(its.get(0).lengthMillis()).isEqualTo(Fraction.of(50));
        assertThat(its.get(3).sounding().orElseThrow().begin()).isEqualTo(Begin.SAME_BOW);
    }

    @Test
    void aBanjoBarIsFilledWithTheMelodyOnItsAccents() {
        Ornament roll = row(
                "five-string_banjo",
                "span",
                "–",
                "1",
                "1/8:n1/stroke 1/8:o2/stroke 1/8:o5/stroke 1/8:n2/stroke 1/8:o2/stroke 1/8:o5/stroke 1/8:n3/stroke 1/8:o1/stroke");
        Map<String, List<Voice>> sounds = Map.of(
                "n", List.of(voice("3", "G4")),
                "n2", List.of(voice("2", "B4")),
                "n3", List.of(voice("1", "D5")),
                "o1", List.of(voice("1", "D5")),
                "o2", List.of(voice("2", "B4")),
                "o5", List.of(voice("5", "G5")));
        List<Moment> its = of(realised(roll, "banjo-open-g", "G3B3d2|", 0, 2, hand(sounds), "GBgBBgdd|"), 0, 2);
        assertThat(its).hasSize(8);
        assertThat(its.stream().map(moment -> moment.cue().note().number()).toList())
                .containsExactly(0, 0, 0, 1, 1, 1, 2, 2);
        assertThat(List.of(heard(its).get(0), heard(its).get(3), heard(its).get(6)))
                .containsExactly("G4", "B4", "D5");
    }

    @Test
    void aSlideGoesIntoATrebleOnTwoStrings() {
        Ornament treble = row("mandolin", "span", "–", "1/4", "1/3:n/stroke~from(#-2,slide) 1/3:n/stroke 1/3:n/stroke");
        List<Moment> its = of(
                realised(
                        treble,
                        "mandolin",
                        "e2d2|",
                        0,
                        0,
                        hand(Map.of("n", List.of(voice("A", "E5"), voice("E", "E5")))),
                        "(3[ee][ee][ee]d2|"),
                0,
                0);
        assertThat(its).hasSize(4);
        assertThat(its.get(0).sounding().orElseThrow().voices()).hasSize(2);
        assertThat(its.get(0).sounding().orElseThrow().begin()).isEqualTo(Begin.STROKE);
        assertThat(its.get(0).lengthMillis().toDouble()).isCloseTo(33, within(60.0));
    }

    @Test
    void aRollOnTheBoxMovesItsNoteToTheOtherRow() {
        Ornament roll = row("two-row_box", "span", "–", "3/8", "1/3:n/stroke 1/3:{+1}n/fingers 1/3:{-1}n/fingers");
        List<Moment> its = of(
                realised(
                        roll,
                        "box-bc",
                        "E3D|",
                        0,
                        0,
                        hand(Map.of(
                                "n", List.of(voice("inner 2", "E4")),
                                "+1", List.of(voice("inner 3", "F♯4")),
                                "-1", List.of(voice("outer 2", "D♯4")))),
                        "E{F}E{^D}E=D|"),
                0,
                0);
        assertThat(its.stream()
                        .map(moment -> moment.sounding().orElseThrow().melody().lane()))
                .containsExactly("inner 2", "inner 3", "inner 2", "outer 2", "inner 2");
        assertThat(its.stream()
                        .map(moment -> moment.sounding().orElseThrow().begin())
                        .skip(1))
                .as("no new attack of the bellows")
                .containsOnly(Begin.FINGERS);
    }

    @Test
    void aTrebleByTheBellowsTurnsThemForEachStroke() {
        Ornament treble = row("anglo_concertina", "span", "–", "1/4", "1/3:n/stroke 1/3:n/stroke 1/3:n/stroke");
        List<Moment> its = of(
                realised(treble, "anglo-a", "A2B2|", 0, 0, hand(Map.of("n", List.of(voice("RC1", "A4")))), "(3AAAB2|"),
                0,
                0);
        assertThat(its)
                .hasSize(3)
                .allMatch(moment -> moment.sounding().orElseThrow().begin().isStruck());
        assertThat(its.get(0).lengthMillis()).isEqualTo(its.get(2).lengthMillis());
    }
}
