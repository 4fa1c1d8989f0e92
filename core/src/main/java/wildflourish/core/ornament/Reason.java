package wildflourish.core.ornament;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;

/** What speaks for an ornament at a spot (points above 0) or against it (below). Which of them an ornament asks stands in its row. */
public enum Reason {
    PARTS_TWO_EQUAL(40),
    PARTS_THIRD_EQUAL(40),
    PARTS_EQUAL_TOO(15),
    PARTS_EQUAL_NOTES(40),
    RESTING_PLACE(40),
    GAP_TO_FILL(40),
    EQUAL_NOTES(32),
    LONG_NOTE(32),
    CHORD_NOTE(32),
    SOFT_OFF_BEAT(32),
    FROM_BELOW(32),
    SCALE_LINE(32),
    PEAK(24),
    FINGERS_LIE(24),
    ON_BEAT(16),
    OPEN_STRING(16),
    TURN_AHEAD(16),
    IN_STYLE(16),
    BELONGS_HERE(32),
    FILLS_THE_GAP(32),
    ROUNDS_OFF_THE_PHRASE(32),
    SOUNDS_THE_CHORD(32),
    NEXT_NOTE_READY(24),
    KEEPS_THE_DANCE_GOING(24),
    OPEN_STRING_RINGS(24),
    LINE_RISES_INTO_IT(24),
    ROOM_FOR_IT(24),
    ONLY_A_NEIGHBOUR(24),
    BOW_COMES_RIGHT(24),
    MARKS_THE_BEAT(16),
    ANNOUNCES_THE_PART(16),
    HAND_IS_THERE(16),
    COMES_BACK(16),
    GAP_IN_A_RUN(16),
    ALL_IS_PLAIN_AROUND(8),
    FILLS_HELD_NOTE(34),
    BREATH_DUE(30),
    GATHERS_EQUAL_NOTES(26),
    FILLS_THIRD(24),
    RISES_INTO(20),
    FILLS_A_GAP(20),
    BELONGS_TO_THE_CHORD(16),
    CLOSES_THE_PHRASE(16),
    FALLS_INTO(12),
    SAVES_THE_BELLOWS(15),
    SAVES_A_HOP(15),
    LIES_WITH_THE_BELLOWS(12),
    HANDS_ALTERNATE(12),
    LIFTS_THE_OFF_BEAT(12),
    FALLS_INTO_TAP(18),
    COMES_FROM_BELOW(16),
    HIDES_CROSSING(16),
    ANNOUNCES_TURN(14),
    HAS_ROOM(14),
    FALLS_INTO_CUT(12),
    SEATS_REGISTER(12),
    CAN_SPARE_ITS_END(12),
    STANDS_FOR_TURN(10),
    HOME_NOTE(10),
    SECOND_TIME(10),
    RESTS_THE_EAR(10),
    ONLY_ROLL_OF_CLOSED_NOTE(8),
    ON_THE_BEAT(6),
    ROOM_TO_SPARE(5),
    SETS_OFF(1),
    TURNS_THE_BOW(-24),
    LIKE_ITS_NEIGHBOUR(-24),
    HARD_SPOT(-24),
    GRATES_HERE(-24),
    AGAINST_THE_STYLE(-24),
    SAME_AGAIN(-24),
    RUNNING_LINE(-24),
    SOFT_ON_BEAT(-24),
    WIDE_REACH(-24),
    STACK_NEAR(-24),
    THIRD_BAR_ALIKE(-24),
    BARELY_CLEAN(-16),
    WEAK_FINGER(-16),
    BLURS_THE_BEAT(-16),
    BURIES_THE_TUNE(-16),
    SAVE_FOR_REPEAT(-8),
    SPEAKS_WEAKLY(-25),
    CLASHES_WITH_THE_CHORD(-20),
    TURN_ACCENTS_ALREADY(-20),
    LITTLE_AIR_LEFT(-15),
    GRACE_REPEATS_NOTE_BEFORE(-15),
    NEIGHBOUR_IS_DRESSED(-15),
    WIDE_ROLL(-12),
    TURN_CLIPS_THE_END(-12),
    LOW_THIRD_GROWLS(-10),
    LOW_REEDS_SPEAK_LATE(-8),
    FOREIGN_NOTE(-8),
    /** More for each turn and hop that it costs. */
    COSTS_A_DETOUR(-5),
    LOST_IN_DANCE(-20),
    ROLL_SPEAKS_HARD(-15),
    TIRES_THE_EAR(-14),
    CROWDED(-12),
    STOPS_THE_RUN(-10),
    TIGHT(-10),
    OFF_THE_BEAT(-8),
    SQUEALS(-8),
    TAP_ON_RISE(-6),
    BENDS_TUNING(-6);

    /** All, those with the most points for or against first. */
    public static final List<Reason> STRONGEST_FIRST = Arrays.stream(values())
            .sorted(Comparator.comparingInt((Reason each) -> -Math.abs(each.points)))
            .toList();

    /** Those that are asked of every ornament of the winds, whatever its row says. */
    public static final List<Reason> OF_WINDS = List.of(ROOM_TO_SPARE, TIGHT, TIRES_THE_EAR, CROWDED);

    /** Those that are asked of every ornament of boxes and concertinas. */
    public static final List<Reason> OF_BUTTONS = List.of(
            FILLS_HELD_NOTE,
            RISES_INTO,
            FALLS_INTO,
            BELONGS_TO_THE_CHORD,
            CLOSES_THE_PHRASE,
            SAVES_THE_BELLOWS,
            SAVES_A_HOP,
            LIES_WITH_THE_BELLOWS,
            HANDS_ALTERNATE,
            ON_THE_BEAT,
            ROOM_TO_SPARE,
            TIGHT,
            CLASHES_WITH_THE_CHORD,
            GRACE_REPEATS_NOTE_BEFORE,
            NEIGHBOUR_IS_DRESSED,
            WIDE_ROLL,
            TURN_CLIPS_THE_END,
            LOW_THIRD_GROWLS,
            LOW_REEDS_SPEAK_LATE,
            FOREIGN_NOTE,
            COSTS_A_DETOUR,
            WEAK_FINGER);

    private final int points;

    Reason(int points) {
        this.points = points;
    }

    public int points() {
        return points;
    }

    public boolean isAgainst() {
        return points < 0;
    }

    /** As tables and the command line write it: {@code parts-two-equal}. */
    public String id() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Throws IllegalArgumentException for a word that names none. */
    public static Reason parse(String id) {
        return valueOf(id.toUpperCase(Locale.ROOT).replace('-', '_'));
    }
}
