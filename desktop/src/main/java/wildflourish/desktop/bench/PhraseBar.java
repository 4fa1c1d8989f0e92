package wildflourish.desktop.bench;

import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.HBox;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.desktop.action.Actions;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Paging;

/** Over one phrase that is looked at alone: all phrases by their names, and a way to the next and the one before. */
final class PhraseBar extends HBox {
    private final Desk desk;
    private final Button before;
    private final Button next;

    /** What is shown; no tune where the whole of it is in sight. */
    private record Wanted(Optional<Tune> tune, Optional<NoteId> note) {
        static Wanted of(Sight sight) {
            return sight.look().page() == Paging.PHRASE
                    ? new Wanted(sight.tune(), sight.note())
                    : new Wanted(Optional.empty(), Optional.empty());
        }
    }

    PhraseBar(Desk desk, Actions actions) {
        this.desk = desk;
        setId("phrase-bar");
        getStyleClass().add("phrase-bar");
        setAlignment(Pos.CENTER_LEFT);
        before = Controls.icon(actions.of("phrase-before"));
        next = Controls.icon(actions.of("next-phrase"));
        managedProperty().bind(visibleProperty());
        desk.of(Wanted::of).subscribe(this::show);
    }

    private void show(Wanted wanted) {
        setVisible(wanted.tune().isPresent() && wanted.note().isPresent());
        if (!isVisible()) {
            return;
        }
        Tune tune = wanted.tune().orElseThrow();
        List<Phrase> phrases = Phrasing.of(tune).phrases();
        int bar = tune.placeOf(wanted.note().orElseThrow()).bar();
        getChildren().setAll(before);
        ToggleGroup group = new ToggleGroup();
        for (int i = 0; i < phrases.size(); i++) {
            int index = i;
            ToggleButton name = new ToggleButton(phrases.get(i).name());
            name.setToggleGroup(group);
            name.setSelected(phrases.get(i).has(bar));
            name.setAccessibleText("Phrase " + name.getText());
            Controls.tip(name, "Shows this phrase (B goes on, Shift+B back)");
            name.setOnAction(event -> {
                name.setSelected(true);
                desk.does(here -> Choosing.phrase(here, index));
            });
            getChildren().add(name);
        }
        getChildren().add(next);
    }
}
