package wildflourish.core.plain;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import wildflourish.core.fingering.Habit;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.music.WrittenPitch;
import wildflourish.core.tune.Tune;

/** The tunes of a book in an order in which each adds little to what a student can do already on an instrument. */
public final class Ladder {
    private Ladder() {}

    /**
     * A rung.
     *
     * @param added the pitches that are new with it
     */
    public record Rung(Tune tune, Needs needs, List<WrittenPitch> added) {}

    /** First the easiest; then each time the tune that asks for the fewest new notes, of those the easiest. Tunes with missing notes come last. */
    public static List<Rung> of(List<Tune> tunes, Instrument instrument) {
        return of(tunes, instrument, 0);
    }

    /**
     * The same for a student.
     *
     * @param otherHand what it costs the student to finger a note otherwise than before in the phrase, in units of one finger moved
     */
    public static List<Rung> of(List<Tune> tunes, Instrument instrument, double otherHand) {
        List<Rung> left = new ArrayList<>();
        for (Tune tune : tunes) {
            left.add(new Rung(tune, needs(tune, instrument, otherHand), List.of()));
        }
        Set<WrittenPitch> known = new HashSet<>();
        List<Rung> ladder = new ArrayList<>();
        while (!left.isEmpty()) {
            Rung next = left.stream()
                    .min(Comparator.comparing((Rung rung) -> rung.needs.grade().isEmpty())
                            .thenComparing(rung ->
                                    known.isEmpty() ? 0 : added(rung, known).size())
                            .thenComparing(rung -> rung.needs.grade().orElse(0.0)))
                    .orElseThrow();
            left.remove(next);
            ladder.add(new Rung(next.tune, next.needs, added(next, known)));
            known.addAll(next.needs.notes().keySet());
        }
        return List.copyOf(ladder);
    }

    private static Needs needs(Tune tune, Instrument instrument, double otherHand) {
        return Needs.of(tune, instrument, tune.header().usualTempo(), Habit.of(otherHand, tune));
    }

    private static List<WrittenPitch> added(Rung rung, Set<WrittenPitch> known) {
        return rung.needs.notes().keySet().stream()
                .filter(pitch -> !known.contains(pitch))
                .toList();
    }
}
