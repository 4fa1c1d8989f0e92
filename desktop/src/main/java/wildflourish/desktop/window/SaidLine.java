package wildflourish.desktop.window;

import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import wildflourish.desktop.desk.Desk;

/** The line at the foot of the window: what was done last, or why it was not; and where there is no sound device, that there is none. */
final class SaidLine extends HBox {
    SaidLine(Desk desk, boolean isSilent) {
        getStyleClass().add("said-line");
        setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(said(desk), device(isSilent));
    }

    private static Label said(Desk desk) {
        Label said = new Label();
        said.setId("said");
        said.getStyleClass().add("said");
        said.textProperty().bind(desk.said());
        said.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(said, Priority.ALWAYS);
        Tooltip whole = new Tooltip();
        whole.textProperty().bind(desk.said());
        said.setTooltip(whole);
        return said;
    }

    private static Label device(boolean isSilent) {
        Label device = new Label(isSilent ? "no sound device: it plays silently" : "");
        device.setId("sound-device");
        device.getStyleClass().add("sound-device");
        device.setMinWidth(Region.USE_PREF_SIZE);
        if (isSilent) {
            device.setTooltip(
                    new Tooltip("Connect a loudspeaker and start again to hear it; everything else works as it is"));
        }
        return device;
    }
}
