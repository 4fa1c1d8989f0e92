package wildflourish.desktop.bench;

import java.util.List;
import java.util.Optional;
import javafx.animation.Animation;
import javafx.animation.PauseTransition;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextArea;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import wildflourish.core.problem.Problem;
import wildflourish.core.tune.Tune;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Look;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.desk.Writing;
import wildflourish.desktop.look.Lines;
import wildflourish.files.abc.TuneText;

/** The chosen tune as ABC text, to be typed and corrected: the score above follows, problems stand beside, a click on one goes to it. */
final class WritePane extends HBox {
    private static final double PAUSE_MILLIS = 180;
    /** More than these, what comes after the first ones is seldom true. */
    private static final int MOST_PROBLEMS = 6;

    private static final double PROBLEM_WIDTH = 300;

    private final Desk desk;
    private final TextArea text = new TextArea();
    private final Label title = new Label();
    private final Lines problems = new Lines(PROBLEM_WIDTH);
    private final PauseTransition pause = new PauseTransition(Duration.millis(PAUSE_MILLIS));
    private boolean isFilling;

    /** The tune, while the text is in sight. */
    private static Optional<Tune> wanted(Sight sight) {
        return sight.look().pane() == Look.Pane.WRITE ? sight.tune() : Optional.empty();
    }

    WritePane(Desk desk) {
        this.desk = desk;
        setId("write-pane");
        getStyleClass().add("write");
        text.setId("tune-text");
        text.setAccessibleText("The tune as ABC text");
        text.setPrefRowCount(11);
        text.getStyleClass().add("tune-text");
        HBox.setHgrow(text, Priority.ALWAYS);
        title.getStyleClass().add("panel-title");
        ScrollPane scroll = new ScrollPane(problems);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("edge-to-edge");
        VBox beside = new VBox(title, scroll);
        beside.getStyleClass().add("write-problems");
        beside.setMinWidth(Region.USE_PREF_SIZE);
        // As high as the text is, however much stands in it.
        beside.setPrefHeight(0);
        getChildren().addAll(text, beside);
        pause.setOnFinished(event -> take());
        text.textProperty().addListener((at, before, after) -> {
            if (!isFilling) {
                pause.playFromStart();
            }
        });
        text.focusedProperty().addListener((at, before, isFocused) -> {
            if (!isFocused) {
                finish();
            }
        });
        desk.of(WritePane::wanted).subscribe(tune -> tune.ifPresent(this::fill));
    }

    /** The text of the chosen tune, unless that is what stands here already. */
    private void fill(Tune tune) {
        String now = tune.manuscript().text();
        if (!TuneText.closedUp(text.getText()).equals(now)) {
            isFilling = true;
            pause.stop();
            text.setText(now);
            isFilling = false;
            show(Writing.check(now));
        }
    }

    private void take() {
        pause.stop();
        desk.does(here -> Writing.edit(here, text.getText()));
        show(Writing.check(text.getText()));
    }

    /** What was typed last is taken, and typing on will be another change. */
    void finish() {
        if (pause.getStatus() == Animation.Status.RUNNING) {
            take();
        }
        desk.endEdit();
    }

    TextArea text() {
        return text;
    }

    private void show(List<Problem> found) {
        title.setText(found.isEmpty() ? "Everything is read." : "To look at: " + found.size());
        problems.clear();
        found.stream()
                .limit(MOST_PROBLEMS)
                .forEach(problem -> problems.row(about(problem), words(problem), problem.hint(), () -> goTo(problem)));
        if (found.size() > MOST_PROBLEMS) {
            problems.words("and " + (found.size() - MOST_PROBLEMS) + " more after these");
        }
    }

    private static String about(Problem problem) {
        return "line " + problem.place().line();
    }

    private static String words(Problem problem) {
        return "Line " + problem.place().line() + ": " + problem.message();
    }

    private void goTo(Problem problem) {
        int at = 0;
        for (int line = 1; line < problem.place().line(); line++) {
            at = text.getText().indexOf('\n', at) + 1;
        }
        text.requestFocus();
        text.positionCaret(at + problem.place().column() - 1);
        text.selectForward();
    }
}
