package wildflourish.desktop.window;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import org.kordamp.ikonli.javafx.FontIcon;
import wildflourish.core.instrument.Family;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.performance.Reeds;
import wildflourish.core.words.Words;
import wildflourish.desktop.action.Actions;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Playback;
import wildflourish.desktop.desk.Playback.Stretch;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.hearing.Transport;
import wildflourish.desktop.look.OnlyWhen;
import wildflourish.desktop.look.Pick;
import wildflourish.desktop.look.TempoPicture;
import wildflourish.desktop.look.Theme;

/** What to hear and how fast. */
final class TransportBar extends HBox {
    static final int SLOWEST_PERCENT = 10;
    static final int FASTEST_PERCENT = 200;

    private final Desk desk;
    private final TempoPicture tempo = new TempoPicture();
    private Theme theme = Theme.LIGHT;

    TransportBar(Desk desk, Actions actions) {
        this.desk = desk;
        setAlignment(Pos.CENTER_LEFT);
        setFillHeight(false);
        getStyleClass().add("transport-bar");
        getChildren().add(play(actions));
        HBox segments = new HBox(
                segment("From here", Stretch.HERE),
                segment("Phrase", Stretch.PHRASE),
                segment("Part", Stretch.PART),
                segment("Tune", Stretch.TUNE));
        segments.getStyleClass().add("segments");
        ToggleGroup group = new ToggleGroup();
        segments.getChildren().forEach(each -> ((ToggleButton) each).setToggleGroup(group));
        ToggleButton loop = Controls.toggle(actions.of("loop"));
        loop.setContentDisplay(javafx.scene.control.ContentDisplay.GRAPHIC_ONLY);
        loop.getStyleClass().add("icon-button");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        getChildren().addAll(segments, loop);
        addSpeed(actions);
        ToggleButton drones = Controls.toggle(actions.of("drones"));
        drones.setText("Drones");
        drones.managedProperty().bind(drones.visibleProperty());
        desk.of(sight -> !sight.instrument().drones().isEmpty()).subscribe(drones::setVisible);
        ToggleButton countIn = Controls.toggle(actions.of("count-in"));
        countIn.setText("Count in");
        getChildren().addAll(gap, countIn, drones, reeds());
    }

    void setTheme(Theme newTheme) {
        theme = newTheme;
        showTempo(Transport.tempo(desk.sight().get()));
    }

    private Button play(Actions actions) {
        Button play = Controls.icon(actions.of("play"));
        play.getStyleClass().add("play");
        desk.of(sight -> sight.playback().isPlaying()).subscribe(isPlaying -> {
            play.setGraphic(new FontIcon(isPlaying ? "fth-square" : "fth-play"));
            play.setAccessibleText(isPlaying ? "Stop" : "Play");
        });
        return play;
    }

    private ToggleButton segment(String words, Stretch stretch) {
        ToggleButton segment = new ToggleButton(words);
        segment.setId("stretch-" + stretch.name().toLowerCase(Locale.ROOT));
        segment.setMinWidth(Region.USE_PREF_SIZE);
        Controls.tip(segment, "What the large button and Space play");
        desk.of(sight -> sight.playback().stretch() == stretch).subscribe(segment::setSelected);
        segment.setOnAction(event -> {
            segment.setSelected(true);
            desk.playback(playback -> playback.withStretch(stretch, stretch == Stretch.PHRASE));
        });
        return segment;
    }

    private void addSpeed(Actions actions) {
        Slider speed = new Slider(SLOWEST_PERCENT, FASTEST_PERCENT, 100);
        speed.setId("speed");
        speed.setPrefWidth(170);
        speed.setMinWidth(90);
        speed.setBlockIncrement(10);
        speed.setAccessibleText("Speed in percent");
        Controls.tip(speed, "From a tenth of the tempo to twice the tempo (Shift+, and Shift+.)");
        speed.valueProperty()
                .addListener((at, before, after) -> desk.playback(
                        playback -> playback.withSpeed(Fraction.of(Math.round(after.doubleValue()), 100))));
        Label percent = new Label();
        percent.setId("percent");
        percent.setMinWidth(44);
        percent.setAlignment(Pos.CENTER_RIGHT);
        desk.of(sight -> sight.playback().speed()).subscribe(factor -> {
            long hundredths = Math.round(factor.toDouble() * 100);
            percent.setText(hundredths + " %");
            if (Math.round(speed.getValue()) != hundredths) {
                speed.setValue((double) hundredths);
            }
        });
        tempo.setId("tempo");
        desk.of(Transport::tempo).subscribe(this::showTempo);
        ToggleButton relaxed = Controls.toggle(actions.of("relaxed"));
        relaxed.setText("Relaxed");
        getChildren().addAll(speed, percent, new StackPane(tempo), relaxed);
    }

    private void showTempo(Optional<Tempo> now) {
        tempo.setVisible(now.isPresent());
        now.ifPresent(each -> {
            tempo.show(each, theme, false);
            tempo.setAccessibleText(Words.tempo(each));
        });
    }

    /** Of a two-row box; hidden elsewhere. */
    private OnlyWhen reeds() {
        Pick reeds = new Pick(
                "reeds",
                "Reeds: whether the two of each note sound as one or beat",
                index -> desk.playback(playback -> playback.withReeds(Reeds.values()[index])));
        reeds.setAccessibleText("Reeds");
        List<String> words = Reeds.words().stream().map(word -> word + " reeds").toList();
        desk.of(sight -> sight.playback().reeds()).subscribe(each -> reeds.show(words, each.ordinal()));
        return new OnlyWhen(desk.of(sight -> sight.instrument().family() == Family.TWO_ROW_BOX), reeds);
    }

    /** Puts what is heard into the registry. */
    static void bind(Desk desk, Actions actions, Transport transport) {
        actions.bind("through-stages", transport::throughStages);
        actions.bind("play-times", transport::playTimes);
        actions.bind("play", () -> {
            Playback now = desk.sight().get().playback();
            transport.playOrStop(now.stretch(), now.isLooped());
        });
        plays(desk, actions, transport, "play-here", Stretch.HERE, false);
        plays(desk, actions, transport, "play-phrase", Stretch.PHRASE, true);
        plays(desk, actions, transport, "play-part", Stretch.PART, false);
        plays(desk, actions, transport, "play-tune", Stretch.TUNE, false);
        actions.bind("drill", transport::drill);
        actions.bind("echo", () -> transport.echo(1));
        actions.bind("echo-two", () -> transport.echo(2));
        actions.bind("slower", () -> speed(desk, -10));
        actions.bind("faster", () -> speed(desk, 10));
        actions.bindOn(
                "relaxed",
                desk.of(sight -> sight.playback().isRelaxed()),
                () -> desk.playback(playback -> playback.withRelaxed(!playback.isRelaxed())));
        actions.bindOn(
                "loop",
                desk.of(sight -> sight.playback().isLooped()),
                () -> desk.playback(playback -> playback.withStretch(playback.stretch(), !playback.isLooped())));
        actions.bindOn(
                "count-in",
                desk.of(sight -> sight.playback().isCountedIn()),
                () -> desk.playback(playback -> playback.withCountIn(!playback.isCountedIn())));
        actions.bindOn(
                "drones",
                desk.of((Sight sight) -> !sight.instrument().drones().isEmpty()),
                desk.of(sight -> sight.playback().hasDrones()),
                () -> desk.playback(playback -> playback.withDrones(!playback.hasDrones())));
    }

    private static void plays(
            Desk desk, Actions actions, Transport transport, String id, Stretch stretch, boolean isLooped) {
        actions.bind(id, () -> {
            if (!desk.sight().get().playback().isPlaying()) {
                desk.playback(playback -> playback.withStretch(stretch, isLooped));
            }
            transport.playOrStop(stretch, isLooped);
        });
    }

    private static void speed(Desk desk, int percent) {
        long now = Math.round(desk.sight().get().playback().speed().toDouble() * 100);
        long next = Math.max(SLOWEST_PERCENT, Math.min(FASTEST_PERCENT, now + percent));
        desk.playback(playback -> playback.withSpeed(Fraction.of(next, 100)));
    }
}
