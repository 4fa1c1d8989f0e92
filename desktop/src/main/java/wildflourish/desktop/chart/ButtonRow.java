package wildflourish.desktop.chart;

import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import wildflourish.core.instrument.Instrument;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.room.Tools;

/** Buttons of a box or a concertina that a maker has made otherwise, to be typed; not there for other instruments. */
final class ButtonRow extends HBox {
    private final TextField buttons = new TextField();

    ButtonRow(Tools tools) {
        Desk desk = tools.desk();
        getStyleClass().add("row");
        setAlignment(Pos.CENTER_LEFT);
        managedProperty().bind(visibleProperty());
        Label label = new Label("Buttons made otherwise");
        label.setMinWidth(Region.USE_PREF_SIZE);
        label.setLabelFor(buttons);
        buttons.setId("own-buttons");
        buttons.setAccessibleText("Buttons made otherwise");
        Controls.tip(
                buttons,
                "A button, what it sounds pressed, what it sounds drawn; several with spaces between. Enter takes them");
        HBox.setHgrow(buttons, Priority.ALWAYS);
        buttons.setOnAction(event -> {
            try {
                tools.work(desk.sight().get().instrument().withButtons(buttons.getText()));
            } catch (IllegalArgumentException e) {
                desk.say("Not taken: " + e.getMessage());
            }
        });
        getChildren().addAll(label, buttons);
        desk.of(Sight::instrument).subscribe(this::show);
    }

    private void show(Instrument instrument) {
        setVisible(instrument.buttons().isPresent());
        instrument.buttons().ifPresent(layout -> {
            String button = layout.buttons().get(0).name();
            buttons.setPromptText(
                    layout.isSameBothWays()
                            ? "none; write such as  " + button + ".G♯3  for a key and what it sounds"
                            : "none; write such as  " + button + ".G♯3.A3  for a button, its press and its draw");
        });
        if (!buttons.isFocused() || !instrument.ownButtons().isEmpty()) {
            buttons.setText(instrument.ownButtons());
        }
    }
}
