package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.ornament.Begin;

/**
 * One sound as a hand makes it.
 *
 * @param voices the melody first; none for silence
 * @param held what the fingers hold, on holes
 * @param by the picking fingers of a banjo hand by their letters, {@code T+M}; empty elsewhere
 */
public record Sound(List<Voice> voices, Optional<Held> held, Begin begin, String by) {
    public Sound {
        voices = List.copyOf(voices);
    }

    public Sound(List<Voice> voices, Optional<Held> held, Begin begin) {
        this(voices, held, begin, "");
    }

    public boolean isSilent() {
        return voices.isEmpty();
    }

    public Sound with(Begin other) {
        return other == begin ? this : new Sound(voices, held, other, by);
    }

    /** With another glide of the melody. */
    public Sound with(Glide glide) {
        return with(glide, 0);
    }

    /** With another glide of one of its voices, the melody being 0. */
    public Sound with(Glide glide, int voice) {
        if (isSilent() || voices.get(voice).glide().equals(glide)) {
            return this;
        }
        List<Voice> changed = new ArrayList<>(voices);
        changed.set(voice, voices.get(voice).with(glide));
        return new Sound(changed, held, begin, by);
    }

    public Sound with(Held other) {
        return new Sound(voices, Optional.of(other), begin, by);
    }
}
