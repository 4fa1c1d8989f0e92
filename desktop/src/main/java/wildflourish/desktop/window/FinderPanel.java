package wildflourish.desktop.window;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.collections.FXCollections;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import javafx.util.Callback;
import wildflourish.desktop.look.Paragraph;

/** A list beside the score to be searched by typing: everything one can do, or everything that was done. */
final class FinderPanel extends VBox {
    /** A line of the list: its words, what stands at its end, and what choosing it does. */
    record Entry(String words, String end, Runnable verb) {}

    /** For the words of a line, in pixels, and what a letter of the key at its end takes of them where it is a long one. */
    private static final double WORDS_WIDTH = 190;

    private static final double LINE_WIDTH = 246;
    private static final double KEY_LETTER = 6.7;

    /** Of the list, in pixels, when it is folded, and what it gains at a time. */
    private static final double FOLDED_HEIGHT = 40;

    private static final double STEP_HEIGHT = 80;

    private List<Entry> all = List.of();
    private boolean isFolded = true;
    private final TextField sought = new TextField();
    private final ListView<Entry> list = new ListView<>();

    /** With an id, which begins those of its field and its list, and what stands above it; {@code leave} is done before what is chosen. */
    FinderPanel(String id, String title, Runnable leave) {
        setId(id);
        getStyleClass().add("fits");
        Label heading = new Label(title);
        heading.getStyleClass().add("panel-title");
        sought.setId(id + "-sought");
        sought.setPromptText("Type a word: note, save, stage …");
        list.setId(id + "-found");
        list.setMaxHeight(FOLDED_HEIGHT);
        list.setCellFactory(new Cells());
        list.setPlaceholder(new Label("Nothing of that name. Try another word."));
        VBox.setVgrow(list, Priority.ALWAYS);
        getChildren().addAll(heading, sought, list);
        sought.textProperty().addListener((at, before, after) -> find());
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
    }

    /**
     * The steps that leave only the first lines of the list in place, so that there is little of it to be styled; none where it is so already. Each lays out what it
     * changes: the list may be taken out of the window before the next frame. They do nothing where the list is to unfold again meanwhile.
     */
    List<Runnable> fold() {
        if (isFolded) {
            return List.of();
        }
        isFolded = true;
        return List.of(
                folding(() -> list.setMaxHeight(FOLDED_HEIGHT)), folding(() -> list.setCellFactory(new Cells())));
    }

    private Runnable folding(Runnable step) {
        return () -> {
            if (isFolded) {
                step.run();
                layout();
            }
        };
    }

    /** The steps that bring back the whole list, some lines each; none where it is there. */
    List<Runnable> unfold() {
        List<Runnable> steps = new ArrayList<>();
        if (isFolded) {
            isFolded = false;
            for (double height = FOLDED_HEIGHT; height < getHeight(); height += STEP_HEIGHT) {
                double next = height;
                steps.add(() -> list.setMaxHeight(next));
            }
            steps.add(() -> list.setMaxHeight(Double.MAX_VALUE));
        }
        return steps;
    }

    /** The steps of {@link #unfold} where the panel is in sight; out of sight it stays folded until it comes there. */
    List<Runnable> unfoldInSight() {
        return isVisible() ? unfold() : List.of();
    }

    /** The steps after which all lines are there again the next time, whatever was sought; for when the panel is out of sight. */
    List<Runnable> forget() {
        if (sought.getText().isEmpty()) {
            return List.of();
        }
        List<Runnable> steps = new ArrayList<>(fold());
        steps.add(folding(sought::clear));
        return steps;
    }

    /** Shows other lines to be searched. */
    void fill(List<Entry> entries) {
        sought.clear();
        if (!all.equals(entries)) {
            all = List.copyOf(entries);
            find();
        }
        list.getSelectionModel().select(0);
        list.scrollTo(0);
    }

    private void find() {
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

    /** Makes cells; another such makes the list let go of those it has. */
    private static final class Cells implements Callback<ListView<Entry>, ListCell<Entry>> {
        @Override
        public ListCell<Entry> call(ListView<Entry> view) {
            return new Cell();
        }
    }

    /** One line: the words, and at the end the key, as the cell's own words. It has as few parts as can be: a list in sight has many cells to be styled. */
    private static final class Cell extends ListCell<Entry> {
        private final Paragraph words = new Paragraph(WORDS_WIDTH);
        private final Text measure = new Text();

        Cell() {
            getStyleClass().add("found-cell");
            setGraphic(words);
            fontProperty().addListener((at, before, after) -> part());
            words.layoutBoundsProperty().addListener((at, before, after) -> part());
        }

        @Override
        protected void updateItem(Entry entry, boolean isEmpty) {
            super.updateItem(entry, isEmpty);
            words.setVisible(!isEmpty && entry != null);
            if (isEmpty || entry == null) {
                setText("");
                setAccessibleText("");
                return;
            }
            words.setWrappingWidth(
                    Math.min(WORDS_WIDTH, LINE_WIDTH - KEY_LETTER * entry.end().length()));
            words.setText(entry.words());
            setText(entry.end());
            part();
            setAccessibleText(entry.words() + " " + entry.end());
        }

        /** The key ends where all keys end. */
        private void part() {
            measure.setFont(getFont());
            measure.setText(getText());
            setGraphicTextGap(Math.floor(LINE_WIDTH
                    - words.getLayoutBounds().getWidth()
                    - measure.getLayoutBounds().getWidth()));
        }
    }
}
