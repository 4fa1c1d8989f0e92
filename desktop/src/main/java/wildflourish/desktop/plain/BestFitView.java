package wildflourish.desktop.plain;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Key;
import wildflourish.core.plain.BestFit;
import wildflourish.core.tune.Tune;
import wildflourish.core.words.NeedsWords;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Frames;
import wildflourish.desktop.look.Paragraph;
import wildflourish.desktop.menu.Choice;

/** Which instrument a tune lies best on: in the key it is to sound in, beside it in a second usual key, among all or those the class owns. */
public final class BestFitView extends StackPane {
    private static final int FIRST_ROWS = 10;
    /** Lines that come into sight in one frame. */
    private static final int ROWS_A_FRAME = 1;

    private static final int MOVES = 3;
    private static final List<String> KINDS = List.of("whistles, flutes, pipes", "strings", "boxes, concertinas");
    private static final double BAR = 150;
    private static final double EDGES = 46;

    private final Desk desk;
    private final Choices choices;
    private final Frames frames;
    private final ScrollPane scroll = new ScrollPane();
    private final Region ring = new Region();
    private final Label title = new Label();
    private final Choice sounding = new Choice("sounding", "The key it is to sound in", index -> show());
    private final Choice beside = new Choice("beside", "A second key to compare with", index -> show());
    private final Choice among =
            new Choice("among", "What the fingers work on: each is ranked by costs of its own", index -> show());
    private final CheckBox onlyOwned = new CheckBox("Only what is owned");
    private final List<Paragraph> recording = new ArrayList<>();
    private final Label firstKey = new Label();
    private final Label secondKey = new Label();
    private final VBox rows = new VBox();
    private final Button more = new Button();
    private final List<FitRow> kept = new ArrayList<>();
    private boolean isUnfolded;
    /** The kind of the instrument that was worked on when the view was last shown. */
    private Optional<Family.Kind> followed = Optional.empty();

    private Optional<Shown> shown = Optional.empty();
    /** Counts what was asked, so that an answer that comes too late is passed over. */
    private int asked;

    /**
     * What the view asks of the window.
     *
     * @param instrument works on another instrument
     * @param owned the ids of the instruments that the class owns
     * @param own remembers them
     * @param away for what takes longer than a keystroke may
     */
    public record Choices(
            Consumer<Instrument> instrument,
            Supplier<Set<String>> owned,
            Consumer<Set<String>> own,
            LookOverPanel.Away away) {}

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

    /** What was asked for last, and how it is to be shown. */
    private record Shown(Question question, Set<String> owned, Instrument chosen, boolean isUnfolded) {}

    private record Answer(List<Lie> lies, List<BestFit.Moved> moves) {}

    public BestFitView(Desk desk, Choices choices, Frames frames) {
        this.desk = desk;
        this.frames = frames;
        this.choices = choices;
        setId("best-fit");
        getStyleClass().add("best-fit");
        scroll.getStyleClass().add("score");
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setFocusTraversable(false);
        title.getStyleClass().add("where");
        among.show(KINDS, 0);
        onlyOwned.setId("only-owned");
        onlyOwned.setMinWidth(Region.USE_PREF_SIZE);
        onlyOwned.setAccessibleHelp("Tick what the class owns in the first column");
        onlyOwned.setOnAction(event -> show());
        more.setId("more-fits");
        more.setOnAction(event -> {
            isUnfolded = true;
            show();
        });
        more.managedProperty().bind(more.visibleProperty());
        more.setVisible(false);
        HBox controls = new HBox(among, label("to sound in"), sounding, label("beside it"), beside, onlyOwned);
        controls.getStyleClass().add("fit-controls");
        HBox heads = new HBox(head("Owned", 52), head("Instrument", FitRow.NAME), firstKey, secondKey);
        for (Label key : List.of(firstKey, secondKey)) {
            key.getStyleClass().add("panel-title");
            key.setPrefWidth(FitRow.CELL);
        }
        heads.getStyleClass().add("fit-row");
        VBox recorded = new VBox();
        for (int i = 0; i <= MOVES; i++) {
            Paragraph line = new Paragraph(FitRow.CELL);
            line.managedProperty().bind(line.visibleProperty());
            line.setVisible(false);
            recording.add(line);
            recorded.getChildren().add(line);
        }
        VBox all = new VBox(title, controls, recorded, heads, rows, more);
        all.getStyleClass().add("fit-page");
        scroll.setContent(all);
        addRing();
        getChildren().add(scroll);
        scroll.viewportBoundsProperty()
                .addListener((at, before, after) -> recording.forEach(line -> line.setWrappingWidth(wordsWidth())));
        desk.sight().addListener((at, before, after) -> {
            boolean isSame = before.tune().equals(after.tune())
                    && before.chosen().instrument().equals(after.chosen().instrument());
            if (!isSame && isVisible()) {
                show();
            }
        });
    }

    /** Has the focus for the whole view, and shows it: did the view itself have it, all that is in it would be styled anew each time. */
    private void addRing() {
        ring.getStyleClass().add("focus-ring");
        ring.setFocusTraversable(true);
        ring.setMouseTransparent(true);
        ring.setViewOrder(-1);
        ring.setAccessibleText("Which instrument the tune lies best on");
        getChildren().add(ring);
    }

    @Override
    public void requestFocus() {
        ring.requestFocus();
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
        return head;
    }

    /** Shows a second key, so many semitones up from the written one. */
    public void compare(int semitones) {
        beside.choose(1 + semitones);
    }

    /** Makes the rows that will be filled when the view comes into sight. */
    public void prepare() {
        desk.sight().get().tune().map(tune -> tune.keyAt(0)).ifPresent(this::fillKeys);
        followInstrument(desk.sight().get().chosen().instrument());
        frames.next(Collections.nCopies(FIRST_ROWS, () -> {
            if (kept.size() < FIRST_ROWS) {
                row(kept.size()).setVisible(false);
            }
        }));
    }

    /** Works the fits out, unless they stand here already; for when the view comes into sight. */
    public void show() {
        Sight sight = desk.sight().get();
        Optional<Tune> tune = sight.tune();
        if (tune.isEmpty() || tune.get().notes().isEmpty()) {
            asked++;
            shown = Optional.empty();
            title.setText("Open a book with a tune in it, or begin one with Ctrl+N.");
            kept.forEach(row -> row.setVisible(false));
            recording.forEach(line -> line.setVisible(false));
            more.setVisible(false);
            return;
        }
        fillKeys(tune.get().keyAt(0));
        followInstrument(sight.chosen().instrument());
        title.setText("Best fit: " + tune.get().title() + ", written in "
                + tune.get().keyAt(0).name());
        Set<String> owned = choices.owned().get();
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
        Instrument chosen = sight.chosen().instrument();
        Optional<Shown> now = Optional.of(new Shown(question, owned, chosen, isUnfolded));
        if (now.equals(shown)) {
            return;
        }
        shown = now;
        int number = ++asked;
        choices.away().work(() -> question.answered(chosen), answer -> {
            if (number == asked) {
                show(answer, owned, chosen);
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
        List<String> keys = IntStream.range(0, 12)
                .mapToObj(semitones -> semitones == 0
                        ? written.name() + ", written"
                        : written.moved(semitones).name())
                .toList();
        List<String> others = new ArrayList<>(keys);
        others.add(0, "no second key");
        sounding.show(keys, Math.max(0, sounding.chosen()));
        beside.show(others, Math.max(0, beside.chosen()));
    }

    /** A line a frame, from above. */
    private void show(Answer answer, Set<String> owned, Instrument chosen) {
        int number = asked;
        int count = isUnfolded
                ? answer.lies().size()
                : Math.min(FIRST_ROWS, answer.lies().size());
        double hardest = answer.lies().stream()
                .mapToDouble(lie -> Math.max(
                        lie.first().cost(), lie.second().map(BestFit::cost).orElse(0.0)))
                .max()
                .orElse(1);
        growing(number, () -> showRecording(answer, chosen));
        growing(number, this::showHeads);
        kept.stream().skip(count).forEach(row -> row.setVisible(false));
        List<Integer> numbers = IntStream.range(0, count).boxed().toList();
        frames.grow(
                numbers,
                ROWS_A_FRAME,
                () -> number == asked,
                part -> part.forEach(i -> {
                    Lie lie = answer.lies().get(i);
                    row(i).show(lie, owned.contains(lie.bare().id()), BAR / hardest);
                }));
        int left = answer.lies().size() - count;
        growing(number, () -> {
            more.setText("Show " + left + " more");
            more.setVisible(left > 0);
        });
    }

    /** Does it in a frame of its own, unless something else has been asked meanwhile. */
    private void growing(int number, Runnable step) {
        frames.execute(() -> {
            if (number == asked) {
                step.run();
            }
        });
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
        for (int i = 0; i < recording.size(); i++) {
            recording.get(i).setVisible(i < lines.size());
            recording.get(i).setText(i < lines.size() ? lines.get(i) : "");
        }
    }

    private void showHeads() {
        firstKey.setText("In " + sounding.word());
        boolean hasSecond = beside.chosen() > 0;
        secondKey.setText(hasSecond ? "In " + beside.word() : "");
    }

    /** The row of a number, in sight. */
    private FitRow row(int number) {
        if (number == kept.size()) {
            FitRow row = new FitRow(this::turnOwned, choices.instrument());
            kept.add(row);
            rows.getChildren().add(row);
        }
        kept.get(number).setVisible(true);
        return kept.get(number);
    }

    private void turnOwned(Instrument instrument) {
        Set<String> owned = new HashSet<>(choices.owned().get());
        if (!owned.remove(instrument.id())) {
            owned.add(instrument.id());
        }
        choices.own().accept(owned);
        if (onlyOwned.isSelected()) {
            show();
        }
    }

    private double wordsWidth() {
        return Math.max(FitRow.CELL, scroll.getViewportBounds().getWidth() - EDGES);
    }

    static String cost(double cost) {
        return String.format(Locale.ROOT, "%.1f", cost);
    }
}
