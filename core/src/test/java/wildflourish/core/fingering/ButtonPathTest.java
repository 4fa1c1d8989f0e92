package wildflourish.core.fingering;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.Melody;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.instrument.School;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

class ButtonPathTest {
    /** A quaver takes 150 ms, for which the costs are stated. */
    private static final Tempo USUAL = new Tempo(Fraction.of(100), Fraction.of(1, 2));

    private static ButtonLayout layout(String instrument) {
        return ButtonLayout.of(instrument.replaceFirst("^box-", ""), false);
    }

    private static List<Struck> line(List<String> names) {
        return line(names.stream().map(name -> name + ":1").collect(Collectors.joining(" ")));
    }

    private static List<Struck> line(String melody) {
        Tune tune = Melody.reel(melody + " |");
        return Struck.of(tune, USUAL);
    }

    /** Written down before anything computed them, see the head of the file. */
    static Stream<Row> expected() throws IOException {
        try (var in = ButtonPathTest.class.getResourceAsStream("/expected/button-ways.table")) {
            String text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            return Table.parse("button-ways.table", text).rows().stream();
        }
    }

    @ParameterizedTest
    @MethodSource("expected")
    void takesWhatAGoodPlayerTakes(Row row) {
        List<Struck> line = line(row.words("notes"));
        LinePath<ButtonWay> path =
                ButtonPath.of(line, layout(row.text("instrument")), School.of(row.text("school")), Map.of());
        boolean isEnglish = row.text("instrument").startsWith("english");
        assertThat(line.stream()
                        .map(struck -> path.ways().get(struck.note().id()))
                        .map(way -> isEnglish ? way.handAndFinger() : way.key().name()))
                .as(row + " " + path.ways())
                .containsExactlyElementsOf(row.words("ways"));
    }

    /** Checked arithmetic of the trade: the D scale on a B/C box takes two turns, the G scale four. */
    @Test
    void theScalesOfDAndGOnABCTakeTwoAndFourTurns() {
        List<Struck> d = line(List.of("D4", "E4", "F♯4", "G4", "A4", "B4", "C♯5", "D5"));
        List<Struck> g = line(List.of("G4", "A4", "B4", "C5", "D5", "E5", "F♯5", "G5"));
        assertThat(ButtonPath.turns(ButtonPath.of(d, layout("bc"), School.of("smooth"), Map.of()), d))
                .isEqualTo(2);
        assertThat(ButtonPath.turns(ButtonPath.of(g, layout("bc"), School.of("smooth"), Map.of()), g))
                .isEqualTo(4);
    }

    @Test
    void withTheInnerEThereIsNoTurnWithTheOuterEOne() {
        List<Struck> line = line(List.of("E4", "F♯4", "G4"));
        NoteId first = line.get(0).note().id();
        LinePath<ButtonWay> inner = ButtonPath.of(line, layout("bc"), School.of("smooth"), Map.of(first, "i4p"));
        LinePath<ButtonWay> outer = ButtonPath.of(line, layout("bc"), School.of("smooth"), Map.of(first, "o4d"));
        assertThat(ButtonPath.turns(inner, line)).isZero();
        assertThat(ButtonPath.turns(outer, line)).isEqualTo(1);
        assertThat(outer.ways().get(first).key().name()).isEqualTo("o4d");
        assertThat(outer.cost()).isGreaterThan(inner.cost());
    }

    @Test
    void whatIsMissingIsToldAndPartsTheLine() {
        List<Struck> line = line(List.of("G4", "A3", "B4"));
        LinePath<ButtonWay> path = ButtonPath.of(line, layout("bc"), School.of("smooth"), Map.of());
        assertThat(path.troubles())
                .containsExactly(new LinePath.Trouble(line.get(1).note().id(), LinePath.Why.MISSING));
        assertThat(path.ways()).hasSize(2);
    }

    @Test
    void aTieIsHeldOnOneButton() {
        List<Struck> line = line("E4:2~ E4:1 F♯4:1");
        assertThat(line).hasSize(2);
        LinePath<ButtonWay> path = ButtonPath.of(line, layout("bc"), School.of("smooth"), Map.of());
        assertThat(path.ways().get(new NoteId(0))).isEqualTo(path.ways().get(new NoteId(1)));
    }

    /** Every note by itself and every move, over every way there is; the same weights, no other code. */
    private static final class Brute {
        private final List<Struck> line;
        private final List<List<ButtonOption>> choices = new ArrayList<>();
        private final ButtonCosts costs;
        private double best = Double.POSITIVE_INFINITY;
        private double second = Double.POSITIVE_INFINITY;
        private final List<ButtonOption> ways = new ArrayList<>();
        private List<ButtonOption> bestWays = List.of();

        Brute(List<Struck> line, ButtonLayout layout, School school, Map<NoteId, List<ButtonOption>> options) {
            this.line = line;
            this.costs = ButtonCosts.of(school);
            for (Struck struck : line) {
                List<FingeredPitch> pitches = struck.pitches();
                List<ButtonWay> together = ButtonPath.together(pitches, layout);
                List<FingeredPitch> melody = pitches.subList(pitches.size() - 1, pitches.size());
                List<ButtonWay> plain = together.isEmpty() ? ButtonPath.together(melody, layout) : together;
                choices.add(options.getOrDefault(
                        struck.note().id(),
                        plain.stream().map(ButtonOption::plain).toList()));
            }
        }

        /** Balance in milliseconds, press counted up; a rest may set it to nothing, so may a long note cut short, which costs one. */
        void go(int at, ButtonOption before, double balance, double cost) {
            if (cost >= second) {
                return;
            }
            if (at == line.size()) {
                end(cost);
                return;
            }
            Struck struck = line.get(at);
            for (ButtonOption way : choices.get(at)) {
                double air = struck.millis() * (1 + 0.5 * way.way().under().size());
                double signed = way.way().key().bellows().sign().equals("p") ? air : -air;
                double own = costs.ofChoice(way);
                double move = at == 0 ? 0 : costs.ofMove(before, way, line.get(at - 1), struck);
                next(at, way, balance + signed, cost + own + move);
                if (at > 0 && balance != 0 && struck.restMillis() >= 120) {
                    next(at, way, signed, cost + own + move);
                } else if (at > 0 && balance != 0 && line.get(at - 1).millis() >= 250) {
                    next(at, way, signed, cost + own + move + 1);
                }
            }
        }

        /** Keeps the cheapest ways and the next cheapest, which are other ones, not the same with the air key elsewhere. */
        private void end(double cost) {
            if (ways.equals(bestWays)) {
                best = Math.min(best, cost);
            } else if (cost < best) {
                second = best;
                best = cost;
                bestWays = List.copyOf(ways);
            } else {
                second = Math.min(second, cost);
            }
        }

        private void next(int at, ButtonOption way, double balance, double cost) {
            if (Math.abs(balance) <= 8000 + 1e-6 && cost < Double.POSITIVE_INFINITY) {
                ways.add(way);
                go(
                        at + 1,
                        way,
                        balance,
                        cost + ButtonCosts.exact(Math.max(0, Math.abs(balance) - 2000) / 1000 * costs.air()));
                ways.remove(ways.size() - 1);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"bc", "c-sharp-d", "dg", "anglo-a", "anglo-b"})
    void noOtherWayCostsLess(String name) {
        Random random = new Random(name.hashCode());
        ButtonLayout layout = layout(name);
        List<String> schools = name.startsWith("anglo")
                ? List.of("across", "along", "chordal", "no-hops")
                : List.of("smooth", "crisp", "no-hops");
        for (int round = 0; round < 40; round++) {
            boolean bindsAir = round % 4 == 0;
            List<Struck> line = line(randomLine(random, layout, bindsAir ? 5 : 4, bindsAir));
            School school = School.of(schools.get(random.nextInt(schools.size())));
            Brute brute = new Brute(line, layout, school, Map.of());
            brute.go(0, null, 0, 0);
            LinePath<ButtonWay> path = ButtonPath.of(line, layout, school, Map.of());
            if (brute.best == Double.POSITIVE_INFINITY) {
                assertThat(path.troubles()).anyMatch(trouble -> !trouble.why().leavesMelody());
            } else {
                assertThat(path.cost()).as(name + " " + line).isCloseTo(brute.best, within(1e-9));
                double sum =
                        path.costs().values().stream().mapToDouble(each -> each).sum();
                assertThat(path.runnerUp().map(LinePath.RunnerUp::more).orElse(Double.POSITIVE_INFINITY))
                        .as("the next best of " + name + " " + line)
                        .isEqualTo(brute.second - brute.best);
                assertThat(sum).as("what each note adds").isCloseTo(path.cost(), within(1e-9));
            }
        }
    }

    /** Ornaments come to a note by one way, have it by another and leave it by a third, and cost something; so do the ways round them. */
    @ParameterizedTest
    @ValueSource(strings = {"bc", "dg", "anglo-a", "english-48"})
    void noOtherWayCostsLessWithOrnaments(String name) {
        Random random = new Random(name.hashCode() + 17L);
        ButtonLayout layout = layout(name);
        School school = School.of(name.startsWith("english") ? "usual" : name.startsWith("anglo") ? "along" : "smooth");
        int found = 0;
        for (int round = 0; round < 60; round++) {
            boolean bindsAir = round % 3 == 0 && !name.startsWith("english");
            List<Struck> line = line(randomLine(random, layout, bindsAir ? 5 : 4, bindsAir));
            Map<NoteId, List<ButtonOption>> options = new HashMap<>();
            for (Struck struck : line) {
                if (random.nextInt(2) == 0) {
                    options.put(struck.note().id(), options(random, struck, layout));
                }
            }
            Brute brute = new Brute(line, layout, school, options);
            brute.go(0, null, 0, 0);
            LinePath<ButtonOption> path =
                    ButtonPath.best(line, layout, school, new ButtonPath.Asked(Map.of(), options));
            if (brute.best < Double.POSITIVE_INFINITY) {
                assertThat(path.cost()).as(name + " " + line).isCloseTo(brute.best, within(1e-9));
                found++;
            }
        }
        assertThat(found).isGreaterThan(20);
    }

    private static List<ButtonOption> options(Random random, Struck struck, ButtonLayout layout) {
        List<ButtonWay> ways = ButtonPath.together(List.of(struck.melody()), layout);
        List<ButtonOption> options = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            ButtonWay way = ways.get(random.nextInt(ways.size()));
            List<ButtonWay> others = ButtonPath.together(
                    List.of(layout.buttons()
                            .get(random.nextInt(layout.buttons().size()))
                            .press()),
                    layout);
            ButtonWay other = others.get(random.nextInt(others.size()));
            boolean isEntry = random.nextBoolean();
            options.add(new ButtonOption(
                    way,
                    isEntry ? other : way,
                    isEntry ? way : other,
                    random.nextInt(8) * 0.25,
                    60 + random.nextInt(90)));
        }
        return options;
    }

    /** Common practice: players turn the bellows within a fast triplet, though 90 ms would be easier; under 65 ms nobody does. */
    @ParameterizedTest
    @CsvSource({"87, true", "60, false"})
    void bellowsTurnInAFastTriplet(int millis, boolean isPlayed) {
        List<Struck> line = Struck.of(
                Melody.reel("G4:1 A4:1 B4:1 |"), new Tempo(Fraction.of(60_000, 4L * millis), Fraction.of(1, 2)));
        assertThat(ButtonPath.of(line, layout("bc"), School.of("smooth"), Map.of())
                        .troubles()
                        .isEmpty())
                .isEqualTo(isPlayed);
    }

    /** On the left side of an anglo concertina the hand is the right one's mirror: fingers that do not hop are not said to cross when they do not. */
    @Test
    void theLeftHandOfAnAngloIsMirrored() {
        List<Struck> line = line(List.of("C4", "E4"));
        LinePath<ButtonWay> path = ButtonPath.of(line, layout("anglo-a"), School.of("no-hops"), Map.of());
        assertThat(path.ways().values().stream().map(ButtonWay::toString)).contains("LC3p/3", "LC4p/2");
        assertThat(path.cost()).isLessThan(1);
    }

    /** Two reeds take half as much again of the air as one: so long a chord is too long where the note alone is not. */
    @Test
    void aChordTakesMoreAir() {
        School school = School.of("smooth");
        double alone =
                ButtonPath.of(line("C5:30"), layout("bc"), school, Map.of()).cost();
        double together =
                ButtonPath.of(line("G4+C5:30"), layout("bc"), school, Map.of()).cost();
        assertThat(together).isGreaterThan(alone + 1);
    }

    /** Notes that the layout has; long ones where the air is to run short. */
    private static String randomLine(Random random, ButtonLayout layout, int length, boolean isLong) {
        List<String> notes = new ArrayList<>();
        while (notes.size() < length) {
            int midi = 60 + random.nextInt(20);
            if (layout.keysOf(new FingeredPitch(midi)).isEmpty()) {
                continue;
            }
            String rest = random.nextInt(6) == 0 ? "r:1 " : "";
            FingeredPitch lower = new FingeredPitch(midi - 3 - random.nextInt(6));
            boolean isDouble = random.nextInt(5) == 0 && !layout.keysOf(lower).isEmpty();
            notes.add(rest + (isDouble ? lower + "+" : "") + new FingeredPitch(midi) + ":"
                    + (isLong ? 6 + random.nextInt(8) : 1 + random.nextInt(2)));
        }
        return String.join(" ", notes);
    }

    @Test
    void theNextBestWayIsNamedWithWhatItCostsMore() {
        List<Struck> line = line(List.of("D4", "E4", "D4"));
        LinePath<ButtonWay> path = ButtonPath.of(line, layout("bc"), School.of("smooth"), Map.of());
        LinePath.RunnerUp<ButtonWay> other = path.runnerUp().orElseThrow();
        assertThat(other.more()).isGreaterThanOrEqualTo(0);
        assertThat(other.different()).isNotEmpty();
    }

    @Test
    void slowMusicForgivesTurns() {
        String melody = "D4:1 E4:1 F♯4:1 G4:1";
        Tempo slow = new Tempo(Fraction.of(50), Fraction.of(1, 2));
        double fast = ButtonPath.of(line(melody), layout("bc"), School.of("smooth"), Map.of())
                .cost();
        double easy = ButtonPath.of(
                        Struck.of(Melody.reel(melody + " |"), slow), layout("bc"), School.of("smooth"), Map.of())
                .cost();
        assertThat(easy).isLessThan(fast);
    }
}
