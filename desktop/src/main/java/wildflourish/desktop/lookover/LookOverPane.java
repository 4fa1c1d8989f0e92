package wildflourish.desktop.lookover;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import wildflourish.core.fingering.Habit;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Profile;
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
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Lines;
import wildflourish.desktop.room.Tools;

/** Beside the plain tune: how it is built, what it needs on the instrument, its hard spots to go round, where else it lies well. */
final class LookOverPane extends VBox {
    private static final int MOST_SPOTS = 6;
    private static final int MOST_FITS = 8;
    /** Of a line, in pixels, with a bar to scroll beside it. */
    private static final double WIDTH = 424;

    private final Tools tools;
    private final Desk desk;
    private final Lines content = new Lines(WIDTH);
    private final PhraseRow phrase;
    /** Counts what was shown, so that an answer that comes too late is passed over. */
    private int shown;

    /** What the lines are about; they are read anew when it changes. */
    private record About(Optional<Tune> tune, Instrument instrument, Optional<Playing> playing) {
        static About of(Sight sight) {
            return new About(sight.tune(), sight.instrument(), sight.version().map(Version::playing));
        }
    }

    /** Something said, as it will stand there. */
    private record Said(Kind kind, String about, String text, String tip, Runnable verb) {
        enum Kind {
            HEADING,
            WORDS,
            ROW
        }

        static Said heading(String text) {
            return new Said(Kind.HEADING, "", text, "", () -> {});
        }

        static Said words(String text) {
            return new Said(Kind.WORDS, "", text, "", () -> {});
        }

        static Said row(String about, String text, String tip, Runnable verb) {
            return new Said(Kind.ROW, about, text, tip, verb);
        }
    }

    LookOverPane(Tools tools) {
        this.tools = tools;
        this.desk = tools.desk();
        setId("look-over");
        getStyleClass().addAll("side", "wide");
        Label title = new Label("Look over the plain tune");
        title.getStyleClass().add("panel-title");
        ScrollPane scroll = new ScrollPane(content);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("edge-to-edge");
        VBox.setVgrow(scroll, Priority.ALWAYS);
        phrase = new PhraseRow(desk);
        getChildren().addAll(title, phrase, scroll);
        tools.whileIn(LookOverRoom.ID, About::of, this::show);
        tools.whileIn(
                LookOverRoom.ID,
                sight -> List.of(sight.tune(), sight.note()),
                each -> phrase.show(desk.sight().get()));
    }

    /** The caret into the name of the phrase. */
    void focusName() {
        phrase.focusName();
    }

    private void show(About about) {
        int asked = ++shown;
        content.clear();
        Optional<Tune> tune = about.tune();
        if (tune.isEmpty()) {
            content.words("Open a book with a tune in it, or begin one with Ctrl+N.");
            return;
        }
        Instrument instrument = about.instrument();
        Version version = desk.sight()
                .get()
                .version()
                .orElseGet(() -> Version.plain("plain", Playing.usual(tune.get(), instrument)));
        Profile student = desk.sight().get().chosen().profile();
        String words = "Looking the tune over";
        tools.away().work(words, () -> facts(tune.get(), version, student), facts -> {
            if (asked == shown) {
                facts.forEach(this::say);
                tools.away().work(words, () -> lies(tune.get(), instrument), lies -> {
                    if (asked == shown) {
                        lies.forEach(this::say);
                    }
                });
            }
        });
    }

    private void say(Said said) {
        switch (said.kind()) {
            case HEADING -> content.heading(said.text());
            case WORDS -> content.words(said.text());
            case ROW -> content.row(said.about(), said.text(), said.tip(), said.verb());
        }
    }

    /** What the tune is and needs. */
    private List<Said> facts(Tune tune, Version version, Profile student) {
        Playing playing = version.playing();
        Instrument instrument = playing.instrument();
        Needs needs = Needs.of(tune, instrument, playing.tempo(), Habit.of(student.otherHand(), tune));
        List<Said> lines = new ArrayList<>();
        lines.add(Said.heading("How it is built"));
        FormWords.of(tune).forEach(line -> lines.add(Said.words(line)));
        lines.add(Said.heading("What it needs on the " + instrument.name()));
        NeedsWords.of(needs, tune, instrument).stream()
                .filter(line -> !line.startsWith("Hard") && !line.startsWith("Not on"))
                .forEach(line -> lines.add(Said.words(line)));
        lines.addAll(obstacles(Obstacles.of(tune, instrument, playing.schools(), playing.tempo()), tune, instrument));
        lines.addAll(spots(needs, tune));
        List<String> way = WayWords.of(tune, version);
        if (!way.isEmpty()) {
            lines.add(Said.heading("The way through"));
            way.forEach(line -> lines.add(Said.words(line)));
        }
        lines.add(Said.heading("Where it lies well"));
        return lines;
    }

    /** What cannot be played, each to be gone to, with what was tried and helps. */
    private List<Said> obstacles(Obstacles obstacles, Tune tune, Instrument instrument) {
        if (obstacles.isEmpty()) {
            return List.of();
        }
        List<Said> lines = new ArrayList<>();
        lines.add(Said.heading("What cannot be played, and what helps"));
        for (Obstacle obstacle : obstacles.obstacles()) {
            NoteId first = obstacle.places().get(0);
            lines.add(Said.row(
                    "obstacle-" + first.number(),
                    ObstacleWords.of(obstacle, tune, instrument),
                    "Goes to its first place",
                    () -> desk.does(here -> Choosing.note(here, first))));
        }
        lines.add(Said.words(ObstacleWords.whole(obstacles)));
        return lines;
    }

    private List<Said> spots(Needs needs, Tune tune) {
        if (needs.spots().isEmpty()) {
            return List.of();
        }
        List<Said> lines = new ArrayList<>();
        lines.add(Said.heading("Hard spots, to go round"));
        needs.spots().stream()
                .limit(MOST_SPOTS)
                .forEach(spot -> lines.add(Said.row(
                        "spot-" + spot.at().number(),
                        NeedsWords.of(spot, tune),
                        "Goes round it with the notes before and after",
                        () -> loop(spot))));
        int more = needs.spots().size() - MOST_SPOTS;
        if (more > 0) {
            lines.add(Said.words("and " + more + " more like these"));
        }
        return lines;
    }

    private void loop(HardSpot spot) {
        desk.does(here -> Choosing.note(here, spot.at()));
        tools.transport().loop(spot.loop().first(), spot.loop().last());
    }

    /** Where the tune lies well: how to move a recording for the chosen instrument, and the other instruments. */
    private List<Said> lies(Tune tune, Instrument instrument) {
        BestFit.Moved moved = BestFit.recordingMoved(tune, instrument).get(0);
        List<Said> lines = new ArrayList<>();
        lines.add(Said.words(NeedsWords.of(moved, instrument)));
        BestFit.of(tune, BestFit.instruments(instrument.family().kind()), 0).stream()
                .filter(BestFit::isPlayable)
                .limit(MOST_FITS)
                .forEach(fit -> lines.add(Said.row(
                        "fit-on-" + fit.instrument().id(),
                        fit.instrument().name() + "\n" + NeedsWords.of(fit),
                        String.format(
                                Locale.ROOT,
                                "Cost a note, with what is hard: %.1f. Press to work on this instrument",
                                fit.cost()),
                        () -> tools.work(fit.instrument()))));
        lines.add(Said.row(
                "all-fits",
                "Every instrument, other keys …",
                "Compares keys and what the class owns (I)",
                () -> tools.actions().of("room-best-fit").run()));
        return lines;
    }
}
