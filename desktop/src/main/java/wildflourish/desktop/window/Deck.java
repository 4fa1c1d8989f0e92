package wildflourish.desktop.window;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Orientation;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import wildflourish.desktop.look.Frames;
import wildflourish.desktop.look.Pieces;

/**
 * Panels in one place of the window, at most one of them in sight and as large as the place. The others stay ready behind it: to make and style a panel anew takes
 * longer than a keystroke may. What changes within a panel lays out that panel, not the window around it, unless the place follows the room that its panels need.
 */
final class Deck extends Pane {
    private final boolean isFollowing;
    private Optional<Region> front = Optional.empty();

    private Deck(boolean isFollowing) {
        this.isFollowing = isFollowing;
    }

    /** A place whose panels need the same room whatever is in them. */
    static Deck of(Region... panels) {
        Deck deck = new Deck(false);
        for (Region panel : panels) {
            deck.show(panel);
        }
        return deck;
    }

    /** A place as large as what is in its panels needs. */
    static Deck following() {
        return new Deck(true);
    }

    /** Brings a panel into sight; it takes its place among the others the first time. */
    void show(Region panel) {
        if (!isInFront(panel)) {
            front.ifPresent(before -> before.setVisible(false));
            front = Optional.of(panel);
            add(panel);
            panel.setVisible(true);
            place();
        }
    }

    /** Nothing is in sight. */
    void clear() {
        front.ifPresent(before -> before.setVisible(false));
        front = Optional.empty();
        place();
    }

    /** Lays out itself; the window around it only where the room that it needs may be another. */
    private void place() {
        if (isFollowing) {
            requestLayout();
        } else {
            setNeedsLayout(true);
        }
    }

    /** Makes a panel ready piece by piece; where there is one in sight, laid out and drawn under it. */
    void prepare(Region panel, Frames frames) {
        if (!getChildren().contains(panel)) {
            panel.setVisible(front.isPresent());
            panel.resize(getWidth(), getHeight());
            List<Runnable> steps = new ArrayList<>(Pieces.of(panel));
            panel.setManaged(isFollowing);
            getChildren().add(0, panel);
            steps.add(() -> panel.setVisible(isInFront(panel)));
            frames.next(steps);
        }
    }

    private void add(Region panel) {
        if (!getChildren().contains(panel)) {
            panel.setManaged(isFollowing);
            getChildren().add(panel);
        }
    }

    /** Whether a panel is in sight. */
    boolean isInFront(Region panel) {
        return front.equals(Optional.of(panel));
    }

    /** What is in sight. */
    Optional<Region> front() {
        return front;
    }

    @Override
    protected void layoutChildren() {
        front.ifPresent(panel -> panel.resizeRelocate(0, 0, getWidth(), getHeight()));
    }

    @Override
    public Orientation getContentBias() {
        return isFollowing ? Orientation.HORIZONTAL : super.getContentBias();
    }

    @Override
    protected double computeMinWidth(double height) {
        return 0;
    }

    @Override
    protected double computeMinHeight(double width) {
        return 0;
    }

    @Override
    protected double computePrefWidth(double height) {
        return front.map(panel -> panel.prefWidth(-1)).orElse(0.0);
    }

    @Override
    protected double computePrefHeight(double width) {
        return front.map(panel -> panel.prefHeight(isFollowing ? width : -1)).orElse(0.0);
    }
}
