package wildflourish.desktop.view;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Stack;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Span;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.files.abc.TuneText;

/** Of a note that is dressed with a second string only what comes to it counts as new, wherever its system has gone. */
class NewHeadsTest {
    private static final Tune TUNE = TuneText.read("X:1\nT:Made up\nR:reel\nM:4/4\nL:1/8\nK:D\n|:A2 B2 d2 e2|A4 D4:|\n")
            .value();

    private static Page page(Version version) {
        Score score = new Score(TUNE, Optional.of(version), Score.Shows.BENCH);
        return Engraver.engrave(score, Paper.endless(100)).get(0);
    }

    private static Set<Drawn> fresh(int note, String ornament) {
        Version plain = Version.plain("Leaf", Playing.usual(TUNE, Instrument.of("fiddle")));
        Note at = TUNE.notes().get(note);
        Placement placement = Placement.of(Stack.parse(ornament, Family.FIDDLE), Span.of(at.id()));
        Page dressed = page(plain.with(TUNE, Spot.of(placement)));
        return new NewHeads(page(plain), dressed).of(Set.of(at.id()));
    }

    @ParameterizedTest
    @CsvSource({"0, drone-below", "1, drone-above", "2, drone-below"})
    void theSecondStringIsNew(int note, String ornament) {
        assertThat(fresh(note, ornament))
                .filteredOn(each -> each.subject().kind() == Drawn.Kind.HEAD)
                .singleElement()
                .satisfies(head -> assertThat(head.subject().note())
                        .contains(TUNE.notes().get(note).id()));
    }

    @Test
    void aSmallNoteBringsNoHead() {
        assertThat(fresh(0, "cut")).isEmpty();
    }
}
