package wildflourish.desktop.plain;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
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
import wildflourish.desktop.look.Lines;

/** The plain tune before any ornament: how it is built, what it needs on the instrument, its hard spots to go round, where else it lies well. */
public final class LookOverPanel extends VBox {
    private static final int MOST_SPOTS = 6;
    private static final int MOST_FITS = 8;
    /** Lines that come into sight in one frame. */
    private static final int LINES_A_FRAME = 1;

    private final Desk desk;
    /** Of a line, in pixels, with a bar to scroll beside it. */
    private static final double WIDTH = 264;

    private final Lines content = new Lines(WIDTH);
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

    public LookOverPanel(Desk desk, Choices choices, Frames frames) {
        this.desk = desk;
        this.frames = frames;
        this.choices = choices;
        setId("look-over");
        getStyleClass().add("fits");
        Label title = new Label("Look over the plain tune");
        title.getStyleClass().add("panel-title");
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
        content.clear();
        Optional<Tune> tune = sight.tune();
        if (tune.isEmpty()) {
            content.say(0, new Lines.Words("Open a book with a tune in it, or begin one with Ctrl+N."));
            return;
        }
        Instrument instrument = sight.chosen().instrument();
        Version version =
                sight.version().orElseGet(() -> Version.plain("plain", Playing.usual(tune.get(), instrument)));
        choices.away().work(() -> facts(tune.get(), version), facts -> {
            if (asked == shown) {
                grow(asked, 0, facts);
                choices.away().work(() -> lies(tune.get(), instrument), lies -> {
                    if (asked == shown) {
                        grow(asked, facts.size(), lies);
                    }
                });
            }
        });
    }

    /** Says the lines from some index on, below each other, a few a frame. */
    private void grow(int asked, int from, List<Lines.Line> lines) {
        List<Integer> indices = IntStream.range(0, lines.size()).boxed().toList();
        frames.grow(
                indices,
                LINES_A_FRAME,
                () -> asked == shown,
                some -> some.forEach(index -> content.say(from + index, lines.get(index))));
    }

    /** The caret into the name of the phrase. */
    public void focusName() {
        phrase.focusName();
    }

    /** What the tune is and needs. */
    private List<Lines.Line> facts(Tune tune, Version version) {
        Playing playing = version.playing();
        Instrument instrument = playing.instrument();
        Needs needs = Needs.of(tune, instrument, playing.tempo());
        List<Lines.Line> lines = new ArrayList<>();
        lines.add(new Lines.Heading("How it is built"));
        FormWords.of(tune).forEach(line -> lines.add(new Lines.Words(line)));
        lines.add(new Lines.Heading("What it needs on the " + instrument.name()));
        NeedsWords.of(needs, tune, instrument).stream()
                .filter(line -> !line.startsWith("Hard") && !line.startsWith("Not on"))
                .forEach(line -> lines.add(new Lines.Words(line)));
        lines.addAll(obstacles(Obstacles.of(tune, instrument, playing.schools(), playing.tempo()), tune, instrument));
        lines.addAll(spots(needs, tune));
        List<String> way = WayWords.of(tune, version);
        if (!way.isEmpty()) {
            lines.add(new Lines.Heading("The way through"));
            way.forEach(line -> lines.add(new Lines.Words(line)));
        }
        lines.add(new Lines.Heading("Where it lies well"));
        return lines;
    }

    /** What cannot be played, each to be gone to, with what was tried and helps. */
    private List<Lines.Line> obstacles(Obstacles obstacles, Tune tune, Instrument instrument) {
        if (obstacles.isEmpty()) {
            return List.of();
        }
        List<Lines.Line> lines = new ArrayList<>();
        lines.add(new Lines.Heading("What cannot be played, and what helps"));
        for (Obstacle obstacle : obstacles.obstacles()) {
            NoteId first = obstacle.places().get(0);
            lines.add(new Lines.Row(
                    "obstacle-" + first.number(),
                    ObstacleWords.of(obstacle, tune, instrument),
                    "Goes to its first place",
                    () -> desk.choose(first)));
        }
        lines.add(new Lines.Words(ObstacleWords.whole(obstacles)));
        return lines;
    }

    private List<Lines.Line> spots(Needs needs, Tune tune) {
        if (needs.spots().isEmpty()) {
            return List.of();
        }
        List<Lines.Line> lines = new ArrayList<>();
        lines.add(new Lines.Heading("Hard spots, to go round"));
        needs.spots().stream()
                .limit(MOST_SPOTS)
                .forEach(spot -> lines.add(new Lines.Row(
                        "spot-" + spot.at().number(),
                        NeedsWords.of(spot, tune),
                        "Goes round it with the notes before and after",
                        () -> choices.loop().accept(spot))));
        int more = needs.spots().size() - MOST_SPOTS;
        if (more > 0) {
            lines.add(new Lines.Words("and " + more + " more like these"));
        }
        return lines;
    }

    /** Where the tune lies well: how to move a recording for the chosen instrument, and the other instruments. */
    private List<Lines.Line> lies(Tune tune, Instrument instrument) {
        BestFit.Moved moved = BestFit.recordingMoved(tune, instrument).get(0);
        List<Lines.Line> lines = new ArrayList<>();
        lines.add(new Lines.Words(NeedsWords.of(moved, instrument)));
        BestFit.of(tune, BestFit.instruments(instrument.family().kind()), 0).stream()
                .filter(BestFit::isPlayable)
                .limit(MOST_FITS)
                .forEach(fit -> lines.add(new Lines.Row(
                        "fit-on-" + fit.instrument().id(),
                        fit.instrument().name() + "\n" + NeedsWords.of(fit),
                        String.format(
                                Locale.ROOT,
                                "Cost a note, with what is hard: %.1f. Press to work on this instrument",
                                fit.cost()),
                        () -> choices.instrument().accept(fit.instrument()))));
        lines.add(new Lines.Row(
                "all-fits",
                "Every instrument, other keys …",
                "Compares keys and what the class owns (I)",
                choices.bestFit()));
        return lines;
    }
}
