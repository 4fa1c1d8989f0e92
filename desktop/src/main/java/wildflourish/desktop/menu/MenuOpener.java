package wildflourish.desktop.menu;

import java.util.List;
import java.util.function.Supplier;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.Region;

/** A button that opens a menu under it. The toolkit's own opens a window for its menu, which takes longer than a keystroke may; this one's opens within the window. */
public class MenuOpener extends Button {
    private final Supplier<List<MenuLine>> lines;

    /** With the words on it, its tip, and what gives the lines as they are when it opens. */
    public MenuOpener(String id, String words, String tip, Supplier<List<MenuLine>> lines) {
        super(words);
        this.lines = lines;
        setId(id);
        getStyleClass().add("menu-opener");
        setAccessibleHelp(tip);
        setAlignment(Pos.CENTER_LEFT);
        Region mark = new Region();
        mark.getStyleClass().add("menu-mark");
        setGraphic(mark);
        setOnAction(event -> open());
        addEventHandler(KeyEvent.KEY_PRESSED, this::pressed);
    }

    /** Opens the menu. */
    public void open() {
        fireEvent(new MenuEvent(this));
    }

    /** The lines of the menu as they are now. */
    public List<MenuLine> lines() {
        return lines.get();
    }

    /** Whether it does something of its own with a key. */
    public boolean takes(KeyCode key) {
        return key == KeyCode.DOWN || key == KeyCode.ENTER || key == KeyCode.SPACE;
    }

    private void pressed(KeyEvent event) {
        if (event.getCode() == KeyCode.DOWN || event.getCode() == KeyCode.ENTER) {
            open();
            event.consume();
        }
    }
}
