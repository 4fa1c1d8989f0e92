package wildflourish.desktop.versions;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Spinner;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.arranging.Whole;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Times;
import wildflourish.core.version.Version;
import wildflourish.core.words.TimesWords;
import wildflourish.core.words.Words;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Arranging;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.room.Tools;

/** The plan of times through: which version comes when, what leads in, joins and signs off; heard as one, taken away as one. */
final class TimesPane extends VBox {
    private final Desk desk;
    private final VBox turns = new VBox(4);
    private final VBox plan = new VBox(8);
    private final Label none =
            new Label("No times through are planned yet. The stages rise: the plainest first, the fullest last.");
    private final Label told = new Label();
    private final Button make;
    private final Spinner<Integer> intro = spinner("plan-intro", "Bars that lead in");
    private final Spinner<Integer> join = spinner("plan-join", "Bars held between two times");
    private final Spinner<Integer> tag = spinner("plan-tag", "Bars that sign off");
    private boolean isFilling;

    TimesPane(Tools tools) {
        super(8);
        this.desk = tools.desk();
        getStyleClass().add("lines");
        none.setWrapText(true);
        none.setMinHeight(Region.USE_PREF_SIZE);
        told.setWrapText(true);
        told.setMinHeight(Region.USE_PREF_SIZE);
        make = Controls.button("Plan all stages", "plan-make", "Each stage once, rising", this::begin);
        Button more =
                Controls.button("One more time", "plan-more", "At the end, as the plan goes on rising", this::more);
        Button let = Controls.button("No plan", "plan-none", "The versions stay", () -> change(Optional.empty()));
        HBox ways = new HBox(6, more, let);
        HBox bars = new HBox(
                6, new Label("Lead in"), intro, new Label("held"), join, new Label("tag"), tag, new Label("bars"));
        bars.setAlignment(Pos.CENTER_LEFT);
        VBox hear = new VBox(
                6,
                Controls.button(tools.actions().of("play-times")),
                Controls.button(tools.actions().of("take-times-pdf")));
        plan.getChildren().addAll(turns, ways, bars, told, hear);
        plan.managedProperty().bind(plan.visibleProperty());
        none.managedProperty().bind(none.visibleProperty());
        make.managedProperty().bind(make.visibleProperty());
        getChildren().addAll(none, make, plan);
        for (Spinner<Integer> each : List.of(intro, join, tag)) {
            each.valueProperty().addListener((at, before, after) -> bars());
        }
    }

    private static Spinner<Integer> spinner(String id, String words) {
        Spinner<Integer> spinner = new Spinner<>(0, Times.MOST_BARS, 0);
        spinner.setId(id);
        spinner.setPrefWidth(62);
        spinner.setAccessibleText(words);
        Controls.tip(spinner, words);
        return spinner;
    }

    void show(Sight sight) {
        Optional<Times> now = sight.stair().flatMap(Stair::times);
        none.setVisible(now.isEmpty());
        make.setVisible(now.isEmpty());
        plan.setVisible(now.isPresent());
        if (now.isEmpty()) {
            return;
        }
        Stair stair = sight.stair().orElseThrow();
        isFilling = true;
        intro.getValueFactory().setValue(now.get().intro());
        join.getValueFactory().setValue(now.get().join());
        tag.getValueFactory().setValue(now.get().tag());
        turns.getChildren().clear();
        for (int turn = 0; turn < now.get().turns().size(); turn++) {
            turns.getChildren().add(row(stair, now.get(), turn));
        }
        isFilling = false;
        told.setText(words(sight.tune().orElseThrow(), stair, now.get()));
    }

    private static String words(Tune tune, Stair stair, Times times) {
        List<TimesWords.Row> rows = TimesWords.rows(Whole.of(tune, stair, times));
        List<String> lines = new ArrayList<>();
        rows.forEach(row -> lines.add(row.at() + "  " + row.what()));
        lines.add(Words.tempo(times.tempo()));
        lines.addAll(TimesWords.remarks(stair, times));
        return String.join("\n", lines);
    }

    private HBox row(Stair stair, Times times, int turn) {
        ComboBox<String> pick = new ComboBox<>();
        pick.setId("turn-" + turn);
        pick.setAccessibleText("Version of time " + (turn + 1));
        pick.getItems().setAll(stair.versions().stream().map(Version::name).toList());
        pick.getSelectionModel().select(times.turns().get(turn));
        pick.setOnAction(event -> {
            if (!isFilling && pick.getValue() != null) {
                changed(times, turn, Optional.of(pick.getValue()));
            }
        });
        Button out = Controls.button(
                "Leave out",
                "turn-out-" + turn,
                "Takes this time out of the plan",
                () -> changed(times, turn, Optional.empty()));
        out.setDisable(times.turns().size() == 1);
        Label number = new Label((turn + 1) + ".");
        number.setMinWidth(24);
        HBox row = new HBox(6, number, pick, out);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private void changed(Times times, int turn, Optional<String> name) {
        List<String> names = new ArrayList<>(times.turns());
        if (name.isPresent()) {
            names.set(turn, name.get());
        } else {
            names.remove(turn);
        }
        change(Optional.of(times.withTurns(names)));
    }

    private void begin() {
        desk.sight().get().stair().ifPresent(stair -> {
            List<String> turns = Times.rising(stair.stages(), stair.stages().size());
            change(Optional.of(new Times(turns, Whole.slowest(stair.stages()))));
        });
    }

    /** The fullest stays last: one more comes before it, other than its neighbours. */
    private void more() {
        desk.sight()
                .get()
                .stair()
                .ifPresent(stair -> stair.times().ifPresent(times -> {
                    List<String> names = new ArrayList<>(times.turns());
                    if (names.size() == Times.MOST_TURNS) {
                        desk.say("A plan has " + Times.MOST_TURNS + " times at most.");
                        return;
                    }
                    int at = Math.max(0, names.size() - 1);
                    List<String> beside = names.subList(Math.max(0, at - 1), names.size());
                    String next = stair.versions().stream()
                            .map(Version::name)
                            .filter(name -> !beside.contains(name))
                            .reduce((one, other) -> other)
                            .orElse(names.get(0));
                    names.add(at, next);
                    change(Optional.of(times.withTurns(names)));
                }));
    }

    private void bars() {
        if (!isFilling) {
            desk.sight()
                    .get()
                    .stair()
                    .flatMap(Stair::times)
                    .ifPresent(times ->
                            change(Optional.of(times.withAdded(intro.getValue(), join.getValue(), tag.getValue()))));
        }
    }

    private void change(Optional<Times> times) {
        desk.does(here -> Arranging.plan(here, times));
    }
}
