package wildflourish.desktop.menu;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntConsumer;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.text.Text;

/** One of some words: a button that shows the chosen one and opens all of them; the arrow keys go on to the next without opening it. It is as wide as its longest word. */
public final class Choice extends MenuOpener {
    private final String about;
    private final IntConsumer verb;
    private final Text measure = new Text();
    private List<String> words = List.of();
    private int chosen = -1;

    /** With what it is about, for the tip and who hears it, and what is done with the index of the word that a hand has chosen. */
    public Choice(String id, String about, IntConsumer verb) {
        super(id, "", about, List::of);
        this.about = about;
        this.verb = verb;
        addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        tell();
    }

    @Override
    public List<MenuLine> lines() {
        List<MenuLine> lines = new ArrayList<>();
        for (int i = 0; i < words.size(); i++) {
            int index = i;
            lines.add(MenuLine.choice(words.get(i), i == chosen, () -> choose(index)));
        }
        return lines;
    }

    @Override
    public boolean takes(KeyCode key) {
        return key == KeyCode.UP || super.takes(key);
    }

    private void pressed(KeyEvent event) {
        int step = event.getCode() == KeyCode.DOWN ? 1 : event.getCode() == KeyCode.UP ? -1 : 0;
        int next = chosen + step;
        if (step != 0) {
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

    /** All that there is to choose from. */
    public List<String> words() {
        return words;
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
