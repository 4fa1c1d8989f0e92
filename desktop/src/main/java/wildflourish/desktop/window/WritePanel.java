package wildflourish.desktop.window;

import java.util.List;
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
import wildflourish.desktop.look.Lines;

/** The chosen tune as ABC text, to be typed and corrected: the score above follows, problems stand beside, a click on one goes to it. */
final class WritePanel extends HBox {
    private static final double PAUSE_MILLIS = 180;
    /** More than these, what comes after the first ones is seldom true. */
    private static final int MOST_PROBLEMS = 6;

    private static final double PROBLEM_WIDTH = 310;

    private final Desk desk;
    private final TextArea text = new TextArea();
    private final Label title = new Label();
    private final Lines problems = new Lines(PROBLEM_WIDTH);
    private List<Problem> shown = List.of();
    private final PauseTransition pause = new PauseTransition(Duration.millis(PAUSE_MILLIS));
    private boolean isFilling;

    WritePanel(Desk desk) {
        this.desk = desk;
        setId("write");
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
        scroll.getStyleClass().add("cards-scroll");
        scroll.setFocusTraversable(false);
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
        desk.sight().addListener((at, before, after) -> {
            if (isVisible() && !before.tune().equals(after.tune())) {
                fill();
            }
        });
        fill();
    }

    /** The text of the chosen tune, unless that is what stands here already; for when the panel comes into sight. */
    void fill() {
        String now = desk.sight()
                .get()
                .tune()
                .map(Tune::manuscript)
                .map(each -> each.text())
                .orElse("");
        if (!wildflourish.files.abc.TuneText.closedUp(text.getText()).equals(now)) {
            setText(now);
            show(desk.writing().check(now));
        }
    }

    /** The steps that leave little to be styled, where the panel is out of sight; with {@link #fill} all is there again. */
    List<Runnable> fold() {
        return List.of(() -> {
            if (!isVisible()) {
                setText("");
            }
        });
    }

    private void setText(String words) {
        isFilling = true;
        pause.stop();
        text.setText(words);
        isFilling = false;
    }

    private void take() {
        pause.stop();
        show(desk.writing().edit(text.getText()));
    }

    /** What was typed last is taken, and typing on will be another change. */
    void finish() {
        if (pause.getStatus() == javafx.animation.Animation.Status.RUNNING) {
            take();
        }
        desk.writing().endEdit();
    }

    void focus() {
        text.requestFocus();
    }

    private void show(List<Problem> found) {
        title.setText(found.isEmpty() ? "Everything is read." : "To look at: " + found.size());
        if (found.equals(shown)) {
            return;
        }
        shown = List.copyOf(found);
        problems.clear();
        for (int i = 0; i < Math.min(MOST_PROBLEMS, found.size()); i++) {
            Problem problem = found.get(i);
            problems.say(i, new Lines.Row(about(problem), words(problem), problem.hint(), () -> goTo(problem)));
        }
        if (found.size() > MOST_PROBLEMS) {
            problems.say(MOST_PROBLEMS, new Lines.Words("and " + (found.size() - MOST_PROBLEMS) + " more after these"));
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
