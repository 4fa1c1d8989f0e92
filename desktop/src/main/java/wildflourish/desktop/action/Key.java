package wildflourish.desktop.action;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;

/** A key with what is held down with it. Ctrl is the key that the system has for shortcuts. */
public record Key(KeyCode code, boolean isCtrl, boolean isShift, boolean isAlt) {
    /** Reads what {@code CTRL+SHIFT+PAGE_UP} says. Throws IllegalArgumentException for a key there is not. */
    public static Key parse(String words) {
        List<String> parts = List.of(words.split("\\+"));
        List<String> held = parts.subList(0, parts.size() - 1);
        if (!List.of("CTRL", "SHIFT", "ALT").containsAll(held)) {
            throw new IllegalArgumentException("only CTRL, SHIFT and ALT are held");
        }
        return new Key(
                KeyCode.valueOf(parts.get(parts.size() - 1)),
                held.contains("CTRL"),
                held.contains("SHIFT"),
                held.contains("ALT"));
    }

    boolean matches(KeyEvent event) {
        return event.getCode() == code
                && event.isShortcutDown() == isCtrl
                && event.isShiftDown() == isShift
                && event.isAltDown() == isAlt;
    }

    /** Whether something but Shift is held, or it is a key that types nothing anywhere. */
    boolean isCommand() {
        return isCtrl || isAlt || code.isFunctionKey() || code == KeyCode.ESCAPE;
    }

    /** For a menu to show; it is struck elsewhere. */
    KeyCombination shown() {
        List<KeyCombination.Modifier> held = new ArrayList<>();
        if (isCtrl) {
            held.add(KeyCombination.SHORTCUT_DOWN);
        }
        if (isShift) {
            held.add(KeyCombination.SHIFT_DOWN);
        }
        if (isAlt) {
            held.add(KeyCombination.ALT_DOWN);
        }
        return new KeyCodeCombination(code, held.toArray(new KeyCombination.Modifier[0]));
    }

    /** As written on the keyboard: {@code Ctrl+Page Up}. */
    @Override
    public String toString() {
        List<String> words = new ArrayList<>();
        if (isCtrl) {
            words.add("Ctrl");
        }
        if (isAlt) {
            words.add("Alt");
        }
        if (isShift) {
            words.add("Shift");
        }
        words.add(
                switch (code) {
                    case LEFT -> "←";
                    case RIGHT -> "→";
                    case UP -> "↑";
                    case DOWN -> "↓";
                    case COMMA -> ",";
                    case PERIOD -> ".";
                    case EQUALS -> "=";
                    case MINUS -> "-";
                    case PLUS -> "+";
                    case ESCAPE -> "Esc";
                    case PAGE_UP -> "Page Up";
                    case PAGE_DOWN -> "Page Down";
                    case BACK_SPACE -> "Backspace";
                    default -> plain(code.name().replace("DIGIT", ""));
                });
        return String.join("+", words);
    }

    private static String plain(String name) {
        return name.length() < 3 ? name : name.charAt(0) + name.substring(1).toLowerCase(Locale.ROOT);
    }
}
