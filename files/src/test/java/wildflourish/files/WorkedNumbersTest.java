package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Profile;
import wildflourish.core.ornament.Stack;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.Verdict;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;
import wildflourish.core.tune.Note;
import wildflourish.core.version.Layer;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** Clean-up-to tempos against numbers worked by hand; and what is realised is clean just below them and not just above. */
class WorkedNumbersTest {
    @TestFactory
    List<DynamicTest> theExactLimitRoundsToTheWorkedNumber() throws IOException {
        List<Row> rows = rows("worked-winds.table");
        assertThat(rows).hasSizeGreaterThan(70);
        rows.addAll(rows("worked-fiddle.table"));
        rows.addAll(rows("worked-plucked.table"));
        rows.addAll(rows("worked-boxes.table"));
        assertThat(rows).hasSizeGreaterThan(200);
        return rows.stream()
                .map(row -> DynamicTest.dynamicTest(row.toString(), () -> check(row)))
                .toList();
    }

    private static List<Row> rows(String name) throws IOException {
        try (InputStream in = WorkedNumbersTest.class.getResourceAsStream("/expected/" + name)) {
            return new ArrayList<>(Table.parse(name, new String(in.readAllBytes(), StandardCharsets.UTF_8))
                    .rows());
        }
    }

    private static Verdict ask(Row row, String tempo) {
        return Cell.of(row.text("type"), row.text("metre"), row.text("key"), row.text("melody"))
                .on(row.text("instrument"), tempo, row.optional("hold").orElse("–"), row.integer("note"))
                .ask(row.text("student"), row.optional("school").orElse("–"), row.integer("note"))
                .about(row.text("ornament"), row.integer("notes"));
    }

    private static void check(Row row) {
        Verdict verdict = ask(row, "60");
        Fraction clean = verdict.cleanUpTo().orElseThrow().beatsPerMinute();
        double wanted = row.read("clean", Double::valueOf);
        boolean isDown = row.text("instrument").matches("(box|anglo|english).*");
        double tenths = isDown ? Math.floor(clean.toDouble() * 10 + 1e-9) : Math.round(clean.toDouble() * 10);
        assertThat(tenths / 10).isCloseTo(wanted, within(1e-9));
        row.optional("needs")
                .ifPresent(needs -> assertThat(verdict.needMillis()).isEqualTo(Fraction.parse(needs)));
        Fraction step = Fraction.of(1, 100);
        assertThat(isClean(row, clean.minus(step))).as("just below").isTrue();
        assertThat(isClean(row, clean.plus(step))).as("just above").isFalse();
    }

    /** The shortest moment of a tune with a layer over the whole of it, in milliseconds. */
    private static Fraction shortest(Row row, Fraction tempo) {
        Cell cell = Cell.of(row.text("type"), row.text("metre"), row.text("key"), row.text("melody"))
                .on(row.text("instrument"), tempo.toString(), "–", row.integer("note"));
        List<Note> notes = cell.tune().notes();
        Span whole = new Span(notes.get(0).id(), notes.get(notes.size() - 1).id());
        Layer layer = Layer.parse(row.text("ornament") + "@" + row.text("school"), whole, Passes.EVERY);
        return Realiser.realise(cell.tune(), cell.version().withLayers(List.of(layer)), Profile.usual())
                .moments()
                .stream()
                .map(moment -> moment.endMillis().minus(moment.startMillis()))
                .min(Fraction::compareTo)
                .orElseThrow();
    }

    /** Asks the moments alone, by a checker that knows nothing of figures. */
    private static boolean isClean(Row row, Fraction tempo) {
        Verdict verdict = ask(row, tempo.toString());
        assertThat(verdict.fits())
                .as("what the verdict says at " + tempo.toDouble() + " " + verdict.refusals())
                .isEqualTo(!tempo.isMoreThan(verdict.cleanUpTo().orElseThrow().beatsPerMinute()));
        if (verdict.fit().isEmpty()) {
            return !shortest(row, tempo).isLessThan(Fraction.parse(row.text("needs")));
        }
        Fit fit = verdict.fit().orElseThrow();
        var facts = fit.facts();
        Placement placement = Placement.of(facts.situation().playing().schooled(facts.stack()), facts.span());
        Version version = facts.situation().version().with(facts.situation().tune(), Spot.of(placement));
        Profile profile = facts.situation().scene().profile();
        Realisation realisation = Realiser.realise(facts.situation().tune(), version, profile);
        if (facts.situation().instrument().family().isPlucked()) {
            int sounded = facts.situation()
                    .instrument()
                    .sounding(facts.situation().note().melody())
                    .midi();
            return PluckMomentChecker.faults(realisation, profile, sounded).isEmpty();
        }
        if (facts.situation().instrument().buttons().isPresent()) {
            return ButtonMomentChecker.faults(realisation, profile).isEmpty();
        }
        if (!facts.situation().instrument().family().isWind()) {
            return BowMomentChecker.faults(realisation, profile).isEmpty();
        }
        return MomentChecker.faults(realisation, new Stack(placement.stack().choices()), profile)
                .isEmpty();
    }
}
