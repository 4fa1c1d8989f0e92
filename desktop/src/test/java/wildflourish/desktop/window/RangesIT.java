package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.core.form.Returns;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;

/** Several notes at once, the same wherever a phrase comes back, and the list of what fits by its own keys. */
class RangesIT extends WindowTest {
    private Version version() throws Exception {
        return sight().version().orElseThrow();
    }

    private int placed() throws Exception {
        return (int) version().spots().values().stream()
                .filter(spot -> !spot.options().isEmpty())
                .count();
    }

    @Test
    void whatIsPlacedGoesOnAllChosenNotesInOneChange() throws Exception {
        lesson(0, "whistle-d");
        for (int i = 0; i < 7; i++) {
            press(KeyCode.SHIFT, KeyCode.RIGHT);
        }
        assertThat(said()).isEqualTo("8 notes chosen");
        assertThat(sight().severalNotes().orElseThrow().notes(sight().tune().orElseThrow()))
                .hasSize(8);
        press(KeyCode.SHIFT, KeyCode.LEFT);
        press(KeyCode.ENTER);
        int placed = placed();
        assertThat(placed).isBetween(2, 7);
        assertThat(said()).startsWith("Placed what fits best on " + placed + " notes");
        assertThat(inWindow(() -> desk.done())).hasSize(1);
        press(KeyCode.DELETE);
        assertThat(placed()).isZero();
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(placed()).isEqualTo(placed);
        press(KeyCode.ESCAPE);
        assertThat(sight().severalNotes()).isEmpty();
    }

    @Test
    void aRuleHoldsOverTheChosenNotes() throws Exception {
        lesson(0, "whistle-d");
        at(sight().tune().orElseThrow().notes().get(3).id());
        press(KeyCode.SHIFT, KeyCode.RIGHT);
        press(KeyCode.SHIFT, KeyCode.RIGHT);
        assertThat(openRules().getText()).isEqualTo("Over the chosen notes");
        inWindow(() -> {
            find("#layer-hold-beats", CheckBox.class).fire();
            return true;
        });
        List<Note> notes = version().layers().get(0).span().notes(sight().tune().orElseThrow());
        assertThat(notes).hasSize(3);
        assertThat(said()).startsWith("Over the chosen notes: ");
    }

    @Test
    void theSameIsPlacedAndRemovedWhereverThePhraseComesBack() throws Exception {
        lesson(0, "whistle-d");
        Tune tune = sight().tune().orElseThrow();
        NoteId note = tune.bars().get(1).notes().get(0).id();
        List<List<NoteId>> returns = Returns.of(tune).of(note, note);
        assertThat(returns).hasSizeGreaterThan(1);
        at(note);
        press(KeyCode.CONTROL, KeyCode.ENTER);
        int placed = placed();
        assertThat(placed).isGreaterThan(1).isLessThanOrEqualTo(returns.size());
        assertThat(said()).contains("on " + placed + " of " + returns.size() + " places where it comes back");
        String first = here().orElseThrow();
        press(KeyCode.ALT, KeyCode.N);
        assertThat(here().orElseThrow()).isNotEqualTo(first);
        for (List<NoteId> each : returns) {
            Optional<Spot> spot = version().at(each.get(0));
            spot.flatMap(Spot::first)
                    .ifPresent(placement -> assertThat(placement.passes()).isEqualTo(Passes.EVERY));
        }
        press(KeyCode.CONTROL, KeyCode.DELETE);
        assertThat(here()).isEmpty();
        press(KeyCode.CONTROL, KeyCode.Z);
        press(KeyCode.CONTROL, KeyCode.Z);
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(placed()).isZero();
    }

    @Test
    void anOrnamentHoldsForOneTimeThroughByAKey() throws Exception {
        lesson(0, "whistle-d");
        press(KeyCode.ENTER);
        press(KeyCode.SHIFT, KeyCode.T);
        assertThat(passes()).isEqualTo(Passes.only(1));
        press(KeyCode.SHIFT, KeyCode.T);
        assertThat(passes()).isEqualTo(Passes.only(2));
        press(KeyCode.SHIFT, KeyCode.T);
        assertThat(passes()).isEqualTo(Passes.EVERY);
    }

    private Passes passes() throws Exception {
        return version()
                .at(sight().note().orElseThrow())
                .orElseThrow()
                .first()
                .orElseThrow()
                .passes();
    }

    @Test
    void theListIsGoneThroughByKeysAndTriesWhatItComesTo() throws Exception {
        lesson(0, "whistle-d");
        at(sight().tune().orElseThrow().notes().get(3).id());
        press(KeyCode.X);
        ListView<?> list = find("#fits-list", ListView.class);
        assertThat(inWindow(list::isFocused)).isTrue();
        assertThat(inWindow(() -> window.bench().score().previewed())).isNotEmpty();
        var page = inWindow(() -> window.bench().score().page());
        robot.push(KeyCode.DOWN);
        await("another is tried", () -> list.getSelectionModel().getSelectedIndex() == 1);
        assertThat(inWindow(() -> window.bench().score().page())).isNotEqualTo(page);
        assertThat(here()).as("nothing is placed by trying").isEmpty();
        robot.push(KeyCode.SPACE);
        await("it is heard", () -> desk.sight().get().playback().isPlaying());
        robot.push(KeyCode.DIGIT2);
        await("the second is placed", () -> !desk.done().isEmpty());
        String second = here().orElseThrow();
        assertThat(inWindow(() ->
                        desk.here().fitting().get(1).placement().ornament().id()))
                .isEqualTo(second);
        robot.write("cut");
        await(
                "what is typed is found",
                () -> window.bench().score().previewed().stream()
                        .anyMatch(each -> each.ornament().name().startsWith("cut")));
        robot.push(KeyCode.ENTER);
        await("it is placed", () -> desk.done().size() == 2);
        assertThat(here().orElseThrow()).startsWith("cut");
        press(KeyCode.ESCAPE);
        assertThat(inWindow(() -> window.bench().score().isFocused())).isTrue();
        assertThat(inWindow(() -> window.bench().score().previewed())).isEmpty();
    }

    @Test
    void aStageIsAddedAndCalledOtherwiseInPlace() throws Exception {
        does("add-stage");
        assertThat(sight().stair().orElseThrow().stages()).hasSize(4);
        assertThat(sight().chosen().stage()).isEqualTo(3);
        press(KeyCode.SHIFT, KeyCode.R);
        TextField name = find("#stage-name", TextField.class);
        inWindow(() -> {
            name.setText("Saturday night");
            name.getOnAction().handle(null);
            return true;
        });
        assertThat(version().name()).isEqualTo("Saturday night");
        press(KeyCode.SHIFT, KeyCode.R);
        inWindow(() -> {
            name.setText("Root");
            name.getOnAction().handle(null);
            return true;
        });
        assertThat(version().name()).as("a name another stage has").isEqualTo("Saturday night");
        assertThat(said()).contains("called Root already");
    }
}
