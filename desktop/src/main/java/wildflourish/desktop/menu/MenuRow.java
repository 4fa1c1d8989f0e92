package wildflourish.desktop.menu;

import javafx.css.PseudoClass;
import javafx.scene.AccessibleAttribute;
import javafx.scene.AccessibleRole;
import javafx.scene.layout.Region;
import javafx.scene.text.Text;

/** A line of a menu in sight. It stays, and shows another line when another menu opens; it has as few parts as can be. */
final class MenuRow extends Region {
    static final double HEIGHT = 27;

    private static final double EDGE = 12;
    private static final double LEAST_GAP = 26;
    private static final PseudoClass HEADING = PseudoClass.getPseudoClass("heading");
    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");

    private final Text words = new Text();
    private final Text end = new Text();
    private MenuLine line = MenuLine.heading("");
    private int index;

    MenuRow() {
        getStyleClass().add("menu-row");
        words.getStyleClass().add("menu-words");
        end.getStyleClass().add("menu-end");
        setManaged(false);
        getChildren().addAll(words, end);
    }

    /** Shows the line of an index among those of its menu. */
    void show(MenuLine newLine, int newIndex) {
        line = newLine;
        index = newIndex;
        words.setText(line.words());
        end.setText(line.end());
        pseudoClassStateChanged(HEADING, !line.isForHands());
        pseudoClassStateChanged(CHOSEN, line.kind() == MenuLine.Kind.CHOSEN);
        setAccessibleRole(
                switch (line.kind()) {
                    case HEADING -> AccessibleRole.TEXT;
                    case DEED, LEADING, BACK -> AccessibleRole.MENU_ITEM;
                    case CHOICE, CHOSEN -> AccessibleRole.RADIO_MENU_ITEM;
                });
        setAccessibleText((line.words() + " " + line.end()).strip());
        setVisible(true);
    }

    MenuLine line() {
        return line;
    }

    int index() {
        return index;
    }

    /** In pixels, for its words as they are styled now. */
    @Override
    protected double computePrefWidth(double height) {
        double gap = line.end().isEmpty() ? 0 : LEAST_GAP;
        return Math.ceil(2 * EDGE
                + words.getLayoutBounds().getWidth()
                + gap
                + end.getLayoutBounds().getWidth());
    }

    @Override
    protected void layoutChildren() {
        double base = (HEIGHT + words.getBaselineOffset()) / 2 - 1;
        words.relocate(EDGE, Math.rint(base - words.getBaselineOffset()));
        end.relocate(
                Math.floor(getWidth() - EDGE - end.getLayoutBounds().getWidth()),
                Math.rint(base - end.getBaselineOffset()));
    }

    @Override
    public Object queryAccessibleAttribute(AccessibleAttribute attribute, Object... parameters) {
        return attribute == AccessibleAttribute.SELECTED
                ? line.kind() == MenuLine.Kind.CHOSEN
                : super.queryAccessibleAttribute(attribute, parameters);
    }
}
