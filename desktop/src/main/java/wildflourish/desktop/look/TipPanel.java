package wildflourish.desktop.look;

import javafx.animation.PauseTransition;
import javafx.event.EventTarget;
import javafx.geometry.Bounds;
import javafx.scene.Node;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Pane;
import javafx.util.Duration;

/**
 * The one panel of a window that shows what a part is for while the pointer rests on it: the part's accessible help, which screen readers tell too. It stays while
 * the pointer stays; any key takes it away. The toolkit's own tips open a window each, which takes longer than a keystroke may.
 */
public final class TipPanel extends Pane {
    private static final double WIDEST = 340;
    private static final double EDGE = 8;
    private static final double AWAY = 5;

    private final Paragraph words = new Paragraph(0, "tip-words");
    private final PauseTransition rest = new PauseTransition(Duration.millis(600));
    private Node about = this;
    private double pointer;

    public TipPanel() {
        setId("tip");
        getStyleClass().add("tip");
        setManaged(false);
        setVisible(false);
        setMouseTransparent(true);
        setViewOrder(-2);
        words.setManaged(false);
        getChildren().add(words);
        rest.setOnFinished(event -> show(about));
    }

    /** Shows the tips of all that is within a window. */
    public void serve(Pane window) {
        window.getChildren().add(0, this);
        window.addEventFilter(MouseEvent.MOUSE_MOVED, this::moved);
        window.addEventHandler(MouseEvent.MOUSE_EXITED, event -> leave());
        window.addEventFilter(MouseEvent.MOUSE_PRESSED, event -> hide());
        window.addEventFilter(ScrollEvent.SCROLL, event -> hide());
        window.addEventFilter(KeyEvent.KEY_PRESSED, event -> hide());
    }

    private void hide() {
        rest.stop();
        setVisible(false);
    }

    /** Nothing is pointed at any more. */
    private void leave() {
        about = this;
        hide();
    }

    private void moved(MouseEvent event) {
        Node now = aboutWhat(event.getTarget());
        pointer = event.getSceneX();
        if (now != about) {
            hide();
            about = now;
            if (now != this) {
                rest.playFromStart();
            }
        }
    }

    /** The innermost part with a tip; this panel where there is none. */
    private Node aboutWhat(EventTarget target) {
        Node node = target instanceof Node each ? each : null;
        while (node != null && help(node).isEmpty()) {
            node = node.getParent();
        }
        return node == null ? this : node;
    }

    private static String help(Node node) {
        return node.getAccessibleHelp() == null ? "" : node.getAccessibleHelp();
    }

    /** Shows the tip of a part at once, below it, or above where there is no room. */
    public void show(Node part) {
        if (part.getScene() == null || help(part).isEmpty()) {
            return;
        }
        words.setWrappingWidth(0);
        words.setText(help(part));
        setVisible(true);
        applyCss();
        if (words.getLayoutBounds().getWidth() > WIDEST) {
            words.setWrappingWidth(WIDEST);
        }
        double width = Math.ceil(words.getLayoutBounds().getWidth()) + 2 * EDGE;
        double height = Math.ceil(words.getLayoutBounds().getHeight()) + 2 * EDGE;
        Bounds place = part.localToScene(part.getLayoutBounds());
        double below = place.getMaxY() + AWAY;
        double y = below + height <= getScene().getHeight() ? below : place.getMinY() - AWAY - height;
        double wanted = Math.max(place.getMinX(), Math.min(pointer, place.getMaxX()) - width / 2);
        double x = Math.max(AWAY, Math.min(wanted, getScene().getWidth() - width - AWAY));
        words.relocate(EDGE, EDGE);
        resizeRelocate(Math.rint(x), Math.rint(y), width, height);
    }

    /** Its words are in their place already. */
    @Override
    protected void layoutChildren() {}
}
