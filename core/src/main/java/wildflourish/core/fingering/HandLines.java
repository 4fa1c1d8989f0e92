package wildflourish.core.fingering;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
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
 * @param hasLines whether each lane is drawn as a line, as strings are
 * @param labels by note
 * @param struck for each note whether it is begun anew by bow, pick, bellows or a button struck again; others go on from the note before
 * @param troubles what cannot be played
 */
public record HandLines(
        List<String> lanes,
        boolean hasLines,
        Map<NoteId, Label> labels,
        Map<NoteId, Boolean> struck,
        List<LinePath.Trouble> troubles) {
    public HandLines {
        lanes = List.copyOf(lanes);
        labels = Map.copyOf(labels);
        struck = Map.copyOf(struck);
        troubles = List.copyOf(troubles);
    }

    /** The direction of a stroke that begins with a note. */
    public enum Stroke {
        NONE,
        DOWN,
        UP
    }

    /**
     * What the hand does for a note.
     *
     * @param lane its index among the lanes
     * @param text a finger, a fret or a button
     * @param isBoxed whether the bellows are pressed
     */
    public record Label(int lane, String text, boolean isBoxed, Stroke stroke) {}

    /** For a tune; empty for an instrument fingered on holes. */
    public static Optional<HandLines> of(
            Tune tune, Instrument instrument, School school, Tempo tempo, Map<NoteId, String> pins) {
        if (instrument.family().isWind()) {
            return Optional.empty();
        }
        List<Struck> line = Struck.of(tune, tempo);
        return Optional.of(
                instrument.strings().isPresent()
                        ? of(line, Manners.of(instrument.strings().get(), school, tune.metreAt(0)), pins)
                        : of(line, instrument, school, pins));
    }

    // Strings

    private static HandLines of(List<Struck> line, StringPath.Manner manner, Map<NoteId, String> pins) {
        Strings strings = manner.strings();
        LinePath<StringWay> path = StringPath.best(line, manner, pins);
        List<Integer> fromTop = strings.fromTop();
        Map<NoteId, Label> labels = new HashMap<>();
        Map<NoteId, Boolean> struck = new HashMap<>();
        for (Struck each : line) {
            path.at(each.note().id()).ifPresent(way -> {
                String text = strings.stroke() == Strings.Stroke.BOW
                        ? way.place().stop().name()
                        : String.valueOf(way.place().semitones());
                Stroke stroke =
                        way.isSlurred() || way.picker() > 0 ? Stroke.NONE : way.isDown() ? Stroke.DOWN : Stroke.UP;
                labels.put(
                        each.note().id(), new Label(fromTop.indexOf(way.place().string()), text, false, stroke));
                struck.put(each.note().id(), !way.isSlurred());
            });
        }
        List<String> names = fromTop.stream().map(strings::stringName).toList();
        return new HandLines(names, true, labels, struck, path.troubles());
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

    private static HandLines of(List<Struck> line, Instrument instrument, School school, Map<NoteId, String> pins) {
        ButtonLayout layout = instrument.buttons().orElseThrow();
        LinePath<ButtonWay> path = ButtonPath.best(line, layout, school, pins);
        boolean isBox = instrument.family() == Family.TWO_ROW_BOX;
        Map<NoteId, Label> labels = new HashMap<>();
        Map<NoteId, Boolean> struck = new HashMap<>();
        Optional<ButtonWay> before = Optional.empty();
        for (Struck each : line) {
            Optional<ButtonWay> way = path.at(each.note().id());
            if (way.isPresent()) {
                labels.put(each.note().id(), label(way.get(), instrument.family(), isBox));
                struck.put(each.note().id(), isStruck(before, way.get()) || each.restMillis() > 0);
            }
            before = way;
        }
        List<String> lanes = isBox ? List.of("out", "in") : List.of("R", "L");
        return new HandLines(lanes, false, labels, struck, path.troubles());
    }

    /** A turn of the bellows and a button struck again begin anew. */
    private static boolean isStruck(Optional<ButtonWay> before, ButtonWay way) {
        return before.map(held -> held.key().equals(way.key())
                        || (!way.key().button().isSameBothWays()
                                && held.key().bellows() != way.key().bellows()))
                .orElse(true);
    }

    private static Label label(ButtonWay way, Family family, boolean isBox) {
        Button button = way.key().button();
        boolean isUpper = isBox ? button.row().equals("outer") : button.hand() == Button.Hand.RIGHT;
        String text = isBox
                ? String.valueOf(button.number())
                : family == Family.ENGLISH
                        ? String.valueOf(way.finger())
                        : button.name().substring(1);
        boolean isPressed = !button.isSameBothWays() && way.key().bellows() == Button.Bellows.PRESS;
        return new Label(isUpper ? 0 : 1, text, isPressed, Stroke.NONE);
    }
}
