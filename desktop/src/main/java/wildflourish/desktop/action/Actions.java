package wildflourish.desktop.action;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import javafx.beans.value.ObservableValue;
import javafx.scene.input.KeyEvent;

/** The registry of all actions of a window, in the order of the table, then those that are many of a kind. */
public final class Actions {
    private final Map<String, ActionRow> rows;
    private final Map<String, Action> actions = new LinkedHashMap<>();

    public Actions() {
        rows = ActionRow.all().stream()
                .collect(Collectors.toMap(
                        ActionRow::id,
                        Function.identity(),
                        (one, other) -> {
                            throw new IllegalStateException("two actions are called " + one.id());
                        },
                        LinkedHashMap::new));
    }

    /** Binds an action of the table to what it does. */
    public void bind(String id, Runnable verb) {
        put(Action.of(row(id), verb));
    }

    /** Binds one that can be done only while something is so. */
    public void bind(String id, ObservableValue<Boolean> enabled, Runnable verb) {
        put(Action.of(row(id), verb).when(enabled));
    }

    /** Binds one that is on or off. */
    public void bindOn(String id, ObservableValue<Boolean> selected, Runnable verb) {
        put(Action.of(row(id), verb).on(selected));
    }

    /** Binds one that is on or off, and can be done only while something is so. */
    public void bindOn(String id, ObservableValue<Boolean> enabled, ObservableValue<Boolean> selected, Runnable verb) {
        put(Action.of(row(id), verb).when(enabled).on(selected));
    }

    /** One of many of a kind, which the table does not have. Throws IllegalStateException for an id that is taken. */
    public void put(Action action) {
        if (actions.put(action.id(), action) != null) {
            throw new IllegalStateException("two actions are called " + action.id());
        }
    }

    private ActionRow row(String id) {
        return Optional.ofNullable(rows.get(id))
                .orElseThrow(() -> new IllegalStateException("the table has no action " + id));
    }

    /** Throws IllegalStateException for an id nothing is bound to. */
    public Action of(String id) {
        return Optional.ofNullable(actions.get(id))
                .orElseThrow(() -> new IllegalStateException("no action is bound to " + id));
    }

    /** All, in the order of the table, then the others. */
    public List<Action> all() {
        List<Action> all = new ArrayList<>(rows.keySet().stream()
                .filter(actions::containsKey)
                .map(this::of)
                .toList());
        actions.values().stream().filter(each -> !rows.containsKey(each.id())).forEach(all::add);
        return all;
    }

    /** Rows of the table that nothing is bound to. */
    public Collection<String> unbound() {
        return rows.keySet().stream().filter(id -> !actions.containsKey(id)).toList();
    }

    /** Those of a group. */
    public List<Action> group(String group) {
        return all().stream().filter(each -> each.row().group().equals(group)).toList();
    }

    /** The action that a key does now. */
    public Optional<Action> struck(KeyEvent event) {
        return actions.values().stream()
                .filter(each -> each.row().keys().stream().anyMatch(key -> key.matches(event)))
                .filter(Action::isEnabled)
                .findFirst();
    }
}
