package wildflourish.desktop.plain;

import java.util.function.Consumer;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import wildflourish.core.instrument.Instrument;
import wildflourish.desktop.desk.Desk;

/** Buttons of a box or a concertina that a maker has made otherwise, to be typed; not there for other instruments. */
final class ButtonRow extends HBox {
    private final TextField buttons = new TextField();

    ButtonRow(Desk desk, Consumer<Instrument> chosen) {
        getStyleClass().add("phrase-row");
        managedProperty().bind(visibleProperty());
        Label label = new Label("Buttons made otherwise");
        label.setMinWidth(Region.USE_PREF_SIZE);
        label.setLabelFor(buttons);
        buttons.setId("own-buttons");
        buttons.setAccessibleHelp(
                "A button, what it sounds pressed, what it sounds drawn; several with spaces between. Enter takes them");
        buttons.setAccessibleText("Buttons made otherwise");
        HBox.setHgrow(buttons, Priority.ALWAYS);
        buttons.setOnAction(event -> {
            try {
                chosen.accept(desk.sight().get().chosen().instrument().withButtons(buttons.getText()));
            } catch (IllegalArgumentException e) {
                desk.say("Not taken: " + e.getMessage());
            }
        });
        getChildren().addAll(label, buttons);
        desk.sight().addListener((at, before, after) -> show(after.chosen().instrument()));
        show(desk.sight().get().chosen().instrument());
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
