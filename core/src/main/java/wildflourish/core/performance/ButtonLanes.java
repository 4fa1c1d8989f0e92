package wildflourish.core.performance;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import wildflourish.core.fingering.Balance;
import wildflourish.core.fingering.ButtonOption;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.hand.Voice;
import wildflourish.core.ornament.Begin;

/** The lanes of a box or a concertina over a stretch of time: the rows or hands with their buttons, the fingers that are used, the left hand of a box, the bellows. */
final class ButtonLanes {
    private static final int FINGERS = 4;

    private final HandLines lines;
    /** Of rows or hands, of fingers (those of the left hand after those of the right), of the left hand of a box; each by its number. */
    private final Map<Integer, List<Lane.Stroke>> rows = new LinkedHashMap<>();

    private final Map<Integer, List<Lane.Stroke>> fingers = new TreeMap<>();
    private final List<Lane.Stroke> leftHand = new ArrayList<>();
    private final List<Lane.Stroke> bellows = new ArrayList<>();
    private Optional<Held> before = Optional.empty();

    /** What is held in a moment. */
    private record Held(Moment moment, List<Way> ways, boolean isPressed) {}

    /** A button under a finger: its name with the way of the bellows, {@code i5d}, and what it does on the lanes. */
    private record Way(String key, int finger, HandLines.Touch touch, boolean begins) {
        String button() {
            return touch.stroke() == HandLines.Stroke.EITHER ? key : key.substring(0, key.length() - 1);
        }

        boolean isLeft() {
            return key.startsWith("L");
        }
    }

    private ButtonLanes(List<Moment> moments, HandLines lines) {
        this.lines = lines;
        for (int i = 0; i < lines.lanes().size(); i++) {
            rows.put(i, new ArrayList<>());
        }
        moments.forEach(this::add);
    }

    static List<Lane> of(List<Moment> moments, HandLines lines) {
        return new ButtonLanes(moments, lines).lanes();
    }

    private List<Lane> lanes() {
        List<Lane> lanes = new ArrayList<>();
        rows.forEach((row, strokes) -> lanes.add(new Lane(Lane.Kind.ROW, row, strokes)));
        fingers.forEach((finger, strokes) -> lanes.add(new Lane(Lane.Kind.BUTTON_FINGER, finger, strokes)));
        if (!leftHand.isEmpty()) {
            lanes.add(new Lane(Lane.Kind.LEFT_HAND, 0, leftHand));
        }
        if (!bellows.isEmpty()) {
            lanes.add(new Lane(Lane.Kind.BELLOWS, 0, bellows));
        }
        return List.copyOf(lanes);
    }

    private void add(Moment moment) {
        if (moment.sounding().isEmpty()) {
            before = Optional.empty();
            return;
        }
        List<Way> ways = ways(moment);
        if (ways.isEmpty()) {
            before = Optional.empty();
            return;
        }
        for (int row : rows.keySet()) {
            row(moment, ways, row);
        }
        for (Way way : ways) {
            int number = way.finger + (way.isLeft() ? FINGERS : 0);
            add(
                    fingers.computeIfAbsent(number, key -> new ArrayList<>()),
                    moment,
                    Lane.State.SOUNDING,
                    way.button(),
                    !way.begins);
        }
        leftHand(moment);
        bellows(moment, ways.get(0));
        before = Optional.of(new Held(moment, ways, isPressed(moment, ways.get(0))));
    }

    private void row(Moment moment, List<Way> ways, int row) {
        List<String> texts = new ArrayList<>();
        boolean begins = false;
        for (Way way : ways) {
            for (HandLines.Label label : way.touch.labels()) {
                if (label.lane() == row) {
                    texts.add(label.text());
                    begins |= way.begins;
                }
            }
        }
        if (!texts.isEmpty()) {
            add(rows.getOrDefault(row, leftHand), moment, Lane.State.SOUNDING, String.join("·", texts), !begins);
        }
    }

    /** Basses by capital letters, chords by small ones. */
    private void leftHand(Moment moment) {
        List<Voice> under = moment.sounding().orElseThrow().under();
        under.stream()
                .filter(voice -> voice.lane().equals("bass") || voice.lane().equals("chord 1"))
                .findFirst()
                .ifPresent(voice -> {
                    String letter = voice.pitch().toString().replaceAll("[0-9].*", "");
                    String text = voice.lane().equals("bass") ? letter : letter.toLowerCase(Locale.ROOT);
                    add(leftHand, moment, Lane.State.SOUNDING, text, !voice.begins());
                });
    }

    private void bellows(Moment moment, Way way) {
        boolean isSurge = moment.sounding().orElseThrow().begin() == Begin.BITE;
        boolean isEither = way.touch.stroke() == HandLines.Stroke.EITHER;
        if (isEither
                && !isRocked(moment, way)
                && before.filter(each -> each.isPressed).isEmpty()) {
            return;
        }
        boolean isPressed = isPressed(moment, way);
        String name = isPressed ? "press" : "draw";
        Lane.State state = isPressed ? Lane.State.PRESS : Lane.State.DRAW;
        add(bellows, moment, state, isSurge ? name + ", surge" : name, !isSurge);
    }

    /** Whether the same finger sounds the same button anew within one note: then the bellows have turned. */
    private boolean isRocked(Moment moment, Way way) {
        return before.filter(
                        each -> each.moment.cue().note().equals(moment.cue().note())
                                && each.ways.get(0).key.equals(way.key)
                                && each.ways.get(0).finger == way.finger
                                && way.begins
                                && moment.sounding().orElseThrow().begin().isStruck())
                .isPresent();
    }

    /** Where the bellows sound alike both ways they are told only where they turn on a note. */
    private boolean isPressed(Moment moment, Way way) {
        return switch (way.touch.stroke()) {
            case PRESS -> true;
            case EITHER -> isRocked(moment, way) && !before.orElseThrow().isPressed;
            default -> false;
        };
    }

    private static void add(List<Lane.Stroke> lane, Moment moment, Lane.State state, String text, boolean goesOn) {
        Optional<Lane.Stroke> last = lane.isEmpty() ? Optional.empty() : Optional.of(lane.get(lane.size() - 1));
        boolean isMore = goesOn
                && last.filter(stroke -> stroke.state() == state
                                && stroke.endMillis().equals(moment.startMillis())
                                && stroke.text().replace(", surge", "").equals(text))
                        .isPresent();
        Lane.Stroke stroke = new Lane.Stroke(moment.startMillis(), moment.endMillis(), state, text);
        if (isMore) {
            Lane.Stroke open = last.orElseThrow();
            lane.set(lane.size() - 1, new Lane.Stroke(open.startMillis(), moment.endMillis(), state, open.text()));
        } else {
            lane.add(stroke);
        }
    }

    /** What the right hand holds in a moment, or both hands of a concertina. */
    private List<Way> ways(Moment moment) {
        Moment.Sounding sounding = moment.sounding().orElseThrow();
        List<Way> ways = new ArrayList<>();
        boolean isOfOrnament = lines.keys().containsKey(sounding.melody().lane());
        if (isOfOrnament) {
            for (Voice voice : sounding.voices()) {
                way(voice.lane(), voice.begins()).ifPresent(ways::add);
            }
        } else {
            Optional.ofNullable(lines.buttons().get(moment.cue().note())).map(ButtonOption::way).stream()
                    .flatMap(way -> all(way).stream())
                    .forEach(each -> way(each.toString(), sounding.melody().begins() && sounding.begin() != Begin.HELD)
                            .ifPresent(ways::add));
        }
        return ways;
    }

    private static List<ButtonWay> all(ButtonWay way) {
        List<ButtonWay> all = new ArrayList<>(way.under());
        all.add(0, new ButtonWay(way.key(), way.finger()));
        return all;
    }

    private Optional<Way> way(String name, boolean begins) {
        String[] halves = name.split("/", 2);
        return halves.length < 2
                ? Optional.empty()
                : Optional.ofNullable(lines.keys().get(name))
                        .map(touch -> new Way(halves[0], Integer.parseInt(halves[1]), touch, begins));
    }

    // Air

    /**
     * How the bellows stand along a stretch: at each point of time (milliseconds) by how much they have gone further in, above 0, or out, in milliseconds of one reed; none where they sound the same
     * both ways.
     */
    static List<Lane.Air> air(List<Moment> moments, HandLines lines) {
        List<Lane.Air> points = new ArrayList<>();
        double now = 0;
        Optional<Moment> last = Optional.empty();
        for (Moment moment : moments) {
            Optional<Balance> balance =
                    Optional.ofNullable(lines.balances().get(moment.cue().note()));
            boolean isNew = last.filter(
                            each -> each.cue().note().equals(moment.cue().note())
                                    && each.cue().playedBar() == moment.cue().playedBar())
                    .isEmpty();
            now = isNew ? balance.map(Balance::millis).orElse(now) : now;
            if (balance.isPresent()) {
                points.add(new Lane.Air(moment.startMillis(), now));
                now += moment.lengthMillis().toDouble() * taken(moment, lines);
                points.add(new Lane.Air(moment.endMillis(), now));
            }
            last = Optional.of(moment);
        }
        return points;
    }

    /** The air that a moment takes: 1 for a reed pressed, -1 for one drawn, half as much again for each further one. */
    private static double taken(Moment moment, HandLines lines) {
        if (moment.sounding().isEmpty()) {
            return 0;
        }
        Moment.Sounding sounding = moment.sounding().get();
        HandLines.Touch touch = Optional.ofNullable(
                        lines.keys().get(sounding.melody().lane()))
                .orElse(lines.touches().get(moment.cue().note()));
        double reeds = 1
                + sounding.under().stream()
                                .filter(voice -> !voice.lane().equals("bass")
                                        && !voice.lane().startsWith("chord"))
                                .count()
                        / 2.0;
        return touch == null ? 0 : touch.stroke() == HandLines.Stroke.PRESS ? reeds : -reeds;
    }
}
