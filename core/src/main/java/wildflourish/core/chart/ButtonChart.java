package wildflourish.core.chart;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import wildflourish.core.engraving.Box;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Face;
import wildflourish.core.engraving.Ink;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Outline;
import wildflourish.core.engraving.Sketch;
import wildflourish.core.hand.Bearing;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.FingeredPitch;

/** The buttons of a box, or of both ends of a concertina, where they lie: what each sounds pressed in its square half, drawn in its round half. */
final class ButtonChart {
    /** From one button to the next at most. */
    private static final double MOST_STEP = 14;
    /** All rows together at most: so they are seen at once on a screen. */
    private static final double MOST_HEIGHT = 40;

    private static final double BORDER = 2.4;
    private static final double LINE = 0.18;
    /** Between the two ends of a concertina, in buttons. */
    private static final double APART = 0.9;

    private final ChartWish wish;
    private final Instrument instrument;
    private final ButtonLayout layout;
    private final boolean isOneWay;
    private final double width;
    private final Sketch sketch = new Sketch();
    private final List<PitchZone> zones = new ArrayList<>();
    private final ButtonPlaces places;
    private final double step;
    private final double half;
    private final double rowHeight;

    private ButtonChart(ChartWish wish, ButtonLayout layout, double width) {
        this.wish = wish;
        this.instrument = wish.instrument();
        this.layout = layout;
        this.isOneWay = layout.isSameBothWays();
        this.width = width;
        this.places = new ButtonPlaces(layout, APART);
        double rowShare = isOneWay ? 0.98 : 1.12;
        double inHeight = Math.min(MOST_STEP, MOST_HEIGHT / (places.rows() * rowShare));
        this.step = Math.min(inHeight, (width - 2 * BORDER - 1) / places.columns());
        this.half = step * 0.42;
        this.rowHeight = rowShare * step;
    }

    static List<Block> blocks(ChartWish wish, ButtonLayout layout, double width) {
        ButtonChart chart = new ButtonChart(wish, layout, width);
        List<Block> blocks = new ArrayList<>();
        blocks.add(chart.ends());
        blocks.add(chart.key());
        blocks.add(chart.found());
        wish.asked()
                .filter(wish.instrument()::has)
                .ifPresent(note -> blocks.addAll(ButtonPictures.blocks(
                        note, wish.key(), Bearing.of(wish.playing(), wish.key(), note), layout, width)));
        return blocks;
    }

    private double x(Button button) {
        return BORDER + 0.5 + (places.column(button) + 0.5) * step;
    }

    private Block ends() {
        double top = 5.5;
        for (Button button : layout.buttons()) {
            button(button, x(button), top + (places.row(button) + 0.5) * rowHeight);
        }
        double bottom = top + places.rows() * rowHeight;
        for (Button.Hand hand : Button.Hand.values()) {
            List<Button> its = layout.buttons().stream()
                    .filter(button -> button.hand() == hand)
                    .toList();
            if (!its.isEmpty()) {
                double left = its.stream().mapToDouble(this::x).min().orElse(0) - step / 2 - BORDER * 0.6;
                double right = its.stream().mapToDouble(this::x).max().orElse(0) + step / 2 + BORDER * 0.6;
                end(hand, new Box(left, top - 1.6, right, bottom + 1.6));
            }
        }
        return Block.of(sketch, zones, 2);
    }

    /** The edge of a concertina's end, cut at its corners, or of a box's keyboard. */
    private void end(Button.Hand hand, Box box) {
        double cut = places.hasTwoEnds() ? 2.6 : 0.9;
        Outline edge = Outline.polygon(
                box.left() + cut,
                box.top(),
                box.right() - cut,
                box.top(),
                box.right(),
                box.top() + cut,
                box.right(),
                box.bottom() - cut,
                box.right() - cut,
                box.bottom(),
                box.left() + cut,
                box.bottom(),
                box.left(),
                box.bottom() - cut,
                box.left(),
                box.top() + cut);
        sketch.add(new Mark.Shape(edge, 0.22), Ink.QUIET, Drawn.Kind.PICTURE);
        String name = places.hasTwoEnds()
                ? (hand == Button.Hand.LEFT ? "left hand" : "right hand")
                : "right hand, low notes at the left; the outer row on top";
        sketch.words(name, box.left() + 0.4, box.top() - 1.1, Face.BOLD, Block.TEXT);
    }

    private void button(Button button, double x, double y) {
        double middle = y + 0.4;
        if (isOneWay) {
            oneWay(button, x, middle);
        } else {
            twoWays(button, x, middle);
        }
        if (isShown(button)) {
            above(button, x, middle - half);
        }
    }

    private boolean isShown(Button button) {
        return wish.shows(button.press()) || wish.shows(button.draw());
    }

    /** A ring with what it sounds; a dot where the chart does not show it. */
    private void oneWay(Button button, double x, double y) {
        if (!isShown(button)) {
            free(x, y);
            return;
        }
        double thickness = wish.isAsked(button.press()) ? 0.7 : LINE;
        sketch.add(new Mark.Shape(Outline.circle(x, y, half), thickness), Ink.FINGERING, Drawn.Kind.FINGERING);
        note(button.press(), x, y + 0.2, new Box(x - half, y - half, x + half, y + half));
    }

    private void free(double x, double y) {
        sketch.add(new Mark.Shape(Outline.circle(x, y, 0.8), 0.14), Ink.QUIET, Drawn.Kind.PICTURE);
    }

    /** Square above, with what it sounds pressed, round below, with what it sounds drawn. */
    private void twoWays(Button button, double x, double y) {
        if (!isShown(button)) {
            free(x, y);
            return;
        }
        double k = 0.5523 * half;
        Outline square = new Outline.Builder()
                .move(x - half, y)
                .line(x - half, y - half)
                .line(x + half, y - half)
                .line(x + half, y)
                .close()
                .build();
        Outline round = new Outline.Builder()
                .move(x - half, y)
                .cubic(x - half, y + k, x - k, y + half, x, y + half)
                .cubic(x + k, y + half, x + half, y + k, x + half, y)
                .close()
                .build();
        sketch.add(
                new Mark.Shape(square, wish.isAsked(button.press()) ? 0.7 : LINE), Ink.FINGERING, Drawn.Kind.FINGERING);
        sketch.add(
                new Mark.Shape(round, wish.isAsked(button.draw()) ? 0.7 : LINE), Ink.FINGERING, Drawn.Kind.FINGERING);
        if (wish.shows(button.press())) {
            note(button.press(), x, y - half * 0.48, new Box(x - half, y - half, x + half, y));
        }
        if (wish.shows(button.draw())) {
            note(button.draw(), x, y + half * 0.42, new Box(x - half, y, x + half, y + half));
        }
    }

    private void note(FingeredPitch pitch, double x, double y, Box box) {
        String name = PitchNames.of(instrument, pitch);
        Face face = wish.isAsked(pitch) ? Face.BOLD : Face.BODY;
        double size = Math.min(Block.NAME, Block.NAME * (2 * half - 0.6) / face.width(name, Block.NAME));
        Block.centred(sketch, name, x, y, face, Math.max(Block.TEXT, size), Ink.FINGERING);
        zones.add(new PitchZone(pitch, box));
    }

    /** Its number at the left, its fingers at the right. */
    private void above(Button button, double x, double top) {
        Block.quiet(sketch, String.valueOf(button.number()), x - half, top - 0.6);
        String fingers = fingers(button);
        if (!fingers.isEmpty()) {
            double left = x + half - Face.BOLD.width(fingers, Block.TEXT);
            sketch.add(
                    new Mark.Words(fingers, left, top - 0.6, Face.BOLD, Block.TEXT), Ink.SINGLE, Drawn.Kind.FINGERING);
        }
    }

    /** Those of the tune where there is one, else the usual one; none where any finger may take it. */
    private String fingers(Button button) {
        Set<Integer> used = wish.fingers().getOrDefault(button.name(), Set.of());
        if (!used.isEmpty()) {
            return used.stream().sorted().map(String::valueOf).collect(Collectors.joining(" "));
        }
        boolean isAny = button.fingers().size() > 3;
        return wish.fingers().isEmpty() && !isAny
                ? String.valueOf(button.fingers().get(0))
                : "";
    }

    /** Each note with all buttons that have it, from the lowest. */
    private Block found() {
        Map<FingeredPitch, List<String>> found = new TreeMap<>(Comparator.comparingInt(FingeredPitch::midi));
        for (Button button : layout.buttons()) {
            for (Button.Bellows way : Button.Bellows.values()) {
                boolean isOnce = way == Button.Bellows.DRAW && button.isSameBothWays();
                FingeredPitch pitch = button.pitch(way);
                if (!isOnce && wish.shows(pitch)) {
                    String words = button.name()
                            + (button.isSameBothWays() ? "" : way == Button.Bellows.PRESS ? " press" : " draw");
                    found.computeIfAbsent(pitch, none -> new ArrayList<>()).add(words);
                }
            }
        }
        List<String> entries = new ArrayList<>();
        found.forEach(
                (pitch, where) -> entries.add(PitchNames.of(instrument, pitch) + "  " + String.join(", ", where)));
        return Block.grid("Where each note is: row, number" + (isOneWay ? "" : ", bellows"), entries, width);
    }

    private Block key() {
        List<String> lines = new ArrayList<>();
        lines.add(
                isOneWay
                        ? "Each button sounds the same both ways."
                        : "In the square half what a button sounds pressed, in the round half what it sounds drawn.");
        lines.add("Above a button at the left its number in the row, at the right in bold the finger"
                + (wish.fingers().isEmpty()
                        ? " that usually takes it, 1 the index; none where any may."
                        : " that takes it in the tune, 1 the index."));
        if (wish.only().isPresent()) {
            lines.add("Small rings: buttons that are not needed.");
        }
        return Block.words("", lines, width);
    }
}
