package wildflourish.desktop.room;

import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.layout.Region;
import wildflourish.core.engraving.Page;
import wildflourish.core.engraving.Paper;
import wildflourish.core.tune.NoteId;
import wildflourish.desktop.look.Theme;

/** A room of the window: what stands in its middle and beside it. Its actions it has put into the registry when it was made. */
public interface Room {
    /** By which its actions and what is shown know it: {@code bench}. */
    String id();

    /** What stands in the middle. */
    Region centre();

    /** What stands beside it; empty where the middle takes all. */
    Optional<Region> side();

    /** Has the focus when one comes in. */
    Node first();

    /** Light or dark, for what the room draws itself. */
    void setTheme(Theme theme);

    /** What is heard now, in milliseconds of the tune, and its note; nothing when all is silent. */
    default void hear(Optional<Double> millis, Optional<NoteId> note) {}

    /** What is printed when the room is in sight; nothing where the score of the stage is. */
    default Optional<List<Page>> printed(Paper paper) {
        return Optional.empty();
    }

    /** The nearest note of the line below (1) or above (−1), where the room shows a score. */
    default Optional<NoteId> beyondLine(NoteId note, int direction) {
        return Optional.empty();
    }
}
