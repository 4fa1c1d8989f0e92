package wildflourish.desktop.plain;

import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.plain.BestFit;
import wildflourish.core.words.NeedsWords;
import wildflourish.desktop.look.Paragraph;

/**
 * One instrument of the best fit: whether the class owns it, and how the tune lies on it in each key. It stays and shows another; whose id its controls have as user
 * data (as ids of their own, they would be styled anew with each).
 */
final class FitRow extends HBox {
    /** Width of a key's column in pixels. */
    static final double CELL = 268;

    static final double NAME = 200;
    /** What a button needs round its words. */
    private static final double NAME_EDGES = 24;

    private final CheckBox isOwned = new CheckBox();
    private final Button name = new Button();
    private final Paragraph nameWords = new Paragraph(NAME - NAME_EDGES);
    private final Cell first = new Cell();
    private final Cell second = new Cell();
    private Optional<BestFitView.Lie> shown = Optional.empty();

    FitRow(Consumer<Instrument> own, Consumer<Instrument> chosen) {
        getStyleClass().add("fit-row");
        managedProperty().bind(visibleProperty());
        isOwned.getStyleClass().add("owned");
        isOwned.setPrefWidth(52);
        isOwned.setMinWidth(52);
        isOwned.setOnAction(event -> shown.map(BestFitView.Lie::bare).ifPresent(own));
        name.setPrefWidth(NAME);
        name.setMinWidth(NAME);
        name.setGraphic(nameWords);
        name.getStyleClass().add("fit-name");
        name.setAccessibleHelp("Works on this instrument");
        name.setOnAction(event -> shown.map(lie -> lie.first().instrument()).ifPresent(chosen));
        second.managedProperty().bind(second.visibleProperty());
        getChildren().addAll(isOwned, name, first, second);
    }

    void show(BestFitView.Lie lie, boolean owned, double pixelsAUnit) {
        Instrument instrument = lie.bare();
        shown = Optional.of(lie);
        isOwned.setUserData(instrument.id());
        isOwned.setSelected(owned);
        isOwned.setAccessibleText("The class owns the " + instrument.name());
        name.setUserData(instrument.id());
        nameWords.setText(instrument.name().replace(", reading concert pitch", ""));
        name.setAccessibleText(nameWords.getText());
        first.show(lie.first(), pixelsAUnit);
        second.setVisible(lie.second().isPresent());
        lie.second().ifPresent(fit -> second.show(fit, pixelsAUnit));
    }

    /** How it lies in one key: words, and a bar that is the longer the more the fingers have to do. */
    private static final class Cell extends VBox {
        private final Paragraph words = new Paragraph(CELL);
        private final Label cost = new Label();
        private final Region bar = new Region();

        Cell() {
            getStyleClass().add("fit-cell");
            setPrefWidth(CELL);
            bar.getStyleClass().add("fit-bar");
            bar.setMinHeight(5);
            bar.setMaxHeight(5);
            cost.getStyleClass().add("clean");
            HBox measure = new HBox(bar, cost);
            measure.getStyleClass().add("fit-measure");
            measure.visibleProperty().bind(bar.visibleProperty());
            measure.managedProperty().bind(bar.visibleProperty());
            getChildren().addAll(words, measure);
            styleWords();
        }

        private void styleWords() {
            words.getStyleClass().setAll("paragraph", bar.isVisible() ? "why" : "clean");
        }

        void show(BestFit fit, double pixelsAUnit) {
            words.setText(NeedsWords.of(fit));
            if (fit.isPlayable() != bar.isVisible()) {
                bar.setVisible(fit.isPlayable());
                styleWords();
            }
            double width = Math.max(2, fit.cost() * pixelsAUnit);
            bar.setMinWidth(width);
            bar.setMaxWidth(width);
            cost.setText(
                    fit.instrument().family().isWind()
                            ? BestFitView.cost(fit.cost()) + " moves a note"
                            : String.format(Locale.ROOT, "%.2f a note", fit.cost()));
        }
    }
}
