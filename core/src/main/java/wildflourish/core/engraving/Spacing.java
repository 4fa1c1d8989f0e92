package wildflourish.core.engraving;

import java.util.List;
import wildflourish.core.music.Fraction;

/**
 * Horizontal spacing of a system: things that follow each other, each with ink to its left and right and a wish for room after it. The wishes
 * are stretched alike until the line is full; ink never touches.
 */
final class Spacing {
    private static final double PAD = 0.38;
    /** The stretch is right to less than a millionth. */
    private static final int HALVINGS = 24;

    /**
     * A thing on the line.
     *
     * @param before ink left of its anchor
     * @param after ink right of its anchor
     * @param wish distance it would like from its anchor to the next one
     * @param stretches whether its wish grows with the line
     */
    record Thing(double before, double after, double wish, boolean stretches) {}

    private Spacing() {}

    /** Room that a length in whole notes likes: a quaver 2.7 spaces, longer ones by a falling rate. */
    static double wish(Fraction length) {
        return 2.7 * Math.pow(length.toDouble() * 8, 0.6);
    }

    /** Anchors from the left edge on, and after them the right edge, for a stretch. */
    static double[] anchors(List<Thing> things, double left, double stretch) {
        double[] anchors = new double[things.size() + 1];
        double at = left;
        for (int i = 0; i < things.size(); i++) {
            at = i == 0 ? at + things.get(0).before : at;
            anchors[i] = at;
            at += step(things, i, stretch);
        }
        anchors[things.size()] = at;
        return anchors;
    }

    /** From one anchor to the next, or from the last to the end of its ink. */
    private static double step(List<Thing> things, int index, double stretch) {
        Thing thing = things.get(index);
        if (index + 1 == things.size()) {
            return Math.max(thing.after, 0);
        }
        double needed = thing.after + PAD + things.get(index + 1).before;
        return Math.max(needed, thing.wish * (thing.stretches ? stretch : 1));
    }

    /** The stretch, at most {@code most}, at which the things just fill up to the right edge; below 1 when they are squeezed. */
    static double stretchTo(List<Thing> things, double left, double right, double most) {
        double low = 0.05;
        double high = most;
        if (end(things, left, high) <= right) {
            return high;
        }
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            if (end(things, left, middle) > right) {
                high = middle;
            } else {
                low = middle;
            }
        }
        return low;
    }

    private static double end(List<Thing> things, double left, double stretch) {
        double at = left + (things.isEmpty() ? 0 : things.get(0).before);
        for (int i = 0; i < things.size(); i++) {
            at += step(things, i, stretch);
        }
        return at;
    }

    /** The room the things like. */
    static double natural(List<Thing> things) {
        return end(things, 0, 1);
    }

    /** The least room the things can do with. */
    static double least(List<Thing> things) {
        return end(things, 0, 0.05);
    }
}
