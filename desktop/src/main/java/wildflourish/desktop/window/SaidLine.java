package wildflourish.desktop.window;

import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import wildflourish.desktop.desk.Desk;

/** The line at the foot of the window: what was done last, or why it was not; and where there is no sound device, that there is none. */
final class SaidLine extends HBox {
    private final Label device = new Label();

    SaidLine(Desk desk) {
        getStyleClass().add("said-line");
        setAlignment(Pos.CENTER_LEFT);
        device.setId("sound-device");
        device.getStyleClass().add("sound-device");
        device.setMinWidth(Region.USE_PREF_SIZE);
        getChildren().addAll(said(desk), device);
    }

    private static Label said(Desk desk) {
        Label said = new Label();
        said.setId("said");
        said.getStyleClass().add("said");
        said.textProperty().bind(desk.said());
        said.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(said, Priority.ALWAYS);
        said.accessibleHelpProperty().bind(desk.said());
        return said;
    }

    /** Says that there is no sound device. Looking for one takes a moment, so the window does not wait for it. */
    void tellSilent() {
        device.setText("no sound device: it plays silently");
        device.setAccessibleHelp("Connect a loudspeaker and start again to hear it; everything else works as it is");
    }
}
