package wildflourish.desktop.action;

import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import javafx.collections.FXCollections;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** A list to be searched by typing: everything one can do, or everything that was done. */
public final class FinderPane extends VBox {
    private final Label heading = new Label();
    private final TextField sought = new TextField();
    private final ListView<Entry> list = new ListView<>();
    private final Runnable leave;
    private List<Entry> all = List.of();

    /** A line of the list: its words, what stands at its end, whether it can be done now and what choosing it does. */
    public record Entry(String words, String end, boolean isEnabled, Runnable verb) {
        static Entry of(Action action) {
            return new Entry(action.row().words(), action.row().keyWords(), action.isEnabled(), action::run);
        }
    }

    /** {@code leave} is done before what is chosen. */
    public FinderPane(Runnable leave) {
        this.leave = leave;
        setId("finder");
        getStyleClass().add("side");
        heading.getStyleClass().add("panel-title");
        sought.setId("finder-sought");
        sought.setPromptText("Type a word: note, save, stage …");
        list.setId("finder-found");
        list.setCellFactory(view -> new Cell());
        list.setPlaceholder(new Label("Nothing of that name. Try another word."));
        VBox.setVgrow(list, Priority.ALWAYS);
        getChildren().addAll(heading, sought, list);
        sought.textProperty().subscribe(words -> find());
        sought.setOnAction(event -> choose());
        sought.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.DOWN) {
                list.requestFocus();
                event.consume();
            }
        });
        list.setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ENTER) {
                choose();
                event.consume();
            }
        });
        list.setOnMouseClicked(event -> choose());
    }

    /** Lists all that can be done, then more of one's own; what cannot be done now is dim. */
    public void showActions(Actions actions, List<Entry> more) {
        show(
                "What you can do",
                Stream.concat(actions.all().stream().map(Entry::of), more.stream())
                        .toList());
    }

    public void show(String title, List<Entry> entries) {
        heading.setText(title);
        all = List.copyOf(entries);
        sought.clear();
        find();
        list.scrollTo(0);
        sought.requestFocus();
    }

    private void find() {
        List<String> wanted =
                List.of(sought.getText().toLowerCase(Locale.ROOT).strip().split(" +"));
        list.setItems(FXCollections.observableList(all.stream()
                .filter(entry -> wanted.stream()
                        .allMatch(word -> entry.words().toLowerCase(Locale.ROOT).contains(word)))
                .toList()));
        list.getSelectionModel().select(0);
    }

    private void choose() {
        Entry entry = list.getSelectionModel().getSelectedItem();
        if (entry != null && entry.isEnabled()) {
            leave.run();
            entry.verb().run();
        }
    }

    private static final class Cell extends ListCell<Entry> {
        private final Label words = new Label();
        private final Label end = new Label();
        private final HBox line = new HBox(8, words, end);

        Cell() {
            words.setWrapText(true);
            words.setMaxWidth(Double.MAX_VALUE);
            HBox.setHgrow(words, Priority.ALWAYS);
            end.setMinWidth(Region.USE_PREF_SIZE);
            end.getStyleClass().add("quiet");
            line.setAlignment(Pos.CENTER_LEFT);
            setPrefWidth(0);
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
            line.setDisable(!entry.isEnabled());
            setAccessibleText(entry.words() + " " + entry.end());
            setGraphic(line);
        }
    }
}
