package wildflourish.core.fingering;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.instrument.School;
import wildflourish.core.music.Fraction;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** What a way to play costs on boxes and concertinas: rows of {@code button-costs.table}, in turns of the bellows. */
final class ButtonCosts {
    private static final Map<String, ButtonCosts> ALL = read();
    /** Fingers that do not reach further apart, in columns. */
    static final double REACH = 5;

    private static final double EASY_REACH = 3;
    /** In the time of a crotchet a hand shifts. */
    private static final Fraction SHIFTS_FROM = Fraction.of(1, 4);

    private static final int LITTLE = 4;
    /** Moves are weighed as if a note lasted so long; slower ones forgive. */
    private static final double USUAL_MILLIS = 150;

    /** So small a price on each turn of the bellows that it decides only between ways that cost the same, and tells how often they turn. */
    private static final double A_TURN = 1.0 / (1L << 34);

    private static final double COSTS = 1 << 20;

    private final double air;
    private final double crossing;
    private final double little;
    private final double notAcross;
    private final double otherFinger;
    private final double overARest;
    private final double repeat;
    private final double row;
    private final double rowAtATurn;
    private final double sameFinger;
    private final double sameHand;
    private final double spread;
    private final double turn;
    private final double turnOnBeat;

    private ButtonCosts(Row row) {
        this.air = row.read("air", Double::valueOf);
        this.crossing = row.read("crossing", Double::valueOf);
        this.little = row.read("little", Double::valueOf);
        this.notAcross = row.read("not across", Double::valueOf);
        this.otherFinger = row.read("other finger", Double::valueOf);
        this.overARest = row.read("over a rest", Double::valueOf);
        this.repeat = row.read("repeat", Double::valueOf);
        this.row = row.read("row", Double::valueOf);
        this.rowAtATurn = row.read("row at a turn", Double::valueOf);
        this.sameFinger = row.read("same finger", Double::valueOf);
        this.sameHand = row.read("same hand", Double::valueOf);
        this.spread = row.read("spread", Double::valueOf);
        this.turn = row.read("turn", Double::valueOf);
        this.turnOnBeat = row.read("turn on beat", Double::valueOf);
    }

    private static Map<String, ButtonCosts> read() {
        Map<String, ButtonCosts> all = new HashMap<>();
        for (Row row : Table.load("button-costs.table").rows()) {
            all.put(row.text("school"), new ButtonCosts(row));
        }
        return all;
    }

    /** Throws IllegalArgumentException for a school that says nothing of boxes. */
    static ButtonCosts of(School school) {
        ButtonCosts costs = ALL.get(school.id());
        if (costs == null) {
            throw new IllegalArgumentException("“" + school.name() + "” is no way of playing a box");
        }
        return costs;
    }

    /** Of a second out of balance, past the free ones. */
    double air() {
        return air;
    }

    /** To leave the button of those who play across the rows. */
    double notAcross() {
        return notAcross;
    }

    /** What an option costs by itself: its ornament, and its note with what sounds beside it. */
    double ofChoice(ButtonOption option) {
        double cost = exact(ofChoice(option.way()) + option.cost());
        ButtonOption.Strokes strokes = option.strokes();
        if (strokes.areWalked()) {
            int last = strokes.ways().size() - 1;
            double whole = option.lastMillis() / strokes.shares().get(last);
            for (int i = 1; i <= last; i++) {
                double before = whole * strokes.shares().get(i - 1);
                Pace pace = new Pace(before, before, false, false, false);
                ButtonWay to = strokes.ways().get(i);
                cost += ofChoice(to) + ofMove(strokes.ways().get(i - 1), to, pace);
            }
            return cost;
        }
        return cost + option.turnsWithin() * A_TURN;
    }

    /** What a way costs by itself, its second notes too. */
    double ofChoice(ButtonWay way) {
        if (way.under().isEmpty()) {
            return ofOne(way);
        }
        List<ButtonWay> all = way.each();
        double cost = 0;
        for (int i = 0; i < all.size(); i++) {
            cost += ofOne(all.get(i));
            for (ButtonWay other : all.subList(i + 1, all.size())) {
                boolean isOneFinger = all.get(i).finger() == other.finger();
                boolean isOneHand =
                        all.get(i).key().button().hand() == other.key().button().hand();
                cost += isOneHand && !isOneFinger ? spread(all.get(i), other) : 0;
            }
        }
        return exact(cost);
    }

    private double ofOne(ButtonWay way) {
        Button button = way.key().button();
        double cost = way.finger() == LITTLE ? little : 0;
        cost += way.finger() == button.fingers().get(0) || button.fingers().size() == LITTLE ? 0 : otherFinger;
        return exact(cost + (notAcross > 0 && Across.isLeft(way) ? notAcross : 0));
    }

    /** What it costs to go from one note to the next, infinite where fingers do not reach: from the last sound of what stands on the one to the first of the other. */
    double ofMove(ButtonOption start, ButtonOption end, Struck before, Struck struck) {
        boolean isAfterRest = struck.restMillis() > 0;
        boolean isWhole = start.strokes().ways().isEmpty();
        return ofMove(
                start.exit(),
                end.entry(),
                new Pace(
                        start.bellowsMillis(before.millis()) + struck.restMillis(),
                        start.lastMillis(before.millis()) + struck.restMillis(),
                        isAfterRest,
                        isAfterRest || (isWhole && !before.length().isLessThan(SHIFTS_FROM)),
                        struck.beat().isOnCount()));
    }

    /**
     * How much time there is from one sound to the next.
     *
     * @param bellowsMillis for the bellows to turn
     * @param fingersMillis for the fingers to come
     * @param isLong whether a hand may shift meanwhile
     * @param isOnCount whether the next one is on a counted beat
     */
    private record Pace(
            double bellowsMillis, double fingersMillis, boolean isAfterRest, boolean isLong, boolean isOnCount) {}

    private double ofMove(ButtonWay from, ButtonWay to, Pace pace) {
        if (pace.fingersMillis < soonest(from, to)) {
            return Double.POSITIVE_INFINITY;
        }
        double turning = bellows(from.key(), to.key(), pace.isOnCount);
        double cost = 0;
        if (from.key().button().hand() == to.key().button().hand()) {
            cost += sameHand + fingers(from, to, pace.isAfterRest, pace.isLong);
        }
        for (ButtonWay held : from.under()) {
            cost += hops(held, to) ? hop(pace.isAfterRest) : 0;
        }
        for (ButtonWay lower : to.under()) {
            cost += ofSecond(from, lower, pace.isAfterRest);
        }
        double whole = exact(turning * USUAL_MILLIS / pace.bellowsMillis + cost * USUAL_MILLIS / pace.fingersMillis);
        return whole + (isTurn(from, to) ? A_TURN : 0);
    }

    /** How soon one way may follow another: a finger that goes down again takes its time, a turn of the bellows takes no longer than another finger. */
    private static double soonest(ButtonWay from, ButtonWay to) {
        return isAgain(from, to) ? HandTimes.BUTTON_SAME_FINGER : HandTimes.BUTTON;
    }

    /** Whether a finger goes down again, on its button or another; a button that stays down while the bellows turn is not struck. */
    static boolean isAgain(ButtonWay from, ButtonWay to) {
        boolean isOfMelody = isOneFinger(from, to)
                && !(isTurn(from, to) && from.key().button().equals(to.key().button()));
        boolean areAlone = from.under().isEmpty() && to.under().isEmpty();
        return isOfMelody
                || (!areAlone
                        && from.each().stream()
                                .anyMatch(held -> to.each().stream().anyMatch(next -> hops(held, next))));
    }

    private static boolean isOneFinger(ButtonWay from, ButtonWay to) {
        return from.finger() == to.finger()
                && from.key().button().hand() == to.key().button().hand();
    }

    /** Whether one finger goes from a button to another. */
    private static boolean hops(ButtonWay from, ButtonWay to) {
        return isOneFinger(from, to) && !from.key().button().equals(to.key().button());
    }

    private double hop(boolean isAfterRest) {
        return isAfterRest ? overARest : sameFinger;
    }

    static boolean isTurn(ButtonWay from, ButtonWay to) {
        return !to.key().button().isSameBothWays()
                && from.key().bellows() != to.key().bellows();
    }

    /** What it costs to come to a second note: nothing for a button held on, else what its finger did before. */
    private double ofSecond(ButtonWay from, ButtonWay to, boolean isAfterRest) {
        for (ButtonWay held : from.each()) {
            if (hops(held, to)) {
                return hop(isAfterRest);
            }
        }
        return 0;
    }

    /** To a millionth or so, in a power of two, so that sums are exact and ways that cost the same are seen to. */
    static double exact(double cost) {
        return Math.rint(cost * COSTS) / COSTS;
    }

    /** How often the bellows turn on a way that costs so much. */
    static int turnsIn(double cost) {
        return (int) Math.rint((cost - Math.floor(cost * COSTS) / COSTS) / A_TURN);
    }

    private double bellows(ButtonLayout.Key from, ButtonLayout.Key to, boolean isOnBeat) {
        if (to.button().isSameBothWays()) {
            return 0;
        }
        boolean isSameRow = from.button().row().equals(to.button().row());
        if (from.bellows() != to.bellows()) {
            return (isOnBeat ? turnOnBeat : turn) + (isSameRow ? 0 : rowAtATurn);
        }
        return isSameRow ? 0 : row;
    }

    private double fingers(ButtonWay from, ButtonWay to, boolean isAfterRest, boolean isLong) {
        double columns = to.key().button().place() - from.key().button().place();
        boolean isSameFinger = from.finger() == to.finger();
        if (from.key().button().equals(to.key().button())) {
            boolean isRepeated = from.key().equals(to.key());
            if (isSameFinger) {
                return isRepeated ? repeat : 0;
            }
            return isRepeated ? 0 : overARest;
        }
        if (isSameFinger) {
            return hop(isAfterRest);
        }
        if (Math.abs(columns) > REACH) {
            return isLong ? hop(isAfterRest) : Double.POSITIVE_INFINITY;
        }
        return spread(from, to);
    }

    /**
     * Whether two fingers of a hand lie across each other. The left hand on an anglo concertina is the right one's mirror; on an English concertina the columns do
     * not order the fingers.
     */
    private static boolean isCrossed(ButtonWay from, ButtonWay to) {
        double columns = to.key().button().place() - from.key().button().place();
        boolean isRising = to.finger() > from.finger();
        boolean isMirrored = to.key().button().hand() == Button.Hand.LEFT;
        return columns != 0
                && !to.key().button().isSameBothWays()
                && from.finger() != to.finger()
                && columns > 0 != (isMirrored ? !isRising : isRising);
    }

    /** What it costs two fingers of a hand to lie so far apart, or across each other. */
    private double spread(ButtonWay from, ButtonWay to) {
        double columns = to.key().button().place() - from.key().button().place();
        double cost = Math.max(0, Math.abs(columns) - EASY_REACH) * spread;
        return cost + (isCrossed(from, to) ? crossing : 0);
    }
}
