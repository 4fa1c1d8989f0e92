package wildflourish.desktop.look;

import java.util.List;
import java.util.function.IntConsumer;
import javafx.collections.FXCollections;
import javafx.scene.control.Tooltip;
import org.controlsfx.control.PrefixSelectionComboBox;

/** One of a few words, chosen from a list or by typing its first letters. */
public final class Pick extends PrefixSelectionComboBox<String> {
    private final IntConsumer chose;
    private boolean isFilling;

    /** {@code chose} is told the index of what the user chose, from 0; not of what {@link #show} shows. */
    public Pick(String id, String tip, IntConsumer chose) {
        this.chose = chose;
        setId(id);
        setTooltip(new Tooltip(tip));
        setAccessibleHelp(tip);
        setVisibleRowCount(14);
        getSelectionModel().selectedIndexProperty().addListener((at, before, after) -> {
            if (!isFilling && after.intValue() >= 0) {
                this.chose.accept(after.intValue());
            }
        });
    }

    /** Shows words, one of them as chosen, or none for −1. */
    public void show(List<String> words, int chosen) {
        isFilling = true;
        if (!getItems().equals(words)) {
            setItems(FXCollections.observableArrayList(words));
        }
        if (chosen < 0) {
            getSelectionModel().clearSelection();
        } else {
            getSelectionModel().select(chosen);
        }
        isFilling = false;
    }

    /** Chooses one, as the user does. */
    public void choose(int index) {
        getSelectionModel().select(index);
    }

    /** The index of what is chosen, from 0; −1 for none. */
    public int chosen() {
        return getSelectionModel().getSelectedIndex();
    }

    /** What is chosen; empty for none. */
    public String word() {
        return getValue() == null ? "" : getValue();
    }

    public List<String> words() {
        return List.copyOf(getItems());
    }
}
