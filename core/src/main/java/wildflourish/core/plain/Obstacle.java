package wildflourish.core.plain;

import java.util.List;
import wildflourish.core.fingering.LinePath;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.NoteId;

/**
 * Something in a tune that cannot be played on an instrument.
 *
 * @param pitches as written, from low to high
 * @param places every note at which it stands, in their order
 * @param remedies what helps at all of its places
 */
public record Obstacle(LinePath.Why why, List<WrittenPitch> pitches, List<NoteId> places, List<Remedy> remedies) {
    public Obstacle {
        pitches = List.copyOf(pitches);
        places = List.copyOf(places);
        remedies = List.copyOf(remedies);
    }
}
