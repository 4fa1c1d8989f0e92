package wildflourish.core.hand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import wildflourish.core.instrument.Strings;
import wildflourish.core.line.Tone;

/**
 * One way of holding the notes of a figure and those beside it on strings.
 *
 * @param before the note before, where one sounds right up to it
 * @param notes a place for each note of the span
 */
record Grasp(Optional<Strings.Place> before, List<Strings.Place> notes, Optional<Strings.Place> after) {
    Grasp {
        notes = List.copyOf(notes);
    }

    /** Every way of holding tones one after the other, from the places that each can be held at. */
    static List<List<Strings.Place>> spans(List<Tone> tones, Function<Tone, List<Strings.Place>> places) {
        List<List<Strings.Place>> spans = List.of(List.of());
        for (Tone tone : tones) {
            List<List<Strings.Place>> longer = new ArrayList<>();
            for (List<Strings.Place> held : spans) {
                for (Strings.Place place : places.apply(tone)) {
                    List<Strings.Place> more = new ArrayList<>(held);
                    more.add(place);
                    longer.add(more);
                }
            }
            spans = longer;
        }
        return spans;
    }

    Strings.Place first() {
        return notes.get(0);
    }

    /** Its number, 0 for an open string. */
    int finger() {
        return first().stop().finger();
    }

    int string() {
        return first().string();
    }

    int position() {
        return first().position();
    }

    boolean isOnOneString() {
        return notes.stream().allMatch(place -> place.string() == string());
    }

    /** Whether the hand shifts, or a string is skipped, on the way to it or from it. */
    boolean isBesideLeap() {
        return isLeap(before, first()) || isLeap(after, notes.get(notes.size() - 1));
    }

    private static boolean isLeap(Optional<Strings.Place> other, Strings.Place place) {
        return other.filter(each -> Math.abs(each.string() - place.string()) > 1
                        || (!each.isOpen() && !place.isOpen() && each.position() != place.position()))
                .isPresent();
    }
}
