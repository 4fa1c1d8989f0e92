package wildflourish.desktop.action;

import java.util.Optional;
import javafx.application.Platform;
import javafx.collections.MapChangeListener;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.ListView;
import javafx.scene.control.Slider;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;

/** Strikes the actions' keys: everywhere, but where the part that has the focus uses the key itself. */
public final class KeyStrokes {
    private final Actions actions;
    private final Scene scene;
    private Optional<Node> focusPressed = Optional.empty();

    private KeyStrokes(Actions actions, Scene scene) {
        this.actions = actions;
        this.scene = scene;
    }

    public static void serve(Actions actions, Scene scene) {
        KeyStrokes strokes = new KeyStrokes(actions, scene);
        scene.addEventFilter(KeyEvent.KEY_PRESSED, strokes::pressed);
        scene.addEventFilter(KeyEvent.KEY_TYPED, strokes::typed);
        // Menus only show keys: struck by the toolkit too, a letter would act while one types it into a field.
        scene.getAccelerators().addListener((MapChangeListener<KeyCombination, Runnable>) change -> {
            if (change.wasAdded()) {
                Platform.runLater(() -> scene.getAccelerators().clear());
            }
        });
    }

    private void pressed(KeyEvent event) {
        Node focus = scene.getFocusOwner();
        focusPressed = Optional.ofNullable(focus);
        actions.struck(event).filter(action -> !belongsTo(focus, event)).ifPresent(action -> {
            event.consume();
            action.run();
        });
    }

    /** A letter belongs to what had the focus when its key went down: one that opens a text is not typed into it. */
    private void typed(KeyEvent event) {
        if (!focusPressed.equals(Optional.ofNullable(scene.getFocusOwner()))) {
            event.consume();
        }
    }

    private static boolean belongsTo(Node focus, KeyEvent event) {
        boolean isBare = !event.isShortcutDown() && !event.isAltDown();
        KeyCode code = event.getCode();
        if (focus instanceof TextInputControl) {
            return isTextKey(event) || (isBare && !code.isFunctionKey() && code != KeyCode.ESCAPE);
        }
        if (focus instanceof Slider) {
            return isBare && code.isNavigationKey();
        }
        if (focus instanceof ListView<?>) {
            return isBare && !code.isFunctionKey() && code != KeyCode.ESCAPE;
        }
        if (focus instanceof ComboBoxBase<?> box) {
            return isBare
                    && (box.isShowing()
                            || code.isLetterKey()
                            || code == KeyCode.UP
                            || code == KeyCode.DOWN
                            || code == KeyCode.SPACE
                            || code == KeyCode.ENTER);
        }
        return focus instanceof ButtonBase && isBare && (code == KeyCode.SPACE || code == KeyCode.ENTER);
    }

    /** Undo, cut, copy, paste and the like belong to the text while one is typing. */
    private static boolean isTextKey(KeyEvent event) {
        return event.isShortcutDown()
                && switch (event.getCode()) {
                    case Z, Y, X, C, V, A, LEFT, RIGHT, UP, DOWN, HOME, END, DELETE, BACK_SPACE -> true;
                    default -> false;
                };
    }
}
