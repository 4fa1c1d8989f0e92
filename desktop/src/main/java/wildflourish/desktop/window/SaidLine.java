package wildflourish.desktop.window;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import org.kordamp.ikonli.javafx.FontIcon;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.play.Player;

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
        tell(new Player.Status(false, false, 0));
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

    /** Says how the sound fares. */
    void tell(Player.Status status) {
        device.setGraphic(new FontIcon(status.isSilent() ? "fth-volume-x" : "fth-volume-2"));
        String gaps = status.underruns() == 0
                ? ""
                : status.underruns() == 1 ? "1 gap in the sound" : status.underruns() + " gaps in the sound";
        device.setText(status.isLost() ? "sound device lost" : status.isSilent() ? "no sound device" : gaps);
        String words = status.isLost()
                ? "The sound device is gone: it plays on unheard and takes the device up again when it is back"
                : status.isSilent()
                        ? "There is no sound device: it plays silently. Connect a loudspeaker and press here to try again"
                        : gaps.isEmpty()
                                ? "The loudspeaker is found"
                                : gaps + ": the machine had no time for it. Close what else is busy";
        device.setAccessibleText(words);
        Controls.tip(device, words);
    }
}
