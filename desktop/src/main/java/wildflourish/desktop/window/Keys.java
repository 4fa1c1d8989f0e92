package wildflourish.desktop.window;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;

/** The table of keys: each with its words for the user and the verb it calls. */
final class Keys {
    private final Map<KeyCombination, Action> actions = new LinkedHashMap<>();

    /** A verb with its words. */
    record Action(String words, Runnable verb) {}

    Keys with(KeyCode code, String words, Runnable verb, KeyCombination.Modifier... modifiers) {
        actions.put(new KeyCodeCombination(code, modifiers), new Action(words, verb));
        return this;
    }

    /** Calls the verb of a key that was pressed; false for a key that has none. */
    boolean press(KeyEvent event) {
        Optional<Action> action = actions.entrySet().stream()
                .filter(each -> each.getKey().match(event))
                .map(Map.Entry::getValue)
                .findFirst();
        action.ifPresent(each -> each.verb().run());
        return action.isPresent();
    }

    Map<KeyCombination, Action> all() {
        return actions;
    }
}
