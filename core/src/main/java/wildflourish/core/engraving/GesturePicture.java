package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.performance.Moment;

/** The fingers of one ornament in small: its parts side by side, the holes of each one under the other, the finger that moves in colour. */
public final class GesturePicture {
    private static final double PART = 1.55;
    private static final double MARGIN = 0.35;
    private static final double HALO = FingeringStrip.RADIUS + 0.2;

    private GesturePicture() {}

    /**
     * One part of an ornament as realised.
     *
     * @param hole the hole whose finger moves, from 1 at the mouth; empty for a plain part
     * @param held what the fingers hold during the gesture, or during the plain note
     */
    public record Step(Gesture gesture, Optional<Integer> hole, Fingering held) {}

    /** The parts of an ornament from its moments; empty where the instrument has no fingering for them. */
    public static List<Step> stepsOf(List<Moment> moments) {
        List<Step> steps = new ArrayList<>();
        boolean isSettling = false;
        for (int i = 0; i < moments.size(); i++) {
            Optional<Fingering> held = fingering(moments.get(i));
            if (held.isPresent() && moments.get(i).isGesture() && i + 1 < moments.size()) {
                Optional<Integer> hole = fingering(moments.get(i + 1)).flatMap(after -> moved(held.get(), after));
                steps.add(new Step(gestureOf(moments.get(i)), hole, held.get()));
                isSettling = true;
            } else if (held.isPresent() && !isSettling) {
                steps.add(new Step(Gesture.PLAIN, Optional.empty(), held.get()));
            } else {
                isSettling = false;
            }
        }
        return List.copyOf(steps);
    }

    private static Optional<Fingering> fingering(Moment moment) {
        return moment.sounding().flatMap(Moment.Sounding::held).map(Moment.Held::fingering);
    }

    private static Gesture gestureOf(Moment moment) {
        return switch (moment.cue().role()) {
            case CUT -> Gesture.CUT;
            case TAP -> Gesture.TAP;
            case CRAN -> Gesture.CRAN;
            case MELODY, SMALL_NOTE, REST -> Gesture.PLAIN;
        };
    }

    private static Optional<Integer> moved(Fingering from, Fingering to) {
        for (int hole = 1; hole <= from.holes().size(); hole++) {
            if (from.at(hole) != to.at(hole)) {
                return Optional.of(hole);
            }
        }
        return Optional.empty();
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

    /** The marks with the top left corner at 0, 0: moved fingers in the ink of the ornament's family, the rest quiet. */
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
