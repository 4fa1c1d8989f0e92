package wildflourish.core.hand;

import java.util.Set;

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
    /** What is added lies under the other hand. */
    OTHER_HAND,
    /** The bellows go on as the notes before and after have them. */
    SAME_BELLOWS,
    /** The bellows turn on its first sound. */
    TURNS_ON,
    /** The bellows are far out of balance the way it takes them. */
    LITTLE_AIR,
    /** It lasts longer than the bellows go one way. */
    OUT_OF_AIR,
    /** A further sound is none of the scale, and long enough to be heard as a note. */
    FOREIGN_NOTE,
    /** A reed that speaks late sounds a small note. */
    LOW_REED,
    /** The lower note of a roll lies a third away. */
    WIDE,
    /** A third with its lower note where reeds growl. */
    LOW_THIRD,
    /** A further note is none of the chord that is given. */
    CLASHES,
    /** The first small note is the note before. */
    REPEATS_BEFORE,
    /** The bellows turn right after its last sound, sooner than is easy. */
    TURNS_SOON,
    /** A second string sounds higher than the note. */
    SECOND_ON_TOP;

    /** Adds one where it holds. */
    static void add(Set<Trait> traits, Trait trait, boolean holds) {
        if (holds) {
            traits.add(trait);
        }
    }
}
