package wildflourish.desktop.bench;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.growing.Reading;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Stair;
import wildflourish.core.words.ReadingWords;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Planning;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.room.Tools;

/** Beside the score, when it is asked for: what a critic would say of the version in hand, and one key that mends each. It is advice; nothing is changed unasked. */
final class RemarksPane extends VBox {
    private final Tools tools;
    private final Fitting fitting;
    private final Desk desk;
    private final Label title = new Label();
    private final Label told = new Label();
    private final ListView<Reading.Remark> list = new ListView<>();
    private final Button mend;
    private Optional<Asked> asked = Optional.empty();
    private Optional<Tune> tune = Optional.empty();
    private boolean isFilling;

    /** All that decides what is said. */
    private record Asked(Tune tune, Stair stair, int index, Profile profile) {}

    RemarksPane(Tools tools, Fitting fitting) {
        super(8);
        this.tools = tools;
        this.fitting = fitting;
        this.desk = tools.desk();
        setId("remarks-pane");
        getStyleClass().add("side");
        title.getStyleClass().add("where");
        title.setWrapText(true);
        told.setId("remarks-told");
        told.setWrapText(true);
        told.setMinHeight(Region.USE_PREF_SIZE);
        list.setId("remarks-list");
        list.setAccessibleText("Remarks on this version");
        VBox.setVgrow(list, Priority.ALWAYS);
        list.setCellFactory(view -> new ListCell<>() {
            {
                setWrapText(true);
                setPrefWidth(0);
            }

            @Override
            protected void updateItem(Reading.Remark remark, boolean isEmpty) {
                super.updateItem(remark, isEmpty);
                setText(isEmpty || remark == null || tune.isEmpty() ? "" : ReadingWords.of(remark, tune.get()) + ".");
            }
        });
        list.getSelectionModel()
                .selectedItemProperty()
                .subscribe(item -> Optional.ofNullable(item).ifPresent(this::chose));
        list.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ENTER) {
                mend();
                event.consume();
            }
        });
        mend = Controls.button(tools.actions().of("mend-remark"));
        mend.setMaxWidth(Double.MAX_VALUE);
        Button away = Controls.button(
                "Back to what fits",
                "remarks-away",
                "The remarks are put away",
                () -> tools.actions().of("remarks").run());
        getChildren().addAll(title, told, list, mend, away);
    }

    /** Reads the version on the desk away from the window's thread, while it is asked for. */
    void show(Sight sight) {
        if (!isVisible()) {
            return;
        }
        Optional<Asked> now = sight.tune()
                .flatMap(of -> sight.stair()
                        .map(stair -> new Asked(
                                of,
                                stair,
                                sight.chosen().stage(),
                                sight.chosen().profile())));
        title.setText(
                "Remarks on " + sight.version().map(version -> version.name()).orElse("this version"));
        if (now.equals(asked)) {
            return;
        }
        asked = now;
        tune = sight.tune();
        told.setText("Reading …");
        now.ifPresent(question -> tools.away()
                .follow(
                        "Reading the version",
                        reached -> Reading.of(
                                question.tune(),
                                question.stair(),
                                question.index(),
                                question.profile(),
                                fitting.of(question.tune(), question.stair(), question.profile(), reached)),
                        found -> {
                            if (asked.equals(Optional.of(question))) {
                                fill(found);
                            }
                        },
                        () -> told.setText("Stopped before it was read.")));
    }

    private void fill(List<Reading.Remark> found) {
        isFilling = true;
        list.getItems().setAll(found);
        list.getSelectionModel().clearSelection();
        isFilling = false;
        mend.setText("Choose a remark to mend it");
        told.setText(
                found.isEmpty()
                        ? "Nothing to remark for a stage like this."
                        : (found.size() == 1 ? "One remark" : found.size() + " remarks")
                                + ", by what a stage like this bears. It is advice: what you placed stays until you mend it.");
    }

    private void chose(Reading.Remark remark) {
        mend.setText(ReadingWords.mend(remark));
        if (!isFilling) {
            desk.does(here -> Choosing.note(here, remark.at()));
        }
    }

    /** Mends what is chosen, or the first remark where none is. */
    void mend() {
        Optional<Reading.Remark> chosen = Optional.ofNullable(
                        list.getSelectionModel().getSelectedItem())
                .or(() -> list.getItems().stream().findFirst());
        if (!isVisible() || chosen.isEmpty()) {
            desk.say("There is no remark to mend; ask for the remarks on this version first.");
            return;
        }
        Reading.Remark remark = chosen.get();
        desk.does(here -> Planning.mend(here, remark));
    }
}
