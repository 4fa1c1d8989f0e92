package wildflourish.desktop.view;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.concurrent.Executor;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.beans.value.ChangeListener;
import javafx.scene.Group;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.MouseEvent;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.shape.Rectangle;
import wildflourish.core.engraving.Box;
import wildflourish.core.engraving.NoteZone;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.StairSheet;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;
import wildflourish.core.version.Version;
import wildflourish.desktop.look.Size;
import wildflourish.desktop.look.Theme;

/** A score, any version of any tune, with the chosen notes and the sounding note marked. No system is ever seen in part where it can be seen whole. */
public final class ScoreView extends ScrollPane {
    /** Above and below a system that is brought into sight, in pixels. */
    private static final double AIR = 8;

    private static final double WHEEL_STEP = 36;

    private final Executor layouter;
    private final Hands hands;
    private final Strips strips = new Strips();
    private final Group chosen = new Group();
    /** Notes that are lit together. */
    private final Group alike = new Group();

    private final Rectangle sounding = wash("sounding-note");
    private final Region curtain = new Region();
    private final Label empty = new Label("No tune here yet. Ctrl+O opens a tunebook, Ctrl+N begins a new tune.");
    private Theme theme = Theme.LIGHT;
    private ScoreWish wish = ScoreWish.NOTHING;
    private Optional<PageWish> asked = Optional.empty();
    private Optional<PageWish> shown = Optional.empty();
    private Optional<PageWish.LaidOut> laidOut = Optional.empty();
    private Optional<Filled> filled = Optional.empty();
    private Optional<Span> range = Optional.empty();
    private Optional<Placement> tried = Optional.empty();
    /** The version that something is proposed for. */
    private Optional<Version> proposal = Optional.empty();

    private List<Placement> proposals = List.of();
    /** Counts the pages asked for; the one that is shown is an earlier one until the last is laid out. */
    private volatile int number;

    private double wheel;

    /** What hands do on a score. */
    public interface Hands {
        /** A note was pressed. */
        void chose(NoteId note);

        /** A note was pressed with Shift, or dragged to: the range goes on to it. */
        void reached(NoteId note);

        /** A note of another stage was pressed, where several are shown. */
        default void chose(int stage, NoteId note) {}

        /** The pointer is over a note, or over none. */
        default void pointed(Optional<NoteId> note) {}
    }

    /** With what lays out pages, away from the window's thread; only the page asked for last comes into view. */
    public ScoreView(Executor layouter, Hands hands) {
        this.layouter = layouter;
        this.hands = hands;
        getStyleClass().add("score");
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setFitToWidth(true);
        setFocusTraversable(true);
        Pane paper = new Pane(strips, sounding, alike, chosen, curtain, empty);
        curtain.getStyleClass().add("curtain");
        curtain.setMouseTransparent(true);
        curtain.setManaged(false);
        empty.relocate(40, 40);
        empty.setVisible(false);
        empty.getStyleClass().add("empty");
        chosen.setMouseTransparent(true);
        alike.setMouseTransparent(true);
        paper.getStyleClass().add("paper");
        setContent(paper);
        strips.addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
        strips.addEventHandler(MouseEvent.MOUSE_DRAGGED, this::dragged);
        strips.addEventHandler(MouseEvent.MOUSE_MOVED, event -> hands.pointed(noteAt(event)));
        strips.addEventHandler(MouseEvent.MOUSE_EXITED, event -> hands.pointed(Optional.empty()));
        addEventFilter(ScrollEvent.SCROLL, this::scrolled);
        viewportBoundsProperty().addListener((at, before, after) -> layOut());
        vvalueProperty().addListener((at, before, after) -> drawCurtain());
        sounding.setVisible(false);
        ChangeListener<Object> moved = (at, before, after) -> layOut();
        sceneProperty().addListener(moved);
    }

    private static Rectangle wash(String styleClass) {
        Rectangle rectangle = new Rectangle();
        rectangle.getStyleClass().add(styleClass);
        // Until its style is there: one that comes in the midst of a layout is drawn once without.
        rectangle.setFill(Color.TRANSPARENT);
        rectangle.setMouseTransparent(true);
        rectangle.setArcWidth(8);
        rectangle.setArcHeight(8);
        return rectangle;
    }

    public void setTheme(Theme newTheme) {
        theme = newTheme;
        strips.show(Strips.Cut.of(laidOut, scale()), theme);
    }

    /** Shows something. */
    public void show(ScoreWish newWish) {
        tried = wish.version().equals(newWish.version()) ? tried : Optional.empty();
        wish = newWish.with(pale(newWish));
        layOut();
    }

    /** What is proposed for the version in sight, then what is tried. */
    private List<Placement> pale(ScoreWish of) {
        Stream<Placement> proposed = of.version()
                .filter(version -> proposal.filter(version::equals).isPresent())
                .map(version -> proposals.stream())
                .orElse(Stream.of());
        return Stream.concat(proposed, tried.stream()).toList();
    }

    /** Draws what might be placed in pale ink, or nothing. */
    public void preview(Optional<Placement> placement) {
        tried = placement;
        showPale();
    }

    /** Draws what is proposed for a version in pale ink for as long as that is in sight. */
    public void propose(Version version, List<Placement> placements) {
        proposal = Optional.of(version);
        proposals = List.copyOf(placements);
        showPale();
    }

    private void showPale() {
        List<Placement> pale = pale(wish);
        if (!wish.preview().equals(pale)) {
            wish = wish.with(pale);
            layOut();
        }
    }

    /** What is drawn in pale ink. */
    public List<Placement> previewed() {
        return wish.preview();
    }

    /** Marks notes as the chosen ones. */
    public void mark(Optional<Span> notes) {
        range = notes;
        if (shown.equals(asked)) {
            markChosen();
        }
    }

    /** The page as laid out now. */
    public Optional<Page> page() {
        return laidOut.map(PageWish.LaidOut::page);
    }

    /** Device pixels to a staff space as it is drawn now. */
    public int space() {
        return laidOut.map(PageWish.LaidOut::pixels).orElse(8);
    }

    /** How large a staff space is drawn now, in pixels of the window. */
    public double pixelsPerSpace() {
        return space() / scale();
    }

    /** Device pixels to a pixel of the window. */
    private double scale() {
        return Optional.ofNullable(getScene())
                .flatMap(scene -> Optional.ofNullable(scene.getWindow()))
                .map(window -> window.getOutputScaleX())
                .orElse(1.0);
    }

    private void layOut() {
        double width = getViewportBounds().getWidth();
        double height = getViewportBounds().getHeight();
        if (width < 50 || height < 10) {
            return;
        }
        Optional<PageWish> wanted = Optional.of(PageWish.of(wish, (int) (width * scale()), (int) (height * scale())));
        if (wanted.equals(asked)) {
            drawCurtain();
            markChosen();
            return;
        }
        asked = wanted;
        int mine = number + 1;
        number = mine;
        double scale = scale();
        Known known = new Known(filled, (int) (height * scale));
        Executor executor = laidOut.isEmpty() ? Runnable::run : layouter;
        executor.execute(() -> layOut(mine, wanted.get(), scale, known));
    }

    /**
     * What is known of the size of the page.
     *
     * @param view in device pixels
     */
    private record Known(Optional<Filled> filled, int view) {
        OptionalInt pixels(PageWish page) {
            return filled.filter(each -> each.by().equals(page.filled()))
                    .map(each -> OptionalInt.of(each.pixels()))
                    .orElse(OptionalInt.empty());
        }
    }

    /** How large a page was drawn to fill the view, and what decided it. */
    private record Filled(PageWish.Filled by, int pixels) {}

    private void layOut(int mine, PageWish page, double scale, Known known) {
        if (mine == number) {
            Optional<PageWish.LaidOut> done = page.laidOut(known.pixels(page), known.view());
            Strips.Cut cut = Strips.Cut.of(done, scale);
            if (Platform.isFxApplicationThread()) {
                take(mine, page, done, cut);
            } else {
                Platform.runLater(() -> take(mine, page, done, cut));
            }
        }
    }

    private void take(int mine, PageWish page, Optional<PageWish.LaidOut> done, Strips.Cut cut) {
        if (mine != number) {
            return;
        }
        Optional<Tune> before = shown.flatMap(each -> each.wish().tune());
        shown = Optional.of(page);
        laidOut = done;
        filled = done.filter(each -> page.wish().size().equals(Size.WIDTH))
                .map(each -> new Filled(page.filled(), each.pixels()))
                .or(() -> filled);
        alike.getChildren().clear();
        empty.setVisible(done.isEmpty());
        strips.show(cut, theme);
        if (!before.equals(page.wish().tune())) {
            setVvalue(0);
        }
        markChosen();
        drawCurtain();
    }

    // Hands

    private Optional<NoteId> noteAt(MouseEvent event) {
        return page().flatMap(each -> each.noteAt(event.getX() / pixelsPerSpace(), event.getY() / pixelsPerSpace()))
                .filter(note -> !note.isAdded());
    }

    private void pressed(MouseEvent event) {
        requestFocus();
        event.consume();
        double x = event.getX() / pixelsPerSpace();
        double y = event.getY() / pixelsPerSpace();
        Optional<StairSheet.Row> row = laidOut.flatMap(PageWish.LaidOut::stair).flatMap(sheet -> sheet.rowAt(y));
        boolean isOther = row.isPresent()
                && wish.stair()
                        .filter(stages -> stages.inHand() != row.get().stage())
                        .isPresent();
        if (isOther) {
            row.get().noteNear(x).ifPresent(note -> hands.chose(row.get().stage(), note));
            return;
        }
        noteAt(event).ifPresent(event.isShiftDown() ? hands::reached : hands::chose);
    }

    private void dragged(MouseEvent event) {
        noteAt(event)
                .filter(note -> range.filter(span ->
                                !span.first().equals(note) && !span.last().equals(note))
                        .isPresent())
                .ifPresent(hands::reached);
        event.consume();
    }

    /** The note nearest below (1) or above (−1) another one, in the next system that way. */
    public Optional<NoteId> beyondLine(NoteId note, int direction) {
        Optional<Box> from = zone(note).map(NoteZone::column);
        return from.flatMap(here -> page().orElseThrow().zones().stream()
                .filter(zone -> !zone.note().isAdded())
                .filter(zone -> direction > 0
                        ? zone.column().top() > here.bottom() - 1
                        : zone.column().bottom() < here.top() + 1)
                .min(Comparator.comparingDouble(zone -> Math.abs(zone.column().top() - here.top()) * 100
                        + Math.abs(zone.column().left() - here.left())))
                .map(NoteZone::note));
    }

    // Marks

    private Optional<NoteZone> zone(NoteId note) {
        return page().flatMap(each -> each.zoneOf(note));
    }

    private void markChosen() {
        chosen.getChildren().clear();
        List<Box> columns = range.flatMap(span -> wish.tune()
                        .filter(tune -> tune.has(span.first()) && tune.has(span.last()))
                        .map(tune -> span.notes(tune).stream()
                                .flatMap(note -> zone(note.id()).stream())
                                .map(NoteZone::column)
                                .toList()))
                .orElse(List.of());
        for (int i = 0; i < columns.size(); ) {
            Box first = columns.get(i);
            Box last = first;
            while (i < columns.size() && columns.get(i).top() == first.top()) {
                last = columns.get(i++);
            }
            Rectangle rectangle = wash("chosen-note");
            put(rectangle, new Box(first.left(), first.top(), last.right(), last.bottom()));
            chosen.getChildren().add(rectangle);
        }
        columns.stream().findFirst().ifPresent(this::reveal);
    }

    /** Lights the note that sounds, or none. */
    public void light(Optional<NoteId> note) {
        Optional<NoteZone> zone = note.flatMap(this::zone);
        sounding.setVisible(zone.isPresent());
        sounding.setUserData(note);
        zone.ifPresent(each -> {
            put(sounding, each.column());
            reveal(each.column());
        });
    }

    /** Lights some notes together, those of another page not, in place of those that were; brings the first into sight. */
    public void lightAll(List<NoteId> notes) {
        alike.getChildren().clear();
        List<Box> boxes = notes.stream()
                .flatMap(note -> zone(note).stream())
                .map(NoteZone::column)
                .toList();
        for (Box box : boxes) {
            Rectangle rectangle = wash("sounding-note");
            put(rectangle, box);
            alike.getChildren().add(rectangle);
        }
        boxes.stream().findFirst().ifPresent(this::reveal);
    }

    /** How many notes are lit together. */
    public int litTogether() {
        return alike.getChildren().size();
    }

    /** The note that is lit. */
    @SuppressWarnings("unchecked")
    public Optional<NoteId> lit() {
        return sounding.isVisible() ? (Optional<NoteId>) sounding.getUserData() : Optional.empty();
    }

    private void put(Rectangle rectangle, Box box) {
        rectangle.setX(box.left() * pixelsPerSpace());
        rectangle.setY(box.top() * pixelsPerSpace());
        rectangle.setWidth(box.width() * pixelsPerSpace());
        rectangle.setHeight(box.height() * pixelsPerSpace());
    }

    // Whole systems

    /** Where systems begin and end, in pixels of the page, from above. */
    private List<Box> systems() {
        return page().map(each -> each.zones().stream()
                        .map(NoteZone::column)
                        .map(box -> new Box(0, box.top() * pixelsPerSpace(), 1, box.bottom() * pixelsPerSpace()))
                        .distinct()
                        .sorted(Comparator.comparingDouble(Box::top))
                        .toList())
                .orElse(List.of());
    }

    private double view() {
        return getViewportBounds().getHeight();
    }

    private double room() {
        return strips.height() - view();
    }

    private double top() {
        return Math.max(0, getVvalue() * room());
    }

    private void scrollTo(double top) {
        setVvalue(Math.max(0, Math.min(1, top / room())));
    }

    /** Scrolls no farther than needed for the system of a box to be seen whole, with the top of a system at the top of the view. */
    private void reveal(Box box) {
        double boxTop = box.top() * pixelsPerSpace();
        double boxBottom = box.bottom() * pixelsPerSpace();
        boolean isSeen = boxTop >= top() && boxBottom <= top() + view();
        if (room() <= 0 || (isSeen && beginsWithSystem())) {
            return;
        }
        if (boxTop < top()) {
            scrollTo(boxTop - AIR);
            return;
        }
        double top = systems().stream()
                .mapToDouble(Box::top)
                .map(each -> each - AIR)
                .filter(each -> boxBottom - each <= view())
                .findFirst()
                .orElse(boxTop - AIR);
        scrollTo(top);
    }

    /**
     * Whole systems in a view.
     *
     * @param top of the view on the page, in pixels
     * @param height of the view
     */
    public record Whole(double top, double height) {}

    /** Whether no system is cut by the upper edge of the view. */
    private boolean beginsWithSystem() {
        double top = top();
        return systems().stream().noneMatch(each -> each.top() < top - 1 && each.bottom() > top + 1);
    }

    /** Of a view no higher than so many pixels: as many whole systems as go into it, that of the chosen note among them; all of it where not even one does. */
    public Whole whole(double most) {
        double bottom = range.flatMap(span -> zone(span.first()))
                .map(zone -> zone.column().bottom() * pixelsPerSpace())
                .orElse(0.0);
        double top = Stream.concat(Stream.of(0.0), systems().stream().map(each -> Math.max(0, each.top() - AIR)))
                .filter(each -> bottom - each <= most)
                .findFirst()
                .orElse(Math.max(0, bottom - most));
        double height = systems().stream()
                .mapToDouble(each -> each.bottom() - top + AIR)
                .filter(each -> each > 0 && each <= most)
                .max()
                .orElse(most);
        return new Whole(top, height);
    }

    /** Shows them, once the view is as high. */
    public void show(Whole whole) {
        if (room() > 0) {
            scrollTo(whole.top());
        }
    }

    /** The wheel goes from system to system. */
    private void scrolled(ScrollEvent event) {
        event.consume();
        wheel = Math.signum(wheel) == Math.signum(event.getDeltaY()) ? wheel + event.getDeltaY() : event.getDeltaY();
        if (Math.abs(wheel) < WHEEL_STEP || room() <= 0) {
            return;
        }
        boolean isDown = wheel < 0;
        wheel = 0;
        List<Double> tops = systems().stream()
                .map(each -> each.top() - AIR)
                .filter(each -> isDown ? each > top() + 1 : each < top() - 1)
                .toList();
        double wanted = tops.isEmpty() ? (isDown ? room() : 0) : isDown ? tops.get(0) : tops.get(tops.size() - 1);
        scrollTo(
                systems().stream()
                                .findFirst()
                                .filter(first -> first.top() - AIR == wanted && !isDown)
                                .isPresent()
                        ? 0
                        : wanted);
    }

    /** Hides a system at the foot of the view that would be seen in part only, where another is seen whole. */
    private void drawCurtain() {
        double foot = top() + view();
        List<Box> all = systems();
        Optional<Box> cut = all.stream()
                .filter(each -> each.top() < foot && each.bottom() > foot + 1)
                .findFirst();
        boolean hasWhole = all.stream().anyMatch(each -> each.top() >= top() - 1 && each.bottom() <= foot);
        curtain.setVisible(cut.isPresent() && hasWhole && room() > 0);
        cut.ifPresent(each -> {
            double above = all.stream()
                    .mapToDouble(Box::bottom)
                    .filter(bottom -> bottom <= each.top() + 1)
                    .max()
                    .orElse(each.top() - AIR);
            double from = Math.max(above + 1, each.top() - 3 * AIR);
            curtain.resizeRelocate(0, from, strips.getLayoutBounds().getWidth(), foot - from + 2);
        });
    }
}
