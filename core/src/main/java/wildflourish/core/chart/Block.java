package wildflourish.core.chart;

import java.util.List;
import wildflourish.core.engraving.Box;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Face;
import wildflourish.core.engraving.Ink;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Sketch;

/** A part of a chart that stands on one sheet as a whole, with its own origin at its upper left corner. Lengths in staff spaces. */
record Block(Sketch sketch, List<PitchZone> zones, double height) {
    /** An em of the smallest words of a chart: 9 points where a staff space is printed 1.5 mm high. */
    static final double TEXT = 2.15;

    static final double NAME = 2.7;
    static final double HEADING = 2.4;
    /** From baseline to baseline of words of the smallest size. */
    static final double LINE = 2.8;

    private static final double COLUMN_GAP = 4;

    Block {
        zones = List.copyOf(zones);
    }

    static Block of(Sketch sketch, List<PitchZone> zones, double air) {
        return new Block(sketch, zones, sketch.box().map(Box::bottom).orElse(0.0) + air);
    }

    /** Words in as many lines as they take, under a heading where there is one. */
    static Block words(String heading, List<String> words, double width) {
        Sketch sketch = new Sketch();
        double at = 0;
        if (!heading.isEmpty()) {
            at += HEADING;
            sketch.words(heading, 0, at - 0.4, Face.BOLD, HEADING);
            at += 0.6;
        }
        for (String line : words) {
            for (String wrapped : Face.BODY.wrapped(Face.BODY.drawable(line), TEXT, width)) {
                at += LINE;
                quiet(sketch, wrapped, 0, at - 0.7);
            }
        }
        return new Block(sketch, List.of(), at + 1);
    }

    /** Short entries one under the other in as many columns as there is room for, under a heading. */
    static Block grid(String heading, List<String> entries, double width) {
        double widest = entries.stream()
                .mapToDouble(entry -> Face.BODY.width(entry, TEXT))
                .max()
                .orElse(1);
        int columns = Math.max(1, (int) Math.floor((width + COLUMN_GAP) / (widest + COLUMN_GAP)));
        int lines = (entries.size() + columns - 1) / columns;
        Sketch sketch = new Sketch();
        sketch.words(heading, 0, HEADING - 0.4, Face.BOLD, HEADING);
        for (int i = 0; i < entries.size(); i++) {
            int column = i / lines;
            double x = column * (widest + COLUMN_GAP);
            double y = HEADING + 0.6 + (i % lines + 1) * LINE - 0.7;
            sketch.words(entries.get(i), x, y, Face.BODY, TEXT);
        }
        return new Block(sketch, List.of(), HEADING + 1.6 + lines * LINE);
    }

    static void quiet(Sketch sketch, String words, double x, double baseline) {
        sketch.add(new Mark.Words(words, x, baseline, Face.BODY, TEXT), Ink.QUIET, Drawn.Kind.WORDS);
    }

    /** Words round a point. */
    static void centred(Sketch sketch, String words, double x, double y, Face face, double size, Ink ink) {
        double left = x - face.width(words, size) / 2;
        sketch.add(new Mark.Words(words, left, y + 0.36 * size, face, size), ink, Drawn.Kind.FINGERING);
    }
}
