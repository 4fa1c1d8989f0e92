package wildflourish.core.engraving;

/** A rectangle in staff spaces: left, top, right, bottom; y grows downward. */
public record Box(double left, double top, double right, double bottom) {
    public double width() {
        return right - left;
    }

    public double height() {
        return bottom - top;
    }

    public Box and(Box other) {
        return new Box(
                Math.min(left, other.left),
                Math.min(top, other.top),
                Math.max(right, other.right),
                Math.max(bottom, other.bottom));
    }

    public Box moved(double dx, double dy) {
        return new Box(left + dx, top + dy, right + dx, bottom + dy);
    }

    public boolean has(double x, double y) {
        return left <= x && x < right && top <= y && y < bottom;
    }

    /** Whether more than a touch of the two is common. */
    public boolean overlaps(Box other) {
        double touch = 1e-6;
        return left < other.right - touch
                && other.left < right - touch
                && top < other.bottom - touch
                && other.top < bottom - touch;
    }
}
