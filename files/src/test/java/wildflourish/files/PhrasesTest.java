package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;
import wildflourish.core.tune.Tune;
import wildflourish.core.words.Words;
import wildflourish.files.abc.Transposer;
import wildflourish.files.abc.TuneText;

/** Phrases and families of the demo tunes against what was written down by ear and eye before anything computed them. */
class PhrasesTest {
    static Stream<Row> expected() throws IOException {
        try (var in = PhrasesTest.class.getResourceAsStream("/expected/phrases.table")) {
            return Table.parse("phrases.table", new String(in.readAllBytes(), StandardCharsets.UTF_8)).rows().stream();
        }
    }

    private static Tune tune(String title) {
        return Demo.tunes().stream()
                .filter(each -> each.title().equals(title))
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest
    @MethodSource("expected")
    void phrasesAreNamedAsOneHearsThem(Row row) {
        Phrasing phrasing = Phrasing.of(tune(row.text("tune")));
        assertThat(phrasing.phrases()).extracting(Phrase::name).containsExactlyElementsOf(row.words("phrases"));
        List<String> family = new ArrayList<>();
        for (Phrase phrase : phrasing.phrases()) {
            phrase.like()
                    .filter(like -> like.kind() == Phrase.Kind.SAME_START || like.kind() == Phrase.Kind.ONE_NOTE)
                    .ifPresent(like -> family.add(phrase.name() + "<" + like.earlier()));
        }
        assertThat(family).containsExactlyElementsOf(row.words("family"));
        assertThat(phrasing.barsToLearn()).isEqualTo(row.integer("bars"));
    }

    @ParameterizedTest
    @MethodSource("expected")
    void aTuneStartsOnItsBeat(Row row) {
        Tune tune = tune(row.text("tune"));
        assertThat(Words.place(tune, tune.notes().get(0))).endsWith(row.text("starts"));
    }

    @ParameterizedTest
    @MethodSource("expected")
    void movedAsAWholeTheNamesStay(Row row) {
        Tune tune = tune(row.text("tune"));
        Transposer.transposed(tune.manuscript().text(), 5)
                .map(TuneText::read)
                .ifPresent(moved -> assertThat(Phrasing.of(moved.value()).phrases())
                        .extracting(Phrase::name)
                        .containsExactlyElementsOf(row.words("phrases")));
    }

    private static Phrasing read(String bars) {
        return Phrasing.of(
                TuneText.read("X:1\nT:Try\nR:reel\nM:4/4\nL:1/8\nK:D\n" + bars).value());
    }

    @Test
    void oneNoteChangedKeepsTheFamily() {
        Phrasing phrasing = read("|:d2fd cdBA|F2AF EFDE|d2fd cdBA|F2AF EFGE:|");
        Phrase changed = phrasing.phrases().get(1);
        assertThat(changed.name()).isEqualTo("A2");
        assertThat(changed.like().orElseThrow().kind()).isEqualTo(Phrase.Kind.ONE_NOTE);
        assertThat(phrasing.familyOf(changed))
                .isEqualTo(phrasing.familyOf(phrasing.phrases().get(0)));
        Phrasing first = read("|:d2fd cdBA|F2AF EFDE|e2fd cdBA|F2AF EFDE:|");
        assertThat(first.familyOf(first.phrases().get(1)))
                .isEqualTo(first.familyOf(first.phrases().get(0)));
    }

    @Test
    void aCopyOnAnotherDegreeKeepsTheFamily() {
        Phrasing phrasing = read("|:d2fd cdBA|F2AF EFDE|e2ge deCB|G2BG FGEF:|".replace("CB", "cB"));
        Phrase moved = phrasing.phrases().get(1);
        assertThat(moved.like().orElseThrow()).isEqualTo(new Phrase.Likeness(Phrase.Kind.MOVED, "A1", 1));
        assertThat(phrasing.familyOf(moved))
                .isEqualTo(phrasing.familyOf(phrasing.phrases().get(0)));
    }

    @Test
    void aBarMovedElsewhereBreaksIt() {
        Phrasing phrasing = read("|:d2fd cdBA|F2AF EFDE|F2AF EFDE|d2fd cdBA:|");
        assertThat(phrasing.phrases()).extracting(Phrase::name).containsExactly("A1", "A2");
        assertThat(phrasing.familyOf(phrasing.phrases().get(1)))
                .isNotEqualTo(phrasing.familyOf(phrasing.phrases().get(0)));
    }

    @Test
    void theSameLengthsOnOtherNotesAreToldButAreNoFamily() {
        Phrasing phrasing = read("|:d3f c2BA|F4 E2DE|a3g f2ed|e4 c2AB:|");
        Phrase other = phrasing.phrases().get(1);
        assertThat(other.like().orElseThrow().kind()).isEqualTo(Phrase.Kind.SAME_RHYTHM);
        assertThat(phrasing.familyOf(other))
                .isNotEqualTo(phrasing.familyOf(phrasing.phrases().get(0)));
    }

    @Test
    void anOddBarBelongsToThePhraseBeforeIt() {
        Phrasing phrasing = read("|:d2fd cdBA|F2AF EFDE|a2fa gfed:|");
        assertThat(phrasing.phrases()).extracting(Phrase::lastBar).containsExactly(2);
        assertThat(read("|z8|z8|").barsToLearn()).isEqualTo(1);
    }
}
