package wildflourish.desktop.chart;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import wildflourish.core.engraving.ChartSheet;
import wildflourish.core.engraving.Handout;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.plain.HandFrame;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Theme;
import wildflourish.desktop.room.Room;
import wildflourish.desktop.room.Tools;
import wildflourish.desktop.view.ChartView;

/** Every note of the chosen instrument with its fingerings. */
public final class ChartRoom implements Room {
    public static final String ID = "chart";

    private final Desk desk;
    private final ChartView chart;
    private final VBox centre;

    public ChartRoom(Tools tools) {
        desk = tools.desk();
        chart = new ChartView(tools.soon());
        VBox.setVgrow(chart, Priority.ALWAYS);
        centre = new VBox(new ButtonRow(tools), chart);
        centre.getStyleClass().add("chart-page");
        tools.whileIn(ID, ChartRoom::wish, chart::show);
    }

    private static ChartView.Wish wish(Sight sight) {
        return new ChartView.Wish(sight.instrument(), frames(sight), asked(sight));
    }

    /** How the fingers lie in the tune that is worked on. */
    private static List<HandFrame> frames(Sight sight) {
        return sight.tune()
                .flatMap(tune -> sight.version().map(version -> Handout.frames(tune, version)))
                .orElse(List.of());
    }

    /** The chosen note: winds show how it is fingered, buttons what it bears. */
    private static Optional<ChartSheet.Asked> asked(Sight sight) {
        Optional<Tune> tune = sight.tune();
        Optional<Note> note = tune.flatMap(each -> sight.note().map(each::note))
                .filter(each -> !each.isRest() && sight.instrument().has(each.melody()));
        return note.filter(each -> !sight.instrument().strings().isPresent())
                .flatMap(each -> sight.version()
                        .filter(version -> version.playing().instrument().equals(sight.instrument()))
                        .map(version -> new ChartSheet.Asked(
                                version.playing(),
                                tune.orElseThrow()
                                        .keyAt(tune.get().placeOf(each.id()).bar()),
                                each.melody())));
    }

    /** The chart on paper. */
    public static List<Page> printed(Sight sight, Paper paper) {
        return ChartSheet.of(sight.instrument(), paper, frames(sight), asked(sight));
    }

    @Override
    public String id() {
        return ID;
    }

    @Override
    public Region centre() {
        return centre;
    }

    @Override
    public Optional<Region> side() {
        return Optional.empty();
    }

    @Override
    public Node first() {
        return chart;
    }

    @Override
    public void setTheme(Theme theme) {
        chart.setTheme(theme);
    }

    @Override
    public Optional<List<Page>> printed(Paper paper) {
        return Optional.of(printed(desk.sight().get(), paper));
    }
}
