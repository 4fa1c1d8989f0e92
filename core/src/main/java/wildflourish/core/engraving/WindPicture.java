package wildflourish.core.engraving;

import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Hole;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** A wind instrument as it is, lying with its head to the left: its holes in their places, numbered, the hands named, closed and open as one note has them. */
final class WindPicture {
    /** Of the whole picture, in staff spaces. */
    static final double HEIGHT = 13.5;

    private static final double AXIS = 5.4;
    private static final double HEAD = 9;
    private static final double LINE = 0.16;
    private static final double NUMBER = 1.5;
    private static final double NAME = 1.6;
    /** More holes than these include one for the thumb. */
    private static final int FINGERS = 7;

    private final Body body;
    private final double width;
    private final Sketch sketch = new Sketch();

    private WindPicture(Body body, double width) {
        this.body = body;
        this.width = width;
    }

    /** What is at the head. */
    private enum Head {
        BEAK,
        EMBOUCHURE,
        REED
    }

    /** How a family is drawn. */
    private record Body(Head head, double headRadius, double footRadius, List<Double> holes, List<Double> sizes) {
        static Optional<Body> of(Family family) {
            return Table.load("wind-bodies.table").rows().stream()
                    .filter(row -> row.text("family").equals(family.name()))
                    .findFirst()
                    .map(Body::of);
        }

        private static Body of(Row row) {
            List<Double> bore = row.read("bore", Body::numbers);
            Body body = new Body(
                    Head.valueOf(row.text("head").toUpperCase(java.util.Locale.ROOT)),
                    bore.get(0),
                    bore.get(1),
                    row.read("holes", Body::numbers),
                    row.read("sizes", Body::numbers));
            if (body.holes.size() != body.sizes.size()) {
                throw row.fault(body.holes.size() + " holes have " + body.sizes.size() + " sizes");
            }
            return body;
        }

        private static List<Double> numbers(String words) {
            return List.of(words.split(" +")).stream().map(Double::valueOf).toList();
        }

        double radiusAt(double part) {
            return headRadius + (footRadius - headRadius) * part;
        }
    }

    /** So many staff spaces wide, with the fingering of a note; empty for an instrument that is drawn nowhere or has other holes. */
    static Optional<Sketch> of(Family family, ChartRow note, double width) {
        return Body.of(family)
                .filter(body -> body.holes().size() == note.usual().holes().size())
                .map(body -> new WindPicture(body, width).drawn(note.usual()));
    }

    private double x(double part) {
        return HEAD + (width - HEAD) * part;
    }

    private Sketch drawn(Fingering fingering) {
        tube();
        head();
        int count = body.holes().size();
        boolean hasThumb = count > FINGERS;
        for (int hole = 1; hole <= count; hole++) {
            hole(hole, fingering, hasThumb);
        }
        int first = hasThumb ? 2 : 1;
        int upper = hasThumb ? 4 : count / 2;
        hand("upper hand", first, upper);
        hand("lower hand", upper + 1, count);
        return sketch;
    }

    private void line(double x1, double y1, double x2, double y2) {
        sketch.add(new Mark.Line(x1, y1, x2, y2, LINE), Ink.NOTES, Drawn.Kind.PICTURE);
    }

    private void tube() {
        double top = body.headRadius();
        double foot = body.footRadius();
        line(HEAD, AXIS - top, width, AXIS - foot);
        line(HEAD, AXIS + top, width, AXIS + foot);
        line(width, AXIS - foot, width, AXIS + foot);
    }

    private void head() {
        double r = body.headRadius();
        switch (body.head()) {
            case BEAK -> {
                line(HEAD, AXIS - r, 3, AXIS - r);
                line(HEAD, AXIS + r, 0, AXIS + r);
                line(3, AXIS - r, 0, AXIS + r * 0.3);
                line(0, AXIS + r * 0.3, 0, AXIS + r);
                line(HEAD - 2.2, AXIS - r * 0.55, HEAD - 2.2, AXIS + r * 0.55);
                line(HEAD - 2.2, AXIS - r * 0.55, HEAD - 0.6, AXIS - r * 0.55);
                line(HEAD - 2.2, AXIS + r * 0.55, HEAD - 0.6, AXIS + r * 0.55);
            }
            case EMBOUCHURE -> {
                line(HEAD, AXIS - r, 0, AXIS - r);
                line(HEAD, AXIS + r, 0, AXIS + r);
                line(0, AXIS - r, 0, AXIS + r);
                ring(HEAD - 3, AXIS, 1.1, false);
            }
            case REED -> {
                line(HEAD, AXIS - r, HEAD, AXIS + r);
                line(HEAD, AXIS - 0.6, 4.5, AXIS - 0.9);
                line(HEAD, AXIS + 0.6, 4.5, AXIS + 0.9);
                line(4.5, AXIS - 0.9, 4.5, AXIS + 0.9);
            }
        }
    }

    private void ring(double x, double y, double radius, boolean isFilled) {
        sketch.add(
                new Mark.Shape(Outline.circle(0, 0, radius), x, y, isFilled ? 0 : LINE),
                Ink.FINGERING,
                Drawn.Kind.PICTURE);
    }

    private void hole(int hole, Fingering fingering, boolean hasThumb) {
        double part = body.holes().get(hole - 1);
        double radius = body.sizes().get(hole - 1);
        boolean isThumb = hasThumb && hole == 1;
        double y = isThumb ? AXIS - body.radiusAt(part) - radius - 0.5 : AXIS;
        double x = x(part);
        Hole state = fingering.at(hole);
        ring(x, y, radius, state == Hole.CLOSED);
        if (state == Hole.HALF) {
            sketch.add(new Mark.Shape(Outline.leftHalf(0, 0, radius), x, y, 0), Ink.FINGERING, Drawn.Kind.PICTURE);
        }
        String name = isThumb ? "thumb, behind" : fingering.nameOf(hole);
        double size = NUMBER;
        double words = Face.BODY.width(name, size);
        double below = isThumb ? y - radius - 0.5 : AXIS + body.radiusAt(part) + 2;
        sketch.add(new Mark.Words(name, x - words / 2, below, Face.BODY, size), Ink.QUIET, Drawn.Kind.WORDS);
    }

    /** A line under the holes of a hand, with its name. */
    private void hand(String name, int first, int last) {
        double from = x(body.holes().get(first - 1)) - 1.4;
        double to = x(body.holes().get(last - 1)) + 1.4;
        double y = AXIS + Math.max(body.headRadius(), body.footRadius()) + 3;
        line(from, y, to, y);
        line(from, y, from, y - 0.6);
        line(to, y, to, y - 0.6);
        double words = Face.BODY.width(name, NAME);
        sketch.add(
                new Mark.Words(name, (from + to - words) / 2, y + 1.9, Face.BODY, NAME), Ink.WORDS, Drawn.Kind.WORDS);
    }
}
