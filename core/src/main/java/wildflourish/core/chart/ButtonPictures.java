package wildflourish.core.chart;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import wildflourish.core.engraving.Drawn;
import wildflourish.core.engraving.Face;
import wildflourish.core.engraving.Ink;
import wildflourish.core.engraving.Mark;
import wildflourish.core.engraving.Outline;
import wildflourish.core.engraving.Sketch;
import wildflourish.core.hand.Bearing;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.music.Key;
import wildflourish.core.music.WrittenPitch;

/**
 * What one note bears, on pictures of the buttons: for each ornament the rows as they lie, the fingers on the buttons that it takes, a thick ring round the note's own; below what it sounds and which way the bellows
 * go.
 */
final class ButtonPictures {
    /** How much larger it is drawn on a sheet than the numbers here say. */
    private static final double LARGER = 1.55;

    private static final double STEP = 2.05;
    private static final double ROW = 2.3;
    private static final double RADIUS = 0.98;
    private static final double FINGER = 1.5;
    private static final double FREE = 0.24;
    private static final double APART = 3.2;
    private static final double NAME = 1.6;
    private static final double TEXT = 1.4;
    /** Between the two hands of a concertina, in columns. */
    private static final double HANDS = 1.6;

    private final ButtonLayout layout;
    private final ButtonPlaces places;

    private ButtonPictures(ButtonLayout layout) {
        this.layout = layout;
        this.places = new ButtonPlaces(layout, HANDS);
    }

    /** In rows as wide as asked for. */
    static List<Block> blocks(WrittenPitch note, Key key, List<Bearing> bearings, ButtonLayout layout, double width) {
        return new ButtonPictures(layout).rows(note + " bears in " + key.name(), bearings, width);
    }

    private List<Block> rows(String what, List<Bearing> bearings, double width) {
        List<Bearing> borne =
                bearings.stream().filter(each -> each.refusal().isEmpty()).toList();
        double each = places.columns() * STEP + APART;
        int inRow = Math.max(1, (int) Math.floor((width / LARGER + APART) / each));
        double height = 3.4 + places.rows() * ROW + 2.6;
        List<Block> blocks = new ArrayList<>();
        for (int i = 0; i < borne.size(); i += inRow) {
            Sketch row = new Sketch();
            for (int at = i; at < Math.min(borne.size(), i + inRow); at++) {
                picture(row, borne.get(at), (at - i) * each, NAME);
            }
            Sketch sketch = new Sketch();
            double top = 0;
            if (i == 0) {
                sketch.words("What " + what, 0, Block.HEADING, Face.BOLD, Block.HEADING);
                top = Block.HEADING + 1.5;
            }
            sketch.addAll(row.scaled(LARGER), 0, top);
            blocks.add(new Block(sketch, List.of(), top + height * LARGER));
        }
        List<String> closing = new ArrayList<>();
        String none = bearings.stream()
                .filter(one -> one.refusal().isPresent())
                .map(one -> one.ornament().name())
                .collect(Collectors.joining(", "));
        if (!none.isEmpty()) {
            closing.add("Not to be had on it: " + none + ".");
        }
        closing.add(
                "In the pictures of ornaments the number of the finger stands on its button, 1 the index; the thick ring is the note's own.");
        blocks.add(Block.words("", closing, width));
        return blocks;
    }

    private void picture(Sketch sketch, Bearing bearing, double x, double y) {
        sketch.words(BearsBlock.nameOf(bearing), x, y, Face.BOLD, NAME);
        double top = y + 1.9;
        for (Button button : layout.buttons()) {
            double centre = x + RADIUS + places.column(button) * STEP;
            double middle = top + places.row(button) * ROW;
            List<Bearing.Used> here = new ArrayList<>(bearing.used());
            here.removeIf(used -> !isOf(used, button));
            if (here.isEmpty()) {
                sketch.add(new Mark.Shape(Outline.circle(centre, middle, FREE), 0), Ink.STAFF, Drawn.Kind.FINGERING);
            } else {
                taken(sketch, here.get(here.size() - 1), centre, middle);
            }
        }
        double below = top + places.rows() * ROW + 0.5;
        quiet(sketch, sounds(bearing), x, below);
    }

    private static boolean isOf(Bearing.Used used, Button button) {
        return used.key().equals(button.name())
                || (!button.isSameBothWays() && used.key().matches(Pattern.quote(button.name()) + "[pd]"));
    }

    /** A ring with the finger; a thick one round the note's own button. */
    private static void taken(Sketch sketch, Bearing.Used used, double x, double y) {
        Ink ink = used.isNote() ? Ink.NOTES : Ink.SINGLE;
        sketch.add(new Mark.Shape(Outline.circle(x, y, RADIUS), used.isNote() ? 0.3 : 0.14), ink, Drawn.Kind.FINGERING);
        String finger = String.valueOf(used.finger());
        double width = Face.BOLD.width(finger, FINGER);
        sketch.add(
                new Mark.Words(finger, x - width / 2, y + FINGER * 0.36, Face.BOLD, FINGER), ink, Drawn.Kind.FINGERING);
    }

    /** {@code pressed · with C♯, A}. */
    private String sounds(Bearing bearing) {
        boolean isOneWay = layout.isSameBothWays();
        Optional<String> way = isOneWay
                ? Optional.empty()
                : Optional.of(bearing.used().stream()
                        .map(used -> used.key().endsWith("p") ? "press" : "draw")
                        .distinct()
                        .collect(Collectors.joining(", ")));
        String fingers = bearing.used().stream()
                .filter(Bearing.Used::isNote)
                .map(used -> String.valueOf(used.finger()))
                .distinct()
                .collect(Collectors.joining(" "));
        String others = bearing.used().stream()
                .filter(used -> !used.isNote())
                .map(used -> used.pitch().letter())
                .distinct()
                .collect(Collectors.joining(" "));
        List<String> words = new ArrayList<>(way.stream().toList());
        if (fingers.length() > 1) {
            words.add("fingers " + fingers);
        }
        if (!others.isEmpty()) {
            words.add("with " + others);
        }
        return String.join(" · ", words);
    }

    private static void quiet(Sketch sketch, String words, double x, double baseline) {
        sketch.add(new Mark.Words(words, x, baseline, Face.BODY, TEXT), Ink.QUIET, Drawn.Kind.WORDS);
    }
}
