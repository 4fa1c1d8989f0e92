package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.List;

/** How high the ink of a sketch reaches over a stretch of the line. Straight edges are followed exactly, all else by its box. */
final class Skyline {
    private final List<Drawn> drawn;
    private final List<Box> boxes = new ArrayList<>();

    /** Over a list that may still grow: see {@link #grow}. */
    Skyline(List<Drawn> drawn) {
        this.drawn = drawn;
        grow();
    }

    /** Takes in what was drawn since. */
    void grow() {
        for (int i = boxes.size(); i < drawn.size(); i++) {
            boxes.add(drawn.get(i).mark().box());
        }
    }

    /** The smallest y (y grows downward) of any ink between two x; positive infinity where there is none. */
    double top(double left, double right) {
        double top = Double.POSITIVE_INFINITY;
        for (int i = 0; i < boxes.size(); i++) {
            Box box = boxes.get(i);
            if (box.left() < right && left < box.right() && box.top() < top) {
                Mark mark = drawn.get(i).mark();
                top = Math.min(top, mark instanceof Mark.Shape shape ? top(shape, left, right) : box.top());
            }
        }
        return top;
    }

    private static double top(Mark.Shape shape, double left, double right) {
        List<Outline.Move> moves = shape.placed().moves();
        boolean isStraight = moves.stream()
                .allMatch(move -> move.kind() == Outline.Kind.MOVE
                        || move.kind() == Outline.Kind.LINE
                        || move.kind() == Outline.Kind.CLOSE);
        if (!isStraight || moves.size() < 3) {
            return shape.box().top();
        }
        double top = Double.POSITIVE_INFINITY;
        List<Outline.Move> points =
                moves.stream().filter(move -> move.kind() != Outline.Kind.CLOSE).toList();
        for (int i = 0; i < points.size(); i++) {
            top = Math.min(top, edgeTop(points.get(i), points.get((i + 1) % points.size()), left, right));
        }
        return top;
    }

    /** The smaller y of the piece of an edge that lies between two x. */
    private static double edgeTop(Outline.Move from, Outline.Move to, double left, double right) {
        double x1 = Math.max(left, Math.min(from.at(0), to.at(0)));
        double x2 = Math.min(right, Math.max(from.at(0), to.at(0)));
        if (x1 > x2) {
            return Double.POSITIVE_INFINITY;
        }
        double run = to.at(0) - from.at(0);
        if (run == 0) {
            return Math.min(from.at(1), to.at(1));
        }
        double slope = (to.at(1) - from.at(1)) / run;
        return Math.min(from.at(1) + slope * (x1 - from.at(0)), from.at(1) + slope * (x2 - from.at(0)));
    }
}
