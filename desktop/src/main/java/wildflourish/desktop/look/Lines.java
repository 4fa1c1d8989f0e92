package wildflourish.desktop.look;

import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Headings, sentences and rows to be pressed, below each other. */
public final class Lines extends VBox {
    private final double width;

    /** Of a width in pixels. */
    public Lines(double width) {
        this.width = width;
        getStyleClass().add("lines");
    }

    public void clear() {
        getChildren().clear();
    }

    public void heading(String text) {
        Label heading = new Label(text);
        heading.getStyleClass().add("where");
        heading.setWrapText(true);
        getChildren().add(heading);
    }

    public void words(String text) {
        getChildren().add(new Paragraph(text, width));
    }

    /** Something to be pressed; {@code about} is the user data of its button. */
    public void row(String about, String text, String tip, Runnable verb) {
        Button row = new Button(text);
        row.setWrapText(true);
        row.setUserData(about);
        row.setMaxWidth(Double.MAX_VALUE);
        row.setPrefWidth(width);
        row.setMinHeight(Region.USE_PREF_SIZE);
        row.getStyleClass().addAll("card", "line");
        row.setTooltip(new Tooltip(tip));
        row.setAccessibleHelp(tip);
        row.setOnAction(event -> verb.run());
        getChildren().add(row);
    }
}
