package wildflourish.core.chart;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import wildflourish.core.engraving.Handout;
import wildflourish.core.fingering.ButtonWay;
import wildflourish.core.form.Phrase;
import wildflourish.core.form.Phrasing;
import wildflourish.core.hand.Voice;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.ornament.Profile;
import wildflourish.core.performance.Moment;
import wildflourish.core.performance.Realisation;
import wildflourish.core.performance.Realiser;
import wildflourish.core.plain.HandFrame;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.NoteId;
import wildflourish.core.tune.Tune;
import wildflourish.core.version.Version;

/**
 * The notes of a tune that a chart is to show.
 *
 * @param only the notes; empty for all that the instrument has
 * @param fingers which fingers take a button in them, by the name of the button
 * @param frames how the fingers lie on strings; none where all notes are shown
 */
public record ChartNotes(Optional<Set<FingeredPitch>> only, Map<String, Set<Integer>> fingers, List<HandFrame> frames) {
    /** How many of the notes. */
    public enum Which {
        ALL("all"),
        TUNE("tune"),
        PHRASE("phrase"),
        STAGE("stage");

        private final String word;

        Which(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    /** All notes of an instrument, with no tune at hand. */
    public static final ChartNotes ALL = new ChartNotes(Optional.empty(), Map.of(), List.of());

    /**
     * Those of a tune: all of the instrument, those of the plain tune, those of the phrase in which a note stands, those that a version plays with all its
     * ornaments. The fingers are those of the version.
     */
    public static ChartNotes of(Which which, Tune tune, Version version, Optional<NoteId> at, Profile profile) {
        Instrument instrument = version.playing().instrument();
        Set<FingeredPitch> played = new HashSet<>();
        Map<String, Set<Integer>> fingers = new HashMap<>();
        if (which == Which.STAGE || instrument.buttons().isPresent()) {
            gather(Realiser.realise(tune, version, profile), instrument, played, fingers);
        }
        return switch (which) {
            case ALL -> new ChartNotes(Optional.empty(), fingers, List.of());
            case STAGE -> new ChartNotes(Optional.of(played), fingers, Handout.frames(tune, version));
            case TUNE ->
                new ChartNotes(Optional.of(pitches(instrument, tune.notes())), fingers, Handout.frames(tune, version));
            case PHRASE -> phrase(tune, version, at, fingers);
        };
    }

    private static void gather(
            Realisation worked, Instrument instrument, Set<FingeredPitch> played, Map<String, Set<Integer>> fingers) {
        for (Moment moment : worked.moments()) {
            moment.sounding()
                    .ifPresent(sounding -> sounding.voices().forEach(voice -> {
                        voice.written()
                                .ifPresent(written ->
                                        played.add(instrument.reading().fingered(written)));
                        ofOrnament(voice, instrument, fingers);
                    }));
        }
        worked.lines()
                .ifPresent(lines -> lines.buttons().values().forEach(option -> {
                    add(option.way(), fingers);
                    option.way().under().forEach(under -> add(under, fingers));
                }));
    }

    private static ChartNotes phrase(
            Tune tune, Version version, Optional<NoteId> at, Map<String, Set<Integer>> fingers) {
        Optional<Phrase> phrase =
                at.map(note -> Phrasing.of(tune).at(tune.placeOf(note).bar()));
        List<Note> notes = phrase.map(each -> tune.bars().subList(each.firstBar(), each.lastBar() + 1).stream()
                        .flatMap(bar -> bar.notes().stream())
                        .toList())
                .orElse(tune.notes());
        List<HandFrame> frames = Handout.frames(tune, version).stream()
                .filter(frame -> phrase.isEmpty()
                        || frame.phrases().contains(phrase.get().name()))
                .toList();
        return new ChartNotes(Optional.of(pitches(version.playing().instrument(), notes)), fingers, frames);
    }

    private static Set<FingeredPitch> pitches(Instrument instrument, List<Note> notes) {
        Set<FingeredPitch> pitches = new HashSet<>();
        notes.forEach(note ->
                note.pitches().forEach(pitch -> pitches.add(instrument.reading().fingered(pitch))));
        return pitches;
    }

    private static void add(ButtonWay way, Map<String, Set<Integer>> fingers) {
        fingers.computeIfAbsent(way.key().button().name(), name -> new TreeSet<>())
                .add(way.finger());
    }

    /** The lane of a button of an ornament says which finger takes it: {@code i5d/2}. */
    private static void ofOrnament(Voice voice, Instrument instrument, Map<String, Set<Integer>> fingers) {
        String[] halves = voice.lane().split("/", 2);
        if (instrument.buttons().isPresent() && halves.length == 2) {
            String way = halves[0];
            boolean isOneWay = instrument.buttons().get().buttons().stream()
                    .anyMatch(button -> button.name().equals(way));
            String button = isOneWay ? way : way.substring(0, way.length() - 1);
            fingers.computeIfAbsent(button, name -> new TreeSet<>()).add(Integer.valueOf(halves[1]));
        }
    }
}
