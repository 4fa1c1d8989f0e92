package wildflourish.desktop.action;

import java.util.Optional;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.value.ObservableValue;

/**
 * Something one can do.
 *
 * @param enabled whether it can be done now
 * @param selected for what is on or off, whether it is on
 */
public record Action(
        ActionRow row, Runnable verb, ObservableValue<Boolean> enabled, Optional<ObservableValue<Boolean>> selected) {
    private static final ObservableValue<Boolean> ALWAYS = new SimpleBooleanProperty(true);

    /** One that can always be done. */
    public static Action of(ActionRow row, Runnable verb) {
        return new Action(row, verb, ALWAYS, Optional.empty());
    }

    /** Can be done only while something is so. */
    public Action when(ObservableValue<Boolean> condition) {
        return new Action(row, verb, condition, selected);
    }

    /** Is on while something is so. */
    public Action on(ObservableValue<Boolean> state) {
        return new Action(row, verb, enabled, Optional.of(state));
    }

    public String id() {
        return row.id();
    }

    public boolean isEnabled() {
        return Boolean.TRUE.equals(enabled.getValue());
    }

    /** Does it; nothing where it cannot be done now. */
    public void run() {
        if (isEnabled()) {
            verb.run();
        }
    }

    /** The words with the key behind them: {@code Save (Ctrl+S)}. */
    public String tip() {
        return row.tip() + (row.keys().isEmpty() ? "" : " (" + row.keyWords() + ")");
    }
}
