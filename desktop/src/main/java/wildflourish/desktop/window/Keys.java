package wildflourish.desktop.window;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;

/** The table of keys: each with its words for the user and the verb it calls. */
final class Keys {
    private final Map<KeyCombination, Action> actions = new LinkedHashMap<>();

    /** A key, its words, its verb. */
    record Action(KeyCombination key, String words, Runnable verb) {}

    Keys with(KeyCode code, String words, Runnable verb, KeyCombination.Modifier... modifiers) {
        KeyCombination key = new KeyCodeCombination(code, modifiers);
        actions.put(key, new Action(key, words, verb));
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

    /** What can be done, in the table's order: the words, and every key that does it. */
    Map<String, List<Action>> byWords() {
        return actions.values().stream()
                .collect(Collectors.groupingBy(Action::words, LinkedHashMap::new, Collectors.toList()));
    }

    /** What can be done, as lines to be searched. */
    List<FinderPanel.Entry> entries() {
        return byWords().entrySet().stream()
                .map(each -> new FinderPanel.Entry(
                        each.getKey(),
                        shown(each.getValue()),
                        each.getValue().get(0).verb()))
                .toList();
    }

    /** The keys of one thing to do, as written on them. */
    static String shown(List<Action> actions) {
        return actions.stream().map(action -> action.key().getDisplayText()).collect(Collectors.joining(", "));
    }
}
