package wildflourish.core.plain;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import wildflourish.core.fingering.LineWays;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.fingering.Struck;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Schools;
import wildflourish.core.instrument.Strings;
import wildflourish.core.music.Tempo;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;

/**
 * How the fingers lie on the strings in a phrase: the spacing of whole and half steps under the hand.
 *
 * @param phrases the names of the phrases in which they lie so
 * @param fingers that are used, string by string from the lowest, each from the nut up
 */
public record HandFrame(List<String> phrases, List<Finger> fingers) {
    public HandFrame {
        phrases = List.copyOf(phrases);
        fingers = List.copyOf(fingers);
    }

    /**
     * A finger on a string.
     *
     * @param string its index, as in {@link Strings}
     * @param semitones above the open string; 0 for the open string itself
     * @param name what players call it: a finger, on frets the fret
     */
    public record Finger(int string, int semitones, String name) {}

    /** For each phrase that is not the same as one before, phrases with the same frame together; none for an instrument without strings. */
    public static List<HandFrame> of(Tune tune, Instrument instrument, Schools schools, Tempo tempo) {
        if (instrument.strings().isEmpty()) {
            return List.of();
        }
        Strings strings = instrument.strings().get();
        List<Struck> line = Struck.of(tune, tempo);
        Map<NoteId, ?> ways =
                LineWays.best(line, instrument, schools, tune.metreAt(0)).ways();
        Map<List<Finger>, List<String>> frames = new LinkedHashMap<>();
        for (Phrase phrase : Phrasing.of(tune).phrases()) {
            List<Finger> fingers = fingers(tune, phrase, ways, strings);
            List<String> names = frames.computeIfAbsent(fingers, each -> new ArrayList<>());
            if (!names.contains(phrase.name())) {
                names.add(phrase.name());
            }
        }
        frames.remove(List.of());
        return frames.entrySet().stream()
                .map(each -> new HandFrame(each.getValue(), each.getKey()))
                .toList();
    }

    private static List<Finger> fingers(Tune tune, Phrase phrase, Map<NoteId, ?> ways, Strings strings) {
        TreeSet<Finger> used = new TreeSet<>(Comparator.comparingInt(Finger::string)
                .thenComparingInt(Finger::semitones)
                .thenComparing(Finger::name));
        for (int bar = phrase.firstBar(); bar <= phrase.lastBar(); bar++) {
            for (var note : tune.bars().get(bar).notes()) {
                if (ways.get(note.id()) instanceof StringWay way) {
                    way.hold().places().forEach(place -> used.add(fingerOf(place, strings)));
                }
            }
        }
        return List.copyOf(used);
    }

    private static Finger fingerOf(Strings.Place place, Strings strings) {
        String name = strings.stroke() == Strings.Stroke.BOW ? place.stop().name() : String.valueOf(place.semitones());
        return new Finger(place.string(), place.semitones(), name);
    }
}
