package wildflourish.desktop.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.CheckBox;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.VBox;
import wildflourish.core.version.Layer;
import wildflourish.core.words.Words;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.PhraseLayers;
import wildflourish.desktop.menu.Choice;

/** What holds over the whole phrase of the chosen note: how it is articulated, what is held, where it breathes; folded until it is wanted. */
final class PhraseRules extends VBox {
    private final Desk desk;
    private final ToggleButton heading = new ToggleButton();
    private final List<CheckBox> boxes = new ArrayList<>();
    private final List<Choice> ways = new ArrayList<>();
    private final TextField basses = new TextField();
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
        basses.setId("basses");
        basses.setAccessibleText("Basses of the left hand");
        basses.setAccessibleHelp("The roots that each bass button has pressed and drawn, such as D/A,G/D,B/E,C/C");
        basses.managedProperty().bind(basses.visibleProperty());
        basses.setVisible(false);
        basses.setOnAction(event -> desk.layers().setBasses(basses.getText()));
        basses.focusedProperty().addListener((at, before, isFocused) -> {
            if (!isFocused && basses.isVisible()) {
                desk.layers().setBasses(basses.getText());
            }
        });
        getChildren().addAll(heading, basses);
    }

    void show() {
        PhraseLayers layers = desk.layers();
        rules = layers.rules();
        setVisible(!rules.isEmpty());
        long count = rules.stream().filter(layers::has).count();
        boolean isOpen = heading.isSelected();
        heading.setText((isOpen ? "▾  " : "▸  ") + "In this phrase" + (count == 0 ? "" : " (" + count + ")"));
        int wanted = isOpen ? rules.size() : 0;
        Optional<String> left = layers.basses();
        basses.setVisible(isOpen && left.isPresent());
        if (!basses.isFocused()) {
            left.ifPresent(basses::setText);
        }
        while (boxes.size() < wanted) {
            addBox();
        }
        for (int i = 0; i < boxes.size(); i++) {
            CheckBox box = boxes.get(i);
            Choice way = ways.get(i);
            box.setVisible(i < wanted);
            way.setVisible(i < wanted
                    && layers.has(rules.get(i))
                    && layers.ways(rules.get(i)).size() > 1);
            if (i < wanted) {
                Layer.Rule rule = rules.get(i);
                box.setId("layer-" + rule.id());
                box.setText(rule.name());
                box.setAccessibleHelp(rule.about());
                box.setSelected(layers.has(rule));
                way.setId("way-" + rule.id());
                way.show(layers.ways(rule).stream().map(Words::way).toList(), layers.way(rule));
            }
        }
    }

    private void addBox() {
        int index = boxes.size();
        CheckBox box = new CheckBox();
        box.managedProperty().bind(box.visibleProperty());
        box.setOnAction(event -> desk.layers().turn(rules.get(index)));
        Choice way = new Choice("way", "in which way", chosen -> desk.layers().choose(rules.get(index), chosen));
        way.managedProperty().bind(way.visibleProperty());
        boxes.add(box);
        ways.add(way);
        getChildren().addAll(getChildren().size() - 1, List.of(box, way));
    }
}
