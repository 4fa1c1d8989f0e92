package wildflourish.desktop.versions;

import java.util.List;
import java.util.Optional;
import java.util.function.IntConsumer;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Arranging;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Look;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Theme;
import wildflourish.desktop.room.Room;
import wildflourish.desktop.room.Tools;
import wildflourish.desktop.view.ScoreView;
import wildflourish.desktop.view.ScoreWish;

/** Two versions of a phrase one over the other, heard by turns; beside them what differs, phrases to be put together and the plan of times through. */
public final class VersionsRoom implements Room {
    public static final String ID = "versions";

    private final Desk desk;
    private final ScoreView score;
    private final VersionsPane pane;
    private final VBox centre;
    private final ComboBox<String> inHand = new ComboBox<>();
    private final ComboBox<String> against = new ComboBox<>();
    /** The version that the one worked on is held against, by its place in the stair. */
    private final IntegerProperty other = new SimpleIntegerProperty(0);

    private boolean isFilling;

    /** All that decides what is compared. */
    private record Shown(
            Optional<Tune> tune, Optional<Stair> stair, int stage, Profile profile, Look look, Optional<NoteId> note) {
        static Shown of(Sight sight) {
            return new Shown(
                    sight.tune(),
                    sight.stair(),
                    sight.chosen().stage(),
                    sight.chosen().profile(),
                    sight.look(),
                    sight.note());
        }
    }

    public VersionsRoom(Tools tools) {
        this.desk = tools.desk();
        score = new ScoreView(tools.soon(), hands());
        score.setId("two-versions");
        score.setAccessibleText("The phrase in two versions");
        pane = new VersionsPane(tools, other);
        bindPick(inHand, "in-hand", "The version worked on");
        bindPick(against, "against", "The version it is held against");
        inHand.setOnAction(event -> picked(inHand, index -> desk.does(here -> Choosing.stage(here, index))));
        against.setOnAction(event -> picked(against, index -> {
            other.set(index);
            show(Shown.of(desk.sight().get()));
        }));
        var isHere = tools.isIn(ID);
        tools.actions().bind("other-version", isHere, this::turn);
        tools.actions().bind("take-phrase", isHere, () -> desk.does(here -> Arranging.takePhrase(here, other.get())));
        for (String tab : VersionsPane.TABS) {
            tools.actions().bind(tab, () -> {
                desk.enter(ID);
                pane.open(tab);
            });
        }
        Label words = new Label("held against");
        HBox picks = new HBox(
                inHand,
                words,
                against,
                Controls.button(tools.actions().of("other-version")),
                Controls.button(tools.actions().of("take-phrase")));
        picks.setAlignment(Pos.CENTER_LEFT);
        picks.getStyleClass().add("picks");
        VBox.setVgrow(score, Priority.ALWAYS);
        centre = new VBox(picks, score);
        tools.whileIn(ID, Shown::of, this::show);
        tools.whileIn(ID, Sight::range, score::mark);
    }

    private static void bindPick(ComboBox<String> pick, String id, String words) {
        pick.setId(id);
        pick.setAccessibleText(words);
        Controls.tip(pick, words);
    }

    private void picked(ComboBox<String> pick, IntConsumer then) {
        int index = pick.getSelectionModel().getSelectedIndex();
        if (!isFilling && index >= 0) {
            then.accept(index);
        }
    }

    /** The version worked on and the other change places; what plays goes on where it is. */
    private void turn() {
        Sight sight = desk.sight().get();
        int before = sight.chosen().stage();
        int next = other.get();
        other.set(before);
        desk.does(here -> Choosing.stage(here, next));
    }

    private ScoreView.Hands hands() {
        return new ScoreView.Hands() {
            @Override
            public void chose(NoteId note) {
                desk.does(here -> Choosing.note(here, note));
            }

            @Override
            public void chose(int row, NoteId note) {
                turn();
                desk.does(here -> Choosing.note(here, note));
            }

            @Override
            public void reached(NoteId note) {
                desk.does(here -> Choosing.until(here, note));
            }
        };
    }

    private void show(Shown shown) {
        List<Version> versions = shown.stair().map(Stair::versions).orElse(List.of());
        if (versions.isEmpty() || shown.tune().isEmpty()) {
            return;
        }
        if (other.get() >= versions.size() || other.get() == shown.stage()) {
            other.set(shown.stage() > 0 ? shown.stage() - 1 : 1);
        }
        fill(versions.stream().map(Version::name).toList(), shown.stage());
        int low = Math.min(other.get(), shown.stage());
        int high = Math.max(other.get(), shown.stage());
        ScoreWish.Stages two = new ScoreWish.Stages(
                List.of(versions.get(low), versions.get(high)), List.of(-1, 0), shown.stage() == low ? 0 : 1);
        score.show(new ScoreWish(
                        shown.tune(),
                        Optional.of(versions.get(shown.stage())),
                        shown.profile(),
                        shown.look().shows(),
                        shown.look().size(),
                        shown.look().page(),
                        false,
                        shown.note(),
                        List.of())
                .with(two));
        pane.show();
    }

    private void fill(List<String> names, int stage) {
        isFilling = true;
        inHand.getItems().setAll(names);
        against.getItems().setAll(names);
        inHand.getSelectionModel().select(stage);
        against.getSelectionModel().select(other.get());
        isFilling = false;
    }

    @Override
    public String id() {
        return ID;
    }

    @Override
    public Region centre() {
        return centre;
    }

    @Override
    public Optional<Region> side() {
        return Optional.of(pane);
    }

    @Override
    public Node first() {
        return score;
    }

    @Override
    public void setTheme(Theme theme) {
        score.setTheme(theme);
    }

    @Override
    public void hear(Optional<Double> millis, Optional<NoteId> note) {
        score.light(note);
    }
}
