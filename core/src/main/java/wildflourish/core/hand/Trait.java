package wildflourish.core.hand;

/** What speaks for or against the way in which a hand makes a figure. */
public enum Trait {
    /** An open string sounds. */
    OPEN_STRING,
    /** The fourth finger has to do it. */
    LITTLE_FINGER,
    /** All its notes, more than one, lie on one string. */
    ONE_STRING,
    /** The bow comes out of it the other way round than out of the plain notes. */
    TURNS_BOW,
    /** The hand shifts or a string is skipped right before or after it. */
    BESIDE_LEAP,
    /** A second string sounds a note of the chord. */
    SOUNDS_CHORD,
    /** A finger on the second string holds the next note already. */
    HOLDS_NEXT,
    /** A second string grates against the note. */
    GRATES,
    /** The hand has to stretch. */
    STRETCH,
    /** What is added is open, or held for a note beside it already. */
    FINGERS_LIE,
    /** A second string sounds higher than the note. */
    SECOND_ON_TOP
}
