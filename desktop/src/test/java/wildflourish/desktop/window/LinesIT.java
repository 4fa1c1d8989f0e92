package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import javafx.event.ActionEvent;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.text.Text;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Mark;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.instrument.Instrument;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Pick;
import wildflourish.desktop.view.ChartView;

/** Strings and buttons in the window. */
class LinesIT extends WindowTest {
    private void choose(String instrument) throws Exception {
        inWindow(() -> {
            desk.does(here -> Choosing.instrument(here, Instrument.of(instrument)));
            return true;
        });
    }

    /** The fingers, frets or buttons under the notes with their heights, in the order in which they are drawn. */
    private List<String> labels() throws Exception {
        return inWindow(() -> window.bench().score().page().orElseThrow().drawn().stream()
                .filter(each -> each.subject().kind() == Drawn.Kind.FINGERING)
                .map(Drawn::mark)
                .filter(Mark.Words.class::isInstance)
                .map(mark -> ((Mark.Words) mark).text() + " at "
                        + Math.round(mark.box().top() * 10))
                .toList());
    }

    @ParameterizedTest
    @ValueSource(strings = {"fiddle", "mandolin", "tenor-banjo", "banjo-open-g", "box-bc", "anglo-a", "english-48"})
    void everyViewShowsTheInstrument(String instrument) throws Exception {
        choose(instrument);
        assertThat(labels()).hasSizeGreaterThan(100);
        press(KeyCode.H);
        ChartView chart = find("#chart", ChartView.class);
        inWindow(() -> {
            window.applyCss();
            window.layout();
            return true;
        });
        assertThat(inWindow(() -> chart.page().orElseThrow().drawn())).hasSizeGreaterThan(40);
        press(KeyCode.K);
        List<String> words = all("#look-over .paragraph", Text.class).stream()
                .filter(each -> !(each.getParent() instanceof Button))
                .map(Text::getText)
                .toList();
        assertThat(words).anyMatch(line -> line.startsWith("Grade "));
        assertThat(words).noneMatch(line -> line.startsWith("Not on the"));
        press(KeyCode.ESCAPE);
        press(KeyCode.J);
        assertThat(labels()).isNotEmpty().hasSizeLessThan(40);
        press(KeyCode.J);
        press(KeyCode.C);
        assertThat(isShown("#close-up")).isTrue();
        press(KeyCode.RIGHT);
        press(KeyCode.C);
        press(KeyCode.L);
        assertThat(inWindow(() -> player.isPlaying())).isTrue();
        press(KeyCode.L);
    }

    @Test
    void anotherSchoolBowsOtherwise() throws Exception {
        choose("fiddle");
        long before = strokes();
        Pick bows = find("#strokes", Pick.class);
        inWindow(() -> {
            bows.choose(1);
            return true;
        });
        inWindow(() -> true);
        assertThat(sight().version().orElseThrow().playing().strokes().id()).isEqualTo("shuffle");
        assertThat(strokes()).as("fewer strokes where two notes share a bow").isLessThan(before);
        Pick fingers = find("#school", Pick.class);
        inWindow(() -> {
            fingers.choose(2);
            return true;
        });
        inWindow(() -> true);
        var playing = sight().version().orElseThrow().playing();
        assertThat(playing.school().id() + " " + playing.strokes().id()).isEqualTo("fourth-finger shuffle");
    }

    @Test
    void aPlaceIsKeptAndTheRestMovesRoundIt() throws Exception {
        choose("box-bc");
        for (int step = 0; step < 60 && !isTwice(); step++) {
            press(KeyCode.RIGHT);
        }
        var note = sight().note().orElseThrow();
        List<String> before = labels();
        press(KeyCode.SHIFT, KeyCode.F);
        press(KeyCode.SHIFT, KeyCode.F);
        assertThat(sight().version().orElseThrow().at(note).orElseThrow().pin()).isNotEmpty();
        assertThat(inWindow(() -> desk.said().get())).contains("kept for this note");
        assertThat(labels()).isNotEqualTo(before);
        press(KeyCode.SHIFT, KeyCode.F);
        assertThat(sight().version().orElseThrow().at(note)).isEmpty();
        assertThat(labels()).isEqualTo(before);
    }

    private boolean isTwice() throws Exception {
        Sight now = sight();
        return now.tune()
                .flatMap(tune -> now.note().map(tune::note))
                .map(note -> HandLines.pins(now.chosen().instrument(), note).size() > 1)
                .orElse(false);
    }

    /** Lines of which the signs of down and up bows are made. */
    private long strokes() throws Exception {
        return inWindow(() -> window.bench().score().page().orElseThrow().drawn().stream()
                .filter(each -> each.subject().kind() == Drawn.Kind.FINGERING
                        && each.subject().note().isPresent()
                        && each.mark() instanceof Mark.Line)
                .count());
    }

    @Test
    void aBoxedButtonIsPressedAndTheChosenSchoolTurnsOftener() throws Exception {
        choose("box-c-sharp-d");
        List<String> crisp = labels();
        Pick schools = find("#school", Pick.class);
        inWindow(() -> {
            schools.choose(1);
            return true;
        });
        inWindow(() -> true);
        assertThat(labels()).isNotEqualTo(crisp);
        assertThat(inWindow(() -> window.bench().score().page().orElseThrow().drawn().stream()
                        .filter(each -> each.mark() instanceof Mark.Words)
                        .map(each -> ((Mark.Words) each.mark()).text())
                        .toList()))
                .contains("out", "in", "A box round a button: press. A bare one: draw.");
    }

    private void awaitLookedOver(String words) throws Exception {
        await(words, () -> lookedOver().stream().anyMatch(line -> line.contains(words)));
    }

    @Test
    void whatCannotBePlayedIsToldWithWhatHelpsAndGoneTo() throws Exception {
        inWindow(() -> {
            desk.does(here -> Choosing.lesson(here, 8));
            return true;
        });
        choose("box-dg");
        press(KeyCode.K);
        await(
                "a spot is tried",
                () -> lookedOver().stream()
                        .anyMatch(line -> line.startsWith("F4 (bar 2") && line.contains("Tried, and helps")));
        awaitLookedOver("For the whole tune: play it in D major");
        Button obstacle = all(".card", Button.class).stream()
                .filter(each -> each.getText().startsWith("F4 (bar 2"))
                .findFirst()
                .orElseThrow();
        inWindow(() -> {
            obstacle.fire();
            return true;
        });
        Sight now = sight();
        assertThat(now.tune()
                        .orElseThrow()
                        .note(now.note().orElseThrow())
                        .melody()
                        .toString())
                .isEqualTo("F4");
    }

    @Test
    void theWayThroughSaysWhatItCostsAndWhatTheNextBestWouldBe() throws Exception {
        choose("box-bc");
        press(KeyCode.K);
        awaitLookedOver("The way through costs ");
        awaitLookedOver("The next best way costs ");
        choose("whistle-d");
        awaitLookedOver("on the whistle in D");
        assertThat(lookedOver()).noneMatch(line -> line.startsWith("The way through"));
    }

    @Test
    void aCapoIsPutOnFromTheMenuAndKeptWithTheBook() throws Exception {
        choose("mandolin");
        List<String> open = labels();
        chooseFrom("#instrument", "Capo", "Capo at fret 2");
        assertThat(sight().chosen().instrument().id()).isEqualTo("mandolin-capo-2");
        assertThat(labels()).isNotEqualTo(open);
        assertThat(find("#instrument", javafx.scene.control.MenuButton.class).getText())
                .isEqualTo("mandolin, capo 2");
    }

    @Test
    void buttonsMadeOtherwiseAreTypedOnTheChart() throws Exception {
        choose("box-bc");
        press(KeyCode.H);
        TextField field = find("#own-buttons", TextField.class);
        inWindow(() -> {
            field.setText("o1.G#3.A3");
            field.getOnAction().handle(new ActionEvent());
            return true;
        });
        assertThat(sight().chosen().instrument().id()).isEqualTo("box-bc:o1.G#3.A3");
        inWindow(() -> {
            field.setText("o77.G3");
            field.getOnAction().handle(new ActionEvent());
            return true;
        });
        assertThat(inWindow(() -> desk.said().get())).contains("Not taken: there is no button “o77”");
        assertThat(sight().chosen().instrument().id()).isEqualTo("box-bc:o1.G#3.A3");
        choose("fiddle");
        assertThat(inWindow(() -> field.getParent().isVisible())).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"mandolin, fiddle-gdad", "box-bc, english-48"})
    void theBestFitIsAmongInstrumentsOfTheSameKind(String instrument, String other) throws Exception {
        choose(instrument);
        press(KeyCode.I);
        await("the instruments are there", () -> !all(".fit-name").isEmpty());
        await(other, () -> fit(other).isPresent());
        assertThat(fit("whistle-d")).isEmpty();
    }
}
