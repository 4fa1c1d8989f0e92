package wildflourish.desktop.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import wildflourish.core.engraving.GesturePicture;
import wildflourish.core.engraving.Ink;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.performance.Moment;
import wildflourish.core.words.Steps;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.look.FingersPicture;
import wildflourish.desktop.look.Theme;

/** Where a note has several fingerings: each as a picture, the one the teacher keeps to pressed. */
final class FingeringRow extends HBox {
    private final Desk desk;
    private final Label label = new Label("Fingering");
    private final List<Choice> choices = new ArrayList<>();

    FingeringRow(Desk desk) {
        this.desk = desk;
        setId("fingerings");
        getStyleClass().add("fingering-row");
        label.setMinWidth(Region.USE_PREF_SIZE);
        getChildren().add(label);
        managedProperty().bind(visibleProperty());
    }

    void show(Theme theme) {
        List<Fingering> all = desk.fingers().choices();
        setVisible(all.size() > 1);
        if (all.size() < 2) {
            return;
        }
        Optional<Fingering> pinned = desk.fingers().pinned();
        while (choices.size() < all.size()) {
            choices.add(new Choice(choices.size()));
            getChildren().add(choices.get(choices.size() - 1));
        }
        for (int i = 0; i < choices.size(); i++) {
            choices.get(i).setVisible(i < all.size());
            if (i < all.size()) {
                choices.get(i).show(all.get(i), pinned.equals(Optional.of(all.get(i))), theme);
            }
        }
    }

    /** One fingering. */
    private final class Choice extends ToggleButton {
        private final FingersPicture picture = new FingersPicture();
        private Optional<Fingering> fingering = Optional.empty();

        Choice(int index) {
            setId("fingering-" + index);
            getStyleClass().add("fingering");
            setGraphic(picture);
            managedProperty().bind(visibleProperty());
            setOnAction(event -> desk.fingers().keep(isSelected() ? fingering : Optional.empty()));
        }

        void show(Fingering shown, boolean isPinned, Theme theme) {
            setSelected(isPinned);
            if (!fingering.equals(Optional.of(shown))) {
                fingering = Optional.of(shown);
                String words = Steps.holes(shown);
                setAccessibleHelp("Keep to this fingering here: " + words
                        + " (Shift+F; press it again to let the program choose)");
                setAccessibleText(words);
            }
            picture.show(
                    List.of(new GesturePicture.Step(Moment.Role.MELODY, Optional.empty(), shown)),
                    Ink.FINGERING,
                    theme);
        }
    }
}
