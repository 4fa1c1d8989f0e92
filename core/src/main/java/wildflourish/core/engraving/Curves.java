package wildflourish.core.engraving;

/** Ties and slurs: two arcs that meet at the ends, thicker in the middle. */
final class Curves {
    private static final double THICKNESS = 0.2;

    private Curves() {}

    /** A curve from one point to another that swings {@code bulge} spaces downward, upward when negative. */
    static Mark between(double x1, double y1, double x2, double y2, double bulge) {
        double reach = (x2 - x1) * 0.25;
        double thick = bulge > 0 ? THICKNESS : -THICKNESS;
        return new Mark.Shape(
                new Outline.Builder()
                        .move(x1, y1)
                        .cubic(x1 + reach, y1 + bulge, x2 - reach, y2 + bulge, x2, y2)
                        .cubic(x2 - reach, y2 + bulge + thick, x1 + reach, y1 + bulge + thick, x1, y1)
                        .close()
                        .build(),
                0);
    }

    /** How far a curve of a width swings. */
    static double bulge(double width) {
        return Math.min(1.6, 0.5 + width * 0.07);
    }
}
