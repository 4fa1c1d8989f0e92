package wildflourish.desktop.bench;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import wildflourish.desktop.action.Controls;

/** Something the Bench offers to do, in a line: take it, see first what it would do, or leave it. */
final class OfferRow extends VBox {
    private static final int MOST_ROWS = 9;

    private final Label words = new Label();
    private final TextArea list = new TextArea();

    /** {@code others} are further ways to take it. */
    OfferRow(String id, String take, String tip, Runnable verb, Button... others) {
        setId(id);
        managedProperty().bind(visibleProperty());
        setVisible(false);
        Button takeIt = Controls.button(take, id + "-take", tip, () -> {
            setVisible(false);
            verb.run();
        });
        Button see = Controls.button("See them", id + "-see", "Lists each with what becomes of it, and why", () -> {
            list.setVisible(!list.isVisible());
        });
        Button leave = Controls.button("Not now", id + "-leave", "Nothing changes", () -> setVisible(false));
        words.setWrapText(true);
        words.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox line = new HBox(words, takeIt);
        line.getChildren().addAll(others);
        line.getChildren().addAll(see, leave);
        line.setAlignment(Pos.CENTER_LEFT);
        line.getStyleClass().add("notice");
        list.setId(id + "-list");
        list.setEditable(false);
        list.setWrapText(true);
        list.setVisible(false);
        list.managedProperty().bind(list.visibleProperty());
        getChildren().addAll(line, list);
    }

    /** Offers something, with a line for each thing it would do. */
    void offer(String offered, List<String> lines) {
        words.setText(offered);
        list.setText(String.join("\n", lines));
        list.setPrefRowCount(Math.min(MOST_ROWS, lines.size()));
        list.setVisible(false);
        setVisible(true);
    }

    void hide() {
        setVisible(false);
    }
}
