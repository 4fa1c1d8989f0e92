package wildflourish.desktop.view;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.DoubleBinaryOperator;
import java.util.stream.Stream;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import wildflourish.core.engraving.Face;
import wildflourish.core.engraving.Ink;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Begin;
import wildflourish.core.performance.Lane;
import wildflourish.core.performance.Moment;
import wildflourish.core.words.Words;
import wildflourish.desktop.look.AppFonts;
import wildflourish.desktop.look.CanvasPainter;
import wildflourish.desktop.look.Theme;

/** Draws a spot in milliseconds: the pitch line above, under it a lane for each finger, the tongue and the breath; the lanes share the height there is. */
final class CloseUpPainter {
    private static final double LEFT = 116;
    private static final double RIGHT = 16;
    private static final double PITCH_TOP = 40;
    private static final double LANES_GAP = 12;
    private static final double LEAST_PITCH = 52;
    private static final double LANE = 16.5;
    private static final double MOST_LANE = 30;
    /** Of the height, what the pitch takes where there is more of it than the lanes need. */
    private static final double PITCH_SHARE = 0.34;
    /** A curve is drawn in so many straight pieces. */
    private static final int CURVE_STEPS = 64;

    private final GraphicsContext graphics;
    private final double width;
    private final double height;
    private final Theme theme;
    private final CloseUp shown;
    private final double pitchBottom;
    private final double lanesTop;

    CloseUpPainter(Canvas canvas, Theme theme, CloseUp shown) {
        this.graphics = canvas.getGraphicsContext2D();
        this.width = canvas.getWidth();
        this.height = canvas.getHeight();
        this.theme = theme;
        this.shown = shown;
        double lanes = (shown.lanes().size() + (shown.air().isEmpty() ? 0 : 1)) * LANE;
        double free = height - PITCH_TOP - LANES_GAP - 24;
        this.pitchBottom = PITCH_TOP + Math.max(LEAST_PITCH, Math.min(free - lanes, free * PITCH_SHARE));
        this.lanesTop = pitchBottom + LANES_GAP;
    }

    /** The place of a point, in milliseconds of the realisation. */
    double millisAt(double x) {
        double part = (x - LEFT) / (width - LEFT - RIGHT);
        double start = shown.window().startMillis().toDouble();
        return start
                + Math.max(0, Math.min(1, part)) * shown.window().lengthMillis().toDouble();
    }

    private double x(double millis) {
        double start = shown.window().startMillis().toDouble();
        double length = shown.window().lengthMillis().toDouble();
        return LEFT + (millis - start) / length * (width - LEFT - RIGHT);
    }

    private Color ink(Ink ink) {
        return CanvasPainter.colour(theme.palette().of(ink));
    }

    /** Draws all, with the place looked at and the place heard, in milliseconds of the realisation. */
    void draw(Optional<Double> scrubbed, Optional<Double> heard) {
        graphics.setFill(ink(Ink.WORDS));
        graphics.setFont(AppFonts.of(Face.BOLD, 13));
        graphics.fillText(shown.title(), 14, 20);
        axis();
        pitchLine();
        for (int i = 0; i < shown.lanes().size(); i++) {
            Lane each = shown.lanes().get(i);
            double apart = each.kind().isOneOfSeveral() ? 0 : 4;
            lane(each, lanesTop + i * laneHeight() + apart);
        }
        if (!shown.air().isEmpty()) {
            double top = lanesTop + shown.lanes().size() * laneHeight() + 6;
            label("air", top + laneHeight() - 6);
            AirLane.draw(
                    graphics,
                    shown.air(),
                    millis -> Math.max(LEFT, Math.min(width - RIGHT, x(millis))),
                    top,
                    laneHeight() - 2,
                    ink(Ink.CRAN));
        }
        scrubbed.ifPresent(millis -> cursor(millis, ink(Ink.ROLL), true));
        heard.filter(millis -> millis >= shown.window().startMillis().toDouble()
                        && millis <= shown.window().endMillis().toDouble())
                .ifPresent(millis -> cursor(millis, ink(Ink.SINGLE), false));
    }

    /** Of one lane: they share the height there is. */
    private double laneHeight() {
        return Math.min(
                MOST_LANE,
                (height - lanesTop - 26) / (shown.lanes().size() + (shown.air().isEmpty() ? 0 : 1)));
    }

    /** A fine line every step of milliseconds, counted from where the spot begins. */
    private void axis() {
        double length = shown.window().lengthMillis().toDouble();
        double step = length > 900 ? 100 : length > 400 ? 50 : 20;
        double origin = shown.spot().startMillis().toDouble();
        graphics.setFont(AppFonts.of(Face.BODY, 11));
        graphics.setLineWidth(1);
        double first = Math.ceil((shown.window().startMillis().toDouble() - origin) / step) * step;
        for (double at = first; origin + at <= shown.window().endMillis().toDouble(); at += step) {
            double x = Math.rint(x(origin + at)) + 0.5;
            graphics.setStroke(ink(Ink.STAFF).deriveColor(0, 1, 1, at == 0 ? 0.9 : 0.28));
            graphics.strokeLine(x, 34, x, height - 18);
            graphics.setFill(ink(Ink.QUIET));
            String label = String.format(Locale.ROOT, "%.0f", at);
            double labelWidth = Face.BODY.width(label, 11);
            if (x + labelWidth / 2 < width - 4) {
                graphics.fillText(label, x - labelWidth / 2, height - 5);
            }
        }
        graphics.fillText("milliseconds", 14, height - 5);
        double x1 = x(shown.spot().startMillis().toDouble());
        double x2 = x(shown.spot().endMillis().toDouble());
        graphics.setFill(ink(Ink.SINGLE).deriveColor(0, 1, 1, 0.09));
        graphics.fillRect(x1, 28, x2 - x1, height - 46);
    }

    private void pitchLine() {
        double low = bound(Double::min, Double.POSITIVE_INFINITY) - 1;
        double high = bound(Double::max, Double.NEGATIVE_INFINITY) + 1;
        label("pitch heard", (PITCH_TOP + pitchBottom) / 2 + 4);
        double lastX = Double.NaN;
        double lastY = Double.NaN;
        for (Moment moment : shown.moments()) {
            if (moment.sounding().isEmpty()) {
                lastX = Double.NaN;
                continue;
            }
            double begins = moment.semitonesInside(0).orElseThrow();
            double ends = moment.semitonesInside(1).orElseThrow();
            double y = heightOf(begins, low, high);
            double x1 = clamp(moment.startMillis());
            double x2 = clamp(moment.endMillis());
            Color colour = ink(moment.isGesture() ? shown.family() : Ink.NOTES);
            graphics.setLineWidth(1);
            graphics.setStroke(ink(Ink.STAFF));
            if (!Double.isNaN(lastX)) {
                graphics.strokeLine(x1, lastY, x1, y);
            }
            graphics.setStroke(colour);
            graphics.setLineWidth(4);
            curve(moment, low, high);
            boolean isSliding = moment.sounding().orElseThrow().melody().glide().fromCents() != 0;
            boolean isMore = moment.sounding().get().begin() == Begin.HELD;
            if (!moment.isGesture() && !isSliding && !isMore && x2 - x1 > 34) {
                graphics.setFill(ink(Ink.QUIET));
                graphics.setFont(AppFonts.of(Face.BODY, 11));
                graphics.fillText(moment.sounding().get().pitch().toString(), x1 + 4, y - 5);
            }
            lastX = x2;
            lastY = heightOf(ends, low, high);
        }
        drones();
    }

    private double heightOf(double semitones, double low, double high) {
        return pitchBottom - (semitones - low) / (high - low) * (pitchBottom - PITCH_TOP);
    }

    /** The pitch of a moment from beginning to end: a line, or what it glides and waves along. */
    private void curve(Moment moment, double low, double high) {
        boolean isLevel = moment.sounding().orElseThrow().melody().glide().isLevel();
        int steps = isLevel ? 1 : CURVE_STEPS;
        double start = moment.startMillis().toDouble();
        double length = moment.lengthMillis().toDouble();
        double from = shown.window().startMillis().toDouble();
        double to = shown.window().endMillis().toDouble();
        for (int i = 0; i < steps; i++) {
            double first = (double) i / steps;
            double last = (double) (i + 1) / steps;
            double x1 = x(Math.max(from, Math.min(to, start + first * length)));
            double x2 = x(Math.max(from, Math.min(to, start + last * length)));
            double y1 = heightOf(moment.semitonesInside(first).orElseThrow(), low, high);
            double y2 = heightOf(moment.semitonesInside(isLevel ? 0 : last).orElseThrow(), low, high);
            if (x2 > x1) {
                graphics.strokeLine(x1, y1, x2, y2);
            }
        }
    }

    /** What sounds all the time, under the melody's line. */
    private void drones() {
        List<String> names = shown.realisation().drones().stream()
                .map(voice -> voice.pitch().toString().replaceAll(" .*|[+−].*", ""))
                .map(name -> name.replace("A♯", "B♭").replace("D♯", "E♭").replace("G♯", "A♭"))
                .distinct()
                .toList();
        if (!names.isEmpty()) {
            double y = pitchBottom + 3;
            graphics.setStroke(ink(Ink.QUIET));
            graphics.setLineWidth(1.5);
            graphics.strokeLine(LEFT, y, width - RIGHT, y);
            label("drones " + String.join(" ", names), y + 4);
        }
    }

    private double bound(DoubleBinaryOperator choose, double start) {
        return shown.moments().stream()
                .flatMap(moment ->
                        Stream.of(0.0, 0.25, 0.5, 0.75, 1.0).flatMap(part -> moment.semitonesInside(part).stream()))
                .mapToDouble(Double::doubleValue)
                .reduce(start, choose);
    }

    private double clamp(Fraction millis) {
        double low = shown.window().startMillis().toDouble();
        double high = shown.window().endMillis().toDouble();
        return x(Math.max(low, Math.min(high, millis.toDouble())));
    }

    private void label(String words, double y) {
        graphics.setFill(ink(Ink.WORDS));
        graphics.setFont(AppFonts.of(Face.BODY, 12));
        graphics.fillText(words, 14, y);
    }

    private void lane(Lane lane, double y) {
        double laneHeight = laneHeight();
        label(nameOf(lane), y + laneHeight - 5);
        graphics.setStroke(ink(Ink.STAFF).deriveColor(0, 1, 1, 0.5));
        graphics.setLineWidth(1);
        graphics.strokeLine(LEFT, y + laneHeight - 2.5, width - RIGHT, y + laneHeight - 2.5);
        for (int i = 0; i < lane.strokes().size(); i++) {
            Lane.Stroke stroke = lane.strokes().get(i);
            double x1 = clamp(stroke.startMillis());
            double x2 = clamp(stroke.endMillis());
            double next = i + 1 < lane.strokes().size()
                    ? clamp(lane.strokes().get(i + 1).startMillis())
                    : width;
            Bar bar = new Bar(x1, y + 2, Math.max(0, x2 - x1), laneHeight - 5, next - x2);
            stroke(stroke, shown.family(), lane, bar);
        }
    }

    /**
     * A bar of a lane on the canvas.
     *
     * @param room to the next bar
     */
    private record Bar(double x, double y, double width, double height, double room) {
        /** A strip of it: from so far below its top, so high. */
        Bar within(double top, double other) {
            return new Bar(x, y + top, width, other, room);
        }
    }

    private void stroke(Lane.Stroke stroke, Ink family, Lane lane, Bar bar) {
        boolean isShort = stroke.endMillis().minus(stroke.startMillis()).isLessThan(Fraction.of(80));
        Color down = isShort && lane.kind() == Lane.Kind.FINGER ? ink(family) : ink(Ink.NOTES);
        switch (stroke.state()) {
            case DOWN -> fill(bar, down);
            case HALF -> fill(bar.within(bar.height() / 2, bar.height() / 2), down);
            case UP -> {
                if (isShort) {
                    graphics.setStroke(ink(family));
                    graphics.setLineWidth(2);
                    graphics.strokeRect(bar.x() + 1, bar.y() + 1, Math.max(2, bar.width() - 2), bar.height() - 2);
                }
            }
            case STRIKE -> fill(bar, ink(Ink.CRAN));
            case SOUNDING -> {
                fill(bar, ink(Ink.NOTES));
                written(stroke.text(), bar, CanvasPainter.colour(theme.palette().paper()));
            }
            case KEPT -> fill(bar.within(bar.height() - 3, 3), ink(Ink.NOTES));
            case DOWN_STROKE, PRESS -> {
                fill(bar, ink(Ink.CRAN));
                written(stroke.text(), bar, CanvasPainter.colour(theme.palette().paper()));
            }
            case UP_STROKE, DRAW -> {
                graphics.setStroke(ink(Ink.CRAN));
                graphics.setLineWidth(1.5);
                graphics.strokeRoundRect(
                        bar.x() + 0.75, bar.y() + 0.75, Math.max(2, bar.width() - 2.5), bar.height() - 1.5, 4, 4);
                written(stroke.text(), bar, ink(Ink.CRAN));
            }
            case SOFT -> fill(bar.within(6, 5), ink(Ink.QUIET));
            case FIRM -> fill(bar, ink(Ink.QUIET));
        }
    }

    /** The text of a bar upon it, or beside it where it is too short and there is room. */
    private void written(String text, Bar bar, Color on) {
        double size = Math.min(12, bar.height() - 1);
        double width = Face.BOLD.width(text, size);
        boolean isOnIt = width + 6 <= bar.width();
        if (!isOnIt && width + 4 > bar.room()) {
            return;
        }
        graphics.setFill(isOnIt ? on : ink(Ink.WORDS));
        graphics.setFont(AppFonts.of(Face.BOLD, size));
        graphics.fillText(
                text, isOnIt ? bar.x() + 4 : bar.x() + bar.width() + 2, bar.y() + bar.height() / 2 + size * 0.36);
    }

    private void fill(Bar bar, Color colour) {
        graphics.setFill(colour);
        graphics.fillRoundRect(bar.x(), bar.y(), Math.max(1.5, bar.width() - 1), bar.height(), 4, 4);
    }

    private String nameOf(Lane lane) {
        return switch (lane.kind()) {
            case FINGER -> {
                long holes = shown.lanes().stream()
                        .filter(each -> each.kind() == Lane.Kind.FINGER)
                        .count();
                yield Words.finger(lane.number(), (int) holes);
            }
            case TONGUE -> shown.isThroat() ? "throat" : "tongue";
            case BREATH -> "breath";
            case STRING, ROW ->
                shown.realisation()
                        .lines()
                        .map(lines -> lines.laneName(lane.number()))
                        .orElse("");
            case BOW -> "bow";
            case PICK -> "pick";
            case BANJO_HAND -> "picking hand";
            case BELLOWS -> "bellows";
            case LEFT_HAND -> "left hand";
            case BUTTON_FINGER -> fingerOf(lane.number());
        };
    }

    /** A finger on buttons, with its hand where both have some. */
    private String fingerOf(int number) {
        boolean hasLeft = shown.lanes().stream()
                .anyMatch(lane -> lane.kind() == Lane.Kind.BUTTON_FINGER && lane.number() > BUTTON_FINGERS.size());
        boolean isLeft = number > BUTTON_FINGERS.size();
        String name = BUTTON_FINGERS.get((number - 1) % BUTTON_FINGERS.size());
        return hasLeft ? (isLeft ? "L " : "R ") + name : name;
    }

    private static final List<String> BUTTON_FINGERS = List.of("index", "middle", "ring", "little");

    private void cursor(double millis, Color colour, boolean isLabelled) {
        double x = x(millis);
        graphics.setStroke(colour);
        graphics.setLineWidth(2);
        graphics.strokeLine(x, 28, x, height - 18);
        if (isLabelled) {
            double since = millis - shown.spot().startMillis().toDouble();
            String pitch = shown.realisation()
                    .at(millis)
                    .flatMap(Moment::sounding)
                    .map(sounding -> " · " + sounding.pitch())
                    .orElse("");
            String words = String.format(Locale.ROOT, "%.0f ms", since) + pitch;
            graphics.setFill(ink(Ink.WORDS));
            graphics.setFont(AppFonts.of(Face.BOLD, 12));
            double wordsWidth = Face.BOLD.width(words, 12);
            graphics.fillText(words, Math.min(x + 6, width - wordsWidth - 6), 38);
        }
    }
}
