package wildflourish.desktop.bench;

import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.placing.Breaths;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Span;
import wildflourish.core.words.LayerWords;
import wildflourish.core.words.Words;
import wildflourish.desktop.action.Actions;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Here;
import wildflourish.desktop.desk.Options;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.OnlyWhen;
import wildflourish.desktop.look.Paragraph;
import wildflourish.desktop.look.Theme;

/** Beside the score: what stands at the chosen note, what fits there, what holds over its phrase, and the teacher's own words. */
final class FitsPane extends VBox {
    private final Desk desk;
    private final Label where = new Label();
    private final Label layered = new Label();
    private final HerePane standing;
    private final FitsList list;
    private final FingeringRow fingerings;
    private final PhraseRules rules;
    private final Paragraph breath = new Paragraph(FitCell.WIDTH, "breath");
    private final TextField sentence = new TextField();
    private final BooleanProperty isDecorated = new SimpleBooleanProperty();
    private Theme theme = Theme.LIGHT;
    private boolean isWaiting;

    /** All that decides what is shown. */
    private record Wanted(Optional<?> tune, Optional<?> version, Sight.Chosen chosen) {
        static Wanted of(Sight sight) {
            return new Wanted(sight.tune(), sight.version(), sight.chosen());
        }
    }

    FitsPane(Desk desk, Actions actions, Consumer<Optional<Placement>> tried, Consumer<Placement> played) {
        this.desk = desk;
        standing = new HerePane(desk, actions);
        list = new FitsList(desk, tried, played);
        fingerings = new FingeringRow(desk);
        rules = new PhraseRules(desk);
        setId("fits");
        getStyleClass().add("side");
        where.getStyleClass().add("where");
        where.setId("where");
        where.setWrapText(true);
        layered.setId("under-layer");
        layered.setWrapText(true);
        layered.setMinHeight(Region.USE_PREF_SIZE);
        layered.managedProperty().bind(layered.visibleProperty());
        breath.setId("breath");
        breath.managedProperty().bind(breath.visibleProperty());
        sentence.setId("sentence");
        sentence.setPromptText("Your own words at this note");
        sentence.setAccessibleText("Your own words at this note");
        Controls.tip(sentence, "They stand below the score and on the printed sheet");
        sentence.setOnAction(event -> takeSentence());
        sentence.focusedProperty().addListener((at, before, isFocused) -> {
            if (!isFocused) {
                takeSentence();
            }
        });
        VBox.setVgrow(list, Priority.ALWAYS);
        list.setMinHeight(120);
        OnlyWhen here = new OnlyWhen(isDecorated, standing);
        getChildren().addAll(where, layered, here, list, rules, fingerings, sentence, breath);
        desk.of(Wanted::of).addListener((at, before, wanted) -> showSoon());
    }

    /** Shows everything in a theme; the first time, too. */
    void setTheme(Theme newTheme) {
        theme = newTheme;
        list.setTheme(theme);
        show();
    }

    void focusList() {
        list.requestFocus();
    }

    private void takeSentence() {
        desk.does(here -> Options.sentence(here, sentence.getText()));
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
        Here here = desk.here();
        where.setText(whereWords(here.sight()));
        isDecorated.set(standing.show(here, theme));
        fingerings.show(here, theme);
        if (!sentence.getText().equals(here.sentence())) {
            sentence.setText(here.sentence());
        }
        Optional<String> changed =
                here.scene().flatMap(scene -> here.sight().note().flatMap(note -> LayerWords.at(scene, note)));
        layered.setVisible(changed.isPresent());
        changed.ifPresent(layered::setText);
        list.show(here);
        rules.show(here);
        showBreath(here);
    }

    private static String whereWords(Sight sight) {
        Optional<Tune> tune = sight.tune();
        Optional<Span> several = sight.severalNotes();
        if (tune.isPresent() && several.isPresent()) {
            int count = several.get().notes(tune.get()).size();
            return count + " notes from "
                    + Words.place(tune.get(), tune.get().note(several.get().first()));
        }
        return tune.flatMap(each -> sight.note().map(note -> Words.place(each, each.note(note))))
                .orElse("Open a book and choose a note.");
    }

    /** How long the player must go without air, where that is long. */
    private void showBreath(Here here) {
        Optional<Breaths.Span> span = Breaths.of(here.sight().instrument().family());
        Optional<Breaths.Stretch> longest = span.isEmpty() ? Optional.empty() : here.longestBreath();
        boolean isLong = longest.isPresent()
                && longest.get().seconds().isMoreThan(span.orElseThrow().fromSeconds());
        breath.setVisible(isLong);
        if (isLong) {
            breath.setText(Words.breath(longest.get(), here.sight().tune().orElseThrow()) + ".");
        }
    }
}
