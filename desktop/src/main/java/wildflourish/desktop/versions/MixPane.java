package wildflourish.desktop.versions;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.TilePane;
import javafx.scene.layout.VBox;
import wildflourish.core.arranging.Join;
import wildflourish.core.arranging.Mix;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Beside;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.MixWords;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Besides;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.room.Tools;

/** A version put together: for each phrase the version it is taken from, what does not go well where they join, and what mends it. */
final class MixPane extends VBox {
    private final Desk desk;
    private final Tools tools;
    private final TilePane phrases = new TilePane(6, 6);
    private final VBox joins = new VBox(6);
    private final Label told = new Label();
    private final List<ComboBox<String>> picks = new ArrayList<>();
    private final Button set;
    private Optional<Tune> tune = Optional.empty();
    private Optional<Stair> stair = Optional.empty();
    private Optional<Version> made = Optional.empty();
    /** Counts what was asked, so that an answer that comes too late is passed over. */
    private int asked;

    MixPane(Tools tools) {
        super(8);
        this.tools = tools;
        this.desk = tools.desk();
        getStyleClass().add("lines");
        Label about = new Label("Each phrase from a version of your choice:");
        about.setWrapText(true);
        told.setWrapText(true);
        told.setMinHeight(Region.USE_PREF_SIZE);
        set = Controls.button(
                "Set it beside the stair",
                "mix-set",
                "A free version of these phrases; the stair stays as it is",
                this::set);
        phrases.setPrefColumns(3);
        getChildren().addAll(about, phrases, set, told, joins);
    }

    void show(Sight sight) {
        boolean isNew = !tune.equals(sight.tune()) || !names(stair).equals(names(sight.stair())) || picks.isEmpty();
        boolean isOther = !stair.equals(sight.stair());
        tune = sight.tune();
        stair = sight.stair();
        if (isNew) {
            rebuild(sight.chosen().stage());
        }
        if (isNew || isOther) {
            ask();
        }
    }

    private static List<String> names(Optional<Stair> stair) {
        return stair.map(Stair::versions).orElse(List.of()).stream()
                .map(Version::name)
                .toList();
    }

    private void rebuild(int stage) {
        phrases.getChildren().clear();
        picks.clear();
        if (tune.isEmpty()) {
            return;
        }
        List<Phrase> all = Phrasing.of(tune.get()).phrases();
        for (int i = 0; i < all.size(); i++) {
            ComboBox<String> pick = new ComboBox<>();
            pick.setId("mix-" + i);
            pick.setAccessibleText("Version of phrase " + all.get(i).name());
            pick.getItems().setAll(names(stair));
            pick.getSelectionModel().select(Math.min(stage, pick.getItems().size() - 1));
            pick.setOnAction(event -> ask());
            pick.setPrefWidth(96);
            picks.add(pick);
            Label name = new Label(all.get(i).name());
            name.setMinWidth(26);
            HBox one = new HBox(4, name, pick);
            one.setAlignment(Pos.CENTER_LEFT);
            phrases.getChildren().add(one);
        }
    }

    /** Puts the phrases together away from the window's thread. */
    private void ask() {
        if (tune.isEmpty() || stair.isEmpty() || picks.isEmpty()) {
            return;
        }
        Tune of = tune.get();
        Stair from = stair.get();
        List<Version> versions = picks.stream()
                .map(pick -> from.at(Math.max(0, pick.getSelectionModel().getSelectedIndex())))
                .toList();
        Profile profile = desk.sight().get().chosen().profile();
        int question = ++asked;
        tools.away().work("Putting phrases together", () -> Mix.of(of, versions, profile), mix -> {
            if (question == asked) {
                show(mix);
            }
        });
    }

    private void show(Mix mix) {
        made = Optional.of(mix.version());
        long sources = picks.stream()
                .map(pick -> pick.getSelectionModel().getSelectedIndex())
                .distinct()
                .count();
        set.setDisable(sources < 2);
        told.setText(
                sources < 2
                        ? "All phrases are of one version."
                        : mix.joins().isEmpty()
                                ? "The phrases join well."
                                : mix.joins().size() + " to look at where they join:");
        joins.getChildren().clear();
        for (Join join : mix.joins()) {
            joins.getChildren().add(row(join));
        }
    }

    private HBox row(Join join) {
        Label words = new Label(
                MixWords.of(join, tune.orElseThrow(), stair.orElseThrow().instrument()));
        words.setWrapText(true);
        words.setMaxWidth(310);
        words.setMinHeight(Region.USE_PREF_SIZE);
        HBox row = new HBox(6, words);
        row.setAlignment(Pos.CENTER_LEFT);
        join.remedy().ifPresent(remedy -> {
            Button mend = Controls.button(
                    "Mend", "mend-" + join.at().number() + "-" + join.kind(), "Does what is said here", () -> {});
            mend.setOnAction(event -> {
                made = made.map(now -> remedy.done(tune.orElseThrow(), now));
                mend.setDisable(true);
            });
            row.getChildren().add(mend);
        });
        return row;
    }

    private void set() {
        if (made.isEmpty()) {
            return;
        }
        List<Phrase> all = Phrasing.of(tune.orElseThrow()).phrases();
        String source = picks.stream()
                .map(pick -> all.get(picks.indexOf(pick)).name() + " " + pick.getValue())
                .collect(Collectors.joining(", "));
        desk.does(here -> Besides.add(
                here, new Beside(Beside.Kind.FREE, source, made.get().withName("Mixed")), "Put together: " + source));
    }
}
