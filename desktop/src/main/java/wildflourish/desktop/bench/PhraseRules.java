package wildflourish.desktop.bench;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.VBox;
import wildflourish.core.version.Layer;
import wildflourish.desktop.desk.Desk;

/** What holds over the whole phrase of the chosen note: how it is articulated, what is held, where it breathes; folded until it is wanted. */
final class PhraseRules extends VBox {
    private final Desk desk;
    private final ToggleButton heading = new ToggleButton();
    private final List<CheckBox> boxes = new ArrayList<>();
    private List<Layer.Rule> rules = List.of();

    PhraseRules(Desk desk) {
        this.desk = desk;
        setId("phrase-rules");
        getStyleClass().add("cards");
        heading.setId("phrase-fold");
        heading.getStyleClass().add("fold");
        heading.setAccessibleHelp("What holds over the whole phrase: articulation, held notes, breaths");
        heading.setOnAction(event -> show());
        managedProperty().bind(visibleProperty());
        getChildren().add(heading);
    }

    void show() {
        rules = desk.layerRules();
        setVisible(!rules.isEmpty());
        long count = rules.stream().filter(desk::hasLayer).count();
        boolean isOpen = heading.isSelected();
        heading.setText((isOpen ? "▾  " : "▸  ") + "In this phrase" + (count == 0 ? "" : " (" + count + ")"));
        int wanted = isOpen ? rules.size() : 0;
        while (boxes.size() < wanted) {
            addBox();
        }
        for (int i = 0; i < boxes.size(); i++) {
            CheckBox box = boxes.get(i);
            box.setVisible(i < wanted);
            if (i < wanted) {
                Layer.Rule rule = rules.get(i);
                box.setId("layer-" + rule.id());
                box.setText(rule.name());
                box.setAccessibleHelp(rule.about());
                box.setSelected(desk.hasLayer(rule));
            }
        }
    }

    private void addBox() {
        int index = boxes.size();
        CheckBox box = new CheckBox();
        box.managedProperty().bind(box.visibleProperty());
        box.setOnAction(event -> desk.turnLayer(rules.get(index)));
        boxes.add(box);
        getChildren().add(box);
    }
}
