package wildflourish.desktop.bench;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import wildflourish.core.engraving.GesturePicture;
import wildflourish.core.engraving.Ink;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.performance.Moment;
import wildflourish.core.words.Steps;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Fingers;
import wildflourish.desktop.desk.Here;
import wildflourish.desktop.look.FingersPicture;
import wildflourish.desktop.look.Theme;

/** Where a note has several fingerings: each as a picture, the one the teacher keeps to pressed. */
final class FingeringRow extends HBox {
    private final Desk desk;
    private final Label label = new Label("Fingering");

    FingeringRow(Desk desk) {
        this.desk = desk;
        setId("fingerings");
        setAlignment(Pos.CENTER_LEFT);
        getStyleClass().add("fingering-row");
        label.setMinWidth(Region.USE_PREF_SIZE);
        managedProperty().bind(visibleProperty());
    }

    void show(Here here, Theme theme) {
        List<Fingering> all = Fingers.choices(here);
        setVisible(all.size() > 1);
        getChildren().setAll(label);
        if (all.size() < 2) {
            return;
        }
        Optional<Fingering> pinned = Fingers.pinned(here);
        for (int i = 0; i < all.size(); i++) {
            getChildren().add(choice(i, all.get(i), pinned.equals(Optional.of(all.get(i))), theme));
        }
    }

    private ToggleButton choice(int index, Fingering fingering, boolean isPinned, Theme theme) {
        FingersPicture picture = new FingersPicture();
        picture.show(
                List.of(new GesturePicture.Step(Moment.Role.MELODY, Optional.empty(), fingering)),
                Ink.FINGERING,
                theme);
        ToggleButton button = new ToggleButton();
        String words = Steps.holes(fingering);
        button.setId("fingering-" + index);
        button.getStyleClass().add("fingering");
        button.setGraphic(picture);
        button.setSelected(isPinned);
        button.setAccessibleText(words);
        Controls.tip(
                button,
                "Keep to this fingering here: " + words + " (Shift+F; press it again to let the program choose)");
        button.setOnAction(event ->
                desk.does(here -> Fingers.keep(here, button.isSelected() ? Optional.of(fingering) : Optional.empty())));
        return button;
    }
}
