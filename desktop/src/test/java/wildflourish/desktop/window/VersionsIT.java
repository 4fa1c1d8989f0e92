package wildflourish.desktop.window;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.when;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.Test;
import wildflourish.core.arranging.StoredFigure;
import wildflourish.core.form.Phrasing;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Beside;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Times;
import wildflourish.core.version.Version;
import wildflourish.desktop.desk.Choosing;
import wildflourish.files.abc.FigureText;

/** Versions beside the stair, two compared, phrases put together, times through, figures, and a sheet for each student. */
class VersionsIT extends WindowTest {
    private Stair stair() throws Exception {
        return sight().stair().orElseThrow();
    }

    private List<Version> versions() throws Exception {
        return stair().versions();
    }

    private void stage(int stage) throws Exception {
        inWindow(() -> {
            desk.does(here -> Choosing.stage(here, stage));
            return true;
        });
    }

    @SuppressWarnings("unchecked")
    private void choose(String query, String word) throws Exception {
        ComboBox<String> pick = (ComboBox<String>) find(query, ComboBox.class);
        inWindow(() -> {
            pick.setValue(word);
            return true;
        });
    }

    // Beside the stair

    @Test
    void aFreeVersionStandsBesideTheStairAndIsTakenOutAgain() throws Exception {
        Stair before = stair();
        does("free-version");
        assertThat(stair().beside()).hasSize(1);
        assertThat(sight().chosen().stage()).isEqualTo(before.stages().size());
        press(KeyCode.HOME);
        press(KeyCode.DELETE);
        press(KeyCode.ENTER);
        assertThat(here()).isPresent();
        assertThat(stair().stages()).isEqualTo(before.stages());
        does("stage-higher");
        assertThat(said()).contains("stands beside the stair");
        does("remove-stage");
        assertThat(stair()).isEqualTo(before);
        assertThat(sight().chosen().stage()).isEqualTo(before.stages().size() - 1);
    }

    @Test
    void allThatFitsIsThinnedToACount() throws Exception {
        does("study-version");
        await(
                "the study version is there",
                () -> desk.sight().get().stair().orElseThrow().beside().size() == 1);
        Beside study = stair().beside().get(0);
        assertThat(study.kind()).isEqualTo(Beside.Kind.STUDY);
        assertThat(study.version().ornamented()).isGreaterThan(versions().get(2).ornamented());
        does("aim");
        inWindow(() -> {
            find("#aim-count", TextField.class).setText("24");
            find("#aim-count", TextField.class).getOnAction().handle(null);
            return true;
        });
        assertThat(stair().beside().get(0).aim()).isEqualTo(24);
        does("aim");
        inWindow(() -> {
            find("#aim-count", TextField.class).setText("a few");
            find("#aim-count", TextField.class).getOnAction().handle(null);
            return true;
        });
        assertThat(said()).contains("is no count");
        assertThat(stair().beside().get(0).aim()).isEqualTo(24);
    }

    @Test
    void aVersionBelowThePlainTuneHasFewerNotes() throws Exception {
        does("simpler-version");
        Version below = stair().beside().get(0).version();
        assertThat(below.layers()).hasSize(2);
        int plain =
                inWindow(() -> desk.here().scene().orElseThrow().line().tones().size());
        stage(0);
        int written =
                inWindow(() -> desk.here().scene().orElseThrow().line().tones().size());
        assertThat(plain).isLessThan(written);
    }

    /** What would be lost by a new shape stays in free versions where one wishes it. */
    @Test
    void lossesAreKeptInFreeVersions() throws Exception {
        Stair before = stair();
        stage(2);
        does("stage-lower");
        assertThat(find("#shape-offer", Node.class).isVisible()).isTrue();
        fire("#shape-offer-keep");
        assertThat(stair().beside()).isNotEmpty();
        Beside kept = stair().beside().get(0);
        assertThat(kept.version().spots())
                .isEqualTo(before.named(kept.source()).orElseThrow().spots());
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(stair()).isEqualTo(before);
    }

    // Compared

    @Test
    void twoVersionsAreComparedAndChangePlaces() throws Exception {
        stage(1);
        press(KeyCode.Q);
        assertThat(sight().room()).isEqualTo("versions");
        assertThat(find("#in-hand", ComboBox.class).getValue()).isEqualTo("Leaf");
        assertThat(find("#against", ComboBox.class).getValue()).isEqualTo("Root");
        press(KeyCode.Z);
        assertThat(sight().chosen().stage()).isZero();
        assertThat(find("#against", ComboBox.class).getValue()).isEqualTo("Leaf");
        press(KeyCode.ESCAPE);
        assertThat(sight().room()).isEqualTo("bench");
    }

    @Test
    void aPhraseIsTakenFromTheOther() throws Exception {
        does("free-version");
        stage(0);
        does("free-version");
        press(KeyCode.Q);
        choose("#against", "Bud");
        press(KeyCode.HOME);
        press(KeyCode.M);
        Tune tune = sight().tune().orElseThrow();
        int last = Phrasing.of(tune).phrases().get(0).lastBar();
        Version now = sight().version().orElseThrow();
        Version bud = stair().named("Bud").orElseThrow();
        for (var note : tune.notes()) {
            boolean isOfPhrase = tune.placeOf(note.id()).bar() <= last;
            assertThat(now.at(note.id())).isEqualTo(isOfPhrase ? bud.at(note.id()) : Optional.empty());
        }
    }

    @Test
    void phrasesArePutTogether() throws Exception {
        does("put-together");
        choose("#mix-0", "Root");
        choose("#mix-1", "Bud");
        fire("#mix-set");
        assertThat(stair().beside())
                .singleElement()
                .satisfies(beside -> assertThat(beside.source()).startsWith("A1 Root, A2 Bud"));
    }

    // Times through

    @Test
    void timesThroughArePlannedHeardAndTakenAway() throws Exception {
        does("take-times-pdf");
        assertThat(said()).contains("No times through are planned");
        does("plan-times");
        fire("#plan-make");
        assertThat(stair().times().orElseThrow().turns()).containsExactly("Root", "Leaf", "Bud");
        fire("#plan-more");
        List<String> turns = stair().times().orElseThrow().turns();
        assertThat(turns).hasSize(4).endsWith("Bud");
        assertThat(new Times(turns, stair().times().orElseThrow().tempo()).alike())
                .isEmpty();
        for (String ending : List.of("pdf", "mid", "abc")) {
            Path path = book.resolveSibling("whole." + ending);
            when(picker.toSave(anyString(), eq(ending))).thenReturn(Optional.of(path));
            does("take-times-" + (ending.equals("mid") ? "midi" : ending));
            assertThat(path).isNotEmptyFile();
        }
        does("play-times");
        await("it plays", () -> desk.sight().get().playback().isPlaying());
        press(KeyCode.SPACE);
        fire("#plan-none");
        assertThat(stair().times()).isEmpty();
    }

    @Test
    void aPhraseIsHeardThroughAllStages() throws Exception {
        press(KeyCode.CONTROL, KeyCode.L);
        await("it plays", () -> desk.sight().get().playback().isPlaying());
        await(
                "it is said which stage sounds",
                () -> find("#said", Labeled.class).getText().startsWith("Now: "));
        press(KeyCode.SPACE);
        assertThat(sight().playback().isPlaying()).isFalse();
    }

    // Figures

    @Test
    void aFigureIsKeptFoundAndPutWhereItFits() throws Exception {
        stage(1);
        press(KeyCode.HOME);
        does("range-phrase");
        does("figure-shelf");
        int shipped = inWindow(() -> find("#figures", ListView.class).getItems().size());
        assertThat(shipped).isEqualTo(6);
        inWindow(() -> {
            find("#figure-name", TextField.class).setText("My turn");
            return true;
        });
        fire("#figure-keep");
        assertThat(said()).isEqualTo("Kept as a figure: My turn");
        assertThat(own.resolve("figures.abc")).content().contains("T:My turn");
        inWindow(() -> {
            @SuppressWarnings("unchecked")
            ListView<StoredFigure> list = (ListView<StoredFigure>) find("#figures", ListView.class);
            list.getSelectionModel().select(0);
            return true;
        });
        await(
                "places are listed",
                () -> !window.lookupAll(".button").stream()
                        .filter(node -> node.getId() != null && node.getId().startsWith("put-"))
                        .toList()
                        .isEmpty());
        Stair before = stair();
        String first = inWindow(() -> window.lookupAll(".button").stream()
                .map(Node::getId)
                .filter(id -> id != null && id.startsWith("put-"))
                .findFirst()
                .orElseThrow());
        fire("#" + first);
        assertThat(said()).isEqualTo("My turn put into Leaf");
        assertThat(stair().isNested(sight().tune().orElseThrow())).isTrue();
        List<Lesson> lessons = sight().book().lessons();
        assertThat(FigureText.figure(lessons.get(lessons.size() - 1))
                        .orElseThrow()
                        .name())
                .as("the book has a copy")
                .isEqualTo("My turn");
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(stair()).isEqualTo(before);
        assertThat(sight().book().lessons()).hasSize(lessons.size() - 1);
    }

    @Test
    void studentsAreToldAboutAStageAsAWhole() throws Exception {
        stage(1);
        String before = stair().at(1).label().note();
        press(KeyCode.CONTROL, KeyCode.T);
        inWindow(() -> {
            find("#note-to-students", TextField.class).setText("Breathe before the second part.");
            return true;
        });
        press(KeyCode.TAB);
        assertThat(find("#times-to-play", TextField.class).isFocused())
                .as("Tab goes to the times")
                .isTrue();
        inWindow(() -> {
            find("#times-to-play", TextField.class).setText("4");
            return true;
        });
        press(KeyCode.ENTER);
        assertThat(stair().at(1).label().note()).isEqualTo("Breathe before the second part.");
        assertThat(stair().at(1).label().passes()).isEqualTo(4);
        assertThat(find("#told-students", Labeled.class).getText())
                .isEqualTo("Breathe before the second part. Play it 4 times through.");
        press(KeyCode.CONTROL, KeyCode.T);
        inWindow(() -> {
            find("#times-to-play", TextField.class).setText("many");
            return true;
        });
        press(KeyCode.ENTER);
        assertThat(said()).isEqualTo("“many” is no number of times: type 1 to 99, or nothing.");
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(stair().at(1).label().note()).isEqualTo(before);
    }

    // Students

    @Test
    void everyStudentGetsASheet() throws Exception {
        does("students");
        for (String name : List.of("Ada", "Bertrand")) {
            inWindow(() -> {
                find("#student-new", TextField.class).setText(name);
                return true;
            });
            fire("#student-add");
        }
        assertThat(own.resolve("students.tsv")).content().contains("Ada\twhistle-d");
        choose("#student-instrument-1", "recorder-soprano");
        assertThat(own.resolve("students.tsv")).content().contains("Bertrand\trecorder-soprano");
        Path folder = Files.createDirectory(book.resolveSibling("sheets"));
        when(picker.toFolder()).thenReturn(Optional.of(folder));
        inWindow(() -> {
            find("#students-sound", CheckBox.class).setSelected(true);
            return true;
        });
        fire("#students-sheets");
        try (var files = Files.list(folder)) {
            assertThat(files.map(path -> path.getFileName().toString()))
                    .containsExactlyInAnyOrder(
                            "The Ferryman's Lantern - Ada.pdf",
                            "The Ferryman's Lantern - Ada slow.wav",
                            "The Ferryman's Lantern - Bertrand.pdf",
                            "The Ferryman's Lantern - Bertrand slow.wav");
        }
        fire("#students-sheets");
        assertThat(folder.resolve("The Ferryman's Lantern - Ada 2.pdf")).isNotEmptyFile();
        fire("#student-out-0");
        assertThat(own.resolve("students.tsv")).content().doesNotContain("Ada");
        assertThat(Files.readString(book)).doesNotContain("Bertrand");
        press(KeyCode.ESCAPE);
        assertThat(all("#class-list")).isEmpty();
    }
}
