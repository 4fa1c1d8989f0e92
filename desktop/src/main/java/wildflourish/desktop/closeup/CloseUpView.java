package wildflourish.desktop.closeup;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import wildflourish.core.engraving.Face;
import wildflourish.core.engraving.Ink;
import wildflourish.core.engraving.Sign;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.Tempo;
import wildflourish.core.ornament.Begin;
import wildflourish.core.performance.Lane;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Passes;
import wildflourish.core.version.Placement;
import wildflourish.core.version.Spot;
import wildflourish.core.version.Version;
import wildflourish.core.words.Words;
import wildflourish.desktop.desk.Desk;
import wildflourish.desktop.desk.Sight;
import wildflourish.desktop.look.AppFonts;
import wildflourish.desktop.look.CanvasPainter;
import wildflourish.desktop.look.Theme;

/** The chosen spot in milliseconds: the pitch line above, under it a lane for each finger, the tongue and the breath. */
public final class CloseUpView extends Pane {
    private static final double HEIGHT = 264;
    private static final double LEFT = 116;
    private static final double RIGHT = 16;
    private static final double PITCH_TOP = 40;
    private static final double PITCH_BOTTOM = 92;
    private static final double LANES_TOP = 104;
    private static final double LANE = 16.5;
    /** A curve is drawn in so many straight pieces. */
    private static final int CURVE_STEPS = 64;

    /** Of strings and rows, which are fewer and have something written on them. */
    private static final double HAND_LANE = 23;

    private final Desk desk;
    private final Canvas canvas = new Canvas();
    private Theme theme = Theme.LIGHT;
    private Optional<Realisation> realisation = Optional.empty();
    private Optional<Picture> picture = Optional.empty();
    private Optional<Double> scrubbed = Optional.empty();
    private Optional<Double> heard = Optional.empty();

    /** What is drawn: a window of time around the spot, its moments and lanes, the air of a box, and the ink of the ornament's family. */
    record Picture(
            Realisation.Stretch spot,
            Realisation.Stretch window,
            List<Moment> moments,
            List<Lane> lanes,
            List<Lane.Air> air,
            Ink family,
            String title) {}

    public CloseUpView(Desk desk) {
        this.desk = desk;
        setId("close-up");
        getStyleClass().add("close-up");
        setMinHeight(HEIGHT);
        setPrefHeight(HEIGHT);
        setMaxHeight(HEIGHT);
        getChildren().add(canvas);
        canvas.setHeight(HEIGHT);
        canvas.widthProperty().bind(widthProperty());
        widthProperty().addListener((at, before, after) -> draw());
        canvas.addEventHandler(MouseEvent.MOUSE_PRESSED, this::scrub);
        canvas.addEventHandler(MouseEvent.MOUSE_DRAGGED, this::scrub);
    }

    public void setTheme(Theme newTheme) {
        theme = newTheme;
        draw();
    }

    /** Shows the chosen note of a sight in a realisation of its stage. */
    public void show(Optional<Realisation> worked) {
        realisation = worked;
        scrubbed = Optional.empty();
        picture = worked.flatMap(this::pictureOf);
        setAccessibleText(picture.map(Picture::title).orElse("Close-up: choose a note"));
        draw();
    }

    /** Draws the place that is heard, in milliseconds of the realisation; none when nothing plays. */
    public void setHeard(Optional<Double> millis) {
        if (!millis.equals(heard)) {
            heard = millis;
            draw();
        }
    }

    /** What is shown, for whoever looks without eyes. */
    Optional<Picture> picture() {
        return picture;
    }

    private Optional<Picture> pictureOf(Realisation worked) {
        Sight sight = desk.sight().get();
        if (sight.tune().isEmpty() || sight.note().isEmpty() || sight.version().isEmpty()) {
            return Optional.empty();
        }
        Tune tune = worked.tune();
        NoteId chosen = sight.note().get();
        Optional<Spot> spot = sight.version().get().covering(tune, chosen);
        NoteId first = spot.map(Spot::at).orElse(chosen);
        NoteId last = spot.flatMap(Spot::first)
                .map(placement -> placement.span().last())
                .orElse(chosen);
        Optional<Integer> playing = playingOf(worked, tune, first, spot);
        Optional<Realisation.Stretch> begins = playing.flatMap(bar -> soundOf(worked, tune, first, last, bar));
        if (begins.isEmpty()) {
            return Optional.empty();
        }
        Realisation.Stretch its = begins.get();
        Fraction margin = its.lengthMillis().times(Fraction.of(2, 5)).max(Fraction.of(90));
        Realisation.Stretch window = new Realisation.Stretch(
                its.startMillis().minus(margin).max(Fraction.ZERO),
                its.endMillis().plus(margin).min(worked.endMillis()));
        List<Moment> moments = worked.within(window);
        Instrument instrument = sight.version().get().playing().instrument();
        List<Lane> lanes = worked.lines()
                .map(lines -> Lane.of(moments, lines))
                .orElseGet(() ->
                        Lane.of(moments, instrument, sight.chosen().profile().times()));
        return Optional.of(new Picture(
                its,
                window,
                moments,
                lanes,
                worked.lines().map(lines -> Lane.air(moments, lines)).orElse(List.of()),
                familyOf(spot),
                title(tune, sight.version().get(), first, spot, worked.tempo())));
    }

    private static Ink familyOf(Optional<Spot> spot) {
        return spot.flatMap(Spot::first)
                .map(placement -> Sign.inkOf(placement.ornament()))
                .orElse(Ink.SINGLE);
    }

    /** The first time through on which the ornament of the spot is played; the very first where none stands there. */
    private static Optional<Integer> playingOf(Realisation worked, Tune tune, NoteId first, Optional<Spot> spot) {
        int bar = tune.placeOf(first).bar();
        Passes passes = spot.flatMap(Spot::first).map(Placement::passes).orElse(Passes.EVERY);
        for (int i = 0; i < worked.bars().size(); i++) {
            PlayOrder.Played played = worked.bars().get(i).played();
            if (played.bar() == bar && passes.has(played.pass())) {
                return Optional.of(i);
            }
        }
        return worked.firstPlaying(bar);
    }

    private static Optional<Realisation.Stretch> soundOf(
            Realisation worked, Tune tune, NoteId first, NoteId last, int playing) {
        List<Realisation.Stretch> sounds = tune.between(first, last).stream()
                .flatMap(note -> worked.of(note.id(), playing).stream())
                .toList();
        return sounds.isEmpty()
                ? Optional.empty()
                : Optional.of(new Realisation.Stretch(
                        sounds.get(0).startMillis(),
                        sounds.get(sounds.size() - 1).endMillis()));
    }

    private static String title(Tune tune, Version version, NoteId first, Optional<Spot> spot, Tempo tempo) {
        Note note = tune.note(first);
        String what = spot.flatMap(Spot::first)
                .map(placement -> Words.name(placement.stack()))
                .orElse("plain note");
        return "Close-up: " + what + " on " + Words.place(tune, note) + " · " + version.name() + " at "
                + Words.tempo(tempo);
    }

    /** Moves the place looked at by milliseconds; from the beginning of the spot where none is looked at yet. */
    public void scrubBy(double millis) {
        picture.ifPresent(shown -> {
            double from = scrubbed.orElse(shown.spot().startMillis().toDouble());
            scrubbed = Optional.of(Math.max(
                    shown.window().startMillis().toDouble(),
                    Math.min(shown.window().endMillis().toDouble(), from + millis)));
            draw();
        });
    }

    /** The place looked at, in milliseconds of the realisation. */
    Optional<Double> scrubbed() {
        return scrubbed;
    }

    private void scrub(MouseEvent event) {
        picture.ifPresent(shown -> {
            double part = (event.getX() - LEFT) / (canvas.getWidth() - LEFT - RIGHT);
            double start = shown.window().startMillis().toDouble();
            double length = shown.window().lengthMillis().toDouble();
            scrubbed = Optional.of(start + Math.max(0, Math.min(1, part)) * length);
            draw();
        });
        event.consume();
    }

    // Drawing

    private double x(Picture shown, double millis) {
        double start = shown.window().startMillis().toDouble();
        double length = shown.window().lengthMillis().toDouble();
        return LEFT + (millis - start) / length * (canvas.getWidth() - LEFT - RIGHT);
    }

    private Color ink(Ink ink) {
        return CanvasPainter.colour(theme.palette().of(ink));
    }

    private void draw() {
        GraphicsContext graphics = canvas.getGraphicsContext2D();
        graphics.setFill(CanvasPainter.colour(theme.palette().paper()));
        graphics.fillRect(0, 0, canvas.getWidth(), HEIGHT);
        graphics.setFill(ink(Ink.WORDS));
        graphics.setFont(AppFonts.of(Face.BOLD, 13));
        if (picture.isEmpty()) {
            graphics.fillText("Close-up: choose a note that sounds.", 14, 22);
            return;
        }
        Picture shown = picture.get();
        graphics.fillText(shown.title(), 14, 20);
        axis(graphics, shown);
        pitchLine(graphics, shown);
        for (int i = 0; i < shown.lanes().size(); i++) {
            Lane each = shown.lanes().get(i);
            double apart = each.kind().isOneOfSeveral() ? 0 : 4;
            lane(graphics, shown, each, LANES_TOP + i * heightOf(shown) + apart);
        }
        if (!shown.air().isEmpty()) {
            double top = LANES_TOP + shown.lanes().size() * heightOf(shown) + 6;
            label(graphics, "air", top + heightOf(shown) - 6);
            AirLane.draw(
                    graphics,
                    shown.air(),
                    millis -> Math.max(LEFT, Math.min(canvas.getWidth() - RIGHT, x(shown, millis))),
                    top,
                    heightOf(shown) - 2,
                    ink(Ink.CRAN));
        }
        scrubbed.ifPresent(millis -> cursor(graphics, shown, millis, ink(Ink.ROLL), true));
        heard.filter(millis -> millis >= shown.window().startMillis().toDouble()
                        && millis <= shown.window().endMillis().toDouble())
                .ifPresent(millis -> cursor(graphics, shown, millis, ink(Ink.SINGLE), false));
    }

    /** Of one lane: as usual where there is room for all. */
    private static double heightOf(Picture shown) {
        boolean isHand = shown.lanes().stream().noneMatch(lane -> lane.kind() == Lane.Kind.FINGER);
        return Math.min(
                isHand ? HAND_LANE : LANE,
                (HEIGHT - LANES_TOP - 24) / (shown.lanes().size() + (shown.air().isEmpty() ? 0 : 1)));
    }

    /** A fine line every step of milliseconds, counted from where the spot begins. */
    private void axis(GraphicsContext graphics, Picture shown) {
        double length = shown.window().lengthMillis().toDouble();
        double step = length > 900 ? 100 : length > 400 ? 50 : 20;
        double origin = shown.spot().startMillis().toDouble();
        graphics.setFont(AppFonts.of(Face.BODY, 11));
        graphics.setLineWidth(1);
        double first = Math.ceil((shown.window().startMillis().toDouble() - origin) / step) * step;
        for (double at = first; origin + at <= shown.window().endMillis().toDouble(); at += step) {
            double x = Math.rint(x(shown, origin + at)) + 0.5;
            graphics.setStroke(ink(Ink.STAFF).deriveColor(0, 1, 1, at == 0 ? 0.9 : 0.28));
            graphics.strokeLine(x, 34, x, HEIGHT - 18);
            graphics.setFill(ink(Ink.QUIET));
            String label = String.format(Locale.ROOT, "%.0f", at);
            double width = Face.BODY.width(label, 11);
            if (x + width / 2 < canvas.getWidth() - 4) {
                graphics.fillText(label, x - width / 2, HEIGHT - 5);
            }
        }
        graphics.fillText("milliseconds", 14, HEIGHT - 5);
        double x1 = x(shown, shown.spot().startMillis().toDouble());
        double x2 = x(shown, shown.spot().endMillis().toDouble());
        graphics.setFill(ink(Ink.SINGLE).deriveColor(0, 1, 1, 0.09));
        graphics.fillRect(x1, 28, x2 - x1, HEIGHT - 46);
    }

    private void pitchLine(GraphicsContext graphics, Picture shown) {
        double low = bound(shown, Double::min, Double.POSITIVE_INFINITY) - 1;
        double high = bound(shown, Double::max, Double.NEGATIVE_INFINITY) + 1;
        label(graphics, "pitch heard", (PITCH_TOP + PITCH_BOTTOM) / 2 + 4);
        double lastX = Double.NaN;
        double lastY = Double.NaN;
        for (Moment moment : shown.moments()) {
            if (moment.sounding().isEmpty()) {
                lastX = Double.NaN;
                continue;
            }
            double begins = moment.semitonesInside(0).orElseThrow();
            double ends = moment.semitonesInside(1).orElseThrow();
            double y = height(begins, low, high);
            double x1 = clamp(shown, moment.startMillis());
            double x2 = clamp(shown, moment.endMillis());
            Color colour = ink(moment.isGesture() ? shown.family() : Ink.NOTES);
            graphics.setLineWidth(1);
            graphics.setStroke(ink(Ink.STAFF));
            if (!Double.isNaN(lastX)) {
                graphics.strokeLine(x1, lastY, x1, y);
            }
            graphics.setStroke(colour);
            graphics.setLineWidth(4);
            curve(graphics, shown, moment, low, high);
            boolean isSliding = moment.sounding().orElseThrow().melody().glide().fromCents() != 0;
            boolean isMore = moment.sounding().get().begin() == Begin.HELD;
            if (!moment.isGesture() && !isSliding && !isMore && x2 - x1 > 34) {
                graphics.setFill(ink(Ink.QUIET));
                graphics.setFont(AppFonts.of(Face.BODY, 11));
                graphics.fillText(moment.sounding().get().pitch().toString(), x1 + 4, y - 5);
            }
            lastX = x2;
            lastY = height(ends, low, high);
        }
        drones(graphics);
    }

    private static double height(double semitones, double low, double high) {
        return PITCH_BOTTOM - (semitones - low) / (high - low) * (PITCH_BOTTOM - PITCH_TOP);
    }

    /** The pitch of a moment from beginning to end: a line, or what it glides and waves along. */
    private void curve(GraphicsContext graphics, Picture shown, Moment moment, double low, double high) {
        boolean isLevel = moment.sounding().orElseThrow().melody().glide().isLevel();
        int steps = isLevel ? 1 : CURVE_STEPS;
        double start = moment.startMillis().toDouble();
        double length = moment.lengthMillis().toDouble();
        double from = shown.window().startMillis().toDouble();
        double to = shown.window().endMillis().toDouble();
        for (int i = 0; i < steps; i++) {
            double first = (double) i / steps;
            double last = (double) (i + 1) / steps;
            double x1 = x(shown, Math.max(from, Math.min(to, start + first * length)));
            double x2 = x(shown, Math.max(from, Math.min(to, start + last * length)));
            double y1 = height(moment.semitonesInside(first).orElseThrow(), low, high);
            double y2 = height(moment.semitonesInside(isLevel ? 0 : last).orElseThrow(), low, high);
            if (x2 > x1) {
                graphics.strokeLine(x1, y1, x2, y2);
            }
        }
    }

    /** What sounds all the time, under the melody's line. */
    private void drones(GraphicsContext graphics) {
        List<String> names = realisation.map(Realisation::drones).orElse(List.of()).stream()
                .map(voice -> voice.pitch().toString().replaceAll(" .*|[+−].*", ""))
                .map(name -> name.replace("A♯", "B♭").replace("D♯", "E♭").replace("G♯", "A♭"))
                .distinct()
                .toList();
        if (!names.isEmpty()) {
            double y = PITCH_BOTTOM + 3;
            graphics.setStroke(ink(Ink.QUIET));
            graphics.setLineWidth(1.5);
            graphics.strokeLine(LEFT, y, canvas.getWidth() - RIGHT, y);
            label(graphics, "drones " + String.join(" ", names), y + 4);
        }
    }

    private static double bound(Picture shown, java.util.function.DoubleBinaryOperator choose, double start) {
        return shown.moments().stream()
                .flatMap(moment ->
                        Stream.of(0.0, 0.25, 0.5, 0.75, 1.0).flatMap(part -> moment.semitonesInside(part).stream()))
                .mapToDouble(Double::doubleValue)
                .reduce(start, choose);
    }

    private double clamp(Picture shown, Fraction millis) {
        double low = shown.window().startMillis().toDouble();
        double high = shown.window().endMillis().toDouble();
        return x(shown, Math.max(low, Math.min(high, millis.toDouble())));
    }

    private void label(GraphicsContext graphics, String words, double y) {
        graphics.setFill(ink(Ink.WORDS));
        graphics.setFont(AppFonts.of(Face.BODY, 12));
        graphics.fillText(words, 14, y);
    }

    private void lane(GraphicsContext graphics, Picture shown, Lane lane, double y) {
        double height = heightOf(shown);
        label(graphics, nameOf(lane, shown), y + height - 5);
        graphics.setStroke(ink(Ink.STAFF).deriveColor(0, 1, 1, 0.5));
        graphics.setLineWidth(1);
        graphics.strokeLine(LEFT, y + height - 2.5, canvas.getWidth() - RIGHT, y + height - 2.5);
        for (int i = 0; i < lane.strokes().size(); i++) {
            Lane.Stroke stroke = lane.strokes().get(i);
            double x1 = clamp(shown, stroke.startMillis());
            double x2 = clamp(shown, stroke.endMillis());
            double next = i + 1 < lane.strokes().size()
                    ? clamp(shown, lane.strokes().get(i + 1).startMillis())
                    : canvas.getWidth();
            Bar bar = new Bar(x1, y + 2, Math.max(0, x2 - x1), height - 5, next - x2);
            stroke(graphics, stroke, shown.family(), lane, bar);
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

    private void stroke(GraphicsContext graphics, Lane.Stroke stroke, Ink family, Lane lane, Bar bar) {
        boolean isShort = stroke.endMillis().minus(stroke.startMillis()).isLessThan(Fraction.of(80));
        Color down = isShort && lane.kind() == Lane.Kind.FINGER ? ink(family) : ink(Ink.NOTES);
        switch (stroke.state()) {
            case DOWN -> fill(graphics, bar, down);
            case HALF -> fill(graphics, bar.within(bar.height() / 2, bar.height() / 2), down);
            case UP -> {
                if (isShort) {
                    graphics.setStroke(ink(family));
                    graphics.setLineWidth(2);
                    graphics.strokeRect(bar.x() + 1, bar.y() + 1, Math.max(2, bar.width() - 2), bar.height() - 2);
                }
            }
            case STRIKE -> fill(graphics, bar, ink(Ink.CRAN));
            case SOUNDING -> {
                fill(graphics, bar, ink(Ink.NOTES));
                written(
                        graphics,
                        stroke.text(),
                        bar,
                        CanvasPainter.colour(theme.palette().paper()));
            }
            case KEPT -> fill(graphics, bar.within(bar.height() - 3, 3), ink(Ink.NOTES));
            case DOWN_STROKE, PRESS -> {
                fill(graphics, bar, ink(Ink.CRAN));
                written(
                        graphics,
                        stroke.text(),
                        bar,
                        CanvasPainter.colour(theme.palette().paper()));
            }
            case UP_STROKE, DRAW -> {
                graphics.setStroke(ink(Ink.CRAN));
                graphics.setLineWidth(1.5);
                graphics.strokeRoundRect(
                        bar.x() + 0.75, bar.y() + 0.75, Math.max(2, bar.width() - 2.5), bar.height() - 1.5, 4, 4);
                written(graphics, stroke.text(), bar, ink(Ink.CRAN));
            }
            case SOFT -> fill(graphics, bar.within(6, 5), ink(Ink.QUIET));
            case FIRM -> fill(graphics, bar, ink(Ink.QUIET));
        }
    }

    /** The text of a bar upon it, or beside it where it is too short and there is room. */
    private void written(GraphicsContext graphics, String text, Bar bar, Color on) {
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

    private static void fill(GraphicsContext graphics, Bar bar, Color colour) {
        graphics.setFill(colour);
        graphics.fillRoundRect(bar.x(), bar.y(), Math.max(1.5, bar.width() - 1), bar.height(), 4, 4);
    }

    private String nameOf(Lane lane, Picture shown) {
        return switch (lane.kind()) {
            case FINGER -> {
                long holes = shown.lanes().stream()
                        .filter(each -> each.kind() == Lane.Kind.FINGER)
                        .count();
                yield Words.finger(lane.number(), (int) holes);
            }
            case TONGUE -> isThroat() ? "throat" : "tongue";
            case BREATH -> "breath";
            case STRING, ROW ->
                realisation
                        .flatMap(Realisation::lines)
                        .map(lines -> lines.laneName(lane.number()))
                        .orElse("");
            case BOW -> "bow";
            case PICK -> "pick";
            case BANJO_HAND -> "picking hand";
            case BELLOWS -> "bellows";
            case LEFT_HAND -> "left hand";
            case BUTTON_FINGER -> fingerOf(lane.number(), shown);
        };
    }

    /** A finger on buttons, with its hand where both have some. */
    private static String fingerOf(int number, Picture shown) {
        boolean hasLeft = shown.lanes().stream()
                .anyMatch(lane -> lane.kind() == Lane.Kind.BUTTON_FINGER && lane.number() > BUTTON_FINGERS.size());
        boolean isLeft = number > BUTTON_FINGERS.size();
        String name = BUTTON_FINGERS.get((number - 1) % BUTTON_FINGERS.size());
        return hasLeft ? (isLeft ? "L " : "R ") + name : name;
    }

    private static final List<String> BUTTON_FINGERS = List.of("index", "middle", "ring", "little");

    /** On a flute whose player does not tongue, the throat does it. */
    private boolean isThroat() {
        return desk.sight()
                .get()
                .version()
                .map(version -> version.playing().instrument().strokes().size() > 1
                        && !version.playing().strokes().id().equals("tongued"))
                .orElse(false);
    }

    private void cursor(GraphicsContext graphics, Picture shown, double millis, Color colour, boolean isLabelled) {
        double x = x(shown, millis);
        graphics.setStroke(colour);
        graphics.setLineWidth(2);
        graphics.strokeLine(x, 28, x, HEIGHT - 18);
        if (isLabelled) {
            double since = millis - shown.spot().startMillis().toDouble();
            String pitch = realisation
                    .flatMap(each -> each.at(millis))
                    .flatMap(Moment::sounding)
                    .map(sounding -> " · " + sounding.pitch())
                    .orElse("");
            String words = String.format(Locale.ROOT, "%.0f ms", since) + pitch;
            graphics.setFill(ink(Ink.WORDS));
            graphics.setFont(AppFonts.of(Face.BOLD, 12));
            double width = Face.BOLD.width(words, 12);
            graphics.fillText(words, Math.min(x + 6, canvas.getWidth() - width - 6), 38);
        }
    }
}
