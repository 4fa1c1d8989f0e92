package wildflourish.desktop.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleConsumer;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.growing.Growth;
import wildflourish.core.growing.Learning;
import wildflourish.core.growing.Liking;
import wildflourish.core.instrument.Family;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Lesson;
import wildflourish.core.version.Stair;
import wildflourish.core.words.TasteWords;
import wildflourish.desktop.action.Controls;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.room.Tools;

/** Beside the score, when it is asked for: what her own versions in the book say of her taste, what that would change in plans, and whether it is kept. Nothing is learnt unasked. */
final class TastePane extends VBox {
    /** About how much of the time goes into finding what fits the tunes. */
    private static final double SHARE_OF_FINDING = 0.6;

    private final Tools tools;
    private final Label told = new Label();
    private final VBox changes = new VBox(4);
    private final List<Learning.Change> offered = new ArrayList<>();
    private final Button keep;
    private final Button forget;
    private Optional<Learning.Learnt> learnt = Optional.empty();
    private Family family = Family.WHISTLE;

    TastePane(Tools tools) {
        super(8);
        this.tools = tools;
        setId("taste-pane");
        getStyleClass().add("side");
        Label title = new Label("My own taste");
        title.getStyleClass().add("where");
        told.setId("taste-told");
        told.setWrapText(true);
        told.setMinHeight(Region.USE_PREF_SIZE);
        changes.setId("taste-changes");
        ScrollPane scroll = new ScrollPane(changes);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        keep = Controls.button(
                "Keep it as “my own”", "keep-taste", "It is among the tastes that plans can go by", this::keep);
        forget = Controls.button(
                "Forget my own taste", "forget-taste", "Plans go by the tastes that ship", this::forget);
        Button away = Controls.button(
                "Back to the plan",
                "taste-away",
                "The plan of this stage",
                () -> tools.actions().of("plan-from-here").run());
        for (Button each : List.of(keep, forget, away)) {
            each.setMaxWidth(Double.MAX_VALUE);
        }
        getChildren().addAll(title, told, scroll, keep, forget, away);
    }

    private record Source(Tune tune, Stair stair) {}

    /** Learns from all stairs in the book for the family of the instrument in hand. */
    void learn() {
        Sight sight = tools.desk().sight().get();
        family = sight.instrument().family();
        Family asked = family;
        Profile profile = sight.chosen().profile();
        List<Source> sources = new ArrayList<>();
        for (Lesson lesson : sight.book().lessons()) {
            lesson.stairs().stream()
                    .filter(stair -> stair.instrument().family() == asked)
                    .forEach(stair -> sources.add(new Source(lesson.tune(), stair)));
        }
        show(Optional.empty(), "Learning from your versions …");
        int placements = sources.stream()
                .mapToInt(source -> Learning.placements(source.stair()))
                .sum();
        if (sources.size() < Learning.LEAST_TUNES || placements < Learning.LEAST_PLACEMENTS) {
            told.setText(TasteWords.tooLittle(sources.size(), placements, asked.word()));
            return;
        }
        Liking base = Liking.of(asked).get(0);
        tools.away()
                .follow(
                        "Learning from your versions",
                        reached -> Learning.of(
                                models(sources, profile, reached),
                                base,
                                share -> reached.accept(SHARE_OF_FINDING + (1 - SHARE_OF_FINDING) * share)),
                        found -> show(found, found.map(TasteWords::of).orElse("There is too little to learn from.")),
                        () -> told.setText("Stopped before anything was learnt."));
    }

    private static List<Learning.Model> models(List<Source> sources, Profile profile, DoubleConsumer reached) {
        List<Learning.Model> models = new ArrayList<>();
        for (Source source : sources) {
            double before = models.size();
            models.add(new Learning.Model(
                    source.tune(),
                    source.stair(),
                    Growth.choices(
                            source.tune(),
                            source.stair(),
                            profile,
                            share -> reached.accept(SHARE_OF_FINDING * (before + share) / sources.size()))));
        }
        return models;
    }

    private void show(Optional<Learning.Learnt> found, String words) {
        learnt = found;
        told.setText(words);
        offered.clear();
        changes.getChildren().clear();
        for (Learning.Change change : found.map(Learning.Learnt::changes).orElse(List.of())) {
            CheckBox box = new CheckBox(TasteWords.of(change));
            box.setId("taste-" + change.what());
            box.setWrapText(true);
            box.setSelected(true);
            offered.add(change);
            changes.getChildren().add(box);
        }
        keep.setDisable(found.isEmpty());
        forget.setDisable(tools.tastes().of(family).isEmpty());
    }

    private void keep() {
        List<Learning.Change> taken = new ArrayList<>();
        for (int i = 0; i < offered.size(); i++) {
            if (changes.getChildren().get(i) instanceof CheckBox box && box.isSelected()) {
                taken.add(offered.get(i));
            }
        }
        learnt.ifPresent(of -> tools.desk().say(tools.tastes().keep(of.taste(family, taken))));
        forget.setDisable(tools.tastes().of(family).isEmpty());
    }

    private void forget() {
        tools.desk().say(tools.tastes().forget(family));
        forget.setDisable(true);
    }
}
