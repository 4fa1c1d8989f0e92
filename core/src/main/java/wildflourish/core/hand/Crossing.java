package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import wildflourish.core.form.Harmony;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Strings;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;

/**
 * A bar picked across three strings: A B C A B C A B, the tune on A, the two strings beyond it held in the chord.
 *
 * @param picks where each quaver is stopped
 */
public record Crossing(List<Strings.Place> picks) {
    private static final List<Integer> PATTERN = List.of(0, 1, 2, 0, 1, 2, 0, 1);
    private static final Set<Integer> DUE = Set.of(0, 3, 6);
    private static final int MOST_ONSETS = 3;
    private static final int OCTAVE = 12;
    private static final int HIGHEST_FRET = 12;

    public Crossing {
        picks = List.copyOf(picks);
    }

    /** A bar of the tune of a scene; empty where it cannot be. */
    static Optional<Crossing> of(Scene scene, int bar) {
        return found(scene, bar).crossing();
    }

    /** Why a bar cannot be picked so; none where it can. */
    public static List<Refusal> refusals(Scene scene, int bar) {
        return found(scene, bar).why();
    }

    private record Found(Optional<Crossing> crossing, List<Refusal> why) {
        static Found none(Refusal why) {
            return new Found(Optional.empty(), List.of(why));
        }
    }

    private static Found found(Scene scene, int bar) {
        Tune tune = scene.tune();
        if (!RollBars.hasEight(tune, bar)) {
            return Found.none(Refusal.NOT_THIS_TUNE);
        }
        Map<Integer, Note> onsets = new TreeMap<>(RollBars.onsets(tune, bar));
        if (onsets.isEmpty() || onsets.size() > MOST_ONSETS) {
            return Found.none(Refusal.BAR_FULL);
        }
        Note first = onsets.values().iterator().next();
        Optional<Set<Integer>> chord = Harmony.given(tune, first.id());
        if (chord.isEmpty()) {
            return Found.none(Refusal.NO_CHORD);
        }
        if (!DUE.containsAll(onsets.keySet())) {
            return Found.none(Refusal.STRING_NOT_DUE);
        }
        return onString(scene, onsets, chord.get());
    }

    /** The tune on one string that has two others on one side. */
    private static Found onString(Scene scene, Map<Integer, Note> onsets, Set<Integer> chord) {
        Instrument instrument = scene.playing().instrument();
        Strings strings = instrument.strings().orElseThrow();
        boolean isOnOne = false;
        for (int string = strings.open().size() - 1; string >= 0; string--) {
            int open = strings.open().get(string).midi();
            int its = string;
            boolean isHere = onsets.values().stream().allMatch(note -> {
                int fret = instrument.reading().fingered(note.melody()).midi() - open;
                String pin = scene.ways().pinOnStrings(note.id());
                boolean isPinned = pin.isEmpty() || pin.equals(strings.stringName(its) + fret);
                return fret >= 0 && fret <= HIGHEST_FRET && isPinned;
            });
            isOnOne |= isHere;
            for (int side : isHere ? new int[] {-1, 1} : new int[0]) {
                boolean hasTwo = string + 2 * side >= 0
                        && string + 2 * side < strings.open().size();
                if (hasTwo) {
                    Optional<Crossing> found = across(instrument, onsets, chord, string, side);
                    if (found.isPresent()) {
                        return new Found(found, List.of());
                    }
                }
            }
        }
        return Found.none(isOnOne ? Refusal.NO_NEIGHBOUR : Refusal.STRING_NOT_DUE);
    }

    private static Optional<Crossing> across(
            Instrument instrument, Map<Integer, Note> onsets, Set<Integer> chord, int string, int side) {
        Strings strings = instrument.strings().orElseThrow();
        List<Strings.Place> picks = new ArrayList<>();
        Strings.Place tune = new Strings.Place(string, 0, Strings.Stop.OPEN, 0);
        for (int quaver = 0; quaver < PATTERN.size(); quaver++) {
            Note note = onsets.get(quaver);
            if (note != null) {
                int fret = instrument.reading().fingered(note.melody()).midi()
                        - strings.open().get(string).midi();
                tune = new Strings.Place(string, fret, Strings.Stop.OPEN, 0);
            }
            int to = string + side * PATTERN.get(quaver);
            Optional<Strings.Place> place =
                    to == string ? Optional.of(tune) : nearest(instrument, to, tune.semitones(), chord);
            if (place.isEmpty()) {
                return Optional.empty();
            }
            picks.add(place.get());
        }
        return Optional.of(new Crossing(picks));
    }

    private static Optional<Strings.Place> nearest(Instrument instrument, int string, int fret, Set<Integer> chord) {
        Strings strings = instrument.strings().orElseThrow();
        List<Strings.Place> frets = new ArrayList<>();
        for (int each = 0; each <= HIGHEST_FRET; each++) {
            FingeredPitch fingered =
                    new FingeredPitch(strings.open().get(string).midi() + each);
            if (chord.contains(Math.floorMod(instrument.reading().writtenMidi(fingered), OCTAVE))) {
                frets.add(new Strings.Place(string, each, Strings.Stop.OPEN, 0));
            }
        }
        return frets.stream()
                .min(Comparator.comparing((Strings.Place each) -> !each.isOpen())
                        .thenComparing(each -> Math.abs(each.semitones() - fret)));
    }
}
