package wildflourish.desktop.window;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import org.kordamp.ikonli.javafx.FontIcon;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Desk;

/** The line at the foot of the window: what was done last, or why it was not; and whether there is a sound device. */
final class SaidLine extends HBox {
    private final Button device = new Button();

    /** {@code retry} looks for a sound device anew. */
    SaidLine(Desk desk, Runnable retry) {
        getStyleClass().add("said-line");
        setAlignment(Pos.CENTER_LEFT);
        device.setId("sound-device");
        device.getStyleClass().addAll("flat", "sound-device");
        device.setOnAction(event -> retry.run());
        tellDevice(false);
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

    /** Says whether there is a sound device. */
    void tellDevice(boolean isSilent) {
        device.setGraphic(new FontIcon(isSilent ? "fth-volume-x" : "fth-volume-2"));
        device.setText(isSilent ? "no sound device" : "");
        String words = isSilent
                ? "There is no sound device: it plays silently. Connect a loudspeaker and press here to try again"
                : "The loudspeaker is found";
        device.setAccessibleText(words);
        Controls.tip(device, words);
    }
}
