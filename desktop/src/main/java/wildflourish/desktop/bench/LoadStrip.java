package wildflourish.desktop.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.stream.Collectors;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Polyline;
import javafx.util.Duration;
import wildflourish.core.form.Phrase;
import wildflourish.core.hand.Scene;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Profile;
import wildflourish.core.placing.Load;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Stair;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.room.Tools;

/** Under the Stair: for each phrase of the stage in hand how much there is to do and whether it is clean at the tempo; beside it the curve over the stages, with their kinds and limits. */
final class LoadStrip extends HBox {
    private static final double TALLEST = 44;
    private static final double WIDTH = 250;
    private static final double DOT = 4;
    /** After a change; the score is laid out first. */
    private static final double PAUSE_MILLIS = 80;

    private final Desk desk;
    private final Executor soon;
    private final PauseTransition pause = new PauseTransition(Duration.millis(PAUSE_MILLIS));
    private final HBox phrases = new HBox(5);
    private final Pane curve = new Pane();
    private final Label words = new Label();
    private Optional<Wanted> asked = Optional.empty();

    /** All that decides what is shown. */
    private record Wanted(Optional<Tune> tune, Optional<Stair> stair, int stage, Profile profile, boolean isStair) {
        static Wanted of(Sight sight) {
            return new Wanted(
                    sight.tune(),
                    sight.stair(),
                    sight.chosen().stage(),
                    sight.chosen().profile(),
                    sight.room().equals(StairRoom.ID) && sight.isBegun());
        }
    }

    LoadStrip(Tools tools) {
        super(18);
        this.desk = tools.desk();
        this.soon = tools.soon();
        setId("load-strip");
        getStyleClass().add("load-strip");
        setAlignment(Pos.BOTTOM_LEFT);
        phrases.setAlignment(Pos.BOTTOM_LEFT);
        curve.setId("load-curve");
        curve.setMinSize(WIDTH, TALLEST + 2 * DOT);
        curve.setMaxSize(WIDTH, TALLEST + 2 * DOT);
        words.setWrapText(true);
        words.setMinHeight(Region.USE_PREF_SIZE);
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMaxWidth(Double.MAX_VALUE);
        words.setId("load-words");
        getChildren().addAll(phrases, curve, words);
        managedProperty().bind(visibleProperty());
        setVisible(false);
        desk.of(Wanted::of).subscribe(this::ask);
    }

    /** Asks a moment later: the score is seen first, and many strokes in a row are answered once. */
    private void ask(Wanted wanted) {
        boolean isShown =
                wanted.isStair() && wanted.tune().isPresent() && wanted.stair().isPresent();
        setVisible(isShown);
        asked = Optional.of(wanted);
        if (isShown) {
            pause.setOnFinished(event -> workOut(wanted));
            pause.playFromStart();
        } else {
            pause.stop();
        }
    }

    /** Works the loads out away from the window's thread; the last question is the one that is answered. */
    private void workOut(Wanted wanted) {
        Tune tune = wanted.tune().orElseThrow();
        List<Version> versions = wanted.stair().orElseThrow().versions();
        soon.execute(() -> {
            List<Load> loads = versions.stream()
                    .map(version -> Load.of(Scene.of(tune, version, wanted.profile())))
                    .toList();
            Platform.runLater(() -> {
                if (asked.equals(Optional.of(wanted))) {
                    show(wanted, versions, loads);
                }
            });
        });
    }

    private void show(Wanted wanted, List<Version> versions, List<Load> loads) {
        Load load = loads.get(wanted.stage());
        Tempo own = versions.get(wanted.stage()).playing().tempo();
        phrases.getChildren().clear();
        int most = Math.max(
                1,
                loads.stream()
                        .flatMap(each -> each.phrases().values().stream())
                        .mapToInt(each -> each)
                        .max()
                        .orElse(1));
        int index = 0;
        for (Map.Entry<Phrase, Integer> each : load.phrases().entrySet()) {
            Optional<Tempo> limit = Optional.ofNullable(load.limits().get(each.getKey()));
            phrases.getChildren().add(phrase(index++, each.getKey(), each.getValue(), limit, own, most));
        }
        curve(wanted, versions, loads);
        words.setText(words(versions.get(wanted.stage()), load));
    }

    private VBox phrase(int index, Phrase phrase, int weight, Optional<Tempo> limit, Tempo own, int most) {
        boolean isTooFast = limit.filter(each -> isSlower(each, own)).isPresent();
        Region bar = new Region();
        bar.getStyleClass().add(isTooFast ? "load-bar-warn" : "load-bar");
        double height = Math.max(2, TALLEST * weight / most);
        bar.setMinHeight(height);
        bar.setMaxHeight(height);
        Button name = Controls.button(
                phrase.name(),
                "load-" + index,
                phrase.name() + ": load " + weight
                        + limit.map(each -> ", clean to " + Words.tempo(each)).orElse("")
                        + (isTooFast ? ", which is slower than this stage goes" : ""),
                () -> desk.does(here -> Choosing.phrase(here, index)));
        name.getStyleClass().add("load-name");
        VBox column = new VBox(2, bar, name);
        column.setAlignment(Pos.BOTTOM_CENTER);
        return column;
    }

    private static boolean isSlower(Tempo one, Tempo other) {
        return one.beatsPerMinute()
                .times(one.beatLength())
                .isLessThan(other.beatsPerMinute().times(other.beatLength()));
    }

    /** A line that rises with the loads of the stages; a dot for each, those that cannot be played clean at their tempo marked. */
    private void curve(Wanted wanted, List<Version> versions, List<Load> loads) {
        curve.getChildren().clear();
        int stages = wanted.stair().orElseThrow().stages().size();
        int most = Math.max(1, loads.stream().mapToInt(Load::total).max().orElse(1));
        Polyline line = new Polyline();
        line.getStyleClass().add("load-line");
        List<Circle> dots = new ArrayList<>();
        double step = (WIDTH - 2 * DOT) / Math.max(1, versions.size() - 1);
        for (int i = 0; i < versions.size(); i++) {
            double x = DOT + i * step;
            double y = DOT + TALLEST * (1 - (double) loads.get(i).total() / most);
            if (i < stages) {
                line.getPoints().addAll(x, y);
            }
            Tempo own = versions.get(i).playing().tempo();
            boolean isTooFast = loads.get(i)
                    .cleanUpTo()
                    .filter(limit -> isSlower(limit, own))
                    .isPresent();
            Circle dot = new Circle(x, y, i == wanted.stage() ? DOT : DOT * 0.7);
            dot.getStyleClass().add(isTooFast ? "load-dot-warn" : "load-dot");
            dots.add(dot);
        }
        curve.getChildren().add(line);
        curve.getChildren().addAll(dots);
    }

    /** {@code Leaf: load 16. 10 cuts, 6 gaps. Clean to 131 minims a minute; it goes at 105.} */
    private static String words(Version version, Load load) {
        String kinds = load.kinds().entrySet().stream()
                .map(each -> each.getValue() + " "
                        + each.getKey().name().toLowerCase(Locale.ROOT).replace('_', ' ')
                        + (each.getValue() == 1 ? "" : "s"))
                .collect(Collectors.joining(", "));
        return version.name() + ": load " + load.total() + (kinds.isEmpty() ? "" : " (" + kinds + ")") + ". "
                + load.cleanUpTo()
                        .map(limit -> "Clean to " + Words.tempo(limit) + "; it goes at "
                                + Words.tempo(version.playing().tempo()) + ".")
                        .orElse("It has no limit.");
    }
}
