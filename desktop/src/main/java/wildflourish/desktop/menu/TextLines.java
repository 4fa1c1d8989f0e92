package wildflourish.desktop.menu;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.Clipboard;

/** What can be done with a text that is typed, as lines of a menu: only what would do something now. */
final class TextLines {
    private TextLines() {}

    static List<MenuLine> of(TextInputControl text) {
        boolean isChosen = text.getSelection().getLength() > 0;
        List<MenuLine> lines = new ArrayList<>();
        if (text.isUndoable()) {
            lines.add(MenuLine.deed("Take back", "Ctrl+Z", text::undo));
        }
        if (text.isRedoable()) {
            lines.add(MenuLine.deed("Do again", "Ctrl+Shift+Z", text::redo));
        }
        if (isChosen) {
            lines.add(MenuLine.deed("Cut out", "Ctrl+X", text::cut));
            lines.add(MenuLine.deed("Copy", "Ctrl+C", text::copy));
        }
        if (Clipboard.getSystemClipboard().hasString()) {
            lines.add(MenuLine.deed("Paste", "Ctrl+V", text::paste));
        }
        lines.add(MenuLine.deed("Choose all", "Ctrl+A", text::selectAll));
        return lines;
    }
}
