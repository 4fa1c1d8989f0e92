package wildflourish.desktop.versions;

import java.util.List;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.arranging.StoredFigure;
import wildflourish.core.form.Phrasing;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Span;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Arranging;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.room.Tools;

/** The figure shelf: keep the chosen notes as a figure, see where a figure fits in this tune, put it there. */
final class FiguresPane extends VBox {
    private final Desk desk;
    private final Tools tools;
    private final TextField name = new TextField();
    private final ListView<StoredFigure> figures = new ListView<>();
    private final Label told = new Label();
    private final VBox places = new VBox(6);
    private Optional<Tune> tune = Optional.empty();
    private Optional<Version> version = Optional.empty();
    /** Counts what was asked, so that an answer that comes too late is passed over. */
    private int asked;

    FiguresPane(Tools tools) {
        super(8);
        this.tools = tools;
        this.desk = tools.desk();
        getStyleClass().add("lines");
        name.setId("figure-name");
        name.setPromptText("a name for the chosen notes");
        name.setAccessibleText("Name of the figure to be kept");
        name.setOnAction(event -> keep());
        HBox.setHgrow(name, Priority.ALWAYS);
        Button keep = Controls.button(
                "Keep as a figure",
                "figure-keep",
                "The chosen notes with what is placed on them, in figures.abc of your own folder",
                this::keep);
        figures.setId("figures");
        figures.setPrefHeight(190);
        figures.setMinHeight(120);
        figures.setAccessibleText("Figures of this kind of instrument");
        figures.setCellFactory(list -> new ListCell<>() {
            @Override
            protected void updateItem(StoredFigure figure, boolean isEmpty) {
                super.updateItem(figure, isEmpty);
                setText(isEmpty || figure == null ? "" : FiguresPane.words(figure));
            }
        });
        figures.getSelectionModel().selectedItemProperty().subscribe(figure -> ask());
        told.setWrapText(true);
        told.setMinHeight(Region.USE_PREF_SIZE);
        getChildren().addAll(new HBox(6, name, keep), figures, told, places);
    }

    private static String words(StoredFigure figure) {
        int count = figure.ornamented();
        return figure.name() + ", " + figure.notes().size() + " notes, "
                + (count == 1 ? "1 ornament" : count + " ornaments");
    }

    void show(Sight sight) {
        boolean isSame = tune.equals(sight.tune()) && version.equals(sight.version());
        tune = sight.tune();
        version = sight.version();
        if (!isSame || figures.getItems().isEmpty()) {
            refill();
        }
    }

    private void refill() {
        Optional<String> chosen = Optional.ofNullable(
                        figures.getSelectionModel().getSelectedItem())
                .map(StoredFigure::name);
        Sight sight = desk.sight().get();
        List<StoredFigure> all = tools.shelf().of(sight.instrument().family(), sight.book());
        figures.getItems().setAll(all);
        all.stream()
                .filter(figure -> chosen.equals(Optional.of(figure.name())))
                .findFirst()
                .ifPresentOrElse(figures.getSelectionModel()::select, this::ask);
    }

    private void keep() {
        Sight sight = desk.sight().get();
        Optional<Span> range = sight.range();
        if (range.isEmpty() || sight.version().isEmpty()) {
            desk.say("Choose notes first, Shift with the arrow keys.");
            return;
        }
        String said =
                tools.shelf().keep(sight.tune().orElseThrow(), sight.version().get(), range.get(), name.getText());
        desk.say(said);
        name.clear();
        refill();
    }

    private void ask() {
        places.getChildren().clear();
        StoredFigure figure = figures.getSelectionModel().getSelectedItem();
        int question = ++asked;
        if (figure == null || tune.isEmpty() || version.isEmpty()) {
            told.setText(
                    figures.getItems().isEmpty()
                            ? "No figure is kept for this kind of instrument yet."
                            : "Choose a figure to see where it fits.");
            return;
        }
        Tune other = tune.get();
        Version into = version.get();
        Profile profile = desk.sight().get().chosen().profile();
        tools.away().work("Looking where the figure fits", () -> figure.places(other, into, profile), found -> {
            if (question == asked) {
                show(figure, other, found);
            }
        });
    }

    private void show(StoredFigure figure, Tune other, List<StoredFigure.Place> found) {
        told.setText(
                found.isEmpty()
                        ? "Nowhere in this tune: nothing as long begins with its notes on these beats and degrees."
                        : found.size() == 1 ? "In one place:" : "In " + found.size() + " places:");
        for (StoredFigure.Place place : found) {
            places.getChildren().add(row(figure, other, place));
        }
    }

    private HBox row(StoredFigure figure, Tune other, StoredFigure.Place place) {
        var first = place.span().first();
        String phrase = Phrasing.of(other).at(other.placeOf(first).bar()).name();
        Button there = Controls.button(
                phrase + ", " + Words.place(other, other.note(first)) + moved(place.steps())
                        + (place.fits() ? "" : ", not clean at this tempo"),
                "place-" + first.number(),
                "Goes there",
                () -> desk.does(here -> Choosing.note(here, first)));
        there.setWrapText(true);
        there.setMaxWidth(Double.MAX_VALUE);
        HBox.setHgrow(there, Priority.ALWAYS);
        Button put = Controls.button(
                "Put it there",
                "put-" + first.number(),
                "What stands there gives way",
                () -> desk.does(here -> Arranging.put(here, figure, place)));
        return new HBox(6, there, put);
    }

    private static String moved(int steps) {
        int count = Math.abs(steps);
        return steps == 0 ? "" : ", " + count + (count == 1 ? " step " : " steps ") + (steps > 0 ? "higher" : "lower");
    }
}
