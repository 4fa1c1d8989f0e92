package wildflourish.core.engraving;

import java.util.List;
import wildflourish.core.instrument.Strings;
import wildflourish.core.plain.HandFrame;

/**
 * Pictures of how the fingers lie: for each frame the neck seen from the front, the nut on top, the lowest string at the left, a ring for each
 * finger with what players call it.
 */
public final class HandFrames {
    private static final double STRING = 2.5;
    private static final double SEMITONE = 2.0;
    private static final double APART = 5.5;
    private static final double TEXT = 1.3;
    /** Of names with a letter before the finger, or frets of two digits. */
    private static final double NARROW = 1.05;

    private static final double RADIUS = 0.92;
    private static final double OPEN_RADIUS = 0.5;
    private static final double TOP = 5.6;

    private HandFrames() {}

    /** In rows as wide as asked for, under a heading whose baseline is y = 0; nothing where there is no frame. */
    static Sketch block(List<HandFrame> frames, Strings strings, double width) {
        Sketch sketch = new Sketch();
        if (frames.isEmpty()) {
            return sketch;
        }
        sketch.words("Under the hand: from line to line is a half step", 0, 0, Face.BOLD, 1.75);
        int inRow = inRow(strings, width);
        for (int i = 0; i < frames.size(); i += inRow) {
            List<HandFrame> row = frames.subList(i, Math.min(frames.size(), i + inRow));
            int line = i / inRow;
            sketch.addAll(row(row, frames, strings), 0, 2.4 + line * height(frames));
        }
        return sketch;
    }

    /** How many stand beside each other in a width. */
    public static int inRow(Strings strings, double width) {
        return Math.max(1, (int) Math.floor((width - 2) / each(strings)));
    }

    /** Some of all frames beside each other, all as high. */
    public static Sketch row(List<HandFrame> some, List<HandFrame> all, Strings strings) {
        Sketch sketch = new Sketch();
        for (int i = 0; i < some.size(); i++) {
            draw(sketch, some.get(i), strings, new Corner(1.4 + i * each(strings), 0, lowest(all)));
        }
        return sketch;
    }

    private static double each(Strings strings) {
        return (strings.open().size() - 1) * STRING + APART;
    }

    private static double height(List<HandFrame> frames) {
        return TOP + (lowest(frames) + 1) * SEMITONE;
    }

    private static int lowest(List<HandFrame> frames) {
        return frames.stream()
                .flatMap(frame -> frame.fingers().stream())
                .mapToInt(HandFrame.Finger::semitones)
                .max()
                .orElse(0);
    }

    /** Where a picture begins and how many half steps it shows. */
    private record Corner(double x, double y, int semitones) {
        double string(Strings strings, int string) {
            return x + place(strings, string) * STRING;
        }

        double semitone(int semitones) {
            return y + TOP - 1.2 + semitones * SEMITONE - (semitones > 0 ? SEMITONE / 2 : 0.75);
        }

        /** From the left as the player has them in front: a short string at the edge. */
        private static int place(Strings strings, int string) {
            List<Integer> fromTop = strings.fromTop();
            return fromTop.size() - 1 - fromTop.indexOf(string);
        }
    }

    private static void draw(Sketch sketch, HandFrame frame, Strings strings, Corner corner) {
        sketch.words(String.join(" ", frame.phrases()), corner.x - 0.6, corner.y + 0.4, Face.BODY, TEXT + 0.2);
        double nut = corner.y + TOP - 1.2;
        double left = corner.x;
        double right = corner.x + (strings.open().size() - 1) * STRING;
        for (int string = 0; string < strings.open().size(); string++) {
            double x = corner.string(strings, string);
            string(sketch, frame, string, x, corner);
            quiet(sketch, strings.stringName(string), x, corner.y + 2.0);
        }
        line(sketch, left, nut, right, nut, 0.35);
        for (int semitone = 1; semitone <= corner.semitones; semitone++) {
            line(sketch, left, nut + semitone * SEMITONE, right, nut + semitone * SEMITONE, 0.06);
        }
        for (HandFrame.Finger finger : frame.fingers()) {
            finger(sketch, finger, corner.string(strings, finger.string()), corner.semitone(finger.semitones()));
        }
    }

    /** A line for a string, broken where a finger stands on it. */
    private static void string(Sketch sketch, HandFrame frame, int string, double x, Corner corner) {
        double from = corner.y + TOP - 1.2;
        double end = from + corner.semitones * SEMITONE;
        for (HandFrame.Finger finger : frame.fingers()) {
            if (finger.string() == string && finger.semitones() > 0) {
                double y = corner.semitone(finger.semitones());
                line(sketch, x, from, x, y - RADIUS, 0.12);
                from = y + RADIUS;
            }
        }
        if (from < end) {
            line(sketch, x, from, x, end, 0.12);
        }
    }

    private static void finger(Sketch sketch, HandFrame.Finger finger, double x, double y) {
        boolean isOpen = finger.semitones() == 0;
        double radius = isOpen ? OPEN_RADIUS : RADIUS;
        sketch.add(new Mark.Shape(Outline.circle(x, y, radius), 0.14), Ink.FINGERING, Drawn.Kind.FINGERING);
        if (!isOpen) {
            double size = finger.name().length() > 1 ? NARROW : TEXT;
            double width = Face.BOLD.width(finger.name(), size);
            sketch.add(
                    new Mark.Words(finger.name(), x - width / 2, y + size * 0.36, Face.BOLD, size),
                    Ink.FINGERING,
                    Drawn.Kind.FINGERING);
        }
    }

    private static void quiet(Sketch sketch, String words, double x, double baseline) {
        double width = Face.BODY.width(words, TEXT);
        sketch.add(new Mark.Words(words, x - width / 2, baseline, Face.BODY, TEXT), Ink.QUIET, Drawn.Kind.WORDS);
    }

    private static void line(Sketch sketch, double x1, double y1, double x2, double y2, double thickness) {
        sketch.add(new Mark.Line(x1, y1, x2, y2, thickness), Ink.QUIET, Drawn.Kind.FINGERING);
    }
}
