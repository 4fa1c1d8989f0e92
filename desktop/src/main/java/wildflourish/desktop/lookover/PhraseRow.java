package wildflourish.desktop.lookover;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import wildflourish.core.form.Phrasing;
import wildflourish.core.tune.Tune;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.desk.Writing;

/** The phrase of the chosen note: its name, to be typed over, and whether it begins with this bar. */
final class PhraseRow extends HBox {
    private final TextField name = new TextField();
    private final Button turn = new Button();

    PhraseRow(Desk desk) {
        getStyleClass().add("row");
        setAlignment(Pos.CENTER_LEFT);
        Label label = new Label("Phrase");
        label.setMinWidth(Region.USE_PREF_SIZE);
        label.setLabelFor(name);
        name.setId("phrase-name");
        name.setPrefColumnCount(5);
        name.setAccessibleText("name of this phrase");
        Controls.tip(
                name, "Your own name for this phrase, kept in the book; Enter sets it, an empty one takes it back");
        name.setOnAction(event -> desk.does(here -> Writing.namePhrase(here, name.getText())));
        HBox.setHgrow(name, Priority.ALWAYS);
        turn.setId("turn-phrase-here");
        turn.setMinWidth(Region.USE_PREF_SIZE);
        Controls.tip(turn, "Moves the border between two phrases (Ctrl+B)");
        turn.setOnAction(event -> desk.does(Writing::turnPhrase));
        getChildren().addAll(label, name, turn);
    }

    void show(Sight sight) {
        boolean hasPhrase = sight.tune().isPresent() && sight.note().isPresent();
        setDisable(!hasPhrase);
        if (!hasPhrase) {
            return;
        }
        Tune tune = sight.tune().get();
        int bar = tune.placeOf(sight.note().get()).bar();
        name.setText(Phrasing.of(tune).at(bar).name());
        turn.setText(tune.form().beginsPhrase(bar) ? "Join to the one before" : "Begin one here");
    }

    void focusName() {
        name.requestFocus();
        name.selectAll();
    }
}
