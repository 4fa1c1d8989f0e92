package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.form.Harmony;
import wildflourish.core.instrument.PickingHand;
import wildflourish.core.instrument.Strings;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Fraction;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Refusal;
import wildflourish.core.ornament.Second;

/** What other plucked strings can sound with a note. */
final class PluckBeside {
    private static final int OCTAVE = 12;
    private static final int FIFTH_STEPS = 4;
    private static final int HIGHEST_FRET = 12;
    private static final Fraction CROTCHET = Fraction.of(1, 4);
    /** Semitones, octaves taken off, of thirds, fourth, fifth, sixths, octave and unison. */
    private static final Set<Integer> SWEET = Set.of(0, 3, 4, 5, 7, 8, 9);

    private final PluckSpot spot;

    PluckBeside(PluckSpot spot) {
        this.spot = spot;
    }

    /** The strings that are held with it, lowest first, or why none are. */
    record Found(List<Strings.Place> places, Optional<Refusal> why) {
        static Found none(Refusal why) {
            return new Found(List.of(), Optional.of(why));
        }
    }

    /** What sounds with a note held at a place. */
    Found of(Strings.Place place, WrittenPitch written, Second second) {
        boolean isByChord = second.kind() == Second.Kind.CHORD
                || second.kind() == Second.Kind.STOPPED
                || second.kind() == Second.Kind.ALL;
        List<Integer> tried = tried(place, second);
        if (tried.isEmpty()) {
            return Found.none(Refusal.NO_NEIGHBOUR);
        }
        if (isByChord && chord().isEmpty()) {
            return Found.none(Refusal.NO_CHORD);
        }
        if (second.kind() == Second.Kind.ALL) {
            return all(place, tried);
        }
        boolean isThere = false;
        for (int string : tried) {
            Optional<Strings.Place> found = on(string, place, written, second);
            isThere |= found.isPresent();
            if (found.filter(each -> spot.isWithinReach(each, place)).isPresent()) {
                return new Found(List.of(found.get()), Optional.empty());
            }
        }
        return Found.none(isThere ? Refusal.OUT_OF_REACH : Refusal.NO_PARTNER);
    }

    private Found all(Strings.Place place, List<Integer> tried) {
        List<Strings.Place> places = new ArrayList<>();
        for (int string : tried) {
            Optional<Strings.Place> found = nearest(string, place, false);
            if (found.isEmpty()) {
                return Found.none(Refusal.NO_PARTNER);
            }
            boolean isFar = !spot.isWithinReach(found.get(), place)
                    || places.stream().anyMatch(each -> !spot.isWithinReach(each, found.get()));
            if (isFar) {
                return Found.none(Refusal.OUT_OF_REACH);
            }
            places.add(0, found.get());
        }
        return new Found(places, Optional.empty());
    }

    /** The strings that may take it, one after the other. */
    private List<Integer> tried(Strings.Place place, Second second) {
        int longOnes = spot.strings.shortFret().isPresent()
                ? spot.strings.open().size() - 1
                : spot.strings.open().size();
        boolean isOnShort = spot.strings.isShort(place.string());
        List<Integer> below = new ArrayList<>();
        for (int string = place.string() - 1; string >= 0 && !isOnShort; string--) {
            below.add(string);
        }
        return switch (second.kind()) {
            case STRING -> {
                int string = spot.string(second.number());
                yield List.of(
                        string == place.string()
                                ? spot.string(spot.strings.open().size())
                                : string);
            }
            case ALL -> below.size() < 2 ? List.of() : spot.isBanjoHand() ? below.subList(0, 2) : below;
            case BESIDE -> {
                int above = place.string() + 1;
                boolean isTwin = above < longOnes
                        && spot.strings.open().get(above).midi()
                                == spot.strings.open().get(place.string()).midi() + place.semitones();
                yield isTwin ? List.of(above) : below.stream().limit(1).toList();
            }
            case CLOSE -> {
                List<Integer> all = new ArrayList<>(below);
                for (int string = place.string() + 1; string < longOnes; string++) {
                    all.add(string);
                }
                yield all;
            }
            default -> below.stream().filter(string -> isTaken(place, string)).toList();
        };
    }

    /** Whether the hand sounds a string with that of the note: the next one, or with fingers any that another one takes. */
    private boolean isTaken(Strings.Place place, int string) {
        if (!spot.isBanjoHand() || PickingHand.isNail(spot.hand.lead())) {
            return string == place.string() - 1;
        }
        for (int finger = 1; finger <= PickingHand.FINGERS; finger++) {
            if (spot.hand.canPinch(finger, spot.number(place.string()), List.of(spot.number(string)))) {
                return true;
            }
        }
        return false;
    }

    private Optional<Strings.Place> on(int string, Strings.Place place, WrittenPitch written, Second second) {
        return switch (second.kind()) {
            case OPEN, BESIDE, STRING -> Optional.of(new Strings.Place(string, 0, Strings.Stop.OPEN, place.position()));
            case OCTAVE ->
                spot.on(
                        string,
                        new WrittenPitch(written.step(), written.alter(), written.octave() + second.number()),
                        place.position());
            case STEP -> spot.on(string, spot.step(written, second.number()), place.position());
            case CHORD -> nearest(string, place, false);
            case STOPPED -> nearest(string, place, true);
            case CLOSE ->
                chord().isPresent()
                        ? nearest(string, place, false)
                        : spot.on(string, spot.step(written, FIFTH_STEPS), place.position());
            default -> Optional.empty();
        };
    }

    Optional<Set<Integer>> chord() {
        return Harmony.given(spot.tune(), spot.note().id());
    }

    /** Of the notes of the chord the open string, or else the fret nearest to the note's. */
    private Optional<Strings.Place> nearest(int string, Strings.Place place, boolean isStopped) {
        Set<Integer> chord = chord().orElse(Set.of());
        Strings.Place open = new Strings.Place(string, 0, Strings.Stop.OPEN, place.position());
        if (!isStopped && chord.contains(pitchClass(open))) {
            return Optional.of(open);
        }
        List<Strings.Place> frets = new ArrayList<>();
        for (int fret = 1; fret <= HIGHEST_FRET; fret++) {
            int midi = spot.midi(open) + fret;
            if (chord.contains(Math.floorMod(midi, OCTAVE))) {
                spot.on(string, WrittenPitch.ofMidi(midi), place.position()).ifPresent(frets::add);
            }
        }
        return frets.stream().min(Comparator.comparingInt(each -> Math.abs(each.semitones() - place.semitones())));
    }

    /** What of the chord a string sounds within reach of a place; empty where it has none of it. */
    Optional<Strings.Place> onChord(int string, Strings.Place place) {
        return nearest(string, place, false).filter(each -> spot.isWithinReach(each, place));
    }

    private int pitchClass(Strings.Place place) {
        return Math.floorMod(spot.midi(place), OCTAVE);
    }

    /** Whether an added note is of the chord; in a tune without one, whether it is sweet with the note. */
    boolean isInChord(Strings.Place place, Strings.Place beside) {
        return chord().map(chord -> chord.contains(pitchClass(beside)))
                .orElse(SWEET.contains(Math.floorMod(spot.midi(place) - spot.midi(beside), OCTAVE)));
    }

    /** Whether an added note would be heard on its own: on a crotchet, or as long as one. */
    boolean isHeard(Tone tone) {
        return !tone.length().isLessThan(CROTCHET)
                || spot.tune()
                        .placeOf(tone.note().id())
                        .offset()
                        .modulo(CROTCHET)
                        .isZero();
    }
}
