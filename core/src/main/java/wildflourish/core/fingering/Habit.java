package wildflourish.core.fingering;

import java.util.HashSet;
import java.util.Set;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/**
 * That a note has one fingering for a student: within a phrase another one than before for the same note costs something, so it is taught only where it is needed.
 *
 * @param price of another fingering, in units of one finger moved; 0 where it costs nothing
 * @param begins the notes at which phrases begin
 */
public record Habit(double price, Set<NoteId> begins) {
    /** Another fingering costs no more than what the fingers do. */
    public static final Habit NONE = new Habit(0, Set.of());

    public Habit {
        begins = Set.copyOf(begins);
    }

    /** Over the phrases of a tune. */
    public static Habit of(double price, Tune tune) {
        if (price == 0) {
            return NONE;
        }
        Set<NoteId> begins = new HashSet<>();
        for (Phrase phrase : Phrasing.of(tune).phrases()) {
            tune.bars().subList(phrase.firstBar(), phrase.lastBar() + 1).stream()
                    .flatMap(bar -> bar.notes().stream())
                    .findFirst()
                    .map(Note::id)
                    .ifPresent(begins::add);
        }
        return new Habit(price, begins);
    }

    boolean isNone() {
        return price == 0;
    }
}
