package wildflourish.desktop.chart;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Orientation;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.SplitPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.chart.ChartNotes;
import wildflourish.core.chart.ChartPage;
import wildflourish.core.chart.ChartSheet;
import wildflourish.core.chart.ChartWish;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.engraving.Score;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;
import wildflourish.desktop.action.Actions;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Paging;
import wildflourish.desktop.look.Size;
import wildflourish.desktop.look.Theme;
import wildflourish.desktop.room.Room;
import wildflourish.desktop.room.Tools;
import wildflourish.desktop.view.ChartView;
import wildflourish.desktop.view.ScoreView;
import wildflourish.desktop.view.ScoreWish;

/** The chosen instrument with its notes where the hand finds them, and under it the tune: what is struck on one is lit on the other. */
public final class ChartRoom implements Room {
    public static final String ID = "chart";

    private static final double CHART_SHARE = 0.72;
    /** Pixels to a staff space of the tune under the chart. */
    private static final Size TUNE_SIZE = new Size(8);

    private final Desk desk;
    private final Tools tools;
    private final ChartView chart;
    private final ScoreView score;
    private final VBox centre;

    /** All that decides what the chart shows; the place in the tune only where it matters. */
    private record Shown(
            Instrument instrument,
            Optional<Tune> tune,
            Optional<Version> version,
            Profile profile,
            ChartNotes.Which which,
            Optional<NoteId> note) {
        static Shown of(Sight sight) {
            return new Shown(
                    sight.instrument(),
                    sight.tune(),
                    sight.version(),
                    sight.chosen().profile(),
                    sight.look().chartNotes(),
                    sight.note());
        }

        /** A version is of another instrument for a moment while one is chosen. */
        private Optional<Version> ofInstrument() {
            return version.filter(each -> each.playing().instrument().equals(instrument));
        }

        ChartWish wish() {
            ChartWish every = ChartWish.of(instrument);
            return tune.flatMap(each -> ofInstrument().map(played -> wish(each, played)))
                    .orElse(every);
        }

        private ChartWish wish(Tune each, Version played) {
            ChartNotes notes = ChartNotes.of(which, each, played, note, profile);
            ChartWish wish = new ChartWish(
                    played.playing(),
                    each.header().key(),
                    notes.only(),
                    notes.fingers(),
                    notes.frames(),
                    Optional.empty());
            return note.map(each::note)
                    .filter(one -> !one.isRest() && instrument.has(one.melody()))
                    .map(one -> wish.asking(
                            one.melody(), each.keyAt(each.placeOf(one.id()).bar())))
                    .orElse(wish);
        }
    }

    public ChartRoom(Tools tools) {
        this.tools = tools;
        desk = tools.desk();
        chart = new ChartView(tools.soon(), this::struck);
        score = new ScoreView(tools.soon(), hands());
        score.setId("tune-under-chart");
        score.setAccessibleText("The tune");
        bind(tools.actions());
        SplitPane panes = new SplitPane(chart, score);
        panes.setOrientation(Orientation.VERTICAL);
        panes.setDividerPosition(0, CHART_SHARE);
        SplitPane.setResizableWithParent(score, false);
        panes.setId("chart-panes");
        VBox.setVgrow(panes, Priority.ALWAYS);
        centre = new VBox(above(tools), panes);
        centre.getStyleClass().add("chart-page");
        tools.whileIn(ID, Shown::of, shown -> chart.show(shown.instrument().name(), shown::wish));
        tools.whileIn(ID, ChartRoom::tune, score::show);
        tools.whileIn(ID, Sight::range, score::mark);
        tools.whileIn(ID, Sight::note, note -> chart.light(note.flatMap(this::fingered)));
    }

    private HBox above(Tools tools) {
        HBox segments = new HBox();
        segments.getStyleClass().add("segments");
        for (ChartNotes.Which which : ChartNotes.Which.values()) {
            ToggleButton segment = Controls.toggle(tools.actions().of(idOf(which)));
            segment.setMinWidth(Region.USE_PREF_SIZE);
            segments.getChildren().add(segment);
        }
        ButtonRow buttons = new ButtonRow(tools);
        HBox.setHgrow(buttons, Priority.ALWAYS);
        HBox row = new HBox(segments, buttons);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getStyleClass().add("row");
        return row;
    }

    private static String idOf(ChartNotes.Which which) {
        return "chart-" + which.name().toLowerCase(Locale.ROOT);
    }

    private void bind(Actions actions) {
        actions.bind("strike", tools.isIn(ID), this::strikeChosen);
        for (ChartNotes.Which which : ChartNotes.Which.values()) {
            actions.bindOn(
                    idOf(which),
                    tools.isIn(ID),
                    desk.of(sight -> sight.look().chartNotes() == which),
                    () -> desk.look(look -> look.withChartNotes(which)));
        }
    }

    private void strikeChosen() {
        desk.sight().get().note().flatMap(this::fingered).ifPresent(this::struck);
    }

    private static ScoreWish tune(Sight sight) {
        return new ScoreWish(
                sight.tune(),
                sight.version(),
                sight.chosen().profile(),
                Score.Shows.BENCH.withFingerings(Score.Fingerings.NONE),
                TUNE_SIZE,
                Paging.LONG,
                false,
                Optional.empty(),
                List.of());
    }

    // Chart and tune

    private ScoreView.Hands hands() {
        ScoreView.Hands choosing = tools.hands();
        return new ScoreView.Hands() {
            @Override
            public void chose(NoteId note) {
                choosing.chose(note);
                score.lightAll(List.of());
            }

            @Override
            public void reached(NoteId note) {
                choosing.reached(note);
            }

            @Override
            public void pointed(Optional<NoteId> note) {
                chart.light(note.or(() -> desk.sight().get().note()).flatMap(ChartRoom.this::fingered));
            }
        };
    }

    private Optional<FingeredPitch> fingered(NoteId id) {
        Sight sight = desk.sight().get();
        return sight.tune()
                .filter(tune -> tune.has(id))
                .map(tune -> tune.note(id))
                .filter(note -> !note.isRest())
                .map(note -> sight.instrument().reading().fingered(note.melody()));
    }

    /** A note of the chart is heard, and lit in the tune wherever it comes. */
    private void struck(FingeredPitch pitch) {
        Sight sight = desk.sight().get();
        WrittenPitch written = WrittenPitch.ofMidi(sight.instrument().reading().writtenMidi(pitch));
        tools.transport().playNote(written);
        chart.light(Optional.of(pitch));
        List<NoteId> alike = sight.tune().map(Tune::notes).orElse(List.of()).stream()
                .filter(note -> note.pitches().stream()
                        .anyMatch(each ->
                                sight.instrument().reading().fingered(each).equals(pitch)))
                .map(Note::id)
                .toList();
        score.lightAll(alike);
        String times = alike.isEmpty()
                ? "not in this tune"
                : alike.size() == 1 ? "once in this tune" : alike.size() + " times in this tune";
        desk.say(written + ": " + times);
    }

    @Override
    public void hear(Optional<Double> millis, Optional<NoteId> note) {
        score.light(note);
        if (note.isPresent()) {
            chart.light(note.flatMap(this::fingered));
        }
    }

    /** What the chart is to show. */
    public static ChartWish wish(Sight sight) {
        return Shown.of(sight).wish();
    }

    @Override
    public String id() {
        return ID;
    }

    @Override
    public Region centre() {
        return centre;
    }

    @Override
    public Optional<Region> side() {
        return Optional.empty();
    }

    @Override
    public Node first() {
        return chart;
    }

    @Override
    public void setTheme(Theme theme) {
        chart.setTheme(theme);
        score.setTheme(theme);
    }

    @Override
    public Optional<NoteId> beyondLine(NoteId note, int direction) {
        return score.beyondLine(note, direction);
    }

    @Override
    public Optional<List<Page>> printed(Paper paper) {
        return Optional.of(ChartSheet.of(wish(desk.sight().get()), paper).stream()
                .map(ChartPage::page)
                .toList());
    }
}
