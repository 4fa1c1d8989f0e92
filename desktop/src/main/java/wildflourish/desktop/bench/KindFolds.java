package wildflourish.desktop.bench;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.VBox;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.placing.Fit;
import wildflourish.core.words.Words;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.look.Theme;

/** What else fits, folded by its kind; a fold that was opened stays open from note to note. */
final class KindFolds extends VBox {
    private final Desk desk;
    private final Map<Ornament.Kind, Fold> folds = new EnumMap<>(Ornament.Kind.class);
    private final Set<Ornament.Kind> opened = EnumSet.noneOf(Ornament.Kind.class);
    private List<Fit> fits = List.of();
    private Theme theme = Theme.LIGHT;

    KindFolds(Desk desk) {
        this.desk = desk;
        setId("kinds");
        getStyleClass().add("kinds");
    }

    /** One kind: its heading, and its cards where it is open. */
    private final class Fold extends VBox {
        private final Ornament.Kind kind;
        private final ToggleButton heading = new ToggleButton();
        private final List<FitCard> cards = new ArrayList<>();

        Fold(Ornament.Kind kind) {
            this.kind = kind;
            heading.setId("kind-" + kind.name().toLowerCase(java.util.Locale.ROOT));
            heading.getStyleClass().add("fold");
            heading.setOnAction(event -> turn());
            getStyleClass().add("cards");
            managedProperty().bind(visibleProperty());
            getChildren().add(heading);
        }

        private void turn() {
            if (!opened.remove(kind)) {
                opened.add(kind);
            }
            KindFolds.this.show(fits, theme);
        }

        void show(List<Fit> its) {
            boolean isOpen = opened.contains(kind);
            setVisible(!its.isEmpty());
            heading.setSelected(isOpen);
            heading.setText((isOpen ? "▾  " : "▸  ") + Words.name(kind) + " (" + its.size() + ")");
            int wanted = isOpen ? its.size() : 0;
            while (cards.size() < wanted) {
                FitCard card = new FitCard(desk);
                card.managedProperty().bind(card.visibleProperty());
                cards.add(card);
                getChildren().add(card);
            }
            for (int i = 0; i < cards.size(); i++) {
                cards.get(i).setVisible(i < wanted);
                if (i < wanted) {
                    cards.get(i).show(its.get(i), theme);
                }
            }
        }
    }

    void show(List<Fit> more, Theme newTheme) {
        fits = more;
        theme = newTheme;
        for (Ornament.Kind kind : Ornament.Kind.values()) {
            List<Fit> its = more.stream()
                    .filter(fit -> fit.facts().ornament().kind() == kind)
                    .toList();
            if (!its.isEmpty() || folds.containsKey(kind)) {
                fold(kind).show(its);
            }
        }
    }

    private Fold fold(Ornament.Kind kind) {
        Fold there = folds.get(kind);
        if (there != null) {
            return there;
        }
        Fold made = new Fold(kind);
        int before = (int)
                folds.keySet().stream().filter(each -> each.compareTo(kind) < 0).count();
        folds.put(kind, made);
        getChildren().add(before, made);
        return made;
    }
}
