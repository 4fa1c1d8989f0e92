package wildflourish.core.engraving;

import wildflourish.core.tune.NoteId;

/** Where a note can be hit: its column of the system, from the signs above to the fingering below; and its head alone. */
public record NoteZone(NoteId note, Box column, Box head) {
    NoteZone moved(double dx, double dy) {
        return new NoteZone(note, column.moved(dx, dy), head.moved(dx, dy));
    }
}
