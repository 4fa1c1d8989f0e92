package wildflourish.core.chart;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Face;
import wildflourish.core.engraving.Ink;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Outline;
import wildflourish.core.engraving.Sketch;
import wildflourish.core.instrument.ChartRow;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Hole;
import wildflourish.core.table.Row;
import wildflourish.core.table.Table;

/** A wind instrument as it is, lying with its head to the left: its holes in their places, numbered, the hands named, closed and open as one note has them. */
final class WindPicture {
    /** Of the width for the head: beak, embouchure or reed. */
    private static final double HEAD_SHARE = 0.075;

    private static final double LINE = 0.16;
    private static final double NUMBER = Block.TEXT;
    private static final double NAME = Block.TEXT;
    /** More holes than these include one for the thumb. */
    private static final int FINGERS = 7;

    private final Body body;
    private final double width;
    private final double head;
    private final double axis;
    private final Sketch sketch = new Sketch();

    private WindPicture(Body body, double width) {
        this.width = width;
        this.head = HEAD_SHARE * width;
        this.body = body.times((width - head) / 100);
        boolean hasThumb = body.holes().size() > FINGERS;
        this.axis = Math.max(this.body.headRadius(), this.body.footRadius())
                + (hasThumb ? 2 * this.body.sizes().get(0) + Block.LINE + 0.6 : 0.4);
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
                    Head.valueOf(row.text("head").toUpperCase(Locale.ROOT)),
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

        Body times(double factor) {
            List<Double> larger = sizes.stream().map(size -> size * factor).toList();
            return new Body(head, headRadius * factor, footRadius * factor, holes, larger);
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
        return head + (width - head) * part;
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
        line(head, axis - top, width, axis - foot);
        line(head, axis + top, width, axis + foot);
        line(width, axis - foot, width, axis + foot);
    }

    private void head() {
        double r = body.headRadius();
        switch (body.head()) {
            case BEAK -> {
                double tip = 0.33 * head;
                line(head, axis - r, tip, axis - r);
                line(head, axis + r, 0, axis + r);
                line(tip, axis - r, 0, axis + r * 0.3);
                line(0, axis + r * 0.3, 0, axis + r);
                double window = 0.72 * head;
                line(window, axis - r * 0.5, window, axis + r * 0.5);
                line(window, axis - r * 0.5, 0.95 * head, axis - r * 0.5);
                line(window, axis + r * 0.5, 0.95 * head, axis + r * 0.5);
            }
            case EMBOUCHURE -> {
                line(head, axis - r, 0, axis - r);
                line(head, axis + r, 0, axis + r);
                line(0, axis - r, 0, axis + r);
                ring(0.67 * head, axis, 0.48 * r, false);
            }
            case REED -> {
                double begin = 0.5 * head;
                line(head, axis - r, head, axis + r);
                line(head, axis - r * 0.4, begin, axis - r * 0.6);
                line(head, axis + r * 0.4, begin, axis + r * 0.6);
                line(begin, axis - r * 0.6, begin, axis + r * 0.6);
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
        double y = isThumb ? axis - body.radiusAt(part) - radius - 0.5 : axis;
        double x = x(part);
        Hole state = fingering.at(hole);
        ring(x, y, radius, state == Hole.CLOSED);
        if (state == Hole.HALF) {
            sketch.add(new Mark.Shape(Outline.leftHalf(0, 0, radius), x, y, 0), Ink.FINGERING, Drawn.Kind.PICTURE);
        }
        String name = isThumb ? "thumb, behind" : fingering.nameOf(hole);
        double size = NUMBER;
        double words = Face.BODY.width(name, size);
        double below = isThumb ? y - radius - 0.6 : axis + body.radiusAt(part) + 2.5;
        sketch.add(new Mark.Words(name, x - words / 2, below, Face.BODY, size), Ink.QUIET, Drawn.Kind.WORDS);
    }

    /** A line under the holes of a hand, with its name. */
    private void hand(String name, int first, int last) {
        double from = x(body.holes().get(first - 1)) - 1.4;
        double to = x(body.holes().get(last - 1)) + 1.4;
        double y = axis + Math.max(body.headRadius(), body.footRadius()) + 3.6;
        line(from, y, to, y);
        line(from, y, from, y - 0.6);
        line(to, y, to, y - 0.6);
        double words = Face.BODY.width(name, NAME);
        sketch.add(
                new Mark.Words(name, (from + to - words) / 2, y + 2.5, Face.BODY, NAME), Ink.WORDS, Drawn.Kind.WORDS);
    }
}
