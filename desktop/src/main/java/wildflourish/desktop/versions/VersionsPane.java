package wildflourish.desktop.versions;

import java.util.List;
import java.util.Optional;
import javafx.beans.value.ObservableIntegerValue;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tab;
import javafx.scene.control.TabPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Difference;
import wildflourish.core.version.Stair;
import wildflourish.core.words.StairWords;
import wildflourish.desktop.desk.Choosing;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Lines;
import wildflourish.desktop.room.Tools;

/** Beside two versions: what differs phrase by phrase, a version of phrases, the plan of times through. */
final class VersionsPane extends VBox {
    private static final double WIDTH = 424;

    /** Actions that open its tabs, in their order. */
    static final List<String> TABS = List.of("what-differs", "put-together", "plan-times", "figure-shelf");

    private final Desk desk;
    private final TabPane tabs;
    private final ObservableIntegerValue other;
    private final Lines differences = new Lines(WIDTH);
    private final MixPane mix;
    private final TimesPane times;
    private final FiguresPane figures;

    VersionsPane(Tools tools, ObservableIntegerValue other) {
        this.desk = tools.desk();
        this.other = other;
        getStyleClass().addAll("side", "wide");
        mix = new MixPane(tools);
        times = new TimesPane(tools);
        figures = new FiguresPane(tools);
        tabs = new TabPane(
                tab("What differs", differences),
                tab("Put together", mix),
                tab("Times through", times),
                tab("Figures", figures));
        tabs.setTabClosingPolicy(TabPane.TabClosingPolicy.UNAVAILABLE);
        VBox.setVgrow(tabs, Priority.ALWAYS);
        getChildren().add(tabs);
    }

    private static Tab tab(String words, Region content) {
        ScrollPane scroll = new ScrollPane(content);
        scroll.setFitToWidth(true);
        scroll.getStyleClass().add("tab-body");
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        return new Tab(words, scroll);
    }

    void open(String tab) {
        tabs.getSelectionModel().select(TABS.indexOf(tab));
    }

    /** What is to be said of the versions as they are now. */
    void show() {
        Sight sight = desk.sight().get();
        Optional<Stair> stair = sight.stair();
        if (stair.isEmpty() || sight.tune().isEmpty()) {
            return;
        }
        compare(sight.tune().get(), stair.get(), sight.chosen().stage());
        mix.show(sight);
        times.show(sight);
        figures.show(sight);
    }

    private void compare(Tune tune, Stair stair, int stage) {
        int low = Math.min(stage, other.get());
        int high = Math.max(stage, other.get());
        Difference all = Difference.between(tune, stair.at(low), stair.at(high));
        differences.clear();
        differences.words(stair.at(high).name() + " over " + stair.at(low).name() + ": "
                + (all.isNothing() ? "nothing differs." : "phrase by phrase."));
        for (Phrase phrase : Phrasing.of(tune).phrases()) {
            List<String> lines = StairWords.of(all.within(tune, phrase.firstBar(), phrase.lastBar()), tune);
            Optional<Note> first = tune.bars().subList(phrase.firstBar(), phrase.lastBar() + 1).stream()
                    .flatMap(bar -> bar.notes().stream())
                    .findFirst();
            if (!lines.isEmpty() && first.isPresent()) {
                differences.row(
                        "phrase-" + phrase.firstBar(),
                        phrase.name() + ": " + String.join("; ", lines),
                        "Goes to this phrase",
                        () -> desk.does(here -> Choosing.note(here, first.get().id())));
            }
        }
    }
}
