package wildflourish.desktop.bench;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import wildflourish.core.engraving.GesturePicture;
import wildflourish.core.engraving.Sign;
import wildflourish.core.hand.HandCost;
import wildflourish.core.music.Tempo;
import wildflourish.core.placing.Fit;
import wildflourish.core.version.Placement;
import wildflourish.core.words.Words;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.look.FingersPicture;
import wildflourish.desktop.look.Paragraph;
import wildflourish.desktop.look.SignPicture;
import wildflourish.desktop.look.Theme;

/**
 * One thing that fits: its sign, name, clean-up-to tempo, reason and fingers; a press places it, the button beside it keeps it as another option. A
 * card stays and shows another fit when the chosen note changes: making controls anew takes longer than a keystroke may. Its buttons have what they place as user
 * data (with ids of their own, they would be styled anew with each).
 */
final class FitCard extends HBox {
    /** Room inside a card, and what the button beside it takes of it, in pixels: the panel has a fixed width. */
    private static final double WIDTH = 246;

    private static final double OR_WIDTH = 38;
    private static final double MOST_NARROW = 96;

    private final Desk desk;
    private final Label name = new Label();
    private final Label clean = new Label();
    private final Paragraph why = new Paragraph(WIDTH, "why");
    private final Label cost = new Label();
    private final VBox words;
    private final SignPicture sign = new SignPicture();
    private final FingersPicture fingers = new FingersPicture();
    private final Button card = new Button();
    private final Button or = new Button("or");
    private final Button onTop = new Button("+");
    private Optional<Shown> shown = Optional.empty();

    /** What a card shows: drawn anew only when something of it differs. */
    private record Shown(
            Fit fit, boolean isOffered, Optional<Placement> stacked, List<GesturePicture.Step> steps, Theme theme) {}

    FitCard(Desk desk) {
        this.desk = desk;
        name.getStyleClass().add("card-name");
        clean.getStyleClass().add("clean");
        cost.getStyleClass().addAll("clean", "hand-cost");
        cost.setWrapText(true);
        cost.managedProperty().bind(cost.visibleProperty());
        cost.setVisible(false);
        words = new VBox(new NameLine(name, clean), why, cost);
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox content = new HBox(new StackPane(sign), words, fingers);
        content.getStyleClass().add("card-content");
        card.setGraphic(content);
        card.setMaxWidth(Double.MAX_VALUE);
        card.getStyleClass().add("card");
        card.setOnAction(event -> shown.ifPresent(each -> desk.place(each.fit().placement())));
        HBox.setHgrow(card, Priority.ALWAYS);
        or.getStyleClass().add("or");
        or.setMaxHeight(Double.MAX_VALUE);
        or.setAccessibleHelp("Keeps it as another option at this spot; the page says “or” (Shift+Enter)");
        or.setOnAction(
                event -> shown.ifPresent(each -> desk.keepOption(each.fit().placement())));
        or.managedProperty().bind(or.visibleProperty());
        onTop.getStyleClass().add("or");
        onTop.setMaxHeight(Double.MAX_VALUE);
        onTop.setAccessibleHelp("Plays it on top of what stands here (S)");
        onTop.setOnAction(event -> shown.flatMap(Shown::stacked).ifPresent(desk::place));
        onTop.managedProperty().bind(onTop.visibleProperty());
        VBox more = new VBox(or, onTop);
        more.getStyleClass().add("card-more");
        VBox.setVgrow(or, Priority.ALWAYS);
        VBox.setVgrow(onTop, Priority.ALWAYS);
        more.visibleProperty().bind(or.visibleProperty().or(onTop.visibleProperty()));
        more.managedProperty().bind(more.visibleProperty());
        getChildren().addAll(card, more);
    }

    void show(Fit fit, Theme theme) {
        boolean isOffered = desk.spotHere()
                .map(spot -> spot.at().equals(fit.placement().span().first())
                        && !spot.options().contains(fit.placement()))
                .orElse(false);
        Shown now = new Shown(fit, isOffered, desk.onTop(fit), desk.fingersOf(fit.placement()), theme);
        if (!shown.equals(Optional.of(now))) {
            shown = Optional.of(now);
            fill(now);
        }
    }

    /** What it costs the hand, when that is known; nothing is said of what costs next to nothing. */
    void tell(Map<Placement, HandCost.Told> told) {
        String words = shown.flatMap(
                        each -> Optional.ofNullable(told.get(each.fit().placement())))
                .map(Words::handCost)
                .orElse("");
        cost.setText(words);
        cost.setVisible(!words.isEmpty());
    }

    private void fill(Shown now) {
        Fit fit = now.fit();
        cost.setVisible(false);
        String ornament = fit.facts().ornament().name();
        Optional<Tempo> tempo = fit.facts().cleanUpTo();
        name.setText(ornament);
        clean.setText(tempo.map(each -> "clean to " + Words.beats(each)).orElse("at any tempo"));
        clean.setAccessibleHelp("The fastest tempo at which it still speaks cleanly: "
                + tempo.map(Words::tempo).orElse("any"));
        why.setText(Words.why(fit));
        sign.show(desk.signsOf(fit), now.theme());
        fingers.show(now.steps(), Sign.inkOf(fit.facts().ornament()), now.theme());
        card.setAccessibleText(ornament + ", "
                + tempo.map(each -> "clean to " + Words.tempo(each)).orElse("at any tempo") + ". " + Words.why(fit)
                + " " + fit.facts().ornament().look().how());
        card.setUserData(fit.placement());
        or.setUserData(fit.placement());
        or.setAccessibleText("Keep " + ornament + " as another option");
        or.setVisible(now.isOffered());
        onTop.setVisible(now.stacked().isPresent());
        onTop.setAccessibleText("Play " + ornament + " on top of what stands here");
        boolean hasMore = now.isOffered() || now.stacked().isPresent();
        double wordsWidth =
                Math.max(MOST_NARROW, WIDTH - sign.getWidth() - fingers.getWidth() - (hasMore ? OR_WIDTH : 0));
        words.setMinWidth(wordsWidth);
        words.setMaxWidth(wordsWidth);
        why.setWrappingWidth(wordsWidth);
    }
}
