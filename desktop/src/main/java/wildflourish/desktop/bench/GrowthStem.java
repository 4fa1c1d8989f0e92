package wildflourish.desktop.bench;

import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;

/** The stages of the stair as nodes on a stem, the plainest at the foot. */
public final class GrowthStem extends VBox {
    private final Desk desk;
    private final VBox nodes = new VBox();

    public GrowthStem(Desk desk) {
        this.desk = desk;
        setId("growth-stem");
        getStyleClass().add("growth-stem");
        Label title = new Label("Stages");
        title.getStyleClass().add("panel-title");
        nodes.setAlignment(Pos.BOTTOM_CENTER);
        VBox.setVgrow(nodes, Priority.ALWAYS);
        Button copy = new Button("Copy up");
        copy.setId("copy-up");
        copy.setTooltip(new Tooltip("Copies this stage over the one above it (Ctrl+Up)"));
        copy.setOnAction(event -> desk.copyUp());
        copy.setFocusTraversable(true);
        getChildren().addAll(title, nodes, copy);
        desk.sight().addListener((at, before, after) -> {
            if (!before.stair().equals(after.stair())
                    || before.chosen().stage() != after.chosen().stage()) {
                show(after);
            }
        });
        show(desk.sight().get());
    }

    private void show(Sight sight) {
        nodes.getChildren().clear();
        if (sight.stair().isEmpty()) {
            return;
        }
        Stair stair = sight.stair().get();
        ToggleGroup group = new ToggleGroup();
        for (int stage = stair.stages().size() - 1; stage >= 0; stage--) {
            nodes.getChildren()
                    .add(node(stair.at(stage), stage, group, sight.chosen().stage()));
            if (stage > 0) {
                Region stem = new Region();
                stem.getStyleClass().add("stem");
                nodes.getChildren().add(stem);
            }
        }
    }

    private ToggleButton node(Version version, int stage, ToggleGroup group, int chosen) {
        int count = version.spots().size();
        ToggleButton node = new ToggleButton(version.name() + "\n" + (count == 0 ? "plain" : count + " spots"));
        node.setId("stage-" + stage);
        node.getStyleClass().add("stage");
        node.setToggleGroup(group);
        node.setSelected(stage == chosen);
        node.setTooltip(new Tooltip(version.name() + " at "
                + Words.tempo(version.playing().tempo()) + ". Page Up and Page Down climb the stem."));
        node.setAccessibleText("Stage " + version.name() + ", " + count + " spots");
        node.setOnAction(event -> {
            node.setSelected(true);
            desk.chooseStage(stage);
        });
        return node;
    }
}
