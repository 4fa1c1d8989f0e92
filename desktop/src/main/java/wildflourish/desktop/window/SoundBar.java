package wildflourish.desktop.window;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.School;
import wildflourish.core.music.Fraction;
import wildflourish.core.performance.Reeds;
import wildflourish.core.words.Words;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.menu.Choice;

/** What to hear and how fast, and the school. */
final class SoundBar extends HBox {
    private static final double SLOWEST_PERCENT = 10;
    private static final double FASTEST_PERCENT = 200;

    private final Desk desk;
    private final Transport transport;
    private final Label tempo = new Label();
    private final Slider speed = new Slider(SLOWEST_PERCENT, FASTEST_PERCENT, 100);

    SoundBar(Desk desk, Transport transport) {
        this.desk = desk;
        this.transport = transport;
        setAlignment(Pos.CENTER_LEFT);
        getStyleClass().add("sound-bar");
        Button stop = button("Stop", "stop", "Stops (Space)", transport::stop);
        stop.disableProperty().bind(transport.playing().not());
        getChildren()
                .addAll(
                        play(
                                "From here",
                                "play-here",
                                "Plays from the chosen note (Space)",
                                Transport.Stretch.FROM_HERE),
                        play(
                                "Loop phrase",
                                "play-phrase",
                                "Plays this phrase round and round (L)",
                                Transport.Stretch.PHRASE),
                        play("Part", "play-part", "Plays this part (P)", Transport.Stretch.PART),
                        play("Tune", "play-tune", "Plays the tune (T)", Transport.Stretch.TUNE),
                        stop);
        addTempo();
        getChildren().addAll(countIn(), drones(), reeds(), school(), strokes());
        desk.sight().addListener((at, before, after) -> showTempo());
        showTempo();
    }

    private Button play(String words, String id, String tip, Transport.Stretch stretch) {
        return button(words, id, tip, () -> transport.play(stretch));
    }

    private static Button button(String words, String id, String tip, Runnable verb) {
        Button button = new Button(words);
        button.setId(id);
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setAccessibleHelp(tip);
        button.setOnAction(event -> verb.run());
        return button;
    }

    private void addTempo() {
        ToggleGroup group = new ToggleGroup();
        ToggleButton session = new ToggleButton("Session");
        ToggleButton relaxed = new ToggleButton("Relaxed");
        session.setId("session");
        relaxed.setId("relaxed");
        session.setAccessibleHelp("The stage's own tempo");
        relaxed.setAccessibleHelp("The tempo of relaxed practice for this kind of tune");
        for (ToggleButton each : List.of(session, relaxed)) {
            each.setToggleGroup(group);
            each.setMinWidth(Region.USE_PREF_SIZE);
        }
        session.setSelected(true);
        session.setOnAction(event -> setRelaxed(session, false));
        relaxed.setOnAction(event -> setRelaxed(relaxed, true));
        speed.setId("speed");
        speed.setPrefWidth(110);
        speed.setMinWidth(70);
        speed.setBlockIncrement(10);
        speed.setAccessibleHelp("From a tenth of the tempo to twice the tempo");
        speed.setAccessibleText("Speed in percent");
        speed.valueProperty().addListener((at, before, after) -> {
            transport.setSpeed(Fraction.of(Math.round(after.doubleValue()), 100));
            showTempo();
        });
        tempo.setId("tempo");
        tempo.setMinWidth(Region.USE_PREF_SIZE);
        tempo.getStyleClass().add("tempo");
        getChildren().addAll(session, relaxed, speed, tempo);
    }

    private void setRelaxed(ToggleButton pressed, boolean isRelaxed) {
        pressed.setSelected(true);
        transport.setRelaxed(isRelaxed);
        showTempo();
    }

    private void showTempo() {
        tempo.setText(transport.tempo().map(Words::tempo).orElse(""));
    }

    private CheckBox countIn() {
        CheckBox countIn = new CheckBox("Count in");
        countIn.setId("count-in");
        countIn.setMinWidth(Region.USE_PREF_SIZE);
        countIn.setSelected(true);
        countIn.setAccessibleHelp("Knocks a bar, and the beats before a pickup, first");
        countIn.selectedProperty().addListener((at, before, after) -> transport.setCountedIn(after));
        return countIn;
    }

    /** Hidden where the instrument has none. */
    private CheckBox drones() {
        CheckBox drones = new CheckBox("Drones");
        drones.setId("drones");
        drones.setMinWidth(Region.USE_PREF_SIZE);
        drones.setSelected(true);
        drones.setAccessibleHelp("Whether the drones of the pipes sound");
        drones.selectedProperty().addListener((at, before, after) -> transport.setDrones(after));
        drones.managedProperty().bind(drones.visibleProperty());
        desk.sight().addListener((at, before, after) -> drones.setVisible(hasDrones()));
        drones.setVisible(hasDrones());
        return drones;
    }

    /** Of a two-row box; hidden elsewhere. */
    private Choice reeds() {
        Choice reeds = new Choice(
                "reeds",
                "Reeds: whether the two of each note sound as one or beat",
                index -> transport.setReeds(Reeds.values()[index]));
        reeds.managedProperty().bind(reeds.visibleProperty());
        desk.sight().addListener((at, before, after) -> fillReeds(reeds));
        fillReeds(reeds);
        return reeds;
    }

    private void fillReeds(Choice reeds) {
        boolean isBox = desk.sight().get().chosen().instrument().family() == Family.TWO_ROW_BOX;
        reeds.show(
                Reeds.words().stream().map(word -> word + " reeds").toList(),
                transport.reeds().ordinal());
        reeds.setVisible(isBox);
    }

    private boolean hasDrones() {
        return !desk.sight().get().chosen().instrument().drones().isEmpty();
    }

    private Choice strokes() {
        Choice strokes = new Choice(
                "strokes",
                "How notes are struck: good players differ in whether they tongue, in how the bow goes",
                index -> desk.setStrokes(
                        desk.sight().get().chosen().instrument().strokes().get(index)));
        strokes.managedProperty().bind(strokes.visibleProperty());
        desk.sight().addListener((at, before, after) -> fillStrokes(strokes));
        fillStrokes(strokes);
        return strokes;
    }

    private void fillStrokes(Choice strokes) {
        Sight sight = desk.sight().get();
        List<School> all = sight.chosen().instrument().strokes();
        strokes.show(
                all.stream().map(School::name).toList(),
                sight.version()
                        .map(version -> all.indexOf(version.playing().strokes()))
                        .orElse(-1));
        strokes.setVisible(all.size() > 1);
    }

    private Choice school() {
        Choice schools = new Choice(
                "school",
                "School: good players differ in which finger cuts or stops a string, how a pick goes, how the bellows turn",
                index -> desk.setSchool(
                        desk.sight().get().chosen().instrument().schools().get(index)));
        desk.sight().addListener((at, before, after) -> fill(schools));
        fill(schools);
        return schools;
    }

    /** The schools of the instrument, the one of the stage worked on chosen; hidden where there is but one. */
    private void fill(Choice schools) {
        Sight sight = desk.sight().get();
        List<School> all = sight.chosen().instrument().schools();
        List<String> names = all.stream().map(School::name).toList();
        schools.show(
                names,
                sight.version()
                        .map(version -> all.indexOf(version.playing().school()))
                        .orElse(-1));
        schools.setVisible(names.size() > 1);
    }
}
