package wildflourish.desktop.look;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Headings, sentences and rows to be pressed, below each other. They stay and say something else: to make them anew takes longer than a keystroke may. */
public final class Lines extends VBox {
    private static final double ROW_PADDING = 24;

    private final double width;

    /** Something said in a line. */
    public sealed interface Line permits Heading, Words, Row {
        String text();
    }

    public record Heading(String text) implements Line {}

    public record Words(String text) implements Line {}

    /**
     * To be pressed.
     *
     * @param about what it is about, as user data of its button
     */
    public record Row(String about, String text, String tip, Runnable verb) implements Line {}

    /** Of a width in pixels. */
    public Lines(double width) {
        this.width = width;
        getStyleClass().add("cards");
    }

    /** None is in sight. */
    public void clear() {
        getChildren().forEach(line -> line.setVisible(false));
    }

    /** Says something in the line of an index, which is at most one further than any before. */
    public void say(int index, Line line) {
        Optional<Node> there =
                index < getChildren().size() ? Optional.of(getChildren().get(index)) : Optional.empty();
        if (line instanceof Row row) {
            Pressed pressed = there.filter(Pressed.class::isInstance)
                    .map(Pressed.class::cast)
                    .orElseGet(() -> put(index, new Pressed(width - ROW_PADDING)));
            pressed.show(row);
        } else {
            Paragraph paragraph = there.filter(Paragraph.class::isInstance)
                    .map(Paragraph.class::cast)
                    .orElseGet(() -> put(index, new Paragraph(width)));
            List<String> styles = line instanceof Heading ? List.of("paragraph", "where") : List.of("paragraph");
            if (!paragraph.getStyleClass().equals(styles)) {
                paragraph.getStyleClass().setAll(styles);
            }
            paragraph.setText(line.text());
        }
        getChildren().get(index).setVisible(true);
    }

    private <T extends Node> T put(int index, T line) {
        line.managedProperty().bind(line.visibleProperty());
        if (index < getChildren().size()) {
            getChildren().set(index, line);
        } else {
            getChildren().add(line);
        }
        return line;
    }

    /** A button shows its words as a paragraph; it has them itself for who hears them. */
    private static final class Pressed extends Button {
        private final Paragraph words;

        Pressed(double width) {
            words = new Paragraph(width);
            setGraphic(words);
            setContentDisplay(ContentDisplay.GRAPHIC_ONLY);
            setMaxWidth(Double.MAX_VALUE);
            setMinHeight(Region.USE_PREF_SIZE);
            getStyleClass().addAll("card", "line");
        }

        void show(Row row) {
            setUserData(row.about());
            setText(row.text());
            words.setText(row.text());
            setAccessibleHelp(row.tip());
            setOnAction(event -> row.verb().run());
        }
    }
}
