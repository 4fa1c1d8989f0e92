package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.List;

/**
 * A path of lines and curves in staff spaces, y downward.
 */
public final class Outline {
    /** Kinds of move with the number of coordinates each takes. */
    public enum Kind {
        MOVE(2),
        LINE(2),
        QUAD(4),
        CUBIC(6),
        CLOSE(0);

        private final int count;

        Kind(int count) {
            this.count = count;
        }

        public int count() {
            return count;
        }
    }

    /** One move; points are x, y pairs, control points first. */
    public record Move(Kind kind, List<Double> points) {
        public Move {
            points = List.copyOf(points);
            if (points.size() != kind.count()) {
                throw new IllegalArgumentException(kind + " takes " + kind.count() + " numbers: " + points);
            }
        }

        public double at(int index) {
            return points.get(index);
        }
    }

    private final List<Move> moves;
    private final Box box;

    /** With moves in drawing order. */
    public Outline(List<Move> moves) {
        this.moves = List.copyOf(moves);
        this.box = boxOf(this.moves);
    }

    /** In drawing order. */
    public List<Move> moves() {
        return moves;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Outline that && moves.equals(that.moves);
    }

    @Override
    public int hashCode() {
        return moves.hashCode();
    }

    @Override
    public String toString() {
        return "Outline" + moves;
    }

    /** Reads the form of the glyph table: letters M L Q C Z with whole numbers, here divided by {@code unitsPerSpace}, y turned over. */
    static Outline parse(String text, double unitsPerSpace) {
        Builder builder = new Builder();
        int at = 0;
        while (at < text.length()) {
            Kind kind = Kind.values()["MLQCZ".indexOf(text.charAt(at))];
            int end = at + 1;
            while (end < text.length() && !Character.isLetter(text.charAt(end))) {
                end++;
            }
            String numbers = text.substring(at + 1, end).trim();
            List<Double> points = new ArrayList<>();
            for (String number : numbers.isEmpty() ? new String[0] : numbers.split(" ", -1)) {
                double sign = points.size() % 2 == 0 ? 1 : -1;
                points.add(sign * Integer.parseInt(number) / unitsPerSpace);
            }
            builder.moves.add(new Move(kind, points));
            at = end;
        }
        return builder.build();
    }

    /** Turned by nothing, made larger by a factor, then moved. */
    public Outline placed(double x, double y, double scale) {
        List<Move> placed = new ArrayList<>(moves.size());
        for (Move move : moves) {
            List<Double> points = new ArrayList<>(move.points.size());
            for (int i = 0; i < move.points.size(); i++) {
                points.add(move.points.get(i) * scale + (i % 2 == 0 ? x : y));
            }
            placed.add(new Move(move.kind, points));
        }
        return new Outline(placed);
    }

    /** The box around all points, control points included. */
    public Box box() {
        return box;
    }

    private static Box boxOf(List<Move> moves) {
        double left = Double.POSITIVE_INFINITY;
        double top = Double.POSITIVE_INFINITY;
        double right = Double.NEGATIVE_INFINITY;
        double bottom = Double.NEGATIVE_INFINITY;
        for (Move move : moves) {
            for (int i = 0; i < move.points.size(); i += 2) {
                left = Math.min(left, move.points.get(i));
                right = Math.max(right, move.points.get(i));
                top = Math.min(top, move.points.get(i + 1));
                bottom = Math.max(bottom, move.points.get(i + 1));
            }
        }
        return new Box(left, top, right, bottom);
    }

    public static Outline circle(double x, double y, double radius) {
        double k = 0.5523 * radius;
        return new Builder()
                .move(x + radius, y)
                .cubic(x + radius, y + k, x + k, y + radius, x, y + radius)
                .cubic(x - k, y + radius, x - radius, y + k, x - radius, y)
                .cubic(x - radius, y - k, x - k, y - radius, x, y - radius)
                .cubic(x + k, y - radius, x + radius, y - k, x + radius, y)
                .close()
                .build();
    }

    /** The left half of a disc. */
    public static Outline leftHalf(double x, double y, double radius) {
        double k = 0.5523 * radius;
        return new Builder()
                .move(x, y + radius)
                .cubic(x - k, y + radius, x - radius, y + k, x - radius, y)
                .cubic(x - radius, y - k, x - k, y - radius, x, y - radius)
                .close()
                .build();
    }

    public static Outline polygon(double... points) {
        Builder builder = new Builder().move(points[0], points[1]);
        for (int i = 2; i < points.length; i += 2) {
            builder.line(points[i], points[i + 1]);
        }
        return builder.close().build();
    }

    /** Puts an outline together. */
    public static final class Builder {
        private final List<Move> moves = new ArrayList<>();

        public Builder move(double x, double y) {
            moves.add(new Move(Kind.MOVE, List.of(x, y)));
            return this;
        }

        public Builder line(double x, double y) {
            moves.add(new Move(Kind.LINE, List.of(x, y)));
            return this;
        }

        public Builder cubic(double ax, double ay, double bx, double by, double x, double y) {
            moves.add(new Move(Kind.CUBIC, List.of(ax, ay, bx, by, x, y)));
            return this;
        }

        public Builder close() {
            moves.add(new Move(Kind.CLOSE, List.of()));
            return this;
        }

        public Outline build() {
            return new Outline(moves);
        }
    }
}
