package wildflourish.desktop.bench;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.hand.HandCost;
import wildflourish.core.placing.Breaths;
import wildflourish.core.placing.Fit;
import wildflourish.core.placing.WhatFits;
import wildflourish.core.version.Placement;
import wildflourish.core.words.LayerWords;
import wildflourish.core.words.Words;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Frames;
import wildflourish.desktop.look.Paragraph;
import wildflourish.desktop.look.Theme;

/** What fits at the chosen note, best first, each with its clean-up-to tempo and one line of why; what does not fit is folded below. */
public final class FitsPanel extends VBox {
    /** Of what stands in the panel, in pixels, with a bar to scroll beside it. */
    private static final double WIDTH = 264;

    /** The best that are open; the others are folded by their kinds. */
    private static final int OPEN_CARDS = 5;

    private static final int USUAL_CARDS = 8;
    private static final double REFUSAL_BORDER = 19;

    private final Desk desk;
    private final Frames frames;
    private final Label where = new Label();
    private final HerePanel here;
    private final List<FitCard> cards = new ArrayList<>();
    private final HandCosts costs = new HandCosts();
    private Map<Placement, HandCost.Told> told = Map.of();
    /** Where nothing fits: that it is so, and the first why. */
    private final FingeringRow fingerings;

    private final Paragraph nothing = new Paragraph(WIDTH);

    private final VBox fitting = new VBox();
    private final KindFolds kinds;
    private final PhraseRules rules;
    private final Paragraph breath = new Paragraph(WIDTH, "breath");
    private final VBox refused = new VBox();
    private final TextField sentence;
    private final ToggleButton fold = new ToggleButton();
    private Theme theme = Theme.LIGHT;
    private boolean isWaiting;
    /** What a layer makes of the note. */
    private final Label layered = new Label();

    /** Counts what was shown, so that cards that are no longer wanted do not grow. */
    private int shown;

    public FitsPanel(Desk desk, Frames frames) {
        this.desk = desk;
        this.frames = frames;
        here = new HerePanel(desk);
        kinds = new KindFolds(desk);
        rules = new PhraseRules(desk);
        fingerings = new FingeringRow(desk);
        sentence = sentenceField();
        setId("fits");
        getStyleClass().add("fits");
        Label title = new Label("What fits here");
        title.getStyleClass().add("panel-title");
        where.getStyleClass().add("where");
        where.setId("where");
        fitting.getStyleClass().add("cards");
        fitting.setId("fitting");
        refused.getStyleClass().add("cards");
        refused.setId("refused");
        fold.setId("fold");
        fold.getStyleClass().add("fold");
        fold.selectedProperty()
                .addListener((at, before, after) ->
                        showRefused(desk.whatFits().map(WhatFits::refused).orElse(List.of())));
        fold.managedProperty().bind(fold.visibleProperty());
        nothing.setId("nothing-fits");
        nothing.managedProperty().bind(nothing.visibleProperty());
        breath.setId("breath");
        breath.managedProperty().bind(breath.visibleProperty());
        VBox all = new VBox(nothing, fitting, kinds, rules, fold, refused);
        all.getStyleClass().add("all-cards");
        ScrollPane scroll = new ScrollPane(all);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("cards-scroll");
        scroll.setFocusTraversable(false);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        layered.setId("under-layer");
        layered.setWrapText(true);
        layered.setMinHeight(Region.USE_PREF_SIZE);
        layered.managedProperty().bind(layered.visibleProperty());
        getChildren().addAll(title, where, layered, here, fingerings, sentence, breath, scroll);
        desk.sight().addListener((at, before, after) -> showSoon());
        show();
    }

    public void setTheme(Theme newTheme) {
        theme = newTheme;
        show();
    }

    /** Right after what the key did first: the score is seen first, and many strokes in a row are shown once. */
    private void showSoon() {
        if (!isWaiting) {
            isWaiting = true;
            Platform.runLater(() -> {
                isWaiting = false;
                show();
            });
        }
    }

    private void show() {
        Sight sight = desk.sight().get();
        where.setText(sight.tune()
                .flatMap(tune -> sight.note().map(note -> Words.place(tune, tune.note(note))))
                .orElse("Open a book and choose a note."));
        here.show(theme);
        fingerings.show(theme);
        showSentence();
        Optional<String> changed =
                desk.scene().flatMap(scene -> sight.note().flatMap(note -> LayerWords.at(scene, note)));
        layered.setVisible(changed.isPresent());
        changed.ifPresent(layered::setText);
        Optional<WhatFits> fits = desk.whatFits();
        showBreath();
        rules.show();
        List<Fit> fitting = fits.map(WhatFits::fitting).orElse(List.of());
        int open = Math.min(OPEN_CARDS, fitting.size());
        showFitting(fitting.subList(0, open));
        kinds.show(fitting.subList(open, fitting.size()), theme);
        List<Fit> others = fits.map(WhatFits::refused).orElse(List.of());
        nothing.setVisible(fits.stream().allMatch(each -> each.fitting().isEmpty()));
        others.stream().findFirst().ifPresent(first -> nothing.setText("Nothing fits here. " + Words.why(first)));
        fold.setVisible(!others.isEmpty());
        showRefused(others);
    }

    /** How long the player must go without air, where that is long. */
    private void showBreath() {
        Optional<Breaths.Span> span =
                Breaths.of(desk.sight().get().chosen().instrument().family());
        Optional<Breaths.Stretch> longest = span.isEmpty() ? Optional.empty() : desk.longestBreath();
        boolean isLong = longest.isPresent()
                && longest.get().seconds().isMoreThan(span.orElseThrow().fromSeconds());
        breath.setVisible(isLong);
        if (isLong) {
            breath.setText(Words.breath(longest.get(), desk.sight().get().tune().orElseThrow()) + ".");
        }
    }

    /** The cards that are there show what fits at once; those still missing grow below them. */
    private void showFitting(List<Fit> fits) {
        int asked = ++shown;
        for (int i = 0; i < cards.size(); i++) {
            cards.get(i).setVisible(i < fits.size());
            if (i < fits.size()) {
                cards.get(i).show(fits.get(i), theme);
            }
        }
        List<Fit> missing = fits.subList(Math.min(cards.size(), fits.size()), fits.size());
        frames.grow(missing, 1, () -> asked == shown, more -> {
            add(more.get(0));
            tellCosts(told);
        });
        told = Map.of();
        List<Placement> placements = fits.stream().map(Fit::placement).toList();
        desk.scene().ifPresent(scene -> costs.ask(scene, placements, this::tellCosts));
    }

    private void tellCosts(Map<Placement, HandCost.Told> known) {
        told = known;
        cards.forEach(card -> card.tell(known));
    }

    private void add(Fit fit) {
        FitCard card = addCard();
        card.show(fit, theme);
    }

    private FitCard addCard() {
        FitCard card = new FitCard(desk);
        card.managedProperty().bind(card.visibleProperty());
        cards.add(card);
        fitting.getChildren().add(card);
        return card;
    }

    /** Makes cards for notes at which more fits than at this one. */
    public void prepare() {
        frames.next(Collections.nCopies(USUAL_CARDS, () -> {
            if (cards.size() < USUAL_CARDS) {
                addCard().setVisible(false);
            }
        }));
    }

    private void showRefused(List<Fit> all) {
        fold.setText((fold.isSelected() ? "▾  " : "▸  ") + "Does not fit (" + all.size() + ")");
        refused.getChildren()
                .setAll(fold.isSelected() ? all.stream().map(this::refusal).toList() : List.of());
    }

    /** The teacher's own words at the spot; taken when Enter is pressed or the focus goes elsewhere. */
    private TextField sentenceField() {
        TextField field = new TextField();
        field.setId("sentence");
        field.setPromptText("Your own words at this note");
        field.setAccessibleHelp("They stand below the score and on the printed sheet");
        field.setOnAction(event -> desk.setSentence(field.getText()));
        field.focusedProperty().addListener((at, before, isFocused) -> {
            if (!isFocused) {
                desk.setSentence(field.getText());
            }
        });
        return field;
    }

    /** The caret into the teacher's own words. */
    public void focusWords() {
        sentence.requestFocus();
    }

    private void showSentence() {
        String words = desk.sentenceHere();
        if (!sentence.getText().equals(words)) {
            sentence.setText(words);
        }
    }

    private Node refusal(Fit fit) {
        Label name = new Label(fit.facts().ornament().name());
        name.getStyleClass().add("card-name");
        Paragraph why = new Paragraph(Words.why(fit), WIDTH - REFUSAL_BORDER, "why");
        VBox words = new VBox(name, why);
        words.getStyleClass().add("refusal");
        return words;
    }
}
