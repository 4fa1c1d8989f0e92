package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.fingering.Manners;
import wildflourish.core.fingering.StringHold;
import wildflourish.core.fingering.StringWay;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.PickingHand;
import wildflourish.core.instrument.Strings;
import wildflourish.core.line.Tone;
import wildflourish.core.music.Key;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.ornament.Figure;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Tune;

/** A figure on plucked strings: every way of stopping its notes, and what lies within reach. */
final class PluckSpot {
    /** How far apart frets may lie, in millimetres: without a stretch, and at all. */
    private static final double FREE = 90;

    private static final double REACH = 105;

    final Occasion occasion;
    final Figure figure;
    final Instrument instrument;
    final Strings strings;
    final PickingHand hand;
    /** A place for each note; the way that the path takes comes first. */
    final List<List<Strings.Place>> grasps;

    PluckSpot(Occasion occasion, Figure figure) {
        this.occasion = occasion;
        this.figure = figure;
        this.instrument = occasion.playing().instrument();
        this.strings = instrument.strings().orElseThrow();
        this.hand = handOf(occasion);
        this.grasps = Grasp.spans(occasion.tones(), this::places);
    }

    /** The picking hand of the player's school in the metre of a place. */
    static PickingHand handOf(Occasion occasion) {
        Tune tune = occasion.setting().tune();
        int bar = tune.placeOf(occasion.first().note().id()).bar();
        return Manners.of(
                        occasion.playing().instrument().strings().orElseThrow(),
                        occasion.playing().schools(),
                        tune.metreAt(bar))
                .order()
                .hand();
    }

    /** Every string and fret of a note, or those that the teacher has pinned; the hand being where the path has it where it can. */
    private List<Strings.Place> places(Tone tone) {
        Optional<StringWay> way = occasion.ways().onStrings(tone.note().id());
        int position = way.map(each -> each.place().position()).orElse(0);
        String pin = occasion.ways().pinOnStrings(tone.note().id());
        return placesOf(tone.melody(), position).stream()
                .filter(place -> pin.isEmpty() || isPinned(pin, name(place)))
                .sorted(Comparator.comparing(place ->
                        !way.filter(each -> isSame(each.place(), place)).isPresent()))
                .toList();
    }

    /** Whether a pin, {@code A12} or with a stroke {@code A12d}, is for a place of a name. */
    private static boolean isPinned(String pin, String name) {
        return pin.startsWith(name) && (pin.length() == name.length() || !Character.isDigit(pin.charAt(name.length())));
    }

    /** Each string and fret once, held in a position if it can be, or else in the lowest. */
    List<Strings.Place> placesOf(WrittenPitch written, int position) {
        Map<String, Strings.Place> places = new LinkedHashMap<>();
        for (Strings.Place place : strings.placesOf(instrument.reading().fingered(written))) {
            String key = name(place);
            Strings.Place known = places.get(key);
            boolean isBetter = known == null
                    || (known.position() != position
                            && (place.position() == position || place.position() < known.position()));
            if (isBetter) {
                places.put(key, place);
            }
        }
        return List.copyOf(places.values());
    }

    static boolean isSame(Strings.Place one, Strings.Place other) {
        return one.string() == other.string() && one.semitones() == other.semitones();
    }

    /** As pins call it, {@code A2}, {@code 3.2}. */
    String name(Strings.Place place) {
        return StringHold.of(place).name(strings);
    }

    // Where it stands

    Tune tune() {
        return occasion.setting().tune();
    }

    int bar() {
        return tune().placeOf(occasion.first().note().id()).bar();
    }

    Key key() {
        return occasion.setting().key();
    }

    Note note() {
        return occasion.first().note();
    }

    WrittenPitch written() {
        return occasion.first().melody();
    }

    WrittenPitch step(int steps) {
        return step(written(), steps);
    }

    WrittenPitch step(WrittenPitch from, int steps) {
        WrittenPitch natural = WrittenPitch.ofStaffStep(from.staffStep() + steps);
        return natural.withAlter(key().alterOf(natural.step()));
    }

    // Reach

    /** Whether two places can be stopped at once; an open string always can. */
    boolean isWithinReach(Strings.Place one, Strings.Place other) {
        return one.isOpen() || other.isOpen() || strings.millimetresBetween(one, other) <= REACH;
    }

    boolean isStretch(Strings.Place one, Strings.Place other) {
        return !one.isOpen() && !other.isOpen() && strings.millimetresBetween(one, other) > FREE;
    }

    /** The place of a pitch on a string, in a position if it can be; empty where the string has not got it. */
    Optional<Strings.Place> on(int string, WrittenPitch written, int position) {
        return placesOf(written, position).stream()
                .filter(place -> place.string() == string)
                .findFirst();
    }

    /** Where a pitch lies nearest to a place: on its string, a neighbour, or any, by frets. */
    Optional<Strings.Place> near(Strings.Place place, WrittenPitch written) {
        return placesOf(written, place.position()).stream()
                .filter(each -> isWithinReach(each, place))
                .min(Comparator.comparingInt((Strings.Place each) -> Math.abs(each.string() - place.string()) * 3
                        + (each.isOpen() ? 0 : Math.abs(each.semitones() - place.semitones()))));
    }

    /** MIDI number of what is written for a place. */
    int midi(Strings.Place place) {
        return instrument
                .reading()
                .writtenMidi(new wildflourish.core.music.FingeredPitch(
                        strings.open().get(place.string()).midi() + place.semitones()));
    }

    WrittenPitch writtenOf(Strings.Place place) {
        return key().spelled(midi(place));
    }

    /** Of a string, counted from 1 for the highest long one, the short one last, as banjo players count. */
    int number(int string) {
        int longOnes = strings.shortFret().isPresent()
                ? strings.open().size() - 1
                : strings.open().size();
        return string == longOnes ? string + 1 : longOnes - string;
    }

    /** The index of a string by its number. */
    int string(int number) {
        int longOnes = strings.shortFret().isPresent()
                ? strings.open().size() - 1
                : strings.open().size();
        return number > longOnes ? number - 1 : longOnes - number;
    }

    boolean isBanjoHand() {
        return strings.stroke() == Strings.Stroke.BANJO;
    }

    /** The fingers that are wished by letters, {@code T+M}; the one that leads for L. */
    List<Integer> fingers(String by) {
        List<Integer> fingers = new ArrayList<>();
        for (String letter : by.split("[+]", -1)) {
            fingers.add(letter.equals("L") ? hand.lead() : PickingHand.finger(letter));
        }
        return fingers;
    }
}
