package wildflourish.desktop.fit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Key;
import wildflourish.core.plain.BestFit;
import wildflourish.core.tune.Tune;
import wildflourish.core.words.NeedsWords;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Pick;
import wildflourish.desktop.look.Theme;
import wildflourish.desktop.room.Room;
import wildflourish.desktop.room.Tools;

/** Which instrument a tune lies best on: in the key it is to sound in, beside it in a second usual key, among all or those the class owns. */
public final class BestFitRoom implements Room {
    public static final String ID = "best-fit";

    private static final int MOVES = 3;
    private static final List<String> KINDS = List.of("whistles, flutes, pipes", "strings", "boxes, concertinas");

    private final Tools tools;
    private final Desk desk;
    private final Label title = new Label();
    private final Pick sounding = new Pick("sounding", "The key it is to sound in", index -> ask());
    private static final int KEYS = 12;
    private static final int KEYS_AND_NONE = KEYS + 1;

    private final Pick beside = new Pick("beside", "A second key to compare with", index -> ask());
    private final Pick among =
            new Pick("among", "What the fingers work on: each is ranked by costs of its own", index -> ask());
    private final CheckBox onlyOwned = new CheckBox("Only what is owned");
    private final VBox recording = new VBox();
    private final Label firstKey = new Label();
    private final Label secondKey = new Label();
    private final VBox rows = new VBox();
    private final ScrollPane scroll = new ScrollPane();
    /** The kind of the instrument that was worked on when the view was last shown. */
    private Optional<Family.Kind> followed = Optional.empty();
    /** Counts what was asked, so that an answer that comes too late is passed over. */
    private int asked;

    /** How a tune lies on one instrument, in the first key and, where there is one, in the second. */
    record Lie(BestFit first, Optional<BestFit> second) {
        /** The instrument without the capo, which each key has its own of. */
        Instrument bare() {
            return first.instrument().withCapo(0);
        }
    }

    /** What is to be worked out. */
    private record Question(Tune tune, List<Instrument> instruments, int first, Optional<Integer> second) {
        Answer answered(Instrument chosen) {
            List<Lie> lies = BestFit.of(tune, instruments, first).stream()
                    .map(fit -> new Lie(fit, second.map(semitones -> fit.inKey(tune, instruments, semitones))))
                    .toList();
            return new Answer(lies, BestFit.recordingMoved(tune, chosen));
        }
    }

    private record Answer(List<Lie> lies, List<BestFit.Moved> moves) {}

    /** What the room is about; it asks anew when that changes. */
    private record About(Optional<Tune> tune, Instrument instrument) {
        static About of(Sight sight) {
            return new About(sight.tune(), sight.instrument());
        }
    }

    public BestFitRoom(Tools tools) {
        this.tools = tools;
        this.desk = tools.desk();
        scroll.setId("best-fit");
        scroll.getStyleClass().add("score");
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setAccessibleText("Which instrument the tune lies best on");
        title.getStyleClass().add("where");
        among.show(KINDS, 0);
        onlyOwned.setId("only-owned");
        onlyOwned.setMinWidth(Region.USE_PREF_SIZE);
        Controls.tip(onlyOwned, "Tick what the class owns in the first column");
        onlyOwned.setOnAction(event -> ask());
        HBox controls = new HBox(among, label("to sound in"), sounding, label("beside it"), beside, onlyOwned);
        controls.getStyleClass().add("row");
        controls.setAlignment(Pos.CENTER_LEFT);
        HBox heads = new HBox(head("Owned", FitRow.OWNED), head("Instrument", FitRow.NAME), firstKey, secondKey);
        for (Label key : List.of(firstKey, secondKey)) {
            key.getStyleClass().add("panel-title");
            key.setMaxWidth(Double.MAX_VALUE);
            key.setPrefWidth(0);
            HBox.setHgrow(key, Priority.ALWAYS);
        }
        heads.getStyleClass().add("fit-row");
        VBox all = new VBox(title, controls, recording, heads, rows);
        all.getStyleClass().add("fit-page");
        scroll.setContent(all);
        tools.whileIn(ID, About::of, about -> ask());
        tools.actions().bind("sounding-higher", tools.isIn(ID), () -> soundsIn(1));
        tools.actions().bind("sounding-lower", tools.isIn(ID), () -> soundsIn(-1));
        tools.actions().bind("other-kind", tools.isIn(ID), () -> among.choose((among.chosen() + 1) % KINDS.size()));
        tools.actions().bind("second-key", tools.isIn(ID), () -> beside.choose((beside.chosen() + 1) % KEYS_AND_NONE));
    }

    /** In a key so many half steps from the one that is asked about. */
    private void soundsIn(int halfSteps) {
        sounding.choose(Math.floorMod(sounding.chosen() + halfSteps, KEYS));
    }

    private static Label label(String words) {
        Label label = new Label(words);
        label.setMinWidth(Region.USE_PREF_SIZE);
        return label;
    }

    private static Label head(String words, double width) {
        Label head = label(words);
        head.getStyleClass().add("panel-title");
        head.setPrefWidth(width);
        head.setMinWidth(width);
        return head;
    }

    /** Shows a second key, so many semitones up from the written one. */
    public void compare(int semitones) {
        beside.choose(1 + semitones);
    }

    @Override
    public String id() {
        return ID;
    }

    @Override
    public Region centre() {
        return scroll;
    }

    @Override
    public Optional<Region> side() {
        return Optional.empty();
    }

    @Override
    public Node first() {
        return among;
    }

    @Override
    public void setTheme(Theme theme) {}

    /** Works the fits out away from the window's thread. */
    private void ask() {
        Sight sight = desk.sight().get();
        Optional<Tune> tune = sight.tune();
        int number = ++asked;
        if (tune.isEmpty() || tune.get().notes().isEmpty()) {
            title.setText("Open a book with a tune in it, or begin one with Ctrl+N.");
            rows.getChildren().clear();
            recording.getChildren().clear();
            return;
        }
        fillKeys(tune.get().keyAt(0));
        followInstrument(sight.instrument());
        title.setText(tune.get().title() + ", written in " + tune.get().keyAt(0).name());
        Set<String> owned = tools.owned().all();
        Family.Kind kind = Family.Kind.values()[among.chosen()];
        List<Instrument> instruments = BestFit.instruments(kind).stream()
                .filter(each -> !onlyOwned.isSelected() || owned.contains(each.id()))
                .toList();
        int second = beside.chosen() - 1;
        Question question = new Question(
                tune.get(),
                instruments,
                Math.max(0, sounding.chosen()),
                second < 0 ? Optional.empty() : Optional.of(second));
        tools.away().work("Looking where the tune lies", () -> question.answered(sight.instrument()), answer -> {
            if (number == asked) {
                show(answer, owned, sight.instrument());
            }
        });
    }

    /** Where the instrument worked on is of another kind than before, its kind is shown. */
    private void followInstrument(Instrument instrument) {
        Family.Kind kind = instrument.family().kind();
        if (followed.filter(kind::equals).isEmpty()) {
            followed = Optional.of(kind);
            among.show(KINDS, kind.ordinal());
        }
    }

    /** The keys a tune may sound in, from the written one up; what was chosen stays chosen. */
    private void fillKeys(Key written) {
        List<String> keys = IntStream.range(0, KEYS)
                .mapToObj(semitones -> semitones == 0
                        ? written.name() + ", written"
                        : written.moved(semitones).name())
                .toList();
        List<String> others = new ArrayList<>(keys);
        others.add(0, "no second key");
        sounding.show(keys, Math.max(0, sounding.chosen()));
        beside.show(others, Math.max(0, beside.chosen()));
    }

    private void show(Answer answer, Set<String> owned, Instrument chosen) {
        showRecording(answer, chosen);
        boolean hasSecond = beside.chosen() > 0;
        firstKey.setText("In " + sounding.word());
        secondKey.setText(hasSecond ? "In " + beside.word() : "");
        secondKey.setVisible(hasSecond);
        secondKey.setManaged(hasSecond);
        double best = answer.lies().stream()
                .flatMap(lie -> Stream.concat(Stream.of(lie.first()), lie.second().stream()))
                .filter(BestFit::isPlayable)
                .mapToDouble(BestFit::cost)
                .min()
                .orElse(1);
        rows.getChildren()
                .setAll(answer.lies().stream()
                        .map(lie ->
                                new FitRow(lie, best, owned.contains(lie.bare().id()), this::turnOwned, tools::work))
                        .toList());
    }

    /** Recordings that would lie better moved, or where the tune stands best as it is. */
    private void showRecording(Answer answer, Instrument chosen) {
        List<String> lines = new ArrayList<>(answer.moves().stream()
                .filter(moved -> moved.fit().isPlayable())
                .limit(MOVES)
                .map(moved -> NeedsWords.of(moved, chosen))
                .toList());
        if (lines.isEmpty()) {
            lines.add(NeedsWords.of(answer.moves().get(0), chosen));
        }
        if (answer.lies().isEmpty()) {
            lines.add("Nothing is ticked as owned yet: untick the box above, then tick what the class has.");
        }
        recording
                .getChildren()
                .setAll(lines.stream()
                        .map(line -> {
                            Label label = new Label(line);
                            label.setWrapText(true);
                            return label;
                        })
                        .toList());
    }

    private void turnOwned(Instrument instrument) {
        Set<String> owned = new HashSet<>(tools.owned().all());
        if (!owned.remove(instrument.id())) {
            owned.add(instrument.id());
        }
        tools.owned().keep(owned);
        if (onlyOwned.isSelected()) {
            ask();
        }
    }
}
