package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Strings;
import wildflourish.core.tune.NoteId;

/**
 * Which fingers need not be lifted: those that come down again at the same place while nothing has needed them elsewhere. Nothing lower has been played on the
 * string, the finger has stopped nothing else, the hand has stayed where it was.
 */
final class StayingDown {
    /** A finger is not kept down for longer than so many notes. */
    private static final int MOST_NOTES = 7;

    private StayingDown() {}

    /** A finger that stays down on a string from one note to another. */
    record Stay(int string, NoteId from, NoteId to) {}

    /** In the order of the notes that put the finger down; a finger that is kept from note to note is told once, from the first to the last. */
    static List<Stay> of(List<Struck> line, LinePath<StringWay> path) {
        List<Stay> stays = new ArrayList<>();
        for (int i = 0; i < line.size(); i++) {
            Optional<StringWay> way = path.at(line.get(i).note().id());
            if (way.isPresent()) {
                Optional<NoteId> asked = line.get(i).demand().stays();
                if (asked.isPresent()) {
                    add(
                            stays,
                            new Stay(
                                    way.get().place().string(),
                                    line.get(i).note().id(),
                                    asked.get()));
                    continue;
                }
                for (Strings.Place place : way.get().hold().places()) {
                    Optional<NoteId> until = place.isOpen() ? Optional.empty() : until(line, path, i, place);
                    if (until.isPresent()) {
                        add(stays, new Stay(place.string(), line.get(i).note().id(), until.get()));
                    }
                }
            }
        }
        return List.copyOf(stays);
    }

    private static void add(List<Stay> stays, Stay stay) {
        boolean goesOn = false;
        for (int i = 0; i < stays.size() && !goesOn; i++) {
            Stay other = stays.get(i);
            goesOn = other.string() == stay.string() && other.to().equals(stay.from());
            if (goesOn) {
                stays.set(i, new Stay(other.string(), other.from(), stay.to()));
            }
        }
        if (!goesOn) {
            stays.add(stay);
        }
    }

    /** The next note played with the finger where it is, if others come between and let it lie. */
    private static Optional<NoteId> until(List<Struck> line, LinePath<StringWay> path, int from, Strings.Place place) {
        int last = Math.min(line.size() - 1, from + MOST_NOTES);
        for (int i = from + 1; i <= last; i++) {
            Optional<StringWay> way = path.at(line.get(i).note().id());
            if (way.isEmpty() || line.get(i).restMillis() > 0) {
                return Optional.empty();
            }
            StringHold hold = way.get().hold();
            if (hold.places().contains(place)) {
                return i == from + 1
                        ? Optional.empty()
                        : Optional.of(line.get(i).note().id());
            }
            if (!leaves(hold, place)) {
                return Optional.empty();
            }
        }
        return Optional.empty();
    }

    private static boolean leaves(StringHold hold, Strings.Place place) {
        return hold.position() == place.position()
                && hold.places().stream()
                        .allMatch(other -> other.string() == place.string()
                                ? other.semitones() > place.semitones()
                                        && other.stop().finger() > place.stop().finger()
                                : other.isOpen()
                                        || other.stop().finger() != place.stop().finger());
    }
}
