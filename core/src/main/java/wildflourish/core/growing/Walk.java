package wildflourish.core.growing;

/**
 * One step through the row from a state to the next, and what it costs there. A state is what of the way so far can still matter: in the low bits the weight of the phrase, then the
 * ornaments of the bar, whether somebody could breathe, kind and finger and end of the last ornament while it is less than a crotchet away, the techniques of the phrase.
 */
final class Walk {
    /** No step can be taken. */
    static final int REFUSED = Integer.MIN_VALUE;

    private static final int COUNT = 7;
    private static final int BREATH = 11;
    private static final int KIND = 12;
    private static final int FINGER = 18;
    private static final int END = 24;
    private static final int KINDS = 40;
    private static final long FAR = (63L << KIND) | (63L << FINGER) | (0xFFFFL << END);
    /** Where a phrase begins. */
    static final long START = FAR;

    private final NoteRow row;
    private final Level level;
    private final int kinds;

    /** {@code kinds}: how many techniques there are at all, at most 24. */
    Walk(NoteRow row, Level level, int kinds) {
        this.row = row;
        this.level = level;
        this.kinds = kinds;
    }

    static int weight(long state) {
        return (int) (state & 127);
    }

    static int count(long state) {
        return (int) (state >>> COUNT & 15);
    }

    static int breath(long state) {
        return (int) (state >>> BREATH & 1);
    }

    /** A state without techniques and neighbours. */
    static long bare(int weight, int count, int breath) {
        return FAR | (long) breath << BREATH | (long) count << COUNT | weight;
    }

    private static int kind(long state) {
        return (int) (state >>> KIND & 63);
    }

    private static int finger(long state) {
        return (int) (state >>> FINGER & 63);
    }

    private static int end(long state) {
        return (int) (state >>> END & 0xFFFF);
    }

    private static long mask(long state) {
        return state >>> KINDS;
    }

    private static boolean isFar(long state) {
        return (state & FAR) == FAR;
    }

    /** What an option brings from a state on, less what it costs there so many times; {@link #REFUSED} where it may not stand. */
    int gain(long state, Option option, int times, Level.Load load) {
        if (option.isPlain()) {
            return 0;
        }
        int bar = row.bars().get(option.from());
        int thick = level.thickness(count(state), level.freeIn(row.barLengths().get(bar), row.semibreve()));
        boolean isNew = (mask(state) >>> option.kind() & 1) == 0;
        int technique = isNew ? level.technique(Long.bitCount(mask(state))) : 0;
        if (thick < 0 || technique < 0 || weight(state) + option.weight() > load.most()) {
            return REFUSED;
        }
        return option.gain() - times * (thick + technique + near(state, option));
    }

    private int near(long state, Option option) {
        if (isFar(state)) {
            return 0;
        }
        Level.Near near = level.near();
        return (end(state) == option.from() ? near.touching() : 0)
                + (kind(state) == option.kind() ? near.sameKind() : 0)
                + (option.finger() != Option.NONE && finger(state) == option.finger() ? near.sameFinger() : 0);
    }

    /** The state after an option. */
    long next(long state, Option option) {
        boolean isLong = row.length(option.from(), option.to()) >= row.crotchet();
        long breath = (state >>> BREATH & 1) | (isLong && option.weight() <= 1 ? 1 : 0);
        long last = state & FAR;
        long weight = (long) weight(state) + option.weight();
        long count = count(state);
        long mask = mask(state);
        if (!option.isPlain()) {
            count++;
            mask |= 1L << option.kind();
            last = ((long) option.kind() << KIND)
                    | ((long) (option.finger() & 63) << FINGER)
                    | ((long) option.to() << END);
        }
        long after = mask << KINDS | last | breath << BREATH | count << COUNT | weight;
        return at(after, option.to());
    }

    /** A state of one phrase as another has it that lies so many notes further on. */
    static long moved(long state, int notes) {
        return isFar(state) ? state : state + ((long) notes << END);
    }

    /** Without what no longer matters at a boundary. */
    private long at(long state, int boundary) {
        long at = state;
        boolean isOver = isFar(at) || row.starts().get(boundary) - row.starts().get(end(at)) >= row.crotchet();
        if (isOver) {
            at |= FAR;
        }
        boolean isBarLine = boundary == row.notes()
                || !row.bars().get(boundary).equals(row.bars().get(boundary - 1));
        return isBarLine ? at & ~(15L << COUNT) : at;
    }

    /** What a phrase costs that ends in a state. */
    static int end(long state, Level.Load load) {
        return Level.cost(load, weight(state));
    }

    // What neighbouring phrases see of a phrase

    /** How many different things a neighbour may see. */
    int looks() {
        return 2 * (kinds + 2);
    }

    /** What a neighbour sees of a phrase that ends in a state: no technique, one alone, several; and whether somebody could breathe. */
    int look(long state) {
        long mask = mask(state);
        int seen = mask == 0 ? 0 : Long.bitCount(mask) == 1 ? 1 + Long.numberOfTrailingZeros(mask) : kinds + 1;
        return 2 * seen + (int) (state >>> BREATH & 1);
    }

    /** What two phrases side by side cost. */
    int between(int look, int other) {
        boolean isSole = look / 2 > 0 && look / 2 <= kinds;
        int clash = isSole && look / 2 == other / 2 ? level.clash() : 0;
        boolean isBreathless = row.isBlown() && look % 2 == 0 && other % 2 == 0;
        return clash + (isBreathless ? level.breath() : 0);
    }

    /** By how much more neighbours may cost that see as much breath of a phrase, but other techniques. */
    int swing() {
        return 2 * level.clash();
    }

    Level.Load load(NoteRow.Stretch stretch) {
        return level.loadOf(row.length(stretch.first(), stretch.last()), row.semibreve(), stretch.isPickup());
    }
}
