package wildflourish.core.engraving;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.tune.NoteId;

/**
 * Draws signs. Our own say what the fingers do, part by part: a leaf that stands up for a cut, a berry that hangs down for a tap, a bud for a finger of a
 * cran, a seed for a plain part. Rolls stand under an arch, crans on a twig: kinds are told by shape as well as by colour.
 */
public final class Signs {
    /** Height of the tallest sign in staff spaces. */
    public static final double HEIGHT = 2.3;

    private static final double PART = 1.0;
    private static final double RADIUS = 0.17;
    private static final double SMALL = 0.62;
    private static final double SMALL_STEP = 0.72;
    private static final double GAP = 0.35;

    /** Marks of common notation that the music font has. */
    private static final Map<String, String> GLYPHS = Map.of(
            "staccato", "articStaccatoAbove",
            "staccato-before", "articStaccatoAbove",
            "tenuto", "articTenutoAbove",
            "accent", "articAccentAbove",
            "breath", "breathMarkComma",
            "trill", "ornamentTrill",
            "turn", "ornamentTurn",
            "uppermordent", "ornamentShortTrill",
            "lowermordent", "ornamentMordent");

    private Signs() {}

    /** Width of all signs of a stack beside each other. */
    public static double width(List<Sign> signs) {
        return signs.stream().mapToDouble(Signs::width).sum() + GAP * Math.max(0, signs.size() - 1);
    }

    private static double width(Sign sign) {
        return switch (sign.kind()) {
            case OWN -> Math.max(PART, sign.elements().size() * PART);
            case SMALL -> sign.heights().size() * SMALL_STEP + 1.3;
            case MARK ->
                GLYPHS.containsKey(sign.frame())
                        ? GlyphFont.of(GLYPHS.get(sign.frame())).box().width()
                        : 1.7;
        };
    }

    /** The marks of signs whose left edge is x and whose foot stands on y, as a display list of its own for small pictures. */
    public static List<Drawn> picture(List<Sign> signs, double x, double y) {
        Sketch sketch = new Sketch();
        draw(sketch, signs, new GlyphFont.Point(x, y), Optional.empty(), true);
        return List.copyOf(sketch.drawn());
    }

    /** Our own shapes; with {@code hasAll} the marks and small notes too, which in a score stand with the notes themselves. */
    static void draw(Sketch sketch, List<Sign> signs, GlyphFont.Point foot, Optional<NoteId> note, boolean hasAll) {
        double x = foot.x();
        for (Sign sign : signs) {
            Pen pen = new Pen(sketch, sign.ink(), note);
            if (sign.kind() == Sign.Kind.OWN) {
                own(pen, sign, x, foot.y());
            } else if (hasAll) {
                common(pen, sign, x, foot.y());
            } else {
                continue;
            }
            x += width(sign) + GAP;
        }
    }

    /** Where marks go, in what colour, standing for which note. */
    private record Pen(Sketch sketch, Ink ink, Optional<NoteId> note) {
        void add(Mark mark) {
            if (note.isPresent()) {
                sketch.add(mark, ink, Drawn.Kind.SIGN, note.get());
            } else {
                sketch.add(mark, ink, Drawn.Kind.SIGN);
            }
        }
    }

    // Our own

    private static void own(Pen pen, Sign sign, double x, double y) {
        int parts = sign.elements().size();
        for (int i = 0; i < parts; i++) {
            element(pen, sign.elements().get(i), x + (i + 0.5) * PART, y);
        }
        double right = x + Math.max(1, parts) * PART - 0.1;
        double left = x + 0.1;
        switch (sign.frame()) {
            case "arch" -> pen.add(new Mark.Shape(arch(left, right, y - 1.6), 0.16));
            case "arch2" -> {
                pen.add(new Mark.Shape(arch(left, right, y - 1.55), 0.13));
                pen.add(new Mark.Shape(arch(left, right, y - 1.85), 0.13));
            }
            case "twig" -> pen.add(new Mark.Line(left, y + 0.08, right, y + 0.08, 0.18));
            case "rise" -> pen.add(new Mark.Line(left, y - 1.35, right, y - 1.9, 0.14));
            case "hill" -> {
                double middle = (left + right) / 2;
                pen.add(new Mark.Line(left, y - 1.4, middle, y - 1.95, 0.14));
                pen.add(new Mark.Line(middle, y - 1.95, right, y - 1.4, 0.14));
            }
            case "wave1" -> waves(pen, x, y, 1);
            case "wave2" -> waves(pen, x, y, 2);
            case "wave3" -> waves(pen, x, y, 3);
            default -> {
                // The shapes stand by themselves.
            }
        }
    }

    private static void element(Pen pen, String name, double x, double y) {
        switch (name) {
            case "leaf" -> pen.add(new Mark.Shape(leaf(x, y - 0.05), 0));
            case "berry" -> pen.add(new Mark.Shape(berry(x, y), 0));
            case "bud" ->
                pen.add(new Mark.Shape(
                        Outline.polygon(x, y - 1.45, x + 0.36, y - 0.85, x, y - 0.25, x - 0.36, y - 0.85), 0));
            case "hollow" -> pen.add(new Mark.Shape(Outline.circle(x, y - 0.7, 0.28), 0.13));
            case "small" -> pen.add(new Mark.Shape(Outline.circle(x, y - 1.0, 0.12), 0));
            case "shut" ->
                pen.add(new Mark.Shape(
                        Outline.polygon(x - 0.26, y - 0.95, x + 0.26, y - 0.95, x + 0.26, y - 0.43, x - 0.26, y - 0.43),
                        0));
            case "gap" -> pen.add(new Mark.Line(x - 0.3, y - 0.1, x + 0.3, y - 0.1, 0.14));
            case "tongue" -> {
                pen.add(new Mark.Shape(Outline.circle(x, y - 0.5, RADIUS), 0));
                pen.add(new Mark.Line(x - 0.3, y - 1.1, x + 0.3, y - 1.1, 0.14));
            }
            case "push" -> {
                pen.add(new Mark.Shape(Outline.circle(x, y - 0.5, RADIUS), 0));
                pen.add(new Mark.Line(x - 0.35, y - 1.5, x + 0.3, y - 1.25, 0.13));
                pen.add(new Mark.Line(x - 0.35, y - 1.0, x + 0.3, y - 1.25, 0.13));
            }
            case "stem" -> pen.add(new Mark.Line(x, y, x, y - 1.2, 0.18));
            case "high" -> {
                pen.add(new Mark.Shape(Outline.circle(x, y - 1.6, RADIUS), 0));
                pen.add(new Mark.Line(x, y - 0.3, x, y - 1.3, 0.12));
            }
            case "fork" -> {
                pen.add(new Mark.Line(x, y - 0.2, x, y - 0.8, 0.14));
                pen.add(new Mark.Line(x, y - 0.8, x - 0.3, y - 1.3, 0.14));
                pen.add(new Mark.Line(x, y - 0.8, x + 0.3, y - 1.3, 0.14));
            }
            case "star" -> {
                for (double[] arm : new double[][] {{0, 0.6}, {0.52, 0.3}, {0.52, -0.3}}) {
                    pen.add(new Mark.Line(x - arm[0], y - 0.8 - arm[1], x + arm[0], y - 0.8 + arm[1], 0.14));
                }
            }
            case "land" -> pen.add(new Mark.Line(x - 0.35, y - 0.1, x + 0.35, y - 0.1, 0.28));
            case "pass" -> {
                pen.add(new Mark.Shape(Outline.circle(x, y - 0.7, 0.2), 0.13));
                pen.add(new Mark.Line(x - 0.4, y - 0.2, x + 0.4, y - 1.2, 0.12));
            }
            default -> pen.add(new Mark.Shape(Outline.circle(x, y - 0.7, RADIUS), 0));
        }
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

    /** Wavy lines, one above the other: a finger, the breath, the knee. */
    private static void waves(Pen pen, double x, double y, int count) {
        for (int i = 0; i < count; i++) {
            double at = y - 0.5 - i * 0.55;
            Outline wave = new Outline.Builder()
                    .move(x, at)
                    .cubic(x + 0.15, at - 0.6, x + 0.35, at + 0.6, x + 0.5, at)
                    .cubic(x + 0.65, at - 0.6, x + 0.85, at + 0.6, x + 1, at)
                    .build();
            pen.add(new Mark.Shape(wave, 0.18));
        }
    }

    // Common notation

    private static void common(Pen pen, Sign sign, double x, double y) {
        if (sign.kind() == Sign.Kind.SMALL) {
            small(pen, sign.heights(), x, y);
            return;
        }
        String glyph = GLYPHS.get(sign.frame());
        if (glyph != null) {
            GlyphFont.Entry entry = GlyphFont.of(glyph);
            pen.add(new Mark.Glyph(entry, x - entry.box().left(), y - 0.5, 1));
            return;
        }
        slide(sign.frame(), x, y).forEach(pen::add);
    }

    /** A head, and the line that glides into it, out of it, or down from it. */
    private static List<Mark> slide(String name, double x, double y) {
        GlyphFont.Entry head = GlyphFont.of("noteheadBlack");
        return switch (name) {
            case "slide-up" ->
                List.of(
                        new Mark.Line(x - 0.3, y - 0.1, x + 0.5, y - 0.75, 0.16),
                        new Mark.Glyph(head, x + 0.6, y - 0.9, 0.7));
            case "slide-on" ->
                List.of(
                        new Mark.Glyph(head, x - 0.3, y - 0.5, 0.7),
                        new Mark.Line(x + 0.65, y - 0.6, x + 1.6, y - 1.2, 0.16));
            case "slur", "slur-tenuto" -> slurred(head, name, x, y);
            case "second", "second-slide" -> paired(head, name, x, y);
            default ->
                List.of(
                        new Mark.Glyph(head, x - 0.3, y - 0.9, 0.7),
                        new Mark.Line(x + 0.65, y - 0.8, x + 1.5, y - 0.1, 0.16));
        };
    }

    /** Two heads under a slur, with lines over them where the bow leans on each. */
    private static List<Mark> slurred(GlyphFont.Entry head, String name, double x, double y) {
        List<Mark> marks = new ArrayList<>(List.of(
                new Mark.Glyph(head, x - 0.4, y - 0.3, 0.7),
                new Mark.Glyph(head, x + 0.8, y - 0.3, 0.7),
                new Mark.Shape(arch(x - 0.3, x + 1.5, y - 1.2), 0.14)));
        if (name.equals("slur-tenuto")) {
            marks.add(new Mark.Line(x - 0.3, y - 0.85, x + 0.4, y - 0.85, 0.14));
            marks.add(new Mark.Line(x + 0.9, y - 0.85, x + 1.6, y - 0.85, 0.14));
        }
        return marks;
    }

    /** Two heads on one stem, with a line into the lower one where it slides. */
    private static List<Mark> paired(GlyphFont.Entry head, String name, double x, double y) {
        List<Mark> marks = new ArrayList<>(List.of(
                new Mark.Glyph(head, x, y - 0.2, 0.7),
                new Mark.Glyph(head, x, y - 0.95, 0.7),
                new Mark.Line(x + 0.78, y - 0.25, x + 0.78, y - 2.3, 0.1)));
        if (name.equals("second-slide")) {
            marks.add(new Mark.Line(x - 0.9, y + 0.2, x - 0.1, y - 0.2, 0.16));
        }
        return marks;
    }

    /** Small notes at their heights before a head. */
    private static void small(Pen pen, List<Integer> heights, double x, double y) {
        GlyphFont.Entry head = GlyphFont.of("noteheadBlack");
        int highest = heights.stream().mapToInt(Integer::intValue).max().orElse(0);
        int lowest =
                Math.min(0, heights.stream().mapToInt(Integer::intValue).min().orElse(0));
        double step = Math.min(0.25, 1.3 / Math.max(1, highest - lowest));
        double note = y - 0.3 + lowest * step;
        for (int i = 0; i < heights.size(); i++) {
            double at = note - heights.get(i) * step;
            double left = x + i * SMALL_STEP;
            double stem = left + 1.18 * SMALL * 0.75;
            pen.add(new Mark.Glyph(head, left, at, SMALL * 0.78));
            pen.add(new Mark.Line(stem, at - 0.05, stem, y - 2.05, 0.09));
        }
        if (heights.size() > 1) {
            double from = x + 1.18 * SMALL * 0.75;
            pen.add(new Mark.Line(from, y - 2.05, from + (heights.size() - 1) * SMALL_STEP, y - 2.05, 0.2));
        }
        pen.add(new Mark.Glyph(head, x + heights.size() * SMALL_STEP + 0.15, note, 0.95));
    }
}
