package wildflourish.core.growing;

/**
 * One step through the row from a state to the next, and what it costs there. A state is what of the way so far can still matter: in the low bits the weight of the phrase, then the
 * ornaments of the bar, whether somebody could breathe, kind and finger of the last ornament and the notes since it while it is less than a crotchet away, how many techniques of the
 * phrase cannot return, and those that can.
 */
final class Walk {
    /** No step can be taken. */
    static final int REFUSED = Integer.MIN_VALUE;
    /** How many techniques there may be at all. */
    static final int MOST_KINDS = 27;

    private static final int COUNT = 7;
    private static final int MOST_COUNT = 31;
    private static final int BREATH = 12;
    private static final int KIND = 13;
    private static final int FINGER = 19;
    private static final int GAP = 25;
    private static final int GONE = 33;
    private static final int KINDS = 37;
    private static final int NOBODY = 63;
    private static final long KIND_OF_NOBODY = (long) NOBODY << KIND;
    private static final long FINGER_OF_NOBODY = (long) NOBODY << FINGER;
    private static final long GAPS = 255L << GAP;
    private static final long FAR = KIND_OF_NOBODY | FINGER_OF_NOBODY | GAPS;
    /** Where a phrase begins. */
    static final long START = FAR;

    private final NoteRow row;
    private final Level level;
    /** For each bar what one ornament more costs beside so many. */
    private final int[][] thickness;

    private final int[] techniques = new int[MOST_KINDS + 1];

    /** Through a row, for options of at most {@link #MOST_KINDS} techniques. */
    Walk(NoteRow row, Level level) {
        this.row = row;
        this.level = level;
        this.thickness = new int[row.barLengths().size()][MOST_COUNT];
        for (int bar = 0; bar < thickness.length; bar++) {
            int free = level.freeIn(row.barLengths().get(bar), row.semibreve());
            for (int already = 0; already < MOST_COUNT; already++) {
                thickness[bar][already] = level.thickness(already, free);
            }
        }
        for (int already = 0; already < techniques.length; already++) {
            techniques[already] = level.technique(already);
        }
    }

    static int weight(long state) {
        return (int) (state & 127);
    }

    static int count(long state) {
        return (int) (state >>> COUNT & 31);
    }

    static int breath(long state) {
        return (int) (state >>> BREATH & 1);
    }

    /** A state without techniques and neighbours. */
    static long bare(int weight, int count, int breath) {
        return START | (long) breath << BREATH | (long) count << COUNT | weight;
    }

    /** How many techniques the phrase has so far. */
    private static int techniques(long state) {
        return (int) (state >>> GONE & 15) + Long.bitCount(state >>> KINDS);
    }

    /** How many ornaments a bar can have at most. */
    int mostIn(int bar) {
        int most = 0;
        while (most < MOST_COUNT && thickness[bar][most] >= 0) {
            most++;
        }
        return most;
    }

    /** What one ornament more costs in a bar with so many; negative where there may be none. */
    int thickness(int bar, int already) {
        return already < MOST_COUNT ? thickness[bar][already] : -1;
    }

    NoteRow row() {
        return row;
    }

    boolean isBlown() {
        return row.isBlown();
    }

    /** What a step brings from a state on, less what it costs there so many times; {@link #REFUSED} where it may not be taken. */
    int gain(long state, Step step, int times, Level.Load load) {
        if (step.isPlain()) {
            return 0;
        }
        int thick = thickness(step.bar(), count(state));
        boolean isNew = (state >>> (KINDS + step.kind()) & 1) == 0;
        int technique = isNew ? techniques[techniques(state)] : 0;
        if (thick < 0 || technique < 0 || weight(state) + step.weight() > load.most()) {
            return REFUSED;
        }
        return step.gain() - times * (thick + technique + near(state, step));
    }

    private int near(long state, Step step) {
        if ((state & FAR) == FAR) {
            return 0;
        }
        Level.Near near = level.near();
        int cost = (state & GAPS) == 0 ? near.touching() : 0;
        cost += (state >>> KIND & NOBODY) == step.kind() ? near.sameKind() : 0;
        return cost
                + (step.begins() != Option.NONE && (state >>> FINGER & NOBODY) == step.begins()
                        ? near.sameFinger()
                        : 0);
    }

    /** The state after a step, all still in it. */
    long next(long state, Step step) {
        long next = step.isBreath() ? state | 1L << BREATH : state;
        if (step.isPlain()) {
            boolean isNear = (state & FAR) != FAR;
            return isNear ? next + ((long) step.notes() << GAP) : next;
        }
        next &= ~FAR;
        next |= (long) step.kind() << KIND;
        next |= (long) (step.finger() & NOBODY) << FINGER;
        next |= 1L << (KINDS + step.kind());
        return next + step.weight() + (1L << COUNT);
    }

    /** The state at a boundary without what no longer matters there: neighbours that nothing meets, techniques that cannot return, the ornaments of a bar that is over. */
    long settled(long state, int boundary, Prospect prospect) {
        long settled = state;
        if (prospect.isBarLine(boundary)) {
            settled &= ~(31L << COUNT);
        }
        if ((settled & FAR) != FAR) {
            settled = withoutNeighbour(settled, boundary, prospect);
        }
        long mask = settled >>> KINDS;
        long returning = mask & prospect.kindsFrom(boundary);
        if (returning != mask && techniques(settled) > 1) {
            int gone = (int) (settled >>> GONE & 15) + Long.bitCount(mask & ~returning);
            settled = (settled & ((1L << GONE) - 1)) | ((long) gone << GONE) | (returning << KINDS);
        }
        return settled;
    }

    private static long withoutNeighbour(long state, int boundary, Prospect prospect) {
        int gap = (int) (state >>> GAP & 255);
        int kind = (int) (state >>> KIND & NOBODY);
        int finger = (int) (state >>> FINGER & NOBODY);
        long settled = state;
        if (kind != NOBODY && !prospect.meetsKind(boundary, gap, kind)) {
            settled |= KIND_OF_NOBODY;
        }
        if (finger != NOBODY && !prospect.meetsFinger(boundary, gap, finger)) {
            settled |= FINGER_OF_NOBODY;
        }
        boolean isNobody = (settled & (KIND_OF_NOBODY | FINGER_OF_NOBODY)) == (KIND_OF_NOBODY | FINGER_OF_NOBODY);
        return isNobody && (gap > 0 || !prospect.hasAny(boundary)) ? settled | FAR : settled;
    }

    /** Whether as many ornaments as are asked for stand in a bar that is over. */
    boolean hasEnough(long state, int bar) {
        return count(state) >= row.least().get(bar);
    }

    /** What a phrase costs that ends in a state. */
    static int end(long state, Level.Load load) {
        return Level.cost(load, weight(state));
    }

    // What neighbouring phrases see of a phrase

    /** What a neighbour sees of a phrase that ends in a state: no technique, one alone, several; and whether somebody could breathe. */
    int look(long state) {
        int count = techniques(state);
        int seen = count == 0 ? 0 : count == 1 ? 1 + Long.numberOfTrailingZeros(state >>> KINDS) : MOST_KINDS + 1;
        return 2 * seen + breath(state);
    }

    /** What two phrases side by side cost. */
    int between(int look, int other) {
        boolean isSole = look / 2 > 0 && look / 2 <= MOST_KINDS;
        int clash = isSole && look / 2 == other / 2 ? level.clash() : 0;
        boolean isBreathless = row.isBlown() && look % 2 == 0 && other % 2 == 0;
        return clash + (isBreathless ? level.breath() : 0);
    }

    /** By how much more the neighbours of a phrase may cost where they see as much breath in it, but other techniques. */
    int swing() {
        return 2 * level.clash();
    }

    Level.Load load(NoteRow.Stretch stretch) {
        return level.loadOf(row.length(stretch.first(), stretch.last()), row.semibreve(), stretch.isPickup());
    }
}
