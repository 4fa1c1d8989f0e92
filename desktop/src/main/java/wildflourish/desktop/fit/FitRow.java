package wildflourish.desktop.fit;

import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.plain.BestFit;
import wildflourish.core.words.NeedsWords;
import wildflourish.desktop.action.Controls;

/** One instrument of the best fit: whether the class owns it, and how well the tune lies on it in each key: a word, a bar that is the longer the better, a reason. */
final class FitRow extends HBox {
    static final double OWNED = 64;
    static final double NAME = 210;
    private static final double LEAST_BAR = 130;
    private static final double MOST_BAR = 460;
    private static final double BAR_HEIGHT = 10;
    private static final double WORD = 120;
    /** Of the ease of the easiest, from which on a tune lies well, and takes some work. */
    private static final double WELL = 0.75;

    private static final double SOME_WORK = 0.45;

    /** {@code best} is what the easiest of all costs a note; {@code own} and {@code chosen} are told of the instrument. */
    FitRow(BestFitRoom.Lie lie, double best, boolean isOwned, Consumer<Instrument> own, Consumer<Instrument> chosen) {
        Instrument instrument = lie.bare();
        getStyleClass().add("fit-row");
        setAlignment(Pos.CENTER_LEFT);
        CheckBox owned = new CheckBox();
        owned.getStyleClass().add("owned");
        owned.setPrefWidth(OWNED);
        owned.setMinWidth(OWNED);
        owned.setSelected(isOwned);
        owned.setUserData(instrument.id());
        owned.setAccessibleText("The class owns the " + instrument.name());
        owned.setOnAction(event -> own.accept(instrument));
        Button name = new Button(instrument.name().replace(", reading concert pitch", ""));
        name.setWrapText(true);
        name.setPrefWidth(NAME);
        name.setMinWidth(NAME);
        name.setUserData(instrument.id());
        name.setAccessibleText(name.getText());
        name.getStyleClass().add("fit-name");
        Controls.tip(name, "Works on this instrument");
        name.setOnAction(event -> chosen.accept(lie.first().instrument()));
        getChildren().addAll(owned, name, cell(lie.first(), best));
        lie.second().ifPresent(second -> getChildren().add(cell(second, best)));
    }

    private static VBox cell(BestFit fit, double best) {
        double ease = fit.isPlayable() ? best / Math.max(fit.cost(), 1e-9) : 0;
        Label word = new Label(word(fit.isPlayable(), ease));
        word.getStyleClass().add("fit-word");
        Region ground = new Region();
        ground.getStyleClass().add("fit-ground");
        ground.setMinSize(LEAST_BAR, BAR_HEIGHT);
        ground.setMaxSize(MOST_BAR, BAR_HEIGHT);
        Region bar = new Region();
        bar.getStyleClass().add("fit-bar");
        bar.setMinHeight(BAR_HEIGHT);
        bar.setMaxHeight(BAR_HEIGHT);
        bar.minWidthProperty().bind(ground.widthProperty().multiply(ease));
        bar.maxWidthProperty().bind(bar.minWidthProperty());
        bar.setVisible(fit.isPlayable());
        StackPane scale = new StackPane(ground, bar);
        scale.setAlignment(Pos.CENTER_LEFT);
        scale.setMaxWidth(MOST_BAR);
        HBox.setHgrow(scale, Priority.ALWAYS);
        word.setMinWidth(WORD);
        HBox measure = new HBox(scale, word);
        measure.getStyleClass().add("fit-measure");
        measure.setAlignment(Pos.CENTER_LEFT);
        Label why = new Label(NeedsWords.of(fit));
        why.getStyleClass().add("quiet");
        why.setWrapText(true);
        VBox cell = new VBox(measure, why);
        cell.getStyleClass().add("fit-cell");
        cell.setMaxWidth(Double.MAX_VALUE);
        cell.setPrefWidth(0);
        HBox.setHgrow(cell, Priority.ALWAYS);
        Controls.tip(
                why,
                Optional.of(fit)
                        .filter(BestFit::isPlayable)
                        .map(each -> String.format(
                                Locale.ROOT,
                                each.instrument().family().isWind()
                                        ? "Cost: %.1f moves of a finger a note, with what is hard"
                                        : "Cost: %.2f a note, with what is hard",
                                each.cost()))
                        .orElse("It cannot be played in this key"));
        return cell;
    }

    private static String word(boolean isPlayable, double ease) {
        if (!isPlayable) {
            return "cannot be played";
        }
        return ease > 0.999
                ? "lies best"
                : ease >= WELL ? "lies well" : ease >= SOME_WORK ? "takes some work" : "hard going";
    }
}
