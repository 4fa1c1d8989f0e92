package wildflourish.desktop.plain;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.control.Button;
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

/** The plain tune before any ornament: how it is built, what it needs on the instrument, its hard spots to go round, where else it lies well. */
public final class LookOverPanel extends VBox {
    private static final int MOST_SPOTS = 6;
    private static final int MOST_FITS = 8;

    private final Desk desk;
    private final VBox content = new VBox();
    private final PhraseRow phrase;
    private final Choices choices;
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

    public LookOverPanel(Desk desk, Choices choices) {
        this.desk = desk;
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
            boolean isSame = before.tune().equals(after.tune())
                    && before.chosen().instrument().equals(after.chosen().instrument());
            if (!isSame && getScene() != null) {
                show();
            } else if (getScene() != null) {
                phrase.show(after);
            }
        });
    }

    /** Reads the tune anew; for when the panel comes into sight. */
    public void show() {
        int asked = ++shown;
        content.getChildren().clear();
        Sight sight = desk.sight().get();
        phrase.show(sight);
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
                facts(facts, tune.get(), instrument);
                choices.away().work(() -> Lie.of(tune.get(), instrument), lie -> {
                    if (asked == shown) {
                        lies(lie);
                    }
                });
            }
        });
    }

    /** The caret into the name of the phrase. */
    public void focusName() {
        phrase.focusName();
    }

    private void facts(Facts facts, Tune tune, Instrument instrument) {
        heading("How it is built");
        facts.form().forEach(line -> content.getChildren().add(words(line)));
        heading("What it needs on the " + instrument.name());
        facts.lines().stream()
                .filter(line -> !line.startsWith("Hard") && !line.startsWith("Not on"))
                .forEach(line -> content.getChildren().add(words(line)));
        obstacles(facts.obstacles(), tune, instrument);
        spots(facts.needs(), tune);
        if (!facts.way().isEmpty()) {
            heading("The way through");
            facts.way().forEach(line -> content.getChildren().add(words(line)));
        }
        heading("Where it lies well");
    }

    /** What cannot be played, each to be gone to, with what was tried and helps. */
    private void obstacles(Obstacles obstacles, Tune tune, Instrument instrument) {
        if (obstacles.isEmpty()) {
            return;
        }
        heading("What cannot be played, and what helps");
        for (Obstacle obstacle : obstacles.obstacles()) {
            NoteId first = obstacle.places().get(0);
            Button button = row(ObstacleWords.of(obstacle, tune, instrument), "Goes to its first place");
            button.setId("obstacle-" + first.number());
            button.setOnAction(event -> desk.choose(first));
            content.getChildren().add(button);
        }
        content.getChildren().add(words(ObstacleWords.whole(obstacles)));
    }

    private void spots(Needs needs, Tune tune) {
        if (needs.spots().isEmpty()) {
            return;
        }
        heading("Hard spots, to go round");
        needs.spots().stream().limit(MOST_SPOTS).forEach(spot -> {
            Button button = row(NeedsWords.of(spot, tune), "Goes round it with the notes before and after");
            button.setId("spot-" + spot.at().number());
            button.setOnAction(event -> choices.loop().accept(spot));
            content.getChildren().add(button);
        });
        int more = needs.spots().size() - MOST_SPOTS;
        if (more > 0) {
            content.getChildren().add(words("and " + more + " more like these"));
        }
    }

    private void lies(Lie lie) {
        content.getChildren().add(words(lie.recording()));
        lie.fits().stream().filter(BestFit::isPlayable).limit(MOST_FITS).forEach(fit -> {
            String cost = String.format(Locale.ROOT, "%.1f", fit.cost());
            Button button = row(
                    fit.instrument().name() + "\n" + NeedsWords.of(fit),
                    "Cost a note, with what is hard: " + cost + ". Press to work on this instrument");
            button.setId("fit-on-" + fit.instrument().id());
            button.setOnAction(event -> choices.instrument().accept(fit.instrument()));
            content.getChildren().add(button);
        });
        Button all = row("Every instrument, other keys …", "Compares keys and what the class owns (I)");
        all.setId("all-fits");
        all.setOnAction(event -> choices.bestFit().run());
        content.getChildren().add(all);
    }

    private void heading(String text) {
        Label heading = new Label(text);
        heading.getStyleClass().add("where");
        heading.setWrapText(true);
        heading.setMinHeight(Region.USE_PREF_SIZE);
        content.getChildren().add(heading);
    }

    private static Label words(String text) {
        Label label = new Label(text);
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        return label;
    }

    private static Button row(String text, String tip) {
        Button button = new Button(text);
        button.setWrapText(true);
        button.setMaxWidth(Double.MAX_VALUE);
        button.setMinHeight(Region.USE_PREF_SIZE);
        button.setTooltip(new Tooltip(tip));
        button.getStyleClass().add("card");
        button.setStyle("-fx-alignment: center-left; -fx-padding: 6 10 6 10;");
        return button;
    }
}
