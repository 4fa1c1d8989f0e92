package wildflourish.desktop.menu;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.ContextMenuEvent;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Pane;
import javafx.scene.text.Text;

/**
 * The one panel of a window that shows its menus: under what opened it, in as many columns as its lines need. Lines that find no room are a page further. Its rows
 * stay, so that to open a menu is to write other words into them.
 */
public final class MenuPanel extends Pane {
    private static final double EDGE = 6;
    private static final double BETWEEN = 4;
    private static final double AWAY = 16;
    private static final double MORE_HEIGHT = 22;
    /** Lines that the eye takes in well in one column. */
    private static final int COMFORTABLE = 18;
    /** So many lines can be written anew within the time of a keystroke; two comfortable columns. */
    private static final int MOST_ROWS = 2 * COMFORTABLE;

    private static final int FEWEST_ROWS = 3;
    private static final int ROWS_A_STEP = 4;

    private final List<MenuRow> rows = new ArrayList<>();
    private final Text more = new Text();
    /** The lines in sight first, then those whose place they took. */
    private final Deque<List<MenuLine>> open = new ArrayDeque<>();

    private MenuColumns columns = new MenuColumns(List.of(), List.of());
    private int firstColumn;
    private int shownColumns;
    /** What opened it, and where that is in the window. */
    private Optional<Node> opener = Optional.empty();

    private Bounds place = new BoundingBox(0, 0, 0, 0);
    private Optional<Node> focusBefore = Optional.empty();

    public MenuPanel() {
        getStyleClass().add("menu");
        setAccessibleRole(AccessibleRole.CONTEXT_MENU);
        setManaged(false);
        setVisible(false);
        setViewOrder(-1);
        more.getStyleClass().add("menu-end");
        more.setManaged(false);
        getChildren().add(more);
        addEventHandler(KeyEvent.KEY_PRESSED, this::pressed);
        addEventHandler(MouseEvent.MOUSE_MOVED, event -> rowAt(event).ifPresent(MenuPanel::focus));
        addEventHandler(MouseEvent.MOUSE_CLICKED, event -> rowAt(event).ifPresent(this::choose));
        addEventHandler(ScrollEvent.SCROLL, event -> {
            turn(event.getDeltaY() < 0 ? 1 : -1);
            event.consume();
        });
    }

    /** Becomes the panel of all menus that are asked for within a window. */
    public void serve(Pane window) {
        window.getChildren().add(0, this);
        window.addEventHandler(MenuEvent.ASKED, event -> {
            MenuOpener asking = event.opener();
            open(asking, asking.localToScene(asking.getLayoutBounds()), asking.lines());
            event.consume();
        });
        window.addEventFilter(ContextMenuEvent.CONTEXT_MENU_REQUESTED, this::askedByText);
        window.addEventFilter(MouseEvent.MOUSE_PRESSED, this::pressedAnywhere);
        window.layoutBoundsProperty().addListener((at, old, now) -> close());
        sceneProperty().addListener((at, old, now) -> watchFocus(now));
    }

    /** What the toolkit offers for a text that is typed, in this panel instead of a window of its own. */
    private void askedByText(ContextMenuEvent event) {
        Node node = event.getTarget() instanceof Node each ? each : null;
        while (node != null && !(node instanceof TextInputControl)) {
            node = node.getParent();
        }
        if (node instanceof TextInputControl text) {
            text.requestFocus();
            open(text, spot(text, event), TextLines.of(text));
            event.consume();
        }
    }

    /** Where the pointer is; asked for by a key, the upper left corner of the text. */
    private static Bounds spot(Node text, ContextMenuEvent event) {
        Bounds whole = text.localToScene(text.getLayoutBounds());
        return event.isKeyboardTrigger()
                ? new BoundingBox(whole.getMinX() + AWAY, whole.getMinY() + AWAY, 0, 0)
                : new BoundingBox(event.getSceneX(), event.getSceneY(), 0, 0);
    }

    private void watchFocus(Scene scene) {
        if (scene != null) {
            scene.focusOwnerProperty().addListener((at, old, now) -> {
                if (now != null && now.getParent() != this) {
                    close();
                }
            });
        }
    }

    /** The steps that make its rows, behind all else in the window, so that they are styled and laid out before a menu opens first. */
    public List<Runnable> prepare() {
        List<Runnable> steps = new ArrayList<>();
        steps.add(() -> {
            if (!isOpen()) {
                setViewOrder(1);
                setVisible(true);
            }
        });
        for (int size = ROWS_A_STEP; size <= MOST_ROWS; size += ROWS_A_STEP) {
            int wanted = size;
            steps.add(() -> {
                while (rows.size() < wanted) {
                    row(rows.size()).show(MenuLine.deed("A line", "F1", () -> {}), 0);
                }
            });
        }
        steps.add(() -> {
            if (!isOpen()) {
                setVisible(false);
                setViewOrder(-1);
            }
        });
        return steps;
    }

    public boolean isOpen() {
        return opener.isPresent();
    }

    /** Opens under a part of the window, or under a spot in it; the place is in the window's own pixels. */
    private void open(Node asking, Bounds where, List<MenuLine> asked) {
        if (!asked.isEmpty()) {
            close();
            opener = Optional.of(asking);
            place = where;
            focusBefore = Optional.ofNullable(getScene().getFocusOwner());
            open.clear();
            open.push(asked);
            setViewOrder(-1);
            setVisible(true);
            show();
        }
    }

    /** Nothing is chosen; the focus is where it was. */
    public void close() {
        if (isOpen()) {
            boolean hadFocus = focused().isPresent();
            opener = Optional.empty();
            setVisible(false);
            if (hadFocus) {
                focusBefore.ifPresent(Node::requestFocus);
            }
        }
    }

    private void show() {
        List<MenuLine> lines = new ArrayList<>(open.getFirst());
        if (open.size() > 1) {
            lines.add(0, MenuLine.BACK);
        }
        columns = MenuColumns.of(lines, Math.min(COMFORTABLE, mostRows()));
        showPage(0);
        focus(columns.begin());
    }

    /** Where there is more room, below what opened it or above. */
    private int mostRows() {
        return Math.max(
                FEWEST_ROWS, (int) ((Math.max(roomBelow(), roomAbove()) - 2 * EDGE - MORE_HEIGHT) / MenuRow.HEIGHT));
    }

    private double roomAbove() {
        return place.getMinY();
    }

    private double roomBelow() {
        return getScene().getHeight() - place.getMaxY();
    }

    /** Shows as many columns as find room, from one on. */
    private void showPage(int column) {
        firstColumn = column;
        int used = 0;
        int tallest = 0;
        double x = EDGE;
        shownColumns = 0;
        for (MenuColumns.Column each :
                columns.columns().subList(column, columns.columns().size())) {
            if (shownColumns > 0 && used + each.size() > MOST_ROWS) {
                break;
            }
            double width = fill(used, each);
            if (shownColumns > 0 && x + width + EDGE > getScene().getWidth()) {
                break;
            }
            for (int i = 0; i < each.size(); i++) {
                rows.get(used + i).resizeRelocate(x, EDGE + i * MenuRow.HEIGHT, width, MenuRow.HEIGHT);
            }
            used += each.size();
            tallest = Math.max(tallest, each.size());
            x += width + BETWEEN;
            shownColumns++;
        }
        rows.subList(used, rows.size()).forEach(row -> row.setVisible(false));
        takePlace(x - BETWEEN + EDGE, EDGE + tallest * MenuRow.HEIGHT + EDGE);
    }

    /** Writes the lines of a column into rows from one on; gives the width that they need. */
    private double fill(int from, MenuColumns.Column column) {
        for (int i = 0; i < column.size(); i++) {
            row(from + i).show(columns.lines().get(column.from() + i), column.from() + i);
        }
        applyCss();
        return rows.subList(from, from + column.size()).stream()
                .mapToDouble(row -> row.prefWidth(-1))
                .max()
                .orElse(0);
    }

    private void takePlace(double width, double height) {
        boolean isMore = shownColumns < columns.columns().size();
        more.setVisible(isMore);
        more.setText(isMore ? words() : "");
        more.relocate(EDGE + BETWEEN, height - EDGE + 2);
        double tall = height + (isMore ? MORE_HEIGHT : 0);
        double wide = Math.max(
                Math.max(width, isMore ? more.getLayoutBounds().getWidth() + 2 * (EDGE + BETWEEN) : 0),
                place.getWidth());
        double x = Math.max(0, Math.min(place.getMinX(), getScene().getWidth() - wide));
        double y = roomBelow() >= tall || roomBelow() >= roomAbove() ? place.getMaxY() : roomAbove() - tall;
        resizeRelocate(Math.rint(x), Math.rint(y), wide, tall);
    }

    private String words() {
        int from = columns.columns().get(firstColumn).from() + 1;
        int to = columns.columns().get(firstColumn + shownColumns - 1).to();
        return from + " to " + to + " of " + columns.lines().size() + " – Page Down, Page Up, or the wheel";
    }

    private MenuRow row(int index) {
        if (index == rows.size()) {
            rows.add(new MenuRow());
        }
        MenuRow row = rows.get(index);
        if (row.getParent() != this) {
            getChildren().add(row);
        }
        return row;
    }

    // Going about and choosing

    private static Optional<MenuRow> rowAt(MouseEvent event) {
        Node node = event.getPickResult().getIntersectedNode();
        while (node != null && !(node instanceof MenuRow)) {
            node = node.getParent();
        }
        return Optional.ofNullable((MenuRow) node).filter(row -> row.line().isForHands());
    }

    private Optional<MenuRow> focused() {
        return getScene().getFocusOwner() instanceof MenuRow row && row.getParent() == this
                ? Optional.of(row)
                : Optional.empty();
    }

    private static void focus(MenuRow row) {
        row.requestFocus();
    }

    /** Goes to the line of an index, on another page where it is not in sight. */
    private void focus(int index) {
        int column = columns.of(index);
        if (column < firstColumn) {
            showPage(column);
        }
        while (column >= firstColumn + shownColumns) {
            showPage(firstColumn + 1);
        }
        rows.stream()
                .filter(row -> row.isVisible() && row.index() == index)
                .findFirst()
                .ifPresent(MenuPanel::focus);
    }

    /** Turns the page by so many columns. */
    private void turn(int step) {
        int column = firstColumn + step;
        if (column >= 0 && column + shownColumns <= columns.columns().size()) {
            showPage(column);
            focus(columns.next(columns.columns().get(column).from() - 1, 1));
        }
    }

    private void pressed(KeyEvent event) {
        Optional<MenuRow> row = focused();
        if (row.isEmpty() || event.isShortcutDown() || event.isAltDown()) {
            return;
        }
        int at = row.get().index();
        switch (event.getCode()) {
            case DOWN -> focus(columns.next(at, 1));
            case UP -> focus(columns.next(at, -1));
            case RIGHT -> focus(columns.beside(at, 1));
            case LEFT -> focus(columns.beside(at, -1));
            case HOME -> focus(columns.next(-1, 1));
            case END -> focus(columns.next(columns.lines().size(), -1));
            case PAGE_DOWN -> turn(1);
            case PAGE_UP -> turn(-1);
            case ENTER, SPACE -> choose(row.get());
            case BACK_SPACE -> goBack();
            case ESCAPE, TAB -> close();
            default -> {
                if (event.getCode().isLetterKey() || event.getCode().isDigitKey()) {
                    focus(columns.begun(at, event.getCode().getName().toLowerCase(Locale.ROOT)));
                }
            }
        }
        event.consume();
    }

    private void choose(MenuRow row) {
        MenuLine line = row.line();
        switch (line.kind()) {
            case HEADING -> {}
            case BACK -> goBack();
            case LEADING -> {
                open.push(line.further().get());
                show();
            }
            case DEED, CHOICE, CHOSEN -> {
                close();
                line.verb().run();
            }
        }
    }

    private void goBack() {
        if (open.size() > 1) {
            open.pop();
            show();
        }
    }

    private void pressedAnywhere(MouseEvent event) {
        if (!isOpen() || isWithin(event.getTarget(), this)) {
            return;
        }
        boolean isOpener = opener.filter(each -> each instanceof MenuOpener && isWithin(event.getTarget(), each))
                .isPresent();
        close();
        if (isOpener) {
            event.consume();
        }
    }

    private static boolean isWithin(Object target, Node around) {
        Node node = target instanceof Node each ? each : null;
        while (node != null && node != around) {
            node = node.getParent();
        }
        return node == around;
    }

    /** All its parts are in their places already. */
    @Override
    protected void layoutChildren() {}
}
