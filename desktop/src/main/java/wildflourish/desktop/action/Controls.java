package wildflourish.desktop.action;

import javafx.beans.binding.Bindings;
import javafx.scene.control.Button;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Control;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Region;
import javafx.util.Duration;
import org.kordamp.ikonli.javafx.FontIcon;

/** Buttons and menu lines made from actions. */
public final class Controls {
    private static final Duration TIP_AFTER = Duration.millis(500);

    private Controls() {}

    /** A button with the action's icon alone, its words for those who hear them. */
    public static Button icon(Action action) {
        Button button = button(action);
        button.setContentDisplay(ContentDisplay.GRAPHIC_ONLY);
        button.getStyleClass().add("icon-button");
        return button;
    }

    /** A button with the action's words, and its icon where it has one. */
    public static Button button(Action action) {
        Button button = new Button();
        dress(button, action);
        return button;
    }

    /** A button for something that is offered only now and then, and is no action of the window. */
    public static Button button(String words, String id, String tip, Runnable verb) {
        Button button = new Button(words);
        button.setId(id);
        button.setMinWidth(Region.USE_PREF_SIZE);
        tip(button, tip);
        button.setOnAction(event -> verb.run());
        return button;
    }

    /** A button that stays down while the action is on. */
    public static ToggleButton toggle(Action action) {
        ToggleButton button = new ToggleButton();
        dress(button, action);
        action.selected().ifPresent(on -> {
            on.subscribe(button::setSelected);
            button.selectedProperty().addListener((at, before, after) -> button.setSelected(on.getValue()));
        });
        return button;
    }

    private static void dress(ButtonBase button, Action action) {
        ActionRow row = action.row();
        button.setId(action.id());
        button.setText(row.words());
        row.icon().ifPresent(icon -> button.setGraphic(new FontIcon(icon)));
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.disableProperty().bind(Bindings.not(Bindings.createBooleanBinding(action::isEnabled, action.enabled())));
        button.setOnAction(event -> action.run());
        tip(button, action.tip());
    }

    /** Says what a control is for, when the pointer rests on it and to who hears it. */
    public static void tip(Control control, String words) {
        if (words.equals(control.getAccessibleHelp())) {
            return;
        }
        control.setAccessibleHelp(words);
        if (control.getTooltip() == null) {
            // Made when the pointer comes for the first time: a window has a hundred of them, few are ever seen.
            control.setOnMouseEntered(event -> {
                if (control.getTooltip() == null) {
                    Tooltip tip = new Tooltip();
                    tip.setShowDelay(TIP_AFTER);
                    tip.setWrapText(true);
                    tip.setMaxWidth(360);
                    tip.textProperty().bind(control.accessibleHelpProperty());
                    control.setTooltip(tip);
                }
            });
        }
    }

    /** A line of a menu, with its key. */
    public static MenuItem item(Action action) {
        MenuItem item = action.selected().isPresent()
                ? new CheckMenuItem(action.row().words())
                : new MenuItem(action.row().words());
        item.setId("menu-" + action.id());
        if (item instanceof CheckMenuItem check) {
            check.setSelected(action.selected().orElseThrow().getValue());
        }
        item.setDisable(!action.isEnabled());
        action.row().keys().stream().findFirst().map(Key::shown).ifPresent(item::setAccelerator);
        item.setOnAction(event -> action.run());
        return item;
    }
}
