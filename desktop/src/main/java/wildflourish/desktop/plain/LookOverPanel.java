package wildflourish.desktop.plain;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ContentDisplay;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.plain.BestFit;
import wildflourish.core.plain.HardSpot;
import wildflourish.core.plain.Needs;
import wildflourish.core.plain.Obstacle;
import wildflourish.core.plain.Obstacles;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Playing;
import wildflourish.core.version.Version;
import wildflourish.core.words.FormWords;
import wildflourish.core.words.NeedsWords;
import wildflourish.core.words.ObstacleWords;
import wildflourish.core.words.WayWords;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Frames;
import wildflourish.desktop.look.Paragraph;

/** The plain tune before any ornament: how it is built, what it needs on the instrument, its hard spots to go round, where else it lies well. */
public final class LookOverPanel extends VBox {
    private static final int MOST_SPOTS = 6;
    private static final int MOST_FITS = 8;
    /** Of a line, in pixels, with a bar to scroll beside it. */
    private static final double WIDTH = 264;

    private static final double ROW_PADDING = 24;
    /** Lines that come into sight in one frame. */
    private static final int LINES_A_FRAME = 1;

    private final Desk desk;
    private final VBox content = new VBox();
    private final PhraseRow phrase;
    private final Choices choices;
    private final Frames frames;
    private Optional<About> about = Optional.empty();
    /** Counts what was shown, so that an answer that comes too late is passed over. */
    private int shown;

    /**
     * What the panel asks of the window.
     *
     * @param loop goes round a hard spot
     * @param instrument works on another instrument
     * @param bestFit shows all instruments and keys
     * @param away for what takes longer than a keystroke may
     */
    public record Choices(Consumer<HardSpot> loop, Consumer<Instrument> instrument, Runnable bestFit, Away away) {}

    /** Works something out away from the window's thread and gives it back. */
    public interface Away {
        <T> void work(Supplier<T> question, Consumer<T> then);
    }

    /** What the tune is and needs, in words and as facts. */
    private record Facts(List<String> form, List<String> lines, Needs needs, Obstacles obstacles, List<String> way) {
        static Facts of(Tune tune, Version version) {
            Playing playing = version.playing();
            Needs needs = Needs.of(tune, playing.instrument(), playing.tempo());
            Obstacles obstacles = Obstacles.of(tune, playing.instrument(), playing.school(), playing.tempo());
            return new Facts(
                    FormWords.of(tune),
                    NeedsWords.of(needs, tune, playing.instrument()),
                    needs,
                    obstacles,
                    WayWords.of(tune, version));
        }
    }

    /** Where a tune lies well: how to move a recording for the chosen instrument, and the other instruments. */
    public record Lie(String recording, List<BestFit> fits) {
        static Lie of(Tune tune, Instrument instrument) {
            BestFit.Moved moved = BestFit.recordingMoved(tune, instrument).get(0);
            return new Lie(
                    NeedsWords.of(moved, instrument),
                    BestFit.of(tune, BestFit.instruments(instrument.family().kind()), 0));
        }
    }

    public LookOverPanel(Desk desk, Choices choices, Frames frames) {
        this.desk = desk;
        this.frames = frames;
        this.choices = choices;
        setId("look-over");
        getStyleClass().add("fits");
        Label title = new Label("Look over the plain tune");
        title.getStyleClass().add("panel-title");
        content.getStyleClass().add("cards");
        ScrollPane scroll = new ScrollPane(content);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("cards-scroll");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        phrase = new PhraseRow(desk);
        getChildren().addAll(title, phrase, scroll);
        desk.sight().addListener((at, before, after) -> {
            if (isVisible()) {
                show();
            }
        });
    }

    /** What the lines are about; they are read anew when it changes. */
    private record About(Optional<Tune> tune, Instrument instrument, Optional<Playing> playing) {
        static About of(Sight sight) {
            return new About(
                    sight.tune(), sight.chosen().instrument(), sight.version().map(Version::playing));
        }
    }

    /** Reads the tune, unless its lines are here already; for when the panel comes into sight. */
    public void show() {
        Sight sight = desk.sight().get();
        phrase.show(sight);
        Optional<About> now = Optional.of(About.of(sight));
        if (now.equals(about)) {
            return;
        }
        about = now;
        int asked = ++shown;
        content.getChildren().clear();
        Optional<Tune> tune = sight.tune();
        if (tune.isEmpty()) {
            content.getChildren().add(words("Open a book with a tune in it, or begin one with Ctrl+N."));
            return;
        }
        Instrument instrument = sight.chosen().instrument();
        Version version =
                sight.version().orElseGet(() -> Version.plain("plain", Playing.usual(tune.get(), instrument)));
        choices.away().work(() -> Facts.of(tune.get(), version), facts -> {
            if (asked == shown) {
                grow(asked, facts(facts, tune.get(), instrument));
                choices.away().work(() -> Lie.of(tune.get(), instrument), lie -> {
                    if (asked == shown) {
                        grow(asked, lies(lie));
                    }
                });
            }
        });
    }

    /** Makes the lines and puts them below each other, a few a frame. */
    private void grow(int asked, List<Supplier<Node>> lines) {
        frames.grow(
                lines,
                LINES_A_FRAME,
                () -> asked == shown,
                some -> some.stream().map(Supplier::get).forEach(content.getChildren()::add));
    }

    /** The caret into the name of the phrase. */
    public void focusName() {
        phrase.focusName();
    }

    private List<Supplier<Node>> facts(Facts facts, Tune tune, Instrument instrument) {
        List<Supplier<Node>> lines = new ArrayList<>();
        lines.add(() -> heading("How it is built"));
        facts.form().forEach(line -> lines.add(() -> words(line)));
        lines.add(() -> heading("What it needs on the " + instrument.name()));
        facts.lines().stream()
                .filter(line -> !line.startsWith("Hard") && !line.startsWith("Not on"))
                .forEach(line -> lines.add(() -> words(line)));
        lines.addAll(obstacles(facts.obstacles(), tune, instrument));
        lines.addAll(spots(facts.needs(), tune));
        if (!facts.way().isEmpty()) {
            lines.add(() -> heading("The way through"));
            facts.way().forEach(line -> lines.add(() -> words(line)));
        }
        lines.add(() -> heading("Where it lies well"));
        return lines;
    }

    /** What cannot be played, each to be gone to, with what was tried and helps. */
    private List<Supplier<Node>> obstacles(Obstacles obstacles, Tune tune, Instrument instrument) {
        if (obstacles.isEmpty()) {
            return List.of();
        }
        List<Supplier<Node>> lines = new ArrayList<>();
        lines.add(() -> heading("What cannot be played, and what helps"));
        for (Obstacle obstacle : obstacles.obstacles()) {
            NoteId first = obstacle.places().get(0);
            lines.add(() -> row(
                    "obstacle-" + first.number(),
                    ObstacleWords.of(obstacle, tune, instrument),
                    "Goes to its first place",
                    () -> desk.choose(first)));
        }
        lines.add(() -> words(ObstacleWords.whole(obstacles)));
        return lines;
    }

    private List<Supplier<Node>> spots(Needs needs, Tune tune) {
        if (needs.spots().isEmpty()) {
            return List.of();
        }
        List<Supplier<Node>> lines = new ArrayList<>();
        lines.add(() -> heading("Hard spots, to go round"));
        needs.spots().stream()
                .limit(MOST_SPOTS)
                .forEach(spot -> lines.add(() -> row(
                        "spot-" + spot.at().number(),
                        NeedsWords.of(spot, tune),
                        "Goes round it with the notes before and after",
                        () -> choices.loop().accept(spot))));
        int more = needs.spots().size() - MOST_SPOTS;
        if (more > 0) {
            lines.add(() -> words("and " + more + " more like these"));
        }
        return lines;
    }

    private List<Supplier<Node>> lies(Lie lie) {
        List<Supplier<Node>> lines = new ArrayList<>();
        lines.add(() -> words(lie.recording()));
        lie.fits().stream()
                .filter(BestFit::isPlayable)
                .limit(MOST_FITS)
                .forEach(fit -> lines.add(() -> row(
                        "fit-on-" + fit.instrument().id(),
                        fit.instrument().name() + "\n" + NeedsWords.of(fit),
                        String.format(
                                Locale.ROOT,
                                "Cost a note, with what is hard: %.1f. Press to work on this instrument",
                                fit.cost()),
                        () -> choices.instrument().accept(fit.instrument()))));
        lines.add(() -> row(
                "all-fits",
                "Every instrument, other keys …",
                "Compares keys and what the class owns (I)",
                choices.bestFit()));
        return lines;
    }

    private static Paragraph heading(String text) {
        return new Paragraph(text, WIDTH, "where");
    }

    private static Paragraph words(String text) {
        return new Paragraph(text, WIDTH);
    }

    /** The button shows its words as a paragraph; it has them itself for who hears them. */
    private static Button row(String id, String text, String tip, Runnable verb) {
        Button button = new Button(text, new Paragraph(text, WIDTH - ROW_PADDING));
        button.setId(id);
        button.setOnAction(event -> verb.run());
        button.setContentDisplay(ContentDisplay.GRAPHIC_ONLY);
        button.setMaxWidth(Double.MAX_VALUE);
        button.setMinHeight(Region.USE_PREF_SIZE);
        button.setTooltip(new Tooltip(tip));
        button.getStyleClass().addAll("card", "line");
        return button;
    }
}
