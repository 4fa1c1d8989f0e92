package wildflourish.core.engraving;

import wildflourish.core.tune.BarLine;

/** Draws the lines between bars; every method takes the left edge and returns the width it uses. */
final class BarLines {
    private static final double THIN = 0.16;
    private static final double THICK = 0.5;
    private static final double GAP = 0.4;
    private static final double DOT_GAP = 0.3;
    private static final double DOT_WIDTH = 0.4;

    private BarLines() {}

    static double width(BarLine right, BarLine left) {
        return draw(new Sketch(), right, left, 0);
    }

    /** The line between a bar that ends with one kind and the next, which begins with another. */
    static double draw(Sketch sketch, BarLine right, BarLine left, double x) {
        boolean opens = left == BarLine.REPEAT_START;
        double at = x;
        if (right == BarLine.REPEAT_END) {
            at = dots(sketch, at) + DOT_GAP;
            at = line(sketch, at, THIN) + GAP;
            at = line(sketch, at, THICK);
            if (opens) {
                at = line(sketch, at + GAP, THIN) + DOT_GAP;
                at = dots(sketch, at);
            }
            return at - x;
        }
        if (opens) {
            at = line(sketch, at, THICK) + GAP;
            at = line(sketch, at, THIN) + DOT_GAP;
            return dots(sketch, at) - x;
        }
        return plain(sketch, right == BarLine.NONE ? left : right, x) - x;
    }

    private static double plain(Sketch sketch, BarLine kind, double x) {
        return switch (kind) {
            case NONE -> x;
            case SINGLE -> line(sketch, x, THIN);
            case DOTTED -> dotted(sketch, x);
            case DOUBLE -> line(sketch, line(sketch, x, THIN) + GAP, THIN);
            case THIN_THICK, REPEAT_END -> line(sketch, line(sketch, x, THIN) + GAP, THICK);
            case THICK_THIN, REPEAT_START -> line(sketch, line(sketch, x, THICK) + GAP, THIN);
        };
    }

    private static double line(Sketch sketch, double x, double thickness) {
        sketch.add(
                new Mark.Line(x + thickness / 2, 0, x + thickness / 2, 4, thickness), Ink.NOTES, Drawn.Kind.BAR_LINE);
        return x + thickness;
    }

    private static double dotted(Sketch sketch, double x) {
        for (double y = 0.1; y < 4; y += 0.8) {
            sketch.add(new Mark.Line(x + THIN / 2, y, x + THIN / 2, y + 0.4, THIN), Ink.NOTES, Drawn.Kind.BAR_LINE);
        }
        return x + THIN;
    }

    private static double dots(Sketch sketch, double x) {
        sketch.add(new Mark.Shape(Outline.circle(x + 0.2, 1.5, 0.2), 0), Ink.NOTES, Drawn.Kind.BAR_LINE);
        sketch.add(new Mark.Shape(Outline.circle(x + 0.2, 2.5, 0.2), 0), Ink.NOTES, Drawn.Kind.BAR_LINE);
        return x + DOT_WIDTH;
    }
}
