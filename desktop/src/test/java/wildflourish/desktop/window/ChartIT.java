package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.when;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.canvas.Canvas;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.PickResult;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import wildflourish.core.engraving.Box;
import wildflourish.core.engraving.NoteZone;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.view.ChartView;
import wildflourish.desktop.view.ScoreView;

/** The room with the chart of the instrument and the tune under it. */
class ChartIT extends WindowTest {
    private static final FingeredPitch A = FingeredPitch.parse("A4");

    private ChartView chart;
    private ScoreView tune;

    @BeforeEach
    void goThere() throws Exception {
        press(KeyCode.H);
        chart = find("#chart", ChartView.class);
        tune = find("#tune-under-chart", ScoreView.class);
        layOut();
        await(
                "the chart is laid out",
                () -> chart.page().isPresent() && tune.page().isPresent());
    }

    private void layOut() throws Exception {
        inWindow(() -> {
            window.applyCss();
            window.layout();
            return true;
        });
    }

    private List<Note> alike() throws Exception {
        return sight().tune().orElseThrow().notes().stream()
                .filter(note -> note.pitches().stream()
                        .anyMatch(pitch -> pitch.toString().equals("A4")))
                .toList();
    }

    private void mouse(Node node, javafx.event.EventType<MouseEvent> type, double x, double y) throws Exception {
        inWindow(() -> {
            Point2D at = node.localToScene(x, y);
            PickResult picked = new PickResult(node, at.getX(), at.getY());
            node.fireEvent(new MouseEvent(
                    type,
                    at.getX(),
                    at.getY(),
                    0,
                    0,
                    MouseButton.PRIMARY,
                    1,
                    false,
                    false,
                    false,
                    false,
                    true,
                    false,
                    false,
                    true,
                    false,
                    false,
                    picked));
            return true;
        });
    }

    private void strike(FingeredPitch pitch) throws Exception {
        Box box = inWindow(() -> chart.place(pitch)).orElseThrow();
        Node canvas = inWindow(() -> chart.lookup("#chart-notes") instanceof Canvas found ? found : null);
        mouse(canvas, MouseEvent.MOUSE_PRESSED, (box.left() + box.right()) / 2, (box.top() + box.bottom()) / 2);
    }

    @Test
    void aNoteThatIsStruckIsHeardAndLitWhereverItComes() throws Exception {
        strike(A);
        await("it is heard", () -> player.heard().isPresent());
        assertThat(inWindow(() -> player.heard()
                        .orElseThrow()
                        .realisation()
                        .moments()
                        .get(0)
                        .sounding()
                        .orElseThrow()
                        .voices()
                        .get(0)
                        .written()))
                .contains(alike().get(0).melody());
        assertThat(inWindow(() -> tune.lit())).as("it is no note of the tune").isEmpty();
        assertThat(inWindow(() -> tune.litTogether())).isEqualTo(alike().size());
        assertThat(inWindow(() -> chart.lit())).contains(A);
        assertThat(said()).isEqualTo("A4: " + alike().size() + " times in this tune");
    }

    @Test
    void theNoteUnderThePointerIsLitOnTheChart() throws Exception {
        NoteZone zone = tune.page().orElseThrow().zoneOf(alike().get(0).id()).orElseThrow();
        double pixels = inWindow(() -> tune.pixelsPerSpace());
        Node strips = inWindow(() ->
                ((javafx.scene.layout.Pane) tune.getContent()).getChildren().get(0));
        double x = (zone.column().left() + zone.column().right()) / 2 * pixels;
        double y = (zone.column().top() + zone.column().bottom()) / 2 * pixels;
        mouse(strips, MouseEvent.MOUSE_MOVED, x, y);
        assertThat(inWindow(() -> chart.lit())).contains(A);
        mouse(strips, MouseEvent.MOUSE_EXITED, -1, -1);
        Note chosen = sight().tune().orElseThrow().note(sight().note().orElseThrow());
        FingeredPitch own = sight().instrument().reading().fingered(chosen.melody());
        assertThat(inWindow(() -> chart.lit())).as("the chosen note again").contains(own);
    }

    /** Each choice of notes shows exactly those: of the tune all that it has and none beside. */
    @Test
    void theNotesOfTheTuneOfAPhraseAndOfTheStageAreShown() throws Exception {
        long all = names();
        choose("chart-tune");
        long ofTune = names();
        assertThat(ofTune)
                .isLessThan(all)
                .isEqualTo(sight().tune().orElseThrow().notes().stream()
                        .filter(note -> !note.isRest())
                        .flatMap(note -> note.pitches().stream())
                        .map(pitch -> pitch.midi())
                        .distinct()
                        .count());
        choose("chart-phrase");
        assertThat(names()).isLessThanOrEqualTo(ofTune);
        choose("chart-stage");
        assertThat(names()).isGreaterThanOrEqualTo(ofTune);
        choose("chart-all");
        assertThat(names()).isEqualTo(all);
    }

    private void choose(String id) throws Exception {
        ToggleButton segment = find("#" + id, ToggleButton.class);
        Optional<?> before = inWindow(() -> chart.page());
        inWindow(() -> {
            segment.fire();
            return true;
        });
        await("another chart", () -> !chart.page().equals(before));
        assertThat(inWindow(segment::isSelected)).isTrue();
    }

    /** Names of notes on the chart of a wind instrument: that of the large picture has its breath with it. */
    private long names() throws Exception {
        return inWindow(() -> chart.page().orElseThrow().drawn().stream()
                .filter(each -> each.mark() instanceof wildflourish.core.engraving.Mark.Words words
                        && words.text().matches("[A-G][♯♭]?\\d"))
                .count());
    }

    @Test
    void theChartIsTakenAwayInEveryForm() throws Exception {
        for (String id : List.of("take-chart", "take-chart-wall", "take-chart-svg", "take-chart-png")) {
            String form = id.endsWith("svg") ? "svg" : id.endsWith("png") ? "png" : "pdf";
            Path file = book.resolveSibling(id + "." + form);
            when(picker.toSave(anyString(), anyString())).thenReturn(Optional.of(file));
            inWindow(() -> {
                window.actions().of(id).run();
                return true;
            });
            byte[] bytes = Files.readAllBytes(file);
            String begin = new String(bytes, 0, 8, StandardCharsets.ISO_8859_1);
            assertThat(begin).contains(form.equals("svg") ? "<?xml" : form.toUpperCase(Locale.ROOT));
        }
    }

    @Test
    void theChosenNoteIsShownLargeAndFollowsTheInstrument() throws Exception {
        NoteId first = alike().get(0).id();
        inWindow(() -> {
            desk.does(here -> Choosing.instrument(here, Instrument.of("fiddle")));
            desk.does(here -> Choosing.note(here, first));
            return true;
        });
        await("the fiddle", () -> String.valueOf(chart.getAccessibleText()).contains("fiddle"));
        await(
                "what it bears",
                () -> chart.page().orElseThrow().drawn().stream()
                        .anyMatch(each -> each.mark() instanceof wildflourish.core.engraving.Mark.Words words
                                && words.text().equals("What A4 bears")));
        assertThat(inWindow(() -> chart.lit())).contains(A);
    }
}
