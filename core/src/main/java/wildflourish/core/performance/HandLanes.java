package wildflourish.core.performance;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.fingering.HandLines;
import wildflourish.core.fingering.HandLines.Touch;
import wildflourish.core.hand.Voice;
import wildflourish.core.music.Fraction;
import wildflourish.core.ornament.Begin;
import wildflourish.core.tune.NoteId;

/** The lanes of strings over a stretch of time: each string, then what makes it sound. */
final class HandLanes {
    /** A stroke of a pick or a finger is drawn so long at most. */
    private static final Fraction PLUCK = Fraction.of(45);

    private final HandLines lines;
    private final List<Sounded> sounded = new ArrayList<>();

    /** A note as it sounds, or what of it lies in the stretch. */
    private record Sounded(NoteId note, Touch touch, Fraction startMillis, Fraction endMillis, boolean isBegun) {}

    private HandLanes(List<Moment> moments, HandLines lines) {
        this.lines = lines;
        Optional<Sounded> open = Optional.empty();
        for (Moment moment : moments) {
            open = moment.sounding().isEmpty() ? Optional.empty() : sound(moment, open);
        }
    }

    static List<Lane> of(List<Moment> moments, HandLines lines) {
        return new HandLanes(moments, lines).run();
    }

    /** What sounds in a moment: a note of its own, or more of the one before, as where it is tied. */
    private Optional<Sounded> sound(Moment moment, Optional<Sounded> open) {
        NoteId note = moment.cue().note();
        Optional<Touch> own = Optional.ofNullable(lines.touches().get(note));
        Begin begin = moment.sounding().orElseThrow().begin();
        boolean goesOn = open.isPresent() && (own.isEmpty() || open.get().note.equals(note)) && begin == Begin.HELD;
        Optional<Touch> touch = goesOn ? open.map(Sounded::touch) : own.map(each -> dressed(moment, each));
        if (touch.isEmpty()) {
            return Optional.empty();
        }
        Sounded next = goesOn
                ? new Sounded(
                        open.get().note, touch.get(), open.get().startMillis, moment.endMillis(), open.get().isBegun)
                : new Sounded(note, touch.get(), moment.startMillis(), moment.endMillis(), begin.isStruck());
        if (goesOn) {
            sounded.set(sounded.size() - 1, next);
        } else {
            sounded.add(next);
        }
        return Optional.of(next);
    }

    /** Within an ornament on strings: every string that sounds, the letter of a small note, and the bow turning with each stroke. */
    private Touch dressed(Moment moment, Touch touch) {
        Moment.Sounding sounding = moment.sounding().orElseThrow();
        boolean isOnStrings =
                lines.hasStrings() && lines.lanes().contains(sounding.melody().lane());
        if (!isOnStrings) {
            return touch;
        }
        List<HandLines.Label> labels = new ArrayList<>();
        for (Voice voice : sounding.voices()) {
            int lane = lines.lanes().indexOf(voice.lane());
            boolean isSmall = moment.cue().role() != Moment.Role.MELODY && voice.equals(sounding.melody());
            Optional<HandLines.Label> own = touch.labels().stream()
                    .filter(label -> label.lane() == lane && !isSmall)
                    .findFirst();
            labels.add(own.filter(label -> lines.opens().isEmpty())
                    .orElseGet(() -> new HandLines.Label(lane, text(voice, lane), false)));
        }
        return new Touch(labels, stroke(moment, touch), touch.isBegun());
    }

    /** The fret that a voice is stopped at; where there are none, the letter of its note. */
    private String text(Voice voice, int lane) {
        if (!lines.opens().isEmpty()) {
            return String.valueOf(voice.pitch().midi() - lines.opens().get(lane));
        }
        return voice.written()
                .map(each -> each.step().name().toLowerCase(Locale.ROOT))
                .orElse("");
    }

    private static final Map<String, HandLines.Stroke> BY_LETTER = Map.of(
            "T", HandLines.Stroke.THUMB,
            "I", HandLines.Stroke.INDEX,
            "M", HandLines.Stroke.MIDDLE,
            "N", HandLines.Stroke.NAIL);

    private HandLines.Stroke stroke(Moment moment, Touch touch) {
        String by = moment.sounding().orElseThrow().by();
        if (!by.isEmpty()) {
            return BY_LETTER.getOrDefault(by.substring(0, 1), touch.stroke());
        }
        Optional<Sounded> last = sounded.isEmpty() ? Optional.empty() : Optional.of(sounded.get(sounded.size() - 1));
        if (last.isEmpty() || !last.get().note.equals(moment.cue().note())) {
            return touch.stroke();
        }
        HandLines.Stroke before = last.get().touch.stroke();
        boolean turns = moment.sounding().orElseThrow().begin().isNewBow();
        return !turns ? before : before == HandLines.Stroke.DOWN ? HandLines.Stroke.UP : HandLines.Stroke.DOWN;
    }

    private List<Lane> run() {
        List<Lane> lanes = new ArrayList<>();
        for (int i = 0; i < lines.lanes().size(); i++) {
            lanes.add(new Lane(Lane.Kind.STRING, i, held(i)));
        }
        strokeKind().ifPresent(each -> lanes.add(new Lane(each, 0, strokes(each))));
        return List.copyOf(lanes);
    }

    private List<Lane.Stroke> held(int lane) {
        List<Lane.Stroke> strokes = new ArrayList<>();
        for (Sounded each : sounded) {
            Optional<HandLines.Label> label = each.touch.labels().stream()
                    .filter(one -> one.lane() == lane)
                    .findFirst();
            if (label.isPresent()) {
                strokes.add(new Lane.Stroke(
                        each.startMillis,
                        each.endMillis,
                        Lane.State.SOUNDING,
                        label.get().text()));
            } else if (isKept(lane, each.note)) {
                strokes.add(new Lane.Stroke(each.startMillis, each.endMillis, Lane.State.KEPT, ""));
            }
        }
        return strokes;
    }

    private boolean isKept(int lane, NoteId note) {
        return lines.kept().stream().anyMatch(kept -> kept.lane() == lane && kept.covers(note));
    }

    private Optional<Lane.Kind> strokeKind() {
        return lines.strings().map(stroke -> switch (stroke) {
            case BOW -> Lane.Kind.BOW;
            case PICK -> Lane.Kind.PICK;
            case BANJO -> Lane.Kind.BANJO_HAND;
        });
    }

    private List<Lane.Stroke> strokes(Lane.Kind kind) {
        List<Lane.Stroke> strokes = new ArrayList<>();
        for (Sounded each : sounded) {
            Lane.State state = stateOf(each.touch.stroke());
            String text = textOf(each.touch.stroke());
            boolean isPlucked = kind == Lane.Kind.PICK || kind == Lane.Kind.BANJO_HAND;
            Fraction end = isPlucked
                    ? each.startMillis.plus(PLUCK.min(each.endMillis.minus(each.startMillis)))
                    : each.endMillis;
            int last = strokes.size() - 1;
            if (goesOn(kind, each, state, strokes)) {
                strokes.set(last, new Lane.Stroke(strokes.get(last).startMillis(), end, state, text));
            } else if (each.isBegun || !isPlucked) {
                strokes.add(new Lane.Stroke(each.startMillis, end, state, text));
            }
        }
        return strokes;
    }

    /** A bow goes on where it is not begun anew. */
    private static boolean goesOn(Lane.Kind kind, Sounded next, Lane.State state, List<Lane.Stroke> strokes) {
        if (strokes.isEmpty()) {
            return false;
        }
        Lane.Stroke last = strokes.get(strokes.size() - 1);
        boolean isSame = last.state() == state && last.endMillis().equals(next.startMillis);
        return isSame && kind == Lane.Kind.BOW && !next.isBegun;
    }

    private static Lane.State stateOf(HandLines.Stroke stroke) {
        return switch (stroke) {
            case DOWN, THUMB, INDEX, MIDDLE, NAIL -> Lane.State.DOWN_STROKE;
            case UP -> Lane.State.UP_STROKE;
            case PRESS, EITHER -> Lane.State.PRESS;
            case DRAW -> Lane.State.DRAW;
        };
    }

    private static String textOf(HandLines.Stroke stroke) {
        return switch (stroke) {
            case DOWN -> "down";
            case UP -> "up";
            case THUMB -> "T";
            case INDEX -> "I";
            case MIDDLE -> "M";
            case NAIL -> "N";
            case PRESS -> "press";
            case DRAW -> "draw";
            case EITHER -> "";
        };
    }
}
