package wildflourish.desktop.bench;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.words.Words;
import wildflourish.desktop.action.Actions;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Here;
import wildflourish.desktop.desk.Options;
import wildflourish.desktop.look.Pick;
import wildflourish.desktop.look.SignPicture;
import wildflourish.desktop.look.Theme;

/** What stands at the spot already: the options, the first of which is played, for which times through, and ways to change, spread and remove it. */
final class HerePane extends VBox {
    private static final List<String> TIMES = List.of("every time", "first time only", "second time only");

    private final VBox options = new VBox();
    private final Button next;
    private final Pick passes;
    private final Pick ways;
    private List<String> wayIds = List.of();

    HerePane(Desk desk, Actions actions) {
        getStyleClass().add("here");
        setId("here");
        next = Controls.button(actions.of("other-option"));
        next.managedProperty().bind(next.visibleProperty());
        Button remove = Controls.button(actions.of("remove"));
        remove.setText("Remove");
        Button everywhere = Controls.icon(actions.of("everywhere"));
        passes = new Pick(
                "passes",
                "Whether it is played each time round, or once",
                index -> desk.does(here -> Options.passes(here, index == 0 ? Passes.EVERY : Passes.only(index))));
        ways = new Pick(
                "ways",
                "The ornament's own ways of being played, where good players differ",
                index -> desk.does(here -> Options.ownSchool(here, wayIds.get(index))));
        ways.managedProperty().bind(ways.visibleProperty());
        FlowPane buttons = new FlowPane(6, 6, remove, everywhere, passes, ways, next);
        getChildren().addAll(options, buttons);
    }

    /** Answers whether there is anything. */
    boolean show(Here here, Theme theme) {
        Optional<Spot> spot = here.spot().filter(each -> !each.options().isEmpty());
        if (spot.isEmpty()) {
            return false;
        }
        List<Placement> all = spot.get().options();
        options.getChildren().clear();
        for (int i = 0; i < all.size(); i++) {
            options.getChildren().add(line(here, all.get(i), i == 0, theme));
        }
        next.setVisible(all.size() > 1);
        Set<Integer> numbers =
                spot.get().first().map(each -> each.passes().numbers()).orElse(Set.of());
        passes.show(TIMES, numbers.isEmpty() ? 0 : numbers.iterator().next());
        wayIds = spot.get().first().map(here::ownSchools).orElse(List.of());
        ways.setVisible(wayIds.size() > 1);
        if (wayIds.size() > 1) {
            String played = here.ownSchool(spot.get().first().orElseThrow());
            ways.show(wayIds.stream().map(id -> id.replace('-', ' ')).toList(), Math.max(0, wayIds.indexOf(played)));
        }
        return true;
    }

    private static HBox line(Here here, Placement placement, boolean isPlayed, Theme theme) {
        SignPicture sign = new SignPicture();
        sign.show(here.signsOf(placement), theme);
        Label name = new Label((isPlayed ? "Here: " : "or: ") + Words.name(placement.stack()));
        name.getStyleClass().add("option");
        name.setWrapText(true);
        HBox line = new HBox(sign, name);
        line.setAlignment(Pos.CENTER_LEFT);
        return line;
    }
}
