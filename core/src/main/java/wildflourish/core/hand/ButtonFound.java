package wildflourish.core.hand;

import java.util.List;
import wildflourish.core.fingering.ButtonOption;
import wildflourish.core.fingering.ButtonWay;

/**
 * One way in which a hand makes a figure on buttons.
 *
 * @param set what lies under the hand, the note's own button first
 * @param pitches of what stands beside the note (MIDI), in the order of its roles
 * @param again the fingers that strike the note's button, one after the other; none where only its own does
 * @param walked the ways of the parts of a melodic triplet, or of strokes of the bellows; none elsewhere
 * @param cost of shape and pitches, in turns of the bellows; what it costs to walk is not in it
 */
record ButtonFound(ButtonSet set, List<Integer> pitches, List<Integer> again, List<ButtonWay> walked, double cost) {
    ButtonFound {
        pitches = List.copyOf(pitches);
        again = List.copyOf(again);
        walked = List.copyOf(walked);
    }

    ButtonFound cheaper(double by) {
        return new ButtonFound(set, pitches, again, walked, cost - by);
    }

    ButtonWay own() {
        return set.first();
    }

    /** A figure made in one way, as a path takes it. */
    record Ready(ButtonFound found, ButtonOption option) {}
}
