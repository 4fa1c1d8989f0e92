package wildflourish.desktop.look;

import java.util.List;
import java.util.function.IntConsumer;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.RadioMenuItem;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.text.Text;

/**
 * One of a few words: a button that shows the chosen one and opens all of them; the arrow keys go on to the next without opening it. It is as wide as its longest
 * word. The toolkit's own box holds a whole list all the time, opened or not, which takes long to be styled; for many words it is the better one.
 */
public final class Choice extends MenuButton {
    private final String about;
    private final IntConsumer verb;
    private final Text measure = new Text();
    private List<String> words = List.of();
    private int chosen = -1;

    /** With what it is about, for the tip and who hears it, and what is done with the index of the word that a hand has chosen. */
    public Choice(String id, String about, IntConsumer verb) {
        this.about = about;
        this.verb = verb;
        setId(id);
        setTooltip(new Tooltip(about));
        // An empty menu never asks to be filled.
        getItems().add(new MenuItem());
        setOnShowing(event -> fillMenu());
        addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        tell();
    }

    private void fillMenu() {
        ToggleGroup group = new ToggleGroup();
        getItems().clear();
        for (int i = 0; i < words.size(); i++) {
            int index = i;
            RadioMenuItem item = new RadioMenuItem(words.get(i));
            item.setToggleGroup(group);
            item.setSelected(i == chosen);
            item.setOnAction(event -> choose(index));
            getItems().add(item);
        }
    }

    private void pressed(KeyEvent event) {
        int step = event.getCode() == KeyCode.DOWN ? 1 : event.getCode() == KeyCode.UP ? -1 : 0;
        int next = chosen + step;
        if (step != 0 && !isShowing()) {
            if (next >= 0 && next < words.size()) {
                choose(next);
            }
            event.consume();
        }
    }

    /** These words to choose from, the one of an index chosen. */
    public void show(List<String> all, int index) {
        if (!all.equals(words)) {
            words = List.copyOf(all);
            requestLayout();
        }
        if (chosen != index || !getText().equals(word())) {
            chosen = index;
            tell();
        }
    }

    /** Chooses as a hand does. */
    public void choose(int index) {
        if (index != chosen) {
            show(words, index);
            verb.accept(index);
        }
    }

    private void tell() {
        setText(word());
        setAccessibleText(about + ": " + word());
    }

    /** Of the chosen word; −1 where there is none. */
    public int chosen() {
        return chosen;
    }

    /** The chosen word; empty where there is none. */
    public String word() {
        return chosen >= 0 && chosen < words.size() ? words.get(chosen) : "";
    }

    @Override
    protected double computePrefWidth(double height) {
        double widest = words.stream().mapToDouble(this::width).max().orElse(0);
        return Math.ceil(super.computePrefWidth(height) + widest - width(word()));
    }

    @Override
    protected double computeMinWidth(double height) {
        return computePrefWidth(height);
    }

    private double width(String text) {
        measure.setFont(getFont());
        measure.setText(text);
        return measure.getLayoutBounds().getWidth();
    }
}
