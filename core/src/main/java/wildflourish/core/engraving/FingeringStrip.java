package wildflourish.core.engraving;

import java.util.List;
import java.util.Optional;
import wildflourish.core.hand.Held;
import wildflourish.core.instrument.Breath;
import wildflourish.core.instrument.Hole;
import wildflourish.core.tune.NoteId;

/**
 * The holes of a wind instrument from the mouth down, one under the other, the thumb first where there is one; below them a cross for firm breath,
 * an upward wedge for a chanter off the knee.
 */
public final class FingeringStrip {
    static final double RADIUS = 0.41;
    /** More holes than these include one for the thumb. */
    private static final int FINGERS = 7;

    private static final double PITCH = 1.0;
    private static final double HAND_GAP = 0.3;
    private static final double LINE = 0.13;

    private static final Outline DISC = Outline.circle(0, 0, RADIUS);
    private static final Outline HALF_DISC = Outline.leftHalf(0, 0, RADIUS);
    private static final Outline RING = Outline.circle(0, 0, RADIUS - LINE / 2);

    private FingeringStrip() {}

    public static double height(int holes) {
        return holes * PITCH + HAND_GAP * (holes > FINGERS ? 2 : 1) + 1.3;
    }

    /** How far below the top of the strip the middle of a hole lies; little gaps part thumb and hands. */
    static double centreOf(int hole, int holes) {
        boolean hasThumb = holes > FINGERS;
        int upper = hasThumb ? 4 : holes / 2;
        double gap = (hole > upper ? HAND_GAP : 0) + (hasThumb && hole > 1 ? HAND_GAP : 0);
        return RADIUS + (hole - 1) * PITCH + gap;
    }

    /** Draws the holes below y, centred on x. */
    public static void draw(Sketch sketch, Held held, double x, double y, Optional<NoteId> note) {
        int holes = held.fingering().holes().size();
        for (int hole = 1; hole <= holes; hole++) {
            hole(sketch, held.fingering().at(hole), x, y + centreOf(hole, holes), note);
        }
        double middle = y + height(holes) - 0.85;
        if (held.fingering().offKnee()) {
            add(sketch, new Mark.Line(x - 0.4, middle + 0.3, x, middle - 0.35, 0.16), note);
            add(sketch, new Mark.Line(x, middle - 0.35, x + 0.4, middle + 0.3, 0.16), note);
        } else if (held.breath() == Breath.FIRM) {
            add(sketch, new Mark.Line(x - 0.4, middle, x + 0.4, middle, 0.16), note);
            add(sketch, new Mark.Line(x, middle - 0.4, x, middle + 0.4, 0.16), note);
        }
    }

    private static void hole(Sketch sketch, Hole state, double x, double y, Optional<NoteId> note) {
        ring(state, x, y).forEach(mark -> add(sketch, mark, note));
    }

    /** A hole as a ring: filled when closed, its left half filled when half closed. */
    static List<Mark> ring(Hole state, double x, double y) {
        Mark open = new Mark.Shape(RING, x, y, LINE);
        return switch (state) {
            case CLOSED -> List.of(new Mark.Shape(DISC, x, y, 0));
            case OPEN -> List.of(open);
            case HALF -> List.of(new Mark.Shape(HALF_DISC, x, y, 0), open);
        };
    }

    /** The little roof over a fingering that the teacher has chosen. */
    static void pin(Sketch sketch, double x, double y, NoteId note) {
        sketch.add(
                new Mark.Line(x - 0.45, y + 0.42, x - 0.45, y + 0.1, 0.16), Ink.FINGERING, Drawn.Kind.FINGERING, note);
        sketch.add(
                new Mark.Line(x - 0.53, y + 0.1, x + 0.53, y + 0.1, 0.16), Ink.FINGERING, Drawn.Kind.FINGERING, note);
        sketch.add(
                new Mark.Line(x + 0.45, y + 0.1, x + 0.45, y + 0.42, 0.16), Ink.FINGERING, Drawn.Kind.FINGERING, note);
    }

    /** The sign under a note that the instrument does not have: a crossed ring. */
    static void missing(Sketch sketch, double x, double y, NoteId note) {
        double centre = y + 1.0;
        double arm = 0.48;
        sketch.add(new Mark.Shape(Outline.circle(x, centre, 0.9), 0.2), Ink.WARNING, Drawn.Kind.MISSING, note);
        sketch.add(
                new Mark.Line(x - arm, centre - arm, x + arm, centre + arm, 0.24),
                Ink.WARNING,
                Drawn.Kind.MISSING,
                note);
        sketch.add(
                new Mark.Line(x - arm, centre + arm, x + arm, centre - arm, 0.24),
                Ink.WARNING,
                Drawn.Kind.MISSING,
                note);
    }

    private static void add(Sketch sketch, Mark mark, Optional<NoteId> note) {
        note.ifPresentOrElse(
                id -> sketch.add(mark, Ink.FINGERING, Drawn.Kind.FINGERING, id),
                () -> sketch.add(mark, Ink.FINGERING, Drawn.Kind.FINGERING));
    }
}
