package wildflourish.files.musicxml;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.hand.Ways;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Strings;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;

/**
 * How the hand plays the notes of a written-out version.
 *
 * @param instrument its name
 */
record Handed(String instrument, Map<NoteId, Way> ways) {
    /**
     * The way of one note.
     *
     * @param string number of a string, 1 for the highest
     * @param fret from the capo on
     * @param words a fingering of holes, a finger, a button; empty where string and fret say all
     */
    record Way(Optional<Integer> string, Optional<Integer> fret, Optional<String> words) {}

    /** Each note of the tune says its way where it begins; originals are notes of the tune by written-out note. */
    static Handed of(Tune tune, Version version, Map<NoteId, NoteId> originals) {
        Ways played = Ways.of(tune, version);
        Instrument instrument = version.playing().instrument();
        Map<NoteId, Way> ways = new HashMap<>();
        Set<NoteId> said = new HashSet<>();
        originals.keySet().stream().sorted().forEach(written -> {
            NoteId original = originals.get(written);
            if (original != null && said.add(original) && tune.has(original)) {
                way(tune.note(original), played, instrument).ifPresent(way -> ways.put(written, way));
            }
        });
        return new Handed(instrument.name(), Map.copyOf(ways));
    }

    private static Optional<Way> way(Note note, Ways ways, Instrument instrument) {
        if (note.isRest()) {
            return Optional.empty();
        }
        if (instrument.strings().isPresent()) {
            return ways.onStrings(note.id())
                    .map(way -> onString(
                            way, instrument.strings().get(), instrument.family().isPlucked()));
        }
        Optional<String> words = instrument.buttons().isPresent()
                ? ways.onButtons(note.id()).map(Object::toString)
                : ways.of(note).map(held -> held.fingering().toString());
        return words.map(each -> new Way(Optional.empty(), Optional.empty(), Optional.of(each)));
    }

    private static Way onString(StringWay way, Strings strings, boolean isFretted) {
        int number = strings.open().size() - way.place().string();
        return isFretted
                ? new Way(Optional.of(number), Optional.of(way.place().semitones()), Optional.empty())
                : new Way(Optional.of(number), Optional.empty(), Optional.of(way.name(strings)));
    }

    Optional<Way> at(NoteId written) {
        return Optional.ofNullable(ways.get(written));
    }
}
