package wildflourish.desktop.bench;

import java.util.Optional;
import javafx.beans.value.ChangeListener;
import javafx.scene.Group;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Rectangle;
import wildflourish.core.engraving.Box;
import wildflourish.core.engraving.Engraver;
import wildflourish.core.engraving.NoteZone;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.CanvasPainter;
import wildflourish.desktop.look.Theme;
import wildflourish.files.abc.WrittenOut;

/** The score of the chosen stage on an endless page, with the chosen note and the sounding note marked. */
public final class ScoreView extends ScrollPane {
    /** Staff spaces across a phrase that is looked at alone. */
    private static final double LENS_SPACES = 66;

    /** Of the border that shows where the focus is, in pixels. */
    public static final double BORDER = 2;

    /** Staff spaces across the usual page. */
    public static final double WIDTH_SPACES = 118;

    private static final double SHEET_GAP = 3;
    private static final double SMALLEST_SPACE = 5.5;

    private final Desk desk;
    private final Canvas canvas = new Canvas();
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
    private double pixelsPerSpace = 8;

    public ScoreView(Desk desk) {
        this.desk = desk;
        setId("score");
        getStyleClass().add("score");
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setFitToWidth(true);
        setFocusTraversable(true);
        setAccessibleText("Score: left and right arrows walk along the notes");
        Pane paper = new Pane(new Group(canvas), sounding, chosen, empty);
        empty.setId("empty");
        empty.relocate(40, 40);
        empty.setVisible(false);
        paper.getStyleClass().add("paper");
        setContent(paper);
        canvas.addEventHandler(MouseEvent.MOUSE_PRESSED, this::pressed);
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
        paint();
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
        return pixelsPerSpace;
    }

    private void looked(Sight before, Sight after) {
        boolean isSameScore =
                before.tune().equals(after.tune()) && before.version().equals(after.version());
        boolean hasLeftPhrase = isLens && zone(after.note()).isEmpty();
        if (!isSameScore || hasLeftPhrase) {
            layoutScore();
        }
        if (!before.tune().equals(after.tune())) {
            setVvalue(0);
        }
        markChosen();
    }

    private void layoutScore() {
        Sight sight = desk.sight().get();
        double width = getViewportBounds().getWidth();
        if (width < 50) {
            return;
        }
        double across = isLens ? LENS_SPACES : isInSheets ? Paper.a4().width() + 2 * SHEET_GAP : WIDTH_SPACES;
        pixelsPerSpace = Math.max(SMALLEST_SPACE, width / across * zoom);
        page = sight.tune().map(tune -> layOut(tune, sight.version(), width / pixelsPerSpace));
        empty.setVisible(page.isEmpty());
        paint();
        markChosen();
    }

    /** One endless page, or sheets of paper one under the other; ornaments as signs or as small notes. */
    private Page layOut(Tune tune, Optional<Version> version, double widthSpaces) {
        Optional<WrittenOut> written =
                isInSmallNotes ? version.map(each -> WrittenOut.of(tune, each)) : Optional.empty();
        Optional<Version> drawn =
                written.isEmpty() ? version : version.map(each -> Version.plain(each.name(), each.playing()));
        Score score = new Score(
                written.map(WrittenOut::tune).orElse(tune), drawn, isInSmallNotes ? shows.withoutSigns() : shows);
        if (isLens && desk.sight().get().note().isPresent()) {
            int bar = tune.placeOf(desk.sight().get().note().get()).bar();
            Phrase phrase = Phrasing.of(tune).at(bar);
            Score large = new Score(tune, version, shows.withLetters(true));
            return Engraver.engrave(large, Paper.endless(widthSpaces), phrase).get(0);
        }
        Page laidOut = isInSheets
                ? Page.stacked(Engraver.engrave(score, Paper.a4()), SHEET_GAP)
                : Engraver.engrave(score, Paper.endless(widthSpaces)).get(0);
        return written.map(each -> laidOut.renamed(each.originals())).orElse(laidOut);
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

    private void paint() {
        GraphicsContext graphics = canvas.getGraphicsContext2D();
        graphics.clearRect(0, 0, canvas.getWidth(), canvas.getHeight());
        page.ifPresent(laidOut -> {
            canvas.setWidth(Math.ceil(laidOut.width() * pixelsPerSpace));
            canvas.setHeight(Math.ceil(laidOut.height() * pixelsPerSpace));
            CanvasPainter.paint(graphics, laidOut.drawn(), theme.palette(), pixelsPerSpace);
        });
    }

    private void pressed(MouseEvent event) {
        requestFocus();
        page.flatMap(laidOut -> laidOut.noteAt(event.getX() / pixelsPerSpace, event.getY() / pixelsPerSpace))
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
        rectangle.setX(box.left() * pixelsPerSpace);
        rectangle.setY(box.top() * pixelsPerSpace);
        rectangle.setWidth(box.width() * pixelsPerSpace);
        rectangle.setHeight(box.height() * pixelsPerSpace);
    }

    /** Scrolls no farther than needed for a box to be seen whole. */
    private void reveal(Box box) {
        double view = getViewportBounds().getHeight();
        double room = canvas.getHeight() - view;
        if (room <= 0) {
            return;
        }
        double top = getVvalue() * room;
        double wantedTop = box.top() * pixelsPerSpace - 12;
        double wantedBottom = box.bottom() * pixelsPerSpace + 12;
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
                .filter(zone -> direction > 0
                        ? zone.column().top() > here.bottom() - 1
                        : zone.column().bottom() < here.top() + 1)
                .min(java.util.Comparator.comparingDouble(
                        zone -> Math.abs(zone.column().top() - here.top()) * 100
                                + Math.abs(zone.column().left() - here.left())))
                .ifPresent(zone -> desk.choose(zone.note()));
    }
}
