package wildflourish.core.hand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import wildflourish.core.music.FingeredPitch;

/** Every succession of two notes of the nine-note chanter, and from nothing: exactly these movements are legal (common practice among pipers, H). */
class ChanterTest {
    private static final String NOTES = "GABcdefga";
    private static final Map<Character, String> MOVEMENTS = Map.ofEntries(
            Map.entry('g', "g-grace"),
            Map.entry('d', "d-grace"),
            Map.entry('e', "e-grace"),
            Map.entry('t', "thumb-grace"),
            Map.entry('k', "strike"),
            Map.entry('r', "grace-and-strike"),
            Map.entry('o', "doubling"),
            Map.entry('w', "d-throw"),
            Map.entry('p', "grip"),
            Map.entry('l', "taorluath"),
            Map.entry('c', "crunluath"),
            Map.entry('b', "birl"));

    /** Rows: the note before; columns: the note, G to a. Letters as above, first schools. */
    private static final String LEGAL = """
            none gdetol gdetkroplb gdetkropl gdetkropl getkrowpl gtkropc gtkrop tkrop kop
            G gdetol gdetroplb gdetropl gdetropl getrowpl gtropc gtrop trop op
            A gdetol gdetkroplb gdetkropl gdetkropl getkrowpl gtropc gtrop trop op
            B gdetol gdetkroplb gdetkropl gdetkropl getkrowpl gtkropc gtrop trop op
            c gdetol gdetkroplb gdetkropl gdetkropl getkrowpl gtkropc gtrop trop op
            d getol getkroplb getkropl getkropl getkrowpl gtkropc gtrop trop op
            e gtol gtkroplb gtkropl gtkropl gtkrowpl gtkropc gtrop trop op
            f gtol gtkroplb gtkropl gtkropl gtkrowpl gtkropc gtkrop trop op
            g tol tkroplb tkropl tkropl tkrowpl tkropc tkrop tkrp op
            a ol kroplb kropl kropl krowpl kropc krop krp kp
            """;

    @Test
    void exactlyTheGracingsOfTheRulesAreLegal() {
        int successions = 0;
        for (String line : LEGAL.lines().toList()) {
            String[] words = line.trim().split(" ", -1);
            Optional<FingeredPitch> before =
                    words[0].equals("none") ? Optional.empty() : Optional.of(ChanterForms.pitch(words[0]));
            for (int i = 0; i < NOTES.length(); i++) {
                FingeredPitch onto = ChanterForms.pitch(NOTES.substring(i, i + 1));
                String legal = words[i + 1];
                for (Map.Entry<Character, String> movement : MOVEMENTS.entrySet()) {
                    ChanterForms.Found found = ChanterForms.of(movement.getValue(), "", onto, before);
                    assertThat(found.refusal().isEmpty())
                            .as(movement.getValue() + " from " + words[0] + " onto " + NOTES.charAt(i) + " "
                                    + found.small())
                            .isEqualTo(legal.indexOf(movement.getKey()) >= 0);
                }
                successions++;
            }
        }
        assertThat(successions).isEqualTo(90);
    }

    /** What parts two equal notes: at least one movement for each of the nine. */
    @Test
    void everyTwoEqualNotesCanBeParted() {
        for (int i = 0; i < NOTES.length(); i++) {
            FingeredPitch note = ChanterForms.pitch(NOTES.substring(i, i + 1));
            long parts = MOVEMENTS.values().stream()
                    .filter(each -> ChanterForms.of(each, "", note, Optional.of(note))
                            .refusal()
                            .isEmpty())
                    .count();
            assertThat(parts).isPositive();
        }
    }

    /** The law over the table: no two like sounds side by side in any school, from any note onto any other. */
    @Test
    void noTwoLikeSoundsStandSideBySide() {
        for (String school : List.of("", "half", "heavy", "light", "grace-birl", "full", "plain")) {
            for (int from = 0; from < 9; from++) {
                for (int onto = 0; onto < 9; onto++) {
                    FingeredPitch before = ChanterForms.pitch(NOTES.substring(from, from + 1));
                    FingeredPitch note = ChanterForms.pitch(NOTES.substring(onto, onto + 1));
                    for (String movement : MOVEMENTS.values()) {
                        List<FingeredPitch> small = ChanterForms.of(movement, school, note, Optional.of(before))
                                .small();
                        FingeredPitch last = before;
                        for (FingeredPitch each : small) {
                            assertThat(each).isNotEqualTo(last);
                            last = each;
                        }
                        if (!small.isEmpty()) {
                            assertThat(last).isNotEqualTo(note);
                        }
                    }
                }
            }
        }
    }

    /** Strings of small notes as pipers write them (H). */
    @Test
    void theMovementsAreSpelledAsPipersDo() {
        assertThat(spelled("taorluath", "", "A", "G")).isEqualTo("dGe");
        assertThat(spelled("taorluath", "", "A", "c")).isEqualTo("GdGe");
        assertThat(spelled("taorluath", "", "A", "d")).isEqualTo("GBGe");
        assertThat(spelled("birl", "", "A", "A")).isEqualTo("GAG");
        assertThat(spelled("birl", "grace-birl", "A", "g")).isEqualTo("aAGAG");
        assertThat(spelled("doubling", "", "c", "g")).isEqualTo("acd");
        assertThat(spelled("doubling", "half", "c", "e")).isEqualTo("cd");
        assertThat(spelled("d-throw", "heavy", "d", "e")).isEqualTo("GdGc");
        assertThat(spelled("strike", "light", "d", "e")).isEqualTo("c");
        assertThat(spelled("grace-and-strike", "light", "d", "e")).isEqualTo("gdc");
        assertThat(spelled("crunluath", "", "e", "A")).isEqualTo("GdGeAfA");
    }

    private static String spelled(String movement, String school, String onto, String before) {
        StringBuilder text = new StringBuilder();
        for (FingeredPitch pitch : ChanterForms.of(
                        movement, school, ChanterForms.pitch(onto), Optional.of(ChanterForms.pitch(before)))
                .small()) {
            text.append(NOTES.charAt(ChanterForms.numberOf(pitch)));
        }
        return text.toString();
    }
}
