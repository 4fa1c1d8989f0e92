package wildflourish.core.engraving;

import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.NoteId;

/** A page of a score: the display list that every painter draws. Lengths in staff spaces. */
public record Page(double width, double height, List<Drawn> drawn, List<NoteZone> zones) {
    public Page {
        drawn = List.copyOf(drawn);
        zones = List.copyOf(zones);
    }

    /** The note whose column lies under a point. */
    public Optional<NoteId> noteAt(double x, double y) {
        return zones.stream()
                .filter(zone -> zone.column().has(x, y))
                .map(NoteZone::note)
                .findFirst();
    }

    public Optional<NoteZone> zoneOf(NoteId note) {
        return zones.stream().filter(zone -> zone.note().equals(note)).findFirst();
    }
}
