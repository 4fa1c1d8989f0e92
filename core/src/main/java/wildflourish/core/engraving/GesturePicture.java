package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.hand.Held;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.performance.Moment;

/** The fingers of one ornament in small: its parts side by side, the holes of each one under the other, the finger that moves in colour. */
public final class GesturePicture {
    private static final double PART = 1.55;
    private static final double MARGIN = 0.35;
    private static final double HALO = FingeringStrip.RADIUS + 0.2;
    /** More steps than these are left out: what comes again and again. */
    private static final int MOST = 8;

    private GesturePicture() {}

    /**
     * One part of an ornament as realised.
     *
     * @param hole the hole whose finger moves, from 1 at the mouth; empty for a plain part, and where several move
     * @param held what the fingers hold during the movement, or during the plain note
     */
    public record Step(Moment.Role role, Optional<Integer> hole, Fingering held) {
        /** The player's name of the finger that moves. */
        public Optional<String> finger() {
            return hole.map(held::nameOf);
        }
    }

    /** The parts of an ornament from its moments; empty where the instrument has no fingering for them. */
    public static List<Step> stepsOf(List<Moment> moments) {
        List<Step> steps = new ArrayList<>();
        boolean isSettling = false;
        for (int i = 0; i < moments.size() && steps.size() < MOST; i++) {
            Optional<Fingering> held = fingering(moments.get(i));
            boolean isGesture = moments.get(i).isGesture();
            if (held.isPresent() && isGesture && i + 1 < moments.size()) {
                Optional<Integer> hole = fingering(moments.get(i + 1)).flatMap(after -> moved(held.get(), after));
                steps.add(new Step(moments.get(i).cue().role(), hole, held.get()));
                isSettling = true;
            } else if (held.isPresent() && !isSettling && isNew(steps, held.get())) {
                steps.add(new Step(Moment.Role.MELODY, Optional.empty(), held.get()));
            } else {
                isSettling = false;
            }
        }
        return List.copyOf(steps);
    }

    /** A note that is only begun again under the same fingers is no further step. */
    private static boolean isNew(List<Step> steps, Fingering held) {
        return steps.isEmpty() || !steps.get(steps.size() - 1).held().equals(held);
    }

    private static Optional<Fingering> fingering(Moment moment) {
        return moment.held().map(Held::fingering);
    }

    /** The only hole that differs. */
    private static Optional<Integer> moved(Fingering from, Fingering to) {
        Optional<Integer> moved = Optional.empty();
        for (int hole = 1; hole <= from.holes().size(); hole++) {
            if (from.at(hole) != to.at(hole)) {
                if (moved.isPresent()) {
                    return Optional.empty();
                }
                moved = Optional.of(hole);
            }
        }
        return moved;
    }

    /** Width in staff spaces. */
    public static double width(List<Step> steps) {
        return steps.size() * PART;
    }

    /** Height in staff spaces: as many holes as the instrument has. */
    public static double height(List<Step> steps) {
        int holes = steps.stream()
                .mapToInt(step -> step.held().holes().size())
                .max()
                .orElse(1);
        return MARGIN * 2 + FingeringStrip.centreOf(holes, holes) + FingeringStrip.RADIUS;
    }

    /** The marks with the top left corner at 0, 0: moved fingers in the ink of the ornament's kind, the rest quiet. */
    public static List<Drawn> of(List<Step> steps, Ink family) {
        Sketch sketch = new Sketch();
        for (int part = 0; part < steps.size(); part++) {
            Step step = steps.get(part);
            double x = (part + 0.5) * PART;
            for (int hole = 1; hole <= step.held().holes().size(); hole++) {
                boolean isMoved = step.hole().equals(Optional.of(hole));
                double y = MARGIN
                        + FingeringStrip.centreOf(hole, step.held().holes().size());
                Ink ink = isMoved ? family : Ink.QUIET;
                if (isMoved) {
                    sketch.add(new Mark.Shape(Outline.circle(x, y, HALO), 0.2), ink, Drawn.Kind.FINGERING);
                }
                FingeringStrip.ring(step.held().at(hole), x, y)
                        .forEach(mark -> sketch.add(mark, ink, Drawn.Kind.FINGERING));
            }
        }
        return List.copyOf(sketch.drawn());
    }
}
