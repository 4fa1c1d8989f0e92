package wildflourish.core.ornament;

import java.util.Locale;

/** How a sound begins. What strikes it is the instrument's own: tongue, throat, closing, bow, pick, finger, turn of the bellows. */
public enum Begin {
    /** Going on from before. */
    HELD,
    /** By a movement of the fingers alone. */
    FINGERS,
    /** As the instrument begins a note by itself: struck after silence and after the same pitch, by the fingers otherwise. */
    ATTACK,
    TONGUE,
    /** The back of the tongue, between two strokes of its tip. */
    DOUBLE,
    /** The chanter shut, or the throat, right before it. */
    CLOSE,
    /** A push of the breath, without a gap. */
    PUSH,
    /** Chanter and finger lifted together. */
    POP,
    /** The fingers land first, then the first small note comes. */
    SETTLE,
    /** The silence of a note that is ended early. */
    STOP,
    /** The silence of a breath. */
    BREATH,
    /** A stroke of bow, pick or picking finger, a turn of the bellows or a button struck. */
    STROKE,
    /** A stroke that falls through several strings, one after the other. */
    BRUSH,
    /** On the bow that is under way. */
    SAME_BOW,
    /** A stroke of the bow that is bitten, taken lightly, or swells. */
    BITE,
    LIGHT,
    SWELL,
    /** The bow goes on and leans anew. */
    NUDGE,
    /** The same button by another finger. */
    AGAIN,
    /** The same note by a turn of the bellows. */
    TURN,
    /** Another button before the one before comes up. */
    JOINED,
    /** The note is down already, or goes down with its small note, which then leaves. */
    CRUSHED,
    HAMMER,
    PULL,
    SLIDE;

    static Begin parse(String word) {
        return valueOf(word.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    /** Whether a new attack is heard: the sound before it gives way. */
    public boolean isStruck() {
        return switch (this) {
            case TONGUE, DOUBLE, CLOSE, POP, STROKE, BRUSH, BITE, LIGHT, SWELL, AGAIN, TURN -> true;
            case HELD,
                    FINGERS,
                    ATTACK,
                    PUSH,
                    SETTLE,
                    STOP,
                    BREATH,
                    SAME_BOW,
                    NUDGE,
                    JOINED,
                    CRUSHED,
                    HAMMER,
                    PULL,
                    SLIDE -> false;
        };
    }

    /** Whether bow, pick or picking finger begins anew. */
    public boolean isNewBow() {
        return this == STROKE || this == BRUSH || this == BITE || this == LIGHT || this == SWELL;
    }

    /** Whether it is a stroke of the tongue. */
    public boolean isTongue() {
        return this == TONGUE || this == DOUBLE;
    }
}
