package wildflourish.core.chart;

import wildflourish.core.engraving.Outline;

/** A shape for each finger of the left hand, told apart without colour. */
enum FingerShape {
    OPEN("open string"),
    INDEX("index"),
    MIDDLE("middle"),
    RING("ring finger"),
    LITTLE("little finger");

    private final String word;

    FingerShape(String word) {
        this.word = word;
    }

    String word() {
        return word;
    }

    /** @param finger 0 for none, 1 for the index */
    static FingerShape of(int finger) {
        return values()[finger];
    }

    /** Round a point, all about as large as a circle of a radius. */
    Outline around(double x, double y, double radius) {
        double r = radius;
        return switch (this) {
            case OPEN, INDEX -> Outline.circle(x, y, r);
            case MIDDLE -> {
                double side = 0.9 * r;
                yield Outline.polygon(x - side, y - side, x + side, y - side, x + side, y + side, x - side, y + side);
            }
            case RING -> Outline.polygon(x, y - 1.3 * r, x + 1.3 * r, y, x, y + 1.3 * r, x - 1.3 * r, y);
            case LITTLE -> {
                double h = 0.87 * r * 1.1;
                double w = r * 1.1;
                yield Outline.polygon(
                        x - w, y, x - w / 2, y - h, x + w / 2, y - h, x + w, y, x + w / 2, y + h, x - w / 2, y + h);
            }
        };
    }
}
