package wildflourish.core.hand;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import wildflourish.core.fingering.Together;
import wildflourish.core.form.Harmony;
import wildflourish.core.instrument.Strings;
import wildflourish.core.music.FingeredPitch;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Second;

/** What the string beside a stopped or an open one can sound with it, as a second string asks. */
final class BesideStrings {
    private static final int OCTAVE = 12;
    /** Semitones, octaves taken off, that grate: seconds, sevenths, the tritone. */
    private final BowSpot spot;

    BesideStrings(BowSpot spot) {
        this.spot = spot;
    }

    /** Whether any string lies on a side on which the second is asked. */
    boolean hasString(Strings.Place place, Second second) {
        return sides(place, second).anyMatch(this::isString);
    }

    /** Where the second lies when a note is held at a place; empty where the fingers cannot stand so. */
    Optional<Strings.Place> of(Strings.Place place, WrittenPitch written, Second second) {
        return sides(place, second)
                .filter(this::isString)
                .flatMap(string -> on(string, place, written, second).stream())
                .filter(beside -> Together.canStop(place, beside))
                .filter(beside -> !second.isHome() || home().contains(pitchClass(beside)))
                .findFirst();
    }

    private boolean isString(int string) {
        return string >= 0 && string < spot.strings.open().size();
    }

    /** The strings that are tried, one after the other. */
    private Stream<Integer> sides(Strings.Place place, Second second) {
        int below = place.string() - 1;
        int above = place.string() + 1;
        return switch (second.kind()) {
            case OPEN, SAME ->
                second.number() == 0 ? Stream.of(below, above) : Stream.of(place.string() + second.number());
            case OCTAVE, STEP -> Stream.of(second.number() < 0 ? below : above);
            case UNISON -> Stream.of(place.isOpen() ? below : above);
            case CHORD, STOPPED, AROUND, CLOSE -> Stream.of(below, above);
            case BESIDE, ALL -> Stream.of(below);
            case STRING -> Stream.of(spot.strings.open().size() - second.number());
            case KEY -> Stream.of();
        };
    }

    private Optional<Strings.Place> on(int string, Strings.Place place, WrittenPitch written, Second second) {
        return switch (second.kind()) {
            case OPEN, BESIDE, STRING -> Optional.of(new Strings.Place(string, 0, Strings.Stop.OPEN, place.position()));
            case SAME -> Optional.of(new Strings.Place(string, place.semitones(), place.stop(), place.position()));
            case OCTAVE -> at(string, place, written.midi() + OCTAVE * second.number());
            case STEP -> at(string, place, step(written, second.number()).midi());
            case UNISON -> at(string, place, written.midi()).filter(beside -> place.isOpen() || beside.isOpen());
            case CHORD, STOPPED, ALL, CLOSE -> nearest(string, place, written, chord(second));
            case KEY -> Optional.empty();
            case AROUND ->
                nearest(
                        string,
                        place,
                        written,
                        Harmony.around(
                                spot.occasion.setting().tune(), spot.note().id()));
        };
    }

    private Set<Integer> chord(Second second) {
        return second.isHome()
                ? home()
                : Harmony.given(spot.occasion.setting().tune(), spot.note().id())
                        .orElse(Set.of());
    }

    /** Whether a chord symbol holds here. */
    boolean hasChord() {
        return Harmony.given(spot.occasion.setting().tune(), spot.note().id()).isPresent();
    }

    private Set<Integer> home() {
        return Harmony.home(spot.occasion.setting().key());
    }

    private WrittenPitch step(WrittenPitch written, int steps) {
        WrittenPitch natural = WrittenPitch.ofStaffStep(written.staffStep() + steps);
        return natural.withAlter(spot.occasion.setting().key().alterOf(natural.step()));
    }

    /** Where the hand, staying where it is, finds a pitch on a string. */
    private Optional<Strings.Place> at(int string, Strings.Place place, int writtenMidi) {
        return spot.strings.placesOf(fingered(writtenMidi)).stream()
                .filter(each -> each.string() == string && each.position() == place.position())
                .findFirst();
    }

    private FingeredPitch fingered(int writtenMidi) {
        return spot.instrument.reading().fingered(WrittenPitch.ofMidi(writtenMidi));
    }

    /** Of the notes of a chord the open string, or else the one nearest to the note. */
    private Optional<Strings.Place> nearest(int string, Strings.Place place, WrittenPitch written, Set<Integer> chord) {
        List<Strings.Place> all = spot.strings.placesOn(string, place.position()).stream()
                .filter(each -> chord.contains(pitchClass(each)) && Together.canStop(place, each))
                .toList();
        return all.stream()
                .min(Comparator.comparing((Strings.Place each) -> !each.isOpen())
                        .thenComparing(each -> Math.abs(midi(each) - written.midi())));
    }

    /** MIDI number of what is written for a place. */
    int midi(Strings.Place place) {
        FingeredPitch open = spot.strings.open().get(place.string());
        return spot.instrument.reading().writtenMidi(new FingeredPitch(open.midi() + place.semitones()));
    }

    private int pitchClass(Strings.Place place) {
        return Math.floorMod(midi(place), OCTAVE);
    }

    /** As it is written in the key. */
    WrittenPitch written(Strings.Place place) {
        return spot.occasion.setting().key().spelled(midi(place));
    }

    boolean grates(Strings.Place place, Strings.Place beside) {
        return Harmony.grates(midi(beside) - midi(place));
    }

    boolean isInScale(Strings.Place beside) {
        WrittenPitch written = written(beside);
        return written.alter() == spot.occasion.setting().key().alterOf(written.step());
    }

    /** Whether it is a note of the chord that a symbol gives, or that the notes of the bar suggest in a tune without symbols. */
    boolean isInChord(Strings.Place beside) {
        return Harmony.at(spot.occasion.setting().tune(), spot.note().id()).contains(pitchClass(beside));
    }
}
