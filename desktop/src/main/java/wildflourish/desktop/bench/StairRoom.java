package wildflourish.desktop.bench;

import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.layout.Region;
import wildflourish.core.tune.NoteId;
import wildflourish.desktop.look.Theme;
import wildflourish.desktop.room.Room;

/** The Bench with all stages in sight: the phrase of the chosen note through the whole stair, worked on in the same ways. */
public final class StairRoom implements Room {
    public static final String ID = "stair";

    private final BenchRoom bench;

    public StairRoom(BenchRoom bench) {
        this.bench = bench;
    }

    @Override
    public String id() {
        return ID;
    }

    @Override
    public Region centre() {
        return bench.centre();
    }

    @Override
    public Optional<Region> side() {
        return bench.side();
    }

    @Override
    public Node first() {
        return bench.first();
    }

    @Override
    public void setTheme(Theme theme) {
        bench.setTheme(theme);
    }

    @Override
    public void hear(Optional<Double> millis, Optional<NoteId> note) {
        bench.hear(millis, note);
    }
}
