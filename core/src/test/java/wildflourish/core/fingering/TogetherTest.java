package wildflourish.core.fingering;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.Melody;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Strings;
import wildflourish.core.instrument.StrokeOrder;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** Notes that sound together. */
class TogetherTest {
    private static final Tempo REEL = new Tempo(Fraction.of(100), Fraction.of(1, 2));
    private static final Map<String, Integer> INTERVALS =
            Map.of("unison", 0, "m3", 3, "M3", 4, "P4", 5, "P5", 7, "m6", 8, "M6", 9, "8ve", 12);
    private static final Map<String, Integer> SEMITONES =
            Map.of("0", 0, "L1", 1, "1", 2, "L2", 3, "2", 4, "3", 5, "H3", 6, "L4", 6, "4", 7);

    static Stream<Row> doubleStops() throws IOException {
        try (var in = TogetherTest.class.getResourceAsStream("/expected/double-stops.table")) {
            return Table.parse("double-stops.table", new String(in.readAllBytes(), StandardCharsets.UTF_8))
                    .rows()
                    .stream();
        }
    }

    /** A finger on a string of the fiddle and another on the next: what the rule finds there in first position. */
    private record Pair(String melody, String partner) {
        /** Names of the fingers of each hold in first position, by interval in semitones, for a finger on a string with its partner on the next. */
        static Map<Integer, Set<String>> partners(String finger, int string, boolean isAbove) {
            Strings fiddle = Strings.of("fiddle");
            int other = isAbove ? string + 1 : string - 1;
            int melody = fiddle.open().get(string).midi() + SEMITONES.get(finger);
            Map<Integer, Set<String>> partners = new HashMap<>();
            for (int semitones = 0; semitones <= 7; semitones++) {
                int partner = fiddle.open().get(other).midi() + semitones;
                int interval = isAbove ? partner - melody : melody - partner;
                List<FingeredPitch> pitches = partner > melody
                        ? List.of(new FingeredPitch(melody), new FingeredPitch(partner))
                        : List.of(new FingeredPitch(partner), new FingeredPitch(melody));
                for (StringHold hold : Together.of(fiddle, pitches).holds()) {
                    Pair pair = of(hold, string, other);
                    if (hold.position() == 0 && pair.melody.equals(finger)) {
                        partners.computeIfAbsent(interval, each -> new HashSet<>())
                                .add(pair.partner);
                    }
                }
            }
            return partners;
        }

        private static Pair of(StringHold hold, int string, int other) {
            String melody = "";
            String partner = "";
            for (Strings.Place place : hold.places()) {
                melody = place.string() == string ? place.stop().name() : melody;
                partner = place.string() == other ? place.stop().name() : partner;
            }
            return new Pair(melody, partner);
        }
    }

    /** The table from the tuning by rule, on every pair of strings: each stop of it is found, and no consonance is found that it does not name. */
    @ParameterizedTest
    @MethodSource("doubleStops")
    void doubleStopsFollowFromTheTuning(Row row) {
        boolean isAbove = row.text("partner").equals("above");
        for (int string = isAbove ? 0 : 1; string < (isAbove ? 3 : 4); string++) {
            Map<Integer, Set<String>> found = Pair.partners(row.text("finger"), string, isAbove);
            Map<Integer, Set<String>> left = new HashMap<>(found);
            for (String stop : row.words("stops")) {
                String[] halves = stop.split("=", -1);
                int interval = INTERVALS.get(halves[0]);
                assertThat(found).as(row + ": " + stop).containsKey(interval);
                assertThat(found.get(interval)).as(row + ": " + stop).contains(halves[1]);
                left.remove(interval);
            }
            assertThat(left.keySet()).as(row.toString()).doesNotContainAnyElementsOf(INTERVALS.values());
        }
    }

    /** Common practice: low second finger planted across the G and D strings is B♭ and F, a fifth. */
    @Test
    void theLowSecondFingerPlantedAcrossTwoStringsIsAFifth() {
        Strings fiddle = Strings.of("fiddle");
        List<FingeredPitch> fifth = List.of(FingeredPitch.parse("A♯3"), FingeredPitch.parse("F4"));
        assertThat(fifth.get(1).midi() - fifth.get(0).midi()).isEqualTo(7);
        assertThat(Together.of(fiddle, fifth).holds())
                .anyMatch(hold -> hold.position() == 0 && hold.name(fiddle).equals("DL2+GL2"));
    }

    /** Common practice: third finger G on the D string and low second finger C on the A string, a fourth. */
    @Test
    void thirdFingerAndLowSecondReachAFourth() {
        Strings fiddle = Strings.of("fiddle");
        assertThat(names(fiddle, "G4", "C5")).contains("AL2+D3");
    }

    /** Common practice: the fourth finger beside the next open string is a unison. */
    @Test
    void theFourthFingerDoublesTheNextOpenString() {
        assertThat(names(Strings.of("fiddle"), "A4", "A4")).contains("A0+D4", "D4+A0");
    }

    /** Arithmetic: low first finger and fourth on the next string are an octave. */
    @Test
    void theFirstAndFourthFingersReachAnOctave() {
        Strings fiddle = Strings.of("fiddle");
        assertThat(names(fiddle, "D♯4", "D♯5")).contains("AL4+DL1", "AH3+DL1");
        assertThat(names(fiddle, "E4", "E5")).contains("A4+D1");
    }

    private static List<String> names(Strings strings, String... pitches) {
        List<FingeredPitch> all = Stream.of(pitches).map(FingeredPitch::parse).toList();
        return Together.of(strings, all).holds().stream()
                .map(hold -> hold.name(strings))
                .toList();
    }

    @ParameterizedTest
    @CsvSource({
        "fiddle, G♯3 E4, FINGERS",
        "fiddle, G3 G4 D5, TOO_MANY",
        "fiddle, G3 F6, APART",
        "fiddle, F3 A4, SECOND_MISSING",
        "fiddle, G3 G♯3, ONE_STRING",
        "mandolin, G3 A5, APART",
        "banjo-open-g, D4 E4, ONE_STRING"
    })
    void whatCannotSoundTogetherSaysWhy(String strings, String pitches, LinePath.Why why) {
        List<FingeredPitch> all =
                Stream.of(pitches.split(" ", -1)).map(FingeredPitch::parse).toList();
        Together.Holds holds = Together.of(Strings.of(strings), all);
        assertThat(holds.holds()).isEmpty();
        assertThat(holds.why()).contains(why);
    }

    /** Arithmetic: dyads on strings tuned in fifths, the upper fret from the lower l. */
    @ParameterizedTest
    @CsvSource({"7, 0, 0", "4, 0, 3", "3, 0, 4", "2, 0, 5", "0, 0, 7", "0, 1, 8", "0, 2, 9", "0, 5, 12", "5, 6, 8"})
    void dyadsOnPairedStrings(int lower, int upper, int interval) {
        Strings mandolin = Strings.of("mandolin");
        int low = mandolin.open().get(1).midi() + lower;
        assertThat(mandolin.open().get(2).midi() + upper - low).isEqualTo(interval);
        List<FingeredPitch> pitches = List.of(new FingeredPitch(low), new FingeredPitch(low + interval));
        assertThat(Together.of(mandolin, pitches).holds())
                .anyMatch(hold -> hold.name(mandolin).equals("A" + upper + "+D" + lower));
    }

    @Test
    void aLineWithDronesIsFingeredAndARefusedSecondNoteLeavesTheMelody() {
        Strings fiddle = Strings.of("fiddle");
        StringPath.Manner manner = new StringPath.Manner(fiddle, StrokeOrder.of("saw"), School.of("open-strings"));
        List<Struck> line = Struck.of(Melody.reel("D4+B4:2 D4+A4:2 G♯3+E4:2 G4+C5:2 |"), REEL);
        LinePath<StringWay> path = StringPath.of(line, manner, Map.of());
        List<String> names = new ArrayList<>();
        line.forEach(
                struck -> names.add(path.at(struck.note().id()).orElseThrow().name(fiddle)));
        assertThat(names).containsExactly("A1+D0d", "A0+D0u", "D1d", "AL2+D3u");
        assertThat(path.troubles())
                .containsExactly(new LinePath.Trouble(line.get(2).note().id(), LinePath.Why.FINGERS));
    }

    /** Arithmetic: on the B/C box C and E are pressed in the inner row, D and F drawn; E and F go different ways on every button pair but E on the outer row. */
    @ParameterizedTest
    @CsvSource({
        "bc, C4 E4, ''",
        "bc, D4 F4, ''",
        "bc, C4 D4, BELLOWS",
        "bc, B♭4 C5, BELLOWS",
        "dg, F♯4 A4, ''",
        "dg, F4 A4, SECOND_MISSING",
        "english-48, C4 G4, ''",
        "english-48, G3 G6, ''",
        "bc, C4 C6, FINGERS"
    })
    void twoButtonsGoTogetherInOneDirection(String layout, String pitches, String why) {
        ButtonLayout buttons = ButtonLayout.of(layout, true);
        String[] names = pitches.replace("B♭", "A♯").split(" ", -1);
        List<Struck> line = Struck.of(Melody.reel(names[0] + "+" + names[1] + ":2 |"), REEL);
        School school = School.of(layout.startsWith("english") ? "usual" : "smooth");
        LinePath<ButtonWay> path = ButtonPath.of(line, buttons, school, Map.of());
        assertThat(path.troubles().stream().map(trouble -> trouble.why().name()).toList())
                .isEqualTo(why.isEmpty() ? List.of() : List.of(why));
        ButtonWay way = path.at(line.get(0).note().id()).orElseThrow();
        assertThat(way.under()).hasSize(why.isEmpty() ? 1 : 0);
        assertThat(way.each())
                .allMatch(each -> each.goesWith(way.each().get(0))
                        || each.equals(way.each().get(0)));
    }

    /** Common practice: on the English concertina a fifth within a row is one finger's. */
    @Test
    void oneFingerTakesAFifthInARow() {
        List<FingeredPitch> fifth = List.of(FingeredPitch.parse("C4"), FingeredPitch.parse("G4"));
        assertThat(ButtonPath.together(fifth, ButtonLayout.of("english-48", true)))
                .anyMatch(way -> way.finger() == way.under().get(0).finger());
    }

    /** Common practice: the banjo hand has a finger a fret, so frets 2 and 5 are under the first and the fourth, a fret up from the nut. */
    @Test
    void theBanjoHandSpansFourFrets() {
        Strings banjo = Strings.of("banjo-open-g");
        List<FingeredPitch> pitches = List.of(FingeredPitch.parse("E4"), FingeredPitch.parse("C5"));
        assertThat(Together.of(banjo, pitches).holds().stream().map(hold -> hold.name(banjo)))
                .contains("3.5+4.2");
    }
}
