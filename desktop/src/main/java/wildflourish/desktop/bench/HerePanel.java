package wildflourish.desktop.bench;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.words.Words;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.look.SignPicture;
import wildflourish.desktop.look.Theme;
import wildflourish.desktop.menu.Choice;

/** What stands at the spot already: the options, the first of which is played, for which times through, and a way to remove it. */
final class HerePanel extends VBox {
    private static final List<String> TIMES = List.of("every time", "first time only", "second time only");

    private final Desk desk;
    private final VBox options = new VBox();
    private final Button next = new Button("Play the other");
    private final Choice passes;
    private final Choice ways;
    private List<String> wayIds = List.of();

    HerePanel(Desk desk) {
        this.desk = desk;
        getStyleClass().add("here");
        options.getStyleClass().add("here");
        next.setOnAction(event -> desk.nextOption());
        next.managedProperty().bind(next.visibleProperty());
        Button remove = new Button("Remove");
        remove.setId("remove");
        remove.setAccessibleHelp("Takes the ornament away, here and in the stages below (Delete)");
        remove.setOnAction(event -> desk.remove());
        passes = new Choice(
                "passes",
                "Whether it is played each time round, or once",
                index -> desk.setPasses(index == 0 ? Passes.EVERY : Passes.only(index)));
        ways = new Choice(
                "ways",
                "The ornament's own ways of being played, where good players differ",
                index -> desk.setOwnSchool(wayIds.get(index)));
        ways.managedProperty().bind(ways.visibleProperty());
        HBox buttons = new HBox(next, remove, passes);
        buttons.getStyleClass().add("here-buttons");
        HBox second = new HBox(ways);
        second.managedProperty().bind(ways.visibleProperty());
        second.getStyleClass().add("here-buttons");
        getChildren().addAll(options, buttons, second);
        managedProperty().bind(visibleProperty());
    }

    void show(Theme theme) {
        Optional<Tune> tune = desk.sight().get().tune();
        Optional<Spot> spot = desk.spotHere();
        setVisible(spot.isPresent() && tune.isPresent());
        if (spot.isEmpty() || tune.isEmpty()) {
            return;
        }
        List<Placement> all = spot.get().options();
        while (options.getChildren().size() > all.size()) {
            options.getChildren().remove(options.getChildren().size() - 1);
        }
        for (int i = 0; i < all.size(); i++) {
            if (i == options.getChildren().size()) {
                options.getChildren().add(new Option());
            }
            ((Option) options.getChildren().get(i)).show(all.get(i), i == 0, theme);
        }
        showWays(spot.get());
        next.setVisible(all.size() > 1);
        Set<Integer> numbers =
                spot.get().first().map(each -> each.passes().numbers()).orElse(Set.of());
        passes.show(TIMES, numbers.isEmpty() ? 0 : numbers.iterator().next());
    }

    /** The ornament's own schools, the one that is played chosen; hidden where it has no choice. */
    private void showWays(Spot spot) {
        wayIds = spot.first().map(desk::ownSchools).orElse(List.of());
        ways.setVisible(wayIds.size() > 1);
        if (wayIds.size() > 1) {
            String played = desk.ownSchool(spot.first().orElseThrow());
            ways.show(wayIds.stream().map(id -> id.replace('-', ' ')).toList(), Math.max(0, wayIds.indexOf(played)));
        }
    }

    /** One of the options; it stays and shows another when the chosen note changes. */
    private final class Option extends HBox {
        private final Label name = new Label();
        private final SignPicture sign = new SignPicture();

        Option() {
            name.getStyleClass().add("option");
            setAlignment(Pos.CENTER_LEFT);
            getChildren().addAll(sign, name);
        }

        void show(Placement placement, boolean isPlayed, Theme theme) {
            name.setText((isPlayed ? "Here: " : "or: ") + Words.name(placement.stack()));
            name.setWrapText(true);
            sign.show(desk.signsOf(placement), theme);
        }
    }
}
