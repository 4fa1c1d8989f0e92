package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.util.List;
import javafx.scene.control.CheckBox;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.core.engraving.Mark;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Layer;
import wildflourish.desktop.desk.Placing;
import wildflourish.desktop.look.Pick;
import wildflourish.desktop.view.ChartView;
import wildflourish.desktop.view.CloseUpView;
import wildflourish.files.abc.BookReader;

/** Boxes and concertinas decorated, in a real window: from the card to the file, the left hand, the reeds, the Close-up, the chart. */
class ButtonsIT extends WindowTest {
    private void place(String ornament) throws Exception {
        inWindow(() -> {
            WhatFits.at(
                            desk.here().scene().orElseThrow(),
                            desk.sight().get().note().orElseThrow())
                    .fitting()
                    .stream()
                    .filter(fit -> fit.facts().ornament().id().equals(ornament))
                    .findFirst()
                    .ifPresent(fit -> desk.does(here -> Placing.place(here, fit.placement())));
            return true;
        });
    }

    @Test
    void aRollIsSeenInTheCloseUpAndKeptInTheFile() throws Exception {
        lesson(1, "box-bc");
        at(sight().tune().orElseThrow().notes().get(7).id());
        place("short-roll");
        assertThat(here()).contains("short-roll");
        press(KeyCode.C);
        CloseUpView closeUp = find("#close-up", CloseUpView.class);
        assertThat(closeUp.getAccessibleText()).startsWith("Close-up: short roll on ");
        press(KeyCode.C);
        press(KeyCode.CONTROL, KeyCode.S);
        assertThat(Files.readString(book)).contains("option=short-roll");
        assertThat(BookReader.read(Files.readString(book)).value()).isEqualTo(sight().book());
    }

    @Test
    void theChartTellsWhatTheChosenNoteBears() throws Exception {
        lesson(1, "english-48");
        NoteId note = sight().tune().orElseThrow().notes().get(3).id();
        at(note);
        String name = sight().tune().orElseThrow().note(note).melody().toString();
        press(KeyCode.H);
        ChartView chart = find("#chart", ChartView.class);
        inWindow(() -> {
            window.applyCss();
            window.layout();
            return true;
        });
        await("the chart is laid out", () -> chart.page().isPresent());
        assertThat(words(chart)).anyMatch(text -> text.startsWith("What " + name + " bears in "));
        assertThat(words(chart)).contains("cut", "long roll", "trill", "octave");
    }

    private List<String> words(ChartView chart) throws Exception {
        return inWindow(() -> chart.page().orElseThrow().drawn().stream()
                .map(each -> each.mark())
                .filter(mark -> mark instanceof Mark.Words)
                .map(mark -> ((Mark.Words) mark).text())
                .toList());
    }

    @Test
    void theLeftHandIsOfTheTeachersOwnBox() throws Exception {
        lesson(1, "box-dg");
        at(sight().tune().orElseThrow().notes().get(3).id());
        openRules();
        assertThat(isShown("#basses")).isFalse();
        inWindow(() -> {
            find("#layer-bass", CheckBox.class).fire();
            return true;
        });
        inWindow(() -> true);
        TextField basses = find("#basses", TextField.class);
        assertThat(basses.getText()).isEqualTo("D/A,G/D,B/E,C/C");
        inWindow(() -> {
            basses.setText("D/A, H/Z");
            basses.fireEvent(new javafx.event.ActionEvent());
            return true;
        });
        assertThat(said()).contains("“H/Z” is no pair of basses").contains("D/A,G/D");
        assertThat(layer().option()).isEmpty();
        inWindow(() -> {
            basses.setText("D/A, G/D, A/A");
            basses.fireEvent(new javafx.event.ActionEvent());
            return true;
        });
        assertThat(layer().option()).isEqualTo("D/A,G/D,A/A");
        press(KeyCode.CONTROL, KeyCode.S);
        assertThat(BookReader.read(Files.readString(book)).value()).isEqualTo(sight().book());
    }

    private Layer layer() throws Exception {
        return sight().version().orElseThrow().layers().get(0);
    }

    @Test
    void reedsAreTunedOnBoxesAlone() throws Exception {
        lesson(1, "box-bc");
        Pick reeds = find("#reeds", Pick.class);
        assertThat(reeds.getScene()).isNotNull();
        assertThat(reeds.word()).isEqualTo("dry reeds");
        lesson(1, "english-48");
        assertThat(reeds.getScene()).isNull();
    }
}
