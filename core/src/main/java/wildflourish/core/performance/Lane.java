package wildflourish.core.performance;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.hand.Held;
import wildflourish.core.instrument.Hole;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Begin;
import wildflourish.core.ornament.Times;

/**
 * What one finger, the tongue or the breath, a string, a row of buttons, bow, pick or bellows do over a stretch of time, as bars that never overlap.
 *
 * @param kind which of them
 * @param number the finger's hole from 1 at the mouth, or which of the strings or rows from 0 at the top; 0 for others
 */
public record Lane(Kind kind, int number, List<Stroke> strokes) {
    /** Kinds of lane. */
    public enum Kind {
        FINGER,
        TONGUE,
        BREATH,
        STRING,
        ROW,
        /** A finger on buttons: 1 to 4 of the right hand, 5 to 8 of the left. */
        BUTTON_FINGER,
        /** Basses and chords of a two-row box. */
        LEFT_HAND,
        BOW,
        PICK,
        BANJO_HAND,
        BELLOWS;

        /** Whether it is one of several like it: fingers, strings or rows. */
        public boolean isOneOfSeveral() {
            return this == FINGER || this == STRING || this == ROW || this == BUTTON_FINGER;
        }
    }

    /** States a lane shows. */
    public enum State {
        DOWN,
        HALF,
        UP,
        STRIKE,
        SOFT,
        FIRM,
        /** A string that sounds, a button that is held. */
        SOUNDING,
        /** A finger that stays down on a string without being heard. */
        KEPT,
        DOWN_STROKE,
        UP_STROKE,
        PRESS,
        DRAW
    }

    /**
     * One bar of a lane.
     *
     * @param text what is written on it: a finger, a fret, a button, a direction; mostly none
     */
    public record Stroke(Fraction startMillis, Fraction endMillis, State state, String text) {
        Stroke(Fraction startMillis, Fraction endMillis, State state) {
            this(startMillis, endMillis, state, "");
        }
    }

    public Lane {
        strokes = List.copyOf(strokes);
    }

    /**
     * All lanes of a wind instrument over a stretch: fingers from the mouth down, thumb first where there is one; then, where the player's own
     * breath sounds it, tongue and breath.
     */
    public static List<Lane> of(List<Moment> moments, Instrument instrument, Times times) {
        List<Lane> lanes = new ArrayList<>();
        for (int hole = 1; hole <= instrument.holes(); hole++) {
            int each = hole;
            lanes.add(new Lane(
                    Kind.FINGER,
                    hole,
                    states(moments, held -> fingerState(held.fingering().at(each)))));
        }
        if (!instrument.family().isBlownByMouth()) {
            return List.copyOf(lanes);
        }
        lanes.add(new Lane(Kind.TONGUE, 0, tongue(moments, times)));
        lanes.add(new Lane(Kind.BREATH, 0, states(moments, held -> switch (held.breath()) {
            case SOFT -> State.SOFT;
            case FIRM -> State.FIRM;
        })));
        return List.copyOf(lanes);
    }

    /** All lanes of an instrument with strings or buttons over a stretch: strings or rows from the top down, then bow, pick, banjo hand, or fingers and bellows. */
    public static List<Lane> of(List<Moment> moments, HandLines lines) {
        return lines.keys().isEmpty() ? HandLanes.of(moments, lines) : ButtonLanes.of(moments, lines);
    }

    /**
     * How the bellows stand at a point of time.
     *
     * @param balanceMillis by how much they have gone further in (above 0) or out than they came, in milliseconds of one reed
     */
    public record Air(Fraction startMillis, double balanceMillis) {}

    /** How the bellows stand from point to point along a stretch; none where they sound the same both ways, and on other instruments. */
    public static List<Air> air(List<Moment> moments, HandLines lines) {
        return ButtonLanes.air(moments, lines);
    }

    private static State fingerState(Hole hole) {
        return switch (hole) {
            case CLOSED -> State.DOWN;
            case OPEN -> State.UP;
            case HALF -> State.HALF;
        };
    }

    private static List<Stroke> states(List<Moment> moments, Function<Held, State> stateOf) {
        List<Stroke> strokes = new ArrayList<>();
        for (Moment moment : moments) {
            Optional<State> state = moment.held().map(stateOf);
            if (state.isEmpty()) {
                continue;
            }
            Stroke last = strokes.isEmpty() ? null : strokes.get(strokes.size() - 1);
            if (last != null && last.state() == state.get() && last.endMillis().equals(moment.startMillis())) {
                strokes.set(strokes.size() - 1, new Stroke(last.startMillis(), moment.endMillis(), last.state()));
            } else {
                strokes.add(new Stroke(moment.startMillis(), moment.endMillis(), state.get()));
            }
        }
        return strokes;
    }

    private static List<Stroke> tongue(List<Moment> moments, Times times) {
        return moments.stream()
                .filter(moment -> moment.sounding()
                        .map(sounding -> sounding.begin().isStruck() || sounding.begin() == Begin.PUSH)
                        .orElse(false))
                .map(moment -> new Stroke(
                        moment.startMillis(),
                        moment.startMillis().plus(times.of("tongue gap").min(moment.lengthMillis())),
                        State.STRIKE))
                .toList();
    }
}
