package wildflourish.core.hand;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.instrument.Family;
import wildflourish.core.music.Key;
import wildflourish.core.music.Mode;
import wildflourish.core.music.Step;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** Which buttons lie under one hand, derived from the layouts by one rule. */
class ButtonSetTest {
    /** What the little finger costs on the note itself, in turns of the bellows. */
    private static final double LITTLE_FINGER = 0.3;

    /** The end of the name of a box with 23 buttons. */
    private static final String LARGER = "-23";

    private static final List<Key> BY_SHARPS = List.of(
            Key.C_MAJOR, Key.of(Step.G, 0, Mode.MAJOR), Key.of(Step.D, 0, Mode.MAJOR), Key.of(Step.A, 0, Mode.MAJOR));

    private static ButtonSounds sounds(String layout, Key key) {
        Family family = layout.startsWith("anglo")
                ? Family.ANGLO
                : layout.startsWith("english") ? Family.ENGLISH : Family.TWO_ROW_BOX;
        boolean hasAll = family != Family.TWO_ROW_BOX || layout.endsWith(LARGER);
        return new ButtonSounds(ButtonLayout.of(layout.replace(LARGER, ""), hasAll), family, key);
    }

    @TestFactory
    Stream<DynamicTest> theBestRollsAreThoseOfTheTable() throws IOException {
        try (InputStream in = ButtonSetTest.class.getResourceAsStream("/expected/box-rolls.table")) {
            return Table.parse("box-rolls.table", new String(in.readAllBytes(), StandardCharsets.UTF_8)).rows().stream()
                    .flatMap(row -> cases(row).stream());
        }
    }

    private static List<DynamicTest> cases(Row row) {
        List<DynamicTest> cases = new ArrayList<>();
        String note = row.text("note");
        boolean hasOctave = Character.isDigit(note.charAt(note.length() - 1));
        String layout = row.text("layout");
        String sharps = row.optional("signatures").orElse("0123");
        for (char digit : sharps.toCharArray()) {
            Key key = BY_SHARPS.get(digit - '0');
            for (int octave = 4; octave <= 6; octave++) {
                WrittenPitch pitch = WrittenPitch.parse(hasOctave ? note : note + octave);
                boolean isAsked = pitch.midi() >= 62
                        && pitch.midi() <= (layout.endsWith(LARGER) ? 86 : 85)
                        && (!hasOctave || octave == 4);
                boolean isInKey = key.alterOf(pitch.step()) == pitch.alter();
                if (isAsked && isInKey) {
                    cases.add(DynamicTest.dynamicTest(
                            layout + " " + pitch + " " + digit + " sharps",
                            () -> assertThat(rolls(layout, pitch, key)).isEqualTo(row.text("rolls"))));
                }
            }
        }
        return cases;
    }

    private static String rolls(String layout, WrittenPitch pitch, Key key) {
        ButtonSounds sounds = sounds(layout, key);
        Map<String, Double> costs = new TreeMap<>();
        Map<String, String> found = new TreeMap<>();
        for (ButtonSounds.Shape shape : sounds.shapes(pitch.midi(), "as-it-lies")) {
            for (ButtonSet set : sounds.sets(pitch.midi(), List.of(shape.upper(), shape.lower()))) {
                String way = set.first().key().bellows().sign();
                double cost = set.cost() + shape.cost() + (set.first().finger() == 4 ? LITTLE_FINGER : 0);
                if (cost < costs.getOrDefault(way, Double.POSITIVE_INFINITY)) {
                    costs.put(way, cost);
                    found.put(way, way + " " + letter(shape.upper(), key) + " " + letter(shape.lower(), key));
                }
            }
        }
        return found.isEmpty()
                ? "-"
                : found.entrySet().stream()
                        .sorted(Map.Entry.<String, String>comparingByKey().reversed())
                        .map(Map.Entry::getValue)
                        .collect(Collectors.joining(" / "));
    }

    private static String letter(int midi, Key key) {
        WrittenPitch pitch = key.spelled(midi);
        return pitch.letter();
    }

    /** Any two or three pitches within an octave that share a direction lie under the hand on two-row boxes. */
    @ParameterizedTest
    @ValueSource(strings = {"bc", "c-sharp-d", "dg"})
    void theLawOfTwoRows(String name) {
        ButtonLayout layout = ButtonLayout.of(name, false);
        ButtonSounds sounds = sounds(name, Key.C_MAJOR);
        for (Button.Bellows bellows : Button.Bellows.values()) {
            List<Integer> pitches = layout.buttons().stream()
                    .map(button -> button.pitch(bellows).midi())
                    .distinct()
                    .toList();
            for (int a : pitches) {
                for (int b : pitches) {
                    for (int c : pitches) {
                        if (a < b && b < c && c - a <= 12) {
                            assertThat(sounds.sets(a, List.of(b, c)).stream()
                                            .anyMatch(set -> set.first().key().bellows() == bellows))
                                    .as(name + " " + bellows + " " + a + " " + b + " " + c)
                                    .isTrue();
                        }
                    }
                }
            }
        }
    }

    /** The English concertina in D, C5 in G: the roll and what can be held with a note, by hand, row and number, and finger. */
    @ParameterizedTest
    @CsvSource({
        "D4, R22/1, +1, L32/2, -1, L11/1",
        "E4, L32/2, +1, R42/3, -1, R22/1",
        "F♯4, R42/3, +1, L22/1, -1, L32/2",
        "G4, L22/1, +1, R23/1, -1, R42/3",
        "A4, R23/1, +1, L33/2, -1, L22/1",
        "B4, L33/2, +1, R43/3, -1, R23/1",
        "C♯5, R43/3, +1, L23/1, -1, L33/2",
        "D5, L23/1, +1, R24/1, -1, R43/3",
        "D4, R22/1, -2, R31/2, -5, ",
        "E4, L32/2, -2, L11/1, -5, R21/1",
        "F♯4, R42/3, -2, R22/1, -5, L31/2",
        "G4, L22/1, -2, L32/2, -7, R21/1",
        "A4, R23/1, -2, R42/3, -5, L11/1",
        "B4, L33/2, -2, L22/1, -5, R22/1",
        "C♯5, R43/3, -2, R23/1, -7, L11/1",
        "D5, L23/1, -2, L33/2, -7, R22/1"
    })
    void onTheEnglishConcertina(String note, String own, int one, String first, int other, String second) {
        ButtonSounds sounds = sounds("english-48", BY_SHARPS.get(2));
        int midi = WrittenPitch.parse(note).midi();
        assertThat(cheapest(sounds, midi, sounds.step(midi, one))).isEqualTo(own + " " + first);
        if (second != null) {
            assertThat(cheapest(sounds, midi, sounds.step(midi, other))).isEqualTo(own + " " + second);
        }
        if (one > 0) {
            assertThat(sounds.sets(midi, List.of(sounds.step(midi, one), sounds.step(midi, other))).stream()
                            .anyMatch(set -> set.cost() == 0))
                    .as("the roll costs nothing")
                    .isTrue();
        }
    }

    /** Notes from D4 to C6 of scales with no more than three sharps that have a key each way that lie under the hand together, so that a treble of the bellows can be made on them. */
    @ParameterizedTest
    @CsvSource({
        "bc, E4 B4 E5 B5",
        "c-sharp-d, C♯5 F♯4 F♯5",
        "dg, D4 F♯4 G4 A4 B4 F♯5 G5 A5 B5",
        "anglo-a, D4 G4 A4 B4 C5 D5 E5 G5 A5 B5 C6",
        "anglo-b, D4 G4 A4 B4 C5 C♯5 D5 E5 G5 B5 C6"
    })
    void notesOfBothWays(String layout, String notes) {
        ButtonSounds sounds = sounds(layout, Key.C_MAJOR);
        List<String> found = new ArrayList<>();
        for (int midi = 62; midi <= 84; midi++) {
            List<ButtonSet.Held> ways = sounds.ways(midi, false);
            boolean isThere = ways.stream()
                    .anyMatch(one -> ways.stream()
                            .anyMatch(other -> ButtonSet.shape(one, other).isPresent()));
            if (isThere && !WrittenPitch.ofMidi(midi).letter().matches("D♯|A♯")) {
                found.add(WrittenPitch.ofMidi(midi).toString());
            }
        }
        assertThat(found).containsExactlyInAnyOrder(notes.split(" "));
    }

    private static String cheapest(ButtonSounds sounds, int midi, int other) {
        return sounds.sets(midi, List.of(other)).stream()
                .filter(set -> !set.held().get(0).isStandIn()
                        && set.first().finger()
                                == set.first().key().button().fingers().get(0))
                .min(Comparator.comparingDouble(ButtonSet::cost))
                .map(set ->
                        set.held().stream().map(held -> held.way().toString()).collect(Collectors.joining(" ")))
                .orElse("-");
    }
}
