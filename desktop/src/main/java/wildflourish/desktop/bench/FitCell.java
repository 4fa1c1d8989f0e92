package wildflourish.desktop.bench;

import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.layout.VBox;
import org.kordamp.ikonli.javafx.FontIcon;
import wildflourish.core.words.Words;
import wildflourish.desktop.look.Paragraph;
import wildflourish.desktop.look.Theme;

/** A line of what fits: a card, a kind to be opened, or what does not fit with why not. */
final class FitCell extends ListCell<FitEntry> {
    /** Of what stands in a line, in pixels. */
    static final double WIDTH = 292;

    private static final double REFUSAL_BORDER = 19;

    private final FitsList list;
    private final FitCard card;
    private final Button fold = new Button();
    private final Label refusedName = new Label();
    private final Paragraph why = new Paragraph(WIDTH - REFUSAL_BORDER, "why");
    private final VBox refusal = new VBox(refusedName, why);
    private Optional<FitEntry> shown = Optional.empty();
    private Theme theme = Theme.LIGHT;

    FitCell(FitsList list) {
        this.list = list;
        card = new FitCard(list);
        fold.getStyleClass().add("fold");
        fold.setFocusTraversable(false);
        fold.setMaxWidth(Double.MAX_VALUE);
        fold.setOnAction(event -> shown.ifPresent(each -> {
            if (each instanceof FitEntry.Fold its) {
                list.turn(its);
            }
        }));
        refusedName.getStyleClass().add("card-name");
        refusal.getStyleClass().add("refusal");
        setPrefWidth(0);
    }

    @Override
    protected void updateItem(FitEntry entry, boolean isEmpty) {
        super.updateItem(entry, isEmpty);
        Optional<FitEntry> now = Optional.ofNullable(entry).filter(each -> !isEmpty);
        if (now.equals(shown) && list.theme() == theme) {
            return;
        }
        shown = now;
        theme = list.theme();
        if (shown.isEmpty()) {
            setGraphic(null);
            setAccessibleText("");
            return;
        }
        if (entry instanceof FitEntry.Card its) {
            card.show(its, theme);
            setGraphic(card);
            setAccessibleText(card.words());
        } else if (entry instanceof FitEntry.Fold its) {
            fold.setId(its.id());
            fold.setText(its.name() + " (" + its.count() + ")");
            fold.setGraphic(new FontIcon(its.isOpen() ? "fth-chevron-down" : "fth-chevron-right"));
            fold.setAccessibleText(its.name() + ", " + its.count() + (its.isOpen() ? ", open" : ", folded"));
            setGraphic(fold);
            setAccessibleText(fold.getAccessibleText());
        } else if (entry instanceof FitEntry.Refused its) {
            refusedName.setText(its.name());
            refusedName.setVisible(true);
            why.setText(Words.why(its.its()));
            setGraphic(refusal);
            setAccessibleText(its.name() + ": " + why.getText());
        } else if (entry instanceof FitEntry.Nothing its) {
            refusedName.setText("Nothing fits here");
            why.setText(its.why());
            setGraphic(refusal);
            setAccessibleText("Nothing fits here. " + its.why());
        }
    }
}
