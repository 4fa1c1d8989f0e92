package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import wildflourish.core.engraving.Paper;

/** Printing from the window, on a stand-in for a printer. */
class PrintingIT extends WindowTest {
    @Test
    void printingWithoutAPrinterSaysWhatToDo() throws Exception {
        press(KeyCode.CONTROL, KeyCode.P);
        assertThat(said()).contains("No printer").contains("PDF");
    }

    @Test
    void whatIsPrintedIsTheChosenStageForThePrintersPaper() throws Exception {
        Path tray = own.resolve("tray");
        job = new PretendPrinter(tray).job(window.getScene().getWindow());
        press(KeyCode.ENTER);
        press(KeyCode.CONTROL, KeyCode.P);
        assertThat(said()).isEqualTo("Sent to the printer: 1 page");
        press(KeyCode.H);
        press(KeyCode.CONTROL, KeyCode.P);
        try (PDDocument tune = Loader.loadPDF(tray.resolve("1.pdf").toFile());
                PDDocument chart = Loader.loadPDF(tray.resolve("2.pdf").toFile())) {
            assertThat(new PDFTextStripper().getText(tune))
                    .contains(sight().tune().orElseThrow().title());
            assertThat(new PDFTextStripper().getText(chart))
                    .contains(sight().chosen().instrument().name());
            assertThat(tune.getPage(0).getMediaBox().getWidth())
                    .as("A4 by ISO 216, 210 mm in points")
                    .isCloseTo(595.3f, within(1f));
        }
    }

    @Test
    void aPrinterThatRefusesSaysWhyAndNothingIsPrintedUnlessWanted() throws Exception {
        PaperPrinter.Job refusing = mock(PaperPrinter.Job.class);
        job = Optional.of(refusing);
        when(refusing.paper()).thenReturn(Paper.a4());
        press(KeyCode.CONTROL, KeyCode.P);
        verify(refusing, never()).print(any());
        assertThat(said()).isEqualTo("Nothing was printed");
        when(refusing.isWanted()).thenReturn(true);
        doThrow(new IOException("it is out of paper")).when(refusing).print(any());
        press(KeyCode.CONTROL, KeyCode.P);
        assertThat(said()).contains("out of paper").contains("PDF");
    }
}
