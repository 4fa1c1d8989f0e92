package wildflourish.core.ornament;

import java.util.Locale;
import java.util.Set;

/** Why an ornament does not fit, in the order in which it is told. The hand's own are the hitches that a hand finds when it tries. */
public enum Refusal {
    REST,
    NOT_ON_INSTRUMENT,
    HELD_FROM_BEFORE,
    TIED_OVER,
    HAS_SMALL_NOTES,
    CROSSES_BAR_LINE,
    NOT_FOR_THIS_INSTRUMENT,
    NOT_THIS_HAND,
    PAIRED_STRINGS,
    NO_TONGUE_HERE,
    NO_BREATH_AT_REED,
    CLAIMED_TWICE,
    WRONG_LENGTH,
    TOO_SHORT,
    WRONG_NOTES,
    PITCHES_DIFFER,
    NOTES_DO_NOT_MATCH,
    RHYTHM_DIFFERS,
    NO_STEP_TO_FILL,
    NOT_RISING,
    NO_OTHER_NOTE,
    OTHER_KIND_OF_TUNE,
    BEAT_WOULD_BE_LOST,
    NOTHING_BELOW_ON_STRING,
    NO_FINGER_ABOVE,
    FINGER_JUST_PLAYED,
    TWO_STRINGS,
    EQUAL_UNDER_SLUR,
    SLUR_SKIPS_STRING,
    NEEDS_NEW_BOW,
    OPEN_STRING_FIXED,
    NUT_IN_THE_WAY,
    TOO_WIDE,
    NO_FINGER_DOWN,
    MUST_LIFT,
    NEEDS_OPEN_STRING,
    NO_CHORD_GIVEN,
    NOT_AT_THE_END,
    NO_STRING_THERE,
    FINGERS_CANNOT_STAND,
    OFF_THE_SCALE,
    GRATES,
    TOO_LOW,
    TIED_ON,
    NOT_THIS_TUNE,
    NOT_EQUAL,
    SAME_PITCH,
    WRONG_WAY,
    NO_GAP,
    HIDES_BEAT,
    STRING_SKIP,
    SAME_STRING,
    MUST_BE_OPEN,
    OUT_OF_REACH,
    OPEN_STRING_CANNOT,
    AT_THE_NUT,
    TOO_STIFF,
    BENT_OUT_OF_KEY,
    NO_NEIGHBOUR,
    NO_PARTNER,
    NO_CHORD,
    NOT_IN_CHORD,
    NOT_THE_HOME_NOTE,
    SCALE_HAS_IT,
    NOT_THE_END,
    DRONE_CLASHES,
    FINGER_CANNOT,
    FINGER_TWICE,
    THUMB_ON_BEAT,
    ONE_STRING_ONLY,
    BAR_FULL,
    OFF_THE_QUAVERS,
    NOTHING_TO_LEAN,
    STRING_NOT_DUE,
    HAS_THE_TUNE,
    RINGS_ON,
    NO_BUTTON_FOLLOWS,
    NO_SECOND_FINGER,
    NO_SUCH_NOTE,
    BELLOWS_DISAGREE,
    HAND_CANNOT,
    NOTHING_LEFT_TO_LIFT,
    NOTHING_LEFT_TO_TAP,
    NO_CLEAN_TAP,
    NO_USAGE_KNOWN,
    ROLL_ALL_CLOSED,
    ROLL_ALL_OPEN,
    ROLL_CROSS_FINGERED,
    ROLL_HALF_HOLED,
    TAP_IS_SILENCE,
    TAP_SOUNDS,
    TWO_HOLES_OPEN,
    REGISTER_JUMP,
    THUMB_PINCHED,
    ONE_FINGER_DOWN,
    TOP_TWO_NOT_DOWN,
    NOTHING_LANDS,
    NOTHING_OPENS,
    CROSSING_FINGERS,
    CRAN_NEEDS_ALL_CLOSED,
    NO_OCTAVE,
    THUMB_ONLY,
    OFF_THE_KNEE,
    KNEE_RANGE,
    LOW_D_ONLY,
    TWO_OPEN_HOLES,
    REST_MUST_FOLLOW,
    TOO_SHORT_TO_WAVE,
    STRUCTURAL_NOTE,
    NOT_FROM_A_BEAT,
    UNPARTED,
    NOT_ABOVE_BOTH,
    NOT_BELOW_BOTH,
    NOTHING_BELOW,
    SAME_SOUND_TWICE,
    BELONGS_TO,
    CANNOT_LEND,
    FINGER_LANDING,
    FINGER_JUST_LIFTED,
    TOO_FAST;

    /** Those that say of what notes an ornament is made, where these are none. */
    private static final Set<Refusal> OF_NOTES =
            Set.of(PITCHES_DIFFER, NOTES_DO_NOT_MATCH, RHYTHM_DIFFERS, NO_STEP_TO_FILL, NOT_RISING, NO_OTHER_NOTE);

    public boolean isOfNotes() {
        return OF_NOTES.contains(this);
    }

    /** As tables and the command line write it: {@code roll-all-closed}; what is told of strings and of the chanter in other words has one name. */
    public String id() {
        return this == NOTHING_BELOW_ON_STRING ? NOTHING_BELOW.id() : word();
    }

    private String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** As an ornament's row writes it. Throws IllegalArgumentException for a word that names none. */
    public static Refusal parse(String id) {
        return valueOf(id.toUpperCase(Locale.ROOT).replace('-', '_'));
    }
}
