package wildflourish.desktop.bench;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import wildflourish.core.engraving.Sign;
import wildflourish.core.music.Tempo;
import wildflourish.core.placing.Fit;
import wildflourish.core.version.Placement;
import wildflourish.core.words.Words;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.look.FingersPicture;
import wildflourish.desktop.look.Paragraph;
import wildflourish.desktop.look.SignPicture;
import wildflourish.desktop.look.Theme;

/** One thing that fits: its sign, name, clean-up-to tempo, reason and fingers; a press places it, the buttons beside it keep it as another option or add it. */
final class FitCard extends HBox {
    private static final double MORE_WIDTH = 46;
    private static final double EDGES = 30;
    private static final double MOST_NARROW = 96;

    private final Label name = new Label();
    private final Label key = new Label();
    private final Paragraph clean = new Paragraph(FitCell.WIDTH, "clean", "quiet");
    private final Paragraph why = new Paragraph(FitCell.WIDTH, "why");
    private final Paragraph cost = new Paragraph(FitCell.WIDTH, "why", "hand-cost");
    private final VBox words;
    private final SignPicture sign = new SignPicture();
    private final FingersPicture fingers = new FingersPicture();
    private final Button card = new Button();
    private final Button or = new Button("or");
    private final Button onTop = new Button("+");
    private Optional<FitEntry.Card> shown = Optional.empty();

    FitCard(FitsList list) {
        name.getStyleClass().add("card-name");
        name.setMinWidth(Region.USE_PREF_SIZE);
        key.getStyleClass().add("key");
        key.setMinWidth(Region.USE_PREF_SIZE);
        cost.managedProperty().bind(cost.visibleProperty());
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox first = new HBox(name, gap, key);
        first.setAlignment(Pos.CENTER_LEFT);
        words = new VBox(first, clean, why, cost);
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox content = new HBox(new StackPane(sign), words, fingers);
        content.getStyleClass().add("card-content");
        card.setGraphic(content);
        card.setMaxWidth(Double.MAX_VALUE);
        card.setFocusTraversable(false);
        card.getStyleClass().add("card");
        card.setOnAction(event -> its().ifPresent(fit -> list.place(fit.placement())));
        HBox.setHgrow(card, Priority.ALWAYS);
        or.setOnAction(event -> its().ifPresent(fit -> list.keep(fit.placement())));
        Controls.tip(or, "Keeps it as another option at this spot; the page says “or” (Shift+Enter)");
        onTop.setOnAction(event -> its().ifPresent(list::add));
        Controls.tip(onTop, "Adds it to what stands here (plus in the list, S for the best)");
        for (Button each : List.of(or, onTop)) {
            each.getStyleClass().add("or");
            each.setMaxHeight(Double.MAX_VALUE);
            each.setFocusTraversable(false);
            each.managedProperty().bind(each.visibleProperty());
            VBox.setVgrow(each, Priority.ALWAYS);
        }
        VBox more = new VBox(or, onTop);
        more.getStyleClass().add("card-more");
        more.visibleProperty().bind(or.visibleProperty().or(onTop.visibleProperty()));
        more.managedProperty().bind(more.visibleProperty());
        getChildren().addAll(card, more);
    }

    private Optional<Fit> its() {
        return shown.map(FitEntry.Card::its);
    }

    /** All it says, for whoever hears it. */
    String words() {
        return String.valueOf(card.getAccessibleText());
    }

    void show(FitEntry.Card entry, Theme theme) {
        shown = Optional.of(entry);
        Fit fit = entry.its();
        Placement placement = fit.placement();
        String ornament = fit.facts().ornament().name();
        Optional<Tempo> tempo = fit.facts().cleanUpTo();
        name.setText(ornament);
        key.setText(entry.number() == 1 ? "Enter" : entry.number() < 10 ? String.valueOf(entry.number()) : "");
        key.setVisible(!key.getText().isEmpty());
        clean.setText(tempo.map(each -> "clean to " + Words.tempo(each)).orElse("at any tempo"));
        why.setText(Words.why(fit));
        cost.setText(entry.price());
        cost.setVisible(!entry.price().isEmpty());
        sign.show(entry.signs(), theme);
        fingers.show(entry.steps(), Sign.inkOf(fit.facts().ornament()), theme);
        card.setAccessibleText(ornament + ", " + clean.getText() + ". " + Words.why(fit) + " "
                + fit.facts().ornament().look().how());
        card.setUserData(placement);
        or.setUserData(placement);
        or.setAccessibleText("Keep " + ornament + " as another option");
        or.setVisible(entry.isOffered());
        onTop.setUserData(placement);
        onTop.setVisible(entry.goesOnTop());
        onTop.setAccessibleText("Add " + ornament + " to what stands here");
        boolean hasMore = entry.isOffered() || entry.goesOnTop();
        double width = Math.max(
                MOST_NARROW, FitCell.WIDTH - EDGES - sign.getWidth() - fingers.getWidth() - (hasMore ? MORE_WIDTH : 0));
        words.setMinWidth(width);
        words.setMaxWidth(width);
        clean.setWrappingWidth(width);
        why.setWrappingWidth(width);
        cost.setWrappingWidth(width);
    }
}
