package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Shape;
import wildflourish.core.tune.NoteId;

/**
 * Our signs for ornaments. Each says what the fingers do, part by part: a leaf that stands up for a cut, a berry that hangs down for a tap, a bud for a
 * finger of a cran, a seed for a plain part. Rolls stand under an arch, crans on a twig: family is told by shape as well as by colour.
 */
public final class Signs {
    /** Height of the tallest sign in staff spaces. */
    public static final double HEIGHT = 2.3;

    private static final double PART = 1.0;
    private static final double RADIUS = 0.17;

    private Signs() {}

    public static Ink inkOf(Ornament ornament) {
        return switch (ornament.family()) {
            case SINGLE -> Ink.SINGLE;
            case ROLL -> Ink.ROLL;
            case CRAN -> Ink.CRAN;
        };
    }

    public static double width(Shape shape) {
        return shape.parts().size() * PART;
    }

    /** The marks of a sign whose left edge is x and whose foot stands on y, as a display list of its own for small pictures. */
    public static List<Drawn> picture(Ornament ornament, Shape shape, double x, double y) {
        Sketch sketch = new Sketch();
        draw(sketch, ornament, shape, new GlyphFont.Point(x, y), Optional.empty());
        return List.copyOf(sketch.drawn());
    }

    static void draw(Sketch sketch, Ornament ornament, Shape shape, GlyphFont.Point foot, Optional<NoteId> note) {
        Ink ink = inkOf(ornament);
        double x = foot.x();
        double y = foot.y();
        int parts = shape.parts().size();
        for (int i = 0; i < parts; i++) {
            Outline outline = part(shape.parts().get(i), x + (i + 0.5) * PART, y);
            add(sketch, new Mark.Shape(outline, 0), ink, note);
        }
        switch (ornament.family()) {
            case SINGLE -> {
                // A single leaf needs nothing around it.
            }
            case ROLL -> add(sketch, new Mark.Shape(arch(x + 0.1, x + parts * PART - 0.1, y - 1.6), 0.16), ink, note);
            case CRAN ->
                add(sketch, new Mark.Line(x + 0.1, y + 0.08, x + parts * PART - 0.1, y + 0.08, 0.18), ink, note);
        }
    }

    private static void add(Sketch sketch, Mark mark, Ink ink, Optional<NoteId> note) {
        if (note.isPresent()) {
            sketch.add(mark, ink, Drawn.Kind.SIGN, note.get());
        } else {
            sketch.add(mark, ink, Drawn.Kind.SIGN);
        }
    }

    private static Outline part(Gesture gesture, double x, double y) {
        return switch (gesture) {
            case PLAIN -> Outline.circle(x, y - 0.7, RADIUS);
            case CUT -> leaf(x, y - 0.05);
            case TAP -> berry(x, y);
            case CRAN -> Outline.polygon(x, y - 1.45, x + 0.36, y - 0.85, x, y - 0.25, x - 0.36, y - 0.85);
        };
    }

    /** A leaf from its foot up to its tip, 1.4 spaces high, leaning to the right. */
    private static Outline leaf(double x, double y) {
        return new Outline.Builder()
                .move(x - 0.2, y)
                .cubic(x - 0.7, y - 0.5, x - 0.35, y - 1.1, x + 0.28, y - 1.45)
                .cubic(x + 0.62, y - 0.9, x + 0.48, y - 0.3, x - 0.2, y)
                .close()
                .build();
    }

    /** A berry hanging from a stalk. */
    private static Outline berry(double x, double y) {
        List<Outline.Move> moves =
                new ArrayList<>(Outline.circle(x, y - 0.45, 0.42).moves());
        moves.addAll(Outline.polygon(x - 0.08, y - 1.5, x + 0.08, y - 1.5, x + 0.08, y - 0.8, x - 0.08, y - 0.8)
                .moves());
        return new Outline(moves);
    }

    private static Outline arch(double left, double right, double y) {
        double rise = 0.55;
        double third = (right - left) / 4;
        return new Outline.Builder()
                .move(left, y)
                .cubic(left + third, y - rise, right - third, y - rise, right, y)
                .build();
    }
}
