package wildflourish.desktop.bench;

import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import wildflourish.core.words.StairWords;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.desk.Stages;

/** What students are told about the version worked on, beside the stages: read there, and typed over in place. */
final class StageWords extends HBox {
    /** Of pixels; a third line would make the strip grow, and the score smaller. */
    private static final double TWO_LINES = 38;

    private final Desk desk;
    private final Runnable back;
    private final Label told = new Label();
    private final TextField note = new TextField();
    private final TextField passes = new TextField();
    private final HBox fields = new HBox(note, passes);

    /** {@code back} takes the keys to the score again when something has been typed. */
    StageWords(Desk desk, Runnable back) {
        this.desk = desk;
        this.back = back;
        setId("stage-words");
        setAlignment(Pos.CENTER_LEFT);
        setMinWidth(0);
        told.setId("told-students");
        told.getStyleClass().add("quiet");
        told.setMinWidth(0);
        told.setWrapText(true);
        told.setMaxHeight(TWO_LINES);
        note.setId("note-to-students");
        note.setPromptText("Your words to students about this version");
        note.setAccessibleText("Words to students about this version");
        HBox.setHgrow(note, Priority.ALWAYS);
        passes.setId("times-to-play");
        passes.setPromptText("times");
        passes.setAccessibleText("How many times it is to be played through");
        passes.setPrefColumnCount(4);
        passes.setMinWidth(72);
        Controls.tip(passes, "How many times it is to be played through before the next");
        fields.getStyleClass().add("stage-line");
        fields.setVisible(false);
        fields.managedProperty().bind(fields.visibleProperty());
        told.visibleProperty().bind(fields.visibleProperty().not());
        told.managedProperty().bind(told.visibleProperty());
        HBox.setHgrow(fields, Priority.ALWAYS);
        bind(note);
        bind(passes);
        getChildren().addAll(told, fields);
        desk.of(StageWords::words).subscribe(words -> {
            told.setText(words);
            Controls.tip(told, words);
        });
        desk.of(sight -> sight.chosen().stage()).subscribe(stage -> fields.setVisible(false));
    }

    private static String words(Sight sight) {
        return sight.version()
                .filter(version -> sight.isBegun())
                .map(version -> StairWords.toStudents(version.label()))
                .orElse("");
    }

    /** Enter and going elsewhere take both fields, Escape leaves them. */
    private void bind(TextField field) {
        field.setOnAction(event -> {
            end(true);
            back.run();
        });
        field.focusedProperty().addListener((at, before, isFocused) -> {
            // The scene knows already where the focus goes: from one of the two fields to the other nothing ends.
            Node next = getScene().getFocusOwner();
            if (!isFocused && !fields.getChildren().contains(next)) {
                end(true);
            }
        });
        field.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
                end(false);
                back.run();
                event.consume();
            }
        });
    }

    /** The fields, to be typed in. */
    void write() {
        desk.sight().get().version().ifPresent(version -> {
            note.setText(version.label().note());
            passes.setText(
                    version.label().passes() == 0
                            ? ""
                            : String.valueOf(version.label().passes()));
            fields.setVisible(true);
            note.requestFocus();
            note.selectAll();
        });
    }

    private void end(boolean isTaken) {
        if (fields.isVisible()) {
            fields.setVisible(false);
            if (isTaken) {
                desk.does(here -> Stages.tell(here, note.getText(), passes.getText()));
            }
        }
    }
}
