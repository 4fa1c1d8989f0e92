package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import wildflourish.core.fingering.Demand;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Strings;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/**
 * Slurs of the tune's own text, which a bow keeps to: at most four notes, in airs and waltzes eight, on neighbouring strings and none equal to its neighbour. A
 * longer one says how a phrase is felt, not how it is bowed, and asks nothing.
 */
final class WrittenSlurs {
    private static final int MOST = 4;
    private static final int MOST_IN_AIRS = 8;
    private static final Set<String> AIRS = Set.of("slow air", "waltz");

    private final Tune tune;
    private final Instrument instrument;
    private final Map<NoteId, Demand> demands = new HashMap<>();

    private WrittenSlurs(Tune tune, Instrument instrument) {
        this.tune = tune;
        this.instrument = instrument;
    }

    /** What they ask of each note that goes on with the bow before it; nothing but of a bow. */
    static Map<NoteId, Demand> of(Tune tune, Instrument instrument) {
        boolean isBowed = instrument
                .strings()
                .filter(strings -> strings.stroke() == Strings.Stroke.BOW)
                .isPresent();
        return isBowed ? new WrittenSlurs(tune, instrument).run() : Map.of();
    }

    private Map<NoteId, Demand> run() {
        int open = 0;
        List<Note> slurred = new ArrayList<>();
        for (Note note : tune.notes()) {
            int opening = note.marks().joins().slursOpen();
            int closing = note.marks().joins().slursClose();
            if (open > 0 || opening > 0) {
                slurred.add(note);
            }
            open = Math.max(0, open + opening - closing);
            if (open == 0 && !slurred.isEmpty()) {
                take(slurred);
                slurred.clear();
            }
        }
        return demands;
    }

    private void take(List<Note> notes) {
        int most = AIRS.contains(tune.header().type().manner()) ? MOST_IN_AIRS : MOST;
        boolean isBow = notes.size() <= most && notes.stream().noneMatch(Note::isRest);
        for (int i = 1; i < notes.size() && isBow; i++) {
            Note before = notes.get(i - 1);
            Note note = notes.get(i);
            boolean isTied = before.marks().joins().tied();
            isBow = (isTied || !before.pitches().equals(note.pitches())) && areNeighbours(before, note);
        }
        for (int i = 1; i < notes.size() && isBow; i++) {
            demands.put(notes.get(i).id(), Demand.PLAIN.goingOn());
        }
    }

    /** Whether in first position they can lie on one string or on two next to each other. */
    private boolean areNeighbours(Note one, Note other) {
        return strings(one).stream().anyMatch(from -> strings(other).stream().anyMatch(to -> Math.abs(from - to) <= 1));
    }

    private List<Integer> strings(Note note) {
        return instrument.strings().orElseThrow().placesOf(instrument.reading().fingered(note.melody())).stream()
                .filter(place -> place.position() == 0)
                .map(Strings.Place::string)
                .toList();
    }
}
