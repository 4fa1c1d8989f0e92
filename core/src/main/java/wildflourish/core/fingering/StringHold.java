package wildflourish.core.fingering;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import wildflourish.core.instrument.Strings;

/**
 * What the left hand holds for a note or for notes that sound together: a place for each, on a string of its own.
 *
 * @param places those of the second notes, then the melody's; at least one
 */
public record StringHold(List<Strings.Place> places) {
    public StringHold {
        places = List.copyOf(places);
        if (places.isEmpty()) {
            throw new IllegalArgumentException("a hand that plays holds at least one string");
        }
    }

    public static StringHold of(Strings.Place place) {
        return new StringHold(List.of(place));
    }

    /** With a second string under or over the melody. */
    StringHold with(Strings.Place second) {
        List<Strings.Place> all = new ArrayList<>(List.of(second));
        all.addAll(places);
        return new StringHold(all);
    }

    public Strings.Place melody() {
        return places.get(places.size() - 1);
    }

    /** The second notes; none for a single note. */
    public List<Strings.Place> under() {
        return places.subList(0, places.size() - 1);
    }

    /** How far up the hand is. */
    int position() {
        return melody().position();
    }

    /** Between which strings the bow goes, in strings: 1.5 for the second and third together. */
    double level() {
        double sum = 0;
        for (Strings.Place place : places) {
            sum += place.string();
        }
        return sum / places.size();
    }

    /** How many strings lie between the nearest ones of two holds, counted from one to the next; 0 where they share one. */
    public int stringsTo(StringHold other) {
        int least = Integer.MAX_VALUE;
        for (Strings.Place from : places) {
            for (Strings.Place to : other.places) {
                least = Math.min(least, Math.abs(from.string() - to.string()));
            }
        }
        return least;
    }

    /** {@code D3}: string and finger, or string and fret, of the melody first: {@code A0+D3}. */
    public String name(Strings strings) {
        StringBuilder name = new StringBuilder(name(melody(), strings));
        for (int i = places.size() - 2; i >= 0; i--) {
            name.append('+').append(name(places.get(i), strings));
        }
        return name.toString();
    }

    private static String name(Strings.Place place, Strings strings) {
        return switch (strings.stroke()) {
            case BOW -> strings.stringName(place.string()) + place.stop().name();
            case PICK -> strings.stringName(place.string()) + place.semitones();
            case BANJO -> strings.stringName(place.string()) + "." + place.semitones();
        };
    }

    @Override
    public String toString() {
        return places.stream()
                .map(place -> place.string() + ":" + place.semitones())
                .collect(Collectors.joining("+"));
    }
}
