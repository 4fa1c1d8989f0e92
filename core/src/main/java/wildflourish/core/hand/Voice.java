package wildflourish.core.hand;

import java.util.Optional;
import wildflourish.core.music.SoundingPitch;
import wildflourish.core.music.WrittenPitch;

/**
 * One of the sounds of a moment.
 *
 * @param lane what sounds it: {@code chanter}, {@code drone 1}, a string, a button; two voices of a moment never share one
 * @param pitch what is heard, where it does not glide
 * @param written what is written for it; empty where nothing is
 * @param begins whether it begins with the moment; otherwise it goes on from the one before
 */
public record Voice(String lane, SoundingPitch pitch, Optional<WrittenPitch> written, boolean begins, Glide glide) {
    /** The lane of an instrument that sounds one note at a time. */
    public static final String MELODY = "melody";

    public static Voice of(SoundingPitch pitch, Optional<WrittenPitch> written) {
        return new Voice(MELODY, pitch, written, true, Glide.LEVEL);
    }

    public Voice with(Glide other) {
        return other.equals(glide) ? this : new Voice(lane, pitch, written, begins, other);
    }

    public Voice goingOn() {
        return begins ? new Voice(lane, pitch, written, false, glide) : this;
    }
}
