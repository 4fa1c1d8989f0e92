package wildflourish.desktop.lookover;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.layout.Region;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Look;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.Paging;
import wildflourish.desktop.look.Theme;
import wildflourish.desktop.room.Room;
import wildflourish.desktop.room.Tools;
import wildflourish.desktop.view.ScoreView;
import wildflourish.desktop.view.ScoreWish;

/** The plain tune before any ornament, and beside it what there is to know of it. */
public final class LookOverRoom implements Room {
    public static final String ID = "look-over";

    private final ScoreView score;
    private final LookOverPane pane;

    /** All that decides what the score shows: the tune as it is fingered, without anything placed. */
    private record Shown(Optional<Tune> tune, Optional<Version> version, Profile profile, Look look) {
        static Shown of(Sight sight) {
            return new Shown(
                    sight.tune(),
                    sight.version().map(each -> Version.plain("plain", each.playing())),
                    sight.chosen().profile(),
                    sight.look());
        }

        ScoreWish wish() {
            return new ScoreWish(
                    tune, version, profile, look.shows(), look.size(), Paging.LONG, false, Optional.empty(), List.of());
        }
    }

    public LookOverRoom(Tools tools) {
        Desk desk = tools.desk();
        score = new ScoreView(tools.soon(), tools.hands());
        score.setId("plain-score");
        score.setAccessibleText("The plain tune");
        pane = new LookOverPane(tools);
        tools.whileIn(ID, Shown::of, shown -> score.show(shown.wish()));
        tools.whileIn(ID, Sight::range, score::mark);
        tools.actions().bind("name-phrase", () -> {
            desk.enter(ID);
            pane.focusName();
        });
    }

    @Override
    public String id() {
        return ID;
    }

    @Override
    public Region centre() {
        return score;
    }

    @Override
    public Optional<Region> side() {
        return Optional.of(pane);
    }

    @Override
    public Node first() {
        return score;
    }

    @Override
    public void setTheme(Theme theme) {
        score.setTheme(theme);
    }

    @Override
    public void hear(Optional<Double> millis, Optional<NoteId> note) {
        score.light(note);
    }

    @Override
    public Optional<NoteId> beyondLine(NoteId note, int direction) {
        return score.beyondLine(note, direction);
    }
}
