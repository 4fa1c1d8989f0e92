package wildflourish.core.fingering;

import wildflourish.core.instrument.ButtonLayout;

/** A way to play a note on a box or a concertina: a button, the direction of the bellows, a finger from 1 for the index to 4 for the little one. */
public record ButtonWay(ButtonLayout.Key key, int finger) {
    /** {@code i3d2}: button, direction, finger. */
    @Override
    public String toString() {
        return key.name() + "/" + finger;
    }

    /** Hand and finger, as English concertina players say it: {@code R2} is the right middle finger. */
    public String handAndFinger() {
        return key.button().hand().name().substring(0, 1) + finger;
    }
}
