package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Reason;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.placing.Verdict;

/** Verdicts that players sign, a row each: whether an ornament fits a note, and exactly why not, or at least why. */
class CellsTest {
    private static final Set<Reason> ANYWHERE = Set.of(
            Reason.TIRES_THE_EAR,
            Reason.CROWDED,
            Reason.SECOND_TIME,
            Reason.RESTS_THE_EAR,
            Reason.ANNOUNCES_TURN,
            Reason.ROOM_TO_SPARE,
            Reason.TIGHT);

    @TestFactory
    List<DynamicTest> everyVerdictOnWindsComesOut() throws IOException {
        List<String> rows = new ArrayList<>(rows("cells-winds.tsv"));
        rows.remove(0);
        assertThat(rows).hasSizeGreaterThan(150);
        return rows.stream()
                .map(row -> DynamicTest.dynamicTest(row.split("\t", 2)[0], () -> check(row.split("\t", -1))))
                .toList();
    }

    @TestFactory
    List<DynamicTest> everyVerdictOnTheFiddleComesOut() throws IOException {
        List<String> rows = new ArrayList<>(rows("cells-fiddle.tsv"));
        rows.remove(0);
        assertThat(rows).hasSizeGreaterThan(100);
        return rows.stream()
                .map(row -> DynamicTest.dynamicTest(row.split("\t", 2)[0], () -> checkStrings(row.split("\t", -1))))
                .toList();
    }

    @TestFactory
    List<DynamicTest> everyVerdictOnPluckedStringsComesOut() throws IOException {
        List<String> rows = new ArrayList<>(rows("cells-plucked.tsv"));
        rows.remove(0);
        assertThat(rows).hasSizeGreaterThan(100);
        return rows.stream()
                .map(row -> DynamicTest.dynamicTest(row.split("\t", 2)[0], () -> checkPlucked(row.split("\t", -1))))
                .toList();
    }

    /** A cell of boxes names some of the reasons, or the one refusal that is told. */
    @TestFactory
    List<DynamicTest> everyVerdictOnBoxesComesOut() throws IOException {
        List<String> rows = new ArrayList<>(rows("cells-boxes.tsv"));
        rows.remove(0);
        assertThat(rows).hasSizeGreaterThan(100);
        return rows.stream()
                .map(row -> DynamicTest.dynamicTest(row.split("\t", 2)[0], () -> checkStrings(row.split("\t", -1))))
                .toList();
    }

    /** A cell of plucked strings marks what speaks against it with a minus. */
    private static void checkPlucked(String[] cell) {
        String[] plain = cell.clone();
        plain[14] = String.join(
                ",",
                Arrays.stream(cell[14].split(",", -1))
                        .map(word -> word.replaceFirst("^-", ""))
                        .toList());
        checkStrings(plain);
    }

    /** A cell of strings names some of the reasons that hold. */
    private static void checkStrings(String[] cell) {
        Verdict verdict = asked(cell);
        List<String> why = cell[14].equals("–") ? List.of() : Arrays.asList(cell[14].split(",", -1));
        List<String> refusals = verdict.refusals().stream().map(Refusal::id).toList();
        if (cell[13].equals("no")) {
            assertThat(refusals).containsExactlyInAnyOrderElementsOf(why);
        } else {
            assertThat(refusals).isEmpty();
            assertThat(verdict.reasons().stream().map(Reason::id)).containsAll(why);
        }
    }

    private static List<String> rows(String name) throws IOException {
        try (InputStream in = CellsTest.class.getResourceAsStream("/expected/" + name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList();
        }
    }

    private static Verdict asked(String[] row) {
        String[] cell = row.clone();
        boolean isHeld =
                cell[12].equals("drone") && Instrument.of(cell[1]).buttons().isPresent();
        if (isHeld) {
            cell[2] = cell[11];
            cell[11] = "–";
        }
        return Cell.of(cell[4], cell[5], cell[7], cell[8])
                .on(cell[1], cell[6], cell[11], Integer.parseInt(cell[9]))
                .ask(cell[3], cell[2], Integer.parseInt(cell[9]))
                .about(cell[12], Integer.parseInt(cell[10]));
    }

    private static void check(String[] cell) {
        Verdict verdict = asked(cell);
        List<String> why = cell[14].equals("–") ? List.of() : Arrays.asList(cell[14].split(",", -1));
        List<String> refusals = verdict.refusals().stream().map(Refusal::id).toList();
        if (cell[13].equals("no")) {
            assertThat(refusals).containsExactlyInAnyOrderElementsOf(why);
            return;
        }
        assertThat(refusals).isEmpty();
        List<String> told = verdict.reasons().stream().map(Reason::id).toList();
        assertThat(told).containsAll(why);
        Set<String> more = told.stream()
                .filter(reason -> !why.contains(reason) && !ANYWHERE.contains(Reason.parse(reason)))
                .collect(Collectors.toSet());
        assertThat(more).as("told without holding").isEmpty();
    }
}
