package wildflourish.desktop.bench;

import java.util.Optional;
import java.util.concurrent.Executor;
import javafx.application.Platform;
import javafx.beans.value.ChangeListener;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Rectangle;
import wildflourish.core.engraving.Box;
import wildflourish.core.engraving.NoteZone;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Spot;
import wildflourish.core.words.Words;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Theme;

/** The score of the chosen stage on an endless page, with the chosen note and the sounding note marked. */
public final class ScoreView extends ScrollPane {
    /** Staff spaces across a phrase that is looked at alone. */
    private static final double LENS_SPACES = 66;

    /** Of the border that shows where the focus is, in pixels. */
    public static final double BORDER = 2;

    /** Staff spaces across the usual page. */
    public static final double WIDTH_SPACES = 118;

    private static final double SMALLEST_SPACE = 5.5;

    private final Desk desk;
    private final Executor layouter;
    private final Strips strips = new Strips();
    private final Rectangle chosen = mark("chosen-note");
    private final Rectangle sounding = mark("sounding-note");
    private Theme theme = Theme.LIGHT;
    private Optional<Page> page = Optional.empty();
    private final Label empty = new Label("No tune here yet. Ctrl+O opens a tunebook, Ctrl+N begins a new tune.");
    private boolean isLens;
    private boolean isInSheets;
    private boolean isInSmallNotes;
    private Score.Shows shows = Score.Shows.BENCH;
    private double zoom = 1;
    /** Counts the pages asked for; the one that is shown is an earlier one until the last is laid out. */
    private volatile int asked;

    private int shownNumber;
    private Optional<PageWish> shown = Optional.empty();

    /** With what lays out pages, away from the window's thread; only the page asked for last comes into view. */
    public ScoreView(Desk desk, Executor layouter) {
        this.desk = desk;
        this.layouter = layouter;
        setId("score");
        getStyleClass().add("score");
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setFitToWidth(true);
        setFocusTraversable(true);
        setAccessibleText("Score: left and right arrows walk along the notes");
        Pane paper = new Pane(strips, sounding, chosen, empty);
        empty.setId("empty");
        empty.relocate(40, 40);
        empty.setVisible(false);
        paper.getStyleClass().add("paper");
        setContent(paper);
        strips.addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
        ChangeListener<Object> relayout = (at, before, after) -> layoutScore();
        viewportBoundsProperty().addListener((at, before, after) -> {
            if (Math.abs(before.getWidth() - after.getWidth()) > 1) {
                layoutScore();
            }
        });
        desk.sight().addListener((at, before, after) -> looked(before, after));
        sounding.setVisible(false);
        sceneProperty().addListener(relayout);
    }

    private static Rectangle mark(String styleClass) {
        Rectangle rectangle = new Rectangle();
        rectangle.getStyleClass().add(styleClass);
        rectangle.setMouseTransparent(true);
        rectangle.setArcWidth(8);
        rectangle.setArcHeight(8);
        return rectangle;
    }

    public void setTheme(Theme newTheme) {
        theme = newTheme;
        strips.show(Strips.Cut.of(page, pixelsPerSpace()), theme);
    }

    /** The page as laid out now. */
    public Optional<Page> page() {
        return page;
    }

    /** What goes with the notes. */
    public void show(Score.Shows newShows) {
        if (!newShows.equals(shows)) {
            shows = newShows;
            layoutScore();
        }
    }

    public Score.Shows shows() {
        return shows;
    }

    /** Larger (above 1) or smaller than fits the usual page; lines are broken anew, nothing is cut off. */
    public void setZoom(double factor) {
        zoom = Math.max(0.6, Math.min(2.5, factor));
        layoutScore();
    }

    public double zoom() {
        return zoom;
    }

    /** How large a staff space is drawn now. */
    public double pixelsPerSpace() {
        return shown.map(PageWish::pixelsPerSpace).orElse(8.0);
    }

    private void looked(Sight before, Sight after) {
        boolean isSameScore =
                before.tune().equals(after.tune()) && before.version().equals(after.version());
        boolean hasLeftPhrase = isLens && zone(after.note()).isEmpty();
        if (!isSameScore || hasLeftPhrase) {
            layoutScore();
        }
        if (asked == shownNumber) {
            markChosen();
        }
    }

    private void layoutScore() {
        Sight sight = desk.sight().get();
        double width = getViewportBounds().getWidth();
        if (width < 50) {
            return;
        }
        double across = isLens ? LENS_SPACES : isInSheets ? Paper.a4().width() + 2 * PageWish.SHEET_GAP : WIDTH_SPACES;
        Optional<NoteId> lens = isLens ? sight.note() : Optional.empty();
        PageWish wish = new PageWish(
                sight.tune(),
                sight.version(),
                new PageWish.Look(isInSheets, isInSmallNotes, lens),
                shows,
                width,
                Math.max(SMALLEST_SPACE, width / across * zoom));
        int number = asked + 1;
        asked = number;
        Executor executor = page.isEmpty() ? Runnable::run : layouter;
        executor.execute(() -> layOut(number, wish));
    }

    private void layOut(int number, PageWish wish) {
        if (number == asked) {
            Optional<Page> laidOut = wish.laidOut();
            Strips.Cut cut = Strips.Cut.of(laidOut, wish.pixelsPerSpace());
            if (Platform.isFxApplicationThread()) {
                take(number, wish, laidOut, cut);
            } else {
                Platform.runLater(() -> take(number, wish, laidOut, cut));
            }
        }
    }

    private void take(int number, PageWish wish, Optional<Page> laidOut, Strips.Cut cut) {
        if (number != asked) {
            return;
        }
        boolean isSameTune = shown.map(PageWish::tune).orElse(Optional.empty()).equals(wish.tune());
        shownNumber = number;
        shown = Optional.of(wish);
        page = laidOut;
        empty.setVisible(page.isEmpty());
        strips.show(cut, theme);
        if (!isSameTune) {
            setVvalue(0);
        }
        markChosen();
    }

    /** Sheets of paper as they will be printed, or one endless page. */
    public void setInSheets(boolean sheets) {
        isInSheets = sheets;
        layoutScore();
    }

    public boolean isInSheets() {
        return isInSheets;
    }

    /** One phrase at a time, large, with letters, or the whole tune. */
    public void setLens(boolean lens) {
        isLens = lens;
        layoutScore();
    }

    public boolean isLens() {
        return isLens;
    }

    /** Ornaments written out as small notes, or as signs. */
    public void setInSmallNotes(boolean smallNotes) {
        isInSmallNotes = smallNotes;
        layoutScore();
    }

    public boolean isInSmallNotes() {
        return isInSmallNotes;
    }

    private void pressed(MouseEvent event) {
        requestFocus();
        page.flatMap(laidOut -> laidOut.noteAt(event.getX() / pixelsPerSpace(), event.getY() / pixelsPerSpace()))
                .filter(note -> !note.isAdded())
                .ifPresent(desk::choose);
        event.consume();
    }

    private Optional<NoteZone> zone(Optional<NoteId> note) {
        return page.flatMap(laidOut -> note.flatMap(laidOut::zoneOf));
    }

    /** The chosen note in words, for whoever hears the window rather than sees it: where it stands, its fingering, what is placed. */
    private String chosenInWords() {
        Sight sight = desk.sight().get();
        if (sight.tune().isEmpty() || sight.note().isEmpty()) {
            return empty.getText();
        }
        Tune tune = sight.tune().get();
        Note note = tune.note(sight.note().get());
        String fingering = note.isRest()
                ? ""
                : sight.version()
                        .flatMap(version -> version.playing().instrument().rowOf(note.melody()))
                        .map(row -> ", holes " + row.usual() + ", breath "
                                + row.breath().name().toLowerCase(java.util.Locale.ROOT))
                        .orElse(", not on this instrument");
        String placed = desk.spotHere()
                .flatMap(Spot::first)
                .map(placement -> ", " + placement.ornament().name())
                .orElse("");
        return Words.place(tune, note) + fingering + placed;
    }

    private void markChosen() {
        setAccessibleText(chosenInWords());
        Optional<NoteZone> zone = zone(desk.sight().get().note());
        chosen.setVisible(zone.isPresent());
        zone.ifPresent(each -> {
            put(chosen, each.column());
            reveal(each.column());
        });
    }

    /** Lights the note that sounds, or none. */
    public void light(Optional<NoteId> note) {
        Optional<NoteZone> zone = zone(note);
        sounding.setVisible(zone.isPresent());
        sounding.setUserData(note);
        zone.ifPresent(each -> {
            put(sounding, each.column());
            reveal(each.column());
        });
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

    /** Scrolls no farther than needed for a box to be seen whole. */
    private void reveal(Box box) {
        double view = getViewportBounds().getHeight();
        double room = strips.height() - view;
        if (room <= 0) {
            return;
        }
        double top = getVvalue() * room;
        double wantedTop = box.top() * pixelsPerSpace() - 12;
        double wantedBottom = box.bottom() * pixelsPerSpace() + 12;
        if (wantedTop < top) {
            setVvalue(Math.max(0, wantedTop / room));
        } else if (wantedBottom > top + view) {
            setVvalue(Math.min(1, (wantedBottom - view) / room));
        }
    }

    /** Chooses the note nearest below or above the chosen one, in the next system that way. */
    public void walkLine(int direction) {
        Optional<NoteZone> from = zone(desk.sight().get().note());
        if (from.isEmpty() || page.isEmpty()) {
            return;
        }
        Box here = from.get().column();
        page.get().zones().stream()
                .filter(zone -> !zone.note().isAdded())
                .filter(zone -> direction > 0
                        ? zone.column().top() > here.bottom() - 1
                        : zone.column().bottom() < here.top() + 1)
                .min(java.util.Comparator.comparingDouble(
                        zone -> Math.abs(zone.column().top() - here.top()) * 100
                                + Math.abs(zone.column().left() - here.left())))
                .ifPresent(zone -> desk.choose(zone.note()));
    }
}
