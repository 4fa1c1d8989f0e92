package wildflourish.desktop.bench;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.CheckBox;
import javafx.scene.control.TextField;
import javafx.scene.control.TitledPane;
import javafx.scene.layout.VBox;
import wildflourish.core.version.Layer;
import wildflourish.core.words.Words;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Here;
import wildflourish.desktop.desk.PhraseLayers;
import wildflourish.desktop.look.Pick;

/** What holds over the whole phrase of the chosen note, or over the chosen notes: how it is articulated, what is held, where it breathes; folded until it is wanted. */
final class PhraseRules extends TitledPane {
    private final Desk desk;
    private final VBox lines = new VBox();
    private final TextField basses = new TextField();
    private List<Layer.Rule> shown = List.of();

    PhraseRules(Desk desk) {
        this.desk = desk;
        setId("phrase-rules");
        getStyleClass().add("phrase-rules");
        lines.getStyleClass().add("rules");
        setContent(lines);
        setExpanded(false);
        setAnimated(false);
        managedProperty().bind(visibleProperty());
        basses.setId("basses");
        basses.setAccessibleText("Basses of the left hand");
        Controls.tip(basses, "The roots that each bass button has pressed and drawn, such as D/A,G/D,B/E,C/C");
        basses.setOnAction(event -> takeBasses());
        basses.focusedProperty().addListener((at, before, isFocused) -> {
            if (!isFocused && basses.getParent() != null) {
                takeBasses();
            }
        });
        expandedProperty().addListener((at, before, after) -> show(desk.here()));
    }

    private void takeBasses() {
        desk.does(here -> PhraseLayers.setBasses(here, basses.getText()));
    }

    void show(Here here) {
        List<Layer.Rule> rules = PhraseLayers.rules(here);
        long count = rules.stream().filter(rule -> PhraseLayers.has(here, rule)).count();
        setVisible(!rules.isEmpty());
        setText((here.sight().severalNotes().isPresent() ? "Over the chosen notes" : "In this phrase")
                + (count == 0 ? "" : " (" + count + ")"));
        if (!isExpanded()) {
            return;
        }
        if (!shown.equals(rules) || lines.getChildren().isEmpty()) {
            shown = rules;
            lines.getChildren().setAll(rules.stream().map(Line::new).toList());
        }
        lines.getChildren().forEach(each -> {
            if (each instanceof Line line) {
                line.show(here);
            }
        });
        Optional<String> left = PhraseLayers.basses(here);
        lines.getChildren().remove(basses);
        left.ifPresent(words -> {
            lines.getChildren().add(basses);
            if (!basses.isFocused()) {
                basses.setText(words);
            }
        });
    }

    /** One rule, and in which way it holds. */
    private final class Line extends VBox {
        private final Layer.Rule rule;
        private final CheckBox box = new CheckBox();
        private final Pick way;

        Line(Layer.Rule rule) {
            this.rule = rule;
            box.setId("layer-" + rule.id());
            box.setText(rule.name());
            box.setWrapText(true);
            Controls.tip(box, rule.about());
            box.setOnAction(event -> desk.does(here -> PhraseLayers.turn(here, rule)));
            way = new Pick(
                    "way-" + rule.id(),
                    "in which way",
                    chosen -> desk.does(here -> PhraseLayers.choose(here, rule, chosen)));
            way.managedProperty().bind(way.visibleProperty());
            getChildren().addAll(box, way);
        }

        void show(Here here) {
            List<String> ways = PhraseLayers.ways(here, rule);
            box.setSelected(PhraseLayers.has(here, rule));
            way.setVisible(box.isSelected() && ways.size() > 1);
            way.show(ways.stream().map(Words::way).toList(), PhraseLayers.way(here, rule));
        }
    }
}
