package wildflourish.core.words;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.fingering.ButtonPath;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.fingering.Manners;
import wildflourish.core.fingering.StringPath;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.fingering.Struck;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonLayout;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.instrument.Strings;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.Tempo;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/**
 * What the hand does for each note on strings and buttons, in words that can be read back: {@code D string, low second finger, down bow}; {@code inner
 * row, button 4, press}.
 */
public final class LineSteps {
    private static final List<String> FINGERS =
            List.of("open", "first finger", "second finger", "third finger", "fourth finger");
    private static final List<String> PICKERS = List.of("", "thumb", "index", "middle");
    private static final List<String> HAND =
            List.of("", "index finger", "middle finger", "ring finger", "little finger");
    private static final Pattern ON_STRING = Pattern.compile("(?:(\\S+) string|string (\\d)), (.+?), (.+)");
    private static final Pattern ON_BUTTON = Pattern.compile("(.+), button (\\d+)(?:, (press|draw))?(?:, (.+))?");

    private LineSteps() {}

    /** By note; none for notes the instrument lacks. */
    public static Map<NoteId, String> of(Tune tune, Instrument instrument, School school, Tempo tempo) {
        List<Struck> line = Struck.of(tune, tempo);
        Map<NoteId, String> words = new java.util.HashMap<>();
        if (instrument.strings().isPresent()) {
            Strings strings = instrument.strings().get();
            StringPath.of(line, Manners.of(strings, school, tune.metreAt(0)), Map.of())
                    .ways()
                    .forEach((note, way) -> words.put(note, of(way, strings)));
        }
        instrument
                .buttons()
                .ifPresent(layout -> ButtonPath.of(line, layout, school, Map.of())
                        .ways()
                        .forEach((note, way) -> words.put(note, of(way, instrument.family()))));
        return words;
    }

    /** In words. */
    public static String of(StringWay way, Strings strings) {
        String name = strings.stringName(way.place().string());
        String where = strings.stroke() == Strings.Stroke.BANJO ? "string " + name : name + " string";
        String stroke = switch (strings.stroke()) {
            case BOW -> way.isSlurred() ? "same bow" : way.isDown() ? "down bow" : "up bow";
            case PICK -> way.isDown() ? "down" : "up";
            case BANJO -> PICKERS.get(way.picker());
        };
        return where + ", " + stop(way.place(), strings) + ", " + stroke;
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
        Button button = way.key().button();
        String row = family == Family.TWO_ROW_BOX
                ? button.row() + " row"
                : button.row().replaceFirst(" ", " hand, row ");
        String direction =
                button.isSameBothWays() ? "" : way.key().bellows() == Button.Bellows.PRESS ? ", press" : ", draw";
        return row + ", button " + button.number() + direction + ", " + HAND.get(way.finger());
    }

    /** The places on the strings that words can mean, with whether the stroke goes down; none for words that mean nothing. */
    public static List<StringWay> parse(String words, Strings strings, int midi) {
        Matcher match = ON_STRING.matcher(words);
        List<StringWay> ways = new ArrayList<>();
        if (match.matches()) {
            for (Strings.Place place : strings.placesOf(new FingeredPitch(midi))) {
                for (StringWay way : List.of(
                        new StringWay(place, true, false, 0),
                        new StringWay(place, false, false, 0),
                        new StringWay(place, true, true, 0),
                        new StringWay(place, true, false, 1),
                        new StringWay(place, true, false, 2),
                        new StringWay(place, true, false, 3))) {
                    boolean isBanjo = strings.stroke() == Strings.Stroke.BANJO;
                    boolean mayBe = strings.stroke() == Strings.Stroke.BOW || !way.isSlurred();
                    if (mayBe && isBanjo == way.picker() > 0 && of(way, strings).equals(words)) {
                        ways.add(way);
                    }
                }
            }
        }
        return List.copyOf(ways);
    }

    /** The key and finger that words mean; empty for words that mean nothing. */
    public static Optional<ButtonWay> parse(String words, Instrument instrument) {
        Matcher match = ON_BUTTON.matcher(words);
        if (!match.matches()) {
            return Optional.empty();
        }
        return instrument.buttons().orElseThrow().buttons().stream()
                .flatMap(button -> java.util.Arrays.stream(Button.Bellows.values())
                        .filter(bellows -> bellows == Button.Bellows.PRESS || !button.isSameBothWays())
                        .flatMap(bellows -> button.fingers().stream()
                                .map(finger -> new ButtonWay(new ButtonLayout.Key(button, bellows), finger))))
                .filter(way -> of(way, instrument.family()).equals(words))
                .findFirst();
    }
}
