package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.when;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.tune.Form;
import wildflourish.core.tune.NoteId;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Fingers;
import wildflourish.desktop.look.Paging;
import wildflourish.desktop.look.Pick;
import wildflourish.desktop.view.ChartView;

/** The plain tune and its instrument: chart, look-over, best fit, another instrument. */
class PlainIT extends WindowTest {
    @Test
    void theTuneIsLookedOverAndAHardSpotGoneRound() throws Exception {
        press(KeyCode.K);
        assertThat(lookedOver())
                .contains("A1 A2 A1 A3, B1 B2 B1 B3", "12 bars to learn, of 16 written: the others come back.");
        assertThat(lookedOver()).anyMatch(line -> line.startsWith("Grade "));
        Button spot = all("#look-over .card", Button.class).iterator().next();
        inWindow(() -> {
            spot.fire();
            return true;
        });
        assertThat(sight().playback().isPlaying()).isTrue();
        assertThat(inWindow(() -> player.isPlaying())).isTrue();
        assertThat(sight().note().orElseThrow().number())
                .isEqualTo(Integer.parseInt(String.valueOf(spot.getUserData()).substring(5)));
        press(KeyCode.ESCAPE);
        assertThat(isShown("#fits")).isTrue();
    }

    @Test
    void aPhraseIsNamedAndItsBorderMovedAndBothAreKept() throws Exception {
        press(KeyCode.CONTROL, KeyCode.R);
        TextField name = find("#phrase-name", TextField.class);
        assertThat(name.getText()).isEqualTo("A1");
        inWindow(() -> {
            name.setText("Call");
            name.fireEvent(new javafx.event.ActionEvent());
            return true;
        });
        inWindow(() -> true);
        assertThat(lookedOver()).contains("Call A2 Call A3, B1 B2 B1 B3");
        press(KeyCode.ESCAPE);
        press(KeyCode.CONTROL, KeyCode.RIGHT);
        press(KeyCode.CONTROL, KeyCode.B);
        assertThat(inWindow(() -> desk.said().get())).startsWith("The phrases are now Call");
        Form form = sight().tune().orElseThrow().form();
        int bar = sight().tune()
                .orElseThrow()
                .placeOf(sight().note().orElseThrow())
                .bar();
        assertThat(form.beginsPhrase(bar)).isTrue();
        press(KeyCode.CONTROL, KeyCode.S);
        assertThat(Files.readString(book)).contains("[r:flourish phrase Call]", "[r:flourish phrase]");
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(sight().tune().orElseThrow().form().beginsPhrase(bar)).isFalse();
    }

    @Test
    void aFingeringIsKeptByKeyAndByPress() throws Exception {
        inWindow(() -> {
            desk.does(here -> Choosing.instrument(here, Instrument.of("union-d-closed")));
            return true;
        });
        for (int step = 0; step < 100 && !isShown("#fingering-1"); step++) {
            press(KeyCode.RIGHT);
            inWindow(() -> true);
        }
        NoteId note = sight().note().orElseThrow();
        press(KeyCode.SHIFT, KeyCode.F);
        press(KeyCode.SHIFT, KeyCode.F);
        String second = inWindow(() -> Fingers.choices(desk.here()).get(1).toString());
        assertThat(sight().version().orElseThrow().at(note).orElseThrow().pin()).isEqualTo(second);
        inWindow(() -> true);
        ToggleButton first = find("#fingering-0", ToggleButton.class);
        inWindow(() -> {
            first.fire();
            return true;
        });
        assertThat(sight().version().orElseThrow().at(note).orElseThrow().pin())
                .isNotEqualTo(second)
                .isNotEmpty();
        inWindow(() -> true);
        inWindow(() -> {
            first.fire();
            return true;
        });
        assertThat(sight().version().orElseThrow().at(note)).isEmpty();
    }

    /** Handbook of the trade, common practice: what sounds in G minor is fingered in E minor on a whistle in F, in A minor on one in C. */
    @Test
    void twoKeysStandSideBySideAndTheClassChoosesFromWhatItOwns() throws Exception {
        press(KeyCode.CONTROL, KeyCode.PAGE_DOWN);
        press(KeyCode.I);
        Pick sounding = find("#sounding", Pick.class);
        Pick beside = find("#beside", Pick.class);
        inWindow(() -> {
            sounding.choose(10);
            beside.choose(6);
            return true;
        });
        assertThat(sounding.word()).isEqualTo("F major");
        assertThat(beside.word()).isEqualTo("C major");
        String whistle = row("whistle-high-f");
        assertThat(whistle).contains("fingered in D major").contains("fingered in A major");
        assertThat(row("whistle-c")).contains("fingered in G major").contains("fingered in D major");
        inWindow(() -> {
            owned("whistle-c").orElseThrow().fire();
            owned("flute-d").orElseThrow().fire();
            find("#only-owned", CheckBox.class).fire();
            return true;
        });
        List<String> left = all(".fit-name", Button.class).stream()
                .filter(WindowTest::isInSight)
                .map(Button::getAccessibleText)
                .toList();
        assertThat(left).containsExactlyInAnyOrder("whistle in C", "keyless flute in D");
        assertThat(Files.readString(own.resolve("preferences.properties"))).contains("owned=flute-d,whistle-c");
        inWindow(() -> {
            fit("whistle-c").orElseThrow().fire();
            return true;
        });
        assertThat(sight().chosen().instrument().id()).isEqualTo("whistle-c");
        press(KeyCode.ESCAPE);
        assertThat(isShown("#score")).isTrue();
    }

    private String row(String id) throws Exception {
        return inWindow(() -> fit(id).orElseThrow().getParent().lookupAll(".quiet").stream()
                .map(each -> ((Label) each).getText())
                .collect(Collectors.joining("; ")));
    }

    @Test
    void aSecondInstrumentStandsBelowAndTheHandoutIsTakenAway() throws Exception {
        long before = marks();
        does("second-recorder-soprano");
        assertThat(marks()).isGreaterThan(2 * before);
        assertThat(Files.readString(own.resolve("preferences.properties"))).contains("second=recorder-soprano");
        Path pdf = book.resolveSibling("handout.pdf");
        when(picker.toSave(anyString(), anyString())).thenReturn(Optional.of(pdf));
        chooseFrom("#take-away", "Handout");
        inWindow(() -> true);
        assertThat(new String(Files.readAllBytes(pdf), 0, 5, StandardCharsets.US_ASCII))
                .isEqualTo("%PDF-");
    }

    @Test
    void thePlainTuneIsTakenAwayInSentences() throws Exception {
        Path text = book.resolveSibling("steps.txt");
        when(picker.toSave(anyString(), anyString())).thenReturn(Optional.of(text));
        chooseFrom("#take-away", "The plain tune in sentences");
        inWindow(() -> true);
        assertThat(Files.readString(text))
                .startsWith("The Ferryman's Lantern, on the whistle in D.")
                .contains("Phrase A1, bars 1 to 2.", "cover 1 2 3 4", "Mouthpieces: one player each");
    }

    private long marks() throws Exception {
        return inWindow(() -> window.bench().score().page().orElseThrow().drawn().stream()
                .filter(each -> each.subject().kind() == Drawn.Kind.FINGERING)
                .count());
    }

    @Test
    void aPartIsDrilled() throws Exception {
        press(KeyCode.SHIFT, KeyCode.P);
        assertThat(inWindow(() -> player.isPlaying())).isTrue();
        assertThat(inWindow(() -> desk.said().get())).contains("3 times with its first ending");
        press(KeyCode.SHIFT, KeyCode.P);
        assertThat(inWindow(() -> player.isPlaying())).isFalse();
        does("rounds-6");
        press(KeyCode.SHIFT, KeyCode.P);
        assertThat(inWindow(() -> desk.said().get())).contains("6 times with its first ending");
    }

    @Test
    void anInstrumentIsTakenFromWhereTheTuneLiesWell() throws Exception {
        press(KeyCode.K);
        press(KeyCode.K);
        press(KeyCode.K);
        Button fit = all("#look-over .card", Button.class).stream()
                .filter(each -> String.valueOf(each.getUserData()).startsWith("fit-on-flute"))
                .findFirst()
                .orElseThrow();
        inWindow(() -> {
            fit.fire();
            return true;
        });
        assertThat(sight().chosen().instrument().id()).startsWith("flute-");
        assertThat(Files.readString(own.resolve("preferences.properties"))).contains("instrument=flute");
    }

    @Test
    void theChartFollowsTheInstrumentAndIsTakenAway() throws Exception {
        press(KeyCode.H);
        ChartView chart = find("#chart", ChartView.class);
        inWindow(() -> {
            window.applyCss();
            window.layout();
            return true;
        });
        assertThat(fingerings(chart)).isGreaterThan(100);
        inWindow(() -> {
            desk.does(here -> Choosing.instrument(here, Instrument.of("border-pipes")));
            return true;
        });
        assertThat(fingerings(chart)).isEqualTo(72);
        Path pdf = book.resolveSibling("chart.pdf");
        when(picker.toSave(anyString(), anyString())).thenReturn(Optional.of(pdf));
        chooseFrom("#take-away", "Chart");
        inWindow(() -> true);
        assertThat(new String(Files.readAllBytes(pdf), 0, 5, StandardCharsets.US_ASCII))
                .isEqualTo("%PDF-");
        press(KeyCode.ESCAPE);
        assertThat(isShown("#score")).isTrue();
    }

    private static long fingerings(ChartView chart) throws Exception {
        return inWindow(() -> chart.page().orElseThrow().drawn().stream()
                .filter(each -> each.subject().kind() == Drawn.Kind.FINGERING)
                .count());
    }

    @Test
    void eachInstrumentHasAStairOfItsOwn() throws Exception {
        press(KeyCode.ENTER);
        assertThat(here()).isPresent();
        chooseFrom("#instrument", "Flute", "keyless flute in D");
        assertThat(sight().chosen().instrument().id()).isEqualTo("flute-d");
        assertThat(here()).as("nothing is placed for the flute yet").isEmpty();
        press(KeyCode.ENTER);
        assertThat(here()).isPresent();
        inWindow(() -> {
            desk.does(here -> Choosing.instrument(here, Instrument.of("whistle-d")));
            return true;
        });
        assertThat(here()).isPresent();
    }

    @Test
    void onePhraseIsSeenLargeAndOneKeyGoesOn() throws Exception {
        press(KeyCode.J);
        assertThat(inWindow(() -> desk.sight().get().look().page() == Paging.PHRASE))
                .isTrue();
        int first = zones();
        assertThat(first).isLessThan(20);
        press(KeyCode.B);
        assertThat(inWindow(() -> desk.said().get())).isEqualTo("Phrase A2");
        assertThat(inWindow(() -> window.bench()
                        .score()
                        .page()
                        .orElseThrow()
                        .zoneOf(desk.sight().get().note().orElseThrow())))
                .isPresent();
        press(KeyCode.SHIFT, KeyCode.B);
        assertThat(inWindow(() -> desk.said().get())).isEqualTo("Phrase A1");
        press(KeyCode.END);
        assertThat(zones()).isLessThan(20);
        press(KeyCode.J);
        assertThat(zones()).isGreaterThan(80);
    }

    private int zones() throws Exception {
        return inWindow(
                () -> window.bench().score().page().orElseThrow().zones().size());
    }

    @Test
    void aPhraseIsCalledAndItsTimeLeftForTheAnswer() throws Exception {
        press(KeyCode.E);
        assertThat(inWindow(() -> player.isPlaying())).isTrue();
        assertThat(inWindow(() -> desk.said().get())).startsWith("Call and answer");
        press(KeyCode.E);
        assertThat(inWindow(() -> player.isPlaying())).isFalse();
    }

    @Test
    void whatIsDoneToNotesIsDoneOnlyWhereTheyAreSeen() throws Exception {
        var before = sight();
        for (KeyCode view : List.of(KeyCode.K, KeyCode.H)) {
            press(view);
            press(KeyCode.ENTER);
            press(KeyCode.N);
            press(KeyCode.ALT, KeyCode.UP);
            assertThat(sight().version()).isEqualTo(before.version());
            assertThat(sight().tune()).isEqualTo(before.tune());
            press(KeyCode.ESCAPE);
            assertThat(isShown("#score")).isTrue();
        }
        press(KeyCode.RIGHT);
        assertThat(sight().note()).isNotEqualTo(before.note());
    }
}
