package wildflourish.desktop.window;

import java.util.LinkedHashMap;
import java.util.Map;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Notices below the book bar, each with what can be done about it; never in the way of working on. */
final class Banner extends VBox {
    private final Map<String, HBox> notices = new LinkedHashMap<>();
    private final VBox passing = new VBox();

    Banner() {
        setId("banner");
        getChildren().add(passing);
    }

    /** Shows a notice, in place of an earlier one of the same kind. */
    void show(String kind, String words, Button... buttons) {
        Label label = new Label(words);
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        label.setMaxWidth(Double.MAX_VALUE);
        show(kind, label, buttons);
    }

    /** Shows a notice with something other than a line of words in it. */
    void show(String kind, Region content, Button... buttons) {
        notices.put(kind, notice(kind, content, buttons));
        passing.getChildren().setAll(notices.values());
    }

    /** A notice that comes and goes often: it stays, and is seen when it is made visible. */
    HBox keep(String kind, Region content, Button... buttons) {
        HBox notice = notice(kind, content, buttons);
        notice.managedProperty().bind(notice.visibleProperty());
        notice.setVisible(false);
        getChildren().add(notice);
        return notice;
    }

    private static HBox notice(String kind, Region content, Button... buttons) {
        HBox.setHgrow(content, Priority.ALWAYS);
        HBox notice = new HBox(content);
        notice.setId("notice-" + kind);
        notice.getChildren().addAll(buttons);
        notice.setAlignment(Pos.CENTER_LEFT);
        notice.getStyleClass().add("notice");
        return notice;
    }

    void hide(String kind) {
        if (notices.remove(kind) != null) {
            passing.getChildren().setAll(notices.values());
        }
    }
}
