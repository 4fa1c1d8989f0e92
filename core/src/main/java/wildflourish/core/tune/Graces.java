package wildflourish.core.tune;

import java.util.List;
import wildflourish.core.music.WrittenPitch;

/** Small notes that the tune itself writes before a note; {@code slashed} for an acciaccatura. */
public record Graces(List<WrittenPitch> pitches, boolean slashed) {
    public static final Graces NONE = new Graces(List.of(), false);

    public Graces {
        pitches = List.copyOf(pitches);
    }

    public boolean isEmpty() {
        return pitches.isEmpty();
    }
}
