package wildflourish.files;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import wildflourish.core.form.Returns;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.files.abc.BookReader;

/** Where a note comes back, by the form of a tune. */
class ReturnsTest {
    private static Tune tune(String body) {
        return BookReader.read("X:1\nT:Returns\nM:4/4\nR:reel\nL:1/8\nK:D\n" + body)
                .value()
                .lessons()
                .get(0)
                .tune();
    }

    private static final Tune TUNE =
            tune("FA|:d2fd cdBA|F2AF EFDE|F2Ad BAFA|B2gf e2FA|d2fd cdBA|F2AF EFDE|FAde fdec|d2dc d2:|\n"
                    + "|:a2fa g2eg|f2df ecAc|defd gfeg|fdec A2fg|a2fa g2eg|f2df ecAc|dBAF EFGE|F2D2 D2:|\n");

    private static NoteId note(int bar, int index) {
        return TUNE.bars().get(bar).notes().get(index).id();
    }

    @Test
    void aNoteComesBackAtTheSamePlaceOfTheSamePhrase() {
        assertThat(Returns.of(TUNE).of(note(1, 1), note(1, 1)))
                .containsExactly(List.of(note(1, 1), note(1, 1)), List.of(note(5, 1), note(5, 1)));
        assertThat(Returns.of(TUNE).of(note(10, 0), note(10, 2)))
                .as("a stretch of three notes")
                .containsExactly(List.of(note(10, 0), note(10, 2)), List.of(note(14, 0), note(14, 2)));
    }

    @Test
    void whatIsOtherwiseThereDoesNotComeBack() {
        List<List<NoteId>> alone = Returns.of(TUNE).of(note(7, 2), note(7, 2));
        assertThat(alone).containsExactly(List.of(note(7, 2), note(7, 2)));
    }

    @Test
    void aStretchOverTheBorderOfTwoPhrasesIsAlone() {
        assertThat(Returns.of(TUNE).of(note(2, 6), note(3, 0))).hasSize(1);
    }

    @Test
    void aPickupComesBackWithItsPhrase() {
        for (List<NoteId> each : Returns.of(TUNE).of(note(0, 0), note(0, 1))) {
            assertThat(TUNE.note(each.get(0)).melody())
                    .isEqualTo(TUNE.note(note(0, 0)).melody());
        }
    }
}
