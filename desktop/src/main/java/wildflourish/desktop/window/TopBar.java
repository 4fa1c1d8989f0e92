package wildflourish.desktop.window;

import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.SeparatorMenuItem;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import org.kordamp.ikonli.javafx.FontIcon;
import wildflourish.desktop.action.Actions;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.room.Room;

/** At the top: the rooms as tabs, and what one does everywhere. */
final class TopBar extends HBox {
    /** With all that stands in menus, by its groups in their order. */
    private static final List<String> GROUPS = List.of(
            "book",
            "take away",
            "walk",
            "place",
            "wherever it comes back",
            "phrase",
            "stages",
            "hear",
            "look",
            "chart",
            "best fit",
            "write",
            "rooms");

    TopBar(Desk desk, Actions actions, List<Room> rooms) {
        getStyleClass().add("top-bar");
        setAlignment(Pos.CENTER_LEFT);
        setFillHeight(false);
        MenuButton all = menu("all", "", "Everything one can do, by its kind");
        all.setGraphic(new FontIcon("fth-menu"));
        all.setAccessibleText("Everything one can do");
        all.setOnShowing(event -> all.getItems()
                .setAll(GROUPS.stream().map(group -> group(actions, group)).toList()));
        all.getItems().add(new MenuItem());
        getChildren().add(all);
        for (Room room : rooms) {
            ToggleButton tab = Controls.toggle(actions.of("room-" + room.id()));
            tab.getStyleClass().add("room-tab");
            tab.setAccessibleRole(AccessibleRole.TAB_ITEM);
            getChildren().add(tab);
        }
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        MenuButton takeAway = menu("take-away", "Take away", "The tune or the chart as a file");
        takeAway.setGraphic(new FontIcon("fth-download"));
        takeAway.setOnShowing(event -> takeAway.getItems().setAll(items(actions, "take away")));
        takeAway.getItems().add(new MenuItem());
        getChildren()
                .addAll(
                        gap,
                        Controls.icon(actions.of("undo")),
                        Controls.icon(actions.of("redo")),
                        Controls.icon(actions.of("save")),
                        takeAway,
                        view(actions),
                        Controls.icon(actions.of("find")));
    }

    static MenuButton menu(String id, String words, String tip) {
        MenuButton button = new MenuButton(words);
        button.setId(id);
        button.setMinWidth(Region.USE_PREF_SIZE);
        Controls.tip(button, tip);
        return button;
    }

    static List<MenuItem> items(Actions actions, String group) {
        return actions.group(group).stream().map(Controls::item).toList();
    }

    private static Menu group(Actions actions, String group) {
        Menu menu = new Menu(group.substring(0, 1).toUpperCase(Locale.ROOT) + group.substring(1));
        menu.getItems().setAll(items(actions, group));
        return menu;
    }

    private static MenuButton view(Actions actions) {
        MenuButton view = menu("view", "View", "What is shown, and how");
        view.setGraphic(new FontIcon("fth-sliders"));
        view.setOnShowing(event -> {
            view.getItems()
                    .setAll(List.of("close-up", "write", "lens", "sheets", "small-notes", "letters").stream()
                            .map(actions::of)
                            .map(Controls::item)
                            .toList());
            view.getItems().add(sub(actions, "Under the notes", "fingerings"));
            Menu second = new Menu("Fingerings of a second instrument");
            second.getItems().setAll(InstrumentMenu.second(actions));
            view.getItems().add(second);
            view.getItems().add(new SeparatorMenuItem());
            List.of("larger", "smaller", "fit-width", "fit-whole").stream()
                    .map(actions::of)
                    .map(Controls::item)
                    .forEach(view.getItems()::add);
            view.getItems().add(new SeparatorMenuItem());
            List.of("light", "dark", "as-system").stream()
                    .map(actions::of)
                    .map(Controls::item)
                    .forEach(view.getItems()::add);
            view.getItems().add(new SeparatorMenuItem());
            view.getItems().add(sub(actions, "How often the first ending comes", "rounds"));
            view.getItems().add(Controls.item(actions.of("done")));
        });
        view.getItems().add(new MenuItem());
        return view;
    }

    private static Menu sub(Actions actions, String words, String group) {
        Menu menu = new Menu(words);
        menu.getItems().setAll(items(actions, group));
        return menu;
    }
}
