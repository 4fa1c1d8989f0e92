package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.control.TextArea;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Version;
import wildflourish.desktop.look.Pick;
import wildflourish.files.export.ExportForm;
import wildflourish.files.export.Exporter;

/** Books that nobody here wrote, in a real window: plain tunes, and the teacher is offered what can be done with them. */
class ForeignIT extends WindowTest {
    private static final String FOREIGN = """
            X:1
            T:The Reed Cutter's Boat
            R:barndance
            M:4/4
            L:1/8
            K:D
            ~A3B {c}A2 FA|Bd{g}fd !turn!B4|~A3B AFdF|TG2 E2 D4|]

            X:2
            T:Two Sisters
            M:3/4
            L:1/8
            V:A
            V:B
            K:G
            [V:A] d2|B3A G2|A4|]
            [V:B] D2|G3F E2|D4|]

            X:3
            T:The Chanter's Turn
            R:march
            M:2/4
            L:1/8
            K:Hp
            A2 c2|e2 a2|e2 c2|A4|]
            """;

    @Override
    String bookText() {
        return FOREIGN;
    }

    private String file() throws Exception {
        return Files.readString(book);
    }

    @Test
    void itOpensAsItsPlainTunesWithoutStagesAndNothingIsWrittenUnasked() throws Exception {
        assertThat(all("#stage-0")).isEmpty();
        assertThat(isShown("#begin")).isTrue();
        press(KeyCode.CONTROL, KeyCode.S);
        assertThat(file()).isEqualTo(FOREIGN);
        assertThat(isShown("#begin-stair")).isTrue();
        click("#begin-stair");
        assertThat(all("#stage-0")).isNotEmpty();
        assertThat(isShown("#begin")).isFalse();
        press(KeyCode.CONTROL, KeyCode.S);
        assertThat(file()).contains("Leaf");
        does("undo");
        assertThat(all("#stage-0")).isEmpty();
    }

    @Test
    void theTuneIsLookedOverFromTheBench() throws Exception {
        click("#begin #room-look-over");
        assertThat(sight().room()).isEqualTo("look-over");
    }

    @Test
    void ornamentsInItsTextAreOfferedAndTakenWithOneUndo() throws Exception {
        await("the offer is there", () -> window.lookup("#written-offer").isVisible());
        click("#written-offer-see");
        assertThat(find("#written-offer-list", TextArea.class).getText())
                .contains("A4, bar 1, on beat 1: roll sign, a long roll")
                .contains("turn sign, stays in the text. turn: It needs a crotchet");
        click("#written-offer-take");
        Version leaf = sight().version().orElseThrow();
        assertThat(leaf.ornamented()).isEqualTo(5);
        assertThat(said()).isEqualTo("5 ornaments of the text placed in Leaf; 1 stays in the text");
        String text = sight().tune().orElseThrow().manuscript().text();
        assertThat(text).contains("A3B A2 FA|Bdfd !turn!B4|A3B AFdF|G2 E2 D4|]");
        does("undo");
        assertThat(sight().tune().orElseThrow().manuscript().text()).contains("~A3B {c}A2");
        assertThat(sight().isBegun()).isFalse();
    }

    @Test
    void whatIsNotWantedNowStaysInTheText() throws Exception {
        await("the offer is there", () -> window.lookup("#written-offer").isVisible());
        click("#written-offer-leave");
        assertThat(isShown("#written-offer")).isFalse();
        assertThat(sight().filed().isSaved()).isTrue();
    }

    @Test
    void anotherVoiceIsChosenAndTheTextOfAllStays() throws Exception {
        does("next-tune");
        assertThat(isShown("#voices")).isTrue();
        Pick voices = find("#voices", Pick.class);
        assertThat(voices.words()).containsExactly("voice A", "voice B");
        inWindow(() -> {
            voices.choose(1);
            return true;
        });
        assertThat(sight().tune().orElseThrow().notes().get(0).melody().toString())
                .isEqualTo("D4");
        assertThat(sight().tune().orElseThrow().manuscript().text())
                .contains("%%flourish-voice B\nK:G")
                .contains("[V:A] d2|B3A G2|A4|]");
        does("begin-stair");
        does("next-voice");
        assertThat(said()).startsWith("A stair stands on this voice");
        assertThat(inWindow(voices::chosen)).isEqualTo(1);
        does("undo");
        does("next-voice");
        assertThat(sight().tune().orElseThrow().notes().get(0).melody().toString())
                .isEqualTo("D5");
        assertThat(sight().tune().orElseThrow().manuscript().text()).doesNotContain("%%flourish-voice");
    }

    @Test
    void forTheKeyOfPipesPipesAreOffered() throws Exception {
        assertThat(all("#on-pipes")).isEmpty();
        does("next-tune");
        does("next-tune");
        click("#on-pipes");
        assertThat(sight().instrument().id()).isEqualTo("mouth-blown-pipes");
        assertThat(all("#on-pipes")).isEmpty();
    }

    @Test
    void aStairOfAnotherInstrumentIsCarriedOverAfterItIsShown() throws Exception {
        press(KeyCode.ENTER);
        does("instrument-flute-d");
        click("#carry-whistle-d");
        await("what becomes of it is shown", () -> window.lookup("#carry-offer").isVisible());
        click("#carry-offer-see");
        assertThat(find("#carry-offer-list", TextArea.class).getText()).startsWith("Leaf, A4, bar 1, on beat 1: ");
        assertThat(sight().isBegun()).isFalse();
        click("#carry-offer-take");
        assertThat(sight().isBegun()).isTrue();
        assertThat(sight().version().orElseThrow().ornamented()).isEqualTo(1);
        does("undo");
        assertThat(sight().isBegun()).isFalse();
    }

    @Test
    void whatIsGuessedOfAMidiFileIsPutRightInTheWindow() throws Exception {
        Path midi = book.resolveSibling("kitchen.mid");
        Lesson lesson = sight().lesson().orElseThrow();
        Files.write(
                midi,
                new Exporter(sight().chosen().profile(), wildflourish.core.engraving.Paper.a4())
                        .export(
                                new Exporter.Take(
                                        lesson.tune(), sight().version().orElseThrow()),
                                ExportForm.MIDI));
        when(picker.toOpen()).thenReturn(Optional.of(midi));
        press(KeyCode.CONTROL, KeyCode.O);
        await("the import is told", () -> window.lookup("#notice-imported") != null);
        assertThat(sight().filed().isSaved()).isFalse();
        Pick metre = find("#import-metre", Pick.class);
        assertThat(metre.word()).isEqualTo("4/4");
        inWindow(() -> {
            metre.choose(metre.words().indexOf("2/4"));
            return true;
        });
        assertThat(sight().tune().orElseThrow().metreAt(0).toString()).isEqualTo("2/4");
        Pick key = find("#import-key", Pick.class);
        inWindow(() -> {
            key.choose(key.words().indexOf("G"));
            return true;
        });
        assertThat(sight().tune().orElseThrow().header().key().name()).isEqualTo("G major");
        assertThat(sight().tune().orElseThrow().metreAt(0).toString()).isEqualTo("2/4");
        Pick type = find("#import-type", Pick.class);
        inWindow(() -> {
            type.choose(type.words().indexOf("march"));
            return true;
        });
        assertThat(sight().tune().orElseThrow().header().type().name()).isEqualTo("march");
        press(KeyCode.CONTROL, KeyCode.S);
        await("it is saved", () -> desk.sight().get().filed().isSaved());
        assertThat(window.lookup("#notice-imported")).isNull();
        assertThat(Files.readString(book.resolveSibling("kitchen.abc")))
                .contains("M:2/4")
                .contains("K:G");
    }
}
