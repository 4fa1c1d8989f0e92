package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;
import wildflourish.files.abc.TuneText;

/** Pages of tunes that are not like ours: bars wider than the paper, quarter-tones. */
class ForeignSheetsTest {
    private static List<Page> pages(Tune tune, String instrument) {
        Version version = Version.plain("plain", Playing.usual(tune, Instrument.of(instrument)));
        return Engraver.engrave(new Score(tune, Optional.of(version), Score.Shows.BENCH), Paper.a4());
    }

    private static List<Drawn> drawn(List<Page> pages, Drawn.Kind kind) {
        return pages.stream()
                .flatMap(page -> page.drawn().stream())
                .filter(each -> each.subject().kind() == kind)
                .toList();
    }

    /** A bar of so many notes that it fills several lines: every note stands on the paper, once, and bar lines only at the end. */
    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "fiddle", "box-bc"})
    void aBarThatIsWiderThanThePaperIsFolded(String instrument) {
        Tune tune = TuneText.read(
                        "X:1\nT:Wide\nM:4/4\nL:1/8\nK:D\n" + "^GABc d2(3efg a2gf- f2ed ".repeat(25) + "|A4 B4|]\n")
                .value();
        List<Page> pages = pages(tune, instrument);
        List<Drawn> heads = drawn(pages, Drawn.Kind.HEAD);
        assertThat(heads).hasSize(tune.notes().size());
        assertThat(heads.stream().map(each -> each.subject().note()).distinct())
                .hasSize(tune.notes().size());
        for (Page page : pages) {
            assertThat(page.drawn()).allSatisfy(each -> {
                assertThat(each.mark().box().right()).isLessThan(page.width());
                assertThat(each.mark().box().left()).isGreaterThanOrEqualTo(0);
            });
        }
        double lines = drawn(pages, Drawn.Kind.CLEF).size();
        assertThat(lines).isGreaterThan(4);
        assertThat(drawn(pages, Drawn.Kind.METRE)).as("the metre stands once").hasSizeLessThanOrEqualTo(2);
        assertThat(drawn(pages, Drawn.Kind.ACCIDENTAL).stream()
                        .map(each -> ((Mark.Glyph) each.mark()).entry().name()))
                .as("what a bar has said of a note of either octave holds on its further lines")
                .containsExactly("accidentalSharp", "accidentalSharp");
    }

    /** Source: ABC standard 2.1 section 4.2 for the text; the signs are those of SMuFL 1.4, Stein-Zimmermann. */
    @Test
    void quarterTonesHaveSignsOfTheirOwn() {
        Tune tune = TuneText.read("X:1\nT:Quarters\nM:4/4\nL:1/8\nK:C\n^/c_/d^3/2e_3/2f ^/cc=c^g|]\n")
                .value();
        List<String> signs = new ArrayList<>();
        drawn(pages(tune, "fiddle"), Drawn.Kind.ACCIDENTAL)
                .forEach(each -> signs.add(((Mark.Glyph) each.mark()).entry().name()));
        assertThat(signs)
                .containsExactly(
                        "accidentalQuarterToneSharpStein",
                        "accidentalQuarterToneFlatStein",
                        "accidentalThreeQuarterTonesSharpStein",
                        "accidentalThreeQuarterTonesFlatZimmermann",
                        "accidentalNatural",
                        "accidentalSharp");
    }
}
