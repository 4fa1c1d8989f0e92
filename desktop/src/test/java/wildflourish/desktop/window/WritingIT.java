package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Score;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.version.Book;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Spot;
import wildflourish.desktop.desk.Look;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Pick;
import wildflourish.files.abc.BookReader;

/** Entering a tune from nothing, correcting one under its placements, words and times at a spot: in a real window. */
class WritingIT extends WindowTest {
    private void type(String text) throws Exception {
        Sight before = sight();
        inWindow(() -> {
            find("#tune-text", TextArea.class).setText(text);
            return true;
        });
        await("what is typed is taken", () -> !desk.sight().get().equals(before));
    }

    @Test
    void aTuneIsEnteredFromNothingOrnamentedSavedAndTakenAwayWithoutTheMouse() throws Exception {
        press(KeyCode.CONTROL, KeyCode.N);
        assertThat(sight().book().lessons()).hasSize(11);
        type("X:11\nT:Pegs on the Line\nR:jig\nM:6/8\nL:1/8\nK:D\n|:A3 FED|B3 AFD:|");
        assertThat(sight().tune().orElseThrow().title()).isEqualTo("Pegs on the Line");
        press(KeyCode.ESCAPE);
        press(KeyCode.ENTER);
        for (int turn = 0; turn < 20 && !here().equals(Optional.of("long-roll")); turn++) {
            press(KeyCode.N);
        }
        assertThat(here()).contains("long-roll");
        press(KeyCode.CONTROL, KeyCode.S);
        Book saved = BookReader.read(Files.readString(book)).value();
        assertThat(saved.lessons().get(10).tune().title()).isEqualTo("Pegs on the Line");
        assertThat(saved.lessons().get(10).stairs()).hasSize(1);
        Path pdf = book.resolveSibling("pegs.pdf");
        when(picker.toSave(anyString(), eq("pdf"))).thenReturn(Optional.of(pdf));
        press(KeyCode.CONTROL, KeyCode.E);
        assertThat(pdf).isNotEmptyFile();
    }

    /** The problems beside the text that are in sight. */
    private List<String> problems() throws Exception {
        return all("#write-pane .line", Button.class).stream()
                .filter(WindowTest::isInSight)
                .map(Button::getText)
                .toList();
    }

    @Test
    void theKeyThatOpensTheTextIsNotTypedIntoIt() throws Exception {
        String before = sight().tune().orElseThrow().manuscript().text();
        robot.push(KeyCode.W);
        await("the text is there", () -> desk.sight().get().look().pane() == Look.Pane.WRITE);
        assertThat(find("#tune-text", TextArea.class).getText()).isEqualTo(before);
        robot.push(KeyCode.X);
        await(
                "what is typed is",
                () -> find("#tune-text", TextArea.class).getText().equals("x" + before));
    }

    @Test
    void manyProblemsLeaveTheScoreItsRoom() throws Exception {
        press(KeyCode.W);
        String text = find("#tune-text", TextArea.class).getText();
        double room = inWindow(() -> window.bench().score().getHeight());
        type(text + "\n" + "#".repeat(40) + "\n");
        assertThat(problems()).hasSize(6);
        assertThat(all("#write-pane .paragraph", javafx.scene.text.Text.class))
                .filteredOn(WindowTest::isInSight)
                .extracting(javafx.scene.text.Text::getText)
                .contains("and 34 more after these");
        assertThat(inWindow(() -> window.bench().score().getHeight())).isEqualTo(room);
        for (Button problem : all("#write-pane .line", Button.class)) {
            assertThat(inWindow(() ->
                            problem.localToScene(problem.getLayoutBounds()).getMaxX()))
                    .isLessThan(inWindow(() -> window.getScene().getWidth()));
        }
    }

    @Test
    void typingIsOneChangeAndProblemsStandBeside() throws Exception {
        Book start = sight().book();
        press(KeyCode.W);
        String text = find("#tune-text", TextArea.class).getText();
        type(text.replace("d2fd cdBA", "d2fd c#BA"));
        assertThat(problems()).hasSize(2).anyMatch(words -> words.startsWith("Line 7: "));
        type(text.replace("d2fd cdBA", "d2fd c2BA"));
        assertThat(problems()).isEmpty();
        assertThat(inWindow(() -> desk.done().size())).isEqualTo(1);
        press(KeyCode.ESCAPE);
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(sight().book()).isEqualTo(start);
        assertThat(find("#tune-text", TextArea.class).getText()).isEqualTo(text);
    }

    @Test
    void placementsFollowTheirNotesWhenTheTuneIsCorrected() throws Exception {
        int spots = sight().version().orElseThrow().spots().size();
        press(KeyCode.RIGHT);
        press(KeyCode.RIGHT);
        NoteId cut = sight().note().orElseThrow();
        assertThat(here()).contains("cut");
        press(KeyCode.LEFT);
        press(KeyCode.ALT, KeyCode.G);
        assertThat(sight().tune()
                        .orElseThrow()
                        .note(sight().note().orElseThrow())
                        .melody())
                .hasToString("G4");
        assertThat(sight().tune()
                        .orElseThrow()
                        .neighbour(sight().note().orElseThrow(), 1)
                        .map(Note::id))
                .contains(cut);
        press(KeyCode.RIGHT);
        press(KeyCode.ALT, KeyCode.UP);
        assertThat(sight().tune().orElseThrow().note(cut).melody()).hasToString("E5");
        assertThat(here()).contains("cut");
        assertThat(sight().version().orElseThrow().spots()).hasSize(spots);
        press(KeyCode.ALT, KeyCode.DELETE);
        assertThat(said()).contains("2 placements had no note left").contains("Undo");
        assertThat(sight().version().orElseThrow().spots()).hasSize(spots - 1);
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(sight().version().orElseThrow().spots()).hasSize(spots);
    }

    @Test
    void theTuneMovesToAnotherKeyAndBack() throws Exception {
        String text = sight().tune().orElseThrow().manuscript().text();
        press(KeyCode.ALT, KeyCode.SHIFT, KeyCode.UP);
        assertThat(sight().tune().orElseThrow().header().key().name()).isEqualTo("E♭ major");
        press(KeyCode.ALT, KeyCode.SHIFT, KeyCode.DOWN);
        assertThat(sight().tune().orElseThrow().manuscript().text()).isEqualTo(text);
    }

    @Test
    void anotherFormOfTheTuneStandsBesideItWithItsSource() throws Exception {
        press(KeyCode.CONTROL, KeyCode.D);
        assertThat(sight().book().lessons()).hasSize(11);
        assertThat(find("#tunes", Pick.class).words().get(1)).isEqualTo("The Ferryman's Lantern · another player");
        assertThat(sight().tune().orElseThrow().header().credits().source()).contains("another player");
        press(KeyCode.CONTROL, KeyCode.S);
        assertThat(BookReader.read(Files.readString(book)).value()).isEqualTo(sight().book());
    }

    @Test
    void theTeachersOwnWordsStandBelowTheScore() throws Exception {
        inWindow(() -> {
            find("#sentence", TextField.class).setText("Lean on this one.");
            find("#sentence", TextField.class).getOnAction().handle(null);
            return true;
        });
        assertThat(sight().version().orElseThrow().at(new NoteId(0)).map(Spot::sentence))
                .contains("Lean on this one.");
        boolean isDrawn = inWindow(() -> window.bench().score().page().orElseThrow().drawn().stream()
                .anyMatch(each -> each.subject().kind() == Drawn.Kind.SENTENCE));
        assertThat(isDrawn).isTrue();
        press(KeyCode.RIGHT);
        assertThat(find("#sentence", TextField.class).getText()).isEmpty();
        press(KeyCode.LEFT);
        assertThat(find("#sentence", TextField.class).getText()).isEqualTo("Lean on this one.");
    }

    @Test
    void anOrnamentMayHoldForOneTimeThroughOnly() throws Exception {
        press(KeyCode.RIGHT);
        press(KeyCode.RIGHT);
        Pick passes = find("#passes", Pick.class);
        inWindow(() -> {
            passes.choose(2);
            return true;
        });
        assertThat(desk.here().spot().orElseThrow().first().orElseThrow().passes())
                .isEqualTo(Passes.only(2));
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(desk.here().spot().orElseThrow().first().orElseThrow().passes())
                .isEqualTo(Passes.EVERY);
    }

    @Test
    void lettersFingeringsAndSizeAreChosenByKey() throws Exception {
        press(KeyCode.A);
        assertThat(desk.sight().get().look().shows().letters()).isTrue();
        long letters = inWindow(() -> window.bench().score().page().orElseThrow().drawn().stream()
                .filter(each -> each.subject().kind() == Drawn.Kind.LETTER)
                .count());
        assertThat(letters).isEqualTo(sight().tune().orElseThrow().notes().size());
        press(KeyCode.F);
        assertThat(desk.sight().get().look().shows().fingerings()).isEqualTo(Score.Fingerings.FIRST_OF_EACH);
        press(KeyCode.F);
        assertThat(desk.sight().get().look().shows().fingerings()).isEqualTo(Score.Fingerings.NONE);
        double before = inWindow(() -> window.bench().score().pixelsPerSpace());
        press(KeyCode.CONTROL, KeyCode.EQUALS);
        assertThat(inWindow(() -> window.bench().score().pixelsPerSpace())).isGreaterThan(before);
        assertThat(Files.readString(own.resolve("preferences.properties")))
                .contains("letters=true", "fingerings=NONE", "size=" + (Math.round(before) + 1));
    }

    @Test
    void everyActionIsFoundByTypingAndWhatWasDoneIsListed() throws Exception {
        press(KeyCode.F1);
        TextField sought = find("#finder-sought", TextField.class);
        inWindow(() -> {
            sought.setText("best");
            sought.getOnAction().handle(null);
            return true;
        });
        assertThat(here()).isPresent();
        assertThat(isShown("#finder")).isFalse();
        press(KeyCode.N);
        press(KeyCode.F2);
        javafx.scene.control.ListView<?> found = find("#finder-found", javafx.scene.control.ListView.class);
        assertThat(found.getItems()).hasSize(3);
        inWindow(() -> {
            found.getSelectionModel().select(2);
            find("#finder-sought", TextField.class).getOnAction().handle(null);
            return true;
        });
        assertThat(inWindow(() -> desk.done())).isEmpty();
    }

    @Test
    void ornamentsAreShownAsSmallNotesAndTheScoreAsSheets() throws Exception {
        press(KeyCode.PAGE_UP);
        long signs = count(Drawn.Kind.SIGN);
        assertThat(signs).isPositive();
        press(KeyCode.G);
        assertThat(count(Drawn.Kind.SIGN)).isZero();
        assertThat(count(Drawn.Kind.SMALL_NOTE)).isPositive();
        NoteId note = sight().tune().orElseThrow().notes().get(20).id();
        assertThat(inWindow(() -> window.bench().score().page().orElseThrow().zoneOf(note)))
                .isPresent();
        press(KeyCode.V);
        assertThat(count(Drawn.Kind.PAPER)).isPositive();
        press(KeyCode.V);
        press(KeyCode.G);
        assertThat(count(Drawn.Kind.SIGN)).isEqualTo(signs);
    }

    private long count(Drawn.Kind kind) throws Exception {
        return inWindow(() -> window.bench().score().page().orElseThrow().drawn().stream()
                .filter(each -> each.subject().kind() == kind)
                .count());
    }

    @Test
    void theFirstStartSaysWhatToDoAndAnEmptyBookToo() throws Exception {
        assertThat(isShown("#notice-welcome")).isTrue();
        click("#welcomed");
        assertThat(isShown("#notice-welcome")).isFalse();
        Path empty = Files.writeString(book.resolveSibling("empty.abc"), "nothing\n");
        openBook(empty);
        assertThat(isShown("#score .empty")).isTrue();
        press(KeyCode.CONTROL, KeyCode.N);
        assertThat(isShown("#score .empty")).isFalse();
        assertThat(sight().tune().orElseThrow().title()).isEqualTo("A new tune");
    }

    @Test
    void metreAndKeyChangeUnderTheNotes() throws Exception {
        var before = sight().tune().orElseThrow();
        press(KeyCode.ALT, KeyCode.J);
        var sharper = sight().tune().orElseThrow();
        assertThat(sharper.header().key().fifths())
                .isEqualTo(before.header().key().fifths() + 1);
        assertThat(sharper.notes().stream().map(note -> note.pitches()))
                .containsExactlyElementsOf(
                        before.notes().stream().map(note -> note.pitches()).toList());
        press(KeyCode.ALT, KeyCode.SHIFT, KeyCode.M);
        assertThat(sight().tune().orElseThrow().metreAt(0)).isNotEqualTo(before.metreAt(0));
        assertThat(said()).contains("bar lines stay");
        press(KeyCode.CONTROL, KeyCode.Z);
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(sight().tune().orElseThrow()).isEqualTo(before);
    }
}
