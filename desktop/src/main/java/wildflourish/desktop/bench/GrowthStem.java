package wildflourish.desktop.bench;

import java.util.ArrayList;
import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;

/** The stages of the stair as nodes on a stem, the plainest at the foot. */
public final class GrowthStem extends VBox {
    private final Desk desk;
    private final VBox nodes = new VBox();
    /** From the foot up; they stay while the number of stages does. */
    private final List<ToggleButton> buttons = new ArrayList<>();

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
        copy.setAccessibleHelp("Copies this stage over the one above it (Ctrl+Up)");
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
        int count = sight.stair().map(stair -> stair.stages().size()).orElse(0);
        if (count != buttons.size()) {
            rebuild(count);
        }
        sight.stair().ifPresent(stair -> {
            for (int stage = 0; stage < count; stage++) {
                fill(buttons.get(stage), stair.at(stage));
                buttons.get(stage).setSelected(stage == sight.chosen().stage());
            }
        });
    }

    private void rebuild(int count) {
        nodes.getChildren().clear();
        buttons.clear();
        ToggleGroup group = new ToggleGroup();
        for (int stage = 0; stage < count; stage++) {
            if (stage > 0) {
                Region stem = new Region();
                stem.getStyleClass().add("stem");
                nodes.getChildren().add(0, stem);
            }
            ToggleButton node = node(stage, group);
            buttons.add(node);
            nodes.getChildren().add(0, node);
        }
    }

    private ToggleButton node(int stage, ToggleGroup group) {
        ToggleButton node = new ToggleButton();
        node.setId("stage-" + stage);
        node.getStyleClass().add("stage");
        node.setToggleGroup(group);
        node.setOnAction(event -> {
            node.setSelected(true);
            desk.chooseStage(stage);
        });
        return node;
    }

    private static void fill(ToggleButton node, Version version) {
        int count = version.ornamented();
        node.setText(version.name() + "\n" + (count == 0 ? "plain" : spots(count)));
        node.setAccessibleHelp(version.name() + " at "
                + Words.tempo(version.playing().tempo()) + ". Page Up and Page Down climb the stem.");
        node.setAccessibleText("Stage " + version.name() + ", " + spots(count));
    }

    private static String spots(int count) {
        return count == 1 ? "1 spot" : count + " spots";
    }
}
