package wildflourish.desktop.bench;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import wildflourish.core.engraving.GesturePicture;
import wildflourish.core.engraving.Signs;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Shape;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.words.Words;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.FingersPicture;
import wildflourish.desktop.look.SignPicture;
import wildflourish.desktop.look.Theme;

/** What fits at the chosen note, best first, each with its clean-up-to tempo and one line of why; what does not fit is folded below. */
public final class FitsPanel extends VBox {
    /** Room inside a card, and what the button beside it takes of it, in pixels: the panel has a fixed width. */
    private static final double CARD_WIDTH = 246;

    private static final double OR_WIDTH = 38;

    private final Desk desk;
    private final Label where = new Label();
    private final VBox here = new VBox();
    private final VBox fitting = new VBox();
    private final VBox refused = new VBox();
    private final TextField sentence;
    private final ToggleButton fold = new ToggleButton();
    private Theme theme = Theme.LIGHT;

    public FitsPanel(Desk desk) {
        this.desk = desk;
        sentence = sentenceField();
        setId("fits");
        getStyleClass().add("fits");
        Label title = new Label("What fits here");
        title.getStyleClass().add("panel-title");
        where.getStyleClass().add("where");
        where.setId("where");
        here.getStyleClass().add("here");
        fitting.getStyleClass().add("cards");
        fitting.setId("fitting");
        refused.getStyleClass().add("cards");
        refused.setId("refused");
        fold.setId("fold");
        fold.getStyleClass().add("fold");
        fold.selectedProperty().addListener((at, before, after) -> showRefused());
        VBox cards = new VBox(fitting, fold, refused);
        cards.getStyleClass().add("all-cards");
        ScrollPane scroll = new ScrollPane(cards);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("cards-scroll");
        scroll.setFocusTraversable(false);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(title, where, here, sentence, scroll);
        desk.sight().addListener((at, before, after) -> show());
        show();
    }

    public void setTheme(Theme newTheme) {
        theme = newTheme;
        show();
    }

    private void show() {
        Sight sight = desk.sight().get();
        where.setText(sight.tune()
                .flatMap(tune -> sight.note().map(note -> Words.place(tune, tune.note(note))))
                .orElse("Open a book and choose a note."));
        showHere();
        showSentence();
        Optional<WhatFits> fits = desk.whatFits();
        fitting.getChildren()
                .setAll(fits.map(WhatFits::fitting).orElse(List.of()).stream()
                        .map(this::card)
                        .toList());
        if (fitting.getChildren().isEmpty()) {
            fits.flatMap(each -> each.refused().stream().findFirst())
                    .ifPresent(first -> fitting.getChildren().add(nothing(first)));
        }
        int count = fits.map(each -> each.refused().size()).orElse(0);
        fold.setVisible(count > 0);
        fold.setManaged(count > 0);
        showRefused();
    }

    private void showRefused() {
        List<Fit> all = desk.whatFits().map(WhatFits::refused).orElse(List.of());
        fold.setText((fold.isSelected() ? "▾  " : "▸  ") + "Does not fit (" + all.size() + ")");
        refused.getChildren()
                .setAll(fold.isSelected() ? all.stream().map(this::refusal).toList() : List.of());
    }

    /** What stands at the spot already: the options, the first of which is played. */
    private void showHere() {
        Sight sight = desk.sight().get();
        Optional<Spot> spot = desk.spotHere();
        here.getChildren().clear();
        here.setVisible(spot.isPresent());
        here.setManaged(spot.isPresent());
        if (spot.isEmpty() || sight.tune().isEmpty()) {
            return;
        }
        for (int i = 0; i < spot.get().options().size(); i++) {
            here.getChildren()
                    .add(option(sight.tune().get(), spot.get().options().get(i), i == 0));
        }
        HBox buttons = new HBox();
        buttons.getStyleClass().add("here-buttons");
        if (spot.get().options().size() > 1) {
            Button next = new Button("Play the other");
            next.setOnAction(event -> desk.nextOption());
            buttons.getChildren().add(next);
        }
        Button remove = new Button("Remove");
        remove.setId("remove");
        remove.setTooltip(new Tooltip("Takes the ornament away, here and in the stages below (Delete)"));
        remove.setOnAction(event -> desk.remove());
        buttons.getChildren().addAll(remove, passes(spot.get()));
        here.getChildren().add(buttons);
    }

    /** For which times through the ornament holds. */
    private ComboBox<String> passes(Spot spot) {
        ComboBox<String> passes = new ComboBox<>();
        passes.setId("passes");
        passes.getItems().addAll("every time", "first time only", "second time only");
        Set<Integer> numbers = spot.first().map(each -> each.passes().numbers()).orElse(Set.of());
        passes.getSelectionModel()
                .select(numbers.isEmpty() ? 0 : numbers.iterator().next());
        passes.setTooltip(new Tooltip("Whether it is played each time round, or once"));
        passes.setOnAction(event -> {
            int chosen = passes.getSelectionModel().getSelectedIndex();
            desk.setPasses(chosen == 0 ? Passes.EVERY : Passes.only(chosen));
        });
        return passes;
    }

    /** The teacher's own words at the spot; taken when Enter is pressed or the focus goes elsewhere. */
    private TextField sentenceField() {
        TextField field = new TextField();
        field.setId("sentence");
        field.setPromptText("Your own words at this note");
        field.setTooltip(new Tooltip("They stand below the score and on the printed sheet"));
        field.setOnAction(event -> desk.setSentence(field.getText()));
        field.focusedProperty().addListener((at, before, isFocused) -> {
            if (!isFocused) {
                desk.setSentence(field.getText());
            }
        });
        return field;
    }

    private void showSentence() {
        String words = desk.sentenceHere();
        if (!sentence.getText().equals(words)) {
            sentence.setText(words);
        }
    }

    private Node option(Tune tune, Placement placement, boolean isPlayed) {
        Label name =
                new Label((isPlayed ? "Here: " : "or: ") + placement.ornament().name());
        name.getStyleClass().add("option");
        HBox row = new HBox(name);
        row.setAlignment(Pos.CENTER_LEFT);
        placement
                .ornament()
                .shapeFor(placement.span().length(tune))
                .ifPresent(shape -> row.getChildren().add(0, new SignPicture(placement.ornament(), shape, theme)));
        return row;
    }

    private Node card(Fit fit) {
        Tempo tempo = fit.facts().cleanUpTo().orElseThrow();
        Shape shape = fit.facts().candidate().shape().orElseThrow();
        Label name = new Label(fit.facts().ornament().name());
        name.getStyleClass().add("card-name");
        Label clean = new Label("clean to " + Words.beats(tempo));
        clean.getStyleClass().add("clean");
        clean.setTooltip(new Tooltip("The fastest tempo at which it still speaks cleanly: " + Words.tempo(tempo)));
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox top = new HBox(name, gap, clean);
        top.setAlignment(Pos.BASELINE_LEFT);
        Label why = new Label(Words.why(fit));
        why.setWrapText(true);
        why.getStyleClass().add("why");
        VBox words = new VBox(top, why);
        HBox.setHgrow(words, Priority.ALWAYS);
        SignPicture sign = new SignPicture(fit.facts().ornament(), shape, theme);
        List<GesturePicture.Step> steps = desk.fingersOf(fit.placement());
        FingersPicture fingers =
                new FingersPicture(steps, Signs.inkOf(fit.facts().ornament()), theme);
        HBox content = new HBox(new StackPane(sign), words, fingers);
        content.getStyleClass().add("card-content");
        Button card = new Button();
        card.setGraphic(content);
        card.setMaxWidth(Double.MAX_VALUE);
        card.getStyleClass().add("card");
        card.setAccessibleText(
                fit.facts().ornament().name() + ", clean to " + Words.tempo(tempo) + ". " + Words.why(fit));
        card.setId(
                "fit-" + fit.facts().ornament().id() + (fit.placement().span().isOneNote() ? "" : "-over-notes"));
        card.setUserData(fit.placement());
        card.setOnAction(event -> desk.place(fit.placement()));
        HBox.setHgrow(card, Priority.ALWAYS);
        boolean isOffered = desk.spotHere()
                .map(spot -> spot.at().equals(fit.placement().span().first())
                        && !spot.options().contains(fit.placement()))
                .orElse(false);
        double wordsWidth = CARD_WIDTH - sign.getWidth() - fingers.getWidth() - (isOffered ? OR_WIDTH : 0);
        words.setMinWidth(wordsWidth);
        words.setMaxWidth(wordsWidth);
        why.setPrefWidth(wordsWidth);
        return isOffered ? new HBox(card, orButton(fit)) : card;
    }

    /** Where nothing fits: that it is so, and the first why. */
    private static Label nothing(Fit first) {
        Label label = new Label("Nothing fits here. " + Words.why(first));
        label.setId("nothing-fits");
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        return label;
    }

    private Button orButton(Fit fit) {
        Button or = new Button("or");
        or.setId("or-" + fit.facts().ornament().id());
        or.getStyleClass().add("or");
        or.setMaxHeight(Double.MAX_VALUE);
        or.setTooltip(new Tooltip("Keeps it as another option at this spot; the page says “or” (Shift+Enter)"));
        or.setAccessibleText("Keep " + fit.facts().ornament().name() + " as another option");
        or.setOnAction(event -> desk.keepOption(fit.placement()));
        return or;
    }

    private Node refusal(Fit fit) {
        Label name = new Label(fit.facts().ornament().name());
        name.getStyleClass().add("card-name");
        Label why = new Label(Words.why(fit));
        why.setWrapText(true);
        why.getStyleClass().add("why");
        VBox words = new VBox(name, why);
        words.getStyleClass().add("refusal");
        return words;
    }
}
