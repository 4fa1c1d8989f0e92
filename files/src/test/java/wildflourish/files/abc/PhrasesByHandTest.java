package wildflourish.files.abc;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.tune.Form;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.words.FormWords;

/** Borders and names of phrases decided by hand: they stand in the music, survive edits, and other readers skip them. */
class PhrasesByHandTest {
    private static final String PLAIN = "X:1\nT:Three and Five\nM:2/4\nL:1/8\nK:D\n"
            + "DFAd | fedA | BGEG | FDD2 |\nDFAd | \"G\"{c}(Bd) gf | ~e2 ce | [Fd]4 |]\n";

    private static Tune read(String text) {
        return TuneText.read(text).value();
    }

    private static NoteId inBar(Tune tune, int bar) {
        return tune.bars()
                .get(bar)
                .notes()
                .get(1 % tune.bars().get(bar).notes().size())
                .id();
    }

    private static Tune turned(Tune tune, int bar) {
        return read(new TuneEditor(tune).phraseTurned(inBar(tune, bar)).orElseThrow());
    }

    private static List<Integer> starts(Tune tune) {
        return tune.form().stretches().stream().map(Form.Stretch::firstBar).toList();
    }

    @Test
    void usuallyAPhraseHasTwoBars() {
        assertThat(starts(read(PLAIN))).containsExactly(0, 2, 4, 6);
    }

    @Test
    void aBorderMovesWhereTheTeacherPutsItAndTheCountBeginsAnew() {
        Tune tune = turned(read(PLAIN), 3);
        assertThat(tune.manuscript().text()).contains("| [r:flourish phrase]FDD2 |");
        assertThat(starts(tune)).containsExactly(0, 2, 3, 5);
    }

    @Test
    void theNumberOfAGroupStaysWithItsNotes() {
        Tune tune = turned(read(PLAIN.replace("FDD2", "(3:2:3FED D2")), 3);
        assertThat(tune.manuscript().text()).contains("| [r:flourish phrase](3:2:3FED D2 |");
        assertThat(tune.bars().get(3).notes()).hasSize(4);
    }

    @Test
    void aPhraseGoesOnWhereTheTeacherJoinsIt() {
        Tune tune = turned(read(PLAIN), 2);
        assertThat(tune.manuscript().text()).contains("[r:flourish no phrase]BGEG");
        assertThat(starts(tune)).containsExactly(0, 4, 6);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7})
    void turningTwiceGivesTheTextBack(int bar) {
        Tune once = turned(read(PLAIN), bar);
        assertThat(once.form().beginsPhrase(bar))
                .isNotEqualTo(read(PLAIN).form().beginsPhrase(bar));
        assertThat(turned(once, bar).manuscript().text()).isEqualTo(PLAIN.stripTrailing());
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 3, 5, 6, 7})
    void notesGracesAndSymbolsStayWhatTheyWere(int bar) {
        Tune before = read(PLAIN);
        Tune after = turned(before, bar);
        assertThat(TuneText.read(after.manuscript().text()).problems()).isEmpty();
        assertThat(after.notes()).isEqualTo(before.notes());
    }

    @Test
    void whereAPartBeginsAPhraseDoesToo() {
        Tune tune = read(PLAIN);
        assertThat(new TuneEditor(tune).phraseTurned(inBar(tune, 0))).isEmpty();
    }

    @Test
    void aNameIsKeptAndWhatComesBackTakesIt() {
        Tune tune = read(
                "X:1\nM:2/4\nL:1/8\nK:D\nDFAd fedA|BGEG FDD2|ABde f2ed|cABc d4|DFAd fedA|BGEG FDD2|fgaf gfec|dfec d4|]");
        Tune named =
                read(new TuneEditor(tune).phraseNamed(inBar(tune, 1), "Call").orElseThrow());
        assertThat(named.manuscript().text()).contains("[r:flourish phrase Call]DFAd");
        assertThat(FormWords.plan(Phrasing.of(named))).isEqualTo("Call A2 Call A3");
        Tune plain =
                read(new TuneEditor(named).phraseNamed(inBar(named, 1), " ").orElseThrow());
        assertThat(plain.manuscript().text()).isEqualTo(tune.manuscript().text());
    }

    @Test
    void aNameByHandIsNotGivenTwice() {
        Tune tune = read(PLAIN);
        Tune named = read(new TuneEditor(tune).phraseNamed(inBar(tune, 4), "A1").orElseThrow());
        assertThat(FormWords.plan(Phrasing.of(named))).isEqualTo("A1 A2 A1 A4");
        assertThat(FormWords.of(named)).contains("A1 comes back in part A, changed.");
        Tune later = read(new TuneEditor(tune).phraseNamed(inBar(tune, 0), "A2").orElseThrow());
        assertThat(Phrasing.of(later).phrases().stream().map(Phrase::name)).startsWith("A2", "A3");
    }

    @Test
    void aNameMayHoldNothingThatEndsTheRemark() {
        Tune tune = read(PLAIN);
        Tune named = read(new TuneEditor(tune)
                .phraseNamed(inBar(tune, 4), "the [turn] 50% \n up")
                .orElseThrow());
        assertThat(named.form().stretchAt(4).name()).isEqualTo(Optional.of("the turn 50 up"));
        assertThat(named.notes()).isEqualTo(tune.notes());
    }

    @Test
    void marksStayThroughEditsAndAnotherKey() {
        Tune tune = turned(read(PLAIN), 3);
        NoteId second = tune.notes().get(1).id();
        Tune longer = read(new TuneEditor(tune).insertedSign(second, "|").orElseThrow());
        assertThat(starts(longer)).contains(4);
        String moved = Transposer.transposed(tune.manuscript().text(), 2).orElseThrow();
        assertThat(starts(read(moved))).containsExactly(0, 2, 3, 5);
    }

    @Test
    void linesKeepToPhrasesCutByHand() {
        Tune tune = turned(read(PLAIN), 3);
        assertThat(tune.form().lines().stream().map(Form.Line::firstBar)).containsExactly(0, 5);
    }

    @Test
    void anOrdinaryRemarkSaysNothingOfPhrases() {
        Tune tune = read(PLAIN.replace("BGEG", "[r:phrase to lean on]BGEG"));
        assertThat(tune.bars().get(2).change().phrase()).isEmpty();
    }
}
