package wildflourish.desktop.window;

import java.util.List;
import java.util.Locale;
import javafx.collections.FXCollections;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** A list beside the score to be searched by typing: everything one can do, or everything that was done. */
final class FinderPanel extends VBox {
    /** A line of the list: its words, what stands at its end, and what choosing it does. */
    record Entry(String words, String end, Runnable verb) {}

    private final List<Entry> all;
    private final TextField sought = new TextField();
    private final ListView<Entry> list = new ListView<>();

    FinderPanel(String title, String prompt, List<Entry> entries, Runnable leave) {
        this.all = List.copyOf(entries);
        setId("finder");
        getStyleClass().add("fits");
        Label heading = new Label(title);
        heading.getStyleClass().add("panel-title");
        sought.setId("sought");
        sought.setPromptText(prompt);
        list.setId("found");
        list.setCellFactory(view -> new Cell());
        list.setPlaceholder(new Label("Nothing of that name. Try another word."));
        VBox.setVgrow(list, Priority.ALWAYS);
        getChildren().addAll(heading, sought, list);
        sought.textProperty().addListener((at, before, after) -> fill());
        sought.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.DOWN) {
                list.requestFocus();
                event.consume();
            }
        });
        sought.setOnAction(event -> choose(leave));
        list.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ENTER) {
                choose(leave);
                event.consume();
            }
        });
        list.setOnMouseClicked(event -> choose(leave));
        fill();
    }

    private void fill() {
        String wanted = sought.getText().toLowerCase(Locale.ROOT).strip();
        list.setItems(FXCollections.observableList(all.stream()
                .filter(entry -> entry.words().toLowerCase(Locale.ROOT).contains(wanted))
                .toList()));
        list.getSelectionModel().select(0);
    }

    private void choose(Runnable leave) {
        Entry entry = list.getSelectionModel().getSelectedItem();
        if (entry != null) {
            leave.run();
            entry.verb().run();
        }
    }

    void focus() {
        sought.requestFocus();
    }

    /** One line: the words, and at the end the key. */
    private static final class Cell extends ListCell<Entry> {
        private final Label words = new Label();
        private final Label end = new Label();
        private final HBox line;

        Cell() {
            words.setWrapText(true);
            words.setMaxWidth(190);
            Region gap = new Region();
            HBox.setHgrow(gap, Priority.ALWAYS);
            end.getStyleClass().add("clean");
            end.setMinWidth(Region.USE_PREF_SIZE);
            line = new HBox(words, gap, end);
        }

        @Override
        protected void updateItem(Entry entry, boolean isEmpty) {
            super.updateItem(entry, isEmpty);
            if (isEmpty || entry == null) {
                setGraphic(null);
                setAccessibleText("");
                return;
            }
            words.setText(entry.words());
            end.setText(entry.end());
            setGraphic(line);
            setAccessibleText(entry.words() + " " + entry.end());
        }
    }
}
