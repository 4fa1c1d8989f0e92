package wildflourish.core.fingering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.Melody;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Strings;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;
import wildflourish.core.tune.NoteId;

class StringPathTest {
    /** A quaver takes 150 ms, for which the costs are stated. */
    private static final Tempo REEL = new Tempo(Fraction.of(100), Fraction.of(1, 2));

    private static final Tempo JIG = new Tempo(Fraction.of(400, 3), Fraction.of(3, 8));

    private static List<Struck> line(List<String> names, boolean isJig) {
        String melody =
                names.stream()
                                .map(name -> name.contains(":") ? name : name + ":1")
                                .collect(Collectors.joining(" ")) + " |";
        return isJig ? Struck.of(Melody.jig(melody), JIG) : Struck.of(Melody.reel(melody), REEL);
    }

    private static StringPath.Manner manner(String strings, String order, String school) {
        return new StringPath.Manner(Strings.of(strings), StrokeOrder.of(order), School.of(school));
    }

    /** Written down before anything computed them, see the head of the file. */
    static Stream<Row> expected() throws IOException {
        try (var in = StringPathTest.class.getResourceAsStream("/expected/string-ways.table")) {
            String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            return Table.parse("string-ways.table", text).rows().stream();
        }
    }

    @ParameterizedTest
    @MethodSource("expected")
    void takesWhatAGoodPlayerTakes(Row row) {
        StringPath.Manner manner = manner(row.text("instrument"), row.text("strokes"), row.text("school"));
        List<Struck> line = line(row.words("notes"), row.text("strokes").contains("jig"));
        LinePath<StringWay> path = StringPath.of(line, manner, Map.of());
        assertThat(line.stream()
                        .map(struck -> path.ways().get(struck.note().id()).name(manner.strings())))
                .as(row.toString())
                .containsExactlyElementsOf(row.words("ways"));
    }

    /** Every way there is, by the same weights. */
    private static final class Brute {
        private final List<Struck> line;
        private final StringPath.Manner manner;
        private final StringCosts costs;
        private final Strokes strokes;
        private static final double NEVER = Double.POSITIVE_INFINITY;
        private double best = NEVER;

        Brute(List<Struck> line, StringPath.Manner manner) {
            this.line = line;
            this.manner = manner;
            this.costs = StringCosts.of(manner.school());
            this.strokes = Strokes.of(manner.strings(), manner.order(), costs);
        }

        private List<StringHold> holds(int at) {
            List<FingeredPitch> pitches = line.get(at).pitches();
            List<StringHold> together = manner.together(pitches).holds();
            List<StringHold> all = together.isEmpty()
                    ? manner.together(pitches.subList(pitches.size() - 1, pitches.size()))
                            .holds()
                    : together;
            Demand demand = line.get(at).demand();
            List<StringHold> able = all.stream()
                    .filter(hold -> demand.holds().contains(hold.name(manner.strings())))
                    .toList();
            return (able.isEmpty() ? all : able)
                    .stream()
                            .map(hold -> demand.seconds().containsKey(hold.name(manner.strings()))
                                            && !line.get(at).isChord()
                                    ? hold.with(demand.seconds().get(hold.name(manner.strings())))
                                    : hold)
                            .toList();
        }

        void start() {
            for (StringHold hold : holds(0)) {
                for (int stroke = 0; stroke < strokes.states(); stroke++) {
                    if (strokes.canTake(hold, stroke)) {
                        go(
                                1,
                                hold,
                                stroke,
                                costs.ofBegin(manner.strings(), hold)
                                        + strokes.begin(stroke, hold.melody().string(), line.get(0))
                                        + line.get(0).demand().extra().always());
                    }
                }
            }
        }

        private void go(int at, StringHold held, int stroke, double cost) {
            if (cost == Double.POSITIVE_INFINITY) {
                return;
            }
            if (at == line.size()) {
                best = Math.min(best, cost);
                return;
            }
            Struck before = line.get(at - 1);
            Struck struck = line.get(at);
            boolean isSame =
                    before.note().melody().midi() == struck.note().melody().midi();
            for (StringHold hold : holds(at)) {
                double left = costs.ofMove(held, hold, before, struck)
                        + costs.ofChoice(manner.strings(), hold)
                        + struck.demand().extra().always();
                strokes.next(
                        stroke,
                        new Strokes.Step(nearest(held, hold), nearest(hold, held), isSame, before, struck),
                        (next, more) -> go(
                                at + 1,
                                hold,
                                next,
                                strokes.canTake(hold, next) || struck.demand().join() == Demand.Join.SAME_BOW
                                        ? cost + left + more
                                        : NEVER));
            }
        }

        private int nearest(StringHold hold, StringHold other) {
            if (manner.strings().stroke() == Strings.Stroke.BANJO) {
                return hold.melody().string();
            }
            return hold.places().stream()
                    .sorted(Comparator.comparing(place -> !place.equals(hold.melody())))
                    .min(Comparator.comparing(place -> other.stringsTo(StringHold.of(place))))
                    .orElseThrow()
                    .string();
        }
    }

    @ParameterizedTest
    @CsvSource({
        "fiddle, long-short-short",
        "fiddle-aeae, saw",
        "mandolin, reel-picks",
        "tenor-banjo-long, reel-picks",
        "banjo-open-g, no-roll",
        "banjo-open-g, thumb-leads",
        "banjo-open-g, index-leads",
        "banjo-open-g, nail-reel",
        "banjo-open-g, forward-roll"
    })
    void noOtherWayCostsLess(String strings, String order) {
        Random random = new Random(strings.hashCode());
        StringPath.Manner manner = manner(strings, order, random.nextBoolean() ? "open-strings" : "fourth-finger");
        for (int round = 0; round < 25; round++) {
            List<Struck> line = line(randomLine(random, manner.strings()), false);
            Brute brute = new Brute(line, manner);
            brute.start();
            LinePath<StringWay> path = StringPath.of(line, manner, Map.of());
            if (brute.best == Double.POSITIVE_INFINITY) {
                assertThat(path.troubles()).anyMatch(trouble -> trouble.why() == LinePath.Why.STUCK);
            } else {
                assertThat(path.cost()).as(strings + " " + line).isCloseTo(brute.best, within(1e-9));
                assertThat(path.costs().values().stream()
                                .mapToDouble(each -> each)
                                .sum())
                        .isCloseTo(path.cost(), within(1e-9));
            }
        }
    }

    /** Ornaments ask for strokes within notes, notes on the bow before or of the left hand alone, certain places, second strings, orders of strokes, and cost something. */
    @ParameterizedTest
    @CsvSource({
        "fiddle, saw",
        "fiddle, across",
        "fiddle-gdgd, long-short-short",
        "mandolin, reel-picks",
        "mandolin, jig-picks",
        "banjo-open-g, no-roll",
        "banjo-open-g, nail-reel"
    })
    void noOtherWayCostsLessWithOrnaments(String strings, String order) {
        Random random = new Random(strings.hashCode() + 7L);
        StringPath.Manner manner = manner(strings, order, strings.startsWith("banjo") ? "banjo-hand" : "usual");
        int found = 0;
        for (int round = 0; round < 40; round++) {
            List<Struck> line = line(randomLine(random, manner.strings()), false).stream()
                    .map(struck -> struck.with(demand(random, struck, manner.strings())))
                    .toList();
            Brute brute = new Brute(line, manner);
            brute.start();
            LinePath<StringWay> path = StringPath.of(line, manner, Map.of());
            if (brute.best < Double.POSITIVE_INFINITY) {
                assertThat(path.cost()).as(strings + " " + line).isCloseTo(brute.best, within(1e-9));
                found++;
            }
        }
        assertThat(found).isGreaterThan(15);
    }

    private static Demand demand(Random random, Struck struck, Strings strings) {
        List<StringHold> holds = Together.of(strings, List.of(struck.melody())).holds();
        StringHold one = holds.get(random.nextInt(holds.size()));
        boolean isBound = random.nextInt(3) == 0;
        boolean isPaired =
                random.nextInt(4) == 0 && one.melody().string() > 0 && strings.stroke() == Strings.Stroke.BOW;
        Strings.Place open =
                new Strings.Place(Math.max(0, one.melody().string() - 1), 0, Strings.Stop.OPEN, one.position());
        Demand.Join join = List.of(Demand.Join.FREE, Demand.Join.FREE, Demand.Join.NEW_BOW, Demand.Join.SAME_BOW)
                .get(random.nextInt(4));
        return new Demand(
                random.nextInt(3),
                join,
                isBound ? Set.of(one.name(strings)) : Set.of(),
                random.nextBoolean(),
                isPaired ? Map.of(one.name(strings), open) : Map.of(),
                Optional.empty(),
                List.of(),
                Optional.empty(),
                List.of(Demand.Apart.values()).get(Math.max(0, random.nextInt(6) - 3)),
                new Demand.Extra(random.nextInt(3) * 0.1, random.nextInt(2) * 0.8, random.nextInt(2) * 0.5));
    }

    private static List<String> randomLine(Random random, Strings strings) {
        List<String> notes = new ArrayList<>();
        int lowest = strings.open().stream().mapToInt(FingeredPitch::midi).min().orElseThrow();
        while (notes.size() < 4) {
            FingeredPitch pitch = new FingeredPitch(lowest + random.nextInt(22));
            FingeredPitch lower = new FingeredPitch(pitch.midi() - 3 - random.nextInt(10));
            boolean isDouble =
                    random.nextInt(4) == 0 && !strings.placesOf(lower).isEmpty();
            if (!strings.placesOf(pitch).isEmpty()) {
                notes.add((isDouble ? lower + "+" : "") + pitch + ":" + (1 + random.nextInt(2)));
            }
        }
        return notes;
    }

    @Test
    void aPinHoldsAndTheRestMovesRoundIt() {
        StringPath.Manner manner = manner("fiddle", "saw", "open-strings");
        List<Struck> line = line(List.of("G4", "A4", "B4", "A4"), false);
        NoteId second = line.get(1).note().id();
        LinePath<StringWay> path = StringPath.of(line, manner, Map.of(second, "D4u"));
        assertThat(path.ways().get(second).name(manner.strings())).isEqualTo("D4u");
        assertThat(path.cost())
                .isGreaterThan(StringPath.of(line, manner, Map.of()).cost());
        LinePath<StringWay> down = StringPath.of(line, manner, Map.of(second, "A0d"));
        assertThat(down.ways().get(second).isDown()).isTrue();
    }

    /** The finger that takes the melody of a pinch is one that reaches the melody's string, wherever the hand has been. */
    @Test
    void aPinchIsReachedFromAnyString() {
        List<Struck> line = Struck.of(Melody.reel("E4:4 D4+A4+F♯5:4 |"), REEL);
        LinePath<StringWay> path = StringPath.of(line, manner("banjo-open-g", "no-roll", "banjo-hand"), Map.of());
        assertThat(path.troubles()).isEmpty();
        assertThat(path.at(line.get(1).note().id()).orElseThrow().name(Strings.of("banjo-open-g")))
                .isEqualTo("1.4+3.2+4.0M");
    }

    /** Common practice: the nail strikes again after 140 ms, a finger after 120. A teacher has asked for one finger on two notes of the first string. */
    @ParameterizedTest
    @CsvSource({
        "130, nail-reel, 1.2N, false",
        "145, nail-reel, 1.2N, true",
        "130, index-leads, 1.2I, true",
        "115, index-leads, 1.2I, false",
        "130, no-roll, 1.2I, true"
    })
    void theNailIsSlowerToStrikeAgainThanAFinger(int millis, String order, String way, boolean isPlayed) {
        List<Struck> line = Struck.of(
                Melody.reel("E5:1 E5:1 r:6 |"), new Tempo(Fraction.of(60_000, 4L * millis), Fraction.of(1, 2)));
        assertThat(line.get(0).millis()).isEqualTo(millis);
        Map<NoteId, String> pins =
                Map.of(line.get(0).note().id(), way, line.get(1).note().id(), way);
        assertThat(StringPath.of(line, manner("banjo-open-g", order, "banjo-hand"), pins)
                        .troubles()
                        .isEmpty())
                .isEqualTo(isPlayed);
    }

    @Test
    void belowTheLowestStringThereIsNothing() {
        StringPath.Manner manner = manner("fiddle", "saw", "open-strings");
        List<Struck> line = line(List.of("G4", "F♯3", "A4"), false);
        LinePath<StringWay> path = StringPath.of(line, manner, Map.of());
        assertThat(path.troubles())
                .containsExactly(new LinePath.Trouble(line.get(1).note().id(), LinePath.Why.MISSING));
    }

    /** Arithmetic: a crotchet made three strokes keeps the bow's direction after it, two separate quavers made three flip it. */
    @Test
    void threeStrokesForTwoFlipTheBow() {
        StringPath.Manner manner = manner("fiddle", "saw", "open-strings");
        List<Struck> two = line(List.of("A4", "B4", "C♯5", "D5"), false);
        LinePath<StringWay> path = StringPath.of(two, manner, Map.of());
        assertThat(path.ways().get(two.get(2).note().id()).isDown()).isTrue();
        List<Struck> three = line(List.of("A4:2/3", "A4:2/3", "A4:2/3", "C♯5", "D5"), false);
        LinePath<StringWay> flipped = StringPath.of(three, manner, Map.of());
        assertThat(flipped.ways().get(three.get(3).note().id()).isDown()).isFalse();
    }

    /** Arithmetic: fourth finger on any string is the next open string; third finger G on D and low second C on A are a fourth apart. */
    @Test
    void theFourthFingerIsTheNextOpenString() {
        Strings fiddle = Strings.of("fiddle");
        for (int string = 0; string < 3; string++) {
            FingeredPitch open = fiddle.open().get(string + 1);
            int below = string;
            assertThat(fiddle.placesOf(open))
                    .anyMatch(place ->
                            place.string() == below && place.stop().name().equals("4"));
        }
        assertThat(fiddle.placesOf(FingeredPitch.parse("G4")))
                .anyMatch(place -> place.string() == 1 && place.stop().name().equals("3"));
        assertThat(fiddle.placesOf(FingeredPitch.parse("C5")))
                .anyMatch(place -> place.string() == 2 && place.stop().name().equals("L2"));
    }

    /** Arithmetic: with a capo at 3, G shapes sound B♭, and the short string goes up three as well; with one at 2 it sounds MIDI 69. */
    @Test
    void theShortStringGoesUpWithTheCapo() {
        Strings banjo = Strings.of("banjo-open-g");
        assertThat(banjo.soundingMidi(4)).isEqualTo(67);
        assertThat(banjo.withCapo(2).soundingMidi(4)).isEqualTo(69);
        assertThat(banjo.withCapo(3).soundingMidi(1) % 12).isEqualTo(10);
        assertThat(banjo.withCapo(3).spike()).contains(8);
        assertThat(banjo.withCapo(3).withCapo(0)).isEqualTo(banjo);
    }

    /** Common practice: the five-string banjo in open G is gDGBD; MIDI 67 50 55 59 62 from the short string on. */
    @Test
    void theOpenStringsSoundAsTheyAreKnownTo() {
        assertThat(sounding("banjo-open-g")).containsExactly(50, 55, 59, 62, 67);
        assertThat(sounding("banjo-double-c")).containsExactly(48, 55, 60, 62, 67);
        assertThat(sounding("banjo-modal")).containsExactly(50, 55, 60, 62, 67);
        assertThat(sounding("fiddle")).containsExactly(55, 62, 69, 76);
        assertThat(sounding("tenor-banjo")).containsExactly(43, 50, 57, 64);
    }

    private static List<Integer> sounding(String id) {
        Strings strings = Strings.of(id);
        List<Integer> all = new ArrayList<>();
        for (int string = 0; string < strings.open().size(); string++) {
            all.add(strings.soundingMidi(string));
        }
        return all;
    }

    /** Common practice: every roll has eight notes, no finger twice running, no string twice running, and each finger on a string it reaches. */
    @Test
    void rollsHaveEightNotesAndNoFingerTwiceRunning() {
        List<StrokeOrder> rolls = StrokeOrder.all().stream()
                .filter(order -> !order.strings().isEmpty())
                .toList();
        assertThat(rolls).hasSize(4);
        for (StrokeOrder roll : rolls) {
            assertThat(roll.fingers()).as(roll.name()).hasSize(8);
            assertThat(roll.strings()).as(roll.name()).hasSize(8);
            for (int i = 0; i < 8; i++) {
                int next = (i + 1) % 8;
                if (next > 0) {
                    assertThat(roll.fingers().get(i))
                            .isNotEqualTo(roll.fingers().get(next));
                    assertThat(roll.strings().get(i))
                            .isNotEqualTo(roll.strings().get(next));
                }
                int string = roll.strings().get(i);
                assertThat(
                                switch (roll.fingers().get(i)) {
                                    case 1 -> string > 1;
                                    case 2 -> string == 2 || string == 3;
                                    default -> string <= 2;
                                })
                        .as(roll.name() + ", note " + (i + 1))
                        .isTrue();
            }
        }
    }

    /** Each instrument with strings that is played in sessions has five lines written down beforehand. */
    @Test
    void fiveLinesAreWrittenDownForEachKindOfStrings() throws IOException {
        Map<String, Long> counts =
                expected().collect(Collectors.groupingBy(row -> row.text("instrument"), Collectors.counting()));
        assertThat(counts).containsOnlyKeys("fiddle", "mandolin", "tenor-banjo", "banjo-open-g");
        assertThat(counts.values()).allMatch(count -> count >= 5);
    }

    /** A phrase begins down, whatever the number of bows before it; up where the order carries an up bow over each bar line (common practice). */
    @ParameterizedTest
    @CsvSource({
        "saw, true",
        "long-short-short, true",
        "one-and-three, true",
        "one-and-three-off, false",
        "across, false"
    })
    void aPhraseBeginsOnTheBowOfItsOrder(String order, boolean isDown) {
        StringBuilder bars = new StringBuilder();
        for (int bar = 0; bar < 4; bar++) {
            bars.append("D5:2 F♯5:1 D5:1 C♯5:1 D5:1 B4:1 A4:1 | F♯4:1 A4:1 A4:1 F♯4:1 E4:1 F♯4:1 D4:1 E4:1 | ");
        }
        List<Struck> line = Struck.of(Melody.reel(bars.toString()), REEL);
        LinePath<StringWay> path = StringPath.of(line, manner("fiddle", order, "usual"), Map.of());
        List<Struck> beginnings = line.stream().filter(Struck::beginsPhrase).toList();
        assertThat(beginnings).hasSizeGreaterThan(1);
        for (Struck struck : beginnings) {
            StringWay way = path.ways().get(struck.note().id());
            assertThat(way.isDown()).as("bar " + struck.note().id()).isEqualTo(isDown);
            assertThat(way.isSlurred()).isFalse();
        }
    }

    @ParameterizedTest
    @CsvSource({
        "fiddle, saw",
        "fiddle, long-short-short",
        "fiddle, one-and-three",
        "fiddle, one-and-three-off",
        "fiddle, across",
        "fiddle, jig-pair",
        "fiddle, jig-across",
        "mandolin, reel-picks",
        "mandolin, jig-picks",
        "banjo-open-g, forward-roll"
    })
    void anOrderKeptToIsCalledByItsName(String strings, String order) {
        boolean isJig = order.startsWith("jig");
        List<String> names = order.endsWith("roll")
                ? List.of("G4", "B4", "D5", "G5", "B4", "D5", "G5", "D5")
                : isJig
                        ? List.of("G4", "A4", "B4", "D5", "B4", "G4")
                        : List.of("D4", "E4", "F♯4", "G4", "A4", "B4", "A4", "G4");
        StringPath.Manner manner = manner(strings, order, strings.startsWith("banjo") ? "banjo-hand" : "usual");
        List<Struck> line = line(names, isJig);
        String bar = names.stream().map(name -> name + ":1").collect(Collectors.joining(" ")) + " |";
        assertThat(BarStrokes.of(
                        isJig ? Melody.jig(bar) : Melody.reel(bar),
                        line,
                        StringPath.of(line, manner, Map.of()),
                        manner.strings().stroke()))
                .containsOnly(Map.entry(0, StrokeOrder.of(order)));
        assertThat(BarStrokes.of(
                        Melody.reel("D4:4 E4:4 |"),
                        line(List.of("D4:4", "E4:4"), false),
                        StringPath.of(line(List.of("D4:4", "E4:4"), false), manner("fiddle", "saw", "usual"), Map.of()),
                        Strings.Stroke.BOW))
                .as("crotchets keep no order of quavers")
                .isEmpty();
    }
}
