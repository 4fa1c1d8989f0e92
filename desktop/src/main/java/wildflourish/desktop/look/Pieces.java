package wildflourish.desktop.look;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Skinnable;
import javafx.scene.layout.Pane;

/**
 * Takes a part of the window apart, so that it can be put together again piece by piece, a piece a frame: the toolkit styles anew all that is within a part when
 * the part is put in place or changes its style, and for a large one that takes longer than a keystroke may.
 */
public final class Pieces {
    /** So many nodes are styled well within the time of a keystroke. */
    private static final int MOST_NODES = 14;
    /** What a control that was never in a window grows to there, about. */
    private static final int CONTROL_NODES = 6;

    private final List<Runnable> steps = new ArrayList<>();
    private List<Runnable> step = new ArrayList<>();
    private int nodes;

    private Pieces() {}

    /** Takes out what is within a part; gives the steps that put it back, in their order. A pane that has been filled with something else meanwhile is left as it is. */
    public static List<Runnable> of(Node part) {
        Pieces pieces = new Pieces();
        pieces.takeApart(part);
        pieces.endStep();
        return pieces.steps;
    }

    private void takeApart(Node part) {
        Optional<Pane> pane = paneOf(part);
        if (pane.isEmpty() || nodesOf(part) <= MOST_NODES) {
            return;
        }
        List<Node> children = List.copyOf(pane.get().getChildren());
        pane.get().getChildren().clear();
        for (int i = 0; i < children.size(); i++) {
            int index = i;
            add(leftOf(children.get(i)), () -> putBack(pane.get().getChildren(), children, index));
            takeApart(children.get(i));
        }
    }

    /** How many nodes are put back with a part: all of a small one, of a large one what holds its pieces. */
    private static int leftOf(Node part) {
        int size = nodesOf(part);
        int within = paneOf(part)
                .map(pane ->
                        pane.getChildren().stream().mapToInt(Pieces::nodesOf).sum())
                .orElse(0);
        return size > MOST_NODES ? size - within : size;
    }

    private void add(int size, Runnable back) {
        if (nodes + size > MOST_NODES) {
            endStep();
        }
        step.add(back);
        nodes += size;
    }

    private void endStep() {
        if (!step.isEmpty()) {
            List<Runnable> ended = step;
            steps.add(() -> ended.forEach(Runnable::run));
        }
        step = new ArrayList<>();
        nodes = 0;
    }

    private static void putBack(List<Node> now, List<Node> before, int index) {
        if (now.equals(before.subList(0, index))) {
            now.add(before.get(index));
        }
    }

    private static Optional<Pane> paneOf(Node node) {
        Node within = node instanceof ScrollPane scroll ? scroll.getContent() : node;
        return within instanceof Pane pane ? Optional.of(pane) : Optional.empty();
    }

    private static int nodesOf(Node node) {
        if (node instanceof Skinnable control && control.getSkin() == null) {
            return control instanceof ScrollPane scroll && scroll.getContent() != null
                    ? CONTROL_NODES + nodesOf(scroll.getContent())
                    : CONTROL_NODES;
        }
        int within = node instanceof Parent parent
                ? parent.getChildrenUnmodifiable().stream()
                        .mapToInt(Pieces::nodesOf)
                        .sum()
                : 0;
        return 1 + within;
    }
}
