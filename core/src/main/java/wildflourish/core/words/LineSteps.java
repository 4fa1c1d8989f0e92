package wildflourish.core.words;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import wildflourish.core.fingering.ButtonPath;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.fingering.StringHold;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.fingering.Struck;
import wildflourish.core.fingering.Together;
import wildflourish.core.hand.Hands;
import wildflourish.core.hand.Scene;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.PickingHand;
import wildflourish.core.instrument.Schools;
import wildflourish.core.instrument.Strings;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.ornament.Profile;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;

/**
 * What the hand does for each note on strings and buttons, in words that can be read back: {@code D string, low second finger, down bow}; {@code inner
 * row, button 4, press}.
 */
public final class LineSteps {
    private static final List<String> FINGERS =
            List.of("open", "first finger", "second finger", "third finger", "fourth finger");
    private static final List<String> HAND =
            List.of("", "index finger", "middle finger", "ring finger", "little finger");
    private static final String WITH = ", with ";

    private LineSteps() {}

    /** By note, as the hand plays a version with its ornaments and pins; none for notes the instrument lacks. */
    public static Map<NoteId, String> of(Tune tune, Version version) {
        return of(Scene.of(tune, version, Profile.usual()));
    }

    /** The same of a scene. */
    static Map<NoteId, String> of(Scene scene) {
        Tune tune = scene.tune();
        Version version = scene.version();
        Instrument instrument = version.playing().instrument();
        Schools schools = version.playing().schools();
        List<Struck> line = Struck.of(tune, version.playing().tempo());
        Map<NoteId, String> pins = Hands.linePins(version);
        Map<NoteId, String> words = new HashMap<>();
        if (instrument.strings().isPresent()) {
            Strings strings = instrument.strings().get();
            tune.notes()
                    .forEach(note ->
                            scene.ways().onStrings(note.id()).ifPresent(way -> words.put(note.id(), of(way, strings))));
        }
        instrument
                .buttons()
                .ifPresent(layout -> ButtonPath.of(line, layout, schools.hand(), pins)
                        .ways()
                        .forEach((note, way) -> words.put(note, of(way, instrument.family()))));
        return words;
    }

    /** In words. */
    public static String of(StringWay way, Strings strings) {
        StringBuilder where = new StringBuilder(of(way.place(), strings));
        for (Strings.Place place : way.hold().under()) {
            where.append(WITH).append(of(place, strings));
        }
        String stroke = switch (strings.stroke()) {
            case BOW -> way.isSlurred() ? "same bow" : way.isDown() ? "down bow" : "up bow";
            case PICK -> way.isDown() ? "down" : "up";
            case BANJO -> PickingHand.word(way.picker());
        };
        return where + ", " + stroke;
    }

    private static String of(Strings.Place place, Strings strings) {
        String name = strings.stringName(place.string());
        String where = strings.stroke() == Strings.Stroke.BANJO ? "string " + name : name + " string";
        return where + ", " + stop(place, strings);
    }

    private static String stop(Strings.Place place, Strings strings) {
        if (place.isOpen()) {
            return FINGERS.get(0);
        }
        if (strings.stroke() != Strings.Stroke.BOW) {
            return "fret " + place.semitones();
        }
        String name = place.stop().name();
        String height = name.startsWith("L") ? "low " : name.startsWith("H") ? "high " : "";
        String hand = place.position() > 0 ? " " + place.position() + " semitones up" : "";
        return height + FINGERS.get(place.stop().finger()) + hand;
    }

    /** In words. */
    public static String of(ButtonWay way, Family family) {
        StringBuilder words = new StringBuilder(ofOne(way, family));
        way.under().forEach(lower -> words.append(WITH).append(ofOne(lower, family)));
        return words.toString();
    }

    private static String ofOne(ButtonWay way, Family family) {
        Button button = way.key().button();
        String row = family == Family.TWO_ROW_BOX
                ? button.row() + " row"
                : button.row().replaceFirst(" ", " hand, row ");
        String direction =
                button.isSameBothWays() ? "" : way.key().bellows() == Button.Bellows.PRESS ? ", press" : ", draw";
        return row + ", button " + button.number() + direction + ", " + HAND.get(way.finger());
    }

    /** The ways to play a note on strings that words can mean; none for words that mean nothing. */
    public static List<StringWay> parse(String words, Strings strings, Note note) {
        List<FingeredPitch> pitches = note.pitches().stream()
                .map(pitch -> new FingeredPitch(pitch.midi()))
                .toList();
        List<StringWay> ways = new ArrayList<>();
        for (StringHold hold : Together.of(strings, pitches).holds()) {
            strokes(strings, hold).filter(way -> of(way, strings).equals(words)).forEach(ways::add);
        }
        return List.copyOf(ways);
    }

    private static Stream<StringWay> strokes(Strings strings, StringHold hold) {
        return switch (strings.stroke()) {
            case BOW ->
                Stream.of(
                        new StringWay(hold, true, false, 0),
                        new StringWay(hold, false, false, 0),
                        new StringWay(hold, true, true, 0));
            case PICK -> Stream.of(new StringWay(hold, true, false, 0), new StringWay(hold, false, false, 0));
            case BANJO ->
                IntStream.rangeClosed(1, PickingHand.FINGERS)
                        .mapToObj(picker -> new StringWay(hold, true, false, picker));
        };
    }

    /** The keys and fingers that words mean; empty for words that mean nothing. */
    public static Optional<ButtonWay> parse(String words, Instrument instrument) {
        List<ButtonWay> each = Arrays.stream(words.split(WITH, -1))
                .flatMap(part -> parseOne(part, instrument).stream())
                .toList();
        return each.size() == words.split(WITH, -1).length
                ? Optional.of(new ButtonWay(each.get(0).key(), each.get(0).finger(), each.subList(1, each.size())))
                : Optional.empty();
    }

    private static Optional<ButtonWay> parseOne(String words, Instrument instrument) {
        return instrument.buttons().orElseThrow().buttons().stream()
                .flatMap(button -> Arrays.stream(Button.Bellows.values())
                        .filter(bellows -> bellows == Button.Bellows.PRESS || !button.isSameBothWays())
                        .flatMap(bellows -> button.fingers().stream()
                                .map(finger -> new ButtonWay(new ButtonLayout.Key(button, bellows), finger))))
                .filter(way -> ofOne(way, instrument.family()).equals(words))
                .findFirst();
    }
}
