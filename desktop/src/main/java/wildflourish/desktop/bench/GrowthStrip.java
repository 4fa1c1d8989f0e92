package wildflourish.desktop.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Ease;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Beside;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;
import wildflourish.desktop.action.Actions;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Besides;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.desk.Stages;
import wildflourish.desktop.look.OnlyWhen;
import wildflourish.desktop.look.TempoPicture;
import wildflourish.desktop.look.Theme;

/** The stages of the stair over the score, the plainest first, each with its tempo, how much is placed and how hard it is; another is added and one renamed in place. */
final class GrowthStrip extends HBox {
    private static final Instrument PIPES = Instrument.of("mouth-blown-pipes");

    private final Desk desk;
    private final Executor soon;
    private final HBox nodes = new HBox();
    private final TextField name = new TextField();
    private final TextField count = new TextField();
    private final List<Node> shown = new ArrayList<>();
    private int shownStages;
    private final StageWords words;
    private final HBox begin = new HBox();
    private final HBox carries = new HBox();
    private final Consumer<Stair> carry;
    private Theme theme = Theme.LIGHT;

    /** What the strip shows. */
    private record Wanted(Optional<Stair> stair, List<Stair> others, Optional<Tune> tune, Profile profile, int stage) {
        static Wanted of(Sight sight) {
            return new Wanted(
                    sight.stair().filter(stair -> sight.isBegun()),
                    sight.isBegun()
                            ? List.of()
                            : sight.lesson().map(Lesson::stairs).orElse(List.of()),
                    sight.tune(),
                    sight.chosen().profile(),
                    sight.chosen().stage());
        }
    }

    /** {@code carry} is told whose stair is to be carried over to the instrument; {@code back} takes the keys to the score again when something has been typed. */
    GrowthStrip(Desk desk, Actions actions, Executor soon, Consumer<Stair> carry, Runnable back) {
        this.desk = desk;
        this.carry = carry;
        this.soon = soon;
        this.words = new StageWords(desk, back);
        setId("growth-strip");
        getStyleClass().add("growth-strip");
        setAlignment(Pos.CENTER_LEFT);
        nodes.setAlignment(Pos.CENTER_LEFT);
        nodes.setMinWidth(Region.USE_PREF_SIZE);
        Button add = Controls.icon(actions.of("add-stage"));
        Button copy = Controls.icon(actions.of("copy-up"));
        bindField(name, "stage-name", "Name of this version", this::endNaming, back);
        name.setPrefColumnCount(12);
        bindField(count, "aim-count", "How many ornaments are to be left", this::endCounting, back);
        count.setPrefColumnCount(4);
        count.setPromptText("how many");
        add.managedProperty().bind(add.visibleProperty());
        copy.managedProperty().bind(copy.visibleProperty());
        add.visibleProperty().bind(begin.visibleProperty().not());
        copy.visibleProperty().bind(begin.visibleProperty().not());
        bindBegin(actions);
        HBox.setHgrow(words, Priority.ALWAYS);
        getChildren().addAll(nodes, name, count, add, copy, begin, words);
        desk.of(Wanted::of).subscribe(this::show);
    }

    /** A field that comes to be typed in, and goes: taken by Enter and by going elsewhere, left by Escape. */
    private static void bindField(TextField field, String id, String words, Consumer<Boolean> end, Runnable back) {
        field.setId(id);
        field.setAccessibleText(words);
        field.setVisible(false);
        field.managedProperty().bind(field.visibleProperty());
        field.setOnAction(event -> {
            end.accept(true);
            back.run();
        });
        field.focusedProperty().addListener((at, before, isFocused) -> {
            if (!isFocused) {
                end.accept(true);
            }
        });
        field.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
                end.accept(false);
                back.run();
                event.consume();
            }
        });
    }

    /** What a tune without a stair for the instrument can begin with. */
    private void bindBegin(Actions actions) {
        begin.setId("begin");
        begin.managedProperty().bind(begin.visibleProperty());
        begin.setAlignment(Pos.CENTER_LEFT);
        begin.getStyleClass().add("stage-line");
        carries.getStyleClass().add("stage-line");
        Label none = new Label();
        none.setMinWidth(Region.USE_PREF_SIZE);
        none.getStyleClass().add("quiet");
        desk.of(Sight::instrument)
                .subscribe(instrument ->
                        none.setText("The plain tune. Nothing is placed yet for the " + instrument.name() + "."));
        Button pipes = Controls.button(
                "Work on the " + PIPES.name(),
                "on-pipes",
                "The key of this tune is that of a nine-note chanter",
                () -> desk.does(here -> Choosing.instrument(here, PIPES)));
        begin.getChildren()
                .addAll(
                        none,
                        Controls.button(actions.of("begin-stair")),
                        carries,
                        new OnlyWhen(desk.of(GrowthStrip::isOffPipes), pipes),
                        Controls.button(actions.of("room-look-over")));
    }

    /** Whether the tune is written for nine-note pipes and something else is in hand. */
    private static boolean isOffPipes(Sight sight) {
        return sight.instrument().family() != Family.NINE_NOTE_PIPES
                && sight.tune().filter(tune -> tune.header().key().isOfPipes()).isPresent();
    }

    private void showBegin(Wanted wanted) {
        begin.setVisible(wanted.stair().isEmpty() && wanted.tune().isPresent());
        carries.getChildren().clear();
        for (Stair other : wanted.others()) {
            carries.getChildren()
                    .add(Controls.button(
                            "Carry over from the " + other.instrument().name(),
                            "carry-" + other.instrument().id(),
                            "Shows what of that stair fits here, before anything is taken over",
                            () -> carry.accept(other)));
        }
    }

    void setTheme(Theme newTheme) {
        theme = newTheme;
        show(Wanted.of(desk.sight().get()));
    }

    /** The name of the stage worked on, to be typed over. */
    void rename() {
        desk.sight().get().version().ifPresent(version -> {
            name.setText(version.name());
            name.setVisible(true);
            name.requestFocus();
            name.selectAll();
        });
    }

    private void endNaming(boolean isTaken) {
        if (name.isVisible()) {
            name.setVisible(false);
            if (isTaken) {
                desk.does(here -> Stages.rename(here, name.getText()));
            }
        }
    }

    /** What students are told about the version worked on, to be typed. */
    void tell() {
        words.write();
    }

    /** How many ornaments are to be left, to be typed. */
    void aim() {
        Sight sight = desk.sight().get();
        Optional<Beside> beside =
                sight.stair().flatMap(stair -> stair.besideAt(sight.chosen().stage()));
        if (beside.isEmpty()) {
            desk.does(here -> Besides.aim(here, 0));
            return;
        }
        count.setText(beside.get().aim() == 0 ? "" : String.valueOf(beside.get().aim()));
        count.setVisible(true);
        count.requestFocus();
        count.selectAll();
    }

    private void endCounting(boolean isTaken) {
        if (count.isVisible()) {
            count.setVisible(false);
            if (isTaken) {
                desk.does(here -> Besides.aim(here, count.getText()));
            }
        }
    }

    private void show(Wanted wanted) {
        List<Version> versions = wanted.stair().map(Stair::versions).orElse(List.of());
        int stages = wanted.stair().map(stair -> stair.stages().size()).orElse(0);
        showBegin(wanted);
        if (versions.size() != shown.size() || stages != shownStages) {
            rebuild(stages, versions.size());
        }
        for (int index = 0; index < versions.size(); index++) {
            int at = index;
            shown.get(index)
                    .show(
                            versions.get(index),
                            wanted.stair().flatMap(stair -> stair.besideAt(at)),
                            index == wanted.stage());
        }
        askEase(wanted, versions);
    }

    /** How hard each stage is, worked out away from the window's thread; those that are as they were are not worked out again. */
    private void askEase(Wanted wanted, List<Version> stages) {
        wanted.tune().ifPresent(tune -> {
            for (int i = 0; i < stages.size(); i++) {
                Node node = shown.get(i);
                Question question = new Question(tune, stages.get(i), wanted.profile());
                if (node.asks(question)) {
                    soon.execute(() -> {
                        Ease ease = question.answered();
                        Platform.runLater(() -> node.show(question, ease));
                    });
                }
            }
        });
    }

    /** All that decides how hard a stage is. */
    private record Question(Tune tune, Version version, Profile profile) {
        Ease answered() {
            return version.isPlain() ? Ease.PLAIN : Ease.of(Scene.of(tune, version, profile));
        }
    }

    private void rebuild(int stages, int count) {
        nodes.getChildren().clear();
        shown.clear();
        shownStages = stages;
        ToggleGroup group = new ToggleGroup();
        for (int stage = 0; stage < count; stage++) {
            if (stage > 0) {
                Region stem = new Region();
                stem.getStyleClass().add(stage < stages ? "stem" : "apart");
                nodes.getChildren().add(stem);
            }
            Node node = new Node(stage, group);
            shown.add(node);
            nodes.getChildren().add(node);
        }
    }

    private static String kind(Beside beside) {
        String from = beside.source().isEmpty() ? "" : " (from " + beside.source() + ")";
        return switch (beside.kind()) {
            case FREE -> "Free version" + from + " ";
            case STUDY -> "Study version" + from + " ";
            case BELOW -> "Below the plain tune" + from + " ";
        };
    }

    /** One version. */
    private final class Node extends ToggleButton {
        private final Label title = new Label();
        private final TempoPicture tempo = new TempoPicture();
        private final Label more = new Label();
        private final HBox leaves = new HBox();
        private String words = "";
        private Optional<Question> asked = Optional.empty();

        Node(int stage, ToggleGroup group) {
            setId("stage-" + stage);
            getStyleClass().add("stage");
            setToggleGroup(group);
            title.getStyleClass().add("stage-name");
            more.getStyleClass().add("quiet");
            leaves.getStyleClass().add("ease");
            leaves.setAlignment(Pos.CENTER);
            HBox first = new HBox(title, leaves);
            first.getStyleClass().add("stage-line");
            HBox second = new HBox(new StackPane(tempo), more);
            second.getStyleClass().add("stage-line");
            setGraphic(new VBox(first, second));
            setOnAction(event -> {
                setSelected(true);
                desk.does(here -> Choosing.stage(here, stage));
            });
            setOnMouseClicked(event -> {
                if (event.getClickCount() == 2) {
                    rename();
                }
            });
        }

        void show(Version version, Optional<Beside> beside, boolean isWorkedOn) {
            int count = version.ornamented();
            setSelected(isWorkedOn);
            title.setText(version.name());
            tempo.show(version.playing().tempo(), theme, isWorkedOn);
            String spots = count == 0 ? "plain" : count == 1 ? "1 spot" : count + " spots";
            int aim = beside.map(Beside::aim).orElse(0);
            more.setText(aim == 0 ? spots : spots + " of " + aim);
            words = beside.map(GrowthStrip::kind).orElse("Stage ") + version.name() + ", " + more.getText() + ", "
                    + Words.tempo(version.playing().tempo());
            setAccessibleText(words);
        }

        /** Whether something has not been asked yet. */
        boolean asks(Question question) {
            boolean isNew = !asked.equals(Optional.of(question));
            asked = Optional.of(question);
            return isNew;
        }

        /** One to four leaves: the more, the harder; an answer that comes too late is left out. */
        void show(Question question, Ease ease) {
            if (!asked.equals(Optional.of(question))) {
                return;
            }
            leaves.getChildren().clear();
            for (int i = 0; i < ease.ordinal(); i++) {
                Region leaf = new Region();
                leaf.getStyleClass().add(ease == Ease.TOO_HARD ? "leaf-warn" : "leaf");
                leaves.getChildren().add(leaf);
            }
            setAccessibleText(words + ", " + ease.word());
            Controls.tip(
                    this,
                    words + "; at this tempo " + ease.word()
                            + ". Page Up and Page Down go from stage to stage, a double click renames.");
        }
    }
}
