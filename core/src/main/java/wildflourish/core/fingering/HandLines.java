package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Schools;
import wildflourish.core.instrument.Strings;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Tempo;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/**
 * What stands under the notes for an instrument with strings or buttons: a lane for each string or row, and on it what the hand does for each note.
 *
 * @param lanes names of the lanes, the uppermost first
 * @param strings how strings are made to sound; empty where the lanes are rows of buttons
 * @param order the name of the order of strokes that is kept to; empty where there is none
 * @param touches by note; of notes tied together the first
 * @param kept fingers that stay down: from the note that puts one down to the last that is played with it again
 * @param troubles what cannot be played
 * @param ways how each note is held and struck on strings; none on buttons
 * @param buttons which button each note is played by, and how, with what stands on it; none on strings
 * @param balances how the bellows stand before each note; none on strings and on bellows that sound the same both ways
 * @param keys what the hand does for a way to play a button, by its name, {@code i5d/2}; none on strings
 * @param opens on frets the MIDI number that each lane sounds open; none elsewhere
 */
public record HandLines(
        List<String> lanes,
        Optional<Strings.Stroke> strings,
        Optional<String> order,
        Map<NoteId, Touch> touches,
        List<Kept> kept,
        List<LinePath.Trouble> troubles,
        Map<NoteId, StringWay> ways,
        Map<NoteId, ButtonOption> buttons,
        Map<NoteId, Balance> balances,
        Map<String, Touch> keys,
        List<Integer> opens) {
    private static final String CROSS = "×";
    private static final int FINGERS = 4;
    /** By instrument, for those that were asked for. */
    private static final Map<String, Map<String, Touch>> KEYS = new ConcurrentHashMap<>();

    public HandLines {
        lanes = List.copyOf(lanes);
        touches = crossed(touches, troubles);
        kept = List.copyOf(kept);
        troubles = List.copyOf(troubles);
        ways = Map.copyOf(ways);
        buttons = Map.copyOf(buttons);
        balances = Map.copyOf(balances);
        keys = Map.copyOf(keys);
        opens = List.copyOf(opens);
    }

    /** A cross after the melody where a note under it is left out. */
    private static Map<NoteId, Touch> crossed(Map<NoteId, Touch> touches, List<LinePath.Trouble> troubles) {
        Map<NoteId, Touch> crossed = new HashMap<>(touches);
        for (LinePath.Trouble trouble : troubles) {
            if (trouble.why().leavesMelody()) {
                crossed.computeIfPresent(trouble.note(), (note, touch) -> touch.crossed());
            }
        }
        return Map.copyOf(crossed);
    }

    /** With what the hand does for further notes. */
    public HandLines with(Map<NoteId, Touch> more) {
        if (more.isEmpty()) {
            return this;
        }
        Map<NoteId, Touch> all = new HashMap<>(touches);
        all.putAll(more);
        return new HandLines(lanes, strings, order, all, kept, troubles, ways, buttons, balances, keys, opens);
    }

    /** What makes a note sound. */
    public enum Stroke {
        DOWN,
        UP,
        THUMB,
        INDEX,
        MIDDLE,
        NAIL,
        PRESS,
        DRAW,
        /** Bellows that sound the same both ways. */
        EITHER;

        /** Whether it stands above the lanes of a score; bellows are told by boxes. */
        public boolean isAboveLanes() {
            return compareTo(PRESS) < 0;
        }
    }

    /**
     * What the hand does for a note.
     *
     * @param labels one for each lane, the melody's first
     * @param isBegun whether the note is begun anew by bow, pick, bellows or a button struck again; others go on from the note before
     */
    public record Touch(List<Label> labels, Stroke stroke, boolean isBegun) {
        public Touch {
            labels = List.copyOf(labels);
        }

        private Touch crossed() {
            Label melody = labels.get(0);
            boolean isCrossed = melody.text().endsWith(CROSS);
            Label marked = isCrossed ? melody : new Label(melody.lane(), melody.text() + CROSS, melody.isBoxed());
            List<Label> all = new ArrayList<>(labels);
            all.set(0, marked);
            return new Touch(all, stroke, isBegun);
        }
    }

    /**
     * What stands on a lane.
     *
     * @param lane its index among the lanes
     * @param text a finger, a fret or a button; several on one lane with a dot between
     * @param isBoxed whether the bellows are pressed
     */
    public record Label(int lane, String text, boolean isBoxed) {}

    /** A finger that stays down on a lane from one note to another, and every note it lies through. */
    public record Kept(int lane, NoteId from, NoteId to, Set<NoteId> through) {
        public Kept {
            through = Set.copyOf(through);
        }

        /** Whether the finger lies there while a note is played. */
        public boolean covers(NoteId note) {
            return through.contains(note);
        }

        /** Of a finger that lies from one note of a line to another. */
        private static Kept of(int lane, StayingDown.Stay stay, Tune tune) {
            Set<NoteId> through = new HashSet<>();
            tune.between(stay.from(), stay.to()).forEach(note -> through.add(note.id()));
            return new Kept(lane, stay.from(), stay.to(), through);
        }
    }

    /** Whether each lane is a string. */
    public boolean hasStrings() {
        return strings.isPresent();
    }

    /** A lane as it is called by itself: {@code D string}, {@code outer row}, {@code right hand}. */
    public String laneName(int lane) {
        String name = lanes.get(lane);
        if (hasStrings()) {
            return Character.isDigit(name.charAt(0)) ? "string " + name : name + " string";
        }
        return switch (name) {
            case "out" -> "outer row";
            case "in" -> "inner row";
            case "R" -> "right hand";
            default -> "left hand";
        };
    }

    /** Whether a note is begun anew; so is one that cannot be played. */
    public boolean isBegun(NoteId note) {
        Touch touch = touches.get(note);
        return touch == null || touch.isBegun();
    }

    /** For a tune; empty for an instrument fingered on holes. */
    public static Optional<HandLines> of(
            Tune tune, Instrument instrument, Schools schools, Tempo tempo, Map<NoteId, String> pins) {
        return of(tune, instrument, schools, tempo, pins, Map.of(), Map.of());
    }

    /** The same with notes that ornaments are to be made on. */
    public static Optional<HandLines> of(
            Tune tune,
            Instrument instrument,
            Schools schools,
            Tempo tempo,
            Map<NoteId, String> pins,
            Map<NoteId, Demand> demands,
            Map<NoteId, ButtonDemand> onButtons) {
        if (instrument.family().isWind()) {
            return Optional.empty();
        }
        List<Struck> line = Struck.of(tune, tempo, demands);
        return Optional.of(
                instrument.strings().isPresent()
                        ? of(tune, line, Manners.of(instrument.strings().get(), schools, tune.metreAt(0)), pins)
                        : of(
                                Struck.joined(line, onButtons),
                                instrument,
                                schools.hand(),
                                ButtonPath.Asked.of(pins, onButtons)));
    }

    // Strings

    private static HandLines of(Tune tune, List<Struck> line, StringPath.Manner manner, Map<NoteId, String> pins) {
        Strings strings = manner.strings();
        LinePath<StringWay> path = StringPath.best(line, manner, pins);
        List<Integer> fromTop = strings.fromTop();
        Map<NoteId, Touch> touches = new HashMap<>();
        Map<NoteId, StringWay> ways = new HashMap<>();
        for (Struck each : line) {
            Optional<StringWay> way = path.at(each.note().id());
            way.ifPresent(found -> ways.put(each.note().id(), found));
            way.ifPresent(found -> touches.put(each.note().id(), touch(found, strings, fromTop)));
        }
        List<Kept> kept = StayingDown.of(line, path).stream()
                .map(each -> Kept.of(fromTop.indexOf(each.string()), each, tune))
                .toList();
        List<String> names = fromTop.stream().map(strings::stringName).toList();
        return new HandLines(
                names,
                Optional.of(strings.stroke()),
                Optional.of(manner.order().name()),
                touches,
                kept,
                path.troubles(),
                ways,
                Map.of(),
                Map.of(),
                Map.of(),
                strings.stroke() == Strings.Stroke.BOW
                        ? List.of()
                        : fromTop.stream().map(strings::soundingMidi).toList());
    }

    private static Touch touch(StringWay way, Strings strings, List<Integer> fromTop) {
        List<Label> labels = new ArrayList<>(List.of(label(way.place(), strings, fromTop)));
        way.hold().under().forEach(place -> labels.add(label(place, strings, fromTop)));
        Stroke stroke = way.picker() > 0 ? PICKERS.get(way.picker() - 1) : way.isDown() ? Stroke.DOWN : Stroke.UP;
        return new Touch(labels, stroke, !way.isSlurred());
    }

    private static final List<Stroke> PICKERS = List.of(Stroke.THUMB, Stroke.INDEX, Stroke.MIDDLE, Stroke.NAIL);

    private static Label label(Strings.Place place, Strings strings, List<Integer> fromTop) {
        String text = strings.stroke() == Strings.Stroke.BOW ? place.stop().name() : String.valueOf(place.semitones());
        return new Label(fromTop.indexOf(place.string()), text, false);
    }

    /** What a note of an instrument with strings or buttons may be pinned to, as its paths take it: {@code D3}, {@code i3d}; none on holes. */
    public static List<String> pins(Instrument instrument, Note note) {
        if (note.isRest()) {
            return List.of();
        }
        List<FingeredPitch> pitches =
                note.pitches().stream().map(instrument.reading()::fingered).toList();
        List<String> onStrings = instrument
                .strings()
                .map(strings -> Together.of(strings, pitches).holds().stream()
                        .map(hold -> hold.name(strings))
                        .distinct()
                        .toList())
                .orElse(List.of());
        return instrument
                .buttons()
                .map(layout -> ButtonPath.together(pitches, layout).stream()
                        .map(ButtonWay::keys)
                        .distinct()
                        .toList())
                .orElse(onStrings);
    }

    // Buttons

    private static HandLines of(List<Struck> line, Instrument instrument, School school, ButtonPath.Asked asked) {
        ButtonLayout layout = instrument.buttons().orElseThrow();
        LinePath<ButtonOption> path = ButtonPath.best(line, layout, school, asked);
        boolean isBox = instrument.family() == Family.TWO_ROW_BOX;
        Map<NoteId, Touch> touches = new HashMap<>();
        Map<NoteId, ButtonOption> buttons = new HashMap<>();
        Optional<ButtonWay> before = Optional.empty();
        for (Struck each : line) {
            Optional<ButtonOption> option = path.at(each.note().id());
            if (option.isPresent()) {
                boolean isBegun = isStruck(before, option.get().entry()) || each.restMillis() > 0;
                touches.put(each.note().id(), touch(option.get().way(), instrument.family(), isBegun));
                buttons.put(each.note().id(), option.get());
            }
            before = option.map(ButtonOption::exit);
        }
        List<String> lanes = isBox ? List.of("out", "in") : List.of("R", "L");
        return new HandLines(
                lanes,
                Optional.empty(),
                Optional.empty(),
                touches,
                List.of(),
                path.troubles(),
                Map.of(),
                buttons,
                ButtonPath.balances(line, path, school),
                keys(instrument),
                List.of());
    }

    /** Every button of an instrument with every finger, in both directions. */
    private static Map<String, Touch> keys(Instrument instrument) {
        return KEYS.computeIfAbsent(instrument.id(), id -> {
            Map<String, Touch> keys = new HashMap<>();
            for (Button button : instrument.buttons().orElseThrow().buttons()) {
                for (Button.Bellows bellows : Button.Bellows.values()) {
                    for (int finger = 1; finger <= FINGERS; finger++) {
                        ButtonWay way = new ButtonWay(new ButtonLayout.Key(button, bellows), finger);
                        keys.put(way.toString(), touch(way, instrument.family(), true));
                    }
                }
            }
            return Map.copyOf(keys);
        });
    }

    private static Touch touch(ButtonWay way, Family family, boolean isBegun) {
        List<Label> labels = new ArrayList<>();
        for (ButtonWay each : way.each()) {
            Label label = label(each, family);
            Optional<Label> there = labels.stream()
                    .filter(other -> other.lane() == label.lane())
                    .findFirst();
            if (there.isPresent()) {
                String both = there.get().text() + "·" + label.text();
                labels.set(labels.indexOf(there.get()), new Label(label.lane(), both, label.isBoxed()));
            } else {
                labels.add(label);
            }
        }
        Stroke stroke = way.key().button().isSameBothWays()
                ? Stroke.EITHER
                : way.key().bellows() == Button.Bellows.PRESS ? Stroke.PRESS : Stroke.DRAW;
        return new Touch(labels, stroke, isBegun);
    }

    /** A turn of the bellows and a button struck again begin anew. */
    private static boolean isStruck(Optional<ButtonWay> before, ButtonWay way) {
        return before.map(held -> held.key().equals(way.key())
                        || (!way.key().button().isSameBothWays()
                                && held.key().bellows() != way.key().bellows()))
                .orElse(true);
    }

    private static Label label(ButtonWay way, Family family) {
        boolean isBox = family == Family.TWO_ROW_BOX;
        Button button = way.key().button();
        boolean isUpper = isBox ? button.row().equals("outer") : button.hand() == Button.Hand.RIGHT;
        String text = isBox
                ? String.valueOf(button.number())
                : family == Family.ENGLISH
                        ? String.valueOf(way.finger())
                        : button.name().substring(1);
        boolean isPressed = !button.isSameBothWays() && way.key().bellows() == Button.Bellows.PRESS;
        return new Label(isUpper ? 0 : 1, text, isPressed);
    }
}
